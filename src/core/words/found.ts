import type { Machine } from '../model/machine';
import type { PartKind } from '../parts';
import type { Clash, Demand, Relaxed } from '../search/exact/clash';
import type { DemandCost, Step } from '../search/exact/costs';
import type { Decided } from '../search/exact/partCase';
import type { Share } from '../search/exact/shares';
import { ENOUGH, type Rank } from '../search/exact/rank';
import type { Brief } from '../model/brief';
import { timesFigure, type Currency } from '../units/money';
import type { Owning, Stair } from '../versus/waitingStairs';
import type { BeamModel } from './beams';
import { coins, coinsChange, listed, number, percent } from './format';

/** A found machine in words and beams, as plain data. */
export interface FoundWords {
  readonly machine: Machine;
  readonly priceMinor: number;
  readonly rank: Rank;
  readonly beams: readonly { readonly task: string; readonly beam: BeamModel }[];
  readonly decides: string | undefined;
  /** What is no fault and has to be known of it, as it is said of a draft. */
  readonly cautions: readonly string[];
  readonly shares: readonly { readonly what: Share | 'the rest'; readonly minor: number }[];
  /** What it comes to over the years, and how long somebody waits for it; undefined where that is not known. */
  readonly owning: Owning | undefined;
  /** Its parts, each with what all pieces of it cost by themselves; undefined where that is not known. */
  readonly goods: readonly Good[];
}

/** A part of a found machine, with all its pieces. */
export interface Good {
  readonly part: string;
  readonly name: string;
  readonly maker: string;
  readonly kind: PartKind;
  readonly pieces: number;
  readonly minor: number | undefined;
  readonly owned: boolean;
}

/** What a machine is made of: "Gale 12, 2 × Ash 2x16 and Pellbox Short". */
export function madeOf({ items }: Pick<Machine, 'items'>): string {
  const counts = new Map<string, number>();
  for (const { label, part } of items) counts.set(label ?? part, (counts.get(label ?? part) ?? 0) + 1);
  return listed([...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name)));
}

/** "All 6 tasks run, at 159 % of what is asked." */
export function rankWords({ runs, percent: reached }: Rank, { tasks }: Pick<Brief, 'tasks'>): string {
  const count =
    runs === tasks.length
      ? runs === 1
        ? 'The task runs'
        : `All ${runs} tasks run`
      : `${runs} of ${tasks.length} tasks reach their targets`;
  return reached >= ENOUGH * 100
    ? `${count}, at ${ENOUGH} times what is asked or more`
    : `${count}, at ${reached} % of what is asked on average`;
}

const MUST_HAVE: Readonly<Record<keyof Brief['mustHaves'], string>> = {
  errorCorrection: 'error correction',
  networkGbitPerS: 'the network',
  wireless: 'wireless',
  videoInputs: 'the video inputs',
  displays: 'the displays',
  volumeL: 'the limit of volume',
  fastPorts: 'the fast ports',
  ports: 'the ports',
  displaysPerOutput: 'displays that pass the picture on',
  opticalDrive: 'an optical drive',
  encryption: 'encryption on every drive',
  remoteManagement: 'remote management',
  noiseDbA: 'the limit of noise',
  drivesReachable: 'drives within reach',
};

/** What of a brief demands are told with. */
type Told = Pick<Brief, 'tasks' | 'yearsOfService'>;

/** A demand as the brief has it. */
export function demandWords(demand: Demand, { tasks, yearsOfService }: Told): string {
  switch (demand.code) {
    case 'target':
      return `the target of “${tasks.find(({ id }) => id === demand.task)?.name ?? demand.task}”`;
    case 'must-have':
      return MUST_HAVE[demand.what];
    case 'kept':
      return `${demand.name}, which stays`;
    case 'left-out':
      return `${demand.name}, which is left out`;
    case 'share':
      return `the limit on ${demand.share}`;
    case 'lasting':
      return `that drives last all ${yearsOfService} years`;
    case 'proof':
      return 'that all figures are known';
    case 'budget':
      return 'the budget';
  }
}

/** Several demands in one list, the targets together. */
export function demandsWords(demands: readonly Demand[], brief: Told): string {
  const names = demands.flatMap((demand) =>
    demand.code === 'target' ? [`“${brief.tasks.find(({ id }) => id === demand.task)?.name ?? demand.task}”`] : [],
  );
  const others = demands.filter(({ code }) => code !== 'target').map((demand) => demandWords(demand, brief));
  const [first, ...more] = names;
  const targets =
    first === undefined ? [] : more.length === 0 ? [`the target of ${first}`] : [`the targets of ${listed(names)}`];
  return listed([...targets, ...others]);
}

/** How much less money is looked at: so many times as much. */
const LESS_MONEY = 0.85;
/** Tasks that are told of. */
const TOLD = 2;

/**
 * What less money costs in work: of the machines that no other beats the best for a budget, held against the best for
 * noticeably less. Undefined where there is no such machine, or no task tells them apart.
 */
export function lessMoneyWords(
  points: readonly FoundWords[],
  mostMinor: number,
  { tasks }: Pick<Brief, 'tasks'>,
  currency: Currency,
): string | undefined {
  const best = points.findLast(({ priceMinor }) => priceMinor <= mostMinor);
  const less = best && points.findLast(({ priceMinor }) => priceMinor <= timesFigure(best.priceMinor, LESS_MONEY));
  if (!best || !less) return undefined;
  const changed = [...tasks]
    .sort((a, b) => b.importance - a.importance)
    .flatMap(({ id, name }) => {
      const [now, then] = [best, less].map(({ beams }) => beams.find(({ task }) => task === id)?.beam.gets);
      return now === undefined || then === undefined || now === then ? [] : [`${name} ${then} in place of ${now}`];
    });
  if (changed.length === 0) return undefined;
  const saved = coins(best.priceMinor - less.priceMinor, currency);
  return `For ${coins(less.priceMinor, currency)}, ${saved} less than the best within the budget: ${listed(changed.slice(0, TOLD))}.`;
}

/**
 * What an hour of waiting has to be worth for each machine to be the cheapest over the years, a sentence each: "Up to 12.40
 * USD an hour the machine for 1,540.00 USD costs least: 48 h a year are waited for."
 */
export function stairsWords(
  stairs: readonly Stair<Pick<FoundWords, 'priceMinor' | 'owning'>>[],
  currency: Currency,
): string[] {
  return stairs.map(({ machine, fromMinor }, i) => {
    const next = stairs[i + 1]?.fromMinor;
    const [from, to] = [fromMinor, next].map((minor) => coins(Math.round(minor ?? 0), currency));
    const where =
      stairs.length === 1
        ? 'Whatever an hour is worth'
        : i === 0
          ? `Up to ${to} an hour`
          : next === undefined
            ? `From ${from} an hour on`
            : `From ${from} to ${to} an hour`;
    return `${where} the machine for ${coins(machine.priceMinor, currency)} costs least: ${number(machine.owning?.hoursAYear ?? 0)} h a year are waited for.`;
  });
}

/** Why nothing is possible, as a sentence; the demands that clash are told one by one beside it. */
export function clashWords({ demands, proven, lacking }: Clash, brief: Told): string {
  if (demands.length > 0)
    return `These exclude each other${proven ? '' : ', as far as it was looked'}: ${listed(demands.map(({ demand }) => demandWords(demand, brief)))}.`;
  return lacking.length > 0
    ? `Nothing that is sold here will do for ${listed([...lacking])}, whatever else is let go.`
    : 'The parts that are sold here make no sound machine, whatever is let go.';
}

/** What would do in a demand's place: "without it there is one for 1,540.48 USD", "up to 86 % of it can be had". */
export function relaxedWords({ demand, found, reaches }: Relaxed, currency: Currency): string {
  if (!found) return 'nothing was found without it yet';
  const price = coins(found.priceMinor, currency);
  if (demand.code === 'budget') return `a machine that meets the rest costs ${price}`;
  if (demand.code === 'target' && reaches !== undefined && reaches > 0)
    return `about ${percent(reaches)} of it can be had; without it there is a machine for ${price}`;
  return `without it there is a machine for ${price}`;
}

/** A step of a demand: "10 % more", "10 % less", "47 dB(A)". */
const stepWords = (step: Step): string =>
  'to' in step
    ? `${number(step.to)} ${step.unit}`
    : `${percent(Math.abs(step.times - 1))} ${step.times > 1 ? 'more' : 'less'}`;

/** What is said of a part's case: what it saves or costs, and the price that turns it. */
export interface CaseTold {
  readonly outside: 'no place' | 'not sold' | undefined;
  readonly having: { readonly priceMinor: number } | undefined;
  readonly lacking: { readonly priceMinor: number } | undefined;
  readonly breakEvenMinor: number | undefined;
  readonly landed: { readonly now: number | undefined; readonly even: number | undefined };
}

/** The case of a part in a sentence or two. Prices of machines and of the piece are landed. */
export function caseWords(
  { outside, having, lacking, breakEvenMinor, landed }: CaseTold,
  name: string,
  currency: Currency,
): string {
  if (outside === 'no place') return `For this work the search chooses nothing of the kind of ${name}.`;
  if (outside === 'not sold') return `Nobody who may be bought from sells ${name} now, so it is in no machine.`;
  if (!having && !lacking) return 'No machine does the work, with it or without it.';
  if (!having)
    return `No machine with ${name} does the work; without it there is one for ${coins(lacking?.priceMinor ?? 0, currency)}.`;
  if (!lacking)
    return `Nothing does the work without ${name}: the cheapest with it costs ${coins(having.priceMinor, currency)}.`;
  const more = having.priceMinor - lacking.priceMinor;
  const now = landed.now === undefined ? '' : `; it costs ${coins(landed.now, currency)} now`;
  const [one, other] = [coins(having.priceMinor, currency), coins(lacking.priceMinor, currency)];
  if (breakEvenMinor === undefined || landed.even === undefined)
    return `With ${name} the cheapest machine costs ${one}, without it ${other}. It would not belong even if it cost nothing.`;
  const even = coins(landed.even, currency);
  return more <= 0
    ? `${name} belongs: with it the cheapest machine costs ${one}, without it ${other}, ${coins(-more, currency)} more. It does so up to ${even} a piece${now}.`
    : `With ${name} the cheapest machine costs ${one}, ${coins(more, currency)} more than without it. It would belong at ${even} a piece or less${now}.`;
}

/** Which demands decide a part's case, as a sentence; undefined as long as that is not known. */
export function decidedWords(
  { having, lacking, decided }: Pick<CaseTold, 'having' | 'lacking'> & { readonly decided: Decided | undefined },
  brief: Told,
): string | undefined {
  if (!decided) return undefined;
  const { how, demands } = decided;
  const all = demandsWords(demands, brief);
  if (how === 'together')
    return demands.length === 0 ? undefined : `${having ? 'What calls for it' : 'What keeps it out'}: ${all}.`;
  if (!having || !lacking) return undefined;
  const belongs = having.priceMinor <= lacking.priceMinor;
  if (demands.length === 0) return `No demand alone decides that it ${belongs ? 'belongs' : 'does not belong'}.`;
  const any = demands.length === 1 ? 'that' : 'any one of them';
  return belongs
    ? `It belongs because of ${all}: without ${any} a machine without it is cheaper.`
    : `What speaks against it is ${all}: without ${any} it would belong.`;
}

/** Whether a demand has a part in the price: letting it go saves something, or a step tighter costs more or cannot be had. */
export const costMatters = ({ without, tighter }: DemandCost, cheapestMinor: number): boolean =>
  without.priceMinor !== cheapestMinor || (tighter !== undefined && tighter.found?.priceMinor !== cheapestMinor);

/** What a demand costs beside the cheapest machine that meets all: "costs 120.48 USD; 10 % more +45.00". */
export function costWords({ demand, without, tighter }: DemandCost, cheapestMinor: number, currency: Currency): string {
  const saved = cheapestMinor - without.priceMinor;
  const now =
    saved === 0
      ? 'costs nothing'
      : `costs ${coins(saved, currency)}: without it there is a machine for ${coins(without.priceMinor, currency)}`;
  if (!tighter) return now;
  // of a share less is asked, of a target more
  const asked = stepWords(tighter.step);
  const then =
    tighter.found === undefined
      ? 'nothing that is sold does it'
      : tighter.found.priceMinor === cheapestMinor
        ? 'costs no more'
        : coinsChange(tighter.found.priceMinor - cheapestMinor, currency);
  return `${now}; ${demand.code === 'target' ? `${asked} of it` : asked}: ${then}`;
}
