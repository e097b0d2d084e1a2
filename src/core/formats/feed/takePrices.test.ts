import { describe, expect, test } from 'vitest';
import { cellsOf, readFeedCsv } from './csv';
import { readJsonLd } from './jsonLd';
import type { FeedAnswer, OfferSource } from './source';
import { GROSS, NET, offer, thing, TODAY } from '../../tests/shops';
import { partFinder, takePrices } from './takePrices';
import type { Offer, Region } from '../../model/offers';

const SOURCE: OfferSource = {
  id: 's',
  name: 'Shop',
  seller: 'shop',
  region: 'here',
  kind: 'http',
  at: 'http://127.0.0.1/',
  format: 'csv',
  active: true,
};
const parts = [thing('a', { gtin: '2000000000008', partNumber: 'N-1' }), thing('b')];
const csv = (...rows: string[]) => readFeedCsv(['part,price,currency,as_of,stock', ...rows].join('\n'));
const take = (answer: FeedAnswer, known: readonly Offer[] = [], region: Region = NET) =>
  takePrices(answer, SOURCE, region, partFinder(parts), new Map(known.map((entry) => [entry.id, entry])), TODAY);

describe('what a source answers', () => {
  test('a good row becomes an offer and a point of its day', () => {
    const taken = take(csv('a,12.50,USD,2026-05-18,4'));
    expect(taken.offers).toEqual([
      expect.objectContaining({ id: 'a.shop.here', priceMinor: 12_50, stock: 4, asOf: TODAY, condition: 'new' }),
    ]);
    expect(taken.points).toEqual([{ offer: 'a.shop.here', day: TODAY, minor: 12_50 }]);
    expect(taken.problems).toEqual([]);
  });

  test('a wrong currency, a negative price, a fraction of a cent and a date to come are left out and named', () => {
    const taken = take(csv('a,12.50,EUR,,', 'a,-12.50,USD,,', 'a,0,USD,,', 'a,1.005,USD,,', 'b,3.00,USD,2026-05-19,'));
    expect(taken.offers).toEqual([]);
    expect(taken.problems.map((problem) => problem.message)).toEqual([
      'is priced in EUR; Here pays in USD',
      'has the price "-12.50", which is no amount above 0',
      'has the price "0", which is no amount above 0',
      'has the price "1.005", which is no amount above 0',
      'is dated 2026-05-19, after today, 2026-05-18: check the clock here and there',
    ]);
    expect(taken.problems[0]?.place).toBe('row 2, Test a');
  });

  test('what comes twice counts once; two prices of one thing are named', () => {
    const same = take(csv('a,12.50,USD,,', 'a,12.50,USD,,'));
    expect([same.offers.length, same.points.length, same.problems]).toEqual([1, 1, []]);
    const two = take(csv('a,12.50,USD,,', 'a,13.00,USD,,'));
    expect(two.offers.map((entry) => entry.priceMinor)).toEqual([13_00]);
    expect(two.problems[0]?.message).toBe('comes twice, for 12.50 USD and for 13.00 USD; the later one is taken');
  });

  test('a price older than what is known is filed under its own day and changes nothing today', () => {
    const known = offer('a', 'shop', 10_00, { id: 'a.shop.here', asOf: '2026-05-17' });
    const taken = take(csv('a,12.50,USD,2026-05-10,'), [known]);
    expect(taken.offers).toEqual([]);
    expect(taken.points).toEqual([{ offer: 'a.shop.here', day: '2026-05-10', minor: 12_50 }]);
    expect(taken.problems[0]?.message).toContain('was the clock set back?');
  });

  test('sold out is a day without a price; a jump is taken and named; what the library lacks is counted', () => {
    const known = offer('a', 'shop', 10_00, {
      id: 'a.shop.here',
      asOf: '2026-05-17',
      rebate: { amountMinor: 1, until: TODAY, conditions: 'x' },
    });
    const taken = take(csv('a,25.00,USD,,0', 'zzz,1.00,USD,,'), [known]);
    expect(taken.offers[0]).toMatchObject({ stock: 0, priceMinor: 25_00, rebate: { amountMinor: 1 } });
    expect(taken.points[0]?.minor).toBeNull();
    expect([taken.unmatched, taken.problems[0]?.message]).toEqual([
      1,
      'went from 10.00 USD to 25.00 USD at once; it is taken, look at it',
    ]);
  });

  test('amounts have the decimals of their currency: a yen has none, a dinar three', () => {
    const yen = take(csv('a,1250,JPY,,', 'b,12.5,JPY,,'), [], { ...NET, currency: 'JPY' });
    expect(yen.offers.map((entry) => entry.priceMinor)).toEqual([1250]);
    expect(yen.problems).toHaveLength(1);
    expect(take(csv('a,1.250,KWD,,'), [], { ...NET, currency: 'KWD' }).offers[0]?.priceMinor).toBe(1250);
    expect(take(csv('a,121.00,EUR,,'), [], { ...GROSS, id: 'here' }).offers[0]?.priceMinor).toBe(121_00);
  });
});

describe('parts are found by what a feed says of them', () => {
  const find = (entry: object) =>
    partFinder(parts).find({
      part: undefined,
      gtin: undefined,
      maker: undefined,
      partNumber: undefined,
      ...entry,
    } as never)?.id;
  test('by id, by GTIN of any length, by maker and part number', () => {
    expect([
      find({ part: 'b' }),
      find({ gtin: '02000000000008' }),
      find({ maker: 'TEST', partNumber: 'n-1' }),
      find({ partNumber: 'N-1' }),
    ]).toEqual(['b', 'a', 'a', undefined]);
  });
});

describe('a table as a feed', () => {
  test('cells with commas and quotes, as RFC 4180 writes them', () => {
    expect(cellsOf('a,"b, ""c""",d')).toEqual(['a', 'b, "c"', 'd']);
  });
  test('a heading without a price is named with the columns there are', () => {
    expect(readFeedCsv('part,cost\na,1').problems[0]).toMatchObject({
      place: 'row 1',
      message: expect.stringContaining('has no column price and currency') as string,
    });
  });
  test('a row that breaks off is named, the others are read', () => {
    const read = readFeedCsv('part,price,currency\na,1.00,USD\nb,2.0');
    expect([read.entries.length, read.problems]).toEqual([
      1,
      [{ place: 'row 3', message: 'has 2 cells, the heading has 3' }],
    ]);
  });
});

describe('schema.org products as a feed', () => {
  const product = (offers: object) => ({
    '@type': 'Product',
    productID: 'a',
    brand: { name: 'Test' },
    mpn: 'N-1',
    gtin13: '2000000000008',
    offers,
  });
  const read = (value: unknown) => readJsonLd(JSON.stringify(value));
  const SOLD = {
    '@type': 'Offer',
    price: 12.5,
    priceCurrency: 'USD',
    availability: 'https://schema.org/InStock',
    itemCondition: 'https://schema.org/RefurbishedCondition',
    validFrom: '2026-05-18T06:00:00Z',
    priceValidUntil: '2026-06-01',
    inventoryLevel: { value: 3 },
    shippingDetails: {
      shippingRate: { value: '4.90', currency: 'USD' },
      deliveryTime: { handlingTime: { maxValue: 1, unitCode: 'DAY' }, transitTime: { maxValue: 3, unitCode: 'DAY' } },
    },
  };
  test('price, condition, stock, delivery and shipping are read; from a graph, a list, or alone', () => {
    const expected = {
      part: 'a',
      gtin: '2000000000008',
      maker: 'Test',
      partNumber: 'N-1',
      price: '12.5',
      currency: 'USD',
      condition: 'refurbished',
      available: true,
      stock: 3,
      deliveryDays: 4,
      shipping: '4.90',
      asOf: '2026-05-18',
      until: '2026-06-01',
    };
    expect(read(product(SOLD)).entries[0]).toMatchObject(expected);
    expect(read({ '@graph': [product(SOLD)] }).entries[0]).toMatchObject(expected);
    expect(read({ '@type': 'ItemList', itemListElement: [{ item: product([SOLD]) }] }).entries[0]).toMatchObject(
      expected,
    );
    expect(read([product({ '@type': 'AggregateOffer', offers: [SOLD] })]).entries[0]).toMatchObject(expected);
  });
  test('out of stock is told apart; an offer without price or currency is named', () => {
    expect(read(product({ ...SOLD, availability: 'OutOfStock' })).entries[0]?.available).toBe(false);
    expect(read([product({ price: '1' }), product({ priceCurrency: 'USD' }), product([])]).problems).toEqual([
      { place: 'product 1', message: 'has an offer without a currency' },
      { place: 'product 2', message: 'has an offer without a price' },
      { place: 'product 3', message: 'has no offer' },
    ]);
  });
  test('what breaks off, and what holds no product, is named', () => {
    expect(readJsonLd('{"@graph": [').problems[0]?.message).toContain('is no JSON');
    expect(read({ '@type': 'Organization' }).problems[0]?.message).toContain('holds no product');
  });
});
