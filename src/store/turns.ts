/** How long one turn may take before everybody else gets theirs, ms. */
const TURN_MS = 12;
/** Items between two looks at the clock. */
const STRIDE = 32;

/** Works through many items, letting other work of this process in between. */
export async function inTurns<T, R>(items: readonly T[], work: (item: T) => readonly R[]): Promise<R[]> {
  const made: R[] = [];
  let began = performance.now();
  for (const [i, item] of items.entries()) {
    made.push(...work(item));
    if (i % STRIDE !== STRIDE - 1 || performance.now() - began < TURN_MS) continue;
    await new Promise((resolve) => setImmediate(resolve));
    began = performance.now();
  }
  return made;
}
