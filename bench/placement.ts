import { boardOf } from '../src/core/board/boardOf';
import { compileCatalogue } from '@/core/model/catalogue';
import { readCatalogue } from '@/core/formats/catalogue';
import type { Device } from '@/core/board/fit';
import { compareLoss, place } from '@/core/board/placement';
import { bestLossByTryingAll } from '@/core/board/tryAll';
import type { Board, Slot } from '@/core/board/compile';
import { randomProblem } from '@/core/tests/randomBoards';
import { demoCatalogue } from '@/demo/catalogue';
import { parseBaseline } from './baseline';

const SEEDS = 2000;
let exact = 0;
let plain = 0;
for (let seed = 1; seed <= SEEDS; seed++) {
  const problem = randomProblem(seed);
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

/** A device for every slot, no two alike, so that nothing is saved by twins; each drive and card streams. */
const deviceFor = (slot: Slot, i: number): Device => ({
  id: `d${i}`,
  twinKey: `d${i}`,
  needs: slot.kind,
  sata: slot.kind === 'sata',
  link:
    slot.kind === 'sata'
      ? undefined
      : { generation: 3 + (i % 3), lanes: slot.kind === 'card' ? (([4, 8, 16] as const)[i % 3] ?? 4) : 4 },
  rows: slot.kind === 'card' ? 1 + Number(i % 4 === 3) : 1,
  lengthMm: slot.kind === 'm2' ? 80 : undefined,
});

const read = readCatalogue(JSON.stringify(demoCatalogue()));
if (!read.ok) throw new Error('the demo catalogue does not read');
const catalogue = compileCatalogue(read.value);
const parse = parseBaseline();
const cold = (board: Board) => {
  const devices = board.slots.map(deviceFor);
  const sittings = [
    devices
      .filter((_, i) => i % 2 === 0)
      .map((device) => ({ id: device.id, from: device.id, to: 'memory', bytesPerS: 0.8e9 })),
  ];
  const started = performance.now();
  const found = place({ board, devices, pins: new Map(), caseRows: 8, sittings });
  return { ms: performance.now() - started, found, devices: devices.length };
};
const results = catalogue.ofKind('board').flatMap((part) => {
  const board = boardOf(part);
  return board ? [{ name: part.name, ...cold(board) }] : [];
});
results.sort((a, b) => a.ms - b.ms);
const middle = results[Math.floor(results.length / 2)];
const last = results.at(-1);
if (!middle || !last) throw new Error('the demo has no boards');
console.log(
  `${results.length} demo boards, a device in every slot, cold: median ${middle.ms.toFixed(2)} ms (${(middle.ms / parse).toFixed(1)} × parse), slowest ${last.name} with ${last.devices} devices ${last.ms.toFixed(1)} ms, ${last.found.nodes} nodes; ${results.filter(({ found }) => found.exact).length} exact`,
);
