import type { Brief } from '@/core/model/brief';
import type { Clash } from '@/core/search/exact/clash';
import type { Effort } from '@/core/search/exact/ended';
import type { Currency } from '@/core/units/money';
import { lookedAtWords } from '@/core/words/effort';
import { number } from '@/core/words/format';
import { clashWords, demandWords, relaxedWords } from '@/core/words/found';
import { say } from './say';

/** How a question is answered on the command line. */
export interface How {
  readonly nodes: number | undefined;
  readonly json: boolean;
}

/** How a search ended: at its answer, or as far as it was when it was stopped. */
export type Stepped<S, R> = { readonly done: true; readonly answer: R } | { readonly done: false; readonly last: S };

/** Steps a search to its end, to so many nodes, or until somebody interrupts. */
export async function stepped<S extends { readonly effort: Effort }, R>(
  search: Generator<S, R>,
  mostNodes = Infinity,
): Promise<Stepped<S, R>> {
  let interrupted = false;
  const interrupt = () => (interrupted = true);
  process.once('SIGINT', interrupt);
  try {
    for (let i = 1; ; i++) {
      const next = search.next();
      if (next.done) return { done: true, answer: next.value };
      // an interrupt is only heard between two turns
      if (i % 64 === 0) await new Promise((resolve) => setImmediate(resolve));
      if (interrupted || next.value.effort.nodes >= mostNodes) return { done: false, last: next.value };
    }
  } finally {
    process.removeListener('SIGINT', interrupt);
  }
}

/** Why nothing is possible, and what would do in place of each demand. */
export function sayClash(clash: Clash, brief: Brief, currency: Currency): void {
  say(`No machine is possible. ${clashWords(clash, brief)}`);
  for (const relaxed of clash.demands)
    say(`  ${demandWords(relaxed.demand, brief)}: ${relaxedWords(relaxed, currency)}`);
}

/** The same as data. */
export const clashData = ({ demands }: Clash): object[] =>
  demands.map(({ demand, found, reaches }) => ({ ...demand, withoutMinor: found?.priceMinor, reaches }));

/** What a search has done. */
export const effortWords = (effort: Effort): string => `${lookedAtWords(effort)}, ${number(effort.assessed)} judged.`;
