import { describe, expect, test } from 'vitest';
import { CATALOGUE_FORMAT } from '../model/catalogueSchema';
import { DEEPEST, depthOf, readJson } from '../formats/problems';
import { plainText } from '../parts/common';
import { hiddenIn } from '../units/text';
import { attack, mutated, readersOf, seeded, type Reader } from './mutants';
import { briefOf, dataOf, machineOf } from './world';

const readers = readersOf(
  { ...dataOf(), format: CATALOGUE_FORMAT, version: 1, name: 'World' } as never,
  briefOf(),
  machineOf(),
);
const clock = () => performance.now();

test.each(readers.map((reader): [string, Reader] => [reader.name, reader]))(
  '%s: its sound example is taken',
  (_, { sample, read }) => {
    expect(read(sample)).toBe(true);
  },
);

test('no reader throws on what is broken, nothing that is taken throws later, and none stands still', () => {
  const { thrown, taken, slowest } = attack(readers, 1500, 1, clock);
  expect(thrown).toEqual([]);
  // changes that leave a file sound are among them, or the second half of this proves nothing
  expect(taken).toBeGreaterThan(150);
  expect(slowest.seconds, slowest.reader).toBeLessThan(2);
});

test('an attack finds a reader that throws', () => {
  const broken: Reader = {
    name: 'broken',
    sample: '{"a":[1,2]}',
    read: (text) => (JSON.parse(text) as { a: number[] }).a.length > 0,
  };
  expect(attack([broken], 200, 1, clock).thrown.length).toBeGreaterThan(50);
  expect(mutated('abc', seeded(7))).toBe(mutated('abc', seeded(7)));
});

describe('inputs that double take time in proportion, at most', () => {
  const doubling: readonly (readonly [string, (n: number) => string])[] = [
    ['blanks', (n) => ' '.repeat(n)],
    ['digits', (n) => '1'.repeat(n)],
    ['separators', (n) => ','.repeat(n)],
    ['brackets', (n) => '('.repeat(n)],
    ['blanks between brackets', (n) => `(${' '.repeat(n)}`],
    ['slashes', (n) => '/'.repeat(n)],
    ['quotes', (n) => '"'.repeat(n)],
    ['backslashes', (n) => `"${'\\'.repeat(n)}`],
    ['digits and blanks', (n) => '1 '.repeat(n)],
    ['nesting', (n) => '['.repeat(n)],
    ['line ends', (n) => '\n'.repeat(n)],
    ['a column each', (n) => `${Array.from({ length: n / 8 }, (_, i) => `h${i}`).join(',')}\n`],
  ];
  test.each(doubling)('%s', (_, make) => {
    for (const { name, read, sample } of readers) {
      const forms = (n: number) => [make(n), `${sample.slice(0, 40)}${make(n)}`, `${make(n)}${sample.slice(0, 40)}`];
      // far past what a cubic or a square would end within the time of a test
      for (const text of forms(100_000)) {
        const began = clock();
        read(text);
        expect((clock() - began) / 1000, name).toBeLessThan(2);
      }
    }
  });
});

describe('what is nested or hidden', () => {
  test('depth is counted outside texts', () => {
    expect(depthOf('{"a":[[1]],"b":"[[[[\\"["}')).toBe(3);
    expect(readJson('['.repeat(DEEPEST) + ']'.repeat(DEEPEST)).ok).toBe(true);
    expect(readJson('['.repeat(DEEPEST + 1) + ']'.repeat(DEEPEST + 1))).toMatchObject({
      problems: [{ message: `is nested ${DEEPEST + 1} levels deep; up to ${DEEPEST} are read` }],
    });
  });
  test.each([
    ['Card\u202E07', 'U+202E', 5],
    ['\u200BCard', 'U+200B', 1],
    ['Car\u00ADd', 'U+00AD', 4],
    ['C\u200Dard', 'U+200D', 2],
    ['Card \u2066x\u2069', 'U+2066', 6],
  ])('%j is refused with what is hidden in it', (text, name, place) => {
    expect(hiddenIn(text)).toEqual({ name, place });
    expect(plainText().safeParse(text).error?.issues[0]?.message).toBe(
      `holds the invisible character ${name} at place ${place}; take it out`,
    );
  });
  test.each(['Größe', 'می\u200cخواهم', 'क्\u200dष', '👩\u200d💻', '日本語', 'שלום'])('%s is spelled so', (text) => {
    expect(hiddenIn(text)).toBeUndefined();
  });
});

test('what an attack of a hundred thousand inputs found is refused or left open', () => {
  const reader = (name: string) => {
    const found = readers.find((entry) => entry.name === name);
    if (!found) throw new Error(`no reader of ${name}`);
    return found;
  };
  const changed = (text: string, from: RegExp, to: string) => {
    const other = text.replace(from, to);
    expect(other).not.toBe(text);
    return other;
  };
  const fio = reader('fio-rand-read.json');
  expect(fio.read(changed(fio.sample, /"timestamp"\s*:\s*\d+/, '"timestamp": 1795621882000000'))).toBe(true);
  const cores = reader('lscpu.json');
  for (const wrong of ['99999999999 MiB', '0 KiB', '1e9 MiB'])
    expect(cores.read(changed(cores.sample, /("L3 cache:",\s*"data"\s*:\s*)"[^"]*"/, `$1"${wrong}"`))).toBe(true);
});
