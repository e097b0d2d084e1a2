import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { app, demandOn, resultOf, SECOND_CARD, studio, taskOf } from '../tests/studio';
import { without, type Change } from '../tests/world';
import { factorEntries, factorFlop, peakReached } from './cad';
import { raysOf } from './render';
import type { RenderWork, SolveWork } from '../model/tasks/making';
import type { Task } from '../model/tasks';

const single = (task: Task, change: Change = {}) => resultOf(studio([task], change), task.id);
const seconds = (task: Task, change: Change = {}) => single(task, change).gets?.likely ?? NaN;
const cores = (count: number, allCoreGHz: number, boostGHz = allCoreGHz): Change => ({
  parts: {
    cpu: {
      coreGroups: [
        { kind: 'performance', count, threadsPerCore: 1, baseGHz: 2, boostGHz, allCoreGHz, workPerClock: 1 },
      ],
    },
  },
});
const TWO: Change = { items: (items) => [...without('capture-1')(items), SECOND_CARD] };
/** Peak FLOP that one pass of so many FLOP asks for, and the share that is reached. */
const ACHIEVED = 0.35;

describe('turning an assembly, worked by hand', () => {
  test('3,500 components with edges: 4 M clocks a frame and 1.8 × 2,500 each, 30 times a second', () => {
    const result = single(taskOf('cad-view'));
    expect(demandOn(result, 'cpu.serial')).toBeCloseTo(30 * (0.004 + 3500 * 2.5e-6 * 1.8), 9);
  });

  test('25 million triangles at 50 bytes hold 1.25 GB of graphics memory, components 1.6 MiB each of memory', () => {
    const holds = studio([taskOf('cad-view')]).facts.sittings[0]?.holds ?? [];
    const on = (what: string) => holds.find((hold) => hold.what === what)?.needs.value ?? 0;
    expect(on('graphics memory')).toBeCloseTo(1.25e9 + 0.6 * 2 ** 30, -3);
    expect(on('memory')).toBeCloseTo(3500 * 1.6 * 2 ** 20 + 4 * 2 ** 30, -3);
  });

  test('without edges the card draws 1 ÷ 1.8 of the triangles', () => {
    const drawn = (edges: boolean) =>
      demandOn(single(taskOf('cad-view', { edges, width: 16, height: 16 })), 'gpu.fp32') ?? 0;
    expect(drawn(true) / drawn(false)).toBeCloseTo(1.8, 3);
  });

  test('a second card does not help it', () => {
    const fast = {
      cpu: {
        coreGroups: [
          { kind: 'performance', count: 8, threadsPerCore: 1, baseGHz: 4, boostGHz: 6, allCoreGHz: 5, workPerClock: 3 },
        ],
      },
    };
    const heavy = taskOf('cad-view', { mTriangles: 200, components: 500 });
    expect(single(heavy, { ...TWO, parts: fast }).ratio?.likely).toBeCloseTo(
      single(heavy, { parts: fast }).ratio?.likely ?? 0,
      6,
    );
  });
});

describe('steps of CAD, worked by hand', () => {
  test('400 features of 60 M clocks, 92 % one after the other: 4.6 s on one of eight cores at 5 GHz', () => {
    // 400 × 0.06 × (0.92 ÷ 5 + 0.08 ÷ 40)
    expect(seconds(taskOf('cad-step'), cores(8, 5))).toBeCloseTo(400 * 0.06 * (0.92 / 5 + 0.08 / 40), 6);
  });

  test('a rebuild prefers a faster core over more cores; drawings do not', () => {
    const rebuild = taskOf('cad-step');
    expect(seconds(rebuild, cores(8, 4, 5.5))).toBeLessThan(seconds(rebuild, cores(16, 4, 5)));
    const drawing = taskOf('cad-step', { step: 'drawing' });
    expect(seconds(drawing, cores(16, 4, 4.2))).toBeLessThan(seconds(drawing, cores(4, 4, 4.6)));
  });

  test('opening 3,500 components of 0.8 MB reads 2.8 GB', () => {
    const result = single(taskOf('cad-step', { step: 'open' }));
    expect((demandOn(result, 'read:active') ?? 0) * 3500).toBeCloseTo(2.8e9, 0);
    expect(result.stages.map(({ stage }) => stage)).toEqual(['read', 'unpack']);
  });
});

describe('direct solution, worked by hand', () => {
  const solid = (unknownsK: number) => ({ mesh: 'solid', unknownsK, name: 'x' }) as const;
  test('doubled unknowns need 2.52 times the memory and four times the work of a solid', () => {
    expect(factorEntries(solid(1000)).value / factorEntries(solid(500)).value).toBeCloseTo(2.52, 2);
    expect(factorFlop(solid(1000)).value / factorFlop(solid(500)).value).toBeCloseTo(4, 9);
    // 10^6 unknowns: 17.5 × 10^8 entries of 8 bytes
    expect(factorEntries(solid(1000)).value * 8).toBeCloseTo(14e9, -3);
  });

  test('a shell needs far less: n log2 n and n^(3/2)', () => {
    const shell = { mesh: 'shell', unknownsK: 1048.576, name: 'x' } as const;
    expect(factorEntries(shell).value).toBeCloseTo(11.7 * 2 ** 20 * 20, 0);
    expect(factorFlop(shell).value).toBeCloseTo(262 * 2 ** 30, 0);
  });

  test('10^11 FLOP at 16 a clock, on eight cores: small fronts reach an eighth of the peak', () => {
    // (74,744 unknowns)² × 17.9 = 10^11
    const task = taskOf('solve', { unknownsK: Math.sqrt(1e11 / 17.9) / 1e3, steps: 1 }) as SolveWork;
    const result = single(task, { parts: { cpu: { ...cores(8, 4).parts?.['cpu'], fp64PerClock: 16 } } });
    // 10^11 ÷ (17.5 × 74,744^(4/3)) = 1,815 FLOP an entry; half of the peak at 3,650 × 8^0.688 = 15,262
    expect(peakReached(task, 8).value).toBeCloseTo(1815 / (1815 + 15_262), 3);
    const beside = (task.unknownsK * 1e3 * (3950 + 21_000)) / 1e9;
    const reached = peakReached(task, 8).value;
    expect((demandOn(result, 'cpu.parallel') ?? 0) - beside).toBeCloseTo(100 / 16 / reached, 6);
  });

  test('ordering is done once a run, on one thread; heat has fewer entries than stress at the same unknowns', () => {
    const serial = (steps: number) => demandOn(single(taskOf('solve', { steps })), 'cpu.serial') ?? 0;
    // 600,000 unknowns × 21,000 clocks, shared by the steps
    expect(serial(1) - serial(4)).toBeCloseTo(12.6 * (1 - 1 / 4), 6);
    const entries = (mesh: SolveWork['mesh']) => factorEntries({ mesh, unknownsK: 600, name: 'x' }).value;
    expect(entries('solid') / entries('scalar')).toBeCloseTo(17.5 / 6.1, 6);
  });

  test('more cores reach less of their peak, larger meshes more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 64 }), fc.integer({ min: 5, max: 5000 }), (count, unknownsK) => {
        const reached = (more: number, cores: number) =>
          peakReached({ mesh: 'solid', unknownsK: unknownsK * more, name: 'x' }, cores).value;
        expect(reached(1, count)).toBeGreaterThan(0);
        expect(reached(1, count)).toBeLessThan(1);
        expect(reached(2, count)).toBeGreaterThan(reached(1, count));
        expect(reached(1, count + 1)).toBeLessThan(reached(1, count));
        // and yet more cores are faster
        expect(reached(1, count + 1) * (count + 1)).toBeGreaterThan(reached(1, count) * count);
      }),
    );
  });

  test('a factor beyond the memory goes out of core: scratch is written once and read three times, and it takes longer', () => {
    const task = taskOf('solve', { unknownsK: 3000 }) as SolveWork;
    const fits = single(task, { parts: { kit: { moduleGiB: 96 } } });
    const short = single(task, { parts: { kit: { moduleGiB: 32 } } });
    const bytes = factorEntries(task).value * 8;
    expect(demandOn(fits, 'write:scratch')).toBeUndefined();
    expect(demandOn(short, 'write:scratch')).toBeCloseTo(bytes, -3);
    expect(demandOn(short, 'read:scratch')).toBeCloseTo(3 * bytes, -3);
    expect(short.gets?.likely).toBeGreaterThan(fits.gets?.likely ?? Infinity);
  });

  test('a processor that does not state its double-precision rate leaves it unproven', () => {
    const result = single(taskOf('solve'), { parts: { cpu: { fp64PerClock: undefined } } });
    expect(result.verdict).toBe('unproven');
    expect(result.missing).toContainEqual({ item: 'cpu-1', part: 'cpu', field: 'fp64PerClock' });
  });

  test('an application may factorise on the card, in double precision', () => {
    const solver = app({ trade: 'cad', effects: 'graphics' });
    const result = single(taskOf('solve', { application: 'app' }), { applications: [solver] });
    expect(demandOn(result, 'gpu.fp64')).toBeCloseTo((17.9 * 0.36e12) / 0.45, -6);
  });
});

describe('rendering, worked by hand', () => {
  test('HD at 256 samples and 4 bounces: 5.3 × 10^9 rays a frame', () => {
    expect(raysOf(taskOf('render') as RenderWork).value).toBe(1920 * 1080 * 256 * 5 * 2);
  });

  test('20 million triangles at 125 bytes, 3 GiB of textures, 64 bytes a pixel on the card', () => {
    const hold = studio([taskOf('render')]).facts.sittings[0]?.holds.find(({ what }) => what === 'graphics memory');
    expect(hold?.needs.value).toBeCloseTo(2.5e9 + 3 * 2 ** 30 + 1920 * 1080 * 64 + 0.8 * 2 ** 30, -3);
  });

  test('twice the samples take nearly twice as long; a second card nearly halves it', () => {
    const at = (samples: number, change: Change = {}) => seconds(taskOf('render', { samples }), change);
    expect(at(512) / at(256)).toBeGreaterThan(1.9);
    expect(at(256, TWO)).toBeLessThan(at(256) * 0.9);
    expect(at(256, TWO)).toBeGreaterThan(at(256) / 2);
  });

  test('a scene beyond graphics memory falls off a cliff', () => {
    const at = (texturesGiB: number) => seconds(taskOf('render', { texturesGiB }));
    expect(at(8)).toBeCloseTo(at(3), 3);
    expect(at(16)).toBeGreaterThan(at(8) * 3);
  });

  test('on cores more of them help almost in full, and no card is needed', () => {
    const onCores = app({ trade: 'render', effects: 'processor', threadCap: 64 });
    const at = (count: number) =>
      seconds(taskOf('render', { application: 'app' }), {
        ...cores(count, 4),
        items: without('card-1'),
        applications: [onCores],
      });
    expect(at(4) / at(8)).toBeGreaterThan(1.7);
    expect(at(4) / at(8)).toBeLessThan(2);
  });
});

describe('photogrammetry, worked by hand', () => {
  test('an image compared with 30 others: 15 pairs of 8,000 × 8,000 features at 256 FLOP', () => {
    const [few, many] = [10, 30].map(
      (neighbours) => demandOn(single(taskOf('survey', { neighbours })), 'gpu.fp32') ?? 0,
    );
    expect(((many ?? 0) - (few ?? 0)) * ACHIEVED).toBeCloseTo(10 * 64e6 * 256, -8);
  });

  test('2,000 images keep 2.72 GB of features, 60 million points and 15 million cells 60.3 GB, 24 GB of stills', () => {
    const holds = studio([taskOf('survey')]).facts.sittings[0]?.holds ?? [];
    const on = (what: string) => holds.find((hold) => hold.what === what)?.needs.value ?? 0;
    expect(on('memory')).toBeCloseTo(2.72e9 + 60e6 * 633 + 15e6 * 1490 + 2 * 2 ** 30, -4);
    expect(on('space:active')).toBeCloseTo(24e9, 0);
  });

  test('depth at half the side takes a quarter of that work', () => {
    const at = (depth: string) => demandOn(single(taskOf('survey', { depth })), 'gpu.fp32') ?? 0;
    expect((at('full') - at('half')) / (at('half') - at('quarter'))).toBeCloseTo(4, 6);
  });

  test('on the cores it runs without a card, longer', () => {
    const onCores = app({ trade: 'survey', effects: 'processor' });
    const task = taskOf('survey', { application: 'app' });
    const bare = single(task, { applications: [onCores], items: without('card-1') });
    expect(bare.impossible).toEqual([]);
    expect(bare.gets?.likely).toBeGreaterThan(seconds(taskOf('survey')));
  });
});

describe('layers and stills, worked by hand', () => {
  test('a UHD frame of 16 bits takes 66.4 MB: 12 s of 25 frames are 19.9 GB', () => {
    const hold = studio([taskOf('motion')]).facts.sittings[0]?.holds.find(({ what }) => what === 'memory');
    const frame = 3840 * 2160 * 8;
    expect(hold?.needs.value).toBeCloseTo(frame * (300 + 8) + 4 * 2 ** 30, -4);
  });

  test('a float frame of four channels is 132.7 MB', () => {
    const at = (bitDepth: number) => demandOn(single(taskOf('motion', { bitDepth })), 'gpu.out') ?? 0;
    expect(at(32)).toBe(132_710_400);
    expect(at(32)).toBe(2 * at(16));
  });

  test('scripts stay on one thread: more cores do not help, a faster one does', () => {
    const scripted = taskOf('motion', { scripted: 200 });
    expect(seconds(scripted, cores(16, 4))).toBeCloseTo(seconds(scripted, cores(32, 4)), 6);
    expect(seconds(scripted, cores(16, 5))).toBeLessThan(seconds(scripted, cores(16, 4)) * 0.85);
    expect(demandOn(single(scripted), 'cpu.serial')).toBeCloseTo(0.02 + 200 * 0.003, 9);
  });

  test('a raw still of 45 Mpx and 50 MB: read once, written at a quarter', () => {
    const result = single(taskOf('stills'));
    expect(demandOn(result, 'read:active')).toBe(50e6);
    expect(demandOn(result, 'write:active')).toBeCloseTo(12.5e6, 3);
    // the cores only compress: 45e6 × 26.3 clocks
    expect(demandOn(result, 'cpu.parallel')).toBeCloseTo(1.1835, 6);
  });

  test.each([
    [undefined, 1],
    [0, 0],
    [30, 30],
  ])('files of %s runs stay: raw and written ones of %i', (keptRuns, runs) => {
    const holds = studio([taskOf('stills', keptRuns === undefined ? {} : { keptRuns })]).facts.sittings[0]?.holds ?? [];
    const space = holds.find((hold) => hold.what === 'space:active')?.needs.value ?? 0;
    // 400 raw files of 50 MB, and a quarter of each written
    expect(space).toBeCloseTo(runs * 25e9, 0);
  });

  test.each([
    [undefined, 1],
    [0, 0],
    [4, 4],
  ])('frames of %s fly-throughs stay: 500 of 1920 × 1080 px at six bytes each', (keptRuns, runs) => {
    const holds = studio([taskOf('render', keptRuns === undefined ? {} : { keptRuns })]).facts.sittings[0]?.holds ?? [];
    const space = holds.find((hold) => hold.what === 'space:active')?.needs.value ?? 0;
    expect(space).toBeCloseTo(runs * 500 * 1920 * 1080 * 6, 0);
  });

  test('400 stills of 50 MB take 20 GB and what is made of them 5, and each holds 60 bytes a pixel on the card', () => {
    const holds = studio([taskOf('stills')]).facts.sittings[0]?.holds ?? [];
    const on = (what: string) => holds.find((hold) => hold.what === what)?.needs.value ?? 0;
    expect(on('space:active')).toBeCloseTo(25e9, 0);
    expect(on('graphics memory')).toBeCloseTo(45e6 * 60 + 0.8 * 2 ** 30, -3);
  });

  test('strong noise reduction is a learnt filter: at home on a card, hours on cores', () => {
    const strong = taskOf('stills', { noiseReduction: 'strong' });
    const onCores = app({ trade: 'stills', effects: 'processor' });
    const slow = seconds({ ...strong, application: 'app' } as Task, { applications: [onCores] });
    expect(slow).toBeGreaterThan(seconds(strong) * 5);
  });
});

describe('builds and guests, worked by hand', () => {
  test('1,800 files of 6.8 Gwork and 20 s of linking: 12,240 Gwork on all cores, 50 on one', () => {
    const result = single(taskOf('build'));
    expect(demandOn(result, 'cpu.parallel')).toBeCloseTo(12_240 + 50, 6);
    expect(demandOn(result, 'cpu.serial')).toBeCloseTo(12_240 * (0.004 + 1.47 / 1800) + 50, 6);
  });

  test('one file stays on one thread, and takes no more than its work', () => {
    const result = single(taskOf('build', { units: 1, linkS: 0 }));
    expect(demandOn(result, 'cpu.serial')).toBeCloseTo(6.8, 9);
    expect(demandOn(result, 'cpu.parallel')).toBeCloseTo(6.8, 9);
  });

  test('linking does not get shorter with more cores', () => {
    const at = (count: number) => seconds(taskOf('build'), cores(count, 4));
    const link = 50 / 4;
    expect(at(8) / at(16)).toBeLessThan(2);
    expect(at(64)).toBeGreaterThan(link);
  });

  test('each thread runs a job: 16 threads of 1.2 GB hold 19.2 GB', () => {
    const hold = studio([taskOf('build')]).facts.sittings[0]?.holds.find(({ what }) => what === 'memory');
    expect(hold?.needs.value).toBeCloseTo((16 * 1.2 + 1.5) * 2 ** 30, -3);
  });

  test('guests of 80 GB take their space, and idle ones only their memory', () => {
    const idle = studio([taskOf('guests', { busyPercent: 0, mbPerS: 0 })]);
    const holds = idle.facts.sittings[0]?.holds ?? [];
    expect(holds.find(({ what }) => what === 'space:active')?.needs.value).toBeCloseTo(320e9, 0);
    expect(holds.find(({ what }) => what === 'memory')?.needs.value).toBeCloseTo(4 * (8 * 2 ** 30 + 160 * 2 ** 20), 0);
    expect(demandOn(resultOf(idle, 'guests'), 'cpu.parallel')).toBeUndefined();
  });

  test('more guests are a multiple of one: twice as many ask twice as much', () => {
    const at = (guests: number) => demandOn(single(taskOf('guests', { guests })), 'cpu.parallel') ?? 0;
    expect(at(4) / at(2)).toBeCloseTo(2, 9);
  });

  test('four guests of four threads, a quarter busy: 10.8 Gwork a second, 32 GiB that must fit', () => {
    const result = single(taskOf('guests'));
    expect(demandOn(result, 'cpu.parallel')).toBeCloseTo(4 * 4 * 0.25 * 2.5 * 1.08, 9);
    expect(demandOn(result, 'read:active')).toBeCloseTo((40e6 * 2) / 3, 3);
    expect(result.impossible).toEqual([]);
    const many = single(taskOf('guests', { guests: 8 }));
    expect(many.impossible[0]).toMatchObject({ code: 'does-not-fit', what: 'memory', hasBytes: 64 * 2 ** 30 });
  });
});
