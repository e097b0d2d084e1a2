import { listOf, pieces, quantity, quantityFromZero } from '../../units/bounds';
import { z } from 'zod';
import { bitDepthSchema, chromaSchema, codecSchema, plainText } from '../../parts/common';
import { DRIVE_ROLES, driveRole } from '../../figures/resources';
import { OUT_CODECS, PRESETS } from '../encoders';
import { serveSchema, tablesSchema, trainImagesSchema, trainSchema } from './learning';
import {
  buildSchema,
  cadStepSchema,
  cadViewSchema,
  guestsSchema,
  motionSchema,
  renderSchema,
  solveSchema,
  stillsSchema,
  surveySchema,
} from './making';
import { fps, mbitPerS, pictureSide, taskBase } from './base';

export const sourceSchema = z.strictObject({
  codec: codecSchema,
  width: pictureSide,
  height: pictureSide,
  fps,
  chroma: chromaSchema,
  bitDepth: bitDepthSchema,
  mbitPerS,
  streams: z.number().int().min(1).max(64),
  /** Decode at full, half or quarter size where the codec allows it. */
  decodeAt: z.union([z.literal(1), z.literal(2), z.literal(4)]),
});
export type Source = z.infer<typeof sourceSchema>;

/** How frames between frames are made. */
export const RETIMES = ['off', 'blend', 'flow'] as const;
export const STRENGTHS = ['off', 'light', 'strong'] as const;
const strength = z.enum(STRENGTHS);
export type Strength = z.infer<typeof strength>;

const pictureWork = {
  sources: z.array(sourceSchema).min(1).max(32),
  width: pictureSide,
  height: pictureSide,
  fps,
  correctionSteps: z.number().int().min(0).max(200),
  spatialNr: strength,
  temporalNr: strength,
  /** Speed changes over the programme: frames blended, or made by following what moves. */
  retime: z.enum(RETIMES).optional(),
};

export const PROXIES = ['off', 'half', 'quarter'] as const;

export const editPlaySchema = z.strictObject({
  kind: z.literal('edit-play'),
  ...taskBase,
  ...pictureWork,
  /** Playback at full, half or quarter size. */
  playAt: z.union([z.literal(1), z.literal(2), z.literal(4)]),
  /** Plays stand-ins of the sources, made beforehand at half or quarter size in an intra-frame codec. */
  proxies: z.enum(PROXIES).optional(),
  /** Sends every finished frame to a monitoring output. */
  monitoring: z.boolean(),
  /** Writes finished frames to the scratch drive as it goes. */
  renderCache: z.boolean(),
  /** Hours of this footage that stay on the active drive. */
  keepHours: quantityFromZero('h'),
});
export type EditPlay = z.infer<typeof editPlaySchema>;

export const editExportSchema = z.strictObject({
  kind: z.literal('edit-export'),
  ...taskBase,
  ...pictureWork,
  outWidth: pictureSide,
  outHeight: pictureSide,
  outCodec: z.enum(OUT_CODECS),
  outChroma: chromaSchema,
  outBitDepth: bitDepthSchema,
  outMbitPerS: mbitPerS,
  path: z.enum(['engine', 'software']),
  preset: z.enum(PRESETS),
  programmeMin: quantity('min'),
  targetMin: quantity('min').optional(),
});
export type EditExport = z.infer<typeof editExportSchema>;

export const deskSchema = z.strictObject({
  kind: z.literal('desk'),
  ...taskBase,
  browserTabs: z.number().int().min(0).max(500),
  conferencing: z.boolean(),
  otherGiB: quantityFromZero('GiB'),
});
export type DeskWork = z.infer<typeof deskSchema>;

/** Pictures that come in live, several of one kind. */
export const inputSchema = z.strictObject({
  count: z.number().int().min(1).max(64),
  width: pictureSide,
  height: pictureSide,
  fps,
  chroma: chromaSchema,
  bitDepth: bitDepthSchema,
});
export type LiveInput = z.infer<typeof inputSchema>;

/** One stream that goes out. */
export const renditionSchema = z.strictObject({
  width: pictureSide,
  height: pictureSide,
  codec: z.enum(OUT_CODECS),
  mbitPerS,
  path: z.enum(['engine', 'software']),
  preset: z.enum(PRESETS),
});
export type Rendition = z.infer<typeof renditionSchema>;

export const RECORDINGS = ['off', 'programme', 'inputs'] as const;

export const liveSchema = z.strictObject({
  kind: z.literal('live'),
  ...taskBase,
  inputs: z.array(inputSchema).min(1).max(16),
  /** Into the machine's capture cards, or into a mixer outside, whose programme is the one picture that comes in. */
  via: z.enum(['cards', 'mixer', 'either']),
  width: pictureSide,
  height: pictureSide,
  fps,
  /** Titles and pictures laid over the programme. */
  layers: z.number().int().min(0).max(40),
  /** Inputs whose background is keyed out. */
  keyed: z.number().int().min(0).max(16),
  renditions: z.array(renditionSchema).max(16),
  record: z.enum(RECORDINGS),
  recordCodec: z.enum(OUT_CODECS),
  recordMbitPerS: mbitPerS,
  recordPath: z.enum(['engine', 'software']),
  /** Hours of recordings that stay on the active drive. */
  keepHours: z.number().min(0).max(10_000),
  /** What the uplink must carry beyond the streams themselves, in %. */
  marginPercent: z.number().min(0).max(300),
  /** What the line out of the house carries. */
  uplinkMbitPerS: z.number().positive().max(1_000_000).optional(),
});
export type LiveWork = z.infer<typeof liveSchema>;

export const SHADINGS = ['plain', 'lit', 'rich'] as const;

export const sceneSchema = z.strictObject({
  kind: z.literal('scene'),
  ...taskBase,
  displays: z.number().int().min(1).max(16),
  width: pictureSide,
  height: pictureSide,
  /** Rate to keep, usually the displays' refresh. */
  fps,
  /** Whether the rate counts as kept by the usual frame or by the worst hundredth. */
  judgedBy: z.enum(['usual', 'worst']),
  shading: z.enum(SHADINGS),
  mTriangles: z.number().positive().max(1000),
  drawCalls: z.number().int().min(1).max(1_000_000),
  raysPerPx: z.number().min(0).max(64),
  movingThings: z.number().int().min(0).max(1_000_000),
  texturesGiB: z.number().min(0).max(200),
});
export type SceneWork = z.infer<typeof sceneSchema>;

export const CHECKSUMS = ['none', 'fast', 'strong'] as const;

export const audioSchema = z.strictObject({
  kind: z.literal('audio'),
  ...taskBase,
  tracks: z.number().int().min(1).max(2000),
  effectsPerTrack: z.number().min(0).max(40),
  /** Effects and instruments one behind the other on the longest chain: one core must do them in time. */
  longestChain: z.number().int().min(0).max(200),
  instruments: z.number().int().min(0).max(500),
  voicesFromDrive: z.number().int().min(0).max(20_000),
  bufferSamples: z.number().int().min(16).max(8192),
  rateKHz: z.union([z.literal(44.1), z.literal(48), z.literal(96), z.literal(192)]),
  libraryGiB: z.number().min(0).max(1000),
});
export type AudioWork = z.infer<typeof audioSchema>;

/** Ends of a flow: memory, the card, the fastest or second fastest network, or the drives in a role. */
export const FLOW_ENDS = ['memory', 'graphics', 'network', 'second network', 'capture', ...DRIVE_ROLES] as const;
const flowEnd = z.enum(FLOW_ENDS);
export type FlowEnd = z.infer<typeof flowEnd>;

export const customSchema = z.strictObject({
  kind: z.literal('custom'),
  ...taskBase,
  mode: z.enum(['real-time', 'elastic']),
  /** What one unit is called: frame, record, job. */
  unit: plainText(20),
  /** Units a second that must be kept (real-time). */
  unitsPerS: z.number().positive({ abort: true }).min(1e-9).max(1e12).optional(),
  /** Units in a run and the longest it may take (elastic). */
  unitsPerRun: z.number().positive({ abort: true }).min(1e-9).max(1e15).optional(),
  targetMin: quantity('min').optional(),
  threadCap: pieces(4096).optional(),
  serialGwork: quantityFromZero('Gwork').optional(),
  parallelGwork: quantityFromZero('Gwork').optional(),
  memoryTrafficGB: quantityFromZero('GB').optional(),
  fp32Gflop: quantityFromZero('GFLOP').optional(),
  graphicsTrafficGB: quantityFromZero('GB').optional(),
  networkGB: quantityFromZero('GB').optional(),
  memoryGiB: quantityFromZero('GiB').optional(),
  graphicsMemoryGiB: quantityFromZero('GiB').optional(),
  readGB: z.partialRecord(driveRole, quantityFromZero('GB')).optional(),
  writeGB: z.partialRecord(driveRole, quantityFromZero('GB')).optional(),
  /** Streams between devices while the task runs, at a fixed rate. */
  flows: listOf(z.strictObject({ from: flowEnd, to: flowEnd, gbytePerS: quantity('GB/s') }), 64).optional(),
});
export type CustomWork = z.infer<typeof customSchema>;

export const ingestSchema = z.strictObject({
  kind: z.literal('ingest'),
  ...taskBase,
  from: flowEnd,
  to: flowEnd,
  /** Recorders, cards or drives read or written at once, each at its full rate. */
  streams: z.number().int().min(1).max(64),
  gbitPerS: z.number().min(0.001).max(1000),
  /** How long it goes on without a pause; decides whether a drive's cache helps. */
  hours: z.number().min(0.01).max(8760),
  checksum: z.enum(CHECKSUMS),
  /** A second copy made at the same time. */
  copyTo: flowEnd.optional(),
  keepTB: z.number().min(0).max(10_000),
});
export type IngestWork = z.infer<typeof ingestSchema>;

/** Schemas of all kinds of task. */
export const taskKinds = [
  editPlaySchema,
  editExportSchema,
  liveSchema,
  sceneSchema,
  ingestSchema,
  audioSchema,
  cadViewSchema,
  cadStepSchema,
  solveSchema,
  renderSchema,
  surveySchema,
  motionSchema,
  stillsSchema,
  buildSchema,
  guestsSchema,
  trainSchema,
  trainImagesSchema,
  serveSchema,
  tablesSchema,
  deskSchema,
  customSchema,
] as const;
const anyTask = z.discriminatedUnion('kind', taskKinds);
/** Settings of a task that cannot hold together, each with the field to look at and why. */
function contradictionsOf(task: z.infer<typeof anyTask>): { field: string; message: string }[] {
  switch (task.kind) {
    case 'live': {
      const inputs = task.inputs.reduce((all, input) => all + input.count, 0);
      return task.keyed > inputs
        ? [{ field: 'keyed', message: `keys ${task.keyed} inputs, but only ${inputs} come in` }]
        : [];
    }
    case 'ingest':
      return [
        ...(task.from === task.to
          ? [{ field: 'to', message: `writes to ${task.to}, where it is taken from; name another end` }]
          : []),
        ...(task.copyTo !== undefined && (task.copyTo === task.to || task.copyTo === task.from)
          ? [{ field: 'copyTo', message: `copies on to ${task.copyTo}, where the data is already; name another end` }]
          : []),
      ];
    default:
      return [];
  }
}

export const taskSchema = anyTask.superRefine((task, context) => {
  for (const { field, message } of contradictionsOf(task))
    context.addIssue({ code: 'custom', path: field.split('.'), message });
});
export type Task = z.infer<typeof taskSchema>;
export type TaskOf<K extends TaskKind> = Extract<Task, { kind: K }>;
export type TaskKind = Task['kind'];
