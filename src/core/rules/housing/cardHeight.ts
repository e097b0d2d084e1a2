import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const cardHeight: Rule = {
  id: 'card-height',
  reads: ['graphics', 'expansion', 'case'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const chassis = parts.one('case');
    // nothing closes over an open frame
    if (!chassis || chassis.part.frame === 'open') return [];
    const spaceMm = chassis.part.cardHeightMm;
    return [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].map((card): Said => {
      const { heightMm } = card.part;
      if (heightMm === undefined || spaceMm === undefined)
        return unknown(
          'card-under-panel',
          ...(heightMm === undefined ? [[card, 'heightMm'] as const] : []),
          ...(spaceMm === undefined ? [[chassis, 'cardHeightMm'] as const] : []),
        );
      return {
        level: heightMm <= spaceMm ? 'passes' : 'blocks',
        code: 'card-height',
        items: idsOf(card, chassis),
        card: nameOf(card),
        heightMm,
        spaceMm,
        chassis: nameOf(chassis),
      };
    });
  },
};
