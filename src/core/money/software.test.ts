import { describe, expect, test } from 'vitest';
import { buyPolicy } from './policy';
import { usualSettings } from '../model/settings';
import { compileCatalogue } from '../model/catalogue';
import { fitParts } from '../model/fitted';
import { app } from '../tests/studio';
import { briefOf, dataOf, EXPORT, machineOf, plus, type Change } from '../tests/world';
import { softwareOf } from './software';

const licence = (id: string, terms: string | undefined) => ({
  kind: 'licence',
  id,
  maker: 'Reelwright',
  name: id,
  application: 'Reelwright',
  terms,
});
const PARTS = [
  licence('perpetual', 'transferable'),
  licence('a-year', 'yearly'),
  licence('by-use', 'metered'),
  licence('gratis', 'free'),
];
/** Landed prices here are 100 and 7.5 % of it; some parts cost something else. */
const costs = (parts: readonly Record<string, unknown>[], change: Change = {}, prices: Record<string, number> = {}) => {
  const data = dataOf({ ...change, addParts: parts, applications: [app()] });
  const offers = data.offers.map((offer) => ({ ...offer, priceMinor: prices[offer.part] ?? offer.priceMinor }));
  const catalogue = compileCatalogue({ ...data, offers });
  const brief = briefOf({
    brief: { tasks: [{ ...EXPORT, application: 'app' }], sittings: [], yearsOfService: 4, ...change.brief },
  });
  const region = catalogue.region('here');
  if (!region) throw new Error('no region');
  const policy = buyPolicy(brief, usualSettings, '2026-05-18');
  return softwareOf(brief, fitParts(machineOf(change), catalogue), { catalogue, region, policy });
};

describe('what software costs over the years', () => {
  test('a yearly seat of 107.50 costs 430 in four years, and four and a half are paid as five', () => {
    expect(costs([licence('a-year', 'yearly')])[0]).toMatchObject({
      onceMinor: 0,
      yearlyMinor: 107_50,
      totalMinor: 430_00,
    });
    expect(costs([licence('a-year', 'yearly')], { brief: { yearsOfService: 4.5 } })[0]?.totalMinor).toBe(537_50);
  });

  test('without one in the draft the cheapest over the years is told: perpetual at 300 against yearly at 100', () => {
    const both = [licence('perpetual', 'transferable'), licence('a-year', 'yearly')];
    expect(costs(both, {}, { perpetual: 300_00 })[0]).toMatchObject({
      part: 'perpetual',
      here: false,
      totalMinor: 322_50,
    });
    expect(costs(both, { brief: { yearsOfService: 2 } }, { perpetual: 300_00 })[0]).toMatchObject({
      part: 'a-year',
      totalMinor: 215_00,
    });
  });

  test('what is owned is not paid again, but a year’s seat is', () => {
    const owned = (part: string): Change => ({ items: plus({ id: 'licence-1', part, owned: true }) });
    expect(costs(PARTS, owned('perpetual'))[0]).toMatchObject({ here: true, owned: true, totalMinor: 0 });
    expect(costs(PARTS, owned('a-year'))[0]).toMatchObject({ totalMinor: 430_00 });
  });

  test('use that is metered has no total, free software costs nothing', () => {
    const with_ = (part: string): Change => ({ items: plus({ id: 'licence-1', part }) });
    expect(costs(PARTS, with_('by-use'))[0]).toMatchObject({ yearlyMinor: undefined, totalMinor: undefined });
    expect(costs(PARTS, with_('gratis'))[0]).toMatchObject({ totalMinor: 0 });
  });

  test('an application that nobody sells a licence for is left out', () => {
    expect(costs([])).toEqual([]);
  });
});
