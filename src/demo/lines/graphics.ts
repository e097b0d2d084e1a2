import { priced, type Priced } from '../seed';
import { engines } from './processors';

interface Card {
  readonly maker: string;
  readonly name: string;
  readonly tflops: number;
  readonly gib: number;
  readonly gbs: number;
  readonly watts: number;
  readonly lengthMm: number;
  readonly slots: number;
  readonly lanes: number;
  readonly generation: number;
  readonly usd: number;
  readonly variantOf?: string;
  readonly certified?: boolean;
  readonly onSale?: string;
  readonly withdrawn?: string;
  readonly passive?: boolean;
}

const CARDS: readonly Card[] = [
  { maker: 'Palisar', name: 'Gale 8', tflops: 15, gib: 8, gbs: 272, watts: 130, lengthMm: 222, slots: 2, lanes: 8, generation: 4, usd: 299 },
  { maker: 'Palisar', name: 'Gale 12', tflops: 22, gib: 12, gbs: 504, watts: 200, lengthMm: 267, slots: 2, lanes: 16, generation: 4, usd: 499 },
  { maker: 'Palisar', name: 'Gale 12 Long', tflops: 23.1, gib: 12, gbs: 504, watts: 220, lengthMm: 336, slots: 2.5, lanes: 16, generation: 4, usd: 529, variantOf: 'palisar-gale-12' },
  { maker: 'Palisar', name: 'Gale 16', tflops: 40, gib: 16, gbs: 736, watts: 285, lengthMm: 331, slots: 3, lanes: 16, generation: 5, usd: 879 },
  { maker: 'Palisar', name: 'Gale 16 Slim', tflops: 38.5, gib: 16, gbs: 736, watts: 270, lengthMm: 285, slots: 2, lanes: 16, generation: 5, usd: 929, variantOf: 'palisar-gale-16' },
  { maker: 'Palisar', name: 'Gale 24', tflops: 73, gib: 24, gbs: 1008, watts: 400, lengthMm: 342, slots: 3.5, lanes: 16, generation: 5, usd: 1899 },
  { maker: 'Palisar', name: 'Gale 20 Pro', tflops: 27, gib: 20, gbs: 360, watts: 130, lengthMm: 245, slots: 2, lanes: 16, generation: 4, usd: 1390, certified: true },
  { maker: 'Lumoth', name: 'Drift 12', tflops: 20, gib: 12, gbs: 456, watts: 190, lengthMm: 272, slots: 2, lanes: 8, generation: 4, usd: 379 },
  { maker: 'Lumoth', name: 'Drift 16', tflops: 37, gib: 16, gbs: 624, watts: 263, lengthMm: 313, slots: 2.5, lanes: 16, generation: 4, usd: 619 },
  { maker: 'Lumoth', name: 'Drift 24', tflops: 57, gib: 24, gbs: 960, watts: 355, lengthMm: 328, slots: 3, lanes: 16, generation: 4, usd: 999 },
  { maker: 'Vessary', name: 'Brine 8', tflops: 13, gib: 8, gbs: 256, watts: 120, lengthMm: 205, slots: 2, lanes: 8, generation: 4, usd: 249 },
  { maker: 'Vessary', name: 'Brine 16', tflops: 34, gib: 16, gbs: 672, watts: 250, lengthMm: 299, slots: 2.5, lanes: 16, generation: 5, usd: 749 },
  { maker: 'Palisar', name: 'Gale 48 Pro', tflops: 82, gib: 48, gbs: 960, watts: 300, lengthMm: 267, slots: 2, lanes: 16, generation: 5, usd: 6290, certified: true },
  { maker: 'Palisar', name: 'Gale 32', tflops: 98, gib: 32, gbs: 1568, watts: 525, lengthMm: 358, slots: 3.5, lanes: 16, generation: 5, usd: 2990, onSale: '2026-02-12' },
  { maker: 'Lumoth', name: 'Drift 8', tflops: 12, gib: 8, gbs: 288, watts: 132, lengthMm: 221, slots: 2, lanes: 8, generation: 4, usd: 239 },
  { maker: 'Lumoth', name: 'Drift 32 Pro', tflops: 48, gib: 32, gbs: 640, watts: 260, lengthMm: 280, slots: 2, lanes: 16, generation: 5, usd: 2190, certified: true },
  { maker: 'Vessary', name: 'Brine 12', tflops: 21, gib: 12, gbs: 432, watts: 185, lengthMm: 261, slots: 2, lanes: 16, generation: 5, usd: 429 },
  { maker: 'Vessary', name: 'Brine 24', tflops: 54, gib: 24, gbs: 896, watts: 340, lengthMm: 321, slots: 3, lanes: 16, generation: 5, usd: 1149 },
  { maker: 'Palisar', name: 'Breeze 8', tflops: 10, gib: 8, gbs: 448, watts: 175, lengthMm: 256, slots: 2, lanes: 16, generation: 3, usd: 279, onSale: '2020-10-20', withdrawn: '2024-02-28' },
  { maker: 'Lumoth', name: 'Eddyline 8', tflops: 8, gib: 8, gbs: 256, watts: 150, lengthMm: 240, slots: 2, lanes: 16, generation: 3, usd: 199, onSale: '2020-06-02', withdrawn: '2023-10-31' },
  { maker: 'Lumoth', name: 'Drift 4 Still', tflops: 5.5, gib: 4, gbs: 128, watts: 58, lengthMm: 182, slots: 2, lanes: 8, generation: 4, usd: 169, passive: true },
  { maker: 'Palisar', name: 'Breeze 6', tflops: 6.4, gib: 6, gbs: 336, watts: 160, lengthMm: 245, slots: 2, lanes: 16, generation: 3, usd: 229, onSale: '2019-09-01', withdrawn: '2023-03-31' },
];

export function graphics(): Priced[] {
  return CARDS.map((card): Priced => {
    const old = card.generation === 3;
    const connectors = card.passive ? {} : old || card.watts <= 150 ? { 'card-8': 1 } : card.maker === 'Lumoth' ? { 'card-8': card.watts > 200 ? 2 : 1 } : { 'card-16': 1 };
    return priced('graphics', card.maker, card.name, card.usd, {
      onSale: card.onSale ?? '2025-03-01',
      ...(card.withdrawn ? { withdrawn: card.withdrawn } : {}),
      ...(card.variantOf ? { variantOf: card.variantOf } : {}),
      warrantyMonths: 36,
      generation: card.generation,
      lanes: card.lanes,
      lengthMm: card.lengthMm,
      heightMm: card.slots > 2 ? 140 : 115,
      slots: card.slots,
      coolerThicknessMm: Math.round(card.slots * 20 - 1),
      idlePowerW: Math.round(card.watts * 0.06) + 4,
      boardPowerW: card.watts,
      excursionRatio: card.watts > 250 ? 1.8 : 1.5,
      connectors,
      recommendedSupplyW: Math.ceil((card.watts * 1.6 + 250) / 50) * 50,
      memoryGiB: card.gib,
      memoryGBs: card.gbs,
      errorCorrection: card.certified ?? false,
      fp32Tflops: card.tflops,
      matrixTflops: card.tflops * (card.maker === 'Palisar' ? 4 : 2),
      fp64Tflops: Math.round((card.tflops / 64) * 100) / 100,
      rayGs: Math.round(card.tflops * (old ? 0 : 2)) || 1,
      trianglesGs: Math.round(card.tflops / 4) + 2,
      // only the newest engines of Palisar read 4:2:2
      mediaEngines: engines(old ? 0.5 : card.tflops > 35 ? 1.6 : 1, card.maker === 'Palisar' && card.generation === 5, !old, card.certified ? undefined : old ? 3 : 8),
      outputs: [{ kind: card.generation === 5 ? 'DisplayPort 2.1' : 'DisplayPort 1.4', count: 3 }, { kind: 'HDMI 2.1', count: 1 }],
      maxDisplays: 4,
      computeStacks: card.maker === 'Lumoth' ? ['Loomwork', 'open compute'] : ['Tesserel', 'open compute'],
      certifiedDriver: card.certified ?? false,
      adaptiveSync: card.maker === 'Vessary' ? ['Steadyframe', 'open adaptive sync'] : ['open adaptive sync'],
      ...(card.passive ? { cooling: 'passive' } : {}),
      exhaust: card.certified ? 'out' : 'case',
    });
  });
}
