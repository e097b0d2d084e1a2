import { workingSlots } from '../../board/carriers';
import { cardPurpose } from '../../parts/purposes';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** A card for several drives without a switch needs a slot whose lanes can be split. */
export const carrier: Rule = {
  id: 'drive-carrier',
  reads: ['expansion', 'board', 'wiring'],
  levels: ['caution', 'unproven'],
  mendedBy: ['another slot'],
  check: ({ parts, placement, board, devices }) =>
    parts.ofKind('expansion').flatMap((card): Said[] => {
      if (cardPurpose(card.part) === 'storage' && card.part.driveSlots === undefined)
        return [unknown('carrier-slots', [card, 'driveSlots'])];
      const has = card.part.driveSlots ?? 0;
      const placed = placement?.placed.get(card.item.id);
      const slot = placed && board?.slotById.get(placed.slot);
      const device = devices.find((entry) => entry.id === card.item.id);
      const holder = parts.one('board');
      if (has < 2 || !placement || !placed || !slot || !device || !holder) return [];
      if (card.part.ownSwitch === undefined) return [unknown('carrier-switch', [card, 'ownSwitch'])];
      if (!card.part.ownSwitch && slot.splits === undefined)
        return [unknown(['slot-split', slot.label], [holder, 'topology'])];
      const works = workingSlots(device, slot, placement.lanes.get(slot.id) ?? slot.lanes);
      return [
        {
          level: works < has ? 'caution' : 'passes',
          code: 'carrier',
          items: idsOf(card, ...(works < has ? [holder] : [])),
          card: nameOf(card),
          slot: slot.label,
          works,
          has,
        },
      ];
    }),
};
