/**
 * A box in mm. x runs from the rear panel to the front, y from the roof down, z from the board tray to the side panel;
 * the view from the open side has x to the right and y down.
 */
export interface Box {
  readonly x: readonly [from: number, to: number];
  readonly y: readonly [from: number, to: number];
  readonly z: readonly [from: number, to: number];
}

const AXES = ['x', 'y', 'z'] as const;

/**
 * mm between two boxes along the axis on which they lie furthest apart; negative is how far they would have to move to
 * come free. The same either way round.
 * @example gapMm({ x: [0, 10], y: [0, 10], z: [0, 10] }, { x: [14, 20], y: [0, 10], z: [5, 12] }) // 4
 */
export function gapMm(a: Box, b: Box): number {
  let gap = -Infinity;
  for (const axis of AXES) gap = Math.max(gap, a[axis][0] - b[axis][1], b[axis][0] - a[axis][1]);
  return gap;
}

/** Whether `a` hides some of `b` from the open side: it lies further out, and their outlines overlap. */
export const hides = (a: Box, b: Box): boolean =>
  a.z[0] >= b.z[1] - TOUCH &&
  Math.min(a.x[1], b.x[1]) - Math.max(a.x[0], b.x[0]) > OVERLAP &&
  Math.min(a.y[1], b.y[1]) - Math.max(a.y[0], b.y[0]) > OVERLAP;

/** mm that parts sit into each other where they plug together. */
const TOUCH = 6;
/** mm of overlap that a hand does not mind. */
const OVERLAP = 4;
