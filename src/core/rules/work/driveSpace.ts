import { keptOf } from '../../predict/kept';
import { unknownFigures, type Said, type Rule } from '../rule';

export const driveSpace: Rule = {
  id: 'drive-space',
  holds: 'what the work keeps fits on the drives of its roles, all at once',
  compares: 'bytes kept by role with the capacity of its drives less what other roles keep on them',
  reads: ['drive', 'sittings'],
  levels: ['blocks', 'unproven'],
  source: 'footage rate × hours kept, files × how many stay; a drive of several roles has its room once',
  check: ({ sittings, parts }) =>
    keptOf(parts, sittings).flatMap(({ role, needs, has, othersBytes, missing, items }): Said[] => {
      if (missing.length > 0) return [unknownFigures(['drive-space', role], missing)];
      if (!has) return [];
      return [
        {
          level: has.value >= needs.value ? 'passes' : 'blocks',
          code: 'space',
          items: [...items],
          role,
          needsGB: needs.value / 1e9,
          hasGB: has.value / 1e9,
          othersGB: othersBytes / 1e9,
          adds: ['drive'],
        },
      ];
    }),
};
