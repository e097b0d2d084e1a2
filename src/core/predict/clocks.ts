import { COMMON } from '../work/common';
import { given, product, type Derivation } from '../figures/derive';
import type { Tuning } from '../model/machine';
import type { ProcessorRates } from './processor';
import type { Supplied, Supply } from './supply';

/** Factors on the full-power clocks. `serial` is that of one core alone, which a hot package slows last. */
export interface Clocks {
  readonly processor: number;
  readonly serial: number;
  readonly graphics: number;
}

/** The clocks that a machine is set to: full-power ones where nothing is. */
export const clocksSet = ({ clock = 1, cardClock = 1 }: Tuning = {}): Clocks => ({
  processor: clock,
  serial: clock,
  graphics: cardClock,
});

/** A clock factor as a figure that can be asked why. */
const kept = (factor: number): Derivation =>
  factor > 1
    ? given('clock set', factor, '× full clock', 'setting', 'firmware')
    : {
        ...given(
          'clock kept',
          factor,
          '× full clock',
          'heat',
          'the highest clock within its temperature limit and the power it may draw for hours',
        ),
        spread: COMMON.heldClock.spread,
      };

/** What the card's units compute; memory and links keep their own clocks. */
export const ARITHMETIC: ReadonlySet<string> = new Set(['gpu.fp32', 'gpu.matrix', 'gpu.fp64']);

/** A machine's supply at other clocks than the full-power ones: the rates of cores and of graphics units follow them. */
export function atClocks(supply: Supply, clocks: Clocks): Supply {
  if (clocks.processor === 1 && clocks.serial === 1 && clocks.graphics === 1) return supply;
  const slowed = (rate: Derivation, factor: number): Derivation =>
    factor === 1 ? rate : product(rate.label, rate.unit, [rate, kept(factor)]);
  const factorOf = (resource: string) =>
    resource === 'cpu.parallel'
      ? clocks.processor
      : resource === 'cpu.serial'
        ? clocks.serial
        : ARITHMETIC.has(resource)
          ? clocks.graphics
          : 1;
  const cache = new Map<string, Supplied | undefined>();
  const cores = supply.processor;
  const processor: ProcessorRates | undefined = cores && {
    ...cores,
    serial: cores.serial && slowed(cores.serial, clocks.serial),
    parallel: (threads) => {
      const rate = cores.parallel(threads);
      return rate && slowed(rate, clocks.processor);
    },
  };
  return {
    ...supply,
    processor,
    cardsTogether: (resource, cards) => {
      const found = supply.cardsTogether(resource, cards);
      return found?.rate ? { ...found, rate: slowed(found.rate, factorOf(resource)) } : found;
    },
    of: (resource) => {
      const factor = factorOf(resource);
      if (factor === 1) return supply.of(resource);
      if (!cache.has(resource)) {
        const found = supply.of(resource);
        cache.set(resource, found?.rate ? { ...found, rate: slowed(found.rate, factor) } : found);
      }
      return cache.get(resource);
    },
  };
}
