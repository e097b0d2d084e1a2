import type { Catalogue } from '../model/catalogue';
import type { AnyFitted, FittedParts } from '../model/fitted';
import type { Item } from '../model/machine';
import type { Part } from '../parts';
import type { Currency } from '../units/money';
import { addLanded, invoiceOf, landedPrice, NOTHING, type Invoice, type Landed } from './invoice';
import type { Offer, Region, Seller } from '../model/offers';
import { buyable, listPriceOf, type BuyPolicy, type WhyNot } from './policy';
import { tooGood, type TooGood } from './trust';

export { landedPrice, type Landed } from './invoice';

/** One item's price bought by itself, or why there is none. */
export interface ItemPrice {
  readonly item: string;
  readonly part: string;
  readonly state: 'offered' | 'by-hand' | 'owned' | 'no-offer';
  readonly landed: Landed | undefined;
  readonly offer: Offer | undefined;
  /** What the brief or the desk has against the offer, when none is without. */
  readonly despite: WhyNot | undefined;
  /** The offer's price is far below what it should be. */
  readonly tooGood: TooGood | undefined;
  /** The seller's shipping is unknown, so the price is a lower bound. */
  readonly open: boolean;
}

/** Price of a machine; a lower bound whenever `unpriced` is not empty. */
export interface MachinePrice {
  readonly currency: Currency;
  readonly items: readonly ItemPrice[];
  readonly total: Landed;
  readonly unpriced: readonly string[];
}

/** The cheapest way to buy one piece by itself, with its invoice. */
export interface Cheapest {
  readonly offer: Offer;
  readonly landed: Landed;
  readonly invoice: Invoice;
  readonly despite: WhyNot | undefined;
  /** Its price is far below what it should be. */
  readonly tooGood: TooGood | undefined;
}

/** Offers of sellers that the catalogue does not know ship on terms nobody stated. */
export const sellerOf = (offer: Offer, catalogue: Catalogue): Seller =>
  catalogue.seller(offer.seller) ?? { id: offer.seller, name: offer.seller };

/** Cheapest offers by part under one policy. */
type Book = Map<string, Cheapest | undefined>;
/** Books by what the policy says, and by the policy itself, which is asked for thousands of parts. */
const books = new WeakMap<Catalogue, { readonly said: Map<string, Book>; readonly own: WeakMap<BuyPolicy, Book> }>();

function bookOf(catalogue: Catalogue, policy: BuyPolicy): Book {
  let shelf = books.get(catalogue);
  if (!shelf) books.set(catalogue, (shelf = { said: new Map(), own: new WeakMap() }));
  let book = shelf.own.get(policy);
  if (!book) {
    // parcels are counted over a whole order, so they do not matter to one piece
    const key = JSON.stringify({ ...policy, parcels: undefined });
    book = shelf.said.get(key) ?? new Map<string, Cheapest | undefined>();
    shelf.said.set(key, book);
    shelf.own.set(policy, book);
  }
  return book;
}

/** Cheapest landed offer that may be bought; ties go to the earlier offer id. Remembered for the catalogue. */
export function cheapestOffer(
  catalogue: Catalogue,
  part: Part | undefined,
  region: Region,
  policy: BuyPolicy,
): Cheapest | undefined {
  return part && inBook(bookOf(catalogue, policy), catalogue, part, region, policy);
}

function inBook(book: Book, catalogue: Catalogue, part: Part, region: Region, policy: BuyPolicy): Cheapest | undefined {
  const known = book.get(part.id);
  if (known || book.has(part.id)) return known;
  const found = findCheapest(catalogue, part, region, policy);
  book.set(part.id, found);
  return found;
}

function findCheapest(catalogue: Catalogue, part: Part, region: Region, policy: BuyPolicy): Cheapest | undefined {
  let best: Cheapest | undefined;
  for (const { offer, whyNot } of buyable(part, catalogue, policy)) {
    const invoice = invoiceOf(sellerOf(offer, catalogue), [{ offer, part, count: 1 }], {
      region,
      today: policy.today,
    });
    if (
      !best ||
      invoice.landedMinor < best.landed.landedMinor ||
      (invoice.landedMinor === best.landed.landedMinor && offer.id < best.offer.id)
    )
      best = { offer, landed: invoice, invoice, despite: whyNot, tooGood: undefined };
  }
  if (!best) return undefined;
  const good = tooGood(
    best.offer,
    catalogue.offers(part.id, policy.region),
    listPriceOf(part, policy.region),
    part.kind,
  );
  return good ? { ...best, tooGood: good } : best;
}

/** Prices of items by the item: of a machine with one part changed, all others are known. */
const priced = new WeakMap<Item, { readonly book: Book; readonly part: string; readonly price: ItemPrice }>();

function itemPrice(fitted: AnyFitted, book: Book, catalogue: Catalogue, region: Region, policy: BuyPolicy): ItemPrice {
  const known = priced.get(fitted.item);
  if (known?.book === book && known.part === fitted.part.id) return known.price;
  const price = findPrice(fitted, book, catalogue, region, policy);
  priced.set(fitted.item, { book, part: fitted.part.id, price });
  return price;
}

function findPrice(
  { item, part }: AnyFitted,
  book: Book,
  catalogue: Catalogue,
  region: Region,
  policy: BuyPolicy,
): ItemPrice {
  const best = item.owned || item.handPrice ? undefined : inBook(book, catalogue, part, region, policy);
  const hand = item.owned ? undefined : item.handPrice;
  return {
    item: item.id,
    part: part.id,
    state: item.owned ? 'owned' : hand ? 'by-hand' : best ? 'offered' : 'no-offer',
    landed: item.owned ? NOTHING : hand ? landedPrice(hand.priceMinor, hand.shippingMinor, region) : best?.landed,
    offer: best?.offer,
    despite: best?.despite,
    tooGood: best?.tooGood,
    open: best?.invoice.shippingUnknown ?? false,
  };
}

/**
 * Sum of the cheapest landed offers, each part bought by itself: quick, and what parts cost against each other. What a
 * machine will really cost is its basket (`basket.ts`). Parts without an offer or without shipping terms, and parts that
 * the catalogue has lost, make the total a lower bound.
 */
export function priceMachine(
  parts: FittedParts,
  catalogue: Catalogue,
  region: Region,
  policy: BuyPolicy,
): MachinePrice {
  const book = bookOf(catalogue, policy);
  const items = parts.all.map((fitted) => itemPrice(fitted, book, catalogue, region, policy));
  return {
    currency: region.currency,
    items,
    total: items.reduce((sum, price) => addLanded(sum, price.landed ?? NOTHING), NOTHING),
    unpriced: [
      ...items.filter((price) => price.state === 'no-offer' || price.open).map((price) => price.item),
      ...parts.gone.map((item) => item.id),
    ],
  };
}
