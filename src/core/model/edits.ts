import { listOf, priceMinor } from '../units/bounds';
import { counted, firstFree, idIn } from '../units/free';
import { measurementSchema } from './measurement';
import { z } from 'zod';
import { briefFiguresSchema, sittingSchema, mustHavesSchema, type Brief } from './brief';
import { handPriceSchema, paidSchema } from './offers';
import type { PartKind } from '../parts';
import { sideSchema } from '../parts/case';
import { driveRole } from '../figures/resources';
import {
  doneSchema,
  FIRST,
  itemSchema,
  phaseSchema,
  readingSchema,
  resaleSchema,
  tuningSchema,
  type Item,
  type Machine,
} from './machine';
import { idText, partIdSchema, plainText } from '../parts/common';
import { phasesOf } from './phases';
import { taskSchema } from './tasks';

/** Changes that one step may hold: every part of a machine taken out, and as many put in. */
const MOST_AT_ONCE = 120;

const singleEditSchemas = [
  z.strictObject({ kind: z.literal('swap'), item: idText, part: partIdSchema, label: plainText() }),
  z.strictObject({ kind: z.literal('add'), item: itemSchema }),
  z.strictObject({ kind: z.literal('remove'), item: idText }),
  z.strictObject({ kind: z.literal('pin'), item: idText, slot: idText }),
  z.strictObject({ kind: z.literal('unpin'), item: idText }),
  z.strictObject({ kind: z.literal('roles'), item: idText, roles: listOf(driveRole, 10) }),
  z.strictObject({ kind: z.literal('own'), item: idText, owned: z.boolean() }),
  /** Sets a price by hand, or takes it away. */
  z.strictObject({ kind: z.literal('hand-price'), item: idText, handPrice: handPriceSchema.optional() }),
  /** Keeps what was really paid, or takes it away. */
  z.strictObject({ kind: z.literal('paid'), item: idText, paid: paidSchema.optional() }),
  /** Says what becomes of a part that is replaced, all of it; nothing leaves it to be sold as it is usual. */
  z.strictObject({ kind: z.literal('resale'), item: idText, resale: resaleSchema.optional() }),
  z.strictObject({ kind: z.literal('memory-profile'), profile: z.enum(['on', 'off']) }),
  z.strictObject({ kind: z.literal('rename'), name: plainText(80) }),
  z.strictObject({ kind: z.literal('stand'), item: idText, upright: z.boolean() }),
  /** Seats a kit's modules by hand; no slots lets the fill order decide again. */
  z.strictObject({ kind: z.literal('seat-modules'), item: idText, slots: z.array(idText).max(32) }),
  /** Firmware the board has or will have before its first start; none means as shipped. */
  z.strictObject({ kind: z.literal('firmware'), version: plainText(20).optional() }),
  /** From which phase on an item is there, and in which no longer; from the first and to the last when not said. */
  z.strictObject({ kind: z.literal('span'), item: idText, from: idText.optional(), until: idText.optional() }),
  /** Puts a fan or radiator on a side of the case; without a side the app finds one again. */
  z.strictObject({ kind: z.literal('side'), item: idText, side: sideSchema.optional() }),
  /** Sets what firmware and driver are set to; what is left out is as the makers ship it. */
  z.strictObject({ kind: z.literal('tune'), tuning: tuningSchema }),
  /** What was measured on this machine, all of it. */
  z.strictObject({ kind: z.literal('evidence'), evidence: z.array(measurementSchema).max(500) }),
  /** Opens a phase behind the others, or renames and dates the one of that id. */
  z.strictObject({ kind: z.literal('set-phase'), phase: phaseSchema }),
  /** Drops a phase and what it changes: what comes with it, and that something goes in it. */
  z.strictObject({ kind: z.literal('drop-phase'), phase: idText }),
  /** Marks a step of the assembly as done, or takes that back. */
  z.strictObject({ kind: z.literal('assembled'), step: plainText(120), done: doneSchema.optional() }),
  /** Keeps what was read of an acceptance test, or takes it away. */
  z.strictObject({ kind: z.literal('proven'), test: plainText(160), reading: readingSchema.optional() }),
  /** The machine is handed over: it is there from now on, and all of it is owned. */
  z.strictObject({ kind: z.literal('handed-over') }),
  /** Keeps the serial number of a part, or takes it away. */
  z.strictObject({ kind: z.literal('serial'), item: idText, serial: plainText(60).optional() }),
] as const;

/** Changes of a machine as values: they can be applied, previewed, priced, stored and offered again. */
export const machineEditSchema = z.discriminatedUnion('kind', [
  ...singleEditSchemas,
  /** Changes that only make sense together: one step to undo. */
  z.strictObject({
    kind: z.literal('several'),
    edits: z.array(z.discriminatedUnion('kind', singleEditSchemas)).min(1).max(MOST_AT_ONCE),
  }),
]);
export type MachineEdit = z.infer<typeof machineEditSchema>;

const replaceItem = (machine: Machine, id: string, change: (item: Item) => Item): Machine => {
  const items = machine.items.map((item) => (item.id === id ? change(item) : item));
  return items.every((item, i) => item === machine.items[i]) ? machine : { ...machine, items };
};

const without = <V>(record: Readonly<Record<string, V>> | undefined, key: string): Record<string, V> =>
  Object.fromEntries(Object.entries(record ?? {}).filter(([k]) => k !== key));

/** What another part in an item's place takes over: all that was not said of the part itself. */
export function itsPlace(item: Item): Item {
  const {
    standsInFor: _standIn,
    standInRange: _range,
    fixed: _fixed,
    owned: _owned,
    handPrice: _price,
    paid: _paid,
    resale: _resale,
    ...rest
  } = item;
  return rest;
}

/** Kinds that a machine has once: another of the kind takes the place of the one that is there. */
export const ONCE: ReadonlySet<PartKind> = new Set(['processor', 'board', 'supply', 'case', 'cooler', 'system']);

/** Applies an edit; an edit that changes nothing (or names an item that is gone) gives back the same machine. */
export function editMachine(machine: Machine, edit: MachineEdit): Machine {
  switch (edit.kind) {
    case 'swap':
      return replaceItem(machine, edit.item, (item) => {
        if (item.part === edit.part) return item;
        return { ...itsPlace(item), part: edit.part, label: edit.label, ...(machine.present ? { owned: true } : {}) };
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
            ...(machine.pins ? { pins: without(machine.pins, edit.item) } : {}),
            ...(machine.moduleSlots ? { moduleSlots: without(machine.moduleSlots, edit.item) } : {}),
          }
        : machine;
    case 'evidence': {
      if (JSON.stringify(machine.evidence ?? []) === JSON.stringify(edit.evidence)) return machine;
      const { evidence: _before, ...rest } = machine;
      return edit.evidence.length === 0 ? rest : { ...rest, evidence: edit.evidence };
    }
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
    case 'hand-price':
      return replaceItem(machine, edit.item, (item) => {
        if (JSON.stringify(item.handPrice) === JSON.stringify(edit.handPrice)) return item;
        const { handPrice: _before, ...rest } = item;
        return edit.handPrice ? { ...rest, handPrice: edit.handPrice } : rest;
      });
    case 'paid':
      return replaceItem(machine, edit.item, (item) => {
        if (JSON.stringify(item.paid) === JSON.stringify(edit.paid)) return item;
        const { paid: _before, ...rest } = item;
        return edit.paid ? { ...rest, paid: edit.paid } : rest;
      });
    case 'resale':
      return replaceItem(machine, edit.item, (item) => {
        if (JSON.stringify(item.resale) === JSON.stringify(edit.resale)) return item;
        const { resale: _before, ...rest } = item;
        return edit.resale && Object.keys(edit.resale).length > 0 ? { ...rest, resale: edit.resale } : rest;
      });
    case 'memory-profile':
      return (machine.memoryProfile ?? 'on') === edit.profile ? machine : { ...machine, memoryProfile: edit.profile };
    case 'rename':
      return machine.name === edit.name ? machine : { ...machine, name: edit.name };
    case 'stand':
      return replaceItem(machine, edit.item, (item) => {
        if ((item.upright ?? false) === edit.upright) return item;
        const { upright: _upright, ...rest } = item;
        return edit.upright ? { ...rest, upright: true } : rest;
      });
    case 'side':
      return replaceItem(machine, edit.item, (item) => {
        if (item.side === edit.side) return item;
        const { side: _side, ...rest } = item;
        return edit.side === undefined ? rest : { ...rest, side: edit.side };
      });
    case 'tune': {
      if (JSON.stringify(machine.tuning ?? {}) === JSON.stringify(edit.tuning)) return machine;
      const { tuning: _tuning, ...rest } = machine;
      return Object.keys(edit.tuning).length === 0 ? rest : { ...rest, tuning: edit.tuning };
    }
    case 'seat-modules':
      if (
        !machine.items.some((item) => item.id === edit.item) ||
        (machine.moduleSlots?.[edit.item] ?? []).join() === edit.slots.join()
      )
        return machine;
      return {
        ...machine,
        moduleSlots:
          edit.slots.length > 0
            ? { ...machine.moduleSlots, [edit.item]: edit.slots }
            : without(machine.moduleSlots, edit.item),
      };
    case 'firmware': {
      if (machine.firmware === edit.version) return machine;
      const { firmware: _firmware, ...rest } = machine;
      return edit.version === undefined ? rest : { ...rest, firmware: edit.version };
    }
    case 'span':
      return spanned(machine, edit);
    case 'set-phase': {
      const phases = machine.phases ?? [];
      const before = phases.find(({ id }) => id === edit.phase.id);
      if (!before) return { ...machine, phases: [...phases, edit.phase] };
      return JSON.stringify(before) === JSON.stringify(edit.phase)
        ? machine
        : { ...machine, phases: phases.map((phase) => (phase === before ? edit.phase : phase)) };
    }
    case 'drop-phase':
      return withoutPhase(machine, edit.phase);
    case 'assembled':
      return noted(machine, 'assembly', edit.step, edit.done);
    case 'proven':
      return noted(machine, 'proof', edit.test, edit.reading);
    case 'handed-over':
      return machine.present === true
        ? machine
        : {
            ...machine,
            present: true,
            items: machine.items.map((item) => (item.owned ? item : { ...item, owned: true })),
          };
    case 'serial':
      return noted(machine, 'serials', edit.item, edit.serial);
    case 'several':
      return edit.edits.reduce<Machine>(editMachine, machine);
  }
}

/** What is noted beside a machine under a name: put in, put otherwise, or taken away; the same again is no change. */
function noted<F extends 'assembly' | 'proof' | 'serials'>(
  machine: Machine,
  field: F,
  key: string,
  value: NonNullable<Machine[F]>[string] | undefined,
): Machine {
  const { [field]: notes, ...rest } = machine;
  if (JSON.stringify(notes?.[key]) === JSON.stringify(value)) return machine;
  const left = value === undefined ? without<unknown>(notes, key) : { ...notes, [key]: value };
  return Object.keys(left).length > 0 ? { ...machine, [field]: left } : (rest as Machine);
}

/** An item from one phase to another; a phase that the machine lacks, or an end before the beginning, changes nothing. */
function spanned(machine: Machine, { item: id, from, until }: Extract<MachineEdit, { kind: 'span' }>): Machine {
  const order = phasesOf(machine);
  const begins = order.indexOf(from ?? FIRST);
  const ends = until === undefined ? order.length : order.indexOf(until);
  if (begins < 0 || ends <= begins) return machine;
  return replaceItem(machine, id, (item) => {
    const first = begins === 0 ? undefined : from;
    if (item.from === first && item.until === until) return item;
    const { from: _from, until: _until, ...rest } = item;
    return { ...rest, ...(first === undefined ? {} : { from: first }), ...(until === undefined ? {} : { until }) };
  });
}

function withoutPhase(machine: Machine, phase: string): Machine {
  const { phases = [], pins, moduleSlots, ...rest } = machine;
  const left = phases.filter(({ id }) => id !== phase);
  if (left.length === phases.length) return machine;
  const items = machine.items.flatMap(({ until, ...item }): Item[] =>
    item.from === phase ? [] : [until === undefined || until === phase ? item : { ...item, until }],
  );
  const gone = machine.items.filter(({ from }) => from === phase).map(({ id }) => id);
  const kept = <V>(record: Readonly<Record<string, V>>): Record<string, V> =>
    gone.reduce<Record<string, V>>((all, id) => without(all, id), { ...record });
  return {
    ...rest,
    items,
    ...(left.length > 0 ? { phases: left } : {}),
    ...(pins ? { pins: kept(pins) } : {}),
    ...(moduleSlots ? { moduleSlots: kept(moduleSlots) } : {}),
  };
}

/** An id for a new phase that the machine does not use yet: "phase-2". */
export const freshPhaseId = ({ phases = [] }: Pick<Machine, 'phases'>): string =>
  firstFree(counted('phase'), idIn(phases));

/** An id for a new item of a kind that the machine does not use yet: "drive-3". */
export const freshItemId = (machine: Machine, kind: string): string => firstFree(counted(kind), idIn(machine.items));

/** Figures of a brief that may be left open. */
export const OPEN_FIGURES = ['neededBy', 'hourMinor', 'overListPercent', 'router'] as const;

/** Changes of a brief as values. */
export const briefEditSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('set-task'), task: taskSchema }),
  z.strictObject({ kind: z.literal('add-task'), task: taskSchema, sitting: idText.optional() }),
  z.strictObject({ kind: z.literal('remove-task'), task: idText }),
  /** Takes a task out of the sitting `from` and puts it into `to`, before another task or last; neither is no sitting. */
  z.strictObject({
    kind: z.literal('move-task'),
    task: idText,
    from: idText.optional(),
    to: idText.optional(),
    before: idText.optional(),
  }),
  z.strictObject({ kind: z.literal('set-sitting'), sitting: sittingSchema }),
  z.strictObject({ kind: z.literal('remove-sitting'), sitting: idText }),
  z.strictObject({ kind: z.literal('set-budget'), budgetMinor: priceMinor().optional() }),
  z.strictObject({ kind: z.literal('set-must-haves'), mustHaves: mustHavesSchema }),
  z.strictObject({ kind: z.literal('set-displays'), ownedDisplays: z.array(partIdSchema).max(20) }),
  z.strictObject({ kind: z.literal('set-figures'), figures: briefFiguresSchema }),
  /** Takes a figure away that may be left open. */
  z.strictObject({ kind: z.literal('unset-figure'), figure: z.enum(OPEN_FIGURES) }),
  /** Which options of a branded machine are taken. */
  z.strictObject({ kind: z.literal('rival-options'), rival: idText, options: z.array(idText).max(40) }),
]);
export type BriefEdit = z.infer<typeof briefEditSchema>;

/**
 * Applies an edit to a brief; sittings never keep a task that is gone, nor stay behind empty. An edit that changes nothing
 * gives back the same brief.
 */
export function editBrief(brief: Brief, edit: BriefEdit): Brief {
  const changed = briefWith(brief, edit);
  return JSON.stringify(changed) === JSON.stringify(brief) ? brief : changed;
}

/** A list with an entry put before another one, or last; it stands in it once. */
function putBefore(list: readonly string[], entry: string, before: string | undefined): string[] {
  const others = list.filter((other) => other !== entry);
  const at = before === undefined ? -1 : others.indexOf(before);
  return at === -1 ? [...others, entry] : others.toSpliced(at, 0, entry);
}

function movedTask(brief: Brief, { task, from, to, before }: Extract<BriefEdit, { kind: 'move-task' }>): Brief {
  const known = ({ id }: { readonly id: string }) => id === to;
  if (!brief.tasks.some(({ id }) => id === task) || (to !== undefined && !brief.sittings.some(known))) return brief;
  const order = putBefore(
    brief.tasks.map(({ id }) => id),
    task,
    before,
  );
  return {
    ...brief,
    // in no sitting, tasks stand in the order of the brief
    tasks:
      to === undefined
        ? order.flatMap((id) => brief.tasks.find((candidate) => candidate.id === id) ?? [])
        : brief.tasks,
    sittings: brief.sittings
      .map((sitting) => {
        if (sitting.id === to) return { ...sitting, tasks: putBefore(sitting.tasks, task, before) };
        return sitting.id === from ? { ...sitting, tasks: sitting.tasks.filter((id) => id !== task) } : sitting;
      })
      .filter((sitting) => sitting.tasks.length > 0),
  };
}

function briefWith(brief: Brief, edit: BriefEdit): Brief {
  switch (edit.kind) {
    case 'set-task':
      return { ...brief, tasks: brief.tasks.map((task) => (task.id === edit.task.id ? edit.task : task)) };
    case 'add-task':
      if (brief.tasks.some(({ id }) => id === edit.task.id)) return brief;
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
    case 'move-task':
      return movedTask(brief, edit);
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
      if (edit.budgetMinor !== undefined) return { ...brief, budgetMinor: edit.budgetMinor };
      const { budgetMinor: _before, ...rest } = brief;
      return rest;
    }
    case 'set-must-haves':
      return { ...brief, mustHaves: edit.mustHaves };
    case 'set-displays':
      return { ...brief, ownedDisplays: edit.ownedDisplays };
    case 'unset-figure': {
      const { [edit.figure]: _before, ...rest } = brief;
      return rest as Brief;
    }
    case 'rival-options': {
      const before = brief.rivals ?? [];
      const chosen = { rival: edit.rival, options: edit.options };
      const rivals = (
        before.some(({ rival }) => rival === edit.rival)
          ? before.map((entry) => (entry.rival === edit.rival ? chosen : entry))
          : [...before, chosen]
      ).filter(({ options }) => options.length > 0);
      if (rivals.length > 0) return { ...brief, rivals };
      const { rivals: _before, ...rest } = brief;
      return rest;
    }
    case 'set-figures':
      return {
        ...brief,
        ...Object.fromEntries(Object.entries(edit.figures).filter(([, value]) => value !== undefined)),
      };
  }
}

export const freshTaskId = (brief: Brief, kind: string): string => firstFree(counted(kind), idIn(brief.tasks));

export const freshSittingId = (brief: Brief): string =>
  firstFree(counted('sitting', brief.sittings.length + 1), idIn(brief.sittings));

/**
 * A machine after an edit whose new parts are bought. Into a machine that stands a person puts what is there already, as
 * owned; what is only tried on it has its price.
 */
export function purchased(machine: Machine, edit: MachineEdit): Machine {
  const changed = editMachine(machine, edit);
  if (machine.present !== true || changed === machine) return changed;
  const partOf = new Map(machine.items.map(({ id, part }) => [id, part]));
  return {
    ...changed,
    items: changed.items.map((item) => {
      if (partOf.get(item.id) === item.part) return item;
      const { owned: _owned, ...rest } = item;
      return rest;
    }),
  };
}
