import type { TaskResult } from '../predict/results';
import { MET } from '../units/band';

/** Whether a task runs, and meets its target where it has one; undefined where nobody can tell. */
export const does = (result: TaskResult | undefined): boolean | undefined => {
  if (!result) return undefined;
  if (result.impossible.length > 0) return false;
  if (result.target === undefined) return result.gets ? true : undefined;
  return result.ratio && result.ratio.likely >= MET;
};
