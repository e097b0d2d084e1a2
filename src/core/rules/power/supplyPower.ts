import type { Policy } from '../../model/settings';
import { policiesOf } from '../../power/policies';
import { unknown, unknownFigures, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Past the peak a supply switches off; the other policies are reserves. */
const BREAKS: Readonly<Record<Policy, 'blocks' | 'caution'>> = {
  peak: 'blocks',
  sustained: 'caution',
  excursion: 'caution',
  maker: 'caution',
  multiple: 'caution',
};

export const supplyPower: Rule = {
  id: 'supply-power',
  reads: ['supply', 'graphics', 'power'],
  levels: ['blocks', 'unproven', 'caution'],
  check: ({ parts, power, settings }) => {
    const supply = parts.one('supply');
    if (!supply) return [];
    const checks: Said[] = [];
    if (power.missing.length > 0) checks.push(unknownFigures('draw', power.missing));
    const { ratedW, standard } = supply.part;
    if (ratedW === undefined) return [...checks, unknown('supply-rating', [supply, 'ratedW'])];
    const items = idsOf(supply);
    const name = nameOf(supply);
    for (const { policy, asksW, holds, counts, missing } of policiesOf(parts, power, settings)) {
      if (!counts) continue;
      // what the totals lack is said once, above
      const own = missing.filter((figure) => !power.missing.includes(figure));
      if (holds === undefined && own.length > 0) {
        checks.push(unknownFigures(['supply-policy', policy], own));
        continue;
      }
      if (holds === undefined || asksW === undefined) continue;
      const level = holds ? 'passes' : BREAKS[policy];
      const base = { level, items, supply: name } as const;
      if (policy === 'peak') checks.push({ ...base, code: 'supply-peak', peakW: power.peakW, ratedW });
      else if (policy === 'sustained')
        checks.push({
          ...base,
          code: 'supply-sustained',
          sustainedW: power.sustainedW,
          allowedW: ratedW * settings.supplyShare,
        });
      else checks.push({ ...base, code: 'supply-policy', subject: policy, policy, asksW, ratedW, standard });
    }
    return checks;
  },
};
