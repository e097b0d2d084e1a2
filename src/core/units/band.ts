/** A prediction: low ≤ likely ≤ high, all in the unit the field's name gives. */
export interface Band {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** Scales a band; a negative factor is a caller's mistake because it would turn the band round. */
export function scale(band: Band, factor: number): Band {
  if (!(factor >= 0)) throw new RangeError(`scale factor ${factor} is below 0`);
  return { low: band.low * factor, likely: band.likely * factor, high: band.high * factor };
}

/** Reciprocal scaled by `numerator`: a rate band becomes a time band and the other way round. */
export function inverse(band: Band, numerator = 1): Band {
  return { low: numerator / band.high, likely: numerator / band.likely, high: numerator / band.low };
}

/**
 * Combines independent multiplicative spreads (each factor ≥ 1) as root sum of squares of their logarithms, so that ten
 * constants that are each 20 % unsure give +78 %, not +519 %. Source: propagation of independent log-normal errors.
 * @example combineSpreads([1.2, 1.2]) // 1.294
 */
export function combineSpreads(factors: Iterable<number>): number {
  let sum = 0;
  // most figures are exact and need no logarithm
  for (const factor of factors) if (factor !== 1) sum += Math.log(factor) ** 2;
  if (sum === 0) return 1;
  return Math.exp(Math.sqrt(sum));
}

/** What a beam says: `carries` even at low, `short` even at high, `between`, or `unproven` when a figure is missing. */
export type Verdict = 'carries' | 'between' | 'short' | 'unproven';

/** Verdicts from the worst to the best: what is known to fall short before what is not known. */
export const LOWEST_FIRST: Readonly<Record<Verdict, number>> = { short: 0, unproven: 1, between: 2, carries: 3 };

/** A ratio that meets its target, with a hair of tolerance: 25 of 25 frames a second after rounding errors is enough. */
export const MET = 1 - 1e-9;

/** Verdict of supply ÷ demand. */
export function verdictOf(ratio: Band): Verdict {
  if (ratio.low >= MET) return 'carries';
  if (ratio.high < MET) return 'short';
  return 'between';
}
