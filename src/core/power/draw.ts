import type { FittedParts } from '../model/fitted';
import type { Tuning } from '../model/machine';
import type { SittingResult } from '../predict/results';
import { mostOf } from '../units/most';
import type { MissingFigure } from '../figures/missing';

/** Draw of one part in W at rest, at its limit, and in the sitting asked about. */
export interface PartDraw {
  readonly item: string;
  readonly idleW: number;
  readonly maxW: number;
  readonly excursionW: number;
}

/** Draw of the machine in W. Totals are lower bounds whenever `missing` is not empty. */
export interface PowerState {
  readonly parts: readonly PartDraw[];
  readonly peakW: number;
  readonly excursionW: number;
  /** All parts at rest, fans and board included. */
  readonly idleW: number;
  readonly sittings: readonly {
    readonly sitting: string;
    readonly sustainedW: number;
    readonly byItem: ReadonlyMap<string, number>;
  }[];
  /** Draw of the heaviest sitting; the peak when there is no sitting. */
  readonly sustainedW: number;
  /** A run whose speed is unknown keeps its parts busy to an unknown degree: sustained draw is then a lower bound too. */
  readonly sustainedOpen: boolean;
  readonly ratedW: number | undefined;
  readonly missing: readonly MissingFigure[];
}

const BUSY: Readonly<Record<string, readonly string[]>> = {
  processor: ['cpu.parallel'],
  graphics: ['gpu.fp32', 'gpu.matrix', 'gpu.fp64', 'gpu.traffic', 'engine.encode', 'engine.decode'],
  memory: ['memory.traffic'],
};

/**
 * W that excursions of a card add to its limit.
 * @example excursionReserveW(300, 1.8) // 240
 */
export const excursionReserveW = (boardPowerW: number, ratio: number): number => boardPowerW * (ratio - 1);

/** Draws of all parts, before anything is known of how busy they are. */
export interface Draws {
  readonly parts: readonly (PartDraw & { readonly busyKeys: readonly string[]; readonly clock: ClockOf })[];
  readonly missing: readonly MissingFigure[];
}
type ClockOf = 'processor' | 'graphics' | undefined;

const draws = new WeakMap<FittedParts, Draws>();

/** Idle, limit and excursion of every part that hangs on the supply. */
export function drawsOf(parts: FittedParts): Draws {
  let known = draws.get(parts);
  if (!known) draws.set(parts, (known = computeDraws(parts)));
  return known;
}

function computeDraws(parts: FittedParts): Draws {
  const list: (PartDraw & { busyKeys: readonly string[]; clock: ClockOf })[] = [];
  const missing: MissingFigure[] = [];
  const push = (
    item: string,
    part: string,
    kind: string,
    idle: number | undefined,
    max: number | undefined,
    field: string,
    ratio = 1,
  ) => {
    if (max === undefined) missing.push({ item, part, field });
    const maxW = max ?? 0;
    list.push({
      item,
      idleW: Math.min(idle ?? 0, maxW),
      maxW,
      excursionW: maxW + excursionReserveW(maxW, ratio),
      busyKeys: BUSY[kind] ?? [],
      clock: kind === 'processor' || kind === 'graphics' ? kind : undefined,
    });
  };
  for (const { item, part } of parts.all)
    switch (part.kind) {
      case 'processor':
        push(item.id, part.id, part.kind, part.idlePowerW, part.maxPowerW, 'maxPowerW');
        break;
      case 'graphics':
        if (part.excursionRatio === undefined) missing.push({ item: item.id, part: part.id, field: 'excursionRatio' });
        push(item.id, part.id, part.kind, part.idlePowerW, part.boardPowerW, 'boardPowerW', part.excursionRatio ?? 1);
        break;
      case 'board':
        push(item.id, part.id, part.kind, part.boardPowerW, part.boardPowerW, 'boardPowerW');
        break;
      case 'memory': {
        const watts =
          part.modulePowerW === undefined || part.modules === undefined ? undefined : part.modulePowerW * part.modules;
        push(item.id, part.id, part.kind, watts === undefined ? undefined : watts / 2, watts, 'modulePowerW');
        break;
      }
      case 'drive':
        push(item.id, part.id, part.kind, part.idlePowerW, part.activePowerW, 'activePowerW');
        break;
      case 'cooler':
      case 'fan':
      case 'expansion':
        push(item.id, part.id, part.kind, part.powerW, part.powerW, 'powerW');
        break;
      case 'case':
        push(item.id, part.id, part.kind, part.fanPowerW, part.fanPowerW, 'fanPowerW');
        break;
      default:
        // supplies, displays, software and services draw nothing from the supply
        break;
    }
  return { parts: list, missing };
}

/**
 * W of each item in a sitting: idle + (limit − idle) × busy share × clock³, since power follows clock × voltage² and
 * voltage follows the clock. Memory traffic and engines keep their power at any clock; they are the small part of it.
 */
export function sittingDraw(
  all: Draws,
  busy: ReadonlyMap<string, number>,
  clocks: { readonly processor: number; readonly graphics: number },
): Map<string, number> {
  const byItem = new Map<string, number>();
  for (const draw of all.parts) {
    // drives count as busy in a sitting: they are small and their share is not worth a model
    let share = draw.busyKeys.length === 0 ? 1 : 0;
    for (const key of draw.busyKeys) share = Math.max(share, busy.get(key) ?? 0);
    const clock = draw.clock === undefined ? 1 : clocks[draw.clock];
    byItem.set(draw.item, draw.idleW + (draw.maxW - draw.idleW) * share * clock ** 3);
  }
  return byItem;
}

/**
 * W that a processor draws at most: a raised clock raises it by its cube, a limit set by hand holds it.
 * @example mostPackageW(165, 15, { clock: 1.1 }) // 214.65: 15 + 150 × 1.331
 */
export const mostPackageW = (maxW: number, idleW = 0, tuning: Tuning = {}): number =>
  Math.min(idleW + (maxW - idleW) * (tuning.clock ?? 1) ** 3, Math.max(idleW, tuning.packageW ?? Infinity));

/** The sitting that draws most; undefined when the brief has none. */
export const heaviestOf = ({ sittings }: PowerState): PowerState['sittings'][number] | undefined =>
  mostOf(sittings, ({ sustainedW }) => sustainedW);

/** What settling found of one sitting. */
export interface SittingDraw {
  readonly sitting: string;
  readonly byItem: ReadonlyMap<string, number>;
}

/**
 * Peak = Σ limits; excursion = peak with graphics × its excursion ratio; sustained = the heaviest sitting's draw at the
 * clocks that heat and power limits leave it.
 */
export function drawOf(
  parts: FittedParts,
  results: readonly SittingResult[],
  drawn: readonly SittingDraw[],
  tuning: Tuning = {},
): PowerState {
  const { parts: list, missing } = drawsOf(parts);
  // limits set by hand are limits of the peak too; a raised clock raises it
  const limitOf = (draw: (typeof list)[number]): number => {
    if (draw.clock === 'graphics') {
      const raised = draw.idleW + (draw.maxW - draw.idleW) * (tuning.cardClock ?? 1) ** 3;
      return tuning.cardShare === undefined ? raised : Math.min(raised, draw.maxW * tuning.cardShare);
    }
    if (draw.clock === undefined) return draw.maxW;
    return mostPackageW(draw.maxW, draw.idleW, tuning);
  };
  const limited = list.map((draw): PartDraw => {
    const maxW = limitOf(draw);
    return {
      item: draw.item,
      idleW: draw.idleW,
      maxW,
      excursionW: draw.excursionW * (draw.maxW > 0 ? maxW / draw.maxW : 1),
    };
  });
  const peakW = limited.reduce((sum, draw) => sum + draw.maxW, 0);
  const bySitting = drawn.map(({ sitting, byItem }) => {
    let sustainedW = 0;
    for (const watts of byItem.values()) sustainedW += watts;
    return { sitting, sustainedW, byItem };
  });
  const ratings = parts.ofKind('supply').map((supply) => supply.part.ratedW);
  return {
    parts: limited,
    peakW,
    excursionW: limited.reduce((sum, draw) => sum + draw.excursionW, 0),
    idleW: limited.reduce((sum, draw) => sum + draw.idleW, 0),
    sittings: bySitting,
    sustainedW: bySitting.length === 0 ? peakW : Math.max(...bySitting.map((sitting) => sitting.sustainedW)),
    sustainedOpen:
      missing.length > 0 ||
      results.some((sitting) => sitting.tasks.some((task) => task.mode === 'elastic' && task.missing.length > 0)),
    ratedW: ratings.length === 0 ? undefined : ratings[0],
    missing,
  };
}
