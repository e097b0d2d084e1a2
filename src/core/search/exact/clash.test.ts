import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../../assess';
import { allParts, compileCatalogue, type Catalogue } from '../../model/catalogue';
import { usualSettings } from '../../model/settings';
import type { Part } from '../../parts';
import { TODAY } from '../../tests/shops';
import { finish } from '../../assess/trials';
import { peerMarket, type PeerMarket } from '../../tests/peer';
import { smallMarket, streamMarket } from '../../tests/smallMarkets';
import { clashWords, madeOf, rankWords, demandWords, relaxedWords } from '../../words/found';
import { clashOf, demandsOf, without, type Clash } from './clash';
import { searchFor } from './goals';
import type { FoundMachine } from './judge';
import { matchOf } from './match';
import { plainQuestion, workOf, type Question } from './question';
import { searchable } from './searchable';
import { tryAll } from './tryAll';

type Market = ReturnType<typeof smallMarket>;

const cheapest = (question: Question, { context }: Pick<Market, 'context'>): FoundMachine | undefined =>
  finish(searchFor(searchable(question, context), 'cheapest')).found[0];
const clash = (question: Question, { context }: Pick<Market, 'context'>): Clash => finish(clashOf(question, context));

/** A market's catalogue with only some of its parts. */
const withParts = (
  { context: { catalogue }, question }: Pick<PeerMarket, 'context' | 'question'>,
  wanted: (part: Part) => boolean,
): Catalogue => {
  const parts = allParts(catalogue).filter(wanted);
  return compileCatalogue({
    regions: [...catalogue.regions],
    sellers: [...catalogue.sellers],
    applications: [...catalogue.applications],
    rivals: [],
    parts,
    offers: parts.flatMap(({ id }) => [...catalogue.offers(id, question.brief.region)]),
  });
};

describe('why no machine is possible', () => {
  const market = peerMarket(60, 3);
  const sound = cheapest(market.question, market);

  test('a budget below the cheapest clashes alone, and says what the rest costs', () => {
    expect(sound).toBeDefined();
    if (!sound) return;
    const tight: Question = { ...market.question, mostMinor: sound.priceMinor - 1 };
    expect(cheapest(tight, market)).toBeUndefined();
    const { demands, proven } = clash(tight, market);
    expect(proven).toBe(true);
    expect(demands.map(({ demand }) => demand)).toEqual([{ code: 'budget' }]);
    expect(demands[0]?.found?.priceMinor).toBe(sound.priceMinor);
    const [only] = demands;
    expect(only && relaxedWords(only, 'USD')).toContain('a machine that meets the rest costs');
  });

  test('a must-have that nothing on sale has is named, and without it there is a machine', () => {
    const asks: Question = {
      ...market.question,
      brief: { ...market.question.brief, mustHaves: { volumeL: 0.5, wireless: false } },
    };
    const { demands } = clash(asks, market);
    expect(demands.map(({ demand }) => demand)).toEqual([{ code: 'must-have', what: 'volumeL' }]);
    expect(demands[0]?.found).toBeDefined();
    expect(demands.map(({ demand }) => demandWords(demand, asks.brief))).toEqual(['the limit of volume']);
  });

  test('where no demand is to blame it says what nobody sells', () => {
    const none = {
      context: contextOf(
        withParts(market, ({ kind }) => kind !== 'supply'),
        TODAY,
        usualSettings,
      ),
    };
    const { demands, lacking } = clash(market.question, none);
    expect(demands).toEqual([]);
    expect(lacking).toEqual(['supply']);
    expect(clashWords({ demands, lacking, proven: true }, market.question.brief)).toBe(
      'Nothing that is sold here will do for supply, whatever else is let go.',
    );
  });

  test('what was left out, and a limit on a share, are let go like any other demand', () => {
    const supplies = market.parts.filter(({ kind }) => kind === 'supply').map(({ id }) => id);
    const [last] = supplies.slice(-1);
    const few = {
      ...market,
      context: contextOf(
        withParts(market, ({ kind, id }) => kind !== 'supply' || id === last),
        TODAY,
        usualSettings,
      ),
    };
    const best = cheapest(few.question, few);
    expect(best).toBeDefined();
    if (!best || !last) return;
    const left: Question = { ...few.question, withoutParts: new Set([last]) };
    const { demands } = clash(left, few);
    expect(demands.map(({ demand }) => demand)).toEqual([
      { code: 'left-out', what: 'part', id: last, name: expect.stringMatching(/^Gatewick /) as string },
    ]);
    expect(demands[0]?.found?.priceMinor).toBe(best.priceMinor);
    const poor: Question = { ...few.question, mostFor: { memory: 1 } };
    const [only, ...more] = clash(poor, few).demands;
    expect(more).toEqual([]);
    expect(only?.demand).toEqual({ code: 'share', share: 'memory' });
    expect(only && demandWords(only.demand, poor.brief)).toBe('the limit on memory');
    expect(only?.found?.priceMinor).toBe(best.priceMinor);
  });

  test('that drives last is a demand like others: it is named, and let go alone there is a machine', () => {
    const { brief, context } = streamMarket(10);
    const grown = { ...brief, growthPercent: 40, yearsOfService: 5 };
    const asks: Question = { ...plainQuestion(grown), unproven: 'allowed', lasting: true };
    expect(cheapest(asks, { context })).toBeUndefined();
    const { demands, proven } = clash(asks, { context });
    expect(proven).toBe(true);
    expect(demands.map(({ demand }) => demandWords(demand, grown))).toEqual(['that drives last all 5 years']);
    expect(demands[0]?.found?.priceMinor).toBe(cheapest({ ...asks, lasting: false }, { context })?.priceMinor);
  });

  test('each demand that is named is guilty: taken away alone from those that are left, a machine is possible', () => {
    let clashes = 0;
    for (let seed = 1; seed <= 60 && clashes < 2; seed++) {
      const small = smallMarket(seed);
      const work = workOf(small.brief, small.context);
      let plain;
      try {
        plain = tryAll(work, small.context, 400).found;
      } catch {
        continue;
      }
      if (plain.length > 0) continue;
      const { demands, proven } = clash(work, small);
      expect(proven).toBe(true);
      if (demands.length === 0) {
        // not even with everything let go
        const bare = demandsOf(work, small.context.catalogue).reduce(without, work);
        expect(tryAll(bare, small.context, 400).found).toHaveLength(0);
        continue;
      }
      clashes++;
      const named = demands.map(({ demand }) => JSON.stringify(demand));
      const only = demandsOf(work, small.context.catalogue)
        .filter((demand) => !named.includes(JSON.stringify(demand)))
        .reduce(without, work);
      expect(tryAll(only, small.context, 400).found).toHaveLength(0);
      for (const { demand } of demands)
        expect(tryAll(without(only, demand), small.context, 400).found.length).toBeGreaterThan(0);
    }
    expect(clashes).toBe(2);
  });

  test('of a target it says how much can be had', () => {
    for (let seed = 1; seed <= 80; seed++) {
      const tried = smallMarket(seed);
      const work = workOf(tried.brief, tried.context);
      const [free] = finish(searchFor(searchable(plainQuestion(tried.brief), tried.context), 'best')).found;
      if (!free || free.rank.runs === tried.brief.tasks.length) continue;
      const target = clash(work, tried).demands.find(({ demand }) => demand.code === 'target');
      if (!target?.found || target.reaches === undefined) continue;
      expect(target.reaches).toBeGreaterThanOrEqual(0);
      expect(target.reaches).toBeLessThan(1);
      return;
    }
    expect.unreachable('no market has a target that falls short by itself');
  });
});

describe('a machine to be matched', () => {
  test('what is found is no worse in any ticked figure and no dearer', () => {
    let matched = 0;
    for (let seed = 1; seed <= 40 && matched < 6; seed++) {
      const market = smallMarket(seed);
      const found = finish(searchFor(searchable(plainQuestion(market.brief), market.context), 'best')).found[0];
      if (!found) continue;
      const given = assess(found.machine, market.brief, market.context);
      const least = matchOf(given);
      const match = cheapest({ ...plainQuestion(market.brief), least }, market);
      expect(match).toBeDefined();
      if (!match) continue;
      matched++;
      expect(match.priceMinor).toBeLessThanOrEqual(found.priceMinor);
      const after = matchOf(assess(match.machine, market.brief, market.context));
      for (const [task, progress] of least.tasks)
        expect(after.tasks.get(task) ?? 0).toBeGreaterThanOrEqual(progress * (1 - 1e-6));
      expect(after.memoryGiB ?? 0).toBeGreaterThanOrEqual(least.memoryGiB ?? 0);
      expect(after.storageGB ?? 0).toBeGreaterThanOrEqual(least.storageGB ?? 0);
      // with nothing ticked any sound machine will do
      const any = cheapest({ ...plainQuestion(market.brief), least: matchOf(given, []) }, market);
      expect(any?.priceMinor).toBe(cheapest(plainQuestion(market.brief), market)?.priceMinor);
    }
    expect(matched).toBeGreaterThan(2);
  });
});

describe('what is kept and what is there', () => {
  test('a draft is completed with its own parts in it, for no less than the cheapest', () => {
    const market = peerMarket(60, 4);
    const best = cheapest(market.question, market);
    expect(best).toBeDefined();
    if (!best) return;
    const dearer = market.parts
      .filter(({ kind }) => kind === 'cooler')
      .sort((a, b) => market.priceOf(b) - market.priceOf(a));
    const keep = dearer.map((part) => ({ id: 'kept', part: part.id, label: part.name }));
    const completed = keep.flatMap((item) => cheapest({ ...market.question, keep: [item] }, market) ?? [])[0];
    expect(completed?.machine.items.some(({ id }) => id === 'kept')).toBe(true);
    expect(completed?.priceMinor).toBeGreaterThanOrEqual(best.priceMinor);
  });

  test('a spare part is used where that is cheaper, and costs nothing', () => {
    const market = peerMarket(60, 4);
    const best = cheapest(market.question, market);
    const cooler = best?.machine.items.find(({ id }) => id.startsWith('cooler'));
    if (!best || !cooler) return expect(best).toBeDefined();
    const part = market.parts.find(({ id }) => id === cooler.part);
    const spare = [{ id: 'old', part: cooler.part }];
    const found = cheapest({ ...market.question, spare }, market);
    expect(found?.priceMinor).toBe(best.priceMinor - (part ? market.priceOf(part) : 0));
    expect(found?.machine.items.find(({ part: id }) => id === cooler.part)?.owned).toBe(true);
  });

  test('what is excluded is not used', () => {
    const market = peerMarket(60, 4);
    const best = cheapest(market.question, market);
    if (!best) return expect(best).toBeDefined();
    const [first] = best.machine.items;
    const parts = new Set(first ? [first.part as string] : []);
    const found = cheapest({ ...market.question, withoutParts: parts }, market);
    expect(found?.machine.items.some(({ part }) => parts.has(part))).toBe(false);
    const makers = new Set(market.parts.filter(({ kind }) => kind === 'case').map(({ maker }) => maker));
    expect(cheapest({ ...market.question, withoutMakers: makers }, market)).toBeUndefined();
  });
});

describe('in words', () => {
  const brief = { tasks: [{}, {}] } as unknown as Parameters<typeof rankWords>[1];

  test('a rank', () => {
    expect(rankWords({ runs: 2, percent: 159 }, brief)).toBe('All 2 tasks run, at 159 % of what is asked on average');
    expect(rankWords({ runs: 1, percent: 40 }, brief)).toBe(
      '1 of 2 tasks reach their targets, at 40 % of what is asked on average',
    );
    expect(rankWords({ runs: 2, percent: 400 }, brief)).toBe('All 2 tasks run, at 4 times what is asked or more');
  });

  test('what a machine is made of, equal pieces together', () => {
    const item = (id: string, label: string) => ({ id, part: id, label });
    const items = [item('a', 'Gale 12'), item('b', 'Ash 2x16'), item('c', 'Ash 2x16')];
    expect(madeOf({ items } as unknown as Parameters<typeof madeOf>[0])).toBe('Gale 12 and 2 × Ash 2x16');
  });
});
