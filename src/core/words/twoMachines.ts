import type { Brief } from '../model/brief';
import type { TwoMachines } from '../search/exact/twoMachines';
import type { Currency } from '../units/money';
import { coins, listed } from './format';

const named = (ids: readonly string[], all: readonly { readonly id: string; readonly name: string }[]): string =>
  listed(ids.map((id) => `“${all.find((entry) => entry.id === id)?.name ?? id}”`));

/** Whether one machine or two do the work for less, in a sentence; undefined as long as it is not known. */
export function twoMachinesWords(
  { one, two, atLeastMinor, open }: Pick<TwoMachines, 'one' | 'two' | 'atLeastMinor' | 'open'>,
  { sittings }: Pick<Brief, 'sittings'>,
  currency: Currency,
): string | undefined {
  if (sittings.length < 2) return 'All work is done in one sitting: there is nothing to share between two machines.';
  if (!two) {
    if (open > 0) return `Two machines cost at least ${coins(Math.ceil(atLeastMinor), currency)}.`;
    return atLeastMinor === Infinity
      ? 'No two machines do it either: there is a sitting that nothing on sale is enough for.'
      : undefined;
  }
  const sum = two[0].found.priceMinor + two[1].found.priceMinor;
  const both = `two, bought new, ${coins(sum, currency)}`;
  if (!one) return `No single machine does all of it; ${both} do.`;
  const more = sum - one.priceMinor;
  const single = `One machine for all costs ${coins(one.priceMinor, currency)}`;
  if (more === 0) return `${single}, and so do two.`;
  return more > 0
    ? `${single}; ${both}, which is ${coins(more, currency)} more.`
    : `${single}; ${both}, which is ${coins(-more, currency)} less.`;
}

/** What one of two is for, and what it may not do: "For “Cutting” and “Grading”; not for “Export”". */
export function sideWords(
  { sittings: own, cannot }: { readonly sittings: readonly string[]; readonly cannot: readonly string[] },
  { sittings, tasks }: Pick<Brief, 'sittings' | 'tasks'>,
): string {
  return `For ${named(own, sittings)}${cannot.length === 0 ? ', and it would do the rest as well' : `; not for ${named(cannot, tasks)}`}`;
}
