import type { Catalogue } from './catalogue';
import type { Item, Machine } from './machine';
import type { Part, PartKind, PartOf } from './parts';

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

/** A machine's items by kind; what the catalogue no longer has stands in `gone`. Items keep the order of their ids. */
export interface FittedParts {
  readonly ofKind: <K extends PartKind>(kind: K) => readonly Fitted<K>[];
  readonly one: <K extends PartKind>(kind: K) => Fitted<K> | undefined;
  readonly all: readonly AnyFitted[];
  readonly gone: readonly Item[];
}

const none: readonly never[] = Object.freeze([]);

/**
 * Looks up every item. Sorted by part, then item id, so that the order in which a machine was put together does not
 * change any result.
 */
export function fitParts(machine: Machine, catalogue: Catalogue): FittedParts {
  const kinds = new Map<PartKind, AnyFitted[]>();
  const all: AnyFitted[] = [];
  const gone: Item[] = [];
  const items = [...machine.items].sort((a, b) =>
    a.part === b.part ? (a.id < b.id ? -1 : 1) : a.part < b.part ? -1 : 1,
  );
  for (const item of items) {
    const part: Part | undefined = catalogue.part(item.part);
    if (!part) {
      gone.push(item);
      continue;
    }
    const fitted = { item, part };
    all.push(fitted);
    const list = kinds.get(part.kind);
    if (list) list.push(fitted);
    else kinds.set(part.kind, [fitted]);
  }
  const ofKind = <K extends PartKind>(kind: K) => (kinds.get(kind) ?? none) as unknown as readonly Fitted<K>[];
  return { ofKind, one: (kind) => ofKind(kind)[0], all, gone };
}

/** Maker and name as people say it. */
export const fullName = (part: Part): string => `${part.maker} ${part.name}`;
