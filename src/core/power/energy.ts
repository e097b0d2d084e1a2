import type { Brief } from '../model/brief';
import type { PartOf } from '../parts';
import { supplyWallW, type Mains } from './efficiency';
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
 * Σ sittings of hours a week × 52 × draw from the wall at the sitting's own load, and the hours at rest at the idle
 * draw; in the hours that are left the machine is off. Undefined without the supply's tier and rating. Source:
 * definition.
 * @example 20 h a week at 414 W and 92 %: 20 × 52 × 450 Wh = 468 kWh
 */
export function yearlyEnergy(
  power: PowerState,
  brief: Brief,
  supply: PartOf<'supply'> | undefined,
  tariffMinorPerKWh: string | undefined,
  mains: Mains = 115,
): YearlyEnergy | undefined {
  const { tier, ratedW } = supply ?? {};
  if (tier === undefined || ratedW === undefined) return undefined;
  const yearKWh = (hoursPerWeek: number, watts: number) =>
    (hoursPerWeek * WEEKS_A_YEAR * supplyWallW(watts, ratedW, tier, mains)) / 1000;
  const kWh = brief.sittings.reduce(
    (sum, sitting) => {
      const draw = power.sittings.find((entry) => entry.sitting === sitting.id);
      return draw ? sum + yearKWh(sitting.hoursPerWeek, draw.sustainedW) : sum;
    },
    yearKWh(brief.idleHoursPerWeek ?? 0, power.idleW),
  );
  return {
    kWh,
    costMinor: tariffMinorPerKWh === undefined ? undefined : Math.round(kWh * Number(tariffMinorPerKWh)),
    lowerBound: power.sustainedOpen,
  };
}
