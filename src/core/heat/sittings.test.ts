import { expect, test } from 'vitest';
import { contextOf, freshSubject } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { assessed, briefOf, BUSY, dataOf, DESK, machineOf, PLAY } from '../tests/world';
import { TODAY } from '../tests/shops';
import { heatOf } from './state';

const BRIEF = {
  tasks: [PLAY, ...BUSY.tasks],
  sittings: [
    { id: 'cut', name: 'Cut', hoursPerWeek: 10, tasks: ['play', 'desk'] },
    { id: 'export', name: 'Export', hoursPerWeek: 5, tasks: ['export', 'desk'] },
  ],
};

test('a sitting that is asked for by itself is what it is among all, and nothing else is run for it', () => {
  const { facts } = assessed({ brief: BRIEF });
  const ran = [0, 0];
  const answer = heatOf(
    undefined,
    facts.parts,
    facts.brief,
    115,
    facts.sittings.map((result, i) => () => {
      ran[i] = (ran[i] ?? 0) + 1;
      return result;
    }),
  );
  const alone = answer.sittings[1]?.();
  expect(ran[0]).toBe(0);
  const runs = ran[1];
  expect(runs).toBeGreaterThan(0);
  expect(answer.results[1]).toBe(alone?.result);
  expect(answer.heat.sittings[1]).toBe(alone?.heat);
  expect(answer.drawn[1]).toBe(alone?.drawn);
  // it is not run again when all are asked for
  expect(ran[1]).toBe(runs);
  expect(ran[0]).toBeGreaterThan(0);
});

test('a subject tells of sittings one by one what it tells of them together', () => {
  const subject = freshSubject(briefOf({ brief: BRIEF }), contextOf(compileCatalogue(dataOf()), TODAY));
  const machine = machineOf();
  const one = subject.sittingsOf(machine).map((settled) => settled().result);
  expect(one).toEqual(subject.factsOf(machine).sittings);
  expect(one.map(({ sitting }) => sitting)).toEqual(['cut', 'export']);
  expect(one.flatMap(({ tasks }) => tasks.map(({ task }) => task))).toContain(DESK.id);
});
