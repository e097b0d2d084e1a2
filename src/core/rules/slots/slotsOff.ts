import { nameOf, type Said, type Rule } from '../rule';

export const slotsOff: Rule = {
  id: 'slots-off',
  reads: ['wiring', 'any part'],
  levels: ['note'],
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
