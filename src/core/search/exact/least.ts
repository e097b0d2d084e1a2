import type { Catalogue } from '../../model/catalogue';
import type { Item } from '../../model/machine';
import type { Bundle, Offer, Region } from '../../model/offers';
import { couponHolds } from '../../money/invoice';
import { landedPrice, sellerOf } from '../../money/landed';
import { buyable, type BuyPolicy } from '../../money/policy';
import type { Part, PartKind } from '../../parts';
import { plainNumber } from '../../units/money';

/** A piece at a seller that has coupons: what it adds to the goods there, and how much dearer it is than where it is cheapest. */
interface There {
  readonly seller: number;
  readonly goodsMinor: number;
  readonly extraMinor: number;
}

/** A coupon that may be used today, with tax on what it takes off. */
interface Reduction {
  readonly seller: number;
  readonly percent: number;
  readonly amountMinor: number;
  readonly fromMinor: number;
  readonly kinds: ReadonlySet<PartKind> | undefined;
}

/** A piece of a machine that is bought, for what coupons can take off. */
export interface Bought {
  readonly kind: PartKind;
  readonly leastMinor: number;
  readonly there: readonly There[];
}

/** A position that is still open: what it may be filled with, at the least. */
export interface Open {
  readonly kinds: readonly PartKind[];
  readonly leastMinor: number;
}

/** Prices below which no basket can go. */
export interface LeastPrices {
  /** The least that one piece of a part can add to a basket, coupons apart; undefined when nobody sells it. */
  readonly of: (part: Part) => number | undefined;
  readonly ofItem: (item: Item, part: Part) => number | undefined;
  /** The largest share that a coupon takes off. */
  readonly mostOff: number;
  /** By so much all coupons together may take off more than their shares, as each is rounded to the unit. */
  readonly roundedMinor: number;
  /** A part as a piece that coupons may be used on. */
  readonly bought: (part: Part) => Bought;
  /**
   * The most that coupons can take off a machine, each seller's best one: with the pieces that are chosen, others still
   * to come at their least, and so much more that these may come to together.
   */
  readonly couponsMinor: (chosen: readonly Bought[], open: readonly Open[], roomMinor: number) => number;
  /**
   * Whether one of two parts, the other being no better, never stands in a cheapest basket: the one costs less by itself
   * than the other can add.
   */
  readonly undercuts: (part: Part, other: Part) => boolean;
}

/**
 * A part's least price: over the offers that may be bought the price less the share of every bundle that could fall on
 * it (an even one, and what pieces cheaper than theirs leave), with its own shipping and tax, rounded down. Parcels' shipping is left out because one more part can make it free.
 * It is a bound because an invoice shares exactly these reductions out over its lines, and rounds no further down.
 * Coupons are bounded over the machine: who uses one buys there for its threshold.
 */
export function leastPrices(catalogue: Catalogue, region: Region, policy: BuyPolicy, rebates: boolean): LeastPrices {
  const known = new Map<string, number | undefined>();
  const rate = region.pricesIncludeTax ? 1 : 1 + region.taxRate;
  const taxed = (minor: number): number => Math.floor(plainNumber(minor) * rate + 1e-9);
  /** A piece's even share of a bundle's reduction. */
  const shareOf = ({ parts, reductionMinor }: Bundle): number => Math.ceil(plainNumber(reductionMinor) / parts.length);
  const lefts = new Map<Bundle, number>();
  /** What of a bundle's reduction is left when pieces take their even shares and no more than they cost: others take it. */
  function left(bundle: Bundle, seller: string): number {
    let known = lefts.get(bundle);
    if (known === undefined) {
      const share = shareOf(bundle);
      const taken = bundle.parts.reduce((sum, id) => {
        const part = catalogue.part(id);
        const prices = (part ? buyable(part, catalogue, policy) : []).flatMap(({ offer }) =>
          offer.seller === seller ? [plainNumber(offer.priceMinor)] : [],
        );
        return sum + Math.min(share, ...prices);
      }, 0);
      lefts.set(bundle, (known = Math.max(0, plainNumber(bundle.reductionMinor) - taken)));
    }
    return known;
  }
  const leastOffer = (offer: Offer, part: Part): number => {
    let bundled = 0;
    for (const bundle of sellerOf(offer, catalogue).bundles ?? [])
      if (bundle.region === region.id && policy.today <= bundle.until && bundle.parts.includes(part.id)) {
        const pieces = bundle.parts.filter((id) => id === part.id).length;
        bundled = Math.max(bundled, shareOf(bundle) * pieces + left(bundle, offer.seller));
      }
    const mailed =
      rebates &&
      offer.rebate &&
      policy.today <= offer.rebate.until &&
      (offer.rebate.claimBy ?? policy.today) >= policy.today
        ? offer.rebate.amountMinor
        : 0;
    return taxed(Math.max(0, offer.priceMinor - bundled) + (offer.shippingMinor ?? 0)) - mailed;
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
  const sellers = catalogue.sellers.filter(({ coupons = [] }) =>
    coupons.some((coupon) => couponHolds(coupon, region.id, policy.today)),
  );
  const reductions = sellers.flatMap(({ coupons = [] }, seller) =>
    coupons.flatMap((coupon): Reduction[] =>
      couponHolds(coupon, region.id, policy.today)
        ? [
            {
              seller,
              percent: Number(coupon.percent ?? 0) / 100,
              amountMinor: coupon.amountMinor ?? 0,
              fromMinor: coupon.fromMinor ?? 1,
              kinds: coupon.kinds && new Set(coupon.kinds),
            },
          ]
        : [],
    ),
  );
  const pieces = new Map<string, Bought>();
  const bought = (part: Part): Bought => {
    let piece = pieces.get(part.id);
    if (piece) return piece;
    const least = of(part) ?? 0;
    const there = new Map<number, There>();
    for (const { offer } of buyable(part, catalogue, policy)) {
      const seller = sellers.findIndex(({ id }) => id === offer.seller);
      if (seller < 0) continue;
      const before = there.get(seller);
      // the dearest goods for the least extra: neither is exceeded whichever of its offers is taken
      there.set(seller, {
        seller,
        goodsMinor: Math.max(offer.priceMinor, before?.goodsMinor ?? 0),
        extraMinor: Math.max(0, Math.min(leastOffer(offer, part) - least, before?.extraMinor ?? Infinity)),
      });
    }
    piece = { kind: part.kind, leastMinor: least, there: [...there.values()] };
    pieces.set(part.id, piece);
    return piece;
  };
  const saves = (reduction: Reduction, chosen: readonly Bought[], open: readonly Open[], roomMinor: number) => {
    const { kinds, percent, fromMinor, amountMinor, seller } = reduction;
    let gain = 0;
    let goods = 0;
    // what is still to come may stand there at no extra; dearer than its least, a percentage takes less than it adds
    for (const { kinds: list, leastMinor } of open)
      if (!kinds || list.some((kind) => kinds.has(kind))) {
        goods += leastMinor;
        gain += percent * plainNumber(leastMinor);
      }
    if (open.length > 0) goods += roomMinor;
    const against: { readonly goods: number; readonly loss: number }[] = [];
    for (const piece of chosen) {
      if (kinds && !kinds.has(piece.kind)) continue;
      const at = piece.there.find((entry) => entry.seller === seller);
      if (!at) continue;
      // of what bundles have left of it
      const net = percent * (piece.leastMinor + at.extraMinor) - at.extraMinor;
      if (net >= 0) {
        gain += net;
        goods += at.goodsMinor;
      } else against.push({ goods: at.goodsMinor, loss: -net });
    }
    // filled up to the threshold by what costs least a coin of goods, the last one in part
    if (goods < fromMinor) {
      against.sort((a, b) => a.loss * b.goods - b.loss * a.goods);
      for (const { goods: more, loss } of against) {
        const part = Math.min(1, (fromMinor - goods) / more);
        goods += more;
        gain -= part * loss;
        if (goods >= fromMinor) break;
      }
      if (goods < fromMinor) return 0;
    }
    return gain + plainNumber(amountMinor) * rate;
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
    bought,
    roundedMinor: sellers.length * Math.ceil(rate),
    mostOff: Math.max(0, ...reductions.map(({ percent }) => percent)),
    couponsMinor: (chosen, open, roomMinor) => {
      const best = new Map<number, number>();
      for (const reduction of reductions) {
        const gain = saves(reduction, chosen, open, roomMinor);
        if (gain > (best.get(reduction.seller) ?? 0)) best.set(reduction.seller, gain);
      }
      let all = 0;
      for (const gain of best.values()) all += gain;
      return Math.ceil(all);
    },
    ofItem: (item, part) =>
      item.owned
        ? 0
        : item.handPrice
          ? landedPrice(item.handPrice.priceMinor, item.handPrice.shippingMinor, region).landedMinor
          : of(part),
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
