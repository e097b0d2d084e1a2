import type { Part } from '../../parts';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Loss below this share is not worth words. */
const SLIGHT = 0.001;

export const linkWidth: Rule = {
  id: 'link',
  reads: ['wiring', 'any part'],
  levels: ['caution', 'unproven'],
  mendedBy: ['another slot'],
  check: ({ parts, placement, board, devices }) => {
    if (!placement) return [];
    return parts.all.flatMap((fitted): Said[] => {
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
            'link-rate',
            ...fields.filter((field) => part[field] === undefined).map((field) => [fitted, field] as const),
          ),
        ];
      }
      const lost = 1 - placed.bytesPerS / placed.ownBytesPerS;
      const needsBytesPerS = needOf(fitted.part);
      return [
        {
          level: lost > SLIGHT ? 'caution' : 'passes',
          code: 'link',
          items: idsOf(fitted),
          device: nameOf(fitted),
          slot: board?.slotById.get(placed.slot)?.label ?? placed.slot,
          getsGBs: placed.bytesPerS / 1e9,
          ownGBs: placed.ownBytesPerS / 1e9,
          needsGBs: needsBytesPerS === undefined ? undefined : needsBytesPerS / 1e9,
        },
      ];
    });
  },
};

/** The most that a device itself moves one way, in bytes/s; undefined where it does not say, or has no bound of its own. */
function needOf(part: Part): number | undefined {
  if (part.kind === 'drive') {
    const rates = [part.seqReadMBs, part.seqWriteMBs].filter((rate) => rate !== undefined);
    return rates.length > 0 ? Math.max(...rates) * 1e6 : undefined;
  }
  if (part.kind === 'expansion' && part.networkGbitPerS !== undefined) return (part.networkGbitPerS * 1e9) / 8;
  return undefined;
}
