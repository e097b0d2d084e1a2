import { expect, test } from 'vitest';
import type { Brief } from '../model/brief';
import type { Side } from '../search/exact/twoMachines';
import { sideWords, twoMachinesWords } from './twoMachines';

const brief = {
  sittings: [
    { id: 'cut', name: 'Cutting' },
    { id: 'out', name: 'Export' },
  ],
  tasks: [{ id: 'h', name: 'Cinema export' }],
} as unknown as Brief;
const found = (priceMinor: number) => ({ priceMinor }) as Side['found'];
const side = (sittings: string[], priceMinor: number): Side => ({ sittings, found: found(priceMinor), cannot: [] });
const words = (now: Partial<Parameters<typeof twoMachinesWords>[0]>, of: Brief = brief) =>
  twoMachinesWords({ one: undefined, two: undefined, atLeastMinor: 0, open: 0, ...now }, of, 'USD');

test('whether one machine or two cost less', () => {
  const two = [side(['cut'], 80_000), side(['out'], 45_000)] as const;
  expect(words({ one: found(100_000), two })).toBe(
    'One machine for all costs 1,000.00 USD; two, bought new, 1,250.00 USD, which is 250.00 USD more.',
  );
  expect(words({ one: found(130_000), two })).toMatch(/which is 50\.00 USD less\.$/);
  expect(words({ one: found(125_000), two })).toBe('One machine for all costs 1,250.00 USD, and so do two.');
  expect(words({ two })).toBe('No single machine does all of it; two, bought new, 1,250.00 USD do.');
});

test('what is not known yet, or cannot be', () => {
  expect(words({ atLeastMinor: 120_000.4, open: 3 })).toBe('Two machines cost at least 1,200.01 USD.');
  expect(words({ atLeastMinor: Infinity })).toMatch(/^No two machines do it either/);
  expect(words({})).toBeUndefined();
  expect(words({}, { ...brief, sittings: brief.sittings.slice(0, 1) })).toMatch(/^All work is done in one sitting/);
});

test('what each of two is for, and not for', () => {
  expect(sideWords({ sittings: ['cut'], cannot: ['h'] }, brief)).toBe('For “Cutting”; not for “Cinema export”');
  expect(sideWords({ sittings: ['cut', 'out'], cannot: [] }, brief)).toBe(
    'For “Cutting” and “Export”, and it would do the rest as well',
  );
});
