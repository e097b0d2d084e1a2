import { compareFound, type FoundMachine } from './judge';
import { compareRanks, ENOUGH, highestRank, type Rank } from './rank';
import { cheapest, mostMinorOf, type Under } from './search';
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
 * that there is none. Whatever another search of the question finds meanwhile counts at the next half.
 */
function* bestOf(asked: Searchable, within: Under): Searching {
  let effort = NO_EFFORT;
  let high = highestOf(asked);
  let proven: FoundMachine | undefined;
  for (;;) {
    const best = bestFound(asked, within);
    const low: Rank = best ? after(best.rank) : { runs: 0, percent: 0 };
    // nothing ranks higher; of those that rank so another search may have found one that is not the cheapest
    const last = best !== undefined && order(low, high) > 0;
    if (last && proven && order(proven.rank, best.rank) === 0) return { found: [proven], effort };
    // first what can be had at all, then the middle of what is left, and in the end its price
    const rank: Rank = last ? best.rank : best ? between(low, high) : low;
    const end: Ended = yield* step(asked, { ...within, rank }, [], effort, best);
    effort = end.effort;
    if (end.kind === 'best') proven = end.found;
    else if (best) high = before(rank);
    else return { found: [], effort };
  }
}

/** What ranks best of all that was found for no more than so much. */
function bestFound(asked: Searchable, within: Under): FoundMachine | undefined {
  const most = mostMinorOf(asked, within);
  return asked.found
    .filter(({ priceMinor }) => priceMinor <= most)
    .sort((a, b) => compareRanks(a.rank, b.rank) || a.priceMinor - b.priceMinor)[0];
}

/** Searches a step each in turn, as far as each of them is. */
export interface InTurn {
  readonly effort: Effort;
  readonly sides: readonly {
    readonly now: Standing | undefined;
    readonly ended: Answer | undefined;
  }[];
}

/**
 * Several searches a step each in turn, until all have ended: none waits for the other, and of the same question they
 * share what they have found.
 */
export function* inTurn(searches: readonly Searching[]): Generator<InTurn, InTurn> {
  const sides = searches.map((search) => ({
    search,
    now: undefined as Standing | undefined,
    ended: undefined as Answer | undefined,
  }));
  const standing = (): InTurn => ({
    effort: sides.reduce((all, { now, ended }) => addEfforts(all, (ended ?? now)?.effort ?? NO_EFFORT), NO_EFFORT),
    sides: sides.map(({ now, ended }) => ({ now, ended })),
  });
  for (;;) {
    for (const side of sides) {
      if (side.ended) continue;
      const next = side.search.next();
      if (next.done) side.ended = next.value;
      else side.now = next.value;
    }
    if (sides.every(({ ended }) => ended)) return standing();
    yield standing();
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
  const highest = highestOf(asked);
  let effort = NO_EFFORT;
  for (;;) {
    const last = points.at(-1)?.rank ?? above;
    if (last && order(last, highest) >= 0) return { found: points, effort };
    const better = last && next(last);
    // more than all that counts nothing does
    const under = better ? { ...within, rank: order(better, highest) > 0 ? highest : better } : within;
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

const highestOf = ({ question, targeted }: Searchable): Rank => highestRank(question.brief, targeted);

const PER_RUN = ENOUGH * 100 + 1;
const placeOf = ({ runs, percent }: Rank): number => runs * PER_RUN + percent;
const rankAt = (place: number): Rank => ({ runs: Math.floor(place / PER_RUN), percent: place % PER_RUN });
const order = (a: Rank, b: Rank): number => placeOf(a) - placeOf(b);
const after = (rank: Rank): Rank => rankAt(placeOf(rank) + 1);
const before = (rank: Rank): Rank => rankAt(placeOf(rank) - 1);
const between = (low: Rank, high: Rank): Rank => rankAt(Math.ceil((placeOf(low) + placeOf(high)) / 2));
