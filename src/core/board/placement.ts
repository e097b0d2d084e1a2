import type { Mode, PlacementProblem } from './problem';
import { invariant } from '../units/quantity';
import { carriedIn, carriedSlots, isCarried } from './carriers';
import type { Board, Slot } from './compile';
import { achievedIn, clash, linkIn, misfit, ownRate, rateIn, rowsOf, type Device, type Unplaced } from './fit';
import { capacityOf, shortfallOf, type End } from './flows';
import { outlookOf, type Outlook } from './outlook';
import type { Link } from '../units/links';

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
  /** The board with the drive slots that placed cards bring, each where it hangs. */
  readonly board: Board;
  readonly placed: ReadonlyMap<string, Placed>;
  readonly unplaced: ReadonlyMap<string, Unplaced>;
  readonly modes: Mode['names'];
  /** Lanes each slot really has in the chosen modes. */
  readonly lanes: Mode['lanes'];
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

/** Every combination of the board's modes. */
export function modesOf(board: Board): Mode[] {
  let modes: Mode[] = [{ names: [], lanes: new Map(board.slots.map((slot) => [slot.id, slot.lanes])) }];
  for (const port of board.sharedPorts)
    modes = modes.flatMap(({ names, lanes }) =>
      port.modes.map((mode) => ({
        names: [...names, { port: port.id, name: mode.name }],
        lanes: new Map([...lanes, ...mode.lanes]),
      })),
    );
  return modes;
}

/** Lanes of a slot in a mode; a drive slot on a card brings its own. */
export const lanesIn = (slot: Slot, lanes: Mode['lanes']): number => lanes.get(slot.id) ?? slot.lanes;

/** Whether a slot can be used at all in a mode. */
export const usable = (slot: Slot, lanes: Mode['lanes']): boolean => slot.kind === 'sata' || lanesIn(slot, lanes) > 0;

/** The slot as it works now: a drive slot on a card hangs where the card sits, and is none while that is nowhere. */
export function resolved(slot: Slot, slotOf: ReadonlyMap<string, Slot>, lanes: Mode['lanes']): Slot | undefined {
  if (!isCarried(slot)) return slot;
  const under = slotOf.get(slot.carrier.id);
  return under && carriedIn(slot, under, lanesIn(under, lanes));
}

/** GB/s of its own rate that a device loses in a slot; an unknown rate loses nothing that could be known. */
function lostIn(device: Device, slot: Slot, lanes: Mode['lanes']): number {
  const rate = rateIn(device, slot, lanesIn(slot, lanes));
  const own = ownRate(device);
  return rate === undefined || own === undefined ? 0 : (own - rate) / 1e9;
}

/** Loss of an assignment; devices that are not in `slotOf` are unplaced. */
export function lossOf(problem: PlacementProblem, slotOf: ReadonlyMap<string, Slot>, lanes: Mode['lanes']): Loss {
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
    const rate = achievedIn(device, slot, lanesIn(slot, lanes));
    if (rate !== undefined) rates.set(slot.id, rate);
    lost += lostIn(device, slot, lanes);
  }
  const { largest, sum } = worstShortfall(board, sittings, slotOf, rates);
  return [unplaced, largest, sum, lost];
}

interface Short {
  readonly largest: number;
  readonly sum: number;
}

function worstShortfall(
  board: Board,
  sittings: PlacementProblem['sittings'],
  slotOf: ReadonlyMap<string, Slot>,
  rates: ReadonlyMap<string, number>,
): Short {
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

interface Best {
  readonly loss: Loss;
  readonly slotOf: ReadonlyMap<string, Slot>;
  readonly mode: Mode;
}

/** One combination of modes being searched. */
interface Search {
  readonly problem: PlacementProblem;
  readonly mode: Mode;
  /** Devices, hardest first, so that cards come before the drives they may carry. */
  readonly order: readonly Device[];
  readonly options: readonly (readonly Slot[])[];
  readonly outlook: Outlook;
  /** Devices whose place changes what a real-time flow gets. */
  readonly streaming: ReadonlySet<string>;
}

/**
 * Best placement of all devices by branch and bound over each combination of modes, exact unless `nodeLimit` is hit
 * (then `exact` is false and the best found is returned).
 *
 *  order    devices, hardest first; `depth` of them are decided
 *  slotOf   device → slot on this branch; a decided device that is not in it stays unplaced
 *  outlook  what the devices still to come must lose at least, so that a bound never exceeds the true loss
 *  best     the best complete placement so far; a branch is cut when its bound is not better, so among equals the
 *           first in slot order stays
 */
export function place(problem: PlacementProblem, nodeLimit = 200_000): Placement {
  const { board } = problem;
  const order = inOrder(problem.devices);
  const slots: Slot[] = [...board.slots, ...carriedSlots(board, order)];
  const streaming = new Set(problem.sittings.flatMap((flows) => flows.flatMap((flow) => [flow.from, flow.to])));
  let best: Best | undefined;
  let nodes = 0;
  let exact = true;
  for (const mode of modesOf(board)) {
    const options = order.map((device) => optionsOf(problem, device, slots, mode));
    const outlook = outlookOf(order, options, mode, problem);
    const found = searchMode({ problem, mode, order, options, outlook, streaming }, best, nodeLimit - nodes);
    best = found.best ?? best;
    nodes += found.nodes;
    if (!found.exact) exact = false;
  }
  invariant(best !== undefined, 'place() found no placement, not even the empty one');
  return describe(problem, slots, best, exact, nodes);
}

function optionsOf(problem: PlacementProblem, device: Device, slots: readonly Slot[], mode: Mode): Slot[] {
  const pin = problem.pins.get(device.id);
  return slots.filter(
    (slot) =>
      (pin === undefined || pin === slot.id) &&
      usable(slot, mode.lanes) &&
      misfit(device, slot, problem.caseRows) === undefined,
  );
}

function searchMode(
  { problem, mode, order, options, outlook, streaming }: Search,
  start: Best | undefined,
  nodeLimit: number,
): { best: Best | undefined; nodes: number; exact: boolean } {
  const { board, pins } = problem;
  const slotOf = new Map<string, Slot>();
  const rates = new Map<string, number>();
  const taken = new Set<string>();
  const here: { device: Device; slot: Slot }[] = [];
  let best = start;
  let improved: Best | undefined;
  let nodes = 0;
  let exact = true;

  const boundOf = (depth: number, unplaced: number, lost: number, short: Short): Loss => {
    const ahead = outlook(depth, (slot) => !taken.has(slot.id) && !covered(board, here, slot), here);
    return [
      unplaced + ahead.unplaced,
      Math.max(short.largest, ahead.largest),
      short.sum + ahead.sum,
      lost + ahead.lostGBs,
    ];
  };
  const put = (device: Device, slot: Slot): void => {
    slotOf.set(device.id, slot);
    taken.add(slot.id);
    here.push({ device, slot });
    const rate = achievedIn(device, slot, lanesIn(slot, mode.lanes));
    if (rate !== undefined) rates.set(slot.id, rate);
  };
  const takeBack = (device: Device, slot: Slot): void => {
    slotOf.delete(device.id);
    taken.delete(slot.id);
    here.pop();
    rates.delete(slot.id);
  };

  /** Slots that a device can take here, with what each would come to at least. */
  const branches = (device: Device, depth: number, unplaced: number, lost: number, short: Short): Branch[] => {
    const before = order[depth - 1];
    const twin =
      before && before.twinKey === device.twinKey && !pins.has(before.id) && !pins.has(device.id) ? before : undefined;
    const twinSlot = twin && slotOf.get(twin.id);
    if (twin && !twinSlot) return [];
    const tried = new Set<string>();
    const found: Branch[] = [];
    for (const option of options[depth] ?? []) {
      // equal devices go into slots in order, and of equal free slots only the first is tried
      if (twinSlot && option.order <= twinSlot.order) continue;
      if (taken.has(option.id) || tried.has(option.twinKey)) continue;
      const slot = resolved(option, slotOf, mode.lanes);
      if (!slot || here.some((other) => clash(board, device, slot, other.device, other.slot))) continue;
      // pins and lengths make slots unequal for some devices, so twins are only skipped when nothing is pinned
      if (pins.size === 0) tried.add(option.twinKey);
      put(device, slot);
      const next =
        streaming.has(device.id) || device.carries ? worstShortfall(board, problem.sittings, slotOf, rates) : short;
      const nextLost = lost + lostIn(device, slot, mode.lanes);
      found.push({ slot, short: next, lost: nextLost, bound: boundOf(depth + 1, unplaced, nextLost, next) });
      takeBack(device, slot);
    }
    return found;
  };

  const visit = (depth: number, unplaced: number, lost: number, short: Short): void => {
    if (++nodes > nodeLimit) {
      exact = false;
      return;
    }
    const device = order[depth];
    if (!device) {
      const loss: Loss = [unplaced, short.largest, short.sum, lost];
      if (!best || compareLoss(loss, best.loss) < 0) best = improved = { loss, slotOf: new Map(slotOf), mode };
      return;
    }
    // the most promising first, slots in order among equals: a good answer early cuts more
    const open = branches(device, depth, unplaced, lost, short).sort((a, b) => compareLoss(a.bound, b.bound));
    for (const branch of open) {
      if (best && compareLoss(branch.bound, best.loss) >= 0) continue;
      put(device, branch.slot);
      visit(depth + 1, unplaced, branch.lost, branch.short);
      takeBack(device, branch.slot);
    }
    if (!best || compareLoss(boundOf(depth + 1, unplaced + 1, lost, short), best.loss) < 0)
      visit(depth + 1, unplaced + 1, lost, short);
  };
  visit(0, 0, 0, worstShortfall(board, problem.sittings, slotOf, rates));
  return { best: improved, nodes, exact };
}

/** A slot for the next device, and the least that any placement with it there loses. */
interface Branch {
  readonly slot: Slot;
  readonly short: Short;
  readonly lost: number;
  readonly bound: Loss;
}

/** Whether a placed device covers a free slot or switches it off (or would be switched off by its use). */
function covered(board: Board, here: readonly { device: Device; slot: Slot }[], slot: Slot): boolean {
  return here.some(
    (other) =>
      board.exclusions.get(other.slot.id)?.includes(slot.id) === true ||
      board.exclusions.get(slot.id)?.includes(other.slot.id) === true ||
      (slot.row !== undefined &&
        other.slot.row !== undefined &&
        slot.row >= other.slot.row &&
        slot.row < other.slot.row + rowsOf(other.device)),
  );
}

/** Hardest first, so that cards come before the drives they may carry; equal devices by their keys. */
const inOrder = (devices: readonly Device[]): Device[] =>
  [...devices].sort(
    (a, b) =>
      hardness(b) - hardness(a) ||
      (ownRate(b) ?? 0) - (ownRate(a) ?? 0) ||
      compareText(a.twinKey, b.twinKey) ||
      compareText(a.id, b.id),
  );

/**
 * Key of what a placement depends on: equal keys have equal placements. Which part a device is counts only through the
 * order it gives and through who is whose twin.
 */
export function placementKey(problem: PlacementProblem): string {
  const { board, caseRows, pins, sittings } = problem;
  let before: string | undefined;
  const devices = inOrder(problem.devices).map(({ twinKey, ...device }) => {
    const twin = twinKey === before;
    before = twinKey;
    return [device, twin];
  });
  return JSON.stringify([board.key, caseRows, devices, [...pins], sittings]);
}

const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const hardness = (device: Device): number =>
  device.needs === 'card'
    ? 100 + device.rows + (device.carries ? 100 : 0)
    : device.needs === 'm2'
      ? 50 + (device.lengthMm ?? 0) / 1000
      : 0;

function describe(
  problem: PlacementProblem,
  slots: readonly Slot[],
  { loss, slotOf, mode }: Best,
  exact: boolean,
  nodes: number,
): Placement {
  const { devices } = problem;
  const carried = slots.filter(isCarried).flatMap((slot) => resolved(slot, slotOf, mode.lanes) ?? []);
  const board = carried.length > 0 ? withSlots(problem.board, carried) : problem.board;
  const placed = new Map<string, Placed>();
  const unplaced = new Map<string, Unplaced>();
  const off = new Map<string, { by: string; how: 'exclusion' | 'covered' | 'mode' }>();
  for (const device of devices) {
    const slot = slotOf.get(device.id);
    if (!slot) {
      unplaced.set(device.id, reasonOf(problem, device, board));
      continue;
    }
    const lanes = lanesIn(slot, mode.lanes);
    placed.set(device.id, {
      slot: slot.id,
      link: linkIn(device, slot, lanes),
      bytesPerS: rateIn(device, slot, lanes),
      ownBytesPerS: ownRate(device),
    });
    for (const id of board.exclusions.get(slot.id) ?? []) off.set(id, { by: device.id, how: 'exclusion' });
    if (slot.row !== undefined)
      for (const other of board.slots)
        if (other.row !== undefined && other.row > slot.row && other.row < slot.row + rowsOf(device))
          off.set(other.id, { by: device.id, how: 'covered' });
  }
  for (const slot of board.slots) if (!usable(slot, mode.lanes)) off.set(slot.id, { by: '', how: 'mode' });
  return { board, placed, unplaced, modes: mode.names, lanes: mode.lanes, off, loss, exact, nodes };
}

function reasonOf({ pins, caseRows }: PlacementProblem, device: Device, board: Board): Unplaced {
  const pin = pins.get(device.id);
  const pinned = pin === undefined ? undefined : board.slotById.get(pin);
  if (pin !== undefined && (!pinned || misfit(device, pinned, caseRows) !== undefined)) return 'pin-does-not-fit';
  const reasons = board.slots.map((slot) => misfit(device, slot, caseRows));
  if (reasons.includes(undefined)) return 'taken';
  return (
    (['beyond-case', 'too-high', 'too-long', 'too-wide'] as const).find((reason) => reasons.includes(reason)) ??
    'no-such-slot'
  );
}

function withSlots(board: Board, more: readonly Slot[]): Board {
  const slots = [...board.slots, ...more];
  return { ...board, slots, slotById: new Map(slots.map((slot) => [slot.id, slot])) };
}
