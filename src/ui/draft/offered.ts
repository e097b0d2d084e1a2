/** What each finding offers as its remedies, by the finding's key. */
export type Offered = ReadonlyMap<string, readonly string[]>;

/** The same with what one finding offers; the same object where that is no change. */
export function withOffer(offered: Offered, key: string, labels: readonly string[]): Offered {
  const before = offered.get(key);
  if (before?.length === labels.length && before.every((label, i) => label === labels[i])) return offered;
  return new Map(offered).set(key, labels);
}

/** For each finding what those above it offer, so that a change that mends several is offered once. */
export function offeredAbove(keys: readonly string[], offered: Offered): ReadonlyMap<string, ReadonlySet<string>> {
  const above = new Map<string, ReadonlySet<string>>();
  const told = new Set<string>();
  for (const key of keys) {
    above.set(key, new Set(told));
    for (const label of offered.get(key) ?? []) told.add(label);
  }
  return above;
}

/** What is said for remedies that are offered above: "Mended too by 2 changes above". */
export const saidAbove = (count: number): string =>
  `Mended too by ${count === 1 ? 'one change' : `${count} changes`} above.`;
