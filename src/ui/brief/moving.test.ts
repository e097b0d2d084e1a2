import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Brief } from '@/core/model/brief';
import { editBrief } from '@/core/model/edits';
import { briefOf as worldBrief } from '@/core/tests/world';
import { headOf, moveOf, standings } from './moving';

/** The standing as letters: "ab|c|d" is a and b in the first sitting, c in the second, d in none. */
const shown = (brief: Brief): string =>
  standings(brief)
    .map(({ tasks }) => tasks.join(''))
    .join('|');

function briefOf(text: string, more: Readonly<Record<string, readonly string[]>> = {}): Brief {
  const brief = worldBrief();
  const [model] = brief.tasks;
  if (!model) throw new Error('the test brief has a task');
  const parts = text.split('|').map((letters) => [...letters]);
  const sittings = parts.slice(0, -1).map((tasks, i) => ({ id: `s${i}`, name: `S${i}`, hoursPerWeek: 1, tasks }));
  return {
    ...brief,
    tasks: parts.flat().map((id) => ({ ...model, id, name: id })),
    sittings: sittings.map((sitting) => ({ ...sitting, tasks: [...sitting.tasks, ...(more[sitting.id] ?? [])] })),
  };
}
const moved = (brief: Brief, task: string, over: string): Brief => {
  const edit = moveOf(brief, task, over);
  return edit ? editBrief(brief, edit) : brief;
};

describe('a task that is moved', () => {
  test.each([
    ['down, it stands below the one it is let go on', 'abc|d|', 'a', 'c', 'bca|d|'],
    ['up, it stands above', 'abc|d|', 'c', 'a', 'cab|d|'],
    ['into another sitting, it takes the place', 'abc|de|', 'a', 'e', 'bc|dae|'],
    ['onto the head of a sitting, it stands first there', 'abc|de|', 'c', headOf('s1'), 'ab|cde|'],
    ['out of every sitting', 'abc|d|e', 'b', 'e', 'ac|d|be'],
    ['into the first sitting', 'ab|c|d', 'd', headOf('s0'), 'dab|c|'],
    ['as the last of its sitting, it takes the sitting along', 'ab|c|', 'c', 'a', 'cab|'],
  ])('%s', (_, before, task, over, after) => expect(shown(moved(briefOf(before), task, over))).toBe(after));

  test('onto itself or onto nothing, changes nothing', () => {
    expect(moveOf(briefOf('ab|'), 'a', 'a')).toBeUndefined();
    expect(moveOf(briefOf('ab|'), 'a', 'nobody')).toBeUndefined();
    const brief = briefOf('ab|');
    expect(moved(brief, 'a', headOf('s0'))).toBe(brief);
  });

  test('stays in the other sittings that it also runs in', () => {
    const brief = briefOf('ab|c|', { s1: ['b'] });
    const after = moved(brief, 'b', headOf('s0'));
    expect(after.sittings.map(({ tasks }) => tasks.join(''))).toEqual(['ba', 'cb']);
  });

  test('wherever it goes, no task is lost and none stands twice', () => {
    const places = ['a', 'b', 'c', 'd', 'e', headOf('s0'), headOf('s1'), headOf(undefined)];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...'abcde'), fc.constantFrom(...places)), { maxLength: 12 }),
        (moves) => {
          const after = moves.reduce((brief, [task, over]) => moved(brief, task, over), briefOf('abc|de|'));
          expect([...shown(after).replaceAll('|', '')].sort()).toEqual([...'abcde']);
          expect(after.tasks).toHaveLength(5);
        },
      ),
    );
  });
});
