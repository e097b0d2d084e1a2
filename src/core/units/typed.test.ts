import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { z } from 'zod';
import { CURRENCIES, minorDigits, shownCoins } from './money';
import { orNone, rangeText, typedAmount, typedDay, typedNumber } from './typed';

const said = (schema: z.ZodType, text: string): string | undefined =>
  schema
    .safeParse(text)
    .error?.issues.map(({ message }) => message)
    .join('; ');

describe('a number that is typed', () => {
  const hours = typedNumber({ min: 0.5, max: 168, unit: 'h', explains: 'A week has 168 of them.' });

  test('takes a point and a comma, and spaces around', () => {
    expect(hours.parse(' 2,5 ')).toBe(2.5);
    expect(hours.parse('168')).toBe(168);
  });

  test.each([
    ['', 'Type a number.'],
    ['two', 'Type a number.'],
    ['1e999', 'Type a number.'],
    ['0', 'Between 0.5 and 168 h. A week has 168 of them.'],
    ['168.01', 'Between 0.5 and 168 h. A week has 168 of them.'],
  ])('refuses "%s" in words', (text, message) => expect(said(hours, text)).toBe(message));

  test('empty is none only where it may be; half a piece is none at all', () => {
    expect(orNone(hours).parse('  ')).toBeUndefined();
    expect(orNone(hours).parse('2,5')).toBe(2.5);
    expect(said(orNone(hours), '200')).toBe('Between 0.5 and 168 h. A week has 168 of them.');
    expect(said(typedNumber({ whole: true }), '2.5')).toBe('Type a whole number.');
    expect(typedNumber({ whole: true }).parse('2')).toBe(2);
  });

  test('a range with one end is told with that end', () => {
    expect(rangeText({ min: 1 })).toBe('At least 1.');
    expect(rangeText({ max: 4000, unit: 'rpm' })).toBe('At most 4,000 rpm.');
  });

  test('what is in the range comes back as it was, what is not is refused', () =>
    fc.assert(
      fc.property(fc.double({ min: -300, max: 300, noNaN: true }), (value) => {
        const result = hours.safeParse(String(value));
        expect(result.success).toBe(value >= 0.5 && value <= 168);
        if (result.success) expect(result.data).toBe(value);
      }),
    ));
});

describe('a day that is typed', () => {
  test('is one of the calendar, not half of one, and not later than it may be', () => {
    expect(typedDay().parse('2028-02-29')).toBe('2028-02-29');
    expect(orNone(typedDay()).parse('')).toBeUndefined();
    // year 2 is what stands there while 2026 is typed
    for (const half of ['', '…', '2026-02-30', '0002-06-12', '2026-6-1'])
      expect(said(typedDay(), half), half).toBe('Type a whole day, such as 2026-05-04.');
    expect(typedDay('2026-05-18').parse('2026-05-18')).toBe('2026-05-18');
    expect(said(typedDay('2026-05-18'), '2026-05-19')).toBe('It cannot be after 2026-05-18.');
  });
});

describe('an amount that is typed', () => {
  test('is in minor units, and empty is what was agreed', () => {
    expect(typedAmount('USD', { called: 'a price', least: 1 }).parse('12,5')).toBe(1250);
    expect(typedAmount('USD', { called: 'the shipping', least: 0, none: 0 }).parse('')).toBe(0);
    expect(typedAmount('JPY', { called: 'a price', least: 1 }).parse('1250')).toBe(1250);
  });

  test.each([
    ['0', 'Type a price in USD above 0, such as 249.90.'],
    ['', 'Type a price in USD above 0, such as 249.90.'],
    ['-3', 'Type a price in USD above 0, such as 249.90.'],
    ['12.505', 'Type a price in USD above 0, such as 249.90.'],
  ])('refuses "%s" with an example', (text, message) =>
    expect(said(typedAmount('USD', { called: 'a price', least: 1 }), text)).toBe(message),
  );

  test('every amount of every currency is read as it is shown', () =>
    fc.assert(
      fc.property(fc.constantFrom(...CURRENCIES), fc.integer({ min: 1, max: 1e9 }), (currency, minor) => {
        const shown = shownCoins(minor, currency).toFixed(minorDigits(currency));
        expect(typedAmount(currency, { called: 'a price', least: 1 }).parse(shown)).toBe(minor);
      }),
    ));
});
