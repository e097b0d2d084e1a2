import type { FittedParts } from '../model/fitted';
import { supplyLossW, type Mains } from '../power/efficiency';
import { HEAT } from './constants';
import type { HeatSetup } from './setup';

/** Draws of a machine as the heat model wants them. */
export interface HeatLoad {
  readonly watts: (item: string) => number;
  /** W in the case of everything that is no hot part, the supply's loss that stays inside among it. */
  readonly others: number;
  /** W that the supply delivers. */
  readonly totalW: number;
}

/** Splits draws, W by item, into those of hot parts and all others. */
export function heatLoad(
  parts: FittedParts,
  setup: Pick<HeatSetup, 'hot'>,
  mains: Mains,
  byItem: ReadonlyMap<string, number>,
): HeatLoad {
  let totalW = 0;
  for (const watts of byItem.values()) totalW += watts;
  let others = totalW;
  for (const { item } of setup.hot) others -= byItem.get(item) ?? 0;
  const supply = parts.one('supply')?.part;
  const lossW = supply?.ratedW && supply.tier ? supplyLossW(totalW, supply.ratedW, supply.tier, mains) : 0;
  return { watts: (item) => byItem.get(item) ?? 0, others: others + HEAT.supplyLossInside.value * lossW, totalW };
}
