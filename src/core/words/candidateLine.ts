import { fullName } from '../model/fitted';
import { rootOf } from '../parts/lookalikes';
import type { Candidate } from '../search/candidates';
import { mends, type Effect } from '../search/effect';
import { kindName } from './names';
import { decidingTexts, keyFigures } from './partFigures';

/** A candidate as a list names it; what it does to work and findings is told of those that are looked at. */
export interface CandidateLine {
  /** Id of the part. */
  readonly part: string;
  readonly name: string;
  /** What it is, where several kinds stand in one list. */
  readonly what: string;
  /** Its key figures in words. */
  readonly figures: string;
  /** The figures that decide for its kind, as their columns have them. */
  readonly texts: readonly string[];
  /** Editions of one part have one root. */
  readonly root: string;
  readonly fits: boolean;
  readonly current: boolean;
  /** Whether it has anything for it: it mends, is quicker, does more of the work, or costs less. */
  readonly better: boolean;
  /** Landed, minor units, of its cheapest offer; undefined without one. */
  readonly landedMinor: number | undefined;
  /** What it changes of the machine's price, landed, minor units; undefined when that is not known. */
  readonly priceMinor: number | undefined;
}

/** Gains below this share are none. */
const LEAST_GAIN = 0.005;

const isBetter = (effect: Effect): boolean =>
  mends(effect) > 0 ||
  effect.met > effect.metBefore ||
  effect.gain > LEAST_GAIN ||
  (effect.priceMinor !== undefined && effect.priceMinor < 0);

export function candidateLine({ part, effect, fits, current, landedMinor }: Candidate): CandidateLine {
  return {
    part: part.id,
    name: fullName(part),
    what: part.kind === 'expansion' ? (part.purpose ?? 'expansion card') : kindName(part.kind),
    figures: keyFigures(part),
    texts: decidingTexts(part),
    root: rootOf(part),
    fits,
    current,
    better: isBetter(effect),
    landedMinor,
    priceMinor: effect.priceMinor,
  };
}
