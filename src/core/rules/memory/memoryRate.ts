import { unknown, idsOf, type Rule } from '../rule';

export const memoryRate: Rule = {
  id: 'memory-rate',
  reads: ['memory', 'board', 'processor', 'memory state'],
  levels: ['caution', 'note', 'unproven'],
  mendedBy: ['profile off'],
  check: ({ parts, memory, machine }) => {
    const board = parts.one('board');
    const processor = parts.one('processor');
    const kits = parts.ofKind('memory');
    if (!board || !processor || kits.length === 0) return [];
    const { profileMTs, supportedByProcessorMTs: processorMTs, supportedByBoardMTs: boardMTs, effectiveMTs } = memory;
    if (
      profileMTs === undefined ||
      processorMTs === undefined ||
      boardMTs === undefined ||
      effectiveMTs === undefined
    ) {
      const missing = [
        ...kits.flatMap((kit) =>
          (['rateMTs', 'ranks', 'standardRateMTs'] as const)
            .filter((field) => kit.part[field] === undefined)
            .map((field) => [kit, field] as const),
        ),
        ...(board.part.memoryRateMTs === undefined ? [[board, 'memoryRateMTs'] as const] : []),
        ...(boardMTs === undefined && board.part.memoryRateMTs !== undefined ? [[board, 'memoryRates'] as const] : []),
        ...(processorMTs === undefined ? [[processor, 'memory'] as const] : []),
      ];
      return missing.length === 0 ? [] : [unknown('memory-rate', ...missing)];
    }
    const above = effectiveMTs > Math.min(processorMTs, boardMTs);
    const held = machine.memoryProfile !== 'off' && profileMTs > effectiveMTs;
    return [
      {
        level: above ? 'caution' : held ? 'note' : 'passes',
        code: 'memory-rate',
        items: idsOf(...kits),
        profileMTs,
        processorMTs,
        boardMTs,
        effectiveMTs,
      },
    ];
  },
};
