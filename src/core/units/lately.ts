/**
 * Remembers the last so many things that were made, by their keys; the one used longest ago goes first.
 * @example [lately(1)('a', () => 1), lately(1)('b', () => 2)] // [1, 2]
 */
export function lately<T>(most: number): (key: string, make: () => T) => T {
  const known = new Map<string, { readonly made: T }>();
  return (key, make) => {
    const entry = known.get(key) ?? { made: make() };
    known.delete(key);
    known.set(key, entry);
    if (known.size > most)
      for (const oldest of known.keys()) {
        known.delete(oldest);
        break;
      }
    return entry.made;
  };
}
