import type { Topology } from './board';

/** A contradiction inside a topology, with its place in the file. */
export interface TopologyProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** Everything that is wrong with a topology: loops, unknown places, modes that add lanes, one id used twice. */
export function topologyProblems(topology: Topology): TopologyProblem[] {
  const problems: TopologyProblem[] = [];
  const say = (path: (string | number)[], message: string) => problems.push({ path, message });
  const hubs = new Map(topology.hubs.map((hub) => [hub.id, hub]));
  const slots = new Map(topology.slots.map((slot) => [slot.id, slot]));
  const ids = new Set(['cpu']);
  const once = (id: string, path: (string | number)[]) => {
    if (ids.has(id)) say(path, `the id "${id}" is used twice in this topology`);
    ids.add(id);
  };
  topology.hubs.forEach((hub, i) => once(hub.id, ['hubs', i, 'id']));
  topology.slots.forEach((slot, i) => once(slot.id, ['slots', i, 'id']));
  (topology.integrated ?? []).forEach((item, i) => once(item.id, ['integrated', i, 'id']));

  topology.hubs.forEach((hub, i) => {
    const seen = new Set([hub.id]);
    for (let at = hub.on; at !== 'cpu';) {
      const next = hubs.get(at);
      if (!next) return say(['hubs', i, 'on'], `hub "${hub.id}" hangs on "${at}", which is neither cpu nor a hub`);
      if (seen.has(at))
        return say(['hubs', i, 'on'], `hub "${hub.id}" hangs on itself through "${at}"; a topology is a tree`);
      seen.add(at);
      at = next.on;
    }
  });
  const onSomething = (on: string) => on === 'cpu' || hubs.has(on);
  topology.slots.forEach((slot, i) => {
    if (!onSomething(slot.on))
      say(['slots', i, 'on'], `slot "${slot.id}" hangs on "${slot.on}", which is neither cpu nor a hub`);
    if (slot.lanes && slot.mechanicalLanes && slot.lanes > slot.mechanicalLanes)
      say(
        ['slots', i, 'lanes'],
        `slot "${slot.id}" has ${slot.lanes} lanes in a connector for ${slot.mechanicalLanes}`,
      );
    if (slot.kind !== 'sata' && (slot.lanes === undefined || slot.generation === undefined))
      say(
        ['slots', i],
        `slot "${slot.id}" needs its lanes and generation; leave the whole topology out when they are unknown`,
      );
    if (slot.kind === 'card' && slot.row === undefined) say(['slots', i, 'row'], `card slot "${slot.id}" has no row`);
  });
  (topology.integrated ?? []).forEach((item, i) => {
    if (!onSomething(item.on))
      say(['integrated', i, 'on'], `"${item.id}" hangs on "${item.on}", which is neither cpu nor a hub`);
  });
  (topology.sharedPorts ?? []).forEach((port, p) =>
    port.modes.forEach((mode, m) => {
      const total = Object.values(mode.lanes).reduce((sum, n) => sum + n, 0);
      if (total > port.lanes)
        say(
          ['sharedPorts', p, 'modes', m],
          `mode ${mode.name} hands out ${total} lanes; port "${port.id}" has ${port.lanes}`,
        );
      for (const [id, n] of Object.entries(mode.lanes)) {
        const slot = slots.get(id);
        if (!slot)
          say(['sharedPorts', p, 'modes', m, id], `mode ${mode.name} names slot "${id}", which this board lacks`);
        else if (n > (slot.mechanicalLanes ?? slot.lanes ?? 16))
          say(
            ['sharedPorts', p, 'modes', m, id],
            `mode ${mode.name} gives slot "${id}" ${n} lanes, more than its connector has`,
          );
      }
    }),
  );
  (topology.exclusions ?? []).forEach((rule, i) => {
    for (const id of [rule.slot, ...rule.off])
      if (!slots.has(id)) say(['exclusions', i], `an exclusion names slot "${id}", which this board lacks`);
  });
  return problems;
}
