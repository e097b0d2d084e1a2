import type { Context } from '@/core/assess';
import type { Machine } from '@/core/model/machine';
import type { NearMachine } from '@/core/search/exact/near';
import { repairOf } from '@/core/search/exact/repair';
import type { Question } from '@/core/search/exact/question';
import { coins } from '@/core/words/format';
import { changeWords } from '@/core/words/repaired';
import { say } from './say';
import { effortWords, stepped, type How } from './searching';

/**
 * How a machine is mended: with the fewest changes, and at the least cost. Exit codes are those of `vane find`; a machine
 * that has nothing to mend is proven.
 */
export async function repairCommand(
  question: Question,
  draft: Machine,
  context: Context,
  { nodes, json }: How,
): Promise<number> {
  const end = await stepped(repairOf(question, draft, context), nodes);
  const { sound, fewest, least, effort } = end.done ? end.answer : end.last;
  const { currency } = context.catalogue.region(question.brief.region) ?? {};
  const state = !end.done ? 'stopped' : fewest ? 'proven' : 'impossible';
  const dataOf = (mended: NearMachine | undefined) =>
    mended && {
      priceMinor: mended.found.priceMinor,
      changed: mended.changed.map(({ name }) => name),
      machine: mended.found.machine,
    };
  if (json)
    say(
      JSON.stringify(
        {
          format: 'vane-repair',
          version: 1,
          state,
          sound: sound !== undefined,
          fewest: dataOf(fewest),
          least: dataOf(least),
          effort,
        },
        null,
        1,
      ),
    );
  else if (currency) {
    const tell = (what: string, { found, changed }: NearMachine): void => {
      say(`${what}: ${coins(found.priceMinor, currency)}`);
      for (const line of changeWords(draft, found.machine, changed, context)) say(`  ${line}`);
    };
    if (sound) say(`${draft.name} does what is asked as it is, for ${coins(sound.priceMinor, currency)}.`);
    else if (fewest) tell('Fewest changes', fewest);
    if (least && least.changed.length > 0) tell('Least cost', least);
    if (state === 'impossible') say('Nothing mends it beside what stays: no machine with that does what is asked.');
    say(`${end.done ? 'Proven' : 'Stopped'}. ${effortWords(effort)}`);
  }
  return !end.done ? 3 : fewest ? 0 : 1;
}
