import { expect, test } from 'vitest';
import type { SittingResult, TaskResult } from '../../predict/results';
import { briefOf, EXPORT } from '../../tests/world';
import type { Assessment } from '../../assess';
import { madeIn, rankIn } from './rank';

const result = (likely: number, low: number): TaskResult =>
  ({
    task: 'export',
    mode: 'elastic',
    target: 600,
    impossible: [],
    ratio: { low, likely, high: likely * 2 },
  }) as unknown as TaskResult;
const sitting = (id: string, task: TaskResult): SittingResult =>
  ({ sitting: id, tasks: [task] }) as unknown as SittingResult;

test('a task makes what it makes in the sitting where it makes least, whatever is told of each', () => {
  // carries in one sitting, less surely but faster in the other: the slower one counts
  const sittings = [sitting('sure', result(1.6, 1.4)), sitting('unsure', result(1.9, 0.9))];
  expect([...madeIn(sittings, 'likely')]).toEqual([['export', 1.6]]);
  expect([...madeIn(sittings, 'low')]).toEqual([['export', 0.9]]);
  const brief = briefOf({
    brief: { tasks: [EXPORT], sittings: [{ id: 'all', name: 'All', hoursPerWeek: 5, tasks: ['export'] }] },
  });
  // 160 % of what is asked: the only task, so the mean is its own
  const assessment = { facts: { brief, sittings }, tasks: sittings[1]?.tasks } as unknown as Assessment;
  expect(rankIn(assessment, 'likely')).toEqual({ runs: 1, percent: 160 });
});

test('what does not run in one sitting makes nothing', () => {
  const stuck = { ...result(2, 2), impossible: [{ code: 'no-graphics' }] } as unknown as TaskResult;
  expect(madeIn([sitting('a', result(2, 2)), sitting('b', stuck)], 'likely').get('export')).toBe(0);
});
