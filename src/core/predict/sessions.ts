import type { Expanded, Impossible } from '../work/stage';

/**
 * Marks tasks that ask for more streams than an engine keeps open at once: real-time tasks are served before elastic
 * ones, each in the brief's order, and whoever comes too late does not run. An engine without a stated limit has none.
 */
export function withinSessions(tasks: readonly Expanded[]): readonly Expanded[] {
  if (tasks.every((task) => (task.sessions ?? []).length === 0)) return tasks;
  const open = new Map<string, number>();
  const late = new Map<string, Impossible[]>();
  const inOrder = [...tasks].sort((a, b) => Number(a.mode === 'elastic') - Number(b.mode === 'elastic'));
  for (const task of inOrder) {
    const refused: Impossible[] = [];
    for (const { at, count } of task.sessions ?? []) {
      const key = `${at.item} ${at.engine.direction}`;
      const wanted = (open.get(key) ?? 0) + count;
      const limit = at.engine.sessions;
      if (limit !== undefined && wanted > limit)
        refused.push({ code: 'too-many-sessions', where: at.where, wanted, limit });
      else open.set(key, wanted);
    }
    if (refused.length > 0) late.set(task.task, refused);
  }
  return tasks.map((task) => {
    const refused = late.get(task.task);
    return refused ? { ...task, impossible: [...task.impossible, ...refused] } : task;
  });
}
