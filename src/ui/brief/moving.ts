import type { Brief } from '@/core/model/brief';
import type { BriefEdit } from '@/core/model/edits';

/** Where tasks stand in full: under the first sitting that has them, or under none. */
export interface Standing {
  /** Undefined is no sitting. */
  readonly sitting: string | undefined;
  readonly tasks: readonly string[];
}

/** Every sitting with the tasks that are shown in full under it, then those in no sitting. */
export function standings(brief: Brief): readonly Standing[] {
  const shown = new Set<string>();
  const inSittings = brief.sittings.map(({ id, tasks }) => {
    const first = tasks.filter((task) => !shown.has(task));
    for (const task of first) shown.add(task);
    return { sitting: id, tasks: first };
  });
  const alone = brief.tasks.map(({ id }) => id).filter((id) => !shown.has(id));
  return [...inSittings, { sitting: undefined, tasks: alone }];
}

const HEAD = 'head of ';
/** Names the head of a sitting as a place where a task is let go. */
export const headOf = (sitting: string | undefined): string => `${HEAD}${sitting ?? ''}`;

/** What a task, or the head of a sitting, is called when something is moved over it. */
export function placeName({ tasks, sittings }: Brief, id: string): string {
  if (id === headOf(undefined)) return 'in no sitting';
  return (
    tasks.find((task) => task.id === id)?.name ?? sittings.find((sitting) => headOf(sitting.id) === id)?.name ?? id
  );
}

/** The edit that a task makes which is let go on another task or on the head of a sitting; undefined changes nothing. */
export function moveOf(brief: Brief, task: string, over: string): BriefEdit | undefined {
  const all = standings(brief);
  const from = all.find(({ tasks }) => tasks.includes(task));
  const onHead = all.find(({ sitting }) => headOf(sitting) === over);
  const to = onHead ?? all.find(({ tasks }) => tasks.includes(over));
  if (!from || !to || task === over) return undefined;
  const others = to.tasks.filter((id) => id !== task);
  // under the head it stands first; on a task it takes its place, and below it where it came from above
  const downwards = to === from && to.tasks.indexOf(task) < to.tasks.indexOf(over);
  const at = onHead ? 0 : others.indexOf(over) + (downwards ? 1 : 0);
  const before = others[at];
  return {
    kind: 'move-task',
    task,
    ...(from.sitting === undefined ? {} : { from: from.sitting }),
    ...(to.sitting === undefined ? {} : { to: to.sitting }),
    ...(before === undefined ? {} : { before }),
  };
}
