import type { FeedAnswer, FeedEntry, FeedProblem, OfferSource } from './source';
import { isoDate } from '../../parts/common';
import type { Part } from '../../parts';
import { coins } from '../../words/format';
import { minorOf, ratioOf } from '../../units/money';
import { offerSchema, type Offer, type Region } from '../../model/offers';

/** A price of a day; null when the offer could not be bought. */
export interface PricePoint {
  readonly offer: string;
  readonly day: string;
  readonly minor: number | null;
}

/** What an answer of a source changes. */
export interface Taken {
  readonly offers: readonly Offer[];
  readonly points: readonly PricePoint[];
  readonly problems: readonly FeedProblem[];
  /** Entries that were read, also those that changed nothing. */
  readonly read: number;
  /** Products that the library does not have. */
  readonly unmatched: number;
}

/** Finds parts the way a feed names them: by id, by GTIN, or by maker and part number. */
export interface PartFinder {
  readonly find: (entry: FeedEntry) => Part | undefined;
}

export function partFinder(parts: readonly Part[]): PartFinder {
  const ids = new Map(parts.map((part) => [part.id as string, part]));
  const gtins = new Map(parts.flatMap((part) => (part.gtin ? [[part.gtin.padStart(14, '0'), part] as const] : [])));
  const key = (maker: string, number: string) => `${maker.toLowerCase()} ${number.toLowerCase()}`;
  const numbers = new Map(
    parts.flatMap((part) => (part.partNumber ? [[key(part.maker, part.partNumber), part] as const] : [])),
  );
  return {
    find: ({ part, gtin, maker, partNumber }) =>
      (part === undefined ? undefined : ids.get(part)) ??
      (gtin === undefined ? undefined : gtins.get(gtin.padStart(14, '0'))) ??
      (maker === undefined || partNumber === undefined ? undefined : numbers.get(key(maker, partNumber))),
  };
}

/** A price that moves by more than this factor in one step is taken, and named. */
const BIG_STEP = 2;

export const offerIdOf = (part: string, source: OfferSource, condition: Offer['condition']): string =>
  `${part}.${source.seller}.${source.region}${condition === 'new' ? '' : `.${condition}`}`.slice(0, 80);

/**
 * What an answer means for the offers of its seller in its region. An entry with a wrong currency, no positive price or a
 * date after today is left out and named; one that comes twice counts once; one that is older than what is known is filed
 * under its own day and changes nothing today. Offers that the answer does not mention keep their last good price.
 */
export function takePrices(
  answer: FeedAnswer,
  source: OfferSource,
  region: Region,
  finder: PartFinder,
  known: ReadonlyMap<string, Offer>,
  today: string,
): Taken {
  const problems: FeedProblem[] = [...answer.problems];
  const offers = new Map<string, { offer: Offer; place: string }>();
  const points = new Map<string, PricePoint>();
  let unmatched = 0;
  let older = 0;
  for (const entry of answer.entries) {
    const { place } = entry;
    const part = finder.find(entry);
    if (!part) {
      unmatched++;
      continue;
    }
    const name = `${place}, ${part.maker} ${part.name}`;
    if (entry.currency !== region.currency) {
      problems.push({
        place: name,
        message: `is priced in ${entry.currency}; ${region.name} pays in ${region.currency}`,
      });
      continue;
    }
    const minor = minorOf(entry.price, region.currency);
    if (minor === undefined || minor <= 0) {
      problems.push({ place: name, message: `has the price "${entry.price}", which is no amount above 0` });
      continue;
    }
    const shipping = entry.shipping === undefined ? undefined : minorOf(entry.shipping, region.currency);
    if (entry.shipping !== undefined && (shipping === undefined || shipping < 0)) {
      problems.push({ place: name, message: `has the shipping "${entry.shipping}", which is no amount` });
      continue;
    }
    const asOf = entry.asOf ?? today;
    if (!isoDate.safeParse(asOf).success) {
      problems.push({ place: name, message: `has the date "${asOf}", which is none` });
      continue;
    }
    if (asOf > today) {
      problems.push({
        place: name,
        message: `is dated ${asOf}, after today, ${today}: check the clock here and there`,
      });
      continue;
    }
    const id = offerIdOf(part.id, source, entry.condition);
    const before = known.get(id);
    const offer = offerSchema.safeParse({
      ...(before?.rebate ? { rebate: before.rebate } : {}),
      ...(before?.warrantyLeftMonths === undefined ? {} : { warrantyLeftMonths: before.warrantyLeftMonths }),
      ...(before?.wornPercent === undefined ? {} : { wornPercent: before.wornPercent }),
      id,
      part: part.id,
      seller: source.seller,
      region: region.id,
      priceMinor: minor,
      ...(shipping === undefined ? {} : { shippingMinor: shipping }),
      condition: entry.condition,
      ...(entry.deliveryDays === undefined ? {} : { deliveryDays: entry.deliveryDays }),
      ...(entry.available ? (entry.stock === undefined ? {} : { stock: entry.stock }) : { stock: 0 }),
      ...(entry.until === undefined ? {} : { until: entry.until }),
      asOf,
    });
    if (!offer.success) {
      problems.push({ place: name, message: `cannot be taken: ${offer.error.issues[0]?.message ?? 'it is no offer'}` });
      continue;
    }
    const same = offers.get(id);
    if (same) {
      if (same.offer.priceMinor !== minor)
        problems.push({
          place: name,
          message: `comes twice, for ${coins(same.offer.priceMinor, region.currency)} and for ${coins(minor, region.currency)}; the later one is taken`,
        });
      if (asOf < same.offer.asOf) continue;
    }
    points.set(`${id} ${asOf}`, { offer: id, day: asOf, minor: entry.available ? minor : null });
    if (before && before.asOf > asOf) {
      older++;
      continue;
    }
    if (before && (ratioOf(minor, before.priceMinor) > BIG_STEP || ratioOf(before.priceMinor, minor) > BIG_STEP))
      problems.push({
        place: name,
        message: `went from ${coins(before.priceMinor, region.currency)} to ${coins(minor, region.currency)} at once; it is taken, look at it`,
      });
    offers.set(id, { offer: offer.data, place });
  }
  if (older > 0)
    problems.push({
      place: 'answer',
      message: `has ${older} prices older than what is known, filed under their own day; was the clock set back?`,
    });
  return {
    offers: [...offers.values()].map(({ offer }) => offer),
    points: [...points.values()],
    problems,
    read: answer.entries.length,
    unmatched,
  };
}
