import { given, product, type Derivation } from '../figures/derive';
import type { Demands } from './demands';
import type { Task, TaskKind } from '../model/tasks';

/** Trades whose runs leave files behind, with how many runs' files stay where the brief says nothing. Source: judgement. */
const USUAL: Partial<Readonly<Record<TaskKind, number>>> = {
  stills: 1,
  survey: 1,
  render: 1,
  'edit-export': 0,
};

/** Whether a trade's runs leave files on the active drive. */
export const leavesFiles = (kind: TaskKind): boolean => USUAL[kind] !== undefined;

/** Runs whose files stay on the active drive. */
export const keptRunsOf = (task: Task): number => task.keptRuns ?? USUAL[task.kind] ?? 0;

/** Space on the active drive for the files of so many runs, in bytes: what they read and what they write. */
export function keepFiles(out: Demands, task: Task, aRun: Derivation): void {
  const runs = keptRunsOf(task);
  if (runs > 0)
    out.hold('space:active', product('files kept', 'B', [aRun, given('runs kept', runs, '', 'brief', task.name)]));
}
