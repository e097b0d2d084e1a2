import type { Part } from '../parts';
import { plainNumber } from '../units/money';
import { couponHolds } from './invoice';
import type { BasketQuestion } from './needs';
import type { Offer, Seller } from '../model/offers';
import { carriage } from './parcels';

/** How a seller may be used: with a coupon or without, with some of its bundles, sent free of charge or not. */
export interface Mode {
  /** Landed least of each piece here, by piece; Infinity where the seller does not have it. */
  readonly least: Float64Array;
  /** Goods that the mode asks for, as quoted. */
  readonly from: number;
  /** What an amount coupon and bundles take off, landed. */
  readonly off: number;
  /** Pieces that the bundles ask for, by part: places among the pieces, and how many of them. */
  readonly asks: readonly { readonly places: readonly number[]; readonly count: number }[];
  readonly free: boolean;
}

/** A seller as the search sees it. */
export interface Shop {
  readonly seller: Seller;
  readonly modes: readonly Mode[];
  /** The most goods that each piece brings here, as quoted. */
  readonly goods: Float64Array;
  /** Shipping by weight, landed, before any threshold; nothing for what is not sent on the seller's table. */
  readonly carriage: (kg: number) => number;
  /** What opening it costs at least: nothing where it sells something that is not sent on its table. */
  readonly opening: number;
}

/** An offer of a piece as the search sees it. */
export interface Way {
  readonly offer: Offer;
  readonly shop: number;
  /** The least that its goods and own shipping come to, landed. */
  readonly least: number;
  /** Ships on the seller's table, kg. */
  readonly kg: number;
}

export interface Piece {
  /** Place in the question. */
  readonly at: number;
  readonly part: Part;
  readonly ways: readonly Way[];
}

/** Bundles of one seller that are told apart; what there are more is granted without being asked for. */
const MOST_BUNDLES = 4;
/** Sellers with all the ways in which each may be used for these pieces. */
export function shopsOf(pieces: readonly Piece[], question: BasketQuestion, sellers: readonly Seller[]): Shop[] {
  const { region, policy } = question;
  const taxed = region.pricesIncludeTax ? 1 : 1 + region.taxRate;
  return sellers.map((seller, shop): Shop => {
    const table = seller.shipping?.find((entry) => entry.region === region.id);
    const coupons = (seller.coupons ?? []).filter((coupon) => couponHolds(coupon, region.id, policy.today));
    const here = pieces.map(({ ways }) => ways.filter((way) => way.shop === shop));
    const leastWith = (percent: (part: Part) => number) =>
      Float64Array.from(pieces, ({ part }, i) =>
        Math.min(
          Infinity,
          ...(here[i] ?? []).map(
            ({ offer }) =>
              (plainNumber(offer.priceMinor) * (1 - percent(part) / 100) + (offer.shippingMinor ?? 0)) * taxed,
          ),
        ),
      );
    const uses = [
      { least: leastWith(() => 0), from: 0, off: 0 },
      ...coupons.map((coupon) => ({
        least: leastWith(({ kind }) =>
          coupon.kinds === undefined || coupon.kinds.includes(kind) ? Number(coupon.percent ?? 0) : 0,
        ),
        from: coupon.fromMinor ?? 0,
        off: plainNumber(coupon.amountMinor ?? 0) * taxed,
      })),
    ];
    const freeFrom = table?.freeFromMinor;
    const sets = bundleSets(seller, pieces, question);
    return {
      seller,
      modes: uses.flatMap((use) =>
        sets.flatMap(({ asks, minor }): Mode[] => {
          const with_ = { ...use, asks, off: use.off + plainNumber(minor) * taxed };
          return [
            { ...with_, free: false },
            ...(freeFrom === undefined ? [] : [{ ...with_, from: Math.max(use.from, freeFrom), free: true }]),
          ];
        }),
      ),
      goods: Float64Array.from(here, (ways) => Math.max(0, ...ways.map(({ offer }) => offer.priceMinor))),
      carriage: (kg) =>
        table && kg > 0
          ? plainNumber(carriage({ region: table.region, classes: table.classes }, 0, kg).minor) * taxed
          : 0,
      opening:
        table && here.every((ways) => ways.every((way) => way.kg > 0))
          ? Math.min(...table.classes.map((entry) => entry.minor)) * taxed
          : 0,
    };
  });
}

/** Every set of a seller's bundles that could be had, with what each takes off and the pieces it asks for. */
function bundleSets(
  seller: Seller,
  pieces: readonly Piece[],
  { region, policy }: BasketQuestion,
): { asks: Mode['asks']; minor: number }[] {
  const placesOf = (part: string) => pieces.flatMap((piece, at) => (piece.part.id === part ? [at] : []));
  const could = (seller.bundles ?? []).filter(
    (bundle) =>
      bundle.region === region.id &&
      policy.today <= bundle.until &&
      bundle.parts.every((part) => placesOf(part).length > 0),
  );
  const granted = could.slice(MOST_BUNDLES).reduce((sum, bundle) => sum + bundle.reductionMinor, 0);
  return could.slice(0, MOST_BUNDLES).reduce<{ parts: string[]; asks: Mode['asks']; minor: number }[]>(
    (sets, bundle) =>
      sets.flatMap((set) => {
        const parts = [...set.parts, ...bundle.parts];
        const asks = [...new Set(parts)].map((part) => ({
          places: placesOf(part),
          count: parts.filter((other) => other === part).length,
        }));
        return asks.every(({ places, count }) => places.length >= count)
          ? [set, { parts, asks, minor: set.minor + bundle.reductionMinor }]
          : [set];
      }),
    [{ parts: [], asks: [], minor: granted }],
  );
}
