import { describe, expect, test } from 'vitest';
import { briefSchema } from '../model/brief';
import { taskSchema } from '../model/tasks';
import { briefOf } from '../tests/world';
import { begunWork, DOORS, OFTEN } from './doors';

const all = DOORS.flatMap((door) =>
  door.sizes.flatMap((size) => OFTEN.map((often) => ({ door: door.id, size: size.id, often: often.id }))),
);

describe('the doors from the work', () => {
  test('have their own ids, three sizes each, and one is for playing and recording', () => {
    expect(new Set(DOORS.map(({ id }) => id)).size).toBe(DOORS.length);
    for (const { sizes } of DOORS) expect(new Set(sizes.map(({ id }) => id)).size).toBe(3);
    expect(DOORS.find(({ id }) => id === 'play-record')?.sat).toEqual(['scene', 'live', 'desk']);
  });

  test.each(all)('$door, $size, $often makes a brief that can be kept', (answers) => {
    const { tasks, sittings } = begunWork(answers);
    for (const task of tasks) expect(taskSchema.safeParse(task).error?.issues ?? []).toEqual([]);
    expect(briefSchema.safeParse({ ...briefOf(), tasks, sittings }).error?.issues ?? []).toEqual([]);
    // every task has its hours, and none is named that is not there
    const sat = new Set(sittings.flatMap((sitting) => sitting.tasks));
    expect([...sat].sort()).toEqual(tasks.map(({ id }) => id).sort());
  });

  test('a larger answer is more work, a more frequent one more runs', () => {
    const runs = (often: 'sometimes' | 'daily') =>
      begunWork({ door: 'film', size: 'uhd', often }).tasks.find(({ kind }) => kind === 'edit-export')?.runsPerWeek;
    // three exports a week as the trade starts, a quarter of them and two and a half times as many
    expect([runs('sometimes'), runs('daily')]).toEqual([0.75, 7.5]);
    expect(begunWork({ door: 'film', size: 'wide', often: 'daily' }).tasks[0]).toMatchObject({ width: 5424 });
    expect(() => begunWork({ door: 'film', size: 'nothing', often: 'daily' })).toThrow(RangeError);
  });
});
