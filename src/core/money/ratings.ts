import type { Part, PartKind } from '../parts';

/** Ratings that the mean of the kind weighs as much as: a judgement; fewer than these count little on their own. */
export const PRIOR_RATINGS = 25;

/**
 * Mean rating shrunk towards the mean of its kind: (C·m + n·x) ÷ (C + n), with m the kind's mean over all ratings and
 * C = 25. With few ratings it stays near the kind's mean, with many near its own. Source: the posterior mean of a normal
 * mean with known variances (empirical Bayes; Efron and Morris 1975).
 * @example shrunkRating(5, 3, 4.2) // 4.2857: three enthusiasts hardly move it
 */
export const shrunkRating = (mean: number, ratings: number, kindMean: number): number =>
  (PRIOR_RATINGS * kindMean + ratings * mean) / (PRIOR_RATINGS + ratings);

/** Mean over all ratings of a kind's parts; undefined where nobody rated any. */
export function kindMeanRating(parts: Iterable<Part>, kind: PartKind): number | undefined {
  let sum = 0;
  let count = 0;
  for (const part of parts) {
    const { ratings, meanRating } = part.evidence ?? {};
    if (part.kind !== kind || ratings === undefined || meanRating === undefined) continue;
    sum += ratings * meanRating;
    count += ratings;
  }
  return count > 0 ? sum / count : undefined;
}
