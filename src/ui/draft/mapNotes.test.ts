import { describe, expect, test } from 'vitest';
import { assessed, BUSY, FAN, plus, without, type Change } from '@/core/tests/world';
import { clearanceNotes, heatIn, heatNotes } from './mapNotes';

const heat = (change: Change = {}, sitting?: string) => heatNotes(assessed({ brief: BUSY, ...change }), sitting);
const gaps = (change: Change = {}) => clearanceNotes(assessed(change));

describe('notes of the heat layer', () => {
  test('give each hot part its temperature against its limit, and the bar its share', () => {
    const assessment = assessed({ brief: BUSY });
    const processor = heatNotes(assessment, undefined).get('cpu-1');
    const state = heatIn(assessment, undefined)?.worst.state.parts.find(({ item }) => item === 'cpu-1');
    expect(processor?.text).toMatch(/^\d+(\.\d+)? °C of 95$/);
    expect(processor?.share).toBeCloseTo((state?.tempC ?? NaN) / 95, 9);
    expect(processor?.tone).toBe('carries');
  });

  test('a part held by heat is short and says which clock it keeps', () => {
    const poor = heat({ parts: { cooler: { resistance: [{ rpm: 1500, kPerW: 0.9 }] } } });
    expect(poor.get('cpu-1')).toMatchObject({ tone: 'short' });
    expect(poor.get('cpu-1')?.more).toMatch(/^\d+(\.\d+)? W · \d+ % clock$/);
  });

  test('a figure that is only bounded is a range', () => {
    const vague = heat({ parts: { cpu: { packageKPerW: undefined } } });
    expect(vague.get('cpu-1')?.text).toMatch(/^\d+(\.\d+)? to \d+(\.\d+)? °C of 95$/);
  });

  test('cooler, case, supply and added fans say what they do', () => {
    const notes = heat({ items: plus({ id: 'fan-1', part: 'fan' }), addParts: [FAN] });
    expect(notes.get('cooler-1')?.text).toMatch(/^fan \d+ % · air in \d+(\.\d+)? °C$/);
    expect(notes.get('case-1')?.text).toMatch(/m³\/h · air \+\d/);
    expect(notes.get('psu-1')?.text).toMatch(/^loses \d+(\.\d+)? W as heat$/);
    expect(notes.get('fan-1')?.text).toMatch(/^(front|roof|back|floor|side) · \d+ % · /);
  });

  test('without a sitting there is nothing to say, and an unknown one means the warmest', () => {
    expect(heat({ brief: { ...BUSY, tasks: [], sittings: [] } }).size).toBe(0);
    const assessment = assessed({ brief: BUSY });
    expect(heatIn(assessment, 'no such sitting')).toBe(heatIn(assessment, undefined));
  });
});

describe('notes of the clearance layer', () => {
  test('name the nearest neighbour in mm, or what lies over a part', () => {
    const notes = gaps();
    expect(notes.size).toBeGreaterThan(0);
    for (const [, { text, tone }] of notes)
      if (tone === 'carries') expect(text).toMatch(/^(\d+(\.\d+)? mm to |under )/);
    // board and case lie under everything and are no neighbours
    expect(notes.has('board-1')).toBe(false);
    expect(notes.has('case-1')).toBe(false);
  });

  test('two parts that stand in one another are both short by so many mm', () => {
    const notes = gaps({ parts: { psu: { lengthMm: 360 } } });
    expect(notes.get('psu-1')).toEqual({ text: '36 mm into Ketterlode Test 8 TB', share: 1, tone: 'short' });
    expect(notes.get('disk-1')).toEqual({ text: '36 mm into Gatewick Test 750', share: 1, tone: 'short' });
    // what is alone stays as it was
    expect(notes.get('cooler-1')).toEqual(gaps().get('cooler-1'));
  });

  test('without a case there is no scene to speak of', () => {
    expect(gaps({ items: without('case-1') }).size).toBe(0);
  });
});
