import { describe, expect, test } from 'vitest';
import { contextOf, freshSubject } from '../../assess';
import { compileCatalogue } from '../../model/catalogue';
import { taskKinds, type TaskKind } from '../../model/tasks';
import { partSchemas, type Part, type PartKind } from '../../parts';
import type { SittingResult } from '../../predict/results';
import { CAPTURE, CARD, MIXER, SECOND_CARD, taskOf } from '../../tests/studio';
import { TODAY } from '../../tests/shops';
import { briefOf, dataOf, FAN, machineOf, plus, type Change } from '../../tests/world';
import { UNREAD, UNREAD_COLD, UNREAD_SEATED, type Figures } from './unread';

const CHANGE: Change = {
  addParts: [CAPTURE, MIXER, FAN],
  parts: {
    cpu: { fp32PerClock: 32, fp64PerClock: 16 },
    card: CARD,
    ssd: { writeCacheGB: 100 },
    cooler: { lightHeaders: 1 },
  },
  items: plus({ id: 'capture-1', part: 'capture' }, SECOND_CARD, { id: 'fan-1', part: 'fan' }),
};
const DATA = dataOf(CHANGE);
const MACHINE = machineOf(CHANGE);
const KINDS = taskKinds.map((schema): TaskKind => schema.shape.kind.value);

/** Another value than a figure has; what is to be seen by nobody need not make sense. */
const other = (value: unknown): unknown =>
  typeof value === 'number'
    ? value * 3 + 1
    : typeof value === 'boolean'
      ? !value
      : typeof value === 'string'
        ? `no ${value}`
        : Array.isArray(value)
          ? []
          : {};

/** All parts of a kind with figures gone, or with others. */
const altered = (kind: PartKind, fields: readonly string[], how: 'gone' | 'other'): Part[] =>
  DATA.parts.map((part): Part => {
    if (part.kind !== kind) return part;
    const entries = Object.entries(part).flatMap(([field, value]): [string, unknown][] =>
      !fields.includes(field) ? [[field, value]] : how === 'gone' ? [] : [[field, other(value)]],
    );
    return Object.fromEntries(entries) as unknown as Part;
  });

/** What predictions say, in figures only: names of parts are not what they depend on. */
const said = (results: readonly SittingResult[]) =>
  results.map(({ tasks }) =>
    tasks.map(({ task, verdict, gets, ratio, binds, impossible, atMost }) => ({
      task,
      verdict,
      gets,
      ratio,
      binds,
      impossible: impossible.map(({ code }) => code),
      atMost,
    })),
  );

function predicted(kind: TaskKind, parts: readonly Part[], cold: boolean) {
  const task = taskOf(kind);
  const brief = briefOf({
    brief: { tasks: [task], sittings: [{ id: 'all', name: 'All', hoursPerWeek: 10, tasks: [task.id] }] },
  });
  const context = contextOf(compileCatalogue({ ...DATA, parts: [...parts] }), TODAY);
  const subject = freshSubject(brief, context);
  return said(cold ? subject.coldOf(MACHINE) : subject.factsOf(MACHINE).sittings);
}

describe.each([
  ['with heat', UNREAD, false],
  ['at full clocks', UNREAD_COLD, true],
  ['at full clocks, with their slots', UNREAD_SEATED, true],
] as const)('figures that predictions do not depend on, %s', (_what, unread: Figures, cold) => {
  const plain = new Map(KINDS.map((kind) => [kind, predicted(kind, DATA.parts, cold)]));

  test.each(Object.entries(unread) as [PartKind, readonly string[]][])('of the %s', (kind, fields) => {
    // bounds that know a card know no board yet; here it has to find its slot
    const seated = fields.filter((field) => !(unread === UNREAD_COLD && kind === 'graphics' && field === 'slots'));
    for (const how of ['gone', 'other'] as const) {
      const parts = altered(kind, seated, how);
      for (const task of KINDS) expect(predicted(task, parts, cold), `${task}, ${how}`).toEqual(plain.get(task));
    }
  });

  test('they are figures of their kinds', () => {
    for (const [kind, fields] of Object.entries(unread) as [PartKind, readonly string[]][])
      expect(fields.filter((field) => !(field in partSchemas[kind].shape))).toEqual([]);
  });
});

test('the test can tell: what is read changes what is predicted', () => {
  const parts = altered('graphics', ['fp32Tflops'], 'gone');
  expect(predicted('edit-play', parts, false)).not.toEqual(predicted('edit-play', DATA.parts, false));
  const hot = altered('processor', ['packageKPerW'], 'other');
  expect(predicted('build', hot, false)).not.toEqual(predicted('build', DATA.parts, false));
  expect(predicted('build', hot, true)).toEqual(predicted('build', DATA.parts, true));
});
