import { describe, expect, test } from 'vitest';
import type { SittingResult, TaskResult } from '../../predict/results';
import { assessed, briefOf, EXPORT } from '../../tests/world';
import type { Assessment } from '../../assess';
import { madeIn, mostAt, rankIn } from './rank';

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

describe('the most that a result lets a task make', () => {
  const custom = (id: string, more: object) => ({ kind: 'custom', id, name: id, importance: 1, unit: 'unit', ...more });
  /** Footage that is read at so many GB/s in real time, and an export of 60 GB from the same drive behind a link of 6.7. */
  const exportBeside = (readGB: number, ssd: Record<string, unknown> = {}): number => {
    const tasks = [
      custom('footage', { mode: 'real-time', unitsPerS: 1, readGB: { active: readGB } }),
      custom('export', { mode: 'elastic', unitsPerRun: 60, readGB: { active: 1 } }),
    ];
    const sittings = [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: ['footage', 'export'] }];
    const { facts } = assessed({ brief: { tasks, sittings }, parts: { ssd } });
    const [sitting] = facts.sittings;
    const result = sitting?.tasks.find(({ task }) => task === 'export');
    return result ? mostAt(result, 'likely') : NaN;
  };

  // four lanes of 16 GT/s, 128 of 130 bits, 0.85 of them: 6.695 GB/s, of which 3.695 are left for 60 GB
  test('what it makes, where it has a time', () =>
    expect(exportBeside(3)).toBeCloseTo((((16 * 4) / 8) * (128 / 130) * 0.85 - 3) / 60, 9));
  test('nothing, where the real-time work leaves nothing', () => expect(exportBeside(7)).toBe(0));
  test('whatever there is, where that is not known', () =>
    expect(exportBeside(3, { seqReadMBs: undefined })).toBe(Infinity));
});
