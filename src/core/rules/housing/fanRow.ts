import { idsOf, nameOf, type Rule } from '../rule';

export const fanRow: Rule = {
  id: 'fan-row',
  reads: ['case', 'cooler', 'heat'],
  levels: ['note'],
  check: ({ parts, heat }) => {
    const chassis = parts.one('case');
    const { plan } = heat.setup;
    const side = plan?.sides.find((entry) => entry.radiator);
    if (!chassis || !plan || !side?.radiator) return [];
    const cooler = parts.one('cooler');
    return [
      {
        level: plan.displaced > 0 ? 'note' : 'passes',
        code: 'fan-row',
        items: idsOf(chassis, ...(cooler ? [cooler] : [])),
        side: side.side,
        rowMm: side.rowMm,
        radiatorMm: side.radiator.lengthMm,
        displaced: plan.displaced,
        chassis: nameOf(chassis),
      },
    ];
  },
};
