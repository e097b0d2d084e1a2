import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { PARTS, partLike as like } from '../tests/world';
import { compareParts, figuresText } from './order';

describe('parts in the order of what they are', () => {
  test('the better figure comes first, what is unknown last', () => {
    const [fast, slow, vague] = [
      like('card', { id: 'z', fp32Tflops: 40 }),
      like('card', { id: 'a', fp32Tflops: 20 }),
      like('card', { id: 'b', fp32Tflops: undefined }),
    ];
    expect([vague, slow, fast].sort(compareParts).map(({ id }) => id)).toEqual(['z', 'a', 'b']);
  });

  test('ids never decide, names of equal parts do', () => {
    const [first, second] = [like('card', { id: 'z', name: 'Aft' }), like('card', { id: 'a', name: 'Bow' })];
    expect(compareParts(first, second)).toBeLessThan(0);
    expect(compareParts(like('card', { id: 'z' }), like('card', { id: 'a' }))).toBe(0);
  });

  test('what a part is called and how long it is warranted are no figures', () => {
    const plain = figuresText(like('card'));
    expect(figuresText(like('card', { id: 'other', name: 'Other', warrantyMonths: 60 }))).toBe(plain);
    expect(figuresText(like('card', { memoryGiB: 16 }))).not.toBe(plain);
  });

  test('it is an order: antisymmetric and transitive, however the list lies', () => {
    const all = PARTS.map((part) => like(part['id'] as string)).concat(
      [8, 16, 24].map((memoryGiB) => like('card', { id: `card-${memoryGiB}`, memoryGiB })),
      [500, 2000].map((capacityGB) => like('ssd', { id: `ssd-${capacityGB}`, capacityGB })),
    );
    const sorted = [...all].sort(compareParts);
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) => {
        expect(shuffled.sort(compareParts).map(({ id }) => id)).toEqual(sorted.map(({ id }) => id));
      }),
    );
    for (const a of all)
      for (const b of all) expect(Math.sign(compareParts(a, b))).toBe(-Math.sign(compareParts(b, a)) + 0);
  });
});
