import { describe, expect, test } from 'vitest';
import { editMachine } from '../model/edits';
import { machineSchema } from '../model/machine';
import { assessed, machineOf, swapped, partLike } from '../tests/world';
import { planOf } from './plan';
import { progressOf } from './progress';

const plan = planOf(assessed());
const doneOn = (...ids: string[]) => ({ assembly: Object.fromEntries(ids.map((id) => [id, { on: '2026-05-18' }])) });

describe('how far an assembly is', () => {
  test('nothing done: what stands on nothing can begin', () => {
    const { done, ready, minutesLeft } = progressOf(plan, {});
    expect(done).toEqual([]);
    expect(minutesLeft).toBe(plan.minutes);
    expect(ready.map(({ id }) => id)).toEqual(['case', 'processor', 'module a2', 'module b2', 'drive ssd-1', 'kit']);
  });

  test('what waits is free once all before it is done', () => {
    const { ready, minutesLeft } = progressOf(plan, doneOn('case', 'kit'));
    expect(ready.map(({ id }) => id)).toContain('board');
    expect(minutesLeft).toBe(plan.minutes - 6 - 6);
  });

  test('what lies over a place that is still needed is told', () => {
    const [early] = progressOf(plan, doneOn('case', 'board', 'card card-1')).early;
    expect(early?.step.id).toBe('board');
    expect(early?.waiting.map(({ id }) => id)).toEqual(['kit']);
    const card = progressOf(plan, doneOn('case', 'kit', 'board', 'card card-1')).early[0];
    expect(card?.waiting.map(({ id }) => id)).toContain('data disk-1');
  });

  test('a part that is swapped keeps what is done, and what is gone comes off', () => {
    const other = planOf(
      assessed({
        addParts: [
          {
            ...partLike('ssd'),
            id: 'sata-ssd',
            name: 'Test SATA',
            interface: 'SATA',
            form: '2.5"',
            lanes: undefined,
            generation: undefined,
          },
        ],
        items: swapped('ssd-1', 'sata-ssd'),
      }),
    );
    const { done, off } = progressOf(other, doneOn('case', 'processor', 'drive ssd-1', 'data disk-1', 'card nothing'));
    expect(done.map(({ id }) => id)).toEqual(['case', 'processor', 'drive ssd-1', 'data disk-1']);
    expect(off).toEqual(['card nothing']);
  });

  test('is kept in the machine, step by step, and undone', () => {
    const machine = machineOf();
    const one = editMachine(machine, { kind: 'assembled', step: 'case', done: { on: '2026-05-18', by: 'Ruan' } });
    expect(machineSchema.parse(one).assembly).toEqual({ case: { on: '2026-05-18', by: 'Ruan' } });
    expect(editMachine(one, { kind: 'assembled', step: 'case', done: { on: '2026-05-18', by: 'Ruan' } })).toBe(one);
    expect(editMachine(one, { kind: 'assembled', step: 'case' })).toEqual(machine);
    expect(editMachine(machine, { kind: 'assembled', step: 'case' })).toBe(machine);
  });
});
