import type { Catalogue } from '../../model/catalogue';
import type { Item, Machine } from '../../model/machine';
import type { Part, PartKind } from '../../parts';
import { asIs, listed, NOTHING, only, withOne } from './option';
import type { FoundMachine } from './judge';
import type { LeastPrices } from './least';
import type { Question } from './question';
import type { Position, Space } from './position';

/** Whether a part is what a position is filled with. */
const takes = ({ kinds, wants }: Position, part: Part): boolean =>
  kinds.some((kind) => kind === part.kind) && (wants?.(part) ?? true);

/** Nothing that is wrong comes from these: where none is chosen anew, they stay. */
const APART: ReadonlySet<PartKind> = new Set<PartKind>(['service', 'system', 'display', 'peripheral']);

/** Which parts, with what drives are for: equal texts, nothing was changed. */
const filling = (items: readonly Item[]): string =>
  items
    .map(({ part, roles = [] }) => `${part} ${[...roles].sort().join()}`)
    .sort()
    .join('; ');

/** Whether a position may have nothing: that costs nothing, so it is among the first. */
function mayBeEmpty({ choices }: Position): boolean {
  for (let index = 0; ; index++) {
    const option = choices.at(index);
    if (!option || option.leastMinor > 0) return false;
    if (option.parts.length === 0) return true;
  }
}

/** Items by the first position that takes them; with those that none takes. */
function placed(
  positions: readonly Position[],
  items: readonly Item[],
  catalogue: Catalogue,
): { readonly at: readonly { readonly item: Item; readonly part: Part }[][]; readonly left: readonly Item[] } {
  const at = positions.map((): { item: Item; part: Part }[] => []);
  const left: Item[] = [];
  for (const item of items) {
    const part: Part | undefined = catalogue.part(item.part);
    const own = part && at[positions.findIndex((position) => takes(position, part))];
    if (own) own.push({ item, part });
    else left.push(item);
  }
  return { at, left };
}

/**
 * A space around the machine that the question starts from: each position also has what is there now, as it is used and
 * paid for, and that is no change; no option is the same parts again. What no position takes gets one, where it stays
 * or is left out; a service, a system and what stands on the desk stay.
 */
export function near(
  space: Space,
  { from, changes }: Question,
  catalogue: Catalogue,
  prices: Pick<LeastPrices, 'ofItem'>,
): Space {
  if (changes === undefined) return space;
  const kept = new Set(space.kept.map(({ id }) => id));
  const there = (from?.items ?? []).filter(({ id }) => !kept.has(id));
  const others = new Set<PartKind>();
  for (const { part: id } of placed(space.positions, there, catalogue).left) {
    const part: Part | undefined = catalogue.part(id);
    if (part) others.add(part.kind);
  }
  const positions = [
    ...space.positions,
    ...[...others].map((kind): Position => ({
      name: `own ${kind}`,
      kinds: [kind],
      choices: listed(APART.has(kind) ? [] : [NOTHING]),
    })),
  ];
  const { at } = placed(positions, there, catalogue);
  const filled = positions.map((position, i): Position => {
    const own = at[i] ?? [];
    const now = filling(own.map(({ item }) => item));
    return {
      ...position,
      ...(own.length > 0 || mayBeEmpty(position) ? { held: asIs(own, prices) } : {}),
      choices: only(position.choices, ({ items }) => filling(items) !== now),
    };
  });
  // where all may change, what is there is one option among the others
  if (changes === Infinity)
    return {
      ...space,
      positions: filled.map(({ held, choices, ...position }) => ({
        ...position,
        choices: held ? withOne(choices, held) : choices,
      })),
    };
  return { ...space, changes, positions: filled };
}

/** What of a draft stays whatever is asked: what is owned, bought, soldered, or pinned by the question. */
export const staying = ({ keep }: Pick<Question, 'keep'>, { items }: Pick<Machine, 'items'>): Item[] =>
  items.filter(
    ({ id, owned, paid, fixed }) =>
      owned === true || paid !== undefined || fixed !== undefined || keep.some((kept) => kept.id === id),
  );

/** A machine near a draft, and the positions that are filled otherwise than there. */
export interface NearMachine {
  readonly found: FoundMachine;
  readonly changed: readonly Position[];
}

/** A machine that was found near a draft, in the space that it was found in. */
export const nearMachine = (
  space: Pick<Space, 'positions'>,
  draft: Machine,
  found: FoundMachine,
  { catalogue }: { readonly catalogue: Catalogue },
): NearMachine => ({ found, changed: changedPositions(space, draft.items, found.machine.items, catalogue) });

/** The positions in which two machines differ. */
export function changedPositions(
  { positions }: Pick<Space, 'positions'>,
  from: readonly Item[],
  to: readonly Item[],
  catalogue: Catalogue,
): Position[] {
  const [was, is] = [placed(positions, from, catalogue).at, placed(positions, to, catalogue).at];
  const own = (list: typeof was, i: number): string => filling((list[i] ?? []).map(({ item }) => item));
  return positions.filter((_, i) => own(was, i) !== own(is, i));
}

/** What an open position adds at least: as it is, and filled otherwise; undefined where that does not stand. */
export interface OpenAt {
  readonly held: number | undefined;
  readonly other: number | undefined;
}

/**
 * The least that open positions add when no more than so many of them may be filled otherwise than they are: those that
 * have to change count as such, and of the others the ones that save most. Undefined when that is not possible.
 * @example held 10 and 20, otherwise 4 and 19, one change: 4 + 20 = 24
 */
export function leastNear(open: readonly OpenAt[], changes: number): number | undefined {
  let sum = 0;
  let left = changes;
  const savings: number[] = [];
  for (const { held, other } of open) {
    if (held === undefined) {
      if (other === undefined || left-- <= 0) return undefined;
      sum += other;
    } else {
      sum += held;
      if (other !== undefined && other < held) savings.push(held - other);
    }
  }
  if (left >= savings.length) return savings.reduce((all, saved) => all - saved, sum);
  savings.sort((a, b) => b - a);
  for (let i = 0; i < left; i++) sum -= savings[i] ?? 0;
  return sum;
}

/** Positions as a number, a bit each. */
const maskOf = (list: readonly number[]): number => list.reduce((mask, at) => mask | (1 << at), 0);

/** Beyond these every set of positions counts as one that may be changed. */
const [MOST_CHANGES, MOST_SETS] = [6, 60_000];

/**
 * Which open positions may still be filled otherwise, by those that were: of the sets of at most `changes` positions only
 * those do that have a position of each clash, a list of positions that cannot all stay as they are held. Undefined where
 * none does.
 * @example two positions clash, one change: whichever of them is changed, nothing else is
 */
export function mayChange(
  positions: number,
  changes: number,
  clashes: readonly (readonly number[])[],
): (changed: number, depth: number) => number | undefined {
  const all = 2 ** positions - 1;
  const sets = changes > MOST_CHANGES ? undefined : setsUpTo(positions, changes, MOST_SETS);
  if (!sets) return (_changed, depth) => all & ~maskBelow(depth);
  const hit = clashes.map(maskOf);
  const left = sets.filter((set) => hit.every((clash) => (clash & set) !== 0));
  const known = new Map<number, number | undefined>();
  return (changed, depth) => {
    const key = changed * 32 + depth;
    if (known.has(key)) return known.get(key);
    const below = maskBelow(depth);
    let may: number | undefined;
    for (const set of left) if ((set & below) === changed) may = (may ?? 0) | (set & ~below);
    known.set(key, may);
    return may;
  };
}

const maskBelow = (depth: number): number => 2 ** depth - 1;

/** All sets of at most so many of so many positions; undefined when there are more than `most`. */
function setsUpTo(positions: number, size: number, most: number): number[] | undefined {
  let sets = [0];
  let last = sets;
  for (let count = 1; count <= Math.min(size, positions); count++) {
    const next: number[] = [];
    for (const set of last) for (let at = 32 - Math.clz32(set); at < positions; at++) next.push(set | (1 << at));
    if (sets.length + next.length > most) return undefined;
    sets = [...sets, ...next];
    last = next;
  }
  return sets;
}
