import { describe, expect, test } from 'vitest';
import { assessed, briefOf } from '../tests/world';
import { usualSettings } from '../model/settings';
import { finish, firstOfEach } from '../assess/trials';
import { yearlyEnergy } from './energy';

const supply = { kind: 'supply', id: 's', maker: 'M', name: 'N', ratedW: 828, tier: 'platinum' } as never;
const brief = { ...briefOf(), sittings: [{ id: 'day', name: 'Day', hoursPerWeek: 20, tasks: ['x'] }] };
const power = (sustainedW: number, sustainedOpen = false) => ({
  ...assessed({}).facts.power,
  sittings: [{ sitting: 'day', sustainedW, byItem: new Map() }],
  sustainedOpen,
});

describe('energy of a year', () => {
  test('worked by hand: 20 h a week at 414 W, half of 828 W, 92 %: 450 W from the wall, 468 kWh', () => {
    // 20 × 52 × 0.450 = 468
    expect(yearlyEnergy(power(414), brief, supply, undefined)?.kWh).toBeCloseTo(468, 9);
    // 468 × 31.5 = 14,742 cents
    expect(yearlyEnergy(power(414), brief, supply, '31.5')?.costMinor).toBe(14_742);
  });

  test('an unknown draw makes it a lower bound, an unknown supply leaves it unknown, no tariff names no cost', () => {
    expect(yearlyEnergy(power(414, true), brief, supply, '30')?.lowerBound).toBe(true);
    expect(yearlyEnergy(power(414), brief, undefined, '30')).toBeUndefined();
    expect(yearlyEnergy(power(414), brief, supply, undefined)?.costMinor).toBeUndefined();
  });
});

describe('the desk’s policy for supplies', () => {
  test('decides what share of the rating is allowed for hours', () => {
    const allowed = (share: number) =>
      assessed({}, { ...usualSettings, supplyShare: share }).checks.find((check) => check.code === 'supply-sustained');
    expect(allowed(0.8)).toMatchObject({ allowedW: 600 });
    expect(allowed(0.5)).toMatchObject({ allowedW: 375 });
  });
});

test('trials run through to their answer, and the first of each group stands for it', () => {
  function* count(): Generator<void, number, void> {
    let n = 0;
    for (; n < 5; n++) yield;
    return n;
  }
  expect(finish(count())).toBe(5);
  expect(firstOfEach(['a1', 'b1', 'a2', 'c1', 'b2'], (entry) => entry[0] ?? '')).toEqual(['a1', 'b1', 'c1']);
});
