import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const memorySlots: Rule = {
  id: 'memory-slots',
  reads: ['memory', 'board', 'memory state'],
  levels: ['blocks', 'unproven'],
  check: ({ parts, memory }) => {
    const board = parts.one('board');
    const kits = parts.ofKind('memory');
    if (!board || kits.length === 0) return [];
    const unsure = kits.filter((kit) => kit.part.modules === undefined).map((kit) => [kit, 'modules'] as const);
    if (memory.slots === undefined || memory.modulesWanted === undefined)
      return [
        unknown('memory-slots', ...unsure, ...(memory.slots === undefined ? [[board, 'memorySlots'] as const] : [])),
      ];
    return [
      {
        level: memory.modulesWanted <= memory.slots ? 'passes' : 'blocks',
        code: 'memory-slots',
        items: idsOf(...kits, board),
        modules: memory.modulesWanted,
        slots: memory.slots,
        board: nameOf(board),
      },
    ];
  },
};
