import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import type { Assessment } from '../assess';
import { findingWords } from '../words/findings';
import { CASES } from './ruleCases';
import { dataOf, plus, type Change } from './world';
import { CHANGES, judge, worldOf, type World } from './worlds';

/** Fields that hold an id, or ids; the keys of pins and seats are ids too. */
const HOLDS_IDS = new Set([
  'id',
  'part',
  'testedMemory',
  'testedBoards',
  'fitsCooler',
  'figuresFrom',
  'variantOf',
  'items',
  'ownedDisplays',
]);
const KEYED_BY_IDS = new Set(['pins', 'moduleSlots']);

/** Ids exchanged, where ids stand; slots of a board keep theirs. */
function renamed<T>(value: T, names: ReadonlyMap<string, string>, here = false): T {
  if (typeof value === 'string') return (here ? (names.get(value) ?? value) : value) as T;
  if (Array.isArray(value)) return value.map((entry: unknown) => renamed(entry, names, here)) as T;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => {
      if (key === 'topology' || key === 'memorySlots') return [key, inner];
      if (KEYED_BY_IDS.has(key))
        return [
          key,
          Object.fromEntries(
            Object.entries(inner as object).map(([id, slot]) => [names.get(id) ?? id, slot as unknown]),
          ),
        ];
      return [key, renamed(inner as unknown, names, HOLDS_IDS.has(key))];
    }),
  ) as T;
}

/** What somebody reads of an assessment: nothing of it is an id. Which of two like plugs a drive has is all one. */
const read = (assessment: Assessment): string[] => [
  ...assessment.checks
    .map(
      (check) => `${check.level} ${check.rule}: ${findingWords(check).says.replace(/in SATA \d+/, 'in a SATA plug')}`,
    )
    .sort(),
  ...assessment.tasks.map(
    ({ task, verdict, ratio, binds }) => `${task} ${verdict} ${ratio?.likely ?? ''} ${binds ?? ''}`,
  ),
  String(assessment.facts.price.total.landedMinor),
];

const APPLICATION: Change = CASES['application-needs']?.passes ?? {};

describe('ids decide nothing', () => {
  test.each(CHANGES)('%s: with all ids turned round, all is said the same', (_, change) => {
    const world = worldOf(change);
    const ids = world.data.parts.map((part) => part.id as string).sort();
    const items = world.machine.items.map((item) => item.id).sort();
    // what sorted first sorts last
    const names = new Map([
      ...ids.map((id, i) => [id, `q${String(999 - i)}`] as const),
      ...items.map((id, i) => [id, `r${String(999 - i)}`] as const),
    ]);
    const other: World = {
      brief: { ...world.brief, ownedDisplays: renamed(world.brief.ownedDisplays, names, true) },
      machine: renamed({ ...world.machine, items: [...world.machine.items].reverse() }, names),
      data: {
        ...world.data,
        parts: renamed([...world.data.parts].reverse(), names),
        offers: world.data.offers.map((offer) => ({ ...offer, part: renamed(offer.part, names, true) })),
      },
    };
    expect(read(judge(other))).toEqual(read(judge(world)));
  });

  test('two unlike cards: the one that the application runs on does the work, however it is called', () => {
    const pick = (first: string, second: string) =>
      judge(
        worldOf({
          items: plus({ id: 'card-2', part: 'other' }),
          addParts: [
            {
              ...dataOf().parts.find((part) => part.id === 'card'),
              id: 'other',
              name: 'Other',
              computeStacks: [second],
              fp32Tflops: 5,
              connectors: {},
            },
          ],
          parts: { card: { computeStacks: [first] } },
          ...APPLICATION,
        }),
      );
    expect(pick('Tesserel', 'Loomwork').supply.of('gpu.fp32')?.rate?.value).toBe(20e12);
    expect(pick('Loomwork', 'Tesserel').supply.of('gpu.fp32')?.rate?.value).toBe(5e12);
    for (const assessment of [pick('Loomwork', 'Tesserel'), pick('Tesserel', 'Loomwork')])
      expect(assessment.findings.filter(({ rule }) => rule === 'application-needs' || rule === 'work')).toEqual([]);
  });
});

describe('an accessory that nothing uses', () => {
  const SPARE = [
    { purpose: 'paste' },
    { purpose: 'riser', generation: 4, lanes: 16 },
    { purpose: 'light-controller', outlets: 4 },
    { purpose: 'cable', cableFor: 'front port' },
    { purpose: 'cable', cableFor: 'drive data' },
    { purpose: 'cable', cableFor: 'power', fromPlug: 'peripheral', fromPlugs: 2, toPlug: 'card-8' },
    { purpose: 'mounting-kit', fitsSocket: 'Godwit' },
  ];
  test.each(SPARE.map((figures) => [JSON.stringify(figures), figures] as const))('%s changes nothing', (_, figures) => {
    const said = (change: Change) =>
      judge(worldOf(change))
        .findings.map((finding) => `${finding.level} ${finding.rule} ${findingWords(finding).says}`)
        .filter((text) => !/offers|parts are/.test(text));
    const spare = { kind: 'accessory', id: 'spare', maker: 'Brumeworks', name: 'Spare', ...figures };
    for (const [name, change] of [CHANGES[0], ...CHANGES.slice(1).filter((_, i) => i % 17 === 0)] as typeof CHANGES) {
      if (/accessor|lead|kit|upright|cable|small-parts|light|front|budget|offers|prices|delivery|parts-/.test(name))
        continue;
      const with_: Change = {
        ...change,
        addParts: [...(change.addParts ?? []), spare],
        items: (items) => [...(change.items ?? ((all) => all))(items), { id: 'spare-1', part: 'spare' }],
      };
      expect(said(with_), name).toEqual(said(change));
    }
  });
});

test('the machines of the corpus are as many as the classes ask for', () => {
  const rows = JSON.parse(readFileSync(new URL('./corpus/machines.json', import.meta.url), 'utf8')) as {
    faults: string[];
  }[];
  expect(rows.filter(({ faults }) => faults.length > 0).length).toBeGreaterThanOrEqual(226 + 80);
});
