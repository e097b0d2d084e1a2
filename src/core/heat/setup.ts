import type { Brief } from '../model/brief';
import type { AnyFitted, Fitted, FittedParts } from '../model/fitted';
import type { FanCurve, Tuning } from '../model/machine';
import type { PartOf } from '../parts';
import type { MissingFigure } from '../figures/missing';
import { BOUNDS, HEAT, USUAL_CURVES } from './constants';
import { airPath, exact, fanPlan, isIntake, type AirPath, type Bounds, type End, type FanPlan } from './places';

/** A part whose temperature decides its clock. */
export interface HotPart {
  readonly item: string;
  readonly kind: 'processor' | 'graphics';
  readonly limitC: Bounds;
  /** W at rest and with every unit busy at full clock. */
  readonly idleW: number;
  readonly fullW: number;
  /** W it may draw for hours. */
  readonly allowedW: Bounds;
  /** K/W from chip to the air it draws, at a share of its fans' full speed and m³/h through the case. */
  readonly kPerW: (speed: number, m3h: number, end: End) => number;
  readonly curve: FanCurve;
  /** Takes room air, as a radiator in the front does; else the case's. */
  readonly fromRoom: boolean;
  /** Share of the cards' heat that it draws in again before it has mixed. */
  readonly recirculates: number;
  /** Share of its heat that stays in the case. */
  readonly intoCase: Bounds;
  readonly fanNoiseDbA: number | undefined;
  /** Whether it has fans at all; a part without them makes no noise. */
  readonly hasFans: boolean;
}

/** What the heat of a machine depends on, made once a machine. */
export interface HeatSetup {
  readonly roomC: number;
  readonly air: AirPath;
  readonly plan: FanPlan | undefined;
  readonly hot: readonly HotPart[];
  readonly caseCurve: FanCurve;
  readonly clockMost: number;
  /** The same of the graphics cards' clocks. */
  readonly cardClockMost: number;
  readonly damped: boolean;
  /** Parts whose power is unknown, so that nothing can be said of the clock they keep. */
  readonly blind: readonly { readonly kind: HotPart['kind']; readonly figure: MissingFigure }[];
  /** Figures that are unknown and only bounded. */
  readonly missing: readonly MissingFigure[];
}

/**
 * Fan speed, 0 … 1, that a curve gives at a temperature.
 * @example speedAt([{ c: 40, percent: 30 }, { c: 80, percent: 100 }], 60) // 0.65
 */
export function speedAt(curve: FanCurve, c: number): number {
  let before = curve[0];
  if (!before) return 1;
  if (c <= before.c) return before.percent / 100;
  for (const point of curve) {
    if (c <= point.c)
      return (before.percent + ((point.percent - before.percent) * (c - before.c)) / (point.c - before.c || 1)) / 100;
    before = point;
  }
  return before.percent / 100;
}

type Points = readonly { readonly rpm: number; readonly kPerW: number }[];
const STEPS = 128;
const tables = new WeakMap<Points, Float64Array>();

/**
 * K/W at a share of full speed: a power law between the points that are stated, and its usual exponent outside them,
 * tabulated once and read in straight lines. Full speed is the highest that is stated.
 * @throws RangeError without a point
 */
export function resistanceAt(points: Points): (speed: number) => number {
  let table = tables.get(points);
  if (!table) {
    const law = powerLaw(points);
    tables.set(points, (table = Float64Array.from({ length: STEPS + 1 }, (_, i) => law(i / STEPS))));
  }
  const values = table;
  return (speed) => {
    const x = Math.min(STEPS, Math.max(0, speed * STEPS));
    const i = Math.min(STEPS - 1, Math.floor(x));
    const from = values[i] ?? 0;
    return from + ((values[i + 1] ?? from) - from) * (x - i);
  };
}

function powerLaw(points: Points): (speed: number) => number {
  const sorted = [...points].sort((a, b) => a.rpm - b.rpm);
  const last = sorted.at(-1);
  if (!last) throw new RangeError('a resistance needs at least one point');
  return (asked) => {
    const speed = Math.max(HEAT.leastSpeed.value, asked);
    let from: { rpm: number; kPerW: number } | undefined;
    for (const to of sorted) {
      const at = to.rpm / last.rpm;
      if (speed <= at) {
        if (!from) return to.kPerW * (at / speed) ** HEAT.speedExponent.value;
        if (to.rpm === from.rpm) return to.kPerW;
        const exponent = Math.log(from.kPerW / to.kPerW) / Math.log(to.rpm / from.rpm);
        return to.kPerW * (at / speed) ** exponent;
      }
      from = to;
    }
    return last.kPerW;
  };
}

/** More air through the case cools a part without fans better, with the root of the flow. */
const draughtFactor = (m3h: number): number =>
  (HEAT.passiveReferenceM3h.value / Math.max(1, m3h)) ** HEAT.passiveExponent.value;

/** A resistance that is only known to lie between two, with the usual dependence on speed. */
function boundedResistance(bounds: Bounds): (speed: number, end: End) => number {
  const [best, worst] = [bounds.best, bounds.worst].map((kPerW) => resistanceAt([{ rpm: 1, kPerW }]));
  return (speed, end) => (end === 'best' ? best : worst)?.(speed) ?? NaN;
}

/** A known figure, or the bounds it lies between with the figure noted as unknown. */
type Known = (fitted: AnyFitted, field: string, value: number | undefined, bounds: Bounds) => Bounds;
/** Notes a figure as unknown. */
type Lacks = (fitted: AnyFitted, field: string) => void;

/** How a machine is set; what is not set runs as its makers ship it. */
export interface Tuned {
  readonly tuning?: Tuning | undefined;
}

export function heatSetup(parts: FittedParts, { tuning = {} }: Tuned, brief: Brief): HeatSetup {
  const missing: MissingFigure[] = [];
  const lacks: Lacks = ({ item, part }, field) => missing.push({ item: item.id, part: part.id, field });
  const known: Known = (fitted, field, value, bounds) => {
    if (value !== undefined) return exact(value);
    lacks(fitted, field);
    return bounds;
  };
  const chassis = parts.one('case');
  const plan = fanPlan(parts);
  const open = !chassis || chassis.part.frame === 'open';
  // what surrounds an open frame does not depend on its fans
  if (!open && chassis) {
    if (plan) missing.push(...plan.missing);
    else lacks(chassis, 'mounts');
  }
  const hot: HotPart[] = [];
  const processor = parts.one('processor');
  const factor = tuning.clock ?? 1;
  const cpu = processor && hotProcessor(processor, parts, tuning, plan, known, lacks);
  if (cpu) hot.push(cpu);
  const blind: HeatSetup['blind'][number][] = [];
  const unseen = (kind: HotPart['kind'], fitted: AnyFitted, field: string) =>
    blind.push({ kind, figure: { item: fitted.item.id, part: fitted.part.id, field } });
  // without any cooling the machine is blocked as incomplete, which says more
  if (processor && processor.part.maxPowerW === undefined && (parts.one('cooler') || processor.part.coolerIncluded))
    unseen('processor', processor, 'maxPowerW');
  for (const card of parts.ofKind('graphics')) {
    const part = hotCard(card, tuning, known, lacks);
    if (part) hot.push(part);
    else unseen('graphics', card, 'boardPowerW');
  }
  return {
    roomC: brief.roomC,
    air: open || plan ? airPath(open, plan?.sides.flatMap((side) => side.fans) ?? []) : unknownAir(),
    plan,
    hot,
    caseCurve: tuning.caseCurve ?? USUAL_CURVES.case,
    clockMost: factor,
    cardClockMost: tuning.cardClock ?? 1,
    damped: chassis?.part.damped ?? false,
    blind,
    missing,
  };
}

/** A closed case of which not even the holes are known: between a draught and what a good case moves. */
const unknownAir = (): AirPath => ({
  open: false,
  at: (speed, end) => HEAT.naturalM3h.value + speed * BOUNDS.caseM3h[end],
});

/** The processor with whatever cools it; undefined without a cooler, or when its power is not known at all. */
function hotProcessor(
  processor: Fitted<'processor'>,
  parts: FittedParts,
  tuning: Tuning,
  plan: FanPlan | undefined,
  known: Known,
  lacks: Lacks,
): HotPart | undefined {
  const { part, item } = processor;
  const cooler = parts.one('cooler');
  if (part.maxPowerW === undefined || (!cooler && !part.coolerIncluded)) return undefined;
  const maxW = part.maxPowerW;
  const idleW = Math.min(part.idlePowerW ?? 0, maxW);
  const sustained = known(processor, 'sustainedPowerW', part.sustainedPowerW, {
    best: maxW,
    worst: Math.min(maxW, part.basePowerW ?? maxW / 2),
  });
  const limit = known(processor, 'maxTemperatureC', part.maxTemperatureC, BOUNDS.processorLimitC);
  const own = known(processor, 'packageKPerW', part.packageKPerW, BOUNDS.packageKPerW);
  const type = cooler?.part.type ?? (cooler ? 'tower' : 'included');
  const points = cooler
    ? cooler.part.resistance
    : part.includedCoolerKPerW === undefined
      ? undefined
      : [{ rpm: 1, kPerW: part.includedCoolerKPerW }];
  const bounds = BOUNDS[type];
  const stated = points && resistanceAt(points);
  if (!stated)
    if (cooler) lacks(cooler, 'resistance');
    else lacks(processor, 'includedCoolerKPerW');
  const bounded = stated ?? boundedResistance(bounds);
  const passive = type === 'passive';
  const side = type === 'liquid' ? plan?.radiatorSide : undefined;
  const leaves = side !== undefined && !isIntake(side);
  return {
    item: item.id,
    kind: 'processor',
    limitC: limit,
    idleW,
    fullW: maxW,
    // a limit set by hand replaces the maker's; an overclock is held by heat alone
    allowedW:
      tuning.packageW !== undefined ? exact(tuning.packageW) : (tuning.clock ?? 1) > 1 ? exact(Infinity) : sustained,
    kPerW: (speed, m3h, end) => own[end] + (passive ? bounded(1, end) * draughtFactor(m3h) : bounded(speed, end)),
    curve: tuning.coolerCurve ?? USUAL_CURVES.cooler,
    fromRoom: type === 'liquid' && side !== undefined && isIntake(side),
    recirculates:
      (type === 'liquid'
        ? HEAT.recirculationRoof.value
        : type === 'low-profile' || type === 'included'
          ? HEAT.recirculationFlat.value
          : HEAT.recirculationTower.value) *
      (parts.ofKind('graphics').some((card) => card.item.upright) ? HEAT.uprightFactor.value : 1),
    intoCase: leaves ? exact(HEAT.exhaustedStays.value) : exact(1),
    fanNoiseDbA: cooler ? cooler.part.noiseDbA : part.includedCoolerNoiseDbA,
    hasFans: cooler ? !passive && cooler.part.fans !== 0 : true,
  };
}

const STAYS: Readonly<Record<NonNullable<PartOf<'graphics'>['exhaust']>, number>> = {
  case: 1,
  both: HEAT.bothStays.value,
  out: HEAT.outStays.value,
};

function hotCard(card: Fitted<'graphics'>, tuning: Tuning, known: Known, lacks: Lacks): HotPart | undefined {
  const { part, item } = card;
  if (part.boardPowerW === undefined) return undefined;
  const fullW = part.boardPowerW;
  const passive = part.cooling === 'passive';
  if (part.cooling === undefined) lacks(card, 'cooling');
  const rise = passive ? BOUNDS.passiveCardRiseK : BOUNDS.cardRiseK;
  const stated = part.resistance && resistanceAt(part.resistance);
  if (!stated) lacks(card, 'resistance');
  const bounded = stated ?? boundedResistance({ best: rise.best / fullW, worst: rise.worst / fullW });
  if (part.exhaust === undefined) lacks(card, 'exhaust');
  return {
    item: item.id,
    kind: 'graphics',
    limitC: known(card, 'maxTemperatureC', part.maxTemperatureC, BOUNDS.cardLimitC),
    idleW: Math.min(part.idlePowerW ?? 0, fullW),
    fullW,
    // as with a processor: a share set by hand is the limit, raised clocks are held by heat alone
    allowedW:
      tuning.cardShare === undefined && (tuning.cardClock ?? 1) > 1
        ? exact(Infinity)
        : exact(fullW * (tuning.cardShare ?? 1)),
    kPerW: (speed, m3h, end) => (passive ? bounded(1, end) * draughtFactor(m3h) : bounded(speed, end)),
    curve: USUAL_CURVES.card,
    fromRoom: false,
    recirculates: 0,
    intoCase: part.exhaust === undefined ? { best: STAYS.out, worst: STAYS.case } : exact(STAYS[part.exhaust]),
    fanNoiseDbA: part.noiseDbA,
    hasFans: !passive,
  };
}
