import { assess, type Context } from '../assess';
import type { Brief } from '../brief';
import { editMachine, type MachineEdit } from '../edits';
import { fullName } from '../fitted';
import type { Machine } from '../machine';
import type { Part } from '../parts';
import { bringsNothingAsBadAs, effectOf, gainPerCoin, outcomeOf, type Effect } from './effect';
import { trialBench } from './trial';
import { finish, firstOfEach, type Trials } from './trials';

/** One swap away from a machine. */
export interface Step {
  readonly edit: MachineEdit;
  readonly part: Part;
  readonly replaces: string;
  readonly effect: Effect;
}

/**
 * Every single swap that fits, as steps up (dearer and faster) ranked by gain a coin, and savings (cheaper) ranked by
 * how little speed each coin saved costs. A swap that brings something unproven or blocking is left out.
 */
export const coinSteps = (...args: Parameters<typeof coinTrials>): CoinSteps => finish(coinTrials(...args));

/** Steps up and savings, each best first, and how many swaps were tried. */
export interface CoinSteps {
  readonly up: Step[];
  readonly savings: Step[];
  readonly tried: number;
}

/** The same, a trial at a time. */
export function* coinTrials(machine: Machine, brief: Brief, context: Context): Trials<CoinSteps> {
  const before = assess(machine, brief, context);
  const bench = trialBench(before, brief, context);
  const now = outcomeOf(before);
  const up: Step[] = [];
  const savings: Step[] = [];
  let tried = 0;
  for (const { item, part } of before.facts.parts.all) {
    if (item.owned) continue;
    for (const other of context.catalogue.ofKind(part.kind)) {
      if (other.id === part.id || (other.withdrawn !== undefined && other.withdrawn <= context.today)) continue;
      const edit: MachineEdit = { kind: 'swap', item: item.id, part: other.id, label: fullName(other) };
      const effect = effectOf(now, bench.outcomeOf(edit, editMachine(machine, edit), other));
      tried++;
      yield;
      if (effect.priceMinor === undefined || !bringsNothingAsBadAs(effect, 'caution')) continue;
      const step = { edit, part: other, replaces: fullName(part), effect };
      if (effect.priceMinor > 0 && effect.gain > 1e-4) up.push(step);
      else if (effect.priceMinor < 0) savings.push(step);
    }
  }
  up.sort((a, b) => gainPerCoin(b.effect) - gainPerCoin(a.effect));
  // what keeps all speed first, the largest saving first; then by speed lost a coin saved
  savings.sort((a, b) => {
    const free = (step: Step) => Number(step.effect.gain >= -1e-4);
    return (
      free(b) - free(a) ||
      (free(a)
        ? (a.effect.priceMinor ?? 0) - (b.effect.priceMinor ?? 0)
        : gainPerCoin(b.effect) - gainPerCoin(a.effect))
    );
  });
  const distinct = (steps: readonly Step[]) =>
    firstOfEach(steps, ({ edit, part }) => `${'item' in edit ? String(edit.item) : ''} ${part.variantOf ?? part.id}`);
  return { up: distinct(up), savings: distinct(savings), tried };
}
