import { describe, expect, test } from 'vitest';
import { contextOf, subjectOf, type Assessment } from '../assess';
import { catalogueSchema } from '../model/catalogueSchema';
import { compileCatalogue } from '../model/catalogue';
import { editMachine } from '../model/edits';
import { inPhase } from '../model/phases';
import { CONNECTORS } from '../parts/common';
import { spreadFans } from '../power/headers';
import { numbers } from '../tests/walk';
import { assessed, plus, without } from '../tests/world';
import { CRAFT, gapWords, minutesWords, stepTitle, whyLines, whyWords } from '../words/assemble';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { planOf } from './plan';
import type { Plan } from './steps';

const data = catalogueSchema.parse(demoCatalogue());
const catalogue = compileCatalogue(data);
const context = contextOf(catalogue, DEMO_TODAY);

/** Machines of the demo with parts swapped at random, as long as nothing stands against ordering them. */
function* verified(seed: number, wanted: number): Generator<Assessment> {
  const next = numbers(seed);
  const seats = demoSeats();
  let made = 0;
  while (made < wanted) {
    const seat = seats[Math.floor(next() * seats.length)];
    const draft = seat?.drafts[Math.floor(next() * seat.drafts.length)];
    if (!seat || !draft) continue;
    const subject = subjectOf(seat.brief, context);
    let machine = inPhase(draft, 'now');
    for (let i = 0; i < 3; i++) {
      const item = machine.items[Math.floor(next() * machine.items.length)];
      const part = item && catalogue.part(item.part);
      if (!item || !part) continue;
      const list = catalogue.ofKind(part.kind);
      const other = list[Math.floor(next() * list.length)];
      if (!other) continue;
      const changed = editMachine(machine, { kind: 'swap', item: item.id, part: other.id, label: other.name });
      if (subject.assess(changed).findings.every(({ level }) => level !== 'blocks')) machine = changed;
    }
    const assessment = subject.assess(machine);
    if (assessment.findings.some(({ level }) => level === 'blocks')) continue;
    made++;
    yield assessment;
  }
}
const INSIDE = new Set([
  'processor',
  'board',
  'memory',
  'graphics',
  'expansion',
  'drive',
  'supply',
  'case',
  'cooler',
  'fan',
  'accessory',
]);
const positions = ({ steps }: Plan): Map<string, number> => new Map(steps.map(({ id }, i) => [id, i]));

describe('the plan of any machine', () => {
  test('mounts every part once, feeds every input, reaches every place, and keeps to its own edges', () => {
    let [planned, covered, cables] = [0, 0, 0];
    for (const assessment of verified(24, 300)) {
      const plan = planOf(assessment);
      const { parts } = assessment.facts;
      expect(plan.knots).toEqual([]);
      planned++;
      // every part that goes in, once, but for what has no place and is named
      const mounted = plan.steps.flatMap(({ mounts }) => mounts);
      expect(new Set(mounted).size).toBe(mounted.length);
      const gone = new Set(
        plan.gaps.flatMap(({ code, item }) => (code === 'no-place' && item !== undefined ? [item] : [])),
      );
      for (const { item, part } of parts.all)
        if (INSIDE.has(part.kind)) expect(mounted.includes(item.id) || gone.has(item.id), item.id).toBe(true);
      expect(new Set(plan.steps.map(({ id }) => id)).size).toBe(plan.steps.length);
      // every input of board, cards and drives
      for (const fitted of [...parts.ofKind('board'), ...parts.ofKind('graphics'), ...parts.ofKind('expansion')]) {
        if (gone.has(fitted.item.id)) continue;
        const inputs = fitted.part.kind === 'board' ? fitted.part.powerInputs : fitted.part.connectors;
        for (const connector of CONNECTORS) {
          const fed = plan.steps.filter(
            ({ about, cable }) => about === fitted.item.id && cable?.connector === connector,
          );
          expect(fed).toHaveLength(inputs?.[connector] ?? 0);
          cables += fed.length;
        }
      }
      // no step needs a place over which an earlier one lies
      const at = positions(plan);
      const over = new Set<string>();
      for (const step of plan.steps) {
        for (const place of step.needs) expect(over.has(place), `${step.id} needs ${place}`).toBe(false);
        for (const place of step.covers) over.add(place);
      }
      covered += over.size;
      for (const step of plan.steps)
        for (const { step: before } of step.before) expect(at.get(before)).toBeLessThan(at.get(step.id) ?? -1);
      // no header carries more than it may where currents are known and the rule found nothing
      const limitA = parts.one('board')?.part.fanHeaderCurrentA;
      const warned = assessment.findings.some(({ code }) => code === 'header-current');
      for (const { cable } of plan.steps)
        if (cable?.headerA !== undefined && limitA !== undefined && !warned)
          expect(cable.headerA).toBeLessThanOrEqual(limitA + 1e-9);
      // the same machine gives the same plan, and every step has its words
      expect(planOf(assessment)).toEqual(plan);
      for (const step of plan.steps) {
        expect(stepTitle(step, assessment)).not.toMatch(/undefined| {2}/);
        expect(CRAFT[step.code].right.length).toBeGreaterThan(5);
      }
      for (const gap of plan.gaps) expect(gapWords(gap, assessment)).toMatch(/\.$/);
    }
    expect([planned, covered > 300, cables > 900]).toEqual([300, true, true]);
  });

  test('a part that is swapped moves only steps that touch it', () => {
    let swaps = 0;
    for (const assessment of verified(7, 40)) {
      const { parts, machine } = assessment.facts;
      const memory = parts.one('memory');
      if (!memory) continue;
      const twin = catalogue
        .ofKind('memory')
        .find(
          (part) =>
            part.id !== memory.part.id &&
            part.modules === memory.part.modules &&
            part.moduleGiB === memory.part.moduleGiB &&
            part.heightMm === memory.part.heightMm,
        );
      if (!twin) continue;
      const changed = subjectOf(assessment.facts.brief, context).assess(
        editMachine(machine, { kind: 'swap', item: memory.item.id, part: twin.id, label: twin.name }),
      );
      const [before, after] = [planOf(assessment), planOf(changed)];
      expect(after.steps.map(({ id }) => id)).toEqual(before.steps.map(({ id }) => id));
      swaps++;
    }
    expect(swaps).toBeGreaterThan(10);
  });
});

/** Pairs that every builder keeps: the first before the second. */
const keeps = (plan: Plan, pairs: readonly (readonly [RegExp, RegExp])[]): void => {
  for (const [first, second] of pairs) {
    const [a, b] = [first, second].map((pattern) => plan.steps.flatMap(({ id }, i) => (pattern.test(id) ? [i] : [])));
    expect(a?.length, String(first)).toBeGreaterThan(0);
    expect(b?.length, String(second)).toBeGreaterThan(0);
    expect(Math.max(...(a ?? [])), `${String(first)} before ${String(second)}`).toBeLessThan(Math.min(...(b ?? [])));
  }
};

describe('plans written out by hand', () => {
  test('a desktop with two modules, a tower cooler and one card', () => {
    const plan = planOf(assessed());
    expect(plan.steps.map(({ id }) => id)).toEqual([
      'case',
      'processor',
      'module a2',
      'module b2',
      'drive ssd-1',
      'kit',
      'supply',
      'drive disk-1',
      'board',
      'board board-24',
      'board processor-8',
      'front switch',
      'front audio',
      'front usb 1',
      'front usb 2',
      'case fans 1',
      'case fans 2',
      'case fans 3',
      'data disk-1',
      'power disk-1',
      'cooler',
      'cooler fans',
      'card card-1',
      'power card-1 card-16',
      'close',
    ]);
    keeps(plan, [
      [/^processor$/, /^cooler$/],
      [/^kit$/, /^board$/],
      [/^case$/, /^board$/],
      [/^board$/, /^board /],
      [/^board processor-8/, /^cooler$/],
      [/^drive ssd-1/, /^card /],
      [/^front /, /^card /],
      [/^data /, /^card /],
      [/^card card-1/, /^power card-1/],
      [/^supply/, /^board board-24/],
    ]);
    expect(plan.steps.find(({ id }) => id === 'cooler')?.before).toContainEqual({
      step: 'board processor-8',
      why: { code: 'covers', place: 'processor input' },
    });
    // 6 + 3 + 2 × 1 + 4 + 6 + 5 + 4 + 6 + 11 cables of 2 + 8 + 2 + 4 + 2 + 4
    expect(plan.minutes).toBe(6 + 3 + 2 + 4 + 6 + 5 + 4 + 6 + 22 + 8 + 2 + 4 + 2 + 4);
    expect(minutesWords(plan.minutes)).toBe('about 78 min');
    expect(whyWords({ code: 'covers', place: 'data ports' }, 'Run the cable')).toBe(
      'after “Run the cable”: it lies over the data ports',
    );
    // reasons of one place are told together
    const card = plan.steps.find(({ id }) => id === 'card card-1');
    expect(whyLines(card?.before ?? [], (id) => id)).toContain(
      'after “front switch”, “front audio”, “front usb 1” and “front usb 2”: it lies over the headers at the lower edge',
    );
  });

  test('a large socket with a radiator, two cards and eight modules', () => {
    const letters = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
    const plan = planOf(
      assessed({
        parts: {
          cpu: { memoryChannels: 8 },
          board: {
            memorySlots: letters.map((letter, i) => ({
              id: letter,
              label: letter.toUpperCase(),
              channel: letter.toUpperCase(),
              position: 1,
              // from the socket outwards on both sides
              fillOrder: [4, 3, 2, 1, 5, 6, 7, 8][i],
            })),
            powerInputs: { 'board-24': 1, 'processor-8': 2 },
          },
          kit: { modules: 8, errorCorrection: true },
          cooler: { type: 'liquid', radiatorMm: 240, radiatorThicknessMm: 52, fans: 2, heightMm: 55 },
          card: { slots: 2 },
        },
        items: (items) => [...items, { id: 'card-2', part: 'card' }],
      }),
    );
    expect(plan.gaps).toEqual([]);
    expect(plan.steps.map(({ id }) => id)).toEqual([
      'case',
      'processor',
      'module d',
      'module c',
      'module b',
      'module a',
      'module e',
      'module f',
      'module g',
      'module h',
      'drive ssd-1',
      'kit',
      'supply',
      'drive disk-1',
      'board',
      'board board-24',
      'board processor-8 1',
      'board processor-8 2',
      'front switch',
      'front audio',
      'front usb 1',
      'front usb 2',
      'case fans 1',
      'case fans 2',
      'case fans 3',
      'data disk-1',
      'power disk-1',
      'radiator',
      'cooler',
      // what must never be forgotten first
      'pump',
      'cooler fans 1',
      'cooler fans 2',
      'card card-1',
      'card card-2',
      'power card-1 card-16',
      'power card-2 card-16',
      'close',
    ]);
    keeps(plan, [
      [/^kit$/, /^board$/],
      [/^module /, /^cooler$/],
      // under the roof the radiator lies over the processor's inputs
      [/^board processor-8/, /^radiator$/],
      [/^radiator$/, /^cooler$/],
      [/^cooler$/, /^pump$/],
      [/^drive ssd-1/, /^card /],
      [/^front /, /^card /],
      [/^data /, /^card /],
      [/^card card-1/, /^power card-1/],
      [/^card card-2/, /^power card-2/],
      [/^power card/, /^close$/],
    ]);
    // 6 + 3 + 8 + 4 + 6 + 5 + 4 + 6 + 12 cables of 2 + radiator 4 + cooler 8 + 3 cables of 2 + 2 cards of 4 + 2 cables of 2 + 4
    expect(plan.minutes).toBe(6 + 3 + 8 + 4 + 6 + 5 + 4 + 6 + 24 + 4 + 8 + 6 + 8 + 4 + 4);
  });

  test('a demo machine of that size keeps to the same pairs', () => {
    const seat = demoSeats().find(({ seatId }) => seatId === 'sonar-ingest');
    const draft = seat?.drafts[0];
    if (!seat || !draft) throw new Error('no sonar desk');
    const assessment = subjectOf(seat.brief, context).assess(inPhase(draft, 'now'));
    const plan = planOf(assessment);
    const modules = plan.steps.filter(({ code }) => code === 'module');
    expect(modules.length).toBe(assessment.facts.memory.modules.length);
    keeps(plan, [
      [/^processor$/, /^cooler$/],
      [/^kit$/, /^board$/],
      [/^board processor-8/, /^close$/],
      [/^front /, /^card /],
      [/^card /, /^close$/],
    ]);
    // slots are filled in the order in which the board wants them
    const order = new Map(
      assessment.facts.parts.one('board')?.part.memorySlots?.map(({ id, fillOrder }) => [id, fillOrder]),
    );
    const filled = modules.map(({ id }) => order.get(id.replace('module ', '')) ?? 0);
    expect(filled).toEqual([...filled].sort((a, b) => a - b));
  });
});

describe('what cannot be planned is said', () => {
  test('without a board nothing, without a case to the bench, and what has no place or header', () => {
    const none = planOf(assessed({ items: without('board-1') }));
    expect([none.steps, none.gaps]).toEqual([[], [{ code: 'no-board', item: undefined, field: undefined }]]);
    const bench = planOf(assessed({ items: without('case-1') }));
    expect(bench.gaps).toContainEqual({ code: 'no-case', item: undefined, field: undefined });
    expect(bench.steps.some(({ id }) => id === 'board')).toBe(true);
    const full = planOf(
      assessed({
        items: plus({ id: 'ssd-2', part: 'ssd' }, { id: 'ssd-3', part: 'ssd' }, { id: 'ssd-4', part: 'ssd' }),
      }),
    );
    expect(full.gaps.filter(({ code }) => code === 'no-place').length).toBeGreaterThan(0);
    const few = planOf(assessed({ parts: { board: { fanHeaders: 2 } } }));
    expect(few.gaps.filter(({ code }) => code === 'no-header')).toHaveLength(2);
    const unstated = assessed({ parts: { card: { connectors: undefined } } });
    expect(planOf(unstated).gaps).toContainEqual({ code: 'unstated', item: 'card-1', field: 'connectors' });
    for (const gap of planOf(unstated).gaps) expect(gapWords(gap, unstated)).toContain('does not state');
  });

  test('fans hang on headers and splitters, the hungriest alone', () => {
    expect(spreadFans([0.1, 0.5, 0.2, 0.2], 2, [3])).toEqual([
      { fans: [1], currentA: 0.5, splitter: undefined },
      { fans: [2, 3, 0], currentA: 0.5, splitter: 0 },
    ]);
    expect(spreadFans([0.2, 0.2, 0.2], 2, []).map(({ fans }) => fans)).toEqual([[0], [1]]);
  });
});
