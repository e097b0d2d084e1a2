import { describe, expect, test } from 'vitest';
import { assess, contextOf, type Assessment } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { settingsSchema, type Settings } from '../model/settings';
import { briefOf, dataOf, EXPORT, machineOf, type Change } from '../tests/world';
import type { TaskKind } from '../model/tasks';
import { startingTask } from '../work/templates';
import { waitingOfTask } from '../work/waiting';
import { compareOwnership, ownershipOf, waitingOf } from './ownership';

const settings = (more: object = {}): Settings =>
  settingsSchema.parse({
    discountPercent: 0,
    repair: { failuresPercent: 0, sentInDays: 8 },
    resale: { firstYearPercent: 100, yearlyPercent: 0, feePercent: 0, shippingMinor: 0, days: 14 },
    ...more,
  });
const assessed = (change: Change = {}, with_: Settings = settings()): Assessment =>
  assess(machineOf(change), briefOf(change), contextOf(compileCatalogue(dataOf(change)), '2026-05-18', with_));
const own = (assessment: Assessment, more: object = {}) =>
  ownershipOf({ assessment, purchaseMinor: 1000_00, purchaseOpen: false, support: undefined, ...more });

describe('what owning a machine costs', () => {
  test('a purchase that resells for nothing costs what it costs, and says what it leaves out', () => {
    const bare = own(assessed());
    expect([bare.totalMinor, bare.years.length]).toEqual([1000_00, 5]);
    expect(bare.open.map((entry) => entry.code).sort()).toEqual(['no-hour-value', 'no-tariff']);
  });

  test('resale by declining balance, net of fees: 1,000 loses 40 %, then 25 % twice a year, 10 % fees', () => {
    const resale = { firstYearPercent: 40, yearlyPercent: 25, feePercent: 10, shippingMinor: 0, days: 14 };
    const kept = own(assessed({ brief: { yearsOfService: 3 } }, settings({ resale })));
    // 1000 × 0.6 × 0.75² = 337.50; less 10 %: 303.75
    expect(kept.byLine.resale).toBe(-303_75);
    // half a year more is rounded to whole years
    expect(kept.totalMinor).toBe(1000_00 - 303_75);
  });

  test('later payments weigh less: 303.75 after three years at 5 % is worth 262.39', () => {
    const resale = { firstYearPercent: 40, yearlyPercent: 25, feePercent: 10, shippingMinor: 0, days: 14 };
    const discounted = own(assessed({ brief: { yearsOfService: 3 } }, settings({ resale, discountPercent: 5 })));
    // 303.75 ÷ 1.05³ = 303.75 ÷ 1.157625 = 262.39
    expect(discounted.byLine.resale).toBe(-262_39);
  });

  test('expected repairs: 10 % fail a year, 15 % of the price each once no warranty holds, and days without it', () => {
    const repair = { failuresPercent: 10, sentInDays: 8 };
    const machine = assessed({ brief: { yearsOfService: 2, hourMinor: 50_00 } }, settings({ repair }));
    // parts without a stated warranty: 0.1 × 0.15 × 1,000 = 15.00 a year; 10 h a week are 2 h a day:
    // 0.1 × 8 days × 2 h × 50.00 = 80.00 a year
    expect(own(machine).byLine.repair).toBe(2 * (15_00 + 80_00));
    // on site the next day within three years: 0.1 × 1 × 2 × 50.00 = 10.00 a year
    expect(own(machine, { support: { warrantyMonths: 36, onSite: true } }).byLine.repair).toBe(2 * 10_00);
    // a warranty of one year covers the first
    expect(own(machine, { support: { warrantyMonths: 12, onSite: true } }).byLine.repair).toBe(10_00 + 25_00);
  });

  test('waiting: runs × predicted hours × what an hour costs', () => {
    const tasks = [{ ...EXPORT, runsPerWeek: 5, waiting: 'attended' }];
    const machine = assessed({ brief: { tasks, sittings: [], yearsOfService: 1, hourMinor: 40_00 } });
    const seconds = machine.tasks[0]?.gets?.likely ?? NaN;
    const hours = (5 * 52 * seconds) / 3600;
    expect(waitingOf(machine).hours).toBeCloseTo(hours, 9);
    expect(own(machine).byLine.waiting).toBe(Math.round(4000 * hours));
  });

  test('a run that cannot be predicted is named, and nothing stands for it', () => {
    const tasks = [{ ...EXPORT, runsPerWeek: 5, waiting: 'attended' }];
    const machine = assessed({
      parts: { card: { fp32Tflops: undefined } },
      brief: { tasks, sittings: [], hourMinor: 40_00 },
    });
    expect(own(machine).open).toContainEqual({ line: 'waiting', code: 'not-predicted', tasks: ['Export'] });
    expect(own(machine).byLine.waiting).toBe(0);
  });

  test('energy at the desk’s tariff each year, discounted at the year’s end', () => {
    const machine = assessed(
      { brief: { yearsOfService: 2 } },
      settings({ tariffMinorPerKWh: '30', discountPercent: 10 }),
    );
    const a = own(machine, {}).years.map((year) => year.energy);
    expect(a[0]).toBe(0);
    expect((a[1] ?? 0) / (a[2] ?? 1)).toBeCloseTo(1.1, 2);
  });

  test('the later phase is paid when it comes; running sums are the lines added up', () => {
    const later = own(assessed({ brief: { yearsOfService: 3 } }), { later: [{ minor: 200_00, open: false, year: 2 }] });
    expect(later.runningMinor).toEqual([1000_00, 1000_00, 1200_00, 1200_00]);
    expect(later.totalMinor).toBe(Object.values(later.byLine).reduce((sum, minor) => sum + minor, 0));
  });

  test('a run in the background is free while it fits its sitting; what does not fit is waited for', () => {
    const seconds = (runsPerWeek: number, hoursPerWeek: number, waiting?: string) => {
      const tasks = [{ ...EXPORT, runsPerWeek, ...(waiting ? { waiting } : {}) }];
      const sittings = [{ id: 'work', name: 'Work', hoursPerWeek, tasks: ['export'] }];
      return assessed({ brief: { tasks, sittings, hourMinor: 40_00 } });
    };
    const one = (seconds(1, 10).tasks[0]?.gets?.likely ?? NaN) / 3600;
    expect(waitingOf(seconds(5, 10)).hours).toBe(0);
    expect(waitingOf(seconds(5, 10, 'unattended')).hours).toBe(0);
    expect(waitingOf(seconds(5, 10, 'attended')).hours).toBeCloseTo(52 * 5 * one, 9);
    // so many runs that they take twice the sitting's hour
    const many = 2 / one;
    expect(waitingOf(seconds(many, 1)).hours).toBeCloseTo(52, 6);
  });

  test('each trade starts with what is usual: a rebuild is waited for, training is not', () => {
    const of = (kind: TaskKind) => waitingOfTask(startingTask(kind, 'x'));
    expect([of('cad-step'), of('build'), of('train'), of('render'), of('edit-export')]).toEqual([
      'attended',
      'attended',
      'unattended',
      'unattended',
      'background',
    ]);
  });
});

describe('two sides', () => {
  const side = (change: Change, purchaseMinor = 1000_00, purchaseOpen = false) => ({
    assessment: assessed(change),
    purchaseMinor,
    purchaseOpen,
    support: undefined,
  });
  const waited = { tasks: [{ ...EXPORT, runsPerWeek: 5, waiting: 'attended' }], sittings: [], hourMinor: 40_00 };

  test('are not compared by waiting that one of them cannot predict: unknown is not zero', () => {
    const known = side({ brief: waited });
    const vague = side({ brief: waited, parts: { card: { fp32Tflops: undefined } } }, 1200_00);
    expect(ownershipOf(known).byLine.waiting).toBeGreaterThan(0);
    const pair = compareOwnership(known, vague);
    expect(pair.tasksLeftOut).toEqual(['Export']);
    expect([pair.ours.byLine.waiting, pair.theirs.byLine.waiting]).toEqual([0, 0]);
    expect((pair.theirsRunningMinor.at(-1) ?? 0) - (pair.oursRunningMinor.at(-1) ?? 0)).toBe(200_00);
  });

  test('leave a line out of both sums that one side does not know', () => {
    const pair = compareOwnership(side({}), side({}, 100_00, true));
    expect(pair.leftOut).toEqual(['purchase', 'repair', 'resale']);
    expect(pair.oursRunningMinor.at(-1)).toBe(pair.theirsRunningMinor.at(-1));
  });

  test('that know everything are compared by everything', () => {
    const pair = compareOwnership(side({ brief: waited }), side({ brief: waited }, 1300_00));
    expect(pair.leftOut).toEqual([]);
    expect(pair.oursRunningMinor).toEqual(pair.ours.runningMinor);
  });
});
