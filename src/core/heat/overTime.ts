import type { PartOf } from '../parts';
import { HEAT } from './constants';
import type { HotPart } from './setup';
import type { HotState } from './steady';

/** A processor at a moment after a long load began. */
export interface Moment {
  readonly atS: number;
  readonly tempC: number;
  readonly watts: number;
  /** Factor on the full clock. */
  readonly clock: number;
}

/** Moments that are told: the first seconds, a minute, five, an hour. */
export const TOLD_S = [5, 60, 300, 3600] as const;
const STEP_S = 0.5;

/** J/K of what the package warms first, and of the cooler. */
function masses(cooler: PartOf<'cooler'> | undefined): { packageJ: number; coolerJ: number } {
  return {
    packageJ: HEAT.packageJPerK.value,
    coolerJ: cooler?.type === 'liquid' ? HEAT.liquidJPerK.value : HEAT.towerJPerK.value,
  };
}

/**
 * How a processor holds from a cold start under a load that keeps `busy` of it busy: package and cooler are two masses
 * in a row, each with its resistance; for the short power window it may draw its maximum, then what it keeps up; at its
 * temperature limit the clock falls to what holds it. Source: lumped two-mass thermal model; power ∝ clock³.
 *
 * @param steady the same load's steady state, whose intake air and fan speed are taken from the start: air and fans
 *   settle in seconds, metal in minutes
 */
export function overTime(
  hot: HotPart,
  state: HotState,
  processor: PartOf<'processor'>,
  cooler: PartOf<'cooler'> | undefined,
  busy: number,
  clockMost: number,
): Moment[] {
  const { packageJ, coolerJ } = masses(cooler);
  const packageK = processor.packageKPerW ?? HEAT.packageUsual.value;
  const coolerK = Math.max(0.01, state.kPerW - packageK);
  const wanted = (clock: number) => hot.idleW + (hot.fullW - hot.idleW) * busy * clock ** 3;
  const clockFor = (watts: number) =>
    Math.min(
      clockMost,
      Math.max(
        HEAT.clockFloor.value,
        Math.cbrt(Math.max(0, watts - hot.idleW) / Math.max(1e-9, (hot.fullW - hot.idleW) * busy)),
      ),
    );
  const windowS = processor.shortPowerS ?? 0;
  let chipC = state.intakeC + hot.idleW * state.kPerW;
  let metalC = state.intakeC + hot.idleW * coolerK;
  let clock = clockMost;
  const moments: Moment[] = [];
  for (let t = 0; t <= 3600 + STEP_S / 2; t += STEP_S) {
    const allowedW = t < windowS ? Math.max(hot.fullW, hot.allowedW.best) : hot.allowedW.best;
    let watts = Math.min(wanted(clockMost), allowedW);
    // what the limit lets through at this moment: the metal is where it is
    const most = (hot.limitC.best - metalC) / packageK;
    if (chipC >= hot.limitC.best - 0.01 && watts > most) watts = Math.max(wanted(HEAT.clockFloor.value), most);
    clock = clockFor(watts);
    if (TOLD_S.some((told) => Math.abs(told - t) < STEP_S / 2))
      moments.push({ atS: Math.round(t), tempC: chipC, watts, clock });
    const through = (chipC - metalC) / packageK;
    // implicit in the small mass, so that half a second is a short enough step for it
    chipC = (chipC + (STEP_S / packageJ) * (watts + metalC / packageK)) / (1 + STEP_S / (packageJ * packageK));
    chipC = Math.min(chipC, Math.max(hot.limitC.best, metalC + watts * packageK));
    metalC += (STEP_S / coolerJ) * (through - (metalC - state.intakeC) / coolerK);
  }
  return moments;
}
