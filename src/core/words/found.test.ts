import { expect, test } from 'vitest';
import type { DemandCost } from '../search/exact/costs';
import type { Demand } from '../search/exact/clash';
import type { BeamModel } from './beams';
import { costMatters, demandsWords, lessMoneyWords, type FoundWords } from './found';

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
