import fc from 'fast-check';
import { expect, test } from 'vitest';
import { changedPlaces, clashesOf, valueAt } from './outbox';

const MACHINE = {
  name: 'A',
  items: [
    { id: 'card', part: 'gale' },
    { id: 'fan', part: 'eddy' },
  ],
  tuning: { clock: 1 },
};
const withItem = (id: string, part: string) => ({
  ...MACHINE,
  items: MACHINE.items.map((item) => (item.id === id ? { ...item, part } : item)),
});

test('places are told by ids, however the list moves', () => {
  expect(changedPlaces(MACHINE, withItem('fan', 'draft'))).toEqual(['items/fan/part']);
  const more = { ...MACHINE, items: [{ id: 'drive', part: 'flume' }, ...MACHINE.items] };
  expect(changedPlaces(MACHINE, more)).toEqual(['items/drive']);
  expect(changedPlaces(MACHINE, { ...MACHINE, items: MACHINE.items.slice(1) })).toEqual(['items/card']);
  expect(changedPlaces(MACHINE, structuredClone(MACHINE))).toEqual([]);
  expect(valueAt(more, 'items/drive/part')).toBe('flume');
});

test('changes of different places hold together; of the same, or one inside the other, they clash', () => {
  const renamed = { ...MACHINE, name: 'B' };
  expect(clashesOf(MACHINE, renamed, withItem('fan', 'draft'))).toEqual([]);
  expect(clashesOf(MACHINE, withItem('card', 'x'), withItem('fan', 'y'))).toEqual([]);
  expect(clashesOf(MACHINE, withItem('card', 'x'), withItem('card', 'x'))).toEqual([]);
  expect(clashesOf(MACHINE, withItem('card', 'x'), withItem('card', 'y'))).toEqual([
    { place: 'items/card/part', mine: 'x', stored: 'y' },
  ]);
  // swapped here, taken out there
  expect(clashesOf(MACHINE, withItem('card', 'x'), { ...MACHINE, items: MACHINE.items.slice(1) })).toEqual([
    { place: 'items/card/part', mine: 'x', stored: undefined },
  ]);
});

const document = fc.record({
  name: fc.constantFrom('a', 'b', 'c'),
  budget: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
  items: fc.uniqueArray(fc.record({ id: fc.constantFrom('x', 'y', 'z'), part: fc.constantFrom('p', 'q') }), {
    selector: ({ id }) => id,
  }),
});

test('nothing clashes with what did not change, and clashes are the same from both sides', () => {
  fc.assert(
    fc.property(document, document, document, (base, mine, stored) => {
      expect(clashesOf(base, mine, base)).toEqual([]);
      expect(clashesOf(base, base, stored)).toEqual([]);
      expect(clashesOf(base, mine, mine)).toEqual([]);
      const [here, there] = [clashesOf(base, mine, stored), clashesOf(base, stored, mine)];
      expect(here.length > 0).toBe(there.length > 0);
    }),
  );
});

test('places that differ are all the difference there is', () => {
  fc.assert(
    fc.property(document, document, (before, after) => {
      for (const place of changedPlaces(before, after))
        expect(JSON.stringify(valueAt(before, place))).not.toBe(JSON.stringify(valueAt(after, place)));
    }),
  );
});
