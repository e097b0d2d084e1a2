import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  assessed,
  briefOf,
  dataOf,
  DESK,
  EXPORT,
  machineOf,
  PARTS,
  PLAY,
  plus,
  SOURCE,
  without,
  type Change,
} from '../tests/world';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { reportOf } from '../formats/report';
import type { Topology } from '../parts/board';
import { levelRank } from '../rules/rule';
import { COMMON } from '../work/common';
import { EDIT } from '../work/editConstants';
import { processorRates } from './processor';
import { derivedSizes } from '../sizing/held';
import type { TaskResult } from './results';
import { shareMaxMin } from './elastic';
import { editGrid } from '../search/grid';
import type { Derivation } from '../figures/derive';

const resultOf = (change: Change, id = 'play'): TaskResult => {
  const found = assessed(change).tasks.find((task) => task.task === id);
  if (!found) throw new Error(`no task ${id}`);
  return found;
};
const useOf = (result: TaskResult, resource: string) => result.uses.find((use) => use.resource === resource);
const only = (...tasks: object[]): Change => ({ brief: { tasks, sittings: [] } });
const PX = 3840 * 2160;

/** The test board with one more drive slot behind the hub. */
const wideHub = () => {
  const board = PARTS.find((part) => part['kind'] === 'board')?.['topology'] as Topology;
  return {
    topology: {
      ...board,
      slots: [
        ...board.slots.map((slot) => (slot.id === 'm2-2' ? { ...slot, generation: 5 } : slot)),
        { id: 'm2-3', label: 'M.2 slot 3', on: 'hub', kind: 'm2', generation: 5, lanes: 4, lengthsMm: [80] },
      ],
    },
  };
};

describe('processor rates', () => {
  const part = (groups: object[]) =>
    ({ ...dataOf().parts[0], coreGroups: groups }) as Parameters<typeof processorRates>[0];
  const performance = {
    kind: 'performance',
    count: 6,
    threadsPerCore: 2,
    boostGHz: 5,
    allCoreGHz: 4,
    workPerClock: 1.5,
  };
  const efficiency = { kind: 'efficiency', count: 4, threadsPerCore: 1, boostGHz: 4, allCoreGHz: 3, workPerClock: 1 };

  test('serial is the best boost, parallel fills the fastest cores first, then second threads', () => {
    const rates = processorRates(part([performance, efficiency]));
    expect(rates.serial?.value).toBe(7.5);
    expect(rates.parallel(6)?.value).toBe(36);
    expect(rates.parallel(10)?.value).toBe(36 + 12);
    // all 16 threads: second threads of six cores add a quarter of theirs
    expect(rates.parallel(16)?.value).toBeCloseTo(36 + 12 + 6 * 6 * (COMMON.secondThreadGain.value - 1), 12);
    expect(rates.parallel(999)?.value).toBe(rates.parallel(16)?.value);
  });

  test('a clock that is unknown makes the rate unknown and names the groups', () => {
    const { allCoreGHz: _clock, ...vague } = performance;
    const rates = processorRates(part([vague, efficiency]));
    expect(rates.parallel(4)).toBeUndefined();
    expect(rates.missing).toEqual(['coreGroups']);
  });
});

describe('playback, worked by hand', () => {
  const result = resultOf(only(PLAY));

  test('decoding engine: 1500 Mpx/s at 85 % against 25 UHD frames a second', () => {
    expect(useOf(result, 'engine.decode')?.ratio).toBeCloseTo((1500e6 * 0.85) / (PX * 25), 9);
    expect((1500e6 * 0.85) / (PX * 25)).toBeCloseTo(6.149, 3);
  });

  test('arithmetic: 8 steps of 120 FLOP a px at 35 % of 20 TFLOP/s', () => {
    expect(useOf(result, 'gpu.fp32')?.ratio).toBeCloseTo((20e12 * 0.35) / (PX * 25 * 8 * 120), 6);
  });

  test('graphics memory: 24 + 8 × 32 bytes a px at 75 % of 500 GB/s', () => {
    expect(useOf(result, 'gpu.traffic')?.ratio).toBeCloseTo((500e9 * 0.75) / (PX * 25 * (24 + 8 * 32)), 6);
  });

  test('the tightest resource binds, and the rate is target × its ratio', () => {
    expect(result.binds).toBe('engine.decode');
    expect(result.gets?.likely).toBeCloseTo(25 * 6.149, 1);
    expect(result.verdict).toBe('carries');
  });

  test('reads 200 Mbit/s: 25 MB/s', () => {
    expect(useOf(result, 'read:active')?.demand.value).toBeCloseTo(25e6, 3);
  });

  test('4:2:2 goes to the processor when no engine reads it: 19.8 × 1.33 clocks a px', () => {
    const soft = resultOf(only({ ...PLAY, sources: [{ ...SOURCE, chroma: '4:2:2' }] }));
    expect(useOf(soft, 'engine.decode')).toBeUndefined();
    const work = (PX * EDIT.decodeHevc.value * EDIT.chroma422.value * 25) / 1e9;
    expect(useOf(soft, 'cpu.parallel')?.demand.value).toBeCloseTo(work, 6);
    // decoded elsewhere, so every pixel crosses the link at 8 bytes
    expect(useOf(soft, 'gpu.in')?.demand.value).toBeCloseTo(PX * 8 * 25, 3);
  });

  test('raw decodes at half size for less, long-GOP footage does not', () => {
    const cost = (source: object) =>
      useOf(resultOf(only({ ...PLAY, sources: [{ ...SOURCE, ...source }] })), 'cpu.parallel')?.demand.value ?? 0;
    expect(cost({ codec: 'raw', decodeAt: 2 }) / cost({ codec: 'raw', decodeAt: 1 })).toBeCloseTo(0.25 ** 0.8, 9);
    expect(cost({ chroma: '4:2:2', decodeAt: 2 })).toBe(cost({ chroma: '4:2:2', decodeAt: 1 }));
  });

  test('playing at half size works a quarter of the pixels, decoding stays', () => {
    const half = resultOf(only({ ...PLAY, playAt: 2 }));
    expect(useOf(half, 'gpu.fp32')?.ratio).toBeCloseTo(4 * (useOf(result, 'gpu.fp32')?.ratio ?? 0), 6);
    expect(useOf(half, 'engine.decode')?.ratio).toBe(useOf(result, 'engine.decode')?.ratio);
  });
});

describe('export', () => {
  test('by engine is bound by the engine when it is slow, at pixels ÷ rate', () => {
    const slow = PARTS.find((part) => part['id'] === 'card')?.['mediaEngines'] as Record<string, unknown>[];
    const change: Change = {
      ...only(EXPORT),
      parts: {
        card: {
          mediaEngines: slow.map((entry) => (entry['direction'] === 'encode' ? { ...entry, mpxPerS: 100 } : entry)),
        },
      },
    };
    const result = resultOf(change, 'export');
    expect(result.binds).toBe('engine.encode');
    // 15,000 frames of 8.29 Mpx at 85 Mpx/s is 1464 s at least; the other stages hide behind it but for 30 %
    const alone = (15_000 * PX) / 85e6;
    expect(result.gets?.likely).toBeGreaterThanOrEqual(alone);
    expect(result.gets?.likely).toBeLessThan(alone * 1.3);
  });

  test('by software takes the encoder’s clocks at least', () => {
    const result = resultOf(only({ ...EXPORT, path: 'software' }), 'export');
    expect(result.binds).toBe('cpu.parallel');
    // eight cores of 6 Gwork/s and second threads: 60 Gwork/s; 430 clocks a px
    const least = (15_000 * PX * EDIT.encodeHevcMedium.value) / 60e9;
    expect(result.gets?.likely).toBeGreaterThan(least);
    expect(result.gets?.likely).toBeLessThan(least * 1.5);
  });

  test('does not run past the encoder’s largest picture, and says both sizes', () => {
    const large = resultOf(only({ ...EXPORT, outWidth: 7680, outHeight: 4320 }), 'export');
    expect(large.verdict).toBe('short');
    expect(large.gets).toBeUndefined();
    expect(large.impossible).toEqual([
      { code: 'encoder-too-small', width: 7680, height: 4320, maxWidth: 4096, maxHeight: 4096 },
    ]);
  });

  test('to a format no engine writes does not run; in software it does', () => {
    const wide = { ...EXPORT, outChroma: '4:4:4', outBitDepth: 12 };
    expect(resultOf(only(wide), 'export').impossible).toEqual([
      { code: 'no-encoder', codec: 'hevc', chroma: '4:4:4', bitDepth: 12 },
    ]);
    expect(resultOf(only({ ...wide, path: 'software' }), 'export').gets).toBeDefined();
  });

  test('takes longer while real-time work runs beside it', () => {
    const alone = resultOf({ brief: { tasks: [{ ...EXPORT, path: 'software' }], sittings: [] } }, 'export');
    const beside = resultOf(
      {
        brief: {
          tasks: [{ ...EXPORT, path: 'software' }, PLAY, DESK],
          sittings: [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: ['export', 'play', 'desk'] }],
        },
      },
      'export',
    );
    expect(beside.gets?.likely).toBeGreaterThan((alone.gets?.likely ?? Infinity) * 1.02);
  });
});

describe('sittings', () => {
  test('memory of all tasks adds up, and what does not fit slows what uses it', () => {
    const heavy = {
      kind: 'custom',
      id: 'guest',
      name: 'Guest',
      importance: 1,
      mode: 'real-time',
      unit: 'tick',
      unitsPerS: 1,
      serialGwork: 0.1,
      memoryGiB: 80,
    };
    const sitting = (tasks: string[]) => [{ id: 's', name: 'S', hoursPerWeek: 1, tasks }];
    const fits = resultOf({
      brief: { tasks: [PLAY, { ...heavy, memoryGiB: 10 }], sittings: sitting(['play', 'guest']) },
    });
    const spills = resultOf({ brief: { tasks: [PLAY, heavy], sittings: sitting(['play', 'guest']) } });
    expect(spills.ratio?.likely ?? 0).toBeLessThan((fits.ratio?.likely ?? 0) / 2);
  });

  test('two equal exports beside each other each get half: max-min', () => {
    expect(shareMaxMin([new Map([['cpu', 1]]), new Map([['cpu', 1]])])).toEqual([0.5, 0.5]);
    // the one that only half uses the processor runs in full, the other takes what is left
    const shares = shareMaxMin([new Map([['cpu', 0.25]]), new Map([['cpu', 1]])]);
    expect(shares[0]).toBeCloseTo(0.8, 12);
    expect(shares[1]).toBeCloseTo(0.8, 12);
    const apart = shareMaxMin([new Map([['cpu', 1]]), new Map([['gpu', 1]])]);
    expect(apart).toEqual([1, 1]);
  });

  test('max-min shares fill no resource past its end and leave nobody a free step', () => {
    const use = fc
      .dictionary(fc.constantFrom('a', 'b', 'c'), fc.double({ min: 0.01, max: 1, noNaN: true }), { minKeys: 1 })
      .map((object) => new Map(Object.entries(object)));
    fc.assert(
      fc.property(fc.array(use, { minLength: 1, maxLength: 5 }), (busy) => {
        const shares = shareMaxMin(busy);
        const used = new Map<string, number>();
        busy.forEach((entry, i) =>
          entry.forEach((share, key) => used.set(key, (used.get(key) ?? 0) + share * (shares[i] ?? 0))),
        );
        for (const total of used.values()) expect(total).toBeLessThanOrEqual(1 + 1e-9);
        shares.forEach((share, i) => {
          const full = [...(busy[i] ?? new Map<string, number>()).keys()].some(
            (key) => (used.get(key) ?? 0) > 1 - 1e-9,
          );
          expect(share > 1 - 1e-9 || full).toBe(true);
        });
      }),
    );
  });

  test('a flow between devices gets the share of its narrowest link', () => {
    const copy = {
      kind: 'custom',
      id: 'copy',
      name: 'Copy',
      importance: 1,
      mode: 'real-time',
      unit: 'file',
      unitsPerS: 1,
      flows: [{ from: 'network', to: 'archive', gbytePerS: 0.25 }],
    };
    const quick = { parts: { disk: { sustainedWriteMBs: 500 } } };
    // 2.5 Gb/s is 0.3125 GB/s, of which 0.94 are carried: 1.175 times 0.25 GB/s
    expect(resultOf({ ...only(copy), ...quick }, 'copy').ratio?.likely).toBeCloseTo((0.3125 * 0.94) / 0.25, 9);
    // the disk by itself takes 0.19 GB/s, less than the link
    const slow = resultOf(only(copy), 'copy');
    expect(slow.ratio?.likely).toBeCloseTo(0.19 / 0.25, 9);
    expect(slow.missing).toEqual([]);
    // what the disk takes is unknown: so is the result, and the figure is named
    const unknown = resultOf({ ...only(copy), parts: { disk: { sustainedWriteMBs: undefined } } }, 'copy');
    expect(unknown.verdict).toBe('unproven');
    expect(unknown.missing).toEqual([{ item: 'disk-1', part: 'disk', field: 'sustainedWriteMBs' }]);
  });

  test('elastic streams share what the real-time ones leave, max-min fair, and a unit takes as much longer', () => {
    const elastic = (id: string, gbytePerS: number) => ({
      kind: 'custom',
      id,
      name: id,
      importance: 1,
      mode: 'elastic',
      unit: 'second of stream',
      unitsPerRun: 60,
      targetMin: 1,
      flows: [{ from: 'memory', to: id, gbytePerS }],
    });
    // behind the hub: 512/65 × 0.85 = 6.695 GB/s; 2 of them in real time leave 4.695 for wants of 3.5 and 2
    const change = {
      parts: {
        ssd: { sustainedWriteMBs: 20_000, generation: 5 },
        disk: { interface: 'NVMe', generation: 5, lanes: 4, form: 'M.2 2280', sustainedWriteMBs: 20_000 },
        board: wideHub(),
      },
      machine: { pins: { 'ssd-1': 'm2-2', 'disk-1': 'm2-3' } },
      brief: {
        tasks: [
          {
            ...elastic('steady', 2),
            mode: 'real-time',
            unitsPerS: 1,
            unitsPerRun: undefined,
            targetMin: undefined,
            flows: [{ from: 'memory', to: 'system', gbytePerS: 2 }],
          },
          elastic('active', 3.5),
          elastic('archive', 2),
        ].map((task) => JSON.parse(JSON.stringify(task)) as object),
        sittings: [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: ['steady', 'active', 'archive'] }],
      },
    };
    const uplink = (512 / 65) * 0.85;
    const sitting = assessed(change).facts.sittings[0];
    expect(sitting?.flows.map(({ task, bytesPerS }) => [task, (bytesPerS ?? 0) / 1e9])).toEqual([
      ['steady', expect.closeTo(2, 9) as number],
      ['active', expect.closeTo(uplink - 4, 6) as number],
      ['archive', expect.closeTo(2, 6) as number],
    ]);
    // 60 units of a second each, slowed by 3.5 ÷ 2.695
    expect(resultOf(change, 'active').gets?.likely).toBeCloseTo((60 * 3.5) / (uplink - 4), 3);
    expect(resultOf(change, 'archive').gets?.likely).toBeCloseTo(60, 3);
  });

  test('streams and what tasks read meet on the uplink: each counts the other', () => {
    const reads = { ...PLAY, id: 'reads', sources: [{ ...SOURCE, mbitPerS: 24_000 }] };
    const copy = {
      kind: 'custom',
      id: 'copy',
      name: 'Copy',
      importance: 1,
      mode: 'real-time',
      unit: 'file',
      unitsPerS: 1,
      flows: [{ from: 'archive', to: 'memory', gbytePerS: 0.2 }],
    };
    const behind = { 'ssd-1': 'm2-2' };
    const sitting = (tasks: string[]) => [{ id: 's', name: 'S', hoursPerWeek: 1, tasks }];
    const both = { brief: { tasks: [reads, copy], sittings: sitting(['reads', 'copy']) }, machine: { pins: behind } };
    const uplink = ((4 * 128) / 65) * 1e9 * 0.85;
    // 3 GB/s of footage and 0.2 GB/s of the copy on 6.7 GB/s
    expect(useOf(resultOf(both, 'reads'), 'uplink:hub:up')?.ratio).toBeCloseTo((uplink - 0.2e9) / 3e9, 6);
    // the disk by itself reads 0.23 GB/s, which is less than both links leave
    expect(resultOf(both, 'copy').ratio?.likely).toBeCloseTo(0.23 / 0.2, 6);
  });

  test('only a task marked foreground keeps a reserve from elastic work', () => {
    const sittings = [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: ['export', 'desk'] }];
    const run = (foreground: boolean) =>
      resultOf(
        {
          brief: {
            tasks: [
              { ...EXPORT, path: 'software' },
              { ...DESK, foreground },
            ],
            sittings,
          },
        },
        'export',
      ).gets?.likely ?? 0;
    expect(run(true)).toBeGreaterThan(run(false) * 1.1);
  });

  test('custom work without graphics in the machine says what is missing', () => {
    const gpu = {
      kind: 'custom',
      id: 'gpu',
      name: 'Kernel',
      importance: 1,
      mode: 'elastic',
      unit: 'job',
      unitsPerRun: 1,
      fp32Gflop: 100,
    };
    expect(resultOf({ ...only(gpu), items: without('card-1') }, 'gpu').impossible).toContainEqual({
      code: 'no-graphics',
    });
  });
});

/** Supply figures with a better direction, each as a patch that improves it. */
const IMPROVEMENTS: readonly (readonly [
  part: string,
  improve: (part: Record<string, unknown>, by: number) => Record<string, unknown>,
])[] = [
  [
    'cpu',
    (part, by) => ({
      coreGroups: (part['coreGroups'] as Record<string, number>[]).map((group) => ({
        ...group,
        boostGHz: (group['boostGHz'] ?? 0) * by,
      })),
    }),
  ],
  [
    'cpu',
    (part, by) => ({
      coreGroups: (part['coreGroups'] as Record<string, number>[]).map((group) => ({
        ...group,
        allCoreGHz: (group['allCoreGHz'] ?? 0) * by,
      })),
    }),
  ],
  [
    'cpu',
    (part, by) => ({
      coreGroups: (part['coreGroups'] as Record<string, number>[]).map((group) => ({
        ...group,
        workPerClock: (group['workPerClock'] ?? 0) * by,
      })),
    }),
  ],
  ['card', (part, by) => ({ fp32Tflops: (part['fp32Tflops'] as number) * by })],
  ['card', (part, by) => ({ memoryGBs: (part['memoryGBs'] as number) * by })],
  ['card', (part, by) => ({ memoryGiB: (part['memoryGiB'] as number) * by })],
  [
    'card',
    (part, by) => ({
      mediaEngines: (part['mediaEngines'] as Record<string, number>[]).map((entry) => ({
        ...entry,
        mpxPerS: (entry['mpxPerS'] ?? 0) * by,
      })),
    }),
  ],
  ['ssd', (part, by) => ({ seqReadMBs: (part['seqReadMBs'] as number) * by })],
  ['ssd', (part, by) => ({ sustainedWriteMBs: (part['sustainedWriteMBs'] as number) * by })],
  ['ssd', (part, by) => ({ capacityGB: (part['capacityGB'] as number) * by })],
  ['psu', (part, by) => ({ ratedW: (part['ratedW'] as number) * by })],
  [
    'case',
    (part, by) => ({
      cardLengthMm: (part['cardLengthMm'] as number) * by,
      coolerHeightMm: (part['coolerHeightMm'] as number) * by,
    }),
  ],
];

const HARD = {
  brief: {
    tasks: [
      {
        ...PLAY,
        sources: [{ ...SOURCE, chroma: '4:2:2', streams: 3 }],
        renderCache: true,
        monitoring: true,
        temporalNr: 'strong',
      },
      DESK,
    ],
    sittings: [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: ['play', 'desk'] }],
  },
} as const;

describe('properties', () => {
  test('improving one supply figure never worsens a real-time task or a check', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...IMPROVEMENTS),
        fc.double({ min: 1.01, max: 3, noNaN: true }),
        fc.boolean(),
        ([id, improve], by, hard) => {
          const base: Change = hard ? HARD : {};
          const part = PARTS.find((entry) => entry['id'] === id) ?? {};
          const before = assessed(base);
          const after = assessed({ ...base, parts: { [id]: improve(part, by) } });
          before.tasks.forEach((task, i) => {
            for (const edge of ['low', 'likely', 'high'] as const)
              expect(after.tasks[i]?.ratio?.[edge] ?? 0, `${id} ${edge}`).toBeGreaterThanOrEqual(
                (task.ratio?.[edge] ?? 0) * (1 - 1e-9),
              );
          });
          const worst = (list: typeof before.findings) =>
            list.reduce((rank, finding) => Math.min(rank, levelRank(finding.level)), 9);
          expect(worst(after.findings)).toBeGreaterThanOrEqual(worst(before.findings));
        },
      ),
    );
  });

  test('a figure taken away makes a result unproven or leaves it as it was, never better', () => {
    const fields = PARTS.flatMap((part) =>
      Object.keys(part)
        .filter((key) => !['kind', 'id', 'maker', 'name'].includes(key))
        .map((key) => [part['id'] as string, key] as const),
    );
    fc.assert(
      fc.property(fc.constantFrom(...fields), ([id, field]) => {
        const before = assessed(HARD);
        const after = assessed({ ...HARD, parts: { [id]: { [field]: undefined } } });
        after.tasks.forEach((task, i) => {
          if (task.ratio)
            expect(task.ratio.likely, `${id}.${field}`).toBeLessThanOrEqual(
              (before.tasks[i]?.ratio?.likely ?? 0) * (1 + 1e-9),
            );
          else expect(task.verdict).not.toBe('carries');
        });
        // nothing that did not pass before passes now without its figure
        const passed = (checks: typeof before.checks, code: string) =>
          checks.filter((check) => check.code === code && check.level === 'passes').length;
        for (const code of new Set(before.checks.map((check) => check.code)))
          expect(passed(after.checks, code), `${id}.${field} ${code}`).toBeLessThanOrEqual(passed(before.checks, code));
      }),
      { numRuns: 90 },
    );
  });

  test('the order of parts changes nothing', () => {
    const items = machineOf().items;
    const expected = JSON.stringify(reportOf(assessed()));
    fc.assert(
      fc.property(fc.shuffledSubarray([...items], { minLength: items.length, maxLength: items.length }), (shuffled) => {
        expect(
          JSON.stringify(reportOf(assessed({ items: () => shuffled as unknown as Record<string, unknown>[] }))),
        ).toBe(expected);
      }),
      { numRuns: 30 },
    );
  });

  test('the same question twice gives the same answer, and the placement of an unchanged machine is remembered', () => {
    const context = contextOf(compileCatalogue(dataOf()), '2026-05-18');
    const [machine, brief] = [machineOf(), briefOf()];
    const first = assess(machine, brief, context);
    const second = assess(machine, brief, context);
    expect(second.facts.placement).toBe(first.facts.placement);
    expect(JSON.stringify(reportOf(second))).toBe(JSON.stringify(reportOf(first)));
  });
});

describe('the why of a figure', () => {
  const recompute = (node: Derivation): number => {
    if (node.op === 'given') return node.value;
    const values = node.inputs.map(recompute);
    switch (node.op) {
      case 'product':
        return values.reduce((all, value) => all * value, 1);
      case 'sum':
        return values.reduce((all, value) => all + value, 0);
      case 'quotient':
        return values.slice(1).reduce((all, value) => all / value, values[0] ?? NaN);
      case 'power':
        return (values[0] ?? NaN) ** (values[1] ?? NaN);
      case 'least':
        return Math.min(...values);
      case 'most':
        return Math.max(...values);
    }
  };

  test('is what was computed: every node follows from its inputs', () => {
    for (const task of assessed({ brief: { tasks: [PLAY, EXPORT, DESK], sittings: [] } }).tasks)
      for (const use of task.uses)
        for (const node of [use.demand, use.supply])
          if (node)
            expect(recompute(node)).toBeCloseTo(
              node.value,
              Math.max(0, 6 - Math.floor(Math.log10(Math.abs(node.value) || 1))),
            );
  });

  test('names where every figure came from', () => {
    const leaves = (node: Derivation): readonly Derivation[] =>
      node.op === 'given' ? [node] : node.inputs.flatMap(leaves);
    const result = resultOf({});
    for (const use of result.uses)
      for (const leaf of leaves(use.demand))
        if (leaf.op === 'given') expect(leaf.where.length, leaf.label).toBeGreaterThan(2);
  });
});

describe('sizes and grid', () => {
  test('memory as a module set over both channels, space as a drive the trade sells', () => {
    const sizes = derivedSizes(assessed({}), assessed({}));
    expect(sizes.find((size) => size.what === 'space:active')).toMatchObject({ needsBytes: 180e9, size: '500 GB' });
    expect(sizes.find((size) => size.what === 'memory')?.size).toMatch(/^2 × \d+ GB$/);
  });

  test('source by size by path: rates fall with size, the encoder’s limit shows', () => {
    const context = contextOf(compileCatalogue(dataOf()), '2026-05-18');
    const rows = editGrid(
      machineOf(),
      briefOf(),
      briefOf().tasks[0] as typeof PLAY & { sources: (typeof SOURCE)[] } as never,
      context,
    );
    const play = rows[0]?.sizes.map((size) => size.cells[0]?.fps ?? 0) ?? [];
    expect(play).toEqual([...play].sort((a, b) => b - a));
    expect(rows[0]?.sizes.at(-1)?.cells[1]?.impossible[0]?.code).toBe('encoder-too-small');
  });

  test('two spare drives behind the hub share its uplink as a supply', () => {
    const behind = resultOf({
      items: plus({ id: 'ssd-2', part: 'ssd', roles: [] }),
      machine: { pins: { 'ssd-1': 'm2-2' } },
    });
    expect(behind.uses.map((use) => use.resource)).toContain('uplink:hub:up');
  });
});
