import { dayNumber } from '@/core/units/days';
import { describe, expect, test } from 'vitest';
import { written } from './answers';
import { DOUBLED, modelPrice, modelRate, type ModelOffer } from './priceModel';

const offer = (part: string, kind: string, seller = 'shop'): ModelOffer => ({
  id: `${part}.${seller}`,
  part,
  kind,
  seller,
  priceMinor: 500_90,
  onDay: dayNumber('2026-05-17'),
});
const series = (it: ModelOffer, from: string, to: string) =>
  Array.from({ length: dayNumber(to) - dayNumber(from) + 1 }, (_, i) => modelPrice(it, dayNumber(from) + i));
const middle = (prices: readonly (number | null)[]) => {
  const known = prices.filter((price) => price !== null).sort((a, b) => a - b);
  return known[Math.floor(known.length / 2)] ?? NaN;
};

describe('the made-up prices', () => {
  const card = offer('some-card', 'graphics');
  test('are the same each time, whole with a tenth off, and the offer’s own on its day', () => {
    expect(series(card, '2026-01-01', '2026-03-01')).toEqual(series({ ...card }, '2026-01-01', '2026-03-01'));
    expect(modelPrice(card, card.onDay)).toBe(500_90);
    for (const price of series(card, '2025-01-01', '2025-12-31')) if (price !== null) expect(price % 100).toBe(90);
  });

  test('cards lose about an eighth a year; one part doubles over its weeks', () => {
    const spring = (year: number, it: ModelOffer) => middle(series(it, `${year}-03-10`, `${year}-05-10`));
    const loss = spring(2026, card) / spring(2025, card);
    expect(loss).toBeGreaterThan(0.82);
    expect(loss).toBeLessThan(0.94);
    const kit = offer(DOUBLED.part, 'memory');
    const before = modelPrice(kit, DOUBLED.from - 3) ?? modelPrice(kit, DOUBLED.from - 20) ?? NaN;
    const after = modelPrice(kit, DOUBLED.to + 3) ?? modelPrice(kit, DOUBLED.to + 20) ?? NaN;
    expect(after / before).toBeGreaterThan(1.7);
    expect(after / before).toBeLessThan(2.3);
  });

  test('sales come in late autumn: of many offers about half are well below the week before', () => {
    const cheaper = Array.from({ length: 60 }, (_, i) => offer(`part-${i}`, 'drive')).filter((it) => {
      const [before, sale] = [modelPrice(it, dayNumber('2025-11-15')), modelPrice(it, dayNumber('2025-11-26'))];
      return before !== null && sale !== null && sale / before < 0.96;
    });
    expect(cheaper.length).toBeGreaterThan(18);
    expect(cheaper.length).toBeLessThan(48);
  });

  test('now and then something cannot be bought', () => {
    const days = Array.from({ length: 20 }, (_, i) =>
      series(offer(`part-${i}`, 'drive'), '2025-01-01', '2025-12-31'),
    ).flat();
    const out = days.filter((price) => price === null).length / days.length;
    expect(out).toBeGreaterThan(0.002);
    expect(out).toBeLessThan(0.04);
  });

  test('a workshop’s whole prices stay; rates have four decimals', () => {
    expect(modelPrice({ ...card, priceMinor: 140_00 }, card.onDay - 100)).toBe(140_00);
    expect(modelRate(20_000)).toMatch(/^0\.9\d{3}$/);
  });

  test('amounts are written with their currency’s decimals', () => {
    expect([written(5, 'USD'), written(-1234, 'EUR'), written(1234, 'JPY'), written(1234, 'KWD')]).toEqual([
      '0.05',
      '-12.34',
      '1234',
      '1.234',
    ]);
  });
});
