import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { applies, fieldsOf, figuresOf, valueAt, withValueAt } from './fields';
import { PART_KINDS, partSchema, partSchemas, type Part } from './index';

describe('the fields of every kind', () => {
  test.each(PART_KINDS)('%s: all of its schema, each once, with a label', (kind) => {
    const fields = fieldsOf(kind);
    const top = fields.filter((field) => !field.path.includes('.')).map((field) => field.path);
    expect(top.sort()).toEqual(
      Object.keys(partSchemas[kind].shape)
        .filter((name) => name !== 'kind')
        .sort(),
    );
    expect(new Set(fields.map((field) => field.path)).size).toBe(fields.length);
    for (const field of fields) expect(field.label, field.path).toMatch(/\S/);
    // a unit in the name is the unit of the field
    for (const field of fields)
      if (/(Mm|(?<!TB|KPer)W|GB|MiB|GiB|GHz)$/.test(field.path))
        expect(field.unit, field.path).toBe(/(Mm|W|GB|MiB|GiB|GHz)$/.exec(field.path)?.[0].replace('Mm', 'mm'));
  });

  test('types: numbers, whole numbers, flags, choices, lists, structures and their members', () => {
    const type = (kind: 'drive' | 'supply' | 'case' | 'board', path: string) =>
      fieldsOf(kind).find((field) => field.path === path)?.type;
    expect(type('drive', 'capacityGB')).toBe('number');
    expect(type('drive', 'generation')).toBe('whole');
    expect(type('drive', 'encryption')).toBe('flag');
    expect(type('drive', 'lanes')).toBe('choice');
    expect(type('drive', 'onSale')).toBe('date');
    expect(type('case', 'boardForms')).toBe('list');
    expect(type('board', 'topology')).toBe('structure');
    expect(type('supply', 'connectors.card-16')).toBe('whole');
    expect(fieldsOf('drive').find((field) => field.path === 'lanes')?.numericChoices).toBe(true);
    expect(fieldsOf('drive').find((field) => field.path === 'name')?.required).toBe(true);
  });

  test('names and dates are no figures', () => {
    const figures = figuresOf('drive').map((field) => field.path);
    expect(figures).toContain('capacityGB');
    for (const name of ['id', 'gtin', 'onSale', 'source', 'evidence']) expect(figures).not.toContain(name);
  });
});

describe('a value at a path', () => {
  test('is set and found again, and nothing else changes', () => {
    const path = fc.constantFrom('a', 'b', 'evidence.ratings', 'evidence.testedGrade');
    fc.assert(
      fc.property(
        path,
        fc.jsonValue().filter((value) => value !== null),
        (at, value) => {
          const before = { a: 1, other: 'x', evidence: { returnRate: 0.1 } };
          const after = withValueAt(before, at, value);
          expect(valueAt(after, at)).toEqual(value);
          expect(after['other']).toBe('x');
          expect(valueAt(after, 'evidence.returnRate')).toBe(0.1);
          expect(before).toEqual({ a: 1, other: 'x', evidence: { returnRate: 0.1 } });
        },
      ),
    );
  });

  test('is taken away with the structure that becomes empty', () => {
    expect(withValueAt({ a: 1, evidence: { ratings: 3 } }, 'evidence.ratings', undefined)).toEqual({ a: 1 });
    expect(withValueAt({ a: 1, b: 2 }, 'b', undefined)).toEqual({ a: 1 });
    expect(valueAt({ a: { b: 1 } }, 'a.b.c')).toBeUndefined();
    // names come from files: nothing is inherited
    expect(valueAt({}, 'constructor')).toBeUndefined();
  });
});

test('which figures apply: capture has inputs, networks have a rate, coolers of liquid a radiator', () => {
  const part = (kind: string, figures: object): Part =>
    partSchema.parse({ kind, id: 'x', maker: 'M', name: 'N', ...figures });
  expect(applies(part('expansion', { purpose: 'capture' }), 'videoInputs')).toBe(true);
  expect(applies(part('expansion', { purpose: 'network' }), 'videoInputs')).toBe(false);
  expect(applies(part('expansion', {}), 'videoInputs')).toBe(true);
  expect(applies(part('cooler', { type: 'liquid' }), 'radiatorMm')).toBe(true);
  expect(applies(part('cooler', { type: 'tower' }), 'radiatorMm')).toBe(false);
  expect(applies(part('drive', { interface: 'SATA' }), 'lanes')).toBe(false);
  expect(applies(part('accessory', { purpose: 'paste' }), 'fitsSocket')).toBe(false);
});
