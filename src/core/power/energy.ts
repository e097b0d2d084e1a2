import type { Brief } from '../brief';
import type { PartOf } from '../parts';
import { tierEfficiency, wallDrawW } from './efficiency';
import type { PowerState } from './draw';

/** Energy of a year, from the wall. A lower bound when a draw is unknown. */
export interface YearlyEnergy {
  readonly kWh: number;
  /** Minor units; undefined without a tariff. Rounded once, here. */
  readonly costMinor: number | undefined;
  readonly lowerBound: boolean;
}

const WEEKS_A_YEAR = 52;

/**
 * Σ sittings of hours a week × 52 × draw from the wall at the sitting's own load. Hours outside the sittings do not
 * count: the machine is taken to be off. Undefined without the supply's tier and rating. Source: definition.
 * @example 20 h a week at 414 W and 92 %: 20 × 52 × 450 Wh = 468 kWh
 */
export function yearlyEnergy(
  power: PowerState,
  brief: Brief,
  supply: PartOf<'supply'> | undefined,
  tariffMinorPerKWh: string | undefined,
): YearlyEnergy | undefined {
  const { tier, ratedW } = supply ?? {};
  if (tier === undefined || ratedW === undefined) return undefined;
  const kWh = brief.sittings.reduce((sum, sitting) => {
    const draw = power.sittings.find((entry) => entry.sitting === sitting.id);
    return draw
      ? sum +
          (sitting.hoursPerWeek *
            WEEKS_A_YEAR *
            wallDrawW(draw.sustainedW, tierEfficiency(tier, draw.sustainedW / ratedW))) /
            1000
      : sum;
  }, 0);
  return {
    kWh,
    costMinor: tariffMinorPerKWh === undefined ? undefined : Math.round(kWh * Number(tariffMinorPerKWh)),
    lowerBound: power.sustainedOpen,
  };
}
