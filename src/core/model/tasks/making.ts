import { z } from 'zod';
import { fps, pictureSide, taskBase } from './base';

/** Looking at an assembly: turning it under the hand. */
export const cadViewSchema = z.strictObject({
  kind: z.literal('cad-view'),
  ...taskBase,
  components: z.number().int().min(1).max(2_000_000),
  mTriangles: z.number().positive().max(5000),
  edges: z.boolean(),
  width: pictureSide,
  height: pictureSide,
  fps,
});
export type CadView = z.infer<typeof cadViewSchema>;

export const CAD_STEPS = ['rebuild', 'open', 'drawing'] as const;

/** A step that one waits for: rebuilding the features, opening the assembly, or its drawing views. */
export const cadStepSchema = z.strictObject({
  kind: z.literal('cad-step'),
  ...taskBase,
  step: z.enum(CAD_STEPS),
  components: z.number().int().min(1).max(2_000_000),
  /** Features that are computed anew in a rebuild. */
  features: z.number().int().min(1).max(1_000_000),
  views: z.number().int().min(1).max(500),
  mbPerComponent: z.number().min(0.001).max(1000),
  targetS: z.number().positive().max(1e6).optional(),
});
export type CadStep = z.infer<typeof cadStepSchema>;

export const MESHES = ['solid', 'scalar', 'shell'] as const;

/** Stress, heat or vibration of a meshed part, by a direct solver. */
export const solveSchema = z.strictObject({
  kind: z.literal('solve'),
  ...taskBase,
  mesh: z.enum(MESHES),
  /** Thousands of unknowns. */
  unknownsK: z.number().min(0.1).max(1_000_000),
  /** Load steps or iterations, each with a factorisation of its own. */
  steps: z.number().int().min(1).max(100_000),
  targetMin: z.number().positive().max(1e6).optional(),
});
export type SolveWork = z.infer<typeof solveSchema>;

/** Path-traced pictures. */
export const renderSchema = z.strictObject({
  kind: z.literal('render'),
  ...taskBase,
  width: pictureSide,
  height: pictureSide,
  samples: z.number().int().min(1).max(100_000),
  bounces: z.number().int().min(0).max(64),
  mTriangles: z.number().positive().max(10_000),
  texturesGiB: z.number().min(0).max(1000),
  frames: z.number().int().min(1).max(1_000_000),
  targetH: z.number().positive().max(100_000).optional(),
});
export type RenderWork = z.infer<typeof renderSchema>;

export const DEPTHS = ['full', 'half', 'quarter'] as const;

/** Photogrammetry: stills become a cloud of points and a mesh. */
export const surveySchema = z.strictObject({
  kind: z.literal('survey'),
  ...taskBase,
  images: z.number().int().min(3).max(5_000_000),
  mpx: z.number().min(0.1).max(500),
  mbPerImage: z.number().min(0.01).max(5000),
  /** Images that each is compared with. */
  neighbours: z.number().int().min(2).max(5000),
  depth: z.enum(DEPTHS),
  /** Features are looked for at twice the side of the stills. */
  doubled: z.boolean().optional(),
  /** Points that are meshed at a time, in millions. */
  blockMPoints: z.number().min(0.1).max(20_000),
  targetH: z.number().positive().max(100_000).optional(),
});
export type SurveyWork = z.infer<typeof surveySchema>;

/** Layers with effects over time, computed ahead of the playhead. */
export const motionSchema = z.strictObject({
  kind: z.literal('motion'),
  ...taskBase,
  width: pictureSide,
  height: pictureSide,
  fps,
  bitDepth: z.union([z.literal(8), z.literal(16), z.literal(32)]),
  layers: z.number().int().min(1).max(2000),
  effectsPerLayer: z.number().min(0).max(50),
  /** Layers moved by scripts, which run on one thread. */
  scripted: z.number().int().min(0).max(5000),
  /** Seconds kept ready in memory. */
  aheadS: z.number().min(1).max(36_000),
  targetMin: z.number().positive().max(1e5).optional(),
});
export type MotionWork = z.infer<typeof motionSchema>;

/** Raw stills developed and written. */
export const stillsSchema = z.strictObject({
  kind: z.literal('stills'),
  ...taskBase,
  images: z.number().int().min(1).max(10_000_000),
  mpx: z.number().min(0.1).max(500),
  mbPerImage: z.number().min(0.01).max(5000),
  steps: z.number().int().min(0).max(200),
  noiseReduction: z.enum(['off', 'light', 'strong']),
  /** Written without loss, at 16 bits, instead of compressed. */
  lossless: z.boolean().optional(),
  targetMin: z.number().positive().max(1e6).optional(),
});
export type StillsWork = z.infer<typeof stillsSchema>;

/** Software compiled from its sources and linked. */
export const buildSchema = z.strictObject({
  kind: z.literal('build'),
  ...taskBase,
  units: z.number().int().min(1).max(10_000_000),
  weight: z.enum(['light', 'usual', 'heavy']),
  /** Seconds that linking takes on one core of the reference kind. */
  linkS: z.number().min(0).max(100_000),
  memoryPerJobGiB: z.number().min(0.01).max(100),
  targetMin: z.number().positive().max(1e5).optional(),
});
export type BuildWork = z.infer<typeof buildSchema>;

/** Virtual machines and containers that run all the time. */
export const guestsSchema = z.strictObject({
  kind: z.literal('guests'),
  ...taskBase,
  guests: z.number().int().min(1).max(10_000),
  memoryGiB: z.number().min(0.05).max(10_000),
  threads: z.number().int().min(1).max(512),
  /** Share of their threads that they keep busy, in %. */
  busyPercent: z.number().min(0).max(100),
  diskGB: z.number().min(0).max(1_000_000),
  mbPerS: z.number().min(0).max(100_000),
});
export type GuestsWork = z.infer<typeof guestsSchema>;
