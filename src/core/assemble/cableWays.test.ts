import { describe, expect, test } from 'vitest';
import type { Assessment } from '../assess';
import { assessed, plus, type Change } from '../tests/world';
import { detailWords } from '../words/assemble';
import { cableWaysOf, reachOf, type CableWay } from './cableWays';
import { kitOf } from './kit';
import { planOf } from './plan';

const LENGTHS = { 'board-24': 600, 'processor-8': 800, 'card-16': 500, sata: 500 };
const withLengths = (cableLengthsMm: Record<string, number> = LENGTHS) => ({ psu: { cableLengthsMm } });
function ways(change: Change = {}): ReadonlyMap<string, CableWay> {
  const assessment = assessed(change);
  return cableWaysOf(assessment, planOf(assessment).steps);
}
function way(step: string, change: Change = {}): CableWay {
  const found = ways(change).get(step);
  if (!found) throw new Error(`no way of ${step}`);
  return found;
}
const used = (assessment: Assessment) => {
  const plan = planOf(assessment);
  return kitOf(assessment, plan, cableWaysOf(assessment, plan.steps), false).consumables;
};
const said = (step: string, change: Change = {}): string => detailWords({ of: 'way', way: way(step, change) });

/** A lead from one plug to the same plug. */
const extension = (id: string, lengthMm: number | undefined, plug = 'processor-8') => ({
  kind: 'accessory',
  id,
  maker: 'Brumeworks',
  name: id,
  purpose: 'cable',
  cableFor: 'power',
  fromPlug: plug,
  fromPlugs: 1,
  toPlug: plug,
  lengthMm,
});

describe('ways of cables, by hand', () => {
  // The case is 455 mm high inside and takes boards of 305 mm over a compartment of 100: the board begins at 455 − 405 = 50.
  // The supply, 160 mm long, stands from 367 to 453 mm and from 10 to 160 mm off the tray: its cables leave at (160, 410, 85).
  test('the board’s own: 85 to the tray, 99 and 242.5 along it, 15 and 8 out of the opening, two bends of 40', () => {
    // plug from 140 to 195 mm down, at the front edge of 244 mm; the opening 15 mm beside it
    expect(way('board board-24')).toMatchObject({
      side: 'behind',
      usualPlace: false,
      usualSide: true,
      needsMm: 85 + 99 + 242.5 + 15 + 8 + 80,
      hasMm: undefined,
      reach: 'unknown',
    });
  });

  test('the processor’s, at the board’s upper rear corner: 85, 130 and 365, then 17 and 8', () => {
    expect(way('board processor-8')).toMatchObject({
      usualPlace: true,
      needsMm: 85 + 130 + 365 + 17 + 8 + 80,
    });
  });

  test('a card’s, on its upper edge 50 mm from its end: 85, 99, 159.9, then 39 and 138', () => {
    // row 2: 50 + 165 + 20.32 − 5 = 230.32 down, two slots less 1 = 39.64 thick; 130 mm high over a board at 8
    expect(way('power card-1 card-16')).toMatchObject({ side: 'behind', usualPlace: true });
    expect(way('power card-1 card-16').needsMm).toBeCloseTo(85 + 99 + (410 - (230.32 + 19.82)) + 39 + 138 + 80, 6);
  });

  test('a drive’s in its cage comes in front: its place is known', () => {
    // cage 215 mm from the rear, lowest place: from 455 − 8 − 30 = 417 down, 26.1 thick; 12 to 113.6 off the tray
    expect(way('power disk-1')).toMatchObject({ side: 'in front', usualPlace: false, usualSide: false });
    expect(way('power disk-1').needsMm).toBeCloseTo(55 + Math.abs(430.05 - 410) + Math.abs(62.8 - 85) + 80, 6);
  });

  test('in an open frame, or without room behind the board, cables come in front', () => {
    // 84 along, 242.5 up, 77 in
    for (const change of [{ behindBoardMm: 10 }, { frame: 'open' }])
      expect(way('board board-24', { parts: { case: change } })).toMatchObject({
        side: 'in front',
        usualSide: false,
        needsMm: 84 + 242.5 + 77 + 80,
      });
    expect(way('board board-24', { parts: { case: { behindBoardMm: 15 } } })).toMatchObject({
      side: 'behind',
      usualSide: false,
    });
  });
});

describe('whether a cable reaches', () => {
  test('surely with 15 % to spare, not with 15 % too little, else it is close', () => {
    expect([800, 690, 689, 600, 522, 521].map((has) => reachOf(600, has))).toEqual([
      'reaches',
      'reaches',
      'close',
      'close',
      'close',
      'short',
    ]);
    expect(reachOf(600, undefined)).toBe('unknown');
  });

  test('is told with what lacks, and what lies ready before the first step', () => {
    const change = { parts: { case: { behindBoardMm: 20 }, ...withLengths({ ...LENGTHS, 'processor-8': 500 }) } };
    expect(said('board board-24', change)).toBe(
      'behind the board, about 530 mm: the cable has 600 mm, little to spare: lay it before anything is screwed down',
    );
    expect(said('board processor-8', change)).toBe(
      'behind the board, about 690 mm to where this plug usually sits: the cable has 500 mm, some 190 mm too short: an extension',
    );
    const assessment = assessed(change);
    expect(used(assessment)).toContain('extension');
    const enough = assessed({ parts: withLengths({ ...LENGTHS, 'card-16': 700 }) });
    expect(used(enough)).not.toContain('extension');
  });

  test('nothing is known of a cable whose length nobody states, of a second one that is a lead, and of a lead’s', () => {
    expect(said('board processor-8')).toBe(
      'behind the board where there is room, about 690 mm to where this plug usually sits; how long the cable is nobody states',
    );
    const two: Change = {
      parts: {
        psu: { cableLengthsMm: LENGTHS, connectors: { 'board-24': 1, 'processor-8': 1, 'card-8': 4, sata: 8 } },
        board: { powerInputs: { 'board-24': 1, 'processor-8': 2 } },
      },
    };
    expect(way('board processor-8 1', two).hasMm).toBe(800);
    expect(way('board processor-8 2', two).hasMm).toBeUndefined();
    expect(way('power card-1 card-16', two)).toMatchObject({ hasMm: undefined, reach: 'unknown' });
  });

  test('an extension goes to the cable that lacks most, and one of unknown length leaves it open', () => {
    const short: Change = {
      parts: {
        board: { powerInputs: { 'board-24': 1, 'processor-8': 2 } },
        ...withLengths({ ...LENGTHS, 'processor-8': 500 }),
      },
      addParts: [extension('lead', 300)],
      items: plus({ id: 'lead-1', part: 'lead' }),
    };
    expect(way('board processor-8 1', short)).toMatchObject({ hasMm: 800, extension: 'lead-1', reach: 'reaches' });
    expect(said('board processor-8 1', short)).toContain('with its extension it has 800 mm');
    expect(way('board processor-8 2', short)).toMatchObject({ hasMm: 500, extension: undefined, reach: 'short' });
    // it fits no other plug
    expect(way('board board-24', short).extension).toBeUndefined();
    const unknown = way('board processor-8 1', { ...short, addParts: [extension('lead', undefined)] });
    expect(unknown).toMatchObject({ hasMm: undefined, extension: 'lead-1', reach: 'unknown' });
  });
});

describe('what is not known has no way', () => {
  test('without a supply’s place, or a case, only headers have a place', () => {
    // a supply in front leaves the board in the middle of 455 mm: it begins at 75
    const front = ways({ parts: { case: { supplyPlace: 'front' } } });
    expect(front.get('board board-24')).toMatchObject({ needsMm: undefined, reach: 'unknown' });
    expect(front.get('front switch')?.corners).toEqual([[244 - 30, 75 + 305 - 8, 8]]);
    expect(detailWords({ of: 'way', way: front.get('front switch') as CableWay })).toContain('does not state it');
    expect(ways({ items: (items) => items.filter(({ part }) => part !== 'case') }).size).toBe(0);
  });

  test('a machine that stands has cables that reach: their ways are shown and not judged', () => {
    const short: Change = { parts: withLengths({ ...LENGTHS, 'processor-8': 300 }), machine: { present: true } };
    expect(way('board processor-8', short)).toMatchObject({ side: 'behind', needsMm: undefined, reach: 'unknown' });
    expect(way('board processor-8', short).corners).toHaveLength(5);
    expect(said('board processor-8', short)).toBe('behind the board where there is room');
    expect(used(assessed(short))).not.toContain('extension');
    expect(used(assessed({ parts: withLengths({ ...LENGTHS, 'processor-8': 300 }) }))).toContain('extension');
  });

  test('steps without a cable have none, and fans’ headers differ too much to be drawn', () => {
    const all = ways();
    expect(all.get('processor')).toBeUndefined();
    expect(all.get('case fans 1')).toBeUndefined();
    expect([...all.keys()].length).toBeGreaterThan(6);
  });
});
