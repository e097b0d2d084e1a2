import { parse } from 'csv-parse/sync';
import { describe, expect, test } from 'vitest';
import { readResults, withIds, type Reading, type Told } from './readers';
import { rawFile } from '../tests/reality';

const cut = (text: string): string[][] =>
  parse(text, { delimiter: [',', ';'], relax_column_count: true, skip_empty_lines: true, trim: true });
const read = (text: string, told: Told = {}) => readResults(text, cut, told);
const only = (reading: Reading) => {
  if (!reading.ok) throw new Error(reading.message);
  expect(reading.found).toHaveLength(1);
  return reading.found[0];
};
const message = (reading: Reading) => (reading.ok ? 'read' : reading.message);

describe('result files', () => {
  test('storage results: the direction that moved bytes, its rate, and what was asked for', () => {
    expect(only(read(rawFile('fio_seq_write_rep1.json')))).toEqual({
      workload: { work: 'drive', direction: 'write', access: 'sequential', gigabytes: 2 * 1.073741824 },
      value: 1067.864011,
      unit: 'MB/s',
      tool: 'fio',
      settings: 'rw write, bs 1m, iodepth 8, direct 1, ioengine libaio, size 2g',
      use: 'calibrate',
      date: '2026-11-24',
    });
    expect(only(read(rawFile('fio_seq_read_rep1.json')))?.workload).toMatchObject({ direction: 'read' });
    expect(only(read(rawFile('fio-rand-read.json')))).toMatchObject({
      workload: { work: 'drive', direction: 'read', access: 'random' },
      unit: 'kIO/s',
    });
  });

  test('what vane measure writes: results in the model’s words, a bad one left out and told', () => {
    const own = (results: unknown, more: object = {}) =>
      JSON.stringify({ format: 'vane-measurements', version: 1, ...more, results }, null, 1);
    const good = {
      workload: { work: 'build', weight: 'usual', files: 6, threads: 2 },
      value: 0.57,
      unit: 'files/s',
      tool: 'make',
      use: 'calibrate',
    };
    expect(only(read(own([good])))).toEqual(good);
    const mixed = read(
      own([good, { ...good, value: -1 }, { ...good, workload: { work: 'baking' } }], { notes: ['On its battery.'] }),
    );
    expect(mixed).toMatchObject({ ok: true, found: [good] });
    expect(mixed.ok && mixed.notes).toHaveLength(3);
    expect(mixed.ok && mixed.notes[0]).toBe('On its battery.');
    expect(message(read(own([{ ...good, value: 'fast' }])))).toContain(
      'None of the results can be taken. Left out: result 1, value',
    );
    expect(message(read(own([])))).toContain('cannot be read at results');
    expect(message(read(own([good]).slice(0, -20)))).toContain('cut off');
    expect(message(read(own([good], { version: 2 })))).toContain('version');
  });

  test('an encoder’s log: frames over run time, threads and preset from its options', () => {
    expect(only(read(rawFile('encode-720p-fast.txt')))).toEqual({
      workload: {
        work: 'encode',
        width: 1280,
        height: 720,
        threads: 2,
        target: { codec: 'h264', preset: 'fast', chroma: '4:2:0' },
      },
      value: 100 / 1.731,
      unit: 'fps',
      tool: 'ffmpeg',
      settings: '100 frames in 1.731 s, 1.59 cores busy',
      use: 'calibrate',
    });
    // (0.488 + 0.032) ÷ 0.362 = 1.44 cores busy: two threads
    expect(only(read(rawFile('decode-720p.txt')))).toMatchObject({
      workload: { work: 'decode', threads: 2, source: { codec: 'h264', chroma: '4:2:0', bitDepth: 8 } },
      value: 100 / 0.362,
    });
  });

  test('a log without its preset asks for it', () => {
    const bare = rawFile('encode-720p-fast.txt').replace(/(subme|ref|rc_lookahead|trellis)=\d+/g, '');
    expect(message(read(bare))).toBe('The log does not say which preset was used; choose it and read the file again.');
    expect(only(read(bare, { preset: 'medium' }))?.workload).toMatchObject({ target: { preset: 'medium' } });
  });

  test('a preset is read from settings that agree, not from one that may have been set by hand', () => {
    const log = rawFile('encode-720p-fast.txt');
    const with_ = (settings: string) =>
      read(log.replace(/(subme|ref|rc_lookahead|trellis)=\d+/g, '').replace(/cabac=1|\bme=\w+/, `$& ${settings}`));
    const preset = (settings: string) => only(with_(settings))?.workload;
    expect(preset('subme=2 ref=1 trellis=0')).toMatchObject({ target: { preset: 'fast' } });
    expect(preset('subme=7 ref=3 rc_lookahead=40 trellis=1')).toMatchObject({ target: { preset: 'medium' } });
    for (const mixed of ['subme=7', 'subme=7 ref=1 trellis=0', 'subme=9 ref=5 trellis=2'])
      expect(message(with_(mixed)), mixed).toMatch(/does not say which preset/);
  });

  test('a memory stream of several instances counts the whole run', () => {
    // two instances of (5,045.53 + 3,363.69) MB/s each, of which the log names one
    expect(only(read(rawFile('mem_stream_t2.txt')))).toMatchObject({
      workload: { work: 'memory', threads: 2 },
      value: expect.closeTo(16_818.44, 2) as number,
    });
    expect(only(read(rawFile('mem_stream_t1.txt')))).toMatchObject({
      workload: { threads: 1 },
      value: expect.closeTo(9197.2, 1) as number,
    });
    // without the lines of the whole run, the instances that are named stand for all that were sent out
    const cut = rawFile('mem_stream_t2.txt').replace(/^.*geomet.*$/gm, '');
    expect(only(read(cut))?.value).toBeCloseTo(16_818.44, 2);
  });

  test('compression, processor and memory benchmarks', () => {
    expect(only(read(rawFile('cpu_7z_t2.txt')))).toMatchObject({
      workload: { work: 'compress', threads: 2 },
      value: 4984,
      unit: 'MIPS',
    });
    expect(only(read(rawFile('sysbench-cpu.txt')))).toMatchObject({
      workload: { work: 'arithmetic', threads: 2 },
      value: 1587.62,
      unit: 'events/s',
      use: 'check',
    });
    expect(only(read(rawFile('mem_stream_t1.txt')))).toMatchObject({
      workload: { work: 'memory', threads: 1 },
      value: 5518.32 + 3678.88,
    });
  });

  test('sensor values: the mean of the last third, by column', () => {
    const reading = read(rawFile('sensors.csv'));
    expect(reading.ok && reading.found.map(({ value, unit }) => [value, unit])).toEqual([
      [82, '°C'],
      [118.5, 'W'],
      [4.43, 'GHz'],
      [1500, 'rpm'],
    ]);
  });

  test.each([
    ['', 'is of no kind that is known'],
    ['\0\0', 'is no text'],
    ['{"fio version": "fio-3.3", "jobs": [', 'cut off'],
    ['{"fio version": "fio-3.3", "jobs": []}', 'lacks jobs'],
    [
      '{"fio version": "fio-3.3", "jobs": [{"jobname": "a", "read": {"io_bytes": 0, "iops": 0}, "write": {"io_bytes": 0, "iops": 0}}]}',
      'read or wrote anything',
    ],
    ['bench: utime=1s stime=1s rtime=1s', 'no stream mapping'],
    ['a,b\n1,2', 'fewer than three lines'],
    ['a,b\n1,2\n1,2\n1,2', 'No column'],
    ['sysbench 1.0\nNumber of threads: 2', 'no result'],
    ['x'.repeat(5_000_000), '5 million characters'],
  ])('what cannot be read says why in one sentence: %#', (text, why) => {
    const said = message(read(text));
    expect(said).toContain(why);
    expect(said).toMatch(/\.$/);
  });

  test('an encoder’s log that scales or names an unknown codec is not guessed at', () => {
    const log = rawFile('encode-720p-fast.txt');
    expect(message(read(log.replace(/1280x720(?![\s\S]*1280x720)/, '640x360')))).toContain('scaling is no workload');
    expect(message(read(log.replace('rawvideo (native)', 'oddity (native)')))).toContain('"oddity"');
    expect(message(read(log.replace(/frame=\s*\d+/g, '')))).toContain('no count of frames');
  });

  test('ids go on where the machine’s end', () => {
    const reading = read(rawFile('sensors.csv'));
    if (!reading.ok) throw new Error(reading.message);
    const first = withIds(reading.found, 'sensors.csv', []);
    const second = withIds(reading.found, 'sensors.csv', first);
    expect(new Set([...first, ...second].map(({ id }) => id)).size).toBe(8);
  });
});
