import { factsForTrades, sittingsOf, type RunnableSitting } from '../../assess/stages';
import type { Context } from '../../assess';
import { calibrated, calibrationOf } from '../../evidence/calibrate';
import { comparableTo } from '../../evidence/comparable';
import { given } from '../../figures/derive';
import { resourceKey } from '../../figures/resources';
import { populate, type MemoryState } from '../../memory/population';
import type { Brief } from '../../model/brief';
import type { FittedParts } from '../../model/fitted';
import type { Machine } from '../../model/machine';
import type { PartKind } from '../../parts';
import { runSitting } from '../../predict/sitting';
import type { Supplied } from '../../predict/supplied';
import { NO_RATES, type Rates } from '../../predict/rates';
import { supplyOver, type Supply, type Wiring } from '../../predict/supply';
import { expand } from '../../work';
import type { Expanded, Impossible } from '../../work/stage';
import { progressAt } from './rank';

/** The progress of each task that nothing chosen later can exceed; 0 when it cannot run, infinite when nothing is known. */
export type Progress = ReadonlyMap<string, number>;

/** The best progress with parts of some kinds chosen. */
export type AtBest = (parts: FittedParts, chosen: ReadonlySet<PartKind>) => Progress;

/** More than any part has of anything. */
const ENDLESS: Supplied = { rate: given('not chosen yet', 1e30, '', 'setting', ''), missing: [], items: [] };
const ENDLESS_WIRING: Wiring = { linkOf: () => ENDLESS, uplinks: new Map(), network: ENDLESS };

/**
 * What each task could do at best with some kinds of parts chosen and all others endless: without limits of links,
 * uplinks and streams, with every part at its full clock, each run that takes what is left alone beside the real-time
 * work. A bound because supply is asked for by resource and each resource of a kind that is chosen later is at most
 * endless, because heat only slows, because sharing only takes away, and because a prediction falls with none of them
 * (`shapes.test.ts`). Processor and graphics are chosen together: which of them a stage runs on depends on both.
 */
export function atBest(
  brief: Brief,
  context: Context,
  machine: Pick<Machine, 'id' | 'evidence' | 'memoryProfile' | 'moduleSlots'>,
): AtBest {
  return (parts, chosen) => {
    const memory = populate(parts, machine.memoryProfile ?? 'on', machine.moduleSlots);
    const comparable = comparableTo(
      { id: machine.id, evidence: machine.evidence },
      parts,
      context.measured,
      context.catalogue,
    );
    const untaught = over(parts, chosen, memory);
    const calibration = calibrationOf(comparable, { supply: untaught(NO_RATES), facts: { parts, memory } });
    const supply = untaught(calibration.rates);
    const trades = factsForTrades(parts, chosen.has('memory') ? memory.bytes : 1e30, context.catalogue);
    const tasks = brief.tasks.map((task) => freed(calibrated(expand(task, trades), calibration), chosen));
    const setting = { supply, board: undefined, placement: undefined };
    const results = sittingsOf(brief, tasks)
      .flatMap(apart)
      .map(({ id, tasks: together }) => runSitting(id, together, setting));
    const best = new Map<string, number>();
    for (const { tasks: run } of results)
      for (const result of run) {
        // the likely figure bounds the low one too
        const made = result.impossible.length > 0 ? 0 : result.gets ? progressAt(result, 'likely') : Infinity;
        best.set(result.task, Math.min(best.get(result.task) ?? Infinity, made));
      }
    return best;
  };
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
    flows: [],
    missing: [],
    impossible: task.impossible.filter((reason) => decided(reason, chosen)),
  };
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

const IN_MEMORY: ReadonlySet<string> = new Set(['gpu.traffic', 'gpu.in', 'gpu.out']);

/** What chosen parts supply, and endless of all that others will. */
function over(parts: FittedParts, chosen: ReadonlySet<PartKind>, memory: MemoryState): (rates: Rates) => Supply {
  const engine = chosen.has('processor') && chosen.has('graphics');
  // the rate of memory depends on board and processor too
  const traffic = chosen.has('memory') && chosen.has('board') && chosen.has('processor');
  const drives = chosen.has('drive');
  return (rates) => {
    const own = supplyOver(parts, memory, ENDLESS_WIRING, rates);
    return {
      ...own,
      of: (resource) => {
        const key = resourceKey(resource);
        switch (key.of) {
          case 'processor':
            return engine ? own.of(resource) : ENDLESS;
          case 'memory':
            return traffic ? own.of(resource) : ENDLESS;
          case 'graphics': {
            if (!engine) return ENDLESS;
            // graphics inside the processor work in the machine's memory
            return own.graphicsShareMemory && !traffic && IN_MEMORY.has(resource) ? ENDLESS : own.of(resource);
          }
          case 'drive':
            return drives ? own.of(resource) : ENDLESS;
          case 'network':
            return ENDLESS;
          default:
            return own.of(resource) ?? ENDLESS;
        }
      },
      processor: engine ? own.processor : undefined,
      written: (role, bytes) => (drives ? own.written(role, bytes) : undefined),
      memoryBytes: chosen.has('memory') ? own.memoryBytes : ENDLESS,
      graphicsBytes: !engine ? ENDLESS : parts.one('graphics') || chosen.has('memory') ? own.graphicsBytes : ENDLESS,
      graphicsShareMemory: engine && own.graphicsShareMemory,
      space: (role) => (drives ? own.space(role) : ENDLESS),
    };
  };
}
