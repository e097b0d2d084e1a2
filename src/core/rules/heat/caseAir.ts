import type { Steady } from '../../heat/steady';
import { warmestOf, type HeatAt } from '../../heat/state';
import { HEAT } from '../../heat/constants';
import { figuresIn, idsOf, nameOf, type Rule } from '../rule';

export const caseAir: Rule = {
  id: 'case-air',
  reads: ['case', 'heat'],
  levels: ['caution', 'unproven'],
  mendedBy: ['two fans', 'air and limits'],
  check: ({ parts, heat, brief }) => {
    const chassis = parts.one('case');
    if (!chassis) return [];
    const settled: readonly (HeatAt & { readonly sitting: string })[] =
      heat.sittings.length > 0 ? heat.sittings : [{ ...heat.atLimit, sitting: '' }];
    const riseOf = (state: Steady) => state.outletC - heat.setup.roomC;
    const hottest = warmestOf(settled);
    if (!hottest) return [];
    const [best, worst] = [riseOf(hottest.best.state), riseOf(hottest.worst.state)];
    const missing = heat.setup.missing.filter(
      ({ item }) =>
        item === chassis.item.id || heat.setup.plan?.sides.some((side) => side.fans.some((fan) => fan.item === item)),
    );
    if (best <= HEAT.mostRiseK.value && worst > HEAT.mostRiseK.value && missing.length > 0)
      return [
        {
          level: 'unproven',
          code: 'heat-unknown',
          subject: figuresIn(missing),
          about: 'case air',
          part: nameOf(chassis),
          items: [...new Set(missing.map((figure) => figure.item))],
          best,
          worst,
          limit: HEAT.mostRiseK.value,
          missing,
        },
      ];
    return [
      {
        level: best > HEAT.mostRiseK.value ? 'caution' : 'passes',
        code: 'case-air',
        items: idsOf(chassis),
        riseK: best,
        limitK: HEAT.mostRiseK.value,
        heatW: hottest.best.state.heatW,
        flowM3h: hottest.best.state.flowM3h,
        sitting: brief.sittings.find((sitting) => sitting.id === hottest.sitting)?.name,
        ...(best > HEAT.mostRiseK.value ? { adds: ['fan'] as const } : {}),
      },
    ];
  },
};
