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

/** The base with numbers: "drive-1", "drive-2", … */
export function* counted(base: string, from = 1): Generator<string> {
  for (let n = from; ; n++) yield `${base}-${n}`;
}

/** Whether one of the entries has this id. */
export const idIn =
  (entries: readonly { readonly id: string }[]) =>
  (id: string): boolean =>
    entries.some((entry) => entry.id === id);
