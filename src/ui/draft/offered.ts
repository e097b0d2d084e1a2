/** What a finding offers as its remedies; `waiting` as long as they are being tried. */
export type Told = readonly string[] | 'waiting';

/** What each finding that is shown offers, by the finding's key. */
export type Offered = ReadonlyMap<string, Told>;

/** The same with what one finding offers, or without it where it is not shown any more; the same object where that is no change. */
export function withOffer(offered: Offered, key: string, told: Told | undefined): Offered {
  const before = offered.get(key);
  if (same(before, told)) return offered;
  const after = new Map(offered);
  if (told) after.set(key, told);
  else after.delete(key);
  return after;
}

const same = (a: Told | undefined, b: Told | undefined): boolean =>
  a === b || (Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((label, i) => label === b[i]));

/**
 * For each finding what those above it offer, so that a change that mends several is offered once. Undefined as long as one
 * above is waiting: a change that stood here in the meantime would be taken away from under a finger.
 */
export function offeredAbove(
  keys: readonly string[],
  offered: Offered,
): ReadonlyMap<string, ReadonlySet<string> | undefined> {
  const above = new Map<string, ReadonlySet<string> | undefined>();
  let told: Set<string> | undefined = new Set<string>();
  for (const key of keys) {
    above.set(key, told && new Set(told));
    const own = offered.get(key);
    if (own === 'waiting') told = undefined;
    else for (const label of own ?? []) told?.add(label);
  }
  return above;
}

/** What is said for remedies that are offered above: "Mended too by 2 changes above". */
export const saidAbove = (count: number): string =>
  `Mended too by ${count === 1 ? 'one change' : `${count} changes`} above.`;
