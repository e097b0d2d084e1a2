import { describe, expect, test } from 'vitest';
import { subjectOf } from '../../assess';
import { finish } from '../../assess/trials';
import type { Brief } from '../../model/brief';
import { seedsTo } from '../../tests/seeds';
import { smallMarket } from '../../tests/smallMarkets';
import { workOf } from './question';
import { tryAll } from './tryAll';
import { briefFor, MOST_SITTINGS, twoMachines, type TwoMachines } from './twoMachines';

const SEEDS = seedsTo(60);
const MOST = process.env['VANE_ALL'] === '1' ? 3000 : 400;

/** Every task in a sitting of its own, with so much time for an export that some machine does it. */
const apart = (brief: Brief): Brief => ({
  ...brief,
  tasks: brief.tasks.map((task) => (task.kind === 'edit-export' ? { ...task, targetMin: 600 } : task)),
  sittings: brief.tasks.map(({ id, name }) => ({ id: `for-${id}`, name, hoursPerWeek: 5, tasks: [id] })),
});

describe('one machine or two', () => {
  test('equals every machine tried for every way of sharing the sittings', () => {
    const seen = { briefs: 0, two: 0, never: 0, specialised: 0 };
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { brief: together, context } = smallMarket(seed);
      const brief = apart(together);
      const ids = brief.sittings.map(({ id }) => id);
      if (ids.length < 2) continue;
      const least = new Map<number, number>();
      try {
        for (let group = 1; group < 2 ** ids.length; group++) {
          const asked = briefFor(brief, new Set(ids.filter((_id, i) => (group >> i) & 1)));
          least.set(group, tryAll(workOf(asked, context), context, MOST).found[0]?.priceMinor ?? Infinity);
        }
      } catch {
        continue;
      }
      seen.briefs++;
      const all = 2 ** ids.length - 1;
      let cheapest = Infinity;
      for (let group = 1; group < all; group++)
        cheapest = Math.min(cheapest, (least.get(group) ?? Infinity) + (least.get(all - group) ?? Infinity));
      const said = finish<TwoMachines>(twoMachines(workOf(brief, context), context));
      const name = `seed ${seed}`;
      expect(said.one?.priceMinor ?? Infinity, name).toBe(least.get(all));
      expect(said.atLeastMinor, name).toBe(cheapest);
      if (!said.two) {
        seen.never++;
        expect(cheapest, name).toBe(Infinity);
        continue;
      }
      seen.two++;
      const [dearer, cheaper] = said.two;
      expect(dearer.found.priceMinor + cheaper.found.priceMinor, name).toBe(cheapest);
      expect(dearer.found.priceMinor, name).toBeGreaterThanOrEqual(cheaper.found.priceMinor);
      expect([...dearer.sittings, ...cheaper.sittings].sort(), name).toEqual([...ids].sort());
      for (const { found, sittings, cannot } of said.two) {
        const own = briefFor(brief, new Set(sittings)).tasks.map(({ id }) => id);
        for (const task of own) expect(cannot, name).not.toContain(task);
        if (cannot.length > 0) seen.specialised++;
        const by = new Map(
          subjectOf(brief, context)
            .assess(found.machine)
            .tasks.map((result) => [result.task, result]),
        );
        for (const task of cannot) expect(by.get(task)?.ratio?.likely ?? 0, name).toBeLessThan(1);
      }
    }
    expect(seen.briefs).toBeGreaterThan(3);
    expect(seen.two).toBeGreaterThan(1);
  });

  test('a brief for a sitting has its tasks, and those that are in none', () => {
    const { brief } = smallMarket(3);
    const [first] = brief.tasks;
    if (!first) throw new Error('the market has a task');
    const tasks = ['a', 'b', 'c'].map((id) => ({ ...first, id }));
    const sittings = [
      { id: 'one', name: 'One', hoursPerWeek: 1, tasks: ['a'] },
      { id: 'two', name: 'Two', hoursPerWeek: 1, tasks: ['a', 'b'] },
    ];
    const of = (id: string) => briefFor({ ...brief, tasks, sittings }, new Set([id]));
    expect(of('one').tasks.map(({ id }) => id)).toEqual(['a', 'c']);
    expect(of('two').tasks.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(of('two').sittings.map(({ id }) => id)).toEqual(['two']);
  });

  test('a single sitting is one machine’s; too many are refused in words', () => {
    const { brief, context } = smallMarket(18);
    const single = finish<TwoMachines>(twoMachines(workOf(brief, context), context));
    expect(single.two).toBeUndefined();
    const [sitting] = brief.sittings;
    if (!sitting) throw new Error('the market has a sitting');
    const many = Array.from({ length: MOST_SITTINGS + 1 }, (_, i) => ({ ...sitting, id: `s${i}`, hoursPerWeek: 1 }));
    expect(() => twoMachines(workOf({ ...brief, sittings: many }, context), context).next()).toThrow(
      '13 sittings are more than 12',
    );
  });
});
