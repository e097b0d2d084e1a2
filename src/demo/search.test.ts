import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { refused } from '@/core/search/exact/judge';
import { searchFor } from '@/core/search/exact/goals';
import type { Option } from '@/core/search/exact/option';
import { plainQuestion, workOf } from '@/core/search/exact/question';
import { progressAt } from '@/core/search/exact/rank';
import { searchable } from '@/core/search/exact/searchable';
import { rolling } from '@/core/tests/smallMarkets';
import { demoCatalogue } from './catalogue';
import { demoSeats } from './ninefathom';
import { DEMO_TODAY } from './seed';

const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), DEMO_TODAY);
const seats = demoSeats();

/** Machines of a seat's space at random, each option among the first so many. */
const AMONG = 60;
const MACHINES = 30;

describe.each(seats)('the search of $seatId', ({ brief }) => {
  const asked = searchable(plainQuestion(brief), context);
  const { positions } = asked.space;
  const { pick } = rolling(brief.tasks.length * 31 + brief.name.length);
  const machines = Array.from({ length: MACHINES }, (): Option[] =>
    positions.flatMap(({ choices }) => {
      const options: Option[] = [];
      for (let option = choices.at(0); option && options.length < AMONG; option = choices.at(options.length))
        options.push(option);
      return options.length > 0 ? [pick(options)] : [];
    }),
  );
  const itemsOf = (options: readonly Option[]) => options.flatMap(({ items }) => items);

  test.each(['likely', 'low'] as const)('no bound on what a task can do is below what it does, %s', (at) => {
    const { stages } = searchable({ ...plainQuestion(brief), at }, context);
    const wrong: string[] = [];
    let whole = 0;
    for (const options of machines) {
      const { tasks, findings } = assess({ id: 'found', name: 'Found', items: [...itemsOf(options)] }, brief, context);
      // a task that does not run and a card that finds no slot leave the others more; such machines are refused anyway
      const short = tasks.some(({ impossible }) => impossible.length > 0);
      if (short || findings.some(({ rule, level }) => rule === 'device-place' && level === 'blocks')) continue;
      whole++;
      for (const stage of stages) {
        const bounds = stage.progress(stage.of.map((at) => options[at] as Option));
        for (const result of tasks) {
          const made = progressAt(result, at);
          const bound = bounds.get(result.task) ?? Infinity;
          if (made > bound * (1 + 1e-9))
            wrong.push(
              `${result.task}: ${bound} by ${stage.of.map((at) => positions[at]?.name).join('+')}, does ${made}`,
            );
        }
      }
    }
    expect([...new Set(wrong)]).toEqual([]);
    expect(whole).toBeGreaterThan(0);
  });

  test('what is refused early, the same rules refuse of the whole machine', () => {
    const wrong: string[] = [];
    let refusals = 0;
    for (const options of machines) {
      const { findings } = assess({ id: 'found', name: 'Found', items: [...itemsOf(options)] }, brief, context);
      const by = new Set(findings.filter((finding) => refused(finding, asked.question)).map(({ rule }) => rule));
      for (const probe of asked.probes) {
        if (probe.holds(probe.of.map((at) => options[at] as Option))) continue;
        refusals++;
        if (!probe.rules.some((rule) => by.has(rule))) wrong.push(probe.rules.join());
      }
    }
    expect(refusals).toBeGreaterThan(0);
    expect([...new Set(wrong)]).toEqual([]);
  });
});

test('the office gets a machine that does all its work for less than its own draft', () => {
  const seat = seats.find(({ seatId }) => seatId === 'office');
  if (!seat) return expect(seat).toBeDefined();
  const [best] = finish(searchFor(searchable(workOf(seat.brief, context), context), 'cheapest')).found;
  expect(best).toBeDefined();
  if (!best) return;
  const after = assess(best.machine, seat.brief, context);
  expect(after.findings.filter(({ level }) => ['blocks', 'stops', 'short', 'unproven'].includes(level))).toEqual([]);
  expect(after.facts.spent().total.landedMinor).toBe(best.priceMinor);
  const [draft] = seat.drafts;
  if (draft) expect(best.priceMinor).toBeLessThan(assess(draft, seat.brief, context).facts.spent().total.landedMinor);
});
