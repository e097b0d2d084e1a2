import { expect, test } from 'vitest';
import type { Context } from '../assess';
import type { Machine } from '../model/machine';
import type { PartKind } from '../parts';
import { changeWords } from './repaired';

const KINDS: Readonly<Record<string, string>> = {
  small: 'graphics',
  large: 'graphics',
  fjord: 'cooler',
  disk: 'drive',
};
const catalogue = {
  part: (id: string) => (KINDS[id] === undefined ? undefined : { id, kind: KINDS[id], maker: 'Palisar', name: id }),
} as unknown as Context['catalogue'];
const machine = (...items: readonly (readonly [part: string, roles?: readonly string[]])[]): Machine =>
  ({
    id: 'm',
    name: 'M',
    items: items.map(([part, roles], i) => ({ id: `i${i}`, part, roles })),
  }) as unknown as Machine;

test('what was changed is told place by place: in place of what, new, left out, or used otherwise', () => {
  const from = machine(['small'], ['disk', ['system']], ['unheard of']);
  const to = machine(['large'], ['large'], ['fjord'], ['disk', ['system', 'active']]);
  const changed = [{ kinds: ['drive'] }, { kinds: ['graphics'] }, { kinds: ['cooler'] }] satisfies {
    kinds: PartKind[];
  }[];
  const lines = changeWords(from, to, changed, { catalogue });
  expect(lines).toEqual([
    'drive: Palisar disk, with other roles',
    'graphics card: 2 × Palisar large for Palisar small',
    'cooler: Palisar fjord is new',
  ]);
  expect(changeWords(to, from, [{ kinds: ['cooler'] }], { catalogue })).toEqual(['cooler: Palisar fjord is left out']);
  expect(changeWords(from, from, [], { catalogue })).toEqual([]);
});
