import { z } from 'zod';
import { chromaSchema, codecSchema, idText, isoDate, plainText, bitDepthSchema } from '../parts/common';
import { OUT_CODECS, PRESETS } from './encoders';
import { MESHES, buildSchema } from './tasks/making';
import { tablesSchema } from './tasks/learning';

const side = z.number().int().min(16).max(32768);
const threads = z.number().int().min(1).max(1024);
const count = (most: number) => z.number().int().min(1).max(most);
const picture = { width: side, height: side, threads };
const decoded = z.strictObject({ codec: codecSchema, chroma: chromaSchema, bitDepth: bitDepthSchema });
const encoded = z.strictObject({ codec: z.enum(OUT_CODECS), preset: z.enum(PRESETS), chroma: chromaSchema });

/** What was measured, in the model's own words, so that it can be predicted too. */
export const workloadSchema = z.discriminatedUnion('work', [
  z.strictObject({ work: z.literal('decode'), ...picture, source: decoded }),
  z.strictObject({ work: z.literal('encode'), ...picture, target: encoded }),
  /** Correction steps on the processor, nothing else. */
  z.strictObject({ work: z.literal('correct'), ...picture, steps: z.number().min(0.1).max(100) }),
  /** Decode, correct and encode in one run; what is left out did not take part. */
  z.strictObject({
    work: z.literal('chain'),
    ...picture,
    source: decoded.optional(),
    steps: z.number().min(0).max(100),
    target: encoded.optional(),
  }),
  z.strictObject({
    work: z.literal('drive'),
    direction: z.enum(['read', 'write']),
    access: z.enum(['sequential', 'random']),
    /** The drive of the machine that was measured. */
    item: idText.optional(),
    gigabytes: z.number().positive().max(1e6).optional(),
  }),
  /** A programme laid together: titles over all of it, further inputs scaled to a quarter, inputs keyed. */
  z.strictObject({
    work: z.literal('compose'),
    ...picture,
    titles: z.number().int().min(0).max(100),
    scaled: z.number().int().min(0).max(100),
    keyed: z.number().int().min(0).max(100),
  }),
  /** Packed samples to planes, or a programme scaled to this size. */
  z.strictObject({ work: z.literal('unpack'), ...picture }),
  z.strictObject({ work: z.literal('scale'), ...picture }),
  /** Files of a build, without linking. */
  z.strictObject({ work: z.literal('build'), weight: buildSchema.shape.weight, files: count(1e6), threads }),
  z.strictObject({ work: z.literal('rays'), mTriangles: z.number().min(1e-4).max(1e4), threads }),
  z.strictObject({ work: z.literal('features'), doubled: z.boolean(), threads }),
  z.strictObject({ work: z.literal('match'), features: count(1e6), threads }),
  z.strictObject({ work: z.literal('adjust'), images: count(1e6), features: count(1e6), threads }),
  /** A surface over points, of cells 4 to the power of a depth. */
  z.strictObject({
    work: z.literal('mesh'),
    mPoints: z.number().min(1e-4).max(1e4),
    depth: z.number().int().min(1).max(20),
    threads,
  }),
  /** One factorisation, without ordering. */
  z.strictObject({
    work: z.literal('factorise'),
    mesh: z.enum(MESHES),
    unknownsK: z.number().min(0.1).max(1e6),
    threads,
  }),
  z.strictObject({
    work: z.literal('table'),
    effort: z.enum([...tablesSchema.shape.effort.options, 'prepare']),
    gigabytes: z.number().positive().max(1e6),
    threads,
  }),
  /** Reading a prompt of a model of so many parameters, and what a step of it costs besides. */
  z.strictObject({ work: z.literal('prompt'), paramsB: z.number().positive().max(2000), threads }),
  z.strictObject({ work: z.literal('model step'), threads }),
  /** A product of large square matrices. */
  z.strictObject({ work: z.literal('product'), precision: z.enum(['fp32', 'fp64']), threads }),
  /** Bytes copied through the page cache, summed, or both. */
  z.strictObject({
    work: z.literal('transfer'),
    copied: z.boolean(),
    checksum: z.enum(['none', 'fast', 'strong']),
    threads,
  }),
  z.strictObject({
    work: z.literal('still'),
    step: z.enum(['develop', 'correct', 'reduce noise', 'write', 'write lossless']),
    threads,
  }),
  z.strictObject({ work: z.literal('memory'), threads }),
  z.strictObject({ work: z.literal('compress'), threads }),
  z.strictObject({ work: z.literal('arithmetic'), threads }),
  z.strictObject({ work: z.literal('sensor'), sensor: plainText(60) }),
]);
export type Workload = z.infer<typeof workloadSchema>;

export const UNITS = [
  'fps',
  'MB/s',
  'Mpx/s',
  'files/s',
  'Mray/s',
  'pairs/s',
  'images/s',
  'Mpoint/s',
  'runs/s',
  'tokens/s',
  'GFLOP/s',
  'kIO/s',
  'MIPS',
  'events/s',
  '°C',
  'W',
  'GHz',
  'rpm',
] as const;

/** What an instrument can have shown, in any of the units. */
const measured = () => z.number().positive({ abort: true }).min(1e-6).max(1e9);

/** One result on one machine (J29). */
export const measurementSchema = z
  .strictObject({
    id: idText,
    workload: workloadSchema,
    value: measured(),
    unit: z.enum(UNITS),
    /** Least and most of several runs. */
    low: measured().optional(),
    high: measured().optional(),
    tool: plainText(40),
    settings: plainText(300).optional(),
    date: isoDate.optional(),
    source: plainText(120),
    /** Catalogue part that was measured, so that another one in its place is not taken for it. */
    part: idText.optional(),
    /** Tunes the model for this machine, or is kept apart to hold it against. */
    use: z.enum(['calibrate', 'check']),
  })
  .superRefine((measurement, context) => {
    const { low, value, high } = measurement;
    if ((low !== undefined && low > value) || (high !== undefined && high < value))
      context.addIssue({
        code: 'custom',
        path: ['value'],
        message: `lies outside its own runs, ${low ?? value} to ${high ?? value}`,
      });
  });
export type Measurement = z.infer<typeof measurementSchema>;
