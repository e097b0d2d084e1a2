import type { Assessment } from '../../assess';
import type { Brief } from '../../model/brief';
import type { SittingResult, TaskResult } from '../../predict/results';
import type { End } from './question';
import { MET } from '../../units/band';

/** How well a machine does the work of a brief: compared number by number, larger is better. */
export interface Rank {
  /** Tasks that run and reach their target. */
  readonly runs: number;
  /** Performance in whole % of what is asked: the mean of the ratios, weighted by importance. */
  readonly percent: number;
}

export const NO_RANK: Rank = { runs: 0, percent: 0 };

/** More than this times the target is no gain. */
export const ENOUGH = 4;

/** Below this ratio a task counts as this: what does not run at all must not outweigh all that does. */
const LEAST = 0.01;

/** Progress of a task, higher is better: ratio to its target, or runs a second without one; 0 when it does not run. */
export function progressAt({ ratio, gets, mode, impossible }: TaskResult, at: End): number {
  if (impossible.length > 0) return 0;
  if (ratio) return ratio[at];
  return mode === 'elastic' && gets ? 1 / (at === 'low' ? gets.high : gets.likely) : 0;
}

/**
 * The most that a result of a part of a machine lets a task make; infinite where it does not tell. A run for which the
 * real-time work leaves nothing has no time, and further parts leave it no more.
 */
export const mostAt = (result: TaskResult, at: End): number => {
  const { impossible, gets, mode, verdict } = result;
  const tells = impossible.length > 0 || gets !== undefined || (mode === 'elastic' && verdict === 'short');
  return tells ? progressAt(result, at) : Infinity;
};

/**
 * Progress of each task in the sitting where it makes least. A machine is judged by that, and so are its bounds, sitting by
 * sitting: the result that stands for a task on screen is the one with the worst verdict, which need not be the slowest.
 */
export function madeIn(sittings: readonly SittingResult[], at: End): Map<string, number> {
  const made = new Map<string, number>();
  for (const { tasks } of sittings)
    for (const result of tasks)
      made.set(result.task, Math.min(made.get(result.task) ?? Infinity, progressAt(result, at)));
  return made;
}

/** Whether a task has a target; one that has none runs as soon as it gets anywhere. */
type Targeted = (task: string) => boolean;

/**
 * Rank from each task's progress: tasks that meet their target (those without one count when they run), then the
 * geometric mean of the ratios to the target, weighted by importance, each at most `ENOUGH`, in whole %.
 * @example two tasks of equal importance at 0.5 and 2 times their targets: one runs, 100 %
 */
export function rankOf(brief: Brief, progress: (task: string) => number, targeted: Targeted): Rank {
  let runs = 0;
  let weight = 0;
  let sum = 0;
  for (const { id, importance } of brief.tasks) {
    const made = progress(id);
    if (!targeted(id)) {
      if (made > 0) runs++;
      continue;
    }
    if (made >= MET) runs++;
    weight += importance;
    sum += importance * Math.log(Math.min(ENOUGH, Math.max(LEAST, made)));
  }
  return { runs, percent: weight > 0 ? Math.floor(Math.exp(sum / weight) * 100 + 1e-6) : 100 };
}

/** Nothing ranks better: every task runs, each as much faster as counts. */
export const highestRank = (brief: Brief, targeted: ReadonlySet<string>): Rank =>
  rankOf(
    brief,
    () => Infinity,
    (task) => targeted.has(task),
  );

/** The rank of a machine by what its tasks make, each in the sitting where it makes least. */
export function rankIn(
  { facts, tasks }: Assessment,
  at: End,
  made: ReadonlyMap<string, number> = madeIn(facts.sittings, at),
): Rank {
  const targeted = new Set(tasks.flatMap(({ task, target }) => (target === undefined ? [] : [task])));
  return rankOf(
    facts.brief,
    (task) => made.get(task) ?? 0,
    (task) => targeted.has(task),
  );
}

/** Below 0 when `a` is the better one. */
export const compareRanks = (a: Rank, b: Rank): number => b.runs - a.runs || b.percent - a.percent;
