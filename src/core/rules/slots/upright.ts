import { accessoriesUnsaid } from '../../model/unsaid';
import { accessoryPurpose } from '../../parts/purposes';
import { unknown, unknownFigures, idsOf, nameOf, type Said, type Rule } from '../rule';

export const upright: Rule = {
  id: 'upright',
  reads: ['graphics', 'expansion', 'case', 'accessory'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const chassis = parts.one('case');
    const risers = parts.ofKind('accessory').filter(({ part }) => accessoryPurpose(part) === 'riser');
    const perhaps = accessoriesUnsaid(parts);
    const cards = [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].filter(({ item }) => item.upright);
    if (!chassis || cards.length === 0) return [];
    const { uprightCards } = chassis.part;
    if (uprightCards === undefined) return [unknown('upright-mount', [chassis, 'uprightCards'])];
    return cards.flatMap((card, i): Said[] => {
      const riser = risers[i];
      const lacking = riser
        ? (['generation', 'lanes'] as const).filter((field) => riser.part[field] === undefined)
        : [];
      if (uprightCards && riser && lacking.length > 0)
        return [unknown('riser-link', ...lacking.map((field) => [riser, field] as const))];
      // each thing that may be one serves one card
      const unsaid = perhaps[i - risers.length];
      if (uprightCards && !riser && unsaid) return [unknownFigures('riser', [unsaid])];
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
