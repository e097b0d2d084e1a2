import { readFileSync } from 'node:fs';
import { parse } from 'csv-parse/sync';
import { measurementSchema, type Measurement, type Workload } from '../model/measurement';

const here = new URL('./reality/', import.meta.url).pathname;
export const rawFile = (name: string): string => readFileSync(`${here}${name}`, 'utf8');

interface Row {
  readonly set: 'calibrate' | 'check';
  readonly id: string;
  readonly tool: string;
  readonly unit: string;
  readonly median: string;
  readonly min: string;
  readonly max: string;
  readonly params: string;
}

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
function workloadOf({ id, params }: Row): unknown {
  const given = JSON.parse(params) as Record<string, string | number>;
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

/** All rows of the real machine as measurements. */
export function realMeasurements(): Measurement[] {
  const rows = parse<Row>(rawFile('measurements.csv'), { columns: true });
  return rows.map((row) =>
    measurementSchema.parse({
      id: row.id.toLowerCase().replaceAll('_', '-'),
      workload: workloadOf(row) as Workload,
      value: Number(row.median),
      low: Number(row.min),
      high: Number(row.max),
      unit: row.unit,
      tool: row.tool,
      source: 'measurements of a small virtual machine',
      use: row.set,
    }),
  );
}
