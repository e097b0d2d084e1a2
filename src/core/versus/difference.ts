import type { AnyFitted, FittedParts } from '../model/fitted';
import type { Basket } from '../money/basket';
import type { Configured } from './configure';
import type { MachinePrice } from '../money/landed';

/** What a price is made of; each share before tax, and tax beside them. */
export const SHARES = ['parts', 'system', 'software', 'assembly', 'warranty', 'shipping', 'tax', 'remainder'] as const;
export type Share = (typeof SHARES)[number];
export type Shares = Readonly<Record<Share, number>>;

/** One share on both sides; the differences of all shares add up to the difference of the prices. */
export interface ShareRow {
  readonly share: Share;
  readonly oursMinor: number;
  readonly theirsMinor: number;
  readonly differenceMinor: number;
}

function shareOf({ part }: AnyFitted): Share {
  if (part.kind === 'system') return 'system';
  if (part.kind === 'licence') return 'software';
  if (part.kind === 'service') return part.purpose === 'warranty' ? 'warranty' : 'assembly';
  return 'parts';
}

const nothing = (): Record<Share, number> => ({
  parts: 0,
  system: 0,
  software: 0,
  assembly: 0,
  warranty: 0,
  shipping: 0,
  tax: 0,
  remainder: 0,
});

/** What a basket's price is made of. Reductions are in the shares they belong to, so there is no remainder. */
export function basketShares(basket: Basket, parts: FittedParts): Shares {
  const shares = nothing();
  const fitted = new Map(parts.all.map((entry) => [entry.item.id, entry]));
  const kindOf = new Map(parts.all.map((entry) => [entry.part.id as string, shareOf(entry)]));
  for (const order of basket.best?.orders ?? [])
    for (const line of order.invoice.lines) {
      shares[kindOf.get(line.line.part.id) ?? 'parts'] += line.netMinor;
      shares.shipping += line.shippingMinor;
      shares.tax += line.taxMinor;
    }
  for (const { item, landed } of basket.byHand) {
    const entry = fitted.get(item);
    shares[entry ? shareOf(entry) : 'parts'] += landed.netMinor;
    shares.shipping += landed.shippingMinor;
    shares.tax += landed.taxMinor;
  }
  return shares;
}

/**
 * What a branded machine's price is made of: its parts and system at the cheapest offers, support beyond its own at what
 * the maker asks, shipping and tax as they are; the remainder is assembly, its own support and the name, and may be
 * below 0 where the maker buys cheaper. Undefined when it is not sold.
 */
export function rivalShares(side: Configured, parts: FittedParts, price: MachinePrice): Shares | undefined {
  if (!side.price) return undefined;
  const shares = nothing();
  for (const entry of price.items) {
    const fitted = parts.all.find(({ item }) => item.id === entry.item);
    if (fitted && entry.landed) shares[shareOf(fitted)] += entry.landed.netMinor;
  }
  shares.warranty += side.supportMinor;
  shares.shipping = side.price.shippingMinor;
  shares.tax = side.price.taxMinor;
  const known = shares.parts + shares.system + shares.software + shares.assembly + shares.warranty;
  shares.remainder = side.price.netMinor - known;
  return shares;
}

export const shareRows = (ours: Shares, theirs: Shares): ShareRow[] =>
  SHARES.map((share) => ({
    share,
    oursMinor: ours[share],
    theirsMinor: theirs[share],
    differenceMinor: ours[share] - theirs[share],
  }));
