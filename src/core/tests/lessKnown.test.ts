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

describe('taking a figure away', () => {
  const used = (world: World): Part[] =>
    world.data.parts.filter(
      (part) =>
        world.machine.items.some((item) => item.part === part.id) || world.brief.ownedDisplays.includes(part.id),
    );
  test.each(CHANGES)('%s: turns nothing that was wrong or open into a pass', (name, change) => {
    const world = worldOf(change);
    const before = judge(world);
    const loud = [...new Set(before.findings.map(({ rule }) => rule))].filter((rule) => speaks(before.findings, rule));
    if (loud.length === 0) return;
    const wrong: string[] = [];
    for (const part of used(world))
      for (const field of Object.keys(part)) {
        if (TAKEN_AS_USUAL[field] !== undefined || !tried(name, part.kind, field)) continue;
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
