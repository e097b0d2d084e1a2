import { EVIDENCE } from './constants';
import type { Factor } from '../predict/rates';
import type { Measurement } from '../model/measurement';

/**
 * ln-spread of one measurement: its own runs as a range of about three spreads, never below 5 %.
 * @example noiseOf({ low: 90, high: 110 }) // 0.0669: ln(110 ÷ 90) ÷ 3
 */
export function noiseOf({ low, high }: Measurement): number {
  if (low === undefined || high === undefined || high <= low) return EVIDENCE.ownNoise.value;
  return Math.max(0.05, Math.log(high / low) / 3);
}

export interface Seen {
  readonly logRatio: number;
  readonly noise: number;
}

/** Results whose weight the usual spread of content has beside those that were seen. */
const PRIOR_COUNT = 8;

/**
 * Log-normal shrinkage: the model's own doubt is the prior around 1, each measurement counts by its noise, so few or
 * noisy ones move the factor little. What does not carry over to other content (files, pictures, programs) stays in
 * doubt: as much as is usual, and more where the results of one kind lie further apart than their noise. Source: conjugate
 * normal model on logarithms; the spread of content is pooled with its prior.
 * @example one measurement at 1.2 with 5 % noise, a model 30 % in doubt: factor 1.192
 */
export function shrunk(seen: readonly Seen[], priorSpread: number): Factor {
  const prior = Math.log(Math.max(priorSpread, 1.02));
  let weight = 1 / prior ** 2;
  let sum = 0;
  for (const { logRatio, noise } of seen) {
    weight += 1 / noise ** 2;
    sum += logRatio / noise ** 2;
  }
  const middle = sum / weight;
  const apart = seen.reduce((all, { logRatio, noise }) => all + Math.max(0, (logRatio - middle) ** 2 - noise ** 2), 0);
  const usual = Math.max(
    Math.log(EVIDENCE.transfer.value),
    Number.isFinite(prior) ? EVIDENCE.ofContent.value * prior : 0,
  );
  const content = Math.sqrt((PRIOR_COUNT * usual ** 2 + apart) / (PRIOR_COUNT + seen.length));
  const spread = Math.hypot(Math.sqrt(1 / weight), content);
  return {
    factor: Math.exp(middle),
    spread: Math.exp(Math.min(Math.max(prior, content), spread)),
    count: seen.length,
  };
}
