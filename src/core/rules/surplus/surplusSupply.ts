import { idsOf, nameOf, type Rule } from '../rule';
import { SURPLUS, isLess } from './growth';

export const surplusSupply: Rule = {
  id: 'surplus-supply',
  reads: ['supply', 'power'],
  levels: ['note'],
  saves: (_said, from, to) => from.kind === 'supply' && to.kind === 'supply' && isLess(from.ratedW, to.ratedW),
  check: ({ parts, power, settings }) => {
    const supply = parts.one('supply');
    const ratedW = supply?.part.ratedW;
    // with an unknown draw nobody can say that a supply is too large
    if (!supply || ratedW === undefined || power.missing.length > 0) return [];
    const needsW = Math.max(power.peakW, power.sustainedW / settings.supplyShare);
    return [
      {
        level: ratedW > needsW * SURPLUS.supplyMargin.value ? 'note' : 'passes',
        code: 'surplus-supply',
        items: idsOf(supply),
        supply: nameOf(supply),
        ratedW,
        needsW,
      },
    ];
  },
};
