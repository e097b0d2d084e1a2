import { describe, expect, test } from 'vitest';
import { basketOf } from '../../money/basket';
import type { Offer, Seller } from '../../model/offers';
import type { Part } from '../../parts';
import { flat, FREE, market, NET, offer, policyOf, shop, thing, TODAY } from '../../tests/shops';
import { rolling } from '../../tests/smallMarkets';
import { leastPrices } from './least';

const parts = ['one', 'two', 'three', 'four'].map((id) => thing(id));
const [one, two, three] = parts as [Part, Part, Part, Part];
const off = (id: string, more: object) => ({ id, region: 'here', until: '2026-12-31', ...more });

const pricesOf = (sellers: readonly Seller[], offers: readonly Offer[], region = FREE) =>
  leastPrices(market(parts, sellers, offers, [region]), region, policyOf(), false);

describe('the least that a part adds to a basket', () => {
  test('is its cheapest offer with tax, rounded down, without the parcel’s shipping', () => {
    const sellers = [shop('a', { shipping: flat(500) }), shop('b', { shipping: flat(0) })];
    const offers = [offer('one', 'a', 99_99), offer('one', 'b', 120_00)];
    // 9999 × 1.075 = 10748.925
    expect(pricesOf(sellers, offers, NET).of(one)).toBe(107_48);
    expect(pricesOf(sellers, offers).of(two)).toBeUndefined();
  });

  test('counts shipping that each piece pays, and its share of a bundle', () => {
    const offers = [offer('one', 'a', 50_00, { shippingMinor: 4_00 }), offer('two', 'a', 30_00)];
    const bundles = [
      { id: 'set', name: 'Set', region: 'here', parts: [one.id, two.id], reductionMinor: 9_00, until: '2026-12-31' },
    ];
    const prices = pricesOf([shop('a', { bundles })], offers);
    expect(prices.of(one)).toBe(50_00 - 4_50 + 4_00);
    expect(prices.of(two)).toBe(30_00 - 4_50);
  });

  test('a coupon of an amount saves no more than what reaching its threshold leaves of it', () => {
    const sellers = [shop('a', { coupons: [off('c', { amountMinor: 20_00, fromMinor: 100_00 })] }), shop('b')];
    // 60.00 at a where it is 5.00 dearer than at b, 40.00 where it is the same: 100.00 of goods for 5.00 more
    const offers = [offer('one', 'a', 60_00), offer('one', 'b', 55_00), offer('two', 'a', 40_00)];
    const prices = pricesOf(sellers, offers);
    expect(prices.couponsMinor([prices.bought(one), prices.bought(two)], [], 0)).toBe(15_00);
    // without the second the threshold is out of reach
    expect(prices.couponsMinor([prices.bought(one)], [], 0)).toBe(0);
    // unless something that is still to come may bring it
    const open = [{ kinds: ['peripheral'] as const, leastMinor: 0 }];
    expect(prices.couponsMinor([prices.bought(one)], open, 40_00)).toBe(15_00);
    expect(prices.couponsMinor([prices.bought(one)], open, 39_99)).toBe(0);
  });

  test('a percentage counts on the pieces that gain by it', () => {
    const sellers = [shop('a', { coupons: [off('c', { percent: '10', fromMinor: 50_00 })] }), shop('b')];
    const offers = [offer('one', 'a', 100_00), offer('two', 'a', 60_00), offer('two', 'b', 50_00)];
    const prices = pricesOf(sellers, offers);
    // 10.00 off the first; the second is 10.00 dearer there and would save 6.00
    expect(prices.couponsMinor([prices.bought(one), prices.bought(two)], [], 0)).toBe(10_00);
    expect(prices.mostOff).toBe(0.1);
  });

  test('one part undercuts another when it costs less in a parcel of its own', () => {
    const sellers = [shop('a', { shipping: flat(5_00) }), shop('b', { shipping: flat(0) })];
    const offers = [offer('one', 'a', 40_00), offer('two', 'b', 45_00), offer('three', 'b', 45_00)];
    const prices = pricesOf(sellers, offers);
    expect(prices.undercuts(one, two)).toBe(false);
    expect(prices.undercuts(one, thing('none'))).toBe(true);
    const dear = pricesOf(sellers, [offer('one', 'a', 40_00), offer('two', 'b', 45_03)]);
    expect(dear.undercuts(one, two)).toBe(true);
    expect(dear.undercuts(two, one)).toBe(false);
    expect(prices.undercuts(three, two)).toBe(false);
  });

  test('of a set whose share one piece does not cost, the other takes the rest', () => {
    const set = {
      id: 's',
      name: 'Set',
      region: 'here',
      parts: [one.id, two.id],
      reductionMinor: 10_00,
      until: '2026-12-31',
    };
    const prices = pricesOf([shop('a', { bundles: [set] })], [offer('one', 'a', 1), offer('two', 'a', 100_00)]);
    // 5.00 each; the first costs 0.01, so 4.99 more of it fall on the second
    expect([prices.of(one), prices.of(two)]).toEqual([0, 90_01]);
  });

  test('is never above what a basket comes to, whatever is bought together', () => {
    for (let seed = 1; seed <= 150; seed++) {
      const { pick, chance, next } = rolling(seed);
      const sellers = ['a', 'b', 'c'].map((id) =>
        shop(id, {
          shipping: flat(pick([0, 400, 900]), chance(0.5) ? pick([80_00, 200_00]) : undefined),
          ...(chance(0.6)
            ? {
                coupons: [
                  off(
                    `${id}-c`,
                    chance(0.5) ? { amountMinor: 15_00, fromMinor: 90_00 } : { percent: '8', fromMinor: 60_00 },
                  ),
                ],
              }
            : {}),
          ...(chance(0.3)
            ? {
                bundles: [
                  {
                    id: `${id}-s`,
                    name: 'Set',
                    region: 'here',
                    parts: [one.id, two.id],
                    // now and then more than the lesser of the two costs
                    reductionMinor: pick([7_00, 60_00]),
                    until: '2026-12-31',
                  },
                ],
              }
            : {}),
        }),
      );
      const offers = parts.flatMap(({ id }) =>
        sellers.flatMap((seller) =>
          chance(0.7) ? [offer(id, seller.id, Math.round(chance(0.25) ? 1 + next() * 900 : 2000 + next() * 9000))] : [],
        ),
      );
      const region = { ...NET, taxRounding: pick(['line', 'invoice'] as const), pricesIncludeTax: chance(0.5) };
      const catalogue = market(parts, sellers, offers, [region]);
      const prices = leastPrices(catalogue, region, policyOf(), false);
      const chosen = parts.filter((part) => prices.of(part) !== undefined);
      const basket = basketOf({
        needs: chosen.map((part) => ({ item: part.id, part })),
        catalogue,
        region,
        policy: policyOf({ today: TODAY }),
      });
      const least = chosen.reduce((all, part) => all + (prices.of(part) ?? 0), 0);
      const bound = least - prices.couponsMinor(chosen.map(prices.bought), [], 0);
      expect(bound).toBeLessThanOrEqual(basket.total.landedMinor);
      // and never rises when a piece is still open
      const some = chosen.slice(1);
      const open = chosen.slice(0, 1).map((part) => ({ kinds: [part.kind], leastMinor: prices.of(part) ?? 0 }));
      expect(least - prices.couponsMinor(some.map(prices.bought), open, Infinity)).toBeLessThanOrEqual(bound);
    }
  });
});
