import { idsOf, type Rule } from './rule';

export const systemDrive: Rule = {
  id: 'system-drive',
  holds: 'one drive is set as the system drive',
  compares: 'the roles of the drives',
  levels: ['caution'],
  source: 'definition',
  check: ({ parts }) => {
    const drives = parts.ofKind('drive');
    if (drives.length === 0) return [];
    const system = drives.filter(({ item }) => item.roles?.includes('system'));
    return [
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
