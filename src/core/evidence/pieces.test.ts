import { describe, expect, test } from 'vitest';
import { taskOf, studio, resultOf, app } from '../tests/studio';
import { assessed } from '../tests/world';
import { SMALL_MACHINE } from '../tests/reality/held';
import type { Measurement, Workload } from '../model/measurement';
import { predictWorkload } from './predict';
import { teaches } from './calibrate';

const small = assessed(SMALL_MACHINE);
const rate = (workload: Workload): number => predictWorkload(workload, small).band?.likely ?? NaN;
/** The small machine does 2.5 Gwork a second on one thread, twice that on two. */
const GWORK = 2.5;
const amdahl = (gwork: number, serial: number): number => 1 / ((gwork * serial) / GWORK + (gwork * (1 - serial)) / 5);

describe('measured work, worked by hand', () => {
  test('files: 6.8 Gwork each, on two threads the last one is waited for', () => {
    expect(rate({ work: 'build', weight: 'usual', files: 12, threads: 1 })).toBeCloseTo(GWORK / 6.8, 9);
    // 0.4 % of the plan and 1.47 files of twelve on one thread
    expect(rate({ work: 'build', weight: 'usual', files: 12, threads: 2 })).toBeCloseTo(
      amdahl(6.8, 0.004 + 1.47 / 12),
      9,
    );
  });

  test('rays: 1,650 clocks at a million triangles, a third more at ten million', () => {
    const at = (mTriangles: number) => rate({ work: 'rays', mTriangles, threads: 1 });
    expect(at(1)).toBeCloseTo(2500 / 1650, 9);
    expect(at(1) / at(10)).toBeCloseTo(10 ** 0.122, 9);
  });

  test('features cost four times as much at twice the side, pairs by their features', () => {
    const found = (doubled: boolean) => rate({ work: 'features', doubled, threads: 1 });
    expect(found(false) / found(true)).toBeCloseTo(4, 9);
    expect(rate({ work: 'match', features: 8000, threads: 1 })).toBeCloseTo(2.5e9 / (8000 * 303_000), 9);
  });

  test('adjusting: 0.81 Gwork an image at 20 images of 1,500 features, of which 62 % wait', () => {
    expect(rate({ work: 'adjust', images: 20, features: 1500, threads: 1 })).toBeCloseTo(GWORK / 0.81, 9);
    expect(rate({ work: 'adjust', images: 20, features: 1500, threads: 2 })).toBeCloseTo(amdahl(0.81, 0.62), 9);
    const many = rate({ work: 'adjust', images: 500, features: 1500, threads: 1 });
    expect(rate({ work: 'adjust', images: 20, features: 1500, threads: 1 }) / many).toBeCloseTo(25 ** 0.45, 9);
    // beyond a block it does not grow any more
    expect(rate({ work: 'adjust', images: 5000, features: 1500, threads: 1 })).toBeCloseTo(many, 9);
  });

  test('a surface: an amount by point and one by cell', () => {
    // 400,000 points: 107,800 clocks each; 4^8 cells of 181,000
    const clocks = 400_000 * 107_800 + 65_536 * 181_000;
    expect(rate({ work: 'mesh', mPoints: 0.4, depth: 8, threads: 1 })).toBeCloseTo((0.4 * 2.5e9) / clocks, 9);
  });

  test('a factorisation: FLOP over the share of the peak that its fronts reach', () => {
    // 31,944 unknowns: 17.9 n² FLOP over 17.5 n^(4/3) entries are 1,030 an entry, of 1,030 + 3,650
    const n = 31_944;
    const [flop, arithmetic] = [17.9 * n ** 2, (17.9 / 17.5) * n ** (2 / 3)];
    const share = arithmetic / (arithmetic + 3650);
    expect(rate({ work: 'factorise', mesh: 'solid', unknownsK: n / 1e3, threads: 1 })).toBeCloseTo(
      (2.5e9 * 29.9 * share) / flop,
      9,
    );
  });

  test('tables: joins by a power of their gigabytes, laying out for trees by its own clocks', () => {
    const table = (effort: Extract<Workload, { work: 'table' }>['effort'], gigabytes: number) =>
      rate({ work: 'table', effort, gigabytes, threads: 1 });
    expect(table('scan', 1)).toBeCloseTo(2500 / 4.56, 9);
    expect(table('join', 1)).toBeCloseTo(2500 / 37.9, 9);
    expect(table('join', 1) / table('join', 8)).toBeCloseTo(8 ** 0.298, 9);
    expect(table('prepare', 3)).toBeCloseTo(2500 / 106, 9);
  });

  test('prompts and products by what the cores do a clock', () => {
    expect(rate({ work: 'prompt', paramsB: 1, threads: 1 })).toBeCloseTo((2.5e9 * 58.3 * 0.47) / 2e9, 6);
    expect(rate({ work: 'product', precision: 'fp64', threads: 1 })).toBeCloseTo(2.5 * 29.9 * 0.73, 6);
  });

  test('copies, sums and both; a strong sum by whether the processor has instructions for it', () => {
    const transfer = (copied: boolean, checksum: 'none' | 'fast' | 'strong', machine = small) =>
      predictWorkload({ work: 'transfer', copied, checksum, threads: 1 }, machine).band?.likely;
    expect(transfer(true, 'none')).toBeCloseTo(2500 / 1.53, 6);
    expect(transfer(true, 'fast')).toBeCloseTo(2500 / (1.53 + 0.556), 6);
    expect(transfer(false, 'strong')).toBeCloseTo(2500 / 8.1, 6);
    const hashing = assessed({ parts: { cpu: { ...SMALL_MACHINE.parts?.['cpu'], hashInstructions: true } } });
    expect(transfer(false, 'strong', hashing)).toBeCloseTo(2500 / 2.2, 6);
  });

  test('a programme: the hand-over, titles over all of it, inputs by their own pixels', () => {
    const px = 1920 * 1080;
    const frame = (titles: number, scaled: number, keyed = 0) =>
      rate({ work: 'compose', width: 1920, height: 1080, titles, scaled, keyed, threads: 1 });
    expect(frame(0, 0)).toBeCloseTo(GWORK / 0.0052, 6);
    expect(frame(2, 0)).toBeCloseTo(2.5e9 / (0.0052e9 + 2 * px * 4.58), 6);
    expect(frame(0, 3)).toBeCloseTo(2.5e9 / (0.0052e9 + 3 * px * 11.1), 6);
    expect(frame(1, 0, 1)).toBeCloseTo(2.5e9 / (0.0052e9 + px * (4.58 + 177)), 6);
  });

  test('what a processor does not state is told, not guessed', () => {
    const vague = assessed({ parts: { cpu: { ...SMALL_MACHINE.parts?.['cpu'], fp64PerClock: undefined } } });
    const prediction = predictWorkload({ work: 'factorise', mesh: 'shell', unknownsK: 10, threads: 1 }, vague);
    expect(prediction).toEqual({ band: undefined, lacks: ['floating-point operations per clock of the processor'] });
  });
});

describe('results of other trades', () => {
  const result = (workload: Workload, value: number, unit: Measurement['unit']): Measurement => ({
    id: 'm-1' as never,
    workload,
    value,
    unit,
    tool: 'test',
    source: 'test',
    use: 'calibrate',
  });
  const onCores = (trade: 'survey' | 'stills' | 'render') => ({
    applications: [app({ trade, effects: 'processor' })],
  });
  /** A result twice as fast as predicted, the task that should follow, and where it does not run on the cores by itself. */
  const cases = [
    ['build', { work: 'build', weight: 'usual', files: 1800, threads: 1 }, 'files/s', taskOf('build'), {}],
    [
      'rays',
      { work: 'rays', mTriangles: 20, threads: 1 },
      'Mray/s',
      taskOf('render', { application: 'app' }),
      onCores('render'),
    ],
    [
      'match',
      { work: 'match', features: 8000, threads: 1 },
      'pairs/s',
      taskOf('survey', { application: 'app' }),
      onCores('survey'),
    ],
    ['adjust', { work: 'adjust', images: 2000, features: 8000, threads: 1 }, 'images/s', taskOf('survey'), {}],
    ['mesh', { work: 'mesh', mPoints: 1, depth: 9, threads: 1 }, 'Mpoint/s', taskOf('survey'), {}],
    ['factorise', { work: 'factorise', mesh: 'solid', unknownsK: 600, threads: 1 }, 'runs/s', taskOf('solve'), {}],
    ['join', { work: 'table', effort: 'join', gigabytes: 24, threads: 1 }, 'MB/s', taskOf('tables'), {}],
    [
      'trees',
      { work: 'table', effort: 'model', gigabytes: 24, threads: 1 },
      'MB/s',
      taskOf('tables', { effort: 'model', passes: 100 }),
      {},
    ],
    [
      'develop',
      { work: 'still', step: 'develop', threads: 1 },
      'Mpx/s',
      taskOf('stills', { application: 'app' }),
      onCores('stills'),
    ],
    ['write', { work: 'still', step: 'write', threads: 1 }, 'Mpx/s', taskOf('stills'), {}],
    ['copy', { work: 'transfer', copied: true, checksum: 'none', threads: 1 }, 'MB/s', taskOf('ingest'), {}],
  ] as const;

  test.each(cases)('%s: twice as fast as predicted teaches its task', (_name, workload, unit, task, change) => {
    const before = studio([task], change);
    const predicted = predictWorkload(workload, before).band?.likely ?? NaN;
    expect(teaches(workload, before)).toBe(true);
    const evidence = [result(workload, 2 * predicted, unit)];
    const after = studio([task], { ...change, machine: { evidence } });
    const asked = (assessment: typeof before) =>
      resultOf(assessment, task.id).uses.find(({ resource }) => resource === 'cpu.parallel')?.demand.value ?? NaN;
    expect(asked(after)).toBeLessThan(asked(before));
    // and a result as predicted changes nothing
    const same = studio([task], { ...change, machine: { evidence: [result(workload, predicted, unit)] } });
    expect(asked(same)).toBeCloseTo(asked(before), 6);
  });

  test('what is two kinds of work at once is compared, not taught', () => {
    expect(teaches({ work: 'transfer', copied: true, checksum: 'fast', threads: 1 }, small)).toBe(false);
    expect(
      teaches({ work: 'compose', width: 1920, height: 1080, titles: 2, scaled: 0, keyed: 0, threads: 1 }, small),
    ).toBe(false);
  });
});
