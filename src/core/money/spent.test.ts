import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import type { Machine } from '../model/machine';
import { inPhase } from '../model/phases';
import { assessed, briefOf, dataOf, machineOf, plus, type Change } from '../tests/world';
import { lackingWords } from '../words/money';
import { basketFor } from '../versus/basketFor';
import { lackingOf, notActivated } from './spent';

const system = (moves: boolean | undefined) => ({
  kind: 'system',
  id: 'system',
  maker: 'Ringmere',
  name: 'Desk',
  ...(moves === undefined ? {} : { moves }),
});
const owned = (moves: boolean | undefined, present = false): Change => ({
  items: plus({ id: 'system-1', part: 'system', owned: true }),
  addParts: [system(moves)],
  machine: { present },
});
const lacking = (change: Change) => lackingOf(assessed(change).facts);

describe('what a total still lacks', () => {
  test.each([
    ['owned', []],
    ['not needed', []],
    ['wanted', ['keyboard']],
  ])('a keyboard that is %s', (keyboard, expected) => {
    const change: Change = { brief: { whole: { system: 'owned', keyboard, pointing: 'owned' } } };
    expect(lacking(change)).toEqual(expected);
    expect(basketFor(assessed(change)).lowerBound).toBe(expected.length > 0);
  });

  test('one that is in the machine is not lacking, nor a display that the brief names', () => {
    const wanted = { whole: { system: 'owned', keyboard: 'wanted', pointing: 'owned', display: 'wanted' } };
    expect(
      lacking({
        brief: wanted,
        items: plus({ id: 'keys-1', part: 'keys' }),
        addParts: [{ kind: 'peripheral', id: 'keys', maker: 'Ringmere', name: 'Keys', serves: ['keyboard'] }],
      }),
    ).toEqual([]);
  });

  test.each([
    ['stays with its machine', owned(false), ['activation']],
    ['moves', owned(true), []],
    ['says nothing of it', owned(undefined), []],
    ['stays, and this is its machine', owned(false, true), []],
    [
      'stays, and its board is here',
      {
        ...owned(false),
        items: (items: Record<string, unknown>[]) =>
          plus({ id: 'system-1', part: 'system', owned: true })(
            items.map((item) => (item['id'] === 'board-1' ? { ...item, owned: true } : item)),
          ),
      },
      [],
    ],
    ['is bought', { items: plus({ id: 'system-1', part: 'system' }), addParts: [system(false)] }, []],
  ] as const)('an owned system whose licence %s', (_, change, expected) => {
    const { facts, findings } = assessed(change as Change);
    expect(lackingOf(facts)).toEqual(expected);
    expect(notActivated(facts)).toHaveLength(expected.length);
    // the rule and the total say the same
    expect(findings.some(({ code }) => code === 'system-stays')).toBe(expected.length > 0);
    expect(basketFor({ facts }).lowerBound).toBe(expected.length > 0);
    expect(facts.spent().lacking).toEqual(expected);
  });

  test.each([
    ['bought with the machine has not moved', undefined, []],
    ['brought from another machine has', true, ['activation']],
  ] as const)('in a later phase, a system that was %s', (_, owned, expected) => {
    const machine: Machine = {
      ...machineOf({ items: plus({ id: 'system-1', part: 'system', ...(owned ? { owned } : {}) }) }),
      phases: [{ id: 'later', name: 'Later' }],
    };
    const context = contextOf(compileCatalogue(dataOf({ addParts: [system(false)] })), '2026-05-18');
    const { facts } = assess(inPhase(machine, 'later'), briefOf(), context);
    expect(lackingOf(facts)).toEqual(expected);
    expect(basketFor({ facts }).lowerBound).toBe(expected.length > 0);
  });

  test('it is said in words', () => {
    expect(lackingWords(['keyboard', 'activation'])).toBe(
      'Not in the total: a keyboard and a licence for the system, which is owned and not activated here.',
    );
  });
});
