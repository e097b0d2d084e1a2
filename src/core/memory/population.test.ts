import { describe, expect, test } from 'vitest';
import { assessed, plus, type Change } from '../tests/world';

const memoryOf = (change: Change) => assessed(change).facts.memory;
const kit = (id: string) => ({ id, part: 'kit' });

describe('filling the board', () => {
  test('the fill order comes first, not the order of the slots', () => {
    expect(memoryOf({}).modules.map((module) => module.slot)).toEqual(['a2', 'b2']);
    expect(memoryOf({ items: plus(kit('kit-2')) }).modules.map((module) => module.slot)).toEqual([
      'a2',
      'b2',
      'a1',
      'b1',
    ]);
  });

  test('modules beyond the slots are counted but not placed', () => {
    const memory = memoryOf({ items: plus(kit('kit-2'), kit('kit-3')) });
    expect(memory.modulesWanted).toBe(6);
    expect(memory.modules).toHaveLength(4);
  });

  test('larger modules go first, so that both channels get one', () => {
    const memory = memoryOf({
      addParts: [
        {
          kind: 'memory',
          id: 'small',
          maker: 'Sablerow',
          name: 'Small',
          generation: 'DDR5',
          modules: 2,
          moduleGiB: 8,
          ranks: 1,
          rateMTs: 5600,
          profileKind: 'EP',
          casLatency: 36,
        },
      ],
      items: plus({ id: 'kit-2', part: 'small' }),
    });
    expect(memory.modules.map((module) => module.gib)).toEqual([32, 32, 8, 8]);
    expect(memory.even).toBe(true);
    expect(memory.bytes).toBe(80 * 2 ** 30);
  });

  test('one module populates one of two channels: half the bandwidth, and uneven', () => {
    const memory = memoryOf({ parts: { kit: { modules: 1 } } });
    expect(memory).toMatchObject({ channelsPopulated: 1, channels: 2, even: false, bandwidthBytesPerS: 44.8e9 });
  });

  test('three modules are uneven on two channels', () => {
    expect(memoryOf({ parts: { kit: { modules: 3 } } }).even).toBe(false);
  });
});

describe('three rates', () => {
  test('supported by the processor depends on the population', () => {
    expect(memoryOf({}).supportedByProcessorMTs).toBe(5600);
    expect(memoryOf({ items: plus(kit('kit-2')) }).supportedByProcessorMTs).toBe(4000);
  });

  test('a single-rank kit is covered by the entry for two ranks', () => {
    expect(memoryOf({ parts: { kit: { ranks: 1 } } }).supportedByProcessorMTs).toBe(5600);
  });

  test('beyond the table nothing is promised', () => {
    expect(memoryOf({ parts: { kit: { ranks: 4 } } }).supportedByProcessorMTs).toBeUndefined();
  });

  test('the profile is held to the limit of the board', () => {
    expect(memoryOf({ parts: { board: { memoryRateMTs: 5200 } } })).toMatchObject({
      profileMTs: 5600,
      effectiveMTs: 5200,
    });
  });

  test('with the profile off the standard rate counts, held to what is supported', () => {
    expect(memoryOf({ machine: { memoryProfile: 'off' } }).effectiveMTs).toBe(4800);
    expect(memoryOf({ machine: { memoryProfile: 'off' }, items: plus(kit('kit-2')) }).effectiveMTs).toBe(4000);
  });

  test('a profile the board cannot read is as good as off', () => {
    expect(memoryOf({ parts: { kit: { profileKind: 'XP' } } })).toMatchObject({
      profileReadable: false,
      effectiveMTs: 4800,
    });
  });

  test('unknown profile kind: the rate is unknown, not the standard one', () => {
    expect(memoryOf({ parts: { kit: { profileKind: undefined } } }).effectiveMTs).toBeUndefined();
  });

  test('latency follows the rate in effect: CL 36 at 5600 is 12.86 ns, held to 5200 it is 13.85 ns', () => {
    expect(memoryOf({}).latencyNs).toBeCloseTo(12.857, 3);
    expect(memoryOf({ parts: { board: { memoryRateMTs: 5200 } } }).latencyNs).toBeCloseTo(13.846, 3);
    // cycles are sold for the profile; what they are at the standard rate is not stated
    expect(memoryOf({ machine: { memoryProfile: 'off' } }).latencyNs).toBeUndefined();
  });
});

describe('unknown figures', () => {
  test('stay unknown: capacity, bandwidth and evenness', () => {
    expect(memoryOf({ parts: { kit: { moduleGiB: undefined } } }).bytes).toBeUndefined();
    expect(memoryOf({ parts: { kit: { modules: undefined } } })).toMatchObject({
      modulesWanted: undefined,
      even: undefined,
      bandwidthBytesPerS: undefined,
    });
    expect(memoryOf({ parts: { board: { memorySlots: undefined } } })).toMatchObject({
      slots: undefined,
      channelsPopulated: undefined,
    });
  });

  test('no memory at all is not "no bytes known"', () => {
    const memory = memoryOf({ items: (items) => items.filter((item) => item['id'] !== 'kit-1') });
    expect(memory.modules).toEqual([]);
    expect(memory.bytes).toBeUndefined();
    expect(memory.effectiveMTs).toBeUndefined();
  });
});

describe('two tables and hands', () => {
  test('a second module pair lowers what processor and board support; the profile above it is a caution, no block', () => {
    const two = assessed({ items: plus(kit('kit-2')) });
    expect(two.facts.memory).toMatchObject({
      supportedByProcessorMTs: 4000,
      supportedByBoardMTs: 4400,
      profileMTs: 5600,
      effectiveMTs: 5600,
      modulesPerChannel: 2,
    });
    expect(two.findings.filter((finding) => finding.rule === 'memory-rate')).toMatchObject([{ level: 'caution' }]);
    expect(two.findings.filter((finding) => finding.level === 'blocks')).toEqual([]);
    expect(memoryOf({}).supportedByBoardMTs).toBe(7200);
  });

  test('a board that states one limit promises nothing for two modules a channel', () => {
    const change = { items: plus(kit('kit-2')), parts: { board: { memoryRates: undefined } } };
    expect(memoryOf(change).supportedByBoardMTs).toBeUndefined();
    expect(memoryOf({ parts: { board: { memoryRates: undefined } } }).supportedByBoardMTs).toBe(7200);
    expect(assessed(change).findings.find((finding) => finding.rule === 'memory-rate')).toMatchObject({
      level: 'unproven',
      missing: [{ field: 'memoryRates' }],
    });
  });

  test('modules seated by hand stay there; what cannot, follows the fill order and is told', () => {
    const by = (slots: string[]) => memoryOf({ machine: { moduleSlots: { 'kit-1': slots } } });
    expect(
      by(['a1', 'b1'])
        .modules.map((module) => module.slot)
        .sort(),
    ).toEqual(['a1', 'b1']);
    expect(by(['a1', 'b1']).wantedSlots).toEqual(['a2', 'b2']);
    expect(by(['a1', 'a2'])).toMatchObject({ channelsPopulated: 1, even: false });
    expect(by(['a2', 'z9'])).toMatchObject({ badSeats: [{ item: 'kit-1', slot: 'z9' }], wantedSlots: undefined });
  });

  test('unequal channels: the matched part over both, the rest over one', () => {
    // 3 modules of 32 GB: 32 + 32 interleaved, 32 more on one channel; 5600 MT/s × 8 B
    expect(memoryOf({ parts: { kit: { modules: 3 } } }).spread).toEqual([
      { gib: 64, channels: 2, bandwidthBytesPerS: 89.6e9 },
      { gib: 32, channels: 1, bandwidthBytesPerS: 44.8e9 },
    ]);
  });

  test('a kit without a profile keeps the timings of its label at its label rate', () => {
    expect(memoryOf({ parts: { kit: { profileKind: 'none', standardRateMTs: 5600 } } }).access?.open).toBeCloseTo(
      12.857,
      3,
    );
    expect(memoryOf({ parts: { kit: { profileKind: 'none' } } }).access).toBeUndefined();
  });
});
