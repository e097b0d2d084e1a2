import { ratioOf } from '../units/money';
import { basketFor } from '../versus/basketFor';
import { onBudgetBasis } from '../money/spent';
import type { Assessment } from '../assess';
import { fullName } from '../model/fitted';
import { loudestOf, warmestFor } from '../heat/state';
import { keptOf } from '../predict/kept';
import type { HoldResult, TaskResult } from '../predict/results';
import type { Derivation } from '../figures/derive';
import { sensitivityOf } from '../predict/sensitivity';
import { LOWEST_FIRST, verdictOf, type Band, type Verdict } from '../units/band';
import type { Task } from '../model/tasks';
import { coins, duration, listed, memorySize, number, percent, size, watts } from './format';
import { bindingName, impossibleWords, outsideWords, resourceName } from './names';
import { getsText, needText, range, unitOf } from './results';

/** What the axis of a beam means: ratio and tight ratio are logarithmic, a difference is in the quantity's own unit. */
export type BeamAxis =
  { readonly kind: 'ratio' } | { readonly kind: 'tight' } | { readonly kind: 'difference'; readonly span: number };

/** A beam's figures and words, ready to draw. */
export interface BeamModel {
  readonly id: string;
  readonly label: string;
  readonly axis: BeamAxis;
  readonly band: Band | undefined;
  readonly verdict: Verdict;
  readonly need: string | undefined;
  readonly gets: string;
  readonly sentence: string;
  readonly why: readonly string[];
  readonly derivations: readonly { readonly label: string; readonly derivation: Derivation }[];
}

const WORDS: Readonly<Record<Verdict, string>> = {
  carries: 'carries',
  between: 'may fall short',
  short: 'falls short',
  unproven: 'unproven',
};

function taskSentence(name: string, result: TaskResult): string {
  if (result.impossible.length > 0) return `${name}: does not run. ${result.impossible.map(impossibleWords).join(' ')}`;
  if (!result.gets) return `${name}: unproven, because a figure is unknown.`;
  const verdict = WORDS[result.verdict];
  if (result.mode === 'elastic')
    return result.target === undefined
      ? `${name}: takes ${duration(result.gets.likely)}.`
      : `${name}: takes ${duration(result.gets.likely)} of ${duration(result.target)} allowed, ${verdict}.`;
  if (result.unit === 'second')
    return `${name}: gets ${number(result.gets.likely, 2)} times the pace it needs, ${verdict}.`;
  const unit = result.unit === 'frame' ? 'frames per second' : `${result.unit}s per second`;
  return `${name}: gets ${number(result.gets.likely)} of ${number(result.target ?? 0)} ${unit}, ${verdict}.`;
}

export function taskBeam(task: Task, result: TaskResult): BeamModel {
  const binding = result.uses.find((use) => use.resource === result.binds);
  const why = [
    ...result.impossible.map(impossibleWords),
    ...(result.binds
      ? [
          `${result.mode === 'real-time' && result.verdict === 'carries' ? 'Tightest on' : 'Bound by'} ${bindingName(result)}${binding?.stage ? `, stage "${binding.stage}"` : ''}.`,
        ]
      : []),
    ...(result.dropped !== undefined && result.dropped > 0
      ? [`About ${number(result.dropped)} of ${number(result.target ?? 0)} ${result.unit}s a second are dropped.`]
      : []),
    ...(result.worst && result.worst.likely !== result.gets?.likely
      ? [`In its worst moments ${range(result.worst, (value) => number(value))} ${unitOf(result)}.`]
      : []),
    ...result.outside.map(outsideWords),
    ...movedBy(result),
    'Clocks are those that heat and power limits leave once everything is warm.',
  ];
  return {
    id: `task-${task.id}`,
    label: task.name,
    axis: { kind: 'ratio' },
    band: result.ratio,
    verdict: result.verdict,
    need: needText(result),
    gets: getsText(result),
    sentence: taskSentence(task.name, result),
    why,
    derivations: result.uses.flatMap((use) => [
      { label: `${resourceName(use.resource)}: demand`, derivation: use.demand },
      ...(use.supply ? [{ label: `${resourceName(use.resource)}: supply`, derivation: use.supply }] : []),
    ]),
  };
}

/** The constants that are least sure and move this prediction most. */
function movedBy(result: TaskResult): string[] {
  const most = sensitivityOf(result).slice(0, 3);
  if (most.length === 0) return [];
  return [
    `What moves it most: ${listed(most.map(({ label, factor }) => `${label} (×${number(1 / factor, 2)} to ×${number(factor, 2)})`))}.`,
  ];
}

/** Beams of memory at its worst sitting, and of what stays on drives by role. */
export function holdBeams(assessment: Assessment): BeamModel[] {
  const { sittings, parts, kept } = assessment.facts;
  const worst = new Map<string, HoldResult>();
  for (const hold of sittings.flatMap(({ holds }) => holds)) {
    if (hold.what.startsWith('space:')) continue;
    const before = worst.get(hold.what);
    if (!before || hold.needs.value > before.needs.value) worst.set(hold.what, hold);
  }
  return [
    ...[...worst.values()].map((hold) =>
      holdBeam(hold, hold.what, hold.what === 'memory' ? 'Memory' : 'Graphics memory', memorySize, [
        'What all tasks of the heaviest sitting hold at once.',
      ]),
    ),
    ...keptOf(parts, kept).map((space) =>
      holdBeam(space, `space:${space.role}`, `Space, ${space.role} drive`, size, [
        space.role === 'scratch'
          ? 'What the tasks of the heaviest sitting hold at once.'
          : 'What all tasks keep, each once.',
        ...(space.othersBytes > 0 ? [`${size(space.othersBytes)} of the same drive are kept for other roles.`] : []),
      ]),
    ),
  ];
}

function holdBeam(
  hold: Pick<HoldResult, 'needs' | 'has' | 'ratio' | 'missing'>,
  what: string,
  label: string,
  format: (bytes: number) => string,
  why: readonly string[],
): BeamModel {
  const verdict = hold.ratio ? verdictOf(hold.ratio) : hold.has || hold.missing.length > 0 ? 'unproven' : 'short';
  const has = hold.has ? format(hold.has.value) : hold.missing.length > 0 ? 'unproven' : 'none';
  return {
    id: `hold-${what}`,
    label,
    axis: { kind: 'ratio' },
    band: hold.ratio,
    verdict,
    need: `need ${format(hold.needs.value)}`,
    gets: has,
    sentence: `${label}: has ${has} of ${format(hold.needs.value)} needed, ${WORDS[verdict]}.`,
    why,
    derivations: [
      { label: 'needs', derivation: hold.needs },
      ...(hold.has ? [{ label: 'has', derivation: hold.has }] : []),
    ],
  };
}

const point = (ratio: number): Band => ({ low: ratio, likely: ratio, high: ratio });

/** Supply sustained and peak, clearances, in one column with the tasks. */
export function headroomBeams(assessment: Assessment): BeamModel[] {
  const { power, parts, settings } = assessment.facts;
  const beams: BeamModel[] = [];
  if (parts.one('supply')) {
    const add = (
      id: string,
      label: string,
      drawW: number,
      allowedW: number | undefined,
      lowerBound: boolean,
      why: string,
    ) => {
      // a lower bound can show a supply too small, never large enough
      const decided = !lowerBound || (allowedW !== undefined && drawW > allowedW);
      const band = decided && allowedW !== undefined && drawW > 0 ? point(allowedW / drawW) : undefined;
      const verdict = band ? verdictOf(band) : 'unproven';
      const need = `${lowerBound ? 'at least ' : ''}${watts(drawW)}`;
      beams.push({
        id,
        label,
        axis: { kind: 'tight' },
        band,
        verdict,
        need: `draws ${need}`,
        gets: allowedW === undefined ? 'unproven' : `of ${watts(allowedW)}`,
        sentence: `${label}: draws ${need} of ${allowedW === undefined ? 'an unknown rating' : watts(allowedW)}, ${WORDS[verdict]}.`,
        why: [
          why,
          'Efficiency plays no part: it raises what is drawn from the wall, it does not lower what the supply delivers.',
        ],
        derivations: [],
      });
    };
    add(
      'supply-sustained',
      'Supply, sustained',
      power.sustainedW,
      power.ratedW === undefined ? undefined : power.ratedW * settings.supplyShare,
      power.sustainedOpen,
      `The heaviest sitting against ${percent(settings.supplyShare)} of the rating.`,
    );
    add(
      'supply-peak',
      'Supply, peak',
      power.peakW,
      power.ratedW,
      power.missing.length > 0,
      'All parts at their limit against the full rating.',
    );
  }
  beams.push(...heatBeams(assessment));
  for (const check of assessment.checks) {
    if (check.code !== 'cooler-height' && check.code !== 'card-length') continue;
    const [label, room, needMm] =
      check.code === 'cooler-height'
        ? ['Cooler clearance', check.spaceMm, check.heightMm]
        : [`Card clearance`, check.spaceMm, check.lengthMm];
    const gap = room - needMm;
    const verdict: Verdict = gap >= 0 ? 'carries' : 'short';
    beams.push({
      id: `${check.code}-${check.items.join('-')}`,
      label,
      axis: { kind: 'difference', span: 60 },
      band: point(gap),
      verdict,
      need: `${number(needMm)} mm of ${number(room)} mm`,
      gets: `${gap >= 0 ? '+' : '−'}${number(Math.abs(gap))} mm`,
      sentence: `${label}: needs ${number(needMm)} of ${number(room)} millimetres, ${WORDS[verdict]}.`,
      why: [],
      derivations: [],
    });
  }
  return beams;
}

/** K that processor and cards keep to their limits, and dB(A) to the brief's, each in its worst sitting. */
function heatBeams({ facts }: Assessment): BeamModel[] {
  const { heat, parts, brief, power } = facts;
  // what a task of unknown rate draws is not in it
  const least = power.sustainedOpen ? 'at least ' : '';
  const nameOf = (id: string) => brief.sittings.find((sitting) => sitting.id === id)?.name ?? 'a task alone';
  const beams = heat.setup.hot.flatMap((part, i): BeamModel[] => {
    const fitted = parts.all.find(({ item }) => item.id === part.item);
    const found = warmestFor(heat.sittings, i);
    if (!fitted || !found) return [];
    const { heat: warmest, best: good, worst: bad } = found;
    const held = warmest.best.heldBy[part.kind] === 'heat';
    const unsure = !held && warmest.worst.heldBy[part.kind] === 'heat';
    const spare = { low: bad.limitC - bad.tempC, likely: good.limitC - good.tempC, high: good.limitC - good.tempC };
    const label = part.kind === 'processor' ? 'Processor heat' : 'Card heat';
    const verdict: Verdict = held ? 'short' : unsure ? 'unproven' : 'carries';
    const reached = `${least}${number(good.tempC)} °C`;
    const gets = held
      ? `held at ${number(good.limitC)} °C`
      : unsure
        ? 'unproven'
        : `${least ? 'at most ' : ''}${number(spare.low)} K to spare`;
    return [
      {
        id: `heat-${part.item}`,
        label,
        axis: { kind: 'difference', span: 40 },
        band: unsure ? undefined : held ? point(0) : spare,
        verdict,
        need: `${reached} of ${number(good.limitC)}`,
        gets,
        sentence: `${label}: ${fullName(fitted.part)} reaches ${reached} of ${number(good.limitC)} degrees in ${nameOf(warmest.sitting)}, ${WORDS[verdict]}.`,
        why: [
          `Air of ${number(good.intakeC)} °C, and ${watts(good.watts)} on ${number(good.kPerW, 2)} K/W at ${percent(good.speed)} fan speed, in the sitting "${nameOf(warmest.sitting)}".`,
          ...(held
            ? [`At full clock it would pass its limit: it keeps ${percent(warmest.best.clocks[part.kind])}.`]
            : []),
          ...(unsure ? ['Figures of the cooling are unknown, and between their bounds lies the limit.'] : []),
        ],
        derivations: [],
      },
    ];
  });
  const limit = brief.mustHaves.noiseDbA;
  const loudest = loudestOf(heat.sittings);
  if (limit === undefined || !loudest) return beams;
  const { dbA, missing, sources } = loudest.noise;
  const open = missing.length > 0 && dbA <= limit;
  const verdict: Verdict = open ? 'unproven' : dbA <= limit ? 'carries' : 'short';
  const level = `${missing.length > 0 ? 'at least ' : ''}${number(dbA)} dB(A)`;
  return [
    ...beams,
    {
      id: 'noise',
      label: 'Noise at 1 m',
      axis: { kind: 'difference', span: 12 },
      band: open ? undefined : point(limit - dbA),
      verdict,
      need: `at most ${number(limit)} dB(A)`,
      gets: level,
      sentence: `Noise at 1 m: ${level} of ${number(limit)} in ${nameOf(loudest.sitting)}, ${WORDS[verdict]}.`,
      why: [
        ...sources.map((source) => {
          const fitted = parts.all.find(({ item }) => item.id === source.item);
          return `${source.what}: ${number(source.dbA)} dB(A), ${fitted ? fullName(fitted.part) : source.item}`;
        }),
        'Sources add by energy: two alike are 3 dB louder than one.',
      ],
      derivations: [],
    },
  ];
}

/** Price of the best basket against the budget, both on the brief's tax basis. */
export function budgetBeam(assessment: Assessment): BeamModel | undefined {
  const { brief, price } = assessment.facts;
  if (brief.budgetMinor === undefined) return undefined;
  const { total, lowerBound: lower } = basketFor(assessment);
  const spent = onBudgetBasis(total, brief);
  const band = spent > 0 ? point(ratioOf(brief.budgetMinor, spent)) : point(4);
  const verdict: Verdict = spent > brief.budgetMinor ? 'short' : lower ? 'unproven' : 'carries';
  const basis = brief.budgetTaxIncluded ? 'landed, tax and shipping in' : 'before tax';
  return {
    id: 'budget',
    label: 'Budget',
    axis: { kind: 'tight' },
    band: lower && verdict === 'unproven' ? undefined : band,
    verdict,
    need: `${coins(Math.abs(brief.budgetMinor - spent), price.currency)} ${spent > brief.budgetMinor ? 'over' : 'left'}`,
    gets: `${lower ? 'at least ' : ''}${coins(spent, price.currency)}`,
    sentence: `Budget: costs ${lower ? 'at least ' : ''}${coins(spent, price.currency)} of ${coins(brief.budgetMinor, price.currency)} (${basis}), ${WORDS[verdict]}.`,
    why: [`The best basket over all sellers, ${basis}.`],
    derivations: [],
  };
}

/** The task that does worst, as the ledger and the desk name it. */
export function worstTask(assessment: Assessment): { task: Task; result: TaskResult } | undefined {
  const rows = assessment.tasks.flatMap((result) => {
    const task = assessment.facts.brief.tasks.find((candidate) => candidate.id === result.task);
    return task ? [{ task, result }] : [];
  });
  return rows.sort(
    (a, b) =>
      LOWEST_FIRST[a.result.verdict] - LOWEST_FIRST[b.result.verdict] ||
      (a.result.ratio?.likely ?? 0) - (b.result.ratio?.likely ?? 0),
  )[0];
}
