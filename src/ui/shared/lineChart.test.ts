import { dayNumber } from '@/core/units/days';
import * as fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { plotted } from '../buy/history';
import { ratioVerdict } from '../rivals/ratios';
import { spreadLabels } from './LineChart';

describe('labels at the ends of lines', () => {
  test('stay where they are when they are apart, and move apart when they are not', () => {
    expect(spreadLabels([20, 80], 10, 200)).toEqual([20, 80]);
    expect(spreadLabels([50, 50, 50], 10, 200)).toEqual([50, 65, 80]);
    // none leaves the plot at the bottom
    expect(spreadLabels([195, 198], 10, 200)).toEqual([185, 200]);
  });

  test('keep their order and their distance', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 10, max: 200 }), { minLength: 1, maxLength: 5 }), (ys) => {
        const placed = spreadLabels(ys, 10, 200);
        const sorted = ys.map((y, i) => ({ y, at: placed[i] ?? NaN })).sort((a, b) => a.y - b.y || a.at - b.at);
        sorted.slice(1).forEach((entry, i) => expect(entry.at - (sorted[i]?.at ?? NaN)).toBeGreaterThanOrEqual(15));
        placed.forEach((y) => expect(y).toBeLessThanOrEqual(200));
      }),
    );
  });
});

describe('a price history made ready for a chart', () => {
  const view = { first: '2025-12-30', minors: [100_00, null, 90_00, 95_00], unknown: [] };
  test('has a day for each value, gaps where nobody knows, month ticks, and its lowest and last price', () => {
    const plot = plotted(view, 'USD', 3);
    expect(plot.xs[0]).toBe(dayNumber('2025-12-30'));
    expect(plot.values).toEqual([100, null, 90, 95]);
    expect(plot.ticks).toEqual([{ at: dayNumber('2026-01-01'), label: 'Jan 2026' }]);
    expect([plot.least, plot.last]).toEqual([90_00, 95_00]);
    // the table has the first of each month and the last day
    expect(plot.tableXs).toEqual([dayNumber('2026-01-01'), dayNumber('2026-01-02')]);
  });
  test('of nothing has no lowest price', () => {
    expect(plotted({ ...view, minors: [null, null] }, 'USD', 3)).toMatchObject({ least: undefined, last: undefined });
  });
});

test('a ratio carries when even its low end is not worse, and is unproven when it is unknown', () => {
  expect([
    ratioVerdict(undefined),
    ratioVerdict(1),
    ratioVerdict(0.9),
    ratioVerdict({ low: 0.9, likely: 1.1, high: 1.3 }),
  ]).toEqual(['unproven', 'carries', 'short', 'between']);
});
