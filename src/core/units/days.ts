/** Days are ISO dates as text ("2026-05-18"), which compare as text; arithmetic goes by number. */
const DAY_MS = 86_400_000;

/** Days since 1970-01-01: what price points are filed under. */
export const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
export const dayText = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** The day so many days after another. */
export const dayAfter = (day: string, days: number): string => dayText(dayNumber(day) + days);

/**
 * Whole days from one day to another.
 * @example daysBetween('2028-02-27', '2028-03-02') // 4: the year has a 29th
 */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);
