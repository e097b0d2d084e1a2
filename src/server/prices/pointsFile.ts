import { dayNumber } from '@/core/units/days';
import { createReadStream } from 'node:fs';
import { cellsOf } from '@/core/formats/feed/csv';
import type { Problem } from '@/core/formats/problems';
import { minorOf, type Currency } from '@/core/units/money';
import { bulkPoints, type PointColumns } from '@/store/priceStore';
import { todayOf, type Service } from '../service';

/** Columns of a file of prices by day: an offer's id, a day, and what it cost; an empty price is a day without one. */
export const POINT_COLUMNS = ['offer', 'date', 'price'] as const;

const MAX_PROBLEMS = 200;
const MOST_MINOR = 2 ** 31 - 1;

/** Columns that grow while a file is read. */
class Growing {
  keys = new Int32Array(65_536);
  days = new Int32Array(65_536);
  minors = new Int32Array(65_536);
  count = 0;
  push(key: number, day: number, minor: number): void {
    if (this.count === this.keys.length) {
      const longer = (old: Int32Array) => {
        const next = new Int32Array(old.length * 2);
        next.set(old);
        return next;
      };
      [this.keys, this.days, this.minors] = [longer(this.keys), longer(this.days), longer(this.minors)];
    }
    this.keys[this.count] = key;
    this.days[this.count] = day;
    this.minors[this.count++] = minor;
  }
}

export interface PointsRead {
  readonly columns: PointColumns;
  readonly problems: readonly Problem[];
  readonly problemCount: number;
}

/**
 * Reads a table of prices by day; every problem by its row and column. Offers must be in the library, days lie in the past
 * or today, and prices are amounts of their region's currency above 0.
 */
export async function readPointsFile(
  path: string,
  currencyOf: (offer: string) => Currency | undefined,
  today: string,
): Promise<PointsRead> {
  const growing = new Growing();
  const offers: string[] = [];
  const keyOf = new Map<string, { key: number; currency: Currency }>();
  const dayOf = new Map<string, number>();
  const minorsOf = new Map<string, number>();
  const last = dayNumber(today);
  const problems: Problem[] = [];
  let problemCount = 0;
  let row = 0;
  let at: readonly number[] | undefined;
  const problem = (column: string, message: string) => {
    if (problemCount++ < MAX_PROBLEMS) problems.push({ path: `row ${row}, ${column}`, message });
  };
  const line = (text: string): boolean => {
    row++;
    if (text === '') return true;
    // cutting at commas by hand is what makes a million rows quick; quotes go the slow way
    const cells = cellsOf(text);
    if (!at) {
      const heads = cells.map((head) => head.trim().toLowerCase());
      at = POINT_COLUMNS.map((column) => heads.indexOf(column));
      if (at.every((place) => place >= 0)) return true;
      problem(
        'heading',
        `has no column ${POINT_COLUMNS.filter((_, i) => (at?.[i] ?? -1) < 0).join(', ')}; columns are ${POINT_COLUMNS.join(', ')}`,
      );
      return false;
    }
    const [offer = '', date = '', price = ''] = [cells[at[0] ?? 0], cells[at[1] ?? 1], cells[at[2] ?? 2]];
    let entry = keyOf.get(offer);
    if (!entry) {
      const currency = currencyOf(offer);
      if (!currency) {
        problem('offer', `"${offer}" is no offer of the library`);
        return true;
      }
      keyOf.set(offer, (entry = { key: offers.length, currency }));
      offers.push(offer);
    }
    let day = dayOf.get(date);
    if (day === undefined) {
      day = /^\d{4}-\d{2}-\d{2}$/.test(date) ? dayNumber(date) : NaN;
      dayOf.set(date, day);
    }
    if (!(day <= last)) {
      problem('date', Number.isNaN(day) ? `"${date}" is no date such as ${today}` : `${date} is after today, ${today}`);
      return true;
    }
    if (price === '') {
      growing.push(entry.key, day, 0);
      return true;
    }
    const amount = `${entry.currency}${price}`;
    let minor = minorsOf.get(amount);
    if (minor === undefined) {
      minor = minorOf(price, entry.currency) ?? 0;
      if (minorsOf.size < 200_000) minorsOf.set(amount, minor);
    }
    if (minor > 0 && minor <= MOST_MINOR) growing.push(entry.key, day, minor);
    else
      problem(
        'price',
        `"${price}" is no amount above 0 in ${entry.currency}; leave it empty for a day without a price`,
      );
    return true;
  };
  let rest = '';
  let go = true;
  for await (const chunk of createReadStream(path, { encoding: 'utf8', highWaterMark: 1 << 20 })) {
    const text = rest + String(chunk);
    let from = row === 0 && rest === '' && text.startsWith('\uFEFF') ? 1 : 0;
    for (let to = text.indexOf('\n', from); to >= 0 && go; from = to + 1, to = text.indexOf('\n', from))
      go = line(text.charCodeAt(to - 1) === 13 ? text.slice(from, to - 1) : text.slice(from, to));
    rest = text.slice(from);
    if (!go) break;
  }
  if (go && rest !== '') line(rest.replace(/\r$/, ''));
  if (row === 0) problem('heading', `is missing; columns are ${POINT_COLUMNS.join(', ')}`);
  const { keys, days, minors, count } = growing;
  return { columns: { offers, keys, days, minors, count }, problems, problemCount };
}

/** Takes a table of prices by day into the database: all of it, or nothing when something is wrong with it. */
export async function importPoints(
  service: Service,
  path: string,
): Promise<{ readonly written: number; readonly problems: readonly Problem[]; readonly problemCount: number }> {
  const { data } = await service.catalogue();
  const currencies = new Map(data.regions.map((region) => [region.id, region.currency]));
  const regions = new Map(data.offers.map((offer) => [offer.id, offer.region]));
  const read = await readPointsFile(path, (offer) => currencies.get(regions.get(offer) ?? ''), await todayOf(service));
  if (read.problemCount > 0) return { written: 0, problems: read.problems, problemCount: read.problemCount };
  bulkPoints(service.path, read.columns);
  return { written: read.columns.count, problems: [], problemCount: 0 };
}
