import type { Workload } from '../model/measurement';
import { number } from './format';
import { codecName } from './names';

/** What a workload is, as a sentence. */
export function workloadWords(workload: Workload): string {
  const picture = 'width' in workload ? `${workload.width} × ${workload.height}` : '';
  const threads =
    'threads' in workload ? (workload.threads === 1 ? ', one thread' : `, ${workload.threads} threads`) : '';
  switch (workload.work) {
    case 'decode':
      return `Decode ${codecName(workload.source.codec)} ${workload.source.chroma} ${workload.source.bitDepth}-bit, ${picture}${threads}`;
    case 'encode':
      return `Encode ${codecName(workload.target.codec)} ${workload.target.preset}, ${picture}${threads}`;
    case 'correct':
      return `Correct, ${number(workload.steps, 2)} steps, ${picture}${threads}`;
    case 'chain':
      return `${[workload.source ? `Decode ${codecName(workload.source.codec)}` : '', workload.steps > 0 ? `${number(workload.steps, 2)} correction steps` : '', workload.target ? `encode ${codecName(workload.target.codec)} ${workload.target.preset}` : ''].filter(Boolean).join(', ')}, ${picture}${threads}`;
    case 'drive':
      return `Drive, ${workload.access} ${workload.direction}${workload.gigabytes === undefined ? '' : `, ${number(workload.gigabytes, 2)} GB`}`;
    case 'memory':
      return `Memory stream${threads}`;
    case 'compress':
      return `Compression benchmark${threads}`;
    case 'arithmetic':
      return `Arithmetic benchmark${threads}`;
    case 'sensor':
      return `Sensor: ${workload.sensor}`;
  }
}
