import { describe, expect, test } from 'vitest';
import { contextOf, type Assessment } from '../assess';
import { finish } from '../assess/trials';
import { compileCatalogue } from '../model/catalogue';
import type { Machine } from '../model/machine';
import { editMachine } from '../model/edits';
import { usualSettings } from '../model/settings';
import { shareLeft } from '../money/declining';
import { offer } from '../tests/shops';
import { TODAY } from '../tests/shops';
import { assessed, briefOf, dataOf, machineOf, PARTS, swapped, type Change } from '../tests/world';
import { couldUseTrials, type AskedSeat } from './givenOn';
import { netOf, resaleOf, warrantyUntil, type PartResale } from './resale';
import { carriedOver, couldMove, weeksToPay, worthOf } from './worth';

const even = (minor: number) => ({ low: minor, likely: minor, high: minor });
const RESALE = { firstYearPercent: 30, yearlyPercent: 20, feePercent: 12, shippingMinor: 950, days: 14 };
const SETTINGS = { ...usualSettings, resale: RESALE };
/** Every part of the test machine with how it may be sold, by item. */
const selling =
  (terms: Readonly<Record<string, Record<string, unknown>>>) =>
  (items: Record<string, unknown>[]): Record<string, unknown>[] =>
    items.map((item) => ({ ...item, owned: true, ...(terms[item['id'] as string] ?? {}) }));
const of = (parts: readonly PartResale[], id: string) => parts.find(({ item }) => item.id === id);
const allOf = (assessment: Assessment) => new Set(assessment.facts.machine.items.map(({ id }) => id));

describe('by hand', () => {
  test('declining balance of 640.00 at 30 %, then 20 %: 286.72 after three years', () => {
    expect(64_000 * shareLeft(3, RESALE)).toBeCloseTo(28_672, 6);
    expect(shareLeft(0, RESALE)).toBe(1);
    // half a year loses its root of the first
    expect(shareLeft(0.5, RESALE)).toBeCloseTo(Math.sqrt(0.7), 9);
  });

  test('a core sold for 180.00 less 12 % and 9.50 brings 148.90: a new one for 334.40 costs 185.50 net', () => {
    const net = netOf([even(18_000)], { resale: RESALE });
    expect(net.likely).toBe(14_890);
    expect(33_440 - net.likely).toBe(18_550);
    // apart the three would pay three parcels
    const apart = [9_000, 6_000, 3_000].reduce(
      (sum, minor) => sum + netOf([even(minor)], { resale: RESALE }).likely,
      0,
    );
    expect(apart).toBe(14_890 - 2 * 950);
    expect(netOf([even(1_000)], { resale: RESALE }).likely).toBe(0);
  });

  test('2,210.00 net at 1.4 h a week and 38.00 an hour has paid after 41.54 weeks', () => {
    expect(weeksToPay(221_000, 1.4 * 3_800)).toBeCloseTo(41.54, 2);
    expect(weeksToPay(-1, 0)).toBe(0);
    expect(weeksToPay(1, 0)).toBe(Infinity);
  });
});

describe('what is sold', () => {
  const terms = {
    'cpu-1': { resale: { minor: 10_000 } },
    'board-1': { resale: { minor: 5_000 } },
    'kit-1': { resale: { minor: 3_000 } },
    'ssd-1': { resale: { fate: 'spare' } },
    'psu-1': { paid: { landedMinor: 64_00 * 10, on: '2023-05-18' } },
    'case-1': { resale: { boughtOn: '2025-05-18' } },
  };
  const change: Change = { items: selling(terms) };

  test('processor, board and memory are one lot when all of them leave, and three otherwise', () => {
    const machine = assessed(change, SETTINGS);
    const { lots } = resaleOf(machine, new Set(['cpu-1', 'board-1', 'kit-1']));
    expect(lots).toEqual([{ items: ['cpu-1', 'board-1', 'kit-1'], core: true, net: even(14_890) }]);
    const two = resaleOf(machine, new Set(['cpu-1', 'board-1']));
    expect(two.lots.map(({ core }) => core)).toEqual([false, false]);
    expect(two.net.likely).toBe(10_000 * 0.88 - 950 + 5_000 * 0.88 - 950);
  });

  test('what was paid declines over its age; a spare brings nothing, and what nobody knows is unknown', () => {
    const machine = assessed(change, SETTINGS);
    const { parts, unknown } = resaleOf(machine, allOf(machine));
    expect(of(parts, 'psu-1')?.value?.likely).toBeCloseTo(640_00 * 0.448, 0);
    expect(of(parts, 'psu-1')?.by).toMatchObject({ code: 'declining', from: 'paid', age: 'known' });
    expect(of(parts, 'ssd-1')).toMatchObject({ value: undefined, notSold: 'spare' });
    // a part without price and age is not worth nothing
    expect(of(parts, 'cooler-1')).toMatchObject({ value: undefined, notSold: 'unknown' });
    expect(unknown.map(({ item }) => item.id)).toContain('cooler-1');
  });

  test('used offers come before age, less what is haggled off', () => {
    const machine = assessed(
      {
        ...change,
        offers: (all) => [
          ...all,
          offer('psu', 'north', 50_00, { condition: 'used' }),
          offer('psu', 'south', 40_00, { condition: 'used' }),
        ],
      },
      SETTINGS,
    );
    const psu = of(resaleOf(machine, allOf(machine)).parts, 'psu-1');
    expect(psu?.by).toEqual({ code: 'used-offers', offers: 2, leastMinor: 40_00 });
    expect(psu?.value?.likely).toBeCloseTo(40_00 * 0.85, 6);
    expect(psu?.value?.high).toBeCloseTo(40_00 * 0.85 * 1.2, 6);
  });
});

describe('is it worth it', () => {
  const present = assessed({ items: selling({ 'cpu-1': { resale: { minor: 20_000 } } }) }, SETTINGS);

  test('what moves on is neither bought nor sold', () => {
    const items = machineOf().items;
    const draft = { items: items.map((item) => (item.id === 'psu-1' ? { ...item, owned: true } : item)) };
    expect(carriedOver(present.facts.machine, draft).map(({ id }) => id)).toEqual(['psu-1']);
    expect(couldMove(present.facts.machine, draft).map(({ id }) => id)).toEqual(
      items.map(({ id }) => id).filter((id) => id !== 'psu-1'),
    );
    // of two equal parts one is there
    const twice = { items: [...items, ...items.map((item) => ({ ...item, id: `${item.id}-b` }))] };
    expect(couldMove(present.facts.machine, twice)).toHaveLength(items.length);
  });

  test('carrying a part over changes the net cost by its price less what it would have been sold for', () => {
    const now = assessed({ items: selling({ 'cpu-1': { resale: { minor: 200_00 } } }) }, SETTINGS);
    const anew = assessed({}, SETTINGS);
    const moved = assessed(
      { items: (items) => items.map((item) => (item['id'] === 'cpu-1' ? { ...item, owned: true } : item)) },
      SETTINGS,
    );
    const [fresh, carried] = [worthOf(now, anew), worthOf(now, moved)];
    const forgone = netOf([even(200_00)], SETTINGS).likely;
    expect(fresh.resale.net.likely - carried.resale.net.likely).toBe(forgone);
    expect(carried.net.likely - fresh.net.likely).toBe(forgone - (fresh.purchaseMinor - carried.purchaseMinor));
  });

  test('a part that two drafts take over counts in each of them by itself, and is not given away there', () => {
    const now = assessed(
      { items: selling({ 'card-1': { resale: { fate: 'given', to: 'office', savesMinor: 300_00 } } }) },
      SETTINGS,
    );
    const taking = (more: readonly string[]): Change => ({
      items: (items) =>
        items.map((item) => (['card-1', ...more].includes(item['id'] as string) ? { ...item, owned: true } : item)),
    });
    const [one, other] = [[], ['psu-1']].map((more) => worthOf(now, assessed(taking(more), SETTINGS)));
    expect([one?.resale.givenMinor, other?.resale.givenMinor]).toEqual([0, 0]);
    expect((one?.purchaseMinor ?? 0) - (other?.purchaseMinor ?? 0)).toBe(107_50);
    // where it stays behind it is given
    expect(worthOf(now, assessed({}, SETTINGS)).resale.givenMinor).toBe(300_00);
  });

  test('a higher price never raises the net cost', () => {
    const draft = assessed({}, SETTINGS);
    let last = Infinity;
    for (const minor of [100, 1_000, 5_000, 20_000, 90_000]) {
      const machine = assessed({ items: selling({ 'cpu-1': { resale: { minor } } }) }, SETTINGS);
      const { net } = worthOf(machine, draft);
      expect(net.likely).toBeLessThanOrEqual(last);
      expect(net.low).toBeLessThanOrEqual(net.likely);
      expect(net.high).toBeGreaterThanOrEqual(net.likely);
      last = net.likely;
    }
  });

  test('a machine against itself saves nothing, and never pays for what it costs', () => {
    const same = worthOf(present, assessed({ brief: { hourMinor: 3_800 } }, SETTINGS));
    expect(same.savedHoursAWeek.likely).toBe(0);
    expect(same.tasks.every(({ turns }) => turns === undefined)).toBe(true);
    expect(same.paysAt.map(({ hourMinor }) => hourMinor)).toEqual([undefined, undefined, undefined]);
  });

  test('without the worth of an hour there are hours and no weeks', () => {
    expect(worthOf(present, assessed({}, SETTINGS)).weeks).toBeUndefined();
  });
});

test('an edit says what becomes of a part, takes it back, and a swap forgets it', () => {
  const machine = machineOf();
  const edit = (resale?: Record<string, unknown>) =>
    editMachine(machine, { kind: 'resale', item: 'psu-1', ...(resale ? { resale } : {}) } as never);
  const told = edit({ fate: 'spare' });
  expect(told.items.find(({ id }) => id === 'psu-1')?.resale).toEqual({ fate: 'spare' });
  expect(editMachine(told, { kind: 'resale', item: 'psu-1', resale: { fate: 'spare' } })).toBe(told);
  expect(
    editMachine(told, { kind: 'resale', item: 'psu-1' }).items.find(({ id }) => id === 'psu-1')?.resale,
  ).toBeUndefined();
  expect(edit()).toBe(machine);
  const swap = editMachine(told, { kind: 'swap', item: 'psu-1', part: 'other' as never, label: 'Other' });
  expect(swap.items.find(({ id }) => id === 'psu-1')?.resale).toBeUndefined();
  expect(swapped('psu-1', 'other')([{ id: 'psu-1', part: 'psu' }])).toEqual([{ id: 'psu-1', part: 'other' }]);
});

describe('given to another seat', () => {
  const card = PARTS.find(({ id }) => id === 'card') ?? {};
  const context = contextOf(
    compileCatalogue(
      dataOf({
        addParts: [
          { ...card, id: 'card-b', name: 'Test 12 b' },
          { ...card, id: 'card-16', name: 'Test 16', slots: 9 },
        ],
      }),
    ),
    TODAY,
  );
  const seat = (id: string, drafts: Machine[]): AskedSeat => ({ id, name: id, brief: briefOf(), drafts });
  const leaving = (part: string) => {
    const found = context.catalogue.part(part);
    if (!found) throw new Error(part);
    return [{ item: { id: 'old', part: found.id }, part: found }];
  };

  test('saves the seat what it would have bought: 107.50 for a card', () => {
    const found = finish(couldUseTrials(leaving('card-b'), [seat('office', [machineOf()])], context));
    expect(found).toEqual([
      {
        item: 'old',
        seat: 'office',
        seatName: 'office',
        draft: 'Test machine',
        inPlaceOf: 'Test 12',
        savesMinor: 107_50,
      },
    ]);
  });

  test('not where it does not fit, is owned already, is the same one, or no draft is to be bought', () => {
    const nobody = (part: string, drafts: Machine[]) =>
      finish(couldUseTrials(leaving(part), [seat('office', drafts)], context));
    expect(nobody('card-16', [machineOf()])).toEqual([]);
    expect(nobody('card', [machineOf()])).toEqual([]);
    const owned = machineOf({ items: (items) => items.map((item) => ({ ...item, owned: true })) });
    expect(nobody('card-b', [owned, { ...owned, present: true }])).toEqual([]);
    expect(nobody('card-b', [{ ...machineOf(), present: true }])).toEqual([]);
  });

  test('what it saves there lowers the net cost by as much', () => {
    const present = (resale: Record<string, unknown>) =>
      assessed(
        {
          items: (items) =>
            items.map((item) => ({ ...item, owned: true, ...(item['id'] === 'card-1' ? { resale } : {}) })),
        },
        SETTINGS,
      );
    const draft = assessed({}, SETTINGS);
    const kept = worthOf(present({ fate: 'spare' }), draft);
    const given = worthOf(present({ fate: 'given', to: 'office', savesMinor: 107_50 }), draft);
    expect(given.resale.givenMinor).toBe(107_50);
    expect(given.net.likely).toBeCloseTo(kept.net.likely - 107_50, 6);
  });

  test('a warranty lasts as long as its maker gives it from the day it was bought, unless it is said', () => {
    const part = { ...card, warrantyMonths: 36 } as never;
    const until = (resale: Record<string, unknown>) =>
      warrantyUntil({ item: { id: 'a', part: 'card', resale }, part } as never);
    expect(until({ boughtOn: '2024-02-29' })).toBe('2027-02-28');
    expect(until({ boughtOn: '2024-02-29', warrantyUntil: '2026-01-01' })).toBe('2026-01-01');
    expect(until({})).toBeUndefined();
  });
});
