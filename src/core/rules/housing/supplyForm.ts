import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const supplyForm: Rule = {
  id: 'supply-form',
  reads: ['supply', 'case'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const supply = parts.one('supply');
    const chassis = parts.one('case');
    if (!supply || !chassis) return [];
    const { form } = supply.part;
    const takes = chassis.part.supplyForms;
    if (form === undefined || takes === undefined)
      return [
        unknown(
          'supply-in-case',
          ...(form === undefined ? [[supply, 'form'] as const] : []),
          ...(takes === undefined ? [[chassis, 'supplyForms'] as const] : []),
        ),
      ];
    return [
      {
        level: takes.includes(form) ? 'passes' : 'blocks',
        code: 'supply-form',
        items: idsOf(supply, chassis),
        supply: nameOf(supply),
        form,
        chassis: nameOf(chassis),
        takes,
      },
    ];
  },
};
