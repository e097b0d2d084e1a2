import { plainNumber } from '../units/money';
import type { Assessment } from '../assess';
import { progress } from '../predict/worst';
import type { Brief } from '../model/brief';
import type { MachinePrice } from '../money/landed';
import type { TaskResult } from '../predict/results';
import { levelRank, severity, type Finding, type Level, type Rule } from '../rules/rule';
import { LOWEST_FIRST, type Band, type Verdict } from '../units/band';

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
  /** Findings that are gone, or that weigh less than they did, as they stood before. */
  readonly mended: readonly Finding[];
  /** Findings that were not there, or that are of a worse level than they were, as they stand afterwards. */
  readonly brought: readonly Finding[];
  /** Findings that stay and say less than they did, as they stand afterwards. */
  readonly eased: readonly Finding[];
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

const keysOf = new WeakMap<Outcome, ReadonlyMap<string, Level>>();

/** The worst level of each finding by its key; findings stand worst first. */
function levelsByKey(findings: readonly Finding[]): ReadonlyMap<string, Level> {
  const levels = new Map<string, Level>();
  for (const finding of findings) {
    const key = finding.key;
    if (!levels.has(key)) levels.set(key, finding.level);
  }
  return levels;
}

/** Keys of an outcome's findings, made once: one side of a comparison stays while thousands pass on the other. */
function keysIn(outcome: Outcome): ReadonlyMap<string, Level> {
  let known = keysOf.get(outcome);
  if (!known) keysOf.set(outcome, (known = levelsByKey(outcome.findings)));
  return known;
}

/**
 * Work that was no better before: as long as a machine lacks what it cannot do without, nothing is said of its work, and
 * what can be told once the last part is there was not brought by that part.
 */
function asBadBefore(finding: Finding, before: Outcome, after: ReadonlyMap<string, TaskResult>): boolean {
  if (finding.code !== 'task-result') return false;
  const was = before.tasks.find(({ task }) => task === finding.taskId);
  const is = after.get(finding.taskId);
  return was !== undefined && is !== undefined && LOWEST_FIRST[was.verdict] <= LOWEST_FIRST[is.verdict];
}

/**
 * Whether some findings of a machine alone already bring something as bad as a level against what it was: then so do
 * all of them. Work is left out, it is judged by its results.
 */
export function bringsAlready(before: Outcome, some: readonly Finding[], level: Level): boolean {
  const known = keysIn(before);
  return some.some((finding) => {
    if (severity(finding.level) > severity(level) || finding.code === 'task-result') return false;
    const was = known.get(finding.key);
    return was === undefined || levelRank(finding.level) < levelRank(was);
  });
}

/** Whether a finding is gone, or weighs less, where others have these levels. */
function isMended({ key, level }: Finding, levels: ReadonlyMap<string, Level>): boolean {
  const left = levels.get(key);
  return left === undefined || severity(left) > severity(level);
}

/** Whether a change mends a finding of some rules that counts, by what they find afterwards. */
export function mendsBy(before: Outcome, rules: readonly Rule[], after: readonly Finding[]): boolean {
  const ids = new Set(rules.map(({ id }) => id));
  const levels = levelsByKey([...after].sort((a, b) => levelRank(a.level) - levelRank(b.level)));
  return before.findings.some(
    (finding) => finding.level !== 'note' && ids.has(finding.rule) && isMended(finding, levels),
  );
}

export const byTask = (results: readonly TaskResult[]): ReadonlyMap<string, TaskResult> =>
  new Map(results.map((result) => [result.task, result]));

/** What a change does to the work alone. */
export type WorkEffect = Pick<Effect, 'tasks' | 'gain'>;

export function workOf(before: Outcome, results: ReadonlyMap<string, TaskResult>): WorkEffect {
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
  return { tasks, gain: weight > 0 ? gain / weight : 0 };
}

export function effectOf(before: Outcome, after: Outcome): Effect {
  const levelsBefore = keysIn(before);
  const results = byTask(after.tasks);
  const levelsAfter = new Map<string, Level>();
  const brought: Finding[] = [];
  const eased: Finding[] = [];
  for (const finding of after.findings) {
    const key = finding.key;
    if (levelsAfter.has(key)) continue;
    levelsAfter.set(key, finding.level);
    const level = levelsBefore.get(key);
    if (level === undefined && asBadBefore(finding, before, results)) continue;
    // the same thing at a worse level is a new fault: what was a caution now blocks
    if (level === undefined || levelRank(finding.level) < levelRank(level)) brought.push(finding);
    else if (levelRank(finding.level) > levelRank(level)) eased.push(finding);
  }
  const { tasks, gain } = workOf(before, results);
  return {
    priceMinor: dearerMinor(before.price, after.price),
    mended: before.findings.filter((finding) => isMended(finding, levelsAfter)),
    brought,
    eased,
    tasks,
    met: after.tasks.filter((result) => result.verdict === 'carries').length,
    metBefore: before.tasks.filter((result) => result.verdict === 'carries').length,
    gain,
  };
}

/** What a change adds to a price, landed, in minor units; undefined when either side is only a lower bound. */
export function dearerMinor(before: MachinePrice, after: MachinePrice): number | undefined {
  const bound = before.unpriced.length > 0 && before.unpriced.join() !== after.unpriced.join();
  return bound || after.unpriced.length > before.unpriced.length
    ? undefined
    : after.total.landedMinor - before.total.landedMinor;
}

/** How bad findings may be that still count: all that is worse than a note. */
const COUNTED = [0, 1, 2] as const;

/** Findings mended minus brought, those that weigh most first. */
export function findingBalance(effect: Effect): number[] {
  const countOf = (list: readonly Finding[], weight: number) =>
    list.filter((finding) => severity(finding.level) === weight).length;
  return COUNTED.map((weight) => countOf(effect.mended, weight) - countOf(effect.brought, weight));
}

/** Whether a change brings nothing as bad as, or worse than, a level. */
export const bringsNothingAsBadAs = (effect: Effect, level: Level): boolean =>
  effect.brought.every((finding) => severity(finding.level) > severity(level));

/** Findings that a change mends; a note gone is nothing mended. */
export const mends = (effect: Effect): number => effect.mended.filter((finding) => finding.level !== 'note').length;

const noWorse = (effect: Effect): boolean =>
  effect.priceMinor !== undefined &&
  effect.priceMinor <= 0 &&
  effect.brought.every((finding) => finding.level === 'note') &&
  effect.gain >= -1e-9 &&
  effect.met >= effect.metBefore &&
  (effect.gain > 1e-9 || effect.priceMinor < 0 || mends(effect) > 0);

/**
 * What candidates are ordered by, best first in each place; larger is better: what is no dearer and no worse stands
 * above all; then findings mended minus brought, worst level first; then tasks that meet their target; then gain a coin
 * added (gain alone when it costs nothing more).
 */
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

/** Gain a hundred coins of price added; with no price added the gain counts as if it cost one coin. */
export function gainPerCoin(effect: Effect): number {
  if (effect.priceMinor === undefined) return -Infinity;
  if (effect.priceMinor > 0) return (effect.gain / plainNumber(effect.priceMinor)) * 10_000;
  // a saving that costs speed: the less speed a coin saved costs, the better
  return effect.gain >= 0
    ? effect.gain * 100 - plainNumber(effect.priceMinor) / 1e7
    : (effect.gain / Math.max(1, -effect.priceMinor)) * 10_000;
}

/** The task whose ratio a change moves furthest, either way, and by what factor; undefined where none runs on both sides. */
export function mostChanged({ tasks }: Effect): { readonly of: TaskChange; readonly factor: number } | undefined {
  return tasks
    .flatMap((of) =>
      of.ratio && of.ratio.likely > 0 && of.ratioBefore && of.ratioBefore.likely > 0
        ? [{ of, factor: of.ratio.likely / of.ratioBefore.likely }]
        : [],
    )
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))[0];
}
