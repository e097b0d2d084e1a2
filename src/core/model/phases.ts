import { FIRST, type Item, type Machine, type Phase } from './machine';

const views = new WeakMap<Machine, Map<string, Machine>>();

/** Ids of all phases of a machine, the first included. */
export const phasesOf = ({ phases }: Pick<Machine, 'phases'>): string[] => [
  FIRST,
  ...(phases ?? []).map(({ id }) => id),
];

/** What a phase is called; nothing for the machine as built first. */
export const phaseOf = ({ phases }: Pick<Machine, 'phases'>, id: string): Phase | undefined =>
  phases?.find((phase) => phase.id === id);

/** Whether an item is there in the phase of that place in the order. */
const standsIn = ({ from, until }: Item, order: readonly string[], at: number): boolean =>
  (from === undefined ? 0 : order.indexOf(from)) <= at && (until === undefined || order.indexOf(until) > at);

/**
 * The machine as it stands in one of its phases: a machine like any other, so that every rule and prediction runs on
 * it. What was there in the phase before counts as owned, so the price of a phase is what it adds. The same machine gives
 * the same object each time. A phase that is not there is the first.
 */
export function inPhase(machine: Machine, phase: string): Machine {
  if (!machine.phases) return machine;
  let known = views.get(machine);
  if (!known) views.set(machine, (known = new Map()));
  let view = known.get(phase);
  if (!view) known.set(phase, (view = viewOf(machine, phase)));
  return view;
}

function viewOf(machine: Machine, phase: string): Machine {
  const { phases: _phases, pins, moduleSlots, ...rest } = machine;
  const order = phasesOf(machine);
  const at = Math.max(0, order.indexOf(phase));
  const items = machine.items.flatMap((item): Item[] => {
    if (!standsIn(item, order, at)) return [];
    const stood = at > 0 && !item.owned && standsIn(item, order, at - 1);
    return [stood ? { ...item, owned: true, stood } : item];
  });
  const there = new Set(items.map((item) => item.id));
  const kept = <V>(record: Readonly<Record<string, V>>): Record<string, V> =>
    Object.fromEntries(Object.entries(record).filter(([id]) => there.has(id)));
  return {
    ...rest,
    items,
    ...(pins ? { pins: kept(pins) } : {}),
    ...(moduleSlots ? { moduleSlots: kept(moduleSlots) } : {}),
  };
}

/** Fields that say in which phases an item is there: what is taken out of a plan has none of them. */
export const plainItem = ({ from: _from, until: _until, ...item }: Item): Item => item;
