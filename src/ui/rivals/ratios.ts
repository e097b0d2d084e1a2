import type { Band, Verdict } from '@/core/units/band';

/** A hair of tolerance: what is equal after rounding is not worse. */
const SAME = 0.995;

/** Verdict of a ratio in which more is better for this draft. */
export function ratioVerdict(ratio: number | Band | undefined): Verdict {
  if (ratio === undefined) return 'unproven';
  const band = typeof ratio === 'number' ? { low: ratio, high: ratio } : ratio;
  return band.low >= SAME ? 'carries' : band.high < SAME ? 'short' : 'between';
}
