import type { MachineFacts } from './machineFacts';
import type { Expanded } from './stage';
import type { Task, TaskKind } from '../model/tasks';
import { TRADES } from './templates';
import type { Trade } from './trade';

/** Expands a task into stages with demands, by its trade. */
export function expand(task: Task, facts: MachineFacts): Expanded {
  // the table pairs each kind with its own trade; a union of functions cannot say so
  const trade = TRADES[task.kind] as Trade<TaskKind>;
  return trade.expand(task, facts);
}
