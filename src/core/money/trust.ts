import type { TrustFloor } from '../model/settings';
import { shrunkRating } from './ratings';
import { daysBetween } from '../units/days';
import { BY_HAND, type Offer, type Seller } from '../model/offers';
import type { PartKind } from '../parts';
import { medianMinor, ratioOf } from '../units/money';

/** How far a seller can be relied on, worst first; `unknown` is a seller of whom nothing is known. */
export const TRUST_GRADES = ['unknown', 'doubtful', 'little-known', 'trusted'] as const;
export type TrustGrade = (typeof TRUST_GRADES)[number];

export type TrustReason =
  | { readonly code: 'ratings'; readonly ratings: number; readonly mean: number; readonly shrunk: number }
  | { readonly code: 'few-ratings'; readonly ratings: number }
  | { readonly code: 'no-ratings' }
  | { readonly code: 'third-party' }
  | { readonly code: 'young'; readonly since: string }
  | { readonly code: 'no-returns' }
  | { readonly code: 'returns'; readonly days: number };

export interface Trust {
  readonly grade: TrustGrade;
  readonly reasons: readonly TrustReason[];
}

/** Judgements: what most shops of the trade are rated, and from when on a shop's own ratings speak. */
const USUAL_RATING = 4.2;
const GOOD_RATING = 4;
const POOR_RATING = 3.5;
const MANY_RATINGS = 500;
const YOUNG_DAYS = 365;

/**
 * Trust in a seller with its reasons: the mean rating shrunk towards what shops of the trade usually have, so that few
 * ratings count little, then what speaks against it. Two reservations take a grade each.
 */
export function trustOf(seller: Seller | undefined, today: string): Trust {
  if (seller?.id === BY_HAND.id) return { grade: 'trusted', reasons: [] };
  if (!seller || seller.ratings === undefined || seller.meanRating === undefined)
    return { grade: 'unknown', reasons: [{ code: 'no-ratings' }] };
  const { ratings, meanRating: mean } = seller;
  const shrunk = shrunkRating(mean, ratings, USUAL_RATING);
  const reasons: TrustReason[] = [{ code: 'ratings', ratings, mean, shrunk }];
  let held = shrunk >= GOOD_RATING ? 3 : shrunk >= POOR_RATING ? 2 : 1;
  if (ratings < MANY_RATINGS) {
    reasons.push({ code: 'few-ratings', ratings });
    held--;
  }
  if (seller.thirdParty) {
    reasons.push({ code: 'third-party' });
    held--;
  }
  if (seller.sellsSince !== undefined && daysBetween(seller.sellsSince, today) < YOUNG_DAYS) {
    reasons.push({ code: 'young', since: seller.sellsSince });
    held--;
  }
  if (seller.returnDays === 0) {
    reasons.push({ code: 'no-returns' });
    held--;
  } else if (seller.returnDays !== undefined) reasons.push({ code: 'returns', days: seller.returnDays });
  return { grade: held >= 3 ? 'trusted' : held === 2 ? 'little-known' : 'doubtful', reasons };
}

/** A seller whose ratings are few or not known; undefined for one that many have rated, or that is oneself. */
export function fewRatings(seller: Seller | undefined): { readonly ratings: number | undefined } | undefined {
  if (seller?.id === BY_HAND.id || (seller?.ratings !== undefined && seller.ratings >= MANY_RATINGS)) return undefined;
  return { ratings: seller?.ratings };
}

export const trustedEnough = (grade: TrustGrade, floor: TrustFloor): boolean =>
  floor === 'any' || TRUST_GRADES.indexOf(grade) >= TRUST_GRADES.indexOf(floor);

/** An offer far below what it should be: below others' of the same condition, or below the maker's list price. */
export interface TooGood {
  readonly against: 'others' | 'list';
  readonly priceMinor: number;
  readonly usualMinor: number;
}

/** Judgements: below these shares of the usual price an offer wants a second look. */
const OF_OTHERS = 0.7;
const OF_LIST = 0.55;
/** Offers to compare with: one other may itself be too dear. A licence far below any other is worth a warning at once. */
const OTHERS = 2;
const OTHERS_OF_LICENCE = 1;

/** Warns of a new part's price far below the middle of the other offers, or far below the maker's list price. */
export function tooGood(
  offer: Offer,
  all: readonly Offer[],
  listMinor: number | undefined,
  kind?: PartKind,
): TooGood | undefined {
  const { priceMinor } = offer;
  // what says that it is given away is no bait
  if (offer.condition !== 'new' || offer.free) return undefined;
  const others = all.flatMap((other) =>
    other !== offer && other.condition === 'new' && other.seller !== offer.seller ? [other.priceMinor] : [],
  );
  const licence = kind === 'system' || kind === 'licence';
  if (others.length >= (licence ? OTHERS_OF_LICENCE : OTHERS)) {
    const usualMinor = medianMinor(others);
    if (ratioOf(priceMinor, usualMinor) < OF_OTHERS) return { against: 'others', priceMinor, usualMinor };
  }
  return listMinor !== undefined && ratioOf(priceMinor, listMinor) < OF_LIST
    ? { against: 'list', priceMinor, usualMinor: listMinor }
    : undefined;
}
