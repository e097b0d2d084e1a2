import { expect, test } from 'vitest';
import { lately } from './lately';

test('what was made lately is not made again; what was used longest ago goes first', () => {
  const made: string[] = [];
  const remembered = lately<string>(2);
  const ask = (key: string) =>
    remembered(key, () => {
      made.push(key);
      return key.toUpperCase();
    });
  expect(['a', 'b', 'a', 'c', 'a', 'b'].map(ask)).toEqual(['A', 'B', 'A', 'C', 'A', 'B']);
  // a was used again before c came, so b went
  expect(made).toEqual(['a', 'b', 'c', 'b']);
});

test('what was made of nothing is remembered too', () => {
  let made = 0;
  const remembered = lately<undefined>(2);
  for (let i = 0; i < 3; i++) remembered('a', () => void made++);
  expect(made).toBe(1);
});
