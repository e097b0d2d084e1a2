import { parse } from 'csv-parse/browser/esm/sync';

/** Rows and cells of a table of sensors: it comes with commas, semicolons or tabs. */
export const cutTable = (text: string): string[][] =>
  parse(text, {
    delimiter: [',', ';', '\t'],
    relax_column_count: true,
    skip_empty_lines: true,
    trim: true,
    bom: true,
  });
