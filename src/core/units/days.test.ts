import { expect, test } from 'vitest';
import { yearsBetween } from './days';

test('years go by the calendar, and what is left by the days of its year', () => {
  expect(yearsBetween('2031-05-18', '2034-05-18')).toBe(3);
  expect(yearsBetween('2031-05-18', '2032-05-17')).toBeCloseTo(365 / 366, 9);
  expect(yearsBetween('2032-02-29', '2033-03-01')).toBe(1);
  expect(yearsBetween('2032-02-29', '2033-02-28')).toBeCloseTo(365 / 366, 9);
  expect(yearsBetween('2034-05-18', '2031-05-18')).toBe(0);
  expect(yearsBetween('2031-12-31', '2032-01-01')).toBeCloseTo(1 / 366, 9);
});
