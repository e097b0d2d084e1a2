import type { Assessment } from '../assess';
import type { Scene, Solid } from '../clearance/scene';
import type { FittedParts } from '../model/fitted';
import { CONNECTORS, type Connector } from '../parts/common';
import { cableUse } from '../parts/purposes';
import { CABLES } from './constants';
import type { Step } from './steps';

/** A point in the scene's mm: from the rear, from the roof, from the tray. */
type Point = readonly [x: number, y: number, z: number];

/** How a cable gets to its plug, and whether it is long enough. */
export interface CableWay {
  /** Corners of the way from where it leaves the supply to its plug; one point where only the plug's place is known. */
  readonly corners: readonly Point[];
  readonly side: 'behind' | 'in front' | undefined;
  /** The plug's place is where boards and cards usually have it: none states it. */
  readonly usualPlace: boolean;
  /** The case does not say what room there is behind the board. */
  readonly usualSide: boolean;
  /** mm of cable that this takes; undefined where only the plug's place is known, or the machine stands. */
  readonly needsMm: number | undefined;
  /** mm that the supply's cable has with its extension; undefined where no one states it. */
  readonly hasMm: number | undefined;
  /** Item of the extension that is plugged between. */
  readonly extension: string | undefined;
  readonly reach: 'reaches' | 'close' | 'short' | 'unknown';
}

/** mm from the front edge of a board to the opening beside it, and from its upper edge to the one above it. */
const OPENING = { beside: 15, above: 5 };
/** mm from the board's upper rear corner to where the processor's input usually sits. */
const PROCESSOR_INPUT = { x: 30, y: 12 };
/** mm from the far end of a card to where its inputs usually sit, on its upper edge. */
const CARD_INPUT = 50;
/** mm from the board's edges to where headers usually sit. */
const HEADER = { edge: 8, audio: 20, switches: 30, usbUp: 110, dataUp: 60 };

/**
 * Ways of the cables of a plan by step: where each plug is, whether its cable runs behind the board or in front, and
 * whether the supply's cables are long enough. A way follows the walls: behind the board from the supply to the tray,
 * along it to the opening nearest to the plug, and out; each end has its bend. Extensions go to the cables that need
 * them most. Source: geometry of the scene, judged bends (`CABLES`).
 */
export function cableWaysOf(
  { facts }: Pick<Assessment, 'facts'>,
  steps: readonly Pick<Step, 'id' | 'code' | 'about' | 'cable'>[],
): ReadonlyMap<string, CableWay> {
  const { scene, parts, machine } = facts;
  if (!scene) return new Map();
  const ways = new Map<string, CableWay>();
  for (const step of steps) {
    const way = step.cable && wayOf(step, scene, parts);
    // what stands has cables that reach: there is nothing to judge
    if (way) ways.set(step.id, machine.present === true ? { ...way, ...UNJUDGED } : way);
  }
  extend(ways, steps, parts);
  return ways;
}

const isPower = (connector: string): connector is Connector => (CONNECTORS as readonly string[]).includes(connector);

function wayOf(
  { about, cable, code }: Pick<Step, 'code' | 'about' | 'cable'>,
  scene: Scene,
  parts: FittedParts,
): CableWay | undefined {
  const board = scene.solids.find(({ kind }) => kind === 'board');
  if (!cable || !board) return undefined;
  const plug = isPower(cable.connector)
    ? powerPlug(cable.connector, about, board, scene)
    : code === 'front-cable' || code === 'data-cable'
      ? headerPlace(cable.connector, board)
      : undefined;
  if (!plug) return undefined;
  const supply = parts.one('supply');
  const outlet = isPower(cable.connector)
    ? scene.solids.find(({ kind, item }) => kind === 'cables' && item === supply?.item.id)
    : undefined;
  const { at, usualPlace } = plug;
  if (!outlet || !isPower(cable.connector))
    return { ...UNJUDGED, side: undefined, corners: [at], usualPlace, usualSide: false };
  const room = parts.one('case')?.part.behindBoardMm;
  const from: Point = [outlet.x[0], middle(outlet.y), middle(outlet.z)];
  const behind = plug.opening !== undefined && !scene.open && (room === undefined || room >= CABLES.behind.value);
  const corners: Point[] = behind
    ? [from, [from[0], from[1], 0], [plug.opening[0], from[1], 0], [plug.opening[0], plug.opening[1], 0], at]
    : [from, [at[0], from[1], from[2]], at];
  // a second cable of a kind is as long as the first; a lead in its place is of unknown length
  const { connectors, cableLengthsMm } = supply?.part ?? {};
  const needsMm = lengthOf(corners) * CABLES.way.value + 2 * CABLES.bend.value;
  const hasMm = cable.number <= (connectors?.[cable.connector] ?? 0) ? cableLengthsMm?.[cable.connector] : undefined;
  return {
    corners,
    side: behind ? 'behind' : 'in front',
    usualPlace,
    usualSide: plug.opening !== undefined && !scene.open && room === undefined,
    needsMm,
    hasMm,
    extension: undefined,
    reach: reachOf(needsMm, hasMm),
  };
}

const UNJUDGED = {
  needsMm: undefined,
  hasMm: undefined,
  extension: undefined,
  reach: 'unknown',
} as const;

/**
 * Whether a cable is long enough for a way that is known within the spread of `CABLES.way`.
 * @example reachOf(600, 700) // 'reaches'
 */
export function reachOf(needsMm: number, hasMm: number | undefined): CableWay['reach'] {
  if (hasMm === undefined) return 'unknown';
  if (hasMm >= needsMm * CABLES.way.spread) return 'reaches';
  return hasMm < needsMm / CABLES.way.spread ? 'short' : 'close';
}

const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;

/** mm along the axes from corner to corner. */
const lengthOf = (corners: readonly Point[]): number =>
  corners
    .slice(1)
    .reduce(
      (sum, point, i) =>
        sum + point.reduce((along, value, axis) => along + Math.abs(value - (corners[i]?.[axis] ?? value)), 0),
      0,
    );

interface Plug {
  readonly at: Point;
  readonly usualPlace: boolean;
  /** Where a cable from behind the board comes out; undefined where none does. */
  readonly opening: readonly [x: number, y: number] | undefined;
}

function powerPlug(connector: Connector, about: string | undefined, board: Solid, scene: Scene): Plug | undefined {
  if (connector === 'board-24') {
    const plug = scene.solids.find(({ kind, item }) => kind === 'cables' && item === board.item);
    if (!plug) return undefined;
    const y = middle(plug.y);
    return { at: [board.x[1], y, board.z[1]], usualPlace: false, opening: [board.x[1] + OPENING.beside, y] };
  }
  if (connector === 'processor-8')
    return {
      at: [PROCESSOR_INPUT.x, board.y[0] + PROCESSOR_INPUT.y, board.z[1]],
      usualPlace: true,
      opening: [PROCESSOR_INPUT.x, board.y[0] - OPENING.above],
    };
  const card = scene.solids.find(({ kind, item }) => kind === 'card' && item === about);
  if (card) {
    const y = middle(card.y);
    return {
      at: [Math.max(0, card.x[1] - CARD_INPUT), y, card.z[1]],
      usualPlace: true,
      opening: [board.x[1] + OPENING.beside, y],
    };
  }
  const drive = scene.solids.find(({ kind, item }) => kind === 'cage drive' && item === about);
  return drive && { at: [drive.x[0], middle(drive.y), middle(drive.z)], usualPlace: false, opening: undefined };
}

/** Where headers of the case's ports and of drives usually sit: along the lower and the front edge. */
function headerPlace(connector: string, { x, y, z }: Solid): Plug | undefined {
  const at = (along: number, down: number): Plug => ({ at: [along, down, z[1]], usualPlace: true, opening: undefined });
  switch (connector) {
    case 'switch':
      return at(x[1] - HEADER.switches, y[1] - HEADER.edge);
    case 'audio':
      return at(x[0] + HEADER.audio, y[1] - HEADER.edge);
    case 'usb':
      return at(x[1] - HEADER.edge, y[1] - HEADER.usbUp);
    case 'data':
      return at(x[1] - HEADER.edge, y[1] - HEADER.dataUp);
    default:
      return undefined;
  }
}

/** Extensions go where most is lacking, the longest first. */
function extend(ways: Map<string, CableWay>, steps: readonly Pick<Step, 'id' | 'cable'>[], parts: FittedParts): void {
  // one of unknown length may reach without it
  const lack = ({ needsMm, hasMm }: CableWay): number =>
    needsMm === undefined || hasMm === undefined ? -Infinity : needsMm - hasMm;
  const extensions = parts
    .ofKind('accessory')
    .filter(({ part }) => cableUse(part) === 'power' && part.fromPlug !== undefined && part.fromPlug === part.toPlug)
    .sort((a, b) => (b.part.lengthMm ?? 0) - (a.part.lengthMm ?? 0));
  for (const { item, part } of extensions) {
    const neediest = steps
      .flatMap(({ id, cable }) => {
        const way = cable?.connector === part.fromPlug ? ways.get(id) : undefined;
        return way && way.extension === undefined && way.needsMm !== undefined ? [{ id, way }] : [];
      })
      .reduce<{ id: string; way: CableWay } | undefined>(
        (most, each) => (most === undefined || lack(each.way) > lack(most.way) ? each : most),
        undefined,
      );
    if (!neediest) continue;
    const { way } = neediest;
    const hasMm = way.hasMm === undefined || part.lengthMm === undefined ? undefined : way.hasMm + part.lengthMm;
    ways.set(neediest.id, { ...way, hasMm, extension: item.id, reach: reachOf(way.needsMm ?? 0, hasMm) });
  }
}
