import { OF_PURPOSE } from './purposes';
import { z } from 'zod';
import { partSchemas, type Part, type PartKind } from './index';
import type { Better } from './common';

/** What a field holds: one value, a list of plain values, or a structure with fields of its own. */
export type FieldType = 'number' | 'whole' | 'flag' | 'choice' | 'text' | 'date' | 'list' | 'structure';

/** One field of a part as forms, columns and files see it. `path` is dotted for members: `connectors.card-8`. */
export interface Field {
  readonly path: string;
  readonly label: string;
  readonly unit: string | undefined;
  readonly better: Better | undefined;
  readonly type: FieldType;
  /** Allowed values of a choice, as written in files. */
  readonly choices: readonly string[];
  /** Choices are numbers (lanes), not words. */
  readonly numericChoices: boolean;
  readonly required: boolean;
  readonly schema: JsonSchema;
}

/** The part of JSON Schema (draft 2020-12) that our own schemas come out as. */
export interface JsonSchema {
  readonly type?: string;
  readonly const?: string | number;
  readonly enum?: readonly (string | number)[];
  readonly anyOf?: readonly JsonSchema[];
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly items?: JsonSchema;
  readonly propertyNames?: JsonSchema;
  readonly additionalProperties?: JsonSchema | boolean;
  readonly format?: string;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly label?: string;
  readonly unit?: string;
  readonly better?: Better;
}

/** Consts of a union of literals, or nothing when the schema is no such union. */
const literals = (schema: JsonSchema): readonly (string | number)[] | undefined => {
  if (schema.enum) return schema.enum;
  const consts = schema.anyOf?.flatMap((option) => (option.const === undefined ? [] : [option.const]));
  return consts && consts.length === schema.anyOf?.length ? consts : undefined;
};

const isScalar = (schema: JsonSchema): boolean =>
  literals(schema) !== undefined || ['string', 'number', 'integer', 'boolean'].includes(schema.type ?? '');

export function fieldTypeOf(schema: JsonSchema): FieldType {
  if (literals(schema)) return 'choice';
  switch (schema.type) {
    case 'number':
      return 'number';
    case 'integer':
      return 'whole';
    case 'boolean':
      return 'flag';
    case 'string':
      return schema.format === 'date' ? 'date' : 'text';
    case 'array':
      return schema.items && isScalar(schema.items) ? 'list' : 'structure';
    default:
      return 'structure';
  }
}

/** "rateMTs" → "rate MTs": only for members that carry no label of their own. */
const spelled = (name: string): string => name.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();

export function fieldOf(path: string, schema: JsonSchema, required: boolean, prefix = ''): Field {
  const type = fieldTypeOf(schema);
  const values = literals(schema) ?? (schema.items && literals(schema.items)) ?? [];
  const own = schema.label ?? spelled(path.split('.').at(-1) ?? path);
  return {
    path,
    label: prefix === '' ? own : `${prefix}: ${own}`,
    unit: schema.unit,
    better: schema.better,
    type,
    choices: values.map(String),
    numericChoices: values.length > 0 && values.every((value) => typeof value === 'number'),
    required,
    schema,
  };
}

/** Scalar members of a structure, by name; nothing when the structure holds more than scalars. */
export function membersOf(schema: JsonSchema): Readonly<Record<string, JsonSchema>> | undefined {
  if (schema.properties) return Object.values(schema.properties).every(isScalar) ? schema.properties : undefined;
  const { propertyNames, additionalProperties } = schema;
  if (propertyNames?.enum && typeof additionalProperties === 'object' && isScalar(additionalProperties))
    return Object.fromEntries(
      propertyNames.enum.map((name) => [String(name), { ...additionalProperties, label: String(name) }]),
    );
  return undefined;
}

/** All fields of an object schema in its order; members of flat structures follow their structure. `kind` is left out. */
export function fieldsOfSchema(zod: z.ZodType): readonly Field[] {
  const schema = z.toJSONSchema(zod, { unrepresentable: 'any', io: 'input' }) as JsonSchema;
  const required = new Set(schema.required ?? []);
  return Object.entries(schema.properties ?? {}).flatMap(([name, property]): Field[] => {
    if (name === 'kind') return [];
    const field = fieldOf(name, property, required.has(name));
    const members = field.type === 'structure' ? membersOf(property) : undefined;
    return [
      field,
      ...Object.entries(members ?? {}).map(([member, sub]) => fieldOf(`${name}.${member}`, sub, false, field.label)),
    ];
  });
}

const cache = new Map<PartKind, readonly Field[]>();

export function fieldsOf(kind: PartKind): readonly Field[] {
  const known = cache.get(kind);
  if (known) return known;
  const fields = fieldsOfSchema(partSchemas[kind]);
  cache.set(kind, fields);
  return fields;
}

/** Names and dates are no figures: a part without a GTIN is not less known. */
export const NOT_FIGURES: ReadonlySet<string> = new Set([
  'id',
  'maker',
  'name',
  'partNumber',
  'gtin',
  'variantOf',
  'figuresFrom',
  'announced',
  'onSale',
  'withdrawn',
  'evidence',
  'source',
]);

/** The figures of a kind: what predictions and rules may ask for. */
export const figuresOf = (kind: PartKind): readonly Field[] =>
  fieldsOf(kind).filter((field) => !NOT_FIGURES.has(field.path) && !field.path.includes('.'));

/** Value at a dotted path; undefined where any step is missing. */
export function valueAt(part: object, path: string): unknown {
  let value: unknown = part;
  for (const step of path.split('.')) {
    if (value === null || typeof value !== 'object' || !Object.hasOwn(value, step)) return undefined;
    value = (value as Record<string, unknown>)[step];
  }
  return value;
}

/** A copy of a part with the value at a dotted path set, or taken away when it is undefined; empty structures go too. */
export function withValueAt(part: object, path: string, value: unknown): Record<string, unknown> {
  const [head = '', ...rest] = path.split('.');
  const { [head]: before, ...others } = part as Record<string, unknown>;
  const next = rest.length === 0 ? value : withValueAt((before as object | undefined) ?? {}, rest.join('.'), value);
  const empty = rest.length > 0 && value === undefined && Object.keys(next as object).length === 0;
  return next === undefined || empty ? others : { ...others, [head]: next };
}

/** Whether a figure means anything for this part: flash does not spin, a tower has no radiator. Unknown kinds of it may. */
export function applies(part: Part, path: string): boolean {
  switch (part.kind) {
    case 'drive':
      if (path === 'rpm') return part.cellKind === undefined || part.cellKind === 'magnetic';
      if (path === 'enduranceTBW' || path === 'heatsinkHeightMm')
        return part.cellKind !== 'magnetic' && (path !== 'heatsinkHeightMm' || part.interface !== 'SATA');
      if (path === 'generation' || path === 'lanes') return part.interface !== 'SATA';
      return true;
    case 'cooler':
      if (path === 'radiatorMm') return part.type === undefined || part.type === 'liquid';
      if (path === 'heightMm' || path === 'memoryClearanceMm') return part.type !== 'liquid';
      if (path === 'fans' || path === 'noiseDbA') return part.type !== 'passive';
      return true;
    case 'expansion':
      return part.purpose === undefined || (OF_PURPOSE[path] ?? part.purpose) === part.purpose;
    case 'accessory':
      return !['fitsCooler', 'fitsSocket'].includes(path) || part.purpose === 'mounting-kit';
    default:
      return true;
  }
}
