import type { EFFICIENCY_TIERS } from '../parts/supply';

export type Tier = (typeof EFFICIENCY_TIERS)[number];
/** Volts of the mains that a tier was tested at. */
export type Mains = 115 | 230;

type Points = readonly (readonly [load: number, efficiency: number])[];
const at = (twenty: number, fifty: number, full: number): Points => [
  [0.2, twenty],
  [0.5, fifty],
  [1, full],
];

/**
 * Least efficiency at 20, 50 and 100 % load (and 10 % for the highest tier) at 115 V and at 230 V. Source: the
 * voluntary programme's published test protocols, internal supplies of desktop machines.
 */
const TIERS: Readonly<Record<Mains, Readonly<Record<Tier, Points>>>> = {
  115: {
    white: at(0.8, 0.8, 0.8),
    bronze: at(0.82, 0.85, 0.82),
    silver: at(0.85, 0.88, 0.85),
    gold: at(0.87, 0.9, 0.87),
    platinum: at(0.9, 0.92, 0.89),
    titanium: [[0.1, 0.9], ...at(0.92, 0.94, 0.9)],
  },
  230: {
    white: at(0.82, 0.85, 0.82),
    bronze: at(0.85, 0.88, 0.85),
    silver: at(0.87, 0.9, 0.87),
    gold: at(0.9, 0.92, 0.89),
    platinum: at(0.92, 0.94, 0.9),
    titanium: [[0.1, 0.9], ...at(0.94, 0.96, 0.94)],
  },
};

/**
 * Efficiency of a tier at a load share, interpolated between its points and held flat above them. Below the lowest
 * point the loss in W is taken to stay what it is there, which no supply exceeds; the efficiency falls accordingly.
 * @example tierEfficiency('gold', 0.35) // 0.885: half way from 0.87 at 20 % to 0.90 at 50 %
 */
export function tierEfficiency(tier: Tier, load: number, mains: Mains = 115): number {
  const points = TIERS[mains][tier];
  const first = points[0] ?? [1, 1];
  if (load <= 0) return 0;
  if (load < first[0]) return load / (load + first[0] * (1 / first[1] - 1));
  let before = first;
  for (const point of points) {
    if (load <= point[0])
      return point === before
        ? before[1]
        : before[1] + ((point[1] - before[1]) * (load - before[0])) / (point[0] - before[0]);
    before = point;
  }
  return before[1];
}

/**
 * W that a supply draws from the wall when it delivers `deliveredW`: its tier's efficiency at that load.
 * @example supplyWallW(375, 750, 'gold', 115) // 416.7: 375 ÷ 0.90
 */
export const supplyWallW = (deliveredW: number, ratedW: number, tier: Tier, mains: Mains): number =>
  deliveredW > 0 ? wallDrawW(deliveredW, tierEfficiency(tier, deliveredW / ratedW, mains)) : 0;

/**
 * W lost in a supply that delivers `deliveredW`. Upper bound, as tiers are least efficiencies.
 * @example supplyLossW(375, 750, 'gold', 115) // 41.7
 */
export const supplyLossW = (deliveredW: number, ratedW: number, tier: Tier, mains: Mains): number =>
  supplyWallW(deliveredW, ratedW, tier, mains) - deliveredW;

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
