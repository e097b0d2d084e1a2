/** Days are ISO dates as text ("2026-05-18"), which compare as text; arithmetic goes by number. */
const DAY_MS = 86_400_000;

/** Days since 1970-01-01: what price points are filed under. */
export const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
export const dayText = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** The day so many days after another. */
export const dayAfter = (day: string, days: number): string => dayText(dayNumber(day) + days);

/**
 * The same day so many months on, or the last of its month where that has fewer days.
 * @example monthsAfter('2027-08-31', 6) // '2028-02-29'
 */
export function monthsAfter(day: string, months: number): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const last = new Date(Date.UTC(year, month + months, 0)).getUTCDate();
  return dayText(Math.round(Date.UTC(year, month - 1 + months, Math.min(date, last)) / DAY_MS));
}

/**
 * Whole days from one day to another.
 * @example daysBetween('2028-02-27', '2028-03-02') // 4: the year has a 29th
 */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);

/** A day's anniversary so many years on; the 29th of February has its own on the 1st of March. */
const yearsAfter = (day: string, years: number): number => {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return Math.round(Date.UTC(year + years, month - 1, date) / DAY_MS);
};

/**
 * Years from one day to another: whole ones by the calendar, and what is left as a share of the year that it lies in.
 * 0 when the second day is not the later one.
 * @example yearsBetween('2031-05-18', '2034-05-18') // 3, whatever leap years lie between
 */
export function yearsBetween(from: string, to: string): number {
  const end = dayNumber(to);
  if (end <= dayNumber(from)) return 0;
  let whole = Math.max(0, Number(to.slice(0, 4)) - Number(from.slice(0, 4)));
  if (yearsAfter(from, whole) > end) whole--;
  const [last, next] = [yearsAfter(from, whole), yearsAfter(from, whole + 1)];
  return whole + (end - last) / (next - last);
}
