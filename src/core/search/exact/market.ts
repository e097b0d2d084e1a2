import type { Context } from '../../assess';
import type { Offer } from '../../model/offers';

/** A market in which sellers ask other prices; everything else of it is as it was. */
export const repriced = (context: Context, priceOf: (part: string, offer: Offer) => number): Context => {
  const { catalogue } = context;
  return {
    ...context,
    catalogue: {
      ...catalogue,
      offers: (id, region) =>
        catalogue.offers(id, region).map((offer) => {
          const priceMinor = priceOf(id, offer);
          return priceMinor === offer.priceMinor ? offer : { ...offer, priceMinor };
        }),
    },
  };
};
