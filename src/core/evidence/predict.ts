import type { Assessment } from '../assess';
import type { FittedParts } from '../fitted';
import { given, product, type Derivation } from '../predict/derive';
import { fitsCache } from '../predict/driveWrites';
import type { Supply } from '../predict/supply';
import { combineSpreads, type Band } from '../units/band';
import { COMMON } from '../work/common';
import { constantOf } from '../work/constants';
import { c, gwork } from '../work/demands';
import { decodeWork } from '../work/editPicture';
import { encodeName, encodeWork } from '../work/encode';
import type { Calibration } from './calibrate';
import { EVIDENCE } from './constants';
import type { Workload } from './measurement';

/** Processor work of a picture workload, by the names under which it is calibrated. */
export interface WorkPiece {
  readonly name: string;
  readonly amount: Derivation;
  readonly serialShare: number;
}

/** Pieces of work of one frame; empty for what is no picture work. */
export function piecesOf(workload: Workload): WorkPiece[] {
  if (!('width' in workload)) return [];
  const px = product('pixels', 'px', [
    given('width', workload.width, 'px', 'setting', 'the measurement'),
    given('height', workload.height, 'px', 'setting', 'the measurement'),
  ]);
  const source = 'source' in workload ? workload.source : undefined;
  const target = 'target' in workload ? workload.target : undefined;
  const steps = 'steps' in workload ? workload.steps : 0;
  return [
    ...(source
      ? [
          {
            name: `decode ${source.codec}`,
            amount: decodeWork(px, source),
            serialShare: c('serial share of decoding', 'decodeSerialShare').value,
          },
        ]
      : []),
    ...(steps > 0
      ? [
          {
            name: 'correct',
            amount: gwork('correction on the processor', [
              px,
              given('steps', steps, 'steps', 'setting', 'the measurement'),
              c('a step', 'stepProcessor'),
            ]),
            serialShare: c('serial share of decoding', 'decodeSerialShare').value,
          },
        ]
      : []),
    ...(target
      ? [
          {
            name: encodeName(target),
            amount: encodeWork(px, { ...target, path: 'software', bitDepth: 8, width: 0, height: 0 }),
            serialShare: c('serial share of encoding', 'encodeSerialShare').value,
          },
        ]
      : []),
  ];
}

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

/**
 * Predicts a measured workload on a machine: frames/s of picture work as the sum of its pieces (one process does one
 * after the other; Amdahl 1967 for its threads), bytes of drives and memory from their figures. `calibration` applies
 * what measurements of this machine taught.
 */
export function predictWorkload(
  workload: Workload,
  assessment: Pick<Assessment, 'supply'> & { readonly facts: Pick<Assessment['facts'], 'parts' | 'memory'> },
  calibration?: Calibration,
): Prediction {
  const { supply, facts } = assessment;
  switch (workload.work) {
    case 'decode':
    case 'encode':
    case 'correct':
    case 'chain':
      return pictureRate(workload, supply, calibration);
    case 'drive':
      return driveRate(workload, facts.parts);
    case 'memory': {
      const peak = facts.memory.bandwidthBytesPerS;
      if (peak === undefined) return none('memory rate and channels');
      // one thread cannot keep enough requests in flight to fill two channels
      const oneThread = EVIDENCE.streamOneThread.value * 1e9 * workload.threads;
      return around(
        Math.min(peak * COMMON.memoryAchieved.value, oneThread) / 1e6,
        combineSpreads([COMMON.memoryAchieved.spread, EVIDENCE.streamOneThread.spread]),
      );
    }
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
  }
}

function pictureRate(workload: Workload, supply: Supply, calibration: Calibration | undefined): Prediction {
  if (!('width' in workload)) return none();
  const serial = supply.processor?.serial?.value;
  const parallel = supply.processor?.parallel(workload.threads)?.value;
  if (serial === undefined || parallel === undefined) return none('clocks and work per clock of the processor');
  const gain = workload.threads > 1 ? (calibration?.threads.factor ?? 1) : 1;
  let seconds = 0;
  const spreads: { seconds: number; spread: number }[] = [];
  for (const { name, amount, serialShare } of piecesOf(workload)) {
    const known = calibration?.works.get(name);
    const work = amount.value / (known?.factor ?? 1);
    const here =
      workload.threads === 1
        ? work / serial
        : (work * serialShare) / serial + (work * (1 - serialShare)) / (parallel * gain);
    seconds += here;
    spreads.push({ seconds: here, spread: known?.spread ?? amount.spread });
  }
  if (seconds <= 0) return none('any work in the chain');
  const spread = combineSpreads([
    combineSpreads(spreads.map((piece) => piece.spread ** (piece.seconds / seconds))),
    ...(workload.threads > 1 && calibration ? [calibration.threads.spread] : []),
  ]);
  return around(1 / seconds, spread);
}

function driveRate(workload: Extract<Workload, { work: 'drive' }>, parts: FittedParts): Prediction {
  const drives = parts.ofKind('drive');
  const drive = drives.find(({ item }) => item.id === workload.item) ?? (drives.length === 1 ? drives[0] : undefined);
  if (!drive) return none('which drive it was');
  const { part } = drive;
  const bytes = (workload.gigabytes ?? Infinity) * 1e9;
  if (workload.access === 'random') {
    const rate = workload.direction === 'read' ? part.randomReadKiops : part.randomWriteKiops;
    return rate === undefined
      ? none(`random ${workload.direction} of the drive`)
      : around(rate, EVIDENCE.driveShare.spread);
  }
  const rate =
    workload.direction === 'read'
      ? part.seqReadMBs
      : fitsCache(part, bytes)
        ? part.seqWriteMBs
        : part.sustainedWriteMBs;
  return rate === undefined
    ? none(`sequential ${workload.direction} of the drive`)
    : around(rate, EVIDENCE.driveShare.spread);
}
