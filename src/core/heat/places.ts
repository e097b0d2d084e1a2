import type { Fitted, FittedParts } from '../model/fitted';
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

function planOf(parts: FittedParts): FanPlan | undefined {
  const chassis = parts.one('case');
  if (!chassis?.part.mounts) return undefined;
  const missing: MissingFigure[] = [];
  const lacks = (item: string, part: string, field: string) => missing.push({ item, part, field });
  const rows: Row[] = chassis.part.mounts.map((mount) => {
    const sizes = new Map((mount.fans ?? []).map((fan) => [fan.sizeMm, fan.count]));
    // a row takes as much as the fans or radiators that are said to fit it
    const rowMm =
      mount.rowMm ?? Math.max(0, ...[...sizes].map(([size, count]) => size * count), ...(mount.radiatorsMm ?? []));
    return { side: mount.side, rowMm, sizes, radiator: undefined, left: rowMm, fans: [] };
  });
  const rowOf = (side: Side | undefined) => rows.find((row) => row.side === side);
  // what is not known of the case is taken to be there at the worse end and not at the better one
  const has = (field: 'dustFilters' | 'damped'): Bounds => {
    const known = chassis.part[field];
    if (known === undefined) lacks(chassis.item.id, chassis.part.id, field);
    return { best: Number(known ?? false), worst: Number(known ?? true) };
  };
  const [filters, panels] = [has('dustFilters'), has('damped')];
  const resistanceOf = (side: Side, sizeMm: number, end: End): number =>
    (120 / sizeMm) ** 4 *
    (HEAT.grille.value +
      (isIntake(side) ? filters[end] * HEAT.filter.value : 0) +
      (side === 'front' || side === 'top' ? panels[end] * HEAT.damping.value : 0));
  const moves = (side: Side, sizeMm: number, free: number | undefined, pressure: number | undefined): Bounds => {
    const area = (sizeMm / 120) ** 2;
    const through = (end: End) =>
      throughOpening(free ?? BOUNDS.fanM3h[end] * area, pressure ?? BOUNDS.fanPa[end], resistanceOf(side, sizeMm, end));
    return { best: through('best'), worst: through('worst') };
  };
  // holes of a side are drilled for one size at a time
  const fits = (row: Row, sizeMm: number): boolean =>
    row.left >= sizeMm &&
    row.fans.every((fan) => !takesPlace(fan) || fan.sizeMm === sizeMm) &&
    row.fans.filter(takesPlace).length < (row.sizes.get(sizeMm) ?? 0);
  const put = (row: Row, fan: FanPlace) => {
    row.fans.push(fan);
    row.left -= fan.sizeMm;
  };

  const cooler = parts.ofKind('cooler').find(({ part }) => part.type === 'liquid');
  const radiatorSide = cooler && radiatorSideOf(chassis, cooler);
  const radiatorRow = rowOf(radiatorSide);
  if (cooler && radiatorRow) {
    const lengthMm = cooler.part.radiatorMm ?? 0;
    const sizeMm = lengthMm % 140 === 0 ? 140 : 120;
    radiatorRow.radiator = { item: cooler.item.id, lengthMm };
    radiatorRow.left -= lengthMm;
    const area = (sizeMm / 120) ** 2;
    const flow = (end: End) =>
      throughOpening(
        HEAT.radiatorFanM3h.value * area,
        HEAT.radiatorFanPa.value,
        resistanceOf(radiatorRow.side, sizeMm, end) + HEAT.radiator.value / area ** 2,
      );
    // its fans stand on the radiator, so they take no length of their own
    for (let i = 0; i < (cooler.part.fans ?? Math.floor(lengthMm / sizeMm)); i++)
      radiatorRow.fans.push({
        side: radiatorRow.side,
        sizeMm,
        of: 'radiator',
        item: cooler.item.id,
        moves: { best: flow('best'), worst: flow('worst') },
        noiseDbA: undefined,
      });
  }

  const homeless: string[] = [];
  let displaced = 0;
  const best = (candidates: readonly Row[], sizeMm: number, free?: number, pressure?: number): Row | undefined => {
    let chosen: Row | undefined;
    let most: readonly [number, number] = [-1, -1];
    const [into, out] = streams(
      rows.flatMap((row) => row.fans),
      'worst',
    );
    // of equal ones the back comes before the roof: it is nearer to the cooler
    for (const side of FAN_ORDER) {
      const row = candidates.find((candidate) => candidate.side === side);
      if (!row || !fits(row, sizeMm)) continue;
      const more = moves(row.side, sizeMm, free, pressure).worst;

      const [a, b] = isIntake(row.side) ? [into + more, out] : [into, out + more];
      const value = [Math.min(a, b), a + b] as const;
      if (value[0] > most[0] + 1e-9 || (Math.abs(value[0] - most[0]) <= 1e-9 && value[1] > most[1] + 1e-9)) {
        most = value;
        chosen = row;
      }
    }
    return chosen;
  };
  if (!chassis.part.fansIncluded) {
    // as many as there are holes, or none: what is not known takes no place from what is
    lacks(chassis.item.id, chassis.part.id, 'fansIncluded');
    for (const row of rows)
      for (const [sizeMm, count] of [...row.sizes].slice(0, 1))
        for (let i = 0; i < count; i++)
          row.fans.push({
            side: row.side,
            sizeMm,
            of: 'maybe',
            item: chassis.item.id,
            moves: { best: moves(row.side, sizeMm, undefined, undefined).best, worst: 0 },
            noiseDbA: undefined,
          });
  }
  for (const included of chassis.part.fansIncluded ?? [])
    for (let i = 0; i < included.count; i++) {
      const home = rowOf(included.side);
      const row = home && fits(home, included.sizeMm) ? home : best(rows, included.sizeMm, included.airflowM3h);
      if (!row) {
        displaced++;
        continue;
      }
      if (included.airflowM3h === undefined || included.pressurePa === undefined)
        lacks(chassis.item.id, chassis.part.id, 'fansIncluded');
      put(row, {
        side: row.side,
        sizeMm: included.sizeMm,
        of: 'case',
        item: chassis.item.id,
        moves: moves(row.side, included.sizeMm, included.airflowM3h, included.pressurePa),
        noiseDbA: included.noiseDbA,
      });
    }
  // those that a person placed first, so that the app works around them; then those with the fewest sides to go to
  const sidesFor = (sizeMm: number | undefined) => rows.filter((row) => row.sizes.has(sizeMm ?? 0)).length;
  const added = [...parts.ofKind('fan')].sort(
    (a, b) =>
      Number(b.item.side !== undefined) - Number(a.item.side !== undefined) ||
      sidesFor(a.part.sizeMm) - sidesFor(b.part.sizeMm),
  );
  for (const fan of added) {
    const { sizeMm, airflowM3h, pressurePa } = fan.part;
    if (sizeMm === undefined) {
      lacks(fan.item.id, fan.part.id, 'sizeMm');
      continue;
    }
    const wished = rowOf(fan.item.side);
    const row = fan.item.side
      ? wished && fits(wished, sizeMm)
        ? wished
        : undefined
      : best(rows, sizeMm, airflowM3h, pressurePa);
    if (!row) {
      homeless.push(fan.item.id);
      continue;
    }
    if (airflowM3h === undefined) lacks(fan.item.id, fan.part.id, 'airflowM3h');
    if (pressurePa === undefined) lacks(fan.item.id, fan.part.id, 'pressurePa');
    put(row, {
      side: row.side,
      sizeMm,
      of: 'added',
      item: fan.item.id,
      moves: moves(row.side, sizeMm, airflowM3h, pressurePa),
      noiseDbA: fan.part.noiseDbA,
    });
  }
  return {
    sides: [...rows]
      .sort((a, b) => SIDES.indexOf(a.side) - SIDES.indexOf(b.side))
      .map(({ side, rowMm, radiator, fans }) => ({ side, rowMm, radiator, fans })),
    radiatorSide: radiatorRow?.side,
    homeless,
    displaced,
    missing: unique(missing),
  };
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
