import { assessed, plus, type Change } from './world';
import type { Assessment } from '../assess';
import type { TaskResult } from '../predict/results';
import { applicationSchema, type ApplicationProfile } from '../model/applications';
import type { Task, TaskKind } from '../model/tasks';
import { startingTask } from '../work/templates';

const engine = (direction: string, codec: string, mpxPerS: number, sessions?: number) => ({
  direction,
  codec,
  chroma: '4:2:0',
  bitDepth: 10,
  mpxPerS,
  maxWidth: 4096,
  maxHeight: 4096,
  ...(sessions === undefined ? {} : { sessions }),
});

export const CAPTURE = {
  kind: 'expansion',
  id: 'capture',
  maker: 'Lanternmast',
  name: 'Test Eight',
  purpose: 'capture',
  generation: 3,
  lanes: 4,
  slots: 1,
  lengthMm: 180,
  heightMm: 110,
  powerW: 15,
  videoInputs: 8,
  inputGbitPerS: 3,
};
export const MIXER = {
  kind: 'mixer',
  id: 'mixer',
  maker: 'Lanternmast',
  name: 'Test Five',
  videoInputs: 5,
  monitorsAll: true,
  ownEncoding: true,
  ownRecording: true,
  powerW: 25,
};
export const SECOND_CARD = { id: 'card-2', part: 'card' };

/** The card of the test world with engines that write H.264, and rates for triangles and rays. */
export const CARD = {
  mediaEngines: [engine('decode', 'hevc', 1500), engine('encode', 'hevc', 800), engine('encode', 'h264', 900, 5)],
  trianglesGs: 4,
  matrixTflops: 120,
  fp64Tflops: 0.5,
  rayGs: 10,
};

/** The test world's machine with all that the trades can ask for: capture, sessions, triangles, a drive's cache. */
export function studio(tasks: readonly Task[], change: Change = {}): Assessment {
  const { parts = {}, addParts = [], items, brief, ...rest } = change;
  return assessed({
    ...rest,
    addParts: [CAPTURE, MIXER, ...addParts],
    parts: {
      ...parts,
      cpu: { fp32PerClock: 32, fp64PerClock: 16, ...parts['cpu'] },
      card: { ...CARD, ...parts['card'] },
      ssd: { writeCacheGB: 100, ...parts['ssd'] },
    },
    items: (all) => (items ?? ((same) => same))(plus({ id: 'capture-1', part: 'capture' })(all)),
    brief: {
      tasks,
      sittings: [{ id: 'all', name: 'All', hoursPerWeek: 10, tasks: tasks.map((task) => task.id) }],
      ...brief,
    },
  });
}

/** An editing application like any, with some habits changed. */
export const app = (over: object = {}): ApplicationProfile =>
  applicationSchema.parse({
    id: 'app',
    name: 'Reelwright',
    trade: 'edit',
    decode: 'engine',
    rawDecode: 'graphics',
    effects: 'graphics',
    engineEncode: true,
    threadCap: 32,
    cards: { max: 1, gain: 0 },
    computeStacks: [],
    memoryGiB: { minimum: 4, recommended: 8 },
    graphicsMemoryGiB: { minimum: 2, recommended: 4 },
    ownMemoryGiB: 4,
    ownGraphicsMemoryGiB: 1,
    ...over,
  });

/** A trade's starting task with some figures changed. */
export const taskOf = (kind: TaskKind, over: object = {}): Task => ({ ...startingTask(kind, kind), ...over }) as Task;

export function resultOf(assessment: Assessment, id: string): TaskResult {
  const result = assessment.tasks.find((task) => task.task === id);
  if (!result) throw new Error(`no task "${id}"`);
  return result;
}

/** Demand a second (real time) or a unit (runs) that a task puts on a resource. */
export const demandOn = (result: TaskResult, resource: string): number | undefined =>
  result.uses.find((use) => use.resource === resource)?.demand.value;
