import { listPriceOf } from '../../money/policy';
import { tooGood, trustOf } from '../../money/trust';
import { idsOf, nameOf, type Check, type Rule } from '../rule';

/** The offers that the price rests on are ones to buy: trusted sellers, no price too good, none far over list. */
export const offersSound: Rule = {
  id: 'offers-sound',
  holds: 'the prices come from offers that one would take',
  compares: 'sellers against the trust asked for, prices against other offers and the list price',
  reads: ['price', 'any part'],
  byIdentity: true,
  levels: ['caution'],
  source: 'offers',
  check: ({ parts, price, catalogue, today, policy }) => {
    const checks = price.items.flatMap((entry): Check[] => {
      const fitted = parts.all.find(({ item }) => item.id === entry.item);
      const { offer, despite } = entry;
      if (!fitted || !offer) return [];
      const about = { rule: 'offers-sound', level: 'caution', items: idsOf(fitted), name: nameOf(fitted) } as const;
      const seller = catalogue.seller(offer.seller);
      const good = tooGood(
        offer,
        catalogue.offers(fitted.part.id, policy.region),
        listPriceOf(fitted.part, policy.region),
      );
      return [
        ...(despite?.code === 'trust'
          ? [
              {
                ...about,
                code: 'seller-doubtful' as const,
                seller: seller?.name ?? offer.seller,
                grade: trustOf(seller, today).grade,
              },
            ]
          : []),
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
                seller: seller?.name ?? offer.seller,
                currency: price.currency,
                ...good,
              },
            ]
          : []),
      ];
    });
    return checks.length > 0
      ? checks
      : [{ rule: 'offers-sound', level: 'passes', code: 'offers-sound', items: [], count: price.items.length }];
  },
};
