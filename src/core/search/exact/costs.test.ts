import { describe, expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import { seedsTo } from '../../tests/seeds';
import { smallMarket } from '../../tests/smallMarkets';
import { costWords } from '../../words/found';
import { demandsOf, without } from './clash';
import { costsOf, tighter, type Costs } from './costs';
import { workOf, type Question } from './question';
import { tryAll } from './tryAll';

/** Markets, and how many machines one may have to be tried plainly, once for each demand. */
const SEEDS = seedsTo(60);
const MOST = process.env['VANE_ALL'] === '1' ? 400 : 200;

/** What every machine tried says, by demand. */
function plainly(question: Question, context: ReturnType<typeof smallMarket>['context']) {
  const least = (asked: Question) => tryAll(asked, context, MOST).found[0]?.priceMinor;
  return demandsOf(question, context.catalogue).map((demand) => {
    const harder = tighter(question, demand);
    return {
      demand: JSON.stringify(demand),
      withoutMinor: least(without(question, demand)),
      tighterMinor: harder && least(harder.question),
    };
  });
}

describe('what each demand costs', () => {
  test('equals every machine tried, on small markets; letting go is never dearer, a step tighter never cheaper', () => {
    let [held, priced, stepped] = [0, 0, 0];
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { brief, context } = smallMarket(seed);
      const question = workOf(brief, context);
      let plain;
      let cheapest;
      try {
        cheapest = tryAll(question, context, MOST).found[0]?.priceMinor;
        plain = plainly(question, context);
      } catch {
        continue;
      }
      const costs = finish<Costs>(costsOf(question, context));
      expect(costs.cheapest?.priceMinor, `seed ${seed}`).toBe(cheapest);
      if (cheapest === undefined) {
        expect(costs.demands).toEqual([]);
        continue;
      }
      held++;
      expect(
        costs.demands.map(({ demand, without: less, tighter: more }) => ({
          demand: JSON.stringify(demand),
          withoutMinor: less.priceMinor,
          tighterMinor: more?.found?.priceMinor,
        })),
        `seed ${seed}`,
      ).toEqual(plain);
      for (const { without: less, tighter: more } of costs.demands) {
        expect(less.priceMinor).toBeLessThanOrEqual(cheapest);
        if (less.priceMinor < cheapest) priced++;
        if (more?.found) expect(more.found.priceMinor).toBeGreaterThanOrEqual(cheapest);
        if (more) stepped++;
      }
    }
    // what is held equal was there: markets with machines, demands that cost, and steps
    expect(held).toBeGreaterThan(4);
    expect(priced).toBeGreaterThan(0);
    expect(stepped).toBeGreaterThan(0);
  });

  test('a step stays what it is: a target a tenth more, noise 3 dB(A) less, the next rate of a network', () => {
    const { brief, context } = smallMarket(1);
    const question: Question = {
      ...workOf({ ...brief, mustHaves: { noiseDbA: 40, networkGbitPerS: 2.5, volumeL: 30, wireless: true } }, context),
      mostFor: { memory: 10_001 },
    };
    const steps = demandsOf(question, context.catalogue).map((demand) => [
      demand.code === 'must-have' ? demand.what : demand.code,
      tighter(question, demand)?.step,
    ]);
    expect(steps).toContainEqual(['noiseDbA', { to: 37, unit: 'dB(A)' }]);
    expect(steps).toContainEqual(['networkGbitPerS', { to: 5, unit: 'Gb/s' }]);
    expect(steps).toContainEqual(['volumeL', { times: 0.9 }]);
    expect(steps).toContainEqual(['share', { times: 0.9 }]);
    expect(steps).toContainEqual(['wireless', undefined]);
    expect(steps.find(([code]) => code === 'target')).toEqual(['target', { times: 1.1 }]);
    const share = demandsOf(question, context.catalogue).find(({ code }) => code === 'share');
    expect(share && tighter(question, share)?.question.mostFor.memory).toBe(9000);
  });

  test('in words', () => {
    const machine = (priceMinor: number) => ({ priceMinor }) as Costs['demands'][number]['without'];
    const target = { code: 'target', task: 'cut' } as const;
    expect(costWords({ demand: { code: 'proof' }, without: machine(10_000) }, 10_000, 'USD')).toBe('costs nothing');
    expect(
      costWords(
        { demand: target, without: machine(8_000), tighter: { step: { times: 1.1 }, found: machine(12_550) } },
        10_000,
        'USD',
      ),
    ).toBe('costs 20.00 USD: without it there is a machine for 80.00 USD; 10 % more of it: +25.50');
    expect(
      costWords(
        {
          demand: { code: 'must-have', what: 'noiseDbA' },
          without: machine(10_000),
          tighter: { step: { to: 37, unit: 'dB(A)' }, found: undefined },
        },
        10_000,
        'USD',
      ),
    ).toBe('costs nothing; 37 dB(A): nothing that is sold does it');
  });
});
