import { addEfforts, NO_EFFORT, type Effort } from '@/core/search/exact/ended';
import { plainNumber } from '@/core/units/money';
import type { SearchApi, TeamAsk, TeamReport, Tell, Told } from './searchApi';

/** One of several workers that search for a team side by side. */
export type Hand = Pick<SearchApi, 'teamFirst' | 'team'>;

type SeatKnown = TeamReport['seats'][number];

/**
 * A team's search over several workers: the seats are dealt out, and each worker looks for the cheapest machine of its own;
 * once all are known, it goes on with them within what the cheapest of all others leave. What is known is that of one
 * worker alone (`teamCrew.test.ts`). Ended by stopping the workers.
 */
export async function teamBy(
  hands: readonly Hand[],
  { seats, mostMinor }: TeamAsk,
  tell: Tell<TeamReport>,
): Promise<void> {
  const started = performance.now();
  const known = new Map(seats.map(({ id }): [string, SeatKnown] => [id, { id, state: 'waiting', points: [] }]));
  const efforts: Effort[] = [];
  let stopped = false;
  const report = (state: Told['state']): TeamReport => ({
    state,
    seats: [...known.values()],
    effort: efforts.reduce(addEfforts, NO_EFFORT),
    seconds: (performance.now() - started) / 1000,
    done: state !== 'searching',
  });
  /** Takes in what one ask tells. */
  const listening = (): ((told: TeamReport) => void) => {
    const at = efforts.push(NO_EFFORT) - 1;
    return (told) => {
      efforts[at] = told.effort;
      stopped ||= told.state === 'stopped';
      // what goes on with a seat begins by finding again what is known of it
      for (const seat of told.seats) if (seat.state !== 'waiting') known.set(seat.id, seat);
      if (!stopped) void tell(report('searching'));
    };
  };

  // dealt out and not taken one by one: whoever has all its seats gives each a machine before it proves the cheapest of any
  const shares = hands
    .map((hand, place) => ({ hand, mine: seats.filter((_, at) => at % hands.length === place) }))
    .filter(({ mine }) => mine.length > 0);
  await Promise.all(shares.map(({ hand, mine }) => hand.teamFirst({ seats: mine }, listening())));
  if (stopped) return tell(report('stopped'));
  const leastOf = (some: TeamAsk['seats']): number =>
    some.reduce((sum, { id }) => sum + plainNumber(known.get(id)?.points[0]?.priceMinor ?? 0), 0);
  const all = leastOf(seats);
  await Promise.all(
    shares
      .map((share) => ({ ...share, leftMinor: mostMinor - (all - leastOf(share.mine)) }))
      .map(({ hand, mine, leftMinor }) => hand.team({ seats: mine, mostMinor: leftMinor }, listening())),
  );
  await tell(report(stopped ? 'stopped' : 'proven'));
}
