import { accessoryPurpose } from '../../parts/purposes';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const upright: Rule = {
  id: 'upright',
  reads: ['graphics', 'expansion', 'case', 'accessory'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const chassis = parts.one('case');
    const accessories = parts.ofKind('accessory');
    const risers = accessories.filter(({ part }) => accessoryPurpose(part) === 'riser');
    const perhaps = accessories.filter(({ part }) => accessoryPurpose(part) === undefined);
    const cards = [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].filter(({ item }) => item.upright);
    if (!chassis) return [];
    return cards.flatMap((card, i): Said[] => {
      const { uprightCards } = chassis.part;
      if (uprightCards === undefined) return [unknown('upright-mount', [chassis, 'uprightCards'])];
      const riser = risers[i];
      const lacking = riser
        ? (['generation', 'lanes'] as const).filter((field) => riser.part[field] === undefined)
        : [];
      if (uprightCards && riser && lacking.length > 0)
        return [unknown('riser-link', ...lacking.map((field) => [riser, field] as const))];
      if (uprightCards && !riser && perhaps.length > 0)
        return [unknown('riser', ...perhaps.map((each) => [each, 'purpose'] as const))];
      return [
        {
          level: uprightCards && riser ? 'passes' : 'blocks',
          code: 'upright',
          items: uprightCards ? idsOf(card) : idsOf(card, chassis),
          card: nameOf(card),
          chassis: nameOf(chassis),
          mount: uprightCards,
          riser: riser !== undefined,
          ...(riser ? {} : { adds: ['accessory'] as const }),
        },
      ];
    });
  },
};
