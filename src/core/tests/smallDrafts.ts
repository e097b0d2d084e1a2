import type { Context } from '../assess';
import type { Item, Machine } from '../model/machine';
import type { Option } from '../search/exact/option';
import type { Question } from '../search/exact/question';
import { searchable } from '../search/exact/searchable';
import { rolling } from './smallMarkets';

/** A draft of a small market's parts, taken at random: now and then something is not chosen yet, or is there already. */
export function draftFrom(question: Question, context: Context, seed: number): Machine {
  const { pick, chance } = rolling(seed * 13);
  const { positions } = searchable({ ...question, unproven: 'allowed', least: { tasks: new Map() } }, context).space;
  const items = positions.flatMap(({ choices }): Item[] => {
    const options: Option[] = [];
    for (let option = choices.at(0); option && options.length < 40; option = choices.at(options.length))
      options.push(option);
    if (options.length === 0 || chance(0.1)) return [];
    const owned = chance(0.15);
    return pick(options).items.map((item) => (owned ? { ...item, owned: true } : item));
  });
  return { id: 'draft', name: 'Draft', items };
}
