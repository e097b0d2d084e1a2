import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const picturePath: Rule = {
  id: 'picture-path',
  reads: ['graphics', 'processor', 'board'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const processor = parts.one('processor');
    const card = parts.one('graphics');
    if (card)
      return [
        {
          level: 'passes',
          code: 'picture-path',
          items: idsOf(card),
          processor: nameOf(card),
          from: 'graphics',
        },
      ];
    if (!processor) return [];
    const integrated = processor.part.integratedGraphics;
    if (integrated === undefined) return [unknown('integrated-graphics', [processor, 'integratedGraphics'])];
    const board = parts.one('board');
    if (integrated !== 'none' && board) {
      const outputs = board.part.displayOutputs;
      if (outputs === undefined) return [unknown('board-outputs', [board, 'displayOutputs'])];
      if (outputs.length === 0)
        return [
          {
            level: 'blocks',
            code: 'picture-path',
            items: idsOf(processor, board),
            processor: nameOf(processor),
            from: 'no-output',
            board: nameOf(board),
            adds: ['graphics'],
          },
        ];
    }
    return [
      {
        level: integrated === 'none' ? 'blocks' : 'passes',
        code: 'picture-path',
        items: idsOf(processor),
        processor: nameOf(processor),
        from: integrated === 'none' ? 'none' : 'processor',
        adds: ['graphics'],
      },
    ];
  },
};
