import { describe, expect, test } from 'vitest';
import { offeredAbove, saidAbove, withOffer, type Offered } from './offered';

describe('a change that mends several findings', () => {
  const offered: Offered = new Map([
    ['a', ['larger drive', 'second drive']],
    ['b', ['larger drive', 'cooler']],
    ['gone', ['card']],
  ]);

  test('is offered at the first of them', () => {
    const above = offeredAbove(['a', 'b', 'c'], offered);
    expect([...(above.get('a') ?? [])]).toEqual([]);
    expect([...(above.get('b') ?? [])]).toEqual(['larger drive', 'second drive']);
    expect([...(above.get('c') ?? [])]).toEqual(['larger drive', 'second drive', 'cooler']);
  });

  test('by the order in which findings stand now, and not by findings that are gone', () => {
    const above = offeredAbove(['b', 'a'], offered);
    expect([...(above.get('a') ?? [])]).toEqual(['larger drive', 'cooler']);
    expect(above.has('gone')).toBe(false);
  });

  test('what is offered as before changes nothing', () => {
    expect(withOffer(offered, 'a', ['larger drive', 'second drive'])).toBe(offered);
    expect(withOffer(offered, 'a', ['larger drive']).get('a')).toEqual(['larger drive']);
    expect(withOffer(offered, 'a', ['second drive', 'larger drive'])).not.toBe(offered);
    expect(withOffer(new Map(), 'a', [])).toEqual(new Map([['a', []]]));
  });

  test('waits for those above, which may offer the same, and not for those below or folded away', () => {
    const waiting = withOffer(withOffer(offered, 'c', []), 'a', 'waiting');
    const above = offeredAbove(['folded', 'a', 'b', 'c'], waiting);
    expect(['folded', 'a', 'b', 'c'].map((key) => above.get(key)?.size)).toEqual([0, 0, undefined, undefined]);
    expect(offeredAbove(['b', 'a'], waiting).get('b')?.size).toBe(0);
    const folded = withOffer(waiting, 'a', undefined);
    expect([...(offeredAbove(['a', 'b', 'c'], folded).get('c') ?? [])]).toEqual(['larger drive', 'cooler']);
    expect(withOffer(waiting, 'a', 'waiting')).toBe(waiting);
    expect(withOffer(folded, 'a', undefined)).toBe(folded);
  });

  test('in words', () => {
    expect([1, 2].map(saidAbove)).toEqual(['Mended too by one change above.', 'Mended too by 2 changes above.']);
  });
});
