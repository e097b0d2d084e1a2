import * as fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { FREE, GROSS, NET, flat, offer, shop, thing, TODAY } from '../tests/shops';
import { invoiceOf, type Invoice, type OrderLine } from './invoice';
import type { Coupon, Region, Seller } from '../model/offers';

const line = (
  id: string,
  priceMinor: number,
  count = 1,
  more: Parameters<typeof offer>[3] = {},
  part = {},
): OrderLine => ({
  offer: offer(id, 'shop', priceMinor, more),
  part: thing(id, part),
  count,
});
const bill = (region: Region, seller: Partial<Seller>, ...lines: OrderLine[]): Invoice =>
  invoiceOf(shop('shop', seller), lines, { region, today: TODAY });
const coupon = (more: Partial<Coupon>): Coupon => ({ id: 'c', region: 'here', until: '2026-12-31', ...more });
const parts = (invoice: Invoice) => [invoice.netMinor, invoice.shippingMinor, invoice.taxMinor, invoice.landedMinor];

describe('an invoice', () => {
  test('tax on top: 100.00 and 5.00 shipping at 7.5 % are 112.88', () => {
    // 105.00 × 7.5 % = 7.875, rounded to 7.88
    expect(parts(bill(NET, { shipping: flat(500) }, line('a', 100_00)))).toEqual([100_00, 5_00, 7_88, 112_88]);
  });

  test('tax inside: 121.00 and 6.05 shipping at 21 % are 100.00 + 5.00 + 22.05', () => {
    expect(parts(bill(GROSS, { shipping: flat(605, undefined, 'there') }, line('a', 121_00)))).toEqual([
      100_00, 5_00, 22_05, 127_05,
    ]);
  });

  test('tax is rounded once on the invoice and shared out, or on each line where the region says so', () => {
    // 0.33 × 7.5 % = 0.02475 a line: 0.02 each, 0.06 in all; on the invoice 0.99 × 7.5 % = 0.07425 is 0.07
    const three = [line('a', 33), line('b', 33), line('c', 33)];
    const once = bill(NET, { shipping: flat(0) }, ...three);
    expect(once.taxMinor).toBe(7);
    expect(once.lines.map((entry) => entry.taxMinor)).toEqual([3, 2, 2]);
    expect(bill({ ...NET, taxRounding: 'line' }, { shipping: flat(0) }, ...three).taxMinor).toBe(6);
  });

  test('a coupon lowers what is taxed, unless the region says otherwise', () => {
    // 200.00 − 10 % = 180.00; tax 13.50, or 15.00 on the 200.00
    const seller = { shipping: flat(0), coupons: [coupon({ percent: '10' })] };
    expect(bill(NET, seller, line('a', 200_00))).toMatchObject({ taxMinor: 13_50, landedMinor: 193_50 });
    expect(bill({ ...NET, couponLowersTax: false }, seller, line('a', 200_00))).toMatchObject({
      taxMinor: 15_00,
      landedMinor: 195_00,
      coupon: { minor: 20_00, lowersTax: false },
    });
  });

  test('the better of two coupons counts, only within its dates, from its threshold and for its kinds', () => {
    const coupons = [
      coupon({ id: 'ten', percent: '10', fromMinor: 100_00 }),
      coupon({ id: 'fifteen', amountMinor: 15_00 }),
      coupon({ id: 'past', percent: '50', until: '2026-05-17' }),
      coupon({ id: 'soon', percent: '50', from: '2026-05-19' }),
      coupon({ id: 'others', percent: '50', kinds: ['drive'] }),
      coupon({ id: 'elsewhere', percent: '50', region: 'there' }),
    ];
    const used = (minor: number) => bill(FREE, { shipping: flat(0), coupons }, line('a', minor)).coupon;
    expect(used(99_99)).toMatchObject({ id: 'fifteen', minor: 15_00 });
    expect(used(140_00)).toMatchObject({ id: 'fifteen', minor: 15_00 });
    expect(used(160_00)).toMatchObject({ id: 'ten', minor: 16_00 });
    expect(used(10_00)).toMatchObject({ id: 'fifteen', minor: 10_00 });
  });

  test('a bundle counts once a set, on its own lines', () => {
    const bundles = [
      {
        id: 'b',
        name: 'Both',
        region: 'here',
        parts: [thing('a').id, thing('b').id],
        reductionMinor: 30_00,
        until: '2026-12-31',
      },
    ];
    const both = bill(FREE, { shipping: flat(0), bundles }, line('a', 100_00), line('b', 50_00), line('c', 50_00));
    expect(both.lines.map((entry) => entry.reductionMinor)).toEqual([20_00, 10_00, 0]);
    expect(both.landedMinor).toBe(170_00);
    expect(bill(FREE, { shipping: flat(0), bundles }, line('a', 100_00)).landedMinor).toBe(100_00);
  });

  test('a mailed rebate never lowers the tax and counts only while it can be claimed', () => {
    const rebate = {
      amountMinor: 20_00,
      until: '2026-05-31',
      claimBy: '2026-07-01',
      conditions: 'the first owner sends the label in',
    };
    const due = bill(NET, { shipping: flat(0) }, line('a', 200_00, 1, { rebate }));
    expect(due).toMatchObject({ taxMinor: 15_00, landedMinor: 215_00, afterRebateMinor: 195_00 });
    const past = bill(NET, { shipping: flat(0) }, line('a', 200_00, 1, { rebate: { ...rebate, until: '2026-05-17' } }));
    expect(past.rebates[0]?.state).toBe('past');
    expect(past.afterRebateMinor).toBe(past.landedMinor);
    const limited = bill(FREE, { shipping: flat(0) }, line('a', 200_00, 3, { rebate: { ...rebate, limit: 2 } }));
    expect(limited.afterRebateMinor).toBe(560_00);
  });

  test('shipping by weight class, in several parcels beyond the heaviest, free of charge from the threshold', () => {
    const shipping = [
      {
        region: 'here',
        classes: [
          { upToKg: 2, minor: 4_00 },
          { upToKg: 20, minor: 9_00 },
        ],
        freeFromMinor: 500_00,
      },
    ];
    const of = (count: number, price = 10_00, massG: number | undefined = 2000) =>
      bill(FREE, { shipping }, line('a', price, count, {}, { massG }));
    expect(of(1)).toMatchObject({ shippingMinor: 4_00, parcels: 1 });
    expect(of(2)).toMatchObject({ shippingMinor: 9_00, parcels: 1 });
    expect(of(10)).toMatchObject({ shippingMinor: 9_00, parcels: 1 });
    // 22 kg: one full parcel of 20 kg and one of 2 kg
    expect(of(11)).toMatchObject({ shippingMinor: 13_00, parcels: 2 });
    expect(of(1, 500_00)).toMatchObject({ shippingMinor: 0, free: true });
    expect(bill(FREE, { shipping }, line('a', 10_00, 1, {}, { massG: undefined })).massUnknown).toEqual(['a']);
  });

  test('a seller without terms leaves shipping unknown; what has no mass is not sent', () => {
    expect(bill(FREE, {}, line('a', 10_00)).shippingUnknown).toBe(true);
    const licence = {
      offer: offer('l', 'shop', 10_00),
      part: thing('l', { kind: 'licence', massG: undefined, application: 'X' }),
      count: 1,
    };
    expect(bill(FREE, {}, licence)).toMatchObject({ shippingUnknown: false, parcels: 0 });
  });

  test('every column adds up, and after the rebate no less than price − coupon − rebate, nor below nothing', () => {
    const money = fc.integer({ min: 1, max: 500_000 });
    const some = fc.array(
      fc.record({ price: money, count: fc.integer({ min: 1, max: 4 }), rebate: fc.option(money, { nil: undefined }) }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(
        some,
        money,
        fc.integer({ min: 0, max: 100 }),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (rows, ship, percent, gross, perLine, lowers) => {
          const region: Region = {
            ...(gross ? GROSS : NET),
            taxRounding: perLine ? 'line' : 'invoice',
            couponLowersTax: lowers,
          };
          const lines = rows.map((row, i) =>
            line(
              `p${i}`,
              row.price,
              row.count,
              row.rebate === undefined ? {} : { rebate: { amountMinor: row.rebate, until: TODAY, conditions: 'none' } },
            ),
          );
          const seller = {
            shipping: flat(ship, undefined, region.id),
            coupons: [coupon({ region: region.id, percent: String(percent) })],
          };
          const invoice = bill(region, seller, ...lines);
          for (const key of ['netMinor', 'shippingMinor', 'taxMinor', 'landedMinor'] as const) {
            expect(invoice.lines.reduce((sum, entry) => sum + entry[key], 0)).toBe(invoice[key]);
            invoice.lines.forEach((entry) => expect(Number.isSafeInteger(entry[key])).toBe(true));
          }
          invoice.lines.forEach((entry) =>
            expect(entry.netMinor + entry.shippingMinor + entry.taxMinor).toBe(entry.landedMinor),
          );
          const price = rows.reduce((sum, row) => sum + row.price * row.count, 0);
          const rebates = rows.reduce((sum, row) => sum + (row.rebate ?? 0) * row.count, 0);
          expect(invoice.afterRebateMinor).toBeGreaterThanOrEqual(
            Math.max(0, price - (invoice.coupon?.minor ?? 0) - rebates),
          );
          expect(invoice.afterRebateMinor).toBeLessThanOrEqual(invoice.landedMinor);
        },
      ),
    );
  });
});
