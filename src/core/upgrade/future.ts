import type { Assessment, Context } from '../assess';
import { finish, type Trials } from '../assess/trials';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import { candidateTrials, type Candidate } from '../search/candidates';
import type { Finding } from '../rules/rule';
import { plainNumber } from '../units/money';

/** A part that a board still takes. */
export interface FuturePart {
  readonly part: Part;
  readonly landedMinor: number | undefined;
  /** How many times as fast it makes the work, by importance; 1 is no gain. */
  readonly times: number;
  /** What it asks for beside: firmware, power, room, heat; cautions and notes that it brings. */
  readonly brought: readonly Finding[];
}

/** How far a machine's board goes with one kind of part. */
export interface FutureOf {
  readonly kind: PartKind;
  /** Parts on sale that go in without being blocked, the present one left out; how many of them make the work faster. */
  readonly takes: number;
  readonly faster: number;
  /** What makes it fastest, and what gains most for its money. Undefined where nothing does: a dead end. */
  readonly best: FuturePart | undefined;
  readonly value: FuturePart | undefined;
}

/** What a board can be given later. */
export const FUTURE_KINDS = ['processor', 'memory', 'graphics'] as const;
/** Less than this is no gain that anybody notices. */
const SEEN = 1.02;

/** How far the board of a machine goes: of each kind the parts on sale that it still takes, by what they do for the work. */
export const futureOf = (...args: Parameters<typeof futureTrials>): FutureOf[] => finish(futureTrials(...args));

/**
 * The same, a trial at a time. Each part is tried in the place of the one that is there, or added where there is none, under
 * all rules and predictions; what blocks, or leaves a figure unproven that was known, does not go in. Another processor that
 * needs newer firmware, another supply or more room says so among what it brings.
 */
export function* futureTrials(
  machine: Machine,
  brief: Brief,
  context: Context,
  before: Assessment,
): Trials<FutureOf[]> {
  const all: FutureOf[] = [];
  for (const kind of FUTURE_KINDS) {
    const [first] = before.facts.parts.all.filter(({ part }) => part.kind === kind);
    const candidates = yield* candidateTrials(
      machine,
      brief,
      { kind, ...(first ? { item: first.item.id } : {}) },
      context,
      before,
    );
    all.push(futureIn(kind, candidates));
  }
  return all;
}

/** Of ranked candidates those that go in, and the two that are worth naming. */
export function futureIn(kind: PartKind, candidates: readonly Candidate[]): FutureOf {
  const goes = candidates
    .filter(
      ({ current, fits, effect }) => !current && fits && !effect.brought.some(({ level }) => level === 'unproven'),
    )
    .map(({ part, landedMinor, effect }): FuturePart => ({
      part,
      landedMinor,
      times: Math.exp(effect.gain),
      brought: effect.brought.filter(({ level, code }) => level !== 'note' && code !== 'task-result'),
    }));
  const faster = goes.filter(({ times }) => times >= SEEN);
  // a step that costs something: what is free is the best of all, and none of these is
  const perCoin = ({ times, landedMinor }: FuturePart): number =>
    landedMinor === undefined ? -Infinity : Math.log(times) / Math.max(1, plainNumber(landedMinor));
  const most = (by: (part: FuturePart) => number): FuturePart | undefined =>
    faster.reduce<FuturePart | undefined>((best, part) => (best && by(best) >= by(part) ? best : part), undefined);
  const value = most(perCoin);
  return {
    kind,
    takes: goes.length,
    faster: faster.length,
    // of the fastest, which are often alike, the cheapest
    best: most(({ times, landedMinor }) => Math.round(times * 100) - plainNumber(landedMinor ?? 1e12) / 1e12),
    value: value && value.landedMinor !== undefined ? value : undefined,
  };
}
