import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { briefSchema } from '../model/brief';
import { applicationSchema } from '../model/applications';
import { briefEditSchema, machineEditSchema } from '../model/edits';
import { machineSchema } from '../model/machine';
import { measurementSchema } from '../model/measurement';
import { offerSchema, regionSchema, sellerSchema } from '../model/offers';
import { rivalSchema } from '../model/rivals';
import { settingsSchema } from '../model/settings';
import { watchSchema } from '../money/watch';
import { PART_KINDS, partSchemas, type PartKind } from '../parts';
import { fieldsOf, type JsonSchema } from '../parts/fields';
import { problemsOf } from './problems';

/** All that is kept and was once typed, imported or fetched. */
const SCHEMAS: Readonly<Record<string, z.ZodType>> = {
  ...partSchemas,
  brief: briefSchema,
  machine: machineSchema,
  offer: offerSchema,
  seller: sellerSchema,
  region: regionSchema,
  application: applicationSchema,
  rival: rivalSchema,
  settings: settingsSchema,
  measurement: measurementSchema,
  watch: watchSchema,
  'edit of a machine': machineEditSchema,
  'edit of a brief': briefEditSchema,
};

interface Node extends JsonSchema {
  readonly maxItems?: number;
  readonly oneOf?: readonly Node[];
  readonly allOf?: readonly Node[];
  readonly prefixItems?: readonly Node[];
}

/** Places in a schema where a number has no upper bound, or a list no longest length. */
function unbounded(node: Node, path: string): string[] {
  const found: string[] = [];
  const numbers = node.type === 'number' || node.type === 'integer';
  // a whole number is bounded by what a float can count at the least, which is no bound
  if (numbers && !node.enum && node.const === undefined && !(node.maximum !== undefined && node.maximum < 2 ** 53 - 1))
    found.push(path);
  if (node.type === 'array' && !node.prefixItems && node.maxItems === undefined) found.push(`${path}[]`);
  for (const [name, inner] of Object.entries(node.properties ?? {})) found.push(...unbounded(inner, `${path}.${name}`));
  for (const inner of [
    ...(node.anyOf ?? []),
    ...(node.oneOf ?? []),
    ...(node.allOf ?? []),
    ...(node.prefixItems ?? []),
  ])
    found.push(...unbounded(inner, path));
  if (node.items) found.push(...unbounded(node.items, `${path}[]`));
  if (typeof node.additionalProperties === 'object') found.push(...unbounded(node.additionalProperties, `${path}.*`));
  return found;
}

describe('whatever can be typed, imported or fetched', () => {
  test.each(Object.entries(SCHEMAS))('%s: every number has a bound, every list a longest length', (name, schema) => {
    const json = z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input', reused: 'inline' }) as Node;
    expect([...new Set(unbounded(json, name))]).toEqual([]);
  });

  test('the walk itself finds a number and a list without a bound', () => {
    const bare = z.object({ a: z.number(), b: z.array(z.number().max(3)), c: z.array(z.int()).max(2) });
    expect(unbounded(z.toJSONSchema(bare) as Node, 'x')).toEqual(['x.a', 'x.b[]', 'x.c[]']);
  });
});

const bare = (kind: PartKind) => ({ kind, id: 'x', maker: 'Fenstore', name: 'Any' });
const read = (kind: PartKind, field: string, value: unknown) => {
  const parsed = partSchemas[kind].safeParse({ ...bare(kind), [field]: value });
  return parsed.success ? undefined : problemsOf(parsed.error).map(({ path, message }) => `${path} ${message}`);
};

describe('a figure outside what can be', () => {
  const figures = PART_KINDS.flatMap((kind) =>
    fieldsOf(kind).flatMap((field) =>
      (field.type === 'number' || field.type === 'whole') && !field.path.includes('.')
        ? [[`${kind}.${field.path}`, kind, field] as const]
        : [],
    ),
  );

  test('there are figures to look at', () => expect(figures.length).toBeGreaterThan(120));

  test.each(figures)('%s is refused with its bound, in both directions', (_, kind, field) => {
    const { maximum = NaN, minimum = NaN } = field.schema;
    expect(read(kind, field.path, maximum)).toBeUndefined();
    const above = field.type === 'whole' ? maximum + 1 : maximum * 1.01;
    expect(read(kind, field.path, above)).toEqual([`${field.path} must be at most ${maximum}`]);
    expect(read(kind, field.path, 1e308)).toContain(`${field.path} must be at most ${maximum}`);
    expect(read(kind, field.path, minimum)).toBeUndefined();
    // what may be nothing may be nearly nothing too
    if (minimum > 0)
      expect(read(kind, field.path, field.type === 'whole' ? Math.floor(minimum) - 1 : 5e-324)).toEqual([
        expect.stringMatching(/must be (at least|above) /),
      ]);
    expect(read(kind, field.path, -1)).toHaveLength(1);
    for (const no of [Infinity, NaN]) expect(read(kind, field.path, no)).toHaveLength(1);
  });

  test('counts that are laid out one by one: modules of a kit, ports of a case, cores, connectors', () => {
    expect(read('memory', 'modules', 1_000_000_000)).toEqual(['modules must be at most 64']);
    expect(read('case', 'frontUsb', [{ gbitPerS: 10, count: 1_000_000_000 }])).toEqual([
      'frontUsb[0].count must be at most 64',
    ]);
    expect(read('case', 'fansIncluded', [{ side: 'front', sizeMm: 140, count: 1e9 }])).toEqual([
      'fansIncluded[0].count must be at most 64',
    ]);
    expect(read('processor', 'coreGroups', [{ kind: 'performance', count: 1e9, threadsPerCore: 2 }])).toEqual([
      'coreGroups[0].count must be at most 4096',
    ]);
    expect(read('supply', 'connectors', { sata: 1e9 })).toEqual(['connectors.sata must be at most 64']);
    expect(read('cooler', 'fans', 1e9)).toEqual(['fans must be at most 512']);
  });
});
