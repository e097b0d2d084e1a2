import { firstFree, idIn, numbered } from '../units/free';
import type { MachineEdit } from './edits';
import type { Item, Machine } from './machine';

type SingleEdit = Extract<MachineEdit, { kind: 'several' }>['edits'][number];

/**
 * The changes that make a machine hold other items: what is not among them as it stands is taken out, what is new put in,
 * under another id where one that stays has it.
 */
export function editsTo({ items }: Pick<Machine, 'items'>, target: readonly Item[]): SingleEdit[] {
  const text = (item: Item): string => JSON.stringify(Object.entries(item).sort(([a], [b]) => (a < b ? -1 : 1)));
  const wanted = new Set(target.map(text));
  const staying = items.filter((item) => wanted.has(text(item)));
  const there = new Set(staying.map(text));
  const taken = [...staying];
  const added = target
    .filter((item) => !there.has(text(item)))
    .map((item): Item => {
      const id = firstFree(numbered(item.id), idIn(taken));
      const named = { ...item, id };
      taken.push(named);
      return named;
    });
  return [
    ...items.filter((item) => !staying.includes(item)).map(({ id }): SingleEdit => ({ kind: 'remove', item: id })),
    ...added.map((item): SingleEdit => ({ kind: 'add', item })),
  ];
}
