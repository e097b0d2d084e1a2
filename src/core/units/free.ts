/**
 * The first of the names that is not taken.
 * @throws RangeError when all are
 * @example firstFree(numbered('seat'), (id) => id === 'seat') // 'seat-2'
 */
export function firstFree(names: Iterable<string>, taken: (name: string) => boolean): string {
  for (const name of names) if (!taken(name)) return name;
  throw new RangeError('all of the names are taken');
}

/** The base alone, then with numbers from 2 on: "seat", "seat-2", "seat-3", …; the joint stands between. */
export function* numbered(base: string, joint = '-'): Generator<string> {
  yield base;
  for (let n = 2; ; n++) yield `${base}${joint}${n}`;
}

/**
 * The same with names of a longest length, as schemas have them: the base gives way to what tells the names apart.
 * @example [...take(2, numberedWithin(12, 'Cutting room', ', copy'))] // ['Cuttin, copy', 'Cutt, copy 2']
 */
export function* numberedWithin(most: number, base: string, suffix: string): Generator<string> {
  for (let n = 1; ; n++) {
    const end = n === 1 ? suffix : `${suffix} ${n}`;
    yield `${base.slice(0, most - end.length).trimEnd()}${end}`;
  }
}

/** The base with numbers: "drive-1", "drive-2", … */
export function* counted(base: string, from = 1): Generator<string> {
  for (let n = from; ; n++) yield `${base}-${n}`;
}

/** Whether one of the entries has this id. */
export const idIn =
  (entries: readonly { readonly id: string }[]) =>
  (id: string): boolean =>
    entries.some((entry) => entry.id === id);
