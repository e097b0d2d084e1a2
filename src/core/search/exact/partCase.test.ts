import { expect, test } from 'vitest';
import { subjectOf, type Context } from '../../assess';
import { finish } from '../../assess/trials';
import { seedsTo } from '../../tests/seeds';
import { rolling, smallMarket } from '../../tests/smallMarkets';
import { demandsOf, without } from './clash';
import type { FoundMachine } from './judge';
import { partCase, type Decided, type PartCase } from './partCase';
import { workOf, type Question } from './question';
import { tryAll } from './tryAll';

const EVERY = process.env['VANE_ALL'] === '1';
/** Markets, and how many machines one may have to be tried plainly at each price. */
const SEEDS = seedsTo(60);
const MOST = EVERY ? 800 : 160;
const MOST_DECIDED = 600;
const PARTS = 3;
/** Cases of which every demand is let go plainly. */
const TOLD = 4;

const withPrice = (context: Context, part: string, priceMinor: number): Context => ({
  ...context,
  catalogue: {
    ...context.catalogue,
    offers: (id, region) =>
      context.catalogue.offers(id, region).map((offer) => (id === part ? { ...offer, priceMinor } : offer)),
  },
});

/** The least that every machine tried costs, with a part and without it. */
function plainly(question: Question, part: string, context: Context, most = MOST) {
  const { found } = tryAll(question, context, most);
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
      expect(said.weighed, name).toBe(true);
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

/** The demands that decide a case, which are those that every machine tried shows. */
function decidedOf(question: Question, part: string, context: Context, name: string): Decided | undefined {
  const { outside, decided } = finish<PartCase>(partCase(question, part, context));
  const now = plainly(question, part, context, MOST_DECIDED);
  if (outside !== undefined || !decided) return undefined;
  const list = demandsOf(question, context.catalogue);
  const loose = (demands: readonly (typeof list)[number][]) =>
    plainly(demands.reduce(without, question), part, context, MOST_DECIDED);
  const { how, demands } = decided;
  if (how === 'each') {
    const belongs = ({ having = Infinity, lacking = Infinity }: typeof now) => having <= lacking;
    expect(demands, name).toEqual(list.filter((demand) => belongs(loose([demand])) !== belongs(now)));
    return decided;
  }
  if (demands.length === 0) return undefined;
  const side = now.having === undefined ? 'having' : 'lacking';
  expect(now[side], name).toBeUndefined();
  // with all others let go it is still so, with any one of these as well it is not
  const others = list.filter((demand) => !demands.some((one) => JSON.stringify(one) === JSON.stringify(demand)));
  expect(loose(others)[side], name).toBeUndefined();
  for (const demand of demands) expect(loose([...others, demand])[side], name).toBeDefined();
  return decided;
}

test('the demands that decide a case are those that turn it when they are let go, by every machine tried', () => {
  const seen = { turned: 0, undecided: 0, together: 0 };
  for (let seed = 1; seed <= SEEDS && (EVERY || seen.turned + seen.together < TOLD); seed++) {
    const { brief: easy, context } = smallMarket(seed);
    let machines;
    try {
      machines = tryAll(workOf(easy, context), context, MOST_DECIDED).found;
    } catch {
      continue;
    }
    const [least, ...others] = machines;
    if (!least || others.length === 0) continue;
    // what the cheapest machine just misses leads to another, for the sake of that target
    const results = subjectOf(easy, context).assess(least.machine).tasks;
    const tasks = easy.tasks.map((task) => {
      const seconds = results.find((result) => result.task === task.id)?.gets?.likely;
      return task.kind === 'edit-export' && seconds !== undefined
        ? { ...task, targetMin: (seconds * 0.97) / 60 }
        : task;
    });
    const question = workOf({ ...easy, tasks }, context);
    const [chosen] = tryAll(question, context, MOST_DECIDED).found;
    const partsOf = (machine: FoundMachine | undefined) => new Set(machine?.machine.items.map(({ part }) => part));
    const own = partsOf(least);
    const changed = [...partsOf(chosen)].filter((part) => !own.has(part));
    const left = [...own].filter((part) => !partsOf(chosen).has(part));
    for (const part of [...changed.slice(0, 2), ...left.slice(0, 1)]) {
      const decided = decidedOf(question, part, context, `seed ${seed}, ${part}`);
      if (!decided) continue;
      if (decided.how === 'together') seen.together++;
      else if (decided.demands.length > 0) seen.turned++;
      else seen.undecided++;
    }
  }
  expect(seen.turned).toBeGreaterThan(0);
  expect(seen.together).toBeGreaterThan(1);
});
