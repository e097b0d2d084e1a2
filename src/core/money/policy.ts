import type { Brief } from '../model/brief';
import type { Catalogue } from '../model/catalogue';
import type { Part } from '../parts';
import type { Settings, TrustFloor } from '../model/settings';
import { dayAfter } from '../units/days';
import { percentOf } from '../units/money';
import type { Offer } from '../model/offers';
import { fewRatings, tooGood, trustedEnough, trustOf, type TrustGrade } from './trust';

/** Which offers may be bought for a brief. */
export interface BuyPolicy {
  readonly region: string;
  readonly today: string;
  readonly conditions: readonly Offer['condition'][];
  readonly trustFloor: TrustFloor;
  /** Offers that are too good, of sellers with few ratings, are left alone. */
  readonly avoidBaits: boolean;
  /** Everything is there by this day. */
  readonly neededBy: string | undefined;
  /** The most over a maker's list price, as a decimal percentage. */
  readonly overListPercent: number | undefined;
  /** Parcels in all. */
  readonly parcels: number | undefined;
}

/** Policy of a desk without a brief: prices in the library. */
export const plainPolicy = (region: string, settings: Settings, today: string): BuyPolicy => ({
  region,
  today,
  conditions: settings.conditions,
  trustFloor: settings.trustFloor,
  avoidBaits: settings.avoidBaits,
  neededBy: undefined,
  overListPercent: undefined,
  parcels: undefined,
});

/** Policy of the desk with the demands of a brief. */
export const buyPolicy = (brief: Brief, settings: Settings, today: string): BuyPolicy => ({
  ...plainPolicy(brief.region, settings, today),
  neededBy: brief.neededBy,
  overListPercent: brief.overListPercent,
  parcels: settings.parcels,
});

/** Why an offer is not one to buy. */
export type WhyNot =
  | { readonly code: 'condition'; readonly condition: Offer['condition'] }
  | { readonly code: 'expired'; readonly until: string }
  | { readonly code: 'sold-out' }
  | { readonly code: 'trust'; readonly grade: TrustGrade }
  | {
      readonly code: 'bait';
      readonly ratings: number | undefined;
      readonly priceMinor: number;
      readonly usualMinor: number;
    }
  | { readonly code: 'late'; readonly arrives: string; readonly neededBy: string }
  | { readonly code: 'delivery-unknown'; readonly neededBy: string }
  | { readonly code: 'over-list'; readonly listMinor: number; readonly mostMinor: number };

export const arrivalOf = (offer: Offer, today: string): string | undefined =>
  offer.deliveryDays === undefined ? undefined : dayAfter(today, offer.deliveryDays);

export const listPriceOf = (part: Part, region: string): number | undefined =>
  part.listPrices?.find((entry) => entry.region === region)?.minor;

/** The most that is paid for a part under a ceiling over its list price; undefined without either. */
export function ceilingOf(part: Part, policy: BuyPolicy): number | undefined {
  const list = listPriceOf(part, policy.region);
  return list === undefined || policy.overListPercent === undefined
    ? undefined
    : list + percentOf(list, policy.overListPercent);
}

/** What keeps an offer from being bought; undefined when nothing does. What is unknown does not pass a demand. */
export function whyNot(offer: Offer, part: Part, catalogue: Catalogue, policy: BuyPolicy): WhyNot | undefined {
  const { today, neededBy } = policy;
  if (!policy.conditions.includes(offer.condition)) return { code: 'condition', condition: offer.condition };
  if (offer.until !== undefined && offer.until < today) return { code: 'expired', until: offer.until };
  if (offer.stock === 0) return { code: 'sold-out' };
  const { grade } = trustOf(catalogue.seller(offer.seller), today);
  if (!trustedEnough(grade, policy.trustFloor)) return { code: 'trust', grade };
  if (policy.avoidBaits) {
    const ratings = fewRatings(catalogue.seller(offer.seller));
    const good =
      ratings && tooGood(offer, catalogue.offers(part.id, policy.region), listPriceOf(part, policy.region), part.kind);
    if (ratings && good)
      return { code: 'bait', ratings: ratings.ratings, priceMinor: good.priceMinor, usualMinor: good.usualMinor };
  }
  if (neededBy !== undefined) {
    const arrives = arrivalOf(offer, today);
    if (arrives === undefined) return { code: 'delivery-unknown', neededBy };
    if (arrives > neededBy) return { code: 'late', arrives, neededBy };
  }
  const mostMinor = ceilingOf(part, policy);
  if (mostMinor !== undefined && offer.priceMinor > mostMinor)
    return { code: 'over-list', listMinor: listPriceOf(part, policy.region) ?? 0, mostMinor };
  return undefined;
}

/** Demands that may be let go when nothing meets them, first the first; an offer that is gone may not. */
const GIVES_WAY: readonly (readonly WhyNot['code'][])[] = [
  ['late', 'delivery-unknown'],
  ['over-list'],
  ['bait'],
  ['trust'],
];

/** An offer with what keeps it from being bought. */
export interface Judged {
  readonly offer: Offer;
  readonly whyNot: WhyNot | undefined;
}

export const judged = (part: Part, catalogue: Catalogue, policy: BuyPolicy): Judged[] =>
  catalogue.offers(part.id, policy.region).map((offer) => ({ offer, whyNot: whyNot(offer, part, catalogue, policy) }));

/**
 * Offers that may be bought; where none may, those that only the brief or the desk refuses, so that a price is known and
 * a finding can say why it is not one to pay.
 */
export function buyable(part: Part, catalogue: Catalogue, policy: BuyPolicy): readonly Judged[] {
  const all = judged(part, catalogue, policy);
  const open = all.filter((entry) => entry.whyNot === undefined);
  if (open.length > 0) return open;
  for (const codes of GIVES_WAY) {
    const found = all.filter((entry) => entry.whyNot && codes.includes(entry.whyNot.code));
    if (found.length > 0) return found;
  }
  return [];
}
