import { expect, test } from 'vitest';
import { identity } from './identity';

test('what says the same has one key, whatever object it is; what says another thing has another', () => {
  const draft = { id: 'a', items: [{ id: 'cpu-1', part: 'cpu' }] };
  expect(identity(structuredClone(draft))).toBe(identity(draft));
  expect(identity({ ...draft, items: [] })).not.toBe(identity(draft));
  // undone: what was known of it holds again
  expect(identity({ ...draft, items: [{ id: 'cpu-1', part: 'cpu' }] })).toBe(identity(draft));
});

test('of many things each has its own key, and the lately used keep theirs', () => {
  const first = identity({ n: -1 });
  const keys = Array.from({ length: 200 }, (_, n) => {
    // looked at again and again, while others come and go
    expect(identity({ n: -1 })).toBe(first);
    return identity({ n });
  });
  expect(new Set([...keys, first]).size).toBe(201);
});
