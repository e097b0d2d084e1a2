import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '@/core/assess';
import { progress } from '@/core/predict/worst';
import { compileCatalogue } from '@/core/model/catalogue';
import { editMachine } from '@/core/model/edits';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import type { Machine } from '@/core/model/machine';
import type { Brief } from '@/core/model/brief';
import { partId } from '@/core/parts/common';
import { remediesFor } from '@/core/search/remedies';
import { demoCatalogue } from './catalogue';
import { filmBrief, filmDrafts, mosaicsBrief, mosaicsDrafts, sonarBrief, sonarDrafts } from './ninefathom';
import { DEMO_TODAY } from './seed';

const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), DEMO_TODAY);
const at = (machine: Machine, brief: Brief) => assess(machine, brief, context);
const one = <T>(list: readonly T[], i: number): T => {
  const found = list[i];
  if (found === undefined) throw new Error(`there is no entry ${i}`);
  return found;
};
const swapCooler = (machine: Machine, part: string, label: string) =>
  editMachine(machine, { kind: 'swap', item: 'cooler-1', part: partId(part), label });

describe('the film desk with a cooler that is too small', () => {
  const good = one(filmDrafts(), 1);
  const small = swapCooler(good, 'northdraft-eddy-92', 'Northdraft Eddy 92');
  const [before, after] = [at(good, filmBrief()), at(small, filmBrief())];
  const overnight = (assessment: typeof before) => {
    const sitting = assessment.facts.heat.sittings.find((entry) => entry.sitting === 'overnight');
    if (!sitting) throw new Error('the master is made overnight');
    return sitting;
  };
  const master = (assessment: typeof before) => {
    const task = assessment.tasks.find((entry) => entry.task === 'export-cinema');
    if (!task) throw new Error('there is a cinema master');
    return task;
  };

  test('slows the processor, lengthens the master made in software and is louder', () => {
    expect(overnight(before).best.clocks.processor).toBeGreaterThan(0.98);
    expect(overnight(after).best.heldBy.processor).toBe('heat');
    expect(overnight(after).best.clocks.processor).toBeLessThan(0.9);
    expect(progress(master(after))).toBeLessThan(progress(master(before)) * 0.95);
    expect(overnight(after).noise.dbA).toBeGreaterThan(overnight(before).noise.dbA);
    // cutting is light work: nothing changes there
    const cut = (assessment: typeof before) => assessment.tasks.find((task) => task.task === 'cut-uhd');
    expect(cut(after)?.ratio?.likely).toBeCloseTo(cut(before)?.ratio?.likely ?? NaN, 6);
  });

  test('is found, and a remedy mends it', () => {
    const finding = after.findings.find((entry) => entry.code === 'cooler-load');
    if (!finding) throw new Error('the cooler is too small');
    const best = one(remediesFor(small, filmBrief(), finding, context), 0);
    const mended = at(editMachine(small, best.edit), filmBrief());
    expect(mended.findings.some((entry) => entry.code === 'cooler-load')).toBe(false);
    expect(overnight(mended).best.heldBy.processor).not.toBe('heat');
    expect(best.effect.gain).toBeGreaterThan(0);
  });
});

describe('the mosaics machine under its all-core task', () => {
  const [six, right] = mosaicsDrafts().map((machine) => ({ machine, assessment: at(machine, mosaicsBrief()) }));
  if (!six || !right) throw new Error('the seat has two drafts');
  const align = (assessment: typeof six.assessment) => {
    const task = assessment.tasks.find((entry) => entry.task === 'align');
    if (!task) throw new Error('stills are aligned');
    return task;
  };

  test('misses its time with the small cooler and makes it with the right one', () => {
    const hours = (assessment: typeof six.assessment) => (align(assessment).gets?.likely ?? NaN) / 3600;
    expect(hours(six.assessment)).toBeGreaterThan(12);
    expect(hours(right.assessment)).toBeLessThan(12);
    expect(six.assessment.facts.heat.sittings[0]?.best.heldBy.processor).toBe('heat');
    expect(right.assessment.facts.heat.sittings[0]?.best.clocks.processor).toBe(1);
    expect(right.assessment.facts.heat.sittings[0]?.noise.dbA ?? 99).toBeLessThan(
      six.assessment.facts.heat.sittings[0]?.noise.dbA ?? 0,
    );
  });

  test('six planned fans turn out to be three, with the money freed', () => {
    const finding = six.assessment.findings.find((entry) => entry.code === 'surplus-fans');
    expect(finding).toMatchObject({ spare: 3, keep: 3, sides: ['front', 'rear'] });
    if (!finding) throw new Error('there are too many');
    const best = one(remediesFor(six.machine, mosaicsBrief(), finding, context), 0);
    expect(best.edit).toMatchObject({ kind: 'several' });
    expect(best.effect.priceMinor).toBeLessThan(-50_00);
    const left = editMachine(six.machine, best.edit);
    expect(left.items.filter((item) => item.id.startsWith('fan'))).toHaveLength(3);
    // put right besides, the three still carry it
    const both = at(swapCooler(left, 'northdraft-eddy-140-twin', 'Northdraft Eddy 140 Twin'), mosaicsBrief());
    expect(both.findings.filter((entry) => ['cooler-load', 'case-air', 'surplus-fans'].includes(entry.code))).toEqual(
      [],
    );
    expect(both.facts.heat.sittings[0]?.best.clocks.processor).toBe(1);
  });
});

describe('every demo draft', () => {
  const all = [
    ...filmDrafts().map((machine) => [machine.name, machine, filmBrief()] as const),
    ...sonarDrafts().map((machine) => [machine.name, machine, sonarBrief()] as const),
    ...mosaicsDrafts().map((machine) => [machine.name, machine, mosaicsBrief()] as const),
  ];
  test.each(all)('%s: all figures of heat are known, no part stands in another’s place', (_, machine, brief) => {
    const { facts, findings } = at(machine, brief);
    expect(facts.heat.setup.missing).toEqual([]);
    expect(facts.scene?.missing).toEqual([]);
    expect(findings.filter((finding) => finding.code === 'collision')).toEqual([]);
    for (const { noise } of facts.heat.sittings) expect(noise.missing).toEqual([]);
  });
});
