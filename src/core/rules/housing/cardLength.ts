import { radiatorSideOf } from '../../heat/places';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const cardLength: Rule = {
  id: 'card-length',
  reads: ['graphics', 'expansion', 'case', 'cooler'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const chassis = parts.one('case');
    if (!chassis) return [];
    const radiator = parts.ofKind('cooler').find(({ part }) => part.type === 'liquid' && part.radiatorMm !== undefined);
    // a radiator whose side is not known may well stand in front
    const frontRadiator = radiator !== undefined && (radiatorSideOf(chassis, radiator) ?? 'front') === 'front';
    const field = frontRadiator ? 'cardLengthFrontRadiatorMm' : 'cardLengthMm';
    const spaceMm = chassis.part[field];
    return [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].map((card): Said => {
      const lengthMm = card.part.lengthMm;
      if (lengthMm === undefined || spaceMm === undefined)
        return unknown(
          'card-in-case',
          ...(lengthMm === undefined ? [[card, 'lengthMm'] as const] : []),
          ...(spaceMm === undefined ? [[chassis, field] as const] : []),
        );
      return {
        level: lengthMm <= spaceMm ? 'passes' : 'blocks',
        code: 'card-length',
        items: idsOf(card, chassis, ...(frontRadiator && radiator ? [radiator] : [])),
        card: nameOf(card),
        lengthMm,
        spaceMm,
        chassis: nameOf(chassis),
        frontRadiator,
      };
    });
  },
};
