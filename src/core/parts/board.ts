import { z } from 'zod';
import {
  boardForm,
  connectorCounts,
  count,
  displayPorts,
  figure,
  flag,
  idText,
  lanes,
  linkGeneration,
  memoryGeneration,
  moduleKind,
  partBase,
  partIdSchema,
  plainText,
} from './common';

/** A chipset chip. `on` is `cpu` or another hub's id; the uplink is shared by all that hangs below. */
export const hubSchema = z.strictObject({
  id: idText,
  label: plainText(40),
  on: idText,
  generation: linkGeneration,
  lanes,
});

/**
 * A place a device can go. `row` counts expansion rows from the processor downwards, 1 first; M.2 and SATA have none.
 * `mechanicalLanes` is the width of the connector, `lanes` what is wired to it without any mode.
 */
export const slotSchema = z.strictObject({
  id: idText,
  label: plainText(40),
  on: idText,
  kind: z.enum(['card', 'm2', 'sata', 'u2']),
  generation: linkGeneration.optional(),
  lanes: lanes.optional(),
  mechanicalLanes: lanes.optional(),
  row: z.number().int().min(1).max(8).optional(),
  lengthsMm: z.array(z.number().int().positive()).optional(),
  takesSata: z.boolean().optional(),
});
export type SlotSpec = z.infer<typeof slotSchema>;

/** Slots fed by one port whose lanes are dealt out by mode; the first mode is the one used when it does not matter. */
export const sharedPortSchema = z.strictObject({
  id: idText,
  lanes,
  modes: z
    .array(z.strictObject({ name: plainText(20), lanes: z.record(idText, z.number().int().min(0).max(16)) }))
    .min(1),
});

/** Using `slot` switches the slots in `off` off. */
export const exclusionSchema = z.strictObject({ slot: idText, off: z.array(idText).min(1) });

/** A function soldered to the board: it hangs on the tree and shares its uplink. */
export const integratedSchema = z.strictObject({
  id: idText,
  label: plainText(40),
  on: idText,
  kind: z.enum(['network', 'usb', 'wireless', 'audio']),
  gbitPerS: z.number().positive(),
});

export const topologySchema = z.strictObject({
  hubs: z.array(hubSchema),
  slots: z.array(slotSchema),
  sharedPorts: z.array(sharedPortSchema).optional(),
  exclusions: z.array(exclusionSchema).optional(),
  integrated: z.array(integratedSchema).optional(),
});
export type Topology = z.infer<typeof topologySchema>;

export const memorySlotSchema = z.strictObject({
  id: idText,
  label: plainText(12),
  channel: plainText(4),
  position: z.number().int().min(1).max(3),
  fillOrder: z.number().int().min(1),
});

export const boardSchema = z.strictObject({
  kind: z.literal('board'),
  ...partBase,
  socket: plainText(40).optional().meta({ label: 'socket' }),
  chipset: plainText(40).optional().meta({ label: 'chipset' }),
  form: boardForm.optional().meta({ label: 'form' }),
  memoryGeneration: memoryGeneration.optional().meta({ label: 'memory generation' }),
  moduleKind: moduleKind.optional().meta({ label: 'module kind' }),
  memorySlots: z.array(memorySlotSchema).optional().meta({ label: 'memory slots' }),
  moduleLimitGiB: figure('limit per memory slot', 'GiB', 'higher'),
  memoryLimitGiB: figure('memory limit', 'GiB', 'higher'),
  memoryRateMTs: figure('memory rate limit', 'MT/s', 'higher'),
  profileKinds: z
    .array(z.enum(['XP', 'EP']))
    .optional()
    .meta({ label: 'memory profile kinds read' }),
  errorCorrection: flag('error correction'),
  topology: topologySchema.optional().meta({ label: 'topology' }),
  processorPowerW: figure('sustained processor power', 'W', 'higher'),
  boardPowerW: figure('own draw', 'W', 'lower'),
  shippedFirmware: plainText(20).optional().meta({ label: 'shipped firmware' }),
  processorFamilies: z
    .array(z.strictObject({ family: plainText(40), minimumFirmware: plainText(20).optional() }))
    .optional()
    .meta({ label: 'processor families' }),
  flashWithoutProcessor: flag('firmware can be flashed without a processor'),
  secondFirmwareChip: flag('second firmware chip'),
  displayOutputs: displayPorts('display outputs'),
  rearUsb: z
    .array(z.strictObject({ gbitPerS: z.number().positive(), count: z.number().int().positive() }))
    .optional()
    .meta({ label: 'rear USB ports' }),
  fanHeaders: count('fan headers'),
  fanHeaderCurrentA: figure('fan header current', 'A', 'higher'),
  frontUsbHeaders: z
    .array(z.strictObject({ gbitPerS: z.number().positive(), count: z.number().int().positive() }))
    .optional()
    .meta({ label: 'front USB headers' }),
  powerInputs: connectorCounts,
  wireless: flag('wireless'),
  heatsinkHeightMm: figure('heatsink height near the socket', 'mm', 'lower'),
  testedMemory: z.array(partIdSchema).optional().meta({ label: 'tested memory' }),
});
