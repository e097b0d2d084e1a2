import { listOf, pieces, quantity } from '../units/bounds';
import { z } from 'zod';
import { boardForm, count, figure, figureFromZero, flag, lights, partBase, usbPorts } from './common';
import { SUPPLY_FORMS } from './supply';

export const SIDES = ['front', 'top', 'rear', 'bottom', 'side'] as const;
export const sideSchema = z.enum(SIDES);
export type Side = z.infer<typeof sideSchema>;

/**
 * A place for radiators or fans on one side. `radiatorsMm` are radiator lengths that fit; fans are counted by size.
 * `rowMm` is the length of the row that radiator and fans share.
 */
export const mountSchema = z.strictObject({
  side: sideSchema,
  radiatorsMm: listOf(quantity('mm').int()).optional(),
  fans: listOf(z.strictObject({ sizeMm: quantity('mm').int(), count: pieces(64) })).optional(),
  rowMm: quantity('mm').optional(),
});

/** Fans that come with a case, with what is known of them. */
const includedFanSchema = z.strictObject({
  side: sideSchema,
  sizeMm: quantity('mm').int(),
  count: pieces(64),
  maxRpm: quantity('rpm').optional(),
  airflowM3h: quantity('m³/h').optional(),
  pressurePa: quantity('Pa').optional(),
  noiseDbA: quantity('dB(A)').optional(),
});

export const caseSchema = z.strictObject({
  kind: z.literal('case'),
  ...partBase,
  frame: z.enum(['closed', 'open']).optional().meta({ label: 'frame' }),
  boardForms: listOf(boardForm).min(1).optional().meta({ label: 'board forms' }),
  supplyForms: listOf(z.enum(SUPPLY_FORMS)).min(1).optional().meta({ label: 'supply forms' }),
  supplyLengthMm: figure('room for the supply', 'mm', 'higher'),
  cardLengthMm: figure('room for cards', 'mm', 'higher'),
  cardLengthFrontRadiatorMm: figure('room for cards with a front radiator', 'mm', 'higher'),
  cardHeightMm: figure('room for card height', 'mm', 'higher'),
  expansionSlots: count('expansion slots'),
  uprightCards: flag('upright card mount'),
  coolerHeightMm: figure('room for the cooler', 'mm', 'higher'),
  mounts: listOf(mountSchema).optional().meta({ label: 'radiator and fan mounts' }),
  fansIncluded: listOf(includedFanSchema).optional().meta({ label: 'fans included' }),
  fanCurrentA: figureFromZero('current of a fan included', 'A', 'lower'),
  ...lights,
  fanPowerW: figureFromZero('power of the fans included', 'W', 'lower'),
  bays25: count('2.5" bays'),
  bays35: count('3.5" bays'),
  opticalBays: count('5.25" bays'),
  frontUsb: usbPorts('front USB ports'),
  frontAudio: flag('front audio ports'),
  /** Inside, without mounts: rear panel to front, floor to roof, board tray to side panel. */
  innerLengthMm: figure('inside length', 'mm', 'higher'),
  innerHeightMm: figure('inside height', 'mm', 'higher'),
  innerWidthMm: figure('inside width', 'mm', 'higher'),
  /** Between the board's tray and the panel behind it, where cables run. */
  behindBoardMm: figureFromZero('room behind the board', 'mm', 'higher'),
  supplyPlace: z.enum(['bottom', 'top', 'front']).optional().meta({ label: 'place of the supply' }),
  /** Distance of the 3.5" drive cage from the rear panel. */
  driveCageFromRearMm: figure('drive cage from the rear', 'mm', 'higher'),
  volumeL: figure('volume', 'L', 'lower'),
  damped: flag('damped'),
  dustFilters: flag('dust filters'),
});
