import { invariant } from '../units/quantity';
import type { Board, Slot } from './compile';
import { capacityOf, shortfallOf, type End, type Flow } from './flows';
import { linkBytesPerS, negotiate, SATA_BYTES_PER_S, type Link } from './rates';

/** Something that needs a slot. Figures that are unknown stay undefined: the device is placed, its rate is unknown. */
export interface Device {
  readonly id: string;
  /** Devices with the same key are the same part doing the same work, so the search need not swap them. */
  readonly twinKey: string;
  readonly needs: 'card' | 'm2' | 'u2' | 'sata';
  /** SATA devices in an M.2 form have no lanes. */
  readonly sata: boolean;
  readonly link: Link | undefined;
  readonly rows: number;
  readonly lengthMm: number | undefined;
}

export interface PlacementProblem {
  readonly board: Board;
  readonly devices: readonly Device[];
  readonly pins: ReadonlyMap<string, string>;
  /** Expansion slots the case has; undefined when unknown (then it does not restrict). */
  readonly caseRows: number | undefined;
  /** Real-time flows of each sitting. */
  readonly sittings: readonly (readonly Flow[])[];
}

/** Why a device found no place, worst reason first. */
export type Unplaced = 'no-such-slot' | 'too-long' | 'too-wide' | 'beyond-case' | 'pin-does-not-fit' | 'taken';

export interface Placed {
  readonly slot: string;
  /** Undefined for SATA or when the device's own link is unknown. */
  readonly link: Link | undefined;
  readonly bytesPerS: number | undefined;
  /** What the device could do in the best slot there could be. */
  readonly ownBytesPerS: number | undefined;
}

/** Lexicographic loss, smaller is better: unplaced, largest shortfall, sum of shortfalls, lost peak rate in GB/s. */
export type Loss = readonly [unplaced: number, largest: number, sum: number, lostGBs: number];

export interface Placement {
  readonly placed: ReadonlyMap<string, Placed>;
  readonly unplaced: ReadonlyMap<string, Unplaced>;
  readonly modes: readonly { readonly port: string; readonly name: string }[];
  /** Lanes each slot really has in the chosen modes. */
  readonly lanes: ReadonlyMap<string, number>;
  /** Slots that are off or covered, and by which item. */
  readonly off: ReadonlyMap<string, { readonly by: string; readonly how: 'exclusion' | 'covered' | 'mode' }>;
  readonly loss: Loss;
  /** False only when the search was cut off before it had proved its answer best. */
  readonly exact: boolean;
  readonly nodes: number;
}

const EPSILON = 1e-9;

/** Negative when `a` is better; figures closer than a rounding error are equal. */
export function compareLoss(a: Loss, b: Loss): number {
  for (let i = 0; i < a.length; i++) {
    const difference = (a[i] ?? 0) - (b[i] ?? 0);
    if (Math.abs(difference) > EPSILON) return difference;
  }
  return 0;
}

const ownRate = (device: Device): number | undefined =>
  device.sata ? SATA_BYTES_PER_S : device.link && linkBytesPerS(device.link);

/** The link a device gets in a slot that has `lanes` lanes in the chosen mode. */
function linkIn(device: Device, slot: Slot, lanes: number): Link | undefined {
  return device.sata || !device.link ? undefined : negotiate(device.link, { generation: slot.generation, lanes });
}

const rateIn = (device: Device, slot: Slot, lanes: number): number | undefined => {
  if (device.sata) return SATA_BYTES_PER_S;
  const link = linkIn(device, slot, lanes);
  return link && linkBytesPerS(link);
};

/** Whether the device goes into the slot at all, leaving other devices aside; the reason when it does not. */
export function misfit(device: Device, slot: Slot, caseRows: number | undefined): Unplaced | undefined {
  if (device.needs === 'sata' ? slot.kind !== 'sata' : slot.kind !== device.needs) return 'no-such-slot';
  if (device.needs === 'm2') {
    if (device.sata && !slot.takesSata) return 'no-such-slot';
    if (device.lengthMm !== undefined && slot.lengthsMm && !slot.lengthsMm.includes(device.lengthMm)) return 'too-long';
  }
  if (device.needs === 'card') {
    if (device.link && device.link.lanes > slot.mechanicalLanes) return 'too-wide';
    if (caseRows !== undefined && slot.row !== undefined && slot.row + device.rows - 1 > caseRows) return 'beyond-case';
  }
  return undefined;
}

/** Whether two devices can sit in these two slots at once: covered rows and exclusions. */
export function clash(board: Board, a: Device, slotA: Slot, b: Device, slotB: Slot): boolean {
  if (slotA.id === slotB.id) return true;
  if (board.exclusions.get(slotA.id)?.includes(slotB.id) || board.exclusions.get(slotB.id)?.includes(slotA.id))
    return true;
  if (slotA.row === undefined || slotB.row === undefined) return false;
  return slotA.row < slotB.row + b.rows && slotB.row < slotA.row + a.rows;
}

function* modeChoices(
  board: Board,
): Generator<{ names: { port: string; name: string }[]; lanes: Map<string, number> }> {
  const choose = function* (
    index: number,
    names: { port: string; name: string }[],
    lanes: Map<string, number>,
  ): Generator<{ names: { port: string; name: string }[]; lanes: Map<string, number> }> {
    const port = board.sharedPorts[index];
    if (!port) {
      yield { names, lanes };
      return;
    }
    for (const mode of port.modes)
      yield* choose(index + 1, [...names, { port: port.id, name: mode.name }], new Map([...lanes, ...mode.lanes]));
  };
  yield* choose(0, [], new Map(board.slots.map((slot) => [slot.id, slot.lanes])));
}

/** Loss of a complete or partial assignment; devices not in `slotOf` count as unplaced only when `final`. */
export function lossOf(
  problem: PlacementProblem,
  slotOf: ReadonlyMap<string, Slot>,
  lanes: ReadonlyMap<string, number>,
): Loss {
  const { board, devices, sittings } = problem;
  const rates = new Map<string, number>();
  let unplaced = 0;
  let lost = 0;
  for (const device of devices) {
    const slot = slotOf.get(device.id);
    if (!slot) {
      unplaced++;
      continue;
    }
    const rate = rateIn(device, slot, lanes.get(slot.id) ?? 0);
    const own = ownRate(device);
    if (rate !== undefined) rates.set(slot.id, rate);
    if (rate !== undefined && own !== undefined) lost += (own - rate) / 1e9;
  }
  const { largest, sum } = worstShortfall(board, sittings, slotOf, rates);
  return [unplaced, largest, sum, lost];
}

function worstShortfall(
  board: Board,
  sittings: PlacementProblem['sittings'],
  slotOf: ReadonlyMap<string, Slot>,
  rates: ReadonlyMap<string, number>,
) {
  const endOf = (id: string): End | undefined => {
    const slot = slotOf.get(id);
    if (slot) return { link: slot.id, path: slot.path };
    const integrated = board.integrated.find((item) => item.id === id);
    return integrated && { link: integrated.id, path: integrated.path };
  };
  let largest = 0;
  let sum = 0;
  for (const flows of sittings) {
    if (flows.length === 0) continue;
    const short = shortfallOf(flows, endOf, (key) => capacityOf(board, (slot) => rates.get(slot), key));
    largest = Math.max(largest, short.largest);
    sum += short.sum;
  }
  return { largest, sum };
}

/**
 * Best placement of all devices by branch and bound over each combination of modes, exact unless `nodeLimit` is hit
 * (then `exact` is false and the best found is returned).
 *
 *  order    devices, hardest first; `depth` of them are decided
 *  slotOf   device → slot on this branch; a decided device that is not in it stays unplaced
 *  floor    least rate each later device can lose wherever it goes, so lost + floor never exceeds the true loss
 *  best     the best complete placement so far; a branch is cut when its bound is not better, so among equals the
 *           first in slot order stays
 */
export function place(problem: PlacementProblem, nodeLimit = 200_000): Placement {
  const { board, devices, pins, caseRows } = problem;
  const order = [...devices].sort(
    (a, b) =>
      hardness(b) - hardness(a) ||
      (ownRate(b) ?? 0) - (ownRate(a) ?? 0) ||
      compareText(a.twinKey, b.twinKey) ||
      compareText(a.id, b.id),
  );
  let best:
    | { loss: Loss; slotOf: Map<string, Slot>; lanes: Map<string, number>; modes: { port: string; name: string }[] }
    | undefined;
  let nodes = 0;
  let exact = true;
  for (const mode of modeChoices(board)) {
    const options = order.map((device) =>
      board.slots.filter((slot) => {
        const pin = pins.get(device.id);
        if (pin !== undefined && pin !== slot.id) return false;
        const lanesHere = mode.lanes.get(slot.id) ?? 0;
        return (slot.kind === 'sata' || lanesHere > 0) && misfit(device, slot, caseRows) === undefined;
      }),
    );
    const lostIn = (i: number, slot: Slot): number => {
      const device = order[i];
      if (!device) return 0;
      const rate = rateIn(device, slot, mode.lanes.get(slot.id) ?? 0);
      const own = ownRate(device);
      return rate === undefined || own === undefined ? 0 : (own - rate) / 1e9;
    };
    const floor = new Array<number>(order.length + 1).fill(0);
    for (let i = order.length - 1; i >= 0; i--) {
      const least = Math.min(...(options[i] ?? []).map((slot) => lostIn(i, slot)), Infinity);
      floor[i] = (floor[i + 1] ?? 0) + (least === Infinity ? 0 : least);
    }
    const slotOf = new Map<string, Slot>();
    const rates = new Map<string, number>();
    const taken = new Set<string>();
    const deviceById = new Map(order.map((device) => [device.id, device]));

    const visit = (depth: number, unplaced: number, lost: number): void => {
      if (++nodes > nodeLimit) {
        exact = false;
        return;
      }
      const short = worstShortfall(board, problem.sittings, slotOf, rates);
      // an unplaced device loses no rate but worsens the first term, so the floor may only be counted when all later
      // devices could still be placed; otherwise the bound stays a bound because `unplaced` is compared first
      const crowded = crowding(order, depth, options, taken);
      const bound: Loss = [
        unplaced + crowded,
        short.largest,
        short.sum,
        crowded > 0 ? lost : lost + (floor[depth] ?? 0),
      ];
      if (best && compareLoss(bound, best.loss) >= 0) return;
      const device = order[depth];
      if (!device) {
        best = {
          loss: [unplaced, short.largest, short.sum, lost],
          slotOf: new Map(slotOf),
          lanes: mode.lanes,
          modes: mode.names,
        };
        return;
      }
      const before = order[depth - 1];
      const twin =
        before && before.twinKey === device.twinKey && !pins.has(before.id) && !pins.has(device.id)
          ? before
          : undefined;
      const twinSlot = twin && slotOf.get(twin.id);
      const tried = new Set<string>();
      if (!twin || twinSlot)
        for (const slot of options[depth] ?? []) {
          // equal devices go into slots in order, and of equal free slots only the first is tried
          if (twinSlot && slot.order <= twinSlot.order) continue;
          if (taken.has(slot.id) || tried.has(slot.twinKey)) continue;
          if (
            [...slotOf].some(([id, other]) => {
              const there = deviceById.get(id);
              return there !== undefined && clash(board, device, slot, there, other);
            })
          )
            continue;
          // pins and lengths make slots unequal for some devices, so twins are only skipped when nothing is pinned
          if (pins.size === 0) tried.add(slot.twinKey);
          slotOf.set(device.id, slot);
          taken.add(slot.id);
          const rate = rateIn(device, slot, mode.lanes.get(slot.id) ?? 0);
          if (rate !== undefined) rates.set(slot.id, rate);
          visit(depth + 1, unplaced, lost + lostIn(depth, slot));
          slotOf.delete(device.id);
          taken.delete(slot.id);
          rates.delete(slot.id);
        }
      visit(depth + 1, unplaced + 1, lost);
    };
    visit(0, 0, 0);
  }
  invariant(best !== undefined, 'place() found no placement, not even the empty one');
  return describe(problem, best, exact, nodes);
}

const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const hardness = (device: Device): number =>
  device.needs === 'card' ? 100 + device.rows : device.needs === 'm2' ? 50 + (device.lengthMm ?? 0) / 1000 : 0;

/** Devices from `depth` on that cannot all be placed, counted by pigeonhole over each set of equal options. */
function crowding(
  order: readonly Device[],
  depth: number,
  options: readonly (readonly Slot[])[],
  taken: ReadonlySet<string>,
): number {
  const kinds = new Map<string, { devices: number; slots: Set<string> }>();
  for (let i = depth; i < order.length; i++) {
    const needs = order[i]?.needs ?? '';
    let kind = kinds.get(needs);
    if (!kind) kinds.set(needs, (kind = { devices: 0, slots: new Set() }));
    kind.devices++;
    for (const slot of options[i] ?? []) if (!taken.has(slot.id)) kind.slots.add(slot.id);
  }
  let extra = 0;
  for (const kind of kinds.values()) extra += Math.max(0, kind.devices - kind.slots.size);
  return extra;
}

function describe(
  problem: PlacementProblem,
  best: { loss: Loss; slotOf: Map<string, Slot>; lanes: Map<string, number>; modes: { port: string; name: string }[] },
  exact: boolean,
  nodes: number,
): Placement {
  const { board, devices, pins, caseRows } = problem;
  const placed = new Map<string, Placed>();
  const unplaced = new Map<string, Unplaced>();
  const off = new Map<string, { by: string; how: 'exclusion' | 'covered' | 'mode' }>();
  for (const device of devices) {
    const slot = best.slotOf.get(device.id);
    if (!slot) {
      const pin = pins.get(device.id);
      const reasons = board.slots.map((candidate) => misfit(device, candidate, caseRows));
      const pinned = pin === undefined ? undefined : board.slotById.get(pin);
      if (pin !== undefined && (!pinned || misfit(device, pinned, caseRows) !== undefined))
        unplaced.set(device.id, 'pin-does-not-fit');
      else if (reasons.includes(undefined)) unplaced.set(device.id, 'taken');
      else
        unplaced.set(
          device.id,
          (['beyond-case', 'too-long', 'too-wide'] as const).find((reason) => reasons.includes(reason)) ??
            'no-such-slot',
        );
      continue;
    }
    const lanes = best.lanes.get(slot.id) ?? 0;
    placed.set(device.id, {
      slot: slot.id,
      link: linkIn(device, slot, lanes),
      bytesPerS: rateIn(device, slot, lanes),
      ownBytesPerS: ownRate(device),
    });
    for (const id of board.exclusions.get(slot.id) ?? []) off.set(id, { by: device.id, how: 'exclusion' });
    if (slot.row !== undefined)
      for (const other of board.slots)
        if (other.row !== undefined && other.row > slot.row && other.row < slot.row + device.rows)
          off.set(other.id, { by: device.id, how: 'covered' });
  }
  for (const slot of board.slots)
    if (slot.kind !== 'sata' && best.lanes.get(slot.id) === 0) off.set(slot.id, { by: '', how: 'mode' });
  return { placed, unplaced, modes: best.modes, lanes: best.lanes, off, loss: best.loss, exact, nodes };
}

/** Every possible placement, tried one by one: the plain way that the search is compared with in tests. */
export function bestLossByTryingAll(problem: PlacementProblem): Loss {
  const { board, devices, pins, caseRows } = problem;
  let best: Loss | undefined;
  for (const mode of modeChoices(board)) {
    const slotOf = new Map<string, Slot>();
    const visit = (index: number): void => {
      const device = devices[index];
      if (!device) {
        const loss = lossOf(problem, slotOf, mode.lanes);
        if (!best || compareLoss(loss, best) < 0) best = loss;
        return;
      }
      visit(index + 1);
      for (const slot of board.slots) {
        const pin = pins.get(device.id);
        if (pin !== undefined && pin !== slot.id) continue;
        if (slot.kind !== 'sata' && (mode.lanes.get(slot.id) ?? 0) === 0) continue;
        if (misfit(device, slot, caseRows) !== undefined) continue;
        const others = devices.slice(0, index).filter((other) => slotOf.has(other.id));
        if (
          others.some((other) => {
            const at = slotOf.get(other.id);
            return at !== undefined && clash(board, device, slot, other, at);
          })
        )
          continue;
        slotOf.set(device.id, slot);
        visit(index + 1);
        slotOf.delete(device.id);
      }
    };
    visit(0);
  }
  invariant(best !== undefined, 'there is always the empty placement');
  return best;
}
