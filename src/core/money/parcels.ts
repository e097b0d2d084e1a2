import type { Part, PartKind } from '../parts';
import { timesCount } from '../units/money';
import type { ShippingTerms } from '../model/offers';

/** What a part of each kind usually weighs packed, kg: a judgement for parts whose mass is not stated. */
const USUAL_KG: Readonly<Record<PartKind, number>> = {
  processor: 0.2,
  board: 1.8,
  memory: 0.2,
  graphics: 1.8,
  drive: 0.4,
  supply: 2.5,
  case: 10,
  cooler: 1.3,
  fan: 0.3,
  expansion: 0.5,
  mixer: 4,
  display: 9,
  peripheral: 1,
  system: 0.1,
  licence: 0,
  service: 0,
  accessory: 0.3,
};

/** Mass for shipping, kg; `stated` is false where the usual mass of the kind stands in. */
export const shippingKg = (part: Part): { readonly kg: number; readonly stated: boolean } =>
  part.massG === undefined ? { kg: USUAL_KG[part.kind], stated: false } : { kg: part.massG / 1000, stated: true };

/** What a seller charges for an order, in how many parcels. */
export interface Carriage {
  readonly minor: number;
  readonly parcels: number;
  /** The goods reached the seller's threshold. */
  readonly free: boolean;
}

/**
 * Shipping by weight class: what weighs more than the heaviest class goes in several parcels of that class and a last
 * one. Goods that reach the threshold are sent free of charge; what has no mass (a licence) is not sent at all.
 */
export function carriage(terms: ShippingTerms, goodsMinor: number, kg: number): Carriage {
  const last = terms.classes.at(-1);
  if (!last || kg <= 0) return { minor: 0, parcels: 0, free: false };
  const full = Math.max(0, Math.ceil(kg / last.upToKg - 1e-9) - 1);
  const rest = kg - full * last.upToKg;
  const class_ = terms.classes.find((entry) => rest <= entry.upToKg + 1e-9) ?? last;
  const free = terms.freeFromMinor !== undefined && goodsMinor >= terms.freeFromMinor;
  return { minor: free ? 0 : timesCount(last.minor, full) + class_.minor, parcels: full + 1, free };
}
