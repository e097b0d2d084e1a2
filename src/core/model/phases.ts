import type { Item, Machine, Phase } from './machine';

const views = new WeakMap<Machine, Record<Phase, Machine>>();

/**
 * The machine as it stands in one of its phases: a machine like any other, so that every rule and prediction runs on
 * it. In the later phase what was there before counts as owned, so its price is what the later phase adds. The same
 * machine gives the same object each time.
 */
export function inPhase(machine: Machine, phase: Phase): Machine {
  if (!machine.later) return machine;
  let known = views.get(machine);
  if (!known) views.set(machine, (known = { now: viewOf(machine, 'now'), later: viewOf(machine, 'later') }));
  return known[phase];
}

function viewOf(machine: Machine, phase: Phase): Machine {
  const { later: _later, pins, moduleSlots, ...rest } = machine;
  const items = machine.items.flatMap((item): Item[] => {
    if (item.phase !== undefined && item.phase !== phase) return [];
    const stood = phase === 'later' && item.phase === undefined && !item.owned;
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
