import { describe, expect, test } from 'vitest';
import { costRisk, quantile, type RiskPart } from './risk';

const part = (name: string, minors: readonly number[], count = 1): RiskPart => ({
  name,
  count,
  series: { first: 0, minors: Float64Array.from(minors) },
});
const days = (count: number, of: (day: number) => number): number[] => Array.from({ length: count }, (_, i) => of(i));

describe('what prices may do to a quote', () => {
  test('by hand: six days, two ahead', () => {
    // 100 100 110 110 100 100: from each day one and two on
    const risk = costRisk([part('card', [100, 100, 110, 110, 100, 100])], 2);
    // ratios: 1, 1.1 | 1.1, 1.1 | 1, 100/110 | 100/110, 100/110 | 1
    expect(risk?.cases).toBe(9);
    expect(risk?.periods).toBe(3);
    expect(risk?.chance).toBeCloseTo(3 / 9, 12);
    // nine sorted values: the ninetieth of a hundred lies at 7.2, between 1.1 and 1.1
    expect(risk?.nineOfTen).toBeCloseTo(0.1, 12);
    expect(risk?.carriedBy).toEqual([{ name: 'card', share: 1 }]);
  });

  test('a price that never moves carries no risk, one that only falls needs no margin', () => {
    const still = costRisk(
      [
        part(
          'a',
          days(120, () => 50),
        ),
      ],
      14,
    );
    expect([still?.chance, still?.nineOfTen, still?.median]).toEqual([0, 0, 0]);
    const falling = costRisk(
      [
        part(
          'a',
          days(120, (day) => 500 - day),
        ),
      ],
      14,
    );
    expect([falling?.chance, falling?.nineOfTen]).toEqual([0, 0]);
    expect(falling?.carriedBy).toEqual([]);
    expect(still?.held?.within).toBe(1);
  });

  test('parts that move against each other carry less than each alone, and pieces count', () => {
    const wave = days(200, (day) => 100 + 10 * Math.sin(day / 9));
    const against = days(200, (day) => 100 - 10 * Math.sin(day / 9));
    const alone = costRisk([part('a', wave)], 14);
    const both = costRisk([part('a', wave), part('b', against)], 14);
    expect(alone?.nineOfTen).toBeGreaterThan(0.08);
    expect(both?.nineOfTen).toBeLessThan(0.001);
    const twice = costRisk([part('a', wave, 2)], 14);
    expect(twice?.nineOfTen).toBeCloseTo(alone?.nineOfTen ?? 0, 12);
  });

  test('days on which one of them had no price are no cases; a part without a past is named', () => {
    const holes = days(60, (day) => (day >= 20 && day < 40 ? NaN : 100));
    const risk = costRisk(
      [
        part('a', holes),
        part(
          'b',
          days(60, () => NaN),
        ),
      ],
      5,
    );
    expect(risk?.unknown).toEqual(['b']);
    expect(risk?.cases).toBe(2 * (15 * 5 + 4 + 3 + 2 + 1));
  });

  test('too short a past says nothing', () => {
    expect(costRisk([part('a', [1, 2, 3])], 2)).toBeUndefined();
    expect(costRisk([], 14)).toBeUndefined();
    expect(
      costRisk(
        [
          part(
            'a',
            days(100, () => NaN),
          ),
        ],
        14,
      ),
    ).toBeUndefined();
  });

  test('held against a past of the same kind, the nine-of-ten margin holds in about nine of ten cases', () => {
    let seed = 7;
    const chance = (): number => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
    let price = 1000;
    const walk = days(548, () => (price *= 1 + (chance() - 0.5) * 0.02));
    const held = costRisk([part('a', walk)], 14)?.held;
    expect(held?.days).toBeGreaterThan(450);
    expect(held?.within).toBeGreaterThan(0.8);
    expect(held?.within).toBeLessThan(0.98);
  });

  test('a quantile lies between its neighbours', () => {
    expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5);
    expect(quantile([5], 0.9)).toBe(5);
  });
});
