import { expect, test } from 'vitest';
import type { DemandCost } from '../search/exact/costs';
import type { Demand } from '../search/exact/clash';
import type { Decided } from '../search/exact/partCase';
import type { BeamModel } from './beams';
import {
  caseWords,
  costMatters,
  decidedWords,
  demandsWords,
  lessMoneyWords,
  stairsWords,
  type FoundWords,
} from './found';

const brief = {
  tasks: [
    { id: 'cut', name: 'Cut', importance: 3 },
    { id: 'export', name: 'Export', importance: 5 },
    { id: 'desk', name: 'Desk', importance: 1 },
  ],
} as unknown as Parameters<typeof demandsWords>[1];

const found = (priceMinor: number, gets: Readonly<Record<string, string>>): FoundWords =>
  ({
    priceMinor,
    beams: Object.entries(gets).map(([task, text]) => ({ task, beam: { gets: text } as BeamModel })),
  }) as unknown as FoundWords;

test('targets of several tasks are told together', () => {
  const targets: Demand[] = [{ code: 'target', task: 'cut' }, { code: 'proof' }, { code: 'target', task: 'export' }];
  expect(demandsWords(targets, brief)).toBe('the targets of “Cut” and “Export” and that all figures are known');
  expect(demandsWords(targets.slice(0, 1), brief)).toBe('the target of “Cut”');
  expect(demandsWords([{ code: 'must-have', what: 'noiseDbA' }], brief)).toBe('the limit of noise');
});

test('what less money costs in work: the best within the budget beside the best for 15 % less than it', () => {
  const points = [
    found(2000_00, { cut: '20 fps', export: '70 min', desk: 'enough' }),
    found(2600_00, { cut: '24 fps', export: '61 min', desk: 'enough' }),
    // 85 % of it is 2,635.00
    found(3100_00, { cut: '24 fps', export: '55 min', desk: 'enough' }),
    found(4000_00, { cut: '24 fps', export: '40 min', desk: 'enough' }),
  ];
  expect(lessMoneyWords(points, 3150_00, brief, 'USD')).toBe(
    'For 2,600.00 USD, 500.00 USD less than the best within the budget: Export 61 min in place of 55 min.',
  );
  expect(lessMoneyWords(points, 2000_00, brief, 'USD')).toBeUndefined();
  expect(lessMoneyWords(points, 100, brief, 'USD')).toBeUndefined();
  const alike = [found(1000_00, { cut: '1' }), found(2000_00, { cut: '1' })];
  expect(lessMoneyWords(alike, 3000_00, brief, 'USD')).toBeUndefined();
});

test('a demand matters when letting it go saves something, or a step more of it costs or cannot be had', () => {
  const machine = (priceMinor: number) => ({ priceMinor }) as DemandCost['without'];
  const cost = (without: number, tighter?: number | 'none'): DemandCost => ({
    demand: { code: 'proof' },
    without: machine(without),
    ...(tighter === undefined
      ? {}
      : { tighter: { step: { times: 1.1 }, found: tighter === 'none' ? undefined : machine(tighter) } }),
  });
  expect(costMatters(cost(900), 1000)).toBe(true);
  expect(costMatters(cost(1000), 1000)).toBe(false);
  expect(costMatters(cost(1000, 1000), 1000)).toBe(false);
  expect(costMatters(cost(1000, 1100), 1000)).toBe(true);
  expect(costMatters(cost(1000, 'none'), 1000)).toBe(true);
});

test('the case of a part says what it costs or saves, and the price that turns it', () => {
  const told = (having?: number, lacking?: number, even?: number) =>
    caseWords(
      {
        outside: undefined,
        having: having === undefined ? undefined : { priceMinor: having },
        lacking: lacking === undefined ? undefined : { priceMinor: lacking },
        breakEvenMinor: even,
        landed: { now: 500_00, even: even === undefined ? undefined : even * 1.1 },
      },
      'Gale 12',
      'USD',
    );
  expect(told(1200_00, 1000_00, 200_00)).toBe(
    'With Gale 12 the cheapest machine costs 1,200.00 USD, 200.00 USD more than without it. It would belong at 220.00 USD a piece or less; it costs 500.00 USD now.',
  );
  expect(told(1000_00, 1100_00, 600_00)).toBe(
    'Gale 12 belongs: with it the cheapest machine costs 1,000.00 USD, without it 1,100.00 USD, 100.00 USD more. It does so up to 660.00 USD a piece; it costs 500.00 USD now.',
  );
  expect(told(1200_00, 1000_00)).toContain('It would not belong even if it cost nothing.');
  expect(told(undefined, 1000_00)).toBe(
    'No machine with Gale 12 does the work; without it there is one for 1,000.00 USD.',
  );
  expect(told(1000_00)).toContain('Nothing does the work without Gale 12');
  expect(told()).toBe('No machine does the work, with it or without it.');
  const beyond = (outside: 'no place' | 'not sold') =>
    caseWords(
      {
        outside,
        having: undefined,
        lacking: { priceMinor: 1 },
        breakEvenMinor: undefined,
        landed: { now: 1, even: 1 },
      },
      'Gale 12',
      'USD',
    );
  expect(beyond('no place')).toBe('For this work the search chooses nothing of the kind of Gale 12.');
  expect(beyond('not sold')).toContain('Nobody who may be bought from sells Gale 12 now');
});

test('stairs of waiting say from where to where an hour has to be worth it', () => {
  const stair = (priceMinor: number, fromMinor: number, hoursAYear: number) => ({
    machine: { priceMinor, owning: { costMinor: priceMinor, hours: hoursAYear * 4, hoursAYear } },
    fromMinor,
  });
  expect(stairsWords([stair(154_000, 0, 48), stair(198_000, 1240.4, 31), stair(300_000, 5000, 12)], 'USD')).toEqual([
    'Up to 12.40 USD an hour the machine for 1,540.00 USD costs least: 48 h a year are waited for.',
    'From 12.40 USD to 50.00 USD an hour the machine for 1,980.00 USD costs least: 31 h a year are waited for.',
    'From 50.00 USD an hour on the machine for 3,000.00 USD costs least: 12 h a year are waited for.',
  ]);
  expect(stairsWords([stair(154_000, 0, 0)], 'USD')).toEqual([
    'Whatever an hour is worth the machine for 1,540.00 USD costs least: 0 h a year are waited for.',
  ]);
});

test('what decides a part’s case, in a sentence', () => {
  const [having, lacking] = [{ priceMinor: 100 }, { priceMinor: 120 }];
  const target: Demand = { code: 'target', task: 'export' };
  const noise: Demand = { code: 'must-have', what: 'noiseDbA' };
  const words = (decided: Decided | undefined, has?: typeof having, lacks?: typeof having) =>
    decidedWords({ having: has, lacking: lacks, decided }, brief);
  expect(words(undefined, having, lacking)).toBeUndefined();
  expect(words({ how: 'each', demands: [target] }, having, lacking)).toBe(
    'It belongs because of the target of “Export”: without that a machine without it is cheaper.',
  );
  expect(words({ how: 'each', demands: [target, noise] }, lacking, having)).toBe(
    'What speaks against it is the target of “Export” and the limit of noise: without any one of them it would belong.',
  );
  expect(words({ how: 'each', demands: [] }, lacking, having)).toBe('No demand alone decides that it does not belong.');
  expect(words({ how: 'together', demands: [noise] }, having)).toBe('What calls for it: the limit of noise.');
  expect(words({ how: 'together', demands: [noise] }, undefined, lacking)).toBe(
    'What keeps it out: the limit of noise.',
  );
  expect(words({ how: 'together', demands: [] }, having)).toBeUndefined();
});
