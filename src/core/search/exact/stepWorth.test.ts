import { expect, test } from 'vitest';
import { byWorth, worthwhile } from './stepWorth';

test('a step is worth telling from a twentieth more on', () => {
  expect(worthwhile({ runs: 2, percent: 100 })).toEqual({ runs: 2, percent: 105 });
  expect(worthwhile({ runs: 2, percent: 10 })).toEqual({ runs: 2, percent: 11 });
  expect(worthwhile({ runs: 0, percent: 0 })).toEqual({ runs: 0, percent: 1 });
});

test('what brings a task to its target comes first, then what costs nothing, then what gives most a coin', () => {
  const at = (name: string, priceMinor: number, runs: number, percent: number) => ({
    name,
    found: { priceMinor, rank: { runs, percent } },
  });
  const start = at('draft', 1000, 2, 100).found;
  const steps = [
    at('much for much', 3000, 2, 300),
    at('cheaper and better', 900, 2, 110),
    at('as dear and better still', 1000, 2, 120),
    at('a little for little', 1100, 2, 120),
    at('another target', 4000, 3, 90),
  ];
  expect(byWorth(steps, start).map(({ name }) => name)).toEqual([
    'another target',
    'as dear and better still',
    'cheaper and better',
    // ln 1.2 over 100 is more than ln 3 over 2,000
    'a little for little',
    'much for much',
  ]);
});
