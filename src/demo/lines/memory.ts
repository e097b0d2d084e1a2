import { priced, slug, type Priced } from '../seed';

interface Kit {
  readonly maker: string;
  readonly line: string;
  readonly generation: 'DDR4' | 'DDR5';
  readonly rate: number;
  readonly cl: number;
  readonly sizes: readonly (readonly [modules: number, gib: number])[];
  readonly profile: 'XP' | 'EP' | 'none';
  readonly height: number;
  readonly usdPerGib: number;
  readonly kind?: 'unbuffered' | 'registered';
  readonly ecc?: boolean;
  readonly suffix?: string;
}

const KITS: readonly Kit[] = [
  { maker: 'Sablerow', line: 'Slate', generation: 'DDR5', rate: 5600, cl: 36, sizes: [[2, 16], [2, 32], [2, 48]], profile: 'EP', height: 35, usdPerGib: 3.3 },
  { maker: 'Sablerow', line: 'Slate', generation: 'DDR5', rate: 5600, cl: 40, sizes: [[2, 32]], profile: 'EP', height: 35, usdPerGib: 3.1, suffix: 'grey' },
  { maker: 'Sablerow', line: 'Slate', generation: 'DDR5', rate: 6000, cl: 30, sizes: [[2, 16], [2, 32]], profile: 'EP', height: 35, usdPerGib: 3.9 },
  { maker: 'Cinderpath', line: 'Ember', generation: 'DDR5', rate: 6400, cl: 32, sizes: [[2, 16], [2, 32]], profile: 'XP', height: 44, usdPerGib: 4.3 },
  { maker: 'Cinderpath', line: 'Ember', generation: 'DDR5', rate: 7200, cl: 34, sizes: [[2, 24]], profile: 'XP', height: 44, usdPerGib: 5.2 },
  { maker: 'Cinderpath', line: 'Ash', generation: 'DDR5', rate: 5600, cl: 46, sizes: [[1, 16], [2, 16], [4, 32]], profile: 'none', height: 31, usdPerGib: 2.9 },
  { maker: 'Sablerow', line: 'Bedrock', generation: 'DDR5', rate: 5600, cl: 46, sizes: [[2, 16], [2, 32]], profile: 'none', height: 31, usdPerGib: 5.1, ecc: true },
  { maker: 'Sablerow', line: 'Bedrock R', generation: 'DDR5', rate: 5600, cl: 46, sizes: [[4, 32], [8, 32], [8, 64]], profile: 'none', height: 31, usdPerGib: 5.6, kind: 'registered', ecc: true },
  { maker: 'Sablerow', line: 'Slate', generation: 'DDR5', rate: 6000, cl: 36, sizes: [[2, 8], [2, 24], [2, 48], [4, 16], [4, 32]], profile: 'EP', height: 35, usdPerGib: 3.5 },
  { maker: 'Sablerow', line: 'Slate', generation: 'DDR5', rate: 6400, cl: 32, sizes: [[2, 16], [2, 24], [2, 32], [2, 48]], profile: 'EP', height: 35, usdPerGib: 4.4 },
  { maker: 'Cinderpath', line: 'Ember', generation: 'DDR5', rate: 6000, cl: 30, sizes: [[2, 16], [2, 24], [2, 32], [2, 48]], profile: 'XP', height: 44, usdPerGib: 4 },
  { maker: 'Cinderpath', line: 'Ember', generation: 'DDR5', rate: 6000, cl: 38, sizes: [[2, 16], [2, 32]], profile: 'XP', height: 44, usdPerGib: 3.4, suffix: 'long' },
  { maker: 'Cinderpath', line: 'Ember Low', generation: 'DDR5', rate: 5600, cl: 38, sizes: [[2, 16], [2, 32], [2, 48]], profile: 'XP', height: 31, usdPerGib: 3.3 },
  { maker: 'Cinderpath', line: 'Ember', generation: 'DDR5', rate: 8000, cl: 38, sizes: [[2, 16], [2, 24]], profile: 'XP', height: 46, usdPerGib: 6.4 },
  { maker: 'Sablerow', line: 'Bedrock', generation: 'DDR5', rate: 4800, cl: 40, sizes: [[1, 16], [1, 32], [2, 48]], profile: 'none', height: 31, usdPerGib: 4.7, ecc: true },
  { maker: 'Sablerow', line: 'Bedrock R', generation: 'DDR5', rate: 6400, cl: 52, sizes: [[4, 64], [8, 32], [8, 64], [8, 96]], profile: 'none', height: 31, usdPerGib: 6.2, kind: 'registered', ecc: true },
  { maker: 'Cinderpath', line: 'Cinder', generation: 'DDR4', rate: 3600, cl: 18, sizes: [[2, 8], [2, 16], [2, 32], [4, 16]], profile: 'XP', height: 40, usdPerGib: 2.3 },
  { maker: 'Cinderpath', line: 'Ash', generation: 'DDR4', rate: 3200, cl: 22, sizes: [[1, 8], [1, 16], [2, 16], [2, 32]], profile: 'none', height: 31, usdPerGib: 1.9 },
  { maker: 'Sablerow', line: 'Shale', generation: 'DDR4', rate: 3200, cl: 16, sizes: [[2, 8], [2, 16], [2, 32]], profile: 'XP', height: 34, usdPerGib: 2.1 },
];

export function memory(): Priced[] {
  return KITS.flatMap((kit) =>
    kit.sizes.map(([modules, gib]): Priced => {
      const standard = kit.generation === 'DDR4' ? 3200 : kit.profile === 'none' ? kit.rate : 4800;
      return priced('memory', kit.maker, `${kit.line} ${modules}x${gib} ${kit.rate}${kit.suffix ? ` ${kit.suffix}` : ''}`, Math.round(modules * gib * kit.usdPerGib) + 6, {
        generation: kit.generation,
        moduleKind: kit.kind ?? 'unbuffered',
        errorCorrection: kit.ecc ?? false,
        modules,
        moduleGiB: gib,
        ranks: gib >= 32 ? 2 : 1,
        profileKind: kit.profile,
        rateMTs: kit.rate,
        casLatency: kit.cl,
        rcd: kit.cl + (kit.generation === 'DDR5' ? 2 : 2),
        rp: kit.cl + (kit.generation === 'DDR5' ? 2 : 2),
        ras: kit.cl * 2 + 4,
        voltageV: kit.generation === 'DDR4' ? 1.35 : kit.rate > 6000 ? 1.4 : 1.25,
        standardRateMTs: standard,
        heightMm: kit.height,
        modulePowerW: kit.kind === 'registered' ? 9 : kit.generation === 'DDR4' ? 4 : 5,
        dieKind: { name: kit.rate >= 6000 ? 'L die' : 'M die', certainty: kit.rate >= 6000 ? 'likely' : 'known' },
        warrantyMonths: 120,
        ...(kit.suffix ? { variantOf: slug(`${kit.maker} ${kit.line} ${modules}x${gib} ${kit.rate}`) } : {}),
      });
    }),
  );
}
