import { boardOf } from '../board/boardOf';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dataOf, PARTS, machineOf } from '../tests/world';
import { compileCatalogue } from '../model/catalogue';
import { fitParts } from '../model/fitted';
import { figureMeta, isNumberField, PART_KINDS, partSchema, partSchemas } from './index';

const minimal = (kind: string) => ({ kind, id: 'x', maker: 'Somebody', name: 'Something' });
const messageOf = (part: object): string => {
  const result = partSchema.safeParse(part);
  return result.success ? '' : (result.error.issues[0]?.message ?? '');
};

describe('a part', () => {
  test('of any kind can be entered with nothing but its name', () => {
    for (const kind of PART_KINDS) expect(partSchema.safeParse(minimal(kind)).success, kind).toBe(true);
  });

  test('has no figure that may be zero where zero means nothing', () => {
    expect(partSchema.safeParse({ ...minimal('graphics'), lengthMm: 0 }).success).toBe(false);
    expect(partSchema.safeParse({ ...minimal('drive'), capacityGB: 0 }).success).toBe(false);
    // but a drive may truly have no cache, and a case no bays
    expect(partSchema.safeParse({ ...minimal('drive'), cacheMiB: 0 }).success).toBe(true);
    expect(partSchema.safeParse({ ...minimal('case'), bays35: 0 }).success).toBe(true);
  });

  test('refuses text that would not be text everywhere', () => {
    expect(messageOf({ ...minimal('fan'), name: '<img src=x>' })).toContain('markup');
    expect(messageOf({ ...minimal('fan'), name: 'a\u0007b' })).toContain('control characters');
    expect(messageOf({ ...minimal('fan'), name: '' })).toContain('empty');
    expect(messageOf({ ...minimal('fan'), name: 'x'.repeat(121) })).toContain('longer than 120');
    expect(partSchema.safeParse({ ...minimal('fan'), name: 'Größe 3½ “quoted”' }).success).toBe(true);
  });

  test('refuses ids and dates that are none', () => {
    expect(messageOf({ ...minimal('fan'), id: 'Has Spaces' })).toContain('not an id');
    expect(messageOf({ ...minimal('fan'), id: '../up' })).toContain('not an id');
    expect(messageOf({ ...minimal('fan'), withdrawn: '2026-02-30' })).toContain('not a date');
  });

  test('keeps lanes and generations to those there are', () => {
    expect(partSchema.safeParse({ ...minimal('graphics'), lanes: 3 }).success).toBe(false);
    expect(partSchema.safeParse({ ...minimal('graphics'), generation: 7 }).success).toBe(false);
    expect(partSchema.safeParse({ ...minimal('graphics'), generation: 6, lanes: 8 }).success).toBe(true);
  });

  test('survives writing and reading back', () => {
    for (const part of PARTS) {
      const once = partSchema.parse(part);
      expect(partSchema.parse(JSON.parse(JSON.stringify(once)))).toEqual(once);
    }
  });

  test('of junk is refused without an exception', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (json) => {
        expect(partSchema.safeParse(json).success).toBe(false);
      }),
    );
  });
});

describe('what a schema knows of its figures', () => {
  test('label, unit and better direction', () => {
    expect(figureMeta('graphics', 'lengthMm')).toEqual({ label: 'length', unit: 'mm', better: 'lower' });
    expect(figureMeta('memory', 'rateMTs')).toEqual({ label: 'profile rate', unit: 'MT/s', better: 'higher' });
    expect(figureMeta('memory', 'nothing')).toEqual({ label: 'nothing' });
  });

  test('every figure has a label', () => {
    const shared = [
      'kind',
      'id',
      'maker',
      'name',
      'partNumber',
      'gtin',
      'variantOf',
      'announced',
      'onSale',
      'withdrawn',
      'evidence',
      'source',
    ];
    for (const kind of PART_KINDS)
      for (const [field, schema] of Object.entries(partSchemas[kind].shape))
        if (!shared.includes(field)) expect(schema.meta(), `${kind}.${field}`).toHaveProperty('label');
  });

  test('which can be typed in as one number', () => {
    expect(isNumberField('drive', 'sustainedWriteMBs')).toBe(true);
    expect(isNumberField('memory', 'modules')).toBe(true);
    for (const field of ['form', 'encryption', 'name', 'constructor', 'evidence'])
      expect(isNumberField('drive', field), field).toBe(false);
    expect(isNumberField('processor', 'coreGroups')).toBe(false);
  });
});

describe('a compiled catalogue', () => {
  const catalogue = compileCatalogue(dataOf());

  test('finds parts by id and kind, and offers by part and region', () => {
    expect(catalogue.part('card')?.kind).toBe('graphics');
    expect(catalogue.part('ghost')).toBeUndefined();
    expect(catalogue.ofKind('drive').map((part) => part.id)).toEqual(['ssd', 'disk']);
    expect(catalogue.ofKind('mixer')).toEqual([]);
    expect(catalogue.offers('card', 'here')).toHaveLength(1);
    expect(catalogue.offers('card', 'elsewhere')).toEqual([]);
    expect(catalogue.seller('shop')?.name).toBe('Shop');
  });

  test('compiles a board once', () => {
    const [board] = catalogue.ofKind('board');
    if (!board) throw new Error('no board');
    expect(boardOf(board)).toBe(boardOf(board));
    expect(boardOf({ ...board, topology: undefined })).toBeUndefined();
  });

  test('fits a machine’s items, keeps those it has lost, in an order that does not depend on theirs', () => {
    const machine = machineOf({ items: (items) => [{ id: 'lost', part: 'ghost' }, ...items].reverse() });
    const fitted = fitParts(machine, catalogue);
    expect(fitted.gone.map((item) => item.id)).toEqual(['lost']);
    expect(fitted.all.map(({ item }) => item.id)).toEqual(
      fitParts(machineOf(), catalogue).all.map(({ item }) => item.id),
    );
    expect(fitted.one('graphics')?.part.id).toBe('card');
    expect(fitted.one('mixer')).toBeUndefined();
  });
});
