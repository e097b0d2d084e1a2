import { z } from 'zod';
import { boardForm, count, figure, figureFromZero, flag, partBase } from './common';
import { SUPPLY_FORMS } from './supply';

/** A place for radiators or fans on one side. `sizesMm` are radiator lengths that fit; fans are counted by size. */
export const mountSchema = z.strictObject({
  side: z.enum(['front', 'top', 'rear', 'bottom', 'side']),
  radiatorsMm: z.array(z.number().int().positive()).optional(),
  fans: z.array(z.strictObject({ sizeMm: z.number().int().positive(), count: z.number().int().positive() })).optional(),
});

export const caseSchema = z.strictObject({
  kind: z.literal('case'),
  ...partBase,
  frame: z.enum(['closed', 'open']).optional().meta({ label: 'frame' }),
  boardForms: z.array(boardForm).min(1).optional().meta({ label: 'board forms' }),
  supplyForms: z.array(z.enum(SUPPLY_FORMS)).min(1).optional().meta({ label: 'supply forms' }),
  supplyLengthMm: figure('room for the supply', 'mm', 'higher'),
  cardLengthMm: figure('room for cards', 'mm', 'higher'),
  cardLengthFrontRadiatorMm: figure('room for cards with a front radiator', 'mm', 'higher'),
  expansionSlots: count('expansion slots'),
  uprightCards: flag('upright card mount'),
  coolerHeightMm: figure('room for the cooler', 'mm', 'higher'),
  mounts: z.array(mountSchema).optional().meta({ label: 'radiator and fan mounts' }),
  fansIncluded: z
    .array(
      z.strictObject({
        side: z.enum(['front', 'top', 'rear', 'bottom', 'side']),
        sizeMm: z.number().int().positive(),
        count: z.number().int().positive(),
      }),
    )
    .optional()
    .meta({ label: 'fans included' }),
  fanPowerW: figureFromZero('power of the fans included', 'W', 'lower'),
  bays25: count('2.5" bays'),
  bays35: count('3.5" bays'),
  opticalBays: count('5.25" bays'),
  frontUsb: z
    .array(z.strictObject({ gbitPerS: z.number().positive(), count: z.number().int().positive() }))
    .optional()
    .meta({ label: 'front USB ports' }),
  volumeL: figure('volume', 'L', 'lower'),
  damped: flag('damped'),
  dustFilters: flag('dust filters'),
});
