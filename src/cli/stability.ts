import type { Context } from '@/core/assess';
import type { Question } from '@/core/search/exact/question';
import type { FoundMachine } from '@/core/search/exact/judge';
import { stabilityOf } from '@/core/search/exact/stability';
import { coins, coinsChange } from '@/core/words/format';
import { stabilityWords } from '@/core/words/stability';
import { say } from './say';
import { effortWords, stepped, type How } from './searching';

/** What would make another machine the cheapest; stopped it tells what it has. Exit codes are those of `vane find`. */
export async function stabilityCommand(question: Question, context: Context, { nodes, json }: How): Promise<number> {
  const end = await stepped(stabilityOf(question, context), nodes);
  const known = end.done ? end.answer : end.last;
  const { chosen, parts, prices, missing, constants, effort } = known;
  const { brief } = question;
  const { currency } = context.catalogue.region(brief.region) ?? {};
  const state = !end.done ? 'stopped' : chosen ? 'proven' : 'impossible';
  if (json) {
    const dataOf = (found: FoundMachine | undefined) =>
      found && { priceMinor: found.priceMinor, machine: found.machine };
    say(
      JSON.stringify(
        {
          format: 'vane-stability',
          version: 1,
          state,
          chosen: dataOf(chosen),
          parts: parts.map(({ next, ...part }) => ({ ...part, next: dataOf(next) })),
          prices: prices && {
            holdsPercent: prices.holds,
            turns: prices.turns && { percent: prices.holds + 1, ...dataOf(prices.turns.found) },
          },
          missing: missing.map(({ found, turns }) => ({ ...dataOf(found), turns })),
          constants: constants.map(({ found, ...entry }) => ({ ...entry, ...dataOf(found) })),
          effort,
        },
        null,
        1,
      ),
    );
  } else if (currency) {
    const words = stabilityWords(known, brief, currency, context);
    if (!words && end.done) say('No machine is possible; vane find cheapest says why.');
    if (words) {
      say(`The cheapest machine costs ${coins(words.chosenMinor, currency)}. ${words.line}`);
      for (const { name, moreMinor, then } of words.parts)
        say(
          moreMinor === undefined
            ? `  ${name}: nothing does the work without it`
            : `  ${name}: ${coinsChange(moreMinor, currency)} without it (${then.join('; ')})`,
        );
      if (words.prices) say([words.prices.says, ...words.prices.then].join(' '));
      for (const { says, turns } of [...words.missing, ...words.constants]) {
        say(`${says}${turns.length > 0 ? ':' : '.'}`);
        for (const turn of turns) say(`  ${turn}`);
      }
    }
    say(`${end.done ? 'Proven' : 'Stopped'}. ${effortWords(effort)}`);
  }
  return !end.done ? 3 : chosen ? 0 : 1;
}
