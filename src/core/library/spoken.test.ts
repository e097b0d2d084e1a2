import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { subjectOf, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { partSchema, type Part } from '../parts';
import { TODAY } from '../tests/shops';
import { BUSY, briefOf, dataOf, machineOf, PARTS } from '../tests/world';
import { standInsOf } from '../upgrade/standIns';
import { machineOfSpoken, spokenMachine } from './spoken';

const like = (id: string, change: Record<string, unknown>): Part =>
  partSchema.parse({ ...PARTS.find((part) => part['id'] === id), ...change });
const [cores] = PARTS[0]?.['coreGroups'] as Record<string, unknown>[];
const processor = (id: string, count: number, allCoreGHz: number, change: Record<string, unknown> = {}) =>
  like('cpu', { id, name: `Tern ${id}`, coreGroups: [{ ...cores, count, allCoreGHz }], ...change });
const LIBRARY: Part[] = [
  processor('six-slow', 6, 3, { onSale: '2022-01-01', withdrawn: '2024-01-01' }),
  processor('six', 6, 3.5, { onSale: '2022-01-01' }),
  processor('six-fast', 6, 4, { onSale: '2022-01-01' }),
  processor('six-new', 6, 5, { onSale: '2026-01-01' }),
  processor('eight', 8, 4),
  like('kit', { id: 'two-of-16', name: 'Slate 2x16', modules: 2, moduleGiB: 16 }),
  like('kit', { id: 'four-of-8', name: 'Slate 4x8', modules: 4, moduleGiB: 8 }),
  like('kit', { id: 'older', name: 'Shale 2x16', modules: 2, moduleGiB: 16, generation: 'DDR4' }),
  like('card', { id: 'twelve', name: 'Gale 12', memoryGiB: 12 }),
  like('ssd', { id: 'one-tb', name: 'Rill 1 TB', capacityGB: 960 }),
  like('disk', { id: 'hold', name: 'Hold 8 TB', capacityGB: 8000 }),
  like('psu', { id: 'six-fifty', name: 'Anvil 650', ratedW: 650 }),
  like('board', { id: 'cairn', name: 'Cairn 6' }),
];
const said = (text: string) => spokenMachine(text, LIBRARY, TODAY);
const ids = (text: string) => said(text).parts.map(({ part }) => part.id as string);

describe('a machine in words', () => {
  test('is one part between two commas, by its figures', () => {
    const spoken = said('a 6-core of three years ago, 32 GB, a card with 12 GB, 1 TB drive, 650 W');
    expect(spoken.unknown).toEqual([]);
    expect(spoken.parts.map(({ kind, canBe }) => [kind, canBe])).toEqual([
      ['processor', 3],
      // the memory goes with the processor: what is of another generation is left out
      ['memory', 2],
      ['graphics', 1],
      ['drive', 1],
      ['supply', 1],
    ]);
    // three were sold three years ago: the middle one stands for them, between the least and the best
    expect(spoken.parts[0]).toMatchObject({ part: { id: 'six' }, boughtOn: '2023-05-18' });
    expect(spoken.parts[0]?.between?.map(({ id }) => id)).toEqual(['six-slow', 'six-fast']);
    // the age of the processor is that of all that say none
    expect(spoken.parts.every(({ boughtOn }) => boughtOn === '2023-05-18')).toBe(true);
  });

  test.each([
    ['eight cores', ['eight']],
    ['Tern six-new', ['six-new']],
    ['Cairn 6 and Hold 8 TB', ['cairn', 'hold']],
    ['hard disk, 8 TB ssd', ['hold']],
    ['eight cores, 2 x 16 GB of RAM; gpu', ['eight', 'two-of-16', 'twelve']],
    ['4×8 GB', ['four-of-8']],
  ])('%s', (text, wanted) => expect(ids(text)).toEqual(wanted));

  test('an age by itself is that of all, a year counts from its middle, and never lies ahead', () => {
    const day = (text: string) => said(text).parts.map(({ boughtOn }) => boughtOn);
    expect(day('Cairn 6, six years old')).toEqual(['2020-05-18']);
    expect(day('Cairn 6 from 2024, Hold 8 TB')).toEqual(['2024-07-01', undefined]);
    expect(day('Cairn 6 from 2031')).toEqual([TODAY]);
  });

  test('what nobody can tell is named, and nothing is put in its place', () => {
    expect(said('a toaster, 7 cores, 32 GB').unknown).toEqual([
      { said: 'a toaster', why: 'not-understood' },
      { said: '7 cores', why: 'no-such-part' },
    ]);
    expect(said('a toaster, 7 cores, 32 GB').parts).toHaveLength(1);
  });

  test('whatever is typed, a machine comes out of it that can be kept', () => {
    const word = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom(
        '6 cores',
        '32 GB',
        'card',
        ',',
        'and',
        '1 TB',
        'three years ago',
        '999999 GB',
        '0 cores',
        'Cairn 6',
      ),
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 40 }), (words) => {
        const machine = machineOfSpoken(said(words.join(' ')));
        expect(machine.present).toBe(true);
        expect(machine.items.every(({ owned }) => owned === true)).toBe(true);
      }),
    );
  });

  test('a part whose figures nobody states is neither the least nor the best', () => {
    const library = [...LIBRARY, like('card', { id: 'no-figure', name: 'Gale 12 b', fp32Tflops: undefined })];
    const [card] = spokenMachine('a card with 12 GB', library, TODAY).parts;
    expect(card).toMatchObject({ part: { id: 'twelve' }, between: undefined });
  });

  test('what was only said roughly stands in for it, between two', () => {
    const machine = machineOfSpoken(said('6 cores, Gale 12'));
    expect(machine.items[0]).toMatchObject({ standsInFor: '6 cores', standInRange: ['six-slow', 'six-new'] });
    expect(machine.items[1]).not.toHaveProperty('standsInFor');
  });
});

describe('a machine of which parts are only said roughly', () => {
  const data = dataOf({
    addParts: [
      processor('six-slow', 6, 3),
      processor('six-fast', 6, 4),
      processor('six', 6, 3.5),
      like('ssd', { id: 'ssd-b', seqReadMBs: 7100 }),
    ] as never,
  });
  const context = contextOf(compileCatalogue(data), TODAY);
  const subject = subjectOf(briefOf({ brief: BUSY }), context);
  const present = {
    ...machineOf({
      items: (items) =>
        items.map((item) => ({
          ...item,
          owned: true,
          ...(item['id'] === 'cpu-1'
            ? { part: 'six', standsInFor: '6 cores', standInRange: ['six-slow', 'six-fast'] }
            : {}),
          ...(item['id'] === 'ssd-1' ? { standsInFor: 'a drive', standInRange: ['ssd', 'ssd-b'] } : {}),
        })),
    }),
    id: 'present',
    present: true,
  };

  test('names the one that matters most, each at its least and its best', () => {
    const found = standInsOf(present, subject.assess(machineOf()), subject.assess);
    expect(found?.items.map(({ item }) => item.id)).toEqual(['cpu-1', 'ssd-1']);
    const [most] = found?.items ?? [];
    expect(most?.ends.percent[0]).toBeLessThan(most?.ends.percent[1] ?? 0);
    expect(found?.all.percent).toEqual(most?.ends.percent);
  });

  test('is nothing to tell where every part is named', () => {
    expect(standInsOf(machineOf(), subject.assess(machineOf()), subject.assess)).toBeUndefined();
  });
});
