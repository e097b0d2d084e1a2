import { boardOf } from '../board/boardOf';
import type { Board } from '../board/compile';
import { devicesOf } from '../board/devices';
import type { Flow } from '../board/flows';
import type { Device } from '../board/fit';
import type { PlacementProblem } from '../board/problem';
import { place, placementKey, type Placement } from '../board/placement';
import type { Brief } from '../model/brief';
import { applicationsOf, type Catalogue } from '../model/catalogue';
import { sceneOf } from '../clearance/scene';
import { calibrated, calibrationOf } from '../evidence/calibrate';
import { comparableTo, measuredMachines, type MeasuredMachine } from '../evidence/comparable';
import { fitParts, type FittedParts } from '../model/fitted';
import type { Region } from '../model/catalogueSchema';
import { heatOf } from '../heat/state';
import type { Machine } from '../model/machine';
import { populate } from '../memory/population';
import type { PartOf } from '../parts';
import { priceMachine } from '../money/landed';
import { pageBasket } from '../money/pageBasket';
import { buyPolicy } from '../money/policy';
import { boughtApart, spentOf, type Spent } from '../money/spent';
import { inPhase } from '../model/phases';
import { drawOf } from '../power/draw';
import { ENGINES_TO_COME, enginesOf } from '../work/engines';
import { runSitting } from '../predict/sitting';
import type { TaskResult } from '../predict/results';
import { worstOf } from '../predict/worst';
import { supplyOf, type Supply } from '../predict/supply';
import { rules } from '../rules';
import { usualSettings, type Settings } from '../model/settings';
import { isFinding, levelRank, type Check, type Facts, type Finding } from '../rules/rule';
import { expand } from '../work';
import type { MachineFacts } from '../work/machineFacts';
import type { Expanded } from '../work/stage';

/** What an assessment needs besides machine and brief. `placements` remembers placements by what they depend on. */
export interface Context {
  readonly catalogue: Catalogue;
  /** ISO date; core has no clock. */
  readonly today: string;
  readonly settings: Settings;
  readonly placements: Map<string, Placement>;
  /** Other machines whose measurements may say something of this one. */
  readonly measured: readonly MeasuredMachine[];
  /**
   * For thousands of what-ifs: the machine's total is that of its parts bought one by one, which only what-ifs are
   * compared by. What is shown is the best basket.
   */
  readonly quick?: true;
}

const quickContexts = new WeakMap<Context, Context>();

/** The same context for what-ifs. */
export function quickly(context: Context): Context {
  if (context.quick) return context;
  let quick = quickContexts.get(context);
  if (!quick) quickContexts.set(context, (quick = { ...context, quick: true }));
  return quick;
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
  const parts = fitParts(machine, catalogue, suits(brief, catalogue));
  const memory = populate(parts, machine.memoryProfile ?? 'on', machine.moduleSlots);
  const boardPart = parts.one('board')?.part;
  const bareBoard = boardPart && boardOf(boardPart, parts.one('processor')?.part);

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
  const spent = (): Spent =>
    spentOf(context.quick ? boughtApart(price) : pageBasket(price, parts, catalogue, region, policy), {
      machine,
      parts,
      brief,
    });

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
    supply,
    power,
    heat,
    scene: sceneOf(parts, memory, placement),
    region,
    price,
    spent,
    policy,
    today,
    settings: context.settings,
  };
  const checks = rules.flatMap((rule) => rule.check(facts));
  const findings = checks.filter(isFinding).sort((a, b) => levelRank(a.level) - levelRank(b.level));
  return {
    facts,
    supply,
    region,
    tasks: brief.tasks.flatMap(({ id }) => worstOf(id, results) ?? []),
    checks,
    findings,
  };
}

function factsForTrades(parts: FittedParts, memoryBytes: number | undefined, catalogue: Catalogue): MachineFacts {
  const card = parts.one('graphics');
  const processor = parts.one('processor');
  const integrated = processor?.part.integratedGraphics;
  return {
    parts,
    memoryBytes,
    engines: card || processor ? enginesOf(parts) : ENGINES_TO_COME,
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

/** How many of the brief's applications compute on a card: on unlike cards they take the one they run on. */
function suits(brief: Brief, catalogue: Catalogue): ((card: PartOf<'graphics'>) => number) | undefined {
  const asking = applicationsOf(brief.tasks, catalogue).filter(({ computeStacks }) => computeStacks.length > 0);
  if (asking.length === 0) return undefined;
  return ({ computeStacks }) =>
    asking.filter((profile) => profile.computeStacks.some((stack) => computeStacks?.includes(stack))).length;
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
