import type { Clocks } from '../predict/clocks';
import { lazy } from '../units/lazy';
import { rootOf } from '../units/root';
import { HEAT } from './constants';
import type { HeatLoad } from './load';
import type { End } from './places';
import type { HeatSetup, HotPart } from './setup';
import { steady, type Steady } from './steady';

export const fullClocks = (setup: HeatSetup): Clocks => ({
  processor: setup.clockMost,
  serial: setup.clockMost,
  graphics: setup.cardClockMost,
});

/** What a sitting draws at some clocks, and whatever else it yields there. */
export interface Drawn<R> {
  readonly result: R;
  readonly load: HeatLoad;
}

export interface Settled<R> {
  readonly result: R;
  readonly clocks: Clocks;
  readonly state: Steady;
  /** What holds a clock below full: heat, or the power that is allowed. */
  readonly heldBy: { readonly processor: Held | undefined; readonly graphics: Held | undefined };
  /** Items too hot even at the lowest clock: they switch off. */
  readonly shutsDown: readonly string[];
  /**
   * The same at clocks above which the true ones cannot be, for all that is settled only to a tolerance; `closely` settles
   * once more, to a finer one.
   */
  readonly ceiling: (closely: boolean) => R;
}
export type Held = 'heat' | 'power';

/** Width of the bracket on a clock factor at which the search stops. */
export const WITHIN_CLOCK = 0.002;
const ROUNDS = 12;
/** Wherever the turns begin, the true clock is no more than this above the settled one (`heat.test.ts`). */
const ABOVE = 3 * WITHIN_CLOCK;
/** Width of the bracket when it is settled closely, and what the tolerances of temperatures and fan speeds come to. */
const CLOSELY = 0.0001;
const NOISE = 0.0005;

/**
 * The clocks at which draw, heat and clock agree: for each of processor and graphics the highest at which neither its
 * temperature nor its power passes the limit. Both grow with the clock, so each is a bracket; the two take turns, and
 * since more heat of one only lowers the other, their sequence closes in on one pair. The answer is deterministic and
 * independent of where the turns begin.
 *
 * @param drawn what the machine draws at given clocks; not falling in either
 * @param start clocks to begin the turns with, for tests of convergence
 */
export function settle<R>(
  setup: HeatSetup,
  drawn: (clocks: Clocks) => Drawn<R>,
  end: End,
  start: Clocks = fullClocks(setup),
): Settled<R> {
  const full = fullClocks(setup);
  const evaluated = new Map<string, { drawn: Drawn<R>; state: Steady }>();
  const at = (processor: number, graphics: number) => {
    const key = `${processor} ${graphics}`;
    let known = evaluated.get(key);
    if (!known) {
      const clocks = { processor, serial: serialOf(processor), graphics };
      const result = drawn(clocks);
      known = { drawn: result, state: steady(setup, result.load, end) };
      evaluated.set(key, known);
    }
    return known;
  };
  const serialOf = (processor: number) =>
    full.serial * (1 - (1 - HEAT.serialKeeps.value) * (1 - processor / full.processor));
  const over = (kind: HotPart['kind'], processor: number, graphics: number): number => {
    const { drawn: result, state } = at(processor, graphics);
    let most = -Infinity;
    setup.hot.forEach((part, i) => {
      const hot = state.parts[i];
      if (!hot || part.kind !== kind) return;
      const watts = result.load.watts(part.item);
      most = Math.max(most, hot.tempC - hot.limitC, (watts - part.allowedW[end]) * hot.kPerW);
    });
    return most;
  };
  const floor = HEAT.clockFloor.value;
  const highest = (kind: HotPart['kind'], most: number, test: (k: number) => number): number =>
    setup.hot.some((part) => part.kind === kind) ? rootOf(test, floor, most, WITHIN_CLOCK, undefined) : most;
  let { processor, graphics } = start;
  for (let round = 0; round < ROUNDS; round++) {
    const nextProcessor = highest('processor', full.processor, (k) => over('processor', k, graphics));
    const nextGraphics = highest('graphics', full.graphics, (k) => over('graphics', nextProcessor, k));
    const moved = Math.max(Math.abs(nextProcessor - processor), Math.abs(nextGraphics - graphics));
    [processor, graphics] = [nextProcessor, nextGraphics];
    if (moved <= WITHIN_CLOCK || (processor === full.processor && graphics === full.graphics)) break;
  }
  const { drawn: result, state } = at(processor, graphics);
  const held = (kind: HotPart['kind'], clock: number, most: number): Held | undefined => {
    if (clock >= most - WITHIN_CLOCK / 2) return undefined;
    const next = Math.min(most, clock + 2 * WITHIN_CLOCK);
    const { drawn: more, state: hotter } = kind === 'processor' ? at(next, graphics) : at(processor, next);
    const byPower = setup.hot.some((part) => part.kind === kind && more.load.watts(part.item) > part.allowedW[end]);
    const byHeat = setup.hot.some((part, i) => {
      const hot = hotter.parts[i];
      return part.kind === kind && hot !== undefined && hot.tempC > hot.limitC;
    });
    return byHeat ? 'heat' : byPower ? 'power' : 'heat';
  };
  const heldBy = lazy(() => ({
    processor: held('processor', processor, full.processor),
    graphics: held('graphics', graphics, full.graphics),
  }));
  return {
    result: result.result,
    clocks: { processor, serial: serialOf(processor), graphics },
    state,
    get heldBy() {
      return heldBy();
    },
    shutsDown: state.parts.filter((part) => part.tempC > part.limitC + TOO_HOT_K).map((part) => part.item),
    ceiling: (closely) => {
      if (processor === full.processor && graphics === full.graphics) return result.result;
      const below = (clock: number): number => Math.max(floor, clock - ABOVE);
      /** The highest clock beside a lower one of the other, which leaves it the more. */
      const highest = (clock: number, most: number, test: (k: number) => number): number =>
        Math.min(
          most,
          closely && clock < most
            ? // at the lowest clock that there is what is still too hot runs all the same
              Math.max(clock, rootOf(test, below(clock), Math.min(most, clock + ABOVE), CLOSELY, undefined)) +
                CLOSELY +
                NOISE
            : clock + ABOVE,
        );
      const higher = highest(processor, full.processor, (k) => over('processor', k, below(graphics)));
      return drawn({
        processor: higher,
        serial: serialOf(higher),
        graphics: highest(graphics, full.graphics, (k) => over('graphics', below(processor), k)),
      }).result;
    },
  };
}

/** K past the limit at the lowest clock from which a part is taken to switch itself off. */
const TOO_HOT_K = 1;
