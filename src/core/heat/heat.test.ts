import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Assessment } from '../assess';
import { progress } from '../predict/worst';
import { assessed, BUSY, DESK, EXPORT, PLAY, without, type Change } from '../tests/world';
import { rootOf } from '../units/root';
import { airflowM3h, airRiseK, fanChangeDb, loudness, throughOpening } from './air';
import { airPath, exact } from './places';
import type { Clocks } from '../predict/clocks';
import { settle, WITHIN_CLOCK } from './settle';
import { resistanceAt, speedAt, type HeatSetup, type HotPart } from './setup';
import { drawnAt } from './state';
import { steady } from './steady';

const SOFTWARE = { ...EXPORT, path: 'software', preset: 'medium' };
const heatOf = (change: Change = {}) => assessed(change).facts.heat;
const chip = (assessment: Assessment) => assessment.facts.heat.atLimit.best.state.parts[0];

describe('worked by hand', () => {
  test('600 W in 100 m³/h rise 17.9 K; 300 W need 89.6 m³/h to rise 10 K', () => {
    // 100 m³/h = 0.027778 m³/s; × 1.2 kg/m³ × 1005 J/(kg K) = 33.5 W/K
    expect(airRiseK(600, 100)).toBeCloseTo(17.91, 2);
    expect(airflowM3h(300, 10)).toBeCloseTo(89.55, 2);
  });

  test('two fans of 30 dB(A) are 33.0, and 1500 → 1000 rpm is −8.8 dB', () => {
    expect(loudness([30, 30])).toBeCloseTo(33.01, 2);
    expect(loudness([40, 30])).toBeCloseTo(40.41, 2);
    expect(fanChangeDb(1500, 1000)).toBeCloseTo(-8.8, 2);
  });

  test('a fan of 100 m³/h and 10 Pa moves 61.8 m³/h through 0.001 Pa/(m³/h)²', () => {
    // 10 × (1 − Q/100) = 0.001 Q² → Q = (√(0.01 + 0.04) − 0.1) ÷ 0.002
    expect(throughOpening(100, 10, 0.001)).toBeCloseTo(61.8, 1);
    expect(throughOpening(100, 10, 0)).toBe(100);
  });

  test('120 W on 0.30 K/W in 35 °C air sit at 71 °C', () => {
    const hot: HotPart = {
      item: 'cpu',
      kind: 'processor',
      limitC: exact(95),
      idleW: 10,
      fullW: 120,
      allowedW: exact(120),
      kPerW: () => 0.3,
      curve: [{ c: 20, percent: 100 }],
      fromRoom: true,
      recirculates: 0,
      intoCase: exact(1),
      fanNoiseDbA: 30,
      hasFans: true,
    };
    const setup: HeatSetup = {
      roomC: 35,
      air: airPath(true, []),
      plan: undefined,
      hot: [hot],
      caseCurve: [{ c: 20, percent: 100 }],
      clockMost: 1,
      cardClockMost: 1,
      damped: false,
      blind: [],
      missing: [],
    };
    expect(steady(setup, { watts: () => 120, others: 0 }, 'best').parts[0]?.tempC).toBeCloseTo(71, 1);
  });

  test('case air: 200 W of other heat in two streams of 60 and 40 m³/h, the rest leaking at 45 %', () => {
    const fan = (side: 'front' | 'rear', m3h: number) => ({
      side,
      sizeMm: 120,
      of: 'added' as const,
      item: side,
      moves: exact(m3h),
      noiseDbA: 20,
    });
    const air = airPath(false, [fan('front', 60), fan('rear', 40)]);
    // 8 natural + 40 + 0.45 × 20
    expect(air.at(1, 'best')).toBeCloseTo(57, 9);
    expect(air.at(0.5, 'best')).toBeCloseTo(8 + 24.5, 9);
  });

  test('resistance is a power law between its points, and its usual exponent below them', () => {
    const at = resistanceAt([
      { rpm: 500, kPerW: 0.4 },
      { rpm: 2000, kPerW: 0.2 },
    ]);
    expect(at(1)).toBe(0.2);
    expect(at(0.25)).toBeCloseTo(0.4, 6);
    // half way in logarithms: 1000 rpm, √(0.4 × 0.2)
    expect(at(0.5)).toBeCloseTo(0.2828, 3);
    expect(at(0.125)).toBeCloseTo(0.4 * 2 ** 0.4, 3);
    expect(() => resistanceAt([])).toThrow('at least one point');
  });

  test('a curve is straight between its points and flat outside them', () => {
    const curve = [
      { c: 40, percent: 30 },
      { c: 80, percent: 70 },
    ];
    expect([20, 40, 60, 80, 100].map((c) => speedAt(curve, c))).toEqual([0.3, 0.3, 0.5, 0.7, 0.7]);
  });
});

describe('roots', () => {
  test('are found inside any bracket of a function that does not fall, to the tolerance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        fc.integer({ min: 1, max: 5 }),
        (zero, power, wide) => {
          const f = (x: number) => Math.sign(x - zero) * Math.abs(x - zero) ** power;
          const found = rootOf(f, 0 - wide, 1 + wide * 3, 1e-4, undefined);
          expect(f(found)).toBeLessThanOrEqual(0);
          expect(zero - found).toBeLessThanOrEqual(1e-4 + 1e-12);
        },
      ),
    );
  });

  test('steps are found too, and an end answers where the sign does not change', () => {
    expect(rootOf((x) => (x < 0.3 ? -1 : 1), 0, 1, 1e-3, undefined)).toBeCloseTo(0.3, 2);
    expect(rootOf(() => -1, 0, 1, 1e-3, undefined)).toBe(1);
    expect(rootOf(() => 1, 0, 1, 1e-3, undefined)).toBe(0);
  });
});

describe('the fixed point', () => {
  const weak = {
    parts: {
      cooler: {
        resistance: [
          { rpm: 600, kPerW: 0.75 },
          { rpm: 1500, kPerW: 0.55 },
        ],
      },
      card: { resistance: [{ rpm: 2000, kPerW: 0.36 }] },
    },
    brief: { roomC: 35 },
  };

  test('is the same from any start', () => {
    const { heat, parts } = assessed(weak).facts;
    const busy = new Map([
      ['cpu.parallel', 1],
      ['gpu.fp32', 1],
      ['memory.traffic', 1],
    ]);
    const drawn = (clocks: Clocks) => drawnAt(parts, heat.setup, 115, busy, clocks, undefined);
    const from = (processor: number, graphics: number) =>
      settle(heat.setup, drawn, 'best', { processor, serial: 1, graphics }).clocks;
    const reference = from(1, 1);
    expect(reference.processor).toBeLessThan(0.95);
    expect(reference.graphics).toBeLessThan(0.99);
    fc.assert(
      fc.property(
        fc.double({ min: 0.25, max: 1, noNaN: true }),
        fc.double({ min: 0.25, max: 1, noNaN: true }),
        (processor, graphics) => {
          const found = from(processor, graphics);
          expect(Math.abs(found.processor - reference.processor)).toBeLessThanOrEqual(2.5 * WITHIN_CLOCK);
          expect(Math.abs(found.graphics - reference.graphics)).toBeLessThanOrEqual(2.5 * WITHIN_CLOCK);
        },
      ),
      { numRuns: 25 },
    );
  });

  test('the ceiling is no lower than the true clocks, and close to them when it is looked at closely', () => {
    const busy = new Map([
      ['cpu.parallel', 1],
      ['gpu.fp32', 1],
      ['memory.traffic', 1],
    ]);
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 45 }),
        fc.integer({ min: 60, max: 140 }),
        // the last ones are too hot even at the lowest clock
        fc.oneof(fc.double({ min: 0.2, max: 0.6, noNaN: true }), fc.double({ min: 0.6, max: 4, noNaN: true })),
        (roomC, packageW, kPerW) => {
          const card = { resistance: [{ rpm: 2000, kPerW }] };
          const change = {
            ...weak,
            parts: { ...weak.parts, card },
            brief: { roomC },
            machine: { tuning: { packageW } },
          };
          const { heat, parts } = assessed(change).facts;
          const drawn = (clocks: Clocks) => drawnAt(parts, heat.setup, 115, busy, clocks, clocks);
          const settled = settle(heat.setup, drawn, 'best');
          /** The same turns with brackets a thousand times narrower. */
          const over = (of: number, processor: number, graphics: number): number => {
            const { load } = drawn({ processor, serial: 1, graphics });
            const part = steady(heat.setup, load, 'best').parts[of];
            const allowedW = heat.setup.hot[of]?.allowedW.best ?? Infinity;
            if (!part) return -1;
            return Math.max(part.tempC - part.limitC, (part.watts - allowedW) * part.kPerW);
          };
          let [processor, graphics] = [1, 1];
          for (let turn = 0; turn < 40; turn++) {
            processor = rootOf((k) => over(0, k, graphics), 0.25, 1, 2e-6, undefined);
            graphics = rootOf((k) => over(1, processor, k), 0.25, 1, 2e-6, undefined);
          }
          const [loose, close] = [settled.ceiling(false), settled.ceiling(true)];
          expect(close.processor).toBeGreaterThanOrEqual(processor);
          expect(close.graphics).toBeGreaterThanOrEqual(graphics);
          expect(loose.processor).toBeGreaterThanOrEqual(close.processor - 1e-9);
          expect(loose.graphics).toBeGreaterThanOrEqual(close.graphics - 1e-9);
          expect(close.processor - processor).toBeLessThan(0.003);
          expect(close.graphics - graphics).toBeLessThan(0.003);
          expect(close.processor).toBeGreaterThanOrEqual(settled.clocks.processor);
          expect(close.graphics).toBeGreaterThanOrEqual(settled.clocks.graphics);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('holds each part at its limit and no hotter, and its clock feeds the prediction', () => {
    const warm = assessed({ ...weak, brief: { ...weak.brief, ...BUSY } });
    const cold = assessed({ brief: { ...weak.brief, ...BUSY } });
    const [sitting] = warm.facts.heat.sittings;
    const hot = sitting?.best.state.parts[0];
    expect(hot?.tempC).toBeGreaterThan(94);
    expect(hot?.tempC).toBeLessThanOrEqual(95.02);
    expect(sitting?.best.heldBy.processor).toBe('heat');
    const [slow, fast] = [warm, cold].map((each) => each.tasks.find((task) => task.task === 'export'));
    if (!slow || !fast) throw new Error('both machines export');
    // an export bound by all cores slows by the clock, as far as its other stages do not hide it
    const clock = sitting?.best.clocks.processor ?? 1;
    const ratio = progress(slow) / progress(fast);
    expect(ratio).toBeGreaterThan(clock - 0.02);
    expect(ratio).toBeLessThan((1 + clock) / 2);
    expect(slow.uses.find((use) => use.resource === 'cpu.parallel')?.supply).toMatchObject({ op: 'product' });
  });

  test('power follows the cube of the clock: what is held at k draws idle + (limit − idle) × k³', () => {
    const { heat, power } = assessed({ ...weak, brief: { ...weak.brief, ...BUSY } }).facts;
    const [sitting] = heat.sittings;
    const busy =
      assessed({ ...weak, brief: { ...weak.brief, ...BUSY } }).facts.sittings[0]?.busy.get('cpu.parallel') ?? 0;
    const k = sitting?.best.clocks.processor ?? 1;
    expect(power.sittings[0]?.byItem.get('cpu-1')).toBeCloseTo(10 + 110 * busy * k ** 3, 6);
  });

  test('a power limit holds the clock at the cube root of what it leaves', () => {
    const { atLimit } = heatOf({ machine: { tuning: { packageW: 65 } } });
    expect(atLimit.best.heldBy.processor).toBe('power');
    // (65 − 10) ÷ (120 − 10) = 0.5
    expect(atLimit.best.clocks.processor).toBeCloseTo(Math.cbrt(0.5), 2);
  });
});

describe('never worse for being better', () => {
  const temps = (change: Change) => heatOf(change).atLimit.best.state.parts.map((part) => part.tempC);
  const included = (airflowM3h: number) => [
    { side: 'front', sizeMm: 140, count: 2, airflowM3h, pressurePa: 10, noiseDbA: 24 },
    { side: 'rear', sizeMm: 120, count: 1, airflowM3h: airflowM3h * 0.8, pressurePa: 11, noiseDbA: 25 },
  ];
  const two = fc
    .tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }))
    .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);

  test('more air is never hotter', () => {
    fc.assert(
      fc.property(two, ([low, high]) => {
        const [less, more] = [low, high].map((x) =>
          temps({ parts: { case: { fansIncluded: included(20 + 130 * x) } } }),
        );
        more?.forEach((c, i) => expect(c).toBeLessThanOrEqual((less?.[i] ?? NaN) + 0.1));
      }),
      { numRuns: 20 },
    );
  });

  test('a better cooler is never slower', () => {
    const rate = (kPerW: number) =>
      assessed({ brief: BUSY, parts: { cooler: { resistance: [{ rpm: 1500, kPerW }] } } });
    fc.assert(
      fc.property(two, ([low, high]) => {
        const [better, worse] = [low, high].map((x) => rate(0.1 + 0.9 * x));
        if (!better || !worse) return;
        better.tasks.forEach((task, i) => {
          const other = worse.tasks[i];
          if (other) expect(progress(task)).toBeGreaterThanOrEqual(progress(other) * (1 - 3 * WITHIN_CLOCK));
        });
      }),
      { numRuns: 20 },
    );
  });

  test('a warmer room is never faster, nor cooler', () => {
    const at = (roomC: number) =>
      assessed({ brief: { ...BUSY, roomC }, parts: { cooler: { resistance: [{ rpm: 1500, kPerW: 0.5 }] } } });
    fc.assert(
      fc.property(two, ([low, high]) => {
        const [cool, warm] = [low, high].map((x) => at(10 + 40 * x));
        if (!cool || !warm) return;
        expect(chip(warm)?.tempC ?? NaN).toBeGreaterThanOrEqual((chip(cool)?.tempC ?? NaN) - 0.6);
        warm.tasks.forEach((task, i) => {
          const other = cool.tasks[i];
          if (other) expect(progress(task)).toBeLessThanOrEqual(progress(other) * (1 + 3 * WITHIN_CLOCK));
        });
      }),
      { numRuns: 20 },
    );
  });
});

describe('energy adds up', () => {
  test('a sitting draws what its parts draw, and the air carries what stays in the case', () => {
    const { power, heat } = assessed({ brief: BUSY }).facts;
    for (const sitting of power.sittings)
      expect(sitting.sustainedW).toBeCloseTo(
        [...sitting.byItem.values()].reduce((sum, each) => sum + each, 0),
        9,
      );
    const state = heat.sittings[0]?.best.state;
    if (!state) throw new Error('there is a sitting');
    expect(state.outletC - heat.setup.roomC).toBeCloseTo(airRiseK(state.heatW, state.flowM3h), 9);
    // all of it stays inside, and a quarter of the supply's loss
    expect(state.heatW).toBeGreaterThan(power.sittings[0]?.sustainedW ?? Infinity);
    expect(state.heatW).toBeLessThan((power.sittings[0]?.sustainedW ?? 0) * 1.08);
  });

  test('a radiator under the roof blows its heat out, one in front into the case', () => {
    const liquid = (side: 'top' | 'front') =>
      assessed({
        brief: BUSY,
        parts: { cooler: { type: 'liquid', radiatorMm: 240, fans: 2 } },
        items: (items) => items.map((item) => (item['id'] === 'cooler-1' ? { ...item, side } : item)),
      }).facts.heat;
    const [roof, front] = [liquid('top'), liquid('front')];
    expect(roof.setup.plan?.radiatorSide).toBe('top');
    expect(front.sittings[0]?.best.state.heatW ?? 0).toBeGreaterThan((roof.sittings[0]?.best.state.heatW ?? 0) + 50);
    expect(front.sittings[0]?.best.state.parts[0]?.intakeC).toBe(24);
    expect(roof.sittings[0]?.best.state.parts[0]?.intakeC ?? 0).toBeGreaterThan(24);
  });

  test('a blower card takes its heat out of the case', () => {
    const rise = (exhaust: string) =>
      heatOf({ brief: { tasks: [PLAY], sittings: [] }, parts: { card: { exhaust } } }).sittings[0]?.best.state.heatW ??
      0;
    expect(rise('out')).toBeLessThan(rise('both'));
    expect(rise('both')).toBeLessThan(rise('case'));
  });
});

describe('bad input is answered plainly', () => {
  const extreme: Readonly<Record<string, Change>> = {
    'a room at 45 °C without any fan': { brief: { ...BUSY, roomC: 45 }, parts: { case: { fansIncluded: [] } } },
    'a cooler for 30 W under a processor of 250 W': {
      brief: BUSY,
      parts: { cpu: { maxPowerW: 250, sustainedPowerW: 250 }, cooler: { resistance: [{ rpm: 1500, kPerW: 2.2 }] } },
    },
    'a passive card in a damped case': {
      brief: BUSY,
      parts: {
        card: { cooling: 'passive', resistance: [{ rpm: 1, kPerW: 0.6 }] },
        case: { damped: true, fansIncluded: [] },
      },
    },
    'curves that never turn the fans': {
      brief: BUSY,
      machine: { tuning: { coolerCurve: [{ c: 40, percent: 0 }], caseCurve: [{ c: 40, percent: 0 }] } },
    },
    'no case at all': { brief: BUSY, items: without('case-1') },
    'nothing but a case': { items: (items) => items.filter((item) => item['id'] === 'case-1') },
  };
  test.each(Object.entries(extreme))('%s', (_, change) => {
    const { findings, facts } = assessed(change);
    for (const { best, worst } of [...facts.heat.sittings, facts.heat.atLimit])
      for (const { state, clocks } of [best, worst]) {
        for (const value of [
          state.flowM3h,
          state.outletC,
          state.caseSpeed,
          clocks.processor,
          clocks.graphics,
          ...state.parts.map((part) => part.tempC),
        ])
          expect(Number.isFinite(value)).toBe(true);
        expect(state.flowM3h).toBeGreaterThan(0);
      }
    expect(findings.every((finding) => finding.rule.length > 0)).toBe(true);
  });

  test('far too small a cooler is said to switch the processor off, a small one what clock it leaves', () => {
    const find = (kPerW: number) =>
      assessed({
        parts: {
          cpu: { maxPowerW: 250, sustainedPowerW: 250, idlePowerW: 40 },
          cooler: { resistance: [{ rpm: 1500, kPerW }] },
        },
      }).checks.find((check) => check.code === 'cooler-load');
    expect(find(2.2)).toMatchObject({ level: 'blocks', shutsDown: true });
    const slowed = find(0.4);
    expect(slowed).toMatchObject({ level: 'caution', shutsDown: false, heldBy: 'heat' });
    if (slowed?.code !== 'cooler-load') throw new Error('it is judged');
    expect(slowed.ghz).toBeCloseTo(4 * slowed.clock, 9);
    expect(slowed.clock).toBeLessThan(0.95);
  });

  test('the passive card is slowed, and more air mends it', () => {
    const card = (count: number) =>
      assessed({
        parts: {
          card: { cooling: 'passive', resistance: [{ rpm: 1, kPerW: 0.33 }], noiseDbA: 0 },
          case: {
            fansIncluded:
              count === 0
                ? []
                : [
                    { side: 'front', sizeMm: 140, count, airflowM3h: 140, pressurePa: 20, noiseDbA: 24 },
                    { side: 'rear', sizeMm: 120, count: 1, airflowM3h: 140, pressurePa: 20, noiseDbA: 24 },
                  ],
          },
        },
      }).checks.find((check) => check.code === 'card-load');
    expect(card(0)?.level).not.toBe('passes');
    expect(card(3)?.level).toBe('passes');
  });
});

describe('unknown figures', () => {
  test('are tried at both ends: what does not depend on them stays proven', () => {
    const light = { tasks: [DESK], sittings: [{ id: 'day', name: 'Day', hoursPerWeek: 10, tasks: ['desk'] }] };
    const parts = { cooler: { resistance: undefined } };
    const calm = assessed({ brief: light, parts });
    expect(calm.facts.heat.setup.missing).toEqual([{ item: 'cooler-1', part: 'cooler', field: 'resistance' }]);
    expect(calm.tasks[0]?.verdict).toBe('carries');
    const [sitting] = calm.facts.heat.sittings;
    expect(sitting?.worst.state.parts[0]?.tempC ?? 0).toBeGreaterThan((sitting?.best.state.parts[0]?.tempC ?? 0) + 1);
  });

  test('a task that one end carries and the other does not is unproven, and names the figure', () => {
    const target = (targetMin: number) =>
      assessed({
        brief: { ...BUSY, roomC: 40, tasks: [{ ...SOFTWARE, targetMin }, DESK] },
        parts: { cooler: { resistance: undefined }, cpu: { maxPowerW: 240, sustainedPowerW: 240 } },
      }).tasks.find((task) => task.task === 'export');
    const loose = target(600);
    expect(loose?.verdict).toBe('carries');
    // between the run at the better end and that at the worse one
    const best = assessed({
      brief: { ...BUSY, roomC: 40, tasks: [{ ...SOFTWARE, targetMin: 600 }, DESK] },
      parts: { cpu: { maxPowerW: 240, sustainedPowerW: 240 }, cooler: { resistance: [{ rpm: 1, kPerW: 0.09 }] } },
    }).tasks.find((task) => task.task === 'export');
    const tight = target(((best?.gets?.high ?? 0) * 1.02) / 60);
    expect(tight?.verdict).toBe('unproven');
    expect(tight?.missing.map((figure) => figure.field)).toContain('resistance');
    expect(tight?.ratio).toBeUndefined();
  });

  test('a task that both ends carry keeps its verdict, and its band reaches to the worse one', () => {
    const run = (cooler: Record<string, unknown>) =>
      assessed({
        brief: { ...BUSY, roomC: 40, tasks: [{ ...SOFTWARE, targetMin: 600 }, DESK] },
        parts: { cpu: { maxPowerW: 240, sustainedPowerW: 240 }, cooler },
      }).tasks.find((task) => task.task === 'export');
    const [open, best, worst] = [
      run({ resistance: undefined }),
      run({ resistance: [{ rpm: 1, kPerW: 0.09 }] }),
      run({ resistance: [{ rpm: 1, kPerW: 0.5 }] }),
    ];
    expect(open?.verdict).toBe('carries');
    expect(open?.gets?.likely).toBeCloseTo(best?.gets?.likely ?? NaN, 6);
    expect(open?.gets?.high).toBeCloseTo(worst?.gets?.high ?? NaN, 6);
    expect(open?.ratio?.low).toBeCloseTo(worst?.ratio?.low ?? NaN, 6);
  });

  test('a part whose power is unknown has no clock that could be proven, unless it falls short anyway', () => {
    const of = (parts: Record<string, Record<string, unknown>>, targetMin = 600) =>
      assessed({ brief: { ...BUSY, tasks: [{ ...SOFTWARE, targetMin }, DESK] }, parts }).tasks;
    const blind = of({ cpu: { maxPowerW: undefined } });
    expect(blind.map((task) => task.verdict)).toEqual(['unproven', 'unproven']);
    expect(blind[0]?.missing.map((figure) => figure.field)).toEqual(['maxPowerW']);
    expect(of({ cpu: { maxPowerW: undefined } }, 0.1)[0]?.verdict).toBe('short');
    // what does not compute on the card does not mind
    expect(of({ card: { boardPowerW: undefined } })[1]?.verdict).toBe('carries');
  });

  test('power kept up for hours lies between base and maximum when it is not stated', () => {
    const { setup, atLimit } = heatOf({ parts: { cpu: { sustainedPowerW: undefined } } });
    expect(setup.missing.map((figure) => figure.field)).toEqual(['sustainedPowerW']);
    expect(atLimit.best.clocks.processor).toBe(1);
    expect(atLimit.worst.clocks.processor).toBeCloseTo(Math.cbrt(55 / 110), 2);
  });

  test('noise without a level is a lower bound and says of whom', () => {
    const { noise } = heatOf({ parts: { card: { noiseDbA: undefined } } }).sittings[0] ?? {};
    expect(noise?.missing).toEqual([{ item: 'card-1', part: 'card', field: 'noiseDbA' }]);
    expect(noise?.sources.some((source) => source.what === 'card')).toBe(false);
  });
});
