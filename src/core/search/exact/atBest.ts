import {
  bareBoardOf,
  factsForTrades,
  placementFor,
  problemOf,
  sittingsOf,
  type RunnableSitting,
} from '../../assess/stages';
import { devicesOf } from '../../board/devices';
import { widestRate } from '../../board/widest';
import type { Context } from '../../assess';
import { calibrated, calibrationOf } from '../../evidence/calibrate';
import { comparableTo, spokenOf } from '../../evidence/comparable';
import { given } from '../../figures/derive';
import { resourceKey, type DriveRole } from '../../figures/resources';
import { populate, type MemoryState } from '../../memory/population';
import { bandwidthBytesPerS } from '../../memory/timing';
import type { Brief } from '../../model/brief';
import type { Task } from '../../model/tasks';
import type { FittedParts } from '../../model/fitted';
import type { Machine } from '../../model/machine';
import type { PartKind } from '../../parts';
import { atClocks, clocksSet, type Clocks } from '../../predict/clocks';
import type { SittingResult } from '../../predict/results';
import { runSitting } from '../../predict/sitting';
import { atMost, heatOf, type SettledSitting } from '../../heat/state';
import type { LinkOf } from '../../predict/linkSupply';
import { achievedLink, type Supplied } from '../../predict/supplied';
import { NO_RATES, type Rates } from '../../predict/rates';
import { IN_MEMORY, supplyOver, type Supply, type Wiring } from '../../predict/supply';
import { linkBytesPerS } from '../../units/links';
import { COMMON } from '../../work/common';
import { bareOf } from '../../sizing/bare';
import { expand } from '../../work';
import { isAwaited, keepingDrives } from '../../work/flowEnds';
import type { MachineFacts } from '../../work/machineFacts';
import { widening } from '../../predict/totals';
import type { Elastic, Expanded, Impossible } from '../../work/stage';
import type { End } from './question';
import { mostAt, progressAt } from './rank';

/** The progress of each task that nothing chosen later can exceed; 0 when it cannot run, infinite when nothing is known. */
export type Progress = ReadonlyMap<string, number>;

/** What is chosen of a machine, and what is still to come. */
export interface Chosen {
  readonly kinds: ReadonlySet<PartKind>;
  /** Roles whose drives are still to come, though others are there. */
  readonly awaited: ReadonlySet<DriveRole>;
}

/**
 * The best progress with some parts chosen. With `least`, it ends as soon as one task cannot reach what is asked of it,
 * and tells only of that one and those before it.
 */
export type AtBest = (parts: FittedParts, chosen: Chosen, least?: ReadonlyMap<string, number>) => Progress;

/** More than any part has of anything. */
const ENDLESS: Supplied = { rate: given('not chosen yet', 1e30, '', 'setting', ''), missing: [], items: [] };
/** A device's link as wide as the device itself: no slot makes it wider. */
const ownLink: LinkOf = ({ item, part }) => {
  if (part.kind === 'drive' && part.lanes === undefined) return ENDLESS;
  const { lanes, generation } = part as { readonly lanes?: number; readonly generation?: number };
  if (lanes === undefined || generation === undefined) return ENDLESS;
  const rate = achievedLink('the device’s own link', linkBytesPerS({ lanes, generation }), '');
  return { rate, missing: [], items: [item.id] };
};
const WIDEST: Wiring = { linkOf: ownLink, uplinks: new Map() };

/** The same on a board that is chosen: graphics get the widest link that leaves the other devices a place. */
function widestOn(parts: FittedParts, context: Context): Wiring {
  const board = bareBoardOf(parts);
  if (!board) return WIDEST;
  const problem = problemOf(board, devicesOf(parts), undefined, undefined, []);
  const links = new Map<string, Supplied>();
  for (const card of parts.ofKind('graphics')) {
    const { id } = card.item;
    const bytesPerS = widestRate(problem, id, (asked) => placementFor(asked, context));
    const rate = bytesPerS === undefined ? undefined : achievedLink('the widest link there is', bytesPerS, '');
    links.set(id, rate ? { rate, missing: [], items: [id] } : ownLink(card));
  }
  return { ...WIDEST, linkOf: (fitted) => links.get(fitted.item.id) ?? ownLink(fitted) };
}

/** The most that any part of a catalogue gives of what is chosen late. Undefined: nothing bounds it. */
export interface MostOf {
  /** Bytes/s of one drive. */
  readonly read: number | undefined;
  readonly write: number | undefined;
  /** MT/s of a kit of a memory generation. */
  readonly rateMTs: ReadonlyMap<string | undefined, number>;
}

/**
 * What bounds drives and memory before they are chosen. What was measured may exceed what is stated: where one of a kind
 * was, nothing is bounded.
 */
export function mostOf(own: Pick<Machine, 'evidence'>, context: Context): MostOf {
  const { catalogue } = context;
  const isSpokenOf = spokenOf(own, context);
  const drives = catalogue.ofKind('drive');
  const kits = catalogue.ofKind('memory');
  const most = (fields: readonly ('seqReadMBs' | 'seqWriteMBs' | 'sustainedWriteMBs')[]) =>
    drives.some(isSpokenOf)
      ? undefined
      : Math.max(0, ...drives.flatMap((drive) => fields.map((field) => (drive[field] ?? 0) * 1e6)));
  const rateMTs = new Map<string | undefined, number>();
  if (!kits.some(isSpokenOf))
    for (const { generation, rateMTs: rate = Infinity, standardRateMTs: standard = 0 } of kits)
      rateMTs.set(generation, Math.max(rateMTs.get(generation) ?? 0, rate, standard));
  return { read: most(['seqReadMBs']), write: most(['seqWriteMBs', 'sustainedWriteMBs']), rateMTs };
}

/**
 * What each task could do at best with some kinds of parts chosen and all others endless: without limits of uplinks and
 * streams, and of links only those of graphics once the board is chosen, with every part at its full clock, each run
 * that takes what is left alone beside the real-time work. A bound because supply is asked for by resource and each
 * resource of a kind that is chosen later is at most endless, because heat only slows, because sharing only takes away,
 * and because a prediction falls with none of them (`shapes.test.ts`). Processor and graphics are chosen together: which
 * of them a stage runs on depends on both.
 */
export function atBest(
  brief: Brief,
  context: Context,
  machine: Pick<Machine, 'id' | 'evidence' | 'memoryProfile' | 'moduleSlots' | 'tuning'>,
  at: End = 'likely',
): AtBest {
  const most = mostOf(machine, context);
  const full = clocksSet(machine.tuning);
  const mainsV = context.catalogue.region(brief.region)?.mainsV ?? 230;
  const { parts: none } = bareOf(brief, context).facts;
  const bare = factsForTrades(none, undefined, context.catalogue);
  const leastOf = leastOfRuns();
  const runs = sittingsOf(
    brief,
    brief.tasks.map((task) => expand(task, bare)),
  ).flatMap(apart);
  return (parts, chosen, least) => {
    const { kinds } = chosen;
    const memory = fastest(populate(parts, machine.memoryProfile ?? 'on', machine.moduleSlots), parts, kinds);
    const { id, evidence } = machine;
    const comparable = comparableTo({ id, evidence }, parts, context.measured, context.catalogue);
    const untaught = over(parts, chosen, memory, most, kinds.has('board') ? widestOn(parts, context) : WIDEST);
    const calibration = calibrationOf(comparable, { supply: untaught(NO_RATES), facts: { parts, memory } });
    const supply = untaught(calibration.rates);
    const setting = { supply, board: undefined, placement: undefined };
    const trades: MachineFacts = {
      ...factsForTrades(parts, kinds.has('memory') ? memory.bytes : 1e30, context.catalogue),
      awaited: chosen.awaited,
    };
    const expanded = new Map<string, Expanded>();
    const taskOf = (task: Task): Expanded => {
      let known = expanded.get(task.id);
      if (!known) expanded.set(task.id, (known = freed(calibrated(expand(task, trades), calibration), kinds)));
      return known;
    };
    return leastOf(runs.length, least, (turn) => {
      const run = runs[turn] as RunnableSitting;
      const tasks = run.tasks.flatMap(({ task }) => {
        const found = brief.tasks.find((entry) => entry.id === task);
        return found ? [taskOf(found)] : [];
      });
      const free = tasks.map(freedOfFlows);
      const boundsOf = (result: SittingResult): Progress => {
        const bounds = new Map<string, number>();
        for (const each of result.tasks) {
          const owner = tasks.find(({ task }) => task === each.task);
          let made = mostAt(each, 'likely');
          if (at === 'low' && made > 0 && made < Infinity && owner)
            made = owner.mode === 'real-time' ? progressAt(each, 'low') : made / leastSpread(owner);
          // a run with all else endless heats more than it will, and real-time work is slowed by it
          if (kinds.has('cooler') && each.mode === 'real-time' && tasks.some(({ mode }) => mode === 'elastic'))
            continue;
          if (owner?.mode === 'real-time') made = Math.min(made, streamed(owner, tasks, supply));
          bounds.set(each.task, made);
        }
        return bounds;
      };
      const cold = (clocks: Clocks) => runSitting(run.id, free, { ...setting, supply: atClocks(supply, clocks) });
      if (!kinds.has('cooler')) return boundsOf(cold(full));
      // at the clocks that the chosen cooler keeps: what else will be there only warms the air
      const [settled] = heatOf(machine.tuning, parts, brief, mainsV, [cold]).sittings;
      return settled ? closely(settled(), least, boundsOf) : new Map();
    });
  };
}

/**
 * The least that each task can do of several runs, asked one by one. With `least` it ends as soon as one task cannot reach
 * what is asked of it; the run that refused last is asked first the next time.
 */
export function leastOfRuns(): (
  runs: number,
  least: ReadonlyMap<string, number> | undefined,
  boundsOf: (run: number) => Progress,
) => Progress {
  let refusing = 0;
  return (runs, least, boundsOf) => {
    const best = new Map<string, number>();
    for (let turn = 0; turn < runs; turn++) {
      const run = turn === 0 ? refusing : turn <= refusing ? turn - 1 : turn;
      let short = false;
      for (const [task, made] of boundsOf(run)) {
        best.set(task, Math.min(best.get(task) ?? Infinity, made));
        short ||= least !== undefined && made < (least.get(task) ?? 0);
      }
      if (!short) continue;
      refusing = run;
      break;
    }
    return best;
  };
}

/**
 * Bounds of what heat holds back. A look that is not close is enough, unless what it leaves open decides: where what is
 * settled misses what is asked and its bound does not.
 */
export function closely(
  settled: SettledSitting,
  least: ReadonlyMap<string, number> | undefined,
  boundsOf: (result: SittingResult) => Progress,
): Progress {
  const loose = boundsOf(atMost(settled, false));
  if (!least) return loose;
  const now = boundsOf(settled.result);
  for (const [task, asked] of least) {
    const made = now.get(task);
    if (made !== undefined && made < asked && (loose.get(task) ?? Infinity) >= asked)
      return boundsOf(atMost(settled, true));
  }
  return loose;
}

/** A sitting as one of its real-time work and one more for each run beside it. */
function apart({ id, tasks }: RunnableSitting): RunnableSitting[] {
  const realTime = tasks.filter(({ mode }) => mode === 'real-time');
  const elastic = tasks.filter(({ mode }) => mode === 'elastic');
  return [
    ...(realTime.length > 0 ? [{ id, tasks: realTime }] : []),
    ...elastic.map((task) => ({ id, tasks: [...realTime, task] })),
  ];
}

/** A task without what only the parts still to come can lack. */
function freed(task: Expanded, chosen: ReadonlySet<PartKind>): Expanded {
  return {
    ...task,
    missing: [],
    impossible: task.impossible.filter((reason) => decided(reason, chosen)),
  };
}

const freedOfFlows = (task: Expanded): Expanded => (task.flows.length > 0 ? { ...task, flows: [] } : task);

/** The share of its rates that a real-time task's streams get from the devices that are chosen, whatever carries them. */
function streamed(task: Expanded, together: readonly Expanded[], supply: Supply): number {
  let share = Infinity;
  for (const flow of task.flows)
    for (const [item, direction] of [
      [flow.from, 'up'],
      [flow.to, 'down'],
    ] as const) {
      let served = 0;
      for (const other of together)
        if (other.mode === 'real-time')
          for (const each of other.flows)
            if ((direction === 'up' ? each.from : each.to) === item) served += each.bytesPerS;
      const runBytes = flow.runBytes === undefined ? undefined : flow.runBytes * Math.max(1, served / flow.bytesPerS);
      const rate = supply.deviceRate(item, direction, runBytes)?.rate?.value;
      if (rate !== undefined && served > 0) share = Math.min(share, rate / served);
    }
  return share;
}

/**
 * The factor between the likely and the low end of a run that no machine makes smaller: stages share the doubt by their
 * times, and independent errors are least doubtful together where each weighs by 1 ÷ its variance. Source: propagation of
 * independent log-normal errors, weights that minimise it.
 * @example two stages of spread 1.2 each, an overlap that is sure: exp(ln 1.2 ÷ √2) = 1.138
 */
export function leastSpread(task: Elastic): number {
  const stages = new Map<string, number>();
  for (const { stage, amount } of task.demands) {
    if (amount.value <= 0) continue;
    stages.set(stage, Math.min(stages.get(stage) ?? Infinity, Math.log(amount.spread)));
  }
  let precision = 0;
  for (const doubt of stages.values()) precision += 1 / doubt ** 2;
  const variance = precision > 0 ? 1 / precision : 0;
  return widening(task) * Math.exp(Math.hypot(Math.sqrt(variance), Math.log(task.overlap.spread) / 2));
}

/** Whether a reason why a task does not run is about parts that are chosen. */
function decided(reason: Impossible, chosen: ReadonlySet<PartKind>): boolean {
  switch (reason.code) {
    case 'no-encoder':
    case 'encoder-too-small':
    case 'application-encodes-in-software':
    case 'no-graphics':
    case 'no-compute-stack':
    case 'too-many-sessions':
      return chosen.has('processor') && chosen.has('graphics');
    case 'does-not-fit':
      return chosen.has('memory') && (reason.what === 'memory' || chosen.has('graphics'));
    case 'too-few-inputs':
    case 'input-too-slow':
      return chosen.has('expansion') && chosen.has('mixer');
    case 'part-missing':
    case 'uplink-too-slow':
      return false;
  }
}

/** Memory on a board that is still to come: at the kits' own rate, over as many channels as processor and modules have. */
function fastest(memory: MemoryState, parts: FittedParts, kinds: ReadonlySet<PartKind>): MemoryState {
  if (kinds.has('board') || !kinds.has('memory')) return memory;
  const rates = parts.ofKind('memory').map(({ part }) => Math.max(part.rateMTs ?? Infinity, part.standardRateMTs ?? 0));
  const channels = Math.min(memory.channels ?? Infinity, memory.modulesWanted ?? Infinity);
  return { ...memory, bandwidthBytesPerS: bandwidthBytesPerS(Math.max(0, ...rates), channels) };
}

/** What chosen parts supply, and of all that others will the most that any part gives. */
function over(
  parts: FittedParts,
  { kinds, awaited }: Chosen,
  memory: MemoryState,
  most: MostOf,
  wiring: Wiring,
): (rates: Rates) => Supply {
  const engine = kinds.has('processor') && kinds.has('graphics');
  const moreNetworks = !kinds.has('board') || !kinds.has('expansion');
  const seated = kinds.has('memory') && kinds.has('processor');
  const drives = keepingDrives(parts);
  const chosen = (role: DriveRole): boolean => kinds.has('drive') && !isAwaited({ drives, awaited }, role);
  const awaitedRate = (label: string, bytesPerS: number | undefined): Supplied =>
    bytesPerS === undefined
      ? ENDLESS
      : { ...ENDLESS, rate: given(label, bytesPerS, 'B/s', 'part', 'the fastest there is') };
  const processor = parts.one('processor')?.part;
  const kits = Math.max(
    0,
    ...[...most.rateMTs].map(([generation, rate]) =>
      processor?.memory === undefined ||
      generation === undefined ||
      processor.memory.some((entry) => entry.generation === generation)
        ? rate
        : 0,
    ),
  );
  const traffic =
    engine && most.rateMTs.size > 0 && processor?.memoryChannels !== undefined
      ? awaitedRate('memory', bandwidthBytesPerS(kits, processor.memoryChannels) * COMMON.memoryAchieved.value)
      : ENDLESS;
  return (rates) => {
    const own = supplyOver(parts, memory, wiring, rates);
    return {
      ...own,
      of: (resource) => {
        const key = resourceKey(resource);
        switch (key.of) {
          case 'processor':
            return engine ? own.of(resource) : ENDLESS;
          case 'memory':
            return seated ? own.of(resource) : traffic;
          case 'graphics':
            if (!engine) return ENDLESS;
            // graphics inside the processor work in the machine's memory
            return own.graphicsShareMemory && !seated && IN_MEMORY.has(resource) ? traffic : own.of(resource);
          case 'drive':
            return chosen(key.role) ? own.of(resource) : awaitedRate(resource, most[key.direction]);
          case 'network':
            return ENDLESS;
          case 'engine':
            // how fast an engine to come is nobody knows
            return engine ? own.of(resource) : ENDLESS;
          default:
            return own.of(resource) ?? ENDLESS;
        }
      },
      processor: engine ? own.processor : undefined,
      meets: (resource) => {
        const key = resourceKey(resource);
        // what is still to come may serve it alone
        if (key.of === 'drive' ? !chosen(key.role) : key.of === 'graphics' && !engine) return [resource];
        return own.meets(resource);
      },
      // a network to come may be the faster one
      deviceRate: (item, direction, runBytes) =>
        moreNetworks && !parts.ofKind('drive').some(({ item: { id } }) => id === item)
          ? undefined
          : own.deviceRate(item, direction, runBytes),
      written: (role, bytes) => (chosen(role) ? own.written(role, bytes) : undefined),
      memoryBytes: kinds.has('memory') ? own.memoryBytes : ENDLESS,
      graphicsBytes: !engine ? ENDLESS : parts.one('graphics') || kinds.has('memory') ? own.graphicsBytes : ENDLESS,
      graphicsShareMemory: engine && own.graphicsShareMemory,
      space: (role) => (chosen(role) ? own.space(role) : ENDLESS),
    };
  };
}
