import type { Assessment } from '../../assess';
import type { PartKind } from '../../parts';

/** How a budget is split in the trade's eyes (J10). */
export const SHARES = ['processor', 'graphics', 'memory', 'storage'] as const;
export type Share = (typeof SHARES)[number];

/** Kinds whose parts a share pays for; what is left is the rest. */
export const SHARE_KINDS: Readonly<Record<Share, readonly PartKind[]>> = {
  processor: ['processor', 'cooler'],
  graphics: ['graphics'],
  memory: ['memory'],
  storage: ['drive'],
};

/** What the parts of each share cost by themselves, landed, minor units; what has no price counts as nothing. */
export function sharesOf({ parts, price }: Pick<Assessment['facts'], 'parts' | 'price'>): ReadonlyMap<Share, number> {
  const minorOf = new Map(price.items.map(({ item, landed }) => [item, landed?.landedMinor ?? 0]));
  return new Map(
    SHARES.map((share) => [
      share,
      parts.all.reduce(
        (all, { item, part }) => (SHARE_KINDS[share].includes(part.kind) ? all + (minorOf.get(item.id) ?? 0) : all),
        0,
      ),
    ]),
  );
}
