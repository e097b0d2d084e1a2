import { z } from 'zod';
import { count, figure, partBase, plainText, figureFromZero } from './common';

/** Package-to-air resistance at a fan speed. */
export const resistancePointSchema = z.strictObject({ rpm: z.number().positive(), kPerW: z.number().positive() });

export const coolerSchema = z.strictObject({
  kind: z.literal('cooler'),
  ...partBase,
  type: z.enum(['tower', 'low-profile', 'liquid', 'passive']).optional().meta({ label: 'type' }),
  sockets: z
    .array(z.strictObject({ socket: plainText(40), kit: z.enum(['included', 'apart']) }))
    .optional()
    .meta({ label: 'sockets' }),
  resistance: z.array(resistancePointSchema).optional().meta({ label: 'thermal resistance' }),
  heightMm: figure('height', 'mm', 'lower'),
  radiatorMm: figure('radiator length', 'mm', 'none'),
  memoryClearanceMm: figure('room for modules under it', 'mm', 'higher'),
  fans: count('fans', 'none'),
  powerW: figureFromZero('power', 'W', 'lower'),
  noiseDbA: figure('noise at full speed', 'dB(A)', 'lower'),
});

export const fanSchema = z.strictObject({
  kind: z.literal('fan'),
  ...partBase,
  sizeMm: figure('size', 'mm', 'none'),
  maxRpm: figure('speed', 'rpm', 'higher'),
  airflowM3h: figure('airflow', 'm³/h', 'higher'),
  pressurePa: figure('static pressure', 'Pa', 'higher'),
  noiseDbA: figure('noise', 'dB(A)', 'lower'),
  currentA: figure('current', 'A', 'lower'),
  powerW: figure('power', 'W', 'lower'),
  connector: z.enum(['3-pin', '4-pin']).optional().meta({ label: 'connector' }),
});
