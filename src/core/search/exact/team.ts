import type { FoundMachine } from './judge';
import type { Rank } from './rank';
import type { SeatPoints } from './teamSearch';

/** A seat whose machine one budget pays for with others. */
export interface TeamSeat {
  readonly id: string;
  /** How much its work counts beside that of the others. */
  readonly importance: number;
  /** No machine that costs less than this is wanted for it; landed. */
  readonly atLeastMinor?: number;
  /** Machines that no other one beats, the cheapest first: each dearer and better than the one before. */
  readonly points: readonly Pick<FoundMachine, 'priceMinor' | 'rank'>[];
}

/** One machine for each seat: the place of the point that it gets. */
export interface Shared {
  readonly points: readonly number[];
  readonly spentMinor: number;
  readonly worth: Worth;
}

/** How well a team works: compared number by number, larger is better. */
interface Worth {
  /** Tasks that reach their target, each as much as its seat counts. */
  readonly runs: number;
  /** Sum of the logarithms of the ratios, each as much as its seat counts. */
  readonly work: number;
}

/** How a budget is shared; or that it buys no machine for every seat, and what would. */
export type Sharing =
  | { readonly kind: 'shared'; readonly shared: Shared }
  | { readonly kind: 'too little'; readonly leastMinor: number }
  /** Seats for which no machine is known. */
  | { readonly kind: 'without machines'; readonly seats: readonly string[] };

const NOTHING: Worth = { runs: 0, work: 0 };
const added = (a: Worth, b: Worth): Worth => ({ runs: a.runs + b.runs, work: a.work + b.work });
/** Sums that differ by less come from the order in which they were added. */
const HAIR = 1e-9;
const compareWorth = (a: Worth, b: Worth): number =>
  b.runs - a.runs || (Math.abs(a.work - b.work) < HAIR ? 0 : b.work - a.work);

const worthOf = (importance: number, { runs, percent }: Rank): Worth => ({
  runs: importance * runs,
  work: importance * Math.log(Math.max(1, percent) / 100),
});

/** Whether the first machine of every seat is the cheapest that does its work. */
export const leastProven = (seats: readonly Pick<SeatPoints, 'state'>[]): boolean =>
  seats.every(({ state }) => state !== 'waiting' && state !== 'found');

/** A way of choosing for the first seats, with the one that it goes on from. */
interface Way {
  readonly before: Way | undefined;
  readonly point: number;
  readonly spentMinor: number;
  readonly worth: Worth;
}

/**
 * Shares a budget out over seats: of all ways of giving each seat one of its machines the one that works best within the
 * budget; of equal ones the cheapest. Exact over the machines that are named: seat by seat every way that no other one
 * beats in price and worth is kept (dynamic programming over multiple-choice knapsacks: Kellerer, Pferschy and Pisinger
 * 2004, chapter 11).
 */
export function shareOut(seats: readonly TeamSeat[], budgetMinor: number): Sharing {
  const lists = seats.map(({ points, atLeastMinor = 0 }) =>
    points.flatMap((point, at) => (point.priceMinor >= atLeastMinor ? [{ ...point, at }] : [])),
  );
  const lacking = seats.filter((_, i) => lists[i]?.length === 0).map(({ id }) => id);
  if (lacking.length > 0) return { kind: 'without machines', seats: lacking };
  const least = lists.map((list) => Math.min(...list.map(({ priceMinor }) => priceMinor)));
  const leastMinor = least.reduce((all, minor) => all + minor, 0);
  if (leastMinor > budgetMinor) return { kind: 'too little', leastMinor };
  let ways: Way[] = [{ before: undefined, point: -1, spentMinor: 0, worth: NOTHING }];
  let rest = leastMinor;
  lists.forEach((list, i) => {
    rest -= least[i] ?? 0;
    const importance = seats[i]?.importance ?? 1;
    const next = ways.flatMap((before) =>
      list.flatMap(({ priceMinor, rank, at }): Way[] => {
        const spentMinor = before.spentMinor + priceMinor;
        // what leaves too little for the seats that are still to come
        if (spentMinor + rest > budgetMinor) return [];
        return [{ before, point: at, spentMinor, worth: added(before.worth, worthOf(importance, rank)) }];
      }),
    );
    ways = unbeaten(next);
  });
  const best = ways.at(-1);
  if (!best) return { kind: 'too little', leastMinor };
  const points: number[] = [];
  for (let way: Way | undefined = best; way?.before; way = way.before) points.unshift(way.point);
  return { kind: 'shared', shared: { points, spentMinor: best.spentMinor, worth: best.worth } };
}

/** Ways that no other one beats in price and worth, the cheapest first. */
function unbeaten(ways: readonly Way[]): Way[] {
  const kept: Way[] = [];
  for (const way of [...ways].sort((a, b) => a.spentMinor - b.spentMinor || compareWorth(a.worth, b.worth))) {
    const last = kept.at(-1);
    if (!last || compareWorth(way.worth, last.worth) < 0) kept.push(way);
  }
  return kept;
}

/** What a seat gets, and what it would get for so much more and for so much less over all. */
export interface SeatShare {
  readonly id: string;
  readonly point: number;
  readonly more: number | undefined;
  readonly less: number | undefined;
}

/** A budget shared out, and what a step up and down would change for whom. */
export interface TeamShares {
  readonly seats: readonly SeatShare[];
  readonly spentMinor: number;
  readonly worth: Worth;
}

/** The same with what the next coins would do: who gains from `stepMinor` more, who loses from as much less. */
export function sharesAround(
  seats: readonly TeamSeat[],
  budgetMinor: number,
  stepMinor: number,
): { readonly kind: 'shared'; readonly shares: TeamShares } | Exclude<Sharing, { kind: 'shared' }> {
  const now = shareOut(seats, budgetMinor);
  if (now.kind !== 'shared') return now;
  const [more, less] = [budgetMinor + stepMinor, budgetMinor - stepMinor].map((budget) => shareOut(seats, budget));
  const pointIn = (sharing: Sharing | undefined, i: number): number | undefined =>
    sharing?.kind === 'shared' ? sharing.shared.points[i] : undefined;
  return {
    kind: 'shared',
    shares: {
      spentMinor: now.shared.spentMinor,
      worth: now.shared.worth,
      seats: seats.map(({ id }, i) => ({
        id,
        point: now.shared.points[i] ?? 0,
        more: pointIn(more, i),
        less: pointIn(less, i),
      })),
    },
  };
}
