import type { Brief } from '../model/brief';
import type { AnyFitted, FittedParts } from '../model/fitted';
import type { DriveRole } from '../figures/resources';
import { driveFor, keepingDrives } from '../work/flowEnds';
import type { Task } from '../model/tasks';
import type { SittingResult } from './results';

/** Days that a week's work is spread over when writes a day are told. */
export const DAYS = 7;

/** Bytes/s that a task streams to or from a role of drive, beside what its stages read and write. */
export function streamed(task: Task, role: DriveRole): { readonly read: number; readonly write: number } {
  const ends = (from: string | undefined, to: string | undefined, bytesPerS: number) => ({
    read: from === role ? bytesPerS : 0,
    write: to === role ? bytesPerS : 0,
  });
  const flows =
    task.kind === 'ingest'
      ? [
          ends(task.from, task.to, (task.streams * task.gbitPerS * 1e9) / 8),
          ...(task.copyTo === undefined ? [] : [ends(task.to, task.copyTo, (task.streams * task.gbitPerS * 1e9) / 8)]),
        ]
      : task.kind === 'custom'
        ? (task.flows ?? []).map(({ from, to, gbytePerS }) => ends(from, to, gbytePerS * 1e9))
        : [];
  return flows.reduce((all, { read, write }) => ({ read: all.read + read, write: all.write + write }), {
    read: 0,
    write: 0,
  });
}

/**
 * Bytes a week that the work writes to a role of drive. Real-time work writes at its rate in the hours of its sittings; a
 * run writes its bytes as often as it is done a week; a run that says no number of runs fills its sitting's hours, as
 * fast as `secondsOf` says it is.
 */
export function writtenAWeek(
  role: DriveRole,
  brief: Brief,
  sittings: readonly SittingResult[],
  secondsOf: (sitting: string, task: string) => number | undefined,
): number {
  const hoursOf = new Map(brief.sittings.map((sitting) => [sitting.id, sitting.hoursPerWeek]));
  const taskOf = new Map(brief.tasks.map((task) => [task.id, task]));
  let weekly = 0;
  for (const sitting of sittings) {
    const hours = hoursOf.get(sitting.sitting) ?? 0;
    for (const result of sitting.tasks) {
      const task = taskOf.get(result.task);
      const perS = task && result.mode === 'real-time' ? streamed(task, role).write : 0;
      weekly += perS * 3600 * hoursOfStream(task, hours);
      const use = result.uses.find(({ resource }) => resource === `write:${role}`);
      if (!use) continue;
      if (result.mode === 'real-time') {
        weekly += use.demand.value * 3600 * hours;
        continue;
      }
      const seconds = secondsOf(sitting.sitting, result.task);
      const filling = seconds ? (hours * 3600) / seconds : 0;
      // runs that say how often they are done count once, in the first sitting they are part of
      const runs = task?.runsPerWeek;
      const first = sittings.find(({ tasks }) => tasks.some((entry) => entry.task === result.task));
      weekly +=
        use.demand.value * (result.unitsARun ?? 0) * (runs === undefined ? filling : first === sitting ? runs : 0);
    }
  }
  return weekly;
}

/** An ingest that says how often it is done runs for its own hours each time; else it fills its sitting. */
const hoursOfStream = (task: Task | undefined, sitting: number): number =>
  task?.kind === 'ingest' && task.runsPerWeek !== undefined
    ? Math.min(sitting || Infinity, task.hours * task.runsPerWeek)
    : sitting;

/** Drives that serve a role: its own, else the one that stands in. */
export function servingDrives(parts: FittedParts, role: DriveRole): readonly AnyFitted[] {
  const own = keepingDrives(parts).filter(({ item }) => item.roles?.includes(role));
  if (own.length > 0) return own;
  const other = driveFor({ parts }, role);
  return other ? [other] : [];
}
