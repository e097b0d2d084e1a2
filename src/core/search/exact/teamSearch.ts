import { addEfforts, foundIn, NO_EFFORT, type Effort } from './ended';
import { frontier } from './goals';
import { frontierOf, type FoundMachine } from './judge';
import type { Rank } from './rank';
import { cheapest } from './search';
import type { Searchable } from './searchable';

/** A seat of a team, ready to be searched. */
export interface SeatAsked {
  readonly id: string;
  readonly asked: Searchable;
}

/** What is known of a seat's machines. */
export interface SeatPoints {
  readonly id: string;
  /** Machines that no other one of those found beats, the cheapest first; of all there are once it is whole. */
  readonly points: readonly FoundMachine[];
  /**
   * `found`: one that does the work, a cheaper one may come; `open`: the first is the cheapest, more may come; `whole`: up to
   * what the others leave these are all; `none`: no machine does its work.
   */
  readonly state: 'waiting' | 'found' | 'open' | 'whole' | 'none';
}

/** How far a team's search is. */
export interface TeamKnown {
  readonly seats: readonly SeatPoints[];
  readonly effort: Effort;
}

/**
 * The cheapest machine of every seat. First each gets the first that is come across, so that there is soon something to share
 * out over, one seat after the other; then each goes on until it is the cheapest.
 */
export function* teamFirst(seats: readonly SeatAsked[]): Generator<TeamKnown, TeamKnown> {
  const running = seats.map(({ id, asked }) => ({
    known: { id, points: [], state: 'waiting' } as SeatPoints,
    search: cheapest(asked),
    effort: NO_EFFORT,
    ended: false,
  }));
  const told = (): TeamKnown => ({
    seats: running.map(({ known }) => known),
    effort: running.reduce((all, { effort }) => addEfforts(all, effort), NO_EFFORT),
  });
  for (const until of ['come across', 'proven'] as const)
    for (const seat of running)
      while (!seat.ended && (until === 'proven' || seat.known.points.length === 0)) {
        const next = seat.search.next();
        seat.effort = next.value.effort;
        seat.ended = next.done === true;
        const found = next.done ? foundIn(next.value) : next.value.best;
        if (found) seat.known = { id: seat.known.id, points: [found], state: next.done ? 'open' : 'found' };
        else if (next.done) seat.known = { id: seat.known.id, points: [], state: 'none' };
        yield told();
      }
  return told();
}

/**
 * The machines that a budget is shared out over: first the cheapest of every seat, then of each all that no other one beats
 * up to what the cheapest of the others leave of the most that may be spent, a step of one seat after a step of another.
 */
export function* teamPoints(seats: readonly SeatAsked[], mostMinor: number): Generator<TeamKnown, TeamKnown> {
  const first = yield* teamFirst(seats);
  const known = new Map(first.seats.map((seat) => [seat.id, seat]));
  let effort = first.effort;
  const told = (now: Effort = NO_EFFORT): TeamKnown => ({
    seats: [...known.values()],
    effort: addEfforts(effort, now),
  });
  const least = [...known.values()].reduce((all, { points: [first] }) => all + (first?.priceMinor ?? 0), 0);
  const running = seats.flatMap(({ id, asked }) => {
    const [first] = known.get(id)?.points ?? [];
    const leftMinor = mostMinor - least + (first?.priceMinor ?? 0);
    if (!first) return [];
    return [
      {
        id,
        points: [first],
        leftMinor,
        asked,
        climbs: [
          glimpses(asked, leftMinor, first.rank),
          frontier(asked, { mostMinor: leftMinor }, first.rank),
        ] as const,
        efforts: [NO_EFFORT, NO_EFFORT],
        at: 0,
        seen: 0,
      },
    ];
  });
  const effortNow = (): Effort => running.flatMap(({ efforts }) => efforts).reduce(addEfforts, NO_EFFORT);
  for (let open = running; open.length > 0; open = open.filter(({ climbs, at }) => at < climbs.length))
    for (const seat of open) {
      const climb = seat.climbs[seat.at];
      if (!climb) continue;
      const next: IteratorResult<{ readonly effort: Effort }, { readonly effort: Effort }> = climb.next();
      seat.efforts[seat.at] = next.value.effort;
      if (next.done) seat.at++;
      // what was come across on the way does the work as well; that nothing is better is proven at the end
      if (seat.asked.found.length > seat.seen || next.done) {
        seat.seen = seat.asked.found.length;
        const within = seat.asked.found.filter(({ priceMinor }) => priceMinor <= seat.leftMinor);
        seat.points = frontierOf([...seat.points, ...within]);
      }
      known.set(seat.id, {
        id: seat.id,
        points: seat.points,
        state: seat.at < seat.climbs.length ? 'open' : 'whole',
      });
      yield told(effortNow());
    }
  effort = addEfforts(effort, effortNow());
  return told();
}

/** Machines that are looked at first each do a quarter more than the one before. */
const FAR = 1.25;
const farther = ({ runs, percent }: Rank): Rank => ({ runs, percent: Math.ceil(percent * FAR) });

/** The first machine that comes along for ever more work: soon there is something to share over; nothing is proven of it. */
function* glimpses(
  asked: Searchable,
  mostMinor: number,
  above: Rank,
): Generator<{ readonly effort: Effort }, { readonly effort: Effort }> {
  let effort = NO_EFFORT;
  for (let rank = farther(above); ;) {
    const search = cheapest(asked, { mostMinor, rank });
    let found: FoundMachine | undefined;
    let next = search.next();
    for (; !next.done && !found; next = search.next()) {
      found = next.value.best;
      yield { effort: addEfforts(effort, next.value.effort) };
    }
    effort = addEfforts(effort, next.value.effort);
    found ??= next.done ? foundIn(next.value) : undefined;
    if (!found) return { effort };
    rank = farther(found.rank);
  }
}
