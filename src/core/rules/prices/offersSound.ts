import { fewRatings, trustOf } from '../../money/trust';
import type { AnyFitted } from '../../model/fitted';
import { idsOf, nameOf, type Said, type Rule } from '../rule';

/** The offers that the price rests on are ones to buy: trusted sellers, no price too good, none far over list. */
export const offersSound: Rule = {
  id: 'offers-sound',
  reads: ['price', 'any part'],
  byIdentity: true,
  levels: ['caution'],
  check: ({ parts, price, catalogue, today }) => {
    const checks = price.items.flatMap((entry): Said[] => {
      const { offer, despite, tooGood: good } = entry;
      if (!offer || (!despite && !good)) return [];
      const fitted = parts.all.find(({ item }) => item.id === entry.item);
      if (!fitted) return [];
      const about = { level: 'caution', items: idsOf(fitted), name: nameOf(fitted) } as const;
      return [
        ...(despite?.code === 'over-list'
          ? [
              {
                ...about,
                code: 'over-list' as const,
                priceMinor: offer.priceMinor,
                listMinor: despite.listMinor,
                mostMinor: despite.mostMinor,
                currency: price.currency,
              },
            ]
          : []),
        ...(good
          ? [
              {
                ...about,
                code: 'too-good' as const,
                seller: catalogue.seller(offer.seller)?.name ?? offer.seller,
                few: fewRatings(catalogue.seller(offer.seller)),
                currency: price.currency,
                ...good,
              },
            ]
          : []),
      ];
    });
    // a seller is told once, with all that comes from it
    const doubtful = new Map<string, AnyFitted[]>();
    for (const { item, offer, despite } of price.items) {
      if (!offer || despite?.code !== 'trust') continue;
      const fitted = parts.all.find((entry) => entry.item.id === item);
      if (fitted) doubtful.set(offer.seller, [...(doubtful.get(offer.seller) ?? []), fitted]);
    }
    for (const [id, fitted] of doubtful) {
      const seller = catalogue.seller(id);
      checks.push({
        level: 'caution',
        code: 'seller-doubtful',
        items: idsOf(...fitted),
        names: fitted.map(nameOf),
        seller: seller?.name ?? id,
        grade: trustOf(seller, today).grade,
      });
    }
    return checks.length > 0
      ? checks
      : [{ level: 'passes', code: 'offers-sound', items: [], count: price.items.length }];
  },
};
