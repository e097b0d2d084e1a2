import type { Assessment } from '../assess';

import { basketFor } from '../versus/basketFor';
import { taskBeam, worstTask } from './beams';
import { coinsOnly, listed } from './format';
import { partsTold } from './glance';

const WORDS = [
  'none',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
/** A small count as a word. */
export const countWord = (count: number): string => WORDS[count] ?? String(count);

/** Tasks of a machine that do their work for certain, and all of them. */
const done = ({ tasks }: Pick<Assessment, 'tasks'>) => ({
  met: tasks.filter(({ verdict }) => verdict === 'carries').length,
  of: tasks.length,
});

/** "does five of six tasks", "does all six tasks". */
export function doesText(assessment: Pick<Assessment, 'tasks'>): string {
  const { met, of } = done(assessment);
  if (of === 0) return 'has no work yet';
  if (met === of) return of === 1 ? 'does its task' : `does all ${countWord(of)} tasks`;
  return `does ${countWord(met)} of ${countWord(of)} ${of === 1 ? 'task' : 'tasks'}`;
}

const empty = ({ facts }: Assessment): boolean => facts.machine.items.length === 0;

/** A machine in a sentence: a name of its owner's own stands in marks, or "Two lesser cards does" reads as a slip. */
const named = ({ facts }: Assessment): string =>
  /^Draft\b/.test(facts.machine.name) ? facts.machine.name : `“${facts.machine.name}”`;

/** What a machine costs, with its currency: "2,761.58 USD"; "owned" when all of it is. */
export function costText(assessment: Assessment): string {
  const { machine, price } = assessment.facts;
  if (!empty(assessment) && machine.items.every((item) => item.owned)) return 'owned';
  const { total, lowerBound } = basketFor(assessment);
  return `${lowerBound ? 'at least ' : ''}${coinsOnly(total.landedMinor, price.currency)} ${price.currency}`;
}

/** What the task that does worst comes to: "Export cinema master may take 28 – 58 min of 40 min". */
function worstText(assessment: Assessment): string | undefined {
  const worst = worstTask(assessment);
  if (!worst || worst.result.verdict === 'carries') return undefined;
  const { task, result } = worst;
  if (result.impossible.length > 0) return `${task.name} does not run`;
  if (result.verdict === 'unproven') return `${task.name} is unproven`;
  const { need, gets } = taskBeam(task, result);
  return `${task.name} ${result.verdict === 'short' ? 'falls short' : 'may fall short'}: ${gets}${need === undefined ? '' : `, ${need}`}`;
}

/** Machines from the one that does most for certain; of two alike the cheaper first. */
export function bestFirst(assessments: readonly Assessment[]): Assessment[] {
  const cost = (assessment: Assessment) => basketFor(assessment).total.landedMinor;
  const blocked = (assessment: Assessment) => (partsTold(assessment).verdict === 'short' ? 1 : 0);
  return assessments
    .filter((assessment) => !empty(assessment))
    .sort((a, b) => blocked(a) - blocked(b) || done(b).met - done(a).met || cost(a) - cost(b));
}

/** Brief: what the work demands, and is it met? The best draft, and where it falls short. */
export function briefAnswer(assessments: readonly Assessment[]): string {
  const [first] = assessments;
  if (!first || first.facts.brief.tasks.length === 0) return 'No work is described yet';
  const [best] = bestFirst(assessments);
  if (!best) return 'No machine is drafted for this work yet';
  const worst = worstText(best);
  return `${named(best)} ${doesText(best)}${worst === undefined ? '' : `; ${worst}`}`;
}

/** Draft: does it fit together, and does it do the work? */
export function draftAnswer(assessment: Assessment): string {
  if (empty(assessment)) return 'Nothing is in this draft yet';
  const parts = partsTold(assessment);
  const fits =
    parts.verdict === 'carries'
      ? 'its parts belong together'
      : parts.verdict === 'short'
        ? `of its parts ${parts.text.replace('to change', parts.text.startsWith('1 ') ? 'is to be changed' : 'are to be changed')}`
        : `its parts fit, with ${parts.text}`;
  return `It ${doesText(assessment)}; ${fits}`;
}

/** Weigh: which draft does what, for how much? The two that do most. */
export function weighAnswer(assessments: readonly Assessment[]): string {
  const best = bestFirst(assessments).slice(0, 2);
  if (best.length === 0) return 'No draft has a part yet';
  return listed(
    best.map((assessment, i) => {
      const { met, of } = done(assessment);
      const cost = costText(assessment);
      const what =
        i === 0 || of === 0
          ? doesText(assessment)
          : met === done(best[0] ?? assessment).met
            ? 'as many'
            : countWord(met);
      return `${named(assessment)} ${what} ${cost === 'owned' ? 'and is owned' : `for ${cost}`}`;
    }),
  );
}

/** Rivals: this draft against a branded machine. */
export function rivalAnswer(draft: Assessment, rival: Assessment, name: string, cost: string | undefined): string {
  const paid = (text: string | undefined) =>
    text === undefined ? ', not sold here' : text === 'owned' ? ' and is owned' : ` for ${text}`;
  const ours = empty(draft) ? 'has no parts yet' : `${doesText(draft)}${paid(costText(draft))}`;
  return `${named(draft)} ${ours}; ${name} ${doesText(rival)}${paid(cost)}`;
}
