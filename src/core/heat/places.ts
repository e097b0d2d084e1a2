import type { AnyFitted, Fitted, FittedParts } from '../model/fitted';
import { SIDES, type Side } from '../parts/case';
import { unique, type MissingFigure } from '../figures/missing';
import { throughOpening } from './air';
import { BOUNDS, HEAT } from './constants';

/** A figure that is known (both ends equal) or lies between a better and a worse end. */
export interface Bounds {
  readonly best: number;
  readonly worst: number;
}
export type End = keyof Bounds;
export const exact = (value: number): Bounds => ({ best: value, worst: value });

/** A fan where it blows. `moves` is m³/h at full speed through this side's grille, filter and damping. */
export interface FanPlace {
  readonly side: Side;
  readonly sizeMm: number;
  /** `maybe`: one that the case may bring, which is not known. */
  readonly of: 'case' | 'added' | 'radiator' | 'maybe';
  /** The item it is or belongs to. */
  readonly item: string;
  readonly moves: Bounds;
  readonly noiseDbA: number | undefined;
}

/** One side of the case: its row, the radiator on it and its fans. */
export interface SidePlan {
  readonly side: Side;
  readonly rowMm: number;
  readonly radiator: { readonly item: string; readonly lengthMm: number } | undefined;
  readonly fans: readonly FanPlace[];
}

/** Where fans and radiator go. */
export interface FanPlan {
  readonly sides: readonly SidePlan[];
  readonly radiatorSide: Side | undefined;
  /** Fans added that have no place, by item. */
  readonly homeless: readonly string[];
  /** Fans of the case that gave way to the radiator and have no other place. */
  readonly displaced: number;
  readonly missing: readonly MissingFigure[];
}

/** Air comes in at the front, the bottom and the side, and leaves at the roof and the back. */
export const isIntake = (side: Side): boolean => side === 'front' || side === 'bottom' || side === 'side';

/** A radiator goes under the roof where one fits, because in front it takes room from the cards. */
const RADIATOR_ORDER: readonly Side[] = ['top', 'front', 'side', 'bottom', 'rear'];

/** Fans on a radiator and those that may not be there take no hole of the case. */
const takesPlace = (fan: FanPlace): boolean => fan.of === 'case' || fan.of === 'added';

/** Sides in the order fans are wanted there, all else equal. */
export const FAN_ORDER: readonly Side[] = ['front', 'rear', 'top', 'bottom', 'side'];

interface Row {
  readonly side: Side;
  readonly rowMm: number;
  readonly sizes: ReadonlyMap<number, number>;
  radiator: SidePlan['radiator'];
  left: number;
  readonly fans: FanPlace[];
}

const plans = new WeakMap<FittedParts, FanPlan | undefined>();

/**
 * Puts the radiator and the fans on the sides of the case: the case's own where they come, those added where a person
 * says, else each where the smaller of intake and exhaust grows most. A side's row is shared; what does not fit has no
 * place. Undefined without a case or when its mounts are not known.
 */
export function fanPlan(parts: FittedParts): FanPlan | undefined {
  if (!plans.has(parts)) plans.set(parts, planOf(parts));
  return plans.get(parts);
}

/** Side a case gives a radiator of this length, with a person's wish first; undefined when none takes it. */
export function radiatorSideOf(chassis: Fitted<'case'>, cooler: Fitted<'cooler'>): Side | undefined {
  const { radiatorMm } = cooler.part;
  if (cooler.part.type !== 'liquid' || radiatorMm === undefined) return undefined;
  const takes = (chassis.part.mounts ?? [])
    .filter((mount) => mount.radiatorsMm?.includes(radiatorMm))
    .map((mount) => mount.side);
  if (cooler.item.side && takes.includes(cooler.item.side)) return cooler.item.side;
  return RADIATOR_ORDER.find((side) => takes.includes(side));
}

/** Places the radiator, then the case's own fans, then those added. */
function planOf(parts: FittedParts): FanPlan | undefined {
  const chassis = parts.one('case');
  if (!chassis?.part.mounts) return undefined;
  const rows = new CaseRows(chassis);
  const radiatorSide = hangRadiator(rows, chassis, parts);
  const displaced = putIncluded(rows, chassis);
  const homeless = putAdded(rows, parts);
  return { sides: rows.sides(), radiatorSide, homeless, displaced, missing: unique(rows.missing) };
}

/** A case's rows of holes as they fill, and what fans move through them. */
class CaseRows {
  readonly all: readonly Row[];
  readonly missing: MissingFigure[] = [];
  private readonly filters: Bounds;
  private readonly panels: Bounds;

  constructor(private readonly chassis: Fitted<'case'>) {
    this.all = (chassis.part.mounts ?? []).map((mount) => {
      const sizes = new Map((mount.fans ?? []).map((fan) => [fan.sizeMm, fan.count]));
      // a row takes as much as the fans or radiators that are said to fit it
      const rowMm =
        mount.rowMm ?? Math.max(0, ...[...sizes].map(([size, count]) => size * count), ...(mount.radiatorsMm ?? []));
      return { side: mount.side, rowMm, sizes, radiator: undefined, left: rowMm, fans: [] };
    });
    this.filters = this.has('dustFilters');
    this.panels = this.has('damped');
  }

  lacks({ item, part }: AnyFitted, field: string): void {
    this.missing.push({ item: item.id, part: part.id, field });
  }

  /** What is not known of the case is taken to be there at the worse end and not at the better one. */
  private has(field: 'dustFilters' | 'damped'): Bounds {
    const known = this.chassis.part[field];
    if (known === undefined) this.lacks(this.chassis, field);
    return { best: Number(known ?? false), worst: Number(known ?? true) };
  }

  rowOf(side: Side | undefined): Row | undefined {
    return this.all.find((row) => row.side === side);
  }

  resistanceOf(side: Side, sizeMm: number, end: End): number {
    return (
      (120 / sizeMm) ** 4 *
      (HEAT.grille.value +
        (isIntake(side) ? this.filters[end] * HEAT.filter.value : 0) +
        (side === 'front' || side === 'top' ? this.panels[end] * HEAT.damping.value : 0))
    );
  }

  /** m³/h of a fan through a side's opening; bounded where its figures are not known. */
  moves(side: Side, sizeMm: number, free?: number, pressure?: number): Bounds {
    const area = (sizeMm / 120) ** 2;
    const through = (end: End) =>
      throughOpening(
        free ?? BOUNDS.fanM3h[end] * area,
        pressure ?? BOUNDS.fanPa[end],
        this.resistanceOf(side, sizeMm, end),
      );
    return { best: through('best'), worst: through('worst') };
  }

  /** Where a fan does most: the row that lets the smaller of intake and exhaust grow most, then their sum. */
  best(sizeMm: number, free?: number, pressure?: number): Row | undefined {
    let chosen: Row | undefined;
    let most: readonly [number, number] = [-1, -1];
    const [into, out] = streams(
      this.all.flatMap((row) => row.fans),
      'worst',
    );
    // of equal ones the back comes before the roof: it is nearer to the cooler
    for (const side of FAN_ORDER) {
      const row = this.rowOf(side);
      if (!row || !fits(row, sizeMm)) continue;
      const more = this.moves(row.side, sizeMm, free, pressure).worst;
      const [a, b] = isIntake(row.side) ? [into + more, out] : [into, out + more];
      const value = [Math.min(a, b), a + b] as const;
      if (value[0] > most[0] + 1e-9 || (Math.abs(value[0] - most[0]) <= 1e-9 && value[1] > most[1] + 1e-9)) {
        most = value;
        chosen = row;
      }
    }
    return chosen;
  }

  sides(): SidePlan[] {
    return [...this.all]
      .sort((a, b) => SIDES.indexOf(a.side) - SIDES.indexOf(b.side))
      .map(({ side, rowMm, radiator, fans }) => ({ side, rowMm, radiator, fans }));
  }
}

/** Holes of a side are drilled for one size at a time. */
const fits = (row: Row, sizeMm: number): boolean =>
  row.left >= sizeMm &&
  row.fans.every((fan) => !takesPlace(fan) || fan.sizeMm === sizeMm) &&
  row.fans.filter(takesPlace).length < (row.sizes.get(sizeMm) ?? 0);

function put(row: Row, fan: Omit<FanPlace, 'side'>): void {
  row.fans.push({ ...fan, side: row.side });
  row.left -= fan.sizeMm;
}

/** The radiator of a liquid cooler with its fans; gives its side. */
function hangRadiator(rows: CaseRows, chassis: Fitted<'case'>, parts: FittedParts): Side | undefined {
  const cooler = parts.ofKind('cooler').find(({ part }) => part.type === 'liquid');
  const row = cooler && rows.rowOf(radiatorSideOf(chassis, cooler));
  if (!row) return undefined;
  const lengthMm = cooler.part.radiatorMm ?? 0;
  const sizeMm = lengthMm % 140 === 0 ? 140 : 120;
  row.radiator = { item: cooler.item.id, lengthMm };
  row.left -= lengthMm;
  const area = (sizeMm / 120) ** 2;
  const flow = (end: End) =>
    throughOpening(
      HEAT.radiatorFanM3h.value * area,
      HEAT.radiatorFanPa.value,
      rows.resistanceOf(row.side, sizeMm, end) + HEAT.radiator.value / area ** 2,
    );
  // its fans stand on the radiator, so they take no length of their own
  for (let i = 0; i < (cooler.part.fans ?? Math.floor(lengthMm / sizeMm)); i++)
    row.fans.push({
      side: row.side,
      sizeMm,
      of: 'radiator',
      item: cooler.item.id,
      moves: { best: flow('best'), worst: flow('worst') },
      noiseDbA: undefined,
    });
  return row.side;
}

/** The case's own fans where they come, else where they do most; gives how many find no place. */
function putIncluded(rows: CaseRows, chassis: Fitted<'case'>): number {
  const item = chassis.item.id;
  if (!chassis.part.fansIncluded) {
    // as many as there are holes, or none: what is not known takes no place from what is
    rows.lacks(chassis, 'fansIncluded');
    for (const row of rows.all)
      for (const [sizeMm, count] of [...row.sizes].slice(0, 1)) {
        const moves = { best: rows.moves(row.side, sizeMm).best, worst: 0 };
        for (let i = 0; i < count; i++)
          row.fans.push({ side: row.side, sizeMm, of: 'maybe', item, moves, noiseDbA: undefined });
      }
  }
  let displaced = 0;
  for (const { side, count, sizeMm, airflowM3h, pressurePa, noiseDbA } of chassis.part.fansIncluded ?? [])
    for (let i = 0; i < count; i++) {
      const home = rows.rowOf(side);
      const row = home && fits(home, sizeMm) ? home : rows.best(sizeMm, airflowM3h);
      if (!row) {
        displaced++;
        continue;
      }
      if (airflowM3h === undefined || pressurePa === undefined) rows.lacks(chassis, 'fansIncluded');
      put(row, { sizeMm, of: 'case', item, moves: rows.moves(row.side, sizeMm, airflowM3h, pressurePa), noiseDbA });
    }
  return displaced;
}

/** Fans added, where a person says or where they do most; gives the items that find no place. */
function putAdded(rows: CaseRows, parts: FittedParts): string[] {
  const homeless: string[] = [];
  // those that a person placed first, so that the app works around them; then those with the fewest sides to go to
  const sidesFor = (sizeMm: number | undefined) => rows.all.filter((row) => row.sizes.has(sizeMm ?? 0)).length;
  const added = [...parts.ofKind('fan')].sort(
    (a, b) =>
      Number(b.item.side !== undefined) - Number(a.item.side !== undefined) ||
      sidesFor(a.part.sizeMm) - sidesFor(b.part.sizeMm),
  );
  for (const fan of added) {
    const { sizeMm, airflowM3h, pressurePa, noiseDbA } = fan.part;
    if (sizeMm === undefined) {
      rows.lacks(fan, 'sizeMm');
      continue;
    }
    const wished = rows.rowOf(fan.item.side);
    const row = !fan.item.side
      ? rows.best(sizeMm, airflowM3h, pressurePa)
      : wished && fits(wished, sizeMm)
        ? wished
        : undefined;
    if (!row) {
      homeless.push(fan.item.id);
      continue;
    }
    if (airflowM3h === undefined) rows.lacks(fan, 'airflowM3h');
    if (pressurePa === undefined) rows.lacks(fan, 'pressurePa');
    const moves = rows.moves(row.side, sizeMm, airflowM3h, pressurePa);
    put(row, { sizeMm, of: 'added', item: fan.item.id, moves, noiseDbA });
  }
  return homeless;
}

/** m³/h in and out at full speed. */
function streams(fans: readonly FanPlace[], end: End): readonly [into: number, out: number] {
  let into = 0;
  let out = 0;
  for (const fan of fans)
    if (isIntake(fan.side)) into += fan.moves[end];
    else out += fan.moves[end];
  return [into, out];
}

/** How air gets through a machine: m³/h at full fan speed; it is proportional to speed but for the natural draught. */
export interface AirPath {
  readonly open: boolean;
  /** m³/h through the case at a share of full fan speed. */
  readonly at: (speed: number, end: End) => number;
}

/** Air through the case with some of the fans: the smaller of intake and exhaust, plus what leaks of the difference. */
export function airPath(open: boolean, fans: readonly FanPlace[]): AirPath {
  const flow = (end: End) => {
    const [into, out] = streams(fans, end);
    return Math.min(into, out) + HEAT.leak.value * Math.abs(into - out);
  };
  const moved = { best: flow('best'), worst: flow('worst') };
  return {
    open,
    at: (speed, end) => (open ? HEAT.openM3h.value : HEAT.naturalM3h.value + speed * moved[end]),
  };
}
