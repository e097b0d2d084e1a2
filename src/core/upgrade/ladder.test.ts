import { describe, expect, test } from 'vitest';
import { contextOf, subjectOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { machineSchema, type Machine } from '../model/machine';
import { inPhase, phasesOf } from '../model/phases';
import { monthsAfter } from '../units/days';
import { rankIn } from '../search/exact/rank';
import { rolling, smallMarket } from '../tests/smallMarkets';
import { TODAY } from '../tests/shops';
import { assessed, briefOf, dataOf, machineOf, PARTS, swapped } from '../tests/world';
import { ladderOf, phasedBy, type Ladder } from './ladder';

/** Ways of taking a list apart into steps, in every order. */
function waysOf(left: readonly number[]): number[][][] {
  if (left.length === 0) return [[]];
  const ways: number[][][] = [];
  for (let taken = 1; taken < 2 ** left.length; taken++) {
    const step = left.filter((_entry, i) => (taken >> i) & 1);
    const rest = left.filter((_entry, i) => !((taken >> i) & 1));
    for (const way of waysOf(rest)) ways.push([step, ...way]);
  }
  return ways;
}
/** What an order is worth: how the work stands while the next step is saved for. */
const worthOf = ({ steps }: Ladder): number =>
  steps.reduce((sum, { before, costMinor }) => sum + Math.log(Math.max(1, before.percent)) * costMinor, 0);

describe('what first', () => {
  test('no order of up to five purchases is worth more, and none goes through a machine that is blocked', () => {
    const seen = { ladders: 0, several: 0, joined: 0 };
    for (let seed = 1; seed <= 60 && seen.ladders < 25; seed++) {
      const { brief, context } = smallMarket(seed);
      const { pick } = rolling(seed * 13);
      const subject = subjectOf(brief, context);
      const any = (kind: 'processor' | 'memory' | 'graphics' | 'drive' | 'supply' | 'case' | 'board' | 'cooler') => {
        const parts: readonly { readonly id: string }[] = context.catalogue.ofKind(kind);
        return parts.length > 0 ? [{ id: `${kind}-1`, part: pick(parts).id }] : [];
      };
      const make = (board: readonly { id: string; part: string }[], owned: boolean): Machine =>
        machineOf({
          items: () =>
            [
              ...board,
              ...(['processor', 'memory', 'graphics', 'drive', 'supply', 'case', 'cooler'] as const).flatMap(any),
            ].map((item) => ({
              ...item,
              ...(item.id === 'drive-1' ? { roles: ['system', 'active', 'scratch'] } : {}),
              ...(owned ? { owned: true } : {}),
            })),
        });
      // of one board the core comes apart; every fourth has another
      const board = any('board');
      const present = subject.assess(make(board, true));
      const draft = subject.assess(make(seed % 4 === 0 ? any('board') : board, false));
      let judged: { machine: Machine; blocks: Set<string> }[] = [];
      const judge = (machine: Machine) => {
        const assessment = subject.assess(machine);
        const keys = assessment.findings.flatMap(({ level, key }) => (level === 'blocks' ? [key] : []));
        judged.push({ machine, blocks: new Set(keys) });
        return assessment;
      };
      const ladder = ladderOf(present, draft, judge);
      const count = Math.log2(ladder.judged);
      if (count < 2 || count > 5) continue;
      seen.ladders++;
      if (ladder.steps.length > 2) seen.several++;
      if (ladder.steps.length < count) seen.joined++;
      // every machine on the way, by what of it is bought: bit by bit as the ladder judged them
      const states = judged;
      judged = [];
      const allowed = new Set(
        [...present.findings, ...draft.findings].flatMap(({ level, key }) => (level === 'blocks' ? [key] : [])),
      );
      const all = 2 ** count - 1;
      const sound = (at: number): boolean =>
        at === all || [...(states[at]?.blocks ?? [])].every((key) => allowed.has(key));
      const level = (at: number): number =>
        Math.log(Math.max(1, rankIn(subject.assess(states[at]?.machine ?? machineOf()), 'likely').percent));
      const priceOf = (machine: Machine | undefined): number =>
        (machine?.items ?? []).reduce((sum, item) => {
          const entry = draft.facts.price.items.find(({ part }) => part === item.part);
          return sum + (item.owned === true ? 0 : (entry?.landed?.landedMinor ?? 0));
        }, 0);
      const costs = Array.from(
        { length: count },
        (_, i) => priceOf(states[2 ** i]?.machine) - priceOf(states[0]?.machine),
      );
      const levels = Array.from({ length: all + 1 }, (_, at) => level(at));
      let most = -Infinity;
      for (const way of waysOf(costs.map((_cost, i) => i))) {
        let [at, worth, stands] = [0, 0, true];
        for (const step of way) {
          worth += (levels[at] ?? 0) * step.reduce((sum, i) => sum + (costs[i] ?? 0), 0);
          at += step.reduce((sum, i) => sum + 2 ** i, 0);
          stands &&= sound(at);
        }
        if (stands) most = Math.max(most, worth);
      }
      expect(worthOf(ladder), `seed ${seed}`).toBeCloseTo(most, 4);
      expect(
        ladder.steps.reduce((sum, { costMinor }) => sum + costMinor, 0),
        `seed ${seed}`,
      ).toBeCloseTo(
        costs.reduce((sum, cost) => sum + cost, 0),
        6,
      );
    }
    expect(seen.ladders).toBeGreaterThan(10);
    expect(seen.several).toBeGreaterThan(3);
  });

  test('another board takes processor and memory with it; what is the same is not bought', () => {
    const twin = (id: string) => ({ ...PARTS.find((part) => part['id'] === id), id: `${id}-b`, name: `${id} b` });
    const addParts = [twin('board'), twin('cpu'), twin('psu')];
    const subject = subjectOf(briefOf(), contextOf(compileCatalogue(dataOf({ addParts })), TODAY));
    const present = subject.assess(machineOf({ items: (items) => items.map((item) => ({ ...item, owned: true })) }));
    const bought = (...swaps: (readonly [item: string, part: string])[]) => {
      const items = (list: Record<string, unknown>[]) =>
        swaps.reduce((all, [item, part]) => swapped(item, part)(all), list);
      const { steps } = ladderOf(present, subject.assess(machineOf({ items })), (machine) => subject.assess(machine));
      return steps.map((step) => step.bought.map(({ part }) => part));
    };
    expect(bought(['board-1', 'board-b'], ['cpu-1', 'cpu-b'])).toEqual([['cpu-b', 'board-b']]);
    expect(bought(['cpu-1', 'cpu-b'], ['psu-1', 'psu-b']).flat().sort()).toEqual(['cpu-b', 'psu-b']);
    expect(bought(['cpu-1', 'cpu-b'], ['psu-1', 'psu-b'])).toHaveLength(2);
  });

  test('two equal machines leave nothing to buy', () => {
    const present = assessed({ items: (items) => items.map((item) => ({ ...item, owned: true })) });
    expect(ladderOf(present, assessed(), () => present)).toEqual({ steps: [], open: false, judged: 1 });
  });
});

describe('the purchases as a plan', () => {
  const [cores] = PARTS[0]?.['coreGroups'] as Record<string, unknown>[];
  const data = dataOf({
    addParts: [{ ...PARTS[0], id: 'cpu-16', name: 'Test 16', coreGroups: [{ ...cores, count: 16 }] }],
  });
  const context = contextOf(compileCatalogue(data), TODAY);
  const subject = subjectOf(briefOf(), context);
  const present: Machine = {
    ...machineOf({
      items: (items) => items.filter(({ id }) => id !== 'disk-1').map((item) => ({ ...item, owned: true })),
    }),
    id: 'present',
    present: true,
  };
  const draft = { ...machineOf({ items: swapped('cpu-1', 'cpu-16') }), id: 'draft' };
  const ladder = ladderOf(subject.assess(present), subject.assess(draft), subject.assess);

  test('is a machine of as many phases, the last with the parts of the draft, and each with those of its step', () => {
    expect(ladder.steps.length).toBeGreaterThan(1);
    const planned = machineSchema.parse(phasedBy(present, draft, ladder, TODAY, ({ costMinor }) => `${costMinor}`));
    expect(phasesOf(planned)).toHaveLength(ladder.steps.length);
    expect(planned.phases?.map(({ on }) => on)).toEqual(
      ladder.steps.slice(1).map((_, i) => monthsAfter(TODAY, 6 * (i + 1))),
    );
    const parts = ({ items }: Pick<Machine, 'items'>) => items.map(({ part }) => part as string).sort();
    let there = parts(present);
    ladder.steps.forEach(({ bought, leaving }, at) => {
      for (const { part } of leaving) there.splice(there.indexOf(part), 1);
      there = [...there, ...bought.map(({ part }) => part as string)].sort();
      const view = inPhase(planned, phasesOf(planned)[at] ?? '');
      expect(parts(view)).toEqual(there);
      // only what the step buys is paid in it
      expect(parts({ items: view.items.filter(({ owned }) => owned !== true) })).toEqual(parts({ items: [...bought] }));
    });
    expect(there).toEqual(parts(draft));
  });
});
