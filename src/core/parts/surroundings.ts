import { z } from 'zod';
import { count, displayPorts, figure, flag, partBase, partIdSchema, plainText } from './common';

export const displaySchema = z.strictObject({
  kind: z.literal('display'),
  ...partBase,
  diagonalIn: figure('diagonal', 'in', 'none'),
  widthPx: count('width'),
  heightPx: count('height'),
  refreshHz: figure('refresh rate', 'Hz', 'higher'),
  adaptiveSync: z.array(plainText(40)).optional().meta({ label: 'adaptive-sync kinds' }),
  inputs: displayPorts('inputs'),
});

export const peripheralSchema = z.strictObject({
  kind: z.literal('peripheral'),
  ...partBase,
  purpose: plainText(60).optional().meta({ label: 'purpose' }),
});

export const systemSchema = z.strictObject({
  kind: z.literal('system'),
  ...partBase,
  yearly: flag('paid yearly'),
});

export const licenceSchema = z.strictObject({
  kind: z.literal('licence'),
  ...partBase,
  application: plainText(60).optional().meta({ label: 'application' }),
  terms: z.enum(['tied', 'transferable', 'yearly', 'metered', 'free']).optional().meta({ label: 'terms' }),
});

export const serviceSchema = z.strictObject({
  kind: z.literal('service'),
  ...partBase,
  hours: figure('labour', 'h', 'lower'),
});

/** Small things a build needs: mounting kits, cables, risers, paste, light controllers. */
export const accessorySchema = z.strictObject({
  kind: z.literal('accessory'),
  ...partBase,
  purpose: z
    .enum(['mounting-kit', 'cable', 'riser', 'paste', 'light-controller'])
    .optional()
    .meta({ label: 'purpose' }),
  fitsCooler: partIdSchema.optional().meta({ label: 'fits cooler' }),
  fitsSocket: plainText(40).optional().meta({ label: 'fits socket' }),
});
