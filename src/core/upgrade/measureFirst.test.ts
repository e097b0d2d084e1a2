import { describe, expect, test } from 'vitest';
import { contextOf, subjectOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import type { Machine } from '../model/machine';
import { measurementSchema } from '../model/measurement';
import { TODAY } from '../tests/shops';
import { briefOf, dataOf, DESK, EXPORT, machineOf, PARTS, swapped } from '../tests/world';
import { measureFirst } from './measureFirst';
import { worthOf } from './worth';

const [cores] = PARTS[0]?.['coreGroups'] as Record<string, unknown>[];
const data = dataOf({ addParts: [{ ...PARTS[0], id: 'cpu-4', name: 'Test 4', coreGroups: [{ ...cores, count: 4 }] }] });
const context = contextOf(compileCatalogue(data), TODAY);
const present: Machine = { ...machineOf({ items: swapped('cpu-1', 'cpu-4') }), id: 'present', present: true };
const draft: Machine = { ...machineOf(), id: 'draft' };
const task = { ...EXPORT, path: 'software', waiting: 'attended', runsPerWeek: 10 };
const brief = briefOf({
  brief: {
    tasks: [task, DESK],
    sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: ['export', 'desk'] }],
  },
});
const widthWith = (machine: Machine): number => {
  const known = contextOf(context.catalogue, TODAY, context.settings, [machine]);
  const subject = subjectOf(brief, known);
  const { low, high } = worthOf(subject.assess(machine), subject.assess(draft)).savedHoursAWeek;
  return high - low;
};

describe('what to measure first', () => {
  const answer = measureFirst(present, draft, brief, context);

  test('is what narrows the hours that are saved most: the encoder, not a drive', () => {
    expect(answer.doubt).toEqual({ of: 'hours', width: widthWith(present) });
    expect(answer.first[0]?.workload).toMatchObject({ work: 'encode', target: { codec: 'hevc', preset: 'medium' } });
    expect(answer.first.length).toBeLessThanOrEqual(3);
    expect(answer.first.every(({ workload }) => workload.work !== 'drive')).toBe(true);
    // each narrows no more than the one before it, and what is left is what they leave
    const shares = answer.first.map(({ narrows }) => narrows);
    expect(answer.left).toBeCloseTo(answer.doubt.width * (1 - shares.reduce((sum, share) => sum + share, 0)), 9);
  });

  test('no single measurement of those that can be run narrows it more: each is put in by itself', () => {
    const [best] = answer.first;
    if (!best) throw new Error('nothing to measure');
    const after = (workload: unknown, value: number, unit: string): number =>
      widthWith({
        ...present,
        evidence: [
          measurementSchema.parse({
            id: 'm',
            workload,
            value,
            low: value,
            high: value,
            unit,
            tool: 'x',
            source: 'x',
            use: 'calibrate',
          }),
        ],
      });
    expect(after(best.workload, best.expected.likely, best.unit)).toBeCloseTo(
      answer.doubt.width * (1 - best.narrows),
      9,
    );
    for (const other of answer.first.slice(1))
      expect(after(other.workload, other.expected.likely, other.unit)).toBeGreaterThanOrEqual(
        answer.doubt.width * (1 - best.narrows) - 1e-9,
      );
  });

  test('with it in, the answer is sharper and asks for something else', () => {
    const [best] = answer.first;
    if (!best) throw new Error('nothing to measure');
    const { likely } = best.expected;
    const measured: Machine = {
      ...present,
      evidence: [
        measurementSchema.parse({
          id: 'm',
          workload: best.workload,
          value: likely,
          low: likely,
          high: likely,
          unit: best.unit,
          tool: 'x',
          source: 'x',
          use: 'calibrate',
        }),
      ],
    };
    const next = measureFirst(measured, draft, brief, context);
    expect(next.doubt.width).toBeLessThan(answer.doubt.width);
    expect(next.first[0]?.workload).not.toEqual(best.workload);
  });

  test('where nobody waits, the tasks’ own bands count, and no encoder is named that nobody uses', () => {
    const still = measureFirst(present, draft, briefOf({ brief: { tasks: [DESK], sittings: [] } }), context);
    expect(still.doubt.of).toBe('tasks');
    expect(still.first.map(({ workload }) => workload.work)).not.toContain('encode');
  });
});
