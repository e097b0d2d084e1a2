import { describe, expect, test } from 'vitest';
import { progress } from '../predict/worst';
import { resultOf, studio } from '../tests/studio';
import { boundsOf } from './bounds';
import { taskSchema, type Task, type TaskKind } from '../model/tasks';
import { TRADES } from './templates';
import type { Trade } from './trade';

const ALL = Object.values(TRADES) as unknown as readonly Trade<TaskKind>[];
const single = (task: Task) => resultOf(studio([task], { parts: { kit: { moduleGiB: 64 } } }), task.id);
const numbersOf = (task: Task): [field: string, value: number][] =>
  Object.entries(task).flatMap(([field, value]: [string, unknown]) =>
    typeof value === 'number' && field !== 'importance' && field !== 'runsPerWeek'
      ? [[field, value] as [string, number]]
      : [],
  );
/** Numbers that are picked from a few instead of typed. */
const PICKED = new Set(['playAt', 'rateKHz', 'bits', 'bitDepth', 'outBitDepth']);

/** Sides of a picture, which are picked as one size. */
const SIDES = new Set(['width', 'height', 'outWidth', 'outHeight']);

describe('every trade', () => {
  let compared = 0;

  test.each(ALL)('$kind: its numbers have bounds, and the schema refuses what lies beyond them', (trade) => {
    const task = trade.start('new');
    for (const [field] of numbersOf(task)) {
      if (PICKED.has(field)) continue;
      const { min, max, whole } = boundsOf(trade.kind, field);
      const takes = (value: number) => taskSchema.safeParse({ ...task, [field]: value }).success;
      expect(takes(min - 1), `${field} ${min - 1}`).toBe(false);
      if (max !== undefined) expect(takes(max * 2 + 1), `${field} ${max * 2 + 1}`).toBe(false);
      expect(takes(Number.NaN), field).toBe(false);
      if (whole) expect(takes(min + 1.5), `${field} is whole`).toBe(false);
    }
  });

  test.each(ALL)(
    '$kind: every number that a sentence offers has a name, and those in lists have bounds too',
    (trade) => {
      const task = trade.start('new');
      const named = (field: string, list?: string) =>
        (list === undefined ? undefined : trade.figures[`${list}.${field}`]) ?? trade.figures[field];
      for (const [field] of numbersOf(task)) if (!SIDES.has(field)) expect(named(field)?.label, field).toBeTruthy();
      for (const [list, entries] of Object.entries(task) as [string, unknown][])
        for (const entry of Array.isArray(entries) ? (entries as object[]) : [])
          for (const [field, value] of Object.entries(entry) as [string, unknown][]) {
            if (typeof value !== 'number' || SIDES.has(field)) continue;
            expect(named(field, list)?.label, `${list}.${field}`).toBeTruthy();
            if (PICKED.has(field) || field === 'decodeAt') continue;
            const { min } = boundsOf(trade.kind, field, list);
            const wrong = { ...task, [list]: [{ ...entry, [field]: min - 1 }] };
            expect(taskSchema.safeParse(wrong).success, `${list}.${field} ${min - 1}`).toBe(false);
          }
    },
  );

  test.each(ALL)('$kind: a figure of the task beyond its range is told with its label and widens the band', (trade) => {
    const task = trade.start('new');
    const base = single(task);
    for (const [field] of numbersOf(task)) {
      const figure = trade.figures[field];
      const bounds = figure?.valid && boundsOf(trade.kind, field);
      if (!figure?.valid || !bounds) continue;
      const beyond = Math.ceil(figure.valid[1] * 1.5);
      if (bounds.max !== undefined && beyond > bounds.max) continue;
      const far = single({ ...task, [field]: beyond } as Task);
      expect(
        far.outside.map(({ label }) => label),
        field,
      ).toContain(figure.label);
      const width = (result: typeof far) => (result.gets ? result.gets.high / result.gets.low : undefined);
      const [now, before] = [width(far), width(base)];
      // where the same stage binds its doubts are the same, and the widening, a third each way, shows
      if (now !== undefined && before !== undefined && far.binds === base.binds) {
        compared++;
        // a run's band is that of all its stages: their shares move, and some of the widening with them
        expect(now / before, field).toBeGreaterThan(far.mode === 'real-time' ? 1.5 : 1);
      }
    }
  });

  test('that was seen on many figures, not on none', () => {
    expect(compared).toBeGreaterThan(25);
  });

  test.each(ALL.filter(({ sizes }) => sizes))(
    '$kind: a larger size is taken by its schema and never easier',
    (trade) => {
      const list = trade.sizes?.list(trade.start('new')) ?? [];
      expect(list.length).toBeGreaterThanOrEqual(4);
      let before = Infinity;
      let stopped = false;
      for (const { label, task } of list) {
        expect(taskSchema.safeParse(task).success, label).toBe(true);
        const result = single(task);
        const now = result.impossible.length > 0 ? 0 : progress(result);
        expect(now, `${label} after a smaller one`).toBeLessThanOrEqual(before * (1 + 1e-9));
        // once it does not run, nothing larger does
        if (stopped) expect(now, label).toBe(0);
        stopped ||= result.impossible.length > 0;
        before = now;
      }
      expect(new Set(list.map(({ label }) => label)).size).toBe(list.length);
    },
  );

  test.each(ALL)('$kind: a machine without parts predicts nothing and says what lacks', (trade) => {
    const task = trade.start('new');
    const empty = resultOf(studio([task], { items: () => [] }), task.id);
    expect(['short', 'unproven']).toContain(empty.verdict);
    expect(empty.gets).toBeUndefined();
    expect(empty.impossible.length + empty.missing.length).toBeGreaterThan(0);
  });
});
