import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { latencyNs, bandwidthBytesPerS } from '../memory/timing';
import { landedPrice } from '../money/landed';
import { gtinIsValid } from '../parts/common';
import { tierEfficiency, wallDrawW } from '../power/efficiency';
import { combineSpreads, inverse, scale, verdictOf } from './band';
import { add, money, netOf, shareOut, taxOn } from './money';
import { bitsPerS, bytesPerS, uncompressedBitsPerS } from './quantity';

describe('worked by hand', () => {
  test('3840 × 2160 at 25 fps, 4:2:2 10-bit, uncompressed is 4.147 Gb/s', () => {
    // 8,294,400 px × 2 samples × 10 bit × 25 /s = 4,147,200,000 bit/s
    expect(uncompressedBitsPerS({ width: 3840, height: 2160 }, 25, '4:2:2', 10)).toBe(4_147_200_000);
  });

  test('bits and bytes a second are eight apart', () => {
    expect(bytesPerS(8e9)).toBe(1e9);
    expect(bitsPerS(bytesPerS(4_147_200_000))).toBe(4_147_200_000);
  });

  test('two modules of DDR5-5600 on two channels give 89.6 GB/s, and CL 36 is 12.86 ns', () => {
    expect(bandwidthBytesPerS(5600, 2)).toBe(89.6e9);
    expect(latencyNs(36, 5600)).toBeCloseTo(12.857, 3);
    expect(() => latencyNs(36, 0)).toThrow(RangeError);
  });

  test('414 W at an efficiency of 92 % draws 450 W from the wall, and a 620 W supply still delivers 620 W', () => {
    expect(wallDrawW(414, 0.92)).toBeCloseTo(450, 9);
    // delivering all of 620 W is within the rating; only the wall sees more
    expect(wallDrawW(620, 0.92)).toBeGreaterThan(620);
    expect(() => wallDrawW(414, 92)).toThrow('above 0 and at most at 1');
  });

  test('efficiency of a tier runs through its points and between them', () => {
    expect(tierEfficiency('platinum', 0.5)).toBe(0.92);
    // half-way between 0.90 at 20 % and 0.92 at 50 %
    expect(tierEfficiency('platinum', 0.35)).toBeCloseTo(0.91, 12);
    expect(tierEfficiency('titanium', 0.1)).toBe(0.9);
    // below 20 % the loss stays what it is there, 0.2 × (1/0.87 − 1) of the rating: 0.05 ÷ (0.05 + 0.02989)
    expect(tierEfficiency('gold', 0.05)).toBeCloseTo(0.6259, 4);
    // 90 % at half, 87 % at full: 60 % load lies a fifth of the way, so 372 W of 620 W draw 416.1 W
    expect(tierEfficiency('gold', 0.6)).toBeCloseTo(0.894, 12);
    expect(wallDrawW(372, tierEfficiency('gold', 372 / 620))).toBeCloseTo(416.1, 1);
    expect(tierEfficiency('gold', 0.5, 230)).toBe(0.92);
    expect(tierEfficiency('bronze', 1)).toBe(0.82);
  });

  test('landed price: tax on top, tax inside, and rounding once', () => {
    expect(landedPrice(100_00, 10_00, { taxRate: 0.075, pricesIncludeTax: false })).toEqual({
      netMinor: 10_000,
      shippingMinor: 1_000,
      taxMinor: 825,
      landedMinor: 11_825,
    });
    expect(landedPrice(121_00, 12_10, { taxRate: 0.21, pricesIncludeTax: true })).toEqual({
      netMinor: 10_000,
      shippingMinor: 1_000,
      taxMinor: 2_310,
      landedMinor: 13_310,
    });
    // 9.90 × 7.5 % = 0.7425
    expect(taxOn(990, 0.075)).toBe(74);
    expect(netOf(12_100, 0.21)).toBe(10_000);
  });

  test('two spreads of 1.2 combine to 1.294', () => {
    expect(combineSpreads([1.2, 1.2])).toBeCloseTo(1.294, 3);
    expect(combineSpreads([])).toBe(1);
  });

  test('GTIN check digits', () => {
    // prefix 2 is kept for use inside a company; 1 × 2 = 2, so the check digit is 8
    expect(gtinIsValid('2000000000008')).toBe(true);
    expect(gtinIsValid('2000000000009')).toBe(false);
    // as a GTIN-12 the 2 weighs 3: 6, so the check digit would be 4
    expect(gtinIsValid('200000000000')).toBe(false);
    expect(gtinIsValid('200000000004')).toBe(true);
    expect(gtinIsValid('20000')).toBe(false);
  });
});

describe('money', () => {
  test('is shared out to the last unit, larger remainders first', () => {
    expect(shareOut(1000, [1, 1, 1])).toEqual([334, 333, 333]);
    expect(shareOut(10, [0, 3, 1])).toEqual([0, 8, 2]);
    expect(() => shareOut(10, [0, 0])).toThrow(RangeError);
  });

  test('shares add up to the whole, and none is more than a unit off', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc
          .array(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 12 })
          .filter((weights) => weights.some((weight) => weight > 0)),
        (minor, weights) => {
          const shares = shareOut(minor, weights);
          const total = weights.reduce((sum, weight) => sum + weight, 0);
          expect(shares.reduce((sum, share) => sum + share, 0)).toBe(minor);
          shares.forEach((share, i) => expect(Math.abs(share - (minor * (weights[i] ?? 0)) / total)).toBeLessThan(1));
        },
      ),
    );
  });

  test('net and tax of a gross price add up to it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e8 }),
        fc.integer({ min: 0, max: 1e6 }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.boolean(),
        (price, shipping, taxRate, pricesIncludeTax) => {
          const landed = landedPrice(price, shipping, { taxRate, pricesIncludeTax });
          expect(landed.netMinor + landed.shippingMinor + landed.taxMinor).toBe(landed.landedMinor);
          expect(landed.landedMinor).toBeGreaterThanOrEqual(price + shipping);
        },
      ),
    );
  });

  test('never mixes currencies and never takes fractions', () => {
    expect(() => add(money(1, 'USD'), money(1, 'EUR'))).toThrow('without a rate');
    expect(() => money(0.5, 'USD')).toThrow('whole minor units');
  });
});

describe('bands', () => {
  test('verdicts', () => {
    expect(verdictOf({ low: 1, likely: 1.2, high: 1.5 })).toBe('carries');
    expect(verdictOf({ low: 0.9, likely: 1.2, high: 1.5 })).toBe('between');
    expect(verdictOf({ low: 0.4, likely: 0.6, high: 0.99 })).toBe('short');
  });

  test('the inverse of a rate band is a time band in the right order', () => {
    expect(inverse({ low: 10, likely: 20, high: 40 }, 40)).toEqual({ low: 1, likely: 2, high: 4 });
    expect(() => scale({ low: 1, likely: 1, high: 1 }, -1)).toThrow(RangeError);
  });
});
