import { expect, test } from 'vitest';
import type { NearWords } from './near';
import { fromHereWords } from './near';

const brief = { tasks: [{ id: 'export', name: 'Export' }] } as unknown as Parameters<typeof fromHereWords>[2];
const step = (moreMinor: number): NearWords => ({
  found: {} as NearWords['found'],
  moreMinor,
  changes: ['processor: Tern 16 for Tern 12', 'cooler: Fjord 2 is new'],
  gains: [],
  losses: [],
});
const said = (up: readonly NearWords[], to: NearWords | undefined, within: number, mostMinor = 300_000) =>
  fromHereWords({ up, targets: [{ task: 'export', step: to }], savings: [] }, { within, mostMinor }, brief, 'USD');

test('from here: what brings a target, and the least that helps', () => {
  expect(said([step(14_000)], step(21_000), 3)).toEqual([
    'From here, 210.00 USD more bring “Export” to its target: processor: Tern 16 for Tern 12 and cooler: Fjord 2 is new.',
    'With up to 3 changes together nothing under 140.00 USD more makes a twentieth more of the work.',
  ]);
});

test('from here: what is out of reach, what costs nothing, and what is not known yet', () => {
  expect(said([], undefined, 2)).toEqual([
    'With up to 2 changes together “Export” does not come to its target.',
    'With up to 2 changes together nothing up to 3,000.00 USD makes a twentieth more of the work.',
  ]);
  expect(said([step(-5_000)], step(-2_000), 1)[0]).toContain('From here 20.00 USD are saved and “Export” comes to its');
  expect(said([step(-5_000)], step(-2_000), 1)[1]).toBe(
    'With one change a twentieth more of the work is done for 50.00 USD less.',
  );
  expect(said([], undefined, 1, Infinity)[1]).toBe('With one change nothing makes a twentieth more of the work.');
  expect(said([], step(21_000), 0)).toHaveLength(1);
});
