import { SYSTEM_LEAST_GB } from '../../predict/kept';
import { keepingDrives } from '../../work/flowEnds';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** GB below which little is left beside a system and its updates. Source: judgement. */
export const SYSTEM_USUAL_GB = 200;

export const systemDrive: Rule = {
  id: 'system-drive',
  reads: ['drive'],
  figures: { drive: ['cellKind', 'capacityGB'] },
  levels: ['blocks', 'caution', 'unproven'],
  mendedBy: ['role of the system'],
  check: ({ parts }) => {
    const drives = keepingDrives(parts);
    if (drives.length === 0) return [];
    const system = drives.filter(({ item }) => item.roles?.includes('system'));
    const slow = system.flatMap((drive): Said[] => {
      const { cellKind, capacityGB } = drive.part;
      const magnetic = cellKind === 'magnetic';
      return [
        cellKind === undefined
          ? unknown('system-drive', [drive, 'cellKind'])
          : {
              level: magnetic ? 'caution' : 'passes',
              code: 'system-drive-kind',
              items: idsOf(drive),
              drive: nameOf(drive),
              magnetic,
            },
        capacityGB === undefined
          ? unknown('system-room', [drive, 'capacityGB'])
          : {
              level: capacityGB < SYSTEM_LEAST_GB ? 'blocks' : capacityGB < SYSTEM_USUAL_GB ? 'caution' : 'passes',
              code: 'system-drive-size',
              items: idsOf(drive),
              drive: nameOf(drive),
              hasGB: capacityGB,
              leastGB: SYSTEM_LEAST_GB,
              usualGB: SYSTEM_USUAL_GB,
            },
      ];
    });
    return [
      ...slow,
      {
        level: system.length === 1 ? 'passes' : 'caution',
        code: 'system-drive',
        items: idsOf(...(system.length > 0 ? system : drives)),
        drives: system.length,
      },
    ];
  },
};
