import { dayAfter, daysBetween } from '../units/days';
import { describe, expect, test } from 'vitest';
import { market, offer, policyOf, shop, thing, TODAY } from '../tests/shops';
import { assessed } from '../tests/world';
import { BY_HAND } from '../model/offers';
import { arrivalOf, buyable, ceilingOf, whyNot } from './policy';
import { tooGood, trustedEnough, trustOf } from './trust';

describe('trust in a seller', () => {
  const grade = (more: object) => trustOf(shop('s', more), TODAY).grade;
  test('many good ratings are trusted; poor ones are not, however many', () => {
    expect([grade({}), grade({ meanRating: 3.6 }), grade({ meanRating: 3 })]).toEqual([
      'trusted',
      'little-known',
      'doubtful',
    ]);
  });
  test('few ratings, somebody else’s shop, less than a year and no returns count against it, one grade each', () => {
    expect(grade({ ratings: 40, meanRating: 5 })).toBe('little-known');
    expect(grade({ thirdParty: true })).toBe('little-known');
    expect(grade({ thirdParty: true, sellsSince: '2026-01-01' })).toBe('doubtful');
    expect(grade({ returnDays: 0 })).toBe('little-known');
    expect(grade({ returnDays: 30, sellsSince: '2020-01-01' })).toBe('trusted');
  });
  test('says why, and shrinks few ratings: three fives weigh little against twenty-five usual ones', () => {
    const { reasons } = trustOf(shop('s', { ratings: 3, meanRating: 5 }), TODAY);
    // (25 × 4.2 + 3 × 5) ÷ 28
    expect(reasons[0]).toMatchObject({ code: 'ratings', shrunk: 120 / 28 });
    expect(reasons[1]).toEqual({ code: 'few-ratings', ratings: 3 });
  });
  test('nobody known is not trusted; one’s own word is', () => {
    expect([
      trustOf(undefined, TODAY).grade,
      trustOf({ id: 'x', name: 'X' }, TODAY).grade,
      trustOf(BY_HAND, TODAY).grade,
    ]).toEqual(['unknown', 'unknown', 'trusted']);
    expect([
      trustedEnough('unknown', 'any'),
      trustedEnough('unknown', 'little-known'),
      trustedEnough('trusted', 'trusted'),
    ]).toEqual([true, false, true]);
  });
});

describe('an offer that is too good', () => {
  const all = [offer('a', 'one', 60_00), offer('a', 'two', 100_00), offer('a', 'three', 110_00)];
  test('warns below seven tenths of the middle of at least two others', () => {
    expect(tooGood(all[0]!, all, undefined)).toEqual({ against: 'others', priceMinor: 60_00, usualMinor: 105_00 });
    expect(tooGood({ ...all[0]!, priceMinor: 73_50 }, all, undefined)).toBeUndefined();
    expect(tooGood(all[0]!, all.slice(0, 2), undefined)).toBeUndefined();
  });
  test('or far below the list price; what is not new is cheaper anyway', () => {
    expect(tooGood(all[0]!, [], 110_00)?.against).toBe('list');
    expect(tooGood({ ...all[0]!, condition: 'used' }, all, 110_00)).toBeUndefined();
  });
});

describe('offers that may be bought', () => {
  const part = thing('a', { listPrices: [{ region: 'here', minor: 100_00 }] });
  const catalogue = (...offers: ReturnType<typeof offer>[]) =>
    market([part], [shop('one'), shop('bad', { meanRating: 2 })], offers);
  const why = (more: Parameters<typeof offer>[3], policy = {}, seller = 'one') => {
    const it = offer('a', seller, 112_00, more);
    return whyNot(it, part, catalogue(it), policyOf(policy))?.code;
  };
  test('each demand has its own reason; what is unknown does not pass a date', () => {
    expect(why({})).toBeUndefined();
    expect(why({ condition: 'used' })).toBe('condition');
    expect(why({ until: '2026-05-17' })).toBe('expired');
    expect(why({ stock: 0 })).toBe('sold-out');
    expect(why({}, {}, 'bad')).toBe('trust');
    expect(why({ deliveryDays: 5 }, { neededBy: '2026-05-22' })).toBe('late');
    expect(why({ deliveryDays: 4 }, { neededBy: '2026-05-22' })).toBeUndefined();
    const { deliveryDays: _days, ...silent } = offer('a', 'one', 1);
    expect(whyNot(silent, part, catalogue(silent), policyOf({ neededBy: '2026-05-22' }))?.code).toBe(
      'delivery-unknown',
    );
    expect(why({}, { overListPercent: 10 })).toBe('over-list');
    expect(why({}, { overListPercent: 12 })).toBeUndefined();
  });
  test('a ceiling is exact: 12.5 % over 100.00', () => {
    expect([ceilingOf(part, policyOf({ overListPercent: 12.5 })), ceilingOf(part, policyOf())]).toEqual([
      112_50,
      undefined,
    ]);
  });
  test('when nothing meets a demand, dates give way before the ceiling, and that before trust', () => {
    const late = offer('a', 'one', 90_00, { deliveryDays: 9 });
    const bad = offer('a', 'bad', 50_00, { deliveryDays: 1 });
    const codes = (offers: ReturnType<typeof offer>[]) =>
      buyable(part, catalogue(...offers), policyOf({ neededBy: '2026-05-20' })).map((entry) => entry.whyNot?.code);
    expect(codes([late, bad])).toEqual(['late']);
    expect(codes([bad])).toEqual(['trust']);
    expect(codes([offer('a', 'one', 1, { stock: 0 })])).toEqual([]);
  });
  test('days are counted by the calendar', () => {
    expect([
      dayAfter('2026-02-27', 2),
      daysBetween('2026-02-27', '2026-03-01'),
      arrivalOf(offer('a', 'one', 1), TODAY),
    ]).toEqual(['2026-03-01', 2, '2026-05-21']);
  });
});

describe('findings on prices', () => {
  test('a delivery that nobody states is unproven, a ceiling that is passed a caution with its figures', () => {
    const brief = { neededBy: '2026-06-01', overListPercent: 10 };
    const late = assessed({ brief }).findings.filter((finding) => finding.rule === 'delivery');
    expect(new Set(late.map((finding) => `${finding.level} ${finding.code}`))).toEqual(
      new Set(['unproven delivery-unknown']),
    );
    const dear = assessed({
      brief: { overListPercent: 10 },
      parts: { card: { listPrices: [{ region: 'here', minor: 80_00 }] } },
    });
    expect(dear.findings.find((finding) => finding.code === 'over-list')).toMatchObject({
      level: 'caution',
      priceMinor: 100_00,
      listMinor: 80_00,
      mostMinor: 88_00,
    });
  });
});
