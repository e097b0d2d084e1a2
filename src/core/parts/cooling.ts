import { listOf } from '../units/bounds';
import { z } from 'zod';
import { count, figure, flag, lights, partBase, plainText, figureFromZero, resistancePoints } from './common';

export const coolerSchema = z.strictObject({
  kind: z.literal('cooler'),
  ...partBase,
  type: z.enum(['tower', 'low-profile', 'liquid', 'passive']).optional().meta({ label: 'type' }),
  sockets: listOf(z.strictObject({ socket: plainText(40), kit: z.enum(['included', 'apart']) }))
    .optional()
    .meta({ label: 'sockets' }),
  resistance: resistancePoints('thermal resistance'),
  heightMm: figure('height', 'mm', 'lower'),
  /** Its extent along the air stream, and across it; what stands above the modules is the first. */
  depthMm: figure('depth along the air stream', 'mm', 'lower'),
  widthMm: figure('width across it', 'mm', 'lower'),
  /** How far its middle sits from the socket's, towards the rear. */
  offsetMm: figureFromZero('offset to the rear', 'mm', 'none'),
  finsAboveBoardMm: figure('lowest fins above the board', 'mm', 'higher'),
  radiatorMm: figure('radiator length', 'mm', 'none'),
  radiatorThicknessMm: figure('thickness of radiator and fans', 'mm', 'lower'),
  memoryClearanceMm: figure('room for modules under it', 'mm', 'higher'),
  fans: count('fans', 'none'),
  fanCurrentA: figureFromZero('current of a fan', 'A', 'lower'),
  ...lights,
  pasteIncluded: flag('paste included'),
  powerW: figureFromZero('power', 'W', 'lower'),
  noiseDbA: figure('noise at full speed', 'dB(A)', 'lower'),
});

export const fanSchema = z.strictObject({
  kind: z.literal('fan'),
  ...partBase,
  sizeMm: figure('size', 'mm', 'none'),
  /** Of fans that plug into one another: how much longer their row is at each joint. */
  linkMm: figureFromZero('joint with its neighbour', 'mm', 'lower'),
  maxRpm: figure('speed', 'rpm', 'higher'),
  airflowM3h: figure('airflow', 'm³/h', 'higher'),
  pressurePa: figure('static pressure', 'Pa', 'higher'),
  noiseDbA: figure('noise', 'dB(A)', 'lower'),
  currentA: figure('current', 'A', 'lower'),
  powerW: figure('power', 'W', 'lower'),
  ...lights,
  connector: z.enum(['3-pin', '4-pin']).optional().meta({ label: 'connector' }),
});
