import { expect, test } from 'vitest';
import { finish } from '../assess/trials';
import { plainQuestion, workOf } from '../search/exact/question';
import { stabilityOf } from '../search/exact/stability';
import { smallMarket } from '../tests/smallMarkets';
import { stabilityWords } from './stability';

const CURRENCY = 'USD' as const;

test('how sure a choice is, in sentences', () => {
  const { brief, context } = smallMarket(18);
  const known = finish(stabilityOf(plainQuestion(brief), context));
  const chosen = known.chosen;
  if (!chosen) throw new Error('the market has a machine');
  const [first, second] = known.parts;
  if (!first || !second) throw new Error('it has parts');
  const dearer = { ...chosen, priceMinor: chosen.priceMinor + 400 };
  const words = stabilityWords(
    {
      ...known,
      chosen: { ...chosen, priceMinor: 100_000 },
      parts: [
        { ...first, minor: 20_000, next: undefined },
        { ...second, minor: 10_000, next: { ...dearer, priceMinor: 100_400 } },
      ],
      prices: { holds: 3, turns: { found: dearer } },
      constants: [
        {
          task: 'nobody',
          of: 'chosen',
          found: chosen,
          turns: [{ label: 'share', where: '', unit: '×', value: 0.3, turnsAt: 0.25 }],
        },
        { task: 'nobody', of: 'cheaper', found: { ...chosen, priceMinor: 90_000 }, turns: [] },
      ],
    },
    brief,
    CURRENCY,
    context,
  );
  expect(words?.parts.map(({ moreMinor, room, stable }) => ({ moreMinor, room, stable }))).toEqual([
    { moreMinor: 400, room: 0.04, stable: false },
    { moreMinor: undefined, room: Infinity, stable: true },
  ]);
  expect(words?.line).toMatch(/^1 of 2 parts keep their place while their own price rises by 5 %; .* only by 4 %\.$/);
  expect(words?.prices).toMatchObject({
    stable: false,
    says: 'Not stable: all its prices may go up by 3 % while all others go down by as much; at 4 % another machine is cheaper.',
  });
  expect(words?.constants).toEqual([
    {
      says: '“nobody” would fall short of its target',
      turns: ['if “share” is 0.25 × or less; it is taken for 0.3'],
    },
    {
      says: 'A machine for 100.00 USD less would do for “nobody” if several of the model’s constants were kinder together; none does it alone',
      turns: [],
    },
  ]);
});

test('what is not known yet says nothing; what nothing takes the place of is stable', () => {
  const { brief, context } = smallMarket(18);
  const [beginning] = stabilityOf(workOf(brief, context), context);
  if (!beginning) throw new Error('it tells on the way');
  expect(stabilityWords(beginning, brief, CURRENCY, context)).toBeUndefined();
  const known = finish(stabilityOf(plainQuestion(brief), context));
  const words = stabilityWords(
    { ...known, parts: [], prices: { holds: 30, turns: undefined } },
    brief,
    CURRENCY,
    context,
  );
  expect(words?.line).toBe('');
  expect(words?.prices).toEqual({
    stable: true,
    says: 'Stable: with all its prices 30 % up, and all others 30 % down, it is still the cheapest.',
    then: [],
  });
});
