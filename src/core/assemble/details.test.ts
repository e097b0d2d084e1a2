import { describe, expect, test } from 'vitest';
import { assessed, plus, type Change, FAN } from '../tests/world';
import { detailWords } from '../words/assemble';
import { detailsOf, type Detail } from './details';
import { planOf } from './plan';

/** Details of a step of the small world, changed. */
function details(step: string, change: Change = {}): Detail[] {
  const assessment = assessed(change);
  const { steps } = planOf(assessment);
  const found = steps.find(({ id }) => id === step);
  if (!found) throw new Error(`no step ${step}`);
  return detailsOf(found, assessment, new Map());
}
const said = (step: string, change: Change = {}): string => details(step, change).map(detailWords).join('; ');

describe('what holds of a step on this machine', () => {
  test('standoffs by the board’s form; larger boards differ by maker', () => {
    expect(said('case')).toBe('9 standoffs for ATX: holes A, C, F, G, H, J, K, L and M, none elsewhere');
    expect(said('case', { parts: { board: { form: 'Mini-ITX' } } })).toContain(
      '4 standoffs for Mini-ITX: holes C, F, H and J',
    );
    expect(details('case', { parts: { board: { form: 'E-ATX' }, case: { boardForms: ['E-ATX'] } } })).toEqual([]);
    expect(details('case', { parts: { board: { form: undefined } } })).toEqual([]);
  });

  test('modules: which slot the board fills when, and what shares its channel', () => {
    expect(said('module a2')).toBe('the board fills it as number 1: channel A, alone in it');
    expect(said('module b2')).toBe('the board fills it as number 2: channel B, alone in it');
    expect(said('module a1', { parts: { kit: { modules: 4 } } })).toContain('channel A, beside another module');
  });

  test('air, brackets, the supply’s side, covers, paste and headers', () => {
    expect(said('fan fan-1', { addParts: [FAN], items: plus({ id: 'fan-1', part: 'fan', side: 'front' }) })).toBe(
      'air goes in at the front',
    );
    // two slots thick, in the board's second row
    expect(said('card card-1')).toBe('brackets 2 and 3 out, counted from the processor down');
    expect(details('card card-1', { parts: { card: { slots: undefined } } })).toEqual([]);
    expect(said('supply')).toBe('its fan down, towards the opening in the floor');
    expect(said('supply', { parts: { case: { supplyPlace: 'front' } } })).toContain('side panel');
    expect(said('drive ssd-1')).toContain('film off the pad');
    expect(said('drive ssd-1', { parts: { ssd: { heatsinkHeightMm: 9 } } })).toContain('stays off');
    expect(said('cooler')).toBe('paste: a drop like a pea; its block stands 12 mm off the middle, towards the rear');
    expect(said('cooler', { parts: { cpu: { memoryChannels: 8 } } })).toContain('a cross to the corners');
    expect(said('case fans 1')).toBe('0.20 A on this header in all, of 1 A');
  });

  test('fans that plug into one another make their row longer at each joint', () => {
    // three of 120 mm with two joints of 10 mm
    const linked = (mounts: object[], linkMm: number | undefined): string =>
      said('fan fan-1', {
        addParts: [{ ...FAN, sizeMm: 120, linkMm }],
        parts: { case: { mounts, fansIncluded: [] } },
        items: plus(...[1, 2, 3].map((i) => ({ id: `fan-${i}`, part: 'fan', side: 'front' }))),
      });
    const row = (rowMm?: number) => [{ side: 'front', fans: [{ sizeMm: 120, count: 3 }], ...(rowMm ? { rowMm } : {}) }];
    expect(linked(row(), 10)).toContain('take 380 mm of a row of 360 mm: give each its own cable');
    expect(linked(row(400), 10)).toContain('take 380 of the row’s 400 mm');
    expect(linked(row(), undefined)).toBe('air goes in at the front');
    expect(linked(row(), 0)).toBe('air goes in at the front');
  });

  test('steps of which nothing particular is known say nothing', () => {
    expect(details('close')).toEqual([]);
    expect(details('processor')).toEqual([]);
  });
});
