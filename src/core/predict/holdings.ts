import { COMMON } from '../work/common';
import { unique } from '../figures/missing';
import { type Expanded, type Impossible } from '../work/stage';
import { sum, type Derivation } from '../figures/derive';
import type { HoldResult } from './results';
import type { Supply } from './supply';

/** Sum of what all tasks hold against what there is. */
export function holdings(tasks: readonly Expanded[], supply: Supply): HoldResult[] {
  const byWhat = new Map<string, { task: string; bytes: Derivation }[]>();
  const add = (what: string, task: string, bytes: Derivation) => {
    const list = byWhat.get(what);
    if (list) list.push({ task, bytes });
    else byWhat.set(what, [{ task, bytes }]);
  };
  for (const { task, holdings: held } of tasks)
    for (const holding of held) {
      add(holding.what, task, holding.bytes);
      // graphics without memory of its own holds its share in the machine's
      if (holding.what === 'graphics memory' && supply.graphicsShareMemory) add('memory', task, holding.bytes);
    }
  return [...byWhat].map(([what, by]): HoldResult => {
    const needs = sum(
      `${what} of all tasks at once`,
      'B',
      by.map(({ bytes }) => bytes),
    );
    const has =
      what === 'memory'
        ? supply.memoryBytes
        : what === 'graphics memory'
          ? supply.graphicsBytes
          : supply.space(what.slice('space:'.length) as 'active');
    const value = has?.rate?.value;
    return {
      what,
      needs,
      by,
      has: has?.rate,
      ratio:
        value === undefined || needs.value <= 0
          ? undefined
          : {
              low: value / (needs.value * needs.spread),
              likely: value / needs.value,
              high: (value * needs.spread) / needs.value,
            },
      missing: has?.missing ?? [],
    };
  });
}

/**
 * Tasks that stop when memory is short, marked as not running where the sitting's tasks together exceed it. Memory of
 * unknown size is not endless: who holds something in it lacks that figure.
 */
export function withinMemory(tasks: readonly Expanded[], holds: readonly HoldResult[]): Expanded[] {
  return tasks.map((open) => {
    const lacking = open.holdings.flatMap(({ what }) =>
      what.startsWith('space:') ? [] : (holds.find((entry) => entry.what === what)?.missing ?? []),
    );
    const task = lacking.length > 0 ? { ...open, missing: unique([...open.missing, ...lacking]) } : open;
    const impossible = task.holdings.flatMap(({ what, mustFit }): Impossible[] => {
      const hold = mustFit ? holds.find((entry) => entry.what === what) : undefined;
      if (!hold?.has || hold.needs.value <= hold.has.value || what.startsWith('space:')) return [];
      return [
        {
          code: 'does-not-fit',
          what: what as 'memory' | 'graphics memory',
          needsBytes: hold.needs.value,
          hasBytes: hold.has.value,
        },
      ];
    });
    const [first] = impossible;
    return first ? { ...task, impossible: [...task.impossible, first] } : task;
  });
}

/**
 * Slow-down of a task when what the sitting holds exceeds memory: 1 + cost × missing share, so it grows smoothly from
 * 1. Source: judgement, constant `spillCost`.
 * @example a task that holds 40 GiB where 32 fit: 1 + spillCost × (1 − 32 ÷ 40)
 */
export function spill(task: Expanded, holds: readonly HoldResult[]): number {
  let factor = 1;
  for (const hold of holds) {
    if (hold.what.startsWith('space:') || !task.holdings.some((own) => own.what === hold.what)) continue;
    if (hold.has && hold.needs.value > hold.has.value)
      factor = Math.max(factor, 1 + COMMON.spillCost.value * (1 - hold.has.value / hold.needs.value));
  }
  return factor;
}
