import { expect, test } from 'vitest';
import type { Context } from '../../assess';
import { finish } from '../../assess/trials';
import { rolling, smallMarket } from '../../tests/smallMarkets';
import { partCase, type PartCase } from './partCase';
import { workOf, type Question } from './question';
import { tryAll } from './tryAll';

/** Markets, and how many machines one may have to be tried plainly at each price. */
const SEEDS = 60;
const MOST = process.env['VANE_ALL'] === '1' ? 800 : 160;
const PARTS = 3;

const withPrice = (context: Context, part: string, priceMinor: number): Context => ({
  ...context,
  catalogue: {
    ...context.catalogue,
    offers: (id, region) =>
      context.catalogue.offers(id, region).map((offer) => (id === part ? { ...offer, priceMinor } : offer)),
  },
});

/** The least that every machine tried costs, with a part and without it. */
function plainly(question: Question, part: string, context: Context) {
  const { found } = tryAll(question, context, MOST);
  const has = ({ machine }: (typeof found)[number]) => machine.items.some((item) => item.part === part);
  return { having: found.find(has)?.priceMinor, lacking: found.find((one) => !has(one))?.priceMinor };
}

test('the case of a part equals every machine tried; its break-even price is one: a unit more is too much', () => {
  const seen = { cases: 0, evens: 0, belongs: 0, never: 0 };
  for (let seed = 1; seed <= SEEDS; seed++) {
    const { brief, context } = smallMarket(seed);
    const question = workOf(brief, context);
    const { pick } = rolling(seed * 7);
    const kinds = ['processor', 'graphics', 'board', 'memory', 'cooler', 'case', 'supply', 'drive'] as const;
    for (let i = 0; i < PARTS; i++) {
      const parts: readonly { readonly id: string }[] = context.catalogue.ofKind(pick([...kinds]));
      if (parts.length === 0) continue;
      const part = pick([...parts]);
      let plain;
      try {
        plain = plainly(question, part.id, context);
      } catch {
        continue;
      }
      // where nothing does the work at all there is no case
      if (plain.having === undefined && plain.lacking === undefined) continue;
      seen.cases++;
      const said = finish<PartCase>(partCase(question, part.id, context));
      const name = `seed ${seed}, ${part.id}`;
      expect({ having: said.having?.priceMinor, lacking: said.lacking?.priceMinor }, name).toEqual(plain);
      const { breakEvenMinor: even } = said;
      if (even === undefined) {
        seen.never++;
        // without it nothing does the work, or with it nothing as cheap even for next to nothing
        if (plain.lacking !== undefined)
          expect(plainly(question, part.id, withPrice(context, part.id, 1)).having ?? Infinity, name).toBeGreaterThan(
            plain.lacking,
          );
        continue;
      }
      seen.evens++;
      if ((plain.having ?? Infinity) <= (plain.lacking ?? 0)) seen.belongs++;
      const costsAt = (minor: number) =>
        plainly(question, part.id, withPrice(context, part.id, minor)).having ?? Infinity;
      expect(costsAt(even), name).toBeLessThanOrEqual(plain.lacking ?? 0);
      expect(costsAt(even + 1), name).toBeGreaterThan(plain.lacking ?? 0);
    }
  }
  expect(seen.cases).toBeGreaterThan(12);
  expect(seen.evens).toBeGreaterThan(5);
  expect(seen.belongs).toBeGreaterThan(1);
  expect(seen.never).toBeGreaterThan(1);
});
