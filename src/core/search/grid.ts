import { assess, type Context } from '../assess';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Verdict } from '../units/band';
import type { Impossible } from '../work/stage';
import type { EditExport, EditPlay, Source } from '../model/tasks';

export const PATHS = ['play', 'engine', 'software'] as const;
export type Path = (typeof PATHS)[number];

/** One cell: frames a second of playing or exporting, a verdict against the timeline's rate, or why it does not run. */
export interface GridCell {
  readonly path: Path;
  readonly fps: number | undefined;
  readonly verdict: Verdict;
  readonly impossible: readonly Impossible[];
}

export interface GridRow {
  readonly source: Source;
  readonly sizes: readonly { readonly width: number; readonly height: number; readonly cells: readonly GridCell[] }[];
}

export const GRID_SIZES = [
  { width: 1920, height: 1080 },
  { width: 3840, height: 2160 },
  { width: 4096, height: 2160 },
  { width: 7680, height: 4320 },
] as const;

/**
 * Source × timeline size × export path, everything else as in the task: each cell runs alone on the machine. Playing is
 * judged against the timeline's rate; an export's rate is given as frames a second.
 */
export function editGrid(machine: Machine, brief: Brief, task: EditPlay | EditExport, context: Context): GridRow[] {
  const sources = new Map<string, Source>();
  for (const other of brief.tasks)
    if (other.kind === 'edit-play' || other.kind === 'edit-export')
      for (const source of other.sources)
        sources.set(
          `${source.codec} ${source.width} ${source.height} ${source.chroma} ${source.bitDepth} ${source.fps}`,
          { ...source, streams: 1 },
        );
  return [...sources.values()].map((source) => ({
    source,
    sizes: GRID_SIZES.map((size) => ({
      ...size,
      cells: PATHS.map((path) => cell(machine, brief, task, source, size, path, context)),
    })),
  }));
}

function cell(
  machine: Machine,
  brief: Brief,
  task: EditPlay | EditExport,
  source: Source,
  size: { width: number; height: number },
  path: Path,
  context: Context,
): GridCell {
  const { id, name, importance, application, correctionSteps, spatialNr, temporalNr } = task;
  const common = {
    id,
    name,
    importance,
    ...(application === undefined ? {} : { application }),
    sources: [source],
    width: size.width,
    height: size.height,
    fps: source.fps,
    correctionSteps,
    spatialNr,
    temporalNr,
  };
  const probe =
    path === 'play'
      ? ({ kind: 'edit-play', ...common, playAt: 1, monitoring: false, renderCache: false, keepHours: 0 } as const)
      : ({
          kind: 'edit-export',
          ...common,
          outWidth: size.width,
          outHeight: size.height,
          outCodec: 'hevc',
          outChroma: '4:2:0',
          outBitDepth: 10,
          outMbitPerS: 60,
          path,
          preset: 'medium',
          programmeMin: 1,
        } as const);
  const result = assess(machine, { ...brief, tasks: [probe], sittings: [] }, context).tasks[0];
  if (!result) return { path, fps: undefined, verdict: 'unproven', impossible: [] };
  const fps = result.gets && (result.mode === 'elastic' ? (60 * source.fps) / result.gets.likely : result.gets.likely);
  return { path, fps, verdict: result.verdict, impossible: result.impossible };
}
