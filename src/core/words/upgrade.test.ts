import { expect, test } from 'vitest';
import type { Item } from '../model/machine';
import type { FutureOf } from '../upgrade/future';
import type { PartResale } from '../upgrade/resale';
import type { UpgradeWorth } from '../upgrade/worth';
import {
  besideWords,
  futureWords,
  ladderWords,
  paysAtWords,
  perCoinWords,
  resaleWords,
  turnsWords,
  whileWords,
  worthWords,
} from './upgrade';

const even = (value: number) => ({ low: value, likely: value, high: value });
const NOTHING: UpgradeWorth = {
  purchaseMinor: 221_000,
  purchaseOpen: false,
  resale: { parts: [], lots: [], net: even(0), givenMinor: 0, unknown: [] },
  carried: [],
  net: even(221_000),
  tasks: [],
  savedHoursAWeek: even(1.4),
  notPredicted: [],
  energySavedMinor: undefined,
  louderDbA: undefined,
  weeks: even(41.54),
  paysAt: [],
};
const worth = (change: Partial<UpgradeWorth> = {}, hourMinor: number | undefined = 3_800): string =>
  worthWords({ ...NOTHING, ...change }, 'Draft', hourMinor === undefined ? {} : { hourMinor }, 'USD');

test('whether it is worth it, in a sentence', () => {
  expect(worth()).toBe(
    'Draft costs 2,210.00 USD net of what is sold, and somebody waits 1.4 h a week less: at 38.00 USD an hour it has paid after 9.6 months.',
  );
  expect(
    worth({ weeks: { low: 20, likely: 41.54, high: Infinity }, savedHoursAWeek: { low: 0, likely: 1.4, high: 3 } }),
  ).toMatch(
    /less \(0 to 3\): at 38\.00 USD an hour it has paid after 9\.6 months \(4\.6 months at best, never at worst\)\.$/,
  );
  expect(worth({ weeks: even(Infinity) })).toMatch(/at 38\.00 USD an hour it does not pay\.$/);
  expect(worth({ net: even(-5) })).toBe(
    'Draft costs nothing net of what is sold, and somebody waits 1.4 h a week less.',
  );
  expect(worth({ purchaseOpen: true, savedHoursAWeek: even(-2) })).toMatch(
    /^Draft costs at least 2,210\.00 USD .* waits 2 h a week more/,
  );
  expect(worth({ weeks: undefined })).toMatch(/what an hour is worth is not stated, so nothing says when that pays\.$/);
  expect(worth({ savedHoursAWeek: even(0) })).toMatch(/; nobody waits noticeably less\.$/);
  expect(worth({ savedHoursAWeek: even(0), notPredicted: ['Export'] })).toMatch(
    /; how long “Export” is waited for is not predicted on both\.$/,
  );
});

test('whiles are told in what they are thought of', () => {
  expect([1, 5, 30, 104, 260, Infinity].map(whileWords)).toEqual([
    'a week',
    '5 weeks',
    '6.9 months',
    '2 years',
    '5 years',
    'never',
  ]);
});

test('what an hour has to be worth, and what else changes', () => {
  const paysAt = [
    { years: 1, hourMinor: 11_560 },
    { years: 2, hourMinor: 5_780 },
  ];
  expect(paysAtWords({ ...NOTHING, paysAt }, 'USD')).toBe(
    'It pays if an hour is worth 115.60 USD within a year, 57.80 USD within 2 years.',
  );
  expect(paysAtWords({ ...NOTHING, paysAt, net: even(0) }, 'USD')).toBeUndefined();
  expect(paysAtWords(NOTHING, 'USD')).toBeUndefined();
  expect(besideWords({ ...NOTHING, energySavedMinor: -420, louderDbA: 2, notPredicted: ['Export'] }, 'USD')).toEqual([
    'Energy costs 4.20 USD a year more.',
    'It is 2 dB(A) louder.',
    'Not counted, as it is not predicted on both: Export.',
  ]);
  expect(besideWords({ ...NOTHING, energySavedMinor: 0, louderDbA: 0.2 }, 'USD')).toEqual([]);
  const tasks = (['begins', 'begins', 'ends'] as const).map((turns, i) => ({
    task: `${i}`,
    before: undefined,
    after: undefined,
    turns,
  }));
  expect(turnsWords({ tasks }, { tasks: [] })).toEqual([
    '“0” and “1” do what is asked for the first time.',
    '“2” no longer does what is asked.',
  ]);
});

test('what a part is worth, and why', () => {
  const part = (change: Partial<PartResale>): PartResale => ({
    item: { id: 'a', part: 'a' } as Item,
    kind: 'drive',
    fate: 'sold',
    value: { low: 1_000, likely: 1_500, high: 2_000 },
    by: undefined,
    notSold: undefined,
    ...change,
  });
  const words = (change: Partial<PartResale>) => resaleWords(part(change), 'USD');
  expect(words({ by: { code: 'by-hand' }, value: even(1_500) })).toBe('15.00 USD, set by hand');
  expect(words({ by: { code: 'used-offers', offers: 1, leastMinor: 2_500 } })).toBe(
    '10.00 to 20.00 USD, a used one is offered for 25.00 USD',
  );
  const by = { code: 'declining', from: 'today', fromMinor: 6_000, years: 5.93, age: 'known' } as const;
  expect(words({ by, notSold: 'not-worth-it' })).toBe(
    '10.00 to 20.00 USD, of the 60.00 USD that it costs new after 5.9 years; fees and the parcel take all of it, so it stays',
  );
  expect(words({ by: { ...by, age: 'on-sale' } })).toMatch(/, if it is as old as it can be$/);
  expect(words({ value: undefined, notSold: 'unknown' })).toMatch(/^nobody says what it is worth/);
  expect(words({ value: undefined, notSold: 'not-transferable' })).toBe('passes to nobody else');
});

test('what a purchase on the way does', () => {
  const rank = (percent: number) => ({ runs: 1, percent });
  const words = (begins: string[], ends: string[], before: number, after: number, unsure: string[] = []) =>
    ladderWords({ begins, ends, unsure, before: rank(before), after: rank(after) }, { tasks: [] });
  expect(words(['a', 'b'], [], 65, 161)).toBe(
    '“a” and “b” meet their targets; the work at 161 % of what is asked, 65 % before',
  );
  expect(words([], ['a'], 100, 90)).toBe('“a” no longer does; the work at 90 % of what is asked, 100 % before');
  expect(words([], [], 100, 100)).toBe('the work stays at 100 % of what is asked');
  // ln(2) on 200.00: 41 % more for each 100.00
  expect(perCoinWords({ perMinor: Math.log(2) / 200_00 }, 'USD')).toBe('41 % more for each 100.00 USD');
  expect(perCoinWords({ perMinor: 0 }, 'USD')).toBeUndefined();
  expect(perCoinWords({ perMinor: Infinity }, 'USD')).toBeUndefined();
  // unknown is no failure
  expect(words([], [], 179, 8, ['a'])).toBe(
    'of “a” nobody can tell then; the work at 8 % of what is asked, 179 % before',
  );
});

test('how far a board goes, and where it is a dead end', () => {
  const part = (name: string, landedMinor: number | undefined, times: number) =>
    ({ part: { id: name, maker: 'Test', name }, landedMinor, times, brought: [] }) as unknown as NonNullable<
      FutureOf['best']
    >;
  const words = (change: Partial<FutureOf>) =>
    futureWords({ kind: 'processor', takes: 5, faster: 2, best: undefined, value: undefined, ...change }, 'USD');
  expect(words({ takes: 0 })).toBe('Processor: a dead end, nothing else that is sold goes in.');
  expect(words({})).toBe('Processor: a dead end, 5 others go in and none makes this work faster.');
  const best = part('Big', 40_000, 1.344);
  expect(words({ best, value: best })).toBe(
    'Processor: 5 others go in, 2 of them faster. The most: Test Big for 400.00 USD, 1.34 × as fast.',
  );
  expect(words({ best, value: part('Small', 10_000, 1.2) })).toMatch(
    /For its money: Test Small for 100\.00 USD, 1\.2 × as fast\.$/,
  );
});

test('what is dropped less is told, where both run', () => {
  const result = (dropped: number | undefined, gets = even(20)) =>
    ({ dropped, gets, unit: 'frame' }) as unknown as NonNullable<UpgradeWorth['tasks'][number]['before']>;
  const words = (before: ReturnType<typeof result>, after: ReturnType<typeof result>) =>
    turnsWords({ tasks: [{ task: 'grade', before, after, turns: undefined }] }, { tasks: [] });
  expect(words(result(16.4), result(0))).toEqual(['“grade” drops 0 frames a second, 16 now.']);
  expect(words(result(0), result(undefined))).toEqual([]);
  expect(words(result(16), { ...result(0), gets: undefined })).toEqual([]);
});
