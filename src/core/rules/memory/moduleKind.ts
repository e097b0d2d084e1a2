import type { Fitted } from '../../model/fitted';
import type { PartOf } from '../../parts';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

type ModuleKind = NonNullable<PartOf<'memory'>['moduleKind']>;

/** Small-outline modules are unbuffered ones of another shape: to the processor they are the same. */
const electrically = (kind: ModuleKind): 'unbuffered' | 'registered' =>
  kind === 'registered' ? 'registered' : 'unbuffered';

export const moduleKind: Rule = {
  id: 'module-kind',
  reads: ['memory', 'board', 'processor'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const board = parts.one('board');
    const processor = parts.one('processor');
    return parts.ofKind('memory').flatMap((kit): Said[] => {
      const mine = kit.part.moduleKind;
      if (mine === undefined) return board || processor ? [unknown('module-kind', [kit, 'moduleKind'])] : [];
      return [
        ...(board ? [onBoard(kit, mine, board)] : []),
        ...(processor ? underProcessor(kit, mine, processor) : []),
      ];
    });
  },
};

function onBoard(kit: Fitted<'memory'>, mine: ModuleKind, board: Fitted<'board'>): Said {
  const wants = board.part.moduleKind;
  if (wants === undefined) return unknown('module-kind-on-board', [board, 'moduleKind']);
  return {
    level: mine === wants ? 'passes' : 'blocks',
    code: 'module-kind',
    items: idsOf(kit, board),
    kit: nameOf(kit),
    moduleKind: mine,
    against: nameOf(board),
    wants,
  };
}

/** What the processor runs of the kit's generation; another generation is told by its own rule. */
function underProcessor(kit: Fitted<'memory'>, mine: ModuleKind, processor: Fitted<'processor'>): Said[] {
  const support = processor.part.memory;
  if (support === undefined) return [unknown('module-kind-by-processor', [processor, 'memory'])];
  const kinds = support.filter((entry) => entry.generation === kit.part.generation).flatMap((entry) => entry.kinds);
  if (kinds.length === 0) return [];
  return [
    {
      level: kinds.some((kind) => electrically(kind) === electrically(mine)) ? 'passes' : 'blocks',
      code: 'module-kind',
      items: idsOf(kit, processor),
      kit: nameOf(kit),
      moduleKind: mine,
      against: nameOf(processor),
      wants: [...new Set(kinds)].join(' or '),
    },
  ];
}
