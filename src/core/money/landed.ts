import type { Catalogue } from '../catalogue';
import type { AnyFitted, FittedParts } from '../fitted';
import type { Offer, Region } from '../formats/catalogueSchema';
import { netOf, taxOn, type Currency } from '../units/money';

/** A price on both bases, in minor units. `landed` = net + shipping + tax: what is really paid. */
export interface Landed {
  readonly netMinor: number;
  readonly shippingMinor: number;
  readonly taxMinor: number;
  readonly landedMinor: number;
}

/**
 * Landed price of goods quoted as the region quotes them. Where prices include tax, goods and shipping are both gross;
 * elsewhere tax comes on top of goods and shipping. Tax is rounded once, for the line.
 * @example landedPrice(100_00, 10_00, { taxRate: 0.075, pricesIncludeTax: false }) // net 10000, tax 825, landed 11825
 * @example landedPrice(121_00, 0, { taxRate: 0.21, pricesIncludeTax: true }) // net 10000, tax 2100, landed 12100
 */
export function landedPrice(
  priceMinor: number,
  shippingMinor: number,
  region: Pick<Region, 'taxRate' | 'pricesIncludeTax'>,
): Landed {
  if (region.pricesIncludeTax) {
    const netMinor = netOf(priceMinor, region.taxRate);
    const netShipping = netOf(shippingMinor, region.taxRate);
    const landedMinor = priceMinor + shippingMinor;
    return { netMinor, shippingMinor: netShipping, taxMinor: landedMinor - netMinor - netShipping, landedMinor };
  }
  const taxMinor = taxOn(priceMinor + shippingMinor, region.taxRate);
  return { netMinor: priceMinor, shippingMinor, taxMinor, landedMinor: priceMinor + shippingMinor + taxMinor };
}

/** One item's price: the cheapest landed offer for a new part, or why there is none. */
export interface ItemPrice {
  readonly item: string;
  readonly part: string;
  readonly state: 'offered' | 'owned' | 'no-offer';
  readonly landed: Landed | undefined;
  readonly offer: Offer | undefined;
}

/** Price of a machine; a lower bound whenever `unpriced` is not empty. */
export interface MachinePrice {
  readonly currency: Currency;
  readonly items: readonly ItemPrice[];
  readonly total: Landed;
  readonly unpriced: readonly string[];
}

const ZERO: Landed = { netMinor: 0, shippingMinor: 0, taxMinor: 0, landedMinor: 0 };

const addLanded = (a: Landed, b: Landed): Landed => ({
  netMinor: a.netMinor + b.netMinor,
  shippingMinor: a.shippingMinor + b.shippingMinor,
  taxMinor: a.taxMinor + b.taxMinor,
  landedMinor: a.landedMinor + b.landedMinor,
});

type Cheapest = { readonly offer: Offer; readonly landed: Landed } | undefined;
const cheapest = new WeakMap<Catalogue, Map<string, Cheapest>>();

/** Cheapest landed offer of a new part in a region; ties go to the earlier offer id. Remembered for the catalogue. */
export function cheapestOffer(catalogue: Catalogue, part: string, region: Region): Cheapest {
  let known = cheapest.get(catalogue);
  if (!known) cheapest.set(catalogue, (known = new Map()));
  const key = `${region.id} ${part}`;
  if (!known.has(key)) known.set(key, findCheapest(catalogue, part, region));
  return known.get(key);
}

function findCheapest(catalogue: Catalogue, part: string, region: Region): Cheapest {
  let best: Cheapest;
  for (const offer of catalogue.offers(part, region.id)) {
    if (offer.condition !== 'new') continue;
    const landed = landedPrice(offer.priceMinor, offer.shippingMinor, region);
    if (
      !best ||
      landed.landedMinor < best.landed.landedMinor ||
      (landed.landedMinor === best.landed.landedMinor && offer.id < best.offer.id)
    )
      best = { offer, landed };
  }
  return best;
}

function itemPrice({ item, part }: AnyFitted, catalogue: Catalogue, region: Region): ItemPrice {
  if (item.owned) return { item: item.id, part: part.id, state: 'owned', landed: ZERO, offer: undefined };
  const best = cheapestOffer(catalogue, part.id, region);
  return {
    item: item.id,
    part: part.id,
    state: best ? 'offered' : 'no-offer',
    landed: best?.landed,
    offer: best?.offer,
  };
}

/**
 * Sum of the cheapest landed offers, part by part. Baskets, coupons and parcels come later, so shipping counts once a
 * part. Parts without an offer, and parts that the catalogue has lost, make the total a lower bound.
 */
export function priceMachine(parts: FittedParts, catalogue: Catalogue, region: Region): MachinePrice {
  const items = parts.all.map((fitted) => itemPrice(fitted, catalogue, region));
  return {
    currency: region.currency,
    items,
    total: items.reduce((sum, price) => addLanded(sum, price.landed ?? ZERO), ZERO),
    unpriced: [
      ...items.filter((price) => price.state === 'no-offer').map((price) => price.item),
      ...parts.gone.map((item) => item.id),
    ],
  };
}
