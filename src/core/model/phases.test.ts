import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from './catalogue';
import { editMachine, type MachineEdit } from './edits';
import { machineSchema, type Machine } from './machine';
import { partId } from '../parts';
import { editIn } from './editIn';
import { inPhase, phasesOf, plainItem } from './phases';
import { briefOf, dataOf, machineOf } from '../tests/world';

const later = editMachine(machineOf(), {
  kind: 'set-phase',
  phase: { id: 'later', name: 'Second kit', on: '2027-03-01' },
});
const edited = (machine: Machine, phase: string, edit: MachineEdit) =>
  editMachine(machine, editIn(machine, phase, edit));
const ids = (machine: Machine) => machine.items.map((item) => item.id);
const swap: MachineEdit = { kind: 'swap', item: 'kit-1', part: partId('disk'), label: 'Other' };

describe('a machine with a later phase', () => {
  test('is one machine in each phase; without one both are the machine itself', () => {
    expect(inPhase(machineOf(), 'later')).toEqual(machineOf());
    expect(inPhase(later, 'now').items).toEqual(later.items);
    expect(inPhase(later, 'now')).toBe(inPhase(later, 'now'));
  });

  test('what is added in the later phase is not in the first, and costs only there', () => {
    const machine = edited(later, 'later', { kind: 'add', item: { id: 'kit-2', part: partId('kit') } });
    expect(ids(inPhase(machine, 'now'))).not.toContain('kit-2');
    expect(ids(inPhase(machine, 'later'))).toContain('kit-2');
    const context = contextOf(compileCatalogue(dataOf()), '2026-05-18');
    const total = (phase: string) => assess(inPhase(machine, phase), briefOf(), context).facts.price.total.landedMinor;
    // nine parts of 100.00 and 7.5 % tax now, one of them later
    expect(total('now')).toBe(9 * 107_50);
    expect(total('later')).toBe(107_50);
    expect(assess(machine, briefOf(), context).facts.machine.items).toHaveLength(9);
  });

  test('a swap in the later phase keeps the first as it was', () => {
    const machine = edited(later, 'later', swap);
    expect(inPhase(machine, 'now').items.find((item) => item.id === 'kit-1')?.part).toBe('kit');
    expect(inPhase(machine, 'later').items.find((item) => item.id === 'kit-1')).toBeUndefined();
    expect(inPhase(machine, 'later').items.find((item) => item.id === 'kit-1-later')).toMatchObject({
      part: 'disk',
      label: 'Other',
    });
  });

  test('every rule runs on each phase: a second kit lowers the supported rate only later', () => {
    const machine = edited(later, 'later', { kind: 'add', item: { id: 'kit-2', part: partId('kit') } });
    const context = contextOf(compileCatalogue(dataOf()), '2026-05-18');
    const cautions = (phase: string) =>
      assess(inPhase(machine, phase), briefOf(), context)
        .findings.filter((finding) => finding.level === 'caution')
        .map((finding) => finding.code);
    expect(cautions('now')).toEqual([]);
    expect(cautions('later')).toEqual(['memory-rate']);
  });

  test('taken out later stays in the first; taken out of the first it is out of both', () => {
    const kept = edited(later, 'later', { kind: 'remove', item: 'disk-1' });
    expect(ids(inPhase(kept, 'now'))).toContain('disk-1');
    expect(ids(inPhase(kept, 'later'))).not.toContain('disk-1');
    expect(ids(inPhase(edited(later, 'now', { kind: 'remove', item: 'disk-1' }), 'later'))).not.toContain('disk-1');
  });

  test('an id that only the first phase uses is not taken twice, and a pin follows the new one', () => {
    const retired = edited(later, 'later', { kind: 'remove', item: 'disk-1' });
    const machine = edited(retired, 'later', {
      kind: 'several',
      edits: [
        { kind: 'add', item: { id: 'disk-1', part: partId('disk') } },
        { kind: 'pin', item: 'disk-1', slot: 'sata-2' },
      ],
    });
    expect(ids(inPhase(machine, 'later'))).toContain('disk-1-2');
    expect(machine.pins).toEqual({ 'disk-1-2': 'sata-2' });
  });

  test('dropping the phase leaves the machine as built first', () => {
    const changes = [
      swap,
      { kind: 'add', item: { id: 'kit-2', part: partId('kit') } },
      { kind: 'remove', item: 'disk-1' },
    ] as const;
    const machine = changes.reduce<Machine>((machine, change) => edited(machine, 'later', change), later);
    expect(editMachine(machine, { kind: 'drop-phase', phase: 'later' })).toEqual(machineOf());
  });

  test('whatever is done to the later phase, the first stays as it was', () => {
    const items = fc.constantFrom(...ids(later));
    const edit = fc.oneof(
      fc.record({ kind: fc.constant('remove' as const), item: items }),
      fc.record({
        kind: fc.constant('swap' as const),
        item: items,
        part: fc.constantFrom(partId('kit'), partId('ssd')),
        label: fc.constant('x'),
      }),
      fc.record({
        kind: fc.constant('add' as const),
        item: fc.record({ id: fc.constantFrom('new-1', 'new-2', 'kit-1'), part: fc.constant(partId('ssd')) }),
      }),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 8 }), (edits) => {
        const machine = edits.reduce<Machine>((machine, change) => edited(machine, 'later', change), later);
        const plain = (of: Machine) => of.items.map(plainItem);
        expect(plain(inPhase(machine, 'now'))).toEqual(plain(inPhase(later, 'now')));
        expect(new Set(ids(machine)).size).toBe(machine.items.length);
      }),
    );
  });
});

describe('a machine with several phases', () => {
  const three = (['half', 'full', 'last'] as const).reduce<Machine>(
    (machine, id, i) => editMachine(machine, { kind: 'set-phase', phase: { id, name: id, on: `202${7 + i}-03-01` } }),
    machineOf(),
  );
  const add = (id: string, part = 'kit'): MachineEdit => ({ kind: 'add', item: { id, part: partId(part) } });

  test('what comes in one stays in those after it, until another takes it out', () => {
    const machine = edited(edited(three, 'half', add('kit-2')), 'last', { kind: 'remove', item: 'kit-2' });
    expect(phasesOf(machine).map((phase) => ids(inPhase(machine, phase)).includes('kit-2'))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    // it is paid when it comes, and stands there afterwards
    expect(inPhase(machine, 'half').items.find(({ id }) => id === 'kit-2')).not.toHaveProperty('owned');
    expect(inPhase(machine, 'full').items.find(({ id }) => id === 'kit-2')).toMatchObject({ owned: true, stood: true });
  });

  test('what is swapped goes when the first of the two would have gone', () => {
    const going = edited(edited(three, 'half', add('kit-2')), 'last', { kind: 'remove', item: 'kit-2' });
    const machine = edited(going, 'full', { kind: 'swap', item: 'kit-2', part: partId('disk'), label: 'Other' });
    expect(machine.items.filter(({ id }) => id.startsWith('kit-2'))).toMatchObject([
      { id: 'kit-2', from: 'half', until: 'full' },
      { id: 'kit-2-later', from: 'full', until: 'last' },
    ]);
  });

  test('a phase in the middle is dropped with what it changes; the others stay', () => {
    const machine = edited(edited(three, 'half', add('kit-2')), 'full', {
      kind: 'swap',
      item: 'kit-2',
      part: partId('disk'),
      label: 'Other',
    });
    const without = editMachine(machine, { kind: 'drop-phase', phase: 'full' });
    expect(phasesOf(without)).toEqual(['now', 'half', 'last']);
    expect(without.items.at(-1)).toMatchObject({ id: 'kit-2', from: 'half' });
    expect(without.items.at(-1)).not.toHaveProperty('until');
  });

  test.each([
    [
      'an id twice',
      {
        phases: [
          { id: 'a', name: 'A' },
          { id: 'a', name: 'B' },
        ],
      },
      /used twice among the phases/,
    ],
    [
      'days that do not rise',
      {
        phases: [
          { id: 'a', name: 'A', on: '2028-03-01' },
          { id: 'b', name: 'B', on: '2027-03-01' },
        ],
      },
      /"B" on 2027-03-01 cannot follow "A" on 2028-03-01/,
    ],
    [
      'an item of a phase that is not there',
      { phases: [{ id: 'a', name: 'A' }], items: [{ id: 'x', part: 'kit', from: 'b' }] },
      /names the phase "b", which this machine lacks/,
    ],
    [
      'an item that goes before it comes',
      { phases: [{ id: 'a', name: 'A' }], items: [{ id: 'x', part: 'kit', from: 'a', until: 'a' }] },
      /goes before it has come/,
    ],
  ])('%s is refused in a sentence', (_, change, message) => {
    const read = machineSchema.safeParse({ id: 'm', name: 'M', items: [], ...change });
    expect(read.error?.issues.map((issue) => issue.message).join()).toMatch(message);
  });

  test('a span that ends before it begins, or names no phase, changes nothing', () => {
    const span = (from: string, until?: string): Machine =>
      editMachine(three, { kind: 'span', item: 'disk-1', from, ...(until === undefined ? {} : { until }) });
    expect(span('full', 'half')).toBe(three);
    expect(span('nowhere')).toBe(three);
    expect(span('now', 'full').items.find(({ id }) => id === 'disk-1')).toMatchObject({ until: 'full' });
  });
});
