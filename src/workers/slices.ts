/** Time between two looks at whether somebody else wants a turn. */
const SLICE_MS = 25;

/** Where steps came to: to their end, or as far as they were when they were stopped. */
export type Came<Y, T> = { readonly done: true; readonly value: T } | { readonly done: false; readonly last: Y };

/** Takes steps in slices, with a breath between two of them: there others get a turn, and it is told how far it is. */
export async function inSlices<Y, T>(
  steps: Generator<Y, T>,
  stopped: () => boolean,
  told?: (last: Y) => void,
): Promise<Came<Y, T>> {
  for (let until = performance.now() + SLICE_MS; ;) {
    const next = steps.next();
    if (next.done) return { done: true, value: next.value };
    if (performance.now() < until) continue;
    told?.(next.value);
    await new Promise((resolve) => setTimeout(resolve));
    if (stopped()) return { done: false, last: next.value };
    until = performance.now() + SLICE_MS;
  }
}
