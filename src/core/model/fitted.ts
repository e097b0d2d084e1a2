import type { Catalogue } from './catalogue';
import type { Item, Machine } from './machine';
import type { Part, PartKind, PartOf } from '../parts';
import { compareParts } from '../parts/order';

/** An item of a machine with its part looked up. */
export interface Fitted<K extends PartKind> {
  readonly item: Item;
  readonly part: PartOf<K>;
}

/** An item of whatever kind. */
export interface AnyFitted {
  readonly item: Item;
  readonly part: Part;
}

/** A machine's items by kind, the better first; what the catalogue no longer has stands in `gone`. */
export interface FittedParts {
  readonly ofKind: <K extends PartKind>(kind: K) => readonly Fitted<K>[];
  readonly one: <K extends PartKind>(kind: K) => Fitted<K> | undefined;
  readonly all: readonly AnyFitted[];
  readonly gone: readonly Item[];
}

const none: readonly never[] = Object.freeze([]);

const pairs = new WeakMap<Item, AnyFitted>();

/** An item with its part; the same object as long as both are the same, so that lists can be compared by it. */
function fitted(item: Item, part: Part): AnyFitted {
  let known = pairs.get(item);
  if (known?.part !== part) pairs.set(item, (known = { item, part }));
  return known;
}

const uses = new WeakMap<Item, string>();

/** How an item is used, without what it is called: two of one part may differ in role, place or who owns them. */
function useOf(item: Item): string {
  let use = uses.get(item);
  if (use === undefined) {
    const { id: _id, part: _part, label: _label, ...rest } = item;
    uses.set(item, (use = JSON.stringify(rest)));
  }
  return use;
}

/**
 * Order of fitted parts: by what the parts are, the better first, then by how they are used. Only what is alike in all of
 * that is told apart by its id, so that neither ids nor the order of putting together change any result.
 */
function compareFitted(pins: Machine['pins']): (a: AnyFitted, b: AnyFitted) => number {
  return (a, b) => {
    const byPart = compareParts(a.part, b.part);
    if (byPart !== 0) return byPart;
    const [useA, useB] = [useOf(a.item), useOf(b.item)];
    if (useA !== useB) return useA < useB ? -1 : 1;
    const [pinA, pinB] = [pins?.[a.item.id] ?? '', pins?.[b.item.id] ?? ''];
    if (pinA !== pinB) return pinA < pinB ? -1 : 1;
    return a.item.id < b.item.id ? -1 : 1;
  };
}

/**
 * Looks up every item. `prefers` says how well a card suits the work, more is better: of unlike cards the one that suits
 * best stands first, whichever has more of everything.
 */
export function fitParts(
  machine: Machine,
  catalogue: Catalogue,
  prefers?: (card: PartOf<'graphics'>) => number,
): FittedParts {
  const kinds = new Map<PartKind, AnyFitted[]>();
  const all: AnyFitted[] = [];
  const gone: Item[] = [];
  for (const item of machine.items) {
    const part: Part | undefined = catalogue.part(item.part);
    if (part) all.push(fitted(item, part));
    else gone.push(item);
  }
  const order = compareFitted(machine.pins);
  all.sort((a, b) =>
    prefers && a.part.kind === 'graphics' && b.part.kind === 'graphics'
      ? prefers(b.part) - prefers(a.part) || order(a, b)
      : order(a, b),
  );
  for (const each of all) {
    const list = kinds.get(each.part.kind);
    if (list) list.push(each);
    else kinds.set(each.part.kind, [each]);
  }
  const ofKind = <K extends PartKind>(kind: K) => (kinds.get(kind) ?? none) as unknown as readonly Fitted<K>[];
  return { ofKind, one: (kind) => ofKind(kind)[0], all, gone };
}

/**
 * A machine's parts of some kinds, for what says that it reads no others.
 * @throws RangeError when it asks for another kind all the same: a mistake of ours
 */
export function partsOf(parts: FittedParts, kinds: ReadonlySet<PartKind>): FittedParts {
  const ofKind = <K extends PartKind>(kind: K) => {
    if (!kinds.has(kind)) throw new RangeError(`parts of the kind "${kind}" are read where only others are said to be`);
    return parts.ofKind(kind);
  };
  return {
    ofKind,
    one: (kind) => ofKind(kind)[0],
    all: parts.all.filter(({ part }) => kinds.has(part.kind)),
    gone: none,
  };
}

/** Maker and name as people say it. */
export const fullName = (part: Part): string => `${part.maker} ${part.name}`;
