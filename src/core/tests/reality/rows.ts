import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';

/** A row of the measurements of the small machine, as its file has it. */
export interface MeasuredRow {
  readonly set: 'calibrate' | 'check';
  readonly id: string;
  readonly tool: string;
  readonly unit: string;
  readonly median: number;
  readonly min: number;
  readonly max: number;
  readonly params: Readonly<Record<string, string | number | boolean>>;
  /** What else was taken of the same runs: seconds of the processor, bytes, exact counts. */
  readonly extra: Readonly<Record<string, number>>;
}

const here = new URL('./', import.meta.url).pathname;

/** The first set is of picture work, the second of the other trades. */
export const FILES = ['measurements.csv', 'measurements-2.csv'] as const;

export function rowsOf(file: (typeof FILES)[number]): MeasuredRow[] {
  const rows = parse<Record<string, string>>(readFileSync(`${here}${file}`, 'utf8'), { columns: true });
  return rows.map((row) => ({
    set: row['set'] as MeasuredRow['set'],
    id: row['id'] ?? '',
    tool: row['tool'] ?? '',
    unit: row['unit'] ?? '',
    median: Number(row['median']),
    min: Number(row['min']),
    max: Number(row['max']),
    params: JSON.parse(row['params'] ?? '{}') as MeasuredRow['params'],
    extra: JSON.parse(row['extra'] ?? '{}') as MeasuredRow['extra'],
  }));
}

export const allRows = (): MeasuredRow[] => FILES.flatMap(rowsOf);
