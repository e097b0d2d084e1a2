import { describe, expect, test } from 'vitest';
import { contextOf } from '../../assess';
import { finish } from '../../assess/trials';
import { compileCatalogue } from '../../model/catalogue';
import { usualSettings } from '../../model/settings';
import { partSchema, type Part } from '../../parts';
import { peerMarket } from '../../tests/peer';
import { offer, TODAY } from '../../tests/shops';
import { clashWords } from '../../words/found';
import { clashOf } from './clash';
import { searchFor, type Standing } from './goals';
import { plainQuestion, type Question } from './question';
import { searchable } from './searchable';

type Market = Pick<ReturnType<typeof peerMarket>, 'question' | 'context'>;

/** A market with other parts, each at a price of its own. */
function sold({ question, context: { catalogue } }: Market, parts: readonly Part[]): Market {
  const seller = catalogue.sellers[0]?.id ?? '';
  return {
    question,
    context: contextOf(
      compileCatalogue({
        regions: [...catalogue.regions],
        sellers: [...catalogue.sellers],
        applications: [...catalogue.applications],
        rivals: [],
        parts: [...parts],
        offers: parts.map(({ id }) => offer(id, seller, priceOf(id))),
      }),
      TODAY,
      usualSettings,
    ),
  };
}
/** By the name's letters, so that a twin costs what its part does. */
const priceOf = (id: string): number =>
  50_00 + ([...id.replace('-twin', '')].reduce((all, letter) => all * 31 + letter.charCodeAt(0), 7) % 9973);
const cheapest = ({ question, context }: Market) =>
  finish(searchFor(searchable(question, context), 'cheapest')).found[0];
const why = ({ question, context }: Market) => finish(clashOf(question, context));

const market = peerMarket(60, 3);
/** Only what says which part it is, and no figure. */
const FIGURELESS: ReadonlySet<string> = new Set(['kind', 'id', 'maker', 'name', 'connectors', 'sockets']);

describe('catalogues that are no use', () => {
  test('a single part: nothing is found, and it says what nobody sells', () => {
    const only = sold(market, market.parts.filter(({ kind }) => kind === 'processor').slice(0, 1));
    expect(cheapest(only)).toBeUndefined();
    const clash = why(only);
    expect(clash.lacking).toContain('board');
    expect(clashWords(clash, market.question.brief)).toMatch(/^Nothing that is sold here will do for .*board/);
  });

  test('all figures unknown: nothing is proposed, nothing is cheap for being unknown', () => {
    const blank = market.parts.map((part) =>
      partSchema.parse(Object.fromEntries(Object.entries(part).filter(([field]) => FIGURELESS.has(field)))),
    );
    const unknown = sold(market, blank);
    expect(cheapest(unknown)).toBeUndefined();
    // where unknown figures are allowed nothing is promised of the work either
    const allowed = cheapest({ ...unknown, question: { ...unknown.question, unproven: 'allowed' } });
    if (allowed) expect(allowed.rank.runs).toBeLessThan(unknown.question.brief.tasks.length);
  });

  test('parts that are equal but for their names: one of them, the same whichever way they are listed', () => {
    const twins = market.parts.flatMap((part) => [
      part,
      { ...part, id: `${part.id}-twin` as typeof part.id, name: `${part.name} twin` },
    ]);
    const [one, other] = [sold(market, twins), sold(market, [...twins].reverse())].map((each) => cheapest(each));
    expect(one).toBeDefined();
    expect(one?.machine.items.map(({ label }) => label?.replace(' twin', ''))).toEqual(
      other?.machine.items.map(({ label }) => label?.replace(' twin', '')),
    );
  });

  test('50,000 parts: the first machines come and the search can be left at any step', () => {
    const large = peerMarket(50_000, 1);
    const run = searchFor(searchable(large.question, large.context), 'cheapest');
    let standing: Standing | undefined;
    for (let i = 0; i < 20_000 && !standing?.best; i++) {
      const next = run.next();
      if (next.done) return expect(next.value.found.length).toBeGreaterThan(0);
      standing = next.value;
    }
    expect(standing?.best).toBeDefined();
  });
});

describe('questions that are no use', () => {
  test('no budget, no targets: the cheapest sound machine', () => {
    const { brief, least } = market.question;
    const bare = cheapest({ ...market, question: plainQuestion({ ...brief, tasks: [], sittings: [] }) });
    const asked = cheapest({ ...market, question: { ...plainQuestion(brief), least } });
    if (!bare || !asked) throw new Error('both can be had');
    expect(bare.priceMinor).toBeLessThan(asked.priceMinor);
  });

  test('a kept part that is withdrawn stays and is priced as it can be had; one that is unknown stays out', () => {
    const [board] = market.parts.filter(({ kind }) => kind === 'board');
    if (!board) throw new Error('a board');
    const keep = [{ id: 'board-1', part: board.id, label: 'the board' }];
    const gone: Market = sold(
      market,
      market.parts.map((part) => (part.id === board.id ? { ...part, withdrawn: '2020-01-01' } : part) as Part),
    );
    const held = cheapest({ ...gone, question: { ...gone.question, keep } });
    if (held) expect(held.machine.items.map(({ part }) => part)).toContain(board.id);
    else
      expect(why({ ...gone, question: { ...gone.question, keep } }).demands.map(({ demand }) => demand.code)).toContain(
        'kept',
      );
    const nowhere = cheapest({
      ...market,
      question: { ...market.question, keep: [{ id: 'board-1', part: 'no-such-board' as typeof board.id }] },
    });
    expect(nowhere?.machine.items.map(({ part }) => part)).not.toContain('no-such-board');
  });

  test('two searches at once, step by step in turns: each gives what it gives alone', () => {
    const others = [peerMarket(60, 5), market];
    const alone = others.map((each) => cheapest(each)?.priceMinor);
    const runs = others.map(({ question, context }) => searchFor(searchable(question, context), 'cheapest'));
    const ends: (number | undefined)[] = [];
    const open = new Set(runs.keys());
    while (open.size > 0)
      for (const i of [...open]) {
        const next = runs[i]?.next();
        if (next?.done) {
          ends[i] = next.value.found[0]?.priceMinor;
          open.delete(i);
        }
      }
    expect(ends).toEqual(alone);
  });

  test('two questions of one search, in turns: what one has found is no worse than what the other proves', () => {
    const asked = searchable(market.question, market.context);
    const question: Question = market.question;
    const [cheap, best] = (['cheapest', 'best'] as const).map((goal) => searchFor(asked, goal));
    const runs = [cheap, best];
    const ends: (number | undefined)[] = [undefined, undefined];
    for (let turn = 0; ends.includes(undefined); turn++) {
      const at = turn % 2;
      const next = ends[at] === undefined ? runs[at]?.next() : undefined;
      if (next?.done) ends[at] = next.value.found[0]?.priceMinor ?? 0;
    }
    expect(ends[0]).toBe(finish(searchFor(searchable(question, market.context), 'cheapest')).found[0]?.priceMinor);
    expect(ends[1]).toBe(finish(searchFor(searchable(question, market.context), 'best')).found[0]?.priceMinor);
  });
});
