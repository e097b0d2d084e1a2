import type { FittedParts } from '../model/fitted';
import type { Box } from './boxes';
import type { Scene, Solid } from './scene';

/** How much larger a part could be before it meets something. */
export interface Room {
  readonly what: 'card length' | 'card height' | 'cooler height' | 'roof depth' | 'supply length';
  readonly nowMm: number | undefined;
  readonly mostMm: number;
  /** What it would meet; undefined is the case itself. */
  readonly by: string | undefined;
}

const overlaps = (a: readonly [number, number], b: readonly [number, number]) =>
  Math.min(a[1], b[1]) - Math.max(a[0], b[0]) > 0;

/** The nearest solid that a box would meet if it grew along an axis. */
function nearest(scene: Scene, grown: Solid, axis: 'x' | 'y' | 'z'): { at: number; by: string | undefined } {
  const others = (['x', 'y', 'z'] as const).filter((other) => other !== axis);
  let at = { x: scene.lengthMm, y: scene.heightMm, z: scene.widthMm }[axis];
  let by: string | undefined;
  for (const solid of scene.solids) {
    if (solid.item === grown.item || solid.kind === 'board' || solid[axis][0] < grown[axis][1] - 1) continue;
    if (others.every((other) => overlaps(solid[other], grown[other])) && solid[axis][0] < at) {
      at = solid[axis][0];
      by = solid.item;
    }
  }
  return { at, by };
}

/** What fits later: the largest card, cooler, roof radiator and supply that this machine has room for. */
export function roomLeft(scene: Scene, parts: FittedParts): Room[] {
  const rooms: Room[] = [];
  const stated = parts.one('case')?.part;
  const grow = (
    what: Room['what'],
    solid: Solid | undefined,
    axis: 'x' | 'z',
    limit: number | undefined,
    from = 0,
  ): void => {
    if (!solid) return;
    const { at, by } = nearest(scene, solid, axis);
    rooms.push({ what, nowMm: solid[axis][1] - from, mostMm: Math.min(at - from, limit ?? Infinity), by });
  };
  const card = scene.solids.find(
    ({ kind, item }) => kind === 'card' && parts.ofKind('graphics').some((c) => c.item.id === item),
  );
  const first = (kind: Solid['kind']) => scene.solids.find((solid) => solid.kind === kind);
  grow('card length', card, 'x', stated?.cardLengthMm);
  grow('card height', card, 'z', stated?.cardHeightMm, scene.boardZ);
  grow('cooler height', first('cooler'), 'z', stated?.coolerHeightMm, scene.boardZ);
  rooms.push({ ...roof(scene), what: 'roof depth' });
  grow('supply length', first('supply'), 'x', stated?.supplyLengthMm);
  return rooms;
}

/** mm under the roof before a radiator there would meet modules, heatsinks or the cooler. */
function roof(scene: Scene): Pick<Room, 'nowMm' | 'mostMm' | 'by'> {
  const strip: Box = {
    x: [20, scene.lengthMm - 20],
    y: [0, scene.heightMm],
    z: [scene.widthMm - 126, scene.widthMm - 6],
  };
  let mostMm = scene.heightMm;
  let by: string | undefined;
  let nowMm: number | undefined;
  for (const solid of scene.solids) {
    if (solid.kind === 'radiator' && solid.y[0] === 0) nowMm = solid.y[1];
    if (!['cooler', 'module', 'heatsink', 'card'].includes(solid.kind)) continue;
    if (overlaps(solid.x, strip.x) && overlaps(solid.z, strip.z) && solid.y[0] < mostMm) {
      mostMm = Math.max(0, solid.y[0]);
      by = solid.item;
    }
  }
  return { nowMm, mostMm, by };
}
