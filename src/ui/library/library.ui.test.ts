import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { columnsOf } from '@/core/library/columns';
import { PART_KINDS, type PartKind } from '@/core/parts';
import { fieldsOf } from '@/core/parts/fields';
import { valueWords } from '@/core/words/values';
import { cellWords, unitWords } from './cells';
import { placesOfStaying, widthOfStaying } from './staying';
import { addressOf, besideOrNot, emptyQuestion, questionFrom, type Question } from './question';

const column = (key: string, kind: 'graphics' | 'drive' = 'graphics') => {
  const found = columnsOf(kind, 'USD').find((candidate) => candidate.key === key);
  if (!found) throw new Error(`no column ${key}`);
  return found;
};
const field = (kind: PartKind, path: string) => {
  const found = fieldsOf(kind).find((candidate) => candidate.path === path);
  if (!found) throw new Error(`no field ${path}`);
  return found;
};
const queryOf = (question: Question) => new URLSearchParams(addressOf(question).replace(/^\/library\??/, ''));

describe('the question in the address', () => {
  test('comes back as it was asked', () => {
    const text = fc.string({ maxLength: 20 });
    const asked = fc.record({
      text,
      kind: fc.constantFrom(undefined, ...PART_KINDS),
      filters: fc.dictionary(
        fc.constantFrom('maker', 'price', 'capacityGB', 'connectors.card-8'),
        text.filter((value) => value !== ''),
      ),
      sort: fc.constantFrom(undefined, { key: 'price', descending: true }, { key: 'name', descending: false }),
      columns: fc.uniqueArray(fc.constantFrom('maker', 'name', 'price', 'lengthMm', 'connectors.card-16'), {
        minLength: 1,
      }),
      part: fc.constantFrom(undefined, 'palisar-gale-12'),
      besides: fc.record({
        beside: fc.uniqueArray(fc.constantFrom('fenstore-weir-2-tb', 'fenstore-flume-1-tb', 'fenstore-weir-4-tb'), {
          minLength: 1,
        }),
        besideKind: fc.constant('drive' as const),
        besideShown: fc.boolean(),
      }),
    });
    fc.assert(
      fc.property(asked, ({ besides, ...rest }) => {
        for (const question of [
          { ...rest, ...besides },
          { ...rest, beside: [], besideKind: undefined, besideShown: false },
        ])
          expect(questionFrom(queryOf(question))).toEqual(question);
      }),
    );
  });

  test('of nothing is the plain address, and what is no kind is left out', () => {
    expect(addressOf(emptyQuestion)).toBe('/library');
    expect(questionFrom(new URLSearchParams('kind=toaster')).kind).toBeUndefined();
    expect(questionFrom(new URLSearchParams('kind=drive')).columns).toContain('capacityGB');
  });
});

describe('parts side by side', () => {
  const put = (question: Question, id: string, kind: 'drive' | 'case' = 'drive'): Question => {
    const next = besideOrNot(question, { id, kind });
    if (next === 'full') throw new Error('there is room');
    return next;
  };

  test('one is put there and taken away; one of another kind begins anew', () => {
    const two = { ...put(put(emptyQuestion, 'a'), 'b'), besideShown: true };
    expect([two.beside, two.besideKind]).toEqual([['a', 'b'], 'drive']);
    expect(put(two, 'a')).toMatchObject({ beside: ['b'], besideKind: 'drive', besideShown: true });
    expect(put(put(two, 'a'), 'b')).toEqual(emptyQuestion);
    expect(put(two, 'quay', 'case')).toMatchObject({ beside: ['quay'], besideKind: 'case', besideShown: false });
  });

  test('only so many stand there, and an address that names no kind names nothing', () => {
    const most = ['a', 'b', 'c', 'd', 'e', 'f'].reduce((question, id) => put(question, id), emptyQuestion);
    expect(besideOrNot(most, { id: 'g', kind: 'drive' })).toBe('full');
    for (const text of ['beside=toaster,a,b&shown=beside', 'beside=drive&shown=beside', 'beside='])
      expect(questionFrom(new URLSearchParams(text)).besideKind, text).toBeUndefined();
  });
});

describe('a cell', () => {
  test('that is unknown is a sign of its own, never a number', () => {
    expect(cellWords(null, column('lengthMm'), 'mm')).toBe('?');
    expect(cellWords(0, column('used'), 'mm')).toBe('0');
  });

  test('shows lengths in the desk’s unit and prices with two decimals', () => {
    expect(cellWords(267, column('lengthMm'), 'mm')).toBe('267');
    // 267 ÷ 25.4 = 10.512
    expect(cellWords(267, column('lengthMm'), 'inch')).toBe('10.51');
    expect(unitWords('mm', 'inch')).toBe('in');
    expect(unitWords('W', 'inch')).toBe('W');
    expect(cellWords(527.6, column('price'), 'mm')).toBe('527.60');
  });
});

describe('a value on the sheet', () => {
  test('has its unit, and structures say what they hold', () => {
    expect(valueWords(field('graphics', 'lengthMm'), 267)).toBe('267 mm');
    expect(valueWords(field('graphics', 'lengthMm'), 267, { lengthUnit: 'inch' })).toBe('10.512 in');
    expect(valueWords(field('drive', 'unrecoverableReadPerBit'), 1e-17)).toBe('1e-17 a bit');
    expect(valueWords(field('drive', 'cacheMiB'), 0)).toBe('0 MiB');
    expect(valueWords(field('drive', 'encryption'), false)).toBe('no');
    expect(valueWords(field('supply', 'connectors'), { 'card-8': 2, sata: 6 })).toBe('2 × card-8, 6 × sata');
    expect(valueWords(field('supply', 'connectors'), {})).toBe('none');
    const names = { 'kit-a': 'Maker Kit A' };
    expect(valueWords(field('board', 'testedMemory'), ['kit-a', 'kit-b'], { names })).toBe('Maker Kit A, kit-b');
    expect(valueWords(field('accessory', 'fitsCooler'), 'kit-a', { names })).toBe('Maker Kit A');
    expect(valueWords(field('case', 'mounts'), [{ side: 'top' }])).toBe('1 entry');
    expect(valueWords(field('case', 'mounts'), [])).toBe('none');
    expect(valueWords(field('case', 'boardForms'), ['ATX', 'Mini-ITX'])).toBe('ATX, Mini-ITX');
    expect(valueWords(field('drive', 'rpm'), null)).toBe('unknown');
  });
});

describe('what stays while the grid is scrolled sideways', () => {
  const [maker, name, price] = [
    { key: 'maker', px: 104 },
    { key: 'name', px: 230 },
    { key: 'price', px: 92 },
  ] as const;
  const leftOf = (columns: readonly (typeof maker | typeof name | typeof price)[], widthPx: number) =>
    Object.fromEntries(
      [...placesOfStaying(columns, { left: true, widthPx })].map(([key, { style }]) => [key, style.left]),
    );

  test('all up to the name, each beside the one before it', () => {
    expect(leftOf([maker, name, price], 900)).toEqual({ tick: 0, maker: 30, name: 134 });
    expect(leftOf([name, maker, price], 900)).toEqual({ tick: 0, name: 30 });
    // 30 + 104 + 230
    expect(widthOfStaying(placesOfStaying([maker, name, price], { left: true, widthPx: 900 }))).toBe(364);
  });

  test('nothing where it would leave less than half, where the name stands further back or is not shown', () => {
    expect(leftOf([maker, name, price], 728)).not.toEqual({});
    expect(leftOf([maker, name, price], 727)).toEqual({});
    expect(leftOf([maker, price, name], 2000)).toEqual({});
    expect(leftOf([maker, price], 2000)).toEqual({});
  });

  test('the last has an edge only once something is under it', () => {
    const edges = (left: boolean) =>
      [...placesOfStaying([maker, name], { left, widthPx: 900 })].filter(([, { style }]) => style.boxShadow);
    expect(edges(true).map(([key]) => key)).toEqual(['name']);
    expect(edges(false)).toEqual([]);
  });
});
