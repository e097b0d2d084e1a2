import type { Flow } from '../board/flows';
import { fromConstant, given, product, type Derivation } from '../figures/derive';
import { c, Demands, gwork } from './demands';
import { flowEnd, withoutEnd } from './flowEnds';
import { INGEST } from './ingestConstants';
import { profileOf, type MachineFacts } from './machineFacts';
import type { RealTime } from './stage';
import { DRIVE_ROLES } from '../figures/resources';
import type { FlowEnd, IngestWork } from '../model/tasks';
import { outsideOf, type Trade } from './trade';

const k = (label: string, name: keyof typeof INGEST): Derivation => fromConstant(label, INGEST[name]);

const isNetwork = (end: FlowEnd | undefined) => end === 'network' || end === 'second network';
const isRole = (end: FlowEnd): end is (typeof DRIVE_ROLES)[number] => DRIVE_ROLES.some((role) => role === end);

/** Streams of so many bytes/s between two ends, in equal parts over the drives of a role. */
function between(
  task: IngestWork,
  from: FlowEnd,
  to: FlowEnd,
  bytesPerS: number,
  name: string,
  facts: MachineFacts,
  out: Demands,
): Flow[] {
  const [sources, sinks] = [flowEnd(from, facts), flowEnd(to, facts)];
  for (const [end, found] of [
    [from, sources],
    [to, sinks],
  ] as const)
    if (found.length === 0) {
      const { impossible, missing } = withoutEnd(end, facts);
      out.impossible.push(...impossible);
      out.missing.push(...missing);
    }
  const pairs = sources.flatMap((a) => sinks.map((b) => [a, b] as const));
  const share = bytesPerS / pairs.length;
  return pairs.map(([a, b], i) => ({
    id: `${task.id}.${name}.${i}`,
    from: a,
    to: b,
    bytesPerS: share,
    runBytes: share * task.hours * 3600,
  }));
}

/** Processor work of copying so many bytes through the page cache, in Gwork. */
export const copyWork = (bytes: Derivation): Derivation => gwork('copy', [bytes, k('a byte', 'copy')]);

/** A strong sum on a processor of which nobody says that it has instructions for it is taken as done without. */
const checksumCost = (checksum: 'fast' | 'strong', instructions: boolean | undefined) =>
  checksum === 'fast' ? 'checksumFast' : instructions === true ? 'checksumStrong' : 'checksumPlain';

/** Processor work of the checksum of so many bytes, in Gwork. */
export const checksumWork = (
  bytes: Derivation,
  checksum: 'fast' | 'strong',
  instructions: boolean | undefined,
): Derivation => gwork('checksum', [bytes, k('a byte', checksumCost(checksum, instructions))]);

/** Name under which measurements of it are kept. */
export const checksumName = (checksum: 'fast' | 'strong', instructions: boolean | undefined): string =>
  ({ checksumFast: 'checksum fast', checksumStrong: 'checksum strong', checksumPlain: 'checksum strong, plain' })[
    checksumCost(checksum, instructions)
  ];

/** Storage bench and ingest: a unit is a second of it. All streams at their full rate, to the end of the run, and the copy beside them. */
export function expandIngest(task: IngestWork, facts: MachineFacts): RealTime {
  const application = profileOf('ingest', task, facts);
  const out = new Demands(application);
  const bytesPerS = (task.streams * task.gbitPerS * 1e9) / 8;
  const bytes = product('bytes a second', 'B', [
    given('streams', task.streams, '', 'brief', task.name),
    given('rate of a stream', task.gbitPerS * 1e9, 'bit/s', 'brief', task.name),
    given('bytes a bit', 1 / 8, 'B/bit', 'standard', 'definition'),
  ]);
  const each = c('serial share of decoding', 'decodeSerialShare');
  out.processor('copy', copyWork(bytes), each, 'copy');
  if (isNetwork(task.from) || isNetwork(task.to) || isNetwork(task.copyTo))
    out.processor('network', gwork('network', [bytes, k('a byte', 'network')]), each);
  if (task.checksum !== 'none') {
    const sums = facts.processor?.part.hashInstructions;
    out.processor('checksum', checksumWork(bytes, task.checksum, sums), each, checksumName(task.checksum, sums));
  }
  out.serial(
    'streams',
    product('streams', 'Gwork', [
      given('one at a time on a thread', 1, '', 'standard', 'definition'),
      k('a stream', 'streamSerial'),
    ]),
  );
  if (task.streams > 1)
    out.need(
      'streams',
      'cpu.parallel',
      product('further streams', 'Gwork', [
        given('further streams', task.streams - 1, '', 'brief', task.name),
        k('a stream', 'streamSerial'),
      ]),
    );
  out.need('copy', 'memory.traffic', product('through memory', 'B', [bytes, k('passes', 'memoryPasses')]));
  out.hold('memory', product('blocks held', 'B', [bytes, k('held back', 'blocksHeld')]));
  if (task.keepTB > 0 && isRole(task.to))
    out.hold(`space:${task.to}`, given('kept', task.keepTB * 1e12, 'B', 'brief', task.name));
  // what is copied on takes the same room once more, where it goes to
  if (task.keepTB > 0 && task.copyTo && isRole(task.copyTo))
    out.hold(`space:${task.copyTo}`, given('kept as a copy', task.keepTB * 1e12, 'B', 'brief', task.name));
  out.program(application, false);
  const flows = between(task, task.from, task.to, bytesPerS, 'in', facts, out);
  if (task.copyTo) flows.push(...between(task, task.to, task.copyTo, bytesPerS, 'copy', facts, out));
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'second',
    targetPerS: given('as it happens', 1, '/s', 'standard', 'definition'),
    threadCap: application.threadCap,
    flows,
    outside: outsideOf(ingest.figures, { streams: task.streams, gbitPerS: task.gbitPerS, hours: task.hours }),
    ...out.collected(),
  };
}

export const ingest: Trade<'ingest'> = {
  kind: 'ingest',
  name: 'Ingest or copy at full rate',
  explains: 'recorders, cards or drives taken in at once, checked, and copied on',
  start: (id) => ({
    kind: 'ingest',
    id,
    name: 'Take recordings in',
    importance: 4,
    from: 'network',
    to: 'active',
    streams: 1,
    gbitPerS: 8,
    hours: 2,
    checksum: 'fast',
    keepTB: 1,
  }),
  figures: {
    from: { label: 'Taken from', explains: 'Each end has a link of its own, and shares those above it.' },
    to: { label: 'Written to', explains: 'A drive of this role must take it to the end.' },
    copyTo: { label: 'Second copy', explains: 'Goes on from there at the same time, over links of its own.' },
    streams: {
      label: 'Streams at once',
      explains: 'Each needs its own full-rate path; they share links behind one hub.',
      valid: [1, 24],
    },
    gbitPerS: {
      label: 'Rate of a stream',
      unit: 'Gb/s',
      explains: 'Held to the end: what comes faster than the drive takes is lost.',
      valid: [0.05, 110],
    },
    hours: {
      label: 'Without a pause',
      unit: 'h',
      explains: 'Long runs outlast a drive’s fast-write cache; short ones may fit into it.',
      valid: [0.01, 200],
    },
    checksum: { label: 'Checksum', explains: 'Reads every byte once more on the processor.' },
    keepTB: { label: 'Kept', unit: 'TB', explains: 'Space that must be there on the drives of this role.' },
  },
  constants: INGEST,
  sizes: {
    of: 'rate of a stream',
    list: (task) =>
      [0.5, 1, 2, 2.5, 4, 5, 8, 10, 15, 20, 25, 40, 50, 80, 100].map((gbitPerS) => ({
        label: `${gbitPerS} Gb/s`,
        task: { ...task, gbitPerS },
      })),
  },
  expand: expandIngest,
  weaknesses: [
    'Small files are not told from large ones.',
    'A drive’s cache is taken as empty at the start and not emptied while it is written.',
    'Arrays with parity come with a later issue: drives of one role share a stream in equal parts.',
  ],
};
