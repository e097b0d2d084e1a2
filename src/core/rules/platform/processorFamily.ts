import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const processorFamily: Rule = {
  id: 'processor-family',
  reads: ['processor', 'board'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const processor = parts.one('processor');
    const board = parts.one('board');
    if (
      !processor ||
      !board ||
      (processor.part.socket !== undefined &&
        board.part.socket !== undefined &&
        processor.part.socket !== board.part.socket)
    )
      return [];
    const family = processor.part.family;
    const list = board.part.processorFamilies;
    if (family === undefined || list === undefined)
      return [
        unknown(
          'processor-family',
          ...(family === undefined ? [[processor, 'family'] as const] : []),
          ...(list === undefined ? [[board, 'processorFamilies'] as const] : []),
        ),
      ];
    const supported = list.some((entry) => entry.family === family);
    return [
      {
        level: supported ? 'passes' : 'blocks',
        code: 'family',
        items: idsOf(processor, board),
        processor: nameOf(processor),
        family,
        board: nameOf(board),
      },
    ];
  },
};
