import type { Context } from '../assess';
import type { Trials } from '../assess/trials';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { coinTrials, type CoinSteps, type Step } from '../search/coinSteps';

/** A machine that stands by then: its parts are paid, so that exchanging one costs the whole new one. */
export const built = (machine: Machine): Machine => ({
  ...machine,
  items: machine.items.map((item) => ({ ...item, owned: true })),
});

/** Steps up from a machine that stands, a trial at a time: any of its parts may go, and none of them gives money back. */
export const stepsFromBuilt = (machine: Machine, brief: Brief, context: Context): Trials<CoinSteps> =>
  coinTrials(built(machine), brief, context, { ownedMayGo: true, mostSavings: 0 });

/**
 * The single swap or addition that a machine which stands is best raised by first: what mends a fault of its work, else
 * what brings most speed a coin, weighted by importance; at today's prices, a trial at a time. Undefined where none helps.
 */
export function* firstUpgradeTrials(machine: Machine, brief: Brief, context: Context): Trials<Step | undefined> {
  const { up } = yield* stepsFromBuilt(machine, brief, context);
  return up[0];
}
