import { describe, expect, test } from 'vitest';
import { demandOn, resultOf, SECOND_CARD, studio, taskOf } from '../tests/studio';
import { without, type Change } from '../tests/world';
import type { ServeWork, TrainWork } from '../model/tasks/learning';
import { cacheBytes, weightBytes } from './serve';
import type { Task } from '../model/tasks';
import { activationBytes, flopPerToken, stateBytes } from './train';

const train = (over: object = {}) => taskOf('train', { trainablePercent: 0.5, ...over }) as TrainWork;
const serve = (over: object = {}) => taskOf('serve', over) as ServeWork;
/** A card of 24 GiB and 200 TFLOP/s, as the examples take it. */
const CARD = { memoryGiB: 24, matrixTflops: 200, fp64Tflops: 0.6, memoryGBs: 800 };
const LEARNING: Change = {
  parts: { card: CARD, kit: { moduleGiB: 64 } },
};
const single = (task: Task, change: Change = LEARNING) => resultOf(studio([task], change), task.id);
const hours = (task: Task, change: Change = LEARNING) => (single(task, change).gets?.likely ?? NaN) / 3600;
/** A second card in the slot behind the hub, where the test world has a capture card. */
const TWO: Change = { ...LEARNING, items: (items) => [...without('capture-1')(items), SECOND_CARD] };

describe('training, worked by hand', () => {
  test('3 billion parameters in full with mixed precision and Adam: 48 GB of states, 44.7 GiB', () => {
    const bytes = stateBytes(train({ method: 'full', paramsB: 3 })).value;
    expect(bytes).toBe(48e9);
    expect(bytes / 2 ** 30).toBeCloseTo(44.7, 1);
  });

  test('the same on a 4-bit base with adapters on 0.5 %: 1.5 GB, 94 MB of scales, 0.24 GB', () => {
    const states = stateBytes(train({ method: 'quantised', paramsB: 3 }));
    // 3e9 ÷ 2; 3e9 × 2 ÷ 64; 15e6 × 16
    expect(states.value).toBeCloseTo(1.5e9 + 93.75e6 + 0.24e9, 0);
    expect(stateBytes(train({ method: 'adapters', paramsB: 3 })).value).toBeCloseTo(6e9 + 0.24e9, 0);
  });

  test('120 million parameters over 3 billion tokens: 2.16 × 10^18 FLOP, 7.5 h at 200 TFLOP/s and 40 %', () => {
    const task = train({
      method: 'full',
      paramsB: 0.12,
      tokensM: 3000,
      layers: 12,
      hidden: 768,
      context: 16,
      batch: 4096,
      recompute: 'none',
      heads: 12,
    });
    // 6 × 0.12e9; attention over 16 tokens adds 6 × 12 × 768 × 16, a fifth of a percent
    expect(flopPerToken(task).value).toBeCloseTo(0.72e9 + 6 * 12 * 768 * 16, 0);
    const flop = flopPerToken({ ...task, layers: 1, hidden: 32, context: 16 } as TrainWork).value * 3e9;
    expect(flop / 1e18).toBeCloseTo(2.16, 2);
    const result = single(task, { ...LEARNING, parts: { ...LEARNING.parts, card: { ...CARD, memoryGiB: 400 } } });
    const arithmetic = result.stages.find(({ stage }) => stage === 'learn')?.seconds ?? 0;
    const steps = 3e9 / (16 * 4096);
    expect((arithmetic * steps) / 3600).toBeCloseTo(7.5 * (1 + (6 * 12 * 768 * 16) / 0.72e9), 2);
  });

  test('what is kept for the way back: 32 layers, 2,048 tokens, 4,096 units, 32 heads', () => {
    const task = train({ batch: 1, recompute: 'none' });
    // s·b·h = 2048 × 4096 = 8,388,608; × 34 = 285 MB; 5·a·s²= 5 × 32 × 2048² = 671 MB; × 32
    expect(activationBytes(task).value).toBe(32 * (8_388_608 * 34 + 671_088_640));
    expect(activationBytes(train({ batch: 1, recompute: 'attention' })).value).toBe(32 * 8_388_608 * 34);
    expect(activationBytes(train({ batch: 1, recompute: 'all' })).value).toBe(32 * 8_388_608 * 2 + 8_388_608 * 34);
  });

  test('recomputing all of it costs 2 of 6 more, and a frozen base saves 2', () => {
    const plain = flopPerToken(train({ method: 'full', recompute: 'none' })).value;
    const all = flopPerToken(train({ method: 'full', recompute: 'all' })).value;
    expect(all - plain).toBe(2 * 7e9);
    expect(plain - flopPerToken(train({ method: 'adapters', recompute: 'none' })).value).toBe(2 * 7e9);
  });

  test('two cards sum 2 × ½ × 1 GB of gradients a step over the narrowest link', () => {
    const result = single(train({ method: 'full', paramsB: 0.5 }), TWO);
    // 0.5e9 × 2 B × 2 × ½
    expect(demandOn(result, 'gpu.exchange')).toBe(1e9);
    // the second slot hangs on four lanes of generation 4 behind the hub
    expect(result.uses.find((use) => use.resource === 'gpu.exchange')?.supply?.value).toBeCloseTo(
      4 * (128 / 65) * 1e9 * 0.85,
      -6,
    );
    expect(demandOn(single(train({ method: 'full', paramsB: 0.5, spread: 'shard' }), TWO), 'gpu.exchange')).toBe(1.5e9);
    expect(demandOn(single(train({ method: 'full', paramsB: 0.5 })), 'gpu.exchange')).toBeUndefined();
  });

  test('what does not fit in graphics memory does not run, and says by how much', () => {
    const result = single(train({ method: 'full', paramsB: 7 }));
    expect(result.verdict).toBe('short');
    expect(result.impossible[0]).toMatchObject({
      code: 'does-not-fit',
      what: 'graphics memory',
      hasBytes: 24 * 2 ** 30,
    });
    expect(single(train()).impossible).toEqual([]);
    // shards halve the states: 1.6 billion in full need 25.6 GB of 25.8 on one card, 12.8 on each of two
    const full = { method: 'full', paramsB: 1.6, batch: 1, layers: 24, hidden: 2048 };
    expect(single(train(full)).impossible).toHaveLength(1);
    expect(single(train({ ...full, spread: 'replicate' }), TWO).impossible).toHaveLength(1);
    expect(single(train({ ...full, spread: 'shard' }), TWO).impossible).toEqual([]);
  });
});

describe('shapes of learning', () => {
  const SMALL = { method: 'full', paramsB: 0.3, layers: 16, hidden: 1024, batch: 8, context: 1024 };

  test('a second card helps training, by less than twice, and shards over a narrow link gain less', () => {
    const one = hours(train(SMALL));
    const copies = hours(train(SMALL), TWO);
    const shards = hours(train({ ...SMALL, spread: 'shard' }), TWO);
    expect(copies).toBeLessThan(one * 0.8);
    expect(copies).toBeGreaterThan(one / 2);
    expect(shards).toBeGreaterThan(copies);
  });

  test('more data-loading cores stop helping once the card is the slowest', () => {
    const images = taskOf('train-images', { storedMpx: 1 });
    const cores = (count: number) =>
      hours(images, {
        ...LEARNING,
        parts: {
          ...LEARNING.parts,
          cpu: {
            coreGroups: [
              {
                kind: 'performance',
                count,
                threadsPerCore: 1,
                baseGHz: 3,
                boostGHz: 5,
                allCoreGHz: 4.5,
                workPerClock: 1.3,
              },
            ],
          },
        },
      });
    const [two, eight, thirtyTwo, more] = [2, 8, 32, 48].map(cores);
    expect(eight).toBeLessThan((two ?? 0) * 0.5);
    expect((thirtyTwo ?? 0) / (more ?? 1)).toBeLessThan(1.06);
  });

  test('memory that holds the set saves reading it again each epoch; beyond that more stops helping', () => {
    const images = taskOf('train-images');
    const read = (moduleGiB: number) =>
      demandOn(single(images, { ...LEARNING, parts: { ...LEARNING.parts, kit: { moduleGiB } } }), 'read:active') ?? 0;
    // 400,000 × 110 kB = 44 GB
    expect(read(16)).toBeCloseTo(64 * 110e3, 3);
    expect(read(64)).toBeCloseTo((64 * 110e3) / 30, 3);
    expect(read(64)).toBe(read(128));
  });
});

describe('serving, worked by hand', () => {
  test('24 layers, 4 heads of 128, 16,384 tokens at 16 bit: 805,306,368 bytes a sequence', () => {
    expect(cacheBytes({ layers: 24, kvHeads: 4, headSize: 128, context: 16_384, name: 'x' }).value).toBe(805_306_368);
  });

  test('8 sequences, 6 GB of weights, 0.5 GB of cache each, 800 GB/s and 75 %: a step takes 16.7 ms', () => {
    const task = serve({
      paramsB: 3,
      bits: 16,
      layers: 20,
      kvHeads: 5,
      headSize: 125,
      context: 10_000,
      users: 8,
      tokensPerS: 10,
      readPerWritten: 0,
    });
    expect(cacheBytes(task).value).toBe(0.5e9);
    const result = single(task);
    const use = result.uses.find(({ resource }) => resource === 'gpu.traffic');
    // demand a second at 10 tokens/s: 10 × 10 GB ÷ 0.75
    expect(use?.demand.value).toBeCloseTo(133.33e9, -7);
    expect((use?.ratio ?? 0) * 10).toBeCloseTo(1 / 0.016667, 1);
  });

  test('weights of 7 billion parameters: 14 GB, 7.2 and 3.7 GB with scales', () => {
    expect(weightBytes({ paramsB: 7, bits: 16, name: 'x' }).value).toBe(14e9);
    expect(weightBytes({ paramsB: 7, bits: 8, name: 'x' }).value).toBeCloseTo(7e9 + 7e9 / 32, 0);
    expect(weightBytes({ paramsB: 7, bits: 4, name: 'x' }).value).toBeCloseTo(3.5e9 + 7e9 / 32, 0);
  });

  test('more users share the weights: twice as many cost less than twice, until the caches no longer fit', () => {
    const traffic = (users: number) => demandOn(single(serve({ users })), 'gpu.traffic') ?? 0;
    expect(traffic(12)).toBeLessThan(2 * traffic(6));
    expect(traffic(12)).toBeGreaterThan(traffic(6));
    expect(single(serve({ users: 200 })).impossible[0]?.code).toBe('does-not-fit');
  });

  test('without a card the processor answers from memory, far more slowly', () => {
    const bare = single(serve(), { ...LEARNING, items: without('card-1') });
    expect(bare.impossible).toEqual([]);
    expect(bare.uses.some((use) => use.resource.startsWith('gpu.'))).toBe(false);
    // 32 FLOP a clock, of which 0.47 are reached, and memory at 0.584 of what it delivers
    expect(bare.ratio?.likely ?? 9).toBeLessThan((single(serve()).ratio?.likely ?? 0) / 4);
  });
});

describe('tables, worked by hand', () => {
  test('8 GB that take 24 in memory: joined in 2,345 Gwork a pass, read once in 20 passes', () => {
    const result = single(taskOf('tables'));
    // 24e9 × 37.9 clocks × 24^0.298, and 8e9 × 6 ÷ 20 to unpack
    expect(demandOn(result, 'cpu.parallel')).toBeCloseTo(24 * 37.9 * 24 ** 0.298 + 2.4, 6);
    expect(demandOn(result, 'read:active')).toBeCloseTo(0.4e9, 3);
    const hold = studio([taskOf('tables')], LEARNING).facts.sittings[0]?.holds.find(({ what }) => what === 'memory');
    expect(hold?.needs.value).toBeGreaterThan(24e9);
  });

  test('what exceeds memory slows it, memory beyond that changes nothing', () => {
    const minutes = (moduleGiB: number) =>
      hours(taskOf('tables', { dataGB: 16 }), { ...LEARNING, parts: { ...LEARNING.parts, kit: { moduleGiB } } });
    expect(minutes(16)).toBeGreaterThan(minutes(32) * 1.5);
    expect(minutes(32)).toBe(minutes(64));
  });

  test('joins wait for one thread, rounds of trees use all cores; sums come before filters, joins last', () => {
    const of = (effort: string) => single(taskOf('tables', { effort, memoryFactor: 5, passes: 1000 }));
    expect(of('join').binds).toBe('cpu.serial');
    expect(of('model').binds).toBe('cpu.parallel');
    const took = ['sum', 'group', 'scan', 'many groups', 'sort', 'join'].map(
      (effort) => of(effort).gets?.likely ?? NaN,
    );
    expect(took).toEqual([...took].sort((a, b) => a - b));
  });

  test('columns are laid out once for all rounds of trees', () => {
    const work = (passes: number) =>
      demandOn(single(taskOf('tables', { effort: 'model', passes })), 'cpu.parallel') ?? 0;
    // 24e9 × 106 clocks and 8e9 × 6 to unpack, shared by the rounds
    expect(work(1) - work(10)).toBeCloseTo((24 * 106 + 8 * 6) * 0.9, 6);
  });
});
