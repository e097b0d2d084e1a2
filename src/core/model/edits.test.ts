import { describe, expect, test } from 'vitest';
import { compileCatalogue } from './catalogue';
import { briefEditSchema, editBrief, editMachine, machineEditSchema, type BriefEdit, type MachineEdit } from './edits';
import type { Part } from '../parts';
import { readBom, writeBom } from '../formats/bom';
import { fanCurveSchema, machineSchema, type Machine } from './machine';
import { inPhase } from './phases';
import { assessed, briefOf, dataOf, FAN, machineOf, plus } from '../tests/world';

const SMALL = { ...FAN, sizeMm: 120 };
const machine = machineOf({ items: plus({ id: 'fan-1', part: 'fan' }) });
const side = (to: 'top' | 'rear' | undefined): MachineEdit => ({
  kind: 'side',
  item: 'fan-1',
  ...(to ? { side: to } : {}),
});
const tune = (tuning: NonNullable<Machine['tuning']>): MachineEdit => ({ kind: 'tune', tuning });

describe('sides and settings', () => {
  test('an edit that changes nothing gives back the same machine', () => {
    expect(editMachine(machine, side(undefined))).toBe(machine);
    expect(editMachine(machine, tune({}))).toBe(machine);
    const put = editMachine(machine, side('top'));
    expect(editMachine(put, side('top'))).toBe(put);
    const set = editMachine(machine, tune({ packageW: 90 }));
    expect(editMachine(set, tune({ packageW: 90 }))).toBe(set);
    expect(editMachine(machine, { kind: 'side', item: 'nobody', side: 'top' })).toBe(machine);
  });

  test('a side is taken back, and so is every setting', () => {
    const put = editMachine(machine, side('top'));
    expect(put.items.find((item) => item.id === 'fan-1')?.side).toBe('top');
    expect(editMachine(put, side(undefined))).toEqual(machine);
    const set = editMachine(machine, tune({ clock: 1.05, cardShare: 0.8 }));
    expect(set.tuning).toEqual({ clock: 1.05, cardShare: 0.8 });
    expect(editMachine(set, tune({}))).toEqual(machine);
  });

  test('settings hold in every phase, and come with the machine through a bill of materials', () => {
    const set = editMachine(
      editMachine(machine, tune({ packageW: 90, caseCurve: [{ c: 40, percent: 50 }] })),
      side('rear'),
    );
    const later = machineSchema.parse({ ...set, phases: [{ id: 'next', name: 'Next year' }] });
    expect(inPhase(later, 'next').tuning).toEqual(set.tuning);
    const catalogue = compileCatalogue(dataOf({ addParts: [SMALL] }));
    const back = readBom(JSON.stringify(writeBom(set, catalogue, '2026-05-18T00:00:00Z')));
    if (!back.ok) throw new Error(back.problems.map((problem) => problem.message).join());
    expect(back.value.machine.tuning).toEqual(set.tuning);
    expect(back.value.machine.items.find((item) => item.id === 'fan-1')?.side).toBe('rear');
  });

  test('a curve that falls is refused with both points', () => {
    const falling = fanCurveSchema.safeParse([
      { c: 40, percent: 60 },
      { c: 70, percent: 50 },
    ]);
    expect(falling.error?.issues[0]?.message).toBe('a fan curve rises: 70 °C, 50 % cannot follow 40 °C, 60 %');
    expect(
      fanCurveSchema.safeParse([
        { c: 70, percent: 50 },
        { c: 70, percent: 60 },
      ]).success,
    ).toBe(false);
    expect(machineEditSchema.safeParse(tune({ coolerCurve: [{ c: 140, percent: 50 }] })).success).toBe(false);
    expect(machineEditSchema.safeParse(tune({ clock: 1.6 })).success).toBe(false);
    expect(machineEditSchema.safeParse(tune({ clock: 1.1, packageW: 120 })).success).toBe(true);
  });

  test('a side that does not take the size leaves the fan without a place, and says so', () => {
    const { findings } = assessed({ addParts: [SMALL], items: plus({ id: 'fan-1', part: 'fan', side: 'bottom' }) });
    expect(findings).toEqual(
      expect.arrayContaining([expect.objectContaining({ code: 'fan-mounts', level: 'blocks', fans: 1, places: 0 })]),
    );
    const placed = assessed({ addParts: [SMALL], items: plus({ id: 'fan-1', part: 'fan', side: 'top' }) });
    expect(placed.findings.some((finding) => finding.code === 'fan-mounts')).toBe(false);
  });
});

describe('prices of a draft', () => {
  const handPrice = { priceMinor: 200_00, shippingMinor: 0, reason: 'told on the phone', on: '2026-05-18' };
  const paid = { landedMinor: 190_00, on: '2026-05-10' };
  const item = (machine: Machine) => machine.items.find((entry) => entry.id === 'card-1');
  const set = editMachine(machineOf(), { kind: 'hand-price', item: 'card-1', handPrice });

  test('by hand and paid are set and taken away; the same again changes nothing', () => {
    expect(item(set)?.handPrice).toEqual(handPrice);
    expect(editMachine(set, { kind: 'hand-price', item: 'card-1', handPrice: { ...handPrice } })).toBe(set);
    expect(editMachine(set, { kind: 'hand-price', item: 'card-1' })).toEqual(machineOf());
    const both = editMachine(set, { kind: 'paid', item: 'card-1', paid });
    expect(item(both)?.paid).toEqual(paid);
    expect(editMachine(both, { kind: 'paid', item: 'card-1' })).toEqual(set);
  });

  test('belong to the part: another part in its place has neither', () => {
    const both = editMachine(set, { kind: 'paid', item: 'card-1', paid });
    const swapped = item(editMachine(both, { kind: 'swap', item: 'card-1', part: 'ssd' as never, label: 'x' }));
    expect([swapped?.handPrice, swapped?.paid]).toEqual([undefined, undefined]);
  });

  test('a price of nothing is refused with its sentence', () => {
    const read = machineEditSchema.safeParse({
      kind: 'hand-price',
      item: 'card-1',
      handPrice: { ...handPrice, priceMinor: 0 },
    });
    expect(read.error?.issues[0]?.message).toContain('must be above 0');
  });
});

describe('terms of buying in a brief', () => {
  test('open figures are set and taken away; options of a branded machine are kept by machine', () => {
    const set = editBrief(briefOf(), { kind: 'set-figures', figures: { neededBy: '2026-06-12', hourMinor: 4500 } });
    expect([set.neededBy, set.hourMinor]).toEqual(['2026-06-12', 4500]);
    expect(
      editBrief(editBrief(set, { kind: 'unset-figure', figure: 'neededBy' }), {
        kind: 'unset-figure',
        figure: 'hourMinor',
      }),
    ).toEqual(briefOf());
    const chosen = editBrief(briefOf(), { kind: 'rival-options', rival: 'a', options: ['x'] });
    const two = editBrief(chosen, { kind: 'rival-options', rival: 'b', options: ['y'] });
    expect(two.rivals).toEqual([
      { rival: 'a', options: ['x'] },
      { rival: 'b', options: ['y'] },
    ]);
    expect(editBrief(chosen, { kind: 'rival-options', rival: 'a', options: [] })).toEqual(briefOf());
  });
});

test('every edit of a brief, made a second time, changes nothing: the same object comes back', () => {
  const task = briefOf().tasks[0];
  if (!task) throw new Error('the test brief has a task');
  const edits: readonly BriefEdit[] = [
    { kind: 'set-task', task: { ...task, name: 'Another name' } },
    { kind: 'add-task', task: { ...task, id: 'fresh' }, sitting: 'work' },
    { kind: 'remove-task', task: task.id },
    { kind: 'move-task', task: task.id, from: 'work' },
    { kind: 'move-task', task: task.id, to: 'work' },
    { kind: 'set-sitting', sitting: { id: 'late', name: 'Late', hoursPerWeek: 3, tasks: [task.id] } },
    { kind: 'remove-sitting', sitting: 'late' },
    { kind: 'set-budget', budgetMinor: 300_000 },
    { kind: 'set-budget' },
    { kind: 'set-must-haves', mustHaves: { errorCorrection: true } },
    { kind: 'set-displays', ownedDisplays: ['display' as Part['id']] },
    { kind: 'set-figures', figures: { roomC: 27, whole: { system: 'owned' } } },
    { kind: 'unset-figure', figure: 'hourMinor' },
    { kind: 'rival-options', rival: 'a', options: ['x'] },
    { kind: 'rival-options', rival: 'b', options: ['y'] },
    { kind: 'rival-options', rival: 'a', options: [] },
  ];
  let brief = briefOf();
  for (const edit of edits) {
    briefEditSchema.parse(edit);
    brief = editBrief(brief, edit);
    expect(editBrief(brief, edit), JSON.stringify(edit)).toBe(brief);
  }
});
