import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';
import { displaysOf } from './displays';

/** A display bought for one kind of adaptive sync ties the person to cards that drive it. */
export const adaptiveSync: Rule = {
  id: 'adaptive-sync',
  holds: 'the card drives a kind of adaptive sync that each display has',
  compares: "adaptive-sync kinds of the displays with the card's",
  reads: ['graphics', 'display'],
  levels: ['caution', 'unproven'],
  source: 'definition',
  check: ({ parts, brief, catalogue }) => {
    const card = parts.one('graphics');
    if (!card) return [];
    const seen = new Set<string>();
    return displaysOf(parts, brief, catalogue).flatMap((display): Check[] => {
      if (seen.has(display.part.id)) return [];
      seen.add(display.part.id);
      const kinds = display.part.adaptiveSync;
      if (kinds === undefined)
        return [
          unknown('adaptive-sync', 'whether the display ties the card to an adaptive-sync kind', [
            display,
            'adaptiveSync',
          ]),
        ];
      if (kinds.length === 0) return [];
      const drives = card.part.adaptiveSync;
      if (drives === undefined)
        return [unknown('adaptive-sync', 'which adaptive-sync kinds the card drives', [card, 'adaptiveSync'])];
      return [
        {
          rule: 'adaptive-sync',
          level: kinds.some((kind) => drives.includes(kind)) ? 'passes' : 'caution',
          code: 'adaptive-sync',
          items: idsOf(card),
          display: nameOf(display),
          kinds,
          card: nameOf(card),
          drives,
        },
      ];
    });
  },
};
