import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileCatalogue } from '@/core/model/catalogue';
import { readBom, writeBom } from '@/core/formats/bom';
import { readCase, writeCase } from '@/core/formats/caseFile';
import { readCatalogue } from '@/core/formats/catalogue';
import { DRIVE_ROLES } from '@/core/figures/resources';
import { machineSchema, type Machine } from '@/core/model/machine';
import { demoCatalogue } from '@/demo/catalogue';
import { filmBrief } from '@/demo/ninefathom';
import { catalogueLines } from './exports';

const parsed = readCatalogue(JSON.stringify(demoCatalogue()));
if (!parsed.ok) throw new Error('the demo catalogue is broken');
const data = parsed.value;
const catalogue = compileCatalogue(data);
const ids = data.parts.map((part) => part.id);

const text = fc
  .string({ minLength: 1, maxLength: 40 })
  .filter((value) => /^[^<>\p{Cc}]*$/u.test(value) && value.trim() !== '')
  .map((value) => value.trim());
const optional = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });

/** Any machine of the demo's parts: roles, pins, stand-ins, owned things, firmware. */
const machine: fc.Arbitrary<Machine> = fc
  .record({
    name: text,
    memoryProfile: optional(fc.constantFrom('on' as const, 'off' as const)),
    firmware: optional(text.filter((value) => value.length <= 20)),
    present: optional(fc.boolean()),
    phases: fc
      .record({ name: text.filter((value) => value.length <= 60), on: optional(fc.constant('2027-03-01')) })
      .map((next) => [
        { id: 'next', ...next },
        { id: 'after', name: 'After that', on: '2028-03-01', budgetMinor: 100_00 },
      ]),
    pinned: fc.boolean(),
    items: fc.array(
      fc.record({
        part: fc.constantFrom(...ids),
        label: optional(text),
        roles: optional(fc.subarray([...DRIVE_ROLES])),
        owned: optional(fc.boolean()),
        upright: optional(fc.boolean()),
        from: optional(fc.constant('next')),
        until: optional(fc.constant('after')),
        standsInFor: optional(text),
      }),
      { minLength: 1, maxLength: 12 },
    ),
  })
  .map(({ items, pinned, ...rest }) =>
    machineSchema.parse(
      JSON.parse(
        JSON.stringify({
          id: 'm',
          ...rest,
          items: items.map((item, i) => ({ id: `item-${i + 1}`, ...item })),
          ...(pinned ? { pins: { 'item-1': 'card-1' }, moduleSlots: { 'item-1': ['a2', 'b2'] } } : {}),
        }),
      ),
    ),
  );

describe('out and in again gives the same', () => {
  test('a bill of materials, of any machine', () => {
    fc.assert(
      fc.property(machine, (made) => {
        const read = readBom(JSON.stringify(writeBom(made, catalogue, '2026-05-18T00:00:00Z')));
        if (!read.ok) throw new Error(JSON.stringify(read.problems));
        expect(read.value.machine).toEqual(made);
        for (const part of read.value.parts) expect(part).toEqual(catalogue.part(part.id));
        expect(read.value.leftOut).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  test('a case file, of any machines', () => {
    const drafts = fc
      .array(machine, { minLength: 1, maxLength: 3 })
      .map((list) => list.map((made, i) => ({ ...made, id: `m-${i}` })));
    fc.assert(
      fc.property(drafts, text, (machines, name) => {
        const file = writeCase(name, '2026-05-18', filmBrief(), machines, compileCatalogue(data));
        const read = readCase(JSON.stringify(file));
        if (!read.ok) throw new Error(JSON.stringify(read.problems));
        expect(read.value).toEqual(file);
        expect(read.value.machines).toEqual(machines);
      }),
      { numRuns: 60 },
    );
  });

  test('a catalogue, of any of its parts with their offers', () => {
    // parts may refer to others: those are known to the reader already
    const known = {
      parts: new Set<string>(ids),
      sellers: new Set<string>(),
      regions: new Set<string>(),
      applications: new Set<string>(),
    };
    fc.assert(
      fc.property(fc.subarray(data.parts, { maxLength: 40 }), text, (parts, name) => {
        const chosen = new Set(parts.map((part) => part.id as string));
        const part = { ...data, parts, offers: data.offers.filter((offer) => chosen.has(offer.part)) };
        const read = readCatalogue([...catalogueLines(part, name)].join(''), known);
        if (!read.ok) throw new Error(JSON.stringify(read.problems));
        expect(read.value).toEqual({ ...part, format: 'vane-catalogue', version: 1, name });
      }),
      { numRuns: 60 },
    );
  });
});
