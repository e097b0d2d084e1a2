import { describe, expect, test } from 'vitest';
import { contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { fitParts } from '../model/fitted';
import { briefOf, dataOf, EXPORT, machineOf, PARTS, PLAY, type Change, partLike as like } from '../tests/world';
import { askedOf, shortfall } from './asked';
import { bareOf } from './bare';

const contextWith = (change: Change) => contextOf(compileCatalogue(dataOf(change)), '2026-05-18');
const context = contextWith({});
const brief = briefOf();
const asked = askedOf(brief, context);
const nothing = { parts: undefined, roles: [], roomC: 24 };

describe('what the work asks of parts before any is chosen', () => {
  test('it is the same whatever the machine holds: the brief and the catalogue decide', () => {
    expect(askedOf(brief, context)).toBe(asked);
    expect(bareOf(brief, context).facts.machine.items).toEqual([]);
    const twin = askedOf(briefOf(), contextWith({}));
    expect([...twin.rates]).toEqual([...asked.rates]);
    expect(twin.memoryBytes).toBe(asked.memoryBytes);
  });

  test('a part that has all that is asked lacks nothing, half of it lacks ln 2', () => {
    const gib = asked.memoryBytes / 2 ** 30;
    const empty = { ...nothing, parts: fitParts(machineOf({ items: () => [] }), context.catalogue) };
    const kit = (each: number) => like('kit', { modules: 2, moduleGiB: each });
    expect(shortfall(kit(gib), asked, empty)).toBe(0);
    expect(shortfall(kit(gib / 4), asked, empty)).toBeCloseTo(Math.LN2, 9);
    // what is there already counts
    const half = contextWith({ parts: { kit: { modules: 2, moduleGiB: gib / 4 } } });
    const parts = fitParts(machineOf(), half.catalogue);
    expect(shortfall(kit(gib / 4), asked, { ...nothing, parts })).toBeCloseTo(0, 9);
  });

  test('an asked figure that is not stated counts as a quarter of it: unknown never wins', () => {
    expect(shortfall(like('card', { memoryGiB: undefined }), asked, nothing)).toBeGreaterThanOrEqual(Math.log(4));
    expect(shortfall(like('card', { memoryGiB: undefined }), asked, nothing)).toBeGreaterThan(
      shortfall(like('card'), asked, nothing),
    );
  });

  test('a drive is measured by the roles that it would get', () => {
    const drive = like('ssd', { capacityGB: 120 });
    expect(shortfall(drive, asked, { ...nothing, roles: [] })).toBe(0);
    // 240 GB for a system: half of it lacks ln 2
    expect(shortfall(drive, asked, { ...nothing, roles: ['system'] })).toBeCloseTo(Math.LN2, 9);
    expect(shortfall(like('disk'), asked, { ...nothing, roles: ['system'] })).toBeCloseTo(Math.log(4), 9);
  });

  test('a supply carries what the targets will need, also while the card is still to come', () => {
    const machine = machineOf({ items: (items) => items.filter(({ id }) => id !== 'card-1') });
    const without = { ...nothing, parts: fitParts(machine, context.catalogue) };
    const withCard = { ...nothing, parts: fitParts(machineOf(), context.catalogue) };
    const small = like('psu', { ratedW: 200 });
    expect(asked.kinds.graphics).toBeDefined();
    expect(shortfall(small, asked, without)).toBeCloseTo(shortfall(small, asked, withCard), 9);
    expect(shortfall(like('psu', { ratedW: 1200 }), asked, without)).toBe(0);
  });

  test('harder work asks for more, never for less', () => {
    const harder = askedOf(
      briefOf({ brief: { tasks: [{ ...PLAY, correctionSteps: 60 }, EXPORT], sittings: [] } }),
      context,
    );
    for (const [resource, rate] of asked.rates)
      if (resource.startsWith('gpu.')) expect(harder.rates.get(resource) ?? 0).toBeGreaterThanOrEqual(rate);
  });

  test('the least card that does it is the cheapest of those that lack least, and can be bought', () => {
    const more = (id: string, patch: Record<string, unknown>) => ({
      ...PARTS.find((part) => part['id'] === 'card'),
      id,
      name: id,
      ...patch,
    });
    const shop = contextWith({
      addParts: [
        more('grand', { fp32Tflops: 80, memoryGiB: 48, memoryGBs: 2000 }),
        more('free', { fp32Tflops: 80, memoryGiB: 48, memoryGBs: 2000 }),
        more('weak', { fp32Tflops: 0.01, memoryGiB: 1, memoryGBs: 5 }),
      ],
      offers: (offers) =>
        offers
          .filter(({ part }) => part !== 'free')
          .map((offer) => ({
            ...offer,
            priceMinor: offer.part === 'grand' ? 90_000 : offer.part === 'weak' ? 10 : 20_000,
          })),
    });
    expect(askedOf(briefOf(), shop).likely('graphics')?.id).toBe('card');
  });
});
