import { contextOf, subjectOf, type Assessment, type Context } from '../assess';
import { finish, type Trials } from '../assess/trials';
import { teaches } from '../evidence/calibrate';
import { predictWorkload } from '../evidence/predict';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Measurement, Workload } from '../model/measurement';
import type { Task } from '../model/tasks';
import type { Band } from '../units/band';
import { worthOf } from './worth';

/** A short measurement on the machine that is there. */
export interface ToMeasure {
  readonly workload: Workload;
  /** Name of the drive that it is about. */
  readonly drive: string | undefined;
  /** What the model expects it to show. */
  readonly expected: Band;
  readonly unit: Measurement['unit'];
  /** Share by which it narrows the decision, by itself, or after those that stand before it. */
  readonly narrows: number;
}

/** What a decision's doubt is counted in: hours a week that are saved, or the tasks' own bands. */
export interface Doubt {
  readonly of: 'hours' | 'tasks';
  readonly width: number;
}

export interface MeasureFirst {
  readonly doubt: Doubt;
  /** Up to three, each the one that narrows most after those before it. */
  readonly first: readonly ToMeasure[];
  /** The decision's doubt once they have been run and show what is expected. */
  readonly left: number;
  readonly tried: number;
}

/** A measurement that narrows less than this is not worth the quarter of an hour. */
const WORTH = 0.01;
const MOST = 3;
/** Fewer hours than these are nothing that a decision rests on. */
const HOURS = 0.02;

export const measureFirst = (...args: Parameters<typeof measureFirstTrials>): MeasureFirst =>
  finish(measureFirstTrials(...args));

/**
 * Which short measurements on the machine that is there would narrow the decision for a draft most. Each is taken to show
 * what the model expects, so that nothing but doubt changes; both machines are judged anew with it, as what is measured on
 * one teaches parts that the other has too. The best one is taken, then the best beside it, up to three. The doubt is the
 * width of the hours a week that are saved, or, where nobody waits, the width of all tasks' bands by importance (as ln).
 */
export function* measureFirstTrials(
  present: Machine,
  draft: Machine,
  brief: Brief,
  context: Context,
): Trials<MeasureFirst> {
  const others = context.measured.map(({ machine }) => machine).filter(({ id }) => id !== present.id);
  const judged = (evidence: readonly Measurement[]): readonly [Assessment, Assessment] => {
    const measured = evidence.length > 0 ? { ...present, evidence: [...evidence] } : present;
    const known = contextOf(context.catalogue, context.today, context.settings, [...others, measured]);
    const subject = subjectOf(brief, { ...known, placements: context.placements, quick: true });
    return [subject.assess(measured), subject.assess(draft)];
  };
  const start = judged(present.evidence ?? []);
  const kind: Doubt['of'] = hoursWidth(start) > HOURS ? 'hours' : 'tasks';
  const widthOf = kind === 'hours' ? hoursWidth : tasksWidth;
  const width = widthOf(start);
  const candidates = candidatesFor(start[0]);
  const done: Measurement[] = [...(present.evidence ?? [])];
  const first: ToMeasure[] = [];
  let left = width;
  let tried = 0;
  while (first.length < MOST && left > 0) {
    let best: { candidate: Candidate; width: number } | undefined;
    for (const candidate of candidates) {
      if (first.some(({ workload }) => workload === candidate.workload)) continue;
      const after = widthOf(judged([...done, candidate.measurement]));
      tried++;
      yield;
      if (!best || after < best.width) best = { candidate, width: after };
    }
    if (!best || left - best.width < WORTH * width) break;
    const { measurement, ...told } = best.candidate;
    first.push({ ...told, narrows: (left - best.width) / width });
    done.push(measurement);
    left = best.width;
  }
  return { doubt: { of: kind, width }, first, left, tried };
}

const hoursWidth = ([present, draft]: readonly [Assessment, Assessment]): number => {
  const { low, high } = worthOf(present, draft).savedHoursAWeek;
  return high - low;
};

const tasksWidth = (sides: readonly [Assessment, Assessment]): number =>
  sides
    .flatMap(({ tasks, facts }) =>
      tasks.map(({ task, ratio }) => {
        const importance = facts.brief.tasks.find(({ id }) => id === task)?.importance ?? 1;
        return ratio && ratio.low > 0 ? importance * Math.log(ratio.high / ratio.low) : 0;
      }),
    )
    .reduce((sum, width) => sum + width, 0);

interface Candidate extends Omit<ToMeasure, 'narrows'> {
  readonly measurement: Measurement;
}

/** What can be measured on a machine that says something of this work, and what the model expects of each. */
function candidatesFor(present: Assessment): Candidate[] {
  const { parts, brief } = present.facts;
  const threads = present.supply.processor?.threads ?? 1;
  const drives = parts.ofKind('drive');
  const workloads: { workload: Workload; drive?: string; unit: Measurement['unit'] }[] = [
    ...brief.tasks
      .flatMap((task) => pictureWorks(task, threads))
      .map((workload) => ({ workload, unit: 'fps' as const })),
    ...drives.flatMap(({ item, part }) =>
      (['read', 'write'] as const).map((direction) => ({
        workload: { work: 'drive' as const, direction, access: 'sequential' as const, item: item.id },
        drive: part.name,
        unit: 'MB/s' as const,
      })),
    ),
    { workload: { work: 'memory', threads }, unit: 'MB/s' },
  ];
  // what was run already says what it can
  const seen = new Set(
    (present.facts.machine.evidence ?? []).flatMap(({ workload, use }) =>
      use === 'calibrate' ? [JSON.stringify(workload)] : [],
    ),
  );
  return workloads.flatMap(({ workload, drive, unit }, i): Candidate[] => {
    const key = JSON.stringify(workload);
    if (seen.has(key) || !teaches(workload, present)) return [];
    seen.add(key);
    const about = 'item' in workload ? drives.find(({ item }) => item.id === workload.item)?.part.id : undefined;
    const expected = predictWorkload(workload, present, undefined, about).band;
    if (!expected) return [];
    const value = expected.likely;
    return [
      {
        workload,
        drive,
        unit,
        expected,
        measurement: {
          id: `expected-${i}`,
          workload,
          value,
          low: value,
          high: value,
          unit,
          tool: 'expected',
          source: 'expected',
          use: 'calibrate',
        },
      },
    ];
  });
}

/** The picture work of a task that the processor does, each piece as a run of its own on one thread and on all. */
function pictureWorks(task: Task, threads: number): Workload[] {
  const runs = [...new Set([1, threads])];
  const size = { width: 1920, height: 1080 };
  const sources = 'sources' in task ? task.sources : [];
  const decodes = sources.map(({ codec, chroma, bitDepth }) => ({ codec, chroma, bitDepth }));
  const targets =
    task.kind === 'edit-export' && task.path === 'software'
      ? [{ codec: task.outCodec, preset: task.preset, chroma: task.outChroma }]
      : task.kind === 'live'
        ? task.renditions
            .filter(({ path }) => path === 'software')
            .map(({ codec, preset }) => ({ codec, preset, chroma: '4:2:0' as const }))
        : [];
  return runs.flatMap((count): Workload[] => [
    ...decodes.map((source) => ({ work: 'decode' as const, ...size, threads: count, source })),
    ...targets.map((target) => ({ work: 'encode' as const, ...size, threads: count, target })),
  ]);
}
