import { describe, expect, test } from 'vitest';
import { beamPosition } from './Beam';

describe('the axis of a beam', () => {
  test('has its pivot in the middle whatever it measures', () => {
    expect(beamPosition({ kind: 'ratio' }, 1)).toBeCloseTo(100, 9);
    expect(beamPosition({ kind: 'tight' }, 1)).toBeCloseTo(100, 9);
    expect(beamPosition({ kind: 'difference', span: 60 }, 0)).toBe(100);
  });

  test('is logarithmic for ratios: twice and half lie as far from the pivot', () => {
    const right = beamPosition({ kind: 'ratio' }, 2) - 100;
    const left = 100 - beamPosition({ kind: 'ratio' }, 0.5);
    expect(right).toBeCloseTo(left, 9);
    expect(right).toBeCloseTo(50, 9);
  });

  test('pins what lies past its end, nought and endless too', () => {
    expect(beamPosition({ kind: 'ratio' }, 40)).toBe(200);
    expect(beamPosition({ kind: 'ratio' }, 0)).toBe(0);
    expect(beamPosition({ kind: 'tight' }, 1e9)).toBe(200);
    expect(beamPosition({ kind: 'difference', span: 60 }, -400)).toBe(0);
  });
});
