import { describe, expect, test } from 'vitest';
import { assessed, machineOf, SHOP, type Change } from '../tests/world';
import { purchasesOf } from './costs';
import { lineState, meanwhile, orderOf, orderTotals, type OrderLine } from './order';

const ordered = (change: Change = {}) => {
  const machine = assessed(change);
  return orderOf([machine], purchasesOf([machine]), [undefined]);
};
const line = (given: Partial<OrderLine> = {}): OrderLine => ({
  id: 'a',
  seller: { id: 'shop', name: 'Shop' },
  part: 'card',
  kind: 'graphics',
  name: 'Card',
  count: 1,
  seats: [],
  expectedMinor: 100_00,
  ...given,
});

describe('a purchase list', () => {
  test('holds every part once, at what the basket says', () => {
    const order = ordered();
    expect(order.lines.map(({ part }) => part).sort()).toEqual(
      machineOf()
        .items.map(({ part }) => part as string)
        .sort(),
    );
    // nine parts of 100.00 and 7.5 % tax
    expect(orderTotals(order)).toEqual({
      expectedMinor: 967_50,
      paidMinor: 0,
      backMinor: 0,
      openMinor: 967_50,
      totalMinor: 967_50,
    });
  });

  test('says by when a line must be bought: the first of offer, coupon and the day it has to be there', () => {
    const until = (change: Change) => ordered(change).lines.find(({ part }) => part === 'card')?.buyBy;
    const offers = (given: object): Change => ({
      offers: (all) => all.map((offer) => (offer.part === 'card' ? { ...offer, ...given } : offer)),
    });
    expect(until(offers({ until: '2026-05-25' }))).toBe('2026-05-25');
    expect(until({ ...offers({ until: '2026-06-25', deliveryDays: 6 }), brief: { neededBy: '2026-06-10' } })).toBe(
      '2026-06-04',
    );
    expect(until({})).toBeUndefined();
    const coupon = { id: 'ebb', region: 'here', percent: '5', until: '2026-05-20' };
    const withCoupon = ordered({ sellers: [{ ...SHOP, coupons: [coupon], returnDays: 14 }] });
    expect(
      withCoupon.lines.every(
        ({ coupon: code, buyBy, returnDays }) => code === 'ebb' && buyBy === '2026-05-20' && returnDays === 14,
      ),
    ).toBe(true);
  });

  test('names the set that a part makes up, and no other part', () => {
    const bundle = {
      id: 'pair',
      name: 'Card and drive',
      region: 'here',
      parts: ['card', 'ssd'],
      reductionMinor: 10_00,
      until: '2026-06-01',
    };
    const { lines } = ordered({ sellers: [{ ...SHOP, bundles: [bundle as never] }] });
    expect(
      lines
        .filter(({ bundle: set }) => set !== undefined)
        .map(({ part }) => part)
        .sort(),
    ).toEqual(['card', 'ssd']);
  });

  test('names what nobody sells', () => {
    expect(ordered({ offers: (all) => all.filter(({ part }) => part !== 'card') }).unbought).toEqual([
      'Palisar Test 12',
    ]);
  });

  test('knows what is late, what goes back by when, and what it comes to in the end', () => {
    const bought = { bought: { on: '2026-05-10', paidMinor: 104_00 }, deliveryDays: 5, returnDays: 14 };
    expect(lineState(line({ buyBy: '2026-05-20' }), '2026-05-18')).toEqual({ state: 'to-buy', by: '2026-05-20' });
    expect(lineState(line({ buyBy: '2026-05-17' }), '2026-05-18').state).toBe('overdue');
    expect(lineState(line(bought), '2026-05-15')).toEqual({ state: 'ordered', by: '2026-05-15' });
    expect(lineState(line(bought), '2026-05-16').state).toBe('late');
    expect(lineState(line({ ...bought, received: '2026-05-14' }), '2026-05-18')).toEqual({
      state: 'there',
      by: '2026-05-28',
    });
    const back = line({ ...bought, received: '2026-05-14', back: { on: '2026-05-15' } });
    expect(lineState(back, '2026-05-18').state).toBe('sent-back');
    const refunded = { ...back, back: { on: '2026-05-15', refundMinor: 95_00 } };
    expect(lineState(refunded, '2026-05-18').state).toBe('refunded');
    // 104.00 paid, 95.00 of it back, and 100.00 still to be bought
    expect(orderTotals({ lines: [refunded, line({ id: 'b' })], unbought: [] }).totalMinor).toBe(109_00);
  });

  test('says what can be begun', () => {
    const there = { bought: { on: '2026-05-10', paidMinor: 1 }, received: '2026-05-14' };
    const lines = (['processor', 'board', 'memory', 'cooler', 'supply', 'graphics', 'case', 'drive'] as const).map(
      (kind) => line({ id: kind, kind, name: kind, ...(kind === 'case' || kind === 'drive' ? {} : there) }),
    );
    expect(meanwhile(lines).map(({ waitsFor }) => waitsFor)).toEqual([[], [], ['case'], ['drive']]);
    const sent = lines.map((each) => (each.kind === 'memory' ? { ...each, back: { on: '2026-05-15' } } : each));
    expect(meanwhile(sent)[0]?.waitsFor).toEqual(['memory']);
  });
});
