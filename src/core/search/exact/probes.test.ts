import { expect, test } from 'vitest';
import { assess } from '../../assess';
import { draftFrom } from '../../tests/smallDrafts';
import { seedsTo } from '../../tests/seeds';
import { smallMarket, streamMarket } from '../../tests/smallMarkets';
import { judge, meets } from './judge';
import { staying } from './near';
import type { Option } from './option';
import { DRIVE_RULES, TOLD_OF_DEMANDS } from './probes';
import { workOf } from './question';
import { searchable, type Searchable } from './searchable';
import { machineOf } from './space';
import { everyChoice } from './tryAll';

const SEEDS = seedsTo(60);
/** A market in which a warm case made an export so slow that a drive's unknown endurance no longer mattered. */
const ONCE_WRONG = [387];
const MOST = 130;

/** What refuses a choice: probes by their rules, stages by their positions. */
const refusedBy = ({ probes, stages, progressOf, question }: Searchable, options: readonly Option[]): string[] => {
  const own = (of: readonly number[]): Option[] => of.map((at) => options[at] as Option);
  return [
    ...probes.flatMap(({ of, holds, rules }) => (holds(own(of)) ? [] : [rules.join() || `asked of ${of.join()}`])),
    ...stages.flatMap((stage) => {
      const whole = own(stage.of);
      // drives of some roles are asked by themselves first
      const parts = stage.partly
        ? whole.flatMap(({ groups = [] }, at) =>
            groups.map((group) => whole.map((each, i) => (i === at ? group : each))),
          )
        : [];
      return [...parts, whole].every((list) => meets(progressOf(stage, list), question))
        ? []
        : [`work of ${stage.of.join()}`];
    }),
  ];
};

test('what drives do for their roles hangs on no demand: questions with other demands share it', () =>
  expect(DRIVE_RULES.flat().filter((rule) => TOLD_OF_DEMANDS.has(rule))).toEqual([]));

test('nothing that is asked of a part of a machine refuses one that does the work, bought whole or around what is there', () => {
  let [machines, asked] = [0, 0];
  for (const seed of [...Array.from({ length: SEEDS }, (_, i) => i + 1), ...ONCE_WRONG])
    for (const market of [smallMarket, streamMarket]) {
      const { brief, context } = market(seed);
      const question = workOf(brief, context);
      const draft = draftFrom(question, context, seed);
      for (const each of [question, { ...question, from: draft, keep: staying(question, draft) }]) {
        const open = searchable(each, context);
        const { space } = open;
        try {
          for (const options of everyChoice(space, MOST)) {
            const machine = machineOf(space, each, options);
            if (judge(assess(machine, brief, context), each).kind !== 'found') continue;
            machines++;
            asked += open.probes.length + open.stages.length;
            expect(refusedBy(open, options), `seed ${seed} ${machine.items.map(({ part }) => part).join(' ')}`).toEqual(
              [],
            );
          }
        } catch (error) {
          if (!(error instanceof RangeError)) throw error;
        }
      }
    }
  expect(machines).toBeGreaterThan(100);
  expect(asked).toBeGreaterThan(3000);
});
