import { parse } from 'csv-parse/sync';
import { assess, contextOf } from '../assess';
import { readResults, withIds } from '../evidence/readers';
import { readBom, writeBom } from '../formats/bom';
import { caseCatalogue, readCase, writeCase } from '../formats/caseFile';
import { emptyCatalogue, readCatalogue } from '../formats/catalogue';
import { guessColumns, guessDecimal, guessKind, headerProblems } from '../formats/csv/mapping';
import { rowReader } from '../formats/csv/rows';
import { csvLine, writeSheet } from '../formats/csv/sheets';
import { readFeedCsv } from '../formats/feed/csv';
import { readJsonLd } from '../formats/feed/jsonLd';
import { partFinder, takePrices } from '../formats/feed/takePrices';
import { readInventory } from '../formats/lshw';
import { parseFilter, parseQuery } from '../library/query';
import { compileCatalogue } from '../model/catalogue';
import type { CatalogueFile } from '../model/catalogueSchema';
import type { Machine } from '../model/machine';
import { briefSchema, type Brief } from '../model/brief';
import { usualSettings } from '../model/settings';
import { rawFile } from './reality';

/** A reader of texts from outside with a sound example. `read` goes on with what was taken as the app would. */
export interface Reader {
  readonly name: string;
  readonly sample: string;
  /** Whether anything was taken; it never throws, whatever the text. */
  readonly read: (text: string) => boolean;
}

const DAY = '2026-05-18';

const tableRows = (text: string): string[][] =>
  parse(text, { relax_column_count: true, relax_quotes: true, skip_empty_lines: true });

/** Readers over a small world: a catalogue, and a brief with a machine of its parts. */
export function readersOf(world: CatalogueFile, brief: Brief, machine: Machine): Reader[] {
  const catalogue = compileCatalogue(world);
  const { parts, regions } = world;
  const region = regions[0];
  const board = parts.find((part) => part.kind === 'board') ?? parts[0];
  if (!region || !board) throw new Error('the world of these tests has no region or part');
  const judged = (it: Machine, compiled = catalogue, of = brief) =>
    assess(it, of, contextOf(compiled, DAY, usualSettings)).findings.length >= 0;
  const tables = new Map<string, string>();
  for (const kind of [board.kind, 'processor', 'offer'] as const) {
    const rows = kind === 'offer' ? world.offers : parts.filter((part) => part.kind === kind);
    tables.set(kind, [...writeSheet(kind, rows.slice(0, 4))].join(''));
  }
  const source = {
    id: 's',
    name: 'S',
    seller: world.sellers[0]?.id ?? 's',
    region: region.id,
    kind: 'file',
    at: '/f',
    format: 'csv',
    active: true,
  } as const;
  const priced = (answer: ReturnType<typeof readFeedCsv>) =>
    takePrices(answer, source, region, partFinder(parts), new Map(), DAY).offers.length > 0;
  const readTable = (text: string): boolean => {
    let rows: string[][];
    try {
      rows = tableRows(text);
    } catch {
      // the cutter is a library's; what it refuses is told by row elsewhere
      return false;
    }
    const [headers = [], ...cells] = rows;
    if (headerProblems(headers).length > 0) return false;
    const kind = guessKind(headers, region.currency);
    if (kind === undefined) return false;
    const reader = rowReader(
      {
        kind,
        columns: guessColumns(kind, headers, new Map(), region.currency),
        decimal: guessDecimal(cells.flat(), ','),
        constants: {},
      },
      region.currency,
    );
    return cells.slice(0, 50).filter((row) => reader.read(row).ok).length > 0;
  };
  const results = [
    'fio-rand-read.json',
    'encode-720p-fast.txt',
    'cpu_7z_t2.txt',
    'mem_stream_t1.txt',
    'sysbench-cpu.txt',
    'sensors.csv',
  ];
  return [
    {
      name: 'case',
      sample: JSON.stringify(writeCase('Case', DAY, brief, [machine], compileCatalogue(world))),
      read: (text) => {
        const read = readCase(text);
        if (!read.ok) return false;
        const compiled = compileCatalogue(caseCatalogue(read.value, emptyCatalogue));
        return read.value.machines.every((it) => judged(it, compiled, read.value.brief));
      },
    },
    {
      name: 'catalogue',
      sample: JSON.stringify(world),
      read: (text) => {
        const read = readCatalogue(text);
        if (!read.ok) return false;
        compileCatalogue(read.value);
        return true;
      },
    },
    {
      name: 'bill of materials',
      sample: JSON.stringify(writeBom(machine, catalogue, `${DAY}T00:00:00Z`)),
      read: (text) => {
        const read = readBom(text);
        if (!read.ok) return false;
        const own = new Set(read.value.parts.map((part) => part.id as string));
        const compiled = compileCatalogue({
          ...world,
          parts: [...read.value.parts, ...parts.filter((part) => !own.has(part.id))],
        });
        return judged(read.value.machine, compiled);
      },
    },
    ...['lshw.json', 'lscpu.json'].map((name): Reader => ({
      name,
      sample: rawFile(name),
      read: (text) => {
        const read = readInventory(text, parts);
        if (!read.ok) return false;
        return judged(read.value.machine, compileCatalogue({ ...world, parts: [...parts, ...read.value.parts] }));
      },
    })),
    ...results.map((name): Reader => ({
      name,
      sample: rawFile(name),
      read: (text) => {
        const read = readResults(text, tableRows);
        if (!read.ok) return false;
        return withIds(read.found, name, []).length > 0;
      },
    })),
    { name: 'prices as a table', sample: feedSample(parts.slice(0, 6)), read: (text) => priced(readFeedCsv(text)) },
    {
      name: 'prices as linked data',
      sample: linkedSample(parts.slice(0, 3)),
      read: (text) => priced(readJsonLd(text)),
    },
    ...[...tables].map(([kind, sample]): Reader => ({ name: `table of ${kind}`, sample, read: readTable })),
    {
      name: 'question',
      sample: 'gale ≥ 24 GB < 300 mm, cores at least 12; 300..400 W "2 TB"',
      read: (text) => {
        parseFilter(text, 'number');
        parseFilter(text, 'text');
        return parseQuery(text).length > 0;
      },
    },
    { name: 'brief', sample: JSON.stringify(brief), read: readBrief },
  ];
}

const readBrief = (text: string): boolean => {
  try {
    return briefSchema.safeParse(JSON.parse(text)).success;
  } catch (error) {
    if (error instanceof SyntaxError) return false;
    throw error;
  }
};

interface Named {
  readonly id: string;
  readonly name: string;
}

const feedSample = (parts: readonly Named[]): string =>
  ['part,price,currency,stock,delivery_days,as_of']
    .concat(parts.map(({ id }, i) => csvLine([id, `${10 + i}.50`, 'USD', '4', '2', DAY]).trimEnd()))
    .join('\n');

const linkedSample = (parts: readonly Named[]): string =>
  JSON.stringify({
    '@graph': parts.map(({ id, name }) => ({
      '@type': 'Product',
      productID: id,
      name,
      offers: { '@type': 'Offer', price: '12.50', priceCurrency: 'USD', availability: 'https://schema.org/InStock' },
    })),
  });

/** Random numbers from a seed, 0 ≤ x < 1. Source: mulberry32, a 32-bit mixing generator. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Pieces that have broken readers before, anywhere. */
const HOSTILE = [
  '1e308',
  '-1',
  '5e-324',
  '1e999',
  '9007199254740993',
  '999999999999999999999999',
  'null',
  '""',
  '{}',
  '[]',
  '"__proto__"',
  '"constructor"',
  '\u0000',
  '\u202e',
  '\u200b',
  '\ufeff',
  '\ud800',
  '<script>',
  '=1+1',
  '"',
  '\\',
  ',',
  ';',
  '\r\n',
  '2026-02-30',
  '%s%n',
  '../../',
];

/** A text with one to three changes: cut, doubled, replaced, repeated, nested or laced with what is hostile. */
export function mutated(text: string, random: () => number): string {
  const upTo = (n: number) => Math.floor(random() * n);
  let out = text;
  for (let changes = 1 + upTo(3); changes > 0; changes--) {
    const at = upTo(out.length + 1);
    const piece = HOSTILE[upTo(HOSTILE.length)] ?? '';
    const span = upTo(200);
    switch (upTo(10)) {
      case 0:
        out = out.slice(0, at);
        break;
      case 1:
        out = out.slice(0, at) + out.slice(at + 1 + upTo(span + 1));
        break;
      case 2:
        out = out.slice(0, at) + out.slice(at, at + span) + out.slice(at);
        break;
      case 3:
        out = out.slice(0, at) + piece + out.slice(at);
        break;
      case 4:
        out = out.slice(0, at) + String.fromCharCode(upTo(0x10000)) + out.slice(at + 1);
        break;
      case 5:
      case 6: {
        // a number becomes another: the change that most often stays well-formed
        const number = /-?\d+(?:\.\d+)?/g;
        number.lastIndex = at;
        const found = number.exec(out);
        if (!found) break;
        const value = Number(found[0]);
        const other = [0, -value, value * 1e6, value / 1e6, 1e308, 0.5, value + 1, 2 ** 31][upTo(8)];
        out = out.slice(0, found.index) + String(other) + out.slice(found.index + found[0].length);
        break;
      }
      case 7: {
        // a text in quotes becomes another of the same file
        const texts = [...out.slice(at, at + 4000).matchAll(/"[^"]{1,60}"/g)];
        const [a, b] = [texts[upTo(texts.length)], texts[upTo(texts.length)]];
        if (a && b) out = out.slice(0, at + a.index) + b[0] + out.slice(at + a.index + a[0].length);
        break;
      }
      case 8: {
        const depth = 10 ** (1 + upTo(4));
        out = `${out.slice(0, at)}${'['.repeat(depth)}${random() < 0.5 ? ']'.repeat(depth) : ''}${out.slice(at)}`;
        break;
      }
      default:
        out = out.slice(0, at) + (piece || 'x').repeat(random() < 0.1 ? 20_000 : 1 + upTo(50)) + out.slice(at);
    }
  }
  return out;
}

export interface Attack {
  readonly inputs: number;
  readonly taken: number;
  /** The slowest single input. */
  readonly slowest: { readonly seconds: number; readonly reader: string; readonly text: string };
  readonly thrown: readonly { readonly reader: string; readonly text: string; readonly error: string }[];
}

/** Tries so many mutated inputs on all readers in turn. */
export function attack(readers: readonly Reader[], inputs: number, seed: number, clock: () => number): Attack {
  const random = seeded(seed);
  const thrown: { reader: string; text: string; error: string }[] = [];
  let taken = 0;
  let slowest: Attack['slowest'] = { seconds: 0, reader: '', text: '' };
  for (let i = 0; i < inputs; i++) {
    const reader = readers[i % readers.length];
    if (!reader) break;
    const text = mutated(reader.sample, random);
    const began = clock();
    try {
      if (reader.read(text)) taken++;
    } catch (error) {
      thrown.push({
        reader: reader.name,
        text,
        error: error instanceof Error ? (error.stack ?? error.message) : String(error),
      });
    }
    const seconds = (clock() - began) / 1000;
    if (seconds > slowest.seconds) slowest = { seconds, reader: reader.name, text };
  }
  return { inputs, taken, slowest, thrown };
}
