import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assessed, plus, type Change } from '../tests/world';
import { gapMm, hides, type Box } from './boxes';
import { coversOf, mustComeOff } from './reach';
import { roomLeft } from './room';
import { meetings, type Scene } from './scene';

const sceneOf = (change: Change = {}): Scene => {
  const { scene } = assessed(change).facts;
  if (!scene) throw new Error('a case and a board make a scene');
  return scene;
};
const boxOf = (scene: Scene, id: string) => {
  const solid = scene.solids.find((entry) => entry.id === id);
  if (!solid) throw new Error(`no box "${id}"`);
  return solid;
};

const span = fc
  .tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 200 }))
  .map(([from, size]) => [from, from + size] as const);
const box: fc.Arbitrary<Box> = fc.record({ x: span, y: span, z: span });

describe('gaps', () => {
  test('are along the axis on which the boxes lie furthest apart; negative is how far they overlap', () => {
    const a: Box = { x: [0, 100], y: [0, 50], z: [0, 30] };
    expect(gapMm(a, { x: [112, 150], y: [10, 20], z: [0, 30] })).toBe(12);
    expect(gapMm(a, { x: [90, 150], y: [45, 80], z: [0, 30] })).toBe(-5);
    expect(gapMm(a, { x: [100, 150], y: [0, 50], z: [0, 30] })).toBe(0);
  });

  test('are the same either way round, and do not depend on where the origin lies', () => {
    fc.assert(
      fc.property(box, box, fc.integer({ min: -500, max: 500 }), (a, b, by) => {
        const moved = ({ x, y, z }: Box): Box => ({
          x: [x[0] + by, x[1] + by],
          y: [y[0] - by, y[1] - by],
          z: [z[0] + by, z[1] + by],
        });
        expect(gapMm(a, b)).toBe(gapMm(b, a));
        expect(gapMm(moved(a), moved(b))).toBe(gapMm(a, b));
        expect(gapMm(a, a)).toBeLessThan(0);
        // what hides another does not stand in its place, and is not hidden by it
        if (hides(a, b)) expect(hides(b, a)).toBe(false);
      }),
    );
  });

  test('meetings do not depend on the order of the parts', () => {
    const { solids } = sceneOf();
    const tell = (list: typeof solids) =>
      meetings(list)
        .map(({ a, b, gapMm: mm }) => `${[a.id, b.id].sort().join()} ${mm}`)
        .sort();
    fc.assert(
      fc.property(fc.shuffledSubarray([...solids], { minLength: solids.length }), (shuffled) => {
        expect(tell(shuffled)).toEqual(tell(solids));
      }),
      { numRuns: 20 },
    );
  });
});

describe('the scene, worked by hand', () => {
  const scene = sceneOf();
  // 455 mm inside − 100 mm of the supply's compartment − 305 mm of the tallest board that fits
  const top = 50;

  test('stands the board under the roof, the rows at their pitch and the supply on the floor', () => {
    expect(boxOf(scene, 'board-1')).toMatchObject({ x: [0, 244], y: [top, top + 305] });
    expect(scene.rowY(1)).toBe(top + 165);
    expect(scene.rowY(3) - scene.rowY(1)).toBeCloseTo(2 * 20.32, 9);
    expect(boxOf(scene, 'psu-1')).toMatchObject({ x: [0, 160], y: [367, 453] });
  });

  test('hangs the cooler over its socket, 12 mm to the rear, and the modules 60 mm before it', () => {
    // socket at 95 and 76 mm; 98 mm deep, 140 mm wide
    expect(boxOf(scene, 'cooler-1')).toMatchObject({ x: [34, 132], y: [top + 6, top + 146], z: [58, 168] });
    const module = boxOf(scene, 'kit-1 a2');
    expect(module.x[0]).toBe(95 + 60 + 9.5);
    expect(module.z).toEqual([8, 43]);
  });

  test('puts the card in its row, back first, and a small board’s rows no lower than its edge', () => {
    const card = boxOf(scene, 'card-1');
    expect(card.x).toEqual([0, 270]);
    expect(card.y[0]).toBeCloseTo(top + 165 + 20.32 - 5, 9);
    const small = sceneOf({ parts: { board: { form: 'Mini-ITX' }, case: { boardForms: ['Mini-ITX', 'ATX'] } } });
    expect(small.rowY(1)).toBe(top + 160);
  });

  test('an upright card stands before the others and leaves the rows free', () => {
    const upright = boxOf(
      sceneOf({
        items: (items) => items.map((item) => (item['id'] === 'card-1' ? { ...item, upright: true } : item)),
        parts: { case: { uprightCards: true } },
      }),
      'card-1',
    );
    expect(upright.z[1]).toBe(185 - 25);
    expect(upright.y[1] - upright.y[0]).toBe(130);
  });

  test('a figure that is missing leaves its box out and is named', () => {
    const less = sceneOf({ parts: { cooler: { depthMm: undefined }, kit: { heightMm: undefined } } });
    expect(less.missing.map((figure) => figure.field).sort()).toEqual(['depthMm', 'heightMm']);
    expect(less.solids.some((solid) => solid.kind === 'cooler' || solid.kind === 'module')).toBe(false);
    const bare = sceneOf({ parts: { case: { innerHeightMm: undefined } } });
    expect(bare.solids).toEqual([]);
    expect(bare.missing.map((figure) => figure.field)).toEqual(['innerHeightMm']);
  });
});

describe('what must come off', () => {
  test('a drive under a card is reached when the card is out; the card itself at once', () => {
    const scene = sceneOf({ parts: { board: { topology: topologyWithDriveAtRow(3) } } });
    const covers = coversOf(scene);
    expect(mustComeOff(covers, 'ssd-1')).toEqual(['card-1']);
    expect(mustComeOff(covers, 'card-1')).toEqual([]);
  });

  test('outermost first: modules under a deep cooler that an upright card stands before', () => {
    const covers = new Map([
      ['kit', new Set(['cooler', 'card'])],
      ['cooler', new Set(['card'])],
    ]);
    expect(mustComeOff(covers, 'kit')).toEqual(['card', 'cooler']);
    // even a ring comes to an end
    const ring = new Map([
      ['a', new Set(['b'])],
      ['b', new Set(['a'])],
    ]);
    expect(mustComeOff(ring, 'a')).toEqual(['b']);
  });

  test('a cooler that overhangs the modules covers them', () => {
    const covers = coversOf(sceneOf({ parts: { cooler: { depthMm: 190, offsetMm: 0 } } }));
    expect(mustComeOff(covers, 'kit-1')).toEqual(['cooler-1']);
  });
});

function topologyWithDriveAtRow(row: number) {
  const topology = assessed().facts.parts.one('board')?.part.topology;
  if (!topology) throw new Error('the board has its topology');
  return { ...topology, slots: topology.slots.map((slot) => (slot.kind === 'm2' ? { ...slot, atRow: row } : slot)) };
}

describe('what fits later', () => {
  test('a card grows to the fans in front or to what the case states; a larger one in its place would meet them', () => {
    const { parts, scene } = assessed().facts;
    if (!scene) throw new Error('there is a scene');
    const rooms = new Map(roomLeft(scene, parts).map((room) => [room.what, room]));
    // 370 mm inside less a fan of 25; the case states 340
    expect(rooms.get('card length')).toMatchObject({ nowMm: 270, mostMm: 340 });
    expect(rooms.get('cooler height')).toMatchObject({ nowMm: 160, mostMm: 165 });
    // the cooler's upper edge lies 56 mm below the roof
    expect(rooms.get('roof depth')).toMatchObject({ nowMm: undefined, mostMm: 56, by: 'cooler-1' });
    const grown = sceneOf({ parts: { card: { lengthMm: 345 } } });
    expect(boxOf(grown, 'card-1').x[1]).toBeLessThanOrEqual(345);
  });

  test('a radiator under the roof is seen and meets what stands too high', () => {
    const change = {
      parts: {
        cooler: {
          type: 'liquid',
          radiatorMm: 240,
          heightMm: undefined,
          memoryClearanceMm: undefined,
          depthMm: 78,
          widthMm: 78,
        },
      },
    };
    const { parts, scene } = assessed(change).facts;
    if (!scene) throw new Error('there is a scene');
    expect(roomLeft(scene, parts).find((room) => room.what === 'roof depth')?.nowMm).toBe(52);
    const tall = assessed({
      ...change,
      parts: { ...change.parts, kit: { heightMm: 70 }, case: { innerHeightMm: 415 } },
    });
    expect(tall.findings).toEqual(
      expect.arrayContaining([expect.objectContaining({ code: 'collision', level: 'blocks' })]),
    );
    expect(assessed(change).findings.some((finding) => finding.code === 'collision')).toBe(false);
  });

  test('many cards and drives make many boxes, each once', () => {
    const { solids } = sceneOf({ items: plus({ id: 'ssd-2', part: 'ssd' }, { id: 'disk-2', part: 'disk' }) });
    expect(new Set(solids.map((solid) => solid.id)).size).toBe(solids.length);
    expect(solids.filter((solid) => solid.kind === 'cage drive')).toHaveLength(2);
  });
});
