import { keptOf } from '../../predict/kept';
import { unknownFigures, type Said, type Rule } from '../rule';

export const driveSpace: Rule = {
  id: 'drive-space',
  reads: ['drive', 'what is kept'],
  levels: ['blocks', 'caution', 'unproven'],
  check: ({ kept, parts, brief }) =>
    keptOf(parts, kept).flatMap(({ role, needs, has, othersBytes, times, missing, items }): Said[] => {
      if (missing.length > 0) return [unknownFigures(['drive-space', role], missing)];
      if (!has) return [];
      const { growthPercent = 0, yearsOfService } = brief;
      const lasts =
        growthPercent > 0 && times !== undefined ? Math.log(times) / Math.log(1 + growthPercent / 100) : Infinity;
      const enough = has.value >= needs.value;
      return [
        {
          level: enough ? (lasts >= yearsOfService ? 'passes' : 'caution') : 'blocks',
          code: 'space',
          items: [...items],
          role,
          needsGB: needs.value / 1e9,
          hasGB: has.value / 1e9,
          othersGB: othersBytes / 1e9,
          growthPercent,
          lastsYears: enough && lasts < yearsOfService ? lasts : undefined,
          needsYears: yearsOfService,
          adds: ['drive'],
        },
      ];
    }),
};
