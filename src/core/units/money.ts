import { z } from 'zod';
import { withoutEnd } from './text';
import { exact, inverted, plusOne, timesExact, type Exact } from './decimal';

/** Digits of the minor unit of each currency that this release knows. Source: ISO 4217, table A.1. */
const MINOR_DIGITS = { USD: 2, EUR: 2, GBP: 2, CHF: 2, SEK: 2, CAD: 2, AUD: 2, INR: 2, JPY: 0, KRW: 0, KWD: 3, TND: 3 };
export type Currency = keyof typeof MINOR_DIGITS;
export const CURRENCIES = Object.keys(MINOR_DIGITS) as [Currency, ...Currency[]];
export const currencySchema = z.enum(CURRENCIES);
export const minorDigits = (currency: Currency): number => MINOR_DIGITS[currency];

/** Whole and decimal figures of an amount, for showing it: a number that must not be counted with. */
export const shownCoins = (minor: number, currency: Currency): number => minor / 10 ** minorDigits(currency);

/**
 * Minor units of an amount as it is typed or written in a file, or undefined when it is no amount of this currency.
 * @example minorOf('12.50', 'USD') // 1250
 * @example minorOf('12.5', 'JPY') // undefined: a yen has no decimals
 */
export function minorOf(text: string | number, currency: Currency): number | undefined {
  const match = /^([+-]?)(\d{1,12})(?:[.,](\d*))?$/.exec(String(text).trim());
  if (!match) return undefined;
  const [, sign = '', whole = '', given = ''] = match;
  const digits = minorDigits(currency);
  const part = withoutEnd(given, (char) => char === '0');
  if (part.length > digits) return undefined;
  const minor = Number(whole + part.padEnd(digits, '0'));
  return sign === '-' ? -minor : minor;
}

/** Minor units of an amount that a field gave as a number of coins, to the nearest unit. */
export const minorOfShown = (coins: number, currency: Currency): number =>
  Math.round(coins * 10 ** minorDigits(currency));

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

/**
 * An amount taken a whole number of times. @throws RangeError for a fraction of a time
 * @example timesCount(1250, 3) // 3750
 */
export function timesCount(minor: number, count: number): number {
  if (!Number.isSafeInteger(count)) throw new RangeError(`money is taken a whole number of times, not ${count}`);
  return minor * count;
}

/**
 * An amount times a factor that is a figure, not a rate: hours, kWh, a probability. Rounded once, here.
 * @example timesFigure(4000, 1.5) // 6000: an hour and a half at 40.00
 */
export const timesFigure = (minor: number, factor: number): number => Math.round(minor * factor);

/** An amount as a plain number, for bounds and rankings in which fractions are right; it is no money any more. */
export const plainNumber = (minor: number): number => minor;

/** How many times one amount is the other: a plain ratio. */
export const ratioOf = (minor: number, ofMinor: number): number => minor / ofMinor;

/**
 * The middle of amounts, the mean of the middle two rounded. @throws RangeError for none
 * @example medianMinor([300, 100, 201, 200]) // 201: the mean of 200 and 201, rounded
 */
export function medianMinor(amounts: readonly number[]): number {
  const sorted = [...amounts].sort((a, b) => a - b);
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.ceil((sorted.length - 1) / 2)]];
  if (low === undefined || high === undefined) throw new RangeError('there is no middle of nothing');
  return Math.round((low + high) / 2);
}

/**
 * Splits `minor` (integer minor units, also below 0) by weight; units left over go to the largest remainders first,
 * earlier before later, so the parts add up to the whole by construction.
 * @throws RangeError for a weight below 0 or when all weights are 0
 * @example shareOut(1000, [1, 1, 1]) // [334, 333, 333]
 */
export function shareOut(minor: number, weights: readonly number[]): number[] {
  const total = weights.reduce((sum, w) => sum + w, 0);
  if (weights.some((w) => !(w >= 0)) || !(total > 0)) throw new RangeError('weights must be 0 or more and not all 0');
  if (minor < 0) return shareOut(-minor, weights).map((share) => (share === 0 ? 0 : -share));
  const even = weights.map((w) => (minor * w) / total);
  const shares = even.map(Math.floor);
  const left = minor - shares.reduce((sum, s) => sum + s, 0);
  const order = even
    .map((value, index) => ({ index, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  for (const { index } of order.slice(0, left)) shares[index] = (shares[index] ?? 0) + 1;
  return shares;
}

/** Rates asked for lately: every offer of a region asks for the same. */
const rates = new Map<number | string, { readonly rate: Exact; readonly net: Exact }>();
function rateOf(rate: number | string): { readonly rate: Exact; readonly net: Exact } {
  let known = rates.get(rate);
  if (!known) {
    if (rates.size > 1000) rates.clear();
    const read = exact(rate);
    rates.set(rate, (known = { rate: read, net: inverted(plusOne(read)) }));
  }
  return known;
}

/** Beyond this many minor units a float product is no longer exact to the unit, so the exact way is taken. */
const SAFE = 1e9;
/** Products of floats this near to a half are rounded the exact way. */
const NEAR_HALF = 1e-4;
const nearHalf = (value: number): boolean => Math.abs(value - Math.floor(value) - 0.5) < NEAR_HALF;

/**
 * Tax on a net amount, rounded half up to whole minor units; exact, because the rate is taken as the decimal it is.
 * @example taxOn(10_000, 0.075) // 750
 */
export function taxOn(netMinor: number, rate: number): number {
  const quick = netMinor * rate;
  return netMinor < SAFE && !nearHalf(quick) ? Math.round(quick) : timesExact(netMinor, rateOf(rate).rate);
}

/**
 * Net part of a gross amount that includes tax at `rate`; gross − net is the tax.
 * @example netOf(12_100, 0.21) // 10_000
 */
export function netOf(grossMinor: number, rate: number): number {
  const quick = grossMinor / (1 + rate);
  return grossMinor < SAFE && !nearHalf(quick) ? Math.round(quick) : timesExact(grossMinor, rateOf(rate).net);
}

/**
 * A percentage of an amount, exact: "12.5" of 1000 is 125.
 * @example percentOf(1000, '12.5') // 125
 */
export const percentOf = (minor: number, percent: number | string): number => {
  const { n, d } = exact(percent);
  return timesExact(minor, { n, d: d * 100n });
};

/** Coins of `quote` for one of `base`, as the decimal that was quoted. */
export interface Rate {
  readonly base: Currency;
  readonly quote: Currency;
  readonly rate: string;
}

/** A rate with its day. */
export interface DayRate extends Rate {
  readonly day: string;
}

/**
 * An amount in another currency, rounded once to that one's minor unit; a rate the other way round is inverted exactly.
 * @throws RangeError when the rate is one of other currencies
 * @example converted(10_000, 'USD', 'JPY', { base: 'USD', quote: 'JPY', rate: '149.5' }) // 14950: 100.00 × 149.5, in whole yen
 */
export function converted(minor: number, from: Currency, to: Currency, { base, quote, rate }: Rate): number {
  const forward = base === from && quote === to;
  if (!forward && !(base === to && quote === from))
    throw new RangeError(`a rate from ${base} to ${quote} says nothing of ${from} in ${to}`);
  const { n, d } = forward ? exact(rate) : inverted(exact(rate));
  const shift = minorDigits(to) - minorDigits(from);
  return timesExact(minor, shift >= 0 ? { n: n * 10n ** BigInt(shift), d } : { n, d: d * 10n ** BigInt(-shift) });
}
