import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { readCatalogue } from '../formats/catalogue';
import { partSchema, type Part } from '../parts';
import { columnsOf, unknownFigures, usualColumns, type PartFacts } from './columns';
import { differencesOf, lookalikesOf } from '../parts/lookalikes';
import { folded } from '../units/text';
import { parseFilter, parseQuery } from './query';
import { kindMeanRating, shrunkRating } from '../money/ratings';
import { indexLibrary, searchLibrary, type LibraryQuestion } from './search';

const parsed = readCatalogue(JSON.stringify(demoCatalogue()));
if (!parsed.ok) throw new Error('the demo catalogue is broken');
const { parts } = parsed.value;
const facts = (part: Part): PartFacts => ({
  landedMinor: part.id.length % 7 === 0 ? undefined : part.id.length * 1000,
  used: part.id.length % 3,
});
const index = indexLibrary(parts, 'USD', facts);
const ask = (question: Partial<LibraryQuestion> & { text: string }) =>
  [...searchLibrary(index, question).found].map((at) => parts[at]).filter((part) => part !== undefined);
const of = (maker: string, name: string, figures: Record<string, unknown> = {}): Part =>
  partSchema.parse({
    kind: 'drive',
    id: folded(`${maker}-${name}`).replace(/[^a-z0-9]+/g, '-'),
    maker,
    name,
    ...figures,
  });

describe('a question', () => {
  test('is words and bounds with their units', () => {
    expect(parseQuery('Gale ≥ 24 GB')).toEqual([
      { kind: 'word', word: 'gale' },
      {
        kind: 'range',
        before: ['gale'],
        range: { low: 24, high: Infinity, lowOpen: false, highOpen: true, unit: 'GB' },
      },
    ]);
    expect(parseQuery('< 300 mm')).toMatchObject([{ kind: 'range', range: { high: 300, highOpen: true, unit: 'mm' } }]);
    expect(parseQuery('cores at least 12')).toMatchObject([
      { kind: 'word', word: 'cores' },
      { kind: 'range', before: ['cores'], range: { low: 12, unit: undefined } },
    ]);
    expect(parseQuery('300..400 W')).toMatchObject([{ kind: 'range', range: { low: 300, high: 400, unit: 'W' } }]);
    expect(parseQuery('2,5 kg')).toMatchObject([{ kind: 'size', range: { low: 2.5, unit: 'kg' } }]);
    expect(parseQuery('under 300 USD')).toMatchObject([{ kind: 'range', range: { high: 300, unit: 'USD' } }]);
  });

  test('keeps bits and bytes apart', () => {
    expect(parseQuery('> 10 Gb/s')).toMatchObject([{ range: { unit: 'Gb/s' } }]);
    expect(parseQuery('> 10 GB/s')).toMatchObject([{ range: { unit: 'GB/s' } }]);
  });

  test('a filter above a column is a bound, a text, or the question whether it is known', () => {
    expect(parseFilter('≥ 24', 'number')).toMatchObject({ kind: 'range', range: { low: 24 } });
    expect(parseFilter('24', 'number')).toMatchObject({ kind: 'range', range: { low: 24, high: 24 } });
    expect(parseFilter('300..400', 'number')).toMatchObject({ kind: 'range', range: { low: 300, high: 400 } });
    expect(parseFilter('unknown', 'number')).toEqual({ kind: 'unknown' });
    expect(parseFilter(' Gold ', 'text')).toEqual({ kind: 'text', text: 'gold' });
    expect(parseFilter('  ', 'text')).toBeUndefined();
  });

  test('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string(),
        (text) => Array.isArray(parseQuery(text)) && searchLibrary(index, { text }).found.length <= parts.length,
      ),
      { numRuns: 100 },
    );
  });
});

describe('the library answers', () => {
  test('words in any order, without case and accents, also by number', () => {
    expect(ask({ text: 'GÁLE palisar 24' }).map((part) => part.id as string)).toContain('palisar-gale-24');
    const [first] = parts;
    expect(ask({ text: first?.partNumber ?? '' }).map((part) => part.id)).toContain(first?.id);
  });

  test('a bound by name: every card of 24 GB and more, and nothing else', () => {
    const wanted = parts
      .filter((part) => part.kind === 'graphics' && (part.memoryGiB ?? 0) >= 24)
      .map((part) => part.id);
    expect(wanted.length).toBeGreaterThan(5);
    expect(
      ask({ text: 'graphics memory >= 24 GB' })
        .map((part) => part.id)
        .sort(),
    ).toEqual([...wanted].sort());
  });

  test('a bound without a name means the usual figure of that unit, and says which', () => {
    const answer = searchLibrary(index, { text: 'gale < 300 mm' });
    expect(answer.readAs.graphics).toEqual(['length']);
    for (const part of ask({ text: 'gale < 300 mm' }))
      expect(part.kind === 'graphics' && (part.lengthMm ?? 999) < 300, part.name).toBe(true);
  });

  test('units are converted, and what measures something else is not found', () => {
    expect(ask({ text: 'capacity >= 20 TB' }).map((part) => part.id as string)).toContain('ketterlode-hold-22-tb');
    expect(
      ask({ text: 'capacity >= 20 TB' }).every((part) => part.kind === 'drive' && (part.capacityGB ?? 0) >= 20_000),
    ).toBe(true);
    expect(
      ask({ text: 'length < 12 inch', kind: 'graphics' }).every(
        (part) => part.kind === 'graphics' && (part.lengthMm ?? 999) < 304.8,
      ),
    ).toBe(true);
    expect(ask({ text: 'length < 5 V' })).toEqual([]);
  });

  test('derived figures: cores of processors, latency of kits', () => {
    const cores = (part: Part) =>
      part.kind === 'processor' ? (part.coreGroups ?? []).reduce((sum, group) => sum + group.count, 0) : 0;
    const found = ask({ text: 'cores >= 24' });
    expect(found.length).toBeGreaterThan(3);
    for (const part of found) expect(cores(part), part.name).toBeGreaterThanOrEqual(24);
    // CL 30 at 6000 MT/s is 10 ns
    expect(
      ask({ text: 'latency <= 10', kind: 'memory' }).every(
        (part) => part.kind === 'memory' && (2000 * (part.casLatency ?? 99)) / (part.rateMTs ?? 1) <= 10,
      ),
    ).toBe(true);
  });

  test('an unknown figure is found by no bound, but by asking for what is unknown', () => {
    const flume = 'fenstore-flume-2-tb';
    expect(ask({ text: 'flume', kind: 'drive', filters: { sustainedWriteMBs: '≥ 0' } })).toEqual([]);
    expect(
      ask({ text: '', kind: 'drive', filters: { sustainedWriteMBs: 'unknown' } }).map((part) => part.id as string),
    ).toContain(flume);
  });

  test('the same as looking at every part one by one (60 random questions)', () => {
    const columns = columnsOf('drive', 'USD').filter((column) => column.holds === 'number');
    fc.assert(
      fc.property(
        fc.constantFrom(...columns),
        fc.constantFrom('≥', '<', '>', '≤'),
        fc.integer({ min: 0, max: 8000 }),
        fc.constantFrom('', 'fen', 'spate', 'o'),
        (column, op, bound, word) => {
          const holds = (value: unknown) =>
            typeof value === 'number' &&
            (op === '≥' ? value >= bound : op === '<' ? value < bound : op === '>' ? value > bound : value <= bound);
          const plain = parts.filter(
            (part) =>
              part.kind === 'drive' &&
              holds(column.value(part, facts(part))) &&
              folded(
                `drive ${part.maker} ${part.name} ${part.partNumber ?? ''} ${part.gtin ?? ''} ${part.id}`,
              ).includes(word),
          );
          expect(
            ask({ text: word, kind: 'drive', filters: { [column.key]: `${op} ${bound}` } })
              .map((part) => part.id)
              .sort(),
          ).toEqual(plain.map((part) => part.id).sort());
        },
      ),
      { numRuns: 60, seed: 20260518 },
    );
  });

  test('in order: numbers by size, unknown last whichever way, names with their numbers in order', () => {
    const after = (descending: boolean) =>
      ask({ text: '', kind: 'drive', sort: { key: 'sustainedWriteMBs', descending } }).map((part) =>
        part.kind === 'drive' ? part.sustainedWriteMBs : 0,
      );
    for (const descending of [false, true]) {
      const figures = after(descending);
      const known = figures.filter((figure) => figure !== undefined);
      expect(figures.slice(0, known.length)).toEqual([...known].sort((a, b) => (descending ? b - a : a - b)));
      expect(known.length).toBeLessThan(figures.length);
    }
    const terns = ask({ text: 'halcyte tern', kind: 'processor' })
      .map((part) => part.name)
      .filter((name) => /^Tern \d+$/.test(name));
    expect(terns).toEqual(['Tern 6', 'Tern 8', 'Tern 12', 'Tern 16']);
  });

  test('whose own name is typed comes first, unless an order is asked for', () => {
    const names = (text: string) => ask({ text }).map(({ maker, name }) => `${maker} ${name}`);
    expect(names('tarnholt  ness 4')[0]).toBe('Tarnholt Ness 4');
    expect(names('Ness 4')[0]).toBe('Tarnholt Ness 4');
    // others have these words and figures too
    expect(names('Tarnholt Ness 4').length).toBeGreaterThan(3);
    // an order that somebody asks for is kept
    expect(ask({ text: 'Ness 4', sort: { key: 'name', descending: false } })[0]?.name).not.toMatch(/^Ness 4/);
  });

  test('how many of each kind, whatever kind is chosen', () => {
    expect(searchLibrary(index, { text: 'fenstore', kind: 'case' }).ofKind).toEqual(
      searchLibrary(index, { text: 'fenstore' }).ofKind,
    );
    expect(Object.values(searchLibrary(index, { text: '' }).ofKind).reduce((sum, n) => sum + n, 0)).toBe(parts.length);
  });

  test('the usual columns of every kind exist', () => {
    for (const part of parts)
      for (const key of usualColumns(part.kind))
        expect(
          columnsOf(part.kind, 'USD').some((column) => column.key === key),
          `${part.kind} ${key}`,
        ).toBe(true);
  });
});

describe('what a part is like', () => {
  test('lookalikes: stated variants and nearly equal names, with what differs; models of another size are none', () => {
    const slate = parts.find((part) => part.id === ('sablerow-slate-2x32-5600' as string));
    if (!slate) throw new Error('no slate');
    const names = lookalikesOf(slate, parts).map((other) => other.part.name);
    expect(names).toContain('Slate 2x32 5600 grey');
    expect(names).not.toContain('Slate 2x16 5600');
    const grey = lookalikesOf(slate, parts).find((other) => other.part.name === 'Slate 2x32 5600 grey');
    expect(grey?.differences.map((difference) => difference.field.path)).toContain('casLatency');
  });

  test('a figure known on one side only counts as a difference', () => {
    expect(
      differencesOf(of('F', 'A 1', { capacityGB: 5 }), of('F', 'B 1')).map((difference) => [
        difference.field.path,
        difference.here,
        difference.there,
      ]),
    ).toEqual([['capacityGB', 5, undefined]]);
    const two = [of('F', 'Anchor 2 TB'), of('F', 'Anchor 4 TB'), of('F', 'Anchor Air 2 TB')];
    expect(lookalikesOf(two[0] ?? of('F', 'x'), two).map((other) => other.part.name)).toEqual(['Anchor Air 2 TB']);
  });

  test('few ratings count little: 5 of 5 from 3 in a kind of 4.2 is 4.29, from 500 it is 4.96', () => {
    expect(shrunkRating(5, 3, 4.2)).toBeCloseTo((25 * 4.2 + 3 * 5) / 28, 12);
    expect(shrunkRating(5, 3, 4.2)).toBeCloseTo(4.2857, 4);
    expect(shrunkRating(5, 500, 4.2)).toBeCloseTo(4.9619, 4);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5, noNaN: true }),
        fc.integer({ min: 0, max: 10_000 }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (mean, n, kind) => {
          const shrunk = shrunkRating(mean, n, kind);
          return shrunk >= Math.min(mean, kind) - 1e-9 && shrunk <= Math.max(mean, kind) + 1e-9;
        },
      ),
    );
    expect(
      kindMeanRating(
        [
          of('F', 'A', { evidence: { ratings: 3, meanRating: 5 } }),
          of('F', 'B', { evidence: { ratings: 1, meanRating: 1 } }),
          of('F', 'C'),
        ],
        'drive',
      ),
    ).toBe(4);
    expect(kindMeanRating([of('F', 'C')], 'drive')).toBeUndefined();
  });

  test('what does not apply is not missed: flash has no speed of rotation, disks have no endurance', () => {
    const unknown = (part: Part) => unknownFigures(part).map((field) => field.path);
    expect(unknown(of('F', 'Flash', { cellKind: 'TLC' }))).not.toContain('rpm');
    expect(unknown(of('F', 'Disk', { cellKind: 'magnetic' }))).toContain('rpm');
    expect(unknown(of('F', 'Disk', { cellKind: 'magnetic' }))).not.toContain('enduranceTBW');
    expect(unknown(of('F', 'Whatever'))).toContain('rpm');
  });
});

describe('words for figures and kinds', () => {
  const kinds = (text: string) => [...new Set(ask({ text }).map((part) => part.kind))];
  test('a figure that is a word finds its parts', () => {
    const found = ask({ text: 'TLC' });
    expect(found.length).toBeGreaterThan(5);
    expect(found.every((part) => part.kind === 'drive' && part.cellKind === 'TLC')).toBe(true);
  });
  test('a label with a point in it names its figure', () => {
    const boards = (text: string) => ask({ text }).filter((part) => part.kind === 'board');
    const enough = parts.filter(
      (part) => part.kind === 'board' && (part.topology?.slots.filter(({ kind }) => kind === 'm2').length ?? 0) >= 4,
    );
    expect(enough.length).toBeGreaterThan(0);
    expect(
      boards('M.2 slots >= 4')
        .map(({ id }) => id)
        .sort(),
    ).toEqual(enough.map(({ id }) => id).sort());
  });
  test.each([
    ['monitor', 'display'],
    ['operating system', 'system'],
    ['keyboard', 'peripheral'],
    ['capture', 'expansion'],
    ['fan', 'fan'],
  ])('"%s" finds %s', (text, kind) => {
    expect(kinds(text)).toContain(kind);
  });
});
