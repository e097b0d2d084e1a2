import type { PartOf } from './index';

type Card = PartOf<'expansion'>;
type Accessory = PartOf<'accessory'>;

/** Figures that only cards of one purpose have. */
export const OF_PURPOSE: Readonly<Record<string, NonNullable<Card['purpose']>>> = {
  videoInputs: 'capture',
  inputGbitPerS: 'capture',
  inputPorts: 'capture',
  networkGbitPerS: 'network',
  driveSlots: 'storage',
  driveForms: 'storage',
  ownSwitch: 'storage',
};

/**
 * What a card is for: as it says, else as a figure tells that only cards of one purpose have. Undefined where nothing
 * tells: it may be for anything, so what is asked of a machine with it is not known to be lacking.
 */
export function cardPurpose(part: Card): Card['purpose'] {
  if (part.purpose !== undefined) return part.purpose;
  for (const figure in OF_PURPOSE) if (part[figure as keyof Card] !== undefined) return OF_PURPOSE[figure];
  // a network card may be without wires too
  return part.wireless === true || part.wirelessStandard !== undefined ? 'wireless' : undefined;
}

/** What an accessory is for, as it says or as a figure tells; undefined where nothing tells. */
export function accessoryPurpose(part: Accessory): Accessory['purpose'] {
  if (part.purpose !== undefined) return part.purpose;
  if (cableUse(part) !== undefined) return 'cable';
  if (part.fitsCooler !== undefined || part.fitsSocket !== undefined) return 'mounting-kit';
  if (part.lightPlug !== undefined || part.lightProgram !== undefined) return 'light-controller';
  if (part.generation !== undefined || part.lanes !== undefined) return 'riser';
  return undefined;
}

/** What a cable is for: what has plugs is a power lead, whether or not it says so. */
export function cableUse(part: Accessory): Accessory['cableFor'] {
  const plugs = part.fromPlug !== undefined || part.toPlug !== undefined || part.fromPlugs !== undefined;
  return part.cableFor ?? (plugs ? 'power' : undefined);
}
