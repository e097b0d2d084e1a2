import type { EFFICIENCY_TIERS } from '../parts/supply';

export type Tier = (typeof EFFICIENCY_TIERS)[number];

/** Least efficiency at 20, 50 and 100 % load at 115 V. Source: the voluntary programme's published test protocol. */
const AT_115: Readonly<Record<Tier, readonly (readonly [load: number, efficiency: number])[]>> = {
  white: [
    [0.2, 0.8],
    [0.5, 0.8],
    [1, 0.8],
  ],
  bronze: [
    [0.2, 0.82],
    [0.5, 0.85],
    [1, 0.82],
  ],
  silver: [
    [0.2, 0.85],
    [0.5, 0.88],
    [1, 0.85],
  ],
  gold: [
    [0.2, 0.87],
    [0.5, 0.9],
    [1, 0.87],
  ],
  platinum: [
    [0.2, 0.9],
    [0.5, 0.92],
    [1, 0.89],
  ],
  titanium: [
    [0.1, 0.9],
    [0.2, 0.92],
    [0.5, 0.94],
    [1, 0.9],
  ],
};

/** Efficiency of a tier at a load share, interpolated between its points and held flat outside them. */
export function tierEfficiency(tier: Tier, load: number): number {
  const points = AT_115[tier];
  let before = points[0];
  for (const point of points) {
    if (before && load <= point[0]) {
      if (point === before || load <= before[0]) return before[1];
      return before[1] + ((point[1] - before[1]) * (load - before[0])) / (point[0] - before[0]);
    }
    before = point;
  }
  return before?.[1] ?? 0;
}

/**
 * Draw from the wall in W: what the supply delivers ÷ its efficiency. Efficiency never lowers what the supply can
 * deliver. Tier efficiencies are least values, so this is an upper bound.
 * @throws RangeError unless the efficiency is above 0 and at most 1
 * @example wallDrawW(414, 0.92) // 450
 */
export function wallDrawW(deliveredW: number, efficiency: number): number {
  if (!(efficiency > 0 && efficiency <= 1))
    throw new RangeError(`an efficiency lies above 0 and at most at 1, got ${efficiency}`);
  return deliveredW / efficiency;
}
