import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { creditsAhead, renewEarly } from './renewal';

const YEAR = { normalMinor: 365_00, reducedMinor: 300_00, daysLeft: 30, discountPercent: 0 };

describe('renewing early', () => {
  test('365.00 a year, 300.00 now, 30 days left: 65.00 gained if the year follows, 35.00 if those days are lost', () => {
    expect(renewEarly({ ...YEAR, atOnce: false })).toEqual({ gainMinor: 65_00, lostMinor: 0, paysUpToMinor: 365_00 });
    expect(renewEarly({ ...YEAR, atOnce: true })).toEqual({
      gainMinor: 35_00,
      lostMinor: 30_00,
      paysUpToMinor: 335_00,
    });
  });

  test('what is paid in a year weighs less today: at 10 % 365.00 weigh 331.82', () => {
    const renewal = renewEarly({ ...YEAR, daysLeft: 365, atOnce: false, discountPercent: 10 });
    expect(renewal.paysUpToMinor).toBe(331_82);
    expect(renewal.gainMinor).toBe(31_82);
  });

  test('gains nothing at the price up to which it pays, and more the cheaper it is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1_00, max: 5_000_00 }),
        fc.integer({ min: 0, max: 700 }),
        fc.boolean(),
        fc.integer({ min: 0, max: 20 }),
        (normalMinor, daysLeft, atOnce, discountPercent) => {
          const of = (reducedMinor: number) =>
            renewEarly({ normalMinor, reducedMinor, daysLeft, atOnce, discountPercent });
          const { paysUpToMinor } = of(0);
          expect(of(paysUpToMinor).gainMinor).toBe(0);
          expect(of(paysUpToMinor - 100).gainMinor).toBe(100);
        },
      ),
    );
  });
});

describe('credits bought ahead', () => {
  const packet = { count: 100, normalMinor: 1_00, reducedMinor: 80, validMonths: 10 };

  test('90 of 100 used before they lapse: 90.00 less 80.00', () => {
    expect(creditsAhead({ ...packet, usedAMonth: 9 })).toEqual({
      used: 90,
      lapsed: 10,
      gainMinor: 10_00,
      paysFromAMonth: 8,
    });
  });

  test('more than there are cannot be used, and a packet dearer than its credits never pays', () => {
    expect(creditsAhead({ ...packet, usedAMonth: 50 })).toMatchObject({ used: 100, lapsed: 0, gainMinor: 20_00 });
    expect(creditsAhead({ ...packet, reducedMinor: 1_01, usedAMonth: 50 }).paysFromAMonth).toBe(Infinity);
    expect(creditsAhead({ ...packet, validMonths: 0, usedAMonth: 50 })).toMatchObject({
      used: 0,
      gainMinor: -80_00,
      paysFromAMonth: Infinity,
    });
  });
});
