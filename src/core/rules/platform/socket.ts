import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const socket: Rule = {
  id: 'socket',
  reads: ['processor', 'board'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const processor = parts.one('processor');
    const board = parts.one('board');
    if (!processor || !board) return [];
    const mine = processor.part.socket;
    const its = board.part.socket;
    if (mine === undefined || its === undefined)
      return [
        unknown(
          'processor-socket',
          ...(mine === undefined ? [[processor, 'socket'] as const] : []),
          ...(its === undefined ? [[board, 'socket'] as const] : []),
        ),
      ];
    return [
      {
        level: mine === its ? 'passes' : 'blocks',
        code: 'sockets',
        items: idsOf(processor, board),
        name: nameOf(processor),
        socket: mine,
        board: nameOf(board),
        boardSocket: its,
      },
    ];
  },
};
