import type { FittedParts } from '../model/fitted';
import type { Side } from '../parts/case';
import { heaviestOf, type PowerState } from '../power/draw';
import type { Mains } from '../power/efficiency';
import { airRiseK } from './air';
import { HEAT } from './constants';
import { heatLoad } from './load';
import { airPath, FAN_ORDER, type FanPlace } from './places';
import type { HeatState } from './state';
import { steady, type Steady } from './steady';

/** K from its limit at which a part counts as held by it. */
const AT_LIMIT_K = 2;

/** Which of the fans added the heat needs, and which could be left out. */
export interface FanNeed {
  readonly keep: readonly string[];
  readonly spare: readonly string[];
  /** Sides on which those kept stand. */
  readonly sides: readonly Side[];
  /** Rise of the case air in the heaviest sitting at full fan speed, K: with those kept. */
  readonly riseK: number;
  readonly flowM3h: number;
}

/**
 * The fewest of the added fans that do the work: air no more than `HEAT.usefulRiseK` above the room in the heaviest
 * sitting at full speed (or no worse than with all, where all do not reach it), no part past its limit that is within
 * it with all, and the worst end of what is unknown. Exact: every number of fans of each kind on each side is tried,
 * fewest first; of equally few those that leave the air coolest.
 */
export function fansNeeded(
  parts: FittedParts,
  { setup, sittings }: Pick<HeatState, 'setup' | 'sittings'>,
  power: PowerState,
  mains: Mains,
): FanNeed | undefined {
  const all = setup.plan?.sides.flatMap((side) => side.fans) ?? [];
  const added = all.filter((fan) => fan.of === 'added');
  if (!setup.plan || setup.air.open || added.length === 0) return undefined;
  const heaviest = heaviestOf(power);
  const watts = new Map(heaviest?.byItem ?? power.parts.map((part) => [part.item, part.maxW]));
  for (const fan of added) watts.delete(fan.item);
  // planned for the machine put right: what heat holds back now will draw its share under a cooler that carries it
  const settled = sittings.find((entry) => entry.sitting === heaviest?.sitting)?.best;
  for (const part of setup.hot) {
    const now = watts.get(part.item);
    if (settled && now !== undefined && settled.heldBy[part.kind] === 'heat')
      watts.set(part.item, part.idleW + (now - part.idleW) / settled.clocks[part.kind] ** 3);
  }
  const load = heatLoad(parts, setup, mains, watts);
  const stateWith = (fans: readonly FanPlace[]): Steady =>
    steady({ ...setup, air: airPath(false, fans) }, load, 'worst', { case: 1 });
  const riseOf = (state: Steady) => state.outletC - setup.roomC;
  const withAll = stateWith(all);
  // what heat holds even with all fans wants a better cooler: fans are not made to stand in for it
  const heldAnyway = withAll.parts.map((part) => part.tempC > part.limitC - AT_LIMIT_K);
  const allowedK = Math.max(HEAT.usefulRiseK.value, riseOf(withAll) + 0.01);
  const does = (state: Steady) =>
    riseOf(state) <= allowedK && state.parts.every((part, i) => part.tempC <= part.limitC || heldAnyway[i]);
  const fixed = all.filter((fan) => fan.of !== 'added');
  const kept = fewest(added, (fans) => {
    const air = airPath(false, [...fixed, ...fans]);
    // the rise is known without solving for temperatures, and rules most choices out
    if (airRiseK(withAll.heatW, air.at(1, 'worst')) > allowedK) return undefined;
    const state = stateWith([...fixed, ...fans]);
    return does(state) ? riseOf(state) : undefined;
  });
  const state = stateWith([...fixed, ...kept]);
  const keep = kept.map((fan) => fan.item);
  return {
    keep,
    spare: added.map((fan) => fan.item).filter((item) => !keep.includes(item)),
    sides: [...new Set(kept.map((fan) => fan.side))],
    riseK: riseOf(state),
    flowM3h: state.flowM3h,
  };
}

/**
 * The fewest of some fans for which `riseOf` gives a rise, and of those the ones with the least. Fans that blow alike on
 * one side are interchangeable, so only their numbers are chosen.
 */
export function fewest(
  fans: readonly FanPlace[],
  riseOf: (kept: readonly FanPlace[]) => number | undefined,
): readonly FanPlace[] {
  const groups = new Map<string, FanPlace[]>();
  for (const fan of fans) {
    const key = `${fan.side} ${fan.moves.best} ${fan.moves.worst}`;
    const group = groups.get(key);
    if (group) group.push(fan);
    else groups.set(key, [fan]);
  }
  const lists = [...groups.values()].sort(
    (a, b) => FAN_ORDER.indexOf(a[0]?.side ?? 'side') - FAN_ORDER.indexOf(b[0]?.side ?? 'side'),
  );
  let best: { kept: FanPlace[]; riseK: number } | undefined;
  const choose = (at: number, left: number, kept: FanPlace[]): void => {
    const group = lists[at];
    if (!group) {
      if (left > 0) return;
      const riseK = riseOf(kept);
      if (riseK !== undefined && (!best || riseK < best.riseK - 1e-9)) best = { kept, riseK };
      return;
    }
    for (let count = Math.min(left, group.length); count >= 0; count--)
      choose(at + 1, left - count, [...kept, ...group.slice(0, count)]);
  };
  for (let total = 0; total <= fans.length; total++) {
    choose(0, total, []);
    if (best) return best.kept;
  }
  return fans;
}
