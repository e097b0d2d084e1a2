import { progress, type Assessment } from '../assess';
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

/** Past this ratio more is no gain. */
const SATURATION = 4;

export function effectOf(before: Assessment, after: Assessment): Effect {
  const keysBefore = new Set(before.findings.map(findingKey));
  const keysAfter = new Set(after.findings.map(findingKey));
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
    const importance = before.facts.brief.tasks.find((task) => task.id === result.task)?.importance ?? 1;
    const a = Math.min(SATURATION, progress(result));
    const b = Math.min(SATURATION, progress(next));
    weight += importance;
    // an unproven task says nothing about speed; from not running to running counts like a factor of four
    if (result.verdict === 'unproven' || next.verdict === 'unproven') continue;
    if (a > 0 && b > 0) gain += importance * Math.log(b / a);
    else if (a > 0 || b > 0) gain += importance * (b > 0 ? 1 : -1) * Math.log(SATURATION);
  }
  const bound = before.facts.price.unpriced.length > 0 && !sameUnpriced(before, after);
  return {
    priceMinor:
      bound || after.facts.price.unpriced.length > before.facts.price.unpriced.length
        ? undefined
        : after.facts.price.total.landedMinor - before.facts.price.total.landedMinor,
    mended: before.findings.filter((finding) => !keysAfter.has(findingKey(finding))),
    brought: after.findings.filter((finding) => !keysBefore.has(findingKey(finding))),
    tasks,
    met: after.tasks.filter((result) => result.verdict === 'carries').length,
    metBefore: before.tasks.filter((result) => result.verdict === 'carries').length,
    gain: weight > 0 ? gain / weight : 0,
  };
}

const sameUnpriced = (a: Assessment, b: Assessment): boolean =>
  a.facts.price.unpriced.join() === b.facts.price.unpriced.join();

/** Findings mended minus brought at each level, worst level first. */
export function findingBalance(effect: Effect): number[] {
  const countOf = (list: readonly Finding[], level: Level) => list.filter((finding) => finding.level === level).length;
  return LEVELS.slice(0, 3).map((level) => countOf(effect.mended, level) - countOf(effect.brought, level));
}

/** Whether a change brings nothing as bad as, or worse than, a level. */
export const bringsNothingAsBadAs = (effect: Effect, level: Level): boolean =>
  effect.brought.every((finding) => levelRank(finding.level) > levelRank(level));

/**
 * Order of candidates: what is no dearer and no worse stands above all; then findings mended minus brought, worst level
 * first; then tasks that meet their target; then gain a coin added (gain alone when it costs nothing more).
 */
export function compareEffects(a: Effect, b: Effect): number {
  const noWorse = (effect: Effect) =>
    effect.priceMinor !== undefined &&
    effect.priceMinor <= 0 &&
    effect.brought.length === 0 &&
    effect.gain >= -1e-9 &&
    effect.met >= effect.metBefore &&
    (effect.gain > 1e-9 || effect.priceMinor < 0 || effect.mended.length > 0);
  const top = Number(noWorse(b)) - Number(noWorse(a));
  if (top !== 0) return top;
  const left = findingBalance(a);
  const right = findingBalance(b);
  for (let i = 0; i < left.length; i++) {
    const difference = (right[i] ?? 0) - (left[i] ?? 0);
    if (difference !== 0) return difference;
  }
  if (a.met !== b.met) return b.met - a.met;
  return gainPerCoin(b) - gainPerCoin(a);
}

/** Gain a hundred coins of price added; with no price added the gain counts as if it cost one coin. */
export function gainPerCoin(effect: Effect): number {
  if (effect.priceMinor === undefined) return -Infinity;
  if (effect.priceMinor > 0) return (effect.gain / effect.priceMinor) * 10_000;
  // a saving that costs speed: the less speed a coin saved costs, the better
  return effect.gain >= 0
    ? effect.gain * 100 - effect.priceMinor / 1e7
    : (effect.gain / Math.max(1, -effect.priceMinor)) * 10_000;
}
