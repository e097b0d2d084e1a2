import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

export const systemDrive: Rule = {
  id: 'system-drive',
  holds: 'one drive is set as the system drive, and it is no disk',
  compares: 'the roles and kinds of the drives',
  reads: ['drive'],
  levels: ['caution', 'unproven'],
  source: 'definition',
  check: ({ parts }) => {
    const drives = parts.ofKind('drive');
    if (drives.length === 0) return [];
    const system = drives.filter(({ item }) => item.roles?.includes('system'));
    const slow = system.flatMap((drive): Check[] => {
      const { cellKind } = drive.part;
      if (cellKind === undefined)
        return [unknown('system-drive', 'what kind of drive the system starts from', [drive, 'cellKind'])];
      const magnetic = cellKind === 'magnetic' || cellKind === 'optical';
      return [
        {
          rule: 'system-drive',
          level: magnetic ? 'caution' : 'passes',
          code: 'system-drive-kind',
          items: idsOf(drive),
          drive: nameOf(drive),
          magnetic,
        },
      ];
    });
    return [
      ...slow,
      {
        rule: 'system-drive',
        level: system.length === 1 ? 'passes' : 'caution',
        code: 'system-drive',
        items: idsOf(...(system.length > 0 ? system : drives)),
        drives: system.length,
      },
    ];
  },
};
