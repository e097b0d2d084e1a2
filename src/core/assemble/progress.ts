import type { Machine } from '../model/machine';
import { isOfStart } from './start';
import type { Plan, Planned } from './steps';

/** How far an assembly is. */
export interface Progress {
  readonly done: readonly Planned[];
  /** Steps that can be taken now: all that comes before them is done. */
  readonly ready: readonly Planned[];
  readonly minutesLeft: number;
  /** Done before the plan was made anew, and not in it any more: it comes off again. */
  readonly off: readonly string[];
  /** Done although something before it is not: it lies over a place that is still needed. */
  readonly early: readonly { readonly step: Planned; readonly waiting: readonly Planned[] }[];
}

/** What is done stays done where the plan still has it, whatever was swapped since. */
export function progressOf(plan: Plan, { assembly = {} }: Pick<Machine, 'assembly'>): Progress {
  const isDone = (id: string): boolean => Object.hasOwn(assembly, id);
  const byId = new Map(plan.steps.map((step) => [step.id, step]));
  const waitingOf = (step: Planned): Planned[] =>
    step.before.flatMap(({ step: id }) => {
      const before = byId.get(id);
      return before && !isDone(id) ? [before] : [];
    });
  const done = plan.steps.filter(({ id }) => isDone(id));
  const open = plan.steps.filter(({ id }) => !isDone(id));
  return {
    done,
    ready: open.filter((step) => waitingOf(step).length === 0),
    minutesLeft: open.reduce((sum, { minutes }) => sum + minutes, 0),
    off: Object.keys(assembly).filter((id) => !byId.has(id) && !isOfStart(id)),
    early: done.flatMap((step) => {
      const waiting = waitingOf(step);
      return waiting.length > 0 ? [{ step, waiting }] : [];
    }),
  };
}
