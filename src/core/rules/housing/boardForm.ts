import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const boardForm: Rule = {
  id: 'board-form',
  reads: ['board', 'case'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const board = parts.one('board');
    const chassis = parts.one('case');
    if (!board || !chassis) return [];
    const { form } = board.part;
    const takes = chassis.part.boardForms;
    if (form === undefined || takes === undefined)
      return [
        unknown(
          'board-in-case',
          ...(form === undefined ? [[board, 'form'] as const] : []),
          ...(takes === undefined ? [[chassis, 'boardForms'] as const] : []),
        ),
      ];
    return [
      {
        level: takes.includes(form) ? 'passes' : 'blocks',
        code: 'board-form',
        items: idsOf(board, chassis),
        board: nameOf(board),
        form,
        chassis: nameOf(chassis),
        takes,
      },
    ];
  },
};
