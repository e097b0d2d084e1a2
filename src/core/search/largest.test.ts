import { describe, expect, test } from 'vitest';
import { assess, contextOf, type Context } from '../assess';
import { studio, taskOf } from '../tests/studio';
import type { Change } from '../tests/world';
import type { Task, TaskKind } from '../model/tasks';
import { TRADES } from '../work/templates';
import type { Trade } from '../work/trade';
import { largest } from './largest';

/** The largest size of a task, and each size tried by itself. */
function grown(task: Task, change: Change = {}) {
  const { facts } = studio([task], change);
  const context: Context = contextOf(facts.catalogue, '2026-05-18');
  const sizes = (TRADES[task.kind] as Trade<TaskKind>).sizes?.list(task) ?? [];
  const runs = sizes.map((size) => {
    const result = assess(facts.machine, { ...facts.brief, tasks: [size.task] }, context).tasks[0];
    return (result?.ratio ? result.ratio.likely >= 1 : result?.gets !== undefined) && result?.impossible.length === 0;
  });
  return { answer: largest(facts.machine, facts.brief, task.id, context), sizes, runs };
}

describe('how much would run', () => {
  test.each([
    ['edit-play', { correctionSteps: 60, temporalNr: 'strong' }],
    ['edit-export', {}],
    ['live', {}],
    ['scene', { shading: 'rich' }],
    ['ingest', { from: 'memory' }],
    ['audio', { effectsPerTrack: 16, bufferSamples: 32 }],
  ] as const)('%s: the search by halves agrees with trying every size', (kind, over) => {
    const { answer, sizes, runs } = grown(taskOf(kind, over));
    expect(answer).toEqual({
      of: expect.any(String) as string,
      most: sizes[runs.lastIndexOf(true)]?.label,
      tooMuch: sizes[runs.indexOf(false)]?.label,
      unproven: false,
    });
    // what is larger never runs where a smaller one fails
    expect(runs.indexOf(false) === -1 || runs.lastIndexOf(true) < runs.indexOf(false)).toBe(true);
  });

  test('an unknown figure is no failure', () => {
    expect(grown(taskOf('edit-play'), { parts: { card: { fp32Tflops: undefined } } }).answer?.unproven).toBe(true);
  });

  test('work that does not say what grows has no answer', () => {
    expect(grown(taskOf('custom')).answer).toBeUndefined();
    expect(grown(taskOf('desk')).answer).toBeUndefined();
  });
});
