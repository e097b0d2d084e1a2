import type { Catalogue } from '../catalogue';
import type { AnyFitted, FittedParts } from '../fitted';
import type { Part } from '../parts';
import type { Currency } from '../units/money';
import { addLanded, invoiceOf, landedPrice, NOTHING, type Invoice, type Landed } from './invoice';
import type { Offer, Region, Seller } from './offerSchema';
import { buyable, type BuyPolicy, type WhyNot } from './policy';

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
}

const cheapest = new WeakMap<Catalogue, Map<string, Map<string, Cheapest | undefined>>>();

/** Offers of sellers that the catalogue does not know ship on terms nobody stated. */
export const sellerOf = (offer: Offer, catalogue: Catalogue): Seller =>
  catalogue.seller(offer.seller) ?? { id: offer.seller, name: offer.seller };

/** Cheapest landed offer that may be bought; ties go to the earlier offer id. Remembered for the catalogue. */
export function cheapestOffer(
  catalogue: Catalogue,
  part: Part | undefined,
  region: Region,
  policy: BuyPolicy,
): Cheapest | undefined {
  if (!part) return undefined;
  let policies = cheapest.get(catalogue);
  if (!policies) cheapest.set(catalogue, (policies = new Map()));
  const key = policyKey(policy);
  let known = policies.get(key);
  if (!known) policies.set(key, (known = new Map()));
  if (!known.has(part.id)) known.set(part.id, findCheapest(catalogue, part, region, policy));
  return known.get(part.id);
}

const keys = new WeakMap<BuyPolicy, string>();
function policyKey(policy: BuyPolicy): string {
  let key = keys.get(policy);
  // parcels are counted over a whole order, so they do not matter to one piece
  if (key === undefined) keys.set(policy, (key = JSON.stringify({ ...policy, parcels: undefined })));
  return key;
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
      best = { offer, landed: invoice, invoice, despite: whyNot };
  }
  return best;
}

function itemPrice({ item, part }: AnyFitted, catalogue: Catalogue, region: Region, policy: BuyPolicy): ItemPrice {
  const base = { item: item.id, part: part.id, offer: undefined, despite: undefined, open: false };
  if (item.owned) return { ...base, state: 'owned', landed: NOTHING };
  if (item.handPrice)
    return {
      ...base,
      state: 'by-hand',
      landed: landedPrice(item.handPrice.priceMinor, item.handPrice.shippingMinor, region),
    };
  const best = cheapestOffer(catalogue, part, region, policy);
  if (!best) return { ...base, state: 'no-offer', landed: undefined };
  const { offer, landed, despite, invoice } = best;
  return { ...base, state: 'offered', landed, offer, despite, open: invoice.shippingUnknown };
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
  const items = parts.all.map((fitted) => itemPrice(fitted, catalogue, region, policy));
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
