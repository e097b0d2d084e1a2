import { describe, expect, test } from 'vitest';
import { assessed, BUSY, FAN, plus, without, type Change } from '../tests/world';
import { fanCurveSchema } from '../model/machine';
import { HEAT } from './constants';
import fc from 'fast-check';
import { airRiseK } from './air';
import { fansNeeded, fewest } from './fans';
import { overTime } from './overTime';
import { airPath, exact, fanPlan, type FanPlace } from './places';
import { quietestCurves } from './quiet';
import { atRest } from './state';

const heatOf = (change: Change = {}) => assessed(change).facts.heat;

describe('fans', () => {
  const SMALL = { ...FAN, sizeMm: 120, airflowM3h: 90, pressurePa: 15 };
  const fans = (...ids: string[]) => ({ addParts: [SMALL], items: plus(...ids.map((id) => ({ id, part: 'fan' }))) });

  test('go where the smaller stream grows most; a side takes one size, and a hand may say where', () => {
    const bare = { case: { fansIncluded: [] } };
    const plan = heatOf({ ...fans('fan-1', 'fan-2', 'fan-3', 'fan-4'), parts: bare }).setup.plan;
    const count = (side: string) => plan?.sides.find((entry) => entry.side === side)?.fans.length;
    expect([count('front'), count('rear'), count('top')]).toEqual([2, 1, 1]);
    const byHand = heatOf({ addParts: [SMALL], parts: bare, items: plus({ id: 'fan-1', part: 'fan', side: 'top' }) })
      .setup.plan;
    expect(byHand?.sides.find((side) => side.side === 'top')?.fans.map((fan) => fan.item)).toEqual(['fan-1']);
    // the front is drilled for 140 mm here already, and the back is taken
    const full = heatOf(fans('fan-1', 'fan-2', 'fan-3', 'fan-4')).setup.plan;
    expect(full?.homeless).toEqual(['fan-4']);
  });

  test('a radiator goes under the roof where it fits, takes its length of the row, and displaces the fans there', () => {
    const plan = fanPlan(assessed({ parts: { cooler: { type: 'liquid', radiatorMm: 360, fans: 3 } } }).facts.parts);
    expect(plan?.radiatorSide).toBe('front');
    expect(plan?.displaced).toBe(2);
    expect(
      fanPlan(assessed({ parts: { cooler: { type: 'liquid', radiatorMm: 240 } } }).facts.parts)?.radiatorSide,
    ).toBe('top');
    expect(fanPlan(assessed({ items: without('case-1') }).facts.parts)).toBeUndefined();
  });

  test('no more are kept than the heat needs, and taking one more out would be too few', () => {
    const facts = assessed({
      ...fans('fan-1', 'fan-2', 'fan-3', 'fan-4', 'fan-5'),
      brief: BUSY,
      parts: { case: { fansIncluded: [] } },
    }).facts;
    const need = fansNeeded(facts.parts, facts.heat, facts.power, 115);
    if (!need) throw new Error('there are fans');
    expect(need.keep.length + need.spare.length).toBe(5);
    expect(need.spare.length).toBeGreaterThan(0);
    expect(need.riseK).toBeLessThanOrEqual(HEAT.usefulRiseK.value);
    const rise = (count: number) => {
      const less = assessed({
        ...fans(...need.keep.slice(0, count)),
        brief: BUSY,
        parts: { case: { fansIncluded: [] } },
      }).facts;
      return fansNeeded(less.parts, less.heat, less.power, 115)?.riseK ?? NaN;
    };
    expect(rise(need.keep.length - 1)).toBeGreaterThan(HEAT.usefulRiseK.value);
  });

  test('are the fewest there are: equal to trying every subset', () => {
    const sides = ['front', 'rear', 'top', 'bottom'] as const;
    const place = (side: (typeof sides)[number], m3h: number, i: number): FanPlace => ({
      side,
      sizeMm: 120,
      of: 'added',
      item: `fan-${i}`,
      moves: exact(m3h),
      noiseDbA: 20,
    });
    const fan = fc.record({ side: fc.constantFrom(...sides), m3h: fc.constantFrom(40, 65, 90) });
    fc.assert(
      fc.property(fc.array(fan, { minLength: 1, maxLength: 8 }), fc.integer({ min: 50, max: 500 }), (drawn, watts) => {
        const fans = drawn.map(({ side, m3h }, i) => place(side, m3h, i));
        const rise = (kept: readonly FanPlace[]) => airRiseK(watts, airPath(false, kept).at(1, 'worst'));
        const allowed = Math.max(HEAT.usefulRiseK.value, rise(fans));
        const judge = (kept: readonly FanPlace[]) => (rise(kept) <= allowed + 1e-9 ? rise(kept) : undefined);
        let least = Infinity;
        let coolest = Infinity;
        for (let mask = 0; mask < 2 ** fans.length; mask++) {
          const kept = fans.filter((_, i) => (mask >> i) % 2 === 1);
          const found = judge(kept);
          if (found === undefined || kept.length > least) continue;
          coolest = kept.length < least ? found : Math.min(coolest, found);
          least = kept.length;
        }
        const answer = fewest(fans, judge);
        expect(answer.length).toBe(least);
        expect(rise(answer)).toBeCloseTo(coolest, 9);
      }),
      { numRuns: 60, seed: 5 },
    );
  });

  test('the quietest curves hold every clock and are no louder', () => {
    const before = assessed({ brief: BUSY }).facts;
    const curves = quietestCurves(before.parts, before.heat.setup, before.power, 115);
    if (!curves) throw new Error('the cooler has a fan');
    const after = assessed({
      brief: BUSY,
      machine: { tuning: { coolerCurve: [...curves.coolerCurve], caseCurve: [...curves.caseCurve] } },
    }).facts;
    expect(after.heat.sittings[0]?.best.clocks).toEqual(before.heat.sittings[0]?.best.clocks);
    expect(after.heat.sittings[0]?.noise.dbA ?? 99).toBeLessThan(before.heat.sittings[0]?.noise.dbA ?? 0);
    expect(after.heat.sittings[0]?.best.state.parts[0]?.tempC ?? 99).toBeLessThanOrEqual(95);
  });

  test.each([0, 5, 38])('in a room of %i °C they still rise from the least speed to full at the limit', (roomC) => {
    const { parts, heat, power } = assessed({ brief: { ...BUSY, roomC } }).facts;
    const curves = quietestCurves(parts, heat.setup, power, 115);
    if (!curves) throw new Error('the cooler has a fan');
    for (const curve of [curves.coolerCurve, curves.caseCurve]) {
      expect(fanCurveSchema.safeParse(curve).success).toBe(true);
      expect(curve.at(-1)?.percent).toBe(100);
    }
  });

  test('filters that nobody states are named among what is missing', () => {
    const missing = (change: Change) => heatOf(change).setup.missing.map((figure) => figure.field);
    expect(missing({ parts: { case: { dustFilters: undefined } } })).toContain('dustFilters');
    expect(missing({})).not.toContain('dustFilters');
  });

  test('at rest the machine is quieter and cooler than at work', () => {
    const { parts, heat, power } = assessed({ brief: BUSY }).facts;
    const rest = atRest(parts, heat.setup, 115);
    expect(rest.watts).toBeLessThanOrEqual(power.idleW + 1e-9);
    expect(rest.noise.dbA).toBeLessThan(heat.sittings[0]?.noise.dbA ?? 0);
    expect(rest.state.outletC).toBeLessThan(heat.sittings[0]?.best.state.outletC ?? 0);
  });
});

describe('the first hour', () => {
  const over = (change: Change, busy = 1) => {
    const { heat, parts } = assessed(change).facts;
    const [hot] = heat.setup.hot;
    const [state] = heat.atLimit.best.state.parts;
    const processor = parts.one('processor')?.part;
    if (!hot || !state || !processor) throw new Error('there is a processor');
    return {
      moments: overTime(hot, state, processor, parts.one('cooler')?.part, busy, 1),
      state,
      clocks: heat.atLimit.best.clocks,
    };
  };

  test('ends where the steady state is', () => {
    const { moments, state, clocks } = over({});
    expect(moments.map((moment) => moment.atS)).toEqual([5, 60, 300, 3600]);
    expect(moments.at(-1)?.tempC).toBeCloseTo(state.tempC, 0);
    expect(moments.at(-1)?.clock).toBeCloseTo(clocks.processor, 2);
    for (let i = 1; i < moments.length; i++)
      expect(moments[i]?.tempC ?? 0).toBeGreaterThanOrEqual(moments[i - 1]?.tempC ?? 0);
  });

  test('draws its maximum for the short window, then what it keeps up', () => {
    const { moments } = over({ parts: { cpu: { sustainedPowerW: 80, shortPowerS: 30 } } });
    expect(moments.map((moment) => Math.round(moment.watts))).toEqual([120, 80, 80, 80]);
    expect(moments[1]?.clock).toBeCloseTo(Math.cbrt(70 / 110), 3);
  });

  test('a small cooler holds for minutes before it slows', () => {
    const { moments, clocks } = over({ parts: { cooler: { resistance: [{ rpm: 1500, kPerW: 0.6 }] } } });
    expect(moments[0]?.clock).toBe(1);
    expect(moments.at(-1)?.clock).toBeCloseTo(clocks.processor, 1);
    expect(moments.at(-1)?.clock ?? 1).toBeLessThan(0.97);
  });
});
