import type { Assessment } from '../../assess';
import type { Machine } from '../../model/machine';
import { pageBasket } from '../../money/pageBasket';
import { onBudgetBasis } from '../../money/spent';
import type { Finding } from '../../rules/rule';
import type { Progress } from './atBest';
import type { Question } from './question';
import { roomy } from './room';
import { SHARES, sharesOf } from './shares';
import { compareRanks, madeIn, rankIn, type Rank } from './rank';

/** A machine that the search has found, with what it costs as a basket and how well it works. */
export interface FoundMachine {
  readonly machine: Machine;
  /** Landed, minor units; after mailed rebates where the question counts them. */
  readonly priceMinor: number;
  readonly rank: Rank;
}

/** Order of whole machines: price, rank; what is alike in both stays in the order of its parts' figures and names. */
export const compareFound = (a: FoundMachine, b: FoundMachine): number =>
  a.priceMinor - b.priceMinor || compareRanks(a.rank, b.rank);

/** Of machines those that no other one beats in price and rank, the cheapest first. */
export function frontierOf(found: readonly FoundMachine[]): FoundMachine[] {
  const points: FoundMachine[] = [];
  for (const machine of [...found].sort(compareFound)) {
    const last = points.at(-1);
    if (!last || compareRanks(machine.rank, last.rank) < 0) points.push(machine);
  }
  return points;
}

/** Whether progress leaves every task the least that is asked. */
export const meets = (progress: Progress, { least }: Question): boolean =>
  [...least.tasks].every(([task, asked]) => (progress.get(task) ?? Infinity) >= asked);

/** Tasks that progress leaves less than is asked of them. */
export const shortOf = (progress: Progress, { least }: Question): string[] =>
  [...least.tasks].flatMap(([task, asked]) => ((progress.get(task) ?? Infinity) >= asked ? [] : [task]));

/** Notes the task for whose sake alone something is refused. */
export function noteDecisive(decisive: Set<string>, short: readonly string[]): void {
  const [task, ...others] = short;
  if (task !== undefined && others.length === 0) decisive.add(task);
}

/** Rules about what the brief itself asks for, which a draft may miss with no more than a caution. */
const ASKED_FOR: ReadonlySet<string> = new Set(['noise-limit', 'reach']);

/** Rules with no more than a caution about what does for now, and not for all years of service. */
export const LASTING: ReadonlySet<string> = new Set(['drive-space', 'drive-endurance']);

/** Whether a finding says that the machine misses what is asked for: it is told of a draft, and not proposed. */
export const missesAsked = (
  { rule, level }: Pick<Finding, 'rule' | 'level'>,
  { lasting }: Pick<Question, 'lasting'>,
): boolean => level === 'caution' && (ASKED_FOR.has(rule) || (lasting && LASTING.has(rule)));

/** Whether a finding keeps a machine from being proposed. Money and work are judged by the question itself. */
export const refused = (
  finding: Pick<Finding, 'rule' | 'level' | 'key'>,
  question: Pick<Question, 'unproven' | 'standing' | 'lasting'>,
): boolean =>
  finding.rule !== 'budget' &&
  !question.standing.has(finding.key) &&
  (finding.level === 'blocks' ||
    (question.unproven === 'refused' && finding.level === 'unproven') ||
    missesAsked(finding, question));

/** What a whole machine is to a question, once it is assessed. */
export type Judged =
  | { readonly kind: 'refused'; readonly short?: readonly string[]; readonly rules?: readonly string[] }
  | { readonly kind: 'unbought' }
  | { readonly kind: 'found'; readonly found: FoundMachine; readonly proven: boolean };

/**
 * Judges a machine by its assessment: no finding that refuses it, every task at what is asked of it, and a price: that of
 * its basket, which is only worked out for what has passed the rest. `proven` tells whether that is the cheapest there is.
 */
export function judge(assessment: Assessment, question: Question): Judged {
  const { facts, findings, region } = assessment;
  const { brief } = question;
  const against = findings.filter((finding) => refused(finding, question));
  if (against.length > 0) return { kind: 'refused', rules: against.map(({ rule }) => rule) };
  const made = madeIn(facts.sittings, question.at);
  const short = shortOf(made, question);
  if (short.length > 0) return { kind: 'refused', short };
  const parts = facts.parts.all.map(({ part }) => part);
  if (!roomy(parts, question.least)) return { kind: 'refused' };
  const shares = sharesOf(facts);
  if (SHARES.some((share) => (shares.get(share) ?? 0) > (question.mostFor[share] ?? Infinity)))
    return { kind: 'refused' };
  const basket = pageBasket(facts.price, facts.parts, facts.catalogue, region, facts.policy);
  const priceMinor = question.rebates ? basket.afterRebateMinor : basket.total.landedMinor;
  if (basket.lowerBound || priceMinor > (question.mostMinor ?? Infinity)) return { kind: 'unbought' };
  if (brief.budgetFirm === true && onBudgetBasis(basket.total, brief) > (brief.budgetMinor ?? Infinity))
    return { kind: 'unbought' };
  const rank = rankIn(assessment, question.at, made);
  return { kind: 'found', found: { machine: facts.machine, priceMinor, rank }, proven: basket.proven };
}
