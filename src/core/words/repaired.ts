import type { Context } from '../assess';
import type { Item, Machine } from '../model/machine';
import { fullName } from '../model/fitted';
import type { Part } from '../parts';
import type { Position } from '../search/exact/position';
import { listed } from './format';
import { kindName } from './names';

/** What was changed of a machine, a line for each position: "graphics card: Ember 8 for Ember 6", "cooler: Fjord 2 is new". */
export function changeWords(
  from: Machine,
  to: Machine,
  changed: readonly Pick<Position, 'kinds' | 'wants'>[],
  { catalogue }: Pick<Context, 'catalogue'>,
): string[] {
  const partOf = (id: string) => catalogue.part(id) as Part | undefined;
  const namesIn = (items: readonly Item[], { kinds, wants }: Pick<Position, 'kinds' | 'wants'>): string[] => {
    const counts = new Map<string, number>();
    for (const { part, label } of items) {
      const found = partOf(part);
      if (!found || !kinds.some((kind) => kind === found.kind) || wants?.(found) === false) continue;
      const name = label ?? fullName(found);
      counts.set(name, (counts.get(name) ?? 0) + 1);
    }
    return [...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name));
  };
  return changed.map((position) => {
    const [was, is] = [namesIn(from.items, position), namesIn(to.items, position)];
    const what = position.kinds.map(kindName).join(' or ');
    if (was.length === 0) return `${what}: ${listed(is)} ${is.length > 1 ? 'are' : 'is'} new`;
    if (is.length === 0) return `${what}: ${listed(was)} ${was.length > 1 ? 'are' : 'is'} left out`;
    return was.join() === is.join()
      ? `${what}: ${listed(is)}, with other roles`
      : `${what}: ${listed(is)} for ${listed(was)}`;
  });
}
