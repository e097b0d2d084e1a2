import { UNIT_BOUNDS, type BoundedUnit } from '../../units/bounds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { parse } from 'csv-parse/sync';
import { demoCatalogue } from '@/demo/catalogue';
import { PART_KINDS, partSchemas, type Part } from '../../parts';
import { fieldsOf } from '../../parts/fields';
import { readCatalogue } from '../catalogue';
import { cellText, neutral, plain, readCell, readNumber } from './cells';
import { guessColumns, guessDecimal, guessKind, headingOf } from './mapping';
import { idFrom, rowReader } from './rows';
import { sheetFields, writeSheet, type SheetKind } from './sheets';

const parsed = readCatalogue(JSON.stringify(demoCatalogue()));
if (!parsed.ok) throw new Error('the demo catalogue is broken');
const { parts, offers } = parsed.value;
const field = (kind: SheetKind, path: string) => {
  const found = sheetFields(kind).find((candidate) => candidate.path === path);
  if (!found) throw new Error(`no field ${path}`);
  return found;
};
const read = (kind: SheetKind, path: string, text: string, decimal: '.' | ',' = '.', unit?: string) =>
  readCell(field(kind, path), text, decimal, unit);

describe('a number in a cell', () => {
  test('is read with a point or a comma as the file has it', () => {
    expect(readNumber('1,234.5', '.')).toEqual({ value: 1234.5, unit: '' });
    expect(readNumber('1.234,5', ',')).toEqual({ value: 1234.5, unit: '' });
    expect(readNumber('1 234,5 mm', ',')).toEqual({ value: 1234.5, unit: 'mm' });
    expect(readNumber("12'500", '.')).toEqual({ value: 12500, unit: '' });
    expect(readNumber('1e-17', '.')).toEqual({ value: 1e-17, unit: '' });
    expect(readNumber('-3', '.')).toEqual({ value: -3, unit: '' });
  });

  test('is never guessed: groups that are no groups are no number', () => {
    expect(readNumber('1,2345', '.')).toBeUndefined();
    expect(readNumber('1.2.3', '.')).toBeUndefined();
    expect(readNumber('twelve', '.')).toBeUndefined();
    expect(readNumber('7,5', '.')).toBeUndefined();
  });

  test('is converted from the unit behind it, or from the column’s', () => {
    expect(read('graphics', 'lengthMm', '30.5 cm')).toEqual({ ok: true, value: 305 });
    expect(read('graphics', 'lengthMm', '12', '.', 'inch')).toEqual({ ok: true, value: 304.8 });
    expect(read('drive', 'capacityGB', '2 TB')).toEqual({ ok: true, value: 2000 });
    // the trade writes GB for memory counted in GiB
    expect(read('graphics', 'memoryGiB', '24 GB')).toEqual({ ok: true, value: 24 });
    expect(read('drive', 'seqReadMBs', '7.1', '.', 'GB/s')).toEqual({ ok: true, value: 7100 });
  });

  test('of a unit that measures something else is refused with both units', () => {
    expect(read('graphics', 'lengthMm', '300 W')).toEqual({
      ok: false,
      message: 'W does not measure length, which is in mm; correct the unit',
    });
    // bits are not bytes
    expect(read('drive', 'seqReadMBs', '7 Gb/s')).toMatchObject({ ok: false });
    expect(read('graphics', 'lengthMm', '300 cubits')).toMatchObject({
      ok: false,
      message: expect.stringContaining('"cubits" is not a unit') as unknown,
    });
  });
});

describe('a cell', () => {
  test('that says unknown is unknown, and zero is not', () => {
    for (const text of ['', ' - ', '?', 'n/a', 'Unknown', 'not stated'])
      expect(read('drive', 'cacheMiB', text)).toEqual({ ok: true, value: undefined });
    expect(read('drive', 'cacheMiB', '0')).toEqual({ ok: true, value: 0 });
  });

  test('of yes and no, choices and lists', () => {
    expect(read('drive', 'encryption', 'Yes')).toEqual({ ok: true, value: true });
    expect(read('drive', 'encryption', 'maybe')).toEqual({ ok: false, message: '"maybe" must be yes or no' });
    expect(read('drive', 'cellKind', 'tlc')).toEqual({ ok: true, value: 'TLC' });
    expect(read('drive', 'lanes', '4')).toEqual({ ok: true, value: 4 });
    expect(read('drive', 'lanes', '3')).toMatchObject({ ok: false });
    expect(read('case', 'boardForms', 'ATX | Mini-ITX')).toEqual({ ok: true, value: ['ATX', 'Mini-ITX'] });
    expect(read('graphics', 'connectors.card-8', '2')).toEqual({ ok: true, value: 2 });
  });

  test('that a spreadsheet would run is neutralised, and comes back as it was', () => {
    for (const text of ['=1+1', '+49', '-1', '@name', "'=x", "''-y"]) {
      expect(neutral(text).startsWith("'")).toBe(true);
      expect(plain(neutral(text))).toBe(text);
    }
    expect(neutral('Gale 12')).toBe('Gale 12');
    expect(neutral('unknown')).toBe("'unknown");
    fc.assert(fc.property(fc.string(), (text) => plain(neutral(text)) === text));
    fc.assert(fc.property(fc.string(), (text) => !/^[=+\-@\t\r]/.test(neutral(text))));
  });
});

describe('a heading', () => {
  test('gives its words and its unit', () => {
    expect(headingOf('Max. length (mm)')).toEqual({ words: 'max length', unit: 'mm' });
    expect(headingOf('Read [MB/s]')).toEqual({ words: 'read', unit: 'MB/s' });
    expect(headingOf('Weight, kg')).toEqual({ words: 'weight', unit: 'kg' });
    expect(headingOf('Price USD')).toEqual({ words: 'price', unit: 'USD' });
    expect(headingOf('Größe')).toEqual({ words: 'große', unit: undefined });
  });

  test('finds its field by our name, our label or the trade’s word; each field once', () => {
    const targets = guessColumns(
      'drive',
      ['Brand', 'Model', 'Read speed (GB/s)', 'Write speed (GB/s)', 'Capacity', 'Shelf', 'lanes'],
      new Map(),
      'USD',
    );
    expect(targets.map((target) => [target.field, target.unit])).toEqual([
      ['maker', undefined],
      ['name', undefined],
      ['seqReadMBs', 'GB/s'],
      ['seqWriteMBs', 'GB/s'],
      ['capacityGB', 'GB'],
      [undefined, undefined],
      ['lanes', undefined],
    ]);
  });

  test('whose unit measures something else is not taken for a field of that name', () => {
    expect(guessColumns('graphics', ['Length (W)'], new Map(), 'USD')[0]?.field).toBeUndefined();
  });

  test('remembered goes before any guess', () => {
    const remembered = new Map([['Shelf', { header: 'Shelf', field: 'partNumber' }]]);
    expect(guessColumns('drive', ['Shelf', 'SKU'], remembered, 'USD').map((target) => target.field)).toEqual([
      'partNumber',
      undefined,
    ]);
  });

  test('tells what a table holds', () => {
    expect(guessKind(['Brand', 'Model', 'VRAM (GB)', 'Card length (mm)', 'TGP (W)'], 'USD')).toBe('graphics');
    expect(guessKind(['Brand', 'Model', 'TBW', 'Read speed', 'Write speed', 'Capacity'], 'USD')).toBe('drive');
    expect(guessKind(['Colour', 'Shelf'], 'USD')).toBeUndefined();
  });

  test('the decimal sign comes from the numbers, and a lone group proves nothing', () => {
    expect(guessDecimal(['7,5', '12', '0,3'], ';')).toBe(',');
    expect(guessDecimal(['7.5', '1,234.50'], ',')).toBe('.');
    expect(guessDecimal(['1,234', '5,678'], ';')).toBe('.');
  });
});

describe('a row', () => {
  const mapping = {
    kind: 'drive' as const,
    decimal: '.' as const,
    constants: { maker: 'Fenstore' },
    columns: [
      { header: 'Model', field: 'name' },
      { header: 'Read', field: 'seqReadMBs', unit: 'GB/s' },
      { header: 'Price', field: 'price', unit: 'USD' },
    ],
  };

  test.each([
    ['USD', '12.50', 12_50],
    ['JPY', '15000', 15_000],
    ['KWD', '1.234', 1_234],
  ] as const)('a price in %s is counted in its own smallest unit', (currency, text, minor) => {
    const reader = rowReader(
      {
        kind: 'cooler',
        columns: [
          { header: 'maker', field: 'maker' },
          { header: 'name', field: 'name' },
          { header: 'cooling', field: 'cooling' },
          { header: 'price', field: 'price' },
        ],
        decimal: '.',
        constants: {},
      },
      currency,
    );
    expect(reader.read(['Holt', 'Tower', 'air', text])).toMatchObject({ ok: true, priceMinor: minor });
    expect(reader.read(['Holt', 'Tower', 'air', '1.23456'])).toMatchObject({
      problems: [{ column: 'price', message: `"1.23456" has more decimals than ${currency} has` }],
    });
  });

  test('becomes a part with an id from its names, and a price in whole cents', () => {
    expect(rowReader(mapping, 'USD').read(['Weir 2 TB', '7.1', '149.90'])).toEqual({
      ok: true,
      priceMinor: 14_990,
      entry: { kind: 'drive', id: 'fenstore-weir-2-tb', maker: 'Fenstore', name: 'Weir 2 TB', seqReadMBs: 7100 },
    });
  });

  test('names every wrong cell by its heading, once', () => {
    expect(rowReader(mapping, 'USD').read(['', 'fast', '0'])).toEqual({
      ok: false,
      problems: [
        { column: 'Read', message: expect.stringContaining('"fast" is not a number') as unknown },
        { column: 'Price', message: 'must be above 0; leave the cell empty when there is no price' },
        { column: 'Model', message: expect.stringContaining('is missing in this row') as unknown },
      ],
    });
  });

  test('ids hold names of any script apart, and are the same each time', () => {
    expect(idFrom('Fenstore', 'Wéir 2 TB')).toBe('fenstore-weir-2-tb');
    const [a, b] = [idFrom('株式会社', '硬盘 2'), idFrom('株式会社', '硬盘 4')];
    expect(a).not.toBe(b);
    expect(idFrom('株式会社', '硬盘 2')).toBe(a);
    expect(idFrom('x'.repeat(60), 'y'.repeat(100))).toHaveLength(80);
  });
});

/** What a spreadsheet program reads and writes back: RFC 4180 by a library of its own. */
const cellsOf = (text: string): string[][] => parse(text, { relax_column_count: false, bom: true });
const backFrom = (kind: SheetKind, rows: readonly object[]) => {
  const [headers = [], ...lines] = cellsOf([...writeSheet(kind, rows as Part[])].join(''));
  const reader = rowReader(
    { kind, decimal: '.', constants: {}, columns: headers.map((header) => ({ header, field: header })) },
    'USD',
  );
  return lines.map((cells) => reader.read(cells)).map((result) => (result.ok ? result.entry : result.problems));
};

describe('a sheet goes out and in again', () => {
  test.each(PART_KINDS)('%s', (kind) => {
    const rows = parts.filter((part) => part.kind === kind);
    expect(rows.length).toBeGreaterThan(0);
    expect(backFrom(kind, rows)).toEqual(rows);
  });

  test('offers', () => {
    expect(backFrom('offer', offers.slice(0, 300))).toEqual(offers.slice(0, 300));
  });

  test('any drive and supply that the schema allows, whatever its texts hold', () => {
    const text = fc
      .string({ minLength: 1, maxLength: 30 })
      .filter((value) => /^[^<>\p{Cc}]*$/u.test(value) && value.trim() !== '')
      .map((value) => value.trim());
    const optional = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
    const figure = (unit: BoundedUnit) => {
      const [min, max] = UNIT_BOUNDS[unit];
      return optional(fc.double({ min, max, noNaN: true, noDefaultInfinity: true }));
    };
    const drive = fc.record({
      kind: fc.constant('drive'),
      id: fc.constant('d'),
      maker: text,
      name: text,
      source: optional(text),
      capacityGB: figure('GB'),
      seqReadMBs: figure('MB/s'),
      encryption: optional(fc.boolean()),
      lanes: optional(fc.constantFrom(1, 2, 4)),
      evidence: optional(fc.constantFrom({}, { ratings: 3 }, { ratings: 3, meanRating: 4.5, testedGrade: '=A' })),
    });
    const supply = fc.record({
      kind: fc.constant('supply'),
      id: fc.constant('s'),
      maker: text,
      name: text,
      connectors: optional(fc.constantFrom({}, { sata: 0 }, { 'card-8': 2, sata: 6 })),
    });
    const clean = (value: object) => JSON.parse(JSON.stringify(value)) as Record<string, unknown>;
    fc.assert(
      fc.property(fc.oneof(drive, supply), (made) => {
        const kind = made.kind as 'drive' | 'supply';
        const part = partSchemas[kind].parse(clean(made));
        expect(backFrom(kind, [part])).toEqual([part]);
      }),
      { numRuns: 200 },
    );
  });

  test('text, number and yes/no cells read as people write them', () => {
    expect(cellText({ type: 'flag' }, false)).toBe('no');
    expect(cellText({ type: 'list' }, [])).toBe('[]');
    expect(cellText({ type: 'list' }, ['a|b'])).toBe('["a|b"]');
    expect(fieldsOf('supply').map((entry) => entry.path)).toContain('connectors.card-16');
  });
});
