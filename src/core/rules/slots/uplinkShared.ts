import { nameOf, type Said, type Rule } from '../rule';

/** All devices behind a hub at their own peak: rarely at once, but a builder wants to know what shares what. */
export const uplinkShared: Rule = {
  id: 'uplink',
  reads: ['wiring', 'any part'],
  levels: ['note'],
  mendedBy: ['another slot'],
  check: ({ board, placement, parts }) => {
    if (!board || !placement) return [];
    const nameById = new Map(parts.all.map((fitted) => [fitted.item.id, nameOf(fitted)]));
    return [...board.hubs.values()].flatMap((hub): Said[] => {
      const behind = [...placement.placed].filter(([, placed]) =>
        board.slotById.get(placed.slot)?.path.includes(hub.id),
      );
      if (behind.length === 0) return [];
      // a device of unknown rate can only add to the sum; its own rule says what is unknown
      const peak = behind.reduce((sum, [, placed]) => sum + (placed.bytesPerS ?? 0), 0);
      return [
        {
          level: peak > hub.uplinkBytesPerS * 1.001 ? 'note' : 'passes',
          code: 'uplink',
          items: behind.map(([item]) => item),
          hub: hub.label,
          devices: behind.map(([item]) => nameById.get(item) ?? item),
          peakGBs: peak / 1e9,
          uplinkGBs: hub.uplinkBytesPerS / 1e9,
        },
      ];
    });
  },
};
