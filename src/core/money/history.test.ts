import { dayNumber, dayText } from '../units/days';
import * as fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { FREE, NET, flat, market, offer, policyOf, shop, thing } from '../tests/shops';
import {
  atSuccessions,
  filled,
  machineSeries,
  MOST_AGE_DAYS,
  partSeries,
  waitingWorth,
  type PricePoints,
} from './history';
import { looked, watchSchema } from './watch';

const points = (id: string, pairs: readonly (readonly [number, number | null])[]): [string, PricePoints] => [
  id,
  { offer: id, days: pairs.map(([day]) => day), minors: pairs.map(([, minor]) => minor) },
];

describe('prices by day', () => {
  test('days are numbered from 1970 and come back', () => {
    expect([dayNumber('1970-01-02'), dayNumber('2026-05-18'), dayText(20_591)]).toEqual([1, 20_591, '2026-05-18']);
    fc.assert(fc.property(fc.integer({ min: 0, max: 40_000 }), (day) => dayNumber(dayText(day)) === day));
  });

  test('a price holds until the next, a day without one breaks it, an old one is none', () => {
    const [, series] = points('o', [
      [8, 100],
      [12, null],
      [14, 90],
    ]);
    expect([...filled(series, 10, 16)]).toEqual([100, 100, NaN, NaN, 90, 90, 90]);
    const long = filled(points('o', [[0, 100]])[1], 0, MOST_AGE_DAYS + 3);
    expect([long[MOST_AGE_DAYS], long[MOST_AGE_DAYS + 1]]).toEqual([100, NaN]);
  });

  const a = thing('a');
  const b = thing('b');
  const sellers = [
    shop('east', { shipping: flat(5_00, 50_00) }),
    shop('west', { shipping: flat(0) }),
    shop('bad', { ratings: 2, meanRating: 1, shipping: flat(0) }),
  ];
  const offers = [offer('a', 'east', 1), offer('a', 'west', 1), offer('a', 'bad', 1), offer('b', 'west', 1)];
  const history = new Map([
    points('a.east', [
      [10, 45_00],
      [11, 51_00],
    ]),
    points('a.west', [
      [10, 52_00],
      [12, 49_00],
    ]),
    points('a.bad', [[10, 1_00]]),
    points('b.west', [[11, 10_00]]),
  ]);
  const context = {
    catalogue: market([a, b], sellers, offers, [FREE]),
    region: FREE,
    policy: policyOf(),
    points: history,
  };

  test('the cheapest landed that day, over sellers one would buy from, shipping with its threshold', () => {
    // east: 45 + 5, then 51 free of charge; west: 52, 52, 49
    expect([...partSeries(a, 10, 12, context).minors]).toEqual([50_00, 51_00, 49_00]);
  });

  test('a machine’s price is known from the day on which all its parts are; parts without any are named', () => {
    const both = machineSeries([a, b, b], 10, 12, context);
    expect([...both.minors]).toEqual([NaN, 71_00, 69_00]);
    const more = machineSeries([a, thing('c')], 10, 12, context);
    expect([more.unknown.map((part) => part.id), [...more.minors]]).toEqual([['c'], [50_00, 51_00, 49_00]]);
  });

  test('tax is today’s: 7.5 % on goods and shipping', () => {
    expect(partSeries(a, 10, 10, { ...context, region: NET }).minors[0]).toBe(53_75);
  });
});

describe('what waiting has been worth', () => {
  test('the middle and the tenths of all changes, and on how many times they rest', () => {
    // falls by a tenth each ten days: every case is −10 %
    const falling = { first: 0, minors: Float64Array.from({ length: 41 }, (_, i) => 1000 * 0.9 ** Math.floor(i / 10)) };
    expect(waitingWorth([falling], 10)).toMatchObject({ cheaper: 1, cases: 4, periods: 4, days: 10 });
    expect(waitingWorth([falling], 10)?.likely).toBeCloseTo(-0.1, 12);
    const rising = { first: 0, minors: Float64Array.from({ length: 41 }, (_, i) => 1000 * 1.1 ** Math.floor(i / 10)) };
    const both = waitingWorth([falling, rising], 10);
    expect([both?.cases, both?.periods, both?.cheaper]).toEqual([8, 4, 0.5]);
    expect(both?.low).toBeCloseTo(-0.1, 12);
    expect(both?.high).toBeCloseTo(0.1, 12);
  });

  test('nothing is said of fewer than three times', () => {
    expect(waitingWorth([{ first: 0, minors: new Float64Array(25).fill(5) }], 10)).toBeUndefined();
  });
});

describe('a watch', () => {
  const watch = watchSchema.parse({
    id: 'w',
    what: { kind: 'part', part: 'a', region: 'here' },
    targetMinor: 50_00,
    since: '2026-05-01',
  });
  test('fires once, at the first price that reaches its target; unknown never fires', () => {
    expect(looked(watch, 50_01, '2026-05-18').fired).toBeUndefined();
    expect(looked(watch, undefined, '2026-05-18').fired).toBeUndefined();
    const fired = looked(watch, 50_00, '2026-05-18');
    expect(fired.fired).toEqual({ on: '2026-05-18', minor: 50_00 });
    expect(looked(fired, 40_00, '2026-05-20')).toBe(fired);
  });
});

describe('what a maker’s next parts do to prices', () => {
  const day = (text: string): number => dayNumber(text);
  const FIRST = day('2025-01-01');
  const LENGTH = 400;
  const BORN = '2025-10-01';
  /** A price of 100.00 until something new comes, and then another. */
  const series = (after: number, on = BORN) => ({
    first: FIRST,
    minors: Float64Array.from({ length: LENGTH }, (_, i) => (FIRST + i < day(on) ? 100_00 : after)),
  });
  const part = (maker: string, onSale: string, after = 100_00) => ({ part: { maker, onSale }, series: series(after) });

  test('30 days before to 60 after, over the parts of that maker that were there for half a year', () => {
    const change = atSuccessions([
      part('Halcyte', BORN),
      part('Halcyte', '2024-01-01', 90_00),
      part('Halcyte', '2024-02-01', 94_00),
      part('Halcyte', '2024-03-01', 80_00),
      // another maker’s says nothing of it
      part('Quernic', '2024-01-01', 50_00),
    ]);
    expect(change).toMatchObject({ cases: 3, successions: 1 });
    expect(change?.likely).toBeCloseTo(-0.1, 9);
    expect(change?.low).toBeCloseTo(-0.2, 9);
    expect(change?.high).toBeCloseTo(-0.06, 9);
    // in the quiet months before, prices stood still
    expect(change?.otherwise).toBe(0);
  });

  test('says nothing of fewer than three cases, or where a price is not known', () => {
    const two = [part('Halcyte', BORN), part('Halcyte', '2024-01-01'), part('Halcyte', '2024-02-01')];
    expect(atSuccessions(two)).toBeUndefined();
    const gone = { first: FIRST, minors: new Float64Array(LENGTH).fill(NaN) };
    expect(atSuccessions([...two, { part: { maker: 'Halcyte', onSale: '2024-01-01' }, series: gone }])).toBeUndefined();
  });
});
