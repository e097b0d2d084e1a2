import { describe, expect, test } from 'vitest';
import { assessed, DESK, EXPORT, PLAY, plus, without, type Change } from '../tests/world';

const powerOf = (change: Change = {}) => assessed(change).facts.power;
const drawOf = (change: Change, item: string) => powerOf(change).parts.find((part) => part.item === item);

describe('peak draw', () => {
  test('is the sum of all limits: 120 + 200 + 25 + 2 × 5 + 7 + 8 + 2 + 6 W', () => {
    expect(powerOf().peakW).toBe(378);
    expect(powerOf().ratedW).toBe(750);
  });

  test('excursions raise the graphics card alone: 378 + half of 200 W', () => {
    expect(powerOf().excursionW).toBe(478);
  });

  test('a second drive adds its own limit', () => {
    expect(powerOf({ items: plus({ id: 'ssd-2', part: 'ssd' }) }).peakW).toBe(385);
  });

  test('parts that hang on no supply add nothing', () => {
    const base = powerOf().peakW;
    expect(powerOf({ items: plus({ id: 'screen-1', part: 'screen' }) }).peakW).toBe(base);
  });
});

describe('sustained draw', () => {
  test('lies between rest and peak, and follows the sitting', () => {
    const power = powerOf({
      brief: {
        tasks: [DESK, { ...EXPORT, path: 'software' }],
        sittings: [
          { id: 'rest', name: 'Rest', hoursPerWeek: 10, tasks: ['desk'] },
          { id: 'work', name: 'Work', hoursPerWeek: 5, tasks: ['export'] },
        ],
      },
    });
    const [rest, work] = power.sittings;
    expect(work?.sustainedW ?? 0).toBeGreaterThan((rest?.sustainedW ?? 0) + 50);
    expect(power.sustainedW).toBe(work?.sustainedW);
    expect(power.sustainedW).toBeLessThan(power.peakW);
  });

  test('a software export keeps the processor at its limit', () => {
    const power = powerOf({ brief: { tasks: [{ ...EXPORT, path: 'software' }], sittings: [] } });
    expect(power.sittings[0]?.byItem.get('cpu-1') ?? 0).toBeGreaterThan(95);
  });

  test('idle + (limit − idle) × busy share, for the card while it plays', () => {
    const assessment = assessed({ brief: { tasks: [PLAY], sittings: [] } });
    const sitting = assessment.facts.sittings[0];
    const busy = Math.max(...['gpu.fp32', 'gpu.traffic', 'engine.decode'].map((key) => sitting?.busy.get(key) ?? 0));
    expect(assessment.facts.power.sittings[0]?.byItem.get('card-1')).toBeCloseTo(12 + (200 - 12) * busy, 9);
  });

  test('without a sitting the peak stands in for it', () => {
    const power = powerOf({ brief: { tasks: [], sittings: [] } });
    expect(power.sustainedW).toBe(power.peakW);
  });
});

describe('unknown draws', () => {
  test('are named and make the totals lower bounds', () => {
    const power = powerOf({ parts: { card: { boardPowerW: undefined } } });
    expect(power.peakW).toBe(178);
    expect(power.missing).toEqual([{ item: 'card-1', part: 'card', field: 'boardPowerW' }]);
  });

  test('a run whose speed is unknown makes the sustained draw a lower bound, the peak stays known', () => {
    const power = powerOf({
      brief: { tasks: [EXPORT], sittings: [] },
      parts: { ssd: { sustainedWriteMBs: undefined } },
    });
    expect(power.missing).toEqual([]);
    expect(power.sustainedOpen).toBe(true);
    expect(power.peakW).toBe(378);
    expect(powerOf({ brief: { tasks: [EXPORT], sittings: [] } }).sustainedOpen).toBe(false);
  });

  test('an unknown excursion ratio is named too', () => {
    expect(powerOf({ parts: { card: { excursionRatio: undefined } } }).missing).toEqual([
      { item: 'card-1', part: 'card', field: 'excursionRatio' },
    ]);
  });

  test('memory needs both its count and its draw a module', () => {
    expect(drawOf({ parts: { kit: { modulePowerW: undefined } } }, 'kit-1')?.maxW).toBe(0);
    expect(powerOf({ parts: { kit: { modules: undefined } } }).missing.map((figure) => figure.field)).toContain(
      'modulePowerW',
    );
  });

  test('no supply: the rating is unknown, not zero', () => {
    expect(powerOf({ items: without('psu-1') }).ratedW).toBeUndefined();
  });
});
