import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';
import { displaysOf } from './displays';

/** A display bought for one kind of adaptive sync ties the person to cards that drive it. */
export const adaptiveSync: Rule = {
  id: 'adaptive-sync',
  reads: ['graphics', 'display'],
  levels: ['caution', 'unproven'],
  check: ({ parts, brief, catalogue }) => {
    const cards = parts.ofKind('graphics');
    if (cards.length === 0) return [];
    const seen = new Set<string>();
    return displaysOf(parts, brief, catalogue).flatMap((display): Said[] => {
      if (seen.has(display.part.id)) return [];
      seen.add(display.part.id);
      const kinds = display.part.adaptiveSync;
      if (kinds === undefined) return [unknown('sync-wanted', [display, 'adaptiveSync'])];
      if (kinds.length === 0) return [];
      // a display hangs on the card that drives its kind, whichever of several that is
      const drives = [...new Set(cards.flatMap(({ part }) => part.adaptiveSync ?? []))];
      const fits = kinds.some((kind) => drives.includes(kind));
      const vague = cards.filter(({ part }) => part.adaptiveSync === undefined);
      if (!fits && vague.length > 0)
        return [unknown('sync-driven', ...vague.map((card) => [card, 'adaptiveSync'] as const))];
      return [
        {
          level: fits ? 'passes' : 'caution',
          code: 'adaptive-sync',
          subject: display.item.id,
          items: idsOf(...cards),
          display: nameOf(display),
          kinds,
          card: cards.map(nameOf).join(' and '),
          drives,
        },
      ];
    });
  },
};
