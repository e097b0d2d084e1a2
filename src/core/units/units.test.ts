import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { latencyNs, bandwidthBytesPerS } from '../memory/timing';
import { landedPrice } from '../money/landed';
import { gtinIsValid } from '../parts/common';
import { tierEfficiency, wallDrawW } from '../power/efficiency';
import { combineSpreads, inverse, scale, verdictOf } from './band';
import { exact, timesExact } from './decimal';
import { add, converted, medianMinor, minorOf, money, netOf, percentOf, shareOut, taxOn } from './money';
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

describe('exact decimals and currencies', () => {
  test('a rate is the decimal that was written, not the nearest float', () => {
    expect(exact(0.075)).toEqual({ n: 75n, d: 1000n });
    expect(exact('1e-3')).toEqual({ n: 1n, d: 1000n });
    expect(exact(21)).toEqual({ n: 21n, d: 1n });
    expect(() => exact('a tenth')).toThrow('is not a decimal');
  });

  test('halves are rounded away from zero, once: 0.35 × 10 % of ten million lots', () => {
    expect(timesExact(5, exact('0.1'))).toBe(1);
    expect(timesExact(-5, exact('0.1'))).toBe(-1);
    expect(timesExact(4, exact('0.1'))).toBe(0);
    // 1.005 × 100 is 100.49999999999999 as floats
    expect(timesExact(100, exact('1.005'))).toBe(101);
    expect(() => timesExact(0.5, exact(1))).toThrow('whole number');
  });

  test('tax by the quick way is tax by the exact way, also at halves and for large sums', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 45 }), fc.integer({ min: 0, max: 3000 }), (minor, permyriad) => {
        const text = `0.${String(permyriad).padStart(4, '0')}`;
        expect(taxOn(minor, Number(text))).toBe(timesExact(minor, exact(text)));
      }),
    );
    // 10 × 5 % is half a cent
    expect([taxOn(10, 0.05), taxOn(30, 0.05), taxOn(50, 0.05)]).toEqual([1, 2, 3]);
  });

  test('amounts are read with the decimals of their currency', () => {
    expect([minorOf('12.50', 'USD'), minorOf('12,5', 'EUR'), minorOf('12', 'USD'), minorOf('-3.10', 'USD')]).toEqual([
      1250, 1250, 1200, -310,
    ]);
    expect([minorOf('1250', 'JPY'), minorOf('12.5', 'JPY'), minorOf('12.0', 'JPY'), minorOf('1.234', 'KWD')]).toEqual([
      1250,
      undefined,
      12,
      1234,
    ]);
    expect([minorOf('1.005', 'USD'), minorOf('', 'USD'), minorOf('1e3', 'USD'), minorOf('NaN', 'USD')]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
  });

  test('an amount in another currency is rounded once to that one’s minor unit', () => {
    expect(converted(100_00, 'USD', 'EUR', { base: 'USD', quote: 'EUR', rate: '0.9312' })).toBe(93_12);
    // 100.00 × 151.237 = 15,123.7 yen
    expect(converted(100_00, 'USD', 'JPY', { base: 'USD', quote: 'JPY', rate: '151.237' })).toBe(15_124);
    expect(converted(15_124, 'JPY', 'KWD', { base: 'JPY', quote: 'KWD', rate: '0.00205' })).toBe(31_004);
    // 93.12 ÷ 0.9312, the rate turned round
    expect(converted(93_12, 'EUR', 'USD', { base: 'USD', quote: 'EUR', rate: '0.9312' })).toBe(100_00);
    expect(() => converted(1, 'EUR', 'JPY', { base: 'USD', quote: 'EUR', rate: '1' })).toThrow(
      'says nothing of EUR in JPY',
    );
    expect(percentOf(1000, '12.5')).toBe(125);
  });

  test('the middle of amounts is whole', () => {
    expect([medianMinor([5]), medianMinor([1, 4]), medianMinor([9, 1, 4])]).toEqual([5, 3, 4]);
    expect(() => medianMinor([])).toThrow(RangeError);
  });

  test('negative amounts are shared out as positive ones are', () => {
    expect(shareOut(-1000, [1, 1, 1])).toEqual([-334, -333, -333]);
  });
});
