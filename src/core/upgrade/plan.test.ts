import { describe, expect, test } from 'vitest';
import { assess, contextOf, subjectOf, type Context } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { editMachine, type MachineEdit } from '../model/edits';
import { editIn } from '../model/editIn';
import type { Machine } from '../model/machine';
import { inPhase, phasesOf } from '../model/phases';
import { usualSettings, type Settings } from '../model/settings';
import { partId } from '../parts';
import { TODAY } from '../tests/shops';
import { monthsAfter } from '../units/days';
import { BUSY, briefOf, dataOf, DESK, EXPORT, machineOf, PARTS, plus, type Change } from '../tests/world';
import { courseOf, COURSE_LINES, fallsShort, opensComparison, overtakings, type Course } from './course';
import { briefIn, grownBrief, growsBy } from './growth';
import { planOf, type Judge } from './plan';
import { resaleOf } from './resale';

const RESALE = { firstYearPercent: 30, yearlyPercent: 20, feePercent: 12, shippingMinor: 950, days: 14 };
const SETTINGS: Settings = { ...usualSettings, discountPercent: 0, resale: RESALE };

function world(change: Change = {}, settings: Settings = SETTINGS): { context: Context; judge: Judge } {
  const context = contextOf(compileCatalogue(dataOf(change)), TODAY, settings);
  return { context, judge: (machine, brief) => subjectOf(brief, context).assess(machine) };
}
const phased = (machine: Machine, id: string, on: string | undefined, ...edits: MachineEdit[]): Machine =>
  edits.reduce<Machine>(
    (now, edit) => editMachine(now, editIn(now, id, edit)),
    editMachine(machine, {
      kind: 'set-phase',
      phase: { id, name: `Phase ${id}`, ...(on === undefined ? {} : { on }) },
    }),
  );
const addKit: MachineEdit = { kind: 'add', item: { id: 'kit-2', part: partId('kit') } };

describe('two plans over six years, by hand', () => {
  const { judge } = world();
  const brief = briefOf({ brief: { yearsOfService: 6 } });
  const over = (machine: Machine): Course => courseOf(planOf(machine, brief, judge, TODAY), brief, 6, judge, TODAY);

  test('all at once: 967.50 less 128.80, which nine parts of 107.50 bring after six years', () => {
    // 107.50 × 0.7 × 0.8⁵ = 24.66 each; three as one core 55.60, six alone 12.20 each, after 12 % and 9.50 a parcel
    const course = over(machineOf());
    expect(course.byLine).toEqual({ purchase: 967_50, resale: 0, energy: 0, waiting: 0, held: -(55_60 + 6 * 12_20) });
    expect(course.totalMinor).toBe(838_70);
    expect(course.days.at(-1)).toBe('2032-05-18');
    expect(course.costMinor.at(-1)).toBe(838_70);
  });

  test('a second kit after three years: it is three years old at the end and goes with the core', () => {
    const course = over(phased(machineOf(), 'more', '2029-05-18', addKit));
    // the core of three brings 73.97, the second kit 107.50 × 0.448 = 48.16: less 12 % and 9.50 together 97.98
    expect(course.byLine).toMatchObject({ purchase: 967_50 + 107_50, resale: 0, held: -(97_98 + 6 * 12_20) });
    expect(course.totalMinor).toBe(903_82);
  });

  test('what is exchanged is sold on its day, at the age it has then', () => {
    const card = PARTS.find(({ id }) => id === 'card') ?? {};
    const { judge: other } = world({ addParts: [{ ...card, id: 'card-b', name: 'Test 12 b' }] });
    const machine = phased(machineOf(), 'next', '2029-05-18', {
      kind: 'swap',
      item: 'card-1',
      part: partId('card-b'),
      label: 'Test 12 b',
    });
    const phases = planOf(machine, brief, other, TODAY);
    // 107.50 × 0.448 = 48.16, less 12 % and 9.50
    expect(phases[1]?.resale.net.likely).toBe(32_88);
    expect(phases[1]?.net.likely).toBe(107_50 - 32_88);
    const course = courseOf(phases, brief, 6, other, TODAY);
    // the new card is three years old at the end: five alone for 12.20, it for 32.88, the core for 55.60
    expect(course.totalMinor).toBe(967_50 + 107_50 - 32_88 - (55_60 + 5 * 12_20 + 32_88));
  });

  test('at 5 % a purchase after three years weighs 92.86', () => {
    const settings = { ...SETTINGS, discountPercent: 5 };
    const { judge: weighed } = world({}, settings);
    const machine = phased(machineOf(), 'more', '2029-05-18', addKit);
    const course = courseOf(planOf(machine, brief, weighed, TODAY), brief, 6, weighed, TODAY);
    expect(course.byLine.purchase).toBe(967_50 + 92_86);
  });

  test('waiting is paid month by month: 52 runs a year of an attended task, at what an hour is worth', () => {
    const busy = briefOf({
      brief: {
        ...BUSY,
        tasks: [{ ...EXPORT, path: 'software', waiting: 'attended', runsPerWeek: 1 }, DESK],
        hourMinor: 38_00,
        yearsOfService: 2,
      },
    });
    const assessment = judge(machineOf(), busy);
    const hours = (assessment.tasks.find(({ task }) => task === 'export')?.gets?.likely ?? 0) / 3600;
    expect(hours).toBeGreaterThan(0);
    const course = courseOf(planOf(machineOf(), busy, judge, TODAY), busy, 2, judge, TODAY);
    expect(course.waitingHours).toBeCloseTo(2 * 52 * hours, 9);
    // each month is rounded once
    expect(Math.abs(course.byLine.waiting - 2 * 52 * hours * 38_00)).toBeLessThan(12);
  });
});

/** Whether two plans can be compared in money. */
const comparable = (...courses: Course[]): boolean => opensComparison(...courses).length === 0;

describe('a plan', () => {
  const { context, judge } = world();
  const brief = briefOf();
  const three = phased(phased(machineOf(), 'a', '2027-05-18', addKit), 'b', '2028-05-18', {
    kind: 'remove',
    item: 'disk-1',
  });

  test('has every phase pass the same judgement as a machine of its own', () => {
    const phases = planOf(three, brief, judge, TODAY);
    expect(phases.map(({ id }) => id)).toEqual(phasesOf(three));
    for (const { id, assessment } of phases)
      expect(assessment.findings).toEqual(assess(inPhase(three, id), brief, context).findings);
    // two kits run at a lower rate, and that is said of the phase that has them
    expect(phases.map(({ assessment }) => assessment.findings.some(({ code }) => code === 'memory-rate'))).toEqual([
      false,
      true,
      true,
    ]);
  });

  test('says what a phase buys and lets go, and what no longer fits after an edit of the first', () => {
    const phases = planOf(three, brief, judge, TODAY);
    expect(phases.map(({ bought }) => bought.map(({ id }) => id).join())).toEqual([
      machineOf()
        .items.map(({ id }) => id)
        .join(),
      'kit-2',
      '',
    ]);
    expect(phases[2]?.leaving.map(({ id }) => id)).toEqual(['disk-1']);
    expect(phases.flatMap(({ wrong }) => wrong)).toEqual([]);
    // another supply in the first phase is in all of them: too small for what comes later
    const small = PARTS.find(({ id }) => id === 'psu') ?? {};
    const weak = world({ addParts: [{ ...small, id: 'weak', name: 'Test 150', ratedW: 150 }] });
    const edited = editMachine(three, { kind: 'swap', item: 'psu-1', part: partId('weak'), label: 'Test 150' });
    const after = planOf(edited, brief, weak.judge, TODAY);
    expect(after.every(({ wrong }) => wrong.some(({ level }) => level === 'blocks'))).toBe(true);
  });

  test('takes the place of the machine that is there: what moves on is neither bought nor sold', () => {
    const present: Machine = {
      ...machineOf({ items: (items) => items.map((item) => ({ ...item, owned: true, resale: { minor: 50_00 } })) }),
      id: 'present',
      present: true,
    };
    const machine = machineOf({
      items: (items) => items.map((item) => (item['id'] === 'case-1' ? { ...item, owned: true } : item)),
    });
    const [first] = planOf(machine, brief, judge, TODAY, present);
    expect(first?.bought.map(({ id }) => id)).not.toContain('case-1');
    expect(first?.leaving.map(({ id }) => id)).not.toContain('case-1');
    expect(first?.purchaseMinor).toBe(8 * 107_50);
    // core 150 × 0.88 − 9.50, five more at 50 × 0.88 − 9.50
    expect(first?.resale.net.likely).toBe(122_50 + 5 * 34_50);
  });

  test('a phase without a day, or a part without a price, wins no comparison', () => {
    const undated = phased(machineOf(), 'a', undefined, addKit);
    const course = courseOf(planOf(undated, brief, judge, TODAY), brief, 4, judge, TODAY);
    expect(course.open).toContainEqual({ code: 'undated', names: ['Phase a'] });
    const free = world({ offers: (offers) => offers.filter(({ part }) => part !== 'kit') });
    const open = courseOf(planOf(machineOf(), brief, free.judge, TODAY), brief, 4, free.judge, TODAY);
    expect(open.open).toContainEqual({ code: 'price-unknown', names: ['now'] });
    const known = courseOf(planOf(machineOf(), brief, judge, TODAY), brief, 4, judge, TODAY);
    expect([comparable(known, course), comparable(open, known), comparable(known, known)]).toEqual([
      false,
      false,
      true,
    ]);
  });

  test('a task of which nobody can tell is no pass, and its waiting wins no comparison', () => {
    // without its clock nobody can tell how long the export takes
    const [cores] = PARTS[0]?.['coreGroups'] as Record<string, unknown>[];
    const dark = { ...PARTS[0], id: 'cpu-x', name: 'Test x', coreGroups: [{ ...cores, workPerClock: undefined }] };
    const { judge: half } = world({ addParts: [JSON.parse(JSON.stringify(dark)) as Record<string, unknown>] });
    const busy = briefOf({
      brief: {
        ...BUSY,
        tasks: [{ ...EXPORT, path: 'software', waiting: 'attended', runsPerWeek: 1 }, DESK],
        hourMinor: 38_00,
        yearsOfService: 1,
      },
    });
    const unknown = editMachine(machineOf(), { kind: 'swap', item: 'cpu-1', part: partId('cpu-x'), label: 'Test x' });
    const [phases, known] = [unknown, machineOf()].map((machine) => planOf(machine, busy, half, TODAY));
    if (!phases || !known) throw new Error('no plan');
    expect(phases[0]).toMatchObject({ short: [] });
    expect(phases[0]?.unsure).toContain('export');
    expect(fallsShort(phases, busy, 1, half, TODAY)).toEqual([]);
    const [one, other] = [phases, known].map((plan) => courseOf(plan, busy, 1, half, TODAY));
    if (!one || !other) throw new Error('no course');
    // the waiting that nobody knows is not in it, so it looks cheaper than it is
    expect(one.byLine.waiting).toBeLessThan(other.byLine.waiting);
    expect(comparable(one, other)).toBe(false);
    expect(comparable(other, other)).toBe(true);
  });

  test('a day that has passed counts as today, and is told', () => {
    const late = phased(machineOf(), 'a', '2025-05-18', addKit);
    const phases = planOf(late, brief, judge, TODAY);
    expect(phases.map(({ passed }) => passed)).toEqual([false, true]);
    expect(courseOf(phases, brief, 1, judge, TODAY).byLine.purchase).toBe(10 * 107_50);
  });

  test('lines add up to the total, whatever is planned', () => {
    for (const machine of [machineOf(), three, phased(three, 'c', '2029-01-31', addKit)]) {
      const course = courseOf(planOf(machine, brief, judge, TODAY), brief, 4, judge, TODAY);
      expect(COURSE_LINES.reduce((sum, line) => sum + course.byLine[line], 0)).toBe(course.totalMinor);
      expect(course.costMinor.at(-1)).toBe(course.totalMinor);
      expect(course.days).toHaveLength(48);
    }
  });
});

describe('one plan overtakes another', () => {
  const course = (costMinor: number[]): Course => ({
    days: costMinor.map((_, i) => `2027-0${i + 1}-01`),
    costMinor,
    byLine: { purchase: 0, resale: 0, energy: 0, waiting: 0, held: 0 },
    totalMinor: costMinor.at(-1) ?? 0,
    waitingHours: 0,
    open: [],
  });

  test('on the day from which it would have cost less; what is alike changes nothing', () => {
    const dear = course([200_00, 205_00, 210_00, 215_00]);
    const often = course([100_00, 204_90, 209_00, 300_00]);
    expect(overtakings(dear, often)).toEqual([
      { on: '2027-01-01', cheaper: 'second' },
      { on: '2027-04-01', cheaper: 'first' },
    ]);
    expect(overtakings(dear, dear)).toEqual([]);
  });
});

describe('work that grows', () => {
  const { judge } = world();
  const tasks = [{ ...EXPORT, path: 'software', targetMin: 60 }, DESK];
  const brief = briefOf({ brief: { ...BUSY, tasks, workGrowthPercent: 100, yearsOfService: 6 } });

  test('falls short in the first quarter past log₂ of how far it is above its target', () => {
    const ratio = judge(machineOf(), brief).tasks.find(({ task }) => task === 'export')?.ratio?.likely ?? 0;
    expect(ratio).toBeGreaterThan(1.2);
    const [falls, ...more] = fallsShort(planOf(machineOf(), brief, judge, TODAY), brief, 6, judge, TODAY);
    expect(more).toEqual([]);
    // an export twice as long takes twice as long
    expect(falls).toMatchObject({ task: 'export', until: undefined, phase: 'now' });
    expect(falls?.times).toBeGreaterThan(ratio);
    expect((falls?.times ?? 0) / 2 ** 0.26).toBeLessThanOrEqual(ratio);
  });

  test('does again from the phase on that mends it', () => {
    const [cores] = PARTS[0]?.['coreGroups'] as Record<string, unknown>[];
    const twice = { ...PARTS[0], id: 'cpu-16', name: 'Test 16', coreGroups: [{ ...cores, count: 16 }] };
    const { judge: larger } = world({ addParts: [twice] });
    const [alone] = fallsShort(planOf(machineOf(), brief, larger, TODAY), brief, 6, larger, TODAY);
    const on = monthsAfter(alone?.from ?? TODAY, 1);
    const machine = phased(machineOf(), 'next', on, {
      kind: 'swap',
      item: 'cpu-1',
      part: partId('cpu-16'),
      label: 'Test 16',
    });
    const [first, second, ...more] = fallsShort(planOf(machine, brief, larger, TODAY), brief, 6, larger, TODAY);
    expect(first).toMatchObject({ task: 'export', from: alone?.from, until: on, phase: 'now' });
    // no more than twice as fast, it is outgrown about a year later
    expect(second).toMatchObject({ task: 'export', until: undefined, phase: 'next' });
    expect((second?.times ?? 0) / (first?.times ?? 1)).toBeGreaterThan(1.3);
    expect((second?.times ?? 0) / (first?.times ?? 1)).toBeLessThan(2.5);
    expect(more).toEqual([]);
  });

  test('grows in what decides each trade, and only there', () => {
    const [task] = tasks;
    expect(grownBrief(brief, 2).tasks[0]).toMatchObject({ programmeMin: 2 * (task as typeof EXPORT).programmeMin });
    expect(grownBrief(brief, 1)).toBe(brief);
    expect(growsBy(grownBrief(brief, 2).tasks[1] as never)).toBeUndefined();
    expect(briefIn(brief, 2)).toBe(briefIn(brief, 2));
    expect(briefIn(briefOf(), 3).tasks).toEqual(briefOf().tasks);
  });
});

describe('what is sold on a later day', () => {
  const { judge } = world();
  const machine = machineOf({
    items: (items) =>
      items.map((item) => ({
        ...item,
        owned: true,
        resale:
          item['id'] === 'card-1'
            ? { minor: 100_00 }
            : item['id'] === 'ssd-1'
              ? { boughtOn: '2025-05-18', state: 'worn' }
              : item['id'] === 'disk-1'
                ? { state: 'faulty', boughtOn: '2025-05-18' }
                : { fate: 'given', to: 'office' },
      })),
  });
  const all = new Set(machine.items.map(({ id }) => id));
  const at = (on?: string) => {
    const { parts } = resaleOf(judge(machine, briefOf()), all, on === undefined ? {} : { on });
    return new Map(parts.map((part) => [part.item.id, part]));
  };

  test('has lost a year’s share a year by then', () => {
    expect(at().get('card-1')?.value?.likely).toBe(100_00);
    expect(at('2028-05-18').get('card-1')?.value?.likely).toBeCloseTo(64_00, 6);
    // a year old now and worn: 107.50 × 0.7 × 0.75; three years old then
    expect(at().get('ssd-1')?.value?.likely).toBeCloseTo(107_50 * 0.7 * 0.75, 6);
    expect(at('2028-05-18').get('ssd-1')?.value?.likely).toBeCloseTo(107_50 * 0.448 * 0.75, 6);
  });

  test('what fails is not sold, and what is given brings nothing', () => {
    expect(at().get('disk-1')).toMatchObject({ value: undefined, notSold: 'faulty' });
    expect(at().get('case-1')).toMatchObject({ value: undefined, notSold: 'given' });
  });

  test('what is added by then counts from its own day', () => {
    const later = machineOf({ items: plus({ id: 'kit-2', part: 'kit' }) });
    const { parts } = resaleOf(judge(later, briefOf()), new Set(['kit-2']), {
      on: '2029-05-18',
      boughtOn: () => '2028-05-18',
    });
    expect(parts[0]?.value?.likely).toBeCloseTo(107_50 * 0.7, 6);
  });
});
