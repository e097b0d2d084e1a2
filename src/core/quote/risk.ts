import type { Series } from '../money/history';

/** A part that is bought, with what it cost by day. */
export interface RiskPart {
  readonly name: string;
  readonly count: number;
  readonly series: Series;
}

/** What prices may do to a quote while it holds. Shares of what the parts cost on the first day. */
export interface CostRisk {
  /** Chance that the parts cost more on the day the client says yes than on the quote's. */
  readonly chance: number;
  /** Rise that nine of ten cases stay within; never below 0. */
  readonly nineOfTen: number;
  readonly median: number;
  /** Cases, and times among them that do not overlap: the answer rests on those. */
  readonly cases: number;
  readonly periods: number;
  /** Which parts carry the rise in the worst tenth of the cases, the most first; shares add up to 1. */
  readonly carriedBy: readonly { readonly name: string; readonly share: number }[];
  /** Held against the past: of all days, how often the cost stayed within the band that only earlier days gave. */
  readonly held: { readonly days: number; readonly within: number } | undefined;
  /** Parts whose past is not known: nothing is said of them. */
  readonly unknown: readonly string[];
}

const NINE_OF_TEN = 0.9;
/** Times that do not overlap below which nothing is said. */
const LEAST_PERIODS = 3;
/** Cases after which the past is asked what it would have said. */
const LEARNT_FROM = 60;

/**
 * The value below which a share of sorted values lies.
 * @example quantile([1, 2, 3, 4, 5], 0.5) // 3
 */
export function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const [low, high] = [sorted[Math.floor(at)] ?? NaN, sorted[Math.ceil(at)] ?? NaN];
  return low + (high - low) * (at - Math.floor(at));
}

/**
 * How the cost of parts has moved within so many days, over all past days on which all of them had a price: a case is a
 * day and one of the `days` after it, as the client may say yes on any of them, each as likely. All parts move together as
 * they did, so that what rises at once counts at once. The share of cases above the first day is the chance; the ninetieth
 * of a hundred is the margin that covers nine of ten. It says nothing of a future unlike the past. The band is held
 * against the past: for each day, what only the cases that had ended before it gave, and whether the cost kept to it.
 * Source: empirical distribution of overlapping returns (definition). Undefined where fewer than three times that do not
 * overlap are known.
 */
export function costRisk(parts: readonly RiskPart[], days: number): CostRisk | undefined {
  const known = parts.filter(({ series }) => !series.minors.every(Number.isNaN));
  const unknown = parts.filter((part) => !known.includes(part)).map(({ name }) => name);
  const length = Math.max(0, ...known.map(({ series }) => series.minors.length));
  if (known.length === 0 || days < 1) return undefined;
  const total = new Float64Array(length);
  for (const { series, count } of known)
    for (let day = 0; day < length; day++) total[day] = (total[day] ?? 0) + count * (series.minors[day] ?? NaN);
  const at = (day: number): number => total[day] ?? NaN;
  const cases: { from: number; to: number; ratio: number }[] = [];
  const starts = new Set<number>();
  for (let from = 0; from < length; from++)
    for (let to = from + 1; to <= Math.min(from + days, length - 1); to++) {
      const ratio = at(to) / at(from);
      if (!Number.isFinite(ratio)) continue;
      cases.push({ from, to, ratio });
      starts.add(Math.floor(from / days));
    }
  if (starts.size < LEAST_PERIODS) return undefined;
  const sorted = cases.map(({ ratio }) => ratio).sort((a, b) => a - b);
  const most = quantile(sorted, NINE_OF_TEN);
  const worst = cases.filter(({ ratio }) => ratio >= most && ratio > 1);
  const rises = known.map(({ name, count, series }) => ({
    name,
    rise: worst.reduce(
      (sum, { from, to }) =>
        sum + Math.max(0, (count * ((series.minors[to] ?? 0) - (series.minors[from] ?? 0))) / at(from)),
      0,
    ),
  }));
  const risen = rises.reduce((sum, { rise }) => sum + rise, 0);
  return {
    chance: cases.filter(({ ratio }) => ratio > 1).length / cases.length,
    nineOfTen: Math.max(0, most - 1),
    median: quantile(sorted, 0.5) - 1,
    cases: cases.length,
    periods: starts.size,
    carriedBy: rises
      .filter(({ rise }) => rise > 0)
      .map(({ name, rise }) => ({ name, share: rise / risen }))
      .sort((a, b) => b.share - a.share),
    held: heldAgainst(cases),
    unknown,
  };
}

/** For each day the band of what had ended before it, against what came. */
function heldAgainst(cases: readonly { from: number; to: number; ratio: number }[]): CostRisk['held'] {
  const byEnd = [...cases].sort((a, b) => a.to - b.to);
  const learnt: number[] = [];
  let [next, days, within] = [0, 0, 0];
  for (const from of [...new Set(cases.map((entry) => entry.from))].sort((a, b) => a - b)) {
    for (let one = byEnd[next]; one && one.to <= from; one = byEnd[++next]) insert(learnt, one.ratio);
    if (learnt.length < LEARNT_FROM) continue;
    const most = Math.max(1, quantile(learnt, NINE_OF_TEN));
    const mine = cases.filter((entry) => entry.from === from);
    days++;
    within += mine.filter(({ ratio }) => ratio <= most).length / mine.length;
  }
  return days === 0 ? undefined : { days, within: within / days };
}

function insert(sorted: number[], value: number): void {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sorted[middle] ?? 0) < value) low = middle + 1;
    else high = middle;
  }
  sorted.splice(low, 0, value);
}
