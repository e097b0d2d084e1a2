import type { Assessment } from '@/core/assess';
import { coversOf, mustComeOff } from '@/core/clearance/reach';
import { meetings } from '@/core/clearance/scene';
import { fullName } from '@/core/model/fitted';
import { HEAT } from '@/core/heat/constants';
import { warmestOf, type SittingHeat } from '@/core/heat/state';
import { supplyLossW } from '@/core/power/efficiency';
import { number, watts } from '@/core/words/format';

/** What a layer says of a part, and how full its bar is: 1 is at the limit. */
export interface MapNote {
  readonly text: string;
  /** A second line where the box has room for one. */
  readonly more?: string;
  readonly share: number | undefined;
  readonly tone: 'carries' | 'doubt' | 'short';
}

const degrees = (c: number): string => `${number(c)} °C`;
const SIDE = { front: 'front', top: 'roof', rear: 'back', bottom: 'floor', side: 'side' } as const;
/** From this share of the way to its limit a part counts as warm. */
const WARM = 0.9;

/** The sitting asked about, else the one that warms the case most. */
export function heatIn(assessment: Assessment, sitting: string | undefined): SittingHeat | undefined {
  const { sittings } = assessment.facts.heat;
  return sittings.find((entry) => entry.sitting === sitting) ?? warmestOf(sittings);
}

/** Temperatures, fan speeds and air of one sitting, by item. */
export function heatNotes(assessment: Assessment, sitting: string | undefined): Map<string, MapNote> {
  const notes = new Map<string, MapNote>();
  const { heat, parts, power, region } = assessment.facts;
  const here = heatIn(assessment, sitting);
  if (!here) return notes;
  const { state, clocks } = here.best;
  const worst = here.worst.state;
  const byItem = power.sittings.find((entry) => entry.sitting === here.sitting)?.byItem;
  for (const [item, draw] of byItem ?? []) notes.set(item, { text: watts(draw), share: undefined, tone: 'carries' });
  state.parts.forEach((hot, i) => {
    const part = heat.setup.hot[i];
    const hottest = worst.parts[i];
    if (!part || !hottest) return;
    const clock = clocks[part.kind];
    const held = here.best.heldBy[part.kind];
    const range =
      hottest.tempC - hot.tempC > 0.5 ? `${number(hot.tempC)} to ${degrees(hottest.tempC)}` : degrees(hot.tempC);
    const kept = held ? ` · ${number(clock * 100, 2)} % clock` : '';
    notes.set(hot.item, {
      text: `${range} of ${number(hot.limitC)}${part.kind === 'graphics' ? `${kept} · ${watts(hot.watts)}` : ''}`,
      ...(part.kind === 'processor' ? { more: `${watts(hot.watts)}${kept}` } : {}),
      share: Math.min(1, hottest.tempC / hottest.limitC),
      tone:
        here.best.shutsDown.includes(hot.item) || held === 'heat'
          ? 'short'
          : hottest.tempC > WARM * hottest.limitC
            ? 'doubt'
            : 'carries',
    });
    const cooler = part.kind === 'processor' ? parts.one('cooler') : undefined;
    if (cooler)
      notes.set(cooler.item.id, {
        text: part.hasFans
          ? `fan ${Math.round(hot.speed * 100)} % · air in ${degrees(hot.intakeC)}`
          : `no fan · air in ${degrees(hot.intakeC)}`,
        share: part.hasFans ? hot.speed : undefined,
        tone: hot.speed > WARM ? 'doubt' : 'carries',
      });
  });
  const chassis = parts.one('case');
  const riseK = state.outletC - heat.setup.roomC;
  if (chassis)
    notes.set(chassis.item.id, {
      text: `${number(state.flowM3h)} m³/h · air +${number(riseK, 2)} K`,
      share: Math.min(1, riseK / HEAT.mostRiseK.value),
      tone: riseK > HEAT.mostRiseK.value ? 'short' : 'carries',
    });
  for (const side of heat.setup.plan?.sides ?? [])
    for (const fan of side.fans)
      if (fan.of === 'added')
        notes.set(fan.item, {
          text: `${SIDE[side.side]} · ${Math.round(state.caseSpeed * 100)} % · ${number(fan.moves.worst * state.caseSpeed, 2)} m³/h`,
          share: state.caseSpeed,
          tone: 'carries',
        });
  for (const item of heat.setup.plan?.homeless ?? [])
    notes.set(item, { text: 'no place in the case', share: undefined, tone: 'short' });
  const supply = parts.one('supply');
  const delivered = [...(byItem?.values() ?? [])].reduce((sum, each) => sum + each, 0);
  if (supply?.part.ratedW && supply.part.tier)
    notes.set(supply.item.id, {
      text: `loses ${watts(supplyLossW(delivered, supply.part.ratedW, supply.part.tier, region.mainsV))} as heat`,
      share: delivered / supply.part.ratedW,
      tone: 'carries',
    });
  return notes;
}

/** Nearest neighbour of each part in mm, what it stands in, and what lies over it. */
export function clearanceNotes(assessment: Assessment): Map<string, MapNote> {
  const notes = new Map<string, MapNote>();
  const { scene, parts } = assessment.facts;
  if (!scene) return notes;
  const nameOf = (item: string) => {
    const fitted = parts.all.find((entry) => entry.item.id === item);
    return fitted ? fullName(fitted.part) : item;
  };
  const covers = coversOf(scene);
  // everything lies over the board, and the case's own fans are no part to look for
  const whole = new Set([parts.one('board')?.item.id, parts.one('case')?.item.id]);
  for (const item of new Set(scene.solids.map((solid) => solid.item))) {
    if (whole.has(item)) continue;
    const over = mustComeOff(covers, item);
    if (over.length > 0)
      notes.set(item, { text: `under ${over.map(nameOf).join(', ')}`, share: undefined, tone: 'carries' });
  }
  for (const { a, b, gapMm } of meetings(scene.solids).reverse())
    for (const [one, other] of [
      [a, b],
      [b, a],
    ] as const) {
      if (whole.has(one.item) && gapMm >= 0) continue;
      if (gapMm < 0)
        notes.set(one.item, { text: `${number(-gapMm, 2)} mm into ${nameOf(other.item)}`, share: 1, tone: 'short' });
      else if (
        gapMm < NEAR_MM &&
        notes.get(one.item)?.tone !== 'short' &&
        !notes.get(one.item)?.text.startsWith('under')
      )
        notes.set(one.item, {
          text: `${number(gapMm, 2)} mm to ${nameOf(other.item)}`,
          share: undefined,
          tone: 'carries',
        });
    }
  return notes;
}

/** mm beyond which a neighbour is none. */
const NEAR_MM = 60;
