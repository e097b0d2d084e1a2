import { readFileSync } from 'node:fs';
import { rowsOf, type MeasuredRow } from './reality/rows';
import { measurementSchema, type Measurement, type Workload } from '../model/measurement';

const here = new URL('./reality/', import.meta.url).pathname;
export const rawFile = (name: string): string => readFileSync(`${here}${name}`, 'utf8');

const CODECS: Readonly<Record<string, { codec: string; chroma: string; bitDepth: number }>> = {
  h264: { codec: 'h264', chroma: '4:2:0', bitDepth: 8 },
  hevc10: { codec: 'hevc', chroma: '4:2:0', bitDepth: 10 },
  vc3hq: { codec: 'mezzanine', chroma: '4:2:2', bitDepth: 8 },
};
/** Six filters as so many correction steps: the constant of a step was taken from four of them in one pass. */
const FILTER_STEPS = 54 / 14;
/** A 3 × 3 convolution and a colour table. */
const LOOK_STEPS = 10.3;

/** A row of the measurements in the model's words; undefined for what the model has no workload for. */
function workloadOf({ id, params: given }: MeasuredRow): unknown {
  const [group, what] = id.split('.');
  const threads = Number(/\.t(\d)$/.exec(id)?.[1] ?? 1);
  const picture = { width: /720p/.test(id) ? 1280 : 1920, height: /720p/.test(id) ? 720 : 1080, threads };
  const encoder = (name: string) => ({
    codec: name.includes('265') ? 'hevc' : 'h264',
    preset: name.includes('fast') ? 'fast' : 'medium',
    chroma: '4:2:0',
  });
  switch (group) {
    case 'enc':
      return { work: 'encode', ...picture, target: encoder(`${given['encoder']} ${given['preset']}`) };
    case 'dec':
      return { work: 'decode', ...picture, source: CODECS[what ?? ''] };
    case 'fx':
      return { work: 'correct', ...picture, steps: LOOK_STEPS };
    case 'pipe': {
      const source = CODECS['h264'];
      if (id.includes('stage.decode')) return { work: 'decode', ...picture, source };
      if (id.includes('stage.filter')) return { work: 'correct', ...picture, steps: FILTER_STEPS };
      if (id.includes('stage.encode')) return { work: 'encode', ...picture, target: encoder('264 medium') };
      return {
        work: 'chain',
        ...picture,
        source,
        steps: FILTER_STEPS,
        ...(id.includes('full') ? { target: encoder('264 medium') } : {}),
      };
    }
    case 'io':
      return { work: 'drive', direction: what === 'seq_read' ? 'read' : 'write', access: 'sequential', gigabytes: 2 };
    case 'mem':
      return { work: 'memory', threads };
    default:
      return { work: 'compress', threads };
  }
}

const SOURCE = 'measurements of a small virtual machine';

const measurement = (
  row: MeasuredRow,
  workload: unknown,
  result: Pick<Measurement, 'unit'> & { of: (median: number) => number },
) => {
  const ends = [result.of(row.min), result.of(row.max)].sort((a, b) => a - b);
  return measurementSchema.parse({
    id: row.id.toLowerCase().replaceAll('_', '-'),
    workload: workload as Workload,
    value: result.of(row.median),
    low: ends[0],
    high: ends[1],
    unit: result.unit,
    tool: row.tool,
    source: SOURCE,
    use: row.set,
  });
};

/** All rows of picture work on the real machine as measurements. */
export function realMeasurements(): Measurement[] {
  return rowsOf('measurements.csv').map((row) =>
    measurement(row, workloadOf(row), { unit: row.unit as Measurement['unit'], of: (value) => value }),
  );
}

const asIs = (value: number): number => value;

/** A row of the other trades in the model's words, and how its result becomes a rate; undefined where no stage of a trade is it. */
function tradeOf(
  row: MeasuredRow,
): { workload: unknown; unit: Measurement['unit']; of: (median: number) => number } | undefined {
  const { id, extra, params } = row;
  const [group = '', what = '', third = ''] = id.split('.');
  const threads = Number(params['threads'] ?? 1);
  const frames = { width: 1920, height: 1080, threads };
  const count = (name: string): number => extra[name] ?? NaN;
  const rate = (amount: number) => (seconds: number) => amount / seconds;
  switch (group) {
    case 'build': {
      const weight = { c: 'light', cpp: 'usual', template: 'heavy', heavy_four: 'heavy' }[what];
      if (weight === undefined) return undefined;
      return {
        workload: { work: 'build', weight, files: count('units'), threads },
        unit: 'files/s',
        of: rate(count('units')),
      };
    }
    case 'rays':
      if (!id.endsWith('rays')) return undefined;
      return { workload: { work: 'rays', mTriangles: count('triangles') / 1e6, threads }, unit: 'Mray/s', of: asIs };
    case 'survey':
      switch (what) {
        case 'detect':
          return { workload: { work: 'features', doubled: third === 'program', threads }, unit: 'Mpx/s', of: rate(1) };
        case 'match':
          return {
            workload: { work: 'match', features: third === 'library' ? 8192 : 9600, threads },
            unit: 'pairs/s',
            of: rate(1),
          };
        case 'adjust':
          return {
            workload: {
              work: 'adjust',
              images: Number(params['images']),
              features: third === 'lite' ? 1500 : 9600,
              threads,
            },
            unit: 'images/s',
            of: rate(1),
          };
        case 'mesh':
          return {
            workload: {
              work: 'mesh',
              mPoints: Number(params['points']) / 1e6,
              depth: Number(params['depth']),
              threads,
            },
            unit: 'Mpoint/s',
            of: rate(1),
          };
        default:
          return undefined;
      }
    case 'solve':
      return {
        workload: { work: 'factorise', mesh: what, unknownsK: count('n') / 1e3, threads },
        unit: 'runs/s',
        of: rate(1),
      };
    case 'tables': {
      const [, name = '', effort = ''] = /tables\.(?:\w+\.[\d.]+m|(trees))\.t\d\.(\w+)$/.exec(id) ?? [];
      const efforts: Readonly<Record<string, string>> = {
        sum: 'sum',
        scan: 'scan',
        group_few: 'group',
        group_many: 'many groups',
        join: 'join',
        sort: 'sort',
        round1: 'prepare',
        rounds20: 'model',
      };
      if (efforts[effort] === undefined) return undefined;
      const bytes = name === 'trees' ? count('data_bytes') : count('touched_bytes');
      const rounds = effort === 'rounds20' ? 20 : 1;
      return {
        workload: { work: 'table', effort: efforts[effort], gigabytes: bytes / 1e9, threads },
        unit: 'MB/s',
        of: rate((bytes * rounds) / 1e6),
      };
    }
    case 'learn':
      if (what === 'prefill')
        return {
          workload: { work: 'prompt', paramsB: count('parameters') / 1e9, threads },
          unit: 'tokens/s',
          of: asIs,
        };
      if (what === 'matmul')
        return { workload: { work: 'product', precision: 'fp32', threads }, unit: 'GFLOP/s', of: asIs };
      if (what === 'small') return { workload: { work: 'model step', threads }, unit: 'runs/s', of: asIs };
      return undefined;
    case 'live':
      switch (what) {
        case 'comp':
          return {
            workload: { work: 'compose', ...frames, titles: 0, scaled: Number(third) - 1, keyed: 0 },
            unit: 'fps',
            of: asIs,
          };
        case 'title':
          return {
            workload: { work: 'compose', ...frames, titles: Number(third), scaled: 0, keyed: 0 },
            unit: 'fps',
            of: asIs,
          };
        case 'key':
          return { workload: { work: 'compose', ...frames, titles: 1, scaled: 0, keyed: 1 }, unit: 'fps', of: asIs };
        case 'unpack':
          return { workload: { work: 'unpack', ...frames }, unit: 'fps', of: asIs };
        case 'scale':
          return {
            workload: { work: 'scale', width: third === '720' ? 1280 : 854, height: Number(third), threads },
            unit: 'fps',
            of: asIs,
          };
        case 'encode': {
          // several streams of one programme are as many lines of the first
          const lines = { 1: 1080, 2: 1560, 3: 1774 }[third];
          return {
            workload: {
              work: 'encode',
              width: 1920,
              height: lines,
              threads,
              target: { codec: 'h264', preset: 'fast', chroma: '4:2:0' },
            },
            unit: 'fps',
            of: asIs,
          };
        }
        default:
          return undefined;
      }
    case 'ingest': {
      const transfer = (copied: boolean, checksum: string) => ({
        workload: { work: 'transfer', copied, checksum, threads },
        unit: 'MB/s' as const,
        of: (gb: number) => gb * 1e3,
      });
      if (what === 'copy_and_sum') return transfer(true, 'fast');
      if (what.startsWith('copy')) return transfer(true, 'none');
      if (what === 'xxh3') return transfer(false, 'fast');
      return what === 'md5' || what === 'sha256' ? transfer(false, 'strong') : undefined;
    }
    case 'stills': {
      const steps: Readonly<Record<string, string>> = {
        develop_bilinear: 'develop',
        develop_ahd: 'develop',
        curve: 'correct',
        matrix: 'correct',
        write_jpeg: 'write',
        write_tiff: 'write lossless',
      };
      const step = what === 'nr' ? (id.includes('bilateral') ? 'reduce noise' : undefined) : steps[what];
      return step === undefined
        ? undefined
        : { workload: { work: 'still', step, threads }, unit: 'Mpx/s', of: rate(1) };
    }
    case 'enc':
      return {
        workload: { work: 'encode', ...frames, target: { codec: 'mezzanine', preset: 'medium', chroma: '4:2:2' } },
        unit: 'fps',
        of: asIs,
      };
    default:
      return undefined;
  }
}

/** Rows of the other trades that are a stage of one, as measurements. */
export const tradeMeasurements = (): Measurement[] =>
  rowsOf('measurements-2.csv').flatMap((row) => {
    const is = tradeOf(row);
    return is ? [measurement(row, is.workload, is)] : [];
  });
