import { BUILD } from '../../work/buildConstants';
import { CAD } from '../../work/cadConstants';
import { EDIT } from '../../work/editConstants';
import { EVIDENCE } from '../../evidence/constants';
import { INGEST } from '../../work/ingestConstants';
import { LEARN } from '../../work/learnConstants';
import { LIVE } from '../../work/liveConstants';
import { MOTION } from '../../work/motionConstants';
import { RENDER, SURVEY } from '../../work/renderConstants';
import type { Register } from '../../figures/registers';
import type { MeasuredRow } from './rows';

/** Clocks a second of the reference core. */
const REFERENCE = 2.5e9;
const HD = 1920 * 1080;

/** How rows determine a constant: one value each, or several values from them together. */
type Recipe = (rows: readonly MeasuredRow[]) => readonly number[];

const each =
  (of: (row: MeasuredRow) => number): Recipe =>
  (rows) =>
    rows.map(of);
const x = ({ extra }: MeasuredRow, name: string): number => {
  const value = extra[name];
  if (value === undefined) throw new RangeError(`no ${name} in the row`);
  return value;
};
/** Seconds of the processor in clocks. */
const clocks = (row: MeasuredRow): number => x(row, 'cpu_s') * REFERENCE;
const of = (rows: readonly MeasuredRow[], part: string): MeasuredRow => {
  const row = rows.find(({ id }) => id.includes(part));
  if (!row) throw new RangeError(`no row ${part}`);
  return row;
};
const fpsClocks = each(({ median }) => REFERENCE / (median * HD));
const frameClocks = (row: MeasuredRow): number => (x(row, 'ms_cpu_per_frame') / 1e3) * REFERENCE;
/** Share on one thread with which two threads are so many times as fast as one (Amdahl 1967). */
const serialOf = (times: number): number => 2 / times - 1;
const busySerial = each((row) => serialOf(x(row, 'cores_used')));
/** Solves a × u + b × v = w for two rows. */
function solved([u1, v1, w1]: readonly number[], [u2, v2, w2]: readonly number[]): [number, number] {
  const [a, b, c, d, e, f] = [u1 ?? 0, v1 ?? 0, u2 ?? 0, v2 ?? 0, w1 ?? 0, w2 ?? 0];
  const determinant = a * d - b * c;
  return [(e * d - b * f) / determinant, (a * f - e * c) / determinant];
}
const cellsOf = ({ params }: MeasuredRow): number => 4 ** Number(params['depth']);
const meshed =
  (what: (row: MeasuredRow) => number, which: 0 | 1): Recipe =>
  ([small, large]) =>
    small && large
      ? [
          solved(
            [Number(small.params['points']), cellsOf(small), what(small)],
            [Number(large.params['points']), cellsOf(large), what(large)],
          )[which],
        ]
      : [];
/** Peak in double precision as it was measured on so many threads, GFLOP/s. */
const peakOn = (rows: readonly MeasuredRow[], threads: 1 | 2): number =>
  x(of(rows, `machine.peak.t${threads}`), 'fp64_gflops');
const solvedRows = (rows: readonly MeasuredRow[]): MeasuredRow[] => rows.filter(({ id }) => id.startsWith('solve'));
const halfOf = (row: MeasuredRow, peak: number): number => {
  const arithmetic = x(row, 'flop') / x(row, 'lnz');
  return arithmetic * (peak / x(row, 'gflop_s') - 1);
};
const n = (row: MeasuredRow): number => x(row, 'n');
/** Growth of a power between the rows of one program, smallest and largest. */
const growth = (few: MeasuredRow, many: MeasuredRow, by: string): number =>
  Math.log(many.median / few.median) / Math.log(x(many, by) / x(few, by));
const touched = (row: MeasuredRow): number => clocks(row) / x(row, 'touched_bytes');
const atGigabyte = (row: MeasuredRow, exponent: number): number =>
  touched(row) / (x(row, 'touched_bytes') / 1e9) ** exponent;
const perMpx = (row: MeasuredRow): number => (x(row, 'cpu_s_per_mpx') * REFERENCE) / 1e6;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? NaN;
};

/** How each measured constant follows from its rows. */
export const RECIPES: readonly (readonly [string, Register, Readonly<Record<string, Recipe>>])[] = [
  [
    'pictures',
    EDIT,
    {
      decodeH264: fpsClocks,
      decodeHevc: fpsClocks,
      decodeMezzanine: each(({ median: fps }) => REFERENCE / (fps * HD) / EDIT.chroma422.value),
      encodeH264Fast: fpsClocks,
      encodeH264Medium: fpsClocks,
      encodeHevcMedium: fpsClocks,
      encodeMezzanine: each(({ median: fps }) => REFERENCE / (fps * HD) / EDIT.chroma422.value),
      // six filters, of which four work in one pass: the share of a pass that a step has
      stepProcessor: each(({ median: fps }) => (REFERENCE / (fps * HD)) * (14 / 54)),
    },
  ],
  [
    'evidence',
    EVIDENCE,
    {
      mipsPerGwork: each(({ median: mips }) => mips / 5),
      streamOneThread: each((row) => (row.id.startsWith('mem') ? row.median / 1e3 : x(row, 'read_gb_s'))),
      ownNoise: (rows) => [median(rows.filter(({ min, max }) => max > min).map(({ min, max }) => Math.log(max / min)))],
    },
  ],
  [
    'builds',
    BUILD,
    {
      light: each((row) => clocks(row) / 1e9 / x(row, 'units')),
      usual: each((row) => clocks(row) / 1e9 / x(row, 'units')),
      heavy: each((row) => clocks(row) / 1e9 / x(row, 'units')),
      lastFile: each((row) => (2 * (row.median - x(row, 'cpu_s') / 2) * x(row, 'units')) / x(row, 'cpu_s')),
      lightBytes: each((row) => (x(row, 'read_unique_bytes') + x(row, 'object_bytes')) / x(row, 'units')),
      usualBytes: each((row) => (x(row, 'read_unique_bytes') + x(row, 'object_bytes')) / x(row, 'units')),
      heavyBytes: each((row) => (x(row, 'read_unique_bytes') + x(row, 'object_bytes')) / x(row, 'units')),
      objectShare: each((row) => x(row, 'object_bytes') / (x(row, 'read_unique_bytes') + x(row, 'object_bytes'))),
    },
  ],
  [
    'rays',
    RENDER,
    {
      raysPerSegment: each((row) => x(row, 'rays') / x(row, 'meetings')),
      tracedOnCores: each(
        (row) => clocks(row) / x(row, 'rays') / (x(row, 'triangles') / 1e6) ** RENDER.raysByTriangles.value,
      ),
      raysByTriangles: (rows) => {
        const [few, ...more] = rows;
        const cost = (row: MeasuredRow) => clocks(row) / x(row, 'rays');
        return more.map((row) =>
          few ? Math.log(cost(row) / cost(few)) / Math.log(x(row, 'triangles') / x(few, 'triangles')) : NaN,
        );
      },
      treeClocks: each((row) => (x(row, 'first_cpu_s') * REFERENCE) / x(row, 'triangles')),
      triangleBytes: each((row) => x(row, 'tree_peak_bytes_per_triangle') + x(row, 'mesh_bytes_per_triangle')),
    },
  ],
  [
    'surveys',
    SURVEY,
    {
      detect: each((row) => clocks(row) / x(row, 'mpx') / 1e6),
      detectSerial: busySerial,
      matchOnCores: each((row) =>
        row.id.includes('library')
          ? ((x(row, 'cpu_s') / 2) * REFERENCE) / 8192
          : (x(row, 'cpu_s_per_pair') * REFERENCE) / 9600,
      ),
      adjust: each((row) => {
        const [features, images] = row.id.includes('lite') ? [1500, 20] : [9600, 10];
        return (
          (x(row, 'cpu_s_per_image') * REFERENCE) /
          1e9 /
          (features / 1500) ** SURVEY.adjustByFeatures.value /
          (images / 20) ** SURVEY.adjustByImages.value
        );
      }),
      adjustSerial: (rows) => [
        serialOf(of(rows, 'lite.20.t1').median / of(rows, 'lite.20.t2').median),
        serialOf(x(of(rows, 'full.10.t2'), 'cores_used')),
      ],
      meshClocks: meshed(clocks, 0),
      meshCell: meshed(clocks, 1),
      pointBytes: meshed((row) => x(row, 'rss_peak_bytes'), 0),
      cellBytes: meshed((row) => x(row, 'rss_peak_bytes'), 1),
      decode: each((row) => clocks(row) / x(row, 'px')),
    },
  ],
  [
    'direct solution',
    CAD,
    {
      solidFactor: each((row) => x(row, 'lnz') / n(row) ** (4 / 3)),
      scalarFactor: each((row) => x(row, 'lnz') / n(row) ** (4 / 3)),
      solidWork: each((row) => x(row, 'flop') / n(row) ** 2),
      scalarWork: each((row) => x(row, 'flop') / n(row) ** 2),
      shellFactor: each((row) => x(row, 'lnz') / (n(row) * Math.log2(n(row)))),
      shellWork: each((row) => x(row, 'flop') / n(row) ** 1.5),
      memoryMore: each((row) => x(row, 'peak_memory_bytes') / (8 * x(row, 'lnz'))),
      halfSpeed: (rows) => solvedRows(rows).map((row) => halfOf(row, peakOn(rows, 1))),
      halfByThreads: (rows) => [
        Math.log2(halfOf(of(rows, '22.t2.'), peakOn(rows, 2)) / halfOf(of(rows, '22.t1.'), peakOn(rows, 1))),
      ],
      orderSolid: each((row) => (x(row, 'order_cpu_s') * REFERENCE) / n(row)),
      orderScalar: each((row) => (x(row, 'order_cpu_s') * REFERENCE) / n(row)),
      orderShell: each((row) => (x(row, 'order_cpu_s') * REFERENCE) / n(row)),
      assemble: each((row) => (x(row, 'put_together_cpu_s') * REFERENCE) / n(row)),
    },
  ],
  [
    'live',
    LIVE,
    {
      unpack: each((row) => frameClocks(row) / HD),
      frameSerial: each((row) => frameClocks(row) / 1e9),
      layerProcessor: (rows) => [(frameClocks(of(rows, 'title.1')) - frameClocks(of(rows, 'comp.1'))) / HD],
      scaledInput: (rows) => {
        const handOver = frameClocks(of(rows, 'comp.1'));
        return [
          (frameClocks(of(rows, 'comp.2')) - handOver) / HD,
          (frameClocks(of(rows, 'comp.6')) - handOver) / (5 * HD),
        ];
      },
      // a title’s cost holds the hand-over of the frame too
      keyProcessor: (rows) => [(frameClocks(of(rows, 'key.1')) - frameClocks(of(rows, 'title.1'))) / HD],
      scaleDown: (rows) => {
        const handOver = frameClocks(of(rows, 'comp.1'));
        return [
          (frameClocks(of(rows, 'scale.720')) - handOver) / (1280 * 720),
          (frameClocks(of(rows, 'scale.480')) - handOver) / (854 * 480),
        ];
      },
      composeSerial: (rows) => [serialOf(of(rows, '.t2').median / of(rows, '.t1').median)],
    },
  ],
  [
    'copies',
    INGEST,
    {
      copy: each((row) => x(row, 'clocks_per_byte')),
      checksumFast: each((row) => x(row, 'clocks_per_byte')),
      checksumPlain: each((row) => x(row, 'clocks_per_byte')),
    },
  ],
  [
    'stills',
    MOTION,
    {
      develop: each(perMpx),
      stepClocks: each(perMpx),
      developSerial: busySerial,
      nrOnCores: (rows) => {
        const plain = perMpx(of(rows, 'develop_ahd.24'));
        return ['denoise.24', 'denoise.45'].map((id) => (perMpx(of(rows, id)) - plain) / MOTION.lightNr.value);
      },
      write: each(perMpx),
      writeLossless: each(perMpx),
    },
  ],
  [
    'learning and tables',
    LEARN,
    {
      imageLoad: each((row) => clocks(row) / x(row, 'px')),
      achievedOnCores: (rows) => [
        (of(rows, 'train').median * x(of(rows, 'train'), 'flop_per_token_products')) / 1e9 / of(rows, 'peak').median,
      ],
      achievedProduct: (rows) =>
        ([1, 2] as const).map((t) => of(rows, `matmul.t${t}`).median / of(rows, `peak.t${t}`).median),
      readOnCores: (rows) => {
        const read = x(of(rows, 'peak'), 'read_gb_s');
        const decode = of(rows, 'decode');
        const bytes = x(decode, 'weight_bytes') + x(decode, 'cache_bytes');
        // a rate cannot be above what is read
        return [(decode.median * bytes) / 1e9 / read, Math.min(1, of(rows, 'gemv').median / read)];
      },
      scanWork: each(touched),
      groupWork: each(touched),
      manyGroupsWork: each(touched),
      joinWork: each((row) => atGigabyte(row, LEARN.joinGrows.value)),
      joinGrows: (rows) => [
        growth(of(rows, 'columns.1m'), of(rows, 'columns.20m'), 'touched_bytes') - 1,
        growth(of(rows, 'frames.1m'), of(rows, 'frames.5m'), 'touched_bytes') - 1,
      ],
      sortWork: each((row) => atGigabyte(row, LEARN.sortGrows.value)),
      modelWork: each((row) => clocks(row) / 20 / x(row, 'data_bytes')),
      modelPrepare: (rows) => [
        (clocks(of(rows, 'round1')) - clocks(of(rows, 'rounds20')) / 20) / x(of(rows, 'round1'), 'data_bytes'),
      ],
      scanSerial: busySerial,
      groupSerial: (rows) =>
        ['1m', '5m'].map((size) => serialOf(of(rows, `${size}.t1`).median / of(rows, `${size}.t2`).median)),
      joinSerial: (rows) => [serialOf(of(rows, '.t1.').median / of(rows, '.t2.').median)],
      modelSerial: (rows) => [serialOf(of(rows, '.t1.').median / of(rows, '.t2.').median)],
    },
  ],
];
