import { addEfforts, NO_EFFORT, type Effort } from '@/core/search/exact/ended';
import { plainNumber } from '@/core/units/money';
import type { SearchApi, TeamAsk, TeamReport, Tell, Told } from './searchApi';

/** One of several workers that search for a team side by side. */
export type Hand = Pick<SearchApi, 'teamFirst' | 'team'>;

type SeatKnown = TeamReport['seats'][number];

/**
 * A team's search over several workers: whoever is free takes the next seat and looks for its cheapest machine; once all
 * are known, each goes on with the seats it had, within what the cheapest of all others leave. What is known is that of
 * one worker alone (`teamCrew.test.ts`). Ended by stopping the workers.
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

  const waiting = [...seats];
  // one alone has all of them, and gives each a machine before it looks for the cheapest of any
  const together = hands.length === 1 ? seats.length : 1;
  const shares = await Promise.all(
    hands.map(async (hand) => {
      const mine: TeamAsk['seats'][number][] = [];
      while (waiting.length > 0 && !stopped) {
        const taken = waiting.splice(0, together);
        mine.push(...taken);
        await hand.teamFirst({ seats: taken }, listening());
      }
      return { hand, mine };
    }),
  );
  const leastOf = (some: TeamAsk['seats']): number =>
    some.reduce((sum, { id }) => sum + plainNumber(known.get(id)?.points[0]?.priceMinor ?? 0), 0);
  const all = leastOf(seats);
  const leftFor = shares.map(({ mine }) => mostMinor - (all - leastOf(mine)));
  await Promise.all(
    shares.map(async ({ hand, mine }, i) => {
      if (stopped || mine.length === 0) return;
      await hand.team({ seats: mine, mostMinor: leftFor[i] ?? mostMinor }, listening());
    }),
  );
  await tell(report(stopped ? 'stopped' : 'proven'));
}
