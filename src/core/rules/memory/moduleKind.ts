import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

export const moduleKind: Rule = {
  id: 'module-kind',
  holds: 'the modules are of the kind the board takes',
  compares: "each kit's module kind with the board's",
  reads: ['memory', 'board', 'processor'],
  levels: ['blocks', 'unproven'],
  source: 'definition',
  check: ({ parts }) => {
    const board = parts.one('board');
    if (!board) return [];
    return parts.ofKind('memory').map((kit): Check => {
      const mine = kit.part.moduleKind;
      const wants = board.part.moduleKind;
      if (mine === undefined || wants === undefined)
        return unknown(
          'module-kind',
          'whether the modules fit the board',
          ...(mine === undefined ? [[kit, 'moduleKind'] as const] : []),
          ...(wants === undefined ? [[board, 'moduleKind'] as const] : []),
        );
      return {
        rule: 'module-kind',
        level: mine === wants ? 'passes' : 'blocks',
        code: 'module-kind',
        items: idsOf(kit, board),
        kit: nameOf(kit),
        moduleKind: mine,
        against: nameOf(board),
        wants,
      };
    });
  },
};
