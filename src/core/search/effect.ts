import { plainNumber } from '../units/money';
import { progress, type Assessment } from '../assess';
import type { Brief } from '../brief';
import type { MachinePrice } from '../money/landed';
import type { TaskResult } from '../predict/results';
import { findingKey, levelRank, LEVELS, type Finding, type Level } from '../rules/rule';
import type { Band, Verdict } from '../units/band';

/** What a change did to one task. */
export interface TaskChange {
  readonly task: string;
  readonly before: Verdict;
  readonly after: Verdict;
  readonly ratio: Band | undefined;
  readonly ratioBefore: Band | undefined;
}

/** What a change does: price, findings that go and come, tasks. */
export interface Effect {
  /** Landed, minor units; undefined when either side is only a lower bound. */
  readonly priceMinor: number | undefined;
  readonly mended: readonly Finding[];
  readonly brought: readonly Finding[];
  readonly tasks: readonly TaskChange[];
  /** Tasks that meet their target afterwards. */
  readonly met: number;
  readonly metBefore: number;
  /** Importance-weighted mean of ln(after ÷ before), ratios saturating past 4 times the target. */
  readonly gain: number;
}

/** What an effect compares: of an assessment what a person would see change. */
export interface Outcome {
  readonly findings: readonly Finding[];
  readonly tasks: readonly TaskResult[];
  readonly price: MachinePrice;
  readonly brief: Brief;
}

/** The outcome of an assessment. */
export const outcomeOf = ({ findings, tasks, facts }: Assessment): Outcome => ({
  findings,
  tasks,
  price: facts.price,
  brief: facts.brief,
});

/** Past this ratio more is no gain. */
const SATURATION = 4;

const keysOf = new WeakMap<Outcome, ReadonlySet<string>>();

/** Keys of an outcome's findings, made once: one side of a comparison stays while thousands pass on the other. */
function keysIn(outcome: Outcome): ReadonlySet<string> {
  let known = keysOf.get(outcome);
  if (!known) keysOf.set(outcome, (known = new Set(outcome.findings.map(findingKey))));
  return known;
}

export function effectOf(before: Outcome, after: Outcome): Effect {
  const keysBefore = keysIn(before);
  const keysAfter = new Set<string>();
  const brought: Finding[] = [];
  for (const finding of after.findings) {
    const key = findingKey(finding);
    keysAfter.add(key);
    if (!keysBefore.has(key)) brought.push(finding);
  }
  const results = new Map(after.tasks.map((result) => [result.task, result]));
  let weight = 0;
  let gain = 0;
  const tasks: TaskChange[] = [];
  for (const result of before.tasks) {
    const next = results.get(result.task);
    if (!next) continue;
    tasks.push({
      task: result.task,
      before: result.verdict,
      after: next.verdict,
      ratio: next.ratio,
      ratioBefore: result.ratio,
    });
    const importance = before.brief.tasks.find((task) => task.id === result.task)?.importance ?? 1;
    const a = Math.min(SATURATION, progress(result));
    const b = Math.min(SATURATION, progress(next));
    weight += importance;
    // an unproven task says nothing about speed; from not running to running counts like a factor of four
    if (result.verdict === 'unproven' || next.verdict === 'unproven') continue;
    if (a > 0 && b > 0) gain += importance * Math.log(b / a);
    else if (a > 0 || b > 0) gain += importance * (b > 0 ? 1 : -1) * Math.log(SATURATION);
  }
  const bound = before.price.unpriced.length > 0 && !sameUnpriced(before, after);
  return {
    priceMinor:
      bound || after.price.unpriced.length > before.price.unpriced.length
        ? undefined
        : after.price.total.landedMinor - before.price.total.landedMinor,
    mended: before.findings.filter((finding) => !keysAfter.has(findingKey(finding))),
    brought,
    tasks,
    met: after.tasks.filter((result) => result.verdict === 'carries').length,
    metBefore: before.tasks.filter((result) => result.verdict === 'carries').length,
    gain: weight > 0 ? gain / weight : 0,
  };
}

const sameUnpriced = (a: Outcome, b: Outcome): boolean => a.price.unpriced.join() === b.price.unpriced.join();

/** Findings mended minus brought at each level, worst level first. */
export function findingBalance(effect: Effect): number[] {
  const countOf = (list: readonly Finding[], level: Level) => list.filter((finding) => finding.level === level).length;
  return LEVELS.slice(0, 3).map((level) => countOf(effect.mended, level) - countOf(effect.brought, level));
}

/** Whether a change brings nothing as bad as, or worse than, a level. */
export const bringsNothingAsBadAs = (effect: Effect, level: Level): boolean =>
  effect.brought.every((finding) => levelRank(finding.level) > levelRank(level));

/** Findings that a change mends; a note gone is nothing mended. */
export const mends = (effect: Effect): number => effect.mended.filter((finding) => finding.level !== 'note').length;

const noWorse = (effect: Effect): boolean =>
  effect.priceMinor !== undefined &&
  effect.priceMinor <= 0 &&
  effect.brought.every((finding) => finding.level === 'note') &&
  effect.gain >= -1e-9 &&
  effect.met >= effect.metBefore &&
  (effect.gain > 1e-9 || effect.priceMinor < 0 || mends(effect) > 0);

/** What candidates are ordered by, best first in each place; larger is better. */
export const standing = (effect: Effect): readonly number[] => [
  Number(noWorse(effect)),
  ...findingBalance(effect),
  effect.met,
  gainPerCoin(effect),
];

/** Negative when `a` stands above `b`. */
export function compareStandings(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return (b[i] ?? 0) - (a[i] ?? 0);
  return 0;
}

/**
 * Order of candidates: what is no dearer and no worse stands above all; then findings mended minus brought, worst level
 * first; then tasks that meet their target; then gain a coin added (gain alone when it costs nothing more).
 */
export const compareEffects = (a: Effect, b: Effect): number => compareStandings(standing(a), standing(b));

/** Gain a hundred coins of price added; with no price added the gain counts as if it cost one coin. */
export function gainPerCoin(effect: Effect): number {
  if (effect.priceMinor === undefined) return -Infinity;
  if (effect.priceMinor > 0) return (effect.gain / plainNumber(effect.priceMinor)) * 10_000;
  // a saving that costs speed: the less speed a coin saved costs, the better
  return effect.gain >= 0
    ? effect.gain * 100 - plainNumber(effect.priceMinor) / 1e7
    : (effect.gain / Math.max(1, -effect.priceMinor)) * 10_000;
}
