import { idsOf, nameOf, type Rule } from '../rule';

export const memoryOrder: Rule = {
  id: 'memory-order',
  reads: ['memory', 'board', 'memory state'],
  levels: ['caution'],
  check: ({ parts, memory }) => {
    const board = parts.one('board');
    const slots = board?.part.memorySlots;
    // slots that are not stated are reported by memory-slots
    if (!board || !slots || memory.modules.length === 0) return [];
    const labelOf = (id: string) => slots.find((slot) => slot.id === id)?.label ?? id;
    const bad = memory.badSeats.map(({ slot }) => labelOf(slot));
    return [
      {
        level: memory.wantedSlots || bad.length > 0 ? 'caution' : 'passes',
        code: 'memory-order',
        items: idsOf(...parts.ofKind('memory')),
        seats: memory.modules.map((module) => labelOf(module.slot)),
        wanted: (memory.wantedSlots ?? []).map(labelOf),
        bad,
        board: nameOf(board),
      },
    ];
  },
};
