import { describe, expect, test } from 'vitest';
import { fromConstant, given, product, quotient, sum, type Derivation } from '../figures/derive';
import type { Constant } from '../figures/registers';
import { resultOf, studio, taskOf } from '../tests/studio';
import { constantTurns } from './constantTurns';
import type { TaskResult } from './results';

const constant = (value: number, spread: number): Constant => ({
  value,
  unit: 'MB',
  spread,
  source: 'judgement',
  id: `test.about ${value}`,
});
const plain = (value: number) => given('stated', value, 'MB', 'part', 'a part');
const base = resultOf(studio([taskOf('edit-play')]), 'edit-play');

/** A task whose resources do so much of what each has to. */
function taskWith(mode: TaskResult['mode'], uses: readonly (readonly [supply: Derivation, demand: Derivation])[]) {
  const known = uses.map(([supply, demand], i) => ({
    resource: `r${i}`,
    stage: 'stage',
    ratio: supply.value / demand.value,
    busy: undefined,
    supply,
    demand,
  }));
  const ratios = known.map(({ ratio }) => ratio);
  const ratio = mode === 'real-time' ? Math.min(...ratios) : 1 / ratios.reduce((all, one) => all + 1 / one, 0);
  const binds = known.find((use) => use.ratio === Math.min(...ratios))?.resource;
  const result: TaskResult = {
    ...base,
    mode,
    target: 1,
    impossible: [],
    uses: known,
    binds,
    ratio: { low: ratio, likely: ratio, high: ratio },
  };
  return result;
}

describe('where a constant alone turns a task', () => {
  test('a product: 100 × 0.8 against 70 holds down to 0.7', () => {
    const supply = product('rate', 'MB/s', [plain(100), fromConstant('share', constant(0.8, 1.5))]);
    const [turn, ...more] = constantTurns(taskWith('real-time', [[supply, plain(70)]]));
    expect(more).toEqual([]);
    expect(turn).toMatchObject({ label: 'share', value: 0.8 });
    expect(turn?.turnsAt).toBeCloseTo(0.7, 2);
  });

  test('its end decides: with a spread that ends above 0.7 nothing turns', () => {
    const supply = product('rate', 'MB/s', [plain(100), fromConstant('share', constant(0.8, 1.1))]);
    expect(constantTurns(taskWith('real-time', [[supply, plain(70)]]))).toEqual([]);
  });

  test('a sum: of 33 there are 23 left for what is taken for 20', () => {
    const demand = sum('memory', 'MB', [plain(10), fromConstant('working set', constant(20, 1.5))]);
    const [turn] = constantTurns(taskWith('real-time', [[plain(33), demand]]));
    expect(turn?.turnsAt).toBeCloseTo(23, 1);
  });

  test('what falls short is met from the value on that is enough', () => {
    const demand = quotient('work', 'MB', [plain(100), fromConstant('packing', constant(2, 2))]);
    // 100 ÷ 2 = 50 against 40: at 2.5 it is 40
    const [turn] = constantTurns(taskWith('real-time', [[plain(40), demand]]));
    expect(turn?.turnsAt).toBeCloseTo(2.5, 2);
  });

  test('a run takes the time of all: 0.5 of it in one resource leaves the other its half', () => {
    const share = fromConstant('share', constant(1, 2));
    // each takes 0.4 of the time allowed; the constant may let one take 0.6, so it may fall to two thirds
    const result = taskWith('elastic', [
      [product('a', 'MB', [plain(2.5), share]), plain(1)],
      [plain(2.5), plain(1)],
    ]);
    expect(result.ratio?.likely).toBeCloseTo(1.25, 9);
    expect(constantTurns(result)[0]?.turnsAt).toBeCloseTo(2 / 3, 2);
  });

  test('what turns it soonest comes first; without a target nothing turns', () => {
    const supply = product('rate', 'MB/s', [
      plain(100),
      fromConstant('square', constant(0.9, 1.6)),
      fromConstant('other', { ...constant(1, 1.6), id: 'another' }),
      fromConstant('square', constant(0.9, 1.6)),
    ]);
    const result = taskWith('real-time', [[supply, plain(70)]]);
    // the square of it has to be 0.7: 0.837; the other one has to be 0.864
    expect(constantTurns(result).map(({ label }) => label)).toEqual(['square', 'other']);
    expect(constantTurns(result)[0]?.turnsAt).toBeCloseTo(Math.sqrt(0.7), 2);
    expect(constantTurns({ ...result, ratio: undefined })).toEqual([]);
  });
});
