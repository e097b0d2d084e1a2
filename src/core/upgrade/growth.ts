import type { Brief } from '../model/brief';
import type { Task, TaskKind } from '../model/tasks';
import { TRADES } from '../work/templates';
import type { Trade } from '../work/trade';

/** What grows of a task: "images"; undefined where such work does not grow. */
export const growsBy = (task: Task): string | undefined => (TRADES[task.kind] as Trade<TaskKind>).grow?.what;

/** A brief with so many times as much to do in the tasks that grow; the same one at 1. */
export function grownBrief(brief: Brief, times: number): Brief {
  if (times === 1) return brief;
  return {
    ...brief,
    tasks: brief.tasks.map((task) => {
      const { grow } = TRADES[task.kind] as Trade<TaskKind>;
      return grow ? (grow.by(task, times) as Task) : task;
    }),
  };
}

/**
 * How many times as much there is to do after so many years.
 * @example timesAfter({ workGrowthPercent: 100 }, 2) // 4
 */
export const timesAfter = ({ workGrowthPercent }: Pick<Brief, 'workGrowthPercent'>, years: number): number =>
  (1 + (workGrowthPercent ?? 0) / 100) ** years;

const grown = new WeakMap<Brief, Map<number, Brief>>();

/** The brief as it will be in so many years, by the share that its work grows a year. The same year gives the same object. */
export function briefIn(brief: Brief, years: number): Brief {
  const times = timesAfter(brief, years);
  if (times === 1) return brief;
  let known = grown.get(brief);
  if (!known) grown.set(brief, (known = new Map()));
  let then = known.get(times);
  if (!then) known.set(times, (then = grownBrief(brief, times)));
  return then;
}
