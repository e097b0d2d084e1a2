import { idsOf, type Rule } from '../rule';

export const memoryChannels: Rule = {
  id: 'memory-channels',
  holds: 'every memory channel is populated alike',
  compares: 'channels populated with channels there',
  reads: ['memory', 'memory state'],
  levels: ['caution'],
  source: 'definition',
  check: ({ parts, memory }) => {
    // unknown modules or slots are reported by memory-slots
    if (memory.even === undefined || memory.channels === undefined || memory.channelsPopulated === undefined) return [];
    return [
      {
        rule: 'memory-channels',
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
