import type { Assessment } from '../assess';
import type { Keeping } from '../model/brief';
import { DRIVE_ROLES, type DriveRole } from '../figures/resources';
import { keptOf } from '../predict/kept';
import { DAYS, streamed, writtenAWeek } from '../predict/writes';
import { enduranceYears, grown, ratingFor } from '../predict/endurance';

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

/**
 * Rates, space and endurance by role of drive. What is asked is that of the work before any part is chosen; what there
 * is comes from the draft.
 */
export function roleSizes({ facts }: Assessment, draft: Assessment): RoleSize[] {
  const { supply } = draft;
  const { brief } = facts;
  const { parts } = draft.facts;
  // a run that says no number of runs fills its sitting's hours, as fast as the draft is
  const runTime = (sitting: string, task: string): number | undefined =>
    draft.facts.sittings.find((entry) => entry.sitting === sitting)?.tasks.find((entry) => entry.task === task)?.gets
      ?.likely;
  const growth = (brief.growthPercent ?? 0) / 100;
  const { kept } = facts;
  const room = new Map(keptOf(parts, draft.facts.kept).map(({ role, has }) => [role, has]));
  return DRIVE_ROLES.flatMap((role): RoleSize[] => {
    const most = askedTogether(facts, [role]);
    const weekly = writtenAWeek(role, brief, facts.sittings, runTime);
    const keeps = kept.get(role);
    const space = keeps ? keeps.value * keeps.spread : 0;
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
          spaceBytes: (room.get(role) ?? supply.space(role)?.rate)?.value,
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

/**
 * Bytes/s that real-time work and runs within their targets ask of one drive that serves some roles: real-time work adds up
 * within a sitting, and so do the roles that one run uses.
 */
export function askedTogether(
  { brief, sittings }: Assessment['facts'],
  roles: readonly DriveRole[],
): { readonly read: number; readonly write: number } {
  const taskOf = new Map(brief.tasks.map((task) => [task.id, task]));
  const most = { read: 0, write: 0 };
  for (const sitting of sittings)
    for (const direction of ['read', 'write'] as const) {
      let atOnce = 0;
      for (const { task: id, mode, uses, target, unitsARun = 0 } of sitting.tasks) {
        const task = taskOf.get(id);
        let used = 0;
        for (const role of roles) {
          if (task && mode === 'real-time') atOnce += streamed(task, role)[direction];
          used += uses.find(({ resource }) => resource === `${direction}:${role}`)?.demand.value ?? 0;
        }
        if (mode === 'real-time') atOnce += used;
        else if (target !== undefined) most[direction] = Math.max(most[direction], (used * unitsARun) / target);
      }
      most[direction] = Math.max(most[direction], atOnce);
    }
  return most;
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
