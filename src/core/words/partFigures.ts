import type { Part, PartKind, PartOf } from '../parts';
import { number, size } from './format';

/** A figure that decides for a kind of part. */
interface Deciding<P> {
  /** Head of its column, with the unit: "draws W". */
  readonly head: string;
  readonly value: (part: P) => number | string | undefined;
  /** How the line under a name says it, given the value or "?"; left out where only columns have room for it. */
  readonly says?: (text: string, part: P) => string;
  /** Said together with the figure before it: "2 × 32 GB". */
  readonly joins?: true;
}

type Table = { readonly [K in PartKind]: readonly Deciding<PartOf<K>>[] };

const plain = (text: string) => text;
const withUnit = (unit: string) => (text: string) => `${text} ${unit}`;

/** Card slots by generation, the fastest first: "1×5 2×4". */
function cardSlots({ topology }: PartOf<'board'>): string | undefined {
  if (!topology) return undefined;
  const byGeneration = new Map<number, number>();
  for (const slot of topology.slots)
    if (slot.kind === 'card') byGeneration.set(slot.generation ?? 0, (byGeneration.get(slot.generation ?? 0) ?? 0) + 1);
  const told = [...byGeneration].sort(([a], [b]) => b - a).map(([generation, n]) => `${n}×${generation || '?'}`);
  return told.join(' ') || 'none';
}

const fastestNetwork = ({ topology }: PartOf<'board'>): number | undefined => {
  const rates = (topology?.integrated ?? []).filter(({ kind }) => kind === 'network').map(({ gbitPerS }) => gbitPerS);
  return topology && (rates.length > 0 ? Math.max(...rates) : 0);
};

/** Latency of the first word in ns: CL ÷ half the rate. */
const firstWordNs = ({ casLatency, rateMTs }: PartOf<'memory'>): string | undefined =>
  casLatency === undefined || rateMTs === undefined ? undefined : number((2000 * casLatency) / rateMTs, 3);

const PURPOSE = {
  head: 'for',
  value: ({ purpose }: { purpose?: string | undefined }) => purpose?.replace('-', ' '),
  says: plain,
};

/** Which figures decide for a kind, in the order they are read. */
const DECIDING: Table = {
  processor: [
    { head: 'socket', value: (part) => part.socket, says: plain },
    {
      head: 'cores',
      value: (part) => part.coreGroups?.map((group) => group.count).join(' + '),
      says: withUnit('cores'),
    },
    { head: 'GHz', value: (part) => part.coreGroups?.[0]?.boostGHz, says: withUnit('GHz') },
    { head: 'draws W', value: (part) => part.maxPowerW, says: withUnit('W') },
  ],
  board: [
    { head: 'socket', value: (part) => part.socket, says: plain },
    { head: 'form', value: (part) => part.form, says: plain },
    { head: 'memory', value: (part) => part.memoryGeneration, says: plain },
    { head: 'modules', value: (part) => part.memorySlots?.length, says: withUnit('memory slots') },
    { head: 'cards × gen', value: cardSlots },
    { head: 'M.2', value: (part) => part.topology?.slots.filter(({ kind }) => kind === 'm2').length },
    { head: 'Gb/s', value: fastestNetwork },
    { head: 'carries W', value: (part) => part.processorPowerW },
  ],
  memory: [
    { head: 'kind', value: (part) => part.generation, says: plain },
    { head: 'modules', value: (part) => part.modules, says: (text) => `${text} ×` },
    { head: 'GB each', value: (part) => part.moduleGiB, says: withUnit('GB'), joins: true },
    { head: 'MT/s', value: (part) => part.rateMTs, says: withUnit('MT/s') },
    { head: 'CL', value: (part) => part.casLatency, says: (text) => `CL ${text}`, joins: true },
    { head: 'ns', value: firstWordNs },
  ],
  graphics: [
    { head: 'GB', value: (part) => part.memoryGiB, says: withUnit('GB') },
    { head: 'TFLOP/s', value: (part) => part.fp32Tflops, says: withUnit('TFLOP/s') },
    { head: 'GB/s', value: (part) => part.memoryGBs },
    { head: 'draws W', value: (part) => part.boardPowerW, says: withUnit('W') },
    { head: 'mm', value: (part) => part.lengthMm, says: withUnit('mm') },
  ],
  drive: [
    {
      head: 'space',
      value: (part) => (part.capacityGB === undefined ? undefined : size(part.capacityGB * 1e9)),
      says: plain,
    },
    { head: 'cells', value: (part) => part.cellKind, says: plain },
    { head: 'reads MB/s', value: (part) => part.seqReadMBs, says: (text) => `reads ${text}` },
    {
      head: 'writes on MB/s',
      value: (part) => part.sustainedWriteMBs,
      says: (text) => `writes ${text} MB/s after cache`,
    },
    { head: 'TBW', value: (part) => part.enduranceTBW },
  ],
  supply: [
    { head: 'W', value: (part) => part.ratedW, says: withUnit('W') },
    { head: 'tier', value: (part) => part.tier, says: plain },
    {
      head: 'card-16',
      value: (part) => part.connectors && (part.connectors['card-16'] ?? 0),
      says: withUnit('× card-16'),
    },
    {
      head: 'card-8',
      value: (part) => part.connectors && (part.connectors['card-8'] ?? 0),
      says: withUnit('× card-8'),
    },
    { head: 'dB(A)', value: (part) => part.noiseDbA },
  ],
  case: [
    { head: 'L', value: (part) => part.volumeL, says: withUnit('L') },
    { head: 'cards mm', value: (part) => part.cardLengthMm, says: (text) => `cards ${text} mm` },
    { head: 'cooler mm', value: (part) => part.coolerHeightMm, says: (text) => `cooler ${text} mm` },
    { head: 'rows', value: (part) => part.expansionSlots },
  ],
  cooler: [
    { head: 'type', value: (part) => part.type, says: plain },
    {
      head: 'mm',
      value: (part) => (part.type === 'liquid' ? part.radiatorMm : part.heightMm),
      says: (text, part) => `${text} mm ${part.type === 'liquid' ? 'radiator' : 'high'}`,
    },
    { head: 'K/W', value: (part) => part.resistance?.at(-1)?.kPerW, says: withUnit('K/W') },
    { head: 'dB(A)', value: (part) => part.noiseDbA },
  ],
  expansion: [
    PURPOSE,
    { head: 'gen', value: (part) => part.generation, says: (text) => `gen ${text}` },
    { head: 'lanes', value: (part) => part.lanes, says: (text) => `× ${text}`, joins: true },
  ],
  fan: [
    { head: 'mm', value: (part) => part.sizeMm, says: withUnit('mm') },
    { head: 'm³/h', value: (part) => part.airflowM3h, says: withUnit('m³/h') },
    { head: 'dB(A)', value: (part) => part.noiseDbA, says: withUnit('dB(A)') },
  ],
  display: [
    { head: 'in', value: (part) => part.diagonalIn, says: withUnit('in') },
    { head: 'px wide', value: (part) => part.widthPx, says: plain },
    { head: 'px high', value: (part) => part.heightPx, says: (text) => `× ${text}`, joins: true },
    { head: 'Hz', value: (part) => part.refreshHz, says: withUnit('Hz') },
  ],
  mixer: [
    { head: 'inputs', value: (part) => part.videoInputs, says: withUnit('inputs') },
    { head: 'encodes', value: (part) => yes(part.ownEncoding), says: (text) => (text === 'yes' ? 'encodes' : '') },
    { head: 'records', value: (part) => yes(part.ownRecording), says: (text) => (text === 'yes' ? 'records' : '') },
  ],
  licence: [
    { head: 'for', value: (part) => part.application, says: plain },
    { head: 'terms', value: (part) => part.terms, says: plain },
  ],
  service: [{ head: 'h', value: (part) => part.hours, says: withUnit('h') }],
  accessory: [PURPOSE],
  peripheral: [PURPOSE],
  system: [
    {
      head: 'paid',
      value: ({ yearly }) => (yearly === undefined ? undefined : yearly ? 'yearly' : 'once'),
      says: (text) => (text === '?' ? text : `paid ${text}`),
    },
  ],
};

const yes = (flag: boolean | undefined) => (flag === undefined ? undefined : flag ? 'yes' : 'no');

const textOf = (value: number | string | undefined): string =>
  value === undefined || value === '' ? '?' : typeof value === 'number' ? number(value) : value;

/** The figures of a part's own kind. */
const decidingFor = ({ kind }: Part): readonly Deciding<Part>[] => DECIDING[kind] as readonly Deciding<Part>[];

/** Heads of the columns of a kind. */
export const decidingHeads = (kind: PartKind): string[] => DECIDING[kind].map(({ head }) => head);

/** What stands in those columns for a part; what is not stated is "?". */
export const decidingTexts = (part: Part): string[] => decidingFor(part).map(({ value }) => textOf(value(part)));

/** One line of the figures that decide for a kind of part. */
export function keyFigures(part: Part): string {
  let line = '';
  for (const { value, says, joins } of decidingFor(part)) {
    const said = says?.(textOf(value(part)), part) ?? '';
    if (said !== '') line += `${line === '' ? '' : joins ? ' ' : ' · '}${said}`;
  }
  return line;
}
