import type { Sitting } from '../model/brief';
import type { Task, TaskKind } from '../model/tasks';
import { startingTask } from './templates';

/** A size of the work: what it is called, and what it changes in the door's tasks. */
interface Size {
  readonly id: string;
  readonly label: string;
  readonly change: Readonly<Partial<Record<TaskKind, object>>>;
}

/** What people do, as somebody who begins would say it. */
export interface Door {
  readonly id: string;
  readonly title: string;
  readonly says: string;
  /** Asked for the size. */
  readonly big: string;
  /** Small, usual, large: the middle one is where one starts. */
  readonly sizes: readonly [Size, Size, Size];
  /** Tasks that are sat at, and those that one waits for. */
  readonly sat: readonly TaskKind[];
  readonly waited: readonly TaskKind[];
}

/** How often it is done: hours a week that somebody sits at it, and the factor on the usual number of runs. */
export const OFTEN = [
  { id: 'sometimes', label: 'now and then', hours: 4, runs: 0.25 },
  { id: 'weekly', label: 'most days', hours: 15, runs: 1 },
  { id: 'daily', label: 'all day', hours: 35, runs: 2.5 },
] as const;
export type Often = (typeof OFTEN)[number]['id'];

const picture = (width: number, height: number, mbitPerS: number) => ({
  sources: [
    { codec: 'hevc', width, height, fps: 25, chroma: '4:2:0', bitDepth: 10, mbitPerS, streams: 1, decodeAt: 1 },
  ],
  width,
  height,
});
const film = (width: number, height: number, mbitPerS: number) => ({
  'edit-play': picture(width, height, mbitPerS),
  'edit-export': { ...picture(width, height, mbitPerS), outWidth: width, outHeight: height },
});
const inputs = (count: number, fps: number) => ({
  live: { inputs: [{ count, width: 1920, height: 1080, fps, chroma: '4:2:2', bitDepth: 10 }] },
});
const size = (id: string, label: string, change: Size['change']): Size => ({ id, label, change });

/** The first questions of each kind of work; everything that they set can be changed in the brief. */
export const DOORS: readonly Door[] = [
  {
    id: 'film',
    title: 'Cut and grade film',
    says: 'plays a timeline with corrections, exports programmes',
    big: 'How large is the picture?',
    sizes: [
      size('hd', '1920 × 1080', film(1920, 1080, 50)),
      size('uhd', '3840 × 2160', {}),
      size('wide', '5424 × 2880', film(5424, 2880, 400)),
    ],
    sat: ['edit-play', 'desk'],
    waited: ['edit-export'],
  },
  {
    id: 'photo',
    title: 'Develop photographs',
    says: 'corrects and writes out whole shoots',
    big: 'How large is a picture?',
    sizes: [
      size('24', '24 Mpx', { stills: { mpx: 24, mbPerImage: 28 } }),
      size('45', '45 Mpx', {}),
      size('100', '100 Mpx', { stills: { mpx: 100, mbPerImage: 110 } }),
    ],
    sat: ['desk'],
    waited: ['stills'],
  },
  {
    id: 'stream',
    title: 'Stream and record live',
    says: 'lays cameras and titles together, sends and records',
    big: 'How many cameras?',
    sizes: [size('1', 'one', inputs(1, 25)), size('3', 'three', {}), size('6', 'six', inputs(6, 50))],
    sat: ['live', 'desk'],
    waited: [],
  },
  {
    id: 'play-record',
    title: 'Play and record',
    says: 'a moving scene on screen, recorded while it runs',
    big: 'On which screen?',
    sizes: [
      size('hd', '1920 × 1080', { scene: { width: 1920, height: 1080 }, live: { width: 1920, height: 1080, fps: 30 } }),
      size('qhd', '2560 × 1440', {}),
      size('uhd', '3840 × 2160', { scene: { width: 3840, height: 2160 } }),
    ],
    sat: ['scene', 'live', 'desk'],
    waited: [],
  },
  {
    id: 'cad',
    title: 'Draw and build in CAD',
    says: 'turns assemblies, rebuilds, draws',
    big: 'How many components has an assembly?',
    sizes: [
      size('500', 'about 500', {
        'cad-view': { components: 500, mTriangles: 4 },
        'cad-step': { components: 500, features: 150 },
      }),
      size('3500', 'about 3,500', {}),
      size('15000', 'about 15,000', {
        'cad-view': { components: 15_000, mTriangles: 105 },
        'cad-step': { components: 15_000, features: 900 },
      }),
    ],
    sat: ['cad-view', 'desk'],
    waited: ['cad-step'],
  },
  {
    id: 'simulate',
    title: 'Compute stress and flow',
    says: 'solves meshes that fill the memory',
    big: 'How many unknowns has a mesh?',
    sizes: [
      size('200', '200 thousand', { solve: { unknownsK: 200 } }),
      size('600', '600 thousand', {}),
      size('2500', '2.5 million', { solve: { unknownsK: 2500, targetMin: 240 } }),
    ],
    sat: ['desk'],
    waited: ['solve'],
  },
  {
    id: 'learn',
    title: 'Train and serve models',
    says: 'fine-tunes text models, answers with them',
    big: 'How large is the model?',
    sizes: [
      size('3', '3 billion parameters', {
        train: { paramsB: 3, layers: 28, hidden: 3072, heads: 24 },
        serve: { paramsB: 3, layers: 28, users: 2 },
      }),
      size('7', '7 billion', {}),
      size('34', '34 billion', {
        train: { paramsB: 34, layers: 48, hidden: 8192, heads: 64 },
        serve: { paramsB: 34, layers: 48 },
      }),
    ],
    sat: ['serve', 'desk'],
    waited: ['train'],
  },
  {
    id: 'software',
    title: 'Build software',
    says: 'compiles, links, runs test machines beside',
    big: 'How many files are compiled?',
    sizes: [
      size('400', 'some hundred', { build: { units: 400, linkS: 6 }, guests: { guests: 1 } }),
      size('1800', 'about 2,000', {}),
      size('10000', 'about 10,000', { build: { units: 10_000, linkS: 60, targetMin: 20 }, guests: { guests: 8 } }),
    ],
    sat: ['guests', 'desk'],
    waited: ['build'],
  },
  {
    id: 'sound',
    title: 'Record and mix sound',
    says: 'plays instruments and effects without a gap',
    big: 'How many tracks?',
    sizes: [
      size('16', 'about 16', { audio: { tracks: 16, instruments: 4 } }),
      size('48', 'about 48', {}),
      size('192', 'about 200', { audio: { tracks: 192, instruments: 40, libraryGiB: 48 } }),
    ],
    sat: ['audio', 'desk'],
    waited: [],
  },
  {
    id: 'render',
    title: 'Render pictures and flights',
    says: 'traces light through scenes, overnight or now',
    big: 'How large is a scene?',
    sizes: [
      size('small', '5 million triangles', { render: { mTriangles: 5, texturesGiB: 1, samples: 128 } }),
      size('usual', '20 million', {}),
      size('large', '120 million', { render: { mTriangles: 120, texturesGiB: 10 } }),
    ],
    sat: ['desk'],
    waited: ['render'],
  },
  {
    id: 'survey',
    title: 'Make models from photographs',
    says: 'matches, meshes and maps thousands of pictures',
    big: 'How many pictures in one model?',
    sizes: [
      size('500', 'about 500', { survey: { images: 500 } }),
      size('2000', 'about 2,000', {}),
      size('8000', 'about 8,000', { survey: { images: 8000, targetH: 24 } }),
    ],
    sat: ['desk'],
    waited: ['survey'],
  },
  {
    id: 'office',
    title: 'Work at a plain desk',
    says: 'pages, letters, tables, calls',
    big: 'How much is open at once?',
    sizes: [
      size('little', 'a little', { desk: { browserTabs: 8 } }),
      size('usual', 'the usual', {}),
      size('much', 'very much, and calls', { desk: { browserTabs: 60, conferencing: true, otherGiB: 4 } }),
    ],
    sat: ['desk'],
    waited: [],
  },
];

/** What somebody answered at a door. */
export interface Answers {
  readonly door: string;
  readonly size: string;
  readonly often: Often;
}

/**
 * Tasks and sittings of a first brief. Tasks that are sat at run together; what one waits for runs beside the desk alone.
 * @throws RangeError for a door, size or rhythm that there is not
 */
export function begunWork({ door: id, size: sizeId, often: oftenId }: Answers): {
  readonly tasks: readonly Task[];
  readonly sittings: readonly Sitting[];
} {
  const door = DOORS.find((entry) => entry.id === id);
  const chosen = door?.sizes.find((entry) => entry.id === sizeId);
  const often = OFTEN.find((entry) => entry.id === oftenId);
  if (!door || !chosen || !often) throw new RangeError(`there is no door "${id}" with "${sizeId}" and "${oftenId}"`);
  const made = (kind: TaskKind): Task => {
    const task = { ...startingTask(kind, kind), ...chosen.change[kind] } as Task;
    return task.runsPerWeek === undefined ? task : { ...task, runsPerWeek: task.runsPerWeek * often.runs };
  };
  const kinds = [...door.sat, ...door.waited];
  const sittings: Sitting[] = [{ id: 'work', name: 'Work', hoursPerWeek: often.hours, tasks: [...door.sat] }];
  if (door.waited.length > 0) {
    const beside = door.sat.filter((kind) => kind === 'desk');
    sittings.push({
      id: 'waiting',
      name: 'What one waits for',
      hoursPerWeek: often.hours / 3,
      tasks: [...door.waited, ...beside],
    });
  }
  return { tasks: kinds.map(made), sittings };
}
