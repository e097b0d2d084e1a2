import type { Slot } from './compile';
import { achievedIn, ownRate, rowsOf, type Device } from './fit';
import type { Mode, PlacementProblem } from './problem';
import { linkBytesPerS } from '../units/links';

/** What the devices from a depth on must lose at least, whatever is done with them. */
export interface Ahead {
  readonly unplaced: number;
  /** Of the streams of devices still to come, each alone on the best link there could be. */
  readonly largest: number;
  readonly sum: number;
  readonly lostGBs: number;
}

/** Asked at each node, with the slots that are still free there and the devices already placed. */
export type Outlook = (
  depth: number,
  free: (slot: Slot) => boolean,
  here: readonly { readonly device: Device; readonly slot: Slot }[],
) => Ahead;

/** Devices of one kind that are still to come at a depth. */
interface Rest {
  readonly kind: Device['needs'];
  readonly count: number;
  /** Own rates in GB/s, largest first; devices of unknown rate are left out, they lose nothing that could be known. */
  readonly own: readonly number[];
  /** What each device's streams fall short by at least, largest first. */
  readonly short: readonly { readonly largest: number; readonly sum: number }[];
  /** Rows they cover, least first. */
  readonly rows: readonly number[];
  /** Slots that any of them could take, with the most GB/s each carries, largest first. */
  readonly slots: readonly { readonly slot: Slot; readonly carries: number }[];
}

/**
 * Lower bounds on what is still to come, kind by kind.
 *
 * Unplaced: more devices than free slots, or more rows than are left for cards, the thin ones counted first.
 * Lost rate: a link gets at most the lesser of what device and slot carry, and of all pairings the one that gives the
 * fastest device the fastest slot loses least (an exchange of two pairs never gains). Neither looks at which device fits where, so both may be too low
 * and never too high.
 * Streams: one between a device and memory gets at most what the best link for the device carries, whoever shares it.
 */
export function outlookOf(
  order: readonly Device[],
  options: readonly (readonly Slot[])[],
  mode: Mode,
  { caseRows, sittings }: Pick<PlacementProblem, 'caseRows' | 'sittings'>,
): Outlook {
  const shortOf = shortfalls(order, options, mode, sittings);
  const rests = Array.from({ length: order.length + 1 }, (_, depth) => restsFrom(order, options, mode, shortOf, depth));
  return (depth, free, here) => {
    let unplaced = 0;
    let lostGBs = 0;
    let largest = 0;
    let sum = 0;
    for (const rest of rests[depth] ?? []) {
      const slots = rest.slots.filter((entry) => free(entry.slot));
      const fit = Math.min(
        rest.count,
        slots.length,
        rest.kind === 'card' ? cardsThatFit(rest, slots, here, caseRows) : Infinity,
      );
      unplaced += rest.count - fit;
      // whoever stays out loses no rate, so the fastest are taken to stay out
      const skipped = Math.min(rest.own.length, rest.count - fit);
      for (let i = rest.count - fit; i < rest.short.length; i++) {
        largest = Math.max(largest, rest.short[i]?.largest ?? 0);
        sum += rest.short[i]?.sum ?? 0;
      }
      for (let i = skipped; i < rest.own.length; i++)
        lostGBs += Math.max(0, (rest.own[i] ?? 0) - (slots[i - skipped]?.carries ?? Infinity));
    }
    return { unplaced, largest, sum, lostGBs };
  };
}

function restsFrom(
  order: readonly Device[],
  options: readonly (readonly Slot[])[],
  mode: Mode,
  shortOf: ReadonlyMap<string, { readonly largest: number; readonly sum: number }>,
  depth: number,
): Rest[] {
  const kinds = new Map<Device['needs'], { devices: Device[]; slots: Map<string, Slot> }>();
  for (let i = depth; i < order.length; i++) {
    const device = order[i];
    if (!device) continue;
    let kind = kinds.get(device.needs);
    if (!kind) kinds.set(device.needs, (kind = { devices: [], slots: new Map() }));
    kind.devices.push(device);
    for (const slot of options[i] ?? []) kind.slots.set(slot.id, slot);
  }
  return [...kinds].map(([kind, { devices, slots }]): Rest => ({
    kind,
    count: devices.length,
    own: devices
      .filter((device) => !device.sata)
      .flatMap((device) => ownRate(device) ?? [])
      .map((rate) => rate / 1e9)
      .sort((a, b) => b - a),
    short: devices.map((device) => shortOf.get(device.id) ?? { largest: 0, sum: 0 }).sort((a, b) => b.sum - a.sum),
    rows: devices.map(rowsOf).sort((a, b) => a - b),
    slots: [...slots.values()]
      .map((slot) => ({ slot, carries: carriesGBs(slot, mode) }))
      .sort((a, b) => b.carries - a.carries),
  }));
}

/** What the streams between each device and memory fall short by on the best link the device could get. */
function shortfalls(
  order: readonly Device[],
  options: readonly (readonly Slot[])[],
  mode: Mode,
  sittings: PlacementProblem['sittings'],
): Map<string, { largest: number; sum: number }> {
  const short = new Map<string, { largest: number; sum: number }>();
  order.forEach((device, i) => {
    const rates = (options[i] ?? []).map(
      (slot) => achievedIn(device, slot, mode.lanes.get(slot.id) ?? slot.lanes) ?? Infinity,
    );
    const best = Math.max(0, ...rates);
    let largest = 0;
    let sum = 0;
    for (const flows of sittings)
      for (const flow of flows) {
        // a stream between two devices has two ends and would be counted twice
        const alone =
          (flow.from === device.id && flow.to === 'memory') || (flow.to === device.id && flow.from === 'memory');
        if (!alone || best === 0) continue;
        const share = Math.max(0, 1 - best / flow.bytesPerS);
        largest = Math.max(largest, share);
        sum += share;
      }
    short.set(device.id, { largest, sum });
  });
  return short;
}

function carriesGBs(slot: Slot, mode: Mode): number {
  const lanes = mode.lanes.get(slot.id) ?? slot.lanes;
  return slot.kind === 'sata' || lanes === 0 ? Infinity : linkBytesPerS({ generation: slot.generation, lanes }) / 1e9;
}

/** Rows below the last slot that a card may still cover when the case does not say how many it has. */
const ROWS_BELOW = 4;

/** Most cards that the rows left can hold, the thinnest first. */
function cardsThatFit(
  rest: Rest,
  slots: Rest['slots'],
  here: readonly { readonly device: Device; readonly slot: Slot }[],
  caseRows: number | undefined,
): number {
  const rows = slots.flatMap(({ slot }) => slot.row ?? []);
  // slots without a row are not stacked: nothing can be said about them
  if (rows.length < slots.length) return Infinity;
  const first = Math.min(...rows);
  const last = caseRows ?? Math.max(...rows) + ROWS_BELOW;
  let left = 0;
  for (let row = first; row <= Math.max(last, ...rows); row++)
    if (!here.some(({ device, slot }) => slot.row !== undefined && row >= slot.row && row < slot.row + rowsOf(device)))
      left++;
  let fit = 0;
  for (const needs of rest.rows) {
    if (needs > left) break;
    left -= needs;
    fit++;
  }
  return fit;
}
