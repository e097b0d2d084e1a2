import { z } from 'zod';
import { bitDepthSchema, chromaSchema, codecSchema, idText, plainText } from '../parts/common';
import { driveRole } from '../machine';

const pictureSide = z.number().int().min(16).max(32768);
const fps = z.number().positive().max(1000);

export const sourceSchema = z.strictObject({
  codec: codecSchema,
  width: pictureSide,
  height: pictureSide,
  fps,
  chroma: chromaSchema,
  bitDepth: bitDepthSchema,
  mbitPerS: z.number().positive(),
  streams: z.number().int().min(1).max(64),
  /** Decode at full, half or quarter size where the codec allows it. */
  decodeAt: z.union([z.literal(1), z.literal(2), z.literal(4)]),
});
export type Source = z.infer<typeof sourceSchema>;

const strength = z.enum(['off', 'light', 'strong']);
export type Strength = z.infer<typeof strength>;

const taskBase = {
  id: idText,
  name: plainText(80),
  importance: z.number().int().min(1).max(5),
  runsPerWeek: z.number().nonnegative().optional(),
  /** Keeps a reserve so that the machine stays usable while elastic work runs. */
  foreground: z.boolean().optional(),
  application: idText.optional(),
};

const pictureWork = {
  sources: z.array(sourceSchema).min(1).max(32),
  width: pictureSide,
  height: pictureSide,
  fps,
  correctionSteps: z.number().int().min(0).max(200),
  spatialNr: strength,
  temporalNr: strength,
};

export const editPlaySchema = z.strictObject({
  kind: z.literal('edit-play'),
  ...taskBase,
  ...pictureWork,
  /** Playback at full, half or quarter size. */
  playAt: z.union([z.literal(1), z.literal(2), z.literal(4)]),
  /** Sends every finished frame to a monitoring output. */
  monitoring: z.boolean(),
  /** Writes finished frames to the scratch drive as it goes. */
  renderCache: z.boolean(),
  /** Hours of this footage that stay on the active drive. */
  keepHours: z.number().nonnegative(),
});
export type EditPlay = z.infer<typeof editPlaySchema>;

export const PRESETS = ['fast', 'medium'] as const;

export const editExportSchema = z.strictObject({
  kind: z.literal('edit-export'),
  ...taskBase,
  ...pictureWork,
  outWidth: pictureSide,
  outHeight: pictureSide,
  outCodec: z.enum(['h264', 'hevc', 'av1', 'mezzanine']),
  outChroma: chromaSchema,
  outBitDepth: bitDepthSchema,
  outMbitPerS: z.number().positive(),
  path: z.enum(['engine', 'software']),
  preset: z.enum(PRESETS),
  programmeMin: z.number().positive(),
  targetMin: z.number().positive().optional(),
});
export type EditExport = z.infer<typeof editExportSchema>;

export const deskSchema = z.strictObject({
  kind: z.literal('desk'),
  ...taskBase,
  browserTabs: z.number().int().min(0).max(500),
  conferencing: z.boolean(),
  otherGiB: z.number().nonnegative(),
});
export type DeskWork = z.infer<typeof deskSchema>;

/** Ends of a flow: memory, the card, the fastest or second fastest network, or the drives in a role. */
const flowEnd = z.union([z.enum(['memory', 'graphics', 'network', 'second network', 'capture']), driveRole]);

export const customSchema = z.strictObject({
  kind: z.literal('custom'),
  ...taskBase,
  mode: z.enum(['real-time', 'elastic']),
  /** What one unit is called: frame, record, job. */
  unit: plainText(20),
  /** Units a second that must be kept (real-time). */
  unitsPerS: z.number().positive().optional(),
  /** Units in a run and the longest it may take (elastic). */
  unitsPerRun: z.number().positive().optional(),
  targetMin: z.number().positive().optional(),
  threadCap: z.number().int().positive().optional(),
  serialGwork: z.number().nonnegative().optional(),
  parallelGwork: z.number().nonnegative().optional(),
  memoryTrafficGB: z.number().nonnegative().optional(),
  fp32Gflop: z.number().nonnegative().optional(),
  graphicsTrafficGB: z.number().nonnegative().optional(),
  networkGB: z.number().nonnegative().optional(),
  memoryGiB: z.number().nonnegative().optional(),
  graphicsMemoryGiB: z.number().nonnegative().optional(),
  readGB: z.partialRecord(driveRole, z.number().nonnegative()).optional(),
  writeGB: z.partialRecord(driveRole, z.number().nonnegative()).optional(),
  /** Streams between devices while the task runs, at a fixed rate. */
  flows: z.array(z.strictObject({ from: flowEnd, to: flowEnd, gbytePerS: z.number().positive() })).optional(),
});
export type CustomWork = z.infer<typeof customSchema>;

export const taskSchema = z.discriminatedUnion('kind', [editPlaySchema, editExportSchema, deskSchema, customSchema]);
export type Task = z.infer<typeof taskSchema>;
export type TaskKind = Task['kind'];
