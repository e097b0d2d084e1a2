import type { FittedParts } from '../fitted';
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
  const capped = (mostMm: number, limit: number | undefined) => Math.min(mostMm, limit ?? Infinity);
  const card = scene.solids.find(
    ({ kind, item }) => kind === 'card' && parts.ofKind('graphics').some((c) => c.item.id === item),
  );
  if (card) {
    const front = nearest(scene, card, 'x');
    rooms.push({ what: 'card length', nowMm: card.x[1], mostMm: capped(front.at, stated?.cardLengthMm), by: front.by });
    const panel = nearest(scene, card, 'z');
    rooms.push({
      what: 'card height',
      nowMm: card.z[1] - scene.boardZ,
      mostMm: capped(panel.at - scene.boardZ, stated?.cardHeightMm),
      by: panel.by,
    });
  }
  const cooler = scene.solids.find(({ kind }) => kind === 'cooler');
  if (cooler) {
    const panel = nearest(scene, cooler, 'z');
    rooms.push({
      what: 'cooler height',
      nowMm: cooler.z[1] - scene.boardZ,
      mostMm: capped(panel.at - scene.boardZ, stated?.coolerHeightMm),
      by: panel.by,
    });
  }
  rooms.push({ ...roof(scene), what: 'roof depth' });
  const supply = scene.solids.find(({ kind }) => kind === 'supply');
  if (supply) {
    const front = nearest(scene, supply, 'x');
    rooms.push({
      what: 'supply length',
      nowMm: supply.x[1],
      mostMm: capped(front.at, stated?.supplyLengthMm),
      by: front.by,
    });
  }
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
