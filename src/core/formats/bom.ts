import { z } from 'zod';
import type { Catalogue } from '../model/catalogue';
import { machineSchema, type Machine } from '../model/machine';
import { PART_KINDS, type Part, type PartKind } from '../parts';
import { checkEntry, inside } from './entries';
import { asNow } from './former';
import { parseText, readJson, problemsOf, type Parsed, type Problem } from './problems';

/**
 * A machine as a hardware bill of materials: CycloneDX 1.6 (ECMA-424) in JSON. Each part is a component of type `device`;
 * what the standard has no field for stands in `properties` under the name space `vane:`, a value being JSON text.
 */
const SPEC = '1.6';
const PREFIX = 'vane:';
const FIGURE = `${PREFIX}figure:`;

interface Property {
  readonly name: string;
  readonly value: string;
}

export interface Bom {
  readonly bomFormat: 'CycloneDX';
  readonly specVersion: typeof SPEC;
  readonly version: number;
  readonly metadata: { readonly timestamp: string; readonly component: BomComponent };
  readonly components: readonly BomComponent[];
}

export interface BomComponent {
  readonly type: string;
  readonly 'bom-ref': string;
  readonly name: string;
  readonly manufacturer?: { readonly name: string };
  readonly properties?: readonly Property[];
}

const property = (name: string, value: unknown): Property[] =>
  value === undefined ? [] : [{ name: `${PREFIX}${name}`, value: JSON.stringify(value) }];

/** Fields that have a place of their own in the standard or say which part it is. */
const OWN = new Set(['kind', 'id', 'maker', 'name']);

function component(item: Machine['items'][number], part: Part | undefined): BomComponent {
  const figures = Object.entries(part ?? {}).filter(([field, value]) => !OWN.has(field) && value !== undefined);
  return {
    type: 'device',
    'bom-ref': item.id,
    name: part?.name ?? item.label ?? item.part,
    ...(part ? { manufacturer: { name: part.maker } } : {}),
    properties: [
      ...property('part', item.part),
      ...property('kind', part?.kind),
      ...property('label', item.label),
      ...property('roles', item.roles),
      ...property('owned', item.owned),
      ...property('upright', item.upright),
      ...property('side', item.side),
      ...property('from', item.from),
      ...property('until', item.until),
      ...property('stands-in-for', item.standsInFor),
      ...property('stand-in-range', item.standInRange),
      ...property('fixed', item.fixed),
      ...property('hand-price', item.handPrice),
      ...property('paid', item.paid),
      ...property('resale', item.resale),
      ...figures.map(([field, value]) => ({ name: `${FIGURE}${field}`, value: JSON.stringify(value) })),
    ],
  };
}

/** @param timestamp ISO date and time; core has no clock */
export function writeBom(machine: Machine, catalogue: Pick<Catalogue, 'part'>, timestamp: string): Bom {
  return {
    bomFormat: 'CycloneDX',
    specVersion: SPEC,
    version: 1,
    metadata: {
      timestamp,
      component: {
        type: 'device',
        'bom-ref': `machine.${machine.id}`,
        name: machine.name,
        properties: [
          ...property('machine', machine.id),
          ...property('pins', machine.pins),
          ...property('module-slots', machine.moduleSlots),
          ...property('phases', machine.phases),
          ...property('memory-profile', machine.memoryProfile),
          ...property('tuning', machine.tuning),
          ...property('firmware', machine.firmware),
          ...property('present', machine.present),
        ],
      },
    },
    components: machine.items.map((item) => component(item, catalogue.part(item.part))),
  };
}

const propertySchema = z.looseObject({ name: z.string().max(200), value: z.string().max(200_000).optional() });
const componentSchema = z.looseObject({
  type: z.string().max(60),
  'bom-ref': z.string().max(200).optional(),
  name: z.string().max(300),
  manufacturer: z.looseObject({ name: z.string().max(200).optional() }).optional(),
  supplier: z.looseObject({ name: z.string().max(200).optional() }).optional(),
  properties: z.array(propertySchema).max(500).optional(),
});
const bomSchema = z.looseObject({
  bomFormat: z.literal('CycloneDX', 'is not "CycloneDX": this is not a bill of materials that is read here'),
  specVersion: z.enum(['1.4', '1.5', '1.6'], 'is not a version that is read here; write CycloneDX 1.6'),
  metadata: z.looseObject({ component: componentSchema.optional() }).optional(),
  components: z.array(componentSchema).max(500, 'are more than a machine has'),
});

/** A machine read from a bill of materials. `parts` are those that it describes; `leftOut` what is no part of a machine we know. */
export interface ReadBom {
  readonly machine: Machine;
  readonly parts: readonly Part[];
  readonly leftOut: readonly string[];
}

function valuesOf(
  properties: readonly { name: string; value?: string | undefined }[] | undefined,
  path: string,
  problems: Problem[],
): ReadonlyMap<string, unknown> {
  const values = new Map<string, unknown>();
  (properties ?? []).forEach((entry, i) => {
    if (!entry.name.startsWith(PREFIX)) return;
    const read = readJson(entry.value ?? 'null');
    if (read.ok) values.set(entry.name, read.value);
    else
      problems.push({
        path: `${path}.properties[${i}].value`,
        message: `of "${entry.name}" is not JSON text; texts stand in quotes`,
      });
  });
  return values;
}

/** Reads a machine from a bill of materials; components of other tools without a `vane:kind` are listed, not guessed. */
export function readBom(text: string): Parsed<ReadBom> {
  const parsed = parseText(text, bomSchema);
  if (!parsed.ok) return parsed;
  const problems: Problem[] = [];
  const parts = new Map<string, Part>();
  const items: unknown[] = [];
  const leftOut: string[] = [];
  parsed.value.components.forEach((entry, i) => {
    const path = `components[${i}]`;
    const values = valuesOf(entry.properties, path, problems);
    const of = (name: string) => values.get(`${PREFIX}${name}`);
    const kind = of('kind');
    const id = of('part');
    if (id === undefined && kind === undefined) return leftOut.push(entry.name);
    items.push({
      id: entry['bom-ref'] ?? `item-${i + 1}`,
      part: id,
      ...optional('label', of('label')),
      ...optional('roles', of('roles')),
      ...optional('owned', of('owned')),
      ...optional('upright', of('upright')),
      ...optional('side', of('side')),
      ...optional('phase', of('phase')),
      ...optional('from', of('from')),
      ...optional('until', of('until')),
      ...optional('standsInFor', of('stands-in-for')),
      ...optional('standInRange', of('stand-in-range')),
      ...optional('fixed', of('fixed')),
      ...optional('handPrice', of('hand-price')),
      ...optional('paid', of('paid')),
      ...optional('resale', of('resale')),
    });
    if (kind === undefined) return undefined;
    if (!PART_KINDS.includes(kind as PartKind))
      return problems.push({
        path,
        message: `${JSON.stringify(kind)} is no kind of part; there are ${PART_KINDS.join(', ')}`,
      });
    const figures = [...values].flatMap(([name, value]) =>
      name.startsWith(FIGURE) ? [[name.slice(FIGURE.length), value] as const] : [],
    );
    const checked = checkEntry('parts', {
      kind,
      id,
      maker: entry.manufacturer?.name ?? entry.supplier?.name,
      name: entry.name,
      ...Object.fromEntries(figures),
    });
    if (!checked.ok)
      return problems.push(
        ...checked.problems.map((problem) => ({ path: inside(path, problem.path), message: problem.message })),
      );
    const part = checked.value as Part;
    const before = parts.get(part.id);
    if (before && JSON.stringify(before) !== JSON.stringify(part))
      return problems.push({
        path,
        message: `describes part "${part.id}" with other figures than a component before it`,
      });
    parts.set(part.id, part);
    return undefined;
  });
  const main = valuesOf(parsed.value.metadata?.component?.properties, 'metadata.component', problems);
  const machine = machineSchema.safeParse(
    asNow({
      id: main.get(`${PREFIX}machine`) ?? 'machine',
      name: parsed.value.metadata?.component?.name ?? 'Machine from a bill of materials',
      items,
      ...optional('pins', main.get(`${PREFIX}pins`)),
      ...optional('moduleSlots', main.get(`${PREFIX}module-slots`)),
      ...optional('phases', main.get(`${PREFIX}phases`)),
      ...optional('later', main.get(`${PREFIX}later`)),
      ...optional('memoryProfile', main.get(`${PREFIX}memory-profile`)),
      ...optional('tuning', main.get(`${PREFIX}tuning`)),
      ...optional('firmware', main.get(`${PREFIX}firmware`)),
      ...optional('present', main.get(`${PREFIX}present`)),
    }),
  );
  if (!machine.success) problems.push(...problemsOf(machine.error));
  return problems.length > 0 || !machine.success
    ? { ok: false, problems }
    : { ok: true, value: { machine: machine.data, parts: [...parts.values()], leftOut } };
}

const optional = (key: string, value: unknown): Record<string, unknown> =>
  value === undefined || value === null ? {} : { [key]: value };
