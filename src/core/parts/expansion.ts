import { listOf, quantity } from '../units/bounds';
import { z } from 'zod';
import { connectorCounts, count, figure, flag, lanes, linkGeneration, partBase, wirelessStandard } from './common';

export const expansionSchema = z.strictObject({
  kind: z.literal('expansion'),
  ...partBase,
  purpose: z
    .enum(['capture', 'network', 'storage', 'sound', 'wireless', 'monitoring'])
    .optional()
    .meta({ label: 'purpose' }),
  generation: linkGeneration.optional().meta({ label: 'link generation' }),
  lanes: lanes.optional().meta({ label: 'lanes' }),
  slots: figure('thickness', 'slots', 'lower'),
  lengthMm: figure('length', 'mm', 'lower'),
  heightMm: figure('height', 'mm', 'lower'),
  powerW: figure('power', 'W', 'lower'),
  connectors: connectorCounts,
  driveSlots: count('drive slots on the card'),
  driveForms: listOf(z.enum(['M.2 2230', 'M.2 2280', 'M.2 22110']))
    .optional()
    .meta({ label: 'drive forms it takes' }),
  ownSwitch: flag('own lane switch'),
  videoInputs: count('video inputs'),
  inputGbitPerS: figure('rate of an input', 'Gb/s', 'higher'),
  /** Where its inputs differ: how many there are of each rate. */
  inputPorts: listOf(z.strictObject({ gbitPerS: quantity('Gb/s'), count: z.number().int().min(1).max(64) }))
    .max(16)
    .optional()
    .meta({ label: 'inputs by rate' }),
  networkGbitPerS: figure('network rate', 'Gb/s', 'higher'),
  wireless: flag('wireless'),
  wirelessStandard: wirelessStandard.optional().meta({ label: 'wireless standard, IEEE 802.11' }),
});

export const mixerSchema = z.strictObject({
  kind: z.literal('mixer'),
  ...partBase,
  videoInputs: count('video inputs'),
  monitorsAll: flag('monitor-all view'),
  ownEncoding: flag('own encoding'),
  ownRecording: flag('own recording'),
  powerW: figure('power', 'W', 'lower'),
});
