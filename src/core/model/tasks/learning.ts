import { z } from 'zod';
import { taskBase } from './base';

export const TRAINING = ['full', 'adapters', 'quantised'] as const;
export const RECOMPUTES = ['none', 'attention', 'all'] as const;
export const SPREADS = ['replicate', 'shard'] as const;

/** Text models: training in full, adapters on a frozen base, or adapters on a quantised one. */
export const trainSchema = z.strictObject({
  kind: z.literal('train'),
  ...taskBase,
  method: z.enum(TRAINING),
  /** Billions of parameters. */
  paramsB: z.number().positive().max(2000),
  layers: z.number().int().min(1).max(500),
  hidden: z.number().int().min(32).max(65_536),
  heads: z.number().int().min(1).max(512),
  /** Tokens in a sequence. */
  context: z.number().int().min(16).max(2_000_000),
  /** Sequences that one card works on at a time. */
  batch: z.number().int().min(1).max(4096),
  /** Millions of tokens in a run. */
  tokensM: z.number().positive().max(1e8),
  /** Share of the parameters that adapters train, in %. */
  trainablePercent: z.number().min(0.001).max(100),
  recompute: z.enum(RECOMPUTES),
  spread: z.enum(SPREADS),
  targetH: z.number().positive().max(100_000).optional(),
});
export type TrainWork = z.infer<typeof trainSchema>;

/** Image models trained in full on a set of pictures. */
export const trainImagesSchema = z.strictObject({
  kind: z.literal('train-images'),
  ...taskBase,
  paramsM: z.number().positive().max(100_000),
  /** GFLOP of one image through the model, once forward. */
  forwardGflop: z.number().positive().max(100_000),
  /** Thousands of images in the set, and their size as they are kept. */
  imagesK: z.number().positive().max(10_000_000),
  storedMpx: z.number().min(0.001).max(1000),
  storedKB: z.number().positive().max(1_000_000),
  epochs: z.number().int().min(1).max(10_000),
  /** Images that one card works on at a time. */
  batch: z.number().int().min(1).max(65_536),
  targetH: z.number().positive().max(100_000).optional(),
});
export type TrainImagesWork = z.infer<typeof trainImagesSchema>;

/** A text model that answers people. */
export const serveSchema = z.strictObject({
  kind: z.literal('serve'),
  ...taskBase,
  paramsB: z.number().positive().max(2000),
  bits: z.union([z.literal(4), z.literal(8), z.literal(16)]),
  layers: z.number().int().min(1).max(500),
  kvHeads: z.number().int().min(1).max(512),
  headSize: z.number().int().min(8).max(1024),
  /** Tokens kept for each user. */
  context: z.number().int().min(16).max(2_000_000),
  users: z.number().int().min(1).max(10_000),
  /** Tokens a second that each user should see. */
  tokensPerS: z.number().positive().max(10_000),
  /** Tokens read for each token written. */
  readPerWritten: z.number().min(0).max(10_000),
});
export type ServeWork = z.infer<typeof serveSchema>;

/** Tables that are read into memory and worked over. */
export const tablesSchema = z.strictObject({
  kind: z.literal('tables'),
  ...taskBase,
  dataGB: z.number().positive().max(1_000_000),
  /** Memory that the data takes ÷ its size on the drive. */
  memoryFactor: z.number().min(0.1).max(100),
  /** Times that all of it is worked over. */
  passes: z.number().int().min(1).max(100_000),
  /** How much is done with each byte. */
  effort: z.enum(['sum', 'scan', 'group', 'many groups', 'sort', 'join', 'model']),
  targetMin: z.number().positive().max(1e6).optional(),
});
export type TablesWork = z.infer<typeof tablesSchema>;
