import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from './catalogue';
import { editMachine, type MachineEdit } from './edits';
import type { Machine } from './machine';
import { partId } from '../parts';
import { editIn } from './editIn';
import { inPhase } from './phases';
import { briefOf, dataOf, machineOf } from '../tests/world';

const later = editMachine(machineOf(), { kind: 'later', later: { name: 'Second kit', on: '2027-03-01' } });
const edited = (machine: Machine, phase: 'now' | 'later', edit: MachineEdit) =>
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
    const total = (phase: 'now' | 'later') =>
      assess(inPhase(machine, phase), briefOf(), context).facts.price.total.landedMinor;
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
    const cautions = (phase: 'now' | 'later') =>
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
    expect(editMachine(machine, { kind: 'later' })).toEqual({ ...machineOf() });
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
        const plain = (of: Machine) => of.items.map(({ phase: _phase, ...item }) => item);
        expect(plain(inPhase(machine, 'now'))).toEqual(plain(inPhase(later, 'now')));
        expect(new Set(ids(machine)).size).toBe(machine.items.length);
      }),
    );
  });
});
