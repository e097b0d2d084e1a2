import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { CASES } from '../tests/ruleCases';
import { assessed, plus, type Change } from '../tests/world';
import { CHANGES } from '../tests/worlds';
import { findingWords } from '../words/findings';
import { compareVersions } from '../firmware/versions';
import { rulesDocument } from '../formats/rulesDocument';
import { rules } from './index';
import { ask, type Check, type Facts, type Reading } from './rule';
import type { AnyFitted } from '../model/fitted';
import type { PartKind } from '../parts';

const checksOf = (change: Change, rule: string): Check[] =>
  assessed(change).checks.filter((check) => check.rule === rule);

/** Unproven because a part or an offer is gone, not because a figure is: their failing case is the unproven one. */
const UNPROVEN_BY_ABSENCE = new Set(['delivery', 'parts-known', 'prices-known', 'mains-circuit', 'work']);

const known = new Map<Change, Facts>();
/** The cases are the same objects for every rule, so each machine is assessed once. */
function factsOf(change: Change): Facts {
  let facts = known.get(change);
  if (!facts) known.set(change, (facts = assessed(change).facts));
  return facts;
}

const DERIVED: Readonly<Partial<Record<keyof Facts, Reading>>> = {
  memory: 'memory state',
  board: 'wiring',
  placement: 'wiring',
  problem: 'wiring',
  devices: 'wiring',
  sittings: 'sittings',
  power: 'power',
  heat: 'heat',
  scene: 'geometry',
  price: 'price',
  spent: 'price',
  supply: 'sittings',
  calibration: 'sittings',
  kept: 'what is kept',
};

/** What every answer may name a part by. */
const NAMING: ReadonlySet<string> = new Set(['id', 'kind', 'maker', 'name']);

/** Facts that note what is read of them: kinds and what is derived, and figures of parts as `kind.figure`. */
function watched(facts: Facts, read: Set<string>, figures = new Set<string>()): Facts {
  const seen = <F extends AnyFitted>(fitted: F): F => ({
    ...fitted,
    part: new Proxy(fitted.part, {
      get: (part, figure: string) => {
        if (!NAMING.has(figure)) figures.add(`${part.kind}.${figure}`);
        return part[figure as keyof typeof part];
      },
    }),
  });
  const ofKind = (kind: PartKind) => {
    read.add(kind);
    return facts.parts.ofKind(kind).map(seen);
  };
  const parts = {
    ofKind,
    one: (kind: PartKind) => ofKind(kind)[0],
    get all() {
      read.add('any part');
      return facts.parts.all;
    },
    get gone() {
      read.add('any part');
      return facts.parts.gone;
    },
  };
  return new Proxy(facts, {
    get: (target, name: keyof Facts) => {
      const reading = DERIVED[name];
      if (reading) read.add(reading);
      return name === 'parts' ? parts : target[name];
    },
  });
}

describe('every rule', () => {
  test('passes in the machine where all is well', () => {
    // the tiny world has a little more than its little brief asks for, and says so
    expect(assessed().findings.map((finding) => `${finding.level} ${finding.code}`)).toEqual([
      'note surplus-memory',
      'note surplus-rate',
      'note surplus-graphics-memory',
      'note surplus-supply',
    ]);
  });

  for (const [rule, { fails, unproven, passes }] of Object.entries(CASES)) {
    if (fails)
      test(`${rule} fails with its figures`, () => {
        const bad = checksOf(fails[0], rule).filter((check) => check.level !== 'passes');
        expect(bad).toEqual(expect.arrayContaining([expect.objectContaining(fails[1])]));
      });
    if (unproven)
      test(`${rule} is unproven without ${unproven[1]}, and names it`, () => {
        const found = checksOf(unproven[0], rule).filter((check) => check.level === 'unproven');
        expect(
          found.flatMap((check) => ('missing' in check ? check.missing.map((figure) => figure.field) : [])),
        ).toContain(unproven[1]);
      });
    if (fails || passes)
      test(`${rule} passes`, () => {
        const checks = checksOf(passes ?? {}, rule);
        expect(checks.filter((check) => check.level !== 'passes')).toEqual([]);
        if (passes) expect(checks.length).toBeGreaterThan(0);
      });
  }

  test('tells each of its comparisons apart from its others, on every machine of the cases', () => {
    for (const { fails, unproven, passes } of Object.values(CASES))
      for (const change of [fails?.[0], unproven?.[0], passes]) {
        if (!change) continue;
        const keys = rules.flatMap((rule) => ask(rule, factsOf(change)).map(({ key }) => key));
        expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
      }
  });

  test('makes what it says anew for each answer, so that its name can be written into it', () => {
    const said: Check[] = [];
    for (const { fails, unproven, passes } of Object.values(CASES))
      for (const change of [fails?.[0], unproven?.[0], passes])
        if (change)
          for (const rule of rules) {
            // the same machine twice: nothing of the first answer may stand in the second
            const answers = [...ask(rule, factsOf(change)), ...ask(rule, factsOf(change))];
            expect(answers.every((check) => check.rule === rule.id)).toBe(true);
            said.push(...answers);
          }
    expect(said.length).toBeGreaterThan(1000);
    expect(new Set(said).size).toBe(said.length);
  });

  test('reads only what it says it reads', () => {
    for (const rule of rules) {
      const read = new Set<string>();
      for (const { fails, unproven, passes } of [...Object.values(CASES), { fails: [{}, {}] as const }])
        for (const change of [fails?.[0], unproven?.[0], passes])
          if (change) rule.check(watched(factsOf(change), read));
      expect(
        [...read].filter((what) => !rule.reads.some((said) => said === what)),
        rule.id,
      ).toEqual([]);
    }
  });

  test('where it says which figures of a kind it reads, it reads no others', () => {
    const saying = rules.filter(({ figures }) => figures !== undefined);
    expect(saying.length).toBeGreaterThan(4);
    for (const rule of saying) {
      const figures = new Set<string>();
      for (const { fails, unproven, passes } of [...Object.values(CASES), { fails: [{}, {}] as const }])
        for (const change of [fails?.[0], unproven?.[0], passes])
          if (change) rule.check(watched(factsOf(change), new Set(), figures));
      const said = Object.entries(rule.figures ?? {}).flatMap(([kind, list]) => list.map((each) => `${kind}.${each}`));
      const told = [...figures].filter((figure) => Object.hasOwn(rule.figures ?? {}, figure.split('.')[0] ?? ''));
      expect(told.length, rule.id).toBeGreaterThan(0);
      expect(said, rule.id).toEqual(expect.arrayContaining(told));
    }
  });

  test('stands in the documentation as it is', () => {
    expect(readFileSync('docs/rules.md', 'utf8')).toBe(rulesDocument());
  });

  test('is tried failing, unproven and passing, as far as it can say so', () => {
    const lacking = rules.flatMap(({ id, levels }) => {
      const tried = CASES[id];
      return [
        ...(levels.some((level) => level !== 'unproven') && !tried?.fails ? [`${id} fails`] : []),
        ...(levels.includes('unproven') && !tried?.unproven && !UNPROVEN_BY_ABSENCE.has(id)
          ? [`${id} is unproven`]
          : []),
      ];
    });
    expect(lacking).toEqual([]);
  });

  test('reports only levels it declares', () => {
    for (const { fails, unproven } of Object.values(CASES))
      for (const change of [fails?.[0], unproven?.[0]])
        if (change)
          for (const check of assessed(change).checks)
            if (check.level !== 'passes')
              expect(
                rules.find((rule) => rule.id === check.rule)?.levels,
                `${check.rule} said ${check.level}`,
              ).toContain(check.level);
  });
});

describe('findings', () => {
  test('firmware that can be flashed without a processor is a caution', () => {
    expect(checksOf({ parts: { board: { shippedFirmware: '1.4' } } }, 'firmware')).toEqual([
      expect.objectContaining({ level: 'caution', route: 'without-processor', takes: '2.0' }),
    ]);
  });

  test('a front radiator takes room from the cards, one on top does not', () => {
    const liquid = (radiatorMm: number) =>
      checksOf({ parts: { cooler: { type: 'liquid', radiatorMm }, card: { lengthMm: 320 } } }, 'card-length');
    expect(liquid(360)).toEqual([expect.objectContaining({ level: 'blocks', spaceMm: 310, frontRadiator: true })]);
    expect(liquid(240)).toEqual([expect.objectContaining({ level: 'passes', spaceMm: 340, frontRadiator: false })]);
  });

  test('a mounting kit in the machine mounts the cooler', () => {
    const change: Change = {
      parts: { cooler: { sockets: [{ socket: 'Dunlin', kit: 'apart' }] } },
      addParts: [
        {
          kind: 'accessory',
          id: 'mount',
          maker: 'Northdraft',
          name: 'Mount',
          purpose: 'mounting-kit',
          fitsCooler: 'cooler',
          fitsSocket: 'Dunlin',
        },
      ],
      items: plus({ id: 'mount-1', part: 'mount' }),
    };
    expect(checksOf(change, 'cooler-socket')).toEqual([expect.objectContaining({ level: 'passes', kit: 'added' })]);
  });

  test('a power total with an unknown part can prove a supply too small but never large enough', () => {
    const unsure = checksOf({ parts: { card: { boardPowerW: undefined } } }, 'supply-power');
    expect(unsure.map((check) => check.level)).toEqual(['unproven']);
    const small = checksOf({ parts: { card: { boardPowerW: undefined }, psu: { ratedW: 100 } } }, 'supply-power');
    expect(small.map((check) => check.level)).toContain('blocks');
  });

  test('parts without an offer make the total a lower bound: unproven with a budget, a note without', () => {
    const lost = (brief: object) =>
      checksOf({ items: plus({ id: 'x', part: 'vanished', label: 'Old card' }), brief: { ...brief } }, 'prices-known');
    expect(lost({ budgetMinor: 200_000 })).toEqual([
      expect.objectContaining({ level: 'unproven', names: ['Old card'] }),
    ]);
    expect(lost({})).toEqual([expect.objectContaining({ level: 'note' })]);
  });

  test('a thick card covers the slot below it and says which', () => {
    const covered = checksOf({ parts: { card: { slots: 3.5 } } }, 'slots-off');
    expect(covered).toEqual([expect.objectContaining({ code: 'slot-off', slot: 'Card slot 2', how: 'covered' })]);
  });

  test('nothing but a case, and two boards, are answered', () => {
    const bare = assessed({ items: () => [{ id: 'case-1', part: 'case' }] });
    expect(
      bare.findings
        .filter((finding) => finding.code === 'part-missing')
        .map((finding) => ('kind' in finding ? finding.kind : '')),
    ).toEqual(['processor', 'board', 'memory', 'drive', 'supply']);
    const twice = assessed({ items: plus({ id: 'board-2', part: 'board' }) });
    expect(twice.findings).toEqual(
      expect.arrayContaining([expect.objectContaining({ code: 'part-count', kind: 'board', count: 2 })]),
    );
  });

  test('every finding has words that name a figure or the part', () => {
    for (const { fails } of Object.values(CASES))
      if (fails)
        for (const finding of assessed(fails[0]).findings)
          expect(findingWords(finding).says).toMatch(/[A-Z0-9].{12,500}\.$/);
  });

  test('one of something is told in the singular', () => {
    for (const [name, change] of CHANGES)
      for (const check of assessed(change).checks) {
        const { says, mend = '' } = findingWords(check);
        // "slot 1 lies" counts nothing
        expect(`${says} ${mend}`, name).not.toMatch(/(?<!\b(slot|bank|plug|row) )(?<![\d.,])\b1 [a-z-]{3,}s\b/);
        expect(`${says} ${mend}`, name).not.toMatch(/(?<![\d.,])\b1 of [^.;:,]*\b(are|have|stay|carry|lie|need|do)\b/);
      }
  });
});

test('versions compare number by number, not as text', () => {
  expect(compareVersions('2.10', '2.9')).toBeGreaterThan(0);
  expect(compareVersions('1.0', '1.0.0')).toBe(0);
  expect(compareVersions('0.9', '1')).toBeLessThan(0);
});
