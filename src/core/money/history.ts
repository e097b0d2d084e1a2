import type { Catalogue } from '../model/catalogue';
import { dayNumber } from '../units/days';
import type { Part } from '../parts';
import { invoiceOf } from './invoice';
import { sellerOf } from './landed';
import type { Offer, Region } from '../model/offers';
import { whyNot, type BuyPolicy } from './policy';

/** Prices of one offer by day, days rising; null is a day on which it could not be bought. */
export interface PricePoints {
  readonly offer: string;
  readonly days: readonly number[];
  readonly minors: readonly (number | null)[];
}

/** A price that was last seen longer ago than this is not taken for today's. */
export const MOST_AGE_DAYS = 14;

/** What something cost by day; NaN where nobody knows. `days` is first, first + 1, … */
export interface Series {
  readonly first: number;
  readonly minors: Float64Array;
}

/** A price series filled up to every day: a price holds until the next point, or until it is too old. */
export function filled(points: PricePoints, first: number, last: number): Float64Array {
  const out = new Float64Array(last - first + 1).fill(NaN);
  points.days.forEach((day, i) => {
    const minor = points.minors[i];
    const until = Math.min(points.days[i + 1] ?? Infinity, day + MOST_AGE_DAYS + 1, last + 1);
    if (minor === null || minor === undefined) return;
    for (let at = Math.max(day, first); at < until; at++) out[at - first] = minor;
  });
  return out;
}

/** What prices are looked at with: offers as they are bought today, in one region. */
export interface HistoryContext {
  readonly catalogue: Catalogue;
  readonly region: Region;
  readonly policy: BuyPolicy;
  readonly points: ReadonlyMap<string, PricePoints>;
}

/** Demands of today that say nothing about a price of another day. */
const TIMELESS = (policy: BuyPolicy): BuyPolicy => ({ ...policy, neededBy: undefined, overListPercent: undefined });

/**
 * Cheapest landed price of a part by day, bought by itself, over the offers that may be bought today, with today's
 * shipping terms and tax and without coupons: those of another day are not known.
 */
export function partSeries(part: Part, first: number, last: number, context: HistoryContext): Series {
  const { catalogue, region, points } = context;
  const policy = TIMELESS(context.policy);
  const least = new Float64Array(last - first + 1).fill(NaN);
  for (const offer of catalogue.offers(part.id, region.id)) {
    const refused = whyNot({ ...offer, stock: undefined, until: undefined }, part, catalogue, policy);
    const own = points.get(offer.id);
    if (refused || !own) continue;
    const landed = landedOf(offer, part, context);
    filled(own, first, last).forEach((minor, i) => {
      if (Number.isNaN(minor)) return;
      const price = landed(minor);
      const known = least[i] ?? NaN;
      if (Number.isNaN(known) || price < known) least[i] = price;
    });
  }
  return { first, minors: least };
}

/** Landed price of an offer at another price; each price is worked out once. */
function landedOf(offer: Offer, part: Part, { catalogue, region, policy }: HistoryContext): (minor: number) => number {
  const seller = sellerOf(offer, catalogue);
  const known = new Map<number, number>();
  return (minor) => {
    let landed = known.get(minor);
    if (landed === undefined) {
      const line = { offer: { ...offer, priceMinor: minor }, part, count: 1 };
      landed = invoiceOf(seller, [line], { region, today: policy.today, coupon: 'none' }).landedMinor;
      known.set(minor, landed);
    }
    return landed;
  };
}

/** Sum of the parts' series; unknown on days on which one of them is. Pieces without any price are counted. */
export function machineSeries(
  parts: readonly Part[],
  first: number,
  last: number,
  context: HistoryContext,
): Series & { readonly unknown: readonly Part[] } {
  const sum = new Float64Array(last - first + 1);
  const unknown: Part[] = [];
  const known = new Map<string, Series>();
  for (const part of parts) {
    let series = known.get(part.id);
    if (!series) known.set(part.id, (series = partSeries(part, first, last, context)));
    if (series.minors.every(Number.isNaN)) unknown.push(part);
    else for (let i = 0; i < sum.length; i++) sum[i] = (sum[i] ?? 0) + (series.minors[i] ?? NaN);
  }
  return { first, minors: sum, unknown };
}

/** What waiting so many days has been worth: change of the price, as a share of it; below 0 it became cheaper. */
export interface WaitingWorth {
  readonly days: number;
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  /** Share of the cases in which it became cheaper. */
  readonly cheaper: number;
  readonly cases: number;
  /** Times that do not overlap; cases of one time move together, so this says how much the answer rests on. */
  readonly periods: number;
}

/**
 * Change over a wait of so many days, over all parts and all times that do not overlap: the middle of the cases, and the
 * tenth and the ninetieth of a hundred as the band. Undefined with fewer than three periods.
 */
export function waitingWorth(series: readonly Series[], days: number): WaitingWorth | undefined {
  const changes: number[] = [];
  const starts = new Set<number>();
  for (const { first, minors } of series)
    for (let at = 0; at + days < minors.length; at += days) {
      const [before, after] = [minors[at] ?? NaN, minors[at + days] ?? NaN];
      if (Number.isNaN(before) || Number.isNaN(after)) continue;
      changes.push(after / before - 1);
      starts.add(first + at);
    }
  if (starts.size < 3) return undefined;
  changes.sort((a, b) => a - b);
  const at = (share: number) => changes[Math.round((changes.length - 1) * share)] ?? 0;
  return {
    days,
    low: at(0.1),
    likely: at(0.5),
    high: at(0.9),
    cheaper: changes.filter((change) => change < -0.001).length / changes.length,
    cases: changes.length,
    periods: starts.size,
  };
}

/** Parts of one maker and kind, of which newer ones came out while prices were kept. */
export interface Succeeded {
  readonly part: Pick<Part, 'maker' | 'onSale' | 'withdrawn'>;
  readonly series: Series;
}

/** What a maker's next parts did to the price of those before them, as a share of it; below 0 they became cheaper. */
export interface SuccessionChange {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  readonly cases: number;
  /** Days on which something new came out. */
  readonly successions: number;
  /** The middle change of the same parts over as long a time when nothing new came. */
  readonly otherwise: number | undefined;
}

/** Prices are compared from so many days before something new is sold to so many days after. */
export const SUCCESSION_DAYS = { before: 30, after: 60 } as const;
/** A part that is younger than this when something new comes is not its forerunner, days. */
const FORERUNNER = 180;
const FEWEST_CASES = 3;

/**
 * Change of price over the time around a succession: for each day on which a maker brought something of the kind, the parts
 * of that maker that were sold for half a year by then; the middle of the cases, and the tenth and ninetieth of a hundred as
 * the band. `otherwise` is the same over times in which nothing came, so that what prices do anyway is told apart.
 * Undefined with fewer than three cases.
 */
export function atSuccessions(parts: readonly Succeeded[]): SuccessionChange | undefined {
  const { before, after } = SUCCESSION_DAYS;
  const changes: number[] = [];
  const quiet: number[] = [];
  const days = new Set<string>();
  const births = new Map<string, number[]>();
  for (const { part } of parts)
    if (part.onSale !== undefined)
      births.set(part.maker, [...new Set([...(births.get(part.maker) ?? []), dayNumber(part.onSale)])]);
  for (const { part, series } of parts) {
    if (part.onSale === undefined) continue;
    const since = dayNumber(part.onSale) + FORERUNNER;
    const news = births.get(part.maker) ?? [];
    const changeAt = (day: number): number | undefined => {
      const [was, is] = [priceOn(series, day - before), priceOn(series, day + after)];
      return was === undefined || is === undefined ? undefined : is / was - 1;
    };
    for (const day of news) {
      const change = day < since ? undefined : changeAt(day);
      if (change === undefined) continue;
      changes.push(change);
      days.add(`${part.maker} ${day}`);
    }
    // times of the same length that no birth touches
    for (let day = Math.max(series.first + before, since); ; day += before + after) {
      if (day + after >= series.first + series.minors.length) break;
      if (news.some((birth) => birth >= day - before - after && birth <= day + after)) continue;
      const change = changeAt(day);
      if (change !== undefined) quiet.push(change);
    }
  }
  if (changes.length < FEWEST_CASES) return undefined;
  const share = (list: number[], of: number): number => list[Math.round((list.length - 1) * of)] ?? 0;
  changes.sort((a, b) => a - b);
  quiet.sort((a, b) => a - b);
  return {
    low: share(changes, 0.1),
    likely: share(changes, 0.5),
    high: share(changes, 0.9),
    cases: changes.length,
    successions: days.size,
    otherwise: quiet.length < FEWEST_CASES ? undefined : share(quiet, 0.5),
  };
}

function priceOn({ first, minors }: Series, day: number): number | undefined {
  const minor = minors[day - first];
  return minor === undefined || Number.isNaN(minor) ? undefined : minor;
}
