import { assess, type Context } from '../assess';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { TaskResult } from '../predict/results';
import type { Task, TaskKind } from '../model/tasks';
import { TRADES } from '../work/templates';
import type { Trade } from '../work/trade';
import { finish, type Trials } from '../assess/trials';

/** The largest size of a task that a machine still carries, and the first that it does not. */
export interface Largest {
  /** What grows: timeline, inputs, tracks. */
  readonly of: string;
  /** Undefined when even the smallest does not run. */
  readonly most: string | undefined;
  /** Undefined when the largest that was tried runs too. */
  readonly tooMuch: string | undefined;
  /** A figure is unknown, so nothing is known of any size. */
  readonly unproven: boolean;
}

const runs = (result: TaskResult | undefined): boolean =>
  result !== undefined &&
  result.impossible.length === 0 &&
  result.gets !== undefined &&
  (result.ratio === undefined || result.ratio.likely >= 1 - 1e-9);

/**
 * Grows a task within its sittings and halves the interval between what runs (at *likely*) and what does not; a larger
 * task never runs where a smaller one fails. Undefined for trades that do not say what grows.
 */
export function* largestTrials(
  machine: Machine,
  brief: Brief,
  id: string,
  context: Context,
): Trials<Largest | undefined> {
  const task = brief.tasks.find((entry) => entry.id === id);
  const sizes = task && (TRADES[task.kind] as Trade<TaskKind>).sizes;
  if (!task || !sizes) return undefined;
  const list = sizes.list(task);
  let [low, high] = [-1, list.length];
  let unproven = false;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    const tried = list[middle]?.task as Task;
    const tasks = brief.tasks.map((entry) => (entry.id === id ? tried : entry));
    const result = assess(machine, { ...brief, tasks }, context).tasks.find((entry) => entry.task === id);
    if (runs(result)) low = middle;
    else high = middle;
    // unknown is no failure: what cannot be told at one size cannot be told at another
    unproven ||= result !== undefined && result.impossible.length === 0 && result.missing.length > 0;
    yield;
  }
  return { of: sizes.of, most: list[low]?.label, tooMuch: list[high]?.label, unproven };
}

export const largest = (machine: Machine, brief: Brief, id: string, context: Context): Largest | undefined =>
  finish(largestTrials(machine, brief, id, context));
