import { priced, type Priced } from '../seed';

interface Line {
  readonly maker: string;
  readonly bird: string;
  readonly socket: string;
  readonly family: string;
  readonly workPerClock: number;
  readonly boost: number;
  readonly memory: readonly Record<string, unknown>[];
  readonly channels: number;
  readonly limitGiB: number;
  readonly ecc: boolean;
  readonly rootLinks: readonly { generation: number; lanes: number }[];
  readonly tflops: number | 'none';
  readonly usdPerWork: number;
  readonly onSale: string;
  readonly withdrawn?: string;
  readonly models: readonly { name: string; p: number; e: number; base: number; max: number; noGraphics?: boolean; cooler?: boolean; usd?: number; onSale?: string }[];
}

const rates = (one1: number, one2: number, two1: number, two2: number) => [
  { modulesPerChannel: 1, ranks: 1, rateMTs: one1 },
  { modulesPerChannel: 1, ranks: 2, rateMTs: one2 },
  { modulesPerChannel: 2, ranks: 1, rateMTs: two1 },
  { modulesPerChannel: 2, ranks: 2, rateMTs: two2 },
];

const ddr5 = { generation: 'DDR5', kinds: ['unbuffered'], rates: rates(6000, 5600, 4400, 4000) };
const ddr4 = { generation: 'DDR4', kinds: ['unbuffered'], rates: rates(3200, 3200, 2933, 2666) };

/** Media engines by generation of the graphics block: rates in Mpx/s, and how many streams their encoders keep open. */
export function engines(scale: number, wide: boolean, av1: boolean, sessions?: number) {
  const list: Record<string, unknown>[] = [];
  const add = (direction: string, codec: string, chroma: string, bitDepth: number, mpxPerS: number, side: number) =>
    list.push({ direction, codec, chroma, bitDepth, mpxPerS: Math.round(mpxPerS * scale), maxWidth: side, maxHeight: side, ...(direction === 'encode' && sessions !== undefined ? { sessions } : {}) });
  add('decode', 'h264', '4:2:0', 8, 1400, 4096);
  add('decode', 'hevc', '4:2:0', 10, 1900, 8192);
  if (wide) add('decode', 'hevc', '4:2:2', 10, 1500, 8192);
  if (av1) add('decode', 'av1', '4:2:0', 10, 1900, 8192);
  add('encode', 'h264', '4:2:0', 8, 900, 4096);
  add('encode', 'hevc', '4:2:0', 10, 950, 8192);
  if (av1) add('encode', 'av1', '4:2:0', 10, 950, 8192);
  return list;
}

const LINES: readonly Line[] = [
  {
    maker: 'Halcyte', bird: 'Tern', socket: 'Dunlin', family: 'Tern', workPerClock: 1.45, boost: 5.2, memory: [ddr5], channels: 2, limitGiB: 192, ecc: true,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 5, lanes: 4 }, { generation: 4, lanes: 4 }], tflops: 0.6, usdPerWork: 4.2, onSale: '2025-02-10',
    models: [
      { name: '6', p: 6, e: 0, base: 65, max: 92, cooler: true },
      { name: '8', p: 8, e: 0, base: 65, max: 110, cooler: true },
      { name: '8 bare', p: 8, e: 0, base: 65, max: 110, noGraphics: true, usd: 262 },
      { name: '12', p: 12, e: 0, base: 120, max: 165 },
      { name: '16', p: 16, e: 0, base: 140, max: 205 },
    ],
  },
  {
    maker: 'Halcyte', bird: 'Tern Deep', socket: 'Dunlin', family: 'Tern Deep', workPerClock: 1.55, boost: 5.4, memory: [ddr5], channels: 2, limitGiB: 256, ecc: true,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 5, lanes: 4 }, { generation: 4, lanes: 4 }], tflops: 0.7, usdPerWork: 4.8, onSale: '2026-01-20',
    models: [
      { name: '8', p: 8, e: 0, base: 95, max: 130 },
      { name: '12', p: 12, e: 0, base: 125, max: 175 },
      { name: '16', p: 16, e: 0, base: 145, max: 210 },
      { name: '18', p: 18, e: 0, base: 150, max: 220, onSale: '2026-08-01' },
    ],
  },
  {
    maker: 'Halcyte', bird: 'Knot', socket: 'Curlew', family: 'Knot', workPerClock: 1.12, boost: 4.5, memory: [ddr4], channels: 2, limitGiB: 128, ecc: true,
    rootLinks: [{ generation: 3, lanes: 16 }, { generation: 3, lanes: 4 }], tflops: 'none', usdPerWork: 3.1, onSale: '2020-03-01', withdrawn: '2024-06-30',
    models: [
      { name: '6', p: 6, e: 0, base: 65, max: 88, cooler: true },
      { name: '8', p: 8, e: 0, base: 95, max: 125 },
      { name: '12', p: 12, e: 0, base: 105, max: 142 },
    ],
  },
  {
    maker: 'Quernic', bird: 'Shearwater', socket: 'Gannet', family: 'Shearwater', workPerClock: 1.5, boost: 5.5, memory: [ddr5, ddr4], channels: 2, limitGiB: 192, ecc: false,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 4, lanes: 4 }], tflops: 0.9, usdPerWork: 3.6, onSale: '2024-10-05',
    models: [
      { name: '10', p: 6, e: 4, base: 65, max: 148, cooler: true },
      { name: '14', p: 6, e: 8, base: 125, max: 181 },
      { name: '20', p: 8, e: 12, base: 125, max: 253 },
      { name: '24', p: 8, e: 16, base: 125, max: 253 },
    ],
  },
  {
    maker: 'Quernic', bird: 'Petrel', socket: 'Gannet', family: 'Petrel', workPerClock: 1.32, boost: 5, memory: [ddr5, ddr4], channels: 2, limitGiB: 128, ecc: false,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 4, lanes: 4 }], tflops: 0.7, usdPerWork: 3, onSale: '2022-11-08',
    models: [
      { name: '6', p: 6, e: 0, base: 58, max: 89, cooler: true },
      { name: '12', p: 6, e: 4, base: 65, max: 148 },
      { name: '16', p: 8, e: 8, base: 125, max: 241 },
    ],
  },
  {
    maker: 'Quernic', bird: 'Kittiwake', socket: 'Gannet', family: 'Kittiwake', workPerClock: 1.62, boost: 5.7, memory: [ddr5], channels: 2, limitGiB: 256, ecc: true,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 5, lanes: 4 }, { generation: 4, lanes: 4 }], tflops: 1.4, usdPerWork: 4.1, onSale: '2026-03-10',
    models: [
      { name: '14', p: 6, e: 8, base: 65, max: 159 },
      { name: '20', p: 8, e: 12, base: 125, max: 235 },
      { name: '24', p: 8, e: 16, base: 125, max: 250 },
    ],
  },
  {
    maker: 'Halcyte', bird: 'Avocet', socket: 'Godwit', family: 'Avocet', workPerClock: 1.44, boost: 5,
    memory: [{ generation: 'DDR5', kinds: ['registered'], rates: rates(6400, 6400, 5200, 5200) }], channels: 8, limitGiB: 2048, ecc: true,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }], tflops: 'none', usdPerWork: 7.9, onSale: '2025-10-21',
    models: [
      { name: '16', p: 16, e: 0, base: 250, max: 320 },
      { name: '24', p: 24, e: 0, base: 280, max: 350 },
      { name: '32', p: 32, e: 0, base: 300, max: 380 },
      { name: '48', p: 48, e: 0, base: 320, max: 400 },
    ],
  },
  {
    maker: 'Brandling', bird: 'Linnet', socket: 'Wren', family: 'Linnet', workPerClock: 1.22, boost: 4.7, memory: [ddr5], channels: 2, limitGiB: 96, ecc: false,
    rootLinks: [{ generation: 4, lanes: 8 }, { generation: 4, lanes: 4 }], tflops: 4.5, usdPerWork: 4.2, onSale: '2023-06-05',
    models: [
      { name: '6', p: 6, e: 0, base: 45, max: 65, cooler: true },
      { name: '8', p: 8, e: 0, base: 54, max: 75, cooler: true },
    ],
  },
  {
    maker: 'Quernic', bird: 'Skua', socket: 'Fulmar', family: 'Skua', workPerClock: 1.42, boost: 4.8,
    memory: [{ generation: 'DDR5', kinds: ['registered'], rates: rates(5600, 5600, 4400, 4400) }], channels: 8, limitGiB: 2048, ecc: true,
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }, { generation: 5, lanes: 16 }], tflops: 'none', usdPerWork: 8.5, onSale: '2025-06-01',
    models: [
      { name: '24', p: 24, e: 0, base: 270, max: 350 },
      { name: '36', p: 36, e: 0, base: 300, max: 385 },
    ],
  },
  {
    maker: 'Brandling', bird: 'Siskin', socket: 'Wren', family: 'Siskin', workPerClock: 1.4, boost: 5, memory: [ddr5], channels: 2, limitGiB: 128, ecc: false,
    rootLinks: [{ generation: 4, lanes: 8 }, { generation: 4, lanes: 4 }], tflops: 8, usdPerWork: 5, onSale: '2025-09-15',
    models: [
      { name: '8', p: 8, e: 0, base: 54, max: 80, cooler: true },
      { name: '10', p: 4, e: 6, base: 45, max: 65, cooler: true },
    ],
  },
];

/** All-core clock falls with cores and rises with watts a core: f ∝ (W a core)^(1/3), held below boost. */
const allCore = (boost: number, max: number, cores: number): number => Math.round(Math.min(boost - 0.2, boost * (max / cores / 14) ** (1 / 3)) * 20) / 20;

export function processors(): Priced[] {
  return LINES.flatMap((line) =>
    line.models.map((model): Priced => {
      const weight = model.p + model.e * 0.45;
      const clock = allCore(line.boost, model.max, weight);
      const groups: Record<string, unknown>[] = [{ kind: 'performance', count: model.p, threadsPerCore: 2, baseGHz: Math.round(clock * 0.78 * 10) / 10, boostGHz: line.boost, allCoreGHz: clock, workPerClock: line.workPerClock }];
      if (model.e > 0) groups.push({ kind: 'efficiency', count: model.e, threadsPerCore: 1, baseGHz: 2.4, boostGHz: 4.2, allCoreGHz: Math.min(4, Math.round((clock - 0.9) * 20) / 20), workPerClock: 0.95 });
      const work = weight * clock * line.workPerClock;
      return priced('processor', line.maker, `${line.bird} ${model.name}`, model.usd ?? Math.round(work * line.usdPerWork) - 1, {
        socket: line.socket,
        family: line.family,
        onSale: model.onSale ?? line.onSale,
        ...(line.withdrawn ? { withdrawn: line.withdrawn } : {}),
        warrantyMonths: 36,
        coreGroups: groups,
        cacheMiB: model.p * 4 + (model.e > 0 ? 4 : 0),
        idlePowerW: line.channels > 2 ? 60 : 14,
        basePowerW: model.base,
        maxPowerW: model.max,
        maxTemperatureC: 95,
        memory: line.memory,
        memoryChannels: line.channels,
        memoryLimitGiB: line.limitGiB,
        errorCorrection: line.ecc,
        rootLinks: line.rootLinks,
        integratedGraphics: line.tflops === 'none' || model.noGraphics ? 'none' : { fp32Tflops: line.tflops, mediaEngines: engines(line.tflops > 2 ? 1 : 0.8, line.maker === 'Quernic', line.family !== 'Knot', 4), outputs: [{ kind: 'DisplayPort 1.4', count: 1 }, { kind: 'HDMI 2.1', count: 1 }] },
        coolerIncluded: model.cooler ?? false,
        unlocked: model.max > 120,
        fp32PerClock: 32,
        fp64PerClock: 16,
        hashInstructions: true,
        ...(model.noGraphics ? { variantOf: 'halcyte-tern-8' } : {}),
      });
    }),
  );
}
