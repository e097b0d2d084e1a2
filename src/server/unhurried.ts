/** Time between two breaths. */
const SLICE_MS = 25;

/** Takes steps to their end with a breath between slices, so that others are answered in the meantime. */
export async function unhurried<T>(steps: Generator<unknown, T>): Promise<T> {
  for (let until = performance.now() + SLICE_MS; ;) {
    const next = steps.next();
    if (next.done) return next.value;
    if (performance.now() < until) continue;
    await new Promise((resolve) => setImmediate(resolve));
    until = performance.now() + SLICE_MS;
  }
}
