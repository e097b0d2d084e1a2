import { Readable } from 'node:stream';
import { CsvError, parse } from 'csv-parse';
import { guessDecimal, headerProblems, MOST_COLUMNS } from '@/core/formats/csv/mapping';
import { detectEncoding, sampleOf, textOf, UnreadableFile, type OnBytes } from './text';

/** How a table is written. */
export interface CsvShape {
  readonly encoding: string;
  readonly separator: string;
}

/** One line of a table; `row` counts as a spreadsheet does, headings are row 1. */
export interface CsvRow {
  readonly row: number;
  readonly cells: readonly string[];
}

/** A cell longer than this is no figure and no name: a quote was never closed. */
const LONGEST_RECORD = 1_000_000;

export const SEPARATORS = [',', ';', '\t', '|'] as const;

/** The separator that the first line has most of, outside quotes. */
export function guessSeparator(text: string): string {
  const line = text.split(/\r\n|\n|\r/).find((candidate) => candidate.trim() !== '') ?? '';
  const bare = line.replace(/"(?:[^"]|"")*"/g, '');
  const counts = SEPARATORS.map((separator) => ({ separator, n: bare.split(separator).length }));
  return counts.reduce((best, next) => (next.n > best.n ? next : best)).separator;
}

/**
 * The lines of a table one by one: quotes, separators and line breaks inside cells as RFC 4180 has them; short and long
 * lines are passed on, so that their problem is named with its row.
 * @throws UnreadableFile where quotes do not match
 */
export async function* csvRows(path: string, shape: CsvShape, onBytes?: OnBytes): AsyncGenerator<CsvRow> {
  const source = Readable.from(textOf(path, shape.encoding, onBytes));
  const parser = parse({
    delimiter: shape.separator,
    bom: true,
    relax_column_count: true,
    skip_empty_lines: true,
    max_record_size: LONGEST_RECORD,
  });
  // an unreadable source must end the parser, or nothing would ever come
  source.on('error', (error) => parser.destroy(error));
  source.pipe(parser);
  let row = 0;
  try {
    for await (const cells of parser as AsyncIterable<string[]>) yield { row: ++row, cells };
  } catch (error) {
    if (error instanceof CsvError) throw new UnreadableFile(`row ${row + 1}`, csvMessage(error));
    throw error;
  } finally {
    source.destroy();
  }
}

function csvMessage(error: CsvError): string {
  switch (error.code) {
    case 'CSV_QUOTE_NOT_CLOSED':
      return 'opens a quote that is never closed; close it, or double it when it is part of the text';
    case 'CSV_MAX_RECORD_SIZE':
      return `is longer than ${LONGEST_RECORD / 1e6} million characters; a quote before it is probably never closed`;
    default:
      return 'has a quote inside a cell that is not quoted; quote the whole cell and double the quote inside';
  }
}

/** What the mapping step shows before anything is decided. */
export interface CsvSample extends CsvShape {
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly decimal: '.' | ',';
  readonly problems: readonly { readonly path: string; readonly message: string }[];
}

const SAMPLE_ROWS = 200;
const SAMPLE_CHARACTERS = 1_000_000;

/** Headings and first rows of a table, its encoding and separator guessed where they are not given. */
export async function sampleCsv(path: string, given: Partial<CsvShape> = {}): Promise<CsvSample> {
  const bytes = await sampleOf(path);
  const encoding = given.encoding ?? detectEncoding(bytes);
  const separator = given.separator ?? guessSeparator(new TextDecoder(encoding).decode(bytes));
  const rows: (readonly string[])[] = [];
  let characters = 0;
  for await (const { cells } of csvRows(path, { encoding, separator })) {
    rows.push(cells);
    characters += cells.reduce((all, cell) => all + cell.length, cells.length);
    if (rows.length > SAMPLE_ROWS || characters > SAMPLE_CHARACTERS) break;
  }
  const [first = [], ...rest] = rows;
  if (first.length > MOST_COLUMNS)
    throw new UnreadableFile('row 1', `has ${first.length} columns; tables of up to ${MOST_COLUMNS} are read`);
  const headers = first.map((header) => header.trim());
  return {
    encoding,
    separator,
    headers,
    rows: rest,
    decimal: guessDecimal(rest.flat(), separator),
    problems: headerProblems(headers),
  };
}
