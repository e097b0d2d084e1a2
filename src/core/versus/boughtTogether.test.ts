import { describe, expect, test } from 'vitest';
import { contextOf, subjectOf, type Assessment, type Context } from '../assess';
import type { Offer, Seller } from '../model/offers';
import { plainQuestion } from '../search/exact/question';
import { tryAll } from '../search/exact/tryAll';
import { flat, FREE, market, offer, shop, thing, TODAY } from '../tests/shops';
import { smallMarket } from '../tests/smallMarkets';
import { briefOf, machineOf } from '../tests/world';
import { boughtTogether } from './boughtTogether';

const PARTS = ['a', 'b'].map((id) => thing(id));
const inMarket = (sellers: readonly Seller[], offers: readonly Offer[]): Context =>
  contextOf(market(PARTS, sellers, offers, [FREE]), TODAY);
const withParts = (context: Context, parts: readonly string[], brief: Record<string, unknown> = {}): Assessment =>
  subjectOf(briefOf({ brief }), context).assess(
    machineOf({ items: () => parts.map((part, i) => ({ id: `item-${i}`, part })) }),
  );

describe('machines bought together', () => {
  test('pass a threshold that none of them reaches: 309 and 309 come to 600', () => {
    const context = inMarket([shop('one', { shipping: flat(9_00, 500_00) })], [offer('a', 'one', 300_00)]);
    const machine = withParts(context, ['a']);
    expect(boughtTogether([machine, machine])).toEqual({ apartMinor: 618_00, togetherMinor: 600_00, proven: true });
    expect(boughtTogether([machine])).toEqual({ apartMinor: 309_00, togetherMinor: 309_00, proven: true });
  });

  test('share each seller’s stock: the second piece comes from the dearer one', () => {
    const shops = [shop('one', { shipping: flat(0) }), shop('two', { shipping: flat(0) })];
    const offers = [offer('a', 'one', 300_00, { stock: 1 }), offer('a', 'two', 340_00)];
    const machine = withParts(inMarket(shops, offers), ['a']);
    expect(boughtTogether([machine, machine])).toMatchObject({ apartMinor: 600_00, togetherMinor: 640_00 });
    const only = withParts(inMarket(shops, offers.slice(0, 1)), ['a']);
    expect(boughtTogether([only, only])).toMatchObject({ apartMinor: 600_00, togetherMinor: undefined });
  });

  test('what has to be there on different days is bought on its own', () => {
    const context = inMarket([shop('one', { shipping: flat(9_00, 500_00) })], [offer('a', 'one', 300_00)]);
    const soon = withParts(context, ['a'], { neededBy: '2026-05-30' });
    expect(boughtTogether([soon, withParts(context, ['a'])])).toMatchObject({ togetherMinor: 618_00 });
    expect(boughtTogether([soon, soon])).toMatchObject({ togetherMinor: 600_00 });
  });

  test('what has no price has no sum', () => {
    const context = inMarket([shop('one', { shipping: flat(0) })], [offer('a', 'one', 300_00)]);
    expect(boughtTogether([withParts(context, ['a']), withParts(context, ['b'])])).toBeUndefined();
  });

  test('never cost more than apart where stock goes far enough', () => {
    let saved = 0;
    let compared = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const { brief, context: limited } = smallMarket(seed);
      const { catalogue } = limited;
      const plenty: Context = {
        ...limited,
        catalogue: {
          ...catalogue,
          offers: (id, region) => catalogue.offers(id, region).map(({ stock: _stock, ...rest }) => rest),
        },
      };
      let found;
      try {
        ({ found } = tryAll(plainQuestion(brief), plenty, 100));
      } catch {
        continue;
      }
      const subject = subjectOf(brief, plenty);
      const machines = found.slice(0, 3).map(({ machine }) => subject.assess(machine));
      const said = boughtTogether(machines);
      if (!said || machines.length < 2) continue;
      compared++;
      expect(said.togetherMinor ?? Infinity, `seed ${seed}`).toBeLessThanOrEqual(said.apartMinor);
      if ((said.togetherMinor ?? Infinity) < said.apartMinor) saved++;
    }
    expect(compared).toBeGreaterThan(2);
    expect(saved).toBeGreaterThan(0);
  });
});
