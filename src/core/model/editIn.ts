import { firstFree, idIn, numbered } from '../units/free';
import { itsPlace, type MachineEdit } from './edits';
import type { Item, Machine } from './machine';
import { phaseOf } from './phases';

/**
 * An edit made while looking at a phase, as an edit of the whole machine. In a later phase nothing of those before it is
 * lost: what is taken out there stays in them, what is added comes only then.
 */
export function editIn(machine: Machine, phase: string, edit: MachineEdit): MachineEdit {
  if (!phaseOf(machine, phase)) return edit;
  const item = 'item' in edit && typeof edit.item === 'string' ? find(machine, edit.item) : undefined;
  switch (edit.kind) {
    case 'add':
      return { kind: 'add', item: { ...edit.item, id: unused(machine, edit.item.id), from: phase } };
    case 'remove':
      return !item || item.from === phase ? edit : goes(item, phase);
    case 'swap': {
      if (!item || item.from === phase || item.part === edit.part) return edit;
      const id = unused(machine, `${item.id}-later`);
      return {
        kind: 'several',
        // what takes its place goes when it would have gone
        edits: [
          goes(item, phase),
          { kind: 'add', item: { ...itsPlace(item), id, part: edit.part, label: edit.label, from: phase } },
        ],
      };
    }
    case 'several': {
      // what is added may get another id here, and edits after it mean that one
      const renamed = new Map<string, string>();
      const edits = edit.edits.flatMap((each) => {
        const aimed =
          'item' in each && typeof each.item === 'string' && renamed.has(each.item)
            ? ({ ...each, item: renamed.get(each.item) ?? each.item } as typeof each)
            : each;
        const mapped = editIn(machine, phase, aimed);
        if (each.kind === 'add' && mapped.kind === 'add') renamed.set(each.item.id, mapped.item.id);
        return mapped.kind === 'several' ? mapped.edits : [mapped];
      });
      return { kind: 'several', edits };
    }
    default:
      return edit;
  }
}

const goes = ({ id, from }: Item, phase: string) => ({
  kind: 'span' as const,
  item: id,
  ...(from === undefined ? {} : { from }),
  until: phase,
});

const find = (machine: Machine, id: string): Item | undefined => machine.items.find((item) => item.id === id);

const unused = (machine: Machine, id: string): string => firstFree(numbered(id), idIn(machine.items));
