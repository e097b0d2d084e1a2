import { ratioOf } from '../../units/money';
import type { FoundMachine } from './judge';
import { compareRanks, type Rank } from './rank';

/** As many parts change together at most. */
export const MOST_TOGETHER = 3;

/** A step that makes less more of the work than this is not worth telling. */
const WORTH = 1.05;
/** The least rank that is worth a step from another. */
export const worthwhile = ({ runs, percent }: Rank): Rank => ({
  runs,
  percent: Math.max(percent + 1, Math.ceil(percent * WORTH - 1e-9)),
});

/**
 * Steps in the order in which they are worth a look: tasks brought to their target first, then what costs no more, the most
 * work first, then by work gained a coin.
 */
export function byWorth<S extends { readonly found: Pick<FoundMachine, 'priceMinor' | 'rank'> }>(
  up: readonly S[],
  start: Pick<FoundMachine, 'priceMinor' | 'rank'>,
): S[] {
  const rate = ({ found: { priceMinor, rank } }: S): number =>
    priceMinor > start.priceMinor
      ? Math.log(rank.percent / Math.max(1, start.rank.percent)) / ratioOf(priceMinor - start.priceMinor, 1)
      : Infinity;
  return [...up].sort(
    (a, b) =>
      b.found.rank.runs - a.found.rank.runs ||
      // two that cost nothing are alike in that
      (rate(a) === rate(b) ? 0 : rate(b) - rate(a)) ||
      compareRanks(a.found.rank, b.found.rank) ||
      a.found.priceMinor - b.found.priceMinor,
  );
}
