import { expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import { seedsTo } from '../../tests/seeds';
import { rolling, smallMarket } from '../../tests/smallMarkets';
import { frontierOf, type FoundMachine } from './judge';
import { workOf } from './question';
import { searchable } from './searchable';
import { teamPoints, type TeamKnown } from './teamSearch';
import { tryAll } from './tryAll';
import { shareOut, sharesAround, type Sharing, type TeamSeat } from './team';

const at = (priceMinor: number, percent: number, runs = 2) => ({ priceMinor, rank: { runs, percent } });
const seat = (id: string, points: TeamSeat['points'], more: Partial<TeamSeat> = {}): TeamSeat => ({
  id,
  importance: 1,
  points,
  ...more,
});
const pointsOf = (sharing: Sharing): readonly number[] => (sharing.kind === 'shared' ? sharing.shared.points : []);

test('by hand: what is left goes where it does most work', () => {
  const seats = [
    seat('film', [at(100, 100), at(150, 120), at(200, 200)]),
    seat('desk', [at(50, 100), at(100, 150), at(150, 160)]),
  ];
  // 250: 100 + 100 gives 1.0 × 1.5; 200 + 50 gives 2.0 × 1.0, which is more
  expect(shareOut(seats, 250)).toMatchObject({ kind: 'shared', shared: { points: [2, 0], spentMinor: 250 } });
  // 299 buys no more than that; 300 buys both
  expect(pointsOf(shareOut(seats, 299))).toEqual([2, 0]);
  expect(pointsOf(shareOut(seats, 300))).toEqual([2, 1]);
  // the desk counts three times: 1.0 × 1.6³ = 4.1 is more than 1.2 × 1.5³ = 4.05 and than 2.0 × 1.0³
  const desk = seats.map((each) => (each.id === 'desk' ? { ...each, importance: 3 } : each));
  expect(pointsOf(shareOut(desk, 250))).toEqual([0, 2]);
  // and no less than 150 is wanted for it
  const floor = seats.map((each) => (each.id === 'desk' ? { ...each, atLeastMinor: 120 } : each));
  expect(pointsOf(shareOut(floor, 250))).toEqual([0, 2]);
});

test('a task more comes before all speed', () => {
  const seats = [seat('film', [at(100, 100, 1), at(200, 100, 2)]), seat('desk', [at(50, 100), at(150, 400)])];
  expect(pointsOf(shareOut(seats, 250))).toEqual([1, 0]);
});

test('too little says what would do; a seat without machines is named; a team of one gets its best', () => {
  const film = seat('film', [at(100, 100), at(200, 200)]);
  expect(shareOut([film, seat('desk', [at(50, 100)])], 149)).toEqual({ kind: 'too little', leastMinor: 150 });
  expect(shareOut([film, seat('desk', [])], 500)).toEqual({ kind: 'without machines', seats: ['desk'] });
  expect(shareOut([film, seat('desk', [at(50, 100)], { atLeastMinor: 60 })], 500)).toEqual({
    kind: 'without machines',
    seats: ['desk'],
  });
  expect(pointsOf(shareOut([film], 220))).toEqual([1]);
  expect(pointsOf(shareOut([film], 199))).toEqual([0]);
});

test('who gains from more and loses from less', () => {
  const seats = [seat('film', [at(100, 100), at(200, 200)]), seat('desk', [at(50, 100), at(100, 150)])];
  expect(sharesAround(seats, 250, 50)).toMatchObject({
    shares: {
      seats: [
        { id: 'film', point: 1, more: 1, less: 0 },
        { id: 'desk', point: 0, more: 1, less: 1 },
      ],
    },
  });
  // 50 less than the least buys nothing: nobody is said to lose
  expect(sharesAround(seats, 150, 50)).toMatchObject({
    shares: { seats: [{ less: undefined }, { less: undefined }] },
  });
});

test('it is the best of all ways, within the budget, and no worse than an even split', () => {
  const { next, pick } = rolling(11);
  for (let round = 0; round < 300; round++) {
    const seats = Array.from({ length: 1 + Math.floor(next() * 4) }, (_, i) => {
      let [price, percent] = [Math.floor(20 + next() * 100), Math.floor(40 + next() * 60)];
      const points = Array.from({ length: 1 + Math.floor(next() * 5) }, () => {
        price += Math.ceil(next() * 80);
        percent += Math.ceil(next() * 60);
        return at(price, percent, pick([2, 2, 3]));
      });
      return seat(`seat ${i}`, points, { importance: pick([1, 1, 2, 5]) });
    });
    const budget = Math.floor(next() * 220 * seats.length);
    const value = (points: readonly number[]) => {
      let [runs, work, spent] = [0, 0, 0];
      seats.forEach(({ points: list, importance }, i) => {
        const point = list[points[i] ?? 0];
        if (!point) throw new Error('no such point');
        runs += importance * point.rank.runs;
        work += importance * Math.log(point.rank.percent / 100);
        spent += point.priceMinor;
      });
      return { runs, work, spent };
    };
    const better = (a: ReturnType<typeof value>, b: ReturnType<typeof value>): boolean =>
      a.runs !== b.runs ? a.runs > b.runs : Math.abs(a.work - b.work) > 1e-9 ? a.work > b.work : a.spent < b.spent;
    let ways: number[][] = [[]];
    for (const { points } of seats) ways = ways.flatMap((way) => points.map((_, i) => [...way, i]));
    const within = ways.map(value).filter(({ spent }) => spent <= budget);
    const best = within.reduce<ReturnType<typeof value> | undefined>((a, b) => (a && !better(b, a) ? a : b), undefined);
    const sharing = shareOut(seats, budget);
    if (!best) {
      expect(sharing).toEqual({ kind: 'too little', leastMinor: Math.min(...ways.map((way) => value(way).spent)) });
      continue;
    }
    const got = value(pointsOf(sharing));
    expect(got.spent).toBeLessThanOrEqual(budget);
    expect(got.runs).toBe(best.runs);
    expect(got.work).toBeCloseTo(best.work, 9);
    expect(got.spent).toBe(best.spent);
    const even = seats.map(({ points }) =>
      points.findLastIndex(({ priceMinor }) => priceMinor <= budget / seats.length),
    );
    if (even.every((point) => point >= 0)) expect(better(value(even), got)).toBe(false);
  }
});

test('of every seat all machines come that no other one beats, up to what the others leave', () => {
  const told = ({ priceMinor, rank }: Pick<FoundMachine, 'priceMinor' | 'rank'>) => [
    priceMinor,
    rank.runs,
    rank.percent,
  ];
  const seen = { teams: 0, early: 0, cut: 0, none: 0 };
  for (let seed = 1; seed <= seedsTo(40); seed += 2) {
    const seats = [seed, seed + 1].map((each) => {
      const { brief, context } = smallMarket(each);
      return { id: `seat ${each}`, question: workOf(brief, context), context };
    });
    let plain: FoundMachine[][];
    try {
      plain = seats.map(({ question, context }) => tryAll(question, context, 400).found);
    } catch {
      continue;
    }
    const least = plain.map(([first]) => first?.priceMinor ?? 0);
    const most = least.reduce((all, minor) => all + minor, 0) + 80_00;
    const asked = seats.map(({ id, question, context }) => ({ id, asked: searchable(question, context) }));
    const search = teamPoints(asked, most);
    let step = search.next();
    for (; !step.done && step.value.seats.some(({ state }) => state === 'waiting'); step = search.next());
    // a machine for each before the cheapest of any is looked for to the end: what it costs is no less
    if (!step.done)
      step.value.seats.forEach(({ points, state }, i) => {
        const [first] = points;
        if (state === 'found') seen.early++;
        expect(first?.priceMinor ?? Infinity, `seed ${seed}, seat ${i}`).toBeGreaterThanOrEqual(
          plain[i]?.[0]?.priceMinor ?? Infinity,
        );
        if (first) expect(plain[i]?.map(told), `seed ${seed}, seat ${i}`).toContainEqual(told(first));
      });
    const known = finish<TeamKnown>(search);
    seen.teams++;
    known.seats.forEach(({ points, state }, i) => {
      const all = plain[i] ?? [];
      const within = all.filter(({ priceMinor }) => priceMinor <= (least[i] ?? 0) + 80_00);
      expect(points.map(told), `seed ${seed}, seat ${i}`).toEqual(frontierOf(within).map(told));
      expect(state).toBe(all.length > 0 ? 'whole' : 'none');
      if (frontierOf(all).length > points.length) seen.cut++;
      if (all.length === 0) seen.none++;
    });
  }
  expect(seen.teams).toBeGreaterThan(3);
  expect(seen.early).toBeGreaterThan(3);
});
