import { describe, expect, test } from 'vitest';
import { averageWrite, writeCourse } from '../predict/driveWrites';
import { CAPTURE, demandOn, resultOf, studio, taskOf } from '../tests/studio';
import { plus, swapped, without } from '../tests/world';
import { STARTING_SOURCE } from './edit';
import { inputCount, uplinkMbitPerS } from './live';
import { taskSchema, type LiveWork, type Task } from '../model/tasks';
import { TRADES } from './templates';
import { busBitPerS, packedBitsPerPx, pictureBitPerS, wireBitPerS } from './video';

const HD50 = { width: 1920, height: 1080, fps: 50, chroma: '4:2:2', bitDepth: 10 } as const;
const live = (over: object = {}) => taskOf('live', over) as LiveWork;
const FIVE = { inputs: [{ count: 5, ...HD50 }] };
const single = (task: Task, change = {}) => resultOf(studio([task], change), task.id);

describe('live pictures, worked by hand', () => {
  test('five inputs of 1920 × 1080, 50 fps, 4:2:2, 10 bit: 10.37 Gb/s of picture, 11.06 packed, 14.85 on the wire', () => {
    // 1920 × 1080 × 50 × 20 bit = 2.0736 Gb/s; × 21.33 bit = 2.2118; 2640 × 1125 × 50 × 20 = 2.97
    expect((5 * pictureBitPerS(HD50)) / 1e9).toBeCloseTo(10.368, 9);
    expect(packedBitsPerPx(HD50)).toBeCloseTo(21.333, 3);
    expect((5 * busBitPerS(HD50)) / 1e9).toBeCloseTo(11.0592, 9);
    expect((5 * (wireBitPerS(HD50) ?? 0)) / 1e9).toBeCloseTo(14.85, 9);
  });

  test('wire rates of the standards: 1.485, 2.97, 5.94 and 11.88 Gb/s', () => {
    expect(wireBitPerS({ ...HD50, fps: 25 })).toBe(1.485e9);
    expect(wireBitPerS({ ...HD50, fps: 60 })).toBe(2.97e9);
    expect(wireBitPerS({ ...HD50, width: 1280, height: 720 })).toBe(1.485e9);
    expect(wireBitPerS({ ...HD50, width: 3840, height: 2160, fps: 25 })).toBe(5.94e9);
    expect(wireBitPerS({ ...HD50, width: 3840, height: 2160 })).toBe(11.88e9);
    // what exceeds 4:2:2 at 10 bit takes two streams
    expect(wireBitPerS({ ...HD50, chroma: '4:4:4' })).toBe(5.94e9);
    expect(wireBitPerS({ ...HD50, fps: 59.94 })).toBeCloseTo(2.97e9 / 1.001, -4);
    expect(wireBitPerS({ ...HD50, width: 1000 })).toBeUndefined();
    expect(wireBitPerS({ ...HD50, fps: 48 })).toBeUndefined();
  });

  test('three streams of 6, 3 and 1.5 Mb/s with 30 % margin need 13.65 Mb/s up', () => {
    const renditions = [6, 3, 1.5].map((mbitPerS) => ({ ...live().renditions[0], mbitPerS })) as LiveWork['renditions'];
    expect(uplinkMbitPerS({ renditions, marginPercent: 30 })).toBeCloseTo(13.65, 9);
    const wants = live({ renditions, uplinkMbitPerS: 12 });
    expect(single(wants).impossible).toEqual([{ code: 'uplink-too-slow', wantsMbitPerS: 13.65, hasMbitPerS: 12 }]);
    expect(single(live({ renditions, uplinkMbitPerS: 14 })).impossible).toEqual([]);
    // 13.65 Mb/s are 1.706 MB/s on the network
    expect(demandOn(single(wants), 'network')).toBeCloseTo(13.65e6 / 8, 3);
  });

  test('five recordings of 30 Mb/s write 18.75 MB/s, and 20 hours of them take 1.35 TB', () => {
    const task = live({ ...FIVE, record: 'inputs', recordPath: 'software' });
    expect(demandOn(single(task), 'write:active')).toBeCloseTo(18.75e6, 3);
    const hold = studio([task]).facts.sittings[0]?.holds.find((entry) => entry.what === 'space:active');
    expect(hold?.needs.value).toBeCloseTo(1.35e12, 0);
  });

  test('a software stream of HD at 50 fps costs 74 clocks a px: 7.67 Gwork/s', () => {
    const bare = live({ renditions: [], record: 'off' });
    const streams = live({ renditions: [{ ...live().renditions[0], path: 'software' }], record: 'off' });
    const added = (demandOn(single(streams), 'cpu.parallel') ?? 0) - (demandOn(single(bare), 'cpu.parallel') ?? 0);
    expect(added).toBeCloseTo(50 * (1920 * 1080 * 74e-9 + 0.0012), 6);
  });

  test('inputs stream from the capture card to memory at their packed rate, and need ports that are there', () => {
    const flows = studio([live(FIVE)]).facts.sittings[0]?.flows ?? [];
    expect(flows.map(({ flow }) => [flow.from, flow.to, flow.bytesPerS])).toEqual([
      ['capture-1', 'memory', 11.0592e9 / 8],
    ]);
    expect(inputCount(live(FIVE).inputs)).toBe(5);
    const few = { parts: { capture: { videoInputs: 4 } }, addParts: [{ ...CAPTURE, videoInputs: 4, id: 'capture-4' }] };
    expect(single(live(FIVE), { ...few, items: swapped('capture-1', 'capture-4') }).impossible).toEqual([
      { code: 'too-few-inputs', wanted: 5, has: 4, on: 'card' },
    ]);
    const uhd = live({ inputs: [{ ...FIVE.inputs[0], count: 1, width: 3840, height: 2160 }] });
    expect(single(uhd).impossible).toEqual([{ code: 'input-too-slow', wantsBitPerS: 11.88e9, hasBitPerS: 3e9 }]);
  });

  test('more streams than the engine keeps open do not run, and say how many it keeps', () => {
    const wide = live({ ...FIVE, record: 'inputs' });
    expect(single(wide).impossible).toEqual([
      { code: 'too-many-sessions', where: expect.stringContaining('Test 12') as string, wanted: 6, limit: 5 },
    ]);
    expect(single(live({ inputs: [{ ...FIVE.inputs[0], count: 4 }], record: 'inputs' })).impossible).toEqual([]);
    // two tasks share the sessions of one engine; the first in the brief keeps its own
    const two = studio([live({ id: 'one' }), live({ id: 'two', record: 'inputs' })]);
    expect(resultOf(two, 'one').impossible).toEqual([]);
    expect(resultOf(two, 'two').impossible[0]?.code).toBe('too-many-sessions');
  });

  test('an outside mixer takes demand away: one picture in, nothing to lay together, what it encodes and records itself', () => {
    const cards = single(live({ ...FIVE, record: 'inputs', recordPath: 'software' }));
    const change = { items: plus({ id: 'mixer-1', part: 'mixer' }) };
    const mixed = single(live({ ...FIVE, record: 'inputs', recordPath: 'software', via: 'mixer' }), change);
    for (const resource of ['cpu.parallel', 'cpu.serial', 'memory.traffic'])
      expect(demandOn(mixed, resource), resource).toBeLessThan(demandOn(cards, resource) ?? 0);
    expect(demandOn(mixed, 'engine.encode')).toBeUndefined();
    expect(demandOn(mixed, 'write:active')).toBeUndefined();
    expect(mixed.impossible).toEqual([]);
    const six = live({ inputs: [{ ...FIVE.inputs[0], count: 6 }], via: 'mixer' });
    expect(single(six, change).impossible).toEqual([{ code: 'too-few-inputs', wanted: 6, has: 5, on: 'mixer' }]);
  });

  test('a box without graphics streams in software', () => {
    const software = live({ renditions: [{ ...live().renditions[0], path: 'software' }], recordPath: 'software' });
    const result = single(software, { items: without('card-1') });
    expect(result.impossible).toEqual([]);
    expect(result.verdict).toBe('carries');
    expect(result.uses.some((use) => use.resource.startsWith('gpu.'))).toBe(false);
  });

  test('it is judged by its worst moments, a third above the mean', () => {
    const result = single(live());
    const tightest = result.uses.find((use) => use.resource === result.binds);
    expect(result.ratio?.likely).toBeCloseTo(tightest?.ratio ?? 0, 9);
    const supply = tightest?.supply?.value ?? 0;
    expect(tightest?.ratio).toBeCloseTo(supply / (tightest?.demand.value ?? 1) / 1.35, 6);
  });
});

describe('interactive 3-D, worked by hand', () => {
  const SCENE = taskOf('scene');

  test('main thread: 0.008 + 3000 × 3.5 µ + 300 × 0.8 µ Gwork on a core of 7.5 Gwork/s: 400 frames a second', () => {
    const use = single(SCENE).uses.find((entry) => entry.resource === 'cpu.serial');
    expect(demandOn(single(SCENE), 'cpu.serial')).toBeCloseTo(60 * 0.01874, 9);
    // judged by the worst hundredth, 1.6 × the usual frame
    expect((use?.ratio ?? 0) * 60 * 1.6).toBeCloseTo(7.5 / 0.01874, 3);
  });

  test('graphics time: 3.42 ms of shading and 5 ms of triangles make 118.7 frames a second, 74.2 in the worst hundredth', () => {
    // 2560 × 1440 × 6500 ÷ 0.35 = 68.46 GFLOP on 20 TFLOP/s; 6 M triangles on 4 G/s at 30 %
    const result = single(SCENE);
    const use = result.uses.find((entry) => entry.resource === 'gpu.fp32');
    const ms = (2560 * 1440 * 6500) / 0.35 / 20e12 + 6e6 / (4e9 * 0.3);
    expect(ms * 1000).toBeCloseTo(8.423, 3);
    expect((use?.ratio ?? 0) * 60).toBeCloseTo(1 / ms / 1.6, 6);
    expect(result.worst?.likely).toBeCloseTo(74.2, 1);
    const usual = single(taskOf('scene', { judgedBy: 'usual' }));
    expect(usual.gets?.likely).toBeCloseTo(118.7, 1);
    expect(usual.worst?.likely).toBeCloseTo(74.2, 1);
  });

  test('two rays a pixel on 10 G/s at 40 % add 1.84 ms', () => {
    const plain = demandOn(single(SCENE), 'gpu.fp32') ?? 0;
    const traced = demandOn(single(taskOf('scene', { raysPerPx: 2 })), 'gpu.fp32') ?? 0;
    expect((traced - plain) / 60 / 20e12).toBeCloseTo((2 * 2560 * 1440) / (10e9 * 0.4), 9);
  });

  test('without a stated triangle or ray rate it is unproven and names the figure; without a card it does not run', () => {
    expect(single(SCENE, { parts: { card: { trianglesGs: undefined } } }).missing).toEqual([
      { item: 'card-1', part: 'card', field: 'trianglesGs' },
    ]);
    const rays = single(taskOf('scene', { raysPerPx: 1 }), { parts: { card: { rayGs: undefined } } });
    expect(rays.missing.map((figure) => figure.field)).toEqual(['rayGs']);
    expect(single(SCENE, { items: without('card-1') }).impossible[0]?.code).toBe('no-graphics');
  });
});

describe('ingest, worked by hand', () => {
  const INGEST = taskOf('ingest', { from: 'active', to: 'archive', gbitPerS: 1.2 });

  test('25 Gb/s are 3.125 GB/s: 4.78 Gwork/s to copy, 1.74 to check, 1.5625 for the network', () => {
    const task = taskOf('ingest', { gbitPerS: 25 });
    // each on the cores; the serial shares and the stream's own thread come on top of the best core only
    const work = 3.125 * (1.53 + 0.556 + 0.5) + 0.12;
    expect(demandOn(single(task), 'cpu.parallel')).toBeCloseTo(work, 9);
    expect(demandOn(single(task), 'memory.traffic')).toBeCloseTo(6.25e9, 0);
  });

  test('a disk that takes 190 MB/s falls short of 1.2 Gb/s without a pause only by its link or rate', () => {
    const result = single(INGEST);
    // 0.15 GB/s of 0.19
    expect(result.uses.find((use) => use.resource.startsWith('flow:'))?.ratio).toBeCloseTo(190 / 150, 6);
  });

  test('200 GB into a cache of 100 GB at 6 GB/s, 1.5 GB/s after it: 83.3 s, 2.4 GB/s on average', () => {
    const drive = { seqWriteMBs: 6000, sustainedWriteMBs: 1500, writeCacheGB: 100 };
    expect(averageWrite(drive, 200e9)).toBeCloseTo(200e9 / (100 / 6 + 100 / 1.5), -3);
    expect(averageWrite(drive, 50e9)).toBe(6e9);
    expect(averageWrite({ ...drive, writeCacheGB: undefined }, 50e9)).toBe(1.5e9);
    expect(averageWrite({ ...drive, sustainedWriteMBs: undefined }, 50e9)).toBeUndefined();
    expect(writeCourse(drive, 3e9)).toEqual({ fullAfterS: 100 / 3, before: 3e9, after: 1.5e9 });
    expect(writeCourse(drive, 1e9)).toEqual({ fullAfterS: undefined, before: 1e9, after: 1e9 });
  });

  test('a short run fits the cache, a long one must be borne behind it', () => {
    // 16 Gb/s are 2 GB/s: 36 GB in 0.005 h … 7200 GB in an hour
    const run = (hours: number) =>
      single(taskOf('ingest', { from: 'memory', to: 'active', gbitPerS: 16, hours })).uses.find((use) =>
        use.resource.startsWith('flow:'),
      )?.ratio;
    expect(run(0.0125)).toBeCloseTo(6 / 2, 6);
    expect(run(1)).toBeCloseTo(1.5 / 2, 6);
  });

  test('a copy onwards is a stream of its own, and a missing end is named', () => {
    const flows =
      studio([taskOf('ingest', { from: 'memory', to: 'active', copyTo: 'archive' })]).facts.sittings[0]?.flows ?? [];
    expect(flows.map(({ flow }) => [flow.from, flow.to])).toEqual([
      ['memory', 'ssd-1'],
      ['ssd-1', 'disk-1'],
    ]);
    const holds =
      studio([taskOf('ingest', { to: 'active', copyTo: 'archive', keepTB: 3 })]).facts.sittings[0]?.holds ?? [];
    // three terabytes where they come in, and three where they are copied to
    expect(
      ['space:active', 'space:archive'].map((what) => holds.find((hold) => hold.what === what)?.needs.value),
    ).toEqual([3e12, 3e12]);
    expect(single(taskOf('ingest', { from: 'second network' })).impossible).toEqual([
      { code: 'part-missing', kind: 'second network' },
    ]);
  });
});

describe('audio, worked by hand', () => {
  const AUDIO = taskOf('audio');

  test('128 samples at 48 kHz are due 375 times a second', () => {
    expect(single(AUDIO).target).toBeCloseTo(375, 9);
    expect(single(taskOf('audio', { bufferSamples: 64, rateKHz: 96 })).target).toBeCloseTo(1500, 9);
  });

  test('the longest chain: 0.18 M clocks a buffer and 128 × (60 + 8 × 220 + 1300) on one core', () => {
    const chain = 0.00018 + (128 * (60 + 8 * 220 + 1300)) / 1e9;
    expect(demandOn(single(AUDIO), 'cpu.serial')).toBeCloseTo(375 * chain, 9);
    // 7.5 Gwork/s ÷ 1.45 for moments when much begins at once
    const use = single(AUDIO).uses.find((entry) => entry.resource === 'cpu.serial');
    expect(use?.ratio).toBeCloseTo(7.5 / (375 * chain) / 1.45, 6);
  });

  test('248 stereo streams of 24 bits at 48 kHz read 71.4 MB/s', () => {
    expect(demandOn(single(AUDIO), 'read:active')).toBeCloseTo(248 * 48_000 * 6, 3);
  });

  test('a shorter buffer leaves less room, and more cores do not lengthen it', () => {
    const ratio = (bufferSamples: number, change = {}) =>
      single(taskOf('audio', { bufferSamples }), change).uses.find((use) => use.resource === 'cpu.serial')?.ratio ?? 0;
    expect(ratio(32)).toBeLessThan(ratio(128));
    const group = {
      kind: 'performance',
      count: 16,
      threadsPerCore: 2,
      baseGHz: 3.5,
      boostGHz: 5,
      allCoreGHz: 4,
      workPerClock: 1.5,
    };
    expect(ratio(32, { parts: { cpu: { coreGroups: [group] } } })).toBeCloseTo(ratio(32), 9);
  });
});

describe('editing', () => {
  const px = 3840 * 2160;

  test('a UHD float frame of four channels is 132.7 MB, and 15 of them are held for six steps', () => {
    expect(px * 16).toBeCloseTo(132.7e6, -5);
    const holds = studio([taskOf('edit-play', { sources: [{ ...STARTING_SOURCE, width: 16, height: 16 }] })]).facts
      .sittings[0]?.holds;
    const own = 1 * 2 ** 30;
    const decoded = 16 * 16 * 8 * 8;
    expect(holds?.find((hold) => hold.what === 'graphics memory')?.needs.value).toBeCloseTo(
      px * 16 * 15 + own + decoded,
      -2,
    );
  });

  test('quarter proxies are decoded at a sixteenth of the pixels, from 4.5 bit a pixel', () => {
    const demands = single(taskOf('edit-play', { proxies: 'quarter' }));
    expect(demandOn(demands, 'read:active')).toBeCloseTo((960 * 540 * 25 * 4.5) / 8, 3);
    // 27 clocks a px, 4:2:2 a third more
    const timeline = 25 * (960 * 540 * 27 * 1.33 * 1e-9);
    expect(demandOn(demands, 'cpu.parallel')).toBeCloseTo(timeline, 6);
    expect(demandOn(demands, 'engine.decode')).toBeUndefined();
  });

  test('a speed change reads two frames for one; following motion costs 9,000 FLOP a px besides', () => {
    const still = single(taskOf('edit-play'));
    const blend = single(taskOf('edit-play', { retime: 'blend' }));
    const flow = single(taskOf('edit-play', { retime: 'flow' }));
    expect(demandOn(blend, 'read:active')).toBeCloseTo(2 * (demandOn(still, 'read:active') ?? 0), 3);
    const flops = (result: typeof still) => ((demandOn(result, 'gpu.fp32') ?? 0) * 0.35) / 25 / px;
    expect(flops(blend) - flops(still)).toBeCloseTo(24, 6);
    expect(flops(flow) - flops(still)).toBeCloseTo(9000, 6);
  });

  test('angles add up: four streams decode and read four times one', () => {
    const one = single(taskOf('edit-play'));
    const four = single(taskOf('edit-play', { sources: [{ ...STARTING_SOURCE, streams: 4 }] }));
    for (const resource of ['read:active', 'engine.decode'])
      expect(demandOn(four, resource)).toBeCloseTo(4 * (demandOn(one, resource) ?? 0), 3);
    expect(demandOn(four, 'gpu.fp32')).toBeCloseTo(demandOn(one, 'gpu.fp32') ?? 0, 3);
  });
});

describe('every trade', () => {
  test.each(Object.values(TRADES))(
    '$kind starts with values its schema takes and runs inside its own range',
    (trade) => {
      const task = trade.start('new');
      expect(taskSchema.parse(task)).toEqual(task);
      const result = single(task);
      expect(result.impossible).toEqual([]);
      expect(result.missing).toEqual([]);
      expect(result.outside).toEqual([]);
      expect(result.gets).toBeDefined();
      for (const figure of Object.values(trade.figures)) {
        expect(figure.explains).toMatch(/\.$/);
        if (figure.valid) expect(figure.valid[0]).toBeLessThan(figure.valid[1]);
      }
    },
  );

  test.each([
    ['live', { fps: 100 }, { fps: 60 }],
    ['scene', { mTriangles: 240 }, { mTriangles: 60 }],
    ['ingest', { streams: 60, gbitPerS: 0.05 }, { streams: 24, gbitPerS: 0.05 }],
    ['audio', { bufferSamples: 4096 }, { bufferSamples: 2048 }],
    ['edit-play', { correctionSteps: 200 }, { correctionSteps: 60 }],
    ['desk', { browserTabs: 400 }, { browserTabs: 150 }],
  ] as const)('%s beyond its range says so and widens the band', (kind, beyond, within) => {
    const [far, near] = [single(taskOf(kind, beyond)), single(taskOf(kind, within))];
    expect(near.outside).toEqual([]);
    expect(far.outside.length).toBeGreaterThan(0);
    const width = (result: typeof far) => (result.ratio ? result.ratio.high / result.ratio.low : 0);
    expect(width(far)).toBeGreaterThan(width(near) * 1.5);
  });

  test.each([
    ['edit-play', { fps: 100_000 }],
    ['edit-play', { correctionSteps: 1.5 }],
    ['live', { inputs: [{ ...HD50, count: 0 }] }],
    ['live', { fps: -25 }],
    ['live', { marginPercent: -1 }],
    ['scene', { mTriangles: 0 }],
    ['scene', { displays: 2.5 }],
    ['ingest', { gbitPerS: 0 }],
    ['ingest', { from: 'moon' }],
    ['audio', { bufferSamples: 100_000 }],
    ['audio', { rateKHz: 50 }],
    // what cannot hold together
    ['live', { keyed: 4 }],
    ['ingest', { to: 'network' }],
    ['ingest', { copyTo: 'active' }],
  ] as const)('%s refuses %o', (kind, over) => {
    expect(taskSchema.safeParse(taskOf(kind, over)).success).toBe(false);
  });
});
