import { addEfforts, foundIn, NO_EFFORT, toItsEnd, type Effort } from './ended';
import { frontier, type Answer, type Standing } from './goals';
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
  /** Proven machines that no other one beats, the cheapest first. */
  readonly points: readonly FoundMachine[];
  /** `open`: more may come; `whole`: up to what the others leave these are all; `none`: no machine does its work. */
  readonly state: 'waiting' | 'open' | 'whole' | 'none';
}

/** How far a team's search is. */
export interface TeamKnown {
  readonly seats: readonly SeatPoints[];
  readonly effort: Effort;
}

/**
 * The machines that a budget is shared out over: first the cheapest of every seat, then of each all that no other one beats
 * up to what the cheapest of the others leave of the most that may be spent, a step of one seat after a step of another.
 */
export function* teamPoints(seats: readonly SeatAsked[], mostMinor: number): Generator<TeamKnown, TeamKnown> {
  const known = new Map<string, SeatPoints>(seats.map(({ id }) => [id, { id, points: [], state: 'waiting' }]));
  let effort = NO_EFFORT;
  const told = (now: Effort = NO_EFFORT): TeamKnown => ({
    seats: [...known.values()],
    effort: addEfforts(effort, now),
  });
  for (const { id, asked } of seats) {
    const end = yield* toItsEnd(cheapest(asked), told);
    effort = addEfforts(effort, end.effort);
    const found = foundIn(end);
    known.set(id, { id, points: found ? [found] : [], state: found ? 'open' : 'none' });
    yield told();
  }
  const least = [...known.values()].reduce((all, { points: [first] }) => all + (first?.priceMinor ?? 0), 0);
  const running = seats.flatMap(({ id, asked }) => {
    const [first] = known.get(id)?.points ?? [];
    const leftMinor = mostMinor - least + (first?.priceMinor ?? 0);
    return first && leftMinor >= first.priceMinor
      ? [
          {
            id,
            points: [first],
            // a few that are far apart come first, so that there is soon something to share over
            climbs: [
              frontier(asked, { mostMinor: leftMinor }, first.rank, farther),
              frontier(asked, { mostMinor: leftMinor }, first.rank),
            ],
            efforts: [NO_EFFORT, NO_EFFORT],
            at: 0,
          },
        ]
      : [];
  });
  const effortNow = (): Effort => running.flatMap(({ efforts }) => efforts).reduce(addEfforts, NO_EFFORT);
  for (let open = running; open.length > 0; open = open.filter(({ climbs, at }) => at < climbs.length))
    for (const seat of open) {
      const climb = seat.climbs[seat.at];
      if (!climb) continue;
      const next: IteratorResult<Standing, Answer> = climb.next();
      seat.efforts[seat.at] = next.value.effort;
      if (next.done) seat.at++;
      seat.points = frontierOf([...seat.points, ...(next.done ? next.value.found : next.value.proven)]);
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

/** The first look is at machines that do a quarter more than the one before. */
const FAR = 1.25;
const farther = ({ runs, percent }: Rank): Rank => ({ runs, percent: Math.ceil(percent * FAR) });
