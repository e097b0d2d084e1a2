import { counted, firstFree } from '../units/free';
import { z } from 'zod';
import { CODECS, plainText, type Codec } from '../parts/common';
import { OUT_CODECS, PRESETS } from '../model/encoders';
import { measurementSchema, type Measurement, type Workload } from '../model/measurement';

/** What a result file said: measurements without an id, or one sentence on why not. */
export type Reading =
  | { readonly ok: true; readonly tool: string; readonly found: readonly Found[]; readonly notes: readonly string[] }
  | { readonly ok: false; readonly message: string };

export type Found = Pick<Measurement, 'workload' | 'value' | 'unit' | 'tool' | 'use'> &
  Partial<Pick<Measurement, 'settings' | 'date' | 'low' | 'high'>>;

type Preset = (typeof PRESETS)[number];

/** What a file may leave open and a person may say. */
export interface Told {
  readonly preset?: Preset | undefined;
}

/** Cuts a table into rows of cells; a library’s work, given from outside so that this stays free of packages. */
export type CutTable = (text: string) => string[][];

const failed = (message: string): Reading => ({ ok: false, message });

/** What no instrument shows is left out and told; a file without anything else is no result. */
function read(tool: string, found: readonly Found[], notes: readonly string[] = []): Reading {
  const told = found.map((entry) => ({ entry, wrong: wrongWith(entry) }));
  const sound = told.filter(({ wrong }) => wrong === undefined).map(({ entry }) => entry);
  const leftOut = told.flatMap(({ wrong }) => wrong ?? []);
  if (sound.length === 0 && leftOut[0] !== undefined) return failed(`Nothing of the file can be taken: ${leftOut[0]}.`);
  return { ok: true, tool, found: sound, notes: [...notes, ...leftOut.map((wrong) => `Left out: ${wrong}.`)] };
}

function wrongWith(entry: Found): string | undefined {
  const parsed = measurementSchema.safeParse(completed(entry, 'measured', 'a file'));
  if (parsed.success) return undefined;
  const [issue] = parsed.error.issues;
  return `${entry.workload.work}: ${issue?.path.join('.') ?? 'value'} ${issue?.message ?? 'is no figure of a machine'}`;
}

/** A measurement with its id and file; floating-point means must not fall outside their own range by a rounding error. */
const completed = (entry: Found, id: string, source: string) => ({
  ...entry,
  value: Math.min(entry.high ?? Infinity, Math.max(entry.low ?? 0, entry.value)),
  id,
  source,
});

/** Result files longer than this are no results of these tools. */
const LONGEST = 4_000_000;

/**
 * Reads a result file of an open measuring tool, told apart by what stands in it: what `vane
 * measure` writes, storage results as JSON, encoder logs with a benchmark line, compression and processor benchmarks and memory streams as text, sensor logs as CSV.
 */
export function readResults(text: string, cut: CutTable, told: Told = {}): Reading {
  if (text.length > LONGEST)
    return failed(`The file has ${Math.round(text.length / 1e6)} million characters; no result of these tools has.`);
  if (text.includes('\0')) return failed('The file is no text.');
  if (/"format":\s*"vane-measurements"/.test(text)) return readOwn(text);
  if (/"fio version"/.test(text)) return readFio(text);
  if (/^bench: .*rtime=/m.test(text)) return readEncoderLog(text, told);
  if (/Benchmark threads/.test(text) && /^Tot:/m.test(text)) return readCompression(text);
  if (/^sysbench \d/m.test(text)) return readSysbench(text);
  if (/stream: .*memory rate:|stressor loosely based on .*STREAM/.test(text)) return readStream(text);
  const [first = ''] = text.split(/\r?\n/, 1);
  if (/[,;\t]/.test(first)) return readSensors(text, cut);
  return failed(
    'The file is of no kind that is known here: what vane measure writes, storage results as JSON, an encoder’s log with its benchmark line, compression, processor or memory benchmarks as text, or sensor values as CSV.',
  );
}

/** What `vane measure` writes: results in the model's own words. */
const ownSchema = z.strictObject({
  format: z.literal('vane-measurements'),
  version: z.literal(1),
  machine: plainText(200).optional(),
  notes: z.array(z.string()).optional(),
  results: z.array(z.unknown()).min(1).max(1000),
});

function readOwn(text: string): Reading {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return failed('The measurements are cut off: they are no whole JSON.');
  }
  const parsed = ownSchema.safeParse(raw);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    return failed(`The measurements cannot be read at ${issue?.path.join('.') ?? 'results'}: ${issue?.message ?? ''}.`);
  }
  const notes = [...(parsed.data.notes ?? [])];
  const found = parsed.data.results.flatMap((entry, i): Found[] => {
    const result = measurementSchema.safeParse({ ...Object(entry), id: 'measured', source: 'a file' });
    if (result.success) {
      const { id: _id, source: _source, part: _part, ...mine } = result.data;
      return [mine];
    }
    const [issue] = result.error.issues;
    notes.push(`Left out: result ${i + 1}, ${issue?.path.join('.') ?? 'value'} ${issue?.message ?? 'is none'}.`);
    return [];
  });
  return found.length === 0
    ? failed(`None of the results can be taken. ${notes.join(' ')}`)
    : read('vane measure', found, notes);
}

const side = z.object({ io_bytes: z.number(), bw_bytes: z.number().optional(), iops: z.number() });
const fioSchema = z.object({
  'fio version': z.string(),
  timestamp: z.number().optional(),
  jobs: z
    .array(
      z.object({
        jobname: z.string(),
        error: z.number().optional(),
        'job options': z.record(z.string(), z.string()).optional(),
        read: side,
        write: side,
      }),
    )
    .min(1),
});

/** Bytes of sizes as the tool writes them: 4k, 1m, 2g. */
function bytesOf(text: string | undefined): number | undefined {
  const match = /^(\d+(?:\.\d+)?)\s*([kmgt]?)i?b?$/i.exec(text ?? '');
  if (!match) return undefined;
  return Number(match[1]) * 1024 ** ' kmgt'.indexOf((match[2] || ' ').toLowerCase());
}

/** Last second of a year that people write with four digits. Source: ISO 8601. */
const LAST_SECOND = Date.UTC(9999, 11, 31) / 1000;

/** Day of a time in seconds since 1970; none of what is no time of a calendar. */
const dayOf = (seconds: number | undefined): string | undefined =>
  seconds !== undefined && seconds >= 0 && seconds <= LAST_SECOND
    ? new Date(seconds * 1000).toISOString().slice(0, 10)
    : undefined;

function readFio(text: string): Reading {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return failed('The storage result is cut off: it is no whole JSON.');
  }
  // its schema looks four levels deep, however deep the rest is
  const parsed = fioSchema.safeParse(raw);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    return failed(`The storage result lacks ${issue?.path.join('.') ?? 'its jobs'}: ${issue?.message ?? ''}.`);
  }
  const notes: string[] = [];
  const date = dayOf(parsed.data.timestamp);
  const found = parsed.data.jobs.flatMap((job): Found[] => {
    if (job.error) {
      notes.push(`Job ${job.jobname} ended with error ${job.error} and is left out.`);
      return [];
    }
    const options = job['job options'] ?? {};
    const random = /rand/.test(options['rw'] ?? '');
    return (['read', 'write'] as const).flatMap((direction): Found[] => {
      const { io_bytes: bytes, bw_bytes: bandwidth, iops } = job[direction];
      const value = random ? iops / 1000 : (bandwidth ?? 0) / 1e6;
      if (!(bytes > 0) || !(value > 0)) return [];
      return [
        {
          workload: {
            work: 'drive',
            direction,
            access: random ? 'random' : 'sequential',
            gigabytes: (bytesOf(options['size']) ?? bytes) / 1e9,
          },
          value,
          unit: random ? 'kIO/s' : 'MB/s',
          tool: 'fio',
          settings:
            ['rw', 'bs', 'iodepth', 'direct', 'ioengine', 'size']
              .flatMap((key) => (options[key] === undefined ? [] : [`${key} ${options[key]}`]))
              .join(', ') || job.jobname,
          use: 'calibrate',
          ...(date ? { date } : {}),
        },
      ];
    });
  });
  return found.length === 0
    ? failed('No job of the storage result read or wrote anything.')
    : read('fio', found, notes);
}

/** Codec names in stream mappings, as far as they are one of ours. */
const CODEC_NAMES: Readonly<Record<string, Codec>> = {
  h264: 'h264',
  hevc: 'hevc',
  av1: 'av1',
  vc3: 'mezzanine',
  rawvideo: 'uncompressed',
};

function readEncoderLog(text: string, told: Told): Reading {
  const mapping = /Stream #\S+ -> #\S+ \((\w+) \([^)]*\) -> (\w+) \([^)]*\)\)/.exec(text);
  const rtime = Number(/^bench: utime=([\d.]+)s stime=([\d.]+)s rtime=([\d.]+)s/m.exec(text)?.[3]);
  const busy = /^bench: utime=([\d.]+)s stime=([\d.]+)s/m.exec(text);
  const frames = Number([...text.matchAll(/frame=\s*(\d+)/g)].at(-1)?.[1]);
  if (!mapping) return failed('The log has no stream mapping, so it does not say what was decoded and encoded.');
  if (!(frames > 0) || !(rtime > 0)) return failed('The log has no count of frames or no run time.');
  const [input, output] = text.split(/^Output #0/m);
  const size = /Video: .*?, (\d{2,5})x(\d{2,5})/.exec(input ?? '');
  const out = /Video: .*?, (\d{2,5})x(\d{2,5})/.exec(output ?? '');
  if (!size) return failed('The log names no picture size.');
  if (out && (out[1] !== size[1] || out[2] !== size[2]))
    return failed(
      `The run changes the picture from ${size[1]} × ${size[2]} to ${out[1]} × ${out[2]}; scaling is no workload here.`,
    );
  const pixels = /Video: [^\n]*?(yuv\w+)/.exec(input ?? '')?.[1] ?? 'yuv420p';
  const format = {
    chroma: /444/.test(pixels) ? '4:4:4' : /422/.test(pixels) ? '4:2:2' : '4:2:0',
    bitDepth: /12le/.test(pixels) ? 12 : /10le/.test(pixels) ? 10 : 8,
  } as const;
  const cores = (Number(busy?.[1]) + Number(busy?.[2])) / rtime;
  const threads = Number(/ threads=(\d+)/.exec(text)?.[1] ?? Math.max(1, Math.ceil(cores - 0.15)));
  const [from = '', to = ''] = [mapping[1], mapping[2]];
  const picture = { width: Number(size[1]), height: Number(size[2]), threads };
  const decodes = from !== 'rawvideo';
  const encodes = !/wrapped_avframe|rawvideo/.test(to);
  const source = CODEC_NAMES[from];
  if (decodes && (!source || !CODECS.includes(source)))
    return failed(`The codec "${from}" is none that is known here.`);
  const codec = encodes ? OUT_CODECS.find((name) => name === CODEC_NAMES[to]) : undefined;
  if (encodes && !codec) return failed(`The codec "${to}" is none that is known here.`);
  const preset = codec === 'mezzanine' ? 'medium' : (presetOf(text, codec) ?? told.preset);
  if (codec && !preset) return failed('The log does not say which preset was used; choose it and read the file again.');
  const decoding = source ? { codec: source, ...format } : undefined;
  const encoding = codec && preset ? { codec, preset, chroma: format.chroma } : undefined;
  const workload: Workload | undefined =
    decodes && decoding && encoding
      ? { work: 'chain', ...picture, source: decoding, steps: 0, target: encoding }
      : encoding
        ? { work: 'encode', ...picture, target: encoding }
        : decodes && decoding
          ? { work: 'decode', ...picture, source: decoding }
          : undefined;
  if (!workload) return failed('The run neither decodes nor encodes.');
  return read(
    'ffmpeg',
    [
      {
        workload,
        value: frames / rtime,
        unit: 'fps',
        tool: 'ffmpeg',
        settings: `${frames} frames in ${rtime} s, ${cores.toFixed(2)} cores busy`,
        use: 'calibrate',
      },
    ],
    /-vf|filter_complex|Filtergraph/.test(text)
      ? ['The run has filters, which the log does not count as correction steps.']
      : [],
  );
}

/**
 * Settings by which encoders' presets differ: for each the most that a fast preset has and the most that a medium one
 * has; above it the preset is a slow one, which is no workload here. One setting alone may have been set by hand.
 */
const EFFORTS: Readonly<Partial<Record<Codec, readonly (readonly [RegExp, fast: number, medium: number])[]>>> = {
  h264: [
    [/\bsubme=(\d+)/, 3, 7],
    [/\bref=(\d+)/, 1, 3],
    [/\brc_lookahead=(\d+)/, 10, 40],
    [/\btrellis=(\d+)/, 0, 1],
  ],
  hevc: [
    [/\brd=(\d+)/, 2, 3],
    [/\bsubme=(\d+)/, 1, 2],
    [/\bref=(\d+)/, 2, 3],
    [/\brc-lookahead=(\d+)/, 15, 25],
  ],
};
/** Settings that have to agree before a preset is read from them. */
const AGREEING = 2;

/** The preset of an encoder's run: as it was asked for, else as several of its settings agree on; undefined when they do not. */
function presetOf(text: string, codec: Codec | undefined): Preset | undefined {
  const asked = /-preset (\w+)/.exec(text)?.[1];
  if (asked !== undefined) return /fast$/.test(asked) ? 'fast' : asked === 'medium' ? 'medium' : undefined;
  const votes = (codec === undefined ? [] : (EFFORTS[codec] ?? [])).flatMap(([pattern, fast, medium]) => {
    const found = pattern.exec(text)?.[1];
    if (found === undefined) return [];
    const value = Number(found);
    return [value <= fast ? ('fast' as const) : value <= medium ? ('medium' as const) : ('slow' as const)];
  });
  const [first] = votes;
  return first !== undefined && first !== 'slow' && votes.length >= AGREEING && votes.every((vote) => vote === first)
    ? first
    : undefined;
}

function readCompression(text: string): Reading {
  const threads = Number(/Benchmark threads:\s*(\d+)/.exec(text)?.[1]);
  const value = Number(/^Tot:\s+\d+\s+\d+\s+(\d+)/m.exec(text)?.[1]);
  if (!(threads > 0) || !(value > 0)) return failed('The compression benchmark has no total or no count of threads.');
  return read('7-Zip', [
    { workload: { work: 'compress', threads }, value, unit: 'MIPS', tool: '7-Zip', use: 'calibrate' },
  ]);
}

function readSysbench(text: string): Reading {
  const threads = Number(/^Number of threads:\s*(\d+)/m.exec(text)?.[1]);
  const events = Number(/events per second:\s*([\d.]+)/.exec(text)?.[1]);
  const memory = Number(/\(([\d.]+) MiB\/sec\)/.exec(text)?.[1]);
  if (!(threads > 0)) return failed('The benchmark does not say how many threads it used.');
  if (events > 0)
    return read(
      'sysbench',
      [{ workload: { work: 'arithmetic', threads }, value: events, unit: 'events/s', tool: 'sysbench', use: 'check' }],
      ['Its events have no relation to the model’s work: they are shown, and compared between machines only.'],
    );
  if (memory > 0)
    return read('sysbench', [
      { workload: { work: 'memory', threads }, value: memory * 1.048576, unit: 'MB/s', tool: 'sysbench', use: 'check' },
    ]);
  return failed('The benchmark has no result: neither events per second nor a memory rate.');
}

function readStream(text: string): Reading {
  const rates = [...text.matchAll(/memory rate: ([\d.]+) MB read\/sec, ([\d.]+) MB write\/sec/g)];
  const named = rates.reduce((all, [, readRate, writeRate]) => all + Number(readRate) + Number(writeRate), 0);
  // the log names some instances only; the lines of the whole run give their mean and how many there were
  const mean = (what: 'read' | 'write') =>
    new RegExp(
      `stream\\s+([\\d.]+) memory ${what} rate \\(MB per sec\\) \\(geomet\\w* mean of (\\d+) instances?\\)`,
    ).exec(text);
  const [reads, writes] = [mean('read'), mean('write')];
  const instances = Number(reads?.[2] ?? /dispatching hogs: (\d+) stream/.exec(text)?.[1] ?? rates.length);
  const value =
    reads && writes
      ? (Number(reads[1]) + Number(writes[1])) * instances
      : rates.length > 0
        ? (named / rates.length) * instances
        : 0;
  if (!(value > 0) || !(instances > 0)) return failed('The memory benchmark has no rate of any instance.');
  return read('stress-ng', [
    { workload: { work: 'memory', threads: instances }, value, unit: 'MB/s', tool: 'stress-ng', use: 'check' },
  ]);
}

const SENSORS: readonly (readonly [RegExp, Measurement['unit'], number])[] = [
  [/°\s*C|temp|\(c\)/i, '°C', 1],
  [/\(w\)|power|watt/i, 'W', 1],
  [/mhz/i, 'GHz', 1 / 1000],
  [/ghz|clock/i, 'GHz', 1],
  [/rpm|fan/i, 'rpm', 1],
];

/** A column's name as it may be shown: what cannot be seen is taken out. */
const shownName = (name: string): string =>
  name
    .replace(/[<>\p{Cc}\p{Cf}]/gu, ' ')
    .trim()
    .slice(0, 60);

function readSensors(text: string, cut: CutTable): Reading {
  let rows: string[][];
  try {
    rows = cut(text);
  } catch (error) {
    return failed(`The table cannot be read: ${error instanceof Error ? error.message : String(error)}.`);
  }
  const [header = [], ...lines] = rows;
  if (lines.length < 3)
    return failed('The sensor log has fewer than three lines of values; a steady value needs more.');
  const steady = lines.slice(Math.floor((lines.length * 2) / 3));
  const found = header.flatMap((name, column): Found[] => {
    const kind = SENSORS.find(([pattern]) => pattern.test(name));
    const values = steady.map((line) => Number(line[column])).filter((value) => Number.isFinite(value) && value > 0);
    if (!kind || values.length === 0) return [];
    const [, unit, factor] = kind;
    const mean = (values.reduce((all, value) => all + value, 0) / values.length) * factor;
    return [
      {
        workload: { work: 'sensor', sensor: shownName(name) },
        value: mean,
        // a log may have more lines than a call may have arguments
        low: values.reduce((least, value) => Math.min(least, value)) * factor,
        high: values.reduce((most, value) => Math.max(most, value)) * factor,
        unit,
        tool: 'sensor log',
        settings: `mean of the last ${values.length} of ${lines.length} values`,
        use: 'check',
      },
    ];
  });
  return found.length === 0
    ? failed('No column of the table is a temperature, power, clock or fan speed.')
    : read('sensor log', found);
}

/** Measurements with ids that the machine does not have yet. */
export function withIds(found: readonly Found[], source: string, taken: readonly Measurement[]): Measurement[] {
  const used = new Set(taken.map(({ id }) => id));
  return found.map((entry) => {
    const id = firstFree(counted('measured'), (taken) => used.has(taken));
    used.add(id);
    return measurementSchema.parse(completed(entry, id, source));
  });
}
