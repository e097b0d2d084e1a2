import { liquidCooler } from '../housing/liquid';
import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const pumpHeader: Rule = {
  id: 'pump-header',
  reads: ['cooler', 'board'],
  levels: ['caution', 'unproven'],
  check: ({ parts }) => {
    const board = parts.one('board');
    const liquid = liquidCooler(parts);
    if (!board || !liquid) return [];
    const { cooler, sure } = liquid;
    if (!sure) return [unknown('pump', [cooler, 'type'])];
    const { pumpHeaders } = board.part;
    if (pumpHeaders === undefined) return [unknown('pump-header', [board, 'pumpHeaders'])];
    return [
      {
        level: pumpHeaders > 0 ? 'passes' : 'caution',
        code: 'pump-header',
        items: idsOf(cooler, board),
        cooler: nameOf(cooler),
        headers: pumpHeaders,
        board: nameOf(board),
      },
    ];
  },
};
