import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const memoryGeneration: Rule = {
  id: 'memory-generation',
  reads: ['memory', 'board', 'processor'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const board = parts.one('board');
    const processor = parts.one('processor');
    return parts.ofKind('memory').flatMap((kit): Said[] => {
      const generation = kit.part.generation;
      if (generation === undefined) return [unknown('memory-on-board', [kit, 'generation'])];
      const checks: Said[] = [];
      if (board) {
        const wants = board.part.memoryGeneration;
        checks.push(
          wants === undefined
            ? unknown('memory-on-board', [board, 'memoryGeneration'])
            : {
                level: wants === generation ? 'passes' : 'blocks',
                code: 'memory-generation',
                items: idsOf(kit, board),
                kit: nameOf(kit),
                generation,
                against: nameOf(board),
                wants,
              },
        );
      }
      if (processor) {
        const support = processor.part.memory;
        checks.push(
          support === undefined
            ? unknown('memory-by-processor', [processor, 'memory'])
            : {
                level: support.some((entry) => entry.generation === generation) ? 'passes' : 'blocks',
                code: 'memory-generation',
                items: idsOf(kit, processor),
                kit: nameOf(kit),
                generation,
                against: nameOf(processor),
                wants: support.map((entry) => entry.generation).join(' or '),
              },
        );
      }
      return checks;
    });
  },
};
