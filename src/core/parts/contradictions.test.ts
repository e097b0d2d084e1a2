import { describe, expect, test } from 'vitest';
import { contradictionWords } from '../words/contradictions';
import { partProblems } from '../formats/entries';
import { contradictionsOf } from './contradictions';
import { partSchema, type Part } from './index';

const part = (kind: string, figures: Record<string, unknown>): Part =>
  partSchema.parse({ kind, id: 'x', maker: 'Maker', name: 'Part', ...figures });
const found = (kind: string, figures: Record<string, unknown>) =>
  contradictionsOf(part(kind, figures)).map(({ field, code, has, against }) => [field, code, has, against]);
const says = (kind: string, figures: Record<string, unknown>) =>
  partProblems(part(kind, figures)).map((problem) => `${problem.path} ${problem.message}`);
const group = (figures: Record<string, unknown>) => ({
  coreGroups: [{ kind: 'performance', count: 8, threadsPerCore: 2, ...figures }],
});

describe('what cannot be right inside one part is named with both figures', () => {
  test('a two-lane drive faster than its link: 2 lanes of generation 4 carry 3.938 GB/s', () => {
    expect(found('drive', { interface: 'NVMe', generation: 4, lanes: 2, seqReadMBs: 7000 })).toEqual([
      ['seqReadMBs', 'faster-than-link', 7000, 3938],
    ]);
    expect(found('drive', { interface: 'NVMe', generation: 4, lanes: 2, seqReadMBs: 3900 })).toEqual([]);
    expect(found('drive', { interface: 'SATA', seqReadMBs: 620 })).toEqual([
      ['seqReadMBs', 'faster-than-link', 620, 600],
    ]);
    expect(says('drive', { interface: 'NVMe', generation: 4, lanes: 2, seqReadMBs: 7000 })).toEqual([
      'seqReadMBs is 7,000 MB/s, but its link carries at most 3,938 MB/s; correct the figure, the lanes or the link generation',
    ]);
  });

  test('more drive slots than lanes, unless the card has its own switch', () => {
    expect(found('expansion', { purpose: 'storage', generation: 4, lanes: 4, driveSlots: 8 })).toEqual([
      ['driveSlots', 'more-drive-slots-than-lanes', 8, 4],
    ]);
    expect(found('expansion', { purpose: 'storage', generation: 4, lanes: 4, driveSlots: 8, ownSwitch: true })).toEqual(
      [],
    );
    expect(found('expansion', { purpose: 'network', generation: 3, lanes: 1, networkGbitPerS: 10 })).toEqual([
      ['networkGbitPerS', 'faster-than-link', 10, 7.8],
    ]);
  });

  test('a card thinner than its cooler: two slots are 40.64 mm', () => {
    expect(found('graphics', { slots: 2, coolerThicknessMm: 52 })).toEqual([
      ['slots', 'thinner-than-its-cooler', 2, 52],
    ]);
    expect(found('graphics', { slots: 2, coolerThicknessMm: 40 })).toEqual([]);
  });

  test('memory above its generation', () => {
    expect(found('memory', { generation: 'DDR4', rateMTs: 6000 })).toEqual([
      ['rateMTs', 'rate-above-generation', 6000, 5400],
    ]);
    expect(found('memory', { generation: 'DDR4', standardRateMTs: 3600, rateMTs: 3600 })).toEqual([
      ['standardRateMTs', 'rate-above-generation', 3600, 3200],
    ]);
    expect(found('memory', { generation: 'DDR5', rateMTs: 8000, standardRateMTs: 5600 })).toEqual([]);
    expect(
      found('processor', {
        memory: [
          { generation: 'DDR4', kinds: ['unbuffered'], rates: [{ modulesPerChannel: 1, ranks: 1, rateMTs: 5600 }] },
        ],
      }),
    ).toEqual([['memory[0].rates[0].rateMTs', 'rate-above-generation', 5600, 3200]]);
    expect(found('board', { memoryGeneration: 'DDR5', memoryRateMTs: 12_000 })).toEqual([
      ['memoryRateMTs', 'rate-above-generation', 12_000, 10_600],
    ]);
  });

  test('a base clock above boost, a base power above the limit', () => {
    expect(found('processor', group({ baseGHz: 5.4, boostGHz: 5 }))).toEqual([
      ['coreGroups[0].baseGHz', 'above', 5.4, 5],
    ]);
    expect(found('processor', { basePowerW: 200, maxPowerW: 150 })).toEqual([['basePowerW', 'above', 200, 150]]);
  });

  test('a card that draws more than slot and inputs give: 75 + 150 W', () => {
    expect(found('graphics', { boardPowerW: 260, connectors: { 'card-8': 1 } })).toEqual([
      ['boardPowerW', 'draws-more-than-its-inputs', 260, 225],
    ]);
    expect(found('graphics', { boardPowerW: 260, connectors: { 'card-8': 2 } })).toEqual([]);
    expect(found('graphics', { boardPowerW: 260 })).toEqual([]);
  });

  test('dates out of order, a mean without a count', () => {
    expect(found('fan', { onSale: '2026-01-01', withdrawn: '2025-01-01' })).toEqual([
      ['withdrawn', 'below', '2025-01-01', '2026-01-01'],
    ]);
    expect(says('fan', { onSale: '2026-01-01', withdrawn: '2025-01-01' })[0]).toBe(
      'withdrawn is 2025-01-01, before "on sale" on 2026-01-01; correct one of the two dates',
    );
    expect(found('fan', { evidence: { meanRating: 4.5 } })).toEqual([
      ['evidence.ratings', 'rating-without-count', 4.5, ''],
    ]);
  });

  test('rpm on flash, a cache larger than the drive, a slower cooler at a higher speed, more fans than places', () => {
    expect(found('drive', { cellKind: 'TLC', rpm: 7200 })).toEqual([['rpm', 'spins-without-a-disk', 7200, 'TLC']]);
    expect(found('drive', { capacityGB: 500, writeCacheGB: 800 })).toEqual([['writeCacheGB', 'above', 800, 500]]);
    expect(
      found('cooler', {
        resistance: [
          { rpm: 600, kPerW: 0.2 },
          { rpm: 1200, kPerW: 0.3 },
        ],
      }),
    ).toEqual([['resistance', 'warmer-when-faster', 0.3, 0.2]]);
    expect(
      found('graphics', {
        resistance: [
          { rpm: 900, kPerW: 0.2 },
          { rpm: 2000, kPerW: 0.25 },
        ],
      }),
    ).toEqual([['resistance', 'warmer-when-faster', 0.25, 0.2]]);
    expect(found('cooler', { heightMm: 60, finsAboveBoardMm: 70 })).toEqual([['finsAboveBoardMm', 'above', 70, 60]]);
    expect(found('processor', { maxPowerW: 200, sustainedPowerW: 240 })).toEqual([
      ['sustainedPowerW', 'above', 240, 200],
    ]);
    expect(found('case', { innerLengthMm: 400, cardLengthMm: 420 })).toEqual([['cardLengthMm', 'above', 420, 400]]);
    expect(found('cooler', { type: 'liquid', heightMm: 60 })).toEqual([['radiatorMm', 'no-radiator', 'liquid', 60]]);
    const front = (count: number) => ({
      mounts: [{ side: 'front', fans: [{ sizeMm: 140, count: 2 }] }],
      fansIncluded: [{ side: 'front', sizeMm: 140, count }],
    });
    expect(found('case', front(3))).toEqual([['fansIncluded[0].count', 'more-fans-than-places', 3, 2]]);
    expect(found('case', front(2))).toEqual([]);
  });

  test('memory limit beyond what the slots can hold, and a topology that loops', () => {
    const slots = ['a', 'b'].map((id, i) => ({ id, label: id, channel: id, position: 1, fillOrder: i + 1 }));
    expect(found('board', { memorySlots: slots, moduleLimitGiB: 48, memoryLimitGiB: 192 })).toEqual([
      ['memoryLimitGiB', 'above', 192, 96],
    ]);
    expect(
      found('board', {
        topology: { hubs: [{ id: 'h', label: 'Hub', on: 'h', generation: 4, lanes: 4 }], slots: [] },
      })[0]?.slice(0, 2),
    ).toEqual(['topology.hubs[0].on', 'topology']);
  });

  test('nothing known contradicts nothing', () => {
    for (const kind of [
      'processor',
      'board',
      'memory',
      'graphics',
      'drive',
      'supply',
      'case',
      'cooler',
      'fan',
      'expansion',
      'display',
    ])
      expect(found(kind, {}), kind).toEqual([]);
  });

  test('every code has words with a mend', () => {
    const all = [
      ...contradictionsOf(
        part('drive', { interface: 'SATA', cellKind: 'TLC', rpm: 1, seqReadMBs: 900, capacityGB: 1, writeCacheGB: 2 }),
      ),
      ...contradictionsOf(
        part('graphics', { excursionRatio: 0.5, slots: 1, coolerThicknessMm: 90, boardPowerW: 900, connectors: {} }),
      ),
    ];
    expect(all.length).toBeGreaterThan(5);
    for (const one of all)
      expect(contradictionWords('drive', one), one.code).toMatch(/correct|leave it out|leave the speed out/);
  });
});

test('a board whose table promises more than its limit, or that takes away a slot it does not have', () => {
  const board = partSchema.parse({
    kind: 'board',
    id: 'b',
    maker: 'Wexcombe',
    name: 'B',
    memoryRateMTs: 6000,
    memoryRates: [{ modulesPerChannel: 1, ranks: 2, rateMTs: 6400 }],
    topology: { hubs: [], slots: [{ id: 's', label: 'S', on: 'cpu', kind: 'm2', generation: 4, lanes: 4 }] },
    processorFamilies: [{ family: 'Tern', slotsOff: ['s', 'z'] }],
  });
  expect(contradictionsOf(board)).toEqual([
    { field: 'memoryRates[0].rateMTs', code: 'above', has: 6400, against: 6000, otherField: 'memoryRateMTs' },
    {
      field: 'processorFamilies[0].slotsOff[1]',
      code: 'topology',
      has: 'names slot "z", which this board lacks',
      against: '',
    },
  ]);
});
