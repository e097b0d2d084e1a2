import type { HoldResult } from '../../predict/results';
import { unknownFigures, type Said, type Rule } from '../rule';

export const driveSpace: Rule = {
  id: 'drive-space',
  holds: 'the footage that must stay fits on its drive',
  compares: 'bytes kept with the capacity of the drives in that role',
  reads: ['drive', 'sittings'],
  levels: ['blocks', 'unproven'],
  source: 'footage rate × hours kept',
  check: ({ sittings, parts }) => {
    // what is kept is kept in every sitting: the largest is asked for, not the sum over sittings
    const worst = new Map<string, HoldResult>();
    for (const sitting of sittings)
      for (const hold of sitting.holds) {
        if (!hold.what.startsWith('space:')) continue;
        const before = worst.get(hold.what);
        if (!before || hold.needs.value > before.needs.value) worst.set(hold.what, hold);
      }
    return [...worst.values()].flatMap((hold): Said[] => {
      const role = hold.what.slice('space:'.length);
      if (hold.missing.length > 0) return [unknownFigures(['drive-space', role], hold.missing)];
      if (!hold.has) return [];
      const items = parts
        .ofKind('drive')
        .filter(({ item }) => item.roles?.some((has) => has === role))
        .map(({ item }) => item.id);
      return [
        {
          level: hold.has.value >= hold.needs.value ? 'passes' : 'blocks',
          code: 'space',
          items,
          role,
          needsGB: hold.needs.value / 1e9,
          hasGB: hold.has.value / 1e9,
          adds: ['drive'],
        },
      ];
    });
  },
};
