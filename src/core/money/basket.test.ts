import * as fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { FREE, GROSS, NET, flat, market, offer, policyOf, shop, thing } from '../tests/shops';
import { basketOf, isDearer, landedByItem, purchaseOf, type Basket, type Need } from './basket';
import type { Offer, Region, Seller } from '../model/offers';
import type { BuyPolicy } from './policy';

const need = (id: string, n = 1): Need => ({ item: `${id}-${n}`, part: thing(id) });
interface Case {
  readonly needs: readonly Need[];
  readonly sellers: readonly Seller[];
  readonly offers: readonly Offer[];
  readonly region?: Region;
  readonly policy?: Partial<BuyPolicy>;
}
const questionOf = ({ needs, sellers, offers, region = FREE, policy = {} }: Case) => ({
  needs,
  region,
  catalogue: market(
    needs.map((entry) => entry.part),
    sellers,
    offers,
    [region],
  ),
  policy: policyOf({ region: region.id, ...policy }),
});
const solve = (it: Case): Basket => basketOf(questionOf(it));
const sellersOf = (basket: Basket) =>
  Object.fromEntries(
    (basket.best?.orders ?? []).map((order) => [
      order.invoice.seller.id,
      order.items.map(({ offer: { part } }) => part as string).sort(),
    ]),
  );

/** Every assignment of offers to needs, priced by the same invoices. */
function bruteForce(it: Case): number | undefined {
  const question = questionOf(it);
  let best: number | undefined;
  const walk = (chosen: Offer[]) => {
    const next = it.needs[chosen.length];
    if (next) {
      for (const candidate of it.offers)
        if (
          candidate.part === next.part.id &&
          (candidate.stock === undefined || chosen.filter((one) => one === candidate).length < candidate.stock)
        )
          walk([...chosen, candidate]);
      return;
    }
    const { total, parcels } = purchaseOf(it.needs, chosen, question);
    if (parcels <= (it.policy?.parcels ?? Infinity) && (best === undefined || total.landedMinor < best))
      best = total.landedMinor;
  };
  walk([]);
  return best;
}

describe('the cheapest basket, worked by hand', () => {
  const two = [shop('east', { shipping: flat(6_00) }), shop('west', { shipping: flat(5_00, 100_00) })];

  test('buying together saves a parcel: 2.00 dearer goods against 6.00 shipping', () => {
    const basket = solve({
      needs: [need('a'), need('b')],
      sellers: two,
      offers: [offer('a', 'east', 40_00), offer('b', 'east', 32_00), offer('b', 'west', 30_00)],
    });
    // at one: 40 + 32 + 6 = 78; apart: 40 + 6 + 30 + 5 = 81
    expect(basket.best?.total.landedMinor).toBe(78_00);
    expect(basket.naive?.total.landedMinor).toBe(81_00);
    expect(basket.single?.total.landedMinor).toBe(78_00);
    expect(sellersOf(basket)).toEqual({ east: ['a', 'b'] });
  });

  test('a dearer piece that lifts the order over the threshold pays', () => {
    const basket = solve({
      needs: [need('a'), need('b')],
      sellers: two,
      offers: [offer('a', 'west', 97_00), offer('b', 'west', 4_00), offer('b', 'east', 3_00, { shippingMinor: 0 })],
    });
    // west alone: 101.00 and nothing for shipping; apart: 97 + 5 + 3 = 105
    expect(basket.best?.total.landedMinor).toBe(101_00);
    expect(sellersOf(basket)).toEqual({ west: ['a', 'b'] });
  });

  test('a coupon and a bundle outweigh lower prices', () => {
    const sellers = [
      shop('east', {
        shipping: flat(0),
        coupons: [{ id: 'c', region: 'here', percent: '10', fromMinor: 150_00, until: '2026-12-31' }],
      }),
      shop('west', {
        shipping: flat(0),
        bundles: [
          {
            id: 'b',
            name: 'Pair',
            region: 'here',
            parts: [thing('a').id, thing('b').id],
            reductionMinor: 25_00,
            until: '2026-12-31',
          },
        ],
      }),
    ];
    const offers = [
      offer('a', 'east', 100_00),
      offer('b', 'east', 60_00),
      offer('a', 'west', 105_00),
      offer('b', 'west', 62_00),
    ];
    // east: 160 − 16 = 144; west: 167 − 25 = 142
    const basket = solve({ needs: [need('a'), need('b')], sellers, offers });
    expect(basket.best?.total.landedMinor).toBe(142_00);
    expect(basket.best?.orders[0]?.invoice.bundles).toEqual([{ id: 'b', name: 'Pair', minor: 25_00 }]);
  });

  test('stock of one sends the second piece elsewhere', () => {
    const basket = solve({
      needs: [need('a', 1), need('a', 2)],
      sellers: two,
      offers: [offer('a', 'east', 10_00, { stock: 1 }), offer('a', 'west', 30_00)],
    });
    // one at each: 10 + 6 + 30 + 5 = 51; both at west: 60 + 5 = 65
    expect(basket.best?.total.landedMinor).toBe(51_00);
  });

  test('stock that goes to nobody’s end buys nothing, and nothing is no price', () => {
    const short = solve({
      needs: [need('a'), need('a', 2)],
      sellers: [shop('one', { shipping: flat(5_00) })],
      offers: [offer('a', 'one', 20_00, { stock: 1 })],
    });
    expect(short.best).toBeUndefined();
    expect(short.lowerBound).toBe(true);
    // one piece is there
    const enough = solve({
      needs: [need('a')],
      sellers: [shop('one', { shipping: flat(5_00) })],
      offers: [offer('a', 'one', 20_00, { stock: 1 })],
    });
    expect(enough.total.landedMinor).toBe(25_00);
    expect(enough.lowerBound).toBe(false);
    // nothing wanted is nothing bought, and that is known
    expect(solve({ needs: [], sellers: [], offers: [] }).lowerBound).toBe(false);
  });

  test('trust, needed-by date and parcels: each with its price, and why', () => {
    const sellers = [...two, shop('cheap', { ratings: 3, meanRating: 2, shipping: flat(0) })];
    const offers = [
      offer('a', 'cheap', 10_00),
      offer('a', 'east', 40_00, { deliveryDays: 9 }),
      offer('a', 'west', 50_00, { deliveryDays: 2 }),
      offer('b', 'east', 40_00),
    ];
    const total = (policy: Partial<BuyPolicy>) => solve({ needs: [need('a'), need('b')], sellers, offers, policy });
    expect(total({ trustFloor: 'any', avoidBaits: false }).best?.total.landedMinor).toBe(56_00);
    // far below the others, and rated by three: left alone until somebody says otherwise
    expect(total({ trustFloor: 'any' }).best?.total.landedMinor).toBe(86_00);
    expect(total({}).best?.total.landedMinor).toBe(86_00);
    expect(total({ neededBy: '2026-05-22' }).best?.total.landedMinor).toBe(50_00 + 5_00 + 46_00);
    expect(total({ neededBy: '2026-05-22', parcels: 1 })).toMatchObject({
      parcelsExceeded: true,
      best: { parcels: 2 },
    });
    // nothing comes in a day: the price is known all the same, and what is against it
    const late = total({ neededBy: '2026-05-19' });
    expect(late.despite.map(({ whyNot }) => whyNot.code)).toEqual(['late', 'late']);
    expect(late.best?.total.landedMinor).toBe(86_00);
  });

  test('a piece without an offer is named and makes the total a lower bound', () => {
    const basket = solve({
      needs: [need('a'), need('b')],
      sellers: two,
      offers: [offer('a', 'east', 10_00), offer('b', 'east', 5_00, { stock: 0 })],
    });
    expect(basket).toMatchObject({
      lowerBound: true,
      unbought: [{ item: 'b-1', refused: [{ whyNot: { code: 'sold-out' } }] }],
    });
    expect(basket.total.landedMinor).toBe(16_00);
  });

  test('equal pieces of one line share it to the unit', () => {
    const odd = [shop('east', { shipping: flat(3) })];
    const basket = solve({ needs: [need('a', 1), need('a', 2)], sellers: odd, offers: [offer('a', 'east', 10_00)] });
    // two at 10.00 and 0.03 shipping are 20.03
    expect([...landedByItem(basket)]).toEqual([
      ['a-1', 10_02],
      ['a-2', 10_01],
    ]);
  });

  test('of equal purchases the one in fewer parcels', () => {
    const free = [shop('east', { shipping: flat(0) }), shop('west', { shipping: flat(0) })];
    const offers = [offer('a', 'east', 10_00), offer('b', 'west', 10_00), offer('b', 'east', 10_00)];
    expect(solve({ needs: [need('a'), need('b')], sellers: free, offers }).best?.parcels).toBe(1);
  });
});

const cases = fc
  .record({
    parts: fc.integer({ min: 1, max: 5 }),
    twice: fc.boolean(),
    shops: fc.integer({ min: 1, max: 4 }),
    seed: fc.array(fc.integer({ min: 0, max: 999 }), { minLength: 80, maxLength: 80 }),
    gross: fc.boolean(),
    perLine: fc.boolean(),
    parcels: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
  })
  .map(({ parts, twice, shops, seed, gross, perLine, parcels }): Case => {
    let at = 0;
    const next = () => (seed[at++ % seed.length] ?? 0) + at;
    const region: Region = {
      ...(gross ? GROSS : NET),
      taxRounding: perLine ? 'line' : 'invoice',
      couponLowersTax: next() % 3 !== 0,
    };
    const ids = Array.from({ length: parts }, (_, i) => `p${i}`);
    const sellers = Array.from({ length: shops }, (_, s): Seller => {
      const coupon = next() % 3;
      return shop(`s${s}`, {
        shipping: [
          {
            region: region.id,
            classes: [
              { upToKg: 2, minor: next() % 700 },
              { upToKg: 4, minor: 700 + (next() % 400) },
            ],
            ...(next() % 2 ? { freeFromMinor: 2000 + next() * 5 } : {}),
          },
        ],
        ...(coupon === 0
          ? {
              coupons: [
                {
                  id: 'c',
                  region: region.id,
                  until: '2026-12-31',
                  ...(next() % 2 ? { percent: String(next() % 20) } : { amountMinor: 1 + (next() % 900) }),
                  fromMinor: 1 + next() * 4,
                },
              ],
            }
          : {}),
        ...(coupon === 1 && parts > 1
          ? {
              bundles: [
                {
                  id: 'b',
                  name: 'Pair',
                  region: region.id,
                  parts: [thing('p0').id, thing('p1').id],
                  reductionMinor: 1 + (next() % 800),
                  until: '2026-12-31',
                },
              ],
            }
          : {}),
      });
    });
    const offers = ids.flatMap((id, i) =>
      sellers.flatMap((seller, s) =>
        s === i % shops || next() % 3 !== 0
          ? [
              offer(id, seller.id, 300 + (next() % 40) * 60, {
                region: region.id,
                ...(next() % 5 === 0 ? { shippingMinor: next() % 500 } : {}),
                ...(next() % 5 === 0 && s !== i % shops ? { stock: 1 } : {}),
              }),
            ]
          : [],
      ),
    );
    const needs = [...ids.map((id) => need(id)), ...(twice ? [need('p0', 2)] : [])];
    return { needs, sellers, offers, region, policy: parcels === undefined ? {} : { parcels } };
  });

describe('the cheapest basket against all there are', () => {
  test('equals brute force', () => {
    fc.assert(
      fc.property(cases, (it) => {
        const basket = solve(it);
        const best = bruteForce(it);
        expect(basket.proven).toBe(true);
        if (best === undefined) expect(basket.parcelsExceeded).toBe(true);
        else expect(basket.best?.total.landedMinor).toBe(best);
      }),
      { numRuns: 300 },
    );
  });

  test('is told to be dearer than so much exactly where it is, in however many parcels', () => {
    fc.assert(
      fc.property(cases, (given) => {
        const it = { ...given, policy: {} };
        const best = bruteForce(it);
        if (best === undefined) return;
        for (const less of [1, 2, 50, 4000]) expect(isDearer(questionOf(given), best - less)).toBe(true);
        for (const more of [0, 1, 50, 4000]) expect(isDearer(questionOf(given), best + more)).toBe(false);
      }),
      { numRuns: 300 },
    );
  });

  test('nothing is told of what is not sold, nor of nothing', () => {
    const it = { needs: [need('a'), need('b')], sellers: [shop('s')], offers: [offer('a', 's', 500)] };
    expect(isDearer(questionOf(it), 0)).toBe(false);
    expect(isDearer(questionOf({ ...it, needs: [] }), -1)).toBe(false);
  });

  test('is never dearer than one seller alone or than the lowest prices where those are feasible', () => {
    fc.assert(
      fc.property(cases, (it) => {
        const { best, single, naive, parcelsExceeded } = solve(it);
        if (!best || parcelsExceeded) return;
        if (single) expect(best.total.landedMinor).toBeLessThanOrEqual(single.total.landedMinor);
        if (naive && naive.parcels <= (it.policy?.parcels ?? Infinity))
          expect(best.total.landedMinor).toBeLessThanOrEqual(naive.total.landedMinor);
        expect(best.orders.reduce((sum, order) => sum + order.invoice.landedMinor, 0)).toBe(best.total.landedMinor);
      }),
    );
  });
});
