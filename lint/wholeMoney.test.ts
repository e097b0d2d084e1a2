import { Linter } from 'eslint';
import { describe, expect, test } from 'vitest';
// @ts-expect-error a lint rule is plain JavaScript, as the linter loads it
import rule from './wholeMoney.mjs';

const said = (code: string): string[] =>
  new Linter()
    .verify(code, [
      { plugins: { vane: { rules: { 'whole-money': rule as never } } }, rules: { 'vane/whole-money': 'error' } },
    ])
    .map(({ message }) => message);

describe('the lint rule on money', () => {
  test('names products and quotients of what is money', () => {
    for (const code of [
      'a.priceMinor * 1.075',
      'priceMinor / 100',
      '2 * (offer?.priceMinor ?? 0)',
      'total.landedMinor % 7',
      'x.taxMinor *= 2',
    ])
      expect(said(code), code).toHaveLength(1);
    expect(said('priceMinor * 0.9')[0]).toContain(
      '"priceMinor" is money in whole minor units: * makes a fraction of it',
    );
  });

  test('names fractions', () => {
    for (const code of ['const priceMinor = 0.5', 'x = { shippingMinor: 4.9 }', 'y.taxMinor = 1.25'])
      expect(said(code), code).toEqual([expect.stringContaining('cannot be')]);
  });

  test('leaves sums, comparisons and other numbers alone', () => {
    for (const code of [
      'a.priceMinor + b.priceMinor',
      'a.priceMinor < 100',
      'minority * 2',
      'x = { priceMinor: 490 }',
      'rate * hours',
    ])
      expect(said(code), code).toEqual([]);
  });
});
