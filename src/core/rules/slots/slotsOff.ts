import { nameOf, type Said, type Rule } from '../rule';

export const slotsOff: Rule = {
  id: 'slots-off',
  holds: 'no slot is lost to a neighbour',
  compares: 'slots left with those switched off or covered',
  reads: ['wiring', 'any part'],
  levels: ['note'],
  source: 'board topology',
  mendedBy: ['another slot', 'standing upright'],
  check: ({ placement, board, parts }) => {
    if (!placement || !board) return [];
    const nameById = new Map(parts.all.map((fitted) => [fitted.item.id, nameOf(fitted)]));
    return [...placement.off].flatMap(([slot, { by, how }]): Said[] =>
      how === 'mode'
        ? []
        : [
            {
              level: 'note',
              code: 'slot-off',
              items: [by],
              slot: board.slotById.get(slot)?.label ?? slot,
              by: nameById.get(by) ?? by,
              how,
            },
          ],
    );
  },
};
