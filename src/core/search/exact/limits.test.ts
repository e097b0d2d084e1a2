import { describe, expect, test } from 'vitest';
import type { Item } from '../../model/machine';
import { compileCatalogue } from '../../model/catalogue';
import { briefOf, dataOf } from '../../tests/world';
import { limitedBy, NO_LIMITS } from './limits';
import { plainQuestion } from './question';

const item = (id: string, part: string): Item => ({ id, part: part as Item['part'] });
const PARTS = compileCatalogue({ ...dataOf(), parts: [], offers: [] });

describe('what is kept', () => {
  const draft = { ...plainQuestion(briefOf()), keep: [item('card-1', 'gale'), item('drive-1', 'weir')] };
  const kept = (...keep: Item[]) =>
    limitedBy(draft, { ...NO_LIMITS, keep }, PARTS).keep.map(({ id, part }) => [id, part]);

  test('stands beside what a draft has', () =>
    expect(kept(item('drive-2', 'hold'))).toEqual([
      ['card-1', 'gale'],
      ['drive-1', 'weir'],
      ['drive-2', 'hold'],
    ]));

  test('is there once when the draft has taken it meanwhile', () =>
    expect(kept(item('card-1', 'gale'))).toHaveLength(2));

  test('of the name of another part gets a name of its own', () =>
    expect(kept(item('drive-1', 'hold'), item('drive-1', 'flume')).slice(2)).toEqual([
      ['drive-1-2', 'hold'],
      ['drive-1-3', 'flume'],
    ]));
});

test('limits only take away: what a question leaves out already stays out', () => {
  const asked = { ...plainQuestion(briefOf()), withoutMakers: new Set(['Palisar']), rebates: true, lasting: true };
  const limited = limitedBy(asked, { ...NO_LIMITS, withoutMakers: ['Fenstore'], mostFor: { memory: 100 } }, PARTS);
  expect([...limited.withoutMakers]).toEqual(['Palisar', 'Fenstore']);
  expect(limited).toMatchObject({ rebates: true, lasting: true, mostFor: { memory: 100 } });
  expect(limitedBy(asked, NO_LIMITS, PARTS)).toEqual(asked);
});
