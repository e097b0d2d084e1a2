import { plainNumber, timesFigure } from '../units/money';

/** A year's licence that may be renewed before it ends, at a reduced price. */
export interface RenewalTerms {
  /** What a year costs when it is renewed at its end, and what it costs now. */
  readonly normalMinor: number;
  readonly reducedMinor: number;
  /** Days that are paid already. */
  readonly daysLeft: number;
  /** The new year begins at once, so that those days are lost; else it follows them. */
  readonly atOnce: boolean;
  /** What money costs a year, %. */
  readonly discountPercent: number;
}

export interface Renewal {
  /** What renewing now gains, minor units of today's worth; below 0 it loses. */
  readonly gainMinor: number;
  /** What the days are worth that would be lost. */
  readonly lostMinor: number;
  /** The most that the year may cost now for it to pay. */
  readonly paysUpToMinor: number;
}

const YEAR_DAYS = 365;

/**
 * Whether renewing early pays: the price that would be paid at the end, as it weighs today, less the reduced one and less the
 * days that are lost where the new year begins at once, at the price of a normal one. Source: definition.
 * @example renewEarly({ normalMinor: 36500, reducedMinor: 30000, daysLeft: 30, atOnce: true, discountPercent: 0 }).gainMinor // 3500: 365 − 300 − 30
 */
export function renewEarly({ normalMinor, reducedMinor, daysLeft, atOnce, discountPercent }: RenewalTerms): Renewal {
  const laterMinor = timesFigure(normalMinor, 1 / (1 + discountPercent / 100) ** (daysLeft / YEAR_DAYS));
  const lostMinor = atOnce ? timesFigure(normalMinor, daysLeft / YEAR_DAYS) : 0;
  const paysUpToMinor = Math.round(plainNumber(laterMinor) - plainNumber(lostMinor));
  return { gainMinor: Math.round(plainNumber(paysUpToMinor) - plainNumber(reducedMinor)), lostMinor, paysUpToMinor };
}

/** Credits that are bought ahead at a reduced price and lapse. */
export interface CreditTerms {
  readonly count: number;
  /** What one costs when it is needed, and in the packet. */
  readonly normalMinor: number;
  readonly reducedMinor: number;
  readonly usedAMonth: number;
  readonly validMonths: number;
}

export interface Credits {
  readonly used: number;
  readonly lapsed: number;
  readonly gainMinor: number;
  /** Credits that have to be used a month for the packet to pay; Infinity where it never does. */
  readonly paysFromAMonth: number;
}

/**
 * Whether a packet of credits pays: those that are used while they are valid at the normal price, less the packet. Source:
 * definition.
 * @example creditsAhead({ count: 100, normalMinor: 100, reducedMinor: 80, usedAMonth: 9, validMonths: 10 }).gainMinor // 1000: 90 used, 90 − 80
 */
export function creditsAhead({ count, normalMinor, reducedMinor, usedAMonth, validMonths }: CreditTerms): Credits {
  const used = Math.min(count, usedAMonth * validMonths);
  const packet = plainNumber(reducedMinor) * count;
  const needed = plainNumber(normalMinor) > 0 ? packet / plainNumber(normalMinor) : Infinity;
  return {
    used,
    lapsed: count - used,
    gainMinor: Math.round(plainNumber(normalMinor) * used - packet),
    paysFromAMonth: needed > count || validMonths <= 0 ? Infinity : needed / validMonths,
  };
}
