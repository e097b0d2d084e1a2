import { expect, test } from 'vitest';
import { editMachine } from './edits';
import { editsTo } from './editsTo';
import type { Item, Machine } from './machine';

const item = (id: string, part: string, more: Partial<Item> = {}): Item => ({ id, part, ...more }) as Item;
const machine = (...items: Item[]): Machine => ({ id: 'm', name: 'M', items }) as Machine;
const after = (from: Machine, items: readonly Item[]): readonly Item[] =>
  editMachine(from, { kind: 'several', edits: editsTo(from, items) }).items;

test('what stays is not touched, what goes is taken out first, what comes is put in', () => {
  const from = machine(item('cpu', 'small'), item('ssd', 'disk', { roles: ['system'] }));
  const edits = editsTo(from, [item('cpu', 'large'), item('ssd', 'disk', { roles: ['system'] })]);
  expect(edits).toEqual([
    { kind: 'remove', item: 'cpu' },
    { kind: 'add', item: item('cpu', 'large') },
  ]);
  expect(after(from, [item('cpu', 'large')])).toEqual([item('cpu', 'large')]);
  expect(editsTo(from, from.items)).toEqual([]);
});

test('a new item takes another id where one that stays has it', () => {
  const from = machine(item('card-1', 'capture'));
  expect(after(from, [item('card-1', 'capture'), item('card-1', 'network'), item('card-1', 'network')])).toEqual([
    item('card-1', 'capture'),
    item('card-1-2', 'network'),
    item('card-1-3', 'network'),
  ]);
});

test('an item that is used otherwise is put in anew, and the order of its fields says nothing', () => {
  const from = machine(item('ssd', 'disk', { roles: ['system'], label: 'Disk' }));
  expect(editsTo(from, [{ roles: ['system'], label: 'Disk', part: 'disk', id: 'ssd' } as unknown as Item])).toEqual([]);
  expect(after(from, [item('ssd', 'disk', { roles: ['system', 'active'], label: 'Disk' })])[0]?.roles).toEqual([
    'system',
    'active',
  ]);
});
