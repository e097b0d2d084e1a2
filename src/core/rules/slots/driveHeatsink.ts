import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const driveHeatsink: Rule = {
  id: 'drive-heatsink',
  reads: ['drive', 'wiring'],
  levels: ['blocks', 'unproven', 'caution'],
  mendedBy: ['another slot'],
  check: ({ parts, placement, board }) =>
    parts.ofKind('drive').flatMap((drive): Said[] => {
      const placed = placement?.placed.get(drive.item.id);
      // a drive without a place is shown the slot it would have gone into, were it not for its heatsink
      const slot = placed
        ? board?.slotById.get(placed.slot)
        : board?.slots.find((candidate) => candidate.kind === 'm2' && candidate.roomMm !== undefined);
      if (slot?.roomMm === undefined || drive.part.form === undefined || !drive.part.form.startsWith('M.2')) return [];
      const { heatsinkHeightMm } = drive.part;
      if (heatsinkHeightMm === undefined) return [unknown('drive-under-cover', [drive, 'heatsinkHeightMm'])];
      if (!placed && heatsinkHeightMm <= slot.roomMm) return [];
      return [
        {
          level: heatsinkHeightMm <= slot.roomMm ? 'passes' : slot.coverComesOff ? 'caution' : 'blocks',
          code: 'drive-heatsink',
          items: idsOf(drive),
          drive: nameOf(drive),
          heightMm: heatsinkHeightMm,
          slot: slot.label,
          roomMm: slot.roomMm,
          coverComesOff: slot.coverComesOff,
        },
      ];
    }),
};
