import { describe, expect, test } from 'vitest';
import { assessed, dataOf, plus, without, type Change } from '../tests/world';

/** One drive serves system, active and scratch; it reads 512/65 GB/s × 0.85 = 6.695 over its link. */
const READS = (512 / 65) * 0.85;
const task = (id: string, more: object) => ({ kind: 'custom', id, name: id, importance: 1, unit: 'unit', ...more });
const steady = (id: string, more: object) => task(id, { mode: 'real-time', unitsPerS: 1, ...more });
const runs = (id: string, more: object) => task(id, { mode: 'elastic', unitsPerRun: 1, targetMin: 1, ...more });
const together = (...tasks: { readonly id: string }[]): Change => ({
  brief: { tasks, sittings: [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: tasks.map(({ id }) => id) }] },
});

const ratio = (change: Change, id: string) =>
  assessed(change).facts.sittings[0]?.tasks.find((entry) => entry.task === id)?.ratio?.likely;
const seconds = (change: Change, id: string) =>
  assessed(change).facts.sittings[0]?.tasks.find((entry) => entry.task === id)?.gets?.likely;

/** The same machine with a second drive like the first for what is rendered ahead. */
const twoDrives: Change = {
  items: (items) => [
    ...items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['system', 'active'] } : item)),
    { id: 'ssd-2', part: 'ssd', roles: ['scratch'] },
  ],
};

describe('what one device does for all who use it', () => {
  test('two roles of one drive share it: 4 GB/s beside 4 leave 2.695', () => {
    const work = together(steady('footage', { readGB: { active: 4 } }), steady('cache', { readGB: { scratch: 4 } }));
    for (const id of ['footage', 'cache']) {
      expect(ratio(work, id)).toBeCloseTo((READS - 4) / 4, 6);
      // beside a drive of its own each has all of it
      expect(ratio({ ...work, ...twoDrives }, id)).toBeCloseTo(READS / 4, 6);
    }
  });

  test('reading and writing go different ways', () => {
    const work = together(steady('footage', { readGB: { active: 4 } }), steady('cache', { writeGB: { scratch: 1 } }));
    expect(ratio(work, 'footage')).toBeCloseTo(READS / 4, 6);
    expect(ratio(work, 'cache')).toBeCloseTo(1.5, 6);
  });

  test('one task that reads two roles of one drive meets itself', () => {
    const both = { readGB: { active: 4, scratch: 2 } };
    expect(ratio(together(steady('play', both)), 'play')).toBeCloseTo((READS - 2) / 4, 6);
    expect(ratio({ ...together(steady('play', both)), ...twoDrives }, 'play')).toBeCloseTo(READS / 4, 6);
    // a run takes the seconds of both
    expect(seconds(together(runs('export', both)), 'export')).toBeCloseTo(6 / READS, 6);
    expect(seconds({ ...together(runs('export', both)), ...twoDrives }, 'export')).toBeCloseTo(4 / READS, 6);
  });

  test('runs share a drive, whichever of its roles each reads', () => {
    const work = together(runs('first', { readGB: { active: 4 } }), runs('second', { readGB: { scratch: 4 } }));
    expect(seconds(work, 'first')).toBeCloseTo((2 * 4) / READS, 6);
    expect(seconds({ ...work, ...twoDrives }, 'first')).toBeCloseTo(4 / READS, 6);
    // real-time work comes first
    const beside = together(steady('footage', { readGB: { active: 4 } }), runs('second', { readGB: { scratch: 4 } }));
    expect(seconds(beside, 'second')).toBeCloseTo(4 / (READS - 4), 6);
  });

  test('streams that are named and what tasks read meet on the drive', () => {
    const copy = steady('copy', { flows: [{ from: 'active', to: 'memory', gbytePerS: 3 }] });
    const footage = steady('footage', { readGB: { active: 5 } });
    const work = together(copy, footage);
    expect(ratio(together(copy), 'copy')).toBeCloseTo(READS / 3, 6);
    expect(ratio(work, 'copy')).toBeCloseTo(READS / 8, 6);
    expect(ratio(work, 'footage')).toBeCloseTo((READS - 3) / 5, 6);
    // of one of two roles as of the other
    expect(ratio(together(copy, steady('cache', { readGB: { scratch: 5 } })), 'copy')).toBeCloseTo(READS / 8, 6);
  });

  test('runs that are streams share a drive too', () => {
    const stream = (id: string) => runs(id, { flows: [{ from: 'memory', to: 'active', gbytePerS: 1 }] });
    // a unit is a second of the stream at least, and 1.5 GB/s of writing are shared by two
    expect(seconds(together(stream('first')), 'first')).toBeCloseTo(1, 6);
    expect(seconds(together(stream('first'), stream('second')), 'first')).toBeCloseTo(2 / 1.5, 6);
    const writes = runs('writes', { writeGB: { scratch: 3 } });
    expect(seconds(together(stream('first'), writes), 'writes')).toBeGreaterThan(2.001);
  });

  test('what the network carries for a task and for a stream is one', () => {
    const carried = 0.3125 * 0.94;
    const stream = steady('stream', { flows: [{ from: 'network', to: 'memory', gbytePerS: 0.2 }] });
    const calls = steady('calls', { networkGB: 0.1 });
    expect(ratio(together(stream), 'stream')).toBeCloseTo(carried / 0.2, 6);
    expect(ratio(together(stream, calls), 'stream')).toBeCloseTo(carried / 0.3, 6);
    expect(ratio(together(stream, calls), 'calls')).toBeCloseTo((carried - 0.2) / 0.1, 6);
  });

  test('a stream takes the faster network, be it on the board', () => {
    const nic = {
      kind: 'expansion',
      id: 'nic',
      maker: 'Relaypike',
      name: 'Test',
      purpose: 'network',
      generation: 3,
      lanes: 4,
      slots: 1,
      lengthMm: 120,
      powerW: 8,
    };
    const stream = together(steady('stream', { flows: [{ from: 'network', to: 'memory', gbytePerS: 0.2 }] }));
    const withCard = (networkGbitPerS: number): Change => ({
      ...stream,
      addParts: [{ ...nic, networkGbitPerS }],
      items: plus({ id: 'nic-1', part: 'nic' }),
    });
    expect(ratio(withCard(1), 'stream')).toBeCloseTo((0.3125 * 0.94) / 0.2, 6);
    expect(ratio(withCard(10), 'stream')).toBeCloseTo((1.25 * 0.94) / 0.2, 6);
  });

  test('a network that is too slow is no fault of the slots, on the board as on a card', () => {
    const stream = together(steady('stream', { flows: [{ from: 'network', to: 'memory', gbytePerS: 0.5 }] }));
    const { findings, facts } = assessed(stream);
    expect(facts.sittings[0]?.flows[0]?.narrowest).toEqual({
      kind: 'device',
      place: 'net',
      shared: false,
      label: 'network',
    });
    expect(findings.filter(({ rule, level }) => rule === 'streams' && level === 'caution')).toEqual([]);
  });

  test('graphics inside the processor and its cores share the memory', () => {
    const inside: Change = {
      parts: { cpu: { integratedGraphics: { fp32Tflops: 1, mediaEngines: [] } } },
      items: without('card-1'),
    };
    const draw = steady('draw', { graphicsTrafficGB: 30 });
    const copy = steady('copy', { memoryTrafficGB: 20 });
    const memory = 89.6 * 0.75;
    expect(ratio({ ...together(draw), ...inside }, 'draw')).toBeCloseTo(memory / 30, 6);
    expect(ratio({ ...together(draw, copy), ...inside }, 'draw')).toBeCloseTo((memory - 20) / 30, 6);
    expect(ratio({ ...together(draw, copy), ...inside }, 'copy')).toBeCloseTo((memory - 30) / 20, 6);
    // a card has memory of its own
    expect(ratio(together(draw, copy), 'copy')).toBeCloseTo(memory / 20, 6);
  });
});

test('where traffic meets: ways of devices, the memory, or the resource by itself', () => {
  const { supply } = assessed({ items: plus({ id: 'card-2', part: 'card' }) });
  expect(supply.meets('gpu.in')).toEqual(['device:card-1:down']);
  expect(supply.meets('gpu.exchange')).toEqual([
    'device:card-1:up',
    'device:card-1:down',
    'device:card-2:up',
    'device:card-2:down',
  ]);
  expect(supply.meets('network')).toEqual(['device:net:up', 'device:net:down']);
  expect(supply.meets('write:scratch')).toEqual(['device:ssd-1:down']);
  // a role without a drive falls to the active one
  expect(supply.meets('write:backup')).toEqual(['device:ssd-1:down']);
  expect(supply.meets('gpu.traffic')).toEqual(['gpu.traffic']);
  expect(supply.meets('cpu.serial')).toEqual(['cpu.serial']);
  expect(assessed({ items: without('card-1') }).supply.meets('gpu.traffic')).toEqual(['memory.traffic']);
});

test('this world has the figures that the examples count with', () => {
  const ssd = dataOf().parts.find(({ id }) => id === 'ssd');
  expect(ssd).toMatchObject({ generation: 4, lanes: 4, seqReadMBs: 7000, sustainedWriteMBs: 1500 });
});
