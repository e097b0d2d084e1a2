import { GIB } from '../../units/quantity';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const memoryCapacity: Rule = {
  id: 'memory-capacity',
  reads: ['memory', 'board', 'processor', 'memory state'],
  levels: ['blocks', 'unproven'],
  check: ({ parts, memory }) => {
    const board = parts.one('board');
    const processor = parts.one('processor');
    const kits = parts.ofKind('memory');
    const checks: Said[] = [];
    for (const kit of kits) {
      if (!board) break;
      const gib = kit.part.moduleGiB;
      const limitGib = board.part.moduleLimitGiB;
      if (gib === undefined || limitGib === undefined)
        checks.push(
          unknown(
            'module-size',
            ...(gib === undefined ? [[kit, 'moduleGiB'] as const] : []),
            ...(limitGib === undefined ? [[board, 'moduleLimitGiB'] as const] : []),
          ),
        );
      else
        checks.push({
          level: gib <= limitGib ? 'passes' : 'blocks',
          code: 'module-capacity',
          items: idsOf(kit, board),
          kit: nameOf(kit),
          gib,
          limitGib,
          board: nameOf(board),
        });
    }
    if (memory.bytes === undefined) return checks;
    for (const holder of [board, processor]) {
      if (!holder) continue;
      const limitGib = holder.part.memoryLimitGiB;
      const gib = memory.bytes / GIB;
      if (limitGib === undefined) checks.push(unknown('memory-limit', [holder, 'memoryLimitGiB']));
      else
        checks.push({
          level: gib <= limitGib ? 'passes' : 'blocks',
          code: 'memory-capacity',
          items: idsOf(...kits, holder),
          gib,
          limitGib,
          against: nameOf(holder),
        });
    }
    return checks;
  },
};
