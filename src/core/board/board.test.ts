import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Topology } from '../parts/board';
import { topologyProblems } from '../parts/topology';
import { compileBoard } from './compile';
import type { Device } from './fit';
import { linkLoads, linksCrossed, shortfallOf, type Flow } from './flows';
import type { PlacementProblem } from './problem';
import { compareLoss, place } from './placement';
import { linkBytesPerS, linkFraction, negotiate } from '../units/links';
import { bestLossByTryingAll } from './tryAll';

describe('link rates', () => {
  test('are exact fractions of GB/s', () => {
    expect(linkFraction({ generation: 3, lanes: 1 })).toEqual({ num: 64, den: 65 });
    expect(linkFraction({ generation: 4, lanes: 4 })).toEqual({ num: 512, den: 65 });
    expect(linkFraction({ generation: 6, lanes: 1 })).toEqual({ num: 121, den: 16 });
    expect(() => linkFraction({ generation: 7, lanes: 1 })).toThrow('no link generation 7');
  });

  test('a generation 5 four-lane drive in a generation 4 slot gets 7.877 GB/s', () => {
    const link = negotiate({ generation: 5, lanes: 4 }, { generation: 4, lanes: 4 });
    expect(linkBytesPerS(link) / 1e9).toBeCloseTo(7.877, 3);
  });
});

const card = (id: string, on: string, row: number, lanes: 1 | 4 | 8 | 16, generation = 4) => ({
  id,
  label: id,
  on,
  kind: 'card' as const,
  generation,
  lanes,
  mechanicalLanes: 16 as const,
  row,
});
const m2 = (id: string, on: string, generation = 4) => ({
  id,
  label: id,
  on,
  kind: 'm2' as const,
  generation,
  lanes: 4 as const,
  lengthsMm: [80],
});
const hub = (id: string, on = 'cpu') => ({ id, label: id, on, generation: 4, lanes: 4 as const });

const deviceOf = (id: string, over: Partial<Device> = {}): Device => ({
  id,
  twinKey: id,
  needs: 'card',
  sata: false,
  link: { generation: 4, lanes: 16 },
  rows: 1,
  lengthMm: undefined,
  ...over,
});
const drive = (id: string, generation = 4): Device =>
  deviceOf(id, { needs: 'm2', link: { generation, lanes: 4 }, lengthMm: 80 });

const problemOf = (topology: Topology, devices: Device[], over: Partial<PlacementProblem> = {}): PlacementProblem => ({
  board: compileBoard(topology),
  devices,
  pins: new Map(),
  caseRows: 7,
  sittings: [],
  ...over,
});

describe('a topology', () => {
  test('that contradicts itself is refused with the place', () => {
    const loop: Topology = { hubs: [hub('a', 'b'), hub('b', 'a')], slots: [] };
    expect(topologyProblems(loop).map((problem) => problem.path.join('.'))).toContain('hubs.0.on');
    const lost: Topology = { hubs: [], slots: [card('c', 'nowhere', 1, 16)] };
    expect(topologyProblems(lost)).toEqual([
      { path: ['slots', 0, 'on'], message: 'slot "c" hangs on "nowhere", which is neither cpu nor a hub' },
    ]);
    const generous: Topology = {
      hubs: [],
      slots: [card('c', 'cpu', 1, 16), card('d', 'cpu', 3, 8)],
      sharedPorts: [{ id: 'p', lanes: 16, modes: [{ name: '16 + 8', lanes: { c: 16, d: 8 } }] }],
    };
    expect(topologyProblems(generous)[0]?.message).toBe('mode 16 + 8 hands out 24 lanes; port "p" has 16');
    const twice: Topology = { hubs: [], slots: [m2('x', 'cpu'), m2('x', 'cpu')] };
    expect(topologyProblems(twice)[0]?.message).toContain('used twice');
    const vague: Topology = { hubs: [], slots: [{ id: 'v', label: 'v', on: 'cpu', kind: 'm2' }] };
    expect(topologyProblems(vague)[0]?.message).toContain('needs its lanes and generation');
    expect(() => compileBoard(loop)).toThrow('hangs on itself');
  });
});

describe('placement', () => {
  test('gives the fast drive the fast slot', () => {
    const found = place(
      problemOf({ hubs: [hub('h')], slots: [m2('slow', 'h', 3), m2('fast', 'cpu', 5)] }, [
        drive('old', 3),
        drive('new', 5),
      ]),
    );
    expect(found.placed.get('new')?.slot).toBe('fast');
    expect(found.placed.get('old')?.slot).toBe('slow');
    expect(found.loss).toEqual([0, 0, 0, 0]);
    expect(found.exact).toBe(true);
  });

  test('deals out the lanes of a shared port only when the second slot is needed', () => {
    const topology: Topology = {
      hubs: [],
      slots: [card('one', 'cpu', 1, 16), card('two', 'cpu', 4, 8)],
      sharedPorts: [
        {
          id: 'p',
          lanes: 16,
          modes: [
            { name: '16 + 0', lanes: { one: 16, two: 0 } },
            { name: '8 + 8', lanes: { one: 8, two: 8 } },
          ],
        },
      ],
    };
    const alone = place(problemOf(topology, [deviceOf('a')]));
    expect(alone.modes).toEqual([{ port: 'p', name: '16 + 0' }]);
    expect(alone.placed.get('a')?.link).toEqual({ generation: 4, lanes: 16 });
    const both = place(problemOf(topology, [deviceOf('a'), deviceOf('b')]));
    expect(both.modes).toEqual([{ port: 'p', name: '8 + 8' }]);
    // each loses half of 16 lanes of generation 4: 8 × 128/65 GB/s, twice
    expect(both.loss[3]).toBeCloseTo((2 * 8 * 128) / 65, 9);
  });

  test('a thick card covers rows and may reach past the case', () => {
    const topology: Topology = {
      hubs: [],
      slots: [card('one', 'cpu', 1, 16), card('two', 'cpu', 2, 16), card('three', 'cpu', 5, 16)],
    };
    const found = place(problemOf(topology, [deviceOf('thick', { rows: 3 }), deviceOf('thin')]));
    expect(found.placed.get('thick')?.slot).toBe('one');
    expect(found.off.get('two')).toEqual({ by: 'thick', how: 'covered' });
    const short = place(problemOf({ hubs: [], slots: [card('one', 'cpu', 6, 16)] }, [deviceOf('thick', { rows: 3 })]));
    expect(short.unplaced.get('thick')).toBe('beyond-case');
  });

  test('an exclusion switches a slot off', () => {
    const topology: Topology = {
      hubs: [],
      slots: [card('c', 'cpu', 1, 4), m2('m', 'cpu')],
      exclusions: [{ slot: 'c', off: ['m'] }],
    };
    const found = place(problemOf(topology, [deviceOf('card'), drive('ssd')]));
    expect(found.placed.size).toBe(1);
    expect(found.loss[0]).toBe(1);
    expect([...found.unplaced.values()]).toEqual(['taken']);
  });

  test('pins are hard, and one that does not fit says so', () => {
    const topology: Topology = {
      hubs: [hub('h')],
      slots: [m2('near', 'cpu', 5), m2('far', 'h', 3), card('c', 'cpu', 1, 16)],
    };
    const pinned = place(problemOf(topology, [drive('ssd', 5)], { pins: new Map([['ssd', 'far']]) }));
    expect(pinned.placed.get('ssd')?.slot).toBe('far');
    const wrong = place(problemOf(topology, [drive('ssd', 5)], { pins: new Map([['ssd', 'c']]) }));
    expect(wrong.unplaced.get('ssd')).toBe('pin-does-not-fit');
  });

  test('a real-time flow keeps a drive off a crowded uplink even when peak rates would not', () => {
    const topology: Topology = {
      hubs: [hub('h')],
      slots: [m2('root', 'cpu', 3), m2('hub-1', 'h', 4), m2('hub-2', 'h', 4)],
    };
    const flows: Flow[] = ['a', 'b'].map((id) => ({ id, from: id, to: 'memory', bytesPerS: 5e9 }));
    // after headers, together behind the hub both would get 6.70 of 10 GB/s; apart only the one in the older slot gets
    // 3.35 of 5: the largest shortfall is 33 % either way, the sum is halved
    const both = place(problemOf(topology, [drive('a'), drive('b')], { sittings: [flows] }));
    expect([...both.placed.values()].map((placed) => placed.slot).sort()).toEqual(['hub-1', 'root']);
    expect(both.loss[1]).toBeCloseTo(1 - ((4 * 64) / 65 / 5) * 0.85, 9);
    expect(both.loss[2]).toBeCloseTo(both.loss[1], 9);
    const lighter = flows.map((flow) => (flow.id === 'a' ? { ...flow, bytesPerS: 3e9 } : flow));
    const apart = place(problemOf(topology, [drive('a'), drive('b')], { sittings: [lighter] }));
    // 3 GB/s fits the older slot, 5 GB/s the uplink alone
    expect(apart.placed.get('a')?.slot).toBe('root');
    expect(apart.loss.slice(0, 3)).toEqual([0, 0, 0]);
  });

  test('what headers take counts: 7.4 GB/s fit an uplink that is coded for 7.88 no more', () => {
    const topology: Topology = {
      hubs: [hub('h')],
      slots: [m2('hub-1', 'h', 4), m2('hub-2', 'h', 4), m2('root', 'cpu', 4)],
    };
    const flowsOf = (bytesPerS: number): Flow[] => ['a', 'b'].map((id) => ({ id, from: id, to: 'memory', bytesPerS }));
    const places = (bytesPerS: number) => {
      const found = place(problemOf(topology, [drive('a'), drive('b')], { sittings: [flowsOf(bytesPerS)] }));
      expect(found.loss).toEqual([0, 0, 0, 0]);
      return [...found.placed.values()].map(({ slot }) => slot).sort();
    };
    expect(places(3.3e9)).toEqual(['hub-1', 'hub-2']);
    expect(places(3.7e9)).toEqual(['hub-1', 'root']);
  });

  test('thirty drives and seven cards are answered without trying everything', () => {
    const topology: Topology = {
      hubs: [hub('h')],
      slots: [
        ...[1, 2, 3, 4, 5, 6, 7].map((row) => card(`c${row}`, 'cpu', row, 8)),
        m2('m1', 'cpu'),
        m2('m2', 'h'),
        ...Array.from({ length: 6 }, (_, i) => ({ id: `s${i}`, label: `s${i}`, on: 'h', kind: 'sata' as const })),
      ],
    };
    const devices = [
      ...Array.from({ length: 7 }, (_, i) => deviceOf(`card${i}`, { link: { generation: 4, lanes: 8 } })),
      ...Array.from({ length: 30 }, (_, i) => deviceOf(`disk${i}`, { needs: 'sata', sata: true, link: undefined })),
    ];
    const found = place(problemOf(topology, devices));
    expect(found.loss[0]).toBe(24);
    expect(found.exact).toBe(true);
    expect(found.nodes).toBeLessThan(5_000);
  });
});

const lanesOf = fc.constantFrom<1 | 4 | 8 | 16>(1, 4, 8, 16);
const generation = fc.integer({ min: 3, max: 5 });

const smallBoard: fc.Arbitrary<Topology> = fc
  .record({
    cards: fc.array(
      fc.record({ lanes: lanesOf, generation, onHub: fc.boolean(), gap: fc.integer({ min: 1, max: 2 }) }),
      { maxLength: 3 },
    ),
    drives: fc.array(fc.record({ generation, onHub: fc.boolean() }), { maxLength: 3 }),
    shared: fc.boolean(),
    exclusion: fc.boolean(),
  })
  .map(({ cards, drives, shared, exclusion }) => {
    let row = 0;
    const slots = [
      ...cards.map((entry, i) =>
        card(`c${i}`, entry.onHub ? 'h' : 'cpu', (row += entry.gap), entry.lanes, entry.generation),
      ),
      ...drives.map((entry, i) => m2(`m${i}`, entry.onHub ? 'h' : 'cpu', entry.generation)),
    ];
    return {
      hubs: [hub('h')],
      slots,
      ...(shared && cards.length >= 2
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
      ...(exclusion && cards.length >= 1 && drives.length >= 1 ? { exclusions: [{ slot: 'c0', off: ['m0'] }] } : {}),
    };
  });

const fewDevices: fc.Arbitrary<Device[]> = fc
  .array(
    fc.record({
      drive: fc.boolean(),
      lanes: lanesOf,
      generation,
      rows: fc.integer({ min: 1, max: 3 }),
      twin: fc.boolean(),
    }),
    { maxLength: 4 },
  )
  .map((list) =>
    list.map((entry, i) =>
      entry.drive
        ? { ...drive(`d${i}`, entry.generation), twinKey: entry.twin ? `drive ${entry.generation}` : `d${i}` }
        : deviceOf(`d${i}`, {
            link: { generation: entry.generation, lanes: entry.lanes },
            rows: entry.rows,
            twinKey: entry.twin ? `card ${entry.generation} ${entry.lanes} ${entry.rows}` : `d${i}`,
          }),
    ),
  );

const flowsOf = (devices: readonly Device[], rates: readonly number[]): Flow[] =>
  devices.flatMap((device, i) =>
    (rates[i] ?? 0) > 0 ? [{ id: `f${i}`, from: device.id, to: 'memory', bytesPerS: (rates[i] ?? 0) * 1e9 }] : [],
  );

/** Devices with a stream of their own are no twins of others. */
const apart = (devices: readonly Device[], flows: readonly Flow[]): Device[] =>
  devices.map((device) =>
    flows.some((flow) => flow.from === device.id) ? { ...device, twinKey: `${device.twinKey} ${device.id}` } : device,
  );

describe('exact placement', () => {
  test('loses no more than the best of all placements', () => {
    fc.assert(
      fc.property(
        smallBoard,
        fewDevices,
        fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 4, maxLength: 4 }),
        fc.option(fc.integer({ min: 1, max: 7 }), { nil: undefined }),
        (topology, devices, rates, caseRows) => {
          const flows = flowsOf(devices, rates);
          const problem = problemOf(topology, apart(devices, flows), { sittings: [flows], caseRows });
          const found = place(problem);
          expect(found.exact).toBe(true);
          expect(
            compareLoss(found.loss, bestLossByTryingAll(problem)),
            `seed figures: ${JSON.stringify(found.loss)}`,
          ).toBe(0);
        },
      ),
      { numRuns: 120 },
    );
  });

  test('does not depend on the order in which devices are named', () => {
    fc.assert(
      fc.property(smallBoard, fewDevices, (topology, devices) => {
        const one = place(problemOf(topology, devices));
        const other = place(problemOf(topology, [...devices].reverse()));
        expect(other.loss).toEqual(one.loss);
        expect([...other.placed].sort()).toEqual([...one.placed].sort());
      }),
    );
  });

  test('another free slot never makes it worse', () => {
    fc.assert(
      fc.property(smallBoard, fewDevices, (topology, devices) => {
        const more = { ...topology, slots: [...topology.slots, m2('extra', 'cpu', 5)] };
        expect(
          compareLoss(place(problemOf(more, devices)).loss, place(problemOf(topology, devices)).loss),
        ).toBeLessThanOrEqual(0);
      }),
    );
  });
});

describe('flows', () => {
  const board = compileBoard({ hubs: [hub('h')], slots: [m2('a', 'h'), m2('b', 'h')] });
  const endOf = (id: string) => ({ link: id, path: board.slotById.get(id)?.path ?? [] });

  test('a copy between two drives behind one hub crosses its uplink once in each direction', () => {
    expect(linksCrossed({ id: 'copy', from: 'a', to: 'b', bytesPerS: 1 }, endOf)).toEqual([
      'a:up',
      'h:up',
      'b:down',
      'h:down',
    ]);
  });

  test('loads add up by direction, and an overloaded link shares in proportion', () => {
    const flows: Flow[] = [
      { id: '1', from: 'a', to: 'memory', bytesPerS: 6 },
      { id: '2', from: 'b', to: 'memory', bytesPerS: 4 },
    ];
    expect(linkLoads(flows, endOf).get('h:up')).toBe(10);
    expect(shortfallOf(flows, endOf, (key) => (key === 'h:up' ? 8 : undefined)).largest).toBeCloseTo(0.2, 12);
  });
});
