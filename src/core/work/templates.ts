import type { Source, Task, TaskKind } from './tasks';

/** A sensible source to start from: one stream of UHD long-GOP footage. */
export const STARTING_SOURCE: Source = {
  codec: 'hevc',
  width: 3840,
  height: 2160,
  fps: 25,
  chroma: '4:2:0',
  bitDepth: 10,
  mbitPerS: 150,
  streams: 1,
  decodeAt: 1,
};

export interface Template {
  readonly kind: TaskKind;
  readonly name: string;
  readonly explains: string;
}

/** What a task can be added from. */
export const TEMPLATES: readonly Template[] = [
  {
    kind: 'edit-play',
    name: 'Cut and grade, in real time',
    explains: 'plays a timeline with its corrections at full rate',
  },
  { kind: 'edit-export', name: 'Export a programme', explains: 'renders and encodes a finished timeline' },
  { kind: 'desk', name: 'Desk base', explains: 'system, browser, conferencing' },
  { kind: 'custom', name: 'Custom', explains: 'raw demands, for work no trade here describes yet' },
];

/** A new task with starting values that a practitioner would nod at and then change. */
export function startingTask(kind: TaskKind, id: string): Task {
  const picture = {
    sources: [STARTING_SOURCE],
    width: 3840,
    height: 2160,
    fps: 25,
    correctionSteps: 6,
    spatialNr: 'off',
    temporalNr: 'off',
  } as const;
  switch (kind) {
    case 'edit-play':
      return {
        kind,
        id,
        name: 'Cut',
        importance: 3,
        foreground: true,
        ...picture,
        sources: [...picture.sources],
        playAt: 1,
        monitoring: false,
        renderCache: false,
        keepHours: 4,
      };
    case 'edit-export':
      return {
        kind,
        id,
        name: 'Export',
        importance: 3,
        runsPerWeek: 3,
        ...picture,
        sources: [...picture.sources],
        outWidth: 3840,
        outHeight: 2160,
        outCodec: 'hevc',
        outChroma: '4:2:0',
        outBitDepth: 10,
        outMbitPerS: 45,
        path: 'software',
        preset: 'medium',
        programmeMin: 10,
        targetMin: 20,
      };
    case 'desk':
      return {
        kind,
        id,
        name: 'Desk base',
        importance: 2,
        foreground: true,
        browserTabs: 20,
        conferencing: false,
        otherGiB: 1,
      };
    case 'custom':
      return {
        kind,
        id,
        name: 'Custom work',
        importance: 2,
        mode: 'real-time',
        unit: 'job',
        unitsPerS: 1,
        serialGwork: 1,
        memoryGiB: 2,
      };
  }
}
