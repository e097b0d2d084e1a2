import { rateIn, misfit } from './fit';
import { lanesIn, modesOf, usable, type Placement } from './placement';
import type { PlacementProblem } from './problem';

/**
 * Coded bytes/s of the widest link that a device gets in any placement that leaves none without a place, whatever that
 * costs the others: in the chosen placement of these devices and any further ones it gets no more. Undefined when its
 * own link is unknown or no placement has room for all. `placed` finds placements, as `place` does.
 */
export function widestRate(
  problem: PlacementProblem,
  id: string,
  placed: (problem: PlacementProblem) => Placement,
): number | undefined {
  const { board, caseRows } = problem;
  const device = problem.devices.find((other) => other.id === id);
  if (!device) return undefined;
  const modes = modesOf(board);
  const slots = board.slots.flatMap((slot) => {
    if (misfit(device, slot, caseRows) !== undefined) return [];
    const rates = modes.flatMap(({ lanes }) =>
      usable(slot, lanes) ? (rateIn(device, slot, lanesIn(slot, lanes)) ?? []) : [],
    );
    return rates.length > 0 ? [{ slot, rate: Math.max(...rates) }] : [];
  });
  const found = slots
    .sort((a, b) => b.rate - a.rate)
    .find(({ slot }) => {
      const { unplaced, exact } = placed({ ...problem, pins: new Map([[id, slot.id]]), sittings: [] });
      return unplaced.size === 0 || !exact;
    });
  return found?.rate;
}
