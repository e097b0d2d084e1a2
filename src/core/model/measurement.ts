import { z } from 'zod';
import { chromaSchema, codecSchema, idText, isoDate, plainText, bitDepthSchema } from '../parts/common';
import { OUT_CODECS, PRESETS } from './encoders';

const side = z.number().int().min(16).max(32768);
const threads = z.number().int().min(1).max(1024);
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
  z.strictObject({ work: z.literal('memory'), threads }),
  z.strictObject({ work: z.literal('compress'), threads }),
  z.strictObject({ work: z.literal('arithmetic'), threads }),
  z.strictObject({ work: z.literal('sensor'), sensor: plainText(60) }),
]);
export type Workload = z.infer<typeof workloadSchema>;

export const UNITS = ['fps', 'MB/s', 'kIO/s', 'MIPS', 'events/s', '°C', 'W', 'GHz', 'rpm'] as const;

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
