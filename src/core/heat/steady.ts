import { rootOf } from '../units/root';
import { airRiseK } from './air';
import { HEAT } from './constants';
import type { HeatLoad } from './load';
import type { End } from './places';
import { speedAt, type HeatSetup, type HotPart } from './setup';

/** One hot part once nothing changes any more. */
export interface HotState {
  readonly item: string;
  readonly watts: number;
  readonly intakeC: number;
  readonly tempC: number;
  readonly limitC: number;
  /** Share of its fans' full speed. */
  readonly speed: number;
  readonly kPerW: number;
}

/** A machine in which powers, temperatures and fan speeds agree. */
export interface Steady {
  readonly parts: readonly HotState[];
  readonly caseSpeed: number;
  readonly flowM3h: number;
  /** W that stay in the case, and the air that leaves it. */
  readonly heatW: number;
  readonly outletC: number;
}

/** Fan speeds that are set by hand instead of by the curves, as shares of full speed. */
export interface FixedSpeeds {
  readonly cooler?: number;
  readonly case?: number;
}

const WITHIN_C = 0.01;
const WITHIN_SPEED = 0.001;

/**
 * Temperatures and fan speeds for given powers: for each speed of the case's fans the air is known, for that air each
 * part's temperature and its own fans' speed, and the hottest asks for a speed of the case's fans. Both loops are
 * brackets of functions that do not fall, so there is one answer. Source: heat conduction and energy balance.
 *
 */
export function steady(
  setup: HeatSetup,
  { watts, others }: Pick<HeatLoad, 'watts' | 'others'>,
  end: End,
  fixed: FixedSpeeds = {},
): Steady {
  const load: Load = {
    setup,
    watts: setup.hot.map((part) => watts(part.item)),
    end,
    fixed,
    heatW: others,
    cardsW: 0,
    temps: [],
  };
  setup.hot.forEach((part, i) => {
    const inside = (load.watts[i] ?? 0) * part.intoCase[end];
    load.heatW += inside;
    if (part.kind === 'graphics') load.cardsW += inside;
  });
  // the upper end of the bracket: fans run as fast as their curve asks, never slower
  const caseSpeed = fixed.case ?? Math.min(1, rootOf(slack, 0, 1, WITHIN_SPEED, load) + WITHIN_SPEED);
  const flowM3h = setup.air.at(caseSpeed, end);
  warm(load, flowM3h);
  return {
    parts: setup.hot.map((part, i): HotState => {
      const tempC = load.temps[i] ?? NaN;
      const speed = part.kind === 'processor' && fixed.cooler !== undefined ? fixed.cooler : speedAt(part.curve, tempC);
      return {
        item: part.item,
        watts: load.watts[i] ?? NaN,
        intakeC: intakeOf(part, load, flowM3h),
        tempC,
        limitC: part.limitC[end],
        speed,
        kPerW: part.kPerW(speed, flowM3h, end),
      };
    }),
    caseSpeed,
    flowM3h,
    heatW: load.heatW,
    outletC: setup.roomC + airRiseK(load.heatW, flowM3h),
  };
}

/** What is solved for, and the temperatures of the last try. */
interface Load {
  readonly setup: HeatSetup;
  readonly watts: readonly number[];
  readonly end: End;
  readonly fixed: FixedSpeeds;
  heatW: number;
  cardsW: number;
  readonly temps: number[];
}

/** How much faster the case's fans run than their curve asks for. */
function slack(caseSpeed: number, load: Load): number {
  return caseSpeed - speedAt(load.setup.caseCurve, warm(load, load.setup.air.at(caseSpeed, load.end)));
}

const intakeOf = (part: HotPart, load: Load, m3h: number): number =>
  part.fromRoom
    ? load.setup.roomC
    : load.setup.roomC +
      HEAT.airAtParts.value * airRiseK(load.heatW, m3h) +
      part.recirculates * airRiseK(load.cardsW, m3h);

interface Warming {
  readonly part: HotPart;
  readonly watts: number;
  readonly intakeC: number;
  readonly m3h: number;
  readonly end: End;
}

/** K by which a part would be warmer than the power at that temperature's fan speed makes it. */
const cooler = (c: number, { part, watts, intakeC, m3h, end }: Warming): number =>
  c - intakeC - watts * part.kPerW(speedAt(part.curve, c), m3h, end);

/** Temperatures of all parts at an air flow; gives the highest. */
function warm(load: Load, m3h: number): number {
  let hottest = load.setup.roomC;
  for (let i = 0; i < load.setup.hot.length; i++) {
    const part = load.setup.hot[i];
    if (!part) continue;
    const watts = load.watts[i] ?? NaN;
    const intakeC = intakeOf(part, load, m3h);
    const set = part.kind === 'processor' ? load.fixed.cooler : undefined;
    let tempC;
    if (set !== undefined || !part.hasFans) tempC = intakeC + watts * part.kPerW(set ?? 1, m3h, load.end);
    else {
      const most = intakeC + watts * part.kPerW(speedAt(part.curve, intakeC), m3h, load.end) + WITHIN_C;
      tempC = rootOf(cooler, intakeC, most, WITHIN_C, { part, watts, intakeC, m3h, end: load.end });
    }
    load.temps[i] = tempC;
    if (tempC > hottest) hottest = tempC;
  }
  return hottest;
}
