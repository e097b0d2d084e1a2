import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const profileKind: Rule = {
  id: 'profile-kind',
  reads: ['memory', 'board', 'memory state'],
  levels: ['caution', 'unproven'],
  mendedBy: ['profile off'],
  check: ({ parts, machine, memory }) => {
    const board = parts.one('board');
    if (!board || machine.memoryProfile === 'off') return [];
    return parts.ofKind('memory').flatMap((kit): Said[] => {
      const profile = kit.part.profileKind;
      if (profile === 'none') return [];
      const reads = board.part.profileKinds;
      if (profile === undefined || reads === undefined)
        return [
          unknown(
            'profile-kind',
            ...(profile === undefined ? [[kit, 'profileKind'] as const] : []),
            ...(reads === undefined ? [[board, 'profileKinds'] as const] : []),
          ),
        ];
      return [
        {
          level: reads.includes(profile) ? 'passes' : 'caution',
          code: 'profile-kind',
          items: idsOf(kit, board),
          kit: nameOf(kit),
          profile,
          board: nameOf(board),
          reads: reads.join(' and '),
          effectiveMTs: memory.effectiveMTs,
        },
      ];
    });
  },
};
