import { LOWEST_FIRST } from '../units/band';
import type { SittingResult, TaskResult } from './results';

/** One number a task, higher is better, for comparisons: ratio to target, or runs a second without a target. */
export function progress(result: TaskResult): number {
  if (result.ratio) return result.ratio.likely;
  return result.mode === 'elastic' && result.gets ? 1 / result.gets.likely : 0;
}

/** The result of a task in the sitting where it does worst; undefined when no sitting has it. */
export function worstOf(task: string, sittings: readonly SittingResult[]): TaskResult | undefined {
  let low: TaskResult | undefined;
  for (const sitting of sittings)
    for (const next of sitting.tasks) {
      if (next.task !== task) continue;
      const by = low ? LOWEST_FIRST[next.verdict] - LOWEST_FIRST[low.verdict] : -1;
      if (!low || by < 0 || (by === 0 && progress(next) < progress(low))) low = next;
    }
  return low;
}
