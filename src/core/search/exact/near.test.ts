import { expect, test } from 'vitest';
import { rolling } from '../../tests/smallMarkets';
import { leastNear, type OpenAt } from './near';

test('one change is spent where it saves most, and what has to change is changed first', () => {
  const open = [
    { held: 10, other: 4 },
    { held: 20, other: 19 },
  ];
  expect(leastNear(open, 0)).toBe(30);
  expect(leastNear(open, 1)).toBe(24);
  expect(leastNear(open, 2)).toBe(23);
  expect(leastNear([...open, { held: undefined, other: 7 }], 1)).toBe(37);
  expect(leastNear([...open, { held: undefined, other: 7 }], 0)).toBeUndefined();
  expect(leastNear([...open, { held: undefined, other: undefined }], 9)).toBeUndefined();
  expect(leastNear(open, Infinity)).toBe(23);
});

test('it is the least over every way of spending the changes', () => {
  const { chance, next } = rolling(5);
  for (let i = 0; i < 400; i++) {
    const open = Array.from({ length: 5 }, (): OpenAt => ({
      held: chance(0.2) ? undefined : Math.floor(next() * 50),
      other: chance(0.2) ? undefined : Math.floor(next() * 50),
    }));
    const changes = Math.floor(next() * 6);
    let least: number | undefined;
    for (let ways = 0; ways < 32; ways++) {
      const taken = open.map(({ held, other }, at) => ((ways >> at) & 1 ? other : held));
      const changed = open.filter((_, at) => (ways >> at) & 1).length;
      if (changed > changes || taken.includes(undefined)) continue;
      least = Math.min(
        least ?? Infinity,
        taken.reduce<number>((all, one) => all + (one ?? 0), 0),
      );
    }
    expect(leastNear(open, changes)).toBe(least);
  }
});
