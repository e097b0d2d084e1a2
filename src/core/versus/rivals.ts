import { isOf } from '../figures/resources';
import { assess, type Assessment, type Context } from '../assess';
import { progress } from '../predict/worst';
import type { Brief } from '../model/brief';
import type { Measurement } from '../model/measurement';
import { fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import { type PartKind, PART_KINDS } from '../parts';
import { combineSpreads, type Band, type Verdict } from '../units/band';
import { ratioOf } from '../units/money';
import type { Basket } from '../money/basket';
import { configured, type Configured } from './configure';
import { basketShares, rivalShares, shareRows, type ShareRow } from './difference';
import type { Landed } from '../money/landed';
import type { RivalModel } from '../model/rivals';

/** One kind of part on both sides. */
export interface PartRow {
  readonly kind: PartKind;
  readonly ours: readonly string[];
  readonly theirs: readonly {
    readonly name: string;
    readonly standsInFor: string | undefined;
    readonly between: readonly [string, string] | undefined;
    readonly fixed: 'soldered' | 'own form' | undefined;
  }[];
  readonly same: boolean;
}

export interface TaskSide {
  readonly verdict: Verdict;
  readonly gets: Band | undefined;
  readonly ratio: Band | undefined;
}

export interface TaskRow {
  readonly task: string;
  readonly ours: TaskSide;
  readonly theirs: TaskSide;
  /** Ours ÷ theirs, above 1 is faster; undefined when either is unknown or does not run. */
  readonly ratio: Band | undefined;
  /** The rival's figure rests on a stand-in. */
  readonly standIn: boolean;
}

/** Results of one workload, tool and setting on both sides, or a result that has no equal on the other. */
export interface EvidencePair {
  readonly ours: Measurement;
  readonly theirs: Measurement;
  /** Ours ÷ theirs in the unit's better direction. */
  readonly ratio: number;
}
export interface EvidenceApart {
  readonly side: 'ours' | 'theirs';
  readonly measurement: Measurement;
  readonly because: 'only-here' | 'other-tool' | 'other-settings';
}

/** A draft against a branded machine, both on one tax basis. */
export interface Comparison {
  readonly side: Configured;
  readonly assessment: Assessment;
  readonly theirs: Landed | undefined;
  readonly ours: Landed;
  readonly oursLowerBound: boolean;
  /** Ours ÷ theirs, landed (tax and shipping in), and before tax and shipping. */
  readonly priceRatio: number | undefined;
  readonly netPriceRatio: number | undefined;
  /** Importance-weighted geometric mean of the tasks' ratios that both sides run. */
  readonly speedRatio: Band | undefined;
  readonly tasksCompared: number;
  /** Speed ratio ÷ landed price ratio: work per coin, ours over theirs. */
  readonly perCoinRatio: Band | undefined;
  readonly tasks: readonly TaskRow[];
  readonly parts: readonly PartRow[];
  /** What both prices are made of; undefined when the machine is not sold here. */
  readonly shares: readonly ShareRow[] | undefined;
  /** The rival's parts without an offer here: its parts come to more, its remainder to less. */
  readonly withoutOffer: readonly string[];
  readonly pairs: readonly EvidencePair[];
  readonly apart: readonly EvidenceApart[];
}

/** The machine with every part that has a range at its lesser or its better end. */
export const atEnd = (machine: Machine, end: 0 | 1): Machine => ({
  ...machine,
  items: machine.items.map((item) => (item.standInRange ? { ...item, part: item.standInRange[end] } : item)),
});

/** How a brief would order a branded machine. */
export const chosenOptions = (brief: Brief, rival: RivalModel): readonly string[] =>
  brief.rivals?.find((entry) => entry.rival === rival.id)?.options ?? [];

/**
 * A draft and a branded machine under the same rules and predictions. Where an unpublished part is known to lie between
 * two, the machine is assessed with both ends as well and its bands reach over all three.
 * @param basket how the draft is bought
 */
export function compareWithRival(
  draft: Assessment,
  basket: Basket,
  rival: RivalModel,
  brief: Brief,
  context: Context,
): Comparison {
  const side = configured(rival, chosenOptions(brief, rival), draft.region);
  const assessment = assess(side.machine, brief, context);
  const ends = side.machine.items.some((item) => item.standInRange)
    ? ([0, 1] as const).map((end) => assess(atEnd(side.machine, end), brief, context))
    : [];
  const theirs = side.price;
  const ours = basket.total;
  const tasks = taskRows(draft, assessment, ends);
  const { speedRatio, tasksCompared } = meanSpeed(tasks, brief);
  const oursLowerBound = basket.lowerBound;
  const comparable = theirs && !oursLowerBound && ours.landedMinor > 0;
  const priceRatio = comparable ? ratioOf(ours.landedMinor, theirs.landedMinor) : undefined;
  const { price, parts, machine } = assessment.facts;
  const their = rivalShares(side, parts, price);
  return {
    side,
    assessment,
    theirs,
    ours,
    oursLowerBound,
    priceRatio,
    netPriceRatio: comparable ? ratioOf(ours.netMinor, theirs.netMinor) : undefined,
    speedRatio,
    tasksCompared,
    perCoinRatio:
      speedRatio && priceRatio !== undefined
        ? {
            low: speedRatio.low / priceRatio,
            likely: speedRatio.likely / priceRatio,
            high: speedRatio.high / priceRatio,
          }
        : undefined,
    tasks,
    parts: partRows(draft, assessment),
    shares: their && shareRows(basketShares(basket, draft.facts.parts), their),
    withoutOffer: price.unpriced.map((id) => {
      const fitted = parts.all.find(({ item }) => item.id === id);
      return fitted ? fullName(fitted.part) : (machine.items.find((item) => item.id === id)?.label ?? id);
    }),
    ...evidenceOf(draft.facts.machine.evidence ?? [], assessment.facts.machine.evidence ?? []),
  };
}

const hull = (bands: readonly (Band | undefined)[]): Band | undefined => {
  const [first, ...rest] = bands;
  if (!first || rest.some((band) => band === undefined)) return undefined;
  return {
    low: Math.min(...bands.map((band) => band?.low ?? Infinity)),
    likely: first.likely,
    high: Math.max(...bands.map((band) => band?.high ?? 0)),
  };
};

/** Spread of a band as factors below and above its likely value. */
const spreadOf = ({ low, likely, high }: Band) => ({ down: likely / low, up: high / likely });

/**
 * Ours ÷ theirs with a band: both predictions' spreads as independent errors. They share the model's constants, so the
 * true band is rather narrower.
 */
export function ratioBand(ours: Band, theirs: Band): Band {
  const likely = ours.likely / theirs.likely;
  const [a, b] = [spreadOf(ours), spreadOf(theirs)];
  return { low: likely / combineSpreads([a.down, b.up]), likely, high: likely * combineSpreads([a.up, b.down]) };
}

/** A result as a band of progress, higher is better. */
function progressBand(result: Assessment['tasks'][number] | undefined): Band | undefined {
  if (!result || !(progress(result) > 0)) return undefined;
  if (result.ratio) return result.ratio;
  return result.gets && { low: 1 / result.gets.high, likely: 1 / result.gets.likely, high: 1 / result.gets.low };
}

/** Importance-weighted geometric mean of the tasks' ratios that both sides run, and how many those are. */
export function meanSpeed(
  tasks: readonly TaskRow[],
  brief: Brief,
): { readonly speedRatio: Band | undefined; readonly tasksCompared: number } {
  const weighted = tasks.flatMap((row) =>
    row.ratio === undefined
      ? []
      : [{ importance: brief.tasks.find((task) => task.id === row.task)?.importance ?? 1, ratio: row.ratio }],
  );
  const weight = weighted.reduce((sum, entry) => sum + entry.importance, 0);
  const mean = (of: keyof Band) =>
    Math.exp(weighted.reduce((sum, { importance, ratio }) => sum + importance * Math.log(ratio[of]), 0) / weight);
  return {
    speedRatio: weight > 0 ? { low: mean('low'), likely: mean('likely'), high: mean('high') } : undefined,
    tasksCompared: weighted.length,
  };
}

/** The tasks of a machine beside those of another, which may be between two ends. */
export function taskRows(draft: Assessment, rival: Assessment, ends: readonly Assessment[] = []): TaskRow[] {
  const standIns = new Set(
    rival.facts.machine.items.filter((item) => item.standsInFor !== undefined).map((item) => item.id),
  );
  return draft.tasks.flatMap((ours): TaskRow[] => {
    const [theirs, ...atEnds] = [rival, ...ends].map(({ tasks }) => tasks.find(({ task }) => task === ours.task));
    if (!theirs) return [];
    const all = [theirs, ...atEnds];
    const a = progressBand(ours);
    const b = hull(all.map(progressBand));
    const verdicts = new Set(all.map((result) => result?.verdict));
    return [
      {
        task: ours.task,
        ours: { verdict: ours.verdict, gets: ours.gets, ratio: ours.ratio },
        theirs: {
          // where the ends of a range disagree, nobody knows yet
          verdict: verdicts.size === 1 ? theirs.verdict : verdicts.has('unproven') ? 'unproven' : 'between',
          gets: hull(all.map((result) => result?.gets)),
          ratio: theirs.ratio && hull(all.map((result) => result?.ratio)),
        },
        ratio: a && b && a.low > 0 && b.low > 0 ? ratioBand(a, b) : undefined,
        standIn: theirs.binds !== undefined && suppliers(rival, theirs.binds).some((item) => standIns.has(item)),
      },
    ];
  });
}

/** Items whose figures decide a resource. */
export function suppliers(assessment: Assessment, resource: string): readonly string[] {
  if (isOf(resource, 'uplink') || isOf(resource, 'flow') || resource === 'cpu.threads')
    return assessment.facts.parts.ofKind('board').map(({ item }) => item.id);
  return assessment.supply.of(resource as 'cpu.serial')?.items ?? [];
}

function partRows(draft: Assessment, rival: Assessment): PartRow[] {
  const nameOf = (id: string) => {
    const part = rival.facts.catalogue.part(id);
    return part ? fullName(part) : id;
  };
  return PART_KINDS.flatMap((kind): PartRow[] => {
    const ours = draft.facts.parts.ofKind(kind);
    const theirs = rival.facts.parts.ofKind(kind);
    if (ours.length + theirs.length === 0) return [];
    return [
      {
        kind,
        ours: counted(ours.map(({ part }) => fullName(part))),
        theirs: theirs.map(({ part, item }) => ({
          name: fullName(part),
          standsInFor: item.standsInFor,
          between: item.standInRange && [nameOf(item.standInRange[0]), nameOf(item.standInRange[1])],
          fixed: item.fixed,
        })),
        same: ours.map(({ part }) => part.id).join() === theirs.map(({ part }) => part.id).join(),
      },
    ];
  });
}

/** "2 × name" instead of the name twice. */
function counted(names: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name));
}

const LOWER_IS_BETTER: ReadonlySet<string> = new Set(['°C', 'W']);

/** Results of both sides that may be compared (one workload, unit, tool and settings), and those that may not, with why. */
export function evidenceOf(
  ours: readonly Measurement[],
  theirs: readonly Measurement[],
): { pairs: EvidencePair[]; apart: EvidenceApart[] } {
  // which drive of its machine was measured does not make the work another one
  const workOf = ({ workload, unit }: Measurement) => JSON.stringify([{ ...workload, item: undefined }, unit]);
  const settingsOf = (result: Measurement) => `${result.tool.toLowerCase()} ${(result.settings ?? '').toLowerCase()}`;
  const pairs: EvidencePair[] = [];
  const paired = new Set<Measurement>();
  for (const mine of ours) {
    const its = theirs.find(
      (other) => !paired.has(other) && workOf(other) === workOf(mine) && settingsOf(other) === settingsOf(mine),
    );
    if (!its) continue;
    paired.add(mine);
    paired.add(its);
    pairs.push({
      ours: mine,
      theirs: its,
      ratio: LOWER_IS_BETTER.has(mine.unit) ? its.value / mine.value : mine.value / its.value,
    });
  }
  const apart = (['ours', 'theirs'] as const).flatMap((side) =>
    (side === 'ours' ? ours : theirs)
      .filter((measurement) => !paired.has(measurement))
      .map((measurement): EvidenceApart => {
        const alike = (side === 'ours' ? theirs : ours).filter((other) => workOf(other) === workOf(measurement));
        const because =
          alike.length === 0
            ? 'only-here'
            : alike.some((other) => other.tool.toLowerCase() === measurement.tool.toLowerCase())
              ? 'other-settings'
              : 'other-tool';
        return { side, measurement, because };
      }),
  );
  return { pairs, apart };
}
