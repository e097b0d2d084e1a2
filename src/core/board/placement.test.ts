import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Topology } from '../parts/board';
import { randomProblem } from '../tests/randomBoards';
import { placeWords } from '../words/placement';
import { compileBoard } from './compile';
import { costOfPins, explain } from './explain';
import type { Device } from './fit';
import { maxMinFair } from './flows';
import type { PlacementProblem } from './problem';
import { compareLoss, place } from './placement';
import { bestLossByTryingAll } from './tryAll';
import { widestRate } from './widest';

const SEEDS = Array.from({ length: 60 }, (_, i) => i + 1);

describe('on random boards', () => {
  test.each(SEEDS)('seed %i: the search loses no more than the best of all placements', (seed) => {
    const problem = randomProblem(seed);
    const found = place(problem);
    expect(found.exact).toBe(true);
    expect(compareLoss(found.loss, bestLossByTryingAll(problem)), JSON.stringify(found.loss)).toBe(0);
    for (const [device, slot] of problem.pins)
      expect(found.placed.get(device)?.slot ?? slot, 'a pinned device sits where it is pinned or nowhere').toBe(slot);
    // of fewer devices each may have any slot that leaves the others one
    for (const [id, { bytesPerS = 0 }] of found.unplaced.size === 0 ? found.placed : [])
      for (const devices of [problem.devices, problem.devices.filter((other, i) => other.id === id || i % 2 === 0)])
        expect(widestRate({ ...problem, devices }, id, place) ?? Infinity, id).toBeGreaterThanOrEqual(bytesPerS);
    const again = place({ ...problem, devices: [...problem.devices].reverse() });
    expect([...again.placed].sort()).toEqual([...found.placed].sort());
  });
});

const card = (id: string, on: string, row: number, lanes: 1 | 4 | 8 | 16, more: object = {}) => ({
  id,
  label: id,
  on,
  kind: 'card' as const,
  generation: 4,
  lanes,
  mechanicalLanes: 16 as const,
  row,
  ...more,
});
const stick = (id: string, on: string, more: object = {}) => ({
  id,
  label: id,
  on,
  kind: 'm2' as const,
  generation: 4,
  lanes: 4 as const,
  lengthsMm: [80],
  ...more,
});
const device = (id: string, over: Partial<Device> = {}): Device => ({
  id,
  twinKey: id,
  needs: 'card',
  sata: false,
  link: { generation: 4, lanes: 16 },
  rows: 1,
  lengthMm: undefined,
  ...over,
});
const drive = (id: string, over: Partial<Device> = {}): Device =>
  device(id, { needs: 'm2', link: { generation: 4, lanes: 4 }, lengthMm: 80, ...over });
const problemOf = (topology: Topology, devices: Device[], over: Partial<PlacementProblem> = {}): PlacementProblem => ({
  board: compileBoard(topology),
  devices,
  pins: new Map(),
  caseRows: 7,
  sittings: [],
  ...over,
});
const GEN4X4 = (4 * 128) / 65;

describe('the widest link that a device may have', () => {
  const slots = [card('upper', 'cpu', 1, 16), card('lower', 'cpu', 3, 1)];
  const widest = (rows: number, others: Device[]) =>
    widestRate(problemOf({ hubs: [], slots }, [device('thick', { rows }), ...others]), 'thick', place);

  test('a card of three rows in row 1 covers row 3: beside another card it gets the one lane there', () => {
    // a generation 4 lane carries 16 × 128 ÷ 130 ÷ 8 GB/s
    const lane = (16e9 * 128) / 130 / 8;
    const small = device('small', { link: { generation: 3, lanes: 4 } });
    expect(widest(3, [])).toBeCloseTo(16 * lane, 0);
    expect(widest(3, [small])).toBeCloseTo(lane, 0);
    expect(widest(2, [small])).toBeCloseTo(16 * lane, 0);
  });

  test('is not told where there is no place for all, nor of a device that is not there or states no link', () => {
    const two = [device('one'), device('two')];
    expect(widest(1, two)).toBeUndefined();
    expect(widestRate(problemOf({ hubs: [], slots }, two), 'three', place)).toBeUndefined();
    expect(
      widestRate(problemOf({ hubs: [], slots }, [device('one', { link: undefined })]), 'one', place),
    ).toBeUndefined();
  });
});

describe('a card that carries drives', () => {
  const carrier = (ownSwitch: boolean) =>
    device('carrier', { carries: { slots: 4, ownSwitch, lengthsMm: undefined }, link: { generation: 4, lanes: 16 } });
  const drives = ['a', 'b', 'c', 'd'].map((id) => drive(id));

  test('passes on as many links as its slot splits into, each of four lanes', () => {
    const split = place(
      problemOf({ hubs: [], slots: [card('c', 'cpu', 1, 16, { splits: 4 })] }, [carrier(false), ...drives]),
    );
    expect(split.loss).toEqual([0, 0, 0, 0]);
    expect(split.board.slotById.get('carrier.3')?.path).toEqual([]);
    const half = place(
      problemOf({ hubs: [], slots: [card('c', 'cpu', 1, 16, { splits: 2 })] }, [carrier(false), ...drives]),
    );
    expect(half.loss[0]).toBe(2);
    const unsure = place(problemOf({ hubs: [], slots: [card('c', 'cpu', 1, 16)] }, [carrier(false), ...drives]));
    expect(unsure.loss[0]).toBe(3);
  });

  test('with a switch of its own works anywhere, and its drives share its link', () => {
    const topology = { hubs: [], slots: [card('c', 'cpu', 1, 4)] };
    // two streams of 5 GB/s over four lanes of generation 4: each gets 3.35 of 5 after headers
    const flows = ['a', 'b'].map((id) => ({ id, from: id, to: 'memory', bytesPerS: 5e9 }));
    const found = place(problemOf(topology, [carrier(true), ...drives], { sittings: [flows] }));
    expect(found.loss[0]).toBe(0);
    expect(found.loss[1]).toBeCloseTo(1 - (GEN4X4 / 10) * 0.85, 9);
    expect(found.board.slotById.get('carrier.1')?.path).toEqual(['c']);
  });

  test('without a place brings no slots', () => {
    const found = place(problemOf({ hubs: [], slots: [stick('m', 'cpu')] }, [carrier(true), drive('a'), drive('b')]));
    expect([...found.unplaced.keys()].sort()).toEqual(['b', 'carrier']);
  });
});

describe('what else decides a place', () => {
  test('a heatsink keeps a drive out from under a cover', () => {
    const topology = {
      hubs: [{ id: 'h', label: 'h', on: 'cpu', generation: 4, lanes: 4 as const }],
      slots: [stick('covered', 'cpu', { roomMm: 8 }), stick('open', 'h')],
    };
    expect(place(problemOf(topology, [drive('tall', { heightMm: 11 })])).placed.get('tall')?.slot).toBe('open');
    const both = place(
      problemOf({ ...topology, slots: [topology.slots[0] ?? stick('x', 'cpu')] }, [drive('tall', { heightMm: 11 })]),
    );
    expect(both.unplaced.get('tall')).toBe('too-high');
  });

  test('an upright card covers no rows and may stand below the last row of the case; its riser bounds its link', () => {
    const topology = { hubs: [], slots: [card('one', 'cpu', 6, 16), card('two', 'cpu', 7, 16)] };
    const thick = device('thick', { rows: 3, upright: true, riser: { generation: 3, lanes: 16 } });
    const found = place(problemOf(topology, [thick, device('thin')]));
    expect(found.unplaced.size).toBe(0);
    expect(found.placed.get('thick')?.link).toEqual({ generation: 3, lanes: 16 });
  });

  test('a processor with older links, or without some, holds the root slots to what it has', () => {
    const topology = { hubs: [], slots: [card('c', 'cpu', 1, 16), stick('m', 'cpu')] };
    const board = compileBoard(topology, { links: [{ generation: 3, lanes: 16 }], off: ['m'] });
    const found = place({ ...problemOf(topology, [device('a'), drive('b')]), board });
    expect(found.placed.get('a')?.link).toEqual({ generation: 3, lanes: 16 });
    expect(found.unplaced.get('b')).toBe('taken');
    expect(found.off.get('m')?.how).toBe('mode');
  });

  test('a slot in two exclusions switches both off', () => {
    const topology: Topology = {
      hubs: [],
      slots: [
        stick('m', 'cpu'),
        { id: 's1', label: 's1', on: 'cpu', kind: 'sata' },
        { id: 's2', label: 's2', on: 'cpu', kind: 'sata' },
      ],
      exclusions: [
        { slot: 'm', off: ['s1'] },
        { slot: 'm', off: ['s2'] },
      ],
    };
    expect([...place(problemOf(topology, [drive('a')])).off.keys()].sort()).toEqual(['s1', 's2']);
  });
});

describe('an explanation', () => {
  const topology: Topology = {
    hubs: [{ id: 'h', label: 'Hub', on: 'cpu', generation: 4, lanes: 4 }],
    slots: [card('near', 'cpu', 1, 16), card('far', 'h', 3, 4)],
  };
  const words = (problem: PlacementProblem) =>
    explain(problem, place(problem)).map((entry) =>
      placeWords(
        entry,
        (id) => id,
        (id) => id,
      ),
    );

  test('says what a device gets, of what, and who has the better slot', () => {
    const flows = [{ id: 'f', from: 'ingest', to: 'memory', bytesPerS: 9e9 }];
    expect(
      words(
        problemOf(topology, [device('ingest', { link: { generation: 4, lanes: 8 } }), device('show')], {
          sittings: [flows],
        }),
      ),
    ).toEqual([
      'ingest in near gets its 15.8 GB/s.',
      'show in far gets 7.88 GB/s of 31.5 GB/s: the slot has 4 of the 16 lanes; near would give more and ingest has it; shares the uplink of Hub.',
    ]);
  });

  test('says what a pin costs, and all pins together', () => {
    const problem = problemOf(topology, [device('show')], { pins: new Map([['show', 'far']]) });
    expect(words(problem)[0]).toContain('pinned there by hand; left free it would go to near and get 31.5 GB/s');
    const cost = costOfPins(problem, place(problem));
    expect((cost?.pinned[3] ?? 0) - (cost?.free[3] ?? 0)).toBeCloseTo((12 * 128) / 65, 9);
    expect(
      costOfPins(
        problemOf(topology, [device('show')], { pins: new Map([['show', 'near']]) }),
        place(problemOf(topology, [device('show')])),
      ),
    ).toBeUndefined();
  });
});

describe('max-min fair streams', () => {
  test('an uplink of four generation 5 lanes with wants of 9.1, 6.2 and 3.1 gives 6.454, 6.2 and 3.1', () => {
    const uplink = (4 * 256) / 65;
    expect(uplink).toBeCloseTo(15.754, 3);
    const rates = maxMinFair(
      [9.1, 6.2, 3.1].map((wants) => ({ wants, links: ['hub:up'] })),
      () => uplink,
    );
    expect(rates.map((rate) => rate.toFixed(3))).toEqual(['6.454', '6.200', '3.100']);
  });

  test('no link is overfull, and who wants more is held by a full link where nobody has more', () => {
    const link = fc.integer({ min: 0, max: 3 }).map((n) => `l${n}`);
    const sharer = fc.record({
      wants: fc.integer({ min: 1, max: 20 }),
      links: fc.uniqueArray(link, { minLength: 1, maxLength: 3 }),
    });
    fc.assert(
      fc.property(
        fc.array(sharer, { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 0, max: 15 }), { minLength: 4, maxLength: 4 }),
        (flows, capacities) => {
          const capacity = (key: string) => capacities[Number(key.slice(1))];
          const rates = maxMinFair(flows, capacity);
          const load = (key: string) =>
            flows.reduce((sum, flow, i) => sum + (flow.links.includes(key) ? (rates[i] ?? 0) : 0), 0);
          for (const key of ['l0', 'l1', 'l2', 'l3'])
            expect(load(key)).toBeLessThanOrEqual((capacity(key) ?? 0) + 1e-9);
          flows.forEach((flow, i) => {
            const rate = rates[i] ?? 0;
            if (rate >= flow.wants - 1e-9) return;
            const held = flow.links.some(
              (key) =>
                load(key) >= (capacity(key) ?? 0) - 1e-6 &&
                flows.every((other, k) => !other.links.includes(key) || (rates[k] ?? 0) <= rate + 1e-6),
            );
            expect(held).toBe(true);
          });
        },
      ),
    );
  });
});
