import { describe, expect, test } from 'vitest';
import { assess, contextOf, freshSubject } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { ruleOf } from '@/core/rules';
import { refused } from '@/core/search/exact/judge';
import { searchFor } from '@/core/search/exact/goals';
import type { Option } from '@/core/search/exact/option';
import type { Progress } from '@/core/search/exact/atBest';
import { drivesHold } from '@/core/search/exact/probes';
import { plainQuestion, workOf, type Question } from '@/core/search/exact/question';
import type { Reading } from '@/core/search/exact/readings';
import { drivesAlone } from '@/core/search/exact/stages';
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

let drivesRefused = 0;
const DRIVE_RULES: readonly string[] = ['drive-space', 'copies', 'drive-endurance', 'task-figures'];

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
  const drives = positions.findIndex(({ name }) => name === 'drives');
  const groupsOf = (options: readonly Option[]): readonly Option[] => {
    const set = options[drives];
    return set ? (set.groups ?? [set]) : [];
  };
  const rolesOf = ({ items }: Option): string => [...new Set(items.flatMap(({ roles = [] }) => roles))].join();

  test.each(['likely', 'low'] as const)('no bound on what a task can do is below what it does, %s', (at) => {
    const question: Question = { ...plainQuestion(brief), at };
    const { stages } = searchable(question, context);
    const alone = drivesAlone(question, context);
    const wrong: string[] = [];
    let whole = 0;
    let groups = 0;
    for (const options of machines) {
      const { tasks, findings } = assess({ id: 'found', name: 'Found', items: [...itemsOf(options)] }, brief, context);
      // a task that does not run and a card that finds no slot leave the others more; such machines are refused anyway
      const short = tasks.some(({ impossible }) => impossible.length > 0);
      if (short || findings.some(({ rule, level }) => rule === 'device-place' && level === 'blocks')) continue;
      whole++;
      const holds = (by: string, bounds: Progress): void => {
        for (const result of tasks) {
          const made = progressAt(result, at);
          const bound = bounds.get(result.task) ?? Infinity;
          if (made > bound * (1 + 1e-9)) wrong.push(`${result.task}: ${bound} by ${by}, does ${made}`);
        }
      };
      for (const stage of stages) {
        const by = stage.of.map((at) => positions[at]?.name).join('+');
        const own = stage.of.map((at) => options[at] as Option);
        holds(by, stage.progress(own));
        if (stage.closely) holds(`${by} closely`, stage.closely(own));
        // drives of one group of roles, those of the others still to come
        if (stage.partly)
          for (const group of options[drives]?.groups ?? [])
            holds(
              `${by} of ${rolesOf(group)}`,
              stage.progress(stage.of.map((at, i) => (at === drives ? group : (own[i] as Option)))),
            );
      }
      for (const group of groupsOf(options)) {
        holds(`drives of ${rolesOf(group)} alone`, alone(group));
        groups++;
      }
    }
    expect([...new Set(wrong)]).toEqual([]);
    expect(whole).toBeGreaterThan(0);
    expect(groups).toBeGreaterThan(0);
  });

  test('drives that do not do for their own roles do not in a machine either', () => {
    const does = drivesHold(asked.question, context);
    const goods = context.catalogue.ofKind('drive');
    const wrong: string[] = [];
    for (const options of machines)
      for (const group of groupsOf(options)) {
        // any drive of the catalogue in its place, since those that do not do are not among the options
        const part = pick(goods);
        const items = group.items.map((item, i) => ({ ...item, id: `tried-${i}`, part: part.id }));
        const tried: Option = { ...group, items, parts: items.map(() => part) };
        if (does.space(tried) && does.use(tried)) continue;
        drivesRefused++;
        const mine = new Set(items.flatMap(({ roles = [] }) => roles));
        const others = itemsOf(options).filter(({ roles = [] }) => !roles.some((role) => mine.has(role)));
        const { findings, tasks } = assess(
          { id: 'found', name: 'Found', items: [...others, ...items] },
          brief,
          context,
        );
        // a task that does not run writes nothing; such machines are refused anyway
        if (tasks.some(({ impossible }) => impossible.length > 0)) continue;
        const said = findings.some((finding) => DRIVE_RULES.includes(finding.rule) && refused(finding, asked.question));
        if (!said) wrong.push(`${part.id} for ${rolesOf(group)}`);
      }
    expect([...new Set(wrong)]).toEqual([]);
  });

  test('options that are alike in what is read of them are answered alike', () => {
    const { choices } = positions[drives] ?? {};
    const sets: Option[] = [];
    for (let option = choices?.at(0); option && sets.length < 120; option = choices?.at(sets.length)) sets.push(option);
    const wrong: string[] = [];
    let twins = 0;
    /** Whether a reading tells apart all that differs in any figure, so that there is nothing to hold it to. */
    const seesAll = (reads: Reading): boolean =>
      new Set(sets.map(reads)).size >= new Set(sets.map(({ figuresId }) => figuresId)).size;
    for (const options of machines.slice(0, 2)) {
      const put = (of: readonly number[], set: Option) =>
        of.map((at) => (at === drives ? set : (options[at] as Option)));
      for (const { of, reads, rules, holds } of asked.probes) {
        if (!of.includes(drives) || seesAll(reads)) continue;
        const answers = new Map<string | number, boolean>();
        for (const set of sets) {
          const known = answers.get(reads(set));
          // asked of the set itself: what is remembered of one like it would be no test
          const answer = !freshAnswers(rules, put(of, set));
          if (known === undefined) answers.set(reads(set), answer);
          else if (known === answer) twins++;
          else wrong.push(rules.join());
          expect(holds(put(of, set))).toBe(answer);
        }
      }
      for (const { of, reads, progress } of asked.stages) {
        if (!of.includes(drives) || seesAll(reads)) continue;
        const answers = new Map<string | number, string>();
        for (const set of sets.slice(0, 80)) {
          const known = answers.get(reads(set));
          const answer = JSON.stringify([...progress(put(of, set))]);
          if (known === undefined) answers.set(reads(set), answer);
          else if (known === answer) twins++;
          else wrong.push(of.map((at) => positions[at]?.name).join('+'));
        }
      }
    }
    expect([...new Set(wrong)]).toEqual([]);
    if (sets.length > 50) expect(twins).toBeGreaterThan(0);
  });

  /** Whether rules block the parts that options are of, without anything else and without anything remembered. */
  function freshAnswers(rules: readonly string[], options: readonly Option[]): boolean {
    const machine = { id: 'found', name: 'Found', items: itemsOf(options) };
    const findings = freshSubject(brief, context).findingsBy(
      rules.map((rule) => ruleOf({ rule })),
      machine,
    );
    return findings.some(({ level }) => level === 'blocks');
  }

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

test('of some seat drives were refused', () => {
  expect(drivesRefused).toBeGreaterThan(0);
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
