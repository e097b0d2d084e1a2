import { expect, test } from 'vitest';
import { rolling } from '../tests/smallMarkets';
import { waitingStairs, type Owning } from './waitingStairs';

const machine = (name: string, costMinor: number, hours: number): { name: string; owning: Owning | undefined } => ({
  name,
  owning: { costMinor, hours, hoursAYear: hours },
});
const told = (list: ReturnType<typeof machine>[]) =>
  waitingStairs(list).map(({ machine: { name }, fromMinor }) => [name, fromMinor]);

test('by hand: each step pays from where its price is worth the hours', () => {
  expect(told([machine('fast', 160, 4), machine('cheap', 100, 10)])).toEqual([
    ['cheap', 0],
    ['fast', 10],
  ]);
  // 130 for 8 h would pay from 15 an hour on, where the one with 4 h already does
  expect(told([machine('cheap', 100, 10), machine('between', 130, 8), machine('fast', 160, 4)])).toEqual([
    ['cheap', 0],
    ['fast', 10],
  ]);
  // 110 for 7 h pays from 3.33 on, 160 for 4 h from 16.67 on
  const stairs = waitingStairs([machine('cheap', 100, 10), machine('between', 110, 7), machine('fast', 160, 4)]);
  expect(stairs.map(({ machine: { name } }) => name)).toEqual(['cheap', 'between', 'fast']);
  expect(stairs[1]?.fromMinor).toBeCloseTo(3.3333, 4);
  expect(stairs[2]?.fromMinor).toBeCloseTo(16.6667, 4);
});

test('what is not known is left out, what waits longer for more never comes', () => {
  expect(told([machine('cheap', 100, 10), machine('slow and dear', 200, 12)])).toEqual([['cheap', 0]]);
  expect(waitingStairs([{ owning: undefined }])).toEqual([]);
  expect(told([machine('one', 100, 10), machine('as cheap and quicker', 100, 8)])).toEqual([
    ['as cheap and quicker', 0],
  ]);
});

test('at every worth of an hour it is the least of all', () => {
  const { next } = rolling(7);
  for (let round = 0; round < 200; round++) {
    const list = Array.from({ length: 1 + Math.floor(next() * 8) }, (_, i) =>
      machine(String(i), Math.floor(next() * 1000), Math.floor(next() * 50)),
    );
    const stairs = waitingStairs(list);
    for (let worth = 0; worth < 120; worth += 3.7) {
      const cost = ({ owning }: (typeof list)[number]) => (owning?.costMinor ?? 0) + worth * (owning?.hours ?? 0);
      const stair = stairs.findLast(({ fromMinor }) => fromMinor <= worth);
      if (!stair) throw new Error('no stair');
      expect(cost(stair.machine)).toBeCloseTo(Math.min(...list.map(cost)), 6);
    }
    // up the stairs the hours fall
    for (let i = 1; i < stairs.length; i++)
      expect(stairs[i]?.machine.owning?.hours).toBeLessThan(stairs[i - 1]?.machine.owning?.hours ?? 0);
  }
});
