import { expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import { PART_KINDS } from '../../parts';
import { seedsTo } from '../../tests/seeds';
import { measuredMarket, rolling, sharingMarket, smallMarket, streamMarket } from '../../tests/smallMarkets';
import { demandsOf, without } from './clash';
import { costsOf, tighter } from './costs';
import { searchFor } from './goals';
import { partCase } from './partCase';
import { workOf, type Question } from './question';
import { repairOf } from './repair';
import { readier, type Ready } from './searchable';
import { stabilityOf } from './stability';
import { stepsFrom } from './steps';
import { twoMachines } from './twoMachines';

const SEEDS = seedsTo(3);
const MUCH = 1e9;

/** An answer as a text, of its machines what they cost and how they rank; what it took is not compared. */
const textOf = (answer: unknown): string =>
  JSON.stringify(answer, (key, value: unknown) =>
    key === 'effort'
      ? undefined
      : value !== null && typeof value === 'object' && 'machine' in value && 'rank' in value && 'priceMinor' in value
        ? [value.priceMinor, value.rank]
        : value,
  );

/** Takes so many steps; true as long as there are more. */
function goesOn(search: Generator, steps: number): boolean {
  for (let i = 0; i < steps; i++) if (search.next().done) return false;
  return true;
}

test('a search in the middle of which others are asked, begun and ended, ends as it does alone', () => {
  let interrupted = 0;
  for (let seed = 1; seed <= SEEDS; seed++)
    for (const market of [smallMarket, streamMarket, sharingMarket]) {
      const { brief, context } = market(seed);
      const question = workOf(brief, context);
      const asked = (ready: Ready) => ({
        points: searchFor(ready(question), 'frontier', MUCH),
        costs: costsOf(question, context, ready),
        sure: stabilityOf(question, context, ready),
      });
      const alone = [
        finish(asked(readier(context)).points),
        finish(asked(readier(context)).costs),
        finish(asked(readier(context)).sure),
      ];
      for (const [first, second] of [
        [3 * seed, 1],
        [40, 7 * seed],
      ] as const) {
        const { points, costs, sure } = asked(readier(context));
        if (goesOn(points, first) && goesOn(costs, second)) interrupted++;
        else continue;
        const last = finish(sure);
        const middle = finish(costs);
        expect([finish(points), middle, last].map(textOf), `${market.name} ${seed}`).toEqual(alone.map(textOf));
      }
    }
  expect(interrupted).toBeGreaterThan(SEEDS);
});

/** Questions of one sitting: what somebody asks after another, about the same work or nearly so. */
function askedInTurn(seed: number, { brief, context }: ReturnType<typeof smallMarket>) {
  const dice = rolling(seed);
  const work = workOf(brief, context);
  const [first] = finish(searchFor(readier(context)(work), 'cheapest')).found;
  const parts = first?.machine.items.map(({ part }) => part) ?? ['cpu-0'];
  const demands = demandsOf(work, context.catalogue);
  const sold = PART_KINDS.flatMap((kind) => context.catalogue.ofKind(kind).map(({ id }) => id));
  const narrower = (question: Question): Question => {
    const demand = dice.pick(demands);
    return dice.pick<() => Question>([
      () => question,
      () => ({ ...question, mostMinor: Math.round((first?.priceMinor ?? MUCH) * (0.9 + dice.next() / 2)) }),
      () => ({ ...question, mostFor: { [dice.pick(['processor', 'graphics', 'memory', 'storage'])]: 20_000 } }),
      () => ({ ...question, withoutParts: new Set([dice.pick(parts)]) }),
      () => ({ ...question, withPart: dice.pick(sold) }),
      () => ({ ...question, at: 'low' }),
      () => ({ ...question, rebates: true }),
      () => ({ ...question, lasting: true }),
      () => ({ ...question, unproven: 'allowed' }),
      () => without(question, demand),
      () => tighter(question, demand)?.question ?? question,
    ])();
  };
  return Array.from({ length: 7 }, (_, turn) => {
    const question = turn === 0 ? work : narrower(dice.chance(0.6) ? work : narrower(work));
    const part = dice.pick(sold);
    const what = dice.pick<(ready: Ready) => Generator>([
      (ready) => searchFor(ready(question), 'cheapest'),
      (ready) => searchFor(ready(question), 'best', (first?.priceMinor ?? 50_000) * 1.2),
      (ready) => costsOf(question, context, ready),
      (ready) => costsOf(question, context, ready),
      (ready) => partCase(question, part, context, ready),
      (ready) => stabilityOf(question, context, ready),
      ...(first
        ? [
            (ready: Ready) => stepsFrom(question, first.machine, context, ready, first.priceMinor * 1.3),
            (ready: Ready) => repairOf(question, first.machine, context, ready),
          ]
        : []),
      (ready) => twoMachines(question, context, ready),
    ]);
    return { question, what };
  });
}

test('whatever was asked before, an answer is the one to its question alone', () => {
  let asked = 0;
  for (let seed = 1; seed <= SEEDS; seed++)
    for (const market of [smallMarket, streamMarket, sharingMarket, measuredMarket]) {
      const made = market(seed);
      const ready = readier(made.context);
      for (const { question, what } of askedInTurn(seed, made)) {
        asked++;
        const [after, alone] = [finish(what(ready)), finish(what(readier(made.context)))];
        expect(textOf(after), `${market.name} ${seed}, ${JSON.stringify(question.mostFor)} ${what.toString()}`).toBe(
          textOf(alone),
        );
      }
    }
  expect(asked).toBe(SEEDS * 4 * 7);
});

test('what each demand costs is the same whether more was asked before or not', () => {
  let priced = 0;
  for (const seed of [1, 2, 3, 36, 38]) {
    const { brief, context } = sharingMarket(seed);
    const question = workOf(brief, context);
    const costs = (asked: Question, ready: Ready) => finish(costsOf(asked, context, ready));
    // each looks at the same whole space, in which drives were refused for the sake of one task
    for (const narrow of [
      { ...question, mostMinor: MUCH },
      { ...question, mostFor: { memory: MUCH } },
    ]) {
      const ready = readier(context);
      finish(searchFor(ready(question), 'cheapest'));
      const [after, alone] = [costs(narrow, ready), costs(narrow, readier(context))];
      expect(textOf(after), `seed ${seed}`).toBe(textOf(alone));
      const most = alone.cheapest?.priceMinor ?? 0;
      priced += alone.demands.filter(
        ({ demand, without }) => demand.code === 'target' && without.priceMinor < most,
      ).length;
    }
  }
  expect(priced).toBeGreaterThan(2);
});
