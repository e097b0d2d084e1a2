import { readJson } from '../problems';
import type { FeedAnswer, FeedEntry, FeedProblem } from './source';

type Json = Readonly<Record<string, unknown>>;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const many = (value: unknown): unknown[] => (Array.isArray(value) ? value : value === undefined ? [] : [value]);
const text = (value: unknown): string | undefined =>
  typeof value === 'string' && value.trim() !== ''
    ? value.trim()
    : typeof value === 'number'
      ? String(value)
      : undefined;
/** Terms are written bare or as addresses: "InStock", "https://schema.org/InStock". */
const term = (value: unknown): string => (text(value) ?? '').replace(/^.*[/#]/, '');
const typed = (value: unknown, type: string): value is Json =>
  isObject(value) && many(value['@type']).some((entry) => term(entry) === type);
const day = (value: unknown): string | undefined => /^\d{4}-\d{2}-\d{2}/.exec(text(value) ?? '')?.[0];

const CONDITION: Readonly<Record<string, FeedEntry['condition']>> = {
  NewCondition: 'new',
  RefurbishedCondition: 'refurbished',
  UsedCondition: 'used',
};
const AVAILABLE: ReadonlySet<string> = new Set([
  '',
  'InStock',
  'LimitedAvailability',
  'OnlineOnly',
  'PreOrder',
  'BackOrder',
]);

/** Most days of a `QuantitativeValue` in days. */
const days = (value: unknown): number | undefined => {
  if (!isObject(value)) return undefined;
  const most = Number(text(value['maxValue']) ?? text(value['value']));
  return Number.isInteger(most) && most >= 0 && ['', 'DAY', 'd'].includes(text(value['unitCode']) ?? '')
    ? most
    : undefined;
};

function deliveryOf(details: unknown): number | undefined {
  const time = isObject(details) ? details['deliveryTime'] : undefined;
  if (!isObject(time)) return undefined;
  const [handling, transit] = [days(time['handlingTime']), days(time['transitTime'])];
  return transit === undefined ? undefined : transit + (handling ?? 0);
}

function shippingOf(details: unknown): string | undefined {
  const rate = isObject(details) ? details['shippingRate'] : undefined;
  return isObject(rate) ? text(rate['value']) : undefined;
}

/**
 * Products with their offers from a JSON-LD document: a product, a list of them, a graph, or an item list. Source:
 * schema.org `Product`, `Offer`, `OfferShippingDetails`, version 29; JSON-LD 1.1 (W3C 2020).
 */
export function readJsonLd(source: string): FeedAnswer {
  const read = readJson(source);
  // the reader's own message quotes what it read; what lies at an address is not shown to who may only name it
  if (!read.ok)
    return {
      entries: [],
      problems: [{ place: 'answer', message: 'is no JSON, breaks off half way or is nested too deep' }],
    };
  const json = read.value;
  const entries: FeedEntry[] = [];
  const problems: FeedProblem[] = [];
  let count = 0;
  const product = (value: Json) => {
    const place = `product ${++count}`;
    const offers = many(value['offers']).flatMap((entry) =>
      isObject(entry) && entry['offers'] ? many(entry['offers']) : [entry],
    );
    if (offers.length === 0) problems.push({ place, message: 'has no offer' });
    const { brand } = value;
    for (const offer of offers) {
      if (!isObject(offer)) {
        problems.push({ place, message: 'has an offer that is none' });
        continue;
      }
      const [price, currency] = [text(offer['price']), text(offer['priceCurrency'])];
      if (price === undefined || currency === undefined) {
        problems.push({ place, message: `has an offer without a ${price === undefined ? 'price' : 'currency'}` });
        continue;
      }
      const level = offer['inventoryLevel'];
      const stock = Number(isObject(level) ? text(level['value']) : text(level));
      const [details] = many(offer['shippingDetails']);
      entries.push({
        place,
        part: text(value['productID']) ?? text(offer['sku']) ?? text(value['sku']),
        gtin: ['gtin', 'gtin14', 'gtin13', 'gtin12', 'gtin8']
          .map((key) => text(value[key]))
          .find((code) => code !== undefined),
        maker: isObject(brand) ? text(brand['name']) : text(brand),
        partNumber: text(value['mpn']),
        name: text(value['name']),
        price,
        currency,
        condition: CONDITION[term(offer['itemCondition'])] ?? 'new',
        available: AVAILABLE.has(term(offer['availability'])),
        stock: level !== undefined && Number.isInteger(stock) && stock >= 0 ? stock : undefined,
        deliveryDays: deliveryOf(details),
        shipping: shippingOf(details),
        asOf: day(offer['validFrom']) ?? day(value['dateModified']),
        until: day(offer['priceValidUntil']) ?? day(offer['validThrough']),
      });
    }
  };
  const walk = (value: unknown, depth: number): void => {
    if (depth > 4) return;
    if (Array.isArray(value)) value.forEach((entry) => walk(entry, depth));
    else if (typed(value, 'Product')) product(value);
    else if (isObject(value))
      for (const key of ['@graph', 'itemListElement', 'item', 'mainEntity'])
        if (value[key]) walk(value[key], depth + 1);
  };
  walk(json, 0);
  if (count === 0 && problems.length === 0)
    problems.push({ place: 'answer', message: 'holds no product: expected schema.org products with offers' });
  return { entries, problems };
}
