import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

/** Loss below this share is not worth words. */
const SLIGHT = 0.001;

export const linkWidth: Rule = {
  id: 'link',
  holds: 'every device runs at its own link rate',
  compares: 'the link each device gets with the one it could use',
  reads: ['wiring', 'any part'],
  levels: ['caution', 'unproven'],
  source: 'link rates of the slot and the device',
  check: ({ parts, placement, board, devices }) => {
    if (!placement) return [];
    return parts.all.flatMap((fitted): Check[] => {
      const placed = placement.placed.get(fitted.item.id);
      // a card that only passes lanes on to its drives loses nothing itself
      const passive = devices.some(({ id, carries }) => id === fitted.item.id && carries && !carries.ownSwitch);
      if (!placed || passive) return [];
      if (placed.bytesPerS === undefined || placed.ownBytesPerS === undefined) {
        const fields = ['generation', 'lanes'] as const;
        const part: { generation?: unknown; lanes?: unknown } =
          'lanes' in fitted.part && 'generation' in fitted.part ? fitted.part : {};
        return [
          unknown(
            'link',
            'at what rate it is linked',
            ...fields.filter((field) => part[field] === undefined).map((field) => [fitted, field] as const),
          ),
        ];
      }
      const lost = 1 - placed.bytesPerS / placed.ownBytesPerS;
      return [
        {
          rule: 'link',
          level: lost > SLIGHT ? 'caution' : 'passes',
          code: 'link',
          items: idsOf(fitted),
          device: nameOf(fitted),
          slot: board?.slotById.get(placed.slot)?.label ?? placed.slot,
          getsGBs: placed.bytesPerS / 1e9,
          ownGBs: placed.ownBytesPerS / 1e9,
        },
      ];
    });
  },
};
