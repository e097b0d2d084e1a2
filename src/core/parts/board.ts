import { listOf, pieces, quantity } from '../units/bounds';
import { z } from 'zod';
import {
  boardForm,
  connectorCounts,
  count,
  displayPorts,
  figure,
  flag,
  idText,
  isoDate,
  lanes,
  linkGeneration,
  memoryGeneration,
  moduleKind,
  partBase,
  partIdSchema,
  plainText,
  populationRateSchema,
  usbPorts,
  wirelessStandard,
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
 * `mechanicalLanes` is the width of the connector, `lanes` what is wired to it without any mode. `splits` is how many
 * links of four lanes the slot's lanes can be split into for a card that carries drives (1 when it cannot be split);
 * `roomMm` is the height between an M.2 slot and the board's own cover above it.
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
  lengthsMm: listOf(quantity('mm').int()).optional(),
  takesSata: z.boolean().optional(),
  /** The board's cover over an M.2 slot can be left off for a drive that brings its own heatsink. */
  coverComesOff: z.boolean().optional(),
  splits: z.number().int().min(1).max(4).optional(),
  roomMm: quantity('mm').optional(),
  /** For an M.2 slot: the expansion row it lies at; 0 is above the first row. */
  atRow: z.number().int().min(0).max(8).optional(),
});
export type SlotSpec = z.infer<typeof slotSchema>;

/** Slots fed by one port whose lanes are dealt out by mode; the first mode is the one used when it does not matter. */
export const sharedPortSchema = z.strictObject({
  id: idText,
  lanes,
  modes: listOf(z.strictObject({ name: plainText(20), lanes: z.record(idText, z.number().int().min(0).max(16)) })).min(
    1,
  ),
});

/** Using `slot` switches the slots in `off` off. */
export const exclusionSchema = z.strictObject({ slot: idText, off: listOf(idText).min(1) });

/** A function soldered to the board: it hangs on the tree and shares its uplink. */
export const integratedSchema = z.strictObject({
  id: idText,
  label: plainText(40),
  on: idText,
  kind: z.enum(['network', 'usb', 'wireless', 'audio']),
  gbitPerS: quantity('Gb/s'),
});

export const topologySchema = z.strictObject({
  hubs: listOf(hubSchema),
  slots: listOf(slotSchema),
  sharedPorts: listOf(sharedPortSchema).optional(),
  exclusions: listOf(exclusionSchema).optional(),
  integrated: listOf(integratedSchema).optional(),
});
export type Topology = z.infer<typeof topologySchema>;

export const memorySlotSchema = z.strictObject({
  id: idText,
  label: plainText(12),
  channel: plainText(4),
  position: z.number().int().min(1).max(3),
  fillOrder: pieces(64),
});
export type MemorySlot = z.infer<typeof memorySlotSchema>;

export const boardSchema = z.strictObject({
  kind: z.literal('board'),
  ...partBase,
  socket: plainText(40).optional().meta({ label: 'socket' }),
  chipset: plainText(40).optional().meta({ label: 'chipset' }),
  form: boardForm.optional().meta({ label: 'form' }),
  memoryGeneration: memoryGeneration.optional().meta({ label: 'memory generation' }),
  moduleKind: moduleKind.optional().meta({ label: 'module kind' }),
  memorySlots: listOf(memorySlotSchema).optional().meta({ label: 'memory slots' }),
  moduleLimitGiB: figure('limit per memory slot', 'GiB', 'higher'),
  memoryLimitGiB: figure('memory limit', 'GiB', 'higher'),
  /** The highest rate that can be set at all; what is supported in a population is in `memoryRates`. */
  memoryRateMTs: figure('memory rate limit', 'MT/s', 'higher'),
  memoryRates: listOf(populationRateSchema).min(1).optional().meta({ label: 'memory rates by population' }),
  profileKinds: listOf(z.enum(['XP', 'EP']))
    .optional()
    .meta({ label: 'memory profile kinds read' }),
  errorCorrection: flag('error correction'),
  topology: topologySchema.optional().meta({ label: 'topology' }),
  processorPowerW: figure('sustained processor power', 'W', 'higher'),
  boardPowerW: figure('own draw', 'W', 'lower'),
  shippedFirmware: plainText(20).optional().meta({ label: 'shipped firmware' }),
  /** `slotsOff` are slots whose lanes this family does not have. */
  processorFamilies: listOf(
    z.strictObject({
      family: plainText(40),
      minimumFirmware: plainText(20).optional(),
      slotsOff: listOf(idText).optional(),
    }),
  )
    .optional()
    .meta({ label: 'processor families' }),
  /** Published versions, with the faults that are known of them. */
  firmwareVersions: listOf(
    z.strictObject({
      version: plainText(20),
      channel: z.enum(['release', 'beta']),
      date: isoDate.optional(),
      fault: plainText(160).optional(),
    }),
  )
    .optional()
    .meta({ label: 'firmware versions published' }),
  flashWithoutProcessor: flag('firmware can be flashed without a processor'),
  secondFirmwareChip: flag('second firmware chip'),
  displayOutputs: displayPorts('display outputs'),
  rearUsb: usbPorts('rear USB ports'),
  fanHeaders: count('fan headers'),
  fanHeaderCurrentA: figure('fan header current', 'A', 'higher'),
  pumpHeaders: count('pump headers'),
  lightHeaders: count('addressable light headers'),
  lightHeaders12V: count('light headers of 12 V'),
  lightProgram: plainText(40).optional().meta({ label: 'program of its lights' }),
  frontAudioHeader: flag('front audio header'),
  frontUsbHeaders: usbPorts('front USB headers'),
  powerInputs: connectorCounts,
  wireless: flag('wireless'),
  wirelessStandard: wirelessStandard.optional().meta({ label: 'wireless standard, IEEE 802.11' }),
  /** Middle of the socket from the board's rear edge and from its upper one. */
  socketFromRearMm: figure('socket from the rear edge', 'mm', 'none'),
  socketFromTopMm: figure('socket from the upper edge', 'mm', 'none'),
  sataCables: count('data cables included'),
  remoteManagement: flag('remote management'),
  heatsinkHeightMm: figure('heatsink height near the socket', 'mm', 'lower'),
  testedMemory: listOf(partIdSchema).optional().meta({ label: 'tested memory' }),
});
