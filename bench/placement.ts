import { compileBoard } from '@/core/board/compile';
import { bestLossByTryingAll, compareLoss, place, type Device } from '@/core/board/placement';
import type { Topology } from '@/core/parts/board';

/** Seeded numbers in [0, 1): xorshift, so that a failing seed can be run again. */
function random(seed: number): () => number {
  let state = seed | 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 4294967296;
  };
}

const LANES = [1, 4, 8, 16] as const;

function world(seed: number): { topology: Topology; devices: Device[] } {
  const next = random(seed * 2654435761);
  const int = (below: number) => Math.floor(next() * below);
  let row = 0;
  const on = () => (next() < 0.5 ? 'h' : 'cpu');
  const lanes = () => LANES[int(4)] ?? 16;
  const slots: Topology['slots'] = [
    ...Array.from({ length: int(4) }, (_, i) => ({
      id: `c${i}`,
      label: `c${i}`,
      on: on(),
      kind: 'card' as const,
      generation: 3 + int(3),
      lanes: lanes(),
      mechanicalLanes: 16 as const,
      row: (row += 1 + int(2)),
    })),
    ...Array.from({ length: int(4) }, (_, i) => ({
      id: `m${i}`,
      label: `m${i}`,
      on: on(),
      kind: 'm2' as const,
      generation: 3 + int(3),
      lanes: 4 as const,
      lengthsMm: [80],
    })),
  ];
  const devices = Array.from({ length: int(5) }, (_, i): Device => {
    const drive = next() < 0.5;
    const link = { generation: 3 + int(3), lanes: drive ? 4 : lanes() };
    return {
      id: `d${i}`,
      twinKey: `${drive} ${link.generation} ${link.lanes}`,
      needs: drive ? 'm2' : 'card',
      sata: false,
      link,
      rows: drive ? 1 : 1 + int(3),
      lengthMm: drive ? 80 : undefined,
    };
  }).map((device) => ({ ...device, twinKey: `${device.twinKey} ${device.rows}` }));
  return { topology: { hubs: [{ id: 'h', label: 'h', on: 'cpu', generation: 4, lanes: 4 }], slots }, devices };
}

const SEEDS = 1000;
let exact = 0;
let plain = 0;
for (let seed = 1; seed <= SEEDS; seed++) {
  const { topology, devices } = world(seed);
  const problem = {
    board: compileBoard(topology),
    devices,
    pins: new Map<string, string>(),
    caseRows: 7,
    sittings: [],
  };
  const a = performance.now();
  const found = place(problem);
  const b = performance.now();
  const best = bestLossByTryingAll(problem);
  const c = performance.now();
  exact += b - a;
  plain += c - b;
  if (!found.exact || compareLoss(found.loss, best) !== 0)
    throw new Error(`seed ${seed}: the search lost ${found.loss.join(' ')}, the best is ${best.join(' ')}`);
}
console.log(
  `${SEEDS} seeded boards: every answer equals trying everything; the search took ${(exact / plain).toFixed(2)} × its time`,
);
