import { workingSlots } from './carriers';
import type { Slot } from './compile';
import { misfit, ownRate, rateIn, type Device } from './fit';
import type { PlacementProblem } from './problem';
import { compareLoss, lanesIn, place, type Loss, type Placement } from './placement';

/** Why a device gets what it gets, as data; `core/words/placement.ts` says it. */
export type Reason =
  | { readonly code: 'full' }
  | { readonly code: 'pinned'; readonly wouldGetGBs: number | undefined; readonly slot: string }
  | { readonly code: 'older-slot'; readonly slotGeneration: number; readonly generation: number }
  | { readonly code: 'narrower-slot'; readonly lanes: number; readonly wants: number }
  | { readonly code: 'mode'; readonly mode: string; readonly lanes: number; readonly of: number }
  | { readonly code: 'riser'; readonly generation: number; readonly lanes: number }
  | { readonly code: 'taken'; readonly slot: string; readonly by: string }
  | { readonly code: 'off'; readonly slot: string; readonly by: string; readonly how: 'exclusion' | 'covered' }
  | { readonly code: 'streams-first'; readonly slot: string }
  | { readonly code: 'shared'; readonly hubs: readonly string[] }
  | { readonly code: 'carried'; readonly works: number; readonly has: number };

export interface Explanation {
  readonly device: string;
  readonly slot: string;
  readonly getsBytesPerS: number | undefined;
  readonly ownBytesPerS: number | undefined;
  readonly reasons: readonly Reason[];
}

/** Why each placed device sits where it does and what keeps it from its own rate, in the order of the devices. */
export function explain(problem: PlacementProblem, placement: Placement): Explanation[] {
  return problem.devices.flatMap((device): Explanation[] => {
    const placed = placement.placed.get(device.id);
    const slot = placed && placement.board.slotById.get(placed.slot);
    if (!placed || !slot) return [];
    const reasons = reasonsFor(problem, placement, device, slot);
    return [
      {
        device: device.id,
        slot: slot.id,
        getsBytesPerS: placed.bytesPerS,
        ownBytesPerS: placed.ownBytesPerS,
        reasons: reasons.length > 0 ? reasons : [{ code: 'full' }],
      },
    ];
  });
}

function reasonsFor(problem: PlacementProblem, placement: Placement, device: Device, slot: Slot): Reason[] {
  const reasons: Reason[] = [];
  const { board, lanes } = placement;
  const got = lanesIn(slot, lanes);
  const gets = rateIn(device, slot, got);
  const own = ownRate(device);
  if (device.carries && !device.carries.ownSwitch)
    reasons.push({ code: 'carried', works: workingSlots(device, slot, got), has: device.carries.slots });
  const loses = gets !== undefined && own !== undefined && gets < own * (1 - 1e-9);
  if (loses && device.link) {
    if (slot.generation < device.link.generation)
      reasons.push({ code: 'older-slot', slotGeneration: slot.generation, generation: device.link.generation });
    const mode = placement.modes.find(({ port }) =>
      problem.board.sharedPorts.find((entry) => entry.id === port)?.modes[0]?.lanes.has(slot.id),
    );
    const most = Math.max(
      slot.lanes,
      ...problem.board.sharedPorts.flatMap((port) => port.modes.map((entry) => entry.lanes.get(slot.id) ?? 0)),
    );
    if (mode && got < Math.min(most, device.link.lanes))
      reasons.push({ code: 'mode', mode: mode.name, lanes: got, of: most });
    else if (got < device.link.lanes) reasons.push({ code: 'narrower-slot', lanes: got, wants: device.link.lanes });
    if (device.riser && (device.riser.generation < device.link.generation || device.riser.lanes < device.link.lanes))
      reasons.push({ code: 'riser', generation: device.riser.generation, lanes: device.riser.lanes });
    reasons.push(...betterSlots(problem, placement, device, gets));
  }
  if (problem.pins.has(device.id)) {
    const free = placeWithout(problem, [device.id]).placed.get(device.id);
    reasons.push({
      code: 'pinned',
      slot: free?.slot ?? slot.id,
      wouldGetGBs: free?.bytesPerS === undefined ? undefined : free.bytesPerS / 1e9,
    });
  }
  const hubs = slot.path.flatMap((id) => board.hubs.get(id)?.label ?? board.slotById.get(id)?.label ?? []);
  if (hubs.length > 0) reasons.push({ code: 'shared', hubs });
  return reasons;
}

/** Slots that would give the device more, and who has them: at most the best two. */
function betterSlots(problem: PlacementProblem, placement: Placement, device: Device, gets: number): Reason[] {
  const holder = new Map([...placement.placed].map(([id, { slot }]) => [slot, id]));
  return problem.board.slots
    .flatMap((slot) => {
      if (misfit(device, slot, problem.caseRows) !== undefined) return [];
      const most = Math.max(
        slot.lanes,
        ...problem.board.sharedPorts.flatMap((port) => port.modes.map((mode) => mode.lanes.get(slot.id) ?? 0)),
      );
      const rate = rateIn(device, slot, most) ?? 0;
      return rate > gets * (1 + 1e-9) && slot.id !== placement.placed.get(device.id)?.slot ? [{ slot, rate }] : [];
    })
    .sort((a, b) => b.rate - a.rate || a.slot.order - b.slot.order)
    .slice(0, 2)
    .flatMap(({ slot }): Reason[] => {
      const by = holder.get(slot.id);
      if (by !== undefined) return [{ code: 'taken', slot: slot.label, by }];
      const off = placement.off.get(slot.id);
      if (off && off.how !== 'mode') return [{ code: 'off', slot: slot.label, by: off.by, how: off.how }];
      return problem.pins.has(device.id) || off ? [] : [{ code: 'streams-first', slot: slot.label }];
    });
}

/** The same machine with some pins let go. */
export const placeWithout = (problem: PlacementProblem, released: readonly string[]): Placement =>
  place({ ...problem, pins: new Map([...problem.pins].filter(([id]) => !released.includes(id))) });

/** What all pins of a machine cost together: the loss as pinned and without any; nothing when they cost nothing. */
export function costOfPins(
  problem: PlacementProblem,
  placement: Placement,
): { readonly pinned: Loss; readonly free: Loss; readonly placement: Placement } | undefined {
  if (problem.pins.size === 0) return undefined;
  const free = placeWithout(problem, [...problem.pins.keys()]);
  return compareLoss(free.loss, placement.loss) < 0
    ? { pinned: placement.loss, free: free.loss, placement: free }
    : undefined;
}
