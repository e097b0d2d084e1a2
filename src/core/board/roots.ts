import type { Topology } from '../parts/board';
import type { Link } from '../units/links';

/** What the processor behind a board takes away: its own links, and slots whose lanes it does not have. */
export interface Roots {
  /** Links of the processor; undefined when it does not state them, which then takes nothing away. */
  readonly links: readonly Link[] | undefined;
  readonly off: readonly string[];
}

/** What the processor gives a root port: at most the port's own. */
export interface Fed {
  readonly generation: number;
  readonly lanes: number;
}

interface Port {
  readonly id: string;
  readonly generation: number;
  readonly lanes: number;
  readonly order: number;
}

/** Ports at the processor that take lanes: slots by themselves, and shared ports as one. Hubs are fed by links of their own. */
function portsOf(topology: Topology, off: ReadonlySet<string>): Port[] {
  const shared = topology.sharedPorts ?? [];
  const dealt = new Set(shared.flatMap((port) => port.modes.flatMap((mode) => Object.keys(mode.lanes))));
  const atRoot = topology.slots.filter((slot) => slot.on === 'cpu' && slot.kind !== 'sata' && !off.has(slot.id));
  const generationOf = (ids: readonly string[]) =>
    Math.max(1, ...atRoot.flatMap((slot) => (ids.includes(slot.id) ? [slot.generation ?? 1] : [])));
  return [
    ...shared.flatMap((port, order): Port[] => {
      const ids = port.modes.flatMap((mode) => Object.keys(mode.lanes));
      return atRoot.some((slot) => ids.includes(slot.id))
        ? [{ id: port.id, generation: generationOf(ids), lanes: port.lanes, order }]
        : [];
    }),
    ...atRoot.flatMap((slot, order): Port[] =>
      dealt.has(slot.id)
        ? []
        : [{ id: slot.id, generation: slot.generation ?? 1, lanes: slot.lanes ?? 1, order: order + shared.length }],
    ),
  ];
}

/**
 * Lanes and generation that a processor's links give a board's root ports, by slot or shared port. The widest port is
 * served first, then the newest, then in the board's order. Each takes the narrowest link that is wide enough, the newest
 * of such; a link feeds several ports as long as it has lanes. A port wider than any link gets the widest. Sheets list
 * each kind of link and not always how many there are, so a port that comes too late shares the kind it would have had:
 * no slot is called dead for a short list. Ports of links that are not stated keep their own.
 */
export function fedBy(topology: Topology, roots: Roots): ReadonlyMap<string, Fed> {
  const { links } = roots;
  const ports = portsOf(topology, new Set(roots.off));
  if (!links || links.length === 0) return new Map(ports.map((port) => [port.id, port]));
  const pool = [...links]
    .sort((a, b) => a.lanes - b.lanes || b.generation - a.generation)
    .map(({ generation, lanes }) => ({ generation, lanes: lanes as number, left: lanes as number }));
  const widest = Math.max(...links.map((link) => link.lanes as number));
  const fed = new Map<string, Fed>();
  const inOrder = [...ports].sort((a, b) => b.lanes - a.lanes || b.generation - a.generation || a.order - b.order);
  for (const port of inOrder) {
    const lanes = Math.min(port.lanes, widest);
    const free = pool.find((link) => link.left >= lanes);
    // of one kind that is used up, the oldest: nobody says that there is another of the newest
    const link =
      free ??
      pool.filter((each) => each.lanes >= lanes).sort((a, b) => a.lanes - b.lanes || a.generation - b.generation)[0];
    if (!link) continue;
    if (free) free.left -= lanes;
    fed.set(port.id, { generation: Math.min(link.generation, port.generation), lanes });
  }
  return fed;
}
