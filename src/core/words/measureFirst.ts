import type { Workload } from '../model/measurement';
import type { MeasureFirst, ToMeasure } from '../upgrade/measureFirst';
import { codecName } from './names';
import { listed, number, percent } from './format';

/** What is measured, as it stands in a sentence. */
export function toMeasureWords({ workload, drive }: Pick<ToMeasure, 'workload' | 'drive'>): string {
  switch (workload.work) {
    case 'drive':
      return `${drive ?? 'the drive'} ${workload.direction === 'read' ? 'read' : 'written'} in one piece`;
    case 'memory':
      return `memory streams on ${threadsOf(workload.threads)}`;
    case 'decode':
      return `decoding ${codecName(workload.source.codec)} on ${threadsOf(workload.threads)}`;
    case 'encode':
      return `encoding ${codecName(workload.target.codec)} ${workload.target.preset} on ${threadsOf(workload.threads)}`;
    default:
      return workload.work;
  }
}

const threadsOf = (threads: number): string => (threads === 1 ? 'one thread' : `${threads} threads`);

const PIXEL_FORMAT = { '4:0:0': 'gray', '4:2:0': 'yuv420p', '4:2:2': 'yuv422p', '4:4:4': 'yuv444p' } as const;
const ENCODER: Readonly<Record<string, string>> = { h264: 'libx264', hevc: 'libx265' };

/**
 * The line to type for a measurement, whose output this app reads; undefined where no open tool of those that it reads does
 * it. Paths are the person's own.
 */
export function commandFor(workload: Workload): string | undefined {
  switch (workload.work) {
    case 'drive':
      return `fio --name=one-piece --filename=TESTFILE --rw=${workload.direction} --bs=1M --size=8G --direct=1 --ioengine=libaio --iodepth=8 --output-format=json --output=drive.json`;
    case 'memory':
      return `stress-ng --stream ${workload.threads} --timeout 20s --metrics 2>&1 | tee memory.txt`;
    case 'decode':
      return `ffmpeg -benchmark -threads ${workload.threads} -i A-CLIP -an -f null - 2>&1 | tee decode.txt`;
    case 'encode': {
      const encoder = ENCODER[workload.target.codec];
      return encoder === undefined
        ? undefined
        : `ffmpeg -benchmark -f lavfi -i testsrc2=size=${workload.width}x${workload.height}:rate=25 -t 20 -pix_fmt ${PIXEL_FORMAT[workload.target.chroma]} -c:v ${encoder} -preset ${workload.target.preset} -threads ${workload.threads} -f null - 2>&1 | tee encode.txt`;
    }
    default:
      return undefined;
  }
}

/** What the measurements would do to the decision, in a sentence. */
export function measureFirstWords({ doubt, first, left }: MeasureFirst): string {
  if (first.length === 0)
    return doubt.width === 0
      ? 'The decision rests on nothing that a short measurement would tell better.'
      : 'None of the short measurements that are read here would narrow the decision: what is uncertain is something else.';
  const what = listed(first.map(toMeasureWords));
  const unit = doubt.of === 'hours' ? 'h a week' : undefined;
  const from = unit ? `${number(doubt.width, 2)} to ${number(left, 2)} ${unit}` : undefined;
  return `Measure ${what} on the machine that is there: the doubt about ${doubt.of === 'hours' ? 'the hours that are saved' : 'the tasks'} becomes ${percent(1 - left / doubt.width)} narrower${from ? `, ${from}` : ''}.`;
}
