import { saleState } from '../../parts/onSale';
import { idsOf, nameOf, type Said, type Rule } from '../rule';

export const partsOnSale: Rule = {
  id: 'parts-on-sale',
  reads: ['any part'],
  byIdentity: true,
  levels: ['caution'],
  check: ({ parts, today }) => {
    const checks: Said[] = [];
    for (const fitted of parts.all) {
      const { part } = fitted;
      if (fitted.item.owned) continue;
      const state = saleState(part, today);
      if (state === 'withdrawn' && part.withdrawn !== undefined)
        checks.push({
          level: 'caution',
          code: 'part-withdrawn',
          items: idsOf(fitted),
          name: nameOf(fitted),
          date: part.withdrawn,
        });
      else if (state === 'announced' && part.onSale !== undefined)
        checks.push({
          level: 'caution',
          code: 'part-not-yet',
          items: idsOf(fitted),
          name: nameOf(fitted),
          date: part.onSale,
        });
    }
    return checks.length > 0
      ? checks
      : [{ level: 'passes', code: 'parts-on-sale', items: [], count: parts.all.length }];
  },
};
