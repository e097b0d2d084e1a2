import { expandCustom, expandDesk } from './desk';
import { expandEditExport, expandEditPlay } from './edit';
import type { MachineFacts } from './machineFacts';
import type { Expanded } from './stage';
import type { Task } from './tasks';

/** Expands a task into stages with demands; one line a kind of task. */
export function expand(task: Task, facts: MachineFacts): Expanded {
  switch (task.kind) {
    case 'edit-play':
      return expandEditPlay(task, facts);
    case 'edit-export':
      return expandEditExport(task, facts);
    case 'desk':
      return expandDesk(task);
    case 'custom':
      return expandCustom(task, facts);
  }
}
