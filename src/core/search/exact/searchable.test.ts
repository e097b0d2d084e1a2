import { expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import type { Machine } from '../../model/machine';
import { seedsTo } from '../../tests/seeds';
import { measuredMarket, sharingMarket, smallMarket, streamMarket } from '../../tests/smallMarkets';
import { searchFor } from './goals';
import { staying, type NearMachine } from './near';
import { plainQuestion, workOf, type Question } from './question';
import { readier, type Ready } from './searchable';
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
