import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Two lists say which memory was tried with which board: the board maker's and the memory maker's. */
export const testedMemory: Rule = {
  id: 'tested-memory',
  reads: ['memory', 'board'],
  byIdentity: true,
  levels: ['note', 'unproven'],
  check: ({ parts }) => {
    const board = parts.one('board');
    if (!board) return [];
    const seen = new Set<string>();
    return parts.ofKind('memory').flatMap((kit): Said[] => {
      if (seen.has(kit.part.id)) return [];
      seen.add(kit.part.id);
      const byBoard = board.part.testedMemory?.includes(kit.part.id);
      const byKit = kit.part.testedBoards?.includes(board.part.id);
      if (!byBoard && !byKit && (byBoard === undefined || byKit === undefined))
        return [
          unknown(
            'tested-memory',
            ...(byBoard === undefined ? [[board, 'testedMemory'] as const] : []),
            ...(byKit === undefined ? [[kit, 'testedBoards'] as const] : []),
          ),
        ];
      return [
        {
          level: byBoard || byKit ? 'passes' : 'note',
          code: 'tested-memory',
          items: idsOf(kit),
          kit: nameOf(kit),
          board: nameOf(board),
          byBoard,
          byKit,
        },
      ];
    });
  },
};
