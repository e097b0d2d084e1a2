import type { Part } from '../parts';
import { netOf, percentOf, shareOut, taxOn, timesCount } from '../units/money';
import type { Bundle, Coupon, Offer, Region, Seller } from '../model/offers';
import { carriage, shippingKg } from './parcels';

/** A price on both bases, in minor units. `landed` = net + shipping + tax: what is really paid. */
export interface Landed {
  readonly netMinor: number;
  readonly shippingMinor: number;
  readonly taxMinor: number;
  readonly landedMinor: number;
}

export const NOTHING: Landed = { netMinor: 0, shippingMinor: 0, taxMinor: 0, landedMinor: 0 };

export const addLanded = (a: Landed, b: Landed): Landed => ({
  netMinor: a.netMinor + b.netMinor,
  shippingMinor: a.shippingMinor + b.shippingMinor,
  taxMinor: a.taxMinor + b.taxMinor,
  landedMinor: a.landedMinor + b.landedMinor,
});

/** What is bought of one offer. */
export interface OrderLine {
  readonly offer: Offer;
  readonly part: Part;
  readonly count: number;
}

/** A rebate of a line: counted when it can still be claimed. */
export interface RebateDue {
  readonly offer: string;
  readonly minor: number;
  readonly state: 'due' | 'past';
  readonly until: string;
  readonly conditions: string;
}

export interface InvoiceLine extends Landed {
  readonly line: OrderLine;
  /** As quoted: price × count, before anything is taken off. */
  readonly goodsMinor: number;
  /** The line's share of bundles and coupon, as quoted. */
  readonly reductionMinor: number;
}

/** What one seller asks for one order; totals are the sums of the lines, to the unit. */
export interface Invoice extends Landed {
  readonly seller: Seller;
  readonly lines: readonly InvoiceLine[];
  readonly bundles: readonly { readonly id: string; readonly name: string; readonly minor: number }[];
  readonly coupon: { readonly id: string; readonly minor: number; readonly lowersTax: boolean } | undefined;
  /** As quoted, with the seller's own terms applied. */
  readonly shippingQuotedMinor: number;
  readonly free: boolean;
  readonly parcels: number;
  readonly kg: number;
  /** Items whose mass is not stated, so that the usual mass of their kind decided the weight class. */
  readonly massUnknown: readonly string[];
  /** The seller states no terms for the region, so shipping is a lower bound. */
  readonly shippingUnknown: boolean;
  readonly rebates: readonly RebateDue[];
  readonly afterRebateMinor: number;
}

/** Discounts that an order may use on a day; `coupon` "best" tries all and takes what costs least. */
export interface InvoiceTerms {
  readonly region: Region;
  readonly today: string;
  readonly coupon?: 'best' | 'none';
}

const sum = (numbers: readonly number[]): number => numbers.reduce((all, one) => all + one, 0);

/** Weights for sharing out; equal ones where all are 0. */
const weights = (values: readonly number[]): number[] => (sum(values) > 0 ? [...values] : values.map(() => 1));

function bundlesOf(seller: Seller, lines: readonly OrderLine[], { region, today }: InvoiceTerms): Bundle[] {
  const there = new Map<string, number>();
  for (const line of lines) there.set(line.part.id, (there.get(line.part.id) ?? 0) + line.count);
  return (seller.bundles ?? []).filter(({ parts, ...bundle }) => {
    if (bundle.region !== region.id || today > bundle.until) return false;
    const wanted = new Map<string, number>();
    for (const part of parts) wanted.set(part, (wanted.get(part) ?? 0) + 1);
    if ([...wanted].some(([part, count]) => (there.get(part) ?? 0) < count)) return false;
    // a piece counts in one bundle only
    for (const [part, count] of wanted) there.set(part, (there.get(part) ?? 0) - count);
    return true;
  });
}

/** Whether a coupon may be used on a day in a region. */
export const couponHolds = (coupon: Coupon, region: string, today: string): boolean =>
  coupon.region === region && today <= coupon.until && (coupon.from === undefined || coupon.from <= today);

/** What a coupon takes off goods; nothing below its threshold, never more than the goods. */
function couponMinor(coupon: Coupon, eligibleMinor: number): number {
  if (eligibleMinor < (coupon.fromMinor ?? 1)) return 0;
  const off = (coupon.percent === undefined ? 0 : percentOf(eligibleMinor, coupon.percent)) + (coupon.amountMinor ?? 0);
  return Math.min(off, eligibleMinor);
}

/** Whether the goods a coupon is for come to its threshold before anything is taken off: else it takes off nothing. */
const mayReach = ({ kinds, fromMinor = 1 }: Coupon, lines: readonly OrderLine[]): boolean => {
  let goods = 0;
  for (const { offer, part, count } of lines)
    if (kinds === undefined || kinds.includes(part.kind)) goods += timesCount(offer.priceMinor, count);
  return goods >= fromMinor;
};

/**
 * The invoice of one order: goods − bundles − coupon + shipping + tax. Reductions are shared out over the lines they are
 * for, shipping by mass, and tax that is rounded on the invoice by what each line is taxed on, so that every column adds
 * up to its total. Mailed rebates stand apart: they never lower what is taxed.
 */
export function invoiceOf(seller: Seller, lines: readonly OrderLine[], terms: InvoiceTerms): Invoice {
  const { coupon = 'best', region, today } = terms;
  let best = withCoupon(seller, lines, terms, undefined);
  if (coupon === 'none') return best;
  for (const candidate of seller.coupons ?? []) {
    if (!couponHolds(candidate, region.id, today) || !mayReach(candidate, lines)) continue;
    const tried = withCoupon(seller, lines, terms, candidate);
    if (tried.coupon && tried.landedMinor < best.landedMinor) best = tried;
  }
  return best;
}

function withCoupon(
  seller: Seller,
  lines: readonly OrderLine[],
  terms: InvoiceTerms,
  coupon: Coupon | undefined,
): Invoice {
  const { region, today } = terms;
  const goods = lines.map((line) => timesCount(line.offer.priceMinor, line.count));
  const bundles = bundlesOf(seller, lines, terms);
  const off = goods.map(() => 0);
  const spread = (minor: number, on: (line: OrderLine) => boolean) => {
    const left = goods.map((value, i) => value - (off[i] ?? 0));
    const shares = shareOut(minor, weights(left.map((value, i) => (lines[i] && on(lines[i]) ? value : 0))));
    shares.forEach((share, i) => (off[i] = (off[i] ?? 0) + share));
  };
  const taken = bundles.map((bundle) => {
    const inIt = (line: OrderLine) => bundle.parts.includes(line.part.id);
    const most = sum(goods.map((value, i) => (lines[i] && inIt(lines[i]) ? value - (off[i] ?? 0) : 0)));
    const minor = Math.min(bundle.reductionMinor, most);
    spread(minor, inIt);
    return { id: bundle.id, name: bundle.name, minor };
  });
  const forIt = (line: OrderLine) => coupon?.kinds === undefined || coupon.kinds.includes(line.part.kind);
  const eligible = sum(goods.map((value, i) => (lines[i] && forIt(lines[i]) ? value - (off[i] ?? 0) : 0)));
  const saved = coupon ? couponMinor(coupon, eligible) : 0;
  const beforeCoupon = goods.map((value, i) => value - (off[i] ?? 0));
  if (saved > 0) spread(saved, forIt);
  const due = goods.map((value, i) => value - (off[i] ?? 0));
  const lowersTax = region.couponLowersTax ?? true;
  const taxed = lowersTax ? due : beforeCoupon;

  const table = seller.shipping?.find((entry) => entry.region === region.id);
  const onTable = lines.map((line) => line.offer.shippingMinor === undefined);
  const masses = lines.map((line) => ({ ...shippingKg(line.part), count: line.count }));
  const kg = sum(masses.map((mass, i) => (onTable[i] ? mass.kg * mass.count : 0)));
  const carried = table && onTable.some(Boolean) ? carriage(table, sum(due), kg) : undefined;
  const own = lines.map((line) => timesCount(line.offer.shippingMinor ?? 0, line.count));
  const byMass = carried
    ? shareOut(carried.minor, weights(masses.map((mass, i) => (onTable[i] ? mass.kg * mass.count : 0))))
    : own.map(() => 0);
  const shipping = own.map((value, i) => value + (byMass[i] ?? 0));

  const settled = taxLines(taxed, due, shipping, region);
  const rebates = rebatesOf(lines, today);
  const total = settled.reduce(addLanded, NOTHING);
  return {
    seller,
    lines: lines.map((line, i) => ({
      line,
      goodsMinor: goods[i] ?? 0,
      reductionMinor: off[i] ?? 0,
      ...(settled[i] ?? NOTHING),
    })),
    bundles: taken,
    coupon: coupon && saved > 0 ? { id: coupon.id, minor: saved, lowersTax } : undefined,
    shippingQuotedMinor: sum(shipping),
    free: carried?.free ?? false,
    // pieces with shipping of their own come each in a parcel of their own
    parcels:
      (carried?.parcels ?? 0) +
      sum(lines.map((line, i) => (onTable[i] || (masses[i]?.kg ?? 0) <= 0 ? 0 : line.count))) +
      (table === undefined && kg > 0 ? 1 : 0),
    kg,
    massUnknown: lines.flatMap((line, i) => (onTable[i] && table && masses[i]?.stated === false ? [line.part.id] : [])),
    shippingUnknown: table === undefined && kg > 0,
    rebates,
    ...total,
    afterRebateMinor: Math.max(
      0,
      total.landedMinor - sum(rebates.map((rebate) => (rebate.state === 'due' ? rebate.minor : 0))),
    ),
  };
}

function rebatesOf(lines: readonly OrderLine[], today: string): RebateDue[] {
  return lines.flatMap(({ offer, count }): RebateDue[] => {
    const { rebate } = offer;
    if (!rebate) return [];
    const past = today > rebate.until || (rebate.claimBy !== undefined && today > rebate.claimBy);
    return [
      {
        offer: offer.id,
        minor: timesCount(rebate.amountMinor, Math.min(count, rebate.limit ?? count)),
        state: past ? 'past' : 'due',
        until: rebate.until,
        conditions: rebate.conditions,
      },
    ];
  });
}

/**
 * Landed price of one thing quoted as the region quotes, with its shipping. Where prices include tax, goods and shipping
 * are both gross; elsewhere tax comes on top of both. Tax is rounded once, for the line.
 * @example landedPrice(100_00, 10_00, { taxRate: 0.075, pricesIncludeTax: false }) // net 10000, tax 825, landed 11825
 * @example landedPrice(121_00, 0, { taxRate: 0.21, pricesIncludeTax: true }) // net 10000, tax 2100, landed 12100
 */
export const landedPrice = (
  priceMinor: number,
  shippingMinor: number,
  region: Pick<Region, 'taxRate' | 'pricesIncludeTax'>,
): Landed => taxLines([priceMinor], [priceMinor], [shippingMinor], region)[0] ?? NOTHING;

/** Tax of each line; on the invoice it is rounded once and shared out over what the lines are taxed on. */
function taxLines(
  taxed: readonly number[],
  due: readonly number[],
  shipping: readonly number[],
  region: Pick<Region, 'taxRate' | 'pricesIncludeTax' | 'taxRounding'>,
): Landed[] {
  const base = taxed.map((value, i) => value + (shipping[i] ?? 0));
  const included = (gross: number) => gross - netOf(gross, region.taxRate);
  const taxOf = region.pricesIncludeTax ? included : (net: number) => taxOn(net, region.taxRate);
  const tax =
    (region.taxRounding ?? 'invoice') === 'line' || base.length === 1
      ? base.map(taxOf)
      : shareOut(taxOf(sum(base)), weights(base));
  return due.map((value, i): Landed => {
    const carried = shipping[i] ?? 0;
    const taxMinor = tax[i] ?? 0;
    if (!region.pricesIncludeTax)
      return { netMinor: value, shippingMinor: carried, taxMinor, landedMinor: value + carried + taxMinor };
    // tax inside the price is taken from goods and shipping alike; the rest of the rounding stays with the goods
    const landedMinor = value + carried;
    const shippingMinor = Math.min(netOf(carried, region.taxRate), landedMinor - taxMinor);
    return { netMinor: landedMinor - taxMinor - shippingMinor, shippingMinor, taxMinor, landedMinor };
  });
}
