import { fansNeeded } from '../../heat/fans';
import { HEAT } from '../../heat/constants';
import { idsOf, type Rule } from '../rule';

export const surplusFans: Rule = {
  id: 'surplus-fans',
  reads: ['fan', 'supply', 'power', 'heat'],
  levels: ['note'],
  saves: () => true,
  mendedBy: ['leaving out all'],
  check: ({ parts, power, heat, region }) => {
    const fans = parts.ofKind('fan');
    if (fans.length === 0 || power.missing.length > 0 || heat.setup.plan?.missing.length) return [];
    const need = fansNeeded(parts, heat, power, region.mainsV);
    if (!need) return [];
    return [
      {
        level: need.spare.length > 0 ? 'note' : 'passes',
        code: 'surplus-fans',
        items: need.spare.length > 0 ? [...need.spare] : idsOf(...fans),
        spare: need.spare.length,
        keep: need.keep.length,
        sides: need.sides,
        riseK: need.riseK,
        allowedK: HEAT.usefulRiseK.value,
        flowM3h: need.flowM3h,
      },
    ];
  },
};
