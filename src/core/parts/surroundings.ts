import { listOf } from '../units/bounds';
import { z } from 'zod';
import {
  CONNECTORS,
  count,
  displayPorts,
  figure,
  figureFromZero,
  flag,
  lanes,
  linkGeneration,
  lights,
  partBase,
  partIdSchema,
  plainText,
} from './common';

export const displaySchema = z.strictObject({
  kind: z.literal('display'),
  ...partBase,
  diagonalIn: figure('diagonal', 'in', 'none'),
  widthPx: count('width', 'higher', 1e6),
  heightPx: count('height', 'higher', 1e6),
  refreshHz: figure('refresh rate', 'Hz', 'higher'),
  adaptiveSync: listOf(plainText(40)).optional().meta({ label: 'adaptive-sync kinds' }),
  inputs: displayPorts('inputs'),
  /** Passes a DisplayPort picture on to a further display on the same output (multi-stream transport). */
  chains: flag('passes pictures on'),
});

export const peripheralSchema = z.strictObject({
  kind: z.literal('peripheral'),
  ...partBase,
  purpose: plainText(60).optional().meta({ label: 'purpose' }),
  /** What of a desk it is, so that it can be told whether one is there. */
  serves: listOf(z.enum(['keyboard', 'pointing']))
    .optional()
    .meta({ label: 'serves as' }),
});

export const systemSchema = z.strictObject({
  kind: z.literal('system'),
  ...partBase,
  /** The system's plain name, as applications name it. */
  system: plainText(40).optional().meta({ label: 'system' }),
  yearly: flag('paid yearly'),
  /** It starts fully only where the firmware checks what it loads. */
  secureStart: flag('wants secure start'),
  /** Its licence may move to another machine; one that is tied stays where it first ran. */
  moves: flag('licence moves to another machine'),
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
  /** What the service is: putting the machine together, or standing behind it. */
  purpose: z.enum(['assembly', 'warranty']).optional().meta({ label: 'purpose' }),
  onSite: flag('on site'),
  responseDays: figureFromZero('until it works again', 'working days', 'lower'),
});

/** Small things a build needs: mounting kits, cables, risers, paste, light controllers. */
export const accessorySchema = z.strictObject({
  kind: z.literal('accessory'),
  ...partBase,
  purpose: z
    .enum(['mounting-kit', 'cable', 'riser', 'paste', 'light-controller'])
    .optional()
    .meta({ label: 'purpose' }),
  /** What a cable is for: data of a drive, more fans on one header, a front port's plug on another header. */
  cableFor: z.enum(['drive data', 'fan splitter', 'front port', 'power']).optional().meta({ label: 'cable for' }),
  outlets: count('outlets'),
  lengthMm: figure('length', 'mm', 'none'),
  /** A lead that makes one power input out of others: so many of one plug into one of another. */
  fromPlug: z.enum(CONNECTORS).optional().meta({ label: 'takes plugs of' }),
  fromPlugs: count('plugs it takes', 'none'),
  toPlug: z.enum(CONNECTORS).optional().meta({ label: 'gives a plug of' }),
  /** Plug and program of the lights that a controller feeds. */
  lightPlug: lights.lightPlug,
  lightProgram: lights.lightProgram,
  generation: linkGeneration.optional().meta({ label: 'link generation' }),
  lanes: lanes.optional().meta({ label: 'lanes' }),
  fitsCooler: partIdSchema.optional().meta({ label: 'fits cooler' }),
  fitsSocket: plainText(40).optional().meta({ label: 'fits socket' }),
});
