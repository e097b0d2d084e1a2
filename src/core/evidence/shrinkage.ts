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

/**
 * Log-normal shrinkage: the model's own doubt is the prior around 1, each measurement counts by its noise, so few or
 * noisy ones move the factor little; what does not carry over to other sizes and pictures stays in doubt. Source:
 * conjugate normal model on logarithms.
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
  const transfer = Math.log(EVIDENCE.transfer.value);
  return {
    factor: Math.exp(sum / weight),
    spread: Math.exp(Math.min(prior, Math.hypot(Math.sqrt(1 / weight), transfer))),
    count: seen.length,
  };
}
