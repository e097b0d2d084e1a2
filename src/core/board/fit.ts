import type { Board, Slot } from './compile';
import { shareOfLink } from './links';
import { linkBytesPerS, negotiate, SATA_BYTES_PER_S, type Link } from '../units/links';

/** Drive slots on a card. Without a switch of its own the card only passes on what its slot can be split into. */
export interface Carries {
  readonly slots: number;
  readonly ownSwitch: boolean;
  /** M.2 lengths; undefined when not stated, which then does not restrict. */
  readonly lengthsMm: readonly number[] | undefined;
}

/** Something that needs a slot. Figures that are unknown stay undefined: the device is placed, its rate is unknown. */
export interface Device {
  readonly id: string;
  /** Devices with the same key are the same part doing the same work, so the search need not swap them. */
  readonly twinKey: string;
  readonly needs: 'card' | 'm2' | 'u2' | 'sata';
  /** SATA devices in an M.2 form have no lanes. */
  readonly sata: boolean;
  readonly link: Link | undefined;
  /** The figure without which it is not known what slot it needs: where it is put is a guess. */
  readonly unsaid?: 'form' | 'interface';
  readonly rows: number;
  readonly lengthMm: number | undefined;
  /** Height over an M.2 slot with its own heatsink. */
  readonly heightMm?: number;
  readonly carries?: Carries;
  /** Stands in the upright mount: it covers no slot rows and does not reach past the case's. */
  readonly upright?: boolean;
  /** What the riser between slot and card passes on. */
  readonly riser?: Link;
}

/** Why a device found no place, worst reason first. */
export type Unplaced =
  'no-such-slot' | 'too-long' | 'too-high' | 'too-wide' | 'beyond-case' | 'pin-does-not-fit' | 'taken';

/**
 * Bytes/s a device could use in the best slot there could be. A card that only passes lanes on to its drives has no
 * rate of its own: what is lost there its drives lose.
 */
export const ownRate = (device: Device): number | undefined =>
  device.sata
    ? SATA_BYTES_PER_S
    : device.carries && !device.carries.ownSwitch
      ? undefined
      : device.link && linkBytesPerS(device.link);

/** The link a device gets in a slot that has `lanes` lanes in the chosen mode. */
export function linkIn(device: Device, slot: Slot, lanes: number): Link | undefined {
  if (device.sata || !device.link) return undefined;
  const link = negotiate(device.link, { generation: slot.generation, lanes });
  return device.riser ? negotiate(link, device.riser) : link;
}

/** Bytes/s of that link; undefined when the device's own figures are unknown. */
export const rateIn = (device: Device, slot: Slot, lanes: number): number | undefined => {
  if (device.sata) return SATA_BYTES_PER_S;
  const link = linkIn(device, slot, lanes);
  return link && linkBytesPerS(link);
};

/** What a device sends over it after headers, in bytes/s. */
export const achievedIn = (device: Device, slot: Slot, lanes: number): number | undefined => {
  const rate = rateIn(device, slot, lanes);
  return rate && rate * shareOfLink(linkIn(device, slot, lanes)).value;
};

/** Whether the device goes into the slot at all, leaving other devices aside; the reason when it does not. */
export function misfit(device: Device, slot: Slot, caseRows: number | undefined): Unplaced | undefined {
  if (device.needs === 'sata' ? slot.kind !== 'sata' : slot.kind !== device.needs) return 'no-such-slot';
  if (device.needs === 'm2') {
    if (device.sata && !slot.takesSata) return 'no-such-slot';
    if (device.lengthMm !== undefined && slot.lengthsMm && !slot.lengthsMm.includes(device.lengthMm)) return 'too-long';
    if (
      device.heightMm !== undefined &&
      slot.roomMm !== undefined &&
      device.heightMm > slot.roomMm &&
      !slot.coverComesOff
    )
      return 'too-high';
  }
  if (device.needs === 'card') {
    if (device.link && device.link.lanes > slot.mechanicalLanes) return 'too-wide';
    if (!device.upright && caseRows !== undefined && slot.row !== undefined && slot.row + device.rows - 1 > caseRows)
      return 'beyond-case';
  }
  return undefined;
}

/** Expansion rows a device takes from the slot's own on: an upright card only plugs its riser in. */
export const rowsOf = (device: Device): number => (device.upright ? 1 : device.rows);

/** Whether two devices can sit in these two slots at once: covered rows and exclusions. */
export function clash(board: Board, a: Device, slotA: Slot, b: Device, slotB: Slot): boolean {
  if (slotA.id === slotB.id) return true;
  if (board.exclusions.get(slotA.id)?.includes(slotB.id) || board.exclusions.get(slotB.id)?.includes(slotA.id))
    return true;
  if (slotA.row === undefined || slotB.row === undefined) return false;
  return slotA.row < slotB.row + rowsOf(b) && slotB.row < slotA.row + rowsOf(a);
}
