import type { Waiting } from '../model/tasks/base';
import type { Task, TaskKind } from '../model/tasks';

/**
 * How runs of a trade are usually waited for, where a task does not say. What is not named here is attended: a rebuild,
 * an answer from tables or a developed still is wanted before anything else is done. Source: judgement.
 */
const USUAL: Partial<Readonly<Record<TaskKind, Waiting>>> = {
  'edit-export': 'background',
  motion: 'background',
  solve: 'background',
  render: 'unattended',
  survey: 'unattended',
  train: 'unattended',
  'train-images': 'unattended',
  ingest: 'background',
};

export const waitingOfTask = (task: Task): Waiting => task.waiting ?? USUAL[task.kind] ?? 'attended';
