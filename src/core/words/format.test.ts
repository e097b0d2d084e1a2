import { describe, expect, test } from 'vitest';
import { seeded } from '@/demo/seed';
import { numberWriter, write } from './format';

const platform = numberWriter('en-US');

describe('numbers are written as the platform writes them', () => {
  test.each<[value: number, least: number, most: number, text: string]>([
    [0, 0, 0, '0'],
    [0, 2, 2, '0.00'],
    [7, 0, 3, '7'],
    [1234.5, 0, 1, '1,234.5'],
    [1234567, 0, 0, '1,234,567'],
    [999.9999, 0, 2, '1,000'],
    [1182.61, 2, 2, '1,182.61'],
    [0.5, 0, 0, '1'],
    [1.005, 0, 2, '1.01'],
    [0.0000005, 0, 6, '0.000001'],
    [0.0000004, 0, 6, '0'],
    [-0.25, 0, 1, '-0.3'],
    [-12345.678, 0, 2, '-12,345.68'],
    [1e21, 0, 0, '1,000,000,000,000,000,000,000'],
  ])('%d with %d to %d decimals is %s', (value, least, most, text) => {
    expect(write(value, least, most)).toBe(text);
    expect(platform(value, least, most)).toBe(text);
  });

  test('whatever the size, the sign and the decimals, halves too', () => {
    const next = seeded(11);
    for (let i = 0; i < 3000; i++) {
      const most = Math.floor(next() * 7);
      const least = Math.floor(next() * (most + 1));
      const size = 10 ** Math.floor(next() * 26 - 8);
      const value = (next() < 0.3 ? Math.round(next() * 2000) / 2 : next() * 1000 - 300) * size;
      expect(write(value, least, most), `${value} ${least} ${most}`).toBe(platform(value, least, most));
    }
    for (const value of [NaN, Infinity, -Infinity, -0]) expect(write(value, 0, 2)).toBe(platform(value, 0, 2));
  });
});
