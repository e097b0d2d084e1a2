import { isOf } from '../figures/resources';
import type { Demand, Elastic, Expanded } from '../work/stage';
import type { Flow } from '../board/flows';
import { elasticAlone, elasticResult, foregroundReserve, shareMaxMin, type AloneRun } from './elastic';
import { holdings, spill, withinMemory } from './holdings';
import { realTimeResult } from './realTime';
import type { SittingResult, StreamResult, TaskResult } from './results';
import { withinSessions } from './sessions';
import { streamsOf, type Streams } from './streams';
import { meetsAt, mostOn, supplied, totals, type Setting } from './totals';

/**
 * Runs one sitting: real-time tasks at their fixed rates first, elastic tasks share what is left, max-min fair; what
 * does not fit in memory slows everything that uses it.
 */
export function runSitting(id: string, asked: readonly Expanded[], setting: Setting): SittingResult {
  const open = withinSessions(asked);
  const holds = holdings(open, setting.supply);
  const tasks = withinMemory(open, holds);
  const realTime = tasks.filter((task) => task.mode === 'real-time');
  const elastic = tasks.filter((task) => task.mode === 'elastic');
  const totalsOf = new Map(tasks.map((task) => [task.task, totals(task, setting)]));
  const slow = (task: Expanded) => spill(task, holds);

  const load = new Map<string, number>();
  const put = (place: string, amount: number) => load.set(place, (load.get(place) ?? 0) + amount);
  for (const task of realTime)
    for (const [key, demand] of totalsOf.get(task.task) ?? [])
      for (const place of meetsAt(key, setting)) put(place, demand.amount.value * task.targetPerS.value);
  const flows = realTime.flatMap((task) => task.flows);
  // streams between named devices and what tasks read and write meet on devices and hubs' uplinks: each counts the other
  const streams = streamsOf(flows, setting, new Map(load));
  for (const [place, bytesPerS] of streams.onPlaces) put(place, bytesPerS);

  const results: TaskResult[] = realTime.map((task) =>
    realTimeResult(id, task, totalsOf.get(task.task) ?? new Map(), load, setting, slow(task), streams),
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
    const used = key === 'cpu.serial' ? 0 : Math.min(rate, mostOn(load, meetsAt(key, setting)));
    const value = Math.max(0, rate - used - (reserve.get(key) ?? 0));
    left.set(key, value);
    return value;
  };
  const alone = elastic.map((task) => ({
    task,
    run: elasticAlone(task, totalsOf.get(task.task) ?? new Map(), { leftOf, load }, setting, slow(task), streams),
  }));
  const shares = elasticShares(alone, totalsOf, setting, streams);
  alone.forEach(({ task, run }, i) =>
    results.push(elasticResult(id, task, run, shares.of[i] ?? 1, totalsOf.get(task.task) ?? new Map(), setting)),
  );

  // what elastic runs add where they meet the real-time work
  const carried = new Map(load);
  alone.forEach(({ task, run }, i) => {
    const perS = run.unitsPerS === undefined ? 0 : run.unitsPerS * (shares.of[i] ?? 1);
    for (const [key, demand] of totalsOf.get(task.task) ?? [])
      for (const place of meetsAt(key, setting))
        carried.set(place, (carried.get(place) ?? 0) + demand.amount.value * perS);
  });
  const busy = busyWith(carried, totalsOf.values(), setting);
  const linkLoads = new Map(streams.loads);
  for (const { flow, bytesPerS } of shares.streamed)
    for (const key of streams.linksOf(flow)) linkLoads.set(key, (linkLoads.get(key) ?? 0) + (bytesPerS ?? 0));
  return {
    sitting: id,
    tasks: results.map((result) => withBusy(result, busy)),
    holds,
    busy,
    linkLoads,
    flows: [
      ...realTime.flatMap((task) =>
        task.flows.map((flow): StreamResult => {
          const { share, narrowest } = streams.shareOf(flow);
          const bytesPerS = share === undefined ? undefined : flow.bytesPerS * Math.min(1, share.likely);
          return { task: task.task, flow, realTime: true, bytesPerS, narrowest };
        }),
      ),
      ...shares.streamed,
    ],
  };
}

interface Running {
  readonly task: Elastic;
  readonly run: AloneRun;
}

/**
 * Shares of their own full speed that elastic tasks get: max-min fair over what they compute with, then over the
 * links that their streams and drives share.
 */
function elasticShares(
  alone: readonly Running[],
  totalsOf: ReadonlyMap<string, ReadonlyMap<string, Demand>>,
  setting: Setting,
  streams: Streams,
): { of: readonly number[]; streamed: readonly StreamResult[] } {
  const computing = alone.map(({ run }) => new Map([...run.busyAtFull].filter(([key]) => !isOf(key, 'uplink'))));
  const shares = shareMaxMin(computing);
  const named: { task: number; flow: Flow; asked: Flow | undefined }[] = [];
  alone.forEach(({ task, run }, i) => {
    const perS = (run.unitsPerS ?? 0) * (shares[i] ?? 1);
    if (perS <= 0) return;
    // a unit of an elastic task carries what its streams carry in a second
    for (const flow of task.flows)
      named.push({ task: i, flow: { ...flow, bytesPerS: flow.bytesPerS * perS }, asked: flow });
    for (const [key, { resource, amount }] of totalsOf.get(task.task) ?? []) {
      const end = key === resource ? setting.supply.endOf(resource) : undefined;
      if (!end || !(amount.value > 0)) continue;
      const ends = end.direction === 'up' ? { from: end.item, to: 'memory' } : { from: 'memory', to: end.item };
      named.push({
        task: i,
        flow: { id: `${task.task} ${key}`, ...ends, bytesPerS: amount.value * perS },
        asked: undefined,
      });
    }
  });
  const rates = streams.fair(named.map(({ flow }) => flow));
  const slowed = shares.map(() => 1);
  named.forEach(({ task, flow }, k) => {
    slowed[task] = Math.min(slowed[task] ?? 1, (rates[k] ?? 0) / flow.bytesPerS);
  });
  return {
    of: shares.map((share, i) => share * (slowed[i] ?? 1)),
    streamed: named.flatMap(({ task, asked }, k): StreamResult[] => {
      const owner = alone[task]?.task.task;
      if (!asked || owner === undefined) return [];
      const { narrowest } = streams.shareOf(asked, true);
      return [{ task: owner, flow: asked, realTime: false, bytesPerS: rates[k], narrowest }];
    }),
  };
}

/** The share of each resource that all who meet at it keep busy: of those that tasks ask for, and of shared links. */
function busyWith(
  carried: ReadonlyMap<string, number>,
  asked: Iterable<ReadonlyMap<string, unknown>>,
  setting: Setting,
): Map<string, number> {
  const busy = new Map<string, number>();
  const keys = new Set([...asked].flatMap((demands) => [...demands.keys()]));
  for (const key of carried.keys()) if (isOf(key, 'uplink')) keys.add(key);
  for (const key of keys) {
    const rate = supplied(key, setting).rate?.value;
    if (rate !== undefined && rate > 0) busy.set(key, Math.min(1, mostOn(carried, meetsAt(key, setting)) / rate));
  }
  return busy;
}

const withBusy = (result: TaskResult, busy: ReadonlyMap<string, number>): TaskResult => ({
  ...result,
  uses: result.uses.map((use) => ({ ...use, busy: busy.get(use.resource) })),
});
