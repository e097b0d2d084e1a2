import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const coolerHeight: Rule = {
  id: 'cooler-height',
  reads: ['cooler', 'case'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const cooler = parts.one('cooler');
    const chassis = parts.one('case');
    // a radiator has its own rule
    if (!cooler || !chassis || cooler.part.type === 'liquid' || chassis.part.frame === 'open') return [];
    const { heightMm } = cooler.part;
    const spaceMm = chassis.part.coolerHeightMm;
    if (heightMm === undefined || spaceMm === undefined)
      return [
        unknown(
          'cooler-under-panel',
          ...(heightMm === undefined ? [[cooler, 'heightMm'] as const] : []),
          ...(spaceMm === undefined ? [[chassis, 'coolerHeightMm'] as const] : []),
        ),
      ];
    return [
      {
        level: heightMm <= spaceMm ? 'passes' : 'blocks',
        code: 'cooler-height',
        items: idsOf(cooler, chassis),
        cooler: nameOf(cooler),
        heightMm,
        spaceMm,
        chassis: nameOf(chassis),
      },
    ];
  },
};
