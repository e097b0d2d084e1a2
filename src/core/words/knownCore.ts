import type { Assessment } from '../assess';
import { number, quantity } from './format';

/** A core that somebody knows: what processors are asked for is told as times its work. */
export interface KnownCore {
  readonly gworkPerS: number;
  readonly whose: string;
}

/** 5 GHz at a work of 1 a clock. */
export const REFERENCE_CORE: KnownCore = { gworkPerS: 5, whose: 'the reference core at 5 GHz' };

/** One core of the present machine, working alone, when there is such a machine and its core is known. */
export function knownCore(present: Assessment | undefined): KnownCore {
  const alone = present?.supply.of('cpu.serial')?.rate?.value;
  return alone === undefined || !(alone > 0) || !present
    ? REFERENCE_CORE
    : { gworkPerS: alone, whose: `one core of ${present.facts.machine.name}, working alone` };
}

/**
 * A quantity, processor work a second as times the work of a known core.
 * @example
 * rateText(REFERENCE_CORE)(12, 'Gwork/s') // "2.4 × a core"
 */
export const rateText =
  (core: KnownCore) =>
  (value: number, unit: string): string =>
    unit === 'Gwork/s' ? `${number(value / core.gworkPerS)} × a core` : quantity(value, unit);
