import fc from 'fast-check';
import { expect, test } from 'vitest';
import { changedPlaces, clashesOf, laid, valueAt } from './places';

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

test('what changed is laid on what others have changed elsewhere', () => {
  const item = (id: string, part = 'p') => ({ id, part });
  const base = { name: 'a', items: [item('x'), item('y')] };
  // swapped here, renamed and added to there
  expect(
    laid(base, { ...base, items: [item('x', 'q'), item('y')] }, { name: 'b', items: [item('z'), ...base.items] }),
  ).toEqual({ name: 'b', items: [item('z'), item('x', 'q'), item('y')] });
  // an entry that comes back stands behind the one it stood behind
  const without = { ...base, items: [item('x')] };
  expect(laid(without, base, { name: 'a', items: [item('x'), item('z')] })).toEqual({
    name: 'a',
    items: [item('x'), item('y'), item('z')],
  });
  expect(laid(base, without, { name: 'a', items: [item('y'), item('x')] })).toEqual({ name: 'a', items: [item('x')] });
  expect(laid({ a: 1 }, {}, { a: 1, b: 2 })).toEqual({ b: 2 });
  // only the order changed
  const turned = { ...base, items: [item('y'), item('x')] };
  expect(laid(base, turned, base)).toEqual(turned);
});

test('laid on what it was made on, a change is the change; laid on what did not clash, both hold', () => {
  fc.assert(
    fc.property(document, document, document, (base, mine, stored) => {
      expect(laid(base, mine, base)).toEqual(mine);
      expect(laid(base, base, stored)).toEqual(stored);
      if (clashesOf(base, mine, stored).length > 0) return;
      const both = laid(base, mine, stored);
      for (const place of changedPlaces(base, mine)) expect(valueAt(both, place)).toEqual(valueAt(mine, place));
      for (const place of changedPlaces(base, stored)) expect(valueAt(both, place)).toEqual(valueAt(stored, place));
    }),
  );
});
