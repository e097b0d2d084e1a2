import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const supplyLength: Rule = {
  id: 'supply-length',
  reads: ['supply', 'case'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const supply = parts.one('supply');
    const chassis = parts.one('case');
    if (!supply || !chassis) return [];
    const { lengthMm } = supply.part;
    const spaceMm = chassis.part.supplyLengthMm;
    if (lengthMm === undefined || spaceMm === undefined)
      return [
        unknown(
          'supply-in-case',
          ...(lengthMm === undefined ? [[supply, 'lengthMm'] as const] : []),
          ...(spaceMm === undefined ? [[chassis, 'supplyLengthMm'] as const] : []),
        ),
      ];
    return [
      {
        level: lengthMm <= spaceMm ? 'passes' : 'blocks',
        code: 'supply-length',
        items: idsOf(supply, chassis),
        supply: nameOf(supply),
        lengthMm,
        spaceMm,
        chassis: nameOf(chassis),
      },
    ];
  },
};
