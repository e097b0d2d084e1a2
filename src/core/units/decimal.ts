/** An exact fraction: tax, exchange and discount rates are decimals that a float cannot hold. `d` is above 0. */
export interface Exact {
  readonly n: bigint;
  readonly d: bigint;
}

const DECIMAL = /^([+-]?)(\d+)(?:\.(\d+))?(?:e([+-]?\d{1,3}))?$/i;

/**
 * The decimal that was written, exactly: a number is taken as its shortest text, so 0.075 is 75/1000.
 * @throws RangeError when the text is no decimal such as 0.075
 */
export function exact(value: number | string): Exact {
  const match = DECIMAL.exec(String(value).trim());
  if (!match) throw new RangeError(`"${value}" is not a decimal such as 0.075`);
  const [, sign, whole = '0', part = '', power = '0'] = match;
  const digits = BigInt(whole + part) * (sign === '-' ? -1n : 1n);
  const exponent = Number(power) - part.length;
  return exponent >= 0 ? { n: digits * 10n ** BigInt(exponent), d: 1n } : { n: digits, d: 10n ** BigInt(-exponent) };
}

export const plusOne = ({ n, d }: Exact): Exact => ({ n: n + d, d });
export const inverted = ({ n, d }: Exact): Exact => (n < 0n ? { n: -d, d: -n } : { n: d, d: n });

/**
 * Whole × fraction, rounded once to the nearest whole, halves away from zero.
 * @throws RangeError when `whole` is not a whole number
 * @example timesExact(990, exact(0.075)) // 74, of 74.25
 */
export function timesExact(whole: number, by: Exact): number {
  if (!Number.isSafeInteger(whole)) throw new RangeError(`expected a whole number, got ${whole}`);
  const scaled = BigInt(whole) * by.n;
  const doubled = (scaled < 0n ? -scaled : scaled) * 2n + by.d;
  const rounded = Number(doubled / (by.d * 2n));
  return scaled < 0n && rounded > 0 ? -rounded : rounded;
}
