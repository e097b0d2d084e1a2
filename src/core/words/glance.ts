import type { Assessment } from '../assess';
import { countByLevel, type Level } from '../rules/rule';
import type { Verdict } from '../units/band';
import { ratioOf, type Currency } from '../units/money';
import { basketFor } from '../versus/basketFor';
import { standingOf, type Seen, type Standing } from '../versus/standing';
import { budgetBeam, taskBeam, worstTask, type BeamModel } from './beams';
import { capitalised, coins, coinsChange, listed, number } from './format';

/** A beam as it is drawn, without its why. */
export type LightBeam = Pick<BeamModel, 'label' | 'axis' | 'band' | 'verdict' | 'need' | 'gets' | 'sentence'>;

/** A verdict with its words: "work 5 of 6", "2 cautions". */
export interface ToldVerdict {
  readonly verdict: Verdict;
  readonly text: string;
}

/** A draft at a glance: its price, the verdicts of its work and of its parts, and the task that does worst. */
export interface Glance {
  /** Nothing is in it yet. */
  readonly empty: boolean;
  /** All of it is there already. */
  readonly owned: boolean;
  readonly currency: Currency;
  readonly lowerBound: boolean;
  readonly standing: Standing;
  /** Undefined when the brief has no task. */
  readonly work: ToldVerdict | undefined;
  readonly parts: ToldVerdict;
  readonly budget: ToldVerdict | undefined;
  readonly worst: LightBeam | undefined;
}

const light = ({ label, axis, band, verdict, need, gets, sentence }: BeamModel): LightBeam => ({
  label,
  axis,
  band,
  verdict,
  need,
  gets,
  sentence,
});

/** Tasks that meet their target for certain, of all; those that do not run are named instead. */
export function workTold({ tasks }: Pick<Assessment, 'tasks'>): ToldVerdict | undefined {
  if (tasks.length === 0) return undefined;
  const of = (verdict: Verdict) => tasks.filter((result) => result.verdict === verdict).length;
  const stops = tasks.filter((result) => result.impossible.length > 0).length;
  const text = stops > 0 ? `does not run: ${stops} of ${tasks.length}` : `work ${of('carries')} of ${tasks.length}`;
  const worst = (['short', 'unproven', 'between'] as const).find((verdict) => of(verdict) > 0);
  return { verdict: stops > 0 ? 'short' : (worst ?? 'carries'), text };
}

const PARTS: readonly (readonly [Level, Verdict, (count: number) => string])[] = [
  ['blocks', 'short', (count) => `${count} to change`],
  ['unproven', 'unproven', (count) => `${count} unproven`],
  ['caution', 'between', (count) => (count === 1 ? '1 caution' : `${count} cautions`)],
];

/** Whether the parts belong together: the worst kind of finding about them, with how many there are. */
export function partsTold({ findings }: Pick<Assessment, 'findings'>): ToldVerdict {
  const counts = countByLevel(findings);
  const worst = PARTS.find(([level]) => counts[level] > 0);
  if (!worst) return { verdict: 'carries', text: 'parts' };
  const [level, verdict, text] = worst;
  return { verdict, text: text(counts[level]) };
}

export function glanceOf(assessment: Assessment): Glance {
  const { machine, price } = assessment.facts;
  const worst = worstTask(assessment);
  const budget = budgetBeam(assessment);
  return {
    empty: machine.items.length === 0,
    owned: machine.items.length > 0 && machine.items.every((item) => item.owned),
    currency: price.currency,
    lowerBound: basketFor(assessment).lowerBound,
    standing: standingOf(assessment),
    work: workTold(assessment),
    parts: partsTold(assessment),
    budget: budget && { verdict: budget.verdict, text: budget.need ?? '' },
    worst: worst && light(taskBeam(worst.task, worst.result)),
  };
}

/** What became of a draft since it was last marked as seen. */
export interface DraftNews {
  /** The price moved by more than the threshold. */
  readonly price: string | undefined;
  /** Findings that came or went. */
  readonly findings: string | undefined;
}

const FINDINGS = {
  blocks: 'to change',
  stops: 'not running',
  short: 'falling short',
  unproven: 'unproven',
  caution: 'cautions',
} as const;

/**
 * News of a draft: a change of its price above a threshold in percent, and findings that came or went. What was not kept
 * then has not changed as far as anybody knows.
 */
export function draftNews(before: Seen, { standing: now, currency }: Glance, percent: number): DraftNews {
  const moved = now.minor - before.minor;
  const share = before.minor > 0 ? 100 * (ratioOf(now.minor, before.minor) - 1) : 0;
  const news = Math.abs(share) > percent || (before.minor === 0) !== (now.minor === 0);
  const findings = (Object.keys(FINDINGS) as (keyof typeof FINDINGS)[]).flatMap((level) => {
    const [then, here] = [before[level], now[level] ?? 0];
    return then === undefined || then === here ? [] : [`${FINDINGS[level]} ${then} → ${here}`];
  });
  return {
    price: news
      ? `${coinsChange(moved, currency)} ${currency} (${share > 0 ? '+' : '−'}${number(Math.abs(share), 2)} %), now ${coins(now.minor, currency)}`
      : undefined,
    findings: findings.length > 0 ? listed(findings) : undefined,
  };
}

/** News of a seat in one line: how many prices moved, drafts whose findings changed, watches that were met. */
export function newsLine(news: readonly DraftNews[], watches: number, percent: number): string | undefined {
  const prices = news.filter(({ price }) => price !== undefined).length;
  const findings = news.filter((entry) => entry.findings !== undefined).length;
  const parts = [
    ...(prices > 0 ? [`${prices === 1 ? 'one price' : `${prices} prices`} moved more than ${number(percent)} %`] : []),
    ...(findings > 0 ? [`${findings === 1 ? 'one draft has' : `${findings} drafts have`} other findings`] : []),
    ...(watches > 0 ? [`${watches === 1 ? 'one watch' : `${watches} watches`} met`] : []),
  ];
  if (parts.length === 0) return undefined;
  return capitalised(listed(parts));
}
