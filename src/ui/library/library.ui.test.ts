import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { columnsOf } from '@/core/library/columns';
import { PART_KINDS } from '@/core/parts';
import { fieldsOf } from '@/core/parts/fields';
import { cellWords, unitWords } from './Grid';
import { addressOf, emptyQuestion, questionFrom, type Question } from './question';
import { valueWords } from './Sheet';

const column = (key: string, kind: 'graphics' | 'drive' = 'graphics') => {
  const found = columnsOf(kind, 'USD').find((candidate) => candidate.key === key);
  if (!found) throw new Error(`no column ${key}`);
  return found;
};
const field = (kind: 'graphics' | 'drive' | 'supply' | 'case', path: string) => {
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
    });
    fc.assert(
      fc.property(asked, (question) => {
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
    expect(valueWords(field('graphics', 'lengthMm'), 267, 'inch')).toBe('10.512 in');
    expect(valueWords(field('drive', 'unrecoverableReadPerBit'), 1e-17)).toBe('1e-17 a bit');
    expect(valueWords(field('drive', 'cacheMiB'), 0)).toBe('0 MiB');
    expect(valueWords(field('drive', 'encryption'), false)).toBe('no');
    expect(valueWords(field('supply', 'connectors'), { 'card-8': 2, sata: 6 })).toBe('2 × card-8, 6 × sata');
    expect(valueWords(field('supply', 'connectors'), {})).toBe('none');
    expect(valueWords(field('case', 'mounts'), [{ side: 'top' }])).toBe('1 entry');
    expect(valueWords(field('case', 'mounts'), [])).toBe('none');
    expect(valueWords(field('case', 'boardForms'), ['ATX', 'Mini-ITX'])).toBe('ATX, Mini-ITX');
    expect(valueWords(field('drive', 'rpm'), null)).toBe('unknown');
  });
});
