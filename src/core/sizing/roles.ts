import type { Assessment } from '../assess';
import type { Keeping } from '../brief';
import { DRIVE_ROLES, type DriveRole } from '../machine';
import { enduranceYears, grown, ratingFor } from './endurance';

/** What the tasks ask of the drives in a role, over the years of service, and what the draft has. */
export interface RoleSize {
  readonly role: DriveRole;
  /** Most that real-time work and runs within their targets read and write a second. */
  readonly readBytesPerS: number;
  readonly writeBytesPerS: number;
  /** Space now, with the model's spread, and at the end of the years. */
  readonly spaceBytes: number;
  readonly spaceAtEndBytes: number;
  readonly writtenADayBytes: number;
  /** Writes to be rated for. */
  readonly ratingBytes: number;
  readonly has: {
    readonly drives: number;
    readonly spaceBytes: number | undefined;
    readonly readBytesPerS: number | undefined;
    readonly writeBytesPerS: number | undefined;
    /** Years that the rated writes last; undefined when a drive states none. */
    readonly years: number | undefined;
  };
}

/** Days that a week's work is spread over when writes a day are told. */
const DAYS = 7;

/**
 * Rates, space and endurance by role of drive. Real-time work writes at its rate in the hours of its sittings; a run
 * writes its bytes as often as it is done a week; a run that says no number of runs fills its sitting's hours.
 */
export function roleSizes(assessment: Assessment): RoleSize[] {
  const { facts, supply } = assessment;
  const { brief, parts } = facts;
  const growth = (brief.growthPercent ?? 0) / 100;
  const hoursOf = new Map(brief.sittings.map((sitting) => [sitting.id, sitting.hoursPerWeek]));
  const runsOf = new Map(brief.tasks.map((task) => [task.id, task.runsPerWeek]));
  return DRIVE_ROLES.flatMap((role): RoleSize[] => {
    const most = { read: 0, write: 0 };
    let weekly = 0;
    for (const sitting of facts.sittings) {
      const atOnce = { read: 0, write: 0 };
      for (const task of sitting.tasks)
        for (const direction of ['read', 'write'] as const) {
          const use = task.uses.find(({ resource }) => resource === `${direction}:${role}`);
          if (!use) continue;
          if (task.mode === 'real-time') {
            atOnce[direction] += use.demand.value;
            if (direction === 'write') weekly += use.demand.value * 3600 * (hoursOf.get(sitting.sitting) ?? 0);
            continue;
          }
          const bytes = use.demand.value * (task.unitsARun ?? 0);
          if (task.target !== undefined) most[direction] = Math.max(most[direction], bytes / task.target);
          if (direction === 'write') {
            const filling = task.gets ? ((hoursOf.get(sitting.sitting) ?? 0) * 3600) / task.gets.likely : 0;
            // runs that say how often they are done count once, in the first sitting they are part of
            const runs = runsOf.get(task.task);
            const first = facts.sittings.find(({ tasks }) => tasks.some((entry) => entry.task === task.task));
            weekly += bytes * (runs === undefined ? filling : first === sitting ? runs : 0);
          }
        }
      most.read = Math.max(most.read, atOnce.read);
      most.write = Math.max(most.write, atOnce.write);
    }
    let space = 0;
    for (const sitting of facts.sittings)
      for (const hold of sitting.holds)
        if (hold.what === `space:${role}`) space = Math.max(space, hold.needs.value * hold.needs.spread);
    if (most.read === 0 && most.write === 0 && space === 0) return [];
    const drives = parts.ofKind('drive').filter(({ item }) => item.roles?.includes(role));
    const rated = drives.map(({ part }) => part.enduranceTBW);
    const day = weekly / DAYS;
    const all = rated.every((value) => value !== undefined) && rated.length > 0;
    return [
      {
        role,
        readBytesPerS: most.read,
        writeBytesPerS: most.write,
        spaceBytes: space,
        spaceAtEndBytes: grown(space, growth, brief.yearsOfService),
        writtenADayBytes: day,
        ratingBytes: ratingFor(day, brief.yearsOfService),
        has: {
          drives: drives.length,
          spaceBytes: supply.space(role)?.rate?.value,
          readBytesPerS: supply.of(`read:${role}`)?.rate?.value,
          writeBytesPerS: supply.of(`write:${role}`)?.rate?.value,
          years: all
            ? enduranceYears(
                rated.reduce<number>((sum, value) => sum + (value ?? 0) * 1e12, 0),
                day,
              )
            : undefined,
        },
      },
    ];
  });
}

/** Space that further copies of what is kept take: here, and in another place. */
export interface Copies {
  /** What is worth keeping: active and archive data at the end of the years. */
  readonly keptBytes: number;
  readonly hereBytes: number;
  readonly elsewhereBytes: number;
}

/** One copy is none: a second one here, and for three of them one elsewhere. */
export function copiesOf(sizes: readonly RoleSize[], keeping: Keeping): Copies {
  const keptBytes = sizes
    .filter(({ role }) => role === 'active' || role === 'archive')
    .reduce((all, { spaceAtEndBytes }) => all + spaceAtEndBytes, 0);
  return {
    keptBytes,
    hereBytes: keeping === 'one' ? 0 : keptBytes,
    elsewhereBytes: keeping === 'three' ? keptBytes : 0,
  };
}
