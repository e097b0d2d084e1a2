import { z } from 'zod';
import { unitOf, unitsLike } from '../../units/convert';
import { folded } from '../../units/text';
import type { Field } from '../../parts/fields';
import type { Problem } from '../problems';
import { sheetFields, SHEETS, type SheetKind } from './sheets';

/** Target of a price column: it makes an offer instead of a figure. */
export const PRICE_TARGET = 'price';

/** Columns of one table; no kind of part has a tenth as many figures. */
export const MOST_COLUMNS = 400;

/** Where a column of a file goes; a column without a target is left out. `unit` is what the file counts in. */
export const columnTargetSchema = z.strictObject({
  header: z.string().max(500),
  field: z.string().max(80).optional(),
  unit: z.string().max(20).optional(),
});
export type ColumnTarget = z.infer<typeof columnTargetSchema>;

export const mappingSchema = z.strictObject({
  kind: z.enum(SHEETS as readonly [SheetKind, ...SheetKind[]]),
  columns: z.array(columnTargetSchema).max(MOST_COLUMNS),
  decimal: z.enum(['.', ',']),
  /** Values for fields that the file has no column for, such as the maker of a price list. */
  constants: z.record(z.string().max(80), z.string().max(200)),
});
export type Mapping = z.infer<typeof mappingSchema>;

/** What spreadsheets call our fields. Judgement, from the words of the trade; a guess is shown and can be changed. */
const CALLED: Readonly<Record<string, readonly string[]>> = {
  maker: ['manufacturer', 'brand', 'vendor', 'make', 'producer', 'company'],
  name: ['model', 'product', 'title', 'product name', 'description', 'article', 'model name', 'item'],
  partNumber: ['mpn', 'sku', 'part no', 'part number', 'model number', 'article number', 'item number', 'order number'],
  gtin: ['ean', 'upc', 'barcode', 'ean code', 'gtin'],
  price: ['price', 'cost', 'retail', 'unit price', 'net price', 'list price', 'price each'],
  massG: ['weight', 'mass'],
  warrantyMonths: ['warranty', 'guarantee'],
  memoryGiB: ['vram', 'video memory', 'graphics memory', 'memory size', 'memory'],
  boardPowerW: ['tgp', 'tdp', 'board power', 'power draw', 'power consumption'],
  basePowerW: ['tdp', 'base power'],
  ratedW: ['wattage', 'output', 'power', 'rating', 'rated power', 'max output'],
  capacityGB: ['capacity', 'size', 'storage'],
  seqReadMBs: ['read', 'read speed', 'sequential read', 'max read', 'seq read', 'read rate'],
  seqWriteMBs: ['write', 'write speed', 'sequential write', 'max write', 'seq write', 'write rate'],
  sustainedWriteMBs: ['sustained write', 'write after cache', 'direct write', 'steady write'],
  enduranceTBW: ['tbw', 'endurance', 'terabytes written'],
  generation: ['pcie', 'pcie generation', 'pcie gen', 'link generation', 'gen', 'type', 'memory type'],
  cellKind: ['nand', 'cells', 'flash', 'nand type', 'cell type'],
  interface: ['bus', 'interface', 'protocol'],
  form: ['form factor', 'format', 'form'],
  casLatency: ['cl', 'cas', 'cas latency', 'latency'],
  rateMTs: ['speed', 'rate', 'data rate', 'transfer rate'],
  moduleGiB: ['module size', 'module capacity', 'size per module', 'stick size'],
  modules: ['modules', 'sticks', 'quantity', 'number of modules'],
  lengthMm: ['length', 'card length', 'depth'],
  heightMm: ['height'],
  coolerHeightMm: ['cooler clearance', 'cooler height', 'max cooler height'],
  cardLengthMm: ['card clearance', 'card length', 'max card length'],
  slots: ['slots', 'slot width', 'thickness'],
  tier: ['efficiency', 'efficiency rating', 'certification'],
  noiseDbA: ['noise', 'noise level', 'loudness'],
  airflowM3h: ['airflow', 'air flow'],
  pressurePa: ['pressure', 'static pressure'],
  maxRpm: ['speed', 'rpm', 'max speed'],
  volumeL: ['volume', 'case volume'],
};

export interface Heading {
  readonly words: string;
  readonly unit: string | undefined;
}

/** More of a heading says nothing of its column. */
const LONGEST_HEADING = 200;

/** "Max. length (mm)" → "max length", mm; "Read [MB/s]" → "read", MB/s; "Weight, kg" → "weight", kg. */
export function headingOf(whole: string): Heading {
  const header = whole.slice(0, LONGEST_HEADING);
  for (const [from, to] of unitPlaces(header)) {
    const inside = header.slice(from + 1, to).trim();
    const unit = unitOf(inside) ?? (/^[A-Z]{3}$/.test(inside) ? inside : undefined);
    if (unit !== undefined) return { words: wordsOf(`${header.slice(0, from)} ${header.slice(to + 1)}`), unit };
  }
  return { words: wordsOf(header), unit: undefined };
}

/** Where a heading may say its unit, from the sign before to the sign after: in brackets, after a comma, as the last word. */
function unitPlaces(header: string): (readonly [from: number, to: number])[] {
  const open = header.search(/[([]/);
  const close = open < 0 ? -1 : header.slice(open).search(/[)\]]/);
  const last = (sign: string) => header.lastIndexOf(sign);
  return [
    [open, close < 0 ? -1 : open + close] as const,
    [Math.max(last(','), last('/')), header.length] as const,
    [last(','), header.length] as const,
    [last(' '), header.length] as const,
  ].filter(([from, to]) => from >= 0 && to > from);
}

const wordsOf = (text: string): string =>
  folded(text)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

interface Spoken {
  readonly path: string;
  readonly label: string;
  readonly words: ReadonlySet<string>;
}

/** A field's names as words, made once: each heading of a table is held against all fields of all kinds. */
const spokenOf = new WeakMap<Field, Spoken>();
function spoken(field: Field): Spoken {
  const known = spokenOf.get(field);
  if (known) return known;
  const label = wordsOf(field.label);
  const made = { path: wordsOf(field.path), label, words: new Set(label.split(' ')) };
  spokenOf.set(field, made);
  return made;
}

/** How well a heading names a field, 0 for not at all. An impossible unit rules a field out. */
function fits(heading: Heading, header: string, field: Field): number {
  if (header.trim() === field.path) return 100;
  if (heading.unit !== undefined && !(field.unit !== undefined && takesUnit(field, heading.unit))) return 0;
  const bonus = heading.unit === undefined ? 0 : 5;
  const { path, label, words: theirs } = spoken(field);
  if (heading.words === path) return 95;
  if (heading.words === label) return 90 + bonus;
  const called = CALLED[field.path] ?? [];
  const place = called.indexOf(heading.words);
  if (place >= 0) return 80 - place + bonus;
  const mine = heading.words.split(' ');
  let shared = 0;
  for (const [i, word] of mine.entries()) if (theirs.has(word) && mine.indexOf(word) === i) shared++;
  if (shared === 0) return 0;
  const alike = shared / (new Set(mine).size + theirs.size - shared);
  return alike >= 0.5 ? 40 * alike + bonus : 0;
}

/** Whether a column in this unit can feed the field; memory counted in "GB" feeds fields in GiB. */
export const takesUnit = (field: Field, unit: string): boolean =>
  field.unit !== undefined &&
  (unitsLike(field.unit).includes(unit) ||
    (['GB', 'MB', 'TB'].includes(unit) && unitsLike(field.unit).includes('GiB')));

/** Best target for each header, each field used once; `remembered` choices go before any guess. */
export function guessColumns(
  kind: SheetKind,
  headers: readonly string[],
  remembered: ReadonlyMap<string, ColumnTarget>,
  currency: string,
  headings: readonly Heading[] = headers.map(headingOf),
): ColumnTarget[] {
  const fields = [...sheetFields(kind), ...(kind === 'offer' ? [] : [{ ...priceField(currency) }])];
  const targets = headers.map((header): ColumnTarget | undefined => remembered.get(header));
  const taken = new Set(targets.flatMap((target) => target?.field ?? []));
  const scored = (heading: Heading, header: string) =>
    fields.flatMap((field) => {
      const score = fits(heading, header, field);
      return score > 0 ? [{ field, score }] : [];
    });
  const pairs = headers
    .flatMap((header, h) =>
      targets[h]
        ? []
        : scored(headings[h] ?? headingOf(header), header).map(({ field, score }) => ({ h, field, score })),
    )
    .sort((a, b) => b.score - a.score || a.h - b.h);
  for (const { h, field } of pairs) {
    if (targets[h] || taken.has(field.path)) continue;
    taken.add(field.path);
    const unit = headings[h]?.unit ?? field.unit;
    targets[h] = { header: headers[h] ?? '', field: field.path, ...(unit === undefined ? {} : { unit }) };
  }
  return headers.map((header, h) => targets[h] ?? { header });
}

/** The price as a field among the others, in major units of a currency. */
export const priceField = (currency: string): Field => ({
  path: PRICE_TARGET,
  label: 'price',
  unit: currency,
  better: 'lower',
  type: 'number',
  choices: [],
  numericChoices: false,
  required: false,
  schema: { type: 'number' },
});

/** Kind whose fields the headers name best; undefined when they name hardly any. */
export function guessKind(headers: readonly string[], currency: string): SheetKind | undefined {
  const headings = headers.map(headingOf);
  let best: { kind: SheetKind; score: number } | undefined;
  for (const kind of SHEETS) {
    const targets = guessColumns(kind, headers, new Map(), currency, headings);
    const score =
      targets.filter((target) => target.field !== undefined && !COMMON.has(target.field)).length /
      Math.max(3, headers.length);
    if (!best || score > best.score) best = { kind, score };
  }
  return best && best.score >= 0.25 ? best.kind : undefined;
}
const COMMON = new Set([
  'maker',
  'name',
  'partNumber',
  'gtin',
  PRICE_TARGET,
  'massG',
  'warrantyMonths',
  'id',
  'source',
]);

/**
 * Decimal sign of a file from its cells: a comma when numbers such as "7,5" occur and none with a point; else a point.
 * A lone "1,234" proves nothing.
 */
export function guessDecimal(cells: Iterable<string>, separator: string): '.' | ',' {
  let comma = 0;
  let point = 0;
  for (const cell of cells) {
    const text = cell.trim();
    if (/^\d+,\d{1,2}(\D|$)/.test(text) || /^\d+,\d{4,}(\D|$)/.test(text) || /^\d{1,3}(\.\d{3})+,\d+/.test(text))
      comma++;
    if (/^\d+\.\d{1,2}(\D|$)/.test(text) || /^\d+\.\d{4,}(\D|$)/.test(text) || /^\d{1,3}(,\d{3})+\.\d+/.test(text))
      point++;
  }
  return comma > point || (comma === point && comma > 0 && separator === ';') ? ',' : '.';
}

/** Headings must tell their columns apart. */
export function headerProblems(headers: readonly string[]): Problem[] {
  if (headers.length > MOST_COLUMNS)
    return [{ path: 'row 1', message: `has ${headers.length} columns; tables of up to ${MOST_COLUMNS} are read` }];
  if (headers.every((header) => header === ''))
    return [{ path: 'row 1', message: 'has no headings; the first row names the columns' }];
  const seen = new Map<string, number>();
  return headers.flatMap((header, i) => {
    if (header === '') return [];
    const before = seen.get(header);
    seen.set(header, before ?? i);
    return before === undefined
      ? []
      : [
          {
            path: `row 1, column ${i + 1}`,
            message: `"${header}" heads column ${before + 1} already; rename or delete one of the two`,
          },
        ];
  });
}
