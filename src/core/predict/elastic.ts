import { deviceKey, isOf, resourceKey, type Resource } from '../figures/resources';
import { verdictOf } from '../units/band';
import { COMMON } from '../work/common';
import { unique, type MissingFigure } from '../figures/missing';
import { type Demand, type Elastic, type Impossible } from '../work/stage';
import type { TaskResult, Use } from './results';
import { endsOf, type Streams } from './streams';
import { meetsAt, supplied, suppliedTo, supplierKind, widening, type Setting } from './totals';

/** What a foreground task keeps for itself: two cores and a share of the graphics. */
export function foregroundReserve({ supply }: Setting): Map<string, number> {
  const reserve = new Map<string, number>();
  const all = supply.of('cpu.parallel')?.rate?.value;
  const cores = supply.processor?.parallel(COMMON.foregroundCores.value)?.value;
  if (all !== undefined && cores !== undefined) reserve.set('cpu.parallel', Math.min(cores, all / 2));
  for (const key of ['gpu.fp32', 'gpu.matrix', 'gpu.fp64', 'gpu.traffic'] as const) {
    const rate = supply.of(key)?.rate?.value;
    if (rate !== undefined) reserve.set(key, rate * COMMON.foregroundGraphics.value);
  }
  return reserve;
}

export interface AloneRun {
  readonly unitsPerS: number | undefined;
  readonly spread: number;
  readonly binds: string | undefined;
  readonly stages: TaskResult['stages'];
  /** Share of what is left that this task uses when it runs alone, by the places where work meets. */
  readonly busyAtFull: ReadonlyMap<string, number>;
  readonly missing: readonly MissingFigure[];
  readonly absent: readonly string[];
}

/** What the real-time work takes, by the places where it is counted, and what it leaves of a resource. */
interface Beside {
  readonly load: ReadonlyMap<string, number>;
  readonly leftOf: (key: string) => number | undefined;
}

/**
 * Time a unit when alone on what is left: where most is to do bounds it from below (a pipelined chain), the
 * sum of the stages from above (a serial chain); the overlap factor lies between. A processor stage follows Amdahl's
 * law (Amdahl 1967): serial part on the best core, the rest on all that its threads can use.
 */
export function elasticAlone(
  task: Elastic,
  demands: ReadonlyMap<string, Demand>,
  { leftOf, load }: Beside,
  setting: Setting,
  slow: number,
  streams: Streams,
): AloneRun {
  const missing: MissingFigure[] = [...task.missing];
  const absent: string[] = [];
  // a rate may be unknown without a figure that lacks: a device that found no slot has no link
  let unknown = false;
  const capped = setting.supply.processor?.parallel(task.threadCap)?.value;
  /** Rate of a run that writes as much as this one; undefined for all that is no writing. */
  const written = (key: string): number | undefined => {
    const parsed = resourceKey(key);
    if (parsed.of !== 'drive' || parsed.direction !== 'write') return undefined;
    return setting.supply.written(parsed.role, (demands.get(key)?.amount.value ?? 0) * task.units.value);
  };
  const rateOf = (key: string): number | undefined => {
    const left = leftOf(key);
    // a drive that states nothing may have been seen to take runs as short as this one
    if (left === undefined) return written(key);
    if (key === 'cpu.parallel' && capped !== undefined) return Math.min(left, capped);
    const shared = supplied(key, setting).rate?.value ?? 0;
    // what this run has beyond the others' share: further cards, and a drive's fast-write cache
    if (isOf(key, 'graphics')) {
      const own = suppliedTo(task, key, setting).rate?.value;
      return own === undefined ? undefined : left + own - shared;
    }
    const own = written(key);
    return own === undefined ? left : left + Math.max(0, own - shared);
  };
  /** Seconds that each place is busy for a unit, and what takes most of them there. */
  const busy = new Map<string, { seconds: number; most: number; by: string }>();
  const put = (place: string, seconds: number, by: string) => {
    const there = busy.get(place) ?? { seconds: 0, most: -1, by };
    busy.set(place, {
      seconds: there.seconds + seconds,
      ...(seconds > there.most ? { most: seconds, by } : { most: there.most, by: there.by }),
    });
  };
  for (const [key, demand] of demands) {
    if (demand.amount.value <= 0) continue;
    const rate = rateOf(key);
    if (rate === undefined) {
      unknown = true;
      const found = supplied(key, setting);
      missing.push(...found.missing);
      if (found.absent) absent.push(supplierKind(key));
      continue;
    }
    const seconds = (demand.amount.value * slow) / rate;
    for (const place of meetsAt(key, setting)) put(place, seconds, key);
  }
  for (const flow of task.flows)
    for (const [item, direction] of endsOf(flow)) {
      const rate = setting.supply.deviceRate(item, direction, flow.runBytes)?.rate?.value;
      const place = deviceKey(item, direction);
      if (rate !== undefined)
        put(place, flow.bytesPerS / Math.max(0, rate - (load.get(place) ?? 0)), `flow:${flow.id}`);
    }
  let pipelined = 0;
  let binds: string | undefined;
  for (const { seconds, by } of busy.values())
    if (seconds > pipelined) {
      pipelined = seconds;
      binds = by;
    }
  // a unit carries what its streams carry in a second, so it takes at least that second, longer on a narrow link
  for (const flow of task.flows) {
    const { share, missing: lacking } = streams.shareOf(flow, true);
    missing.push(...lacking);
    if (share === undefined) {
      if (lacking.length === 0) absent.push('board');
      continue;
    }
    const seconds = 1 / Math.min(1, share.likely);
    if (seconds > pipelined) {
      pipelined = seconds;
      binds = `flow:${flow.id}`;
    }
  }
  const stages = stageTimes(task, rateOf, slow);
  const serial = stages.reduce((all, stage) => all + stage.seconds, 0);
  const overlap = Math.min(1, task.overlap.value);
  const seconds = Math.max(pipelined, pipelined + (1 - overlap) * (serial - pipelined));
  let variance = 0;
  for (const stage of stages) variance += ((stage.seconds / Math.max(serial, 1e-300)) * Math.log(stage.spread)) ** 2;
  const complete = !unknown && missing.length === 0 && absent.length === 0;
  const busyAtFull = new Map(
    [...busy].map(([place, { seconds: time }]) => [place, seconds > 0 ? Math.min(1, time / seconds) : 0]),
  );
  return {
    unitsPerS: complete && seconds > 0 && Number.isFinite(seconds) ? 1 / seconds : complete ? 0 : undefined,
    spread: widening(task) * Math.exp(Math.hypot(Math.sqrt(variance), Math.log(task.overlap.spread) / 2)),
    binds,
    stages,
    busyAtFull,
    missing: unique(missing),
    absent,
  };
}

/** Seconds of each stage when nothing else runs: its slowest resource, or Amdahl's sum on the processor. */
function stageTimes(
  task: Elastic,
  rateOf: (key: string) => number | undefined,
  slow: number,
): { stage: string; seconds: number; binds: string; spread: number }[] {
  const byStage = new Map<string, Demand[]>();
  for (const demand of task.demands) {
    const list = byStage.get(demand.stage);
    if (list) list.push(demand);
    else byStage.set(demand.stage, [demand]);
  }
  const result: { stage: string; seconds: number; binds: string; spread: number }[] = [];
  for (const [stage, list] of byStage) {
    const amount = (resource: Resource) =>
      list.reduce((all, demand) => (demand.resource === resource ? all + demand.amount.value : all), 0);
    const serialWork = amount('cpu.serial');
    const parallelWork = Math.max(0, amount('cpu.parallel') - serialWork);
    let seconds = 0;
    let binds = '';
    let spread = 1;
    const consider = (time: number, key: string, by: number) => {
      if (time > seconds) [seconds, binds, spread] = [time, key, by];
    };
    const serialRate = rateOf('cpu.serial');
    const parallelRate = rateOf('cpu.parallel');
    if (serialWork + parallelWork > 0 && serialRate && parallelRate) {
      const by = Math.max(
        ...list.filter((demand) => isOf(demand.resource, 'processor')).map((demand) => demand.amount.spread),
      );
      consider(
        (serialWork / serialRate + parallelWork / parallelRate) * slow,
        serialWork / serialRate > parallelWork / parallelRate ? 'cpu.serial' : 'cpu.parallel',
        by,
      );
    }
    for (const demand of list) {
      if (isOf(demand.resource, 'processor')) continue;
      const rate = rateOf(demand.resource);
      if (rate) consider((demand.amount.value * slow) / rate, demand.resource, demand.amount.spread);
    }
    if (seconds > 0) result.push({ stage, seconds, binds, spread });
  }
  return result;
}

/**
 * Max-min fair progress of elastic tasks: raise every task's share of its own full speed together until a resource is
 * full, freeze the tasks on it, go on with the others. `busy[i]` maps resource → share used at full speed.
 * @example two tasks that each fill the same cores alone: [0.5, 0.5]
 */
export function shareMaxMin(busy: readonly ReadonlyMap<string, number>[]): number[] {
  const shares = busy.map(() => 0);
  const open = new Set(busy.map((_, i) => i));
  const used = new Map<string, number>();
  while (open.size > 0) {
    const need = new Map<string, number>();
    for (const i of open) for (const [key, share] of busy[i] ?? []) need.set(key, (need.get(key) ?? 0) + share);
    let step = Math.min(...[...open].map((i) => 1 - (shares[i] ?? 0)));
    for (const [key, rate] of need) if (rate > 0) step = Math.min(step, Math.max(0, 1 - (used.get(key) ?? 0)) / rate);
    for (const i of open) shares[i] = (shares[i] ?? 0) + step;
    for (const [key, rate] of need) used.set(key, (used.get(key) ?? 0) + step * rate);
    const full = (i: number) =>
      (shares[i] ?? 0) >= 1 - 1e-12 ||
      [...(busy[i] ?? [])].some(([key, share]) => share > 0 && (used.get(key) ?? 0) >= 1 - 1e-12);
    const frozen = [...open].filter(full);
    for (const i of frozen) open.delete(i);
    if (frozen.length === 0) break;
  }
  return shares;
}

export function elasticResult(
  sitting: string,
  task: Elastic,
  run: AloneRun,
  share: number,
  demands: ReadonlyMap<string, Demand>,
  setting: Setting,
): TaskResult {
  const impossible = [...task.impossible, ...run.absent.map((kind): Impossible => ({ code: 'part-missing', kind }))];
  const perS = run.unitsPerS === undefined ? undefined : run.unitsPerS * share;
  const runs = impossible.length === 0 && perS !== undefined && perS > 0;
  const seconds = runs ? task.units.value / perS : undefined;
  const gets =
    seconds === undefined ? undefined : { low: seconds / run.spread, likely: seconds, high: seconds * run.spread };
  const ratio =
    gets && task.targetS !== undefined
      ? { low: task.targetS / gets.high, likely: task.targetS / gets.likely, high: task.targetS / gets.low }
      : undefined;
  const uses = [...demands].flatMap(([key, demand]): Use[] => {
    if (demand.amount.value <= 0) return [];
    const rate = supplied(key, setting).rate;
    return [
      {
        resource: key,
        stage: demand.stage,
        ratio: rate && perS ? rate.value / (demand.amount.value * perS) : undefined,
        busy: undefined,
        demand: demand.amount,
        supply: rate,
      },
    ];
  });
  const starved = run.unitsPerS === 0;
  return {
    task: task.task,
    sitting,
    mode: 'elastic',
    unit: task.unit,
    unitsARun: task.units.value,
    target: task.targetS,
    gets,
    ratio,
    atMost: undefined,
    verdict: impossible.length > 0 || starved ? 'short' : ratio ? verdictOf(ratio) : gets ? 'carries' : 'unproven',
    binds: run.binds,
    uses: uses.sort((a, b) => (a.ratio ?? 0) - (b.ratio ?? 0)),
    worst: undefined,
    outside: task.outside ?? [],
    dropped: undefined,
    impossible,
    missing: run.missing,
    stages: run.stages.map(({ stage, seconds: time, binds }) => ({ stage, seconds: time, binds })),
  };
}
