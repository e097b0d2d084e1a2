/** The first of those that have most of something; undefined of an empty list. */
export function mostOf<T>(list: readonly T[], measure: (entry: T) => number): T | undefined {
  let best: T | undefined;
  let most = -Infinity;
  for (const entry of list) {
    const value = measure(entry);
    if (best !== undefined && value <= most) continue;
    best = entry;
    most = value;
  }
  return best;
}
