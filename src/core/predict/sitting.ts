import type { Expanded } from '../work/stage';
import { elasticAlone, elasticResult, foregroundReserve, shareMaxMin } from './elastic';
import { holdings, spill } from './holdings';
import { flowLoads, realTimeResult } from './realTime';
import type { SittingResult, TaskResult } from './results';
import { supplied, totals, type Setting } from './totals';

/**
 * Runs one sitting: real-time tasks at their fixed rates first, elastic tasks share what is left, max-min fair; what
 * does not fit in memory slows everything that uses it.
 */
export function runSitting(id: string, tasks: readonly Expanded[], setting: Setting): SittingResult {
  const realTime = tasks.filter((task) => task.mode === 'real-time');
  const elastic = tasks.filter((task) => task.mode === 'elastic');
  const totalsOf = new Map(tasks.map((task) => [task.task, totals(task, setting)]));
  const holds = holdings(tasks, setting.supply);
  const slow = (task: Expanded) => spill(task, holds);

  const load = new Map<string, number>();
  for (const task of realTime)
    for (const [key, demand] of totalsOf.get(task.task) ?? [])
      load.set(key, (load.get(key) ?? 0) + demand.amount.value * task.targetPerS.value);
  const flows = realTime.flatMap((task) => task.flows);
  // streams between named devices and what tasks read and write meet on the hubs' uplinks: each counts the other
  const loads = flowLoads(flows, setting, new Map(load));
  for (const [key, bytesPerS] of loads.onUplinks) load.set(key, (load.get(key) ?? 0) + bytesPerS);

  const results: TaskResult[] = realTime.map((task) =>
    realTimeResult(id, task, totalsOf.get(task.task) ?? new Map(), load, setting, slow(task), loads),
  );

  const reserve =
    elastic.length > 0 && realTime.some((task) => task.foreground)
      ? foregroundReserve(setting)
      : new Map<string, number>();
  const left = new Map<string, number>();
  const leftOf = (key: string): number | undefined => {
    const known = left.get(key);
    if (known !== undefined) return known;
    const rate = supplied(key, setting).rate?.value;
    if (rate === undefined) return undefined;
    // serial work of other tasks runs on other cores: what it takes is counted in parallel work
    const used = key === 'cpu.serial' ? 0 : Math.min(rate, load.get(key) ?? 0);
    const value = Math.max(0, rate - used - (reserve.get(key) ?? 0));
    left.set(key, value);
    return value;
  };
  const alone = elastic.map((task) => ({
    task,
    run: elasticAlone(task, totalsOf.get(task.task) ?? new Map(), leftOf, setting, slow(task)),
  }));
  const shares = shareMaxMin(alone.map(({ run }) => run.busyAtFull));
  alone.forEach(({ task, run }, i) =>
    results.push(elasticResult(id, task, run, shares[i] ?? 1, totalsOf.get(task.task) ?? new Map(), setting)),
  );

  const busy = new Map<string, number>();
  const addBusy = (key: string, amount: number) => {
    const rate = supplied(key, setting).rate?.value;
    if (rate !== undefined && rate > 0) busy.set(key, Math.min(1, (busy.get(key) ?? 0) + amount / rate));
  };
  for (const [key, amount] of load) addBusy(key, amount);
  alone.forEach(({ task, run }, i) => {
    const perS = run.unitsPerS === undefined ? 0 : run.unitsPerS * (shares[i] ?? 1);
    for (const [key, demand] of totalsOf.get(task.task) ?? []) addBusy(key, demand.amount.value * perS);
  });
  return { sitting: id, tasks: results.map((result) => withBusy(result, busy)), holds, busy, linkLoads: loads.loads };
}

const withBusy = (result: TaskResult, busy: ReadonlyMap<string, number>): TaskResult => ({
  ...result,
  uses: result.uses.map((use) => ({ ...use, busy: busy.get(use.resource) })),
});
