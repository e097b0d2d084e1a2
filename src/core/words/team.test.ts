import { expect, test } from 'vitest';
import { togetherWords } from './team';

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
