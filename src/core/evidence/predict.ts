import type { FittedParts } from '../model/fitted';
import type { MemoryState } from '../memory/population';
import type { PartOf } from '../parts';
import { averageWrite, fitsCache } from '../predict/driveWrites';
import type { Supply } from '../predict/supply';
import { combineSpreads, type Band } from '../units/band';
import { COMMON } from '../work/common';
import { constantOf } from '../figures/registers';
import { piecesOf } from './pieces';
import type { Calibration } from './calibration';
import { measuredDrive } from './comparable';
import { EVIDENCE } from './constants';
import type { Workload } from '../model/measurement';
import type { Rates, TaughtRate } from '../predict/rates';

/** What the model says of a workload before measurements, and why it says nothing. */
export interface Prediction {
  readonly band: Band | undefined;
  /** Names of the figures without which there is none. */
  readonly lacks: readonly string[];
}

const none = (...lacks: string[]): Prediction => ({ band: undefined, lacks });
const around = (value: number, spread: number): Prediction => ({
  band: { low: value / spread, likely: value, high: value * spread },
  lacks: [],
});

/** What is asked of a machine to predict a workload on it. */
export interface Measurable {
  readonly supply: Supply;
  readonly facts: { readonly parts: FittedParts; readonly memory: MemoryState };
}

/** What may have been learnt so far; what is left out is not known yet. */
type Taught = Partial<Pick<Calibration, 'works' | 'threads' | 'rates'>>;

/**
 * Predicts a measured workload on a machine: work of cores as the sum of its pieces (one process does one after the
 * other; Amdahl 1967 for its threads), bytes of drives and memory from their figures. `calibration` applies
 * what measurements of this machine taught; `about` is the drive's part, where it is not the machine's only one.
 */
export function predictWorkload(
  workload: Workload,
  { supply, facts }: Measurable,
  calibration?: Taught,
  about?: string,
): Prediction {
  const rates = calibration?.rates;
  switch (workload.work) {
    case 'drive':
      return driveRate(workload, facts.parts, rates, about);
    case 'memory':
      return memoryRate(workload, facts.memory.bandwidthBytesPerS, rates);
    case 'compress':
    case 'arithmetic': {
      const rate = supply.processor?.parallel(workload.threads)?.value;
      if (rate === undefined) return none('clocks and work per clock of the processor');
      if (workload.work === 'arithmetic') return none('a relation between this tool’s events and the model’s work');
      const constant = constantOf(EVIDENCE, 'mipsPerGwork');
      return around(rate * constant.value, constant.spread);
    }
    case 'sensor':
      return none('a model of this sensor');
    default:
      return workRate(workload, { supply, facts }, calibration);
  }
}

function workRate(
  workload: Extract<Workload, { readonly threads: number }>,
  { supply, facts }: Measurable,
  calibration: Taught | undefined,
): Prediction {
  const serial = supply.processor?.serial?.value;
  const parallel = supply.processor?.parallel(workload.threads)?.value;
  if (serial === undefined || parallel === undefined) return none('clocks and work per clock of the processor');
  const pieces = piecesOf(workload, facts.parts);
  if (pieces.length === 0)
    return none(
      workload.work === 'factorise' || workload.work === 'prompt' || workload.work === 'product'
        ? 'floating-point operations per clock of the processor'
        : 'any work in it',
    );
  const gain = workload.threads > 1 ? (calibration?.threads?.factor ?? 1) : 1;
  let seconds = 0;
  const spreads: { seconds: number; spread: number }[] = [];
  for (const { name, amount, serialShare } of pieces) {
    const known = calibration?.works?.get(name);
    const work = amount.value / (known?.factor ?? 1);
    const here =
      workload.threads === 1
        ? work / serial
        : (work * serialShare) / serial + (work * (1 - serialShare)) / (parallel * gain);
    seconds += here;
    spreads.push({ seconds: here, spread: known?.spread ?? amount.spread });
  }
  const spread = combineSpreads([
    combineSpreads(spreads.map((piece) => piece.spread ** (piece.seconds / seconds))),
    ...(workload.threads > 1 && calibration?.threads ? [calibration.threads.spread] : []),
  ]);
  return around(1 / seconds, spread);
}

function memoryRate(
  { threads }: Extract<Workload, { work: 'memory' }>,
  peak: number | undefined,
  rates: Rates | undefined,
): Prediction {
  const stated =
    peak === undefined ? undefined : around((peak * COMMON.memoryAchieved.value) / 1e6, COMMON.memoryAchieved.spread);
  const memory = seenRate(stated, rates?.memory);
  if (!memory?.band) return none('memory rate and channels');
  // one thread cannot keep enough requests in flight to fill two channels
  const few = (EVIDENCE.streamOneThread.value * 1e9 * threads) / 1e6;
  return few < memory.band.likely
    ? around(few, combineSpreads([COMMON.memoryAchieved.spread, EVIDENCE.streamOneThread.spread]))
    : memory;
}

/** A stated rate as results correct it, or the results' own where nothing is stated; MB/s. */
function seenRate(stated: Prediction | undefined, by: TaughtRate | undefined): Prediction | undefined {
  if (by === undefined) return stated;
  if (by.kind === 'rate') return stated ?? around(by.bytesPerS / 1e6, by.spread);
  return stated?.band && around(stated.band.likely * by.factor.factor, by.factor.spread);
}

function driveRate(
  workload: Extract<Workload, { work: 'drive' }>,
  parts: FittedParts,
  rates: Rates | undefined,
  about: string | undefined,
): Prediction {
  const named = parts.ofKind('drive').find(({ part }) => part.id === about)?.part;
  const part = named ?? measuredDrive(workload, parts);
  if (!part) return none('which drive it was');
  const { direction, access } = workload;
  const spread = EVIDENCE.driveShare.spread;
  if (access === 'random') {
    const rate = direction === 'read' ? part.randomReadKiops : part.randomWriteKiops;
    return rate === undefined ? none(`random ${direction} of the drive`) : around(rate, spread);
  }
  const bytes = (workload.gigabytes ?? Infinity) * 1e9;
  const rate = direction === 'read' ? megabytes(part.seqReadMBs) : writeRate(part, bytes);
  const by = rates?.drives.get(part.id)?.[direction];
  // what was seen of short runs says nothing of longer ones
  const short = by?.kind === 'rate' && direction === 'write' && bytes > by.upToBytes;
  const seen = seenRate(rate === undefined ? undefined : around(rate / 1e6, spread), short ? undefined : by);
  return seen ?? none(`sequential ${direction} of the drive`);
}

const megabytes = (rate: number | undefined): number | undefined => (rate === undefined ? undefined : rate * 1e6);

/** Average bytes/s of a run: its cache's rate while it fits, then what the cells take. */
const writeRate = (part: PartOf<'drive'>, bytes: number): number | undefined =>
  fitsCache(part, bytes) ? megabytes(part.seqWriteMBs) : averageWrite(part, Number.isFinite(bytes) ? bytes : 0);
