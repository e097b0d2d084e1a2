import { compareFound, type FoundMachine } from './judge';
import { ENOUGH, rankOf, type Rank } from './rank';
import { cheapest, type Under } from './search';
import { addEfforts, NO_EFFORT, type Effort, type Ended } from './ended';
import type { Searchable } from './searchable';

/** Where a search of several steps stands. */
export interface Standing {
  readonly effort: Effort;
  /** Machines that are proven: of a frontier its points so far, each dearer and better than the one before. */
  readonly proven: readonly FoundMachine[];
  /** The best found of what is looked for now. */
  readonly best: FoundMachine | undefined;
  readonly atLeastMinor: number | undefined;
}

/** How it ended: with the machines that were looked for, all proven, or with none that meets the demands. */
export interface Answer {
  readonly found: readonly FoundMachine[];
  readonly effort: Effort;
}

export type Searching = Generator<Standing, Answer>;

/** What is looked for among the machines that meet the question's demands. */
export const GOALS = ['cheapest', 'best', 'frontier'] as const;
export type Goal = (typeof GOALS)[number];

/** The search for a goal, for no more than so much where that is less than the question's own limit. */
export const searchFor = (asked: Searchable, goal: Goal, mostMinor?: number): Searching => {
  const within: Under = mostMinor === undefined ? {} : { mostMinor };
  return goal === 'cheapest'
    ? cheapestOf(asked, within)
    : goal === 'best'
      ? bestOf(asked, within)
      : frontier(asked, within);
};

function* cheapestOf(asked: Searchable, within: Under): Searching {
  const end = yield* step(asked, within, [], NO_EFFORT);
  return { found: end.kind === 'best' ? [end.found] : [], effort: end.effort };
}

/**
 * The machine that ranks best for the most that may be spent, of equal ranks the cheapest. The highest rank that can be
 * had is closed in on by halves: each half asks for the cheapest machine that ranks at least so, and finds one or proves
 * that there is none.
 */
function* bestOf(asked: Searchable, within: Under): Searching {
  let effort = NO_EFFORT;
  let best: FoundMachine | undefined;
  let high = highestOf(asked);
  let low: Rank = { runs: 0, percent: 0 };
  for (;;) {
    // first what can be had at all, then the middle of what is left; only the last one is asked for its price
    const rank: Rank = best ? between(low, high) : low;
    const end: Ended = yield* step(asked, { ...within, rank }, [], effort, best);
    effort = end.effort;
    if (end.kind === 'best') {
      best = end.found;
      low = after(best.rank);
    } else {
      if (!best) return { found: [], effort };
      high = before(rank);
    }
    if (order(low, high) > 0) return { found: best ? [best] : [], effort };
  }
}

/** The first points of a frontier do at least so many times the work of the one before. */
const FAR = 1.15;
const farther = ({ runs, percent }: Rank): Rank => ({ runs, percent: Math.max(percent + 1, Math.ceil(percent * FAR)) });

/**
 * All machines that no other one beats in price and rank, the cheapest first. They arrive proven, one by one: first some that
 * are far apart, so that all of it is soon seen, then what lies between them, from the cheapest on. With `above` only
 * those that rank better than that.
 */
export function* frontier(asked: Searchable, within: Under, above?: Rank): Searching {
  const wide = yield* climb(asked, within, farther, above);
  let known = wide;
  const gaps = [...(above ? [above] : []), ...wide.found.map(({ rank }) => rank)];
  for (const [i, rank] of gaps.entries()) {
    const next = wide.found[above ? i : i + 1];
    // the next one is the cheapest that does so much: what lies between costs less
    const mostMinor = Math.min(within.mostMinor ?? Infinity, next ? next.priceMinor - 1 : Infinity);
    known = yield* beside(known, climb(asked, { ...within, mostMinor }, after, rank));
  }
  return known;
}

/** A search for further machines, told together with what is known already. */
function* beside(known: Answer, search: Searching): Searching {
  const together = (found: readonly FoundMachine[]): FoundMachine[] => [...known.found, ...found].sort(compareFound);
  for (;;) {
    const next = search.next();
    const effort = addEfforts(known.effort, next.value.effort);
    if (next.done) return { found: together(next.value.found), effort };
    yield { ...next.value, proven: together(next.value.proven), effort };
  }
}

/** Points of the frontier, each the cheapest that ranks at least so much better than the one before, or than what is given. */
export function* climb(asked: Searchable, within: Under, next: (rank: Rank) => Rank, above?: Rank): Searching {
  const points: FoundMachine[] = [];
  let effort = NO_EFFORT;
  for (;;) {
    const last = points.at(-1)?.rank ?? above;
    if (last && order(last, highestOf(asked)) >= 0) return { found: points, effort };
    const under = last ? { ...within, rank: next(last) } : within;
    const end: Ended = yield* step(asked, under, [...points], effort);
    effort = end.effort;
    if (end.kind === 'impossible') return { found: points, effort };
    points.push(end.found);
  }
}

function* step(
  asked: Searchable,
  under: Under,
  proven: readonly FoundMachine[],
  before: Effort,
  held?: FoundMachine,
): Generator<Standing, Ended> {
  const run = cheapest(asked, under);
  for (;;) {
    const next = run.next();
    const effort = addEfforts(before, next.value.effort);
    if (next.done) return { ...next.value, effort };
    const { best = held, atLeastMinor } = next.value;
    yield { effort, proven, best, atLeastMinor };
  }
}

/** Nothing ranks better: every task runs, each as much faster as counts. */
const highestOf = ({ question: { brief }, targeted }: Searchable): Rank =>
  rankOf(
    brief,
    () => Infinity,
    (task) => targeted.has(task),
  );

const PER_RUN = ENOUGH * 100 + 1;
const placeOf = ({ runs, percent }: Rank): number => runs * PER_RUN + percent;
const rankAt = (place: number): Rank => ({ runs: Math.floor(place / PER_RUN), percent: place % PER_RUN });
const order = (a: Rank, b: Rank): number => placeOf(a) - placeOf(b);
const after = (rank: Rank): Rank => rankAt(placeOf(rank) + 1);
const before = (rank: Rank): Rank => rankAt(placeOf(rank) - 1);
const between = (low: Rank, high: Rank): Rank => rankAt(Math.ceil((placeOf(low) + placeOf(high)) / 2));
