import { fieldsOf, fieldsOfSchema, valueAt, type Field } from '../../parts/fields';
import { PART_KINDS, partSchemas, type Part, type PartKind } from '../../parts';
import { offerSchema, type Offer } from '../../model/offers';
import { cellText } from './cells';

/** A table holds parts of one kind, or offers. */
export type SheetKind = PartKind | 'offer';
export const SHEETS: readonly SheetKind[] = [...PART_KINDS, 'offer'];
export const isSheet = (text: string): text is SheetKind => (SHEETS as readonly string[]).includes(text);

let offerFields: readonly Field[] | undefined;

export const sheetFields = (kind: SheetKind): readonly Field[] =>
  kind === 'offer' ? (offerFields ??= fieldsOfSchema(offerSchema)) : fieldsOf(kind);

export const sheetSchema = (kind: SheetKind) => (kind === 'offer' ? offerSchema : partSchemas[kind]);

/** One line of a CSV file. RFC 4180: quotes where needed, doubled inside; lines end with CR LF. */
export const csvLine = (cells: readonly string[]): string =>
  `${cells.map((cell) => (/[",;\r\n]|^\s|\s$/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)).join(',')}\r\n`;

/**
 * Columns that these rows need: every field that any of them states. A flat structure is written member by member; as
 * JSON in one cell when it has no members at all (an empty list of connectors is "none", not "unknown").
 */
export function columnsFor(kind: SheetKind, rows: readonly object[]): readonly Field[] {
  const fields = sheetFields(kind);
  return fields.filter((field) => {
    if (field.required) return true;
    const split = fields.some((member) => member.path.startsWith(`${field.path}.`));
    return rows.some((row) => {
      const value = valueAt(row, field.path);
      return value !== undefined && (!split || isEmptyObject(value));
    });
  });
}

const isEmptyObject = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length === 0;

/** Rows of one kind as CSV text, a line at a time, so that a large export needs no large string. */
export function* writeSheet(kind: SheetKind, rows: readonly (Part | Offer)[]): Generator<string> {
  const columns = columnsFor(kind, rows);
  const split = new Set(
    columns.flatMap((field) => (field.path.includes('.') ? [field.path.replace(/\.[^.]*$/, '')] : [])),
  );
  yield csvLine(columns.map((field) => field.path));
  for (const row of rows)
    yield csvLine(
      columns.map((field) => {
        const value = valueAt(row, field.path);
        return split.has(field.path) && !isEmptyObject(value) ? '' : cellText(field, value);
      }),
    );
}
