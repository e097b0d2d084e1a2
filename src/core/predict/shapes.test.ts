import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { TaskResult } from './results';
import { partSchemas, figureMeta, type PartKind } from '../parts';
import { STARTING_SOURCE as SOURCE } from '../work/edit';
import type { Task } from '../model/tasks';
import { app, demandOn, resultOf, SECOND_CARD, studio, taskOf } from '../tests/studio';
import { FASTER_AND_HOTTER } from '../parts/directions';
import { PARTS, plus, without, type Change } from '../tests/world';
import { sensitivityOf } from './sensitivity';

const single = (task: Task, change: Change = {}): TaskResult => resultOf(studio([task], change), task.id);
const use = (result: TaskResult, resource: string) => result.uses.find((entry) => entry.resource === resource);
const cores = (count: number): Change => ({
  parts: {
    cpu: {
      coreGroups: [
        { kind: 'performance', count, threadsPerCore: 2, baseGHz: 3.5, boostGHz: 5, allCoreGHz: 4, workPerClock: 1.5 },
      ],
    },
  },
});

describe('shapes that practice knows', () => {
  test('doubling the cores makes a software export faster, but less than twice', () => {
    const seconds = (count: number) => single(taskOf('edit-export'), cores(count)).gets?.likely ?? NaN;
    for (const count of [4, 8, 16]) {
      expect(seconds(2 * count)).toBeLessThan(seconds(count));
      expect(seconds(2 * count)).toBeGreaterThan(seconds(count) / 2);
    }
  });

  test('moving an export to an engine lowers the processor’s load and moves the bottleneck', () => {
    const [software, engine] = [single(taskOf('edit-export')), single(taskOf('edit-export', { path: 'engine' }))];
    expect(demandOn(engine, 'cpu.parallel') ?? 0).toBeLessThan((demandOn(software, 'cpu.parallel') ?? 0) / 4);
    expect(software.binds).toBe('cpu.parallel');
    expect(engine.binds).not.toBe('cpu.parallel');
    expect(engine.gets?.likely).toBeLessThan(software.gets?.likely ?? 0);
  });

  test('a bigger timeline stops being real time before a smaller one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.constantFrom('off', 'light', 'strong'),
        (correctionSteps, temporalNr) => {
          const ratio = (width: number, height: number) =>
            single(taskOf('edit-play', { width, height, correctionSteps, temporalNr })).ratio?.likely ?? 0;
          const [hd, uhd, eight] = [ratio(1920, 1080), ratio(3840, 2160), ratio(7680, 4320)];
          expect(hd).toBeGreaterThanOrEqual(uhd - 1e-9);
          expect(uhd).toBeGreaterThanOrEqual(eight - 1e-9);
        },
      ),
      { numRuns: 25, seed: 3 },
    );
  });

  test('a second card helps correction steps, by what the application makes of it, and not the decoding of one stream', () => {
    const task = (extra: object) =>
      taskOf('edit-play', { application: 'app', correctionSteps: 60, temporalNr: 'strong', ...extra });
    const two = (gain: number): Change => ({
      applications: [app({ cards: { max: 2, gain } })],
      items: (all) => plus(SECOND_CARD)(without('capture-1')(all)),
      machine: { pins: { 'card-1': 'card-1', 'card-2': 'card-2' } },
    });
    const one: Change = { applications: [app({})] };
    const alone = use(single(task({}), one), 'gpu.fp32')?.ratio ?? 0;
    const both = use(single(task({}), two(0.8)), 'gpu.fp32')?.ratio ?? 0;
    // the second card stands on four lanes of sixteen: a quarter of 0.8 arrives
    expect(both / alone).toBeCloseTo(1 + 0.8 / 4, 6);
    expect(use(single(task({}), two(0)), 'gpu.fp32')?.ratio).toBeCloseTo(alone, 9);
    expect(use(single(task({}), two(0.8)), 'engine.decode')?.ratio).toBeCloseTo(
      use(single(task({}), one), 'engine.decode')?.ratio ?? 0,
      9,
    );
    // both cards slow down when they may draw less
    const limited = { ...two(0.8), machine: { ...two(0.8).machine, tuning: { cardShare: 0.4 } } };
    expect(use(single(task({}), limited), 'gpu.fp32')?.ratio).toBeLessThan(both * 0.95);
    // an application that uses one card leaves the other idle
    expect(use(single(task({}), { ...two(0.8), applications: [app({})] }), 'gpu.fp32')?.ratio).toBeCloseTo(alone, 9);
  });

  test('a stage of few threads binds while the processor is half idle', () => {
    const capped = single(taskOf('edit-export', { application: 'app' }), {
      applications: [app({ threadCap: 4 })],
      ...cores(16),
    });
    const free = single(taskOf('edit-export'), cores(16));
    expect(capped.gets?.likely).toBeGreaterThan(2 * (free.gets?.likely ?? 0));
    expect(use(capped, 'cpu.parallel')?.busy).toBeLessThan(0.5);
  });

  test('memory beyond the working set stops helping', () => {
    const task = taskOf('edit-play', { sources: [{ ...SOURCE, streams: 8 }] });
    const ratios = [4, 8, 16, 32, 64, 128].map(
      (moduleGiB) => single(task, { parts: { kit: { moduleGiB } } }).ratio?.likely ?? 0,
    );
    expect(ratios).toEqual([...ratios].sort((a, b) => a - b));
    expect(ratios[0]).toBeLessThan(ratios[5] ?? 0);
    expect(ratios.at(-1)).toBe(ratios.at(-2));
  });

  test('a full cache makes a low-endurance drive slower than an older good one, an empty one does not', () => {
    // 100 bytes a Gwork of nothing else: a run that only writes
    const write = (gb: number): Task => ({
      kind: 'custom',
      id: 'write',
      name: 'Write',
      importance: 3,
      mode: 'elastic',
      unit: 'GB',
      unitsPerRun: gb,
      writeGB: { active: 1 },
    });
    const cheap: Change = {
      parts: { ssd: { seqWriteMBs: 6500, sustainedWriteMBs: 240, writeCacheGB: 120, cellKind: 'QLC' } },
    };
    const older: Change = {
      parts: { ssd: { seqWriteMBs: 2400, sustainedWriteMBs: 1400, writeCacheGB: 40, cellKind: 'TLC', generation: 3 } },
    };
    const seconds = (gb: number, change: Change) => single(write(gb), change).gets?.likely ?? NaN;
    expect(seconds(80, cheap)).toBeLessThan(seconds(80, older));
    expect(seconds(800, cheap)).toBeGreaterThan(seconds(800, older));
    // 120 GB at the link’s pace at most, 680 GB at 240 MB/s
    expect(seconds(800, cheap)).toBeGreaterThan(680e9 / 240e6);
  });

  test('a sitting is never lighter than its heaviest task', () => {
    const tasks = [
      taskOf('edit-play'),
      taskOf('live', { renditions: [], record: 'off' }),
      taskOf('audio'),
      taskOf('desk'),
      taskOf('scene'),
    ];
    const alone = new Map(tasks.map((task) => [task.id, single(task).ratio?.likely ?? 0]));
    fc.assert(
      fc.property(fc.subarray(tasks, { minLength: 1 }), (chosen) => {
        for (const result of studio(chosen).tasks)
          expect(result.ratio?.likely ?? 0).toBeLessThanOrEqual((alone.get(result.task) ?? 0) * (1 + 1e-9));
      }),
      { numRuns: 20, seed: 4 },
    );
  });

  test('a narrower link, a capture card beside, or a mixer never change what does not touch them', () => {
    const still = single(taskOf('audio'));
    const fewer = single(taskOf('audio'), { items: without('card-1') });
    expect(fewer.ratio).toEqual(still.ratio);
  });
});

/** Every figure of the parts of the test machine that declares a better direction and is a plain number. */
const DIRECTED = PARTS.flatMap((part) => {
  const kind = part['kind'] as PartKind;
  return Object.keys(partSchemas[kind].shape).flatMap((field) => {
    const { better } = figureMeta(kind, field);
    const value = part[field];
    return (better === 'higher' || better === 'lower') &&
      typeof value === 'number' &&
      value > 0 &&
      !FASTER_AND_HOTTER.has(field)
      ? [{ id: part['id'] as string, field, value, better }]
      : [];
  });
});

/** Counts stay whole. */
const improve = (value: number, better: 'higher' | 'lower'): number =>
  better === 'higher' ? value * 2 : Number.isInteger(value) && value < 10 ? Math.max(1, value - 1) : value / 2;

describe('monotonicity', () => {
  const tasks = [
    taskOf('edit-play', { renderCache: true, monitoring: true }),
    taskOf('live', { record: 'inputs', recordPath: 'software' }),
    taskOf('scene'),
    taskOf('audio'),
    taskOf('ingest', { from: 'memory' }),
    taskOf('cad-view'),
    taskOf('serve'),
    taskOf('guests'),
    taskOf('desk'),
  ];
  const base = tasks.map((task) => ({ task, before: single(task) }));

  test('there are figures of every kind of part to try', () => {
    expect(DIRECTED.length).toBeGreaterThan(40);
    expect(new Set(DIRECTED.map(({ id }) => id)).size).toBeGreaterThan(8);
  });

  test.each(DIRECTED)(
    '$id $field, better when $better, never worsens a real-time task',
    ({ id, field, value, better }) => {
      const improved = { parts: { [id]: { [field]: improve(value, better) } } };
      for (const { task, before } of base) {
        const after = single(task, improved);
        for (const edge of ['low', 'likely', 'high'] as const)
          expect(after.ratio?.[edge] ?? 0, `${task.id} ${edge}`).toBeGreaterThanOrEqual(
            (before.ratio?.[edge] ?? 0) * (1 - 1e-6),
          );
      }
    },
  );
});

describe('sensitivity', () => {
  test('a real-time task on its engine moves by what share of the stated rate is reached', () => {
    const result = single(taskOf('edit-play', { sources: [{ ...SOURCE, streams: 4 }], correctionSteps: 0 }));
    expect(result.binds).toBe('engine.decode');
    expect(sensitivityOf(result)).toEqual([
      expect.objectContaining({ label: 'share of the stated rate reached', elasticity: 1, factor: 1.12 }),
    ]);
  });

  test('elasticities are what a changed constant does: along sums by share', () => {
    const result = single(taskOf('scene'));
    expect(result.binds).toBe('gpu.fp32');
    const list = sensitivityOf(result);
    const shading = (2560 * 1440 * 6500) / 0.35 / 20e12;
    const triangles = 6e6 / (4e9 * 0.3);
    const of = (label: string) => list.find((entry) => entry.label === label)?.elasticity;
    expect(of('lit shading')).toBeCloseTo(-shading / (shading + triangles), 6);
    expect(of('share of the stated rate')).toBeCloseTo(triangles / (shading + triangles), 6);
    expect(list.map(({ factor }) => factor)).toEqual([...list].map(({ factor }) => factor).sort((a, b) => b - a));
  });

  test('a software export moves most by its encoder', () => {
    expect(sensitivityOf(single(taskOf('edit-export')))[0]?.label).toBe('hevc, medium');
  });
});
