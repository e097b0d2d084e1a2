import type { Catalogue } from '../../model/catalogue';
import type { Item } from '../../model/machine';
import type { Offer, Region } from '../../model/offers';
import { couponHolds } from '../../money/invoice';
import { landedPrice, sellerOf } from '../../money/landed';
import { buyable, type BuyPolicy } from '../../money/policy';
import type { Part } from '../../parts';
import { percentOf } from '../../units/money';

/** Prices below which no basket can go. */
export interface LeastPrices {
  /** The least that one piece of a part can add to a basket; undefined when nobody sells it. */
  readonly of: (part: Part) => number | undefined;
  readonly ofItem: (item: Item, part: Part) => number | undefined;
  /** What coupons of a fixed amount can take off a whole machine, once each. */
  readonly onceMinor: number;
  /**
   * Whether one of two parts that are alike in all figures never stands in a cheapest basket beside the other: bought by
   * itself it costs less than the other can add.
   */
  readonly undercuts: (part: Part, other: Part) => boolean;
}

/**
 * A part's least price: over the offers that may be bought the price less every percentage and bundle that could fall on
 * it, with its own shipping and tax, rounded down. Parcels' shipping is left out because one more part can make it free.
 * It is a bound because an invoice shares exactly these reductions out over its lines, and rounds no further down.
 */
export function leastPrices(catalogue: Catalogue, region: Region, policy: BuyPolicy, rebates: boolean): LeastPrices {
  const known = new Map<string, number | undefined>();
  const rate = region.pricesIncludeTax ? 1 : 1 + region.taxRate;
  const taxed = (minor: number): number => Math.floor(minor * rate - 1e-6);
  const leastOffer = (offer: Offer, part: Part): number => {
    const seller = sellerOf(offer, catalogue);
    let off = 0;
    for (const coupon of seller.coupons ?? [])
      if (
        coupon.percent !== undefined &&
        couponHolds(coupon, region.id, policy.today) &&
        (coupon.kinds?.includes(part.kind) ?? true)
      )
        off = Math.max(off, percentOf(offer.priceMinor, coupon.percent) + 1);
    let bundled = 0;
    for (const { region: where, until, parts, reductionMinor } of seller.bundles ?? [])
      if (where === region.id && policy.today <= until && parts.includes(part.id))
        bundled = Math.max(
          bundled,
          Math.ceil((reductionMinor * parts.filter((id) => id === part.id).length) / parts.length),
        );
    const mailed =
      rebates &&
      offer.rebate &&
      policy.today <= offer.rebate.until &&
      (offer.rebate.claimBy ?? policy.today) >= policy.today
        ? offer.rebate.amountMinor
        : 0;
    return taxed(Math.max(0, offer.priceMinor - off - bundled) + (offer.shippingMinor ?? 0)) - mailed;
  };
  const of = (part: Part): number | undefined => {
    if (known.has(part.id)) return known.get(part.id);
    let least: number | undefined;
    for (const { offer } of buyable(part, catalogue, policy)) {
      const minor = leastOffer(offer, part);
      if (least === undefined || minor < least) least = minor;
    }
    known.set(part.id, least);
    return least;
  };
  /** Most that one more piece of an offer can save on the rest of its order: its carriage, and a coupon within reach. */
  const helps = ({ offer, part }: { offer: Offer; part: Part }): number => {
    const seller = sellerOf(offer, catalogue);
    const terms = seller.shipping?.find((entry) => entry.region === region.id);
    const carriage =
      terms?.freeFromMinor === undefined ? 0 : Math.max(0, ...terms.classes.map(({ minor }) => minor)) * PARCELS;
    const coupons = (seller.coupons ?? []).filter((coupon) => couponHolds(coupon, region.id, policy.today));
    if (coupons.some(({ percent, kinds }) => percent !== undefined && (kinds?.includes(part.kind) ?? true)))
      return Infinity;
    const amounts = Math.max(0, ...coupons.map(({ amountMinor }) => amountMinor ?? 0));
    return Math.ceil((carriage + amounts) * rate) + 1;
  };
  return {
    of,
    ofItem: (item, part) =>
      item.owned
        ? 0
        : item.handPrice
          ? landedPrice(item.handPrice.priceMinor, item.handPrice.shippingMinor, region).landedMinor
          : of(part),
    onceMinor: catalogue.sellers.reduce((all, { coupons = [] }) => {
      const amounts = coupons.flatMap((coupon) =>
        coupon.amountMinor !== undefined && couponHolds(coupon, region.id, policy.today) ? coupon.amountMinor : [],
      );
      return all + (amounts.length > 0 ? Math.ceil(Math.max(...amounts) * rate) : 0);
    }, 0),
    undercuts: (part, other) => {
      if (policy.parcels !== undefined) return false;
      const alone = buyable(part, catalogue, policy).flatMap(({ offer }) => {
        // bought in an order of its own from a seller whose shipping is known; stock may be taken by nothing else
        const { shipping: table, bundles = [] } = sellerOf(offer, catalogue);
        if (offer.stock !== undefined || bundles.some(({ parts }) => parts.includes(part.id))) return [];
        const terms = table?.find((entry) => entry.region === region.id);
        const shipping = offer.shippingMinor ?? (terms && Math.max(0, ...terms.classes.map(({ minor }) => minor)));
        return shipping === undefined ? [] : landedPrice(offer.priceMinor, shipping, region).landedMinor + 1;
      });
      if (alone.length === 0) return false;
      const most = Math.min(...alone);
      return buyable(other, catalogue, policy).every(
        ({ offer }) => most < leastOffer(offer, other) - helps({ offer, part: other }),
      );
    },
  };
}

/** Parcels that a seller's order may come in at most, for what a threshold of free carriage can save. */
const PARCELS = 4;
