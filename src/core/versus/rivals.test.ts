import * as fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import type { Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import { measurementSchema, type Measurement } from '../model/measurement';
import { briefOf, dataOf, EXPORT, machineOf, plus, REGION } from '../tests/world';
import { GROSS } from '../tests/shops';
import { basketFor } from './basketFor';
import { configured, settledOptions } from './configure';
import { SHARES } from './difference';
import type { Region } from '../model/offers';
import { compareWithRival, evidenceOf, ratioBand } from './rivals';
import { rivalSchema, type RivalModel } from '../model/rivals';

const card = (id: string, fp32Tflops: number) => {
  const base = dataOf().parts.find((part) => part.id === 'card');
  return { ...base, id, name: id, fp32Tflops } as Record<string, unknown>;
};
const SERVICES = [
  { kind: 'service', id: 'labour', maker: 'Quillstone', name: 'Assembly', purpose: 'assembly' },
  { kind: 'system', id: 'os', maker: 'Slipway', name: 'System' },
];
const change = {
  addParts: [card('slow', 1), card('quick', 40), ...SERVICES],
  items: plus({ id: 'service-1', part: 'labour' }, { id: 'system-1', part: 'os' }),
};
const data = dataOf(change);
const context = contextOf(compileCatalogue(data), '2026-05-18');
const brief = briefOf();
const draft = assess(machineOf(change), brief, context);

const rival = (over: Partial<RivalModel> = {}): RivalModel =>
  rivalSchema.parse({
    id: 'brand',
    maker: 'Aldmoor',
    name: 'Test',
    machine: {
      ...machineOf(),
      id: 'brand',
      items: [
        ...machineOf().items.map((item) =>
          item.id === 'card-1' ? { ...item, standsInFor: 'a card of no stated make' } : item,
        ),
        { id: 'system-1', part: 'os' },
      ],
    },
    offers: [{ region: 'here', priceMinor: 180_000, shippingMinor: 0, asOf: '2026-05-01' }],
    warrantyMonths: 36,
    onSite: true,
    notes: [],
    ...over,
  });
const against = (over: Partial<RivalModel> = {}, asked: Brief = brief) =>
  compareWithRival(draft, basketFor(draft), rival(over), asked, context);

describe('against a branded machine', () => {
  test('the same parts for about half the price give twice the work a coin', () => {
    const comparison = against();
    // eleven parts at 100.00 against 1,800.00, both with 7.5 %
    expect(comparison.ours.netMinor).toBe(110_000);
    expect(comparison.theirs).toEqual({ netMinor: 180_000, shippingMinor: 0, taxMinor: 13_500, landedMinor: 193_500 });
    expect(comparison.speedRatio?.likely).toBeCloseTo(1, 12);
    expect(comparison.netPriceRatio).toBeCloseTo(110 / 180, 12);
    expect(comparison.perCoinRatio?.likely).toBeCloseTo(1 / (comparison.priceRatio ?? NaN), 12);
  });

  test('the difference is split to the cent: worked by hand', () => {
    const rows = Object.fromEntries(
      (against().shares ?? []).map((row) => [row.share, [row.oursMinor, row.theirsMinor, row.differenceMinor]]),
    );
    // ours: nine parts, a system and labour at 100.00, tax 82.50; theirs: nine parts and a system, 800.00 left over, tax 135.00
    expect(rows).toEqual({
      parts: [90_000, 90_000, 0],
      system: [10_000, 10_000, 0],
      software: [0, 0, 0],
      assembly: [10_000, 0, 10_000],
      warranty: [0, 0, 0],
      shipping: [0, 0, 0],
      tax: [8_250, 13_500, -5_250],
      remainder: [0, 80_000, -80_000],
    });
    expect(118_250 - 193_500).toBe(10_000 - 5_250 - 80_000);
  });

  test('the shares add up to both prices in every region, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1_000_000 }),
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 1, max: 90_000 }),
        fc.boolean(),
        (price, shipping, part, gross) => {
          const region: Region = gross ? { ...GROSS, id: 'here', currency: 'EUR' } : REGION;
          const offers = data.offers.map((offer, i) => ({ ...offer, priceMinor: part + i * 37 }));
          const world = contextOf(compileCatalogue({ ...data, regions: [region], offers }), '2026-05-18');
          const mine = assess(machineOf(change), brief, world);
          const comparison = compareWithRival(
            mine,
            basketFor(mine),
            rival({ offers: [{ region: 'here', priceMinor: price, shippingMinor: shipping, asOf: '2026-05-01' }] }),
            brief,
            world,
          );
          const sum = (side: 'oursMinor' | 'theirsMinor') =>
            comparison.shares?.reduce((all, row) => all + row[side], 0);
          expect(sum('oursMinor')).toBe(comparison.ours.landedMinor);
          expect(sum('theirsMinor')).toBe(price + shipping + (gross ? 0 : (comparison.theirs?.taxMinor ?? 0)));
          expect(comparison.shares?.map((row) => row.share)).toEqual(SHARES);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('what rests on a stand-in is marked, part by part and task by task', () => {
    const comparison = against();
    expect(comparison.parts.find((row) => row.kind === 'graphics')?.theirs[0]?.standsInFor).toBe(
      'a card of no stated make',
    );
    expect(comparison.tasks.map((row) => [row.task, row.standIn])).toEqual([
      ['play', true],
      ['desk', false],
    ]);
  });

  test('a part known to lie between two widens the band over both', () => {
    const items = rival().machine.items.map((item) =>
      item.id === 'card-1'
        ? { ...item, standInRange: ['slow', 'quick'] as [typeof item.part, typeof item.part] }
        : item,
    );
    const [point, range] = [against(), against({ machine: { ...rival().machine, items } })].map((comparison) =>
      comparison.tasks.find((row) => row.task === 'play'),
    );
    const [plain, wide] = [point?.theirs.ratio, range?.theirs.ratio];
    expect(wide?.likely).toBe(plain?.likely);
    // a twentieth of the arithmetic binds at the lesser end; at the better one something else does, as before
    expect((wide?.low ?? 1) / (plain?.low ?? 1)).toBeLessThan(0.8);
    expect(wide?.high).toBeGreaterThanOrEqual(plain?.high ?? Infinity);
    expect((range?.ratio?.high ?? 0) / (range?.ratio?.low ?? 1)).toBeGreaterThan(
      (point?.ratio?.high ?? 0) / (point?.ratio?.low ?? 1),
    );
  });

  test('not sold in the region: no price ratio, the tasks are compared all the same', () => {
    const comparison = against({
      offers: [{ region: 'elsewhere', priceMinor: 1, shippingMinor: 0, asOf: '2026-05-01' }],
    });
    expect([comparison.theirs, comparison.priceRatio, comparison.perCoinRatio, comparison.shares]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(comparison.speedRatio?.likely).toBeCloseTo(1, 12);
  });

  test('the band of a ratio combines both spreads as independent errors', () => {
    // 1.5 each way on one side, none on the other
    expect(ratioBand({ low: 2, likely: 3, high: 4.5 }, { low: 1, likely: 1, high: 1 })).toEqual({
      low: 2,
      likely: 3,
      high: 4.5,
    });
    const both = ratioBand({ low: 2, likely: 3, high: 4.5 }, { low: 2, likely: 3, high: 4.5 });
    expect(both.high).toBeCloseTo(Math.exp(Math.SQRT2 * Math.log(1.5)), 12);
    expect(both.low * both.high).toBeCloseTo(1, 12);
  });
});

describe('options of a branded machine', () => {
  const price = (minor: number) => [{ region: 'here', minor }];
  const options = [
    {
      id: 'quick',
      name: 'Quick card',
      group: 'card',
      prices: price(300_00),
      edit: { kind: 'swap' as const, item: 'card-1', part: 'quick', label: 'quick' },
    },
    {
      id: 'slow',
      name: 'Slow card',
      group: 'card',
      prices: price(-100_00),
      edit: { kind: 'swap' as const, item: 'card-1', part: 'slow', label: 'slow' },
    },
    {
      id: 'longer',
      name: 'Five years',
      group: 'support',
      needs: ['quick'],
      prices: price(200_00),
      support: { warrantyMonths: 60, onSite: true, responseDays: 1 },
    },
    { id: 'abroad', name: 'Sold elsewhere', prices: [{ region: 'elsewhere', minor: 1 }] },
  ];
  const model = rivalSchema.parse({ ...rival(), options });
  const ids = (...wanted: string[]) => settledOptions(model, wanted).map((option) => option.id);

  test('of a group the last stays, and what an option needs comes with it', () => {
    expect(ids('quick', 'slow')).toEqual(['slow']);
    expect(ids('longer')).toEqual(['quick', 'longer']);
    // the slow card pushes the quick one out, and with it what needed it
    expect(ids('longer', 'slow')).toEqual(['slow']);
    expect(ids('nothing such')).toEqual([]);
  });

  test('one price with its options, tax rounded once; support is a share of its own', () => {
    const side = configured(model, ['longer'], REGION);
    // 1,800 + 300 + 200 = 2,300.00; 7.5 % = 172.50
    expect(side.price).toEqual({ netMinor: 230_000, shippingMinor: 0, taxMinor: 17_250, landedMinor: 247_250 });
    expect([side.supportMinor, side.support.warrantyMonths]).toEqual([200_00, 60]);
    expect(side.machine.items.find((item) => item.id === 'card-1')?.part).toBe('quick');
    const asked = against({ options: model.options }, { ...brief, rivals: [{ rival: 'brand', options: ['longer'] }] });
    expect(asked.shares?.find((row) => row.share === 'warranty')?.theirsMinor).toBe(200_00);
  });

  test('an option that the region does not sell leaves the machine without a price', () => {
    const side = configured(model, ['abroad'], REGION);
    expect([side.price, side.unsold.map((option) => option.id)]).toEqual([undefined, ['abroad']]);
  });

  test('an option that needs one that is not there is refused with its place', () => {
    const read = rivalSchema.safeParse({
      ...rival(),
      options: [{ id: 'a', name: 'A', prices: price(1), needs: ['b'] }],
    });
    expect(read.error?.issues[0]).toMatchObject({
      path: ['options', 0, 'needs', 0],
      message: 'names option "b", which this machine lacks',
    });
  });
});

describe('measured results of both sides', () => {
  const result = (id: string, value: number, more: Partial<Measurement> = {}): Measurement =>
    measurementSchema.parse({
      id,
      workload: { work: 'compress', threads: 8 },
      value,
      unit: 'MIPS',
      tool: 'packer',
      source: 'test',
      use: 'check',
      ...more,
    });

  test('one tool and one setting are compared; others are kept apart, with why', () => {
    const ours = [result('a', 200), result('b', 90, { workload: { work: 'memory', threads: 2 }, unit: 'MB/s' })];
    const theirs = [result('c', 100), result('d', 5, { workload: { work: 'sensor', sensor: 'CPU' }, unit: '°C' })];
    const { pairs, apart } = evidenceOf(ours, theirs);
    expect(pairs.map((pair) => [pair.ours.id, pair.theirs.id, pair.ratio])).toEqual([['a', 'c', 2]]);
    expect(apart.map((entry) => [entry.side, entry.measurement.id, entry.because])).toEqual([
      ['ours', 'b', 'only-here'],
      ['theirs', 'd', 'only-here'],
    ]);
    expect(
      evidenceOf([result('a', 2)], [result('c', 1, { tool: 'other' })]).apart.map((entry) => entry.because),
    ).toEqual(['other-tool', 'other-tool']);
    expect(
      evidenceOf([result('a', 2)], [result('c', 1, { settings: 'short' })]).apart.map((entry) => entry.because),
    ).toEqual(['other-settings', 'other-settings']);
  });

  test('of temperatures the lower is better', () => {
    const degrees = (id: string, value: number) =>
      result(id, value, { workload: { work: 'sensor', sensor: 'CPU' }, unit: '°C' });
    expect(evidenceOf([degrees('a', 60)], [degrees('b', 90)]).pairs[0]?.ratio).toBe(1.5);
  });
});

test('a run that is only on one side is not compared', () => {
  const asked = briefOf({ brief: { tasks: [EXPORT], sittings: [] } });
  const mine = assess(machineOf(change), asked, context);
  const items = rival().machine.items.filter((item) => item.id !== 'card-1');
  const comparison = compareWithRival(
    mine,
    basketFor(mine),
    rival({ machine: { ...rival().machine, items } }),
    asked,
    context,
  );
  expect([comparison.tasksCompared, comparison.speedRatio]).toEqual([0, undefined]);
});
