import type { PartOf } from './index';

type Card = PartOf<'expansion'>;
type Accessory = PartOf<'accessory'>;

/**
 * What a card is for: as it says, else as a figure tells that only cards of one purpose have. Undefined where nothing
 * tells: it may be for anything, so what is asked of a machine with it is not known to be lacking.
 */
export function cardPurpose(part: Card): Card['purpose'] {
  if (part.purpose !== undefined) return part.purpose;
  if (part.videoInputs !== undefined || part.inputGbitPerS !== undefined || part.inputPorts !== undefined)
    return 'capture';
  if (part.networkGbitPerS !== undefined) return 'network';
  if (part.driveSlots !== undefined || part.ownSwitch !== undefined || part.driveForms !== undefined) return 'storage';
  if (part.wireless === true || part.wirelessStandard !== undefined) return 'wireless';
  return undefined;
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
