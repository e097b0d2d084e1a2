import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { describe, expect, test } from 'vitest';
import { compileCatalogue } from '../model/catalogue';
import { demoCatalogue } from '@/demo/catalogue';
import { filmDrafts } from '@/demo/ninefathom';
import { itemSchema, type Item, type Machine } from '../model/machine';
import { readBom, writeBom, type Bom } from './bom';
import { readCatalogue } from './catalogue';
import { readInventory } from './lshw';

const parsed = readCatalogue(JSON.stringify(demoCatalogue()));
if (!parsed.ok) throw new Error('the demo catalogue is broken');
const catalogue = compileCatalogue(parsed.value);
const AT = '2026-05-18T00:00:00Z';
const bomOf = (machine: Machine): Bom => writeBom(machine, catalogue, AT);

/** The published schema, as the standard's own library carries it. */
function validator() {
  const folder = join(
    dirname(createRequire(import.meta.url).resolve('@cyclonedx/cyclonedx-library/package.json')),
    'res',
    'schema',
  );
  const schema = (name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as object;
  const ajv = new Ajv({
    strict: false,
    validateFormats: true,
    schemas: {
      'http://cyclonedx.org/schema/spdx.SNAPSHOT.schema.json': schema('spdx.SNAPSHOT.schema.json'),
      'http://cyclonedx.org/schema/jsf-0.82.SNAPSHOT.schema.json': schema('jsf-0.82.SNAPSHOT.schema.json'),
    },
  });
  addFormats(ajv);
  // formats of the schema that no field of ours uses
  ajv.addFormat('idn-email', true);
  ajv.addFormat('iri-reference', true);
  return ajv.compile(schema('bom-1.6.SNAPSHOT.schema.json'));
}

describe('a machine as a bill of materials', () => {
  const rivals = parsed.value.rivals.map((rival) => rival.machine);

  test('is valid by the published CycloneDX 1.6 schema', () => {
    const validate = validator();
    for (const machine of [...filmDrafts(), ...rivals]) {
      expect(validate(bomOf(machine)), JSON.stringify(validate.errors)).toBe(true);
    }
    expect(validate({ ...bomOf(filmDrafts()[0] ?? rivals[0]!), specVersion: 2 })).toBe(false);
  });

  test('goes out and in again: the same machine, the same parts', () => {
    for (const machine of [...filmDrafts(), ...rivals]) {
      const read = readBom(JSON.stringify(bomOf(machine)));
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      // what was measured is no part of a bill of materials
      const { evidence: _measured, ...parts } = machine;
      expect(read.value.machine).toEqual(parts);
      for (const part of read.value.parts) expect(part).toEqual(catalogue.part(part.id));
      expect(read.value.parts.length).toBe(new Set(machine.items.map((item) => item.part)).size);
    }
  });

  test('keeps everything that can be said of an item', () => {
    const [draft] = filmDrafts();
    const [first, second] = draft?.items ?? [];
    if (!draft || !first || !second) throw new Error('no draft');
    const item: Required<Omit<Item, 'stood'>> = {
      id: 'thing-1',
      part: first.part,
      label: 'A thing',
      roles: ['active'],
      owned: true,
      upright: true,
      side: 'rear',
      from: 'next',
      until: 'after',
      handPrice: { priceMinor: 100, shippingMinor: 0, reason: 'told', on: '2026-05-01' },
      paid: { landedMinor: 90, on: '2026-05-02' },
      resale: { fate: 'spare', minor: 50, boughtOn: '2026-05-01' },
      standInRange: [first.part, second.part],
      fixed: 'soldered',
      standsInFor: 'another',
    };
    expect(Object.keys(item).sort()).toEqual(Object.keys(itemSchema.shape).sort());
    const machine: Machine = {
      ...draft,
      items: [item],
      phases: [
        { id: 'next', name: 'Next', on: '2027-05-01', budgetMinor: 100_00 },
        { id: 'after', name: 'After', on: '2028-05-01' },
      ],
    };
    expect(readBom(JSON.stringify(bomOf(machine)))).toMatchObject({
      ok: true,
      value: { machine: { items: [item], phases: machine.phases } },
    });
  });

  test('keeps pins, firmware and what stands in', () => {
    const [draft] = filmDrafts();
    if (!draft) throw new Error('no draft');
    const machine: Machine = {
      ...draft,
      pins: { 'drive-2': 'm2-2' },
      firmware: '2.40',
      memoryProfile: 'off',
      present: true,
    };
    const read = readBom(JSON.stringify(bomOf(machine)));
    expect(read).toMatchObject({ ok: true, value: { machine } });
  });

  test('of another tool is read as far as it says what its parts are', () => {
    const foreign = {
      bomFormat: 'CycloneDX',
      specVersion: '1.5',
      components: [
        { type: 'library', name: 'a library' },
        {
          type: 'device',
          name: 'A drive',
          manufacturer: { name: 'Fenstore' },
          properties: [
            { name: 'vane:kind', value: '"drive"' },
            { name: 'vane:part', value: '"some-drive"' },
          ],
        },
      ],
    };
    expect(readBom(JSON.stringify(foreign))).toMatchObject({
      ok: true,
      value: {
        leftOut: ['a library'],
        machine: { items: [{ part: 'some-drive' }] },
        parts: [{ maker: 'Fenstore', name: 'A drive' }],
      },
    });
  });

  test('with a mistake says where', () => {
    const problems = (json: unknown) => {
      const read = readBom(JSON.stringify(json));
      return read.ok ? [] : read.problems.map((problem) => `${problem.path}: ${problem.message}`);
    };
    expect(problems({ bomFormat: 'Other', specVersion: '1.6', components: [] })[0]).toMatch(
      /^bomFormat: is not "CycloneDX"/,
    );
    expect(problems({ bomFormat: 'CycloneDX', specVersion: '9', components: [] })[0]).toMatch(
      /^specVersion: is not a version/,
    );
    const bom = bomOf(filmDrafts()[0] ?? rivals[0]!);
    const broken = {
      ...bom,
      components: bom.components.map((entry, i) =>
        i === 3
          ? {
              ...entry,
              properties: entry.properties?.map((property) =>
                property.name === 'vane:figure:lengthMm' ? { ...property, value: '-5' } : property,
              ),
            }
          : entry,
      ),
    };
    expect(problems(broken)).toEqual(['components[3].lengthMm: must be above 0']);
    const text = {
      ...bom,
      components: [
        { type: 'device', 'bom-ref': 'x', name: 'x', properties: [{ name: 'vane:part', value: 'no quotes' }] },
      ],
    };
    expect(problems(text)[0]).toMatch(/^components\[0\]\.properties\[0\]\.value: of "vane:part" is not JSON text/);
  });
});

/** What lshw prints, with the world's own makers. */
const inventory = {
  id: 'computer',
  class: 'system',
  children: [
    {
      id: 'core',
      class: 'bus',
      description: 'Motherboard',
      product: 'Shoal',
      vendor: 'Wexcombe',
      children: [
        { id: 'firmware', class: 'memory', description: 'BIOS', version: '0.80' },
        {
          id: 'cpu',
          class: 'processor',
          product: 'Halcyte Knot 8 at 3.6 GHz',
          vendor: 'Halcyte',
          capacity: 4_500_000_000,
          configuration: { cores: '8', threads: '16' },
        },
        {
          id: 'memory',
          class: 'memory',
          size: 34359738368,
          children: [
            {
              id: 'bank:0',
              class: 'memory',
              description: 'DIMM DDR4 Synchronous 3200 MHz',
              product: 'AB-1',
              vendor: 'Sablerow',
              size: 17179869184,
              clock: 3200000000,
            },
            { id: 'bank:1', class: 'memory', description: '[empty]' },
            {
              id: 'bank:2',
              class: 'memory',
              description: 'DIMM DDR4 Synchronous 3200 MHz',
              product: 'AB-1',
              vendor: 'Sablerow',
              size: 17179869184,
              clock: 3200000000,
            },
          ],
        },
        { id: 'display', class: 'display', product: 'Unheard <b>Card</b>', vendor: 'Nobody' },
        {
          id: 'nvme',
          class: 'storage',
          children: [
            {
              id: 'disk:0',
              class: 'disk',
              description: 'NVMe disk',
              product: 'Tarn 1 TB',
              vendor: 'Fenstore',
              businfo: 'nvme@0',
              size: 1_000_204_886_016,
            },
          ],
        },
        {
          id: 'sata',
          class: 'storage',
          children: [
            {
              id: 'disk',
              class: 'disk',
              description: 'ATA Disk',
              product: 'Spinning thing',
              size: 4_000_787_030_016,
              capabilities: { '5400rpm': '5400 rotations per minute' },
            },
            { id: 'cdrom', class: 'disk', description: 'DVD reader', product: 'Reader' },
          ],
        },
      ],
    },
  ],
};

describe('a present machine from an inventory', () => {
  const read = (json: unknown) => readInventory(JSON.stringify(json), parsed.value.parts);

  test('knows the parts that the library has, makes the others of what is told, and leaves the rest unknown', () => {
    const result = read([inventory]);
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    const { machine, parts, recognised, untold } = result.value;
    expect(machine).toMatchObject({ name: 'Present machine', present: true, firmware: '0.80' });
    expect(machine.items.map((item) => item.part as string)).toEqual([
      'halcyte-knot-8',
      'wexcombe-shoal',
      'sablerow-memory-ab-1',
      'nobody-graphics-unheard-b-card-b',
      'fenstore-tarn-1-tb',
      'maker-not-stated-drive-spinning-thing',
    ]);
    expect(machine.items.every((item) => item.owned)).toBe(true);
    expect(recognised).toEqual(['Halcyte Knot 8', 'Wexcombe Shoal', 'Fenstore Tarn 1 TB']);
    expect(parts.find((part) => part.kind === 'memory')).toEqual({
      kind: 'memory',
      id: 'sablerow-memory-ab-1',
      maker: 'Sablerow',
      name: 'AB-1',
      source: 'inventory of the machine (lshw)',
      modules: 2,
      moduleGiB: 16,
      generation: 'DDR4',
      rateMTs: 3200,
    });
    expect(parts.find((part) => part.kind === 'drive')).toMatchObject({
      interface: 'SATA',
      cellKind: 'magnetic',
      rpm: 5400,
      capacityGB: 4000.79,
    });
    expect(parts.find((part) => part.kind === 'graphics')).toMatchObject({ name: 'Unheard b Card /b' });
    expect(untold.join(' ')).toContain('power supply');
  });

  test('a list of processors counts cores where the inventory does not', () => {
    const text = readFileSync(join(import.meta.dirname, '..', 'tests', 'reality', 'lscpu.json'), 'utf8');
    const read = readInventory(text, []);
    if (!read.ok) throw new Error('should be read');
    expect(read.value.machine).toMatchObject({ present: true, items: [{ id: 'processor-1', owned: true }] });
    expect(read.value.parts).toMatchObject([
      { kind: 'processor', coreGroups: [{ count: 2, threadsPerCore: 1 }], cacheMiB: 35.8 },
    ]);
    const list = (...lines: [string, string][]) =>
      JSON.stringify({
        lscpu: [
          { field: 'Model name:', data: 'Halcyte Tern 8', children: lines.map(([field, data]) => ({ field, data })) },
        ],
      });
    const cores = (text: string) => {
      const one = readInventory(text, []);
      return one.ok
        ? one.value.parts.flatMap((part) => (part.kind === 'processor' ? [part.coreGroups] : []))
        : one.problems;
    };
    expect(cores(list(['Core(s) per socket:', '8'], ['Thread(s) per core:', '2'], ['CPU max MHz:', '5100.0']))).toEqual(
      [[{ kind: 'performance', count: 8, threadsPerCore: 2, boostGHz: 5.1 }]],
    );
    // what no processor has is not taken, and nothing stands for it
    expect(cores(list(['Core(s) per socket:', '1000000000']))).toEqual([undefined]);
    expect(readInventory('{"lscpu": [{"field": "Architecture:", "data": "x"}]}', [])).toMatchObject({ ok: false });
  });

  test('of a machine that tells little leaves it at that: the measured virtual machine', () => {
    const text = readFileSync(join(import.meta.dirname, '..', 'tests', 'lshw-small.json'), 'utf8');
    const result = readInventory(text, parsed.value.parts);
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    expect(result.value.untold[0]).toBe('memory: 24 GB in all, in modules that the file does not name');
    const processor = result.value.parts.find((part) => part.kind === 'processor');
    // no cores are stated, so none are made up
    expect(processor).not.toHaveProperty('coreGroups');
    expect(result.value.parts.find((part) => part.kind === 'memory')).not.toHaveProperty('modules');
    expect(result.value.parts.find((part) => part.kind === 'drive')).not.toHaveProperty('capacityGB');
  });

  test('of something else is refused with what to do', () => {
    expect(read({ id: 'x', class: 'system' })).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('run lshw -json as root') as unknown }],
    });
    expect(readInventory('nonsense', [])).toMatchObject({ ok: false, problems: [{ path: 'file' }] });
  });
});
