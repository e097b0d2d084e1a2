import type { Context } from '@/core/assess';
import type { Question } from '@/core/search/exact/question';
import { MOST_SITTINGS, twoMachines } from '@/core/search/exact/twoMachines';
import { coins } from '@/core/words/format';
import { madeOf } from '@/core/words/found';
import { sideWords, twoMachinesWords } from '@/core/words/twoMachines';
import { refuse, say } from './say';
import { effortWords, stepped, type How } from './searching';

/**
 * One machine for all sittings of a brief beside the cheapest two that share them; stopped it tells what it has. Exit codes
 * are those of `vane find`: 1 when neither one nor two do the work.
 */
export async function twoCommand(question: Question, context: Context, { nodes, json }: How): Promise<number> {
  const { brief } = question;
  if (brief.sittings.length > MOST_SITTINGS)
    return refuse([
      {
        path: 'brief.sittings',
        message: `are ${brief.sittings.length}, which makes too many ways of sharing them; up to ${MOST_SITTINGS} can be shared`,
      },
    ]);
  const end = await stepped(twoMachines(question, context), nodes);
  const known = end.done ? end.answer : end.last;
  const { one, two, atLeastMinor, effort } = known;
  const { currency } = context.catalogue.region(brief.region) ?? {};
  const possible = one !== undefined || two !== undefined;
  if (json)
    say(
      JSON.stringify(
        {
          format: 'vane-two',
          version: 1,
          state: !end.done ? 'stopped' : possible ? 'proven' : 'impossible',
          one: one && { priceMinor: one.priceMinor, machine: one.machine },
          two: two?.map(({ sittings, cannot, found }) => ({
            sittings,
            cannot,
            priceMinor: found.priceMinor,
            machine: found.machine,
          })),
          // JSON has no word for what never comes
          ...(atLeastMinor < Infinity ? { twoAtLeastMinor: atLeastMinor } : {}),
          effort,
        },
        null,
        1,
      ),
    );
  else if (currency) {
    const sentence = twoMachinesWords(known, brief, currency);
    if (sentence !== undefined) say(sentence);
    for (const side of two ?? [])
      say(`  ${sideWords(side, brief)}: ${coins(side.found.priceMinor, currency)}, ${madeOf(side.found.machine)}`);
    say(`${end.done ? 'Proven' : 'Stopped'}. ${effortWords(effort)}`);
  }
  return !end.done ? 3 : possible ? 0 : 1;
}
