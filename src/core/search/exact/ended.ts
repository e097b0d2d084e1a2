import type { FoundMachine } from './judge';

/** What a search did. */
export interface Effort {
  /** Partial machines that were looked at. */
  readonly nodes: number;
  /** Whole machines that went through all rules and predictions. */
  readonly assessed: number;
  /** Machines whose basket was worked out. */
  readonly baskets: number;
  /** Those among them that are not proven to be the cheapest way of buying the machine. */
  readonly openBaskets: number;
}

export const NO_EFFORT: Effort = { nodes: 0, assessed: 0, baskets: 0, openBaskets: 0 };

export const addEfforts = (a: Effort, b: Effort): Effort => ({
  nodes: a.nodes + b.nodes,
  assessed: a.assessed + b.assessed,
  baskets: a.baskets + b.baskets,
  openBaskets: a.openBaskets + b.openBaskets,
});

/**
 * How a search ended. `best`: nothing better is left. `impossible`: no machine of the space meets the demands. A search
 * that its caller stops has neither; `Progressing` then holds the best found and how far it was proven.
 */
export type Ended =
  | { readonly kind: 'best'; readonly found: FoundMachine; readonly effort: Effort }
  | { readonly kind: 'impossible'; readonly effort: Effort };

/** Steps a search to its end, telling on the way what it has done by then. */
export function* toItsEnd<T>(
  search: Generator<{ readonly effort: Effort }, Ended>,
  told: (effort: Effort) => T,
): Generator<T, Ended> {
  for (;;) {
    const next = search.next();
    if (next.done) return next.value;
    yield told(next.value.effort);
  }
}

/** What a search found that came to its end. */
export const foundIn = (end: Ended): FoundMachine | undefined => (end.kind === 'best' ? end.found : undefined);

/**
 * Steps a search to its end within an answer that grows: what it does is added to the answer's effort, on the way and at
 * its end. What it found; undefined when there is nothing.
 */
export function* foundWithin<T extends { readonly effort: Effort }>(
  search: Generator<{ readonly effort: Effort }, Ended>,
  now: () => T,
  set: (next: T) => void,
): Generator<T, FoundMachine | undefined> {
  const before = now().effort;
  const counted = (effort: Effort): T => ({ ...now(), effort: addEfforts(before, effort) });
  const end = yield* toItsEnd(search, counted);
  set(counted(end.effort));
  return foundIn(end);
}
