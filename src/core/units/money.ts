import { z } from 'zod';

/** ISO 4217 codes this release knows; all have two decimals. */
export const CURRENCIES = ['USD', 'EUR'] as const;
export type Currency = (typeof CURRENCIES)[number];
export const currencySchema = z.enum(CURRENCIES);

/** Integer minor units (cents) of one currency. */
export interface Money {
  readonly minor: number;
  readonly currency: Currency;
}

export const money = (minor: number, currency: Currency): Money => {
  if (!Number.isSafeInteger(minor)) throw new RangeError(`money needs whole minor units, got ${minor}`);
  return { minor, currency };
};

/** Adds amounts of one currency. @throws RangeError when the currencies differ. */
export function add(a: Money, b: Money): Money {
  if (a.currency !== b.currency) throw new RangeError(`cannot add ${b.currency} to ${a.currency} without a rate`);
  return { minor: a.minor + b.minor, currency: a.currency };
}

export const subtract = (a: Money, b: Money): Money => add(a, { minor: -b.minor, currency: b.currency });

/**
 * Splits `minor` (integer minor units, ≥ 0) by weight; units left over go to the largest remainders first, earlier
 * before later, so the parts add up to the whole by construction.
 * @throws RangeError for a weight below 0 or when all weights are 0
 * @example shareOut(1000, [1, 1, 1]) // [334, 333, 333]
 */
export function shareOut(minor: number, weights: readonly number[]): number[] {
  const total = weights.reduce((sum, w) => sum + w, 0);
  if (weights.some((w) => !(w >= 0)) || !(total > 0)) throw new RangeError('weights must be 0 or more and not all 0');
  const exact = weights.map((w) => (minor * w) / total);
  const shares = exact.map(Math.floor);
  const left = minor - shares.reduce((sum, s) => sum + s, 0);
  const order = exact
    .map((value, index) => ({ index, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  for (const { index } of order.slice(0, left)) shares[index] = (shares[index] ?? 0) + 1;
  return shares;
}

/**
 * Tax on a net amount, rounded half up to whole minor units.
 * @example taxOn(10_000, 0.075) // 750
 */
export const taxOn = (netMinor: number, rate: number): number => Math.round(netMinor * rate + 1e-9);

/**
 * Net part of a gross amount that includes tax at `rate`; gross − net is the tax.
 * @example netOf(12_100, 0.21) // 10_000
 */
export const netOf = (grossMinor: number, rate: number): number => Math.round(grossMinor / (1 + rate));
