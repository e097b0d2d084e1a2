import type { Workload } from '../model/measurement';
import { number } from './format';
import { codecName } from './names';

const WEIGHT = { light: 'little', usual: 'usual', heavy: 'great' } as const;
const TABLE = {
  sum: 'Sum a table',
  scan: 'Filter a table',
  group: 'Sum a table by few groups',
  'many groups': 'Sum a table by many groups',
  sort: 'Sort a table',
  join: 'Join tables',
  model: 'Fit a round of trees',
  prepare: 'Lay columns out for trees',
} as const;

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
    case 'compose':
      return `Lay together${[
        [workload.titles, 'titles'],
        [workload.scaled, 'scaled inputs'],
        [workload.keyed, 'keyed inputs'],
      ]
        .map(([count, what]) => (count === 0 ? '' : `, ${count} ${what}`))
        .join('')}, ${picture}${threads}`;
    case 'unpack':
      return `Unpack packed samples, ${picture}${threads}`;
    case 'scale':
      return `Scale to ${picture}${threads}`;
    case 'build':
      return `Compile ${number(workload.files)} files of ${WEIGHT[workload.weight]} weight${threads}`;
    case 'rays':
      return `Rays through ${number(workload.mTriangles, 3)} million triangles${threads}`;
    case 'features':
      return `Find features${workload.doubled ? ' at twice the side' : ''}${threads}`;
    case 'match':
      return `Compare pairs by ${number(workload.features)} features${threads}`;
    case 'adjust':
      return `Adjust ${number(workload.images)} images of ${number(workload.features)} features${threads}`;
    case 'mesh':
      return `Mesh ${number(workload.mPoints, 3)} million points to depth ${workload.depth}${threads}`;
    case 'factorise':
      return `Factorise a ${workload.mesh} mesh of ${number(workload.unknownsK, 4)} thousand unknowns${threads}`;
    case 'table':
      return `${TABLE[workload.effort]}, ${number(workload.gigabytes, 2)} GB${threads}`;
    case 'prompt':
      return `Read a prompt, ${number(workload.paramsB, 2)} billion parameters${threads}`;
    case 'product':
      return `Product of matrices, ${workload.precision === 'fp32' ? 'single' : 'double'} precision${threads}`;
    case 'model step':
      return `Steps of a model too small to matter${threads}`;
    case 'transfer':
      return `${[workload.copied ? 'Copy' : '', workload.checksum === 'none' ? '' : `${workload.copied ? 'and ' : ''}${workload.checksum} checksum`].filter(Boolean).join(' ')}${threads}`;
    case 'still':
      return `Stills: ${workload.step}${threads}`;
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
