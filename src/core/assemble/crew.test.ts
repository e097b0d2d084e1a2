import { describe, expect, test } from 'vitest';
import { contextOf, subjectOf } from '../assess';
import { catalogueSchema } from '../model/catalogueSchema';
import { compileCatalogue } from '../model/catalogue';
import { inPhase } from '../model/phases';
import { assessed, plus, without } from '../tests/world';
import { earlyWords, kitWords } from '../words/assemble';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { arrivalsOf, beforeTheLast } from './arrivals';
import { sharedOut } from './crew';
import { kitOf } from './kit';
import { planOf } from './plan';

const plans = (() => {
  const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), DEMO_TODAY);
  return demoSeats().flatMap(({ brief, drafts }) =>
    drafts.map((draft) => planOf(subjectOf(brief, context).assess(inPhase(draft, 'now')))),
  );
})();

describe('several pairs of hands', () => {
  test('one does the plan as it stands; more are never slower, and never faster than the longest chain', () => {
    for (const plan of plans) {
      const alone = sharedOut(plan, 1);
      expect(alone.hands).toEqual([plan.steps.map(({ id }) => id)]);
      expect(alone.minutes).toBeCloseTo(plan.minutes, 9);
      const two = sharedOut(plan, 2);
      expect(two.hands.flat().sort()).toEqual(plan.steps.map(({ id }) => id).sort());
      expect(two.minutes).toBeLessThanOrEqual(alone.minutes + 1e-9);
      const chain = new Map<string, number>();
      for (const { id, minutes, before } of plan.steps)
        chain.set(id, minutes + Math.max(0, ...before.map(({ step }) => chain.get(step) ?? 0)));
      expect(two.minutes).toBeGreaterThanOrEqual(Math.max(0, ...chain.values()) - 1e-9);
      expect(two.minutes).toBeGreaterThanOrEqual(plan.minutes / 2 - 1e-9);
    }
  });

  test('by hand: two steps side by side, then one that stands on both', () => {
    const step = (id: string, minutes: number, ...on: string[]) => ({
      id,
      minutes,
      before: on.map((each) => ({ step: each, why: { code: 'carries' as const } })),
    });
    const plan = { steps: [step('a', 5), step('b', 3), step('c', 2, 'a', 'b'), step('d', 1, 'b')] };
    const crew = sharedOut(plan as never, 2);
    // a takes 5; meanwhile b and then d, 4; c begins at 5
    expect(crew).toEqual({
      minutes: 7,
      hands: [
        ['a', 'c'],
        ['b', 'd'],
      ],
    });
  });
});

describe('before everything is there', () => {
  const assessment = assessed();
  const plan = planOf(assessment);
  test('what stands on nothing that comes last', () => {
    const early = beforeTheLast(
      plan,
      new Map([
        ['card-1', '2026-05-25'],
        ['board-1', '2026-05-20'],
      ]),
    );
    expect(early).toMatchObject({ last: 'card-1', on: '2026-05-25' });
    expect(early?.steps).not.toContain('card card-1');
    expect(early?.steps).not.toContain('power card-1 card-16');
    expect(early?.steps).not.toContain('close');
    expect(early?.steps).toContain('cooler');
    // all but the card, its cable and closing
    expect(early?.steps).toHaveLength(plan.steps.length - 3);
    expect(early && earlyWords(early, plan.steps.length, assessment)).toMatch(
      /^Before the last parcel \(Palisar Test 12, 2026-05-25\): 22 of 25 steps, about \d+ min\.$/,
    );
  });
  test('without the case little can begin; all on one day is no question', () => {
    const late = new Map([
      ['case-1', '2026-05-25'],
      ['card-1', '2026-05-20'],
    ]);
    expect(beforeTheLast(plan, late)?.steps).toEqual(['processor', 'module a2', 'module b2', 'drive ssd-1', 'kit']);
    expect(beforeTheLast(plan, new Map([['case-1', '2026-05-25']]))).toBeUndefined();
    expect(beforeTheLast(plan, new Map())).toBeUndefined();
  });
  test('days come from the offers; what is owned is there', () => {
    for (const day of arrivalsOf(assessment).values()) expect(day >= '2026').toBe(true);
    expect(arrivalsOf(assessed({ items: (items) => items.map((item) => ({ ...item, owned: true })) })).size).toBe(0);
  });
});

describe('what lies ready and what is kept', () => {
  const kit = (change: Parameters<typeof assessed>[0] = {}, flashes = false) => {
    const assessment = assessed(change);
    return kitOf(assessment, planOf(assessment), new Map(), flashes);
  };
  test('from this machine’s parts', () => {
    expect(kit().consumables).toEqual(['cable ties']);
    expect(kit({ parts: { cooler: { pasteIncluded: false } } }).consumables).toContain('paste');
    const paste = { kind: 'accessory', id: 'paste', maker: 'Northdraft', name: 'Paste', purpose: 'paste' };
    expect(
      kit({
        parts: { cooler: { pasteIncluded: false } },
        addParts: [paste],
        items: plus({ id: 'paste-1', part: 'paste' }),
      }).consumables,
    ).not.toContain('paste');
    expect(kit({}, true).consumables).toContain('usb stick');
    expect(kit().keep).toContain('unused cables');
    expect(kit({ parts: { psu: { modular: false } } }).keep).not.toContain('unused cables');
    expect(kit({ items: without('card-1') }).keep).not.toContain('slot brackets');
    for (const [, list] of kitWords(kit())) expect(list).not.toMatch(/undefined/);
  });
});
