import { invariant } from '../units/quantity';
import { carriedSlots } from './carriers';
import type { Slot } from './compile';
import { clash, misfit, type Device } from './fit';
import type { PlacementProblem } from './problem';
import { compareLoss, lossOf, modesOf, resolved, usable, type Loss } from './placement';

/** Every possible placement, tried one by one: the plain way that the search is compared with in tests and benchmarks. */
export function bestLossByTryingAll(problem: PlacementProblem): Loss {
  const { board, pins, caseRows } = problem;
  // cards first: a drive slot on a card is there only once the card is
  const devices = [...problem.devices].sort((a, b) => Number(b.needs === 'card') - Number(a.needs === 'card'));
  const slots: Slot[] = [...board.slots, ...carriedSlots(board, devices)];
  let best: Loss | undefined;
  for (const mode of modesOf(board)) {
    const slotOf = new Map<string, Slot>();
    const there: { device: Device; slot: Slot }[] = [];
    const visit = (index: number): void => {
      const device = devices[index];
      if (!device) {
        const loss = lossOf(problem, slotOf, mode.lanes);
        if (!best || compareLoss(loss, best) < 0) best = loss;
        return;
      }
      visit(index + 1);
      for (const option of slots) {
        const pin = pins.get(device.id);
        if (pin !== undefined && pin !== option.id) continue;
        if (!usable(option, mode.lanes) || misfit(device, option, caseRows) !== undefined) continue;
        const slot = resolved(option, slotOf, mode.lanes);
        if (!slot || there.some((other) => clash(board, device, slot, other.device, other.slot))) continue;
        slotOf.set(device.id, slot);
        there.push({ device, slot });
        visit(index + 1);
        there.pop();
        slotOf.delete(device.id);
      }
    };
    visit(0);
  }
  invariant(best !== undefined, 'there is always the empty placement');
  return best;
}
