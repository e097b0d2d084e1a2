import type { Board } from '../board/compile';
import { capacityOf, linkLoads, linksCrossed, type End, type Flow } from '../board/flows';
import type { Placement } from '../board/placement';
import { verdictOf, type Band, type Verdict } from '../units/band';
import { COMMON } from '../work/common';
import type { Demand, Elastic, Expanded, Impossible, MissingFigure, RealTime, Resource } from '../work/stage';
import { given, product, sum, type Derivation } from './derive';
import type { Supply } from './supply';

/** How much one resource has to do for a task, and how much of it the whole sitting uses. */
export interface Use {
  readonly resource: string;
  readonly stage: string;
  /** Supply ÷ demand for this task alone on what the others leave; unknown supply is undefined. */
  readonly ratio: number | undefined;
  /** Share of the resource that the sitting keeps busy. */
  readonly busy: number | undefined;
  readonly demand: Derivation;
  readonly supply: Derivation | undefined;
}

export interface TaskResult {
  readonly task: string;
  readonly sitting: string;
  readonly mode: 'real-time' | 'elastic';
  readonly unit: string;
  /** Real-time: units/s wanted. Elastic: seconds allowed for a run, undefined without a target. */
  readonly target: number | undefined;
  /** Real-time: units/s. Elastic: seconds a run. Undefined when unproven or impossible. */
  readonly gets: Band | undefined;
  /** Ratio to target, above 1 is more than needed; for a task without a target undefined. */
  readonly ratio: Band | undefined;
  /** Upper bound from the figures that are known, when others are missing. */
  readonly atMost: number | undefined;
  readonly verdict: Verdict;
  readonly binds: string | undefined;
  readonly uses: readonly Use[];
  readonly dropped: number | undefined;
  readonly impossible: readonly Impossible[];
  readonly missing: readonly MissingFigure[];
  /** Seconds of each stage a unit, elastic only. */
  readonly stages: readonly { readonly stage: string; readonly seconds: number; readonly binds: string }[];
}

export interface HoldResult {
  readonly what: string;
  readonly needs: Derivation;
  readonly has: Derivation | undefined;
  readonly ratio: Band | undefined;
  readonly missing: readonly MissingFigure[];
}

export interface SittingResult {
  readonly sitting: string;
  readonly tasks: readonly TaskResult[];
  readonly holds: readonly HoldResult[];
  /** Busy share by resource, 0 … 1, for power and the map. */
  readonly busy: ReadonlyMap<string, number>;
  readonly linkLoads: ReadonlyMap<string, number>;
}

interface Setting {
  readonly supply: Supply;
  readonly board: Board | undefined;
  readonly placement: Placement | undefined;
}

/** Totals a task's demands by resource, keeping what they came from. Uplinks that the traffic crosses are added. */
function totals(expanded: Expanded, setting: Setting): Map<string, Demand & { readonly key: string }> {
  const groups = new Map<string, Demand[]>();
  const push = (key: string, demand: Demand) => {
    const list = groups.get(key);
    if (list) list.push(demand);
    else groups.set(key, [demand]);
  };
  for (const demand of expanded.demands) {
    push(demand.resource, demand);
    for (const key of uplinksOf(demand.resource, setting)) push(key, demand);
  }
  const result = new Map<string, Demand & { key: string }>();
  for (const [key, list] of groups) {
    const [first] = list;
    if (!first) continue;
    const amount = list.length === 1 ? first.amount : sum(`all stages on ${key}`, first.amount.unit, list.map((demand) => demand.amount));
    const heaviest = list.reduce((a, b) => (b.amount.value > a.amount.value ? b : a));
    result.set(key, { key, stage: heaviest.stage, resource: first.resource, amount });
  }
  return result;
}

/** Hub uplinks, by direction, that a resource's traffic crosses where its device is placed. */
function uplinksOf(resource: Resource, { supply, board, placement }: Setting): string[] {
  const end = supply.endOf(resource);
  if (!end || !board) return [];
  const slot = placement?.placed.get(end.item)?.slot;
  const path = slot === undefined ? undefined : board.slotById.get(slot)?.path;
  return (path ?? []).map((hub) => `uplink:${hub}:${end.direction}`);
}

/** Supply of a resource or uplink as a derivation, with what is missing. */
function supplied(key: string, { supply }: Setting): { rate: Derivation | undefined; missing: readonly MissingFigure[]; absent: boolean } {
  if (key.startsWith('uplink:')) {
    const hub = key.slice('uplink:'.length, key.lastIndexOf(':'));
    return { rate: supply.uplinks.get(hub), missing: [], absent: false };
  }
  const found = supply.of(key as Resource);
  return found ? { rate: found.rate, missing: found.missing, absent: false } : { rate: undefined, missing: [], absent: true };
}

/** Part kind to name when a resource has no supplier at all. */
const supplierKind = (key: string): string =>
  key.startsWith('cpu') ? 'processor' : key.startsWith('memory') ? 'memory' : key.startsWith('gpu') ? 'graphics' : key === 'network' ? 'network' : 'drive';

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
    for (const [key, demand] of totalsOf.get(task.task) ?? []) load.set(key, (load.get(key) ?? 0) + demand.amount.value * task.targetPerS.value);
  const flows = realTime.flatMap((task) => task.flows);
  const loads = flowLoads(flows, setting);

  const results: TaskResult[] = realTime.map((task) => realTimeResult(id, task, totalsOf.get(task.task) ?? new Map(), load, setting, slow(task), loads));

  const reserve = elastic.length > 0 && realTime.some((task) => task.demands.length > 0) ? foregroundReserve(setting) : new Map<string, number>();
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
  const alone = elastic.map((task) => ({ task, run: elasticAlone(task, totalsOf.get(task.task) ?? new Map(), leftOf, setting, slow(task)) }));
  const shares = shareMaxMin(alone.map(({ run }) => run.busyAtFull));
  alone.forEach(({ task, run }, i) => results.push(elasticResult(id, task, run, shares[i] ?? 1, totalsOf.get(task.task) ?? new Map(), setting)));

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

/** Sum of what all tasks hold against what there is. */
function holdings(tasks: readonly Expanded[], supply: Supply): HoldResult[] {
  const byWhat = new Map<string, Derivation[]>();
  for (const task of tasks)
    for (const holding of task.holdings) {
      const list = byWhat.get(holding.what);
      if (list) list.push(holding.bytes);
      else byWhat.set(holding.what, [holding.bytes]);
    }
  return [...byWhat].map(([what, list]): HoldResult => {
    const needs = sum(`${what} of all tasks at once`, 'B', list);
    const has = what === 'memory' ? supply.memoryBytes : what === 'graphics memory' ? supply.graphicsBytes : supply.space(what.slice('space:'.length) as 'active');
    const value = has?.rate?.value;
    return {
      what,
      needs,
      has: has?.rate,
      ratio: value === undefined || needs.value <= 0 ? undefined : { low: value / (needs.value * needs.spread), likely: value / needs.value, high: (value * needs.spread) / needs.value },
      missing: has?.missing ?? [],
    };
  });
}

/**
 * Slow-down of a task when what the sitting holds exceeds memory: 1 + cost × missing share, so it grows smoothly from
 * 1. Source: judgement, constant `spillCost`.
 */
function spill(task: Expanded, holds: readonly HoldResult[]): number {
  let factor = 1;
  for (const hold of holds) {
    if (hold.what.startsWith('space:') || !task.holdings.some((own) => own.what === hold.what)) continue;
    if (hold.has && hold.needs.value > hold.has.value) factor = Math.max(factor, 1 + COMMON.spillCost.value * (1 - hold.has.value / hold.needs.value));
  }
  return factor;
}

interface FlowLoads {
  readonly loads: ReadonlyMap<string, number>;
  readonly shareOf: (flow: Flow) => number | undefined;
}

/** Loads of explicit flows on the placed links and the share each flow gets (capacity ÷ load, may exceed 1). */
function flowLoads(flows: readonly Flow[], { board, placement }: Setting): FlowLoads {
  if (!board || !placement || flows.length === 0) return { loads: new Map(), shareOf: () => undefined };
  const endOf = (item: string): End | undefined => {
    const slot = board.slotById.get(placement.placed.get(item)?.slot ?? '');
    if (slot) return { link: slot.id, path: slot.path };
    const integrated = board.integrated.find((entry) => entry.id === item);
    return integrated && { link: integrated.id, path: integrated.path };
  };
  const bySlot = new Map([...placement.placed.values()].map((placed) => [placed.slot, placed.bytesPerS]));
  const loads = linkLoads(flows, endOf);
  return {
    loads,
    shareOf: (flow) => {
      let share: number | undefined;
      for (const key of linksCrossed(flow, endOf)) {
        const capacity = capacityOf(board, (slot) => bySlot.get(slot), key);
        if (capacity === undefined) return undefined;
        const here = (capacity * COMMON.linkAchieved.value) / (loads.get(key) ?? flow.bytesPerS);
        share = share === undefined ? here : Math.min(share, here);
      }
      return share;
    },
  };
}

function realTimeResult(sitting: string, task: RealTime, demands: ReadonlyMap<string, Demand>, load: ReadonlyMap<string, number>, setting: Setting, slow: number, flows: FlowLoads): TaskResult {
  const target = task.targetPerS.value;
  const uses: Use[] = [];
  const missing = [...task.missing];
  const impossible = [...task.impossible];
  let low = Infinity;
  let likely = Infinity;
  let high = Infinity;
  let binds: string | undefined;
  const consider = (key: string, stage: string, ratio: number, demand: Derivation, supply: Derivation, spread: number) => {
    if (ratio < likely) binds = key;
    likely = Math.min(likely, ratio);
    low = Math.min(low, ratio / spread);
    high = Math.min(high, ratio * spread);
    uses.push({ resource: key, stage, ratio, busy: undefined, demand, supply });
  };
  for (const [key, demand] of demands) {
    const wanted = product(`${demand.stage}: ${key} a second`, `${demand.amount.unit}/s`, [demand.amount, task.targetPerS]);
    if (wanted.value <= 0) continue;
    const { rate, missing: lacking, absent } = supplied(key, setting);
    if (absent) impossible.push({ code: 'part-missing', kind: supplierKind(key) });
    if (!rate) {
      missing.push(...lacking);
      uses.push({ resource: key, stage: demand.stage, ratio: undefined, busy: undefined, demand: wanted, supply: undefined });
      continue;
    }
    // others' real-time demands are served too; one task's serial thread does not slow another's
    const others = key === 'cpu.serial' ? 0 : (load.get(key) ?? 0) - wanted.value;
    const mine = Math.max(0, rate.value - others);
    const spread = Math.exp(Math.hypot(Math.log(wanted.spread), Math.log(rate.spread)));
    consider(key, demand.stage, mine / slow / wanted.value, wanted, rate, spread);
    if (key === 'cpu.parallel') {
      const capped = setting.supply.processor?.parallel(task.threadCap);
      if (capped && capped.value < rate.value) consider('cpu.threads', demand.stage, capped.value / slow / wanted.value, wanted, capped, spread);
    }
  }
  for (const flow of task.flows) {
    const share = flows.shareOf(flow);
    const demand = given(`flow ${flow.from} to ${flow.to}`, flow.bytesPerS, 'B/s', 'brief', task.task);
    if (share === undefined) uses.push({ resource: `flow:${flow.id}`, stage: 'flow', ratio: undefined, busy: undefined, demand, supply: undefined });
    else consider(`flow:${flow.id}`, 'flow', share, demand, given('narrowest link on the way', share * flow.bytesPerS, 'B/s', 'standard', 'link rates after headers'), COMMON.linkAchieved.spread);
  }
  const unknown = missing.length > 0 || uses.some((use) => use.ratio === undefined);
  const known = likely !== Infinity;
  const ratio = known && !unknown && impossible.length === 0 ? { low, likely, high } : undefined;
  const certainlyShort = impossible.length > 0 || (known && high < 1 - 1e-9);
  return {
    task: task.task,
    sitting,
    mode: 'real-time',
    unit: task.unit,
    target,
    gets: ratio && { low: ratio.low * target, likely: ratio.likely * target, high: ratio.high * target },
    ratio,
    atMost: !ratio && known ? high * target : undefined,
    verdict: certainlyShort ? 'short' : ratio ? verdictOf(ratio) : 'unproven',
    binds,
    uses: uses.sort((a, b) => (a.ratio ?? 0) - (b.ratio ?? 0)),
    dropped: ratio ? Math.max(0, 1 - ratio.likely) * target : undefined,
    impossible,
    missing: unique(missing),
    stages: [],
  };
}

function unique(missing: readonly MissingFigure[]): MissingFigure[] {
  return [...new Map(missing.map((figure) => [`${figure.item} ${figure.field}`, figure])).values()];
}

/** What a foreground task keeps for itself: two cores and a share of the graphics. */
function foregroundReserve({ supply }: Setting): Map<string, number> {
  const reserve = new Map<string, number>();
  const all = supply.of('cpu.parallel')?.rate?.value;
  const cores = supply.processor?.parallel(COMMON.foregroundCores.value)?.value;
  if (all !== undefined && cores !== undefined) reserve.set('cpu.parallel', Math.min(cores, all / 2));
  for (const key of ['gpu.fp32', 'gpu.traffic'] as const) {
    const rate = supply.of(key)?.rate?.value;
    if (rate !== undefined) reserve.set(key, rate * COMMON.foregroundGraphics.value);
  }
  return reserve;
}

interface AloneRun {
  readonly unitsPerS: number | undefined;
  readonly spread: number;
  readonly binds: string | undefined;
  readonly stages: TaskResult['stages'];
  /** Share of what is left of each resource that this task uses when it runs alone. */
  readonly busyAtFull: ReadonlyMap<string, number>;
  readonly missing: readonly MissingFigure[];
  readonly absent: readonly string[];
}

/**
 * Time a unit when alone on what is left: the resource with most to do bounds it from below (a pipelined chain), the
 * sum of the stages from above (a serial chain); the overlap factor lies between. A processor stage follows Amdahl's
 * law (Amdahl 1967): serial part on the best core, the rest on all that its threads can use.
 */
function elasticAlone(task: Elastic, demands: ReadonlyMap<string, Demand>, leftOf: (key: string) => number | undefined, setting: Setting, slow: number): AloneRun {
  const missing: MissingFigure[] = [...task.missing];
  const absent: string[] = [];
  let pipelined = 0;
  let binds: string | undefined;
  const capped = setting.supply.processor?.parallel(task.threadCap)?.value;
  const rateOf = (key: string): number | undefined => {
    const left = leftOf(key);
    return left !== undefined && key === 'cpu.parallel' && capped !== undefined ? Math.min(left, capped) : left;
  };
  const busyTime = new Map<string, number>();
  for (const [key, demand] of demands) {
    if (demand.amount.value <= 0) continue;
    const rate = rateOf(key);
    if (rate === undefined) {
      const found = supplied(key, setting);
      missing.push(...found.missing);
      if (found.absent) absent.push(supplierKind(key));
      continue;
    }
    const seconds = (demand.amount.value * slow) / rate;
    busyTime.set(key, seconds);
    if (seconds > pipelined) {
      pipelined = seconds;
      binds = key;
    }
  }
  const stages = stageTimes(task, rateOf, slow);
  const serial = stages.reduce((all, stage) => all + stage.seconds, 0);
  const overlap = Math.min(1, task.overlap.value);
  const seconds = Math.max(pipelined, pipelined + (1 - overlap) * (serial - pipelined));
  let variance = 0;
  for (const stage of stages) variance += ((stage.seconds / Math.max(serial, 1e-300)) * Math.log(stage.spread)) ** 2;
  const complete = missing.length === 0 && absent.length === 0;
  const busyAtFull = new Map([...busyTime].map(([key, time]) => [key, seconds > 0 ? Math.min(1, time / seconds) : 0]));
  return {
    unitsPerS: complete && seconds > 0 && Number.isFinite(seconds) ? 1 / seconds : complete ? 0 : undefined,
    spread: Math.exp(Math.hypot(Math.sqrt(variance), Math.log(task.overlap.spread) / 2)),
    binds,
    stages,
    busyAtFull,
    missing: unique(missing),
    absent,
  };
}

/** Seconds of each stage when nothing else runs: its slowest resource, or Amdahl's sum on the processor. */
function stageTimes(task: Elastic, rateOf: (key: string) => number | undefined, slow: number): { stage: string; seconds: number; binds: string; spread: number }[] {
  const byStage = new Map<string, Demand[]>();
  for (const demand of task.demands) {
    const list = byStage.get(demand.stage);
    if (list) list.push(demand);
    else byStage.set(demand.stage, [demand]);
  }
  const result: { stage: string; seconds: number; binds: string; spread: number }[] = [];
  for (const [stage, list] of byStage) {
    const amount = (resource: Resource) => list.reduce((all, demand) => (demand.resource === resource ? all + demand.amount.value : all), 0);
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
      const by = Math.max(...list.filter((demand) => demand.resource.startsWith('cpu')).map((demand) => demand.amount.spread));
      consider((serialWork / serialRate + parallelWork / parallelRate) * slow, serialWork / serialRate > parallelWork / parallelRate ? 'cpu.serial' : 'cpu.parallel', by);
    }
    for (const demand of list) {
      if (demand.resource.startsWith('cpu')) continue;
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
    const full = (i: number) => (shares[i] ?? 0) >= 1 - 1e-12 || [...(busy[i] ?? [])].some(([key, share]) => share > 0 && (used.get(key) ?? 0) >= 1 - 1e-12);
    const frozen = [...open].filter(full);
    for (const i of frozen) open.delete(i);
    if (frozen.length === 0) break;
  }
  return shares;
}

function elasticResult(sitting: string, task: Elastic, run: AloneRun, share: number, demands: ReadonlyMap<string, Demand>, setting: Setting): TaskResult {
  const impossible = [...task.impossible, ...run.absent.map((kind): Impossible => ({ code: 'part-missing', kind }))];
  const perS = run.unitsPerS === undefined ? undefined : run.unitsPerS * share;
  const runs = impossible.length === 0 && perS !== undefined && perS > 0;
  const seconds = runs ? task.units.value / perS : undefined;
  const gets = seconds === undefined ? undefined : { low: seconds / run.spread, likely: seconds, high: seconds * run.spread };
  const ratio = gets && task.targetS !== undefined ? { low: task.targetS / gets.high, likely: task.targetS / gets.likely, high: task.targetS / gets.low } : undefined;
  const uses = [...demands].flatMap(([key, demand]): Use[] => {
    if (demand.amount.value <= 0) return [];
    const rate = supplied(key, setting).rate;
    return [{ resource: key, stage: demand.stage, ratio: rate && perS ? rate.value / (demand.amount.value * perS) : undefined, busy: undefined, demand: demand.amount, supply: rate }];
  });
  const starved = run.unitsPerS === 0;
  return {
    task: task.task,
    sitting,
    mode: 'elastic',
    unit: task.unit,
    target: task.targetS,
    gets,
    ratio,
    atMost: undefined,
    verdict: impossible.length > 0 || starved ? 'short' : ratio ? verdictOf(ratio) : gets ? 'carries' : 'unproven',
    binds: run.binds,
    uses: uses.sort((a, b) => (a.ratio ?? 0) - (b.ratio ?? 0)),
    dropped: undefined,
    impossible,
    missing: run.missing,
    stages: run.stages.map(({ stage, seconds: time, binds }) => ({ stage, seconds: time, binds })),
  };
}

