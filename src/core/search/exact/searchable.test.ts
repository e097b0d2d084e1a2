import { expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import type { Machine } from '../../model/machine';
import { seedsTo } from '../../tests/seeds';
import { measuredMarket, sharingMarket, smallMarket, streamMarket } from '../../tests/smallMarkets';
import { costsOf } from './costs';
import { searchFor } from './goals';
import { staying, type NearMachine } from './near';
import { plainQuestion, workOf, type Question } from './question';
import { readier, type Ready } from './searchable';
import { stabilityOf } from './stability';
import { stepsFrom } from './steps';

const SEEDS = seedsTo(8);
const MUCH = 1e9;

const told = (near: NearMachine | undefined) => near && `${near.found.priceMinor} ${JSON.stringify(near.found.rank)}`;

test('what was answered for a brief holds for drafts of it, however they are set and whatever else they have', () => {
  let [drafts, up, shared] = [0, 0, 0];
  for (let seed = 1; seed <= SEEDS; seed++)
    for (const market of [smallMarket, streamMarket, sharingMarket, measuredMarket]) {
      const { brief, context } = market(seed);
      const question = workOf(brief, context);
      const ready = readier(context);
      finish(searchFor(ready(question), 'cheapest'));
      // what does least of the work has most to gain
      const [least] = finish(searchFor(ready(plainQuestion(brief)), 'cheapest')).found;
      if (!least) continue;
      const others: readonly Partial<Machine>[] = [
        { memoryProfile: 'off' },
        { tuning: { clock: 0.8 } },
        { id: context.measured[0]?.machine.id ?? 'other' },
      ];
      const settings = [{}, others[seed % others.length] ?? {}];
      for (const set of settings) {
        const draft: Machine = { ...least.machine, ...set };
        const around = (by: Ready) => finish(stepsFrom(question, draft, context, by, MUCH));
        const [known, fresh] = [around(ready), around(readier(context))];
        drafts++;
        up += fresh.up.length;
        expect(known.up.map(told), `seed ${seed}`).toEqual(fresh.up.map(told));
        expect(known.savings.map(told), `seed ${seed}`).toEqual(fresh.savings.map(told));
        const asked: Question = { ...question, from: draft, keep: staying(question, draft) };
        const isShared = ready(asked).memory === ready(question).memory;
        if (isShared) shared++;
        const isSet = set.memoryProfile !== undefined || set.tuning !== undefined;
        const isMeasured = context.measured.some(({ machine }) => machine.id === draft.id);
        expect(isShared && (isSet || isMeasured)).toBe(false);
      }
    }
  expect(drafts).toBeGreaterThan(SEEDS * 2);
  expect(up).toBeGreaterThan(SEEDS);
  expect(shared).toBeGreaterThan(SEEDS / 2);
});

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
  for (let seed = 1; seed <= SEEDS / 2; seed++)
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
  expect(interrupted).toBeGreaterThan(SEEDS / 4);
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
