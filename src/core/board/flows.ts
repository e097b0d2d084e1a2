import type { Board } from './compile';
import { LINKS, shareOfIntegrated } from './links';

/**
 * A steady stream between two ends in bytes/s. An end is an item's id, an integrated function's id or `memory`.
 * Device to device goes through memory: up one path, down the other.
 */
export interface Flow {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly bytesPerS: number;
  /** Bytes of one run, where it ends: a short one may fit into a drive's cache. */
  readonly runBytes?: number;
}

/** Key of one direction of a link: `up` is towards the processor. */
export type LinkKey = string;
export const linkKey = (place: string, direction: 'up' | 'down'): LinkKey => `${place}:${direction}`;

/** Where an end hangs: its own link (a slot or integrated id) and the hubs between it and the processor. */
export interface End {
  readonly link: string;
  readonly path: readonly string[];
}

/** Directed links that a flow crosses, given where its ends hang; an end that is not placed crosses none. */
export function linksCrossed(flow: Flow, endOf: (id: string) => End | undefined): LinkKey[] {
  const crossed: LinkKey[] = [];
  const from = flow.from === 'memory' ? undefined : endOf(flow.from);
  const to = flow.to === 'memory' ? undefined : endOf(flow.to);
  if (from) for (const place of [from.link, ...from.path]) crossed.push(linkKey(place, 'up'));
  if (to) for (const place of [to.link, ...to.path]) crossed.push(linkKey(place, 'down'));
  return crossed;
}

/** Load on each directed link in bytes/s when every flow runs at its full rate. */
export function linkLoads(flows: readonly Flow[], endOf: (id: string) => End | undefined): Map<LinkKey, number> {
  const loads = new Map<LinkKey, number>();
  for (const flow of flows)
    for (const key of linksCrossed(flow, endOf)) loads.set(key, (loads.get(key) ?? 0) + flow.bytesPerS);
  return loads;
}

/**
 * What a directed link carries after headers, in bytes/s: a hub's uplink, the placed link (as `slotBytesPerS` has it after
 * headers), or an integrated function's own rate.
 */
export function capacityOf(
  board: Board,
  slotBytesPerS: (slot: string) => number | undefined,
  key: LinkKey,
): number | undefined {
  const place = key.slice(0, key.lastIndexOf(':'));
  const hub = board.hubs.get(place);
  if (hub) return hub.uplinkBytesPerS * LINKS.slot.value;
  const placed = slotBytesPerS(place);
  if (placed !== undefined) return placed;
  const integrated = board.integrated.find((item) => item.id === place);
  return integrated && integrated.bytesPerS * shareOfIntegrated(integrated.kind).value;
}

/** A flow as sharing sees it: what it would take, and the directed links on its way. */
export interface Sharer {
  readonly wants: number;
  readonly links: readonly LinkKey[];
}

/**
 * Max-min fair rates in bytes/s: all flows rise together, each stops at what it wants or when a link on its way is
 * full. Source: Bertsekas and Gallager 1992, Data Networks, section 6.5.2. A link of unknown capacity does not stop
 * anything; whoever asks must say so.
 * @example an uplink of 15.754 with wants of 9.1, 6.2 and 3.1 gives 6.454, 6.2 and 3.1
 */
export function maxMinFair(flows: readonly Sharer[], capacity: (key: LinkKey) => number | undefined): number[] {
  const rates = flows.map(() => 0);
  const left = new Map<LinkKey, number>();
  for (const flow of flows)
    for (const key of flow.links) {
      const limit = capacity(key);
      if (limit !== undefined) left.set(key, Math.max(0, limit));
    }
  let rising = flows.map((_, i) => i).filter((i) => (flows[i]?.wants ?? 0) > 0);
  while (rising.length > 0) {
    const users = new Map<LinkKey, number>();
    for (const i of rising) for (const key of flows[i]?.links ?? []) users.set(key, (users.get(key) ?? 0) + 1);
    let step = Infinity;
    for (const i of rising) step = Math.min(step, (flows[i]?.wants ?? 0) - (rates[i] ?? 0));
    for (const [key, count] of users) {
      const room = left.get(key);
      if (room !== undefined) step = Math.min(step, room / count);
    }
    for (const i of rising) rates[i] = (rates[i] ?? 0) + step;
    for (const [key, count] of users) {
      const room = left.get(key);
      if (room !== undefined) left.set(key, room - step * count);
    }
    rising = rising.filter(
      (i) =>
        (flows[i]?.wants ?? 0) - (rates[i] ?? 0) > (flows[i]?.wants ?? 0) * 1e-12 &&
        (flows[i]?.links ?? []).every((key) => (left.get(key) ?? Infinity) > (capacity(key) ?? Infinity) * 1e-12),
    );
  }
  return rates;
}

/** Shortfall of real-time flows: the largest relative one and the sum, 0 when all run in full. */
export interface Shortfall {
  readonly largest: number;
  readonly sum: number;
}

/**
 * Relative shortfall of each flow when an overloaded link gives every flow on it the same share, capacity ÷ load. The
 * load is the demand, not what an earlier link lets through, so adding a flow never makes another look better.
 */
export function shortfallOf(
  flows: readonly Flow[],
  endOf: (id: string) => End | undefined,
  capacity: (key: LinkKey) => number | undefined,
): Shortfall {
  const loads = linkLoads(flows, endOf);
  let largest = 0;
  let sum = 0;
  for (const flow of flows) {
    let share = 1;
    for (const key of linksCrossed(flow, endOf)) {
      const limit = capacity(key);
      if (limit !== undefined) share = Math.min(share, limit / (loads.get(key) ?? flow.bytesPerS));
    }
    largest = Math.max(largest, 1 - share);
    sum += 1 - share;
  }
  return { largest, sum };
}
