import type { FeedAnswer, FeedEntry, FeedProblem } from './source';

/** Columns of a price table; price and currency must be there, and something that names the part. */
export const FEED_COLUMNS = [
  'part',
  'gtin',
  'maker',
  'part_number',
  'name',
  'price',
  'currency',
  'condition',
  'stock',
  'delivery_days',
  'shipping',
  'as_of',
  'until',
] as const;
type Column = (typeof FEED_COLUMNS)[number];

/** One line of a comma-separated table, quotes undone. Source: RFC 4180. */
export function cellsOf(line: string): string[] {
  if (!line.includes('"')) return line.split(',');
  const cells: string[] = [];
  let cell = '';
  let quoted = false;
  for (let i = 0; i < line.length; i++) {
    const char = line[i];
    if (quoted) {
      if (char !== '"') cell += char;
      else if (line[i + 1] === '"') {
        cell += '"';
        i++;
      } else quoted = false;
    } else if (char === '"') quoted = true;
    else if (char === ',') {
      cells.push(cell);
      cell = '';
    } else cell += char;
  }
  cells.push(cell);
  return cells;
}

const CONDITIONS = ['new', 'refurbished', 'used'] as const;

/** A price table as a feed answers it, one row an offer. A row that cannot be read is named and left out. */
export function readFeedCsv(source: string): FeedAnswer {
  const lines = source.replace(/^\uFEFF/, '').split(/\r?\n/);
  const heads = cellsOf(lines[0] ?? '').map((head) => head.trim().toLowerCase());
  const at = new Map(FEED_COLUMNS.map((column): [Column, number] => [column, heads.indexOf(column)]));
  const lacking = (['price', 'currency'] as const).filter((column) => at.get(column) === -1);
  if (lacking.length > 0)
    return {
      entries: [],
      problems: [
        {
          place: 'row 1',
          message: `has no column ${lacking.join(' and ')}; columns are ${FEED_COLUMNS.join(', ')}`,
        },
      ],
    };
  const entries: FeedEntry[] = [];
  const problems: FeedProblem[] = [];
  lines.forEach((line, i) => {
    if (i === 0 || line.trim() === '') return;
    const place = `row ${i + 1}`;
    const cells = cellsOf(line);
    if (cells.length !== heads.length) {
      problems.push({ place, message: `has ${cells.length} cells, the heading has ${heads.length}` });
      return;
    }
    const get = (column: Column): string | undefined => cells[at.get(column) ?? -1]?.trim() || undefined;
    const whole = (column: Column): number | undefined => {
      const value = get(column);
      if (value === undefined) return undefined;
      if (/^\d{1,6}$/.test(value)) return Number(value);
      problems.push({ place, message: `has "${value}" under ${column}, which is no whole number` });
      return undefined;
    };
    const condition = CONDITIONS.find((known) => known === (get('condition') ?? 'new').toLowerCase());
    const [price, currency] = [get('price'), get('currency')];
    if (!condition)
      problems.push({
        place,
        message: `has condition "${get('condition') ?? ''}"; there are ${CONDITIONS.join(', ')}`,
      });
    else if (price === undefined || currency === undefined)
      problems.push({ place, message: `has no ${price === undefined ? 'price' : 'currency'}` });
    else {
      const stock = whole('stock');
      entries.push({
        place,
        part: get('part'),
        gtin: get('gtin'),
        maker: get('maker'),
        partNumber: get('part_number'),
        name: get('name'),
        price,
        currency,
        condition,
        available: stock !== 0,
        stock,
        deliveryDays: whole('delivery_days'),
        shipping: get('shipping'),
        asOf: get('as_of'),
        until: get('until'),
      });
    }
  });
  return { entries, problems };
}
