import { firstFree, idIn, numbered } from '../units/free';
import type { MachineEdit } from './edits';
import type { Item, Machine, Phase } from './machine';

/**
 * An edit made while looking at a phase, as an edit of the whole machine. In the later phase nothing of the first is
 * lost: what is taken out there stays in the machine as first built, what is added comes only later.
 */
export function editIn(machine: Machine, phase: Phase, edit: MachineEdit): MachineEdit {
  if (!machine.later || phase === 'now') return edit;
  const item = 'item' in edit && typeof edit.item === 'string' ? find(machine, edit.item) : undefined;
  switch (edit.kind) {
    case 'add':
      return { kind: 'add', item: { ...edit.item, id: unused(machine, edit.item.id), phase: 'later' } };
    case 'remove':
      // what the later phase does not have cannot be taken out there
      return item?.phase === 'later' ? edit : { kind: 'phase', item: edit.item, phase: 'now' };
    case 'swap': {
      if (!item || item.phase === 'later' || item.part === edit.part) return edit;
      if (item.phase === 'now') return { kind: 'phase', item: item.id, phase: 'now' };
      const id = unused(machine, `${item.id}-later`);
      const { standsInFor: _standIn, owned: _owned, ...rest } = item;
      return {
        kind: 'several',
        edits: [
          { kind: 'phase', item: item.id, phase: 'now' },
          { kind: 'add', item: { ...rest, id, part: edit.part, label: edit.label, phase: 'later' } },
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

const find = (machine: Machine, id: string): Item | undefined => machine.items.find((item) => item.id === id);

const unused = (machine: Machine, id: string): string => firstFree(numbered(id), idIn(machine.items));
