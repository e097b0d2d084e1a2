import type { Board } from './board/compile';
import { devicesOf } from './board/devices';
import type { Flow } from './board/flows';
import type { Device } from './board/fit';
import { place, placementKey, type Placement, type PlacementProblem } from './board/placement';
import type { Brief } from './brief';
import type { Catalogue } from './catalogue';
import { sceneOf } from './clearance/scene';
import { calibrated, calibrationOf } from './evidence/calibrate';
import { comparableTo, measuredMachines, type MeasuredMachine } from './evidence/comparable';
import { fitParts, type FittedParts } from './fitted';
import type { Region } from './formats/catalogueSchema';
import { heatOf } from './heat/state';
import type { Machine } from './machine';
import { populate } from './memory/population';
import { priceMachine } from './money/landed';
import { buyPolicy } from './money/policy';
import { inPhase } from './phases';
import { drawOf } from './power/draw';
import { enginesOf } from './predict/engines';
import { runSitting } from './predict/sitting';
import type { SittingResult, TaskResult } from './predict/results';
import { supplyOf, type Supply } from './predict/supply';
import { rules } from './rules';
import { usualSettings, type Settings } from './settings';
import { isFinding, levelRank, type Check, type Facts, type Finding } from './rules/rule';
import { expand } from './work';
import type { MachineFacts } from './work/machineFacts';
import type { Expanded } from './work/stage';
import type { Task } from './work/tasks';

/** What an assessment needs besides machine and brief. `placements` remembers placements by what they depend on. */
export interface Context {
  readonly catalogue: Catalogue;
  /** ISO date; core has no clock. */
  readonly today: string;
  readonly settings: Settings;
  readonly placements: Map<string, Placement>;
  /** Other machines whose measurements may say something of this one. */
  readonly measured: readonly MeasuredMachine[];
}

export const contextOf = (
  catalogue: Catalogue,
  today: string,
  settings: Settings = usualSettings,
  measured: readonly Machine[] = [],
): Context => ({
  catalogue,
  measured: measuredMachines(measured, catalogue),
  today,
  settings,
  placements: new Map(),
});

/** Everything that is said about a machine and a brief. */
export interface Assessment {
  readonly facts: Facts;
  readonly supply: Supply;
  readonly region: Region;
  /** Each task at its worst sitting, in the brief's order. */
  readonly tasks: readonly TaskResult[];
  /** All comparisons of all rules, findings worst first, then what passed. */
  readonly checks: readonly Check[];
  readonly findings: readonly Finding[];
}

/** Placements remembered at once; the oldest is forgotten first. */
const REMEMBERED = 512;

/**
 * Everything about a machine as built first; `assess(inPhase(machine, 'later'), …)` says the same of its later phase.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export function assess(whole: Machine, brief: Brief, context: Context): Assessment {
  const machine = inPhase(whole, 'now');
  const { catalogue, today } = context;
  const region = catalogue.region(brief.region);
  if (!region) throw new RangeError(`the brief's region "${brief.region}" is not in the catalogue`);
  const parts = fitParts(machine, catalogue);
  const memory = populate(parts, machine.memoryProfile ?? 'on', machine.moduleSlots);
  const boardPart = parts.one('board')?.part;
  const bareBoard = boardPart && catalogue.board(boardPart, parts.one('processor')?.part);

  const machineFacts = factsForTrades(parts, memory.bytes, catalogue);
  const unplacedSupply = supplyOf(parts, memory, bareBoard, undefined);
  const calibration = calibrationOf(comparableTo(machine, parts, context.measured, catalogue), {
    supply: unplacedSupply,
    facts: { parts, memory },
  });
  const expanded = new Map(brief.tasks.map((task) => [task.id, calibrated(expand(task, machineFacts), calibration)]));
  const sittings = sittingsOf(brief, expanded);
  const flows = sittings.map(({ tasks }) => realTimeFlows(tasks, unplacedSupply));
  const devices = markTwins(devicesOf(parts), flows);
  const problem = bareBoard && problemOf(bareBoard, devices, machine, parts, flows);
  const placement = problem && placementFor(problem, context);
  const board = placement?.board ?? bareBoard;

  const supply = supplyOf(parts, memory, board, placement, calibration.rates);
  const { heat, results, drawn } = heatOf(
    machine,
    parts,
    brief,
    region.mainsV,
    supply,
    sittings.map(
      ({ id, tasks }) =>
        (kept) =>
          runSitting(id, tasks, { supply: kept, board, placement }),
    ),
  );
  const power = drawOf(parts, results, drawn, machine.tuning);
  const policy = buyPolicy(brief, context.settings, today);
  const price = priceMachine(parts, catalogue, region, policy);

  const facts: Facts = {
    machine,
    brief,
    catalogue,
    parts,
    memory,
    board,
    devices,
    problem,
    placement,
    calibration,
    sittings: results,
    power,
    heat,
    scene: sceneOf(parts, memory, placement),
    region,
    price,
    policy,
    today,
    settings: context.settings,
  };
  const checks = rules.flatMap((rule) => rule.check(facts));
  const findings = checks.filter(isFinding).sort((a, b) => levelRank(a.level) - levelRank(b.level));
  return { facts, supply, region, tasks: brief.tasks.flatMap((task) => worst(task, results)), checks, findings };
}

function factsForTrades(parts: FittedParts, memoryBytes: number | undefined, catalogue: Catalogue): MachineFacts {
  const card = parts.one('graphics');
  const processor = parts.one('processor');
  const integrated = processor?.part.integratedGraphics;
  return {
    parts,
    memoryBytes,
    engines: enginesOf(parts),
    // as long as neither is chosen, the work may ask for graphics: its sizes are told before any part
    mayHaveCard: card !== undefined || !processor,
    hasGraphics: card !== undefined || !processor || (integrated !== undefined && integrated !== 'none'),
    stacks: card?.part.computeStacks,
    stacksMissing:
      card && card.part.computeStacks === undefined
        ? [{ item: card.item.id, part: card.part.id, field: 'computeStacks' }]
        : [],
    application: (id) => (id === undefined ? undefined : catalogue.application(id)),
  };
}

interface RunnableSitting {
  readonly id: string;
  readonly tasks: readonly Expanded[];
}

/** The brief's sittings; a task in none runs alone, so that it is predicted too. */
function sittingsOf(brief: Brief, expanded: ReadonlyMap<string, Expanded>): RunnableSitting[] {
  const inSome = new Set(brief.sittings.flatMap((sitting) => sitting.tasks));
  return [
    ...brief.sittings.map((sitting) => ({
      id: sitting.id,
      tasks: sitting.tasks.flatMap((id) => expanded.get(id) ?? []),
    })),
    ...brief.tasks
      .filter((task) => !inSome.has(task.id))
      .map((task) => ({
        id: `alone-${task.id}`,
        tasks: [expanded.get(task.id)].filter((found) => found !== undefined),
      })),
  ];
}

/** Device-to-memory streams that real-time tasks imply, and those they name. */
function realTimeFlows(tasks: readonly Expanded[], supply: Supply): Flow[] {
  return tasks.flatMap((task): Flow[] => {
    if (task.mode !== 'real-time') return [];
    const implied = task.demands.flatMap((demand, i): Flow[] => {
      const end = supply.endOf(demand.resource);
      const bytesPerS = demand.amount.value * task.targetPerS.value;
      if (!end || !(bytesPerS > 0)) return [];
      return [
        end.direction === 'up'
          ? { id: `${task.task}#${i}`, from: end.item, to: 'memory', bytesPerS }
          : { id: `${task.task}#${i}`, from: 'memory', to: end.item, bytesPerS },
      ];
    });
    return [...implied, ...task.flows];
  });
}

/** Two equal drives are twins only while the same streams reach them. */
function markTwins(devices: readonly Device[], sittings: readonly (readonly Flow[])[]): Device[] {
  return devices.map((device) => {
    const streams = sittings.flatMap((flows) =>
      flows.filter((flow) => flow.from === device.id || flow.to === device.id).map((flow) => flow.id),
    );
    return streams.length === 0 ? device : { ...device, twinKey: `${device.twinKey} ${streams.join()}` };
  });
}

const problemOf = (
  board: Board,
  devices: readonly Device[],
  machine: Machine,
  parts: FittedParts,
  sittings: readonly (readonly Flow[])[],
): PlacementProblem => ({
  board,
  devices,
  pins: new Map(Object.entries(machine.pins ?? {})),
  caseRows: parts.one('case')?.part.expansionSlots,
  sittings,
});

function placementFor(problem: PlacementProblem, context: Context): Placement {
  const key = placementKey(problem);
  const known = context.placements.get(key);
  if (known) return known;
  const placement = place(problem);
  if (context.placements.size >= REMEMBERED)
    for (const oldest of context.placements.keys()) {
      context.placements.delete(oldest);
      break;
    }
  context.placements.set(key, placement);
  return placement;
}

const VERDICT_RANK = { short: 0, unproven: 1, between: 2, carries: 3 } as const;

/** The result of a task in the sitting where it does worst. */
function worst(task: Task, sittings: readonly SittingResult[]): TaskResult[] {
  const results = sittings.flatMap((sitting) => sitting.tasks.filter((result) => result.task === task.id));
  const [first, ...rest] = results;
  if (!first) return [];
  return [
    rest.reduce((low, next) => {
      const byVerdict = VERDICT_RANK[next.verdict] - VERDICT_RANK[low.verdict];
      return byVerdict < 0 || (byVerdict === 0 && progress(next) < progress(low)) ? next : low;
    }, first),
  ];
}

/** One number a task, higher is better, for comparisons: ratio to target, or runs a second without a target. */
export function progress(result: TaskResult): number {
  if (result.ratio) return result.ratio.likely;
  return result.mode === 'elastic' && result.gets ? 1 / result.gets.likely : 0;
}
