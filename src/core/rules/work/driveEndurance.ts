import { DRIVE_ROLES } from '../../figures/resources';
import { DAYS, servingDrives, writtenAWeek } from '../../predict/writes';
import { enduranceYears } from '../../predict/endurance';
import { keepingDrives } from '../../work/flowEnds';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Below this a drive wears out before anybody would think of replacing it, in years. */
const AT_ONCE = 1;
/** Full writes that any drive with cells is good for; a need below it asks for no figure. Source: judgement. */
const ANY_DRIVE_WRITES = 100;

/** A drive's rated writes last as long as the machine is meant to serve. */
export const driveEndurance: Rule = {
  id: 'drive-endurance',
  reads: ['drive', 'sittings'],
  levels: ['blocks', 'caution', 'unproven'],
  check: ({ parts, brief, sittings }) => {
    const weekly = new Map<string, number>();
    const secondsOf = (sitting: string, task: string) =>
      sittings.find((entry) => entry.sitting === sitting)?.tasks.find((entry) => entry.task === task)?.gets?.likely;
    for (const role of DRIVE_ROLES) {
      const written = writtenAWeek(role, brief, sittings, secondsOf);
      const drives = written > 0 ? servingDrives(parts, role) : [];
      // drives of one role share what is written to it
      for (const { item } of drives) weekly.set(item.id, (weekly.get(item.id) ?? 0) + written / drives.length);
    }
    return keepingDrives(parts).flatMap((drive): Said[] => {
      const day = (weekly.get(drive.item.id) ?? 0) / DAYS;
      const { enduranceTBW, cellKind, capacityGB } = drive.part;
      if (day <= 0 || cellKind === 'magnetic') return [];
      const needs = day * 365 * brief.yearsOfService;
      if (enduranceTBW === undefined)
        return capacityGB !== undefined && needs <= capacityGB * 1e9 * ANY_DRIVE_WRITES
          ? []
          : [unknown('endurance', [drive, 'enduranceTBW'])];
      const years = enduranceYears(enduranceTBW * 1e12, day);
      return [
        {
          level: years >= brief.yearsOfService ? 'passes' : years < AT_ONCE ? 'blocks' : 'caution',
          code: 'endurance',
          items: idsOf(drive),
          drive: nameOf(drive),
          ratedTB: enduranceTBW,
          writtenADayGB: day / 1e9,
          years,
          needsYears: brief.yearsOfService,
        },
      ];
    });
  },
};
