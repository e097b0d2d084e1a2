import type { FittedParts } from '../fitted';
import type { SittingResult } from '../predict/results';
import type { MissingFigure } from '../work/stage';

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
  graphics: ['gpu.fp32', 'gpu.traffic', 'engine.encode', 'engine.decode'],
  memory: ['memory.traffic'],
};

/**
 * Sustained draw of each sitting = Σ idle + (limit − idle) × busy share; peak = Σ limits; excursion = peak with graphics
 * × its excursion ratio. Heat is not yet taken into account: clocks and limits are the full-power ones.
 */
export function drawOf(parts: FittedParts, sittings: readonly SittingResult[]): PowerState {
  const draws: (PartDraw & { busyKeys: readonly string[] })[] = [];
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
    draws.push({ item, idleW: Math.min(idle ?? 0, maxW), maxW, excursionW: maxW * ratio, busyKeys: BUSY[kind] ?? [] });
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
  const peakW = draws.reduce((sum, draw) => sum + draw.maxW, 0);
  const bySitting = sittings.map((sitting) => {
    const byItem = new Map(
      draws.map((draw) => {
        // drives count as busy in a sitting: they are small and their share is not worth a model
        const busy =
          draw.busyKeys.length === 0 ? 1 : Math.max(0, ...draw.busyKeys.map((key) => sitting.busy.get(key) ?? 0));
        return [draw.item, draw.idleW + (draw.maxW - draw.idleW) * busy] as const;
      }),
    );
    return {
      sitting: sitting.sitting,
      sustainedW: [...byItem.values()].reduce((sum, watts) => sum + watts, 0),
      byItem,
    };
  });
  const ratings = parts.ofKind('supply').map((supply) => supply.part.ratedW);
  return {
    parts: draws.map(({ item, idleW, maxW, excursionW }) => ({ item, idleW, maxW, excursionW })),
    peakW,
    excursionW: draws.reduce((sum, draw) => sum + draw.excursionW, 0),
    sittings: bySitting,
    sustainedW: bySitting.length === 0 ? peakW : Math.max(...bySitting.map((sitting) => sitting.sustainedW)),
    sustainedOpen:
      missing.length > 0 ||
      sittings.some((sitting) => sitting.tasks.some((task) => task.mode === 'elastic' && task.missing.length > 0)),
    ratedW: ratings.length === 0 ? undefined : ratings[0],
    missing,
  };
}
