import { idsOf, type Said, type Rule } from '../rule';
import { grown, SURPLUS, isLess } from './growth';

export const surplusSpace: Rule = {
  id: 'surplus-space',
  reads: ['drive', 'what is kept'],
  levels: ['note'],
  saves: (_said, from, to) => from.kind === 'drive' && to.kind === 'drive' && isLess(from.capacityGB, to.capacityGB),
  check: ({ parts, kept, brief }) => {
    const years = brief.yearsOfService;
    const roles = new Set(parts.ofKind('drive').flatMap(({ item }) => item.roles ?? []));
    return [...roles].flatMap((role): Said[] => {
      const need = kept.get(role)?.value;
      // where no task says what it keeps, how much is too much cannot be said
      if (need === undefined || need <= 0) return [];
      const drives = parts.ofKind('drive').filter(({ item }) => item.roles?.includes(role));
      // a drive of several roles is large for all of them together
      if (drives.some(({ item, part }) => (item.roles?.length ?? 0) > 1 || part.capacityGB === undefined)) return [];
      const hasGB = drives.reduce((sum, { part }) => sum + (part.capacityGB ?? 0), 0);
      const growth = brief.growthPercent === undefined ? grown(years) : (1 + brief.growthPercent / 100) ** years;
      const needsGB = (need / 1e9) * growth;
      return [
        {
          level: hasGB > needsGB * SURPLUS.capacityMargin.value ? 'note' : 'passes',
          code: 'surplus-space',
          items: idsOf(...drives),
          role,
          hasGB,
          needsGB,
          years,
        },
      ];
    });
  },
};
