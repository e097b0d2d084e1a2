import type { Board } from '../board/compile';
import { shareOfLink } from '../board/links';
import type { Placement } from '../board/placement';
import type { Derivation } from '../figures/derive';
import type { AnyFitted } from '../model/fitted';
import { missingOf } from '../model/unsaid';
import type { Link } from '../units/links';
import { achievedLink, type Supplied } from './supplied';

const ofLink = ({ generation, lanes }: Link): string => `generation ${generation} × ${lanes}`;

/** What the link of a placed device carries; nothing known of one without a place. */
export type LinkOf = (fitted: AnyFitted) => Supplied;

export const linksOf =
  (board: Board | undefined, placement: Placement | undefined): LinkOf =>
  (fitted) => {
    const items = [fitted.item.id];
    const placed = placement?.placed.get(fitted.item.id);
    if (placed?.bytesPerS === undefined)
      return { rate: undefined, missing: placed ? missingOf(fitted, 'lanes', 'generation') : [], items };
    const slot = board?.slotById.get(placed.slot);
    const label = `link in ${slot?.label ?? placed.slot}`;
    const where = placed.link ? ofLink(placed.link) : 'SATA 3';
    return { rate: achievedLink(label, placed.bytesPerS, where, shareOfLink(placed.link)), missing: [], items };
  };

/** Uplinks of the board's hubs, and of cards with a switch of their own, whose drives share the card's link. */
export function uplinksOf(board: Board | undefined, placement: Placement | undefined): ReadonlyMap<string, Derivation> {
  const uplinks = new Map<string, Derivation>();
  for (const { id, label, uplink, uplinkBytesPerS } of board?.hubs.values() ?? [])
    uplinks.set(id, achievedLink(`uplink of ${label}`, uplinkBytesPerS, ofLink(uplink)));
  for (const { slot, link, bytesPerS } of placement?.placed.values() ?? []) {
    if (bytesPerS === undefined) continue;
    const label = `link of the card in ${board?.slotById.get(slot)?.label ?? slot}`;
    uplinks.set(slot, achievedLink(label, bytesPerS, 'negotiated', shareOfLink(link)));
  }
  return uplinks;
}
