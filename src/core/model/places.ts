/** A place of a document that two windows changed, and not to the same. */
export interface Clash {
  readonly place: string;
  readonly mine: unknown;
  readonly stored: unknown;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Entries of a list by their ids; undefined when they have none, so that only the whole list can be compared. */
function byId(list: unknown): Map<string, unknown> | undefined {
  if (!Array.isArray(list)) return undefined;
  const entries = new Map<string, unknown>();
  for (const entry of list) {
    if (!isObject(entry) || typeof entry['id'] !== 'string') return undefined;
    entries.set(entry['id'], entry);
  }
  return entries;
}

/** Members of a value by name, or of a list by id; undefined for what has no parts. */
const partsOf = (value: unknown): Map<string, unknown> | undefined =>
  isObject(value) ? new Map(Object.entries(value)) : byId(value);

/**
 * Places that differ between two states of a document: `items/card-1/part`. Entries of lists are told by their ids, so
 * that one that came does not move the others.
 */
export function changedPlaces(before: unknown, after: unknown, place = ''): string[] {
  if (before === after) return [];
  const [a, b] = [partsOf(before), partsOf(after)];
  if (!a || !b) return JSON.stringify(before) === JSON.stringify(after) ? [] : [place];
  return [...new Set([...a.keys(), ...b.keys()])].flatMap((name) =>
    changedPlaces(a.get(name), b.get(name), place === '' ? name : `${place}/${name}`),
  );
}

/** What stands at a place. */
export function valueAt(body: unknown, place: string): unknown {
  let value: unknown = body;
  for (const name of place.split('/')) value = partsOf(value)?.get(name);
  return value;
}

const within = (place: string, other: string): boolean => place === other || place.startsWith(`${other}/`);

/**
 * Places that both sides changed since `base`, one inside the other included, and that do not say the same now. Without
 * any, both changes hold together.
 */
export function clashesOf(base: unknown, mine: unknown, stored: unknown): Clash[] {
  const theirs = changedPlaces(base, stored);
  return changedPlaces(base, mine)
    .filter((place) => theirs.some((other) => within(place, other) || within(other, place)))
    .map((place) => ({ place, mine: valueAt(mine, place), stored: valueAt(stored, place) }))
    .filter(({ mine: here, stored: there }) => JSON.stringify(here) !== JSON.stringify(there));
}

/** The value with another one at a name: a member, or the entry of a list with this id. */
function withPart(value: unknown, name: string, part: unknown): unknown {
  if (!Array.isArray(value)) {
    const { [name]: _, ...rest } = value as Record<string, unknown>;
    return part === undefined ? rest : { ...(value as object), [name]: part };
  }
  return value.flatMap((entry: { id: string }) => (entry.id !== name ? [entry] : part === undefined ? [] : [part]));
}

/** A list with an entry that it does not have, behind the one that it follows in `order`, else first. */
function inserted(list: readonly unknown[], entry: unknown, order: readonly string[], id: string): unknown[] {
  const before = new Set(order.slice(0, order.indexOf(id)));
  const ids = list.map((other) => (other as { id: string }).id);
  const at = ids.reduce((last, other, i) => (before.has(other) ? i + 1 : last), 0);
  return [...list.slice(0, at), entry, ...list.slice(at)];
}

/**
 * What changed from `before` to `after`, made on `onto`, place by place: what others changed elsewhere stays. Where the
 * same place was changed since, `after` wins: ask `clashesOf` first.
 * @example laid({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 5 }) // { a: 2, b: 5 }
 */
export function laid(before: unknown, after: unknown, onto: unknown): unknown {
  if (JSON.stringify(before) === JSON.stringify(after)) return onto;
  const [a, b, c] = [partsOf(before), partsOf(after), partsOf(onto)];
  if (!a || !b || !c || Array.isArray(before) !== Array.isArray(onto)) return after;
  const order = [...b.keys()];
  let made: unknown = onto;
  for (const name of new Set([...a.keys(), ...b.keys()])) {
    const [was, is, there] = [a.get(name), b.get(name), c.get(name)];
    if (was === is || JSON.stringify(was) === JSON.stringify(is)) continue;
    const next = is === undefined ? undefined : there === undefined ? is : laid(was, is, there);
    made =
      Array.isArray(made) && there === undefined && next !== undefined
        ? inserted(made, next, order, name)
        : withPart(made, name, next);
  }
  // where nobody else moved, added or took away an entry, the new order is taken as it is
  if (Array.isArray(made) && sameOrder([...a.keys()], [...c.keys()])) {
    const parts = partsOf(made);
    return order.map((name) => parts?.get(name));
  }
  return made;
}

const sameOrder = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((name, i) => name === b[i]);
