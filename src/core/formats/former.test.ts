import { expect, test } from 'vitest';
import { machineSchema } from '../model/machine';
import { inPhase } from '../model/phases';
import { FORMER } from '../tests/former';
import { asNow } from './former';

test('a machine that had one later phase has it still, wherever in a file it stands', () => {
  const read = asNow({ machines: [FORMER], brief: { name: 'as it was' } }) as { machines: unknown[]; brief: unknown };
  const machine = machineSchema.parse(read.machines[0]);
  expect(machine.phases).toEqual([{ id: 'later', name: 'Next year', on: '2027-03-01' }]);
  const ids = (phase: string) => inPhase(machine, phase).items.map(({ id }) => id);
  expect(ids('now')).toEqual(['a', 'b']);
  expect(ids('later')).toEqual(['a', 'c']);
  expect(read.brief).toEqual({ name: 'as it was' });
  expect(asNow(machine)).toEqual(machine);
});
