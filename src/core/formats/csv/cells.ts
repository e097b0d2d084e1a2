import { readJson } from '../problems';
import { typedIn, unitOf } from '../../units/convert';
import { withoutEnd } from '../../units/text';
import type { Field } from '../../parts/fields';

/** How a file writes its numbers. */
export type DecimalSign = '.' | ',';

export type CellValue =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly message: string };

/** First characters that make a spreadsheet run a cell as a formula, and words that would read as "unknown". */
const GUARDED = /^'*(?:[=+\-@\t\r]|(?:–|—|\?|n\/a|na|n\.a\.|unknown|not stated|tbd|null)$)/i;

/** Text that a spreadsheet will not run and that stays text when read: an apostrophe goes in front where needed. */
export const neutral = (text: string): string => (GUARDED.test(text) ? `'${text}` : text);

/** Takes the apostrophe away again; the two functions undo each other for every text. */
export const plain = (text: string): string =>
  text.startsWith("'") && GUARDED.test(text.slice(1)) ? text.slice(1) : text;

/** Joins a list of plain values; a list with the separator inside, or empty, is written as JSON instead. */
function listText(values: readonly unknown[]): string {
  const texts = values.map(String);
  const unsafe =
    texts.length === 0 || texts.some((text) => /[|;]/.test(text) || text !== text.trim() || /^[[{]/.test(text));
  return unsafe ? JSON.stringify(values) : texts.join(' | ');
}

/** A value as a cell: plain where it is plain, JSON where it has structure, empty where it is unknown. */
export function cellText(field: Pick<Field, 'type'>, value: unknown): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return String(value);
  if (typeof value === 'string') return field.type === 'structure' ? JSON.stringify(value) : neutral(value);
  return Array.isArray(value) && field.type === 'list' ? neutral(listText(value)) : JSON.stringify(value);
}

/** What spreadsheets write where nothing is known. Zero is not among them: it is a figure. */
const UNKNOWN = new Set(['', '-', '–', '—', '?', 'n/a', 'na', 'n.a.', 'unknown', 'not stated', 'tbd', 'null']);
export const isUnknownCell = (text: string): boolean => UNKNOWN.has(text.trim().toLowerCase());

const YES = new Set(['yes', 'true', '1', 'y', 'x', '✓']);
const NO = new Set(['no', 'false', '0', 'n']);

const good = (value: unknown): CellValue => ({ ok: true, value });
const bad = (message: string): CellValue => ({ ok: false, message });

/** A cell longer than this is no figure with its unit. */
const LONGEST_FIGURE = 100;

/**
 * A number as the file writes it, with an optional unit behind it: "1 234,5 mm" with a decimal comma, "1,234.5" with a
 * point. A sign that could be either is read as the file's decimal sign says, never guessed cell by cell.
 */
export function readNumber(text: string, decimal: DecimalSign): { value: number; unit: string } | undefined {
  const cell = text.trim();
  if (cell.length > LONGEST_FIGURE) return undefined;
  const run = /^[+-]?[\d\s.,'’\u00a0\u202f]*/u.exec(cell)?.[0] ?? '';
  const mantissa = withoutEnd(run, (char) => !/\d/.test(char));
  if (mantissa === '') return undefined;
  const exponent = /^[eE][+-]?\d+/.exec(cell.slice(mantissa.length))?.[0] ?? '';
  const digits = mantissa + exponent;
  const unit = cell.slice(digits.length);
  if (/^\d/.test(unit) || /[\r\n]/.test(unit)) return undefined;
  const grouping = decimal === '.' ? /[,\s'’\u00a0\u202f]/gu : /[.\s'’\u00a0\u202f]/gu;
  const parts = digits.split(decimal);
  if (parts.length > 2) return undefined;
  // groups are of three digits: "1,2345" is no number with a decimal point
  const [whole = '', fraction] = parts;
  if (grouping.test(whole) && !/^[+-]?\d{1,3}(?:[.,\s'’\u00a0\u202f]\d{3})+$/u.test(whole)) return undefined;
  if (fraction !== undefined && /[.,\s'’]/u.test(fraction)) return undefined;
  const value = Number(`${whole.replace(grouping, '')}${fraction === undefined ? '' : `.${fraction}`}`);
  return Number.isFinite(value) ? { value, unit: unit.trim() } : undefined;
}

function readFigure(field: Field, text: string, decimal: DecimalSign, columnUnit: string | undefined): CellValue {
  const read = readNumber(text, decimal);
  if (!read)
    return bad(
      `"${text}" is not a number${decimal === ',' ? ' with a decimal comma' : ''}; correct it, or leave the cell empty when it is unknown`,
    );
  const typed = read.unit === '' ? columnUnit : unitOf(read.unit);
  if (typed === undefined) {
    if (read.unit === '') return good(read.value);
    return bad(`"${read.unit}" is not a unit known here; write the number alone or with ${field.unit ?? 'no unit'}`);
  }
  if (field.unit === undefined)
    return bad(`"${text}" has a unit, but ${field.label} is a plain number; take the unit away`);
  const value = typedIn(read.value, typed, field.unit);
  return value === undefined
    ? bad(`${typed} does not measure ${field.label}, which is in ${field.unit}; correct the unit`)
    : good(value);
}

function readChoice(field: Field, text: string): CellValue {
  const folded = text.trim().toLowerCase();
  const found = field.choices.find((choice) => choice.toLowerCase() === folded);
  if (found === undefined)
    return bad(`"${text}" must be one of ${field.choices.map((choice) => `"${choice}"`).join(', ')}`);
  return good(field.numericChoices ? Number(found) : found);
}

function readStructure(text: string): CellValue {
  const read = readJson(text);
  return read.ok
    ? good(read.value)
    : bad('is not readable as JSON; a structure is written as JSON in one cell, as an export shows it');
}

/** A cell as the value its field wants; undefined for a cell that says "unknown". */
export function readCell(field: Field, raw: string, decimal: DecimalSign, columnUnit?: string): CellValue {
  if (isUnknownCell(raw)) return good(undefined);
  const text = plain(raw.trim());
  switch (field.type) {
    case 'number':
    case 'whole':
      return readFigure(field, text, decimal, columnUnit);
    case 'choice':
      return readChoice(field, text);
    case 'flag': {
      const word = text.toLowerCase();
      return YES.has(word) ? good(true) : NO.has(word) ? good(false) : bad(`"${text}" must be yes or no`);
    }
    case 'list': {
      if (text.startsWith('[')) return readStructure(text);
      const entries = text
        .split(/[|;]/)
        .map((entry) => entry.trim())
        .filter(Boolean);
      if (!field.numericChoices && field.choices.length === 0) return good(entries);
      const read = entries.map((entry) => readChoice(field, entry));
      const wrong = read.find((entry) => !entry.ok);
      return wrong ?? good(read.map((entry) => (entry.ok ? entry.value : undefined)));
    }
    case 'structure':
      return readStructure(text);
    case 'date':
    case 'text':
      return good(text);
  }
}
