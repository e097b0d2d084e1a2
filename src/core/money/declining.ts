import type { Settings } from '../model/settings';

/**
 * Share of a price that is left after so many years, by declining balance: a part of it goes in the first year, another in
 * each later one. Parts of a year count as such. Source: definition.
 * @example shareLeft(3, { firstYearPercent: 30, yearlyPercent: 20 }) // 0.448: 640.00 becomes 286.72
 */
export const shareLeft = (
  years: number,
  { firstYearPercent, yearlyPercent }: Pick<Settings['resale'], 'firstYearPercent' | 'yearlyPercent'>,
): number => (1 - firstYearPercent / 100) ** Math.min(1, years) * (1 - yearlyPercent / 100) ** Math.max(0, years - 1);
