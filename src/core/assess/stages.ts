import { boardOf } from '../board/boardOf';
import type { Board } from '../board/compile';
import type { Device } from '../board/fit';
import type { Flow } from '../board/flows';
import { place, placementKey, type Placement } from '../board/placement';
import type { PlacementProblem } from '../board/problem';
import { applicationsOf, type Catalogue } from '../model/catalogue';
import type { Brief } from '../model/brief';
import type { FittedParts } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { PartOf } from '../parts';
import { atClocks, type Clocks } from '../predict/clocks';
import type { SittingResult } from '../predict/results';
import { runSitting } from '../predict/sitting';
import type { Supply } from '../predict/supply';
import { ENGINES_TO_COME, enginesOf } from '../work/engines';
import { drivesThere } from '../work/flowEnds';
import { joinedTo } from '../work/joined';
import type { DriveThere, Joined, MachineFacts } from '../work/machineFacts';
import type { Expanded } from '../work/stage';
import type { Context } from './context';

/** A board as it works with the processor that is there. */
export const bareBoardOf = (parts: FittedParts): Board | undefined => {
  const board = parts.one('board')?.part;
  return board && boardOf(board, parts.one('processor')?.part);
};

/** What trades may ask of a machine. */
export function factsForTrades(
  parts: FittedParts,
  memoryBytes: number | undefined,
  catalogue: Catalogue,
  drives: readonly DriveThere[] = drivesThere(parts),
  joined: Joined = joinedTo(parts),
): MachineFacts {
  const card = parts.one('graphics');
  const processor = parts.one('processor');
  const integrated = processor?.part.integratedGraphics;
  return {
    processor,
    cards: parts.ofKind('graphics'),
    joined,
    drives,
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
export function suits(brief: Brief, catalogue: Catalogue): ((card: PartOf<'graphics'>) => number) | undefined {
  const asking = applicationsOf(brief.tasks, catalogue).filter(({ computeStacks }) => computeStacks.length > 0);
  if (asking.length === 0) return undefined;
  return ({ computeStacks }) =>
    asking.filter((profile) => profile.computeStacks.some((stack) => computeStacks?.includes(stack))).length;
}

/** A sitting with its tasks as they are expanded. */
export interface RunnableSitting {
  readonly id: string;
  readonly tasks: readonly Expanded[];
}

/** The brief's sittings; a task in none runs alone, so that it is predicted too. */
export function sittingsOf(brief: Brief, tasks: readonly Expanded[]): RunnableSitting[] {
  const expanded = new Map(tasks.map((task) => [task.task, task]));
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
export function realTimeFlows(tasks: readonly Expanded[], supply: Supply): Flow[] {
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
export function markTwins(devices: readonly Device[], sittings: readonly (readonly Flow[])[]): Device[] {
  return devices.map((device) => {
    const streams = sittings.flatMap((flows) =>
      flows.filter((flow) => flow.from === device.id || flow.to === device.id).map((flow) => flow.id),
    );
    return streams.length === 0 ? device : { ...device, twinKey: `${device.twinKey} ${streams.join()}` };
  });
}

export const problemOf = (
  board: Board,
  devices: readonly Device[],
  pins: Machine['pins'],
  caseRows: number | undefined,
  sittings: readonly (readonly Flow[])[],
): PlacementProblem => ({ board, devices, pins: new Map(Object.entries(pins ?? {})), caseRows, sittings });

/** Placements remembered at once; the oldest is forgotten first. */
const REMEMBERED = 512;

/** The exact placement, remembered by all that it depends on. */
export function placementFor(problem: PlacementProblem, { placements }: Pick<Context, 'placements'>): Placement {
  const key = placementKey(problem);
  const known = placements.get(key);
  if (known) return known;
  const placement = place(problem);
  if (placements.size >= REMEMBERED)
    for (const oldest of placements.keys()) {
      placements.delete(oldest);
      break;
    }
  placements.set(key, placement);
  return placement;
}

/** Runs a sitting on a supply at given clocks. */
export type Runner = (clocks: Clocks) => SittingResult;

/**
 * Runners of all sittings on one machine. Settling the heat asks for the same clocks again and again, and asks anew when
 * only case or cooler change: what was run is remembered as long as the runners are.
 */
export function runnersOf(
  sittings: readonly RunnableSitting[],
  supply: Supply,
  board: Board | undefined,
  placement: Placement | undefined,
): Runner[] {
  const supplies = new Map<string, Supply>();
  return sittings.map(({ id, tasks }) => {
    const results = new Map<string, SittingResult>();
    return (clocks) => {
      const key = `${clocks.processor} ${clocks.serial} ${clocks.graphics}`;
      let result = results.get(key);
      if (!result) {
        let kept = supplies.get(key);
        if (!kept) supplies.set(key, (kept = atClocks(supply, clocks)));
        results.set(key, (result = runSitting(id, tasks, { supply: kept, board, placement })));
      }
      return result;
    };
  });
}
