import { topologyProblems } from '../parts/topology';
import type { SlotSpec, Topology } from '../parts/board';
import { linkBytesPerS } from '../units/links';
import { fedBy, type Roots } from './roots';

/** A slot with its place in the tree resolved. */
export interface Slot {
  readonly id: string;
  readonly label: string;
  readonly kind: SlotSpec['kind'];
  readonly generation: number;
  /** Lanes without any mode; a mode may give it fewer. */
  readonly lanes: number;
  readonly mechanicalLanes: number;
  readonly row: number | undefined;
  readonly lengthsMm: readonly number[] | undefined;
  readonly takesSata: boolean;
  /** Hubs from the slot up to the processor; empty when it hangs on the processor. */
  readonly path: readonly string[];
  /** Slots with the same key are interchangeable for the placement search. */
  readonly twinKey: string;
  readonly order: number;
  /** Links of four lanes it can be split into for a card that carries drives; undefined when not stated. */
  readonly splits: number | undefined;
  /** Height under the board's own cover, mm; undefined when there is none or it is not stated. */
  readonly roomMm: number | undefined;
  /** The cover can be left off. */
  readonly coverComesOff: boolean;
}

export interface Hub {
  readonly id: string;
  readonly label: string;
  readonly on: string;
  readonly uplink: { readonly generation: number; readonly lanes: number };
  readonly uplinkBytesPerS: number;
}

/** Slots fed by one port: the lanes each gets in each mode. */
export interface SharedPort {
  readonly id: string;
  readonly modes: readonly { readonly name: string; readonly lanes: ReadonlyMap<string, number> }[];
}

export interface Board {
  /** Distinguishes compiled boards: equal keys are equal boards. */
  readonly key: string;
  readonly slots: readonly Slot[];
  readonly slotById: ReadonlyMap<string, Slot>;
  readonly hubs: ReadonlyMap<string, Hub>;
  readonly sharedPorts: readonly SharedPort[];
  /** slot → slots that it switches off */
  readonly exclusions: ReadonlyMap<string, readonly string[]>;
  readonly integrated: readonly {
    readonly id: string;
    readonly label: string;
    readonly kind: string;
    readonly path: readonly string[];
    readonly bytesPerS: number;
  }[];
}

/** A slot may stand in several exclusions; each of them counts. */
function merged(rules: readonly { slot: string; off: readonly string[] }[]): Map<string, string[]> {
  const all = new Map<string, string[]>();
  for (const { slot, off } of rules) all.set(slot, [...(all.get(slot) ?? []), ...off]);
  return all;
}

/** A mode's lanes when the processor feeds the port fewer than it has: each slot gets its share, as the lanes are split. */
function dealtBy(
  asked: Readonly<Record<string, number>>,
  fed: number,
  off: ReadonlySet<string>,
): ReadonlyMap<string, number> {
  const wanted = Object.values(asked).reduce((all, lanes) => all + lanes, 0);
  const share = Math.min(1, wanted > 0 ? fed / wanted : 1);
  return new Map(Object.entries(asked).map(([id, lanes]) => [id, off.has(id) ? 0 : Math.floor(lanes * share)]));
}

let compiled = 0;

/**
 * Resolves a topology once so that placement and flows only look up.
 * @throws RangeError naming the first contradiction; call `topologyProblems` first on foreign data
 */
export function compileBoard(topology: Topology, roots?: Roots): Board {
  const first = topologyProblems(topology)[0];
  if (first) throw new RangeError(`${first.path.join('.')}: ${first.message}`);
  const parent = new Map(topology.hubs.map((hub) => [hub.id, hub.on]));
  const pathFrom = (on: string): string[] => (on === 'cpu' ? [] : [on, ...pathFrom(parent.get(on) ?? 'cpu')]);
  const shared = topology.sharedPorts ?? [];
  const exclusions = topology.exclusions ?? [];
  const off = new Set(roots?.off);
  const fed = roots ? fedBy(topology, roots) : undefined;
  /** Slot → the shared port that feeds it. */
  const portOf = new Map(
    shared.flatMap((port) => port.modes.flatMap((mode) => Object.keys(mode.lanes).map((id) => [id, port] as const))),
  );
  const special = new Set([
    ...off,
    ...shared.flatMap((port) => port.modes.flatMap((mode) => Object.keys(mode.lanes))),
    ...exclusions.flatMap((rule) => [rule.slot, ...rule.off]),
  ]);
  const slots = topology.slots.map((spec, order): Slot => {
    // only SATA ports may leave these out (topologyProblems refuses the rest), and theirs are never used
    // only slots at the root are held to the processor's links: hubs hang on links of their own
    const port = spec.on === 'cpu' && spec.kind !== 'sata' ? (portOf.get(spec.id)?.id ?? spec.id) : undefined;
    const given = port === undefined ? undefined : fed?.get(port);
    const lanes = off.has(spec.id) ? 0 : Math.min(spec.lanes ?? 1, given?.lanes ?? Infinity);
    const generation = Math.min(spec.generation ?? 1, given?.generation ?? Infinity);
    return {
      id: spec.id,
      label: spec.label,
      kind: spec.kind,
      generation,
      lanes,
      mechanicalLanes: spec.mechanicalLanes ?? spec.lanes ?? 1,
      row: spec.row,
      lengthsMm: spec.lengthsMm,
      takesSata: spec.kind === 'sata' || (spec.takesSata ?? false),
      path: pathFrom(spec.on),
      twinKey:
        special.has(spec.id) || spec.row !== undefined
          ? spec.id
          : [
              spec.kind,
              spec.on,
              generation,
              lanes,
              spec.lengthsMm?.join() ?? '',
              spec.takesSata ?? false,
              spec.roomMm ?? '',
              spec.coverComesOff ?? false,
            ].join('|'),
      order,
      splits: spec.splits,
      roomMm: spec.roomMm,
      coverComesOff: spec.coverComesOff ?? false,
    };
  });
  return {
    key: `board-${++compiled}`,
    slots,
    slotById: new Map(slots.map((slot) => [slot.id, slot])),
    hubs: new Map(
      topology.hubs.map((hub) => {
        const uplink = { generation: hub.generation, lanes: hub.lanes };
        return [hub.id, { id: hub.id, label: hub.label, on: hub.on, uplink, uplinkBytesPerS: linkBytesPerS(uplink) }];
      }),
    ),
    sharedPorts: shared.map((port) => ({
      id: port.id,
      modes: port.modes.map((mode) => ({
        name: mode.name,
        lanes: dealtBy(mode.lanes, fed?.get(port.id)?.lanes ?? Infinity, off),
      })),
    })),
    exclusions: merged(exclusions),
    integrated: (topology.integrated ?? []).map((item) => ({
      id: item.id,
      label: item.label,
      kind: item.kind,
      path: pathFrom(item.on),
      bytesPerS: (item.gbitPerS * 1e9) / 8,
    })),
  };
}
