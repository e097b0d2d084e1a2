import { idText } from '../../parts/common';
import type { Field } from '../../parts/fields';
import { minorOfShown, shownCoins, type Currency } from '../../units/money';
import { folded, withoutEnd } from '../../units/text';
import { problemsOf } from '../problems';
import { readCell } from './cells';
import { priceField, PRICE_TARGET, type Mapping } from './mapping';
import { sheetFields, sheetSchema } from './sheets';

/** Something wrong in one cell of a file, with the heading of its column. */
export interface CellProblem {
  readonly column: string;
  readonly message: string;
}

/** A row that became an entry, or what keeps it from being one. `priceMinor` is the price column's, if there is one. */
export type RowResult =
  | {
      readonly ok: true;
      readonly entry: Record<string, unknown> & { readonly id: string };
      readonly priceMinor: number | undefined;
    }
  | { readonly ok: false; readonly problems: readonly CellProblem[] };

/** FNV-1a, 32 bits, as eight hexadecimal digits: tells names apart that leave nothing for an id. */
function hashOf(text: string): string {
  let hash = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(text)) hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  return hash.toString(16).padStart(8, '0');
}

/** Id from maker and name, the same each time; names in scripts that an id cannot hold are told apart by their hash. */
export function idFrom(maker: string, name: string): string {
  const text = `${maker} ${name}`;
  const slug = withoutEnd(
    folded(text)
      .replace(/[^a-z0-9.]+/g, '-')
      .replace(/^[-.]+/, ''),
    (char) => char === '-',
  );
  const lost = /[^\p{ASCII}\p{M}]/u.test(text.normalize('NFKD'));
  const id = lost || slug === '' ? `${slug === '' ? 'part' : slug}-${hashOf(text)}` : slug;
  return id.length <= 80 ? id : `${id.slice(0, 71)}-${hashOf(text)}`;
}

/** A mapping made ready for many rows: which cell feeds which field. */
export interface RowReader {
  readonly read: (cells: readonly string[]) => RowResult;
}

const setAt = (entry: Record<string, unknown>, path: string, value: unknown): void => {
  const [head = '', member] = path.split('.');
  if (member === undefined) entry[head] = value;
  else entry[head] = { ...(entry[head] as object | undefined), [member]: value };
};

/** Headings of the columns that feed each field, for problems that the schema finds. */
function columnOf(path: readonly PropertyKey[], sources: ReadonlyMap<string, string>): string {
  const whole = path.map(String);
  return sources.get(whole.slice(0, 2).join('.')) ?? sources.get(whole[0] ?? '') ?? whole[0] ?? 'row';
}

/** @param currency of the price column when the mapping has one and states no unit */
export function rowReader(mapping: Mapping, currency: Currency): RowReader {
  const fields = new Map<string, Field>(
    [...sheetFields(mapping.kind), priceField(currency)].map((field) => [field.path, field]),
  );
  const feeds = mapping.columns.flatMap((target, index) => {
    const field = target.field === undefined ? undefined : fields.get(target.field);
    return field ? [{ index, field, unit: target.unit, header: target.header }] : [];
  });
  const constants = Object.entries(mapping.constants).flatMap(([path, text]) => {
    const field = fields.get(path);
    return field ? [{ field, text }] : [];
  });
  const sources = new Map(feeds.map(({ field, header }) => [field.path, header]));
  const schema = sheetSchema(mapping.kind);

  const read = (cells: readonly string[]): RowResult => {
    const problems: CellProblem[] = [];
    const entry: Record<string, unknown> = mapping.kind === 'offer' ? {} : { kind: mapping.kind };
    let priceMinor: number | undefined;
    const put = (field: Field, text: string, unit: string | undefined, column: string) => {
      const cell = readCell(field, text, mapping.decimal, unit);
      if (!cell.ok) problems.push({ column, message: cell.message });
      else if (cell.value === undefined) return;
      else if (field.path === PRICE_TARGET) {
        const minor = minorOfShown(Number(cell.value), currency);
        if (Math.abs(shownCoins(minor, currency) - Number(cell.value)) > 1e-6)
          problems.push({ column, message: `"${text}" has more decimals than ${currency} has` });
        else if (minor > 0) priceMinor = minor;
        else problems.push({ column, message: 'must be above 0; leave the cell empty when there is no price' });
      } else setAt(entry, field.path, cell.value);
    };
    for (const { field, text } of constants) put(field, text, undefined, field.path);
    for (const { index, field, unit, header } of feeds) put(field, cells[index] ?? '', unit, header);
    if (entry['id'] === undefined) entry['id'] = freshId(mapping, entry);
    // a cell that cannot be read is named once, not a second time as a figure that is missing
    const parsed = schema.safeParse(entry);
    if (!parsed.success) {
      const named = new Set(problems.map((problem) => problem.column));
      const paths = parsed.error.issues.map((issue) => columnOf(issue.path, sources));
      problemsOf(parsed.error).forEach((problem, i) => {
        const column = paths[i] ?? 'row';
        if (!named.has(column)) problems.push({ column, message: mended(problem.message) });
      });
    }
    return problems.length > 0 || !parsed.success
      ? { ok: false, problems }
      : { ok: true, entry: parsed.data as unknown as Record<string, unknown> & { id: string }, priceMinor };
  };
  return { read };
}

/** A missing column is mended elsewhere than a missing field of a JSON file. */
const mended = (message: string): string =>
  message.startsWith('is missing')
    ? 'is missing in this row; fill the cell, map a column to it, or give one value for all rows'
    : message.startsWith('must be above 0')
      ? `${message}; leave the cell empty when it is unknown`
      : message;

function freshId(mapping: Mapping, entry: Readonly<Record<string, unknown>>): string | undefined {
  const text = (key: string) => (typeof entry[key] === 'string' ? entry[key] : '');
  const id =
    mapping.kind === 'offer'
      ? `${text('part')}.${text('seller')}.${text('region')}`
      : idFrom(text('maker'), text('name'));
  return idText.safeParse(id).success ? id : undefined;
}
