import { PART_KINDS, type Part, type PartKind } from '../parts';
import { typedIn } from '../units/convert';
import { columnsOf, usualColumns, type Cell, type Column, type PartFacts } from './columns';
import { folded } from '../units/text';
import { kindCalled } from '../words/names';
import { parseFilter, parseQuery, type Range, type Term } from './query';

/** One kind's rows with their figures laid out by column, so that a range is one pass over one array. */
interface KindTable {
  readonly kind: PartKind;
  readonly columns: readonly Column[];
  /** Positions in `parts`. */
  readonly rows: Uint32Array;
  /** Numbers by column key; NaN is unknown. */
  readonly numbers: ReadonlyMap<string, Float64Array>;
}

/** A catalogue laid out for questions. Built once a catalogue revision; a question only scans. */
export interface LibraryIndex {
  readonly parts: readonly Part[];
  readonly facts: (part: Part) => PartFacts;
  readonly tables: readonly KindTable[];
  /** Names to look words up in, folded. */
  readonly names: readonly string[];
  /** Ranks by column key, made when first sorted by. */
  readonly ranks: Map<string, Ranking>;
}

interface Ranking {
  readonly rankOf: Uint32Array;
  readonly atRank: Uint32Array;
}

export interface LibraryQuestion {
  readonly text: string;
  readonly kind?: PartKind | undefined;
  /** Filters typed above columns, by column key. */
  readonly filters?: Readonly<Record<string, string>> | undefined;
  readonly sort?: { readonly key: string; readonly descending: boolean } | undefined;
}

export interface LibraryAnswer {
  /** Positions in the index's parts, in the order asked for. */
  readonly found: Uint32Array;
  /** How many of each kind the words and ranges found, whatever kind is chosen. */
  readonly ofKind: Readonly<Partial<Record<PartKind, number>>>;
  /** Figures that the bounds of the question were taken for, by kind, where they found something. */
  readonly readAs: Readonly<Partial<Record<PartKind, readonly string[]>>>;
}

export function indexLibrary(parts: readonly Part[], currency: string, facts: (part: Part) => PartFacts): LibraryIndex {
  const byKind = new Map<PartKind, number[]>(PART_KINDS.map((kind) => [kind, []]));
  parts.forEach((part, i) => byKind.get(part.kind)?.push(i));
  const tables = PART_KINDS.flatMap((kind): KindTable[] => {
    const rows = Uint32Array.from(byKind.get(kind) ?? []);
    if (rows.length === 0) return [];
    const columns = columnsOf(kind, currency);
    const numbers = new Map(
      columns
        .filter((column) => column.holds === 'number' && !column.live)
        .map((column): [string, Float64Array] => [column.key, numbersOf(column, rows, parts, facts)]),
    );
    return [{ kind, columns, rows, numbers }];
  });
  // figures that are words ("TLC", "ATX", "80 mm") are found by them as names are
  const spoken = new Map(PART_KINDS.map((kind) => [kind, columnsOf(kind, currency).filter(isSpoken)]));
  const names = parts.map((part) =>
    folded(
      [
        kindCalled(part.kind),
        part.maker,
        part.name,
        part.partNumber,
        part.gtin,
        part.id,
        ...(spoken.get(part.kind) ?? []).map((column) => column.value(part, facts(part))),
      ]
        .filter(Boolean)
        .join(' '),
    ),
  );
  return { parts, facts, tables, names, ranks: new Map() };
}

/** Columns of words that stand in the part itself; what is made for showing only is not searched. */
const isSpoken = (column: Column): boolean => column.holds === 'text' && !column.live && column.key !== 'gist';

/** Numbers of a column, laid out before or, for live ones, made now. */
const valuesOf = (index: LibraryIndex, table: KindTable, column: Column): Float64Array | undefined =>
  table.numbers.get(column.key) ?? (column.live ? numbersOf(column, table.rows, index.parts, index.facts) : undefined);

function numbersOf(column: Column, rows: Uint32Array, parts: readonly Part[], facts: (part: Part) => PartFacts) {
  const values = new Float64Array(rows.length);
  rows.forEach((row, i) => {
    const part = parts[row];
    const cell = part && column.value(part, facts(part));
    values[i] = typeof cell === 'number' ? cell : NaN;
  });
  return values;
}

const cellOf = (index: LibraryIndex, column: Column, row: number): Cell => {
  const part = index.parts[row];
  return part && column.value(part, index.facts(part));
};

/** A range in a column's own unit; undefined when the two units measure different things. */
function inUnit(range: Range, unit: string | undefined): Range | undefined {
  if (range.unit === undefined || range.unit === unit) return range;
  if (unit === undefined) return undefined;
  const low = Number.isFinite(range.low) ? typedIn(range.low, range.unit, unit) : range.low;
  const high = Number.isFinite(range.high) ? typedIn(range.high, range.unit, unit) : range.high;
  return low === undefined || high === undefined ? undefined : { ...range, low, high, unit };
}

/** NaN lies in no range: an unknown figure is never found by a bound. */
const inside = (value: number, range: Range): boolean =>
  (range.lowOpen ? value > range.low : value >= range.low) &&
  (range.highOpen ? value < range.high : value <= range.high);

const wordsOf = (label: string): readonly string[] => folded(label).split(/[^\p{L}\p{N}]+/u);

/**
 * Columns that a range means in a kind. The words in front of it name the figure when some column's label has them (the
 * longest run of words counts); how many words were used up comes with it. Without a name a unit means the first figure
 * of the kind's usual columns that is counted in it: "< 300 mm" of a card is its length, not its height.
 */
function meant(
  table: KindTable,
  range: Range,
  before: readonly string[],
): { columns: readonly Column[]; used: number } {
  const fitting = table.columns.filter(
    (column) => column.holds === 'number' && inUnit(range, column.unit) !== undefined,
  );
  for (let used = before.length; used > 0; used--) {
    const words = before.slice(before.length - used);
    const named = fitting.filter((column) => {
      const label = wordsOf(column.label);
      // "M.2" is two words of a label
      return words.flatMap(wordsOf).every((word) => label.includes(word));
    });
    if (named.length > 0) return { columns: named, used };
  }
  // without a name and without a unit a bound could mean anything: it means nothing
  if (range.unit === undefined) return { columns: [], used: 0 };
  const usual = usualColumns(table.kind).flatMap((key) => fitting.filter((column) => column.key === key));
  return { columns: usual.length > 0 ? usual.slice(0, 1) : fitting, used: 0 };
}

/** Marks the rows of a table that have a figure in the range. */
function markRange(
  index: LibraryIndex,
  table: KindTable,
  columns: readonly Column[],
  range: Range,
  marks: Uint8Array,
): void {
  for (const column of columns) {
    const bound = inUnit(range, column.unit);
    const values = valuesOf(index, table, column);
    if (!bound || !values) continue;
    for (let i = 0; i < values.length; i++) if (inside(values[i] ?? NaN, bound)) marks[i] = 1;
  }
}

function matchTable(index: LibraryIndex, table: KindTable, terms: readonly Term[]): Uint8Array {
  const keep = new Uint8Array(table.rows.length).fill(1);
  // words that turned out to name a figure are no longer looked up in the names
  const spent = new Set<number>();
  terms.forEach((term, t) => {
    if (term.kind !== 'range') return;
    const { columns, used } = meant(table, term.range, term.before);
    for (let back = 1; back <= used; back++) spent.add(t - back);
    const marks = new Uint8Array(keep.length);
    markRange(index, table, columns, term.range, marks);
    for (let i = 0; i < keep.length; i++) keep[i] = (keep[i] ?? 0) & (marks[i] ?? 0);
  });
  terms.forEach((term, t) => {
    if (term.kind === 'range' || spent.has(t)) return;
    const needle = term.kind === 'word' ? term.word : term.text;
    const marks = new Uint8Array(keep.length);
    if (term.kind === 'size') markRange(index, table, meant(table, term.range, []).columns, term.range, marks);
    for (let i = 0; i < keep.length; i++)
      if (keep[i] === 1 && marks[i] === 0 && !(index.names[table.rows[i] ?? 0] ?? '').includes(needle)) keep[i] = 0;
  });
  return keep;
}

function applyFilters(
  index: LibraryIndex,
  table: KindTable,
  filters: Readonly<Record<string, string>>,
  keep: Uint8Array,
): void {
  for (const [key, text] of Object.entries(filters)) {
    const column = table.columns.find((candidate) => candidate.key === key);
    const filter = parseFilter(text, column?.holds ?? 'text');
    if (!filter) continue;
    const bound = filter.kind === 'range' ? inUnit(filter.range, column?.unit) : undefined;
    const values = column && valuesOf(index, table, column);
    for (let i = 0; i < keep.length; i++) {
      if (keep[i] === 0) continue;
      if (!column) keep[i] = 0;
      else if (filter.kind === 'range' && values) keep[i] = bound && inside(values[i] ?? NaN, bound) ? 1 : 0;
      else {
        const cell = cellOf(index, column, table.rows[i] ?? 0);
        const known = cell !== undefined;
        keep[i] =
          filter.kind === 'unknown'
            ? Number(!known)
            : filter.kind === 'known'
              ? Number(known)
              : Number(known && filter.kind === 'text' && folded(String(cell)).includes(filter.text));
      }
    }
  }
}

/** Text to sort by: folded, runs of digits padded so that "Tern 8" stands before "Tern 12"; compares by code point. */
const sortKey = (text: string): string => folded(text).replace(/\d+/g, (digits) => digits.padStart(8, '0'));
const collate = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Order of all parts by one column: unknown last, ties by maker and name, then id, so that it is the same each time. */
function ranking(index: LibraryIndex, key: string): Ranking {
  const known = index.ranks.get(key);
  if (known) return known;
  let live = false;
  const cells: Cell[] = new Array<Cell>(index.parts.length).fill(undefined);
  for (const table of index.tables) {
    const column = table.columns.find((candidate) => candidate.key === key);
    if (!column) continue;
    live ||= column.live === true;
    table.rows.forEach((row) => {
      const cell = cellOf(index, column, row);
      cells[row] = typeof cell === 'string' ? sortKey(cell) : cell;
    });
  }
  const labels = key === '' ? undefined : ranking(index, '').rankOf;
  const names = labels ? [] : index.parts.map((part) => `${sortKey(`${part.maker} ${part.name}`)}\u0000${part.id}`);
  const atRank = Uint32Array.from(index.parts.keys()).sort((a, b) => {
    if (!labels) return collate(names[a] ?? '', names[b] ?? '');
    const [x, y] = [cells[a], cells[b]];
    const byCell =
      x === undefined || y === undefined
        ? Number(x === undefined) - Number(y === undefined)
        : typeof x === 'number' && typeof y === 'number'
          ? x - y
          : collate(String(x), String(y)); // choices that are numbers in one kind and words in another
    return byCell || (labels[a] ?? 0) - (labels[b] ?? 0);
  });
  const rankOf = new Uint32Array(atRank.length);
  atRank.forEach((row, rank) => (rankOf[row] = rank));
  const made = { rankOf, atRank };
  if (!live) index.ranks.set(key, made);
  return made;
}

/** Known cells first in either direction; what is unknown stays last. */
function ordered(index: LibraryIndex, rows: Uint32Array, sort: LibraryQuestion['sort']): Uint32Array {
  const { rankOf, atRank } = ranking(index, sort?.key ?? '');
  const ranks = rows.map((row) => rankOf[row] ?? 0).sort();
  const sorted = ranks.map((rank) => atRank[rank] ?? 0);
  if (!sort?.descending) return sorted;
  const isUnknown = (row: number): boolean => {
    const table = index.tables.find((candidate) => candidate.kind === index.parts[row]?.kind);
    const column = table?.columns.find((candidate) => candidate.key === sort.key);
    return !column || cellOf(index, column, row) === undefined;
  };
  let known = sorted.length;
  while (known > 0 && isUnknown(sorted[known - 1] ?? 0)) known--;
  return Uint32Array.from([...sorted.subarray(0, known).reverse(), ...sorted.subarray(known)]);
}

/** Parts whose own maker and name hold the whole text come first, of these those that begin with it. */
function namedFirst(index: LibraryIndex, rows: Uint32Array, text: string): Uint32Array {
  const wanted = folded(text).trim().replace(/\s+/g, ' ');
  if (wanted === '') return rows;
  const places: [begins: number[], holds: number[], others: number[]] = [[], [], []];
  for (const row of rows) {
    const part = index.parts[row];
    const name = part ? folded(`${part.maker} ${part.name}`) : '';
    const begins = name.startsWith(wanted) || (part !== undefined && folded(part.name).startsWith(wanted));
    places[begins ? 0 : name.includes(wanted) ? 1 : 2].push(row);
  }
  return Uint32Array.from(places.flat());
}

/** Answers a question over the whole catalogue: words, ranges with units, filters above columns, one order. */
export function searchLibrary(index: LibraryIndex, question: LibraryQuestion): LibraryAnswer {
  const terms = parseQuery(question.text);
  const filters = question.filters ?? {};
  const ofKind: Partial<Record<PartKind, number>> = {};
  const readAs: Partial<Record<PartKind, readonly string[]>> = {};
  const ranges = terms.filter((term) => term.kind === 'range');
  const found: number[] = [];
  for (const table of index.tables) {
    const keep = terms.length > 0 ? matchTable(index, table, terms) : new Uint8Array(table.rows.length).fill(1);
    let count = 0;
    for (const mark of keep) count += mark;
    if (count > 0) {
      ofKind[table.kind] = count;
      if (ranges.length > 0)
        readAs[table.kind] = ranges.flatMap((term) =>
          meant(table, term.range, term.before).columns.map((column) => column.label),
        );
    }
    if (question.kind !== undefined && question.kind !== table.kind) continue;
    applyFilters(index, table, filters, keep);
    for (let i = 0; i < keep.length; i++) if (keep[i] === 1) found.push(table.rows[i] ?? 0);
  }
  const inOrder = ordered(index, Uint32Array.from(found), question.sort);
  return { found: question.sort ? inOrder : namedFirst(index, inOrder, question.text), ofKind, readAs };
}
