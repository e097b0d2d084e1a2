import { expect, test } from 'vitest';
import { machineSchema } from '../model/machine';
import { inPhase } from '../model/phases';
import { asNow } from './former';

test('a machine that had one later phase has it still, wherever in a file it stands', () => {
  const former = {
    id: 'm',
    name: 'M',
    later: { name: 'Next year', on: '2027-03-01' },
    items: [
      { id: 'a', part: 'kit' },
      { id: 'b', part: 'disk', phase: 'now' },
      { id: 'c', part: 'ssd', phase: 'later' },
    ],
  };
  const read = asNow({ machines: [former], brief: { name: 'as it was' } }) as { machines: unknown[]; brief: unknown };
  const machine = machineSchema.parse(read.machines[0]);
  expect(machine.phases).toEqual([{ id: 'later', name: 'Next year', on: '2027-03-01' }]);
  const ids = (phase: string) => inPhase(machine, phase).items.map(({ id }) => id);
  expect(ids('now')).toEqual(['a', 'b']);
  expect(ids('later')).toEqual(['a', 'c']);
  expect(read.brief).toEqual({ name: 'as it was' });
  expect(asNow(machine)).toEqual(machine);
});
