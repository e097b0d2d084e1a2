import { describe, expect, test } from 'vitest';
import { partSchema, type Part } from '../parts';
import { failing, type Check } from '../rules/rule';
import { CHANGES, judge, tried, worldOf, type World } from './worlds';

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

/** The parts of a world's machine, and the displays that are there, each without one of its figures in turn. */
function* withoutEach(world: World, name: string): Generator<{ part: Part; field: string; less: World }> {
  const used = world.data.parts.filter(
    (part) => world.machine.items.some((item) => item.part === part.id) || world.brief.ownedDisplays.includes(part.id),
  );
  for (const part of used)
    for (const field of Object.keys(part)) {
      if (TAKEN_AS_USUAL[field] !== undefined || !tried(name, part.kind, field)) continue;
      const { [field as keyof Part]: _gone, ...rest } = part;
      const parsed = partSchema.safeParse(rest);
      if (!parsed.success) continue;
      const parts = world.data.parts.map((other) => (other === part ? parsed.data : other));
      yield { part, field, less: { ...world, data: { ...world.data, parts } } };
    }
}

/** Faults that are to be expected, by the figure that is gone and the rule. */
const TO_BE_EXPECTED: Readonly<Record<string, string>> = {
  'cellKind drive-space': 'a drive that does not say that it is optical keeps what is to be kept, and too little of it',
  'cellKind system-drive': 'the same of the system',
};

/** Rules that find a fault. */
const faulty = (checks: readonly Check[]): Set<string> =>
  new Set(checks.filter(({ level }) => failing(level)).map(({ rule }) => rule));

describe('taking a figure away', () => {
  test.each(CHANGES)('%s: turns nothing wrong or open into a pass, and no pass into a fault', (name, change) => {
    const world = worldOf(change);
    const before = judge(world);
    const loud = [...new Set(before.findings.map(({ rule }) => rule))].filter((rule) => speaks(before.findings, rule));
    const faults = faulty(before.findings);
    const wrong: string[] = [];
    for (const { part, field, less } of withoutEach(world, name)) {
      const after = judge(less);
      // what a figure says of several rules, one of them may go on to say as unproven
      for (const rule of loud)
        if (!speaks(after.findings, rule) && !namesFigure(after.findings, part.id, field))
          wrong.push(`${part.id}.${field}: ${rule} says nothing any more`);
      for (const rule of faulty(after.findings))
        if (!faults.has(rule) && TO_BE_EXPECTED[`${field} ${rule}`] === undefined)
          wrong.push(`${part.id}.${field}: ${rule} finds a fault`);
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
