import { compileBoard } from '../board/compile';
import type { Device } from '../board/fit';
import type { Flow } from '../board/flows';
import type { PlacementProblem } from '../board/problem';
import type { Topology } from '../parts/board';

/** Seeded numbers in [0, 1): xorshift, so that a failing seed can be run again. */
function random(seed: number): () => number {
  let state = (seed * 2654435761) | 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 4294967296;
  };
}

const LANES = [1, 4, 8, 16] as const;

/**
 * A small board with few devices, made from a seed: two hubs one behind the other, cards of several rows, a shared
 * port, exclusions, covers over drive slots, cards that carry drives with and without a switch, pins and streams.
 */
export function randomProblem(seed: number): PlacementProblem {
  const next = random(seed);
  const int = (below: number) => Math.floor(next() * below);
  const maybe = (chance: number) => next() < chance;
  const lanes = () => LANES[int(4)] ?? 16;
  const on = () => (['cpu', 'h1', 'h2'] as const)[int(3)] ?? 'cpu';
  let row = 0;
  const cards = Array.from({ length: int(4) }, (_, i) => ({
    id: `c${i}`,
    label: `c${i}`,
    on: on(),
    kind: 'card' as const,
    generation: 3 + int(3),
    lanes: lanes(),
    mechanicalLanes: 16 as const,
    row: (row += 1 + int(2)),
    ...(maybe(0.5) ? { splits: 1 + int(4) } : {}),
  }));
  const sticks = Array.from({ length: int(4) }, (_, i) => ({
    id: `m${i}`,
    label: `m${i}`,
    on: on(),
    kind: 'm2' as const,
    generation: 3 + int(3),
    lanes: 4 as const,
    lengthsMm: maybe(0.3) ? [80, 110] : [80],
    ...(maybe(0.3) ? { roomMm: 6 } : {}),
  }));
  const sata = Array.from({ length: int(3) }, (_, i) => ({
    id: `s${i}`,
    label: `s${i}`,
    on: 'h2',
    kind: 'sata' as const,
  }));
  const topology: Topology = {
    hubs: [
      { id: 'h1', label: 'h1', on: 'cpu', generation: 4, lanes: 4 },
      { id: 'h2', label: 'h2', on: 'h1', generation: 3, lanes: 4 },
    ],
    slots: [...cards, ...sticks, ...sata],
    ...(cards.length >= 2 && maybe(0.5)
      ? {
          sharedPorts: [
            {
              id: 'p',
              lanes: 16 as const,
              modes: [
                { name: 'one', lanes: { c0: 16, c1: 0 } },
                { name: 'two', lanes: { c0: 8, c1: 8 } },
              ],
            },
          ],
        }
      : {}),
    ...(cards.length > 0 && sticks.length > 0 && maybe(0.3)
      ? { exclusions: [{ slot: 'm0', off: ['c0'] }, ...(sata.length > 0 ? [{ slot: 'm0', off: ['s0'] }] : [])] }
      : {}),
  };
  const devices = Array.from({ length: int(5) }, (_, i): Device => {
    const kind = int(4);
    const id = `d${i}`;
    if (kind === 0) {
      const link = { generation: 3 + int(3), lanes: 4 };
      const lengthMm = maybe(0.2) ? 110 : 80;
      const heightMm = maybe(0.3) ? 10 : 2;
      return {
        id,
        twinKey: `m ${link.generation} ${lengthMm} ${heightMm}`,
        needs: 'm2',
        sata: false,
        link,
        rows: 1,
        lengthMm,
        heightMm,
      };
    }
    if (kind === 1)
      return { id, twinKey: 'sata', needs: 'sata', sata: true, link: undefined, rows: 1, lengthMm: undefined };
    const link = { generation: 3 + int(3), lanes: lanes() };
    const rows = 1 + int(3);
    const carries = maybe(0.4)
      ? { slots: 1 + int(2), ownSwitch: maybe(0.5), lengthsMm: maybe(0.5) ? [80] : undefined }
      : undefined;
    return {
      id,
      twinKey: `card ${link.generation} ${link.lanes} ${rows} ${JSON.stringify(carries) ?? ''}`,
      needs: 'card',
      sata: false,
      link,
      rows,
      lengthMm: undefined,
      ...(carries ? { carries } : {}),
    };
  });
  const flows = devices
    .flatMap((device, i): Flow[] =>
      maybe(0.4)
        ? [{ id: `f${i}`, from: maybe(0.5) ? device.id : 'memory', to: 'memory', bytesPerS: (1 + int(8)) * 1e9 }]
        : [],
    )
    .map((flow) => (flow.from === 'memory' ? { ...flow, from: 'memory', to: `d${flow.id.slice(1)}` } : flow));
  const streaming = new Set(flows.flatMap((flow) => [flow.from, flow.to]));
  const all = [...cards, ...sticks, ...sata];
  const pinned =
    maybe(0.3) && devices.length > 0 && all.length > 0 ? [['d0', all[int(all.length)]?.id ?? 'c0'] as const] : [];
  return {
    board: compileBoard(topology),
    // devices with a stream of their own are no twins of others
    devices: devices.map((device) =>
      streaming.has(device.id) ? { ...device, twinKey: `${device.twinKey} ${device.id}` } : device,
    ),
    pins: new Map(pinned),
    caseRows: maybe(0.5) ? 2 + int(6) : undefined,
    sittings: [flows],
  };
}
