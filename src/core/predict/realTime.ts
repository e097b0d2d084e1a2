import { scale, verdictOf, type Band } from '../units/band';
import { unique } from '../figures/missing';
import { type Demand, type RealTime } from '../work/stage';
import { given, product, type Derivation } from '../figures/derive';
import type { TaskResult, Use } from './results';
import type { Streams } from './streams';
import { meetsAt, mostOn, suppliedTo, supplierKind, widening, type Setting } from './totals';

export function realTimeResult(
  sitting: string,
  task: RealTime,
  demands: ReadonlyMap<string, Demand>,
  load: ReadonlyMap<string, number>,
  setting: Setting,
  slow: number,
  streams: Streams,
): TaskResult {
  const target = task.targetPerS.value;
  const uses: Use[] = [];
  const missing = [...task.missing];
  const impossible = [...task.impossible];
  let low = Infinity;
  let likely = Infinity;
  let high = Infinity;
  let binds: string | undefined;
  const widened = widening(task);
  const worst = task.worst?.factor.value ?? 1;
  const strained = task.worst?.decides ? worst : 1;
  const consider = (key: string, stage: string, ratio: number, demand: Derivation, supply: Derivation, by: number) => {
    within(key, stage, { low: ratio / by, likely: ratio, high: ratio * by }, demand, supply);
  };
  const within = (key: string, stage: string, ratio: Band, demand: Derivation, supply: Derivation) => {
    if (ratio.likely < likely) binds = key;
    likely = Math.min(likely, ratio.likely);
    low = Math.min(low, ratio.low / widened);
    high = Math.min(high, ratio.high * widened);
    uses.push({ resource: key, stage, ratio: ratio.likely, busy: undefined, demand, supply });
  };
  for (const [key, demand] of demands) {
    const wanted = product(`${demand.stage}, a second`, `${demand.amount.unit}/s`, [demand.amount, task.targetPerS]);
    if (wanted.value <= 0) continue;
    const { rate, missing: lacking, absent } = suppliedTo(task, key, setting);
    if (absent) impossible.push({ code: 'part-missing', kind: supplierKind(key) });
    if (!rate) {
      missing.push(...lacking);
      uses.push({
        resource: key,
        stage: demand.stage,
        ratio: undefined,
        busy: undefined,
        demand: wanted,
        supply: undefined,
      });
      continue;
    }
    // others' real-time demands are served too; one task's serial thread does not slow another's
    const others = key === 'cpu.serial' ? 0 : mostOn(load, meetsAt(key, setting)) - wanted.value;
    const mine = Math.max(0, rate.value - others);
    const spread = Math.exp(Math.hypot(Math.log(wanted.spread), Math.log(rate.spread)));
    consider(key, demand.stage, mine / slow / wanted.value / strained, wanted, rate, spread);
    if (key === 'cpu.parallel') {
      const capped = setting.supply.processor?.parallel(task.threadCap);
      if (capped && capped.value < rate.value)
        consider('cpu.threads', demand.stage, capped.value / slow / wanted.value / strained, wanted, capped, spread);
    }
  }
  for (const flow of task.flows) {
    const { share, narrowest, missing: lacking } = streams.shareOf(flow);
    const demand = given(`flow ${flow.from} to ${flow.to}`, flow.bytesPerS, 'B/s', 'brief', task.task);
    missing.push(...lacking);
    if (share === undefined)
      uses.push({
        resource: `flow:${flow.id}`,
        stage: 'flow',
        ratio: undefined,
        busy: undefined,
        demand,
        supply: undefined,
      });
    else
      within(
        `flow:${flow.id}`,
        'flow',
        share,
        demand,
        given(
          narrowest?.label ?? 'narrowest link',
          share.likely * flow.bytesPerS,
          'B/s',
          'standard',
          'link rates after headers, or the device itself',
        ),
      );
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
    unitsARun: undefined,
    target,
    gets: ratio && scale(ratio, target),
    ratio,
    atMost: !ratio && known ? high * target : undefined,
    verdict: certainlyShort ? 'short' : ratio ? verdictOf(ratio) : 'unproven',
    binds,
    uses: uses.sort((a, b) => (a.ratio ?? 0) - (b.ratio ?? 0)),
    worst: ratio && task.worst ? scale(ratio, (target * strained) / worst) : undefined,
    outside: task.outside ?? [],
    dropped: ratio ? Math.max(0, 1 - ratio.likely) * target : undefined,
    impossible,
    missing: unique(missing),
    stages: [],
  };
}
