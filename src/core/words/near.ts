import type { Assessment, Context } from '../assess';
import type { Machine } from '../model/machine';
import type { Brief } from '../model/brief';
import { progress } from '../predict/worst';
import { effectOf, outcomeOf } from '../search/effect';
import type { FoundMachine } from '../search/exact/judge';
import { ROOM } from '../search/exact/room';
import type { NearMachine } from '../search/exact/near';
import type { Steps } from '../search/exact/steps';
import type { Currency } from '../units/money';
import { taskBeam } from './beams';
import { findingWords } from './findings';
import { coins, listed, number } from './format';
import type { FoundWords } from './found';
import { foundWords } from './foundMachine';
import { changeWords } from './repaired';
import { needText } from './results';

/** A machine near a draft in words: what is changed for it, what it gives and what it takes. */
export interface NearWords {
  readonly found: FoundWords;
  /** Landed, against the draft; undefined where that has no price. */
  readonly moreMinor: number | undefined;
  /** A line for each position that is changed. */
  readonly changes: readonly string[];
  /** "Cinema export 61 min in place of 85 min, its target". */
  readonly gains: readonly string[];
  readonly losses: readonly string[];
}

/** Less than this share of a change is not told. */
const SEEN = 0.005;

const ROOM_WORDS = { memory: 'memory', graphics: 'graphics memory', storage: 'drives' } as const;

/** What a machine near a draft changes. */
export function nearWords(
  { found, changed }: NearMachine,
  draft: Machine,
  start: FoundMachine | undefined,
  [before, after]: readonly [before: Assessment, after: Assessment],
  context: Context,
): NearWords {
  const gains: string[] = [];
  const losses: string[] = [];
  for (const task of before.facts.brief.tasks) {
    const [was, is] = [before, after].map(({ tasks }) => tasks.find((result) => result.task === task.id));
    if (!was || !is) continue;
    const [had, has] = [progress(was), progress(is)];
    const [then, now] = [taskBeam(task, was).gets, taskBeam(task, is).gets];
    const target = needText(is);
    if (had < 1 && has >= 1)
      gains.push(`${task.name} ${now} in place of ${then}${target === undefined ? '' : `, its target (${target})`}`);
    else if (has > had * (1 + SEEN)) gains.push(`${task.name} ${now} in place of ${then}`);
    else if (has < had * (1 - SEEN)) losses.push(`${task.name} ${now} in place of ${then}`);
  }
  for (const { called, of } of ROOM) {
    const [had = 0, has = 0] = [before, after].map(({ facts }) => of(facts.parts.all.map(({ part }) => part)));
    if (had === has) continue;
    (has > had ? gains : losses).push(`${ROOM_WORDS[called]} ${number(has)} GB in place of ${number(had)} GB`);
  }
  const { mended, brought } = effectOf(outcomeOf(before), outcomeOf(after));
  const said = (list: typeof mended): string[] =>
    list
      .filter(({ code, level }) => code !== 'task-result' && level !== 'note')
      .map((finding) => findingWords(finding).says.replace(/\.$/, ''));
  return {
    found: foundWords(found, after),
    moreMinor: start && found.priceMinor - start.priceMinor,
    changes: changeWords(draft, found.machine, changed, context),
    gains: [...gains, ...said(mended).map((says) => `no longer: ${says}`)],
    losses: [...losses, ...said(brought)],
  };
}

/** Steps as they are told: of the same shape as they are found. */
export interface StepsTold {
  readonly up: readonly NearWords[];
  readonly targets: readonly { readonly task: string; readonly step: NearWords | undefined }[];
  readonly savings: readonly NearWords[];
}

/**
 * From here on, a sentence for each task that falls short and one for the least that helps: "From here, 210.00 USD more bring
 * “Export” to its target: …", "With up to 3 changes together nothing under 140.00 USD more makes a twentieth more of the work".
 */
export function fromHereWords(
  { up, targets }: StepsTold,
  { within, mostMinor }: Pick<Steps, 'within' | 'mostMinor'>,
  { tasks }: Pick<Brief, 'tasks'>,
  currency: Currency,
): string[] {
  const together = within === 1 ? 'one change' : `up to ${within} changes together`;
  const nameOf = (id: string): string => `“${tasks.find((task) => task.id === id)?.name ?? id}”`;
  const lines = targets.map(({ task, step }) => {
    if (!step) return `With ${together} ${nameOf(task)} does not come to its target.`;
    const { moreMinor = 0, changes } = step;
    const money = coins(Math.abs(moreMinor), currency);
    return `${moreMinor > 0 ? `From here, ${money} more bring` : `From here ${money} are saved and`} ${nameOf(task)} ${moreMinor > 0 ? '' : 'comes '}to its target: ${listed([...changes])}.`;
  });
  if (within === 0) return lines;
  const least = up[0]?.moreMinor;
  if (least === undefined)
    return [
      ...lines,
      `With ${together} nothing${mostMinor === Infinity ? '' : ` up to ${coins(mostMinor, currency)}`} makes a twentieth more of the work.`,
    ];
  return [
    ...lines,
    least > 0
      ? `With ${together} nothing under ${coins(least, currency)} more makes a twentieth more of the work.`
      : `With ${together} a twentieth more of the work is done for ${coins(-least, currency)} less.`,
  ];
}
