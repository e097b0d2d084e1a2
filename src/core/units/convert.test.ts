import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { convert, typedIn, unitOf, unitsLike } from './convert';

describe('units', () => {
  test('worked by hand', () => {
    expect(convert(11.8, 'inch', 'mm')).toBe(299.72);
    // (0.3048 m)³ × 60 = 1.69901 m³/h
    expect(convert(100, 'CFM', 'm³/h')).toBeCloseTo(169.9011, 4);
    expect(convert(2, 'mmH2O', 'Pa')).toBeCloseTo(19.6133, 4);
    expect(convert(2, 'years', 'months')).toBe(24);
    expect(convert(7.1, 'GB/s', 'MB/s')).toBe(7100);
    expect(convert(0.3, 'kg', 'g')).toBe(300);
  });

  test('what measures different things is not converted: bits and bytes, decimal and binary, watts and millimetres', () => {
    expect(convert(1, 'Gb/s', 'MB/s')).toBeUndefined();
    expect(convert(1, 'GB', 'GiB')).toBeUndefined();
    expect(convert(1, 'W', 'mm')).toBeUndefined();
    expect(convert(1, 'furlong', 'mm')).toBeUndefined();
  });

  test('a typed GB means GiB where memory is counted in GiB, and nowhere else', () => {
    expect(typedIn(24, 'GB', 'GiB')).toBe(24);
    expect(typedIn(512, 'MB', 'GiB')).toBe(0.5);
    expect(typedIn(24, 'GiB', 'GB')).toBeUndefined();
    expect(typedIn(2, 'TB', 'GB')).toBe(2000);
  });

  test('as the trade writes them', () => {
    expect(['Watts', 'mm', '"', 'lbs', 'Gbps', 'GB/s', 'dBA', 'cfm', 'IOPS'].map(unitOf)).toEqual([
      'W',
      'mm',
      'inch',
      'lb',
      'Gb/s',
      'GB/s',
      'dB(A)',
      'CFM',
      'IO/s',
    ]);
    expect(unitOf('cubits')).toBeUndefined();
    expect(unitsLike('mm')).toEqual(['mm', 'cm', 'm', 'inch']);
    expect(unitsLike('slots')).toEqual(['slots']);
  });

  test('there and back is the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('mm', 'g', 'GB', 'MB/s', 'm³/h', 'GHz'),
        fc.double({ min: 0.001, max: 1e6, noNaN: true }),
        (unit, value) => {
          for (const other of unitsLike(unit)) {
            const there = convert(value, unit, other);
            const back = there === undefined ? NaN : (convert(there, other, unit) ?? NaN);
            if (Math.abs(back - value) > value * 1e-9) return false;
          }
          return true;
        },
      ),
    );
  });
});
