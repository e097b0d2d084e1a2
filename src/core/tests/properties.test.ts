import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { assess, contextOf, type Assessment } from '../assess';
import type { Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import type { CatalogueData } from '../model/catalogueSchema';
import type { Machine } from '../model/machine';
import { figureMeta, partSchema, type Part } from '../parts';
import { failing, type Check } from '../rules/rule';
import { findingWords } from '../words/findings';
import { CASES } from './ruleCases';
import { ONCE_WRONG } from './ruleCasesWork';
import { briefOf, dataOf, machineOf, plus, type Change } from './world';

interface World {
  readonly machine: Machine;
  readonly brief: Brief;
  readonly data: CatalogueData;
}
const worldOf = (change: Change): World => ({
  machine: machineOf(change),
  brief: briefOf(change),
  data: dataOf(change),
});
const judge = ({ machine, brief, data }: World): Assessment =>
  assess(machine, brief, contextOf(compileCatalogue(data), '2026-05-18'));

/** Machines that fail, are unproven and pass, for every rule there is. */
const CHANGES: readonly (readonly [string, Change])[] = [
  ['all well', {}],
  ...Object.entries(CASES).flatMap(([rule, { fails, unproven, passes }]) =>
    [fails?.[0], unproven?.[0], passes].flatMap((change, i) =>
      change ? [[`${rule} ${['fails', 'unproven', 'passes'][i]}`, change] as const] : [],
    ),
  ),
  ...ONCE_WRONG.map(({ what, change }) => [what, change] as const),
];

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

const APPLICATION: Change = CASES['application-needs']?.passes ?? {};

/** Figures whose absence is taken as the usual, by declaration: nobody is harmed by what a sheet forgot. */
const TAKEN_AS_USUAL: Readonly<Record<string, string>> = {
  lightHeaders: 'lights that are not stated count as none',
  lightPlug: 'lights are of the usual plug',
  lightProgram: 'no program of its own',
  maxDisplays: 'all outputs can be used at once',
  evidence: 'says nothing of what a part does',
  warrantyMonths: 'no warranty',
  listPrices: 'no list price to compare with',
  figuresFrom: 'the figures are its own',
  withdrawn: 'is sold',
  onSale: 'is sold',
  variantOf: 'is no variant',
  moves: 'nothing is said of its licence',
  unlocked: 'cannot be raised',
  chains: 'passes nothing on',
  lightHeaders12V: 'no headers for 12 V: lights that find none are worth a note',
  driveCageFromRearMm: 'a cage that is not stated is not drawn',
  sustainedPowerW: 'lies between base and maximum, and both ends are tried',
};

const speaks = (checks: readonly Check[], rule: string): boolean =>
  checks.some(
    (check) => check.rule === rule && (failing(check.level) || check.level === 'caution' || check.level === 'unproven'),
  );

describe('taking a figure away', () => {
  const used = (world: World): Part[] =>
    world.data.parts.filter(
      (part) =>
        world.machine.items.some((item) => item.part === part.id) || world.brief.ownedDisplays.includes(part.id),
    );
  test.each(CHANGES)('%s: turns nothing that was wrong or open into a pass', (_, change) => {
    const world = worldOf(change);
    const before = judge(world);
    const loud = [...new Set(before.findings.map(({ rule }) => rule))].filter((rule) => speaks(before.findings, rule));
    if (loud.length === 0) return;
    const wrong: string[] = [];
    for (const part of used(world))
      for (const field of Object.keys(part)) {
        if (TAKEN_AS_USUAL[field] !== undefined) continue;
        const { [field as keyof Part]: _gone, ...rest } = part;
        const parsed = partSchema.safeParse(rest);
        if (!parsed.success) continue;
        const less = { ...world.data, parts: world.data.parts.map((other) => (other === part ? parsed.data : other)) };
        const after = judge({ ...world, data: less });
        // what a figure says of several rules, one of them may go on to say as unproven
        for (const rule of loud)
          if (!speaks(after.findings, rule) && !namesFigure(after.findings, part.id, field))
            wrong.push(`${part.id}.${field}: ${rule} says nothing any more`);
      }
    expect(wrong).toEqual([]);
  });
});

/** Whether some finding names the figure as unknown: then it is not taken for granted. */
const namesFigure = (findings: readonly Check[], part: string, field: string): boolean =>
  findings.some(
    (finding) =>
      'missing' in finding && finding.missing.some((figure) => figure.part === part && figure.field === field),
  );

/** Figures of which more is better by itself and asks for something else at the same time, by declaration. */
const ASKS_FOR_MORE = new Set([
  'modules',
  'memoryChannels',
  'moduleGiB',
  'bays25',
  'bays35',
  // a part that may run hotter draws and gives off more, which others share
  'maxTemperatureC',
]);

describe('a better figure', () => {
  test.each(CHANGES)('%s: turns no pass into a fault', (_, change) => {
    const world = worldOf(change);
    const before = judge(world);
    const wrong: string[] = [];
    for (const item of world.machine.items) {
      const part = world.data.parts.find((other) => other.id === item.part);
      if (!part) continue;
      for (const [field, value] of Object.entries(part)) {
        const { better } = figureMeta(part.kind, field);
        if (typeof value !== 'number' || ASKS_FOR_MORE.has(field) || (better !== 'higher' && better !== 'lower'))
          continue;
        const improved = better === 'higher' ? Math.ceil(value * 2) : value / 2;
        const parsed = partSchema.safeParse({ ...part, [field]: improved });
        if (!parsed.success) continue;
        const after = judge({
          ...world,
          data: { ...world.data, parts: world.data.parts.map((other) => (other === part ? parsed.data : other)) },
        });
        for (const finding of after.findings)
          if (
            failing(finding.level) &&
            !before.findings.some(
              ({ rule, level }) => rule === finding.rule && (failing(level) || level === 'unproven'),
            )
          )
            wrong.push(`${part.id}.${field}: ${finding.level} ${finding.rule}`);
      }
    }
    expect(wrong).toEqual([]);
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
