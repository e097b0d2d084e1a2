import { priced, type Priced } from '../seed';

interface Flash {
  readonly maker: string;
  readonly line: string;
  readonly cells: 'TLC' | 'QLC';
  readonly generation: number;
  readonly lanes: number;
  readonly read: number;
  readonly write: number;
  /** Rate after the cache by capacity in TB; left out where the maker does not say. */
  readonly after?: number;
  readonly tb: readonly number[];
  readonly usdPerTb: number;
  readonly cacheMiBPerTb: number;
  readonly suffix?: string;
}

const FLASH: readonly Flash[] = [
  { maker: 'Dromolite', line: 'Spate', cells: 'TLC', generation: 4, lanes: 4, read: 7300, write: 6800, after: 1900, tb: [1, 2, 4], usdPerTb: 72, cacheMiBPerTb: 1024 },
  { maker: 'Dromolite', line: 'Spate Five', cells: 'TLC', generation: 5, lanes: 4, read: 13500, write: 12200, after: 3200, tb: [1, 2, 4], usdPerTb: 118, cacheMiBPerTb: 1024 },
  { maker: 'Dromolite', line: 'Rill', cells: 'QLC', generation: 4, lanes: 4, read: 6200, write: 5300, after: 320, tb: [1, 2, 4], usdPerTb: 52, cacheMiBPerTb: 0 },
  { maker: 'Fenstore', line: 'Cask', cells: 'TLC', generation: 4, lanes: 4, read: 5000, write: 4200, after: 900, tb: [0.5, 1, 2], usdPerTb: 60, cacheMiBPerTb: 0 },
  { maker: 'Fenstore', line: 'Anchor', cells: 'TLC', generation: 4, lanes: 4, read: 7000, write: 6500, after: 1600, tb: [1, 2, 4], usdPerTb: 69, cacheMiBPerTb: 1024 },
  { maker: 'Fenstore', line: 'Flume', cells: 'TLC', generation: 4, lanes: 4, read: 6900, write: 6000, tb: [1, 2], usdPerTb: 57, cacheMiBPerTb: 0 },
  { maker: 'Dromolite', line: 'Spate Pro', cells: 'TLC', generation: 4, lanes: 4, read: 7200, write: 6900, after: 2900, tb: [1, 2, 4, 8], usdPerTb: 132, cacheMiBPerTb: 1024 },
  { maker: 'Dromolite', line: 'Rill Five', cells: 'QLC', generation: 5, lanes: 4, read: 10300, write: 8600, after: 480, tb: [2, 4, 8], usdPerTb: 64, cacheMiBPerTb: 0 },
  { maker: 'Fenstore', line: 'Anchor Five', cells: 'TLC', generation: 5, lanes: 4, read: 12400, write: 11000, after: 2400, tb: [1, 2, 4], usdPerTb: 108, cacheMiBPerTb: 1024 },
  { maker: 'Ketterlode', line: 'Lock', cells: 'TLC', generation: 4, lanes: 4, read: 5600, write: 4800, after: 1250, tb: [0.5, 1, 2, 4], usdPerTb: 63, cacheMiBPerTb: 512 },
  { maker: 'Ketterlode', line: 'Lock Narrow', cells: 'TLC', generation: 4, lanes: 2, read: 3500, write: 2900, after: 800, tb: [0.5, 1, 2], usdPerTb: 51, cacheMiBPerTb: 0 },
  { maker: 'Fenstore', line: 'Tarn', cells: 'TLC', generation: 3, lanes: 4, read: 3400, write: 2600, after: 650, tb: [0.5, 1], usdPerTb: 55, cacheMiBPerTb: 512 },
];

export function drives(): Priced[] {
  const flash = FLASH.flatMap((line) =>
    line.tb.map((tb): Priced =>
      priced('drive', line.maker, `${line.line} ${tb < 1 ? `${tb * 1000} GB` : `${tb} TB`}`, Math.round(tb * line.usdPerTb * (tb < 1 ? 1.25 : 1)) + 4, {
        interface: 'NVMe',
        generation: line.generation,
        lanes: line.lanes,
        form: 'M.2 2280',
        capacityGB: tb * 1000,
        cellKind: line.cells,
        cacheMiB: Math.round(line.cacheMiBPerTb * tb),
        // small drives have fewer dies to write in parallel
        seqReadMBs: Math.round(line.read * (tb < 1 ? 0.8 : 1)),
        seqWriteMBs: Math.round(line.write * (tb < 1 ? 0.6 : tb === 1 ? 0.85 : 1)),
        ...(line.after === undefined ? {} : { sustainedWriteMBs: Math.round(line.after * Math.min(1.6, Math.max(0.6, Math.sqrt(tb)))) }),
        writeCacheGB: Math.round(tb * (line.cells === 'QLC' ? 200 : 120)),
        randomReadKiops: line.generation * 220,
        randomWriteKiops: line.generation * 200,
        enduranceTBW: Math.round(tb * (line.cells === 'QLC' ? 240 : 700)),
        unrecoverableReadPerBit: 1e-17,
        activePowerW: line.generation === 5 ? 11 : 7,
        idlePowerW: 1.2,
        heatsinkHeightMm: line.generation === 5 ? 12 : 0,
        encryption: line.maker === 'Dromolite',
        warrantyMonths: 60,
      }),
    ),
  );
  const sataFlash = [0.5, 1, 2].map((tb) =>
    priced('drive', 'Fenstore', `Cove ${tb < 1 ? '500 GB' : `${tb} TB`}`, Math.round(tb * 58) + 6, {
      interface: 'SATA', form: '2.5"', capacityGB: tb * 1000, cellKind: 'TLC', cacheMiB: 512, seqReadMBs: 560, seqWriteMBs: 520, sustainedWriteMBs: 420, writeCacheGB: 40, enduranceTBW: Math.round(tb * 360), unrecoverableReadPerBit: 1e-17, activePowerW: 3, idlePowerW: 0.5, warrantyMonths: 60, encryption: false,
    }),
  );
  const magnetic = [2, 4, 6, 8, 10, 12, 14, 16, 18, 22, 26].map((tb) =>
    priced('drive', 'Ketterlode', `Hold ${tb} TB`, Math.round(52 + tb * 15.5), {
      interface: 'SATA', form: '3.5"', capacityGB: tb * 1000, cellKind: 'magnetic', cacheMiB: 256, seqReadMBs: 190 + tb * 5, seqWriteMBs: 190 + tb * 5, sustainedWriteMBs: 150 + tb * 5, writeCacheGB: 0, randomReadKiops: 0.2, randomWriteKiops: 0.4, unrecoverableReadPerBit: 1e-15, rpm: 7200, activePowerW: 7.5, idlePowerW: 5, warrantyMonths: 60, encryption: false,
    }),
  );
  return [...flash, ...sataFlash, ...magnetic];
}
