import { mostPackageW } from '../../power/draw';
import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const boardPower: Rule = {
  id: 'board-power',
  reads: ['processor', 'board'],
  levels: ['caution', 'unproven'],
  check: ({ parts, machine }) => {
    const processor = parts.one('processor');
    const board = parts.one('board');
    if (!processor || !board) return [];
    const statedW = processor.part.maxPowerW;
    const powerW = statedW === undefined ? undefined : mostPackageW(statedW, processor.part.idlePowerW, machine.tuning);
    const sustainsW = board.part.processorPowerW;
    if (powerW === undefined || sustainsW === undefined)
      return [
        unknown(
          'board-power',
          ...(powerW === undefined ? [[processor, 'maxPowerW'] as const] : []),
          ...(sustainsW === undefined ? [[board, 'processorPowerW'] as const] : []),
        ),
      ];
    return [
      {
        level: powerW <= sustainsW ? 'passes' : 'caution',
        code: 'board-power',
        items: idsOf(processor, board),
        processor: nameOf(processor),
        powerW,
        board: nameOf(board),
        sustainsW,
      },
    ];
  },
};
