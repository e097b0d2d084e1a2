import { createHash, randomFillSync } from 'node:crypto';
import { closeSync, openSync, readSync, rmSync, statSync, writeFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { readResults, type Found } from '@/core/evidence/readers';
import type { Workload } from '@/core/model/measurement';
import { KERNEL } from './kernel';
import { installed, run } from './tools';

/** Where a job works, and with what. */
export interface Place {
  /** Thrown away at the end. */
  readonly folder: string;
  /** Where what tools printed is kept. */
  readonly out: string;
  readonly threads: number;
  readonly stop: AbortSignal;
}

/** One short measurement: what it needs, and what it finds. A tool’s own output is kept as a file beside. */
export interface Job {
  /** Name for `--only`. */
  readonly id: string;
  readonly what: string;
  /** Commands of which one must be there, and the package that brings them; nothing where it needs none. */
  readonly needs?: { readonly commands: readonly string[]; readonly from: string };
  /** Seconds of one run, about. */
  readonly seconds: number;
  readonly once: (place: Place, command: string) => Promise<readonly Found[]>;
  /** Makes what all runs need. */
  readonly before?: (place: Place, command: string) => Promise<void>;
}

/** What a tool printed, kept as a file that the app reads too. */
function told(place: Place, name: string, output: string): readonly Found[] {
  writeFileSync(join(place.out, name), output);
  const reading = readResults(output, () => []);
  if (!reading.ok) throw new Error(reading.message);
  // what a reader keeps to check with is one run of a tool; here there are several, on a quiet machine
  return reading.found.map((found) => (found.workload.work === 'memory' ? { ...found, use: 'calibrate' } : found));
}

const found = (workload: Workload, value: number, unit: Found['unit'], tool: string, settings?: string): Found => ({
  workload,
  value,
  unit,
  tool,
  use: 'calibrate',
  ...(settings === undefined ? {} : { settings }),
});

const OWN = 'vane measure';
const COMPILER = { commands: ['cc', 'gcc', 'clang'], from: 'gcc' };

/** One and all threads, once where that is the same. */
const counts = ({ threads }: Place): number[] => (threads > 1 ? [1, threads] : [1]);

/** The kernel, compiled once for this processor. */
async function kernel(place: Place, compiler: string): Promise<void> {
  writeFileSync(join(place.folder, 'kernel.c'), KERNEL);
  await run(compiler, ['-O3', '-march=native', '-pthread', 'kernel.c', '-o', 'kernel'], place.folder, place.stop);
}

async function kernelRuns(place: Place, args: readonly string[]): Promise<{ threads: number; rate: number }[]> {
  const rates = [];
  for (const threads of counts(place)) {
    const { output } = await run(join(place.folder, 'kernel'), [...args, String(threads)], place.folder, place.stop);
    rates.push({ threads, rate: Number(output) });
  }
  return rates;
}

const MEGABYTE = 1 << 20;
const FILE_MB = 512;

/** Bytes a second through the page cache from one new file to another, in blocks of a megabyte. */
function copied(folder: string): number {
  const [from, to] = [join(folder, 'copy-from'), join(folder, 'copy-to')];
  const block = randomFillSync(Buffer.alloc(MEGABYTE));
  const source = openSync(from, 'w');
  for (let i = 0; i < FILE_MB; i++) writeSync(source, block);
  closeSync(source);
  const [reading, writing] = [openSync(from, 'r'), openSync(to, 'w')];
  const started = process.hrtime.bigint();
  for (let i = 0; i < FILE_MB; i++) writeSync(writing, block, 0, readSync(reading, block));
  const seconds = Number(process.hrtime.bigint() - started) / 1e9;
  closeSync(reading);
  closeSync(writing);
  rmSync(from);
  rmSync(to);
  return (FILE_MB * MEGABYTE) / seconds;
}

function summed(): number {
  const block = randomFillSync(Buffer.alloc(64 * MEGABYTE));
  const started = process.hrtime.bigint();
  createHash('sha256').update(block).digest();
  return block.length / (Number(process.hrtime.bigint() - started) / 1e9);
}

/** Files as programs with templates have them: containers, closures and sorting, each with types of its own. */
const sourceFile = (i: number): string => `
#include <algorithm>
#include <functional>
#include <map>
#include <string>
#include <unordered_map>
#include <vector>
struct Sounding${i} { double depth; int line; std::string name; bool operator<(const Sounding${i} &o) const { return depth < o.depth; } };
std::map<std::string, std::vector<Sounding${i}>> sort${i}(const std::vector<Sounding${i}> &all, const std::string &wanted) {
  std::map<std::string, std::vector<Sounding${i}>> by;
  std::unordered_map<int, std::function<double(double)>> scale{{0, [](double x) { return x * ${i}; }}, {1, [](double x) { return x + 1; }}};
  for (const auto &each : all)
    if (each.name.find(wanted) != std::string::npos) by[each.name].push_back({scale[each.line % 2](each.depth), each.line, each.name});
  for (auto &entry : by) std::stable_sort(entry.second.begin(), entry.second.end());
  return by;
}
`;
const SOURCES = 6;
const MAKE = `all: ${Array.from({ length: SOURCES }, (_, i) => `s${i}.o`).join(' ')}\n%.o: %.cpp\n\tc++ -O2 -g -c $< -o $@\n`;

const ROWS = 1_000_000;
const TABLE = `create table soundings as with recursive c(i) as (select 1 union all select i + 1 from c where i < ${ROWS})
select i as id, i * 7919 % 5000 as place, (i * 104729 % 10007) / 10.0 as depth, i % 12 as month, 'line ' || (i % 977) as line from c;`;

const PICTURE = { width: 1920, height: 1080 } as const;
const FRAMES = 40;
const PRESETS = ['veryfast', 'medium'] as const;
const QUIETLY = ['-hide_banner', '-nostdin', '-y'] as const;

/** Command line of a made-up picture of so many seconds, encoded into a file. */
const clip = (seconds: number, preset: (typeof PRESETS)[number], file: string, threads: number): string[] => [
  ...['-f', 'lavfi', '-i', `testsrc2=size=${PICTURE.width}x${PICTURE.height}:rate=25:duration=${seconds}`],
  ...['-pix_fmt', 'yuv420p', '-c:v', 'libx264', '-preset', preset, '-threads', String(threads), file],
];

/** A run of the encoder with its clock: its log says neither the preset nor the threads, its command line does. */
async function timed(
  place: Place,
  ffmpeg: string,
  name: string,
  threads: number,
  args: readonly string[],
): Promise<readonly Found[]> {
  const { output } = await run(ffmpeg, [...QUIETLY, '-benchmark', ...args], place.folder, place.stop);
  return told(place, `${name}-${threads}.txt`, `${args.join(' ')} threads=${threads}\n${output}`);
}

/** The measurements in the order in which they run: the short ones first. */
export const JOBS: readonly Job[] = [
  {
    id: 'memory',
    what: 'streams of memory',
    needs: COMPILER,
    seconds: 4,
    before: kernel,
    once: async (place) =>
      (await kernelRuns(place, ['triad'])).map(({ threads, rate }) =>
        found({ work: 'memory', threads }, rate / 1e6, 'MB/s', OWN, 'triad, three arrays of 64 MiB a thread'),
      ),
  },
  {
    id: 'product',
    what: 'products of matrices',
    needs: COMPILER,
    seconds: 6,
    before: kernel,
    once: async (place) => {
      const all: Found[] = [];
      for (const precision of ['fp32', 'fp64'] as const)
        for (const { threads, rate } of await kernelRuns(place, ['product', precision]))
          all.push({
            ...found({ work: 'product', precision, threads }, rate / 1e9, 'GFLOP/s', OWN, '768 × 768, plain kernel'),
            use: 'check',
          });
      return all;
    },
  },
  {
    id: 'checksum',
    what: 'a strong checksum',
    seconds: 1,
    once: () =>
      Promise.resolve([
        found(
          { work: 'transfer', copied: false, checksum: 'strong', threads: 1 },
          summed() / 1e6,
          'MB/s',
          OWN,
          'SHA-256 of 64 MiB',
        ),
      ]),
  },
  {
    id: 'copy',
    what: 'a copy through the page cache',
    seconds: 2,
    once: ({ folder }) =>
      Promise.resolve([
        found(
          { work: 'transfer', copied: true, checksum: 'none', threads: 1 },
          copied(folder) / 1e6,
          'MB/s',
          OWN,
          `${FILE_MB} MiB to a new file`,
        ),
      ]),
  },
  {
    id: 'drive',
    what: 'the drive in one piece',
    needs: { commands: ['fio'], from: 'fio' },
    seconds: 12,
    once: async (place, fio) => {
      const all: Found[] = [];
      for (const direction of ['write', 'read']) {
        const args = [
          `--name=${direction}`,
          '--filename=drive.bin',
          `--rw=${direction}`,
          '--bs=1M',
          '--size=1G',
          '--direct=1',
          '--ioengine=libaio',
          '--iodepth=8',
          '--output-format=json',
        ];
        const { output } = await run(fio, args, place.folder, place.stop);
        // notes of the tool stand before its result
        all.push(...told(place, `drive-${direction}.json`, output.slice(output.indexOf('{'))));
      }
      return all;
    },
  },
  {
    id: 'compress',
    what: 'compression',
    needs: { commands: ['7zz', '7z', '7za'], from: '7zip' },
    seconds: 12,
    once: async (place, command) => {
      const { output } = await run(command, ['b', '1', `-mmt${place.threads}`, '-md22'], place.folder, place.stop);
      return told(place, 'compress.txt', output);
    },
  },
  {
    id: 'encode',
    what: 'encoding of pictures',
    needs: { commands: ['ffmpeg'], from: 'ffmpeg' },
    seconds: 25,
    once: async (place, ffmpeg) => {
      const all: Found[] = [];
      for (const preset of PRESETS)
        for (const threads of counts(place))
          all.push(
            ...(await timed(
              place,
              ffmpeg,
              `encode-${preset}`,
              threads,
              clip(FRAMES / 25, preset, 'clip.mp4', threads),
            )),
          );
      return all;
    },
  },
  {
    id: 'decode',
    what: 'decoding of pictures',
    needs: { commands: ['ffmpeg'], from: 'ffmpeg' },
    seconds: 6,
    before: async (place, ffmpeg) => {
      await run(ffmpeg, [...QUIETLY, ...clip(8, 'veryfast', 'source.mp4', place.threads)], place.folder, place.stop);
    },
    once: async (place, ffmpeg) => {
      const all: Found[] = [];
      for (const threads of counts(place))
        all.push(
          ...(await timed(place, ffmpeg, 'decode', threads, [
            '-threads',
            String(threads),
            '-i',
            'source.mp4',
            '-an',
            '-f',
            'null',
            '-',
          ])),
        );
      return all;
    },
  },
  {
    id: 'build',
    what: 'compiling',
    needs: { commands: ['make'], from: 'make and g++' },
    seconds: 30,
    before: async (place) => {
      if (!installed('c++', 'g++', 'clang++')) throw new Error('there is no C++ compiler: install g++');
      for (let i = 0; i < SOURCES; i++) writeFileSync(join(place.folder, `s${i}.cpp`), sourceFile(i));
      writeFileSync(join(place.folder, 'Makefile'), MAKE);
      await Promise.resolve();
    },
    once: async (place, make) => {
      const all: Found[] = [];
      for (const threads of counts(place)) {
        const { seconds } = await run(make, ['-B', `-j${threads}`], place.folder, place.stop);
        all.push(
          found(
            { work: 'build', weight: 'usual', files: SOURCES, threads },
            SOURCES / seconds,
            'files/s',
            'make',
            '-O2 -g, containers and closures',
          ),
        );
      }
      return all;
    },
  },
  {
    id: 'tables',
    what: 'tables in a file',
    needs: { commands: ['sqlite3'], from: 'sqlite3' },
    seconds: 8,
    before: async (place, sqlite) => {
      rmSync(join(place.folder, 'tables.db'), { force: true });
      await run(sqlite, ['tables.db', TABLE], place.folder, place.stop);
    },
    once: async (place, sqlite) => {
      const gigabytes = statSync(join(place.folder, 'tables.db')).size / 1e9;
      const query = 'select count(*), sum(depth) from soundings where depth > 500 and month < 6;';
      const { seconds } = await run(sqlite, ['tables.db', query], place.folder, place.stop);
      return [
        found(
          { work: 'table', effort: 'scan', gigabytes, threads: 1 },
          (gigabytes * 1e3) / seconds,
          'MB/s',
          'sqlite3',
          `${ROWS} rows in a file`,
        ),
      ];
    },
  },
];
