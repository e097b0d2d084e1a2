/**
 * A search that stops after each trial, so that whoever runs it may do something else in between or give it up.
 * The search itself knows no clock: a worker slices it, a test runs it through.
 */
export type Trials<T> = Generator<void, T, void>;

/**
 * The first of each group, in order: of parts that are editions of one another the best stands for all, so that a short
 * list is a choice and not three colours.
 */
export function firstOfEach<T>(entries: readonly T[], groupOf: (entry: T) => string): T[] {
  const seen = new Set<string>();
  return entries.filter((entry) => {
    const group = groupOf(entry);
    return !seen.has(group) && seen.add(group);
  });
}

/** Runs a search through to its answer, whatever it tells on the way. */
export function finish<T>(trials: Generator<unknown, T>): T {
  for (;;) {
    const next = trials.next();
    if (next.done) return next.value;
  }
}

/** Runs a search through to its answer, telling something of its caller's on the way. */
export function* telling<Y, T>(trials: Generator<unknown, T>, tell: () => Y): Generator<Y, T> {
  for (;;) {
    const next = trials.next();
    if (next.done) return next.value;
    yield tell();
  }
}
