import { unknown, idsOf, nameOf, type Check, type Rule } from './rule';

export const supplyPower: Rule = {
  id: 'supply-power',
  holds: 'the supply carries the sustained draw with a reserve and the peak in full',
  compares:
    'sustained draw with a share of the rating (80 % unless the desk says otherwise), peak draw with all of it; efficiency plays no part',
  levels: ['blocks', 'unproven', 'caution'],
  source: 'judgement: the reserve; definition: the rating',
  check: ({ parts, power, settings }) => {
    const supply = parts.one('supply');
    if (!supply) return [];
    const checks: Check[] = [];
    if (power.missing.length > 0)
      checks.push({
        rule: 'supply-power',
        level: 'unproven',
        code: 'unknown-figure',
        about: 'how much power the machine draws',
        items: [...new Set(power.missing.map((figure) => figure.item))],
        missing: power.missing,
      });
    const { ratedW } = supply.part;
    if (ratedW === undefined)
      return [...checks, unknown('supply-power', 'how much the supply delivers', [supply, 'ratedW'])];
    const allowedW = ratedW * settings.supplyShare;
    const items = idsOf(supply);
    const name = nameOf(supply);
    // draws with unknown parts are lower bounds: they can prove a supply too small, never large enough
    const proven = power.missing.length === 0;
    if (power.peakW > ratedW || proven)
      checks.push({
        rule: 'supply-power',
        level: power.peakW > ratedW ? 'blocks' : 'passes',
        code: 'supply-peak',
        items,
        supply: name,
        peakW: power.peakW,
        ratedW,
      });
    if (power.sustainedW > allowedW || !power.sustainedOpen)
      checks.push({
        rule: 'supply-power',
        level: power.sustainedW > allowedW ? 'caution' : 'passes',
        code: 'supply-sustained',
        items,
        supply: name,
        sustainedW: power.sustainedW,
        allowedW,
      });
    return checks;
  },
};
