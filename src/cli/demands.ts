import type { Context } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import { clashOf } from '@/core/search/exact/clash';
import { costsOf } from '@/core/search/exact/costs';
import type { Question } from '@/core/search/exact/question';
import { coins } from '@/core/words/format';
import { costWords, demandWords } from '@/core/words/found';
import { say } from './say';
import { clashData, effortWords, sayClash, stepped, type How } from './searching';

/** What each demand of a question costs, a line each; stopped it tells what it has. Exit codes are those of `vane find`. */
export async function demandsCommand(question: Question, context: Context, { nodes, json }: How): Promise<number> {
  const end = await stepped(costsOf(question, context), nodes);
  const { cheapest, demands, effort } = end.done ? end.answer : end.last;
  const clash = end.done && !cheapest ? finish(clashOf(question, context)) : undefined;
  const { brief } = question;
  const { currency } = context.catalogue.region(brief.region) ?? {};
  if (json)
    say(
      JSON.stringify(
        {
          format: 'vane-demands',
          version: 1,
          state: !end.done ? 'stopped' : cheapest ? 'proven' : 'impossible',
          cheapestMinor: cheapest?.priceMinor,
          effort,
          demands: demands.map(({ demand, without, tighter }) => ({
            ...demand,
            withoutMinor: without.priceMinor,
            ...(tighter ? { tighter: { ...tighter.step, minor: tighter.found?.priceMinor } } : {}),
          })),
          clash: clash && clashData(clash),
        },
        null,
        1,
      ),
    );
  else if (currency) {
    if (cheapest) {
      say(`The cheapest machine that meets them all costs ${coins(cheapest.priceMinor, currency)}.`);
      for (const cost of demands)
        say(`  ${demandWords(cost.demand, brief)} ${costWords(cost, cheapest.priceMinor, currency)}`);
    }
    if (clash) sayClash(clash, brief, currency);
    say(`${end.done ? 'Proven' : 'Stopped'}. ${effortWords(effort)}`);
  }
  return !end.done ? 3 : cheapest ? 0 : 1;
}
