import type { Context } from '../assess';
import type { Trials } from '../assess/trials';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Step } from '../search/coinSteps';
import { plainNumber } from '../units/money';
import { stepsFromBuilt } from './firstUpgrade';
import { grownBrief } from './growth';

/** As important as that nothing is a step up which does not help it. */
const DECISIVE = 5;

/**
 * The cheapest single swap or addition with which a task does what is asked when there is so many times as much to do; a
 * trial at a time. What stands in the machine by then may be exchanged. Undefined where no single step helps enough.
 */
export function* mendedTrials(
  machine: Machine,
  brief: Brief,
  task: string,
  times: number,
  context: Context,
): Trials<Step | undefined> {
  const then = grownBrief(brief, times);
  const steps = yield* stepsFromBuilt(
    machine,
    {
      ...then,
      tasks: then.tasks.map((entry) => ({ ...entry, importance: entry.id === task ? DECISIVE : 1 })),
    },
    context,
  );
  const does = steps.up.filter(({ effect }) =>
    effect.tasks.some((change) => change.task === task && change.ratio !== undefined && change.ratio.likely >= 1),
  );
  return does.sort(
    (a, b) => plainNumber(a.effect.priceMinor ?? Infinity) - plainNumber(b.effect.priceMinor ?? Infinity),
  )[0];
}
