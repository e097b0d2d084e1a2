import type { FittedParts } from '../model/fitted';
import type { FanCurve, Tuning } from '../model/machine';
import type { PowerState } from '../power/draw';
import type { Mains } from '../power/efficiency';
import { rootOf } from '../units/root';
import { HEAT } from './constants';
import type { HeatSetup } from './setup';
import { withFans, type HeatNow } from './state';
import type { FixedSpeeds, HotState, Steady } from './steady';

/** Curves for the cooler and the case's fans, and what they sound like in each sitting. */
export interface QuietCurves {
  readonly coolerCurve: FanCurve;
  readonly caseCurve: FanCurve;
}

/** K that the processor keeps to its limit, so that a warm day does not slow it. */
const MARGIN_K = 4;
const LEAST = 0.2;
const CASE_STEPS = 17;
const WITHIN = 0.005;
/** A curve's full working speed is reached no sooner than here, so that its first point can lie below. */
const LEAST_TOP_C = 30;
/** K over which the fans come up from their least speed. */
const RAMP_K = 18;

/**
 * The quietest curves that hold every sitting's clock: for each speed of the case's fans the slowest cooler fan that
 * keeps the processor `MARGIN_K` below its limit (or as far as full speed keeps it), and of these pairs the quietest.
 * The curves reach the loudest sitting's pair at the temperature it has there, and full speed at the limit. `atLimit` is
 * what parts draw at the most they may, which is held too. Where the present curves hold the clock and are no louder
 * under every load, or as loud and cooler, they are the answer. Undefined without a processor whose cooler has fans.
 */
export function quietestCurves(
  parts: FittedParts,
  setup: HeatSetup,
  power: PowerState,
  mains: Mains,
  atLimit?: ReadonlyMap<string, number>,
): QuietCurves | undefined {
  const index = setup.hot.findIndex((part) => part.kind === 'processor' && part.hasFans);
  const processor = setup.hot[index];
  if (!processor) return undefined;
  const draws = [...power.sittings.map(({ byItem }) => byItem), ...(atLimit ? [atLimit] : [])];
  const loads = draws.map((byItem) => {
    const at = (fixed: FixedSpeeds, tried = setup) => withFans(parts, tried, byItem, mains, fixed);
    // what full speed reaches is the most that quieter fans can be asked for
    return { at, full: at({ cooler: 1, case: 1 }).state };
  });
  const asWarm = (state: Steady, full: Steady, marginK: number): boolean =>
    state.outletC <= Math.max(setup.roomC + HEAT.mostRiseK.value, full.outletC + 0.5) &&
    state.parts.every((part, i) => part.tempC <= most(part, full.parts[i], marginK));
  let cooler = LEAST;
  let chassis = LEAST;
  let chipC = 0;
  let hottestC = 0;
  for (const { at, full } of loads) {
    let best: HeatNow | undefined;
    let speed = 1;
    for (let i = 0; i < CASE_STEPS; i++) {
      const caseSpeed = LEAST + ((1 - LEAST) * i) / (CASE_STEPS - 1);
      const holds = (coolerSpeed: number) => asWarm(at({ cooler: coolerSpeed, case: caseSpeed }).state, full, MARGIN_K);
      if (!holds(1)) continue;
      const chip = (coolerSpeed: number) => at({ cooler: coolerSpeed, case: caseSpeed }).state.parts[index];
      const over = (slower: number) => {
        const part = chip(1 - slower);
        return part ? part.tempC - most(part, full.parts[index], MARGIN_K) : 0;
      };
      const slowest = holds(LEAST) ? LEAST : 1 - rootOf(over, 0, 1 - LEAST, WITHIN, undefined);
      const now = at({ cooler: slowest, case: caseSpeed });
      if (best && now.noise.dbA >= best.noise.dbA - 0.01) continue;
      best = now;
      speed = slowest;
    }
    if (!best) continue;
    cooler = Math.max(cooler, speed);
    chassis = Math.max(chassis, best.state.caseSpeed);
    chipC = Math.max(chipC, best.state.parts[index]?.tempC ?? 0);
    hottestC = Math.max(hottestC, ...best.state.parts.map((part) => part.tempC));
  }
  const curve = (top: number, c: number, least: number): FanCurve => {
    const at = Math.round(Math.max(LEAST_TOP_C, Math.min(c, processor.limitC.worst - MARGIN_K / 2)));
    const percent = Math.min(100, Math.ceil(top * 100));
    return [
      { c: Math.max(20, at - RAMP_K), percent: Math.min(percent, Math.round(least * 100)) },
      { c: at, percent },
      { c: at + MARGIN_K, percent: 100 },
    ];
  };
  // a sitting that warms the case more than the processor needs the case's fans sooner than the processor asks for them
  for (let least = LEAST; ; least += 0.05) {
    const curves = { coolerCurve: curve(cooler, chipC, LEAST), caseCurve: curve(chassis, hottestC, least) };
    const tried: HeatSetup = {
      ...setup,
      caseCurve: curves.caseCurve,
      hot: setup.hot.map((part) => (part === processor ? { ...part, curve: curves.coolerCurve } : part)),
    };
    if (least < chassis && !loads.every(({ at, full }) => asWarm(at({}, tried).state, full, 0))) continue;
    const present: QuietCurves = { coolerCurve: processor.curve, caseCurve: setup.caseCurve };
    const better = loads.every(({ at }) => {
      const [mine, before] = [at({}, tried), at({})];
      const held = before.state.parts.every((part) => part.tempC <= part.limitC);
      const louder = mine.noise.dbA - before.noise.dbA;
      const hotter = Math.max(
        ...mine.state.parts.map((part, i) => part.tempC - (before.state.parts[i]?.tempC ?? Infinity)),
      );
      return !held || louder < -ALIKE || (louder <= ALIKE && hotter <= ALIKE);
    });
    return better ? curves : present;
  }
}

/** dB(A) and K below which two settings are alike. */
const ALIKE = 0.02;

/** Most °C a part may have: a margin below its limit, or what full speed keeps it at when that is more. */
const most = (part: HotState, full: HotState | undefined, marginK: number): number =>
  Math.max(part.limitC - marginK, (full?.tempC ?? -Infinity) + 0.5);

/** A tuning with other curves; the rest of it stays. */
export const withCurves = (tuning: Tuning, curves: QuietCurves): Tuning => ({
  ...tuning,
  coolerCurve: [...curves.coolerCurve],
  caseCurve: [...curves.caseCurve],
});
