import { arrivalOf } from '../../money/policy';
import { idsOf, nameOf, type Said, type Rule } from '../rule';

/** Everything that is bought arrives by the day it is needed. */
export const delivery: Rule = {
  id: 'delivery',
  reads: ['price', 'any part'],
  byIdentity: true,
  levels: ['blocks', 'unproven'],
  check: ({ parts, price, brief, catalogue, today, policy }) => {
    const { neededBy } = brief;
    if (neededBy === undefined) return [];
    const checks = price.items.flatMap((entry): Said[] => {
      if (entry.state !== 'offered' || !entry.despite) return [];
      const fitted = parts.all.find(({ item }) => item.id === entry.item);
      if (!fitted) return [];
      const about = { items: idsOf(fitted), name: nameOf(fitted), neededBy };
      // no offer comes in time: either the earliest is too late, or nobody says when it comes
      const arrivals = catalogue
        .offers(fitted.part.id, policy.region)
        .flatMap((offer) => (policy.conditions.includes(offer.condition) ? [arrivalOf(offer, today)] : []));
      const known = arrivals.filter((day) => day !== undefined).sort();
      if (known[0] !== undefined && known[0] <= neededBy) return [];
      if (known.length < arrivals.length) return [{ ...about, level: 'unproven', code: 'delivery-unknown' }];
      return known[0] === undefined ? [] : [{ ...about, level: 'blocks', code: 'arrives-late', arrives: known[0] }];
    });
    return checks.length > 0
      ? checks
      : [
          {
            level: 'passes',
            code: 'arrives-in-time',
            items: [],
            count: price.items.length,
            neededBy,
          },
        ];
  },
};
