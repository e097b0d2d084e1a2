import type { Turn } from './turns';

/** Time between two looks at whether somebody else wants a turn. */
const SLICE_MS = 25;

/** Where steps came to: to their end, or as far as they were when they were stopped. */
export type Came<Y, T> = { readonly done: true; readonly value: T } | { readonly done: false; readonly last: Y };

/**
 * Takes steps in slices, with a breath between two of them: there others get a turn, and it is told how far it is and
 * whether it waits for them.
 */
export async function inSlices<Y, T>(
  steps: Generator<Y, T>,
  turn: Pick<Turn, 'stopped'> & Partial<Pick<Turn, 'waits' | 'again'>>,
  told?: (last: Y, waits: boolean) => void,
): Promise<Came<Y, T>> {
  for (let until = performance.now() + SLICE_MS; ;) {
    const next = steps.next();
    if (next.done) return { done: true, value: next.value };
    if (performance.now() < until) continue;
    told?.(next.value, false);
    await new Promise((resolve) => setTimeout(resolve));
    if (turn.waits?.()) {
      told?.(next.value, true);
      await turn.again?.();
    }
    if (turn.stopped()) return { done: false, last: next.value };
    until = performance.now() + SLICE_MS;
  }
}
