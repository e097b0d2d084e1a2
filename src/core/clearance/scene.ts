import type { Placement } from '../board/placement';
import type { AnyFitted, Fitted, FittedParts } from '../model/fitted';
import { fanPlan, type FanPlan } from '../heat/places';
import type { MemoryState } from '../memory/population';
import type { PartOf } from '../parts';
import type { SlotSpec } from '../parts/board';
import type { MissingFigure } from '../figures/missing';
import { gapMm, type Box } from './boxes';

export type SolidKind =
  | 'board'
  | 'heatsink'
  | 'cooler'
  | 'module'
  | 'card'
  | 'drive'
  | 'cage drive'
  | 'radiator'
  | 'fan'
  | 'supply'
  | 'cables';

/** A part, or a piece of one, where it stands in the case. */
export interface Solid extends Box {
  readonly id: string;
  readonly item: string;
  readonly kind: SolidKind;
}

/** Two solids that stand closer than they should, with mm between them; negative is how far they overlap. */
export interface Meeting {
  readonly a: Solid;
  readonly b: Solid;
  readonly gapMm: number;
}

/** A machine as boxes in its case. */
export interface Scene {
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly widthMm: number;
  readonly open: boolean;
  readonly solids: readonly Solid[];
  /** Figures without which some part has no box. */
  readonly missing: readonly MissingFigure[];
  /** Where card rows lie, by row from 1. */
  readonly rowY: (row: number) => number;
  readonly boardZ: number;
}

/** mm across of a board and down it. Source: the open form-factor standards' outline drawings. */
const OUTLINES: Readonly<Record<NonNullable<PartOf<'board'>['form']>, readonly [depth: number, height: number]>> = {
  'Mini-ITX': [170, 170],
  'Micro-ATX': [244, 244],
  ATX: [244, 305],
  'E-ATX': [330, 305],
};
/** From the tray to the board's upper face: standoff and board. */
const BOARD_Z = 8;
/** Pitch of card rows, and the first row's middle from the board's upper edge. Source: the same drawings. */
const ROW_MM = 20.32;
const FIRST_ROW_MM = 165;
/** Back of a card's board above its row's middle, and the room that its cooler leaves to the board. */
const CARD_BACK_MM = 5;
const CARD_LIFT_MM = 14;
/** Supply compartments: the standard's height and a floor between. */
const SUPPLY_MM = 86;
const COMPARTMENT_MM = 100;
const SUPPLY_WIDTH_MM = 150;
/** Plugs and the bend of the cables behind them. */
const CABLES_MM = 45;
const BOARD_PLUG = { from: 90, long: 55, out: 28, high: 32 };
/** Memory: first slot from the socket's middle, pitch, thickness and length of a module. */
const MEMORY = { from: 60, pitch: 9.5, thick: 7, half: 66 };
const FAN_MM = 25;
const SIDE_PANEL_MM = 4;
const DRIVE_35 = { x: 147, y: 26.1, z: 101.6, pitch: 30 };
const M2_THICK_MM = 4;

/** mm from the roof to the board's upper edge: what the tallest board that fits and the supply leave. */
function boardTop(chassis: PartOf<'case'>, heightMm: number): number {
  const tallest = Math.max(...(chassis.boardForms ?? ['ATX']).map((form) => OUTLINES[form][1]));
  if (chassis.supplyPlace === 'top') return COMPARTMENT_MM;
  if (chassis.supplyPlace === 'front') return Math.max(5, (heightMm - tallest) / 2);
  return Math.max(5, heightMm - COMPARTMENT_MM - tallest);
}

/** Boxes of everything whose measures are known. Undefined without a case and a board, or the case's inside. */
export function sceneOf(parts: FittedParts, memory: MemoryState, placement: Placement | undefined): Scene | undefined {
  const chassis = parts.one('case');
  const board = parts.one('board');
  if (!chassis || !board) return undefined;
  const missing: MissingFigure[] = [];
  const lacks = (fitted: AnyFitted, ...fields: string[]) => {
    for (const field of fields) missing.push({ item: fitted.item.id, part: fitted.part.id, field });
  };
  const { innerLengthMm, innerHeightMm, innerWidthMm } = chassis.part;
  const { form } = board.part;
  if (innerLengthMm === undefined || innerHeightMm === undefined || innerWidthMm === undefined || !form) {
    for (const field of ['innerLengthMm', 'innerHeightMm', 'innerWidthMm'] as const)
      if (chassis.part[field] === undefined) lacks(chassis, field);
    if (!form) lacks(board, 'form');
    return { ...EMPTY, missing };
  }
  const solids: Solid[] = [];
  const put = (item: string, kind: SolidKind, x: Box['x'], y: Box['y'], z: Box['z'], id = item) =>
    solids.push({ id, item, kind, x, y, z });
  const top = boardTop(chassis.part, innerHeightMm);
  const [depth, height] = OUTLINES[form];
  put(board.item.id, 'board', [0, depth], [top, top + height], [BOARD_Z - 1.6, BOARD_Z]);
  // the board's own plug sticks out over its front edge, and its cable bends there
  put(
    board.item.id,
    'cables',
    [depth, depth + BOARD_PLUG.out],
    [top + BOARD_PLUG.from, top + BOARD_PLUG.from + BOARD_PLUG.long],
    [BOARD_Z, BOARD_Z + BOARD_PLUG.high],
    `${board.item.id} plug`,
  );
  const rowY = (row: number) => top + Math.min(FIRST_ROW_MM, height - 10) + (row - 1) * ROW_MM;

  const { socketFromRearMm, socketFromTopMm } = board.part;
  const socket =
    socketFromRearMm === undefined || socketFromTopMm === undefined
      ? undefined
      : { x: socketFromRearMm, y: top + socketFromTopMm };
  if (!socket) {
    if (socketFromRearMm === undefined) lacks(board, 'socketFromRearMm');
    if (socketFromTopMm === undefined) lacks(board, 'socketFromTopMm');
  } else {
    const { heatsinkHeightMm } = board.part;
    if (heatsinkHeightMm !== undefined)
      put(
        board.item.id,
        'heatsink',
        [4, Math.max(10, socket.x - 48)],
        [socket.y - 55, socket.y + 55],
        [BOARD_Z, BOARD_Z + heatsinkHeightMm],
        `${board.item.id} heatsink`,
      );
    for (const cooler of parts.ofKind('cooler')) putCooler(cooler, socket, put, lacks);
    putModules(parts, memory, board.part, socket, put, lacks);
  }
  for (const card of [...parts.ofKind('graphics'), ...parts.ofKind('expansion')])
    putCard(card, placement, board.part, rowY, { widthMm: innerWidthMm, top }, put, lacks);
  putDrives(parts, placement, board.part, chassis, innerHeightMm, rowY, put);
  const plan = fanPlan(parts);
  if (plan) putSides(parts, plan, { x: innerLengthMm, y: innerHeightMm, z: innerWidthMm }, put);
  const supply = parts.one('supply');
  if (supply?.part.lengthMm !== undefined && chassis.part.supplyPlace !== 'front') {
    const y: Box['y'] =
      chassis.part.supplyPlace === 'top' ? [2, 2 + SUPPLY_MM] : [innerHeightMm - 2 - SUPPLY_MM, innerHeightMm - 2];
    const z: Box['z'] = [10, Math.min(innerWidthMm, 10 + SUPPLY_WIDTH_MM)];
    put(supply.item.id, 'supply', [0, supply.part.lengthMm], y, z);
    put(
      supply.item.id,
      'cables',
      [supply.part.lengthMm, supply.part.lengthMm + CABLES_MM],
      y,
      z,
      `${supply.item.id} cables`,
    );
  }
  return {
    lengthMm: innerLengthMm,
    heightMm: innerHeightMm,
    widthMm: innerWidthMm,
    open: chassis.part.frame === 'open',
    solids,
    missing,
    rowY,
    boardZ: BOARD_Z,
  };
}

const EMPTY: Scene = {
  lengthMm: 0,
  heightMm: 0,
  widthMm: 0,
  open: false,
  solids: [],
  missing: [],
  rowY: () => 0,
  boardZ: BOARD_Z,
};

type Put = (item: string, kind: SolidKind, x: Box['x'], y: Box['y'], z: Box['z'], id?: string) => void;
type Lacks = (fitted: AnyFitted, ...fields: string[]) => void;
interface Point {
  readonly x: number;
  readonly y: number;
}

function putCooler(cooler: Fitted<'cooler'>, socket: Point, put: Put, lacks: Lacks): void {
  const { part, item } = cooler;
  const liquid = part.type === 'liquid';
  const heightMm = liquid ? (part.heightMm ?? 55) : part.heightMm;
  const { depthMm, widthMm, finsAboveBoardMm } = part;
  if (heightMm === undefined || depthMm === undefined || widthMm === undefined || finsAboveBoardMm === undefined) {
    if (heightMm === undefined) lacks(cooler, 'heightMm');
    if (depthMm === undefined) lacks(cooler, 'depthMm');
    if (widthMm === undefined) lacks(cooler, 'widthMm');
    if (finsAboveBoardMm === undefined) lacks(cooler, 'finsAboveBoardMm');
    return;
  }
  const middle = socket.x - (part.offsetMm ?? 0);
  put(
    item.id,
    'cooler',
    [middle - depthMm / 2, middle + depthMm / 2],
    [socket.y - widthMm / 2, socket.y + widthMm / 2],
    [BOARD_Z + Math.min(finsAboveBoardMm, heightMm - 5), BOARD_Z + heightMm],
  );
}

/** Modules stand in front of the socket; on boards with more than four channels half of them stand behind it. */
function putModules(
  parts: FittedParts,
  memory: MemoryState,
  board: PartOf<'board'>,
  socket: Point,
  put: Put,
  lacks: Lacks,
): void {
  const slots = board.memorySlots ?? [];
  const channels = [...new Set(slots.map((slot) => slot.channel))];
  const behind = new Set(channels.length > 4 ? channels.slice(0, channels.length / 2) : []);
  const order = (slot: (typeof slots)[number]) =>
    slots.filter((other) => behind.has(other.channel) === behind.has(slot.channel)).indexOf(slot);
  for (const kit of parts.ofKind('memory')) if (kit.part.heightMm === undefined) lacks(kit, 'heightMm');
  for (const module of memory.modules) {
    const slot = slots.find((entry) => entry.id === module.slot);
    const kit = parts.ofKind('memory').find(({ item }) => item.id === module.item);
    if (!slot || kit?.part.heightMm === undefined) continue;
    const away = MEMORY.from + order(slot) * MEMORY.pitch;
    const x: Box['x'] = behind.has(slot.channel)
      ? [socket.x - away - MEMORY.thick, socket.x - away]
      : [socket.x + away, socket.x + away + MEMORY.thick];
    put(
      kit.item.id,
      'module',
      x,
      [socket.y - MEMORY.half, socket.y + MEMORY.half],
      [BOARD_Z, BOARD_Z + kit.part.heightMm],
      `${kit.item.id} ${slot.id}`,
    );
  }
}

function putCard(
  card: Fitted<'graphics'> | Fitted<'expansion'>,
  placement: Placement | undefined,
  board: PartOf<'board'>,
  rowY: Scene['rowY'],
  room: { readonly widthMm: number; readonly top: number },
  put: Put,
  lacks: Lacks,
): void {
  const { part, item } = card;
  const at = placement?.placed.get(item.id);
  const slot = at && slotOf(board, at.slot);
  if (slot?.row === undefined) return;
  const { lengthMm, heightMm, slots } = part;
  if (lengthMm === undefined || heightMm === undefined || slots === undefined) {
    if (lengthMm === undefined) lacks(card, 'lengthMm');
    if (heightMm === undefined) lacks(card, 'heightMm');
    if (slots === undefined) lacks(card, 'slots');
    return;
  }
  const thick = ('coolerThicknessMm' in part ? part.coolerThicknessMm : undefined) ?? slots * ROW_MM - 1;
  if (item.upright) {
    const y = room.top + FIRST_ROW_MM;
    put(item.id, 'card', [0, lengthMm], [y, y + heightMm], [room.widthMm - 25 - thick, room.widthMm - 25]);
    return;
  }
  const y = rowY(slot.row) - CARD_BACK_MM;
  put(item.id, 'card', [0, lengthMm], [y, y + thick], [BOARD_Z + CARD_LIFT_MM, BOARD_Z + heightMm]);
}

const slotOf = (board: PartOf<'board'>, id: string): SlotSpec | undefined =>
  board.topology?.slots.find((slot) => slot.id === id);

function putDrives(
  parts: FittedParts,
  placement: Placement | undefined,
  board: PartOf<'board'>,
  chassis: Fitted<'case'>,
  heightMm: number,
  rowY: Scene['rowY'],
  put: Put,
): void {
  let caged = 0;
  for (const { item, part } of parts.ofKind('drive')) {
    if (part.form === '3.5"') {
      const from = chassis.part.driveCageFromRearMm;
      if (from === undefined) continue;
      const y = heightMm - 8 - (caged + 1) * DRIVE_35.pitch;
      put(item.id, 'cage drive', [from, from + DRIVE_35.x], [y, y + DRIVE_35.y], [12, 12 + DRIVE_35.z]);
      caged++;
      continue;
    }
    const at = placement?.placed.get(item.id);
    const slot = at && slotOf(board, at.slot);
    if (slot?.kind !== 'm2' || slot.atRow === undefined) continue;
    const length = part.form === 'M.2 22110' ? 110 : part.form === 'M.2 2230' ? 30 : 80;
    const y = rowY(slot.atRow);
    put(
      item.id,
      'drive',
      [85, 85 + length],
      [y - 11, y + 11],
      [BOARD_Z, BOARD_Z + M2_THICK_MM + (part.heatsinkHeightMm ?? 0)],
    );
  }
}

/** Radiators and fans on their sides, a row from the front and the roof on. Side panels are left free to look in. */
function putSides(
  parts: FittedParts,
  plan: FanPlan,
  inside: { readonly x: number; readonly y: number; readonly z: number },
  put: Put,
): void {
  for (const side of plan.sides) {
    if (side.side === 'side') continue;
    let along = 12;
    const place = (item: string, kind: SolidKind, lengthMm: number, acrossMm: number, thickMm: number, id: string) => {
      const z: Box['z'] = [(inside.z - acrossMm) / 2, (inside.z + acrossMm) / 2];
      // what hangs at the back or under the roof sits towards the side panel, to pass the board's heatsinks
      const outer: Box['z'] = [inside.z - SIDE_PANEL_MM - acrossMm, inside.z - SIDE_PANEL_MM];
      if (side.side === 'front') put(item, kind, [inside.x - thickMm, inside.x], [along, along + lengthMm], z, id);
      else if (side.side === 'rear') put(item, kind, [0, thickMm], [along + 18, along + 18 + lengthMm], outer, id);
      else {
        const x: Box['x'] = [inside.x - 20 - along - lengthMm, inside.x - 20 - along];
        if (side.side === 'top') put(item, kind, x, [0, thickMm], outer, id);
        else put(item, kind, x, [inside.y - thickMm, inside.y], outer, id);
      }
      along += lengthMm + 2;
    };
    if (side.radiator) {
      const cooler = parts.ofKind('cooler').find(({ item }) => item.id === side.radiator?.item);
      const across = side.radiator.lengthMm % 140 === 0 ? 140 : 120;
      place(
        side.radiator.item,
        'radiator',
        side.radiator.lengthMm,
        across,
        cooler?.part.radiatorThicknessMm ?? 52,
        `${side.radiator.item} radiator`,
      );
    }
    side.fans.forEach((fan, i) => {
      if (fan.of === 'case' || fan.of === 'added')
        place(fan.item, 'fan', fan.sizeMm, fan.sizeMm, FAN_MM, `${fan.item} ${side.side} ${i}`);
    });
  }
}

/**
 * Kinds whose meeting is judged here; other pairs are held apart by placement, plugs or a maker's stated limit, or by
 * whoever drilled the case's holes for its fans.
 */
const MEET: readonly (readonly [SolidKind, SolidKind])[] = [
  ['cooler', 'heatsink'],
  ['cooler', 'card'],
  ['cooler', 'radiator'],
  ['cooler', 'fan'],
  ['cooler', 'module'],
  ['radiator', 'module'],
  ['radiator', 'heatsink'],
  ['radiator', 'cage drive'],
  ['radiator', 'card'],
  ['fan', 'module'],
  ['card', 'cage drive'],
  ['card', 'drive'],
  ['card', 'supply'],
  ['supply', 'cage drive'],
  ['cables', 'cage drive'],
  ['cables', 'radiator'],
];

const judged = new Set(MEET.flatMap(([a, b]) => [`${a} ${b}`, `${b} ${a}`]));

/** Pairs that are judged, nearest first. */
export function meetings(solids: readonly Solid[]): Meeting[] {
  const found: Meeting[] = [];
  solids.forEach((a, i) => {
    for (const b of solids.slice(i + 1)) {
      if (a.item === b.item && a.kind !== 'cables') continue;
      if (judged.has(`${a.kind} ${b.kind}`)) found.push({ a, b, gapMm: gapMm(a, b) });
    }
  });
  return found.sort((x, y) => x.gapMm - y.gapMm);
}
