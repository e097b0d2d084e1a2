import type { SittingResult } from '../../predict/results';

/** Most that any sitting holds of something, in bytes; undefined when no task asks for it or a figure is missing. */
export function needOf(sittings: readonly SittingResult[], what: string): number | undefined {
  let most: number | undefined;
  for (const sitting of sittings)
    for (const hold of sitting.holds) if (hold.what === what) most = Math.max(most ?? 0, hold.needs.value);
  return most;
}
