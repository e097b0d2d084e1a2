import { subjectOf, type Context } from '@/core/assess';
import type { Machine } from '@/core/model/machine';
import type { Question } from '@/core/search/exact/question';
import { readier } from '@/core/search/exact/searchable';
import type { NearMachine } from '@/core/search/exact/near';
import { stepsFrom } from '@/core/search/exact/steps';
import { byWorth } from '@/core/search/exact/stepWorth';
import { coins, coinsChange } from '@/core/words/format';
import { fromHereWords, nearWords, type NearWords } from '@/core/words/near';
import { say } from './say';
import { effortWords, stepped, type How } from './searching';

/**
 * Steps up and savings of one, two and three parts at once around a machine, up to a price. Exit codes are those of
 * `vane find`; a machine with findings that refuse it has no steps: 1.
 */
export async function stepsCommand(
  question: Question,
  draft: Machine,
  context: Context,
  { nodes, json }: How,
  mostMinor = Infinity,
): Promise<number> {
  const end = await stepped(stepsFrom(question, draft, context, readier(context), mostMinor), nodes);
  const steps = end.done ? end.answer : end.last;
  const { start, effort } = steps;
  const { brief } = question;
  const { currency } = context.catalogue.region(brief.region) ?? {};
  const state = !end.done ? 'stopped' : start ? 'proven' : 'impossible';
  const subject = subjectOf(brief, context);
  const before = subject.assess(draft);
  const words = (step: NearMachine): NearWords =>
    nearWords(step, draft, start, [before, subject.assess(step.found.machine)], context);
  const told = {
    up: (start ? byWorth(steps.up, start) : steps.up).map(words),
    savings: steps.savings.map(words),
    targets: steps.targets.map(({ task, step }) => ({ task, step: step && words(step) })),
  };
  if (json) {
    const dataOf = ({ found, changed }: NearMachine) => ({
      priceMinor: found.priceMinor,
      rank: found.rank,
      changed: changed.map(({ name }) => name),
      machine: found.machine,
    });
    say(
      JSON.stringify(
        {
          format: 'vane-steps',
          version: 1,
          state,
          start: start && { priceMinor: start.priceMinor, rank: start.rank },
          within: steps.within,
          up: steps.up.map(dataOf),
          targets: steps.targets.map(({ task, step }) => ({ task, step: step && dataOf(step) })),
          savings: steps.savings.map(dataOf),
          effort,
        },
        null,
        1,
      ),
    );
  } else if (currency) {
    if (!start && end.done) say(`${draft.name} has findings that refuse it: mend it first, with vane find repair.`);
    if (start) say(`${draft.name} costs ${coins(start.priceMinor, currency)}.`);
    for (const line of fromHereWords(told, steps, brief, currency)) say(line);
    const tell = (what: string, list: readonly NearWords[]): void => {
      for (const { moreMinor = 0, changes, gains, losses } of list) {
        say(`${what}: ${coinsChange(moreMinor, currency)} ${currency}`);
        for (const line of [...changes, ...gains, ...losses.map((loss) => `loses: ${loss}`)]) say(`  ${line}`);
      }
    };
    tell('More work', told.up);
    tell('Less money', told.savings);
    say(`${end.done ? 'Proven' : 'Stopped'}. ${effortWords(effort)}`);
  }
  return !end.done ? 3 : start ? 0 : 1;
}
