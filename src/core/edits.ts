import { z } from 'zod';
import { briefFiguresSchema, sittingSchema, mustHavesSchema, type Brief } from './brief';
import { driveRole, itemSchema, type Item, type Machine } from './machine';
import { idText, partIdSchema, plainText } from './parts/common';
import { taskSchema } from './work/tasks';

/** Changes of a machine as values: they can be applied, previewed, priced, stored and offered again. */
export const machineEditSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('swap'), item: idText, part: partIdSchema, label: plainText() }),
  z.strictObject({ kind: z.literal('add'), item: itemSchema }),
  z.strictObject({ kind: z.literal('remove'), item: idText }),
  z.strictObject({ kind: z.literal('pin'), item: idText, slot: idText }),
  z.strictObject({ kind: z.literal('unpin'), item: idText }),
  z.strictObject({ kind: z.literal('roles'), item: idText, roles: z.array(driveRole) }),
  z.strictObject({ kind: z.literal('own'), item: idText, owned: z.boolean() }),
  z.strictObject({ kind: z.literal('memory-profile'), profile: z.enum(['on', 'off']) }),
  z.strictObject({ kind: z.literal('rename'), name: plainText(80) }),
]);
export type MachineEdit = z.infer<typeof machineEditSchema>;

const replaceItem = (machine: Machine, id: string, change: (item: Item) => Item): Machine => {
  const items = machine.items.map((item) => (item.id === id ? change(item) : item));
  return items.every((item, i) => item === machine.items[i]) ? machine : { ...machine, items };
};

const without = <V>(record: Readonly<Record<string, V>> | undefined, key: string): Record<string, V> =>
  Object.fromEntries(Object.entries(record ?? {}).filter(([k]) => k !== key));

/** Applies an edit; an edit that changes nothing (or names an item that is gone) gives back the same machine. */
export function editMachine(machine: Machine, edit: MachineEdit): Machine {
  switch (edit.kind) {
    case 'swap':
      return replaceItem(machine, edit.item, (item) => {
        if (item.part === edit.part) return item;
        const { standsInFor: _standIn, owned: _owned, ...rest } = item;
        return { ...rest, part: edit.part, label: edit.label, ...(machine.present ? { owned: true } : {}) };
      });
    case 'add':
      return machine.items.some((item) => item.id === edit.item.id)
        ? machine
        : { ...machine, items: [...machine.items, machine.present ? { ...edit.item, owned: true } : edit.item] };
    case 'remove':
      return machine.items.some((item) => item.id === edit.item)
        ? {
            ...machine,
            items: machine.items.filter((item) => item.id !== edit.item),
            pins: without(machine.pins, edit.item),
          }
        : machine;
    case 'pin':
      return machine.pins?.[edit.item] === edit.slot || !machine.items.some((item) => item.id === edit.item)
        ? machine
        : { ...machine, pins: { ...machine.pins, [edit.item]: edit.slot } };
    case 'unpin':
      return machine.pins?.[edit.item] === undefined ? machine : { ...machine, pins: without(machine.pins, edit.item) };
    case 'roles':
      return replaceItem(machine, edit.item, (item) =>
        item.roles?.join() === edit.roles.join() ? item : { ...item, roles: edit.roles },
      );
    case 'own':
      return replaceItem(machine, edit.item, (item) => {
        if ((item.owned ?? false) === edit.owned) return item;
        const { owned: _owned, ...rest } = item;
        return edit.owned ? { ...rest, owned: true } : rest;
      });
    case 'memory-profile':
      return (machine.memoryProfile ?? 'on') === edit.profile ? machine : { ...machine, memoryProfile: edit.profile };
    case 'rename':
      return machine.name === edit.name ? machine : { ...machine, name: edit.name };
  }
}

/** An id for a new item of a kind that the machine does not use yet: "drive-3". */
export function freshItemId(machine: Machine, kind: string): string {
  const used = new Set(machine.items.map((item) => item.id));
  for (let n = 1; ; n++) if (!used.has(`${kind}-${n}`)) return `${kind}-${n}`;
}

/** Changes of a brief as values. */
export const briefEditSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('set-task'), task: taskSchema }),
  z.strictObject({ kind: z.literal('add-task'), task: taskSchema, sitting: idText.optional() }),
  z.strictObject({ kind: z.literal('remove-task'), task: idText }),
  z.strictObject({ kind: z.literal('set-sitting'), sitting: sittingSchema }),
  z.strictObject({ kind: z.literal('remove-sitting'), sitting: idText }),
  z.strictObject({ kind: z.literal('set-budget'), budgetMinor: z.number().int().positive().optional() }),
  z.strictObject({ kind: z.literal('set-must-haves'), mustHaves: mustHavesSchema }),
  z.strictObject({ kind: z.literal('set-displays'), ownedDisplays: z.array(partIdSchema).max(20) }),
  z.strictObject({ kind: z.literal('set-figures'), figures: briefFiguresSchema }),
]);
export type BriefEdit = z.infer<typeof briefEditSchema>;

/** Applies an edit to a brief; sittings never keep a task that is gone, nor stay behind empty. */
export function editBrief(brief: Brief, edit: BriefEdit): Brief {
  switch (edit.kind) {
    case 'set-task':
      return { ...brief, tasks: brief.tasks.map((task) => (task.id === edit.task.id ? edit.task : task)) };
    case 'add-task':
      if (brief.tasks.some((task) => task.id === edit.task.id)) return brief;
      return {
        ...brief,
        tasks: [...brief.tasks, edit.task],
        sittings: brief.sittings.map((sitting) =>
          sitting.id === edit.sitting ? { ...sitting, tasks: [...sitting.tasks, edit.task.id] } : sitting,
        ),
      };
    case 'remove-task':
      return {
        ...brief,
        tasks: brief.tasks.filter((task) => task.id !== edit.task),
        sittings: brief.sittings
          .map((sitting) => ({ ...sitting, tasks: sitting.tasks.filter((id) => id !== edit.task) }))
          .filter((sitting) => sitting.tasks.length > 0),
      };
    case 'set-sitting':
      return {
        ...brief,
        sittings: brief.sittings.some((sitting) => sitting.id === edit.sitting.id)
          ? brief.sittings.map((sitting) => (sitting.id === edit.sitting.id ? edit.sitting : sitting))
          : [...brief.sittings, edit.sitting],
      };
    case 'remove-sitting':
      return { ...brief, sittings: brief.sittings.filter((sitting) => sitting.id !== edit.sitting) };
    case 'set-budget': {
      const { budgetMinor: _before, ...rest } = brief;
      return edit.budgetMinor === undefined ? rest : { ...rest, budgetMinor: edit.budgetMinor };
    }
    case 'set-must-haves':
      return { ...brief, mustHaves: edit.mustHaves };
    case 'set-displays':
      return brief.ownedDisplays.join() === edit.ownedDisplays.join()
        ? brief
        : { ...brief, ownedDisplays: edit.ownedDisplays };
    case 'set-figures':
      return {
        ...brief,
        ...Object.fromEntries(Object.entries(edit.figures).filter(([, value]) => value !== undefined)),
      };
  }
}

export function freshTaskId(brief: Brief, kind: string): string {
  const used = new Set(brief.tasks.map((task) => task.id));
  for (let n = 1; ; n++) if (!used.has(`${kind}-${n}`)) return `${kind}-${n}`;
}
