import { expect, test } from 'vitest';
import { finish } from '@/core/assess/trials';
import { workOf } from '@/core/search/exact/question';
import { readier } from '@/core/search/exact/searchable';
import { teamFirst, teamPoints, type TeamKnown } from '@/core/search/exact/teamSearch';
import { ladderMarket } from '@/core/tests/smallMarkets';
import type { TeamAsk, TeamReport, Tell } from './searchApi';
import { teamBy, type Hand } from './teamCrew';

/** Five desks in one market, asked for what the briefs of other markets ask. */
const { context } = ladderMarket(5);
const SEATS: TeamAsk['seats'] = [5, 2, 4, 8, 15].map((seed) => ({
  id: `seat ${seed}`,
  brief: ladderMarket(seed).brief,
}));

/** A worker of this process that tells and breathes after every few steps, as the real one does. */
function handHere(stopsAt = Infinity): Hand {
  const ready = readier(context);
  let steps = 0;
  async function run(search: Generator<TeamKnown, TeamKnown>, tell: Tell<TeamReport>): Promise<void> {
    for (let next = search.next(); ; next = search.next()) {
      const state = next.done ? 'proven' : ++steps > stopsAt ? 'stopped' : 'searching';
      await tell({ ...next.value, state, seconds: 0, done: state !== 'searching' });
      if (state !== 'searching') return;
      if (steps % 5 === 0) await new Promise((resolve) => setTimeout(resolve));
    }
  }
  const asked = (seats: TeamAsk['seats']) =>
    seats.map(({ id, brief }) => ({ id, asked: ready(workOf(brief, context)) }));
  return {
    teamFirst: ({ seats }, tell) => run(teamFirst(asked(seats)), tell),
    team: ({ seats, mostMinor }, tell) => run(teamPoints(asked(seats), mostMinor), tell),
  };
}

async function toldBy(hands: readonly Hand[], ask: TeamAsk): Promise<readonly TeamReport[]> {
  const reports: TeamReport[] = [];
  await teamBy(hands, ask, (report) => void reports.push(report));
  return reports;
}

const said = (seats: TeamKnown['seats']) =>
  seats.map(({ id, state, points }) => ({
    id,
    state,
    points: points.map(({ priceMinor, rank }) => ({ priceMinor, rank })),
  }));

const alone = (mostMinor: number): TeamKnown =>
  finish(
    teamPoints(
      SEATS.map(({ id, brief }) => ({ id, asked: readier(context)(workOf(brief, context)) })),
      mostMinor,
    ),
  );
const leastMinor = alone(0).seats.reduce((all, { points: [first] }) => all + (first?.priceMinor ?? 0), 0);

test.each([1, 2, 3, 7])('%i workers know what one search alone knows', async (count) => {
  for (const more of [-1, 0, 60_00, 400_00]) {
    const ask = { seats: SEATS, mostMinor: leastMinor + more };
    const reports = await toldBy(
      Array.from({ length: count }, () => handHere()),
      ask,
    );
    const last = reports.at(-1);
    expect(said(last?.seats ?? []), `${more} more`).toEqual(said(alone(ask.mostMinor).seats));
    expect(last).toMatchObject({ state: 'proven', done: true });
    expect(reports.slice(0, -1).every(({ done }) => !done)).toBe(true);
  }
  expect(leastMinor).toBeGreaterThan(0);
});

test('what is known of a seat is never forgotten on the way, and effort never falls', async () => {
  const reports = await toldBy([handHere(), handHere()], { seats: SEATS, mostMinor: leastMinor + 200_00 });
  const rising = (of: (report: TeamReport) => number): boolean =>
    reports.every((report, i) => i === 0 || of(report) >= of(reports[i - 1] as TeamReport));
  expect(reports.length).toBeGreaterThan(10);
  expect(rising(({ effort }) => effort.nodes)).toBe(true);
  expect(rising(({ seats }) => seats.filter(({ points }) => points.length > 0).length)).toBe(true);
});

test('stopped at whichever step it ends stopped, with what is known', async () => {
  for (const [first, second] of [
    [0, Infinity],
    [3, 3],
    [Infinity, 40],
  ] as const) {
    const reports = await toldBy([handHere(first), handHere(second)], {
      seats: SEATS,
      mostMinor: leastMinor + 400_00,
    });
    expect(reports.at(-1)).toMatchObject({ state: 'stopped', done: true });
    expect(reports.filter(({ done }) => done).length).toBe(1);
    expect(reports.at(-1)?.seats.map(({ id }) => id)).toEqual(SEATS.map(({ id }) => id));
  }
});

test('what one worker cannot answer fails as a whole', async () => {
  const failing: Hand = {
    teamFirst: () => Promise.reject(new Error('the catalogue could not be read')),
    team: () => Promise.resolve(),
  };
  await expect(toldBy([handHere(), failing], { seats: SEATS, mostMinor: leastMinor })).rejects.toThrow('catalogue');
});
