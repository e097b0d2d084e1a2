import type { Cause } from './causes';
import { OFTEN, PROVE, type Mistake } from './constants';
import type { Judged } from './readings';

/** One explanation of a machine's readings, and how likely it is against the others. */
export interface Explanation {
  /** Undefined for none of them: a machine that is as it should be, or wrong in another way. */
  readonly mistake: Mistake | undefined;
  readonly item: string | undefined;
  readonly to: number | undefined;
  /** 0 … 1; all explanations together come to 1. */
  readonly share: number;
  /** Tests that speak for it, the strongest first: they lie nearer to what it would show than to what was promised. */
  readonly because: readonly string[];
}

export interface Diagnosis {
  /** The likeliest first. */
  readonly explanations: readonly Explanation[];
  /** Tests that even the likeliest leaves far from what was read. */
  readonly unexplained: readonly string[];
}

/** Weight of a machine without any of these mistakes against one with one of the usual ones. */
const SOUND = 12;
/** The same where something falls short: then something is wrong, if none of these. */
const OTHERWISE_WRONG = 1;
/** A reading counts at most as if it lay so many deviations away: what nothing explains must not outweigh the rest. */
const FARTHEST = 5;
/** Beyond so many deviations a reading is not explained. */
const UNEXPLAINED = 3;

/** Standard deviation, nepers, of a reading around what an explanation expects. */
const deviationOf = ({ test }: Judged): number =>
  Math.hypot(Math.log(Math.max(1, test.spread)), Math.log(PROVE.readingNoise.spread));

const distance = (entry: Judged, shows: number): number =>
  Math.min(FARTHEST, Math.abs(entry.off - shows) / deviationOf(entry));

/**
 * What the readings say of how the machine was put together: each mistake that its parts allow, and none, weighed by
 * how often it happens and how near the readings lie to what it would show (Bayes; errors normal in the logarithm, those
 * of different tests independent). Readings that are not believed are left out.
 */
export function diagnose(readings: readonly Judged[], causes: readonly Cause[]): Diagnosis {
  const believed = readings.filter(({ verdict }) => verdict !== 'implausible');
  const score = (shows: ReadonlyMap<string, number>): number =>
    believed.reduce((all, entry) => all - distance(entry, shows.get(entry.test.id) ?? 0) ** 2 / 2, 0);
  const none = new Map<string, number>();
  const alone = believed.some(({ verdict }) => verdict === 'short') ? OTHERWISE_WRONG : SOUND;
  const hypotheses = [
    { mistake: undefined, item: undefined, to: undefined, shows: none, score: Math.log(alone) + score(none) },
    // a mistake that can come in several ways is no likelier for it
    ...causes.map((cause) => ({
      ...cause,
      score:
        Math.log(OFTEN[cause.mistake].value / causes.filter(({ mistake }) => mistake === cause.mistake).length) +
        score(cause.shows),
    })),
  ];
  const best = Math.max(...hypotheses.map((each) => each.score));
  const total = hypotheses.reduce((sum, each) => sum + Math.exp(each.score - best), 0);
  // of one mistake at one part its likeliest way stands for all
  const merged = new Map<string, (typeof hypotheses)[number] & { share: number }>();
  for (const each of [...hypotheses].sort((a, b) => b.score - a.score)) {
    const key = `${each.mistake ?? ''} ${each.item ?? ''}`;
    const known = merged.get(key);
    const share = Math.exp(each.score - best) / total;
    if (known) known.share += share;
    else merged.set(key, { ...each, share });
  }
  const ranked = [...merged.values()].sort((a, b) => b.share - a.share);
  const [first] = ranked;
  return {
    explanations: ranked.map(({ mistake, item, to, share, shows }) => ({
      mistake,
      item,
      to,
      share,
      because: believed
        .map((entry) => ({
          id: entry.test.id,
          gain: distance(entry, 0) ** 2 - distance(entry, shows.get(entry.test.id) ?? 0) ** 2,
        }))
        .filter(({ gain }) => gain > 1)
        .sort((a, b) => b.gain - a.gain)
        .map(({ id }) => id),
    })),
    unexplained: believed
      .filter((entry) => distance(entry, first?.shows.get(entry.test.id) ?? 0) > UNEXPLAINED)
      .map(({ test }) => test.id),
  };
}
