import { folded } from '../units/text';
import { unitOf } from '../units/convert';

/** A bound on a figure: inclusive or not, in the unit that was typed. */
export interface Range {
  readonly low: number;
  readonly high: number;
  readonly lowOpen: boolean;
  readonly highOpen: boolean;
  readonly unit: string | undefined;
}

/** One condition of a question; all must hold. */
export type Term =
  /** The word stands in the part's names. */
  | { readonly kind: 'word'; readonly word: string }
  /** Some figure lies in the range; `before` are the words in front of it, which may name the figure. */
  | { readonly kind: 'range'; readonly range: Range; readonly before: readonly string[] }
  /** A bare "2 TB": in the names, or equal to a figure. */
  | { readonly kind: 'size'; readonly text: string; readonly range: Range };

const NUMBER = String.raw`\d{1,15}(?:[.,]\d{1,15})?`;
const UNIT = String.raw`(?:\s?(?:[a-zA-Zµ°%³"²]+[0-9³]?(?:\([A-Za-z]\))?(?:\/[a-zA-Z]+)?))?`;
const OPERATORS: readonly (readonly [pattern: string, op: string])[] = [
  ['≥|>=|=>|at least|from', '>='],
  ['≤|<=|=<|at most|up to', '<='],
  ['>|over|above|more than', '>'],
  ['<|under|below|less than', '<'],
  ['=', '='],
];
const COMPARISON = new RegExp(
  `(${OPERATORS.map(([pattern]) => pattern.replace(/[a-z]+(?: [a-z]+)*/g, String.raw`\b$&\b`)).join('|')})\\s*(${NUMBER})(${UNIT})`,
  'giu',
);
const SPAN = new RegExp(`(${NUMBER})(${UNIT})\\s*(?:\\.\\.|–|—|to)\\s*(${NUMBER})(${UNIT})`, 'giu');
const BARE = new RegExp(
  `(?<![\\p{L}\\d.,])(${NUMBER})\\s?([a-zA-Z°%"³]+(?:\\([A-Za-z]\\))?(?:/[a-zA-Z]+)?)(?![\\p{L}\\d])`,
  'gu',
);

const toNumber = (text: string): number => Number(text.replace(',', '.'));
const opOf = (text: string): string =>
  OPERATORS.find(([pattern]) => new RegExp(`^(?:${pattern})$`, 'i').test(text.trim()))?.[1] ?? '=';

export function rangeOf(op: string, value: number, unit: string | undefined): Range {
  const open = { low: -Infinity, high: Infinity, lowOpen: true, highOpen: true, unit };
  switch (op) {
    case '>=':
      return { ...open, low: value, lowOpen: false };
    case '<=':
      return { ...open, high: value, highOpen: false };
    case '>':
      return { ...open, low: value };
    case '<':
      return { ...open, high: value };
    default:
      return { low: value, high: value, lowOpen: false, highOpen: false, unit };
  }
}

interface Match {
  readonly at: number;
  readonly end: number;
  readonly term: Term;
}

/** More than this of a question is not read. */
const LONGEST_QUESTION = 300;

/**
 * Splits a question into words and ranges: "gale ≥ 24 GB < 300 mm", "cores at least 12", "300..400 W", "2 TB".
 * Decimal commas are read; what is no number with a sense stays a word.
 * @example parseQuery('gale >= 24 GB') // word "gale", range ≥ 24 in GB
 */
export function parseQuery(typed: string): readonly Term[] {
  const text = typed.slice(0, LONGEST_QUESTION);
  const matches: Match[] = [];
  const free = (at: number, end: number) => matches.every((match) => end <= match.at || at >= match.end);
  const words = (until: number): string[] => {
    const start = Math.max(0, ...matches.filter((match) => match.end <= until).map((match) => match.end));
    return folded(text.slice(start, until)).split(/\s+/).filter(Boolean);
  };
  for (const found of text.matchAll(SPAN)) {
    const [all, low = '', firstUnit = '', high = '', secondUnit = ''] = found;
    const unit = unitOf(secondUnit) ?? unitOf(firstUnit);
    matches.push({
      at: found.index,
      end: found.index + all.length,
      term: {
        kind: 'range',
        before: words(found.index),
        range: { low: toNumber(low), high: toNumber(high), lowOpen: false, highOpen: false, unit },
      },
    });
  }
  for (const found of text.matchAll(COMPARISON)) {
    const [all, op = '', value = '', typed = ''] = found;
    // a word behind the number that is no unit is a word of its own
    const unit = unitOf(typed) ?? currencyOf(typed);
    const end = found.index + all.length - (unit === undefined ? typed.length : 0);
    if (free(found.index, end))
      matches.push({
        at: found.index,
        end,
        term: { kind: 'range', before: words(found.index), range: rangeOf(opOf(op), toNumber(value), unit) },
      });
  }
  for (const found of text.matchAll(BARE)) {
    const [all, value = '', typed = ''] = found;
    const unit = unitOf(typed);
    if (unit !== undefined && free(found.index, found.index + all.length))
      matches.push({
        at: found.index,
        end: found.index + all.length,
        term: { kind: 'size', text: folded(all).replace(/\s+/g, ' '), range: rangeOf('=', toNumber(value), unit) },
      });
  }
  matches.sort((a, b) => a.at - b.at);
  const terms: Term[] = [];
  let at = 0;
  const wordsIn = (piece: string) => {
    for (const word of folded(piece).split(/\s+/).filter(Boolean)) terms.push({ kind: 'word', word });
  };
  for (const match of matches) {
    wordsIn(text.slice(at, match.at));
    terms.push(match.term);
    at = match.end;
  }
  wordsIn(text.slice(at));
  return terms;
}

const currencyOf = (text: string): string | undefined => (/^\s?[A-Z]{3}$/.test(text) ? text.trim() : undefined);

/** A filter of one column: a range, `unknown`, `known`, or text it must hold. */
export type Filter =
  | { readonly kind: 'range'; readonly range: Range }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'known' }
  | { readonly kind: 'text'; readonly text: string };

/** Reads what somebody typed above a column. A bare number means "equal to"; an empty text is no filter. */
export function parseFilter(typed: string, holds: 'number' | 'text'): Filter | undefined {
  const trimmed = typed.slice(0, LONGEST_QUESTION).trim();
  if (trimmed === '') return undefined;
  if (/^(unknown|\?)$/i.test(trimmed)) return { kind: 'unknown' };
  if (/^known$/i.test(trimmed)) return { kind: 'known' };
  if (holds === 'number') {
    const [term] = parseQuery(/^\d/.test(trimmed) && !/\.\.|–|—| to /.test(trimmed) ? `= ${trimmed}` : trimmed);
    if (term?.kind === 'range') return { kind: 'range', range: term.range };
  }
  return { kind: 'text', text: folded(trimmed) };
}
