import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { readResults, type Found } from '@/core/evidence/readers';
import { rawFile } from '@/core/tests/reality';
import { busyBetween, onBattery, timesOf, unfitness } from './fitness';
import { JOBS } from './jobs';
import { gathered, measureCommand, planned } from './measure';
import { installed } from './tools';

const folder = mkdtempSync(join(tmpdir(), 'vane-measure-test-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const path = process.env['PATH'];

let count = 0;
let bin = '';
let out = '';
let said: string[] = [];
beforeEach(() => {
  count++;
  bin = join(folder, `bin-${count}`);
  out = join(folder, `out-${count}`);
  mkdirSync(bin);
  process.env['PATH'] = bin;
  said = [];
  const hear = (text: unknown) => said.push(String(text)) > 0;
  vi.spyOn(process.stdout, 'write').mockImplementation(hear);
  vi.spyOn(process.stderr, 'write').mockImplementation(hear);
});
afterEach(() => {
  vi.restoreAllMocks();
  process.env['PATH'] = path;
});

/** A tool of this name that does no more than these lines of a shell say. */
function tool(name: string, script: string): void {
  writeFileSync(join(bin, name), `#!/bin/sh\n${script}\n`);
  chmodSync(join(bin, name), 0o755);
}
/** One that prints a file as it was once measured. */
const prints = (name: string, file: string): void => {
  const kept = join(folder, file.replaceAll('/', '-'));
  writeFileSync(kept, rawFile(file));
  tool(name, `/bin/cat ${kept}`);
};
const measure = (...args: string[]) => measureCommand([...args, '--anyway', '--out', out]);
const results = () =>
  JSON.parse(readFileSync(join(out, 'vane-measurements.json'), 'utf8')) as { results: Found[]; notes?: string[] };

describe('vane measure', () => {
  test('runs what is there, names what is missing with its package, and writes what the app reads', async () => {
    prints('7z', 'cpu_7z_t2.txt');
    expect(await measure('--only', 'compress,drive', '--minutes', '0.1')).toBe(0);
    expect(said.join('')).toContain('Not measured: the drive in one piece, for want of fio. Install the package fio.');
    expect(said.join('')).toContain('1 of 1: compression');
    expect(results().results).toMatchObject([
      { workload: { work: 'compress', threads: 2 }, value: 4984, unit: 'MIPS', tool: '7-Zip', use: 'calibrate' },
    ]);
    const reading = readResults(readFileSync(join(out, 'vane-measurements.json'), 'utf8'), () => []);
    expect(reading).toMatchObject({ ok: true, tool: 'vane measure', found: [{ value: 4984 }] });
    // what the tool printed lies beside it
    expect(readFileSync(join(out, 'compress.txt'), 'utf8')).toBe(rawFile('cpu_7z_t2.txt'));
  });

  test('what fails is told, and the rest goes on', async () => {
    prints('7z', 'cpu_7z_t2.txt');
    tool('fio', 'echo "no room on the drive" >&2; exit 3');
    expect(await measure('--only', 'compress,drive', '--minutes', '0.1')).toBe(0);
    expect(results().notes?.join(' ')).toMatch(
      /Not measured: the drive in one piece; ended with 3: no room on the drive/,
    );
    expect(results().results).toHaveLength(1);
  });

  test('output of which nothing can be taken is told with its reason', async () => {
    tool('7z', 'echo "Benchmark threads: 2"; echo "Tot: cut off"');
    expect(await measure('--only', 'compress')).toBe(1);
    expect(said.join('')).toContain('no total or no count of threads');
    expect(existsSync(join(out, 'vane-measurements.json'))).toBe(false);
  });

  test('a stop keeps what was run before it, and leaves nothing behind', async () => {
    const before = readdirSync(tmpdir()).filter((name) => name.startsWith('vane-measure-') && !name.includes('test'));
    tool('fio', 'exec /bin/sleep 30');
    const stopped = measure('--only', 'checksum,drive', '--minutes', '0.1');
    await vi.waitUntil(() => said.join('').includes('2 of 2'), { timeout: 20_000 });
    process.emit('SIGINT');
    expect(await stopped).toBe(1);
    expect(results().results).toMatchObject([{ workload: { work: 'transfer', checksum: 'strong' } }]);
    expect(said.join('')).toContain('Stopped; what was measured until then');
    expect(readdirSync(tmpdir()).filter((name) => name.startsWith('vane-measure-') && !name.includes('test'))).toEqual(
      before,
    );
  });

  test('copies and checksums need no tool', async () => {
    expect(await measure('--only', 'checksum,copy', '--minutes', '0.05')).toBe(0);
    expect(results().results.map(({ workload }) => workload)).toEqual([
      { work: 'transfer', copied: false, checksum: 'strong', threads: 1 },
      { work: 'transfer', copied: true, checksum: 'none', threads: 1 },
    ]);
    for (const { value } of results().results) expect(value).toBeGreaterThan(10);
  });

  test.each([
    [['--only', 'rays'], '"rays" is no measurement; there are memory,'],
    [['--minutes', '0'], 'must be above 0'],
    [['--minutes', 'soon'], 'must be above 0'],
    [['--speed', '3'], 'is not an option'],
    [['now'], 'is not understood'],
  ])('refuses %j', async (args, words) => {
    expect(await measureCommand([...args, '--anyway'])).toBe(2);
    expect(said.join('')).toContain(words);
  });

  test('every measurement can be told from the others, and says what brings its tool', () => {
    expect(new Set(JOBS.map(({ id }) => id)).size).toBe(JOBS.length);
    for (const { needs } of JOBS) if (needs) expect(needs.from).not.toBe('');
    expect(installed('no-such-tool')).toBeUndefined();
  });
});

describe('several runs', () => {
  const of = (value: number): Found => ({
    workload: { work: 'compress', threads: 2 },
    value,
    unit: 'MIPS',
    tool: 'x',
    use: 'calibrate',
  });

  test('are one result: the middle one with the least and the most', () => {
    expect(gathered([[of(3)], [of(1)], [of(2)]])).toEqual([{ ...of(2), low: 1, high: 3 }]);
    expect(gathered([[of(3)]])).toEqual([of(3)]);
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 1e6, noNaN: true }), { minLength: 2, maxLength: 9 }), (values) => {
        const [one, ...more] = gathered(values.map((value) => [of(value)]));
        expect(more).toEqual([]);
        expect(one?.low).toBe(Math.min(...values));
        expect(one?.high).toBe(Math.max(...values));
        expect(values).toContain(one?.value);
      }),
    );
  });

  test('fit the time: at least one each, at most three', () => {
    const jobs = JOBS.map((job) => ({ job, command: '' }));
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 600, noNaN: true }), (minutes) => {
        for (const { runs } of planned(jobs, minutes)) {
          expect(runs).toBeGreaterThanOrEqual(1);
          expect(runs).toBeLessThanOrEqual(3);
        }
      }),
    );
    expect(planned(jobs, 60).every(({ runs }) => runs === 3)).toBe(true);
    expect(planned(jobs, 0.01).every(({ runs }) => runs === 1)).toBe(true);
  });
});

describe('whether a machine can be measured', () => {
  const stat = (busy: number, idle: number) => `cpu  ${busy} 0 0 ${idle} 0 0 0 0 0 0\ncpu0 1 2 3 4`;
  const looks =
    (...texts: string[]) =>
    () =>
      texts.shift() ?? '';
  const quick = () => Promise.resolve();

  test('ticks between two looks: 30 of 100 are busy', () => {
    expect(busyBetween(timesOf(stat(100, 900)), timesOf(stat(130, 970)))).toBeCloseTo(0.3, 12);
    expect(busyBetween(timesOf(stat(100, 900)), timesOf(stat(100, 900)))).toBe(0);
    expect(busyBetween(timesOf(''), timesOf(''))).toBe(0);
  });

  test('a busy machine is refused, a quiet one is not', async () => {
    expect(await unfitness(looks(stat(100, 900), stat(130, 970)), folder, quick)).toEqual([
      'Other programs keep its processors 30 % busy, so results would tell of them: end them or wait.',
    ]);
    expect(await unfitness(looks(stat(100, 900), stat(105, 995)), folder, quick)).toEqual([]);
  });

  test.each([
    [[['Battery', 'Discharging', '']], true],
    [
      [
        ['Battery', 'Discharging', ''],
        ['Mains', '', '0'],
      ],
      true,
    ],
    [
      [
        ['Battery', 'Charging', ''],
        ['Mains', '', '1'],
      ],
      false,
    ],
    [
      [
        ['Battery', 'Discharging', ''],
        ['Mains', '', '1'],
      ],
      false,
    ],
    [[['Mains', '', '1']], false],
    [[], false],
  ])('supplies %j: on its battery %s', (supplies, expected) => {
    const at = mkdtempSync(join(folder, 'power-'));
    supplies.forEach(([type = '', status = '', online = ''], i) => {
      mkdirSync(join(at, `s${i}`));
      for (const [name, text] of Object.entries({ type, status, online }))
        if (text !== '') writeFileSync(join(at, `s${i}`, name), `${text}\n`);
    });
    expect(onBattery(at)).toBe(expected);
    expect(onBattery(join(at, 'nothing'))).toBe(false);
  });
});
