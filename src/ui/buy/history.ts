import { dayNumber, dayText } from '@/core/units/days';
import { type Currency, shownCoins } from '@/core/units/money';
import type { HistoryView } from '@/server/contract';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** Days, values and month ticks of a price history, ready for a chart. */
export function plotted(view: HistoryView, currency: Currency, everyMonths: number) {
  const first = dayNumber(view.first);
  const xs = view.minors.map((_, i) => first + i);
  const values = view.minors.map((minor) => (minor === null ? null : shownCoins(minor, currency)));
  const ticks = xs.flatMap((day) => {
    const [year = '', month = '', date = ''] = dayText(day).split('-');
    if (date !== '01' || (Number(month) - 1) % everyMonths !== 0) return [];
    const name = MONTHS[Number(month) - 1] ?? '';
    return [{ at: day, label: month === '01' ? `${name} ${year}` : name }];
  });
  // a table of every day is of no use to anybody: the first of each month and the last day
  const tableXs = xs.filter((day, i) => dayText(day).endsWith('-01') || i === xs.length - 1);
  const known = view.minors.filter((minor) => minor !== null);
  return {
    xs,
    values,
    ticks,
    tableXs,
    least: known.length > 0 ? Math.min(...known) : undefined,
    last: known.at(-1),
    known,
  };
}

export const dayWords = (day: number): string => dayText(day);
