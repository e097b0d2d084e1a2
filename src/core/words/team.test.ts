import { expect, test } from 'vitest';
import { togetherWords, teamWords } from './team';

test('what one basket saves over several', () => {
  const words = (apartMinor: number, togetherMinor: number | undefined, proven = true) =>
    togetherWords({ apartMinor, togetherMinor, proven }, 'USD');
  expect(words(618_00, 600_00)).toBe('Bought in one basket 18.00 USD are saved.');
  expect(words(618_00, 600_00, false)).toBe('Bought in one basket 18.00 USD are saved as far as it was looked.');
  expect(words(618_00, 618_00)).toBe('Bought in one basket they cost as much.');
  expect(words(600_00, 640_00)).toBe(
    'Bought at once they cost 40.00 USD more: the cheapest sellers have not enough pieces.',
  );
  expect(words(600_00, undefined)).toMatch(/^Not all of it can be bought at once/);
});

test('the least of a team is told once it is proven', () => {
  const words = (proven: boolean) =>
    teamWords({ kind: 'too little', leastMinor: 5_200_00 }, 5_000_00, 'USD', (id) => id, proven);
  expect(words(true)).toEqual([
    '5,000.00 USD do not buy every seat a machine that does its work: the least that does is 5,200.00 USD.',
  ]);
  expect(words(false)).toEqual([
    'The machines found so far cost 5,200.00 USD together, more than 5,000.00 USD; cheaper ones may come.',
  ]);
});
