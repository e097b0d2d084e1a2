import { expect, test } from 'vitest';
import { plainly } from '../../assess';
import { draftFrom } from '../../tests/smallDrafts';
import { seedsTo } from '../../tests/seeds';
import { sharingMarket, smallMarket, streamMarket } from '../../tests/smallMarkets';
import { judge, meets, refused } from './judge';
import { staying } from './near';
import type { Option } from './option';
import { DRIVE_RULES, TOLD_OF_DEMANDS } from './probes';
import { workOf } from './question';
import { ENOUGH, madeIn } from './rank';
import { searchable, type Searchable } from './searchable';
import { machineOf } from './space';
import type { Stage } from './stages';
import { everyChoice } from './tryAll';

const SEEDS = seedsTo(60);
/** A market in which a warm case made an export so slow that a drive's unknown endurance no longer mattered. */
const ONCE_WRONG = [387];
const MOST = 130;

const own = (of: readonly number[], options: readonly Option[]): Option[] => of.map((at) => options[at] as Option);

/** What a stage is asked of a choice: drives of some roles by themselves first. */
function listsOf({ of, partly }: Stage, options: readonly Option[]): readonly (readonly Option[])[] {
  const whole = own(of, options);
  const parts = partly
    ? whole.flatMap(({ groups = [] }, at) => groups.map((group) => whole.map((each, i) => (i === at ? group : each))))
    : [];
  return [...parts, whole];
}

/** What refuses a choice that makes so much of its work: probes by their rules, bounds that are less by their positions. */
const refusedBy = (
  { probes, stages, progressOf, question }: Searchable,
  options: readonly Option[],
  made: ReadonlyMap<string, number>,
): string[] => [
  ...probes.flatMap(({ of, holds, rules }) =>
    holds(own(of, options)) ? [] : [rules.join() || `asked of ${of.join()}`],
  ),
  ...stages.flatMap((stage) =>
    listsOf(stage, options).flatMap((list) => {
      const bounds = progressOf(stage, list);
      const below = [...bounds, ...progressOf(stage, list, true)].filter(
        ([task, most]) => most * (1 + 1e-9) < Math.min(made.get(task) ?? 0, ENOUGH),
      );
      return [
        ...(meets(bounds, question) ? [] : [`work of ${stage.of.join()}`]),
        ...below.map(([task, most]) => `${task} of ${stage.of.join()}: ${most} below ${made.get(task)}`),
      ];
    }),
  ),
];

test('what drives do for their roles hangs on no demand: questions with other demands share it', () =>
  expect(
    Object.values(DRIVE_RULES)
      .flat()
      .filter((rule) => TOLD_OF_DEMANDS.has(rule)),
  ).toEqual([]));

test('nothing that is asked of a part of a machine refuses one that does the work or says that it does less, bought whole or around what is there', () => {
  let [machines, asked] = [0, 0];
  for (const seed of [...Array.from({ length: SEEDS }, (_, i) => i + 1), ...ONCE_WRONG])
    for (const market of [smallMarket, streamMarket, sharingMarket]) {
      const { brief, context } = market(seed);
      const question = workOf(brief, context);
      const plain = plainly(brief, context);
      const draft = draftFrom(question, context, seed);
      for (const each of [question, { ...question, from: draft, keep: staying(question, draft) }]) {
        const open = searchable(each, context);
        const { space } = open;
        try {
          for (const options of everyChoice(space, MOST)) {
            const machine = machineOf(space, each, options);
            if (plain.screen(machine).some((finding) => refused(finding, each))) continue;
            const assessment = plain.assess(machine);
            if (judge(assessment, each).kind !== 'found') continue;
            const made = madeIn(assessment.facts.sittings, each.at);
            machines++;
            asked += open.probes.length + open.stages.length;
            const said = `seed ${seed} ${machine.items.map(({ part }) => part).join(' ')}`;
            expect(refusedBy(open, options, made), said).toEqual([]);
          }
        } catch (error) {
          if (!(error instanceof RangeError)) throw error;
        }
      }
    }
  expect(machines).toBeGreaterThan(100);
  expect(asked).toBeGreaterThan(3000);
});
