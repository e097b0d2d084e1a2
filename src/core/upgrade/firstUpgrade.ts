import type { Context } from '../assess';
import type { Trials } from '../assess/trials';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { coinTrials, type Step } from '../search/coinSteps';

/** A machine that stands by then: its parts are paid, so that exchanging one costs the whole new one. */
export const built = (machine: Machine): Machine => ({
  ...machine,
  items: machine.items.map((item) => ({ ...item, owned: true })),
});

/**
 * The single swap or addition that a machine which stands is best raised by first: what mends a fault of its work, else
 * what brings most speed a coin, weighted by importance; at today's prices, a trial at a time. Undefined where none helps.
 */
export function* firstUpgradeTrials(machine: Machine, brief: Brief, context: Context): Trials<Step | undefined> {
  const { up } = yield* coinTrials(built(machine), brief, context, { ownedMayGo: true, mostSavings: 0 });
  return up[0];
}
