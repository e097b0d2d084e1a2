import type { MissingFigure } from '../figures/missing';
import { GIB } from '../units/quantity';
import type { ApplicationProfile } from '../model/applications';
import type { MachineFacts } from './machineFacts';
import type { Cards } from './stage';

/**
 * Cards that take part in a task, the better first: as many as the application uses and as hold their part each, where
 * `heldBytes` is what a card holds when so many take part. A card that is too small stays out; where not even the first
 * holds its part, the first is counted and the task tells that it does not fit. A card of unknown memory takes part, and
 * its figure is missing.
 */
export function takePart(
  out: { readonly missing: MissingFigure[] },
  { cards: used }: ApplicationProfile,
  { cards }: Pick<MachineFacts, 'cards'>,
  heldBytes: (cards: number) => number,
): number {
  const there = cards.slice(0, Math.max(1, used.max));
  for (let count = there.length; count > 1; count--) {
    const team = there.slice(0, count);
    const needs = heldBytes(count);
    if (team.some(({ part }) => part.memoryGiB !== undefined && part.memoryGiB * GIB < needs)) continue;
    const vague = team.filter(({ part }) => part.memoryGiB === undefined);
    out.missing.push(...vague.map(({ item, part }) => ({ item: item.id, part: part.id, field: 'memoryGiB' })));
    return count;
  }
  return 1;
}

/** The application's cards, no more than take part. */
export const teamOf = ({ cards }: ApplicationProfile, count: number): Cards => ({
  ...cards,
  max: Math.min(cards.max, count),
});

/** Cards that work on parts of a batch exchange what they learnt; their links count there. */
export const exchanging = (application: ApplicationProfile, count: number): Cards => ({
  ...teamOf(application, count),
  exchanges: true,
});
