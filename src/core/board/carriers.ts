import type { Board, Slot } from './compile';
import type { Device } from './fit';

/** A drive slot on a card: where it hangs depends on where its card goes. */
export interface CarriedSlot extends Slot {
  readonly carrier: Device;
  /** 0 for the card's first drive slot. */
  readonly index: number;
}

const DRIVE_LANES = 4;

export const isCarried = (slot: Slot): slot is CarriedSlot => 'carrier' in slot;

/** Id of a drive slot on a card, as pins name it: "expansion-1.2" is the second one. */
export const carriedId = (carrier: string, index: number): string => `${carrier}.${index + 1}`;

/**
 * The drive slots that the cards of a machine bring, after the board's own. Their generation is the card's; how many
 * of them work, and behind which slot, is known once the card is placed (`carriedIn`).
 */
export function carriedSlots(board: Board, devices: readonly Device[]): CarriedSlot[] {
  let order = board.slots.length;
  return devices.flatMap((carrier) =>
    Array.from({ length: carrier.carries?.slots ?? 0 }, (_, index): CarriedSlot => ({
      id: carriedId(carrier.id, index),
      label: `card's drive slot ${index + 1}`,
      kind: 'm2',
      generation: carrier.link?.generation ?? 1,
      lanes: DRIVE_LANES,
      mechanicalLanes: DRIVE_LANES,
      row: undefined,
      lengthsMm: carrier.carries?.lengthsMm,
      takesSata: false,
      path: [],
      twinKey: `carried ${carrier.id}`,
      order: order++,
      splits: undefined,
      roomMm: undefined,
      coverComesOff: false,
      carrier,
      index,
    })),
  );
}

/** Drive slots of a card that work in a slot with `lanes` lanes: all behind a switch, else one a link of the split. */
export function workingSlots(carrier: Device, slot: Slot, lanes: number): number {
  const { carries } = carrier;
  if (!carries) return 0;
  // a slot whose splitting is not stated carries one drive for certain
  return carries.ownSwitch
    ? carries.slots
    : Math.min(carries.slots, slot.splits ?? 1, Math.max(1, Math.floor(lanes / DRIVE_LANES)));
}

/**
 * The slot as it works once its card sits in `under` with `lanes` lanes, or nothing when it does not work there. Behind
 * a switch all drives share the card's own link, which then counts as one more uplink on their way.
 */
export function carriedIn(slot: CarriedSlot, under: Slot, lanes: number): Slot | undefined {
  if (slot.index >= workingSlots(slot.carrier, under, lanes)) return undefined;
  const { carrier: _carrier, index: _index, ...rest } = slot;
  return {
    ...rest,
    generation: slot.carrier.carries?.ownSwitch ? slot.generation : Math.min(slot.generation, under.generation),
    lanes: slot.carrier.carries?.ownSwitch ? DRIVE_LANES : Math.min(DRIVE_LANES, lanes),
    path: slot.carrier.carries?.ownSwitch ? [under.id, ...under.path] : under.path,
  };
}
