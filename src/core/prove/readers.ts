import { z } from 'zod';
import { readResults, type CutTable, type Found } from '../evidence/readers';
import { GIB } from '../units/quantity';

/** One thing that a file of readings shows, before it is known which test it answers. */
export type Shown =
  | {
      readonly what: 'sensor';
      readonly of: 'processor' | 'card' | 'drive' | 'cooler' | 'case' | 'room' | undefined;
      /** Which of several, as its name says: a number or an item's id. */
      readonly which: string | undefined;
      readonly name: string;
      readonly unit: '°C' | 'W' | 'GHz' | 'rpm';
      readonly value: number;
    }
  | {
      readonly what: 'link';
      readonly name: string;
      readonly kind: string;
      readonly lanes: number;
      readonly generation: number;
    }
  | { readonly what: 'memory'; readonly gib: number; readonly mts: number | undefined }
  | { readonly what: 'memory errors'; readonly count: number }
  | { readonly what: 'network'; readonly gbitPerS: number }
  | { readonly what: 'dropped'; readonly frames: number; readonly dropped: number }
  | { readonly what: 'result'; readonly found: Found; readonly job: string | undefined };

export type ShownFile =
  | { readonly ok: true; readonly shown: readonly Shown[]; readonly notes: readonly string[] }
  | { readonly ok: false; readonly message: string };

const failed = (message: string): ShownFile => ({ ok: false, message });
const shows = (shown: readonly Shown[], notes: readonly string[] = []): ShownFile => ({ ok: true, shown, notes });

/**
 * Reads one file of readings, told apart by what stands in it: states of links, an inventory of memory, memory tests,
 * network runs, an encoder's count of frames, sensor logs, and every result that the model's own readers know.
 */
export function readShown(text: string, cut: CutTable): ShownFile {
  if (text.includes('\0')) return failed('The file is no text.');
  if (/\bLnkSta:/.test(text)) return readLinks(text);
  if (/"bits_per_second"/.test(text)) return readNetwork(text);
  if (/"(?:id|class)":\s*"memory"/.test(text)) return readInventory(text);
  if (/dispatching hogs: \d+ vm\b/.test(text)) return readMemoryTest(text);
  if (/^drop_frames=|^frame=[^\n]*\bdrop=/m.test(text)) return readDropped(text);
  const [first = ''] = text.split(/\r?\n/, 1);
  if (!/^[{[]/.test(text.trimStart()) && /[,;\t]/.test(first) && /°|\btemp|watt|\(w\)|rpm|hz|fan/i.test(first))
    return readLog(text, cut);
  const results = readResults(text, cut);
  if (!results.ok) return results;
  const job = /"jobname"\s*:\s*"([^"]*)"/.exec(text)?.[1];
  return shows(
    results.found.map((found) => ({ what: 'result', found, job })),
    results.notes,
  );
}

const GENERATION: Readonly<Record<string, number>> = {
  '2.5': 1,
  '5': 2,
  '5.0': 2,
  '8': 3,
  '8.0': 3,
  '16': 4,
  '16.0': 4,
  '32': 5,
  '32.0': 5,
  '64': 6,
};

/** Devices with the state of their links (PCI Express Base Specification, Link Status Register). */
function readLinks(text: string): ShownFile {
  const shown: Shown[] = [];
  let device: { name: string; kind: string } | undefined;
  for (const line of text.split(/\r?\n/)) {
    const head = /^(?:[0-9a-f]{4}:)?[0-9a-f]{2}:[0-9a-f]{2}\.\d ([^:]+): (.+)$/i.exec(line);
    if (head) device = { kind: (head[1] ?? '').trim(), name: (head[2] ?? '').trim() };
    const state = /^\s*LnkSta:\s*Speed ([\d.]+)GT\/s[^,]*,\s*Width x(\d+)/.exec(line);
    const generation = GENERATION[state?.[1] ?? ''];
    const lanes = Number(state?.[2]);
    if (device && generation !== undefined && lanes > 0) shown.push({ what: 'link', ...device, lanes, generation });
  }
  return shown.length > 0
    ? shows(shown)
    : failed('The list of devices has no state of any link; ask for it with all rights (sudo lspci -vv), under load.');
}

const networkSchema = z.object({
  end: z.object({
    sum_received: z.object({ bits_per_second: z.number().positive(), seconds: z.number().optional() }),
  }),
});

function readNetwork(text: string): ShownFile {
  const raw = parsed(text);
  if (raw === undefined) return failed('The network result is cut off: it is no whole JSON.');
  const result = networkSchema.safeParse(raw);
  if (!result.success) return failed('The network result has no rate of what was received: the run did not end.');
  const { bits_per_second: bits, seconds } = result.data.end.sum_received;
  return shows(
    [{ what: 'network', gbitPerS: bits / 1e9 }],
    seconds !== undefined && seconds < 5 ? [`The network run took ${seconds} s only; ten are better.`] : [],
  );
}

const nodeSchema = z.looseObject({
  id: z.string().optional(),
  class: z.string().optional(),
  size: z.number().optional(),
  clock: z.number().optional(),
  get children() {
    return z.array(nodeSchema).optional();
  },
});
type Node = z.infer<typeof nodeSchema>;

function readInventory(text: string): ShownFile {
  const raw = parsed(text);
  if (raw === undefined) return failed('The inventory is cut off: it is no whole JSON.');
  const nodes = z.union([z.array(nodeSchema), nodeSchema.transform((node) => [node])]).safeParse(raw);
  if (!nodes.success) return failed('The inventory is not as lshw writes it.');
  const banks: Node[] = [];
  const walk = (node: Node): void => {
    if (/^bank/.test(node.id ?? '')) banks.push(node);
    (node.children ?? []).forEach(walk);
  };
  nodes.data.forEach(walk);
  const filled = banks.filter(({ size }) => (size ?? 0) > 0);
  if (filled.length === 0)
    return failed('The inventory names no memory module; ask for it with all rights (sudo lshw -json -C memory).');
  const clocks = filled.flatMap(({ clock }) => (clock === undefined ? [] : [clock / 1e6]));
  return shows([
    {
      what: 'memory',
      gib: filled.reduce((sum, { size }) => sum + (size ?? 0), 0) / GIB,
      mts: clocks.length === filled.length ? Math.min(...clocks) : undefined,
    },
  ]);
}

function readMemoryTest(text: string): ShownFile {
  const ended = /run completed in/.test(text);
  const named = [...text.matchAll(/detected (\d+) (?:bit )?errors?/g)].reduce(
    (sum, [, count]) => sum + Number(count),
    0,
  );
  const workers = Number(/\bfailed: (\d+)/.exec(text)?.[1] ?? 0);
  const errors = Math.max(named, workers);
  if (!ended && errors === 0)
    return failed(
      'The memory test is cut off: it does not say that its run was completed, and found nothing until then.',
    );
  return shows([{ what: 'memory errors', count: errors }]);
}

/** Frames of a live run, as an encoder's progress counts them: the last count stands for all. */
function readDropped(text: string): ShownFile {
  const last = (counts: RegExp): number | undefined => {
    const [, value] = [...text.matchAll(counts)].at(-1) ?? [];
    return value === undefined ? undefined : Number(value);
  };
  const frames = last(/(?:^|\s)frame=\s*(\d+)/g) ?? 0;
  const dropped = last(/(?:^|\s)drop(?:_frames)?=\s*(\d+)/g);
  if (frames === 0 || dropped === undefined) return failed('The encoder’s progress counts no frame: nothing ran.');
  const ended = /^progress=end\s*$/m.test(text) || /\bLsize=/.test(text);
  if (!ended && dropped === 0)
    return failed(
      'The encoder’s progress is cut off: it does not say that its run ended, and dropped nothing until then.',
    );
  const short = frames < FEW_FRAMES ? [`The run has ${frames} frames only; ten minutes are better.`] : [];
  return shows([{ what: 'dropped', frames, dropped }], short);
}
/** Two minutes at 25 frames a second. */
const FEW_FRAMES = 3000;

const KINDS: readonly (readonly [RegExp, NonNullable<Extract<Shown, { what: 'sensor' }>['of']>])[] = [
  [/room|ambient|intake/i, 'room'],
  [/drive|nvme|ssd|composite/i, 'drive'],
  [/gpu|card|graphics|junction|edge/i, 'card'],
  [/case|chassis|system fan|sys_?fan/i, 'case'],
  [/^pump|^(?:cooler|cpu|processor)[ _-]?(?:fan|pump|rpm)/i, 'cooler'],
  [/cpu|processor|package|core|tctl|tdie|^temp|^clock|^power/i, 'processor'],
  [/^fan|cooler/i, 'cooler'],
];
const UNITS: readonly (readonly [RegExp, Extract<Shown, { what: 'sensor' }>['unit'], factor: number])[] = [
  [/rpm|fan/i, 'rpm', 1],
  [/°\s*C|temp|\(c\)/i, '°C', 1],
  [/\(w\)|power|watt/i, 'W', 1],
  [/mhz/i, 'GHz', 1 / 1000],
  [/ghz|clock/i, 'GHz', 1],
];
const FEWEST = 6;

/**
 * A sensor log: the mean of its last quarter, once everything is warm. Lines from before the clock was set back are left
 * out, as are gaps and temperatures of no room; each is told.
 */
function readLog(text: string, cut: CutTable): ShownFile {
  let rows: string[][];
  try {
    rows = cut(text);
  } catch (error) {
    return failed(`The table cannot be read: ${error instanceof Error ? error.message : String(error)}.`);
  }
  const [header = [], ...all] = rows;
  const notes: string[] = [];
  const time = header.findIndex((name) => /^time|seconds|elapsed/i.test(name.trim()));
  const lines = sinceClockWasSet(all, time, notes);
  if (lines.length < FEWEST)
    return failed(`The sensor log has ${lines.length} lines of values in one piece; a steady value needs ${FEWEST}.`);
  const steady = lines.slice(Math.floor((lines.length * 3) / 4));
  const shown = header.flatMap((name, column): Shown[] => {
    if (column === time) return [];
    const unit = UNITS.find(([pattern]) => pattern.test(name));
    if (!unit) return [];
    const cells = steady.map((line) => (line[column] ?? '').trim());
    const values = cells
      .filter((cell) => cell !== '')
      .map(Number)
      .filter(Number.isFinite);
    const possible = values.filter((value) => (unit[1] === '°C' ? value > 0 : value >= 0));
    const gone = cells.length - possible.length;
    if (gone > 0)
      notes.push(
        `${name.trim()}: ${gone} of the last ${cells.length} values are missing or cannot be, and are left out.`,
      );
    if (possible.length === 0) return [];
    const mean = possible.reduce((sum, value) => sum + value, 0) / possible.length;
    return [
      {
        what: 'sensor',
        of: KINDS.find(([pattern]) => pattern.test(name))?.[1],
        which: /(?:card|gpu|drive|nvme|ssd)[ _-]?([\w.-]+)/i.exec(name)?.[1],
        name: name.trim().slice(0, 60),
        unit: unit[1],
        value: mean * unit[2],
      },
    ];
  });
  return shown.length > 0
    ? shows(shown, notes)
    : failed('No column of the table is a temperature, power, clock or fan speed.');
}

/** The lines after the last time that the clock went back. */
function sinceClockWasSet(lines: readonly string[][], time: number, notes: string[]): readonly string[][] {
  if (time < 0) return lines;
  let from = 0;
  for (let i = 1; i < lines.length; i++) if (Number(lines[i]?.[time]) < Number(lines[i - 1]?.[time])) from = i;
  if (from > 0) notes.push(`The clock went back at line ${from + 2}: the ${from} lines before are left out.`);
  return lines.slice(from);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
