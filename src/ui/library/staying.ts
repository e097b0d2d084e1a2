import type { CSSProperties } from 'react';
import type { Beyond } from './useBeyond';

/** The column of ticks, among the keys of the others. */
export const TICK = 'tick';
export const TICK_PX = 30;
/** What stays leaves at least as much for what is scrolled. */
const MOST_STAYING = 0.5;

/** How a cell stays, and how wide its column is; the last of them has an edge while others are scrolled under it. */
export interface Staying {
  readonly px: number;
  readonly style: Pick<CSSProperties, 'position' | 'left' | 'zIndex' | 'background' | 'boxShadow'>;
}

/**
 * Columns that stay when the others are scrolled sideways, by key: all up to the name, as long as it is one of the first
 * two and they leave half of the width to the others.
 */
export function placesOfStaying(
  columns: readonly { readonly key: string; readonly px: number }[],
  beyond: Pick<Beyond, 'left' | 'widthPx'>,
): ReadonlyMap<string, Staying> {
  const name = columns.findIndex(({ key }) => key === 'name');
  const stays = new Map<string, Staying>();
  if (name < 0 || name > 1) return stays;
  let left = 0;
  for (const { key, px } of [{ key: TICK, px: TICK_PX }, ...columns.slice(0, name + 1)]) {
    const edge = beyond.left && key === 'name' ? { boxShadow: '1px 0 0 var(--edge)' } : {};
    // above the lines between heads, which stand above heads
    stays.set(key, { px, style: { position: 'sticky', left, zIndex: 2, background: 'inherit', ...edge } });
    left += px;
  }
  return left <= beyond.widthPx * MOST_STAYING ? stays : new Map();
}

/** What they take of the width, px: what gets the focus is brought into sight beside them. */
export const widthOfStaying = (stays: ReadonlyMap<string, Staying>): number =>
  [...stays.values()].reduce((sum, { px }) => sum + px, 0);
