import { expect, test } from 'vitest';
import { assessed } from '../tests/world';
import { knownCore, rateText, REFERENCE_CORE } from './knownCore';

test('processor work is told as times a core of the present machine', () => {
  // 1.5 a clock at 5 GHz alone is 7.5 Gwork/s: 15 are twice that
  const core = knownCore(assessed({ machine: { name: 'Old one', present: true } }));
  expect(core).toEqual({ gworkPerS: 7.5, whose: 'one core of Old one, working alone' });
  expect(rateText(core)(15, 'Gwork/s')).toBe('2 × a core');
  expect(rateText(core)(1.5, 'Gwork/s')).toBe('0.2 × a core');
});

test('without a present machine, or with one whose core is unknown, it is the reference core', () => {
  const unknown = assessed({
    parts: {
      cpu: {
        coreGroups: [{ kind: 'performance', count: 8, threadsPerCore: 2, baseGHz: 3.5, boostGHz: 5, allCoreGHz: 4 }],
      },
    },
  });
  for (const present of [undefined, unknown]) expect(knownCore(present)).toBe(REFERENCE_CORE);
  // 5 GHz at 1 a clock: 12 ÷ 5
  expect(rateText(REFERENCE_CORE)(12, 'Gwork/s')).toBe('2.4 × a core');
});

test('other rates are told in their own unit', () => {
  expect(rateText(REFERENCE_CORE)(2e9, 'B/s')).toBe('2 GB/s');
});
