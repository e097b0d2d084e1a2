import { idsOf, unknown, type Rule } from '../rule';

export const memoryChannels: Rule = {
  id: 'memory-channels',
  reads: ['memory', 'memory state', 'processor'],
  levels: ['caution', 'unproven'],
  check: ({ parts, memory }) => {
    const processor = parts.one('processor');
    // a board may have more channels than the processor drives: without its count nobody knows whether all are filled
    if (processor && processor.part.memoryChannels === undefined && memory.modules.length > 0)
      return [unknown('memory-channels', [processor, 'memoryChannels'])];
    // unknown modules or slots are reported by memory-slots
    if (memory.even === undefined || memory.channels === undefined || memory.channelsPopulated === undefined) return [];
    return [
      {
        level: memory.even ? 'passes' : 'caution',
        code: 'memory-channels',
        items: idsOf(...parts.ofKind('memory')),
        populated: memory.channelsPopulated,
        channels: memory.channels,
        even: memory.even,
        spread: memory.spread,
        adds: ['memory'],
      },
    ];
  },
};
