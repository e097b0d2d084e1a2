import { devicesOf } from '../board/devices';
import { sceneOf } from '../clearance/scene';
import { calibrated, calibrationOf } from '../evidence/calibrate';
import { comparableTo } from '../evidence/comparable';
import { heatOf } from '../heat/state';
import { populate } from '../memory/population';
import type { Brief } from '../model/brief';
import { fitParts } from '../model/fitted';
import type { Machine } from '../model/machine';
import { inPhase } from '../model/phases';
import { priceMachine } from '../money/landed';
import { pageBasket } from '../money/pageBasket';
import { buyPolicy } from '../money/policy';
import { boughtApart, spentOf, type Spent } from '../money/spent';
import { drawOf } from '../power/draw';
import { supplyOf } from '../predict/supply';
import { worstOf } from '../predict/worst';
import { rules } from '../rules';
import { isFinding, levelRank, type Check, type Facts, type Reading, type Rule } from '../rules/rule';
import { expand } from '../work';
import type { Assessment } from './assessment';
import type { Context } from './context';
import { sameData, type Keep } from './keep';
import {
  bareBoardOf,
  factsForTrades,
  markTwins,
  placementFor,
  problemOf,
  realTimeFlows,
  runnersOf,
  sittingsOf,
  suits,
} from './stages';
import type { Views } from './view';

/**
 * A brief in its context, ready to be asked about machines: a chain of stages, each a function of what it names. Whether
 * and how results are remembered is the keeper's business; the chain is the same.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export function compiled(brief: Brief, context: Context, keep: Keep, views: Views): (machine: Machine) => Assessment {
  const { catalogue, settings, today } = context;
  const region = catalogue.region(brief.region);
  if (!region) throw new RangeError(`the brief's region "${brief.region}" is not in the catalogue`);
  const preferred = suits(brief, catalogue);
  const policy = buyPolicy(brief, settings, today);
  return (whole) => {
    const machine = inPhase(whole, 'now');
    const { tuning, pins, moduleSlots } = machine;
    const parts = views.whole(fitParts(machine, catalogue, preferred));
    const wired = views.of(parts, 'wired');
    const built = views.of(parts, 'built');

    const memory = keep('memory', [wired, machine.memoryProfile ?? 'on', moduleSlots], populate);
    const bareBoard = keep('board', [wired], bareBoardOf);
    const tradeFacts = keep('facts', [views.of(parts, 'worked'), memory.bytes, catalogue], factsForTrades);
    const unplacedSupply = keep('supply before placement', [wired, memory, bareBoard, undefined], supplyOf);
    const calibration = keep(
      'calibration',
      [wired, memory, unplacedSupply, machine.id, machine.evidence],
      (parts, memory, supply, id, evidence) =>
        calibrationOf(comparableTo({ id, evidence }, parts, context.measured, catalogue), {
          supply,
          facts: { parts, memory },
        }),
    );
    const tasks = brief.tasks.map((task) =>
      keep(`taught ${task.id}`, [keep(`task ${task.id}`, [task, tradeFacts], expand), calibration], calibrated),
    );
    const sittings = keep('sittings', tasks, (...tasks) => sittingsOf(brief, tasks));
    const flows = keep(
      'flows',
      [sittings, unplacedSupply],
      (sittings, supply) => sittings.map(({ tasks }) => realTimeFlows(tasks, supply)),
      sameData,
    );
    const devices = keep('devices', [views.of(parts, 'slotted'), flows], (slotted, flows) =>
      markTwins(devicesOf(slotted), flows),
    );
    const caseRows = parts.one('case')?.part.expansionSlots;
    const problem = bareBoard && keep('problem', [bareBoard, devices, pins, caseRows, flows], problemOf);
    const placement = problem && keep('placement', [problem, context], placementFor);
    const board = placement?.board ?? bareBoard;

    const supply = keep('supply', [wired, memory, board, placement, calibration.rates], supplyOf);
    const runners = keep('runners', [sittings, supply, board, placement], runnersOf);
    const heated = keep('heat', [tuning, built, brief, region.mainsV, runners], heatOf);
    const { heat, results, drawn } = heated;
    const power = keep('power', [built, results, drawn, tuning], drawOf);
    const scene = keep('scene', [built, memory, placement], sceneOf);
    const price = keep('price', [parts, catalogue, region, policy], priceMachine);
    let bought: Spent | undefined;
    const spent = (): Spent =>
      (bought ??= spentOf(context.quick ? boughtApart(price) : pageBasket(price, parts, catalogue, region, policy), {
        machine,
        parts,
        brief,
      }));

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
      scene,
      region,
      price,
      spent,
      policy,
      today,
      settings,
    };
    const readings = readingsOf(facts, views);
    const checks: Check[] = [];
    for (const rule of rules)
      checks.push(...keep(`rule ${rule.id}`, argsOf(rule, facts, readings), (..._read) => rule.check(facts)));
    return {
      facts,
      supply,
      region,
      tasks: brief.tasks.flatMap(({ id }) => worstOf(id, results) ?? []),
      checks,
      findings: checks.filter(isFinding).sort((a, b) => levelRank(a.level) - levelRank(b.level)),
    };
  };
}

/** What stands behind each thing that a rule may say it reads. */
function readingsOf(facts: Facts, views: Views): (reading: Reading) => readonly unknown[] {
  const { parts, memory, board, devices, problem, placement, sittings, supply, calibration, power, heat } = facts;
  return (reading) => {
    switch (reading) {
      case 'any part':
        return [parts];
      case 'memory state':
        return [memory];
      case 'wiring':
        return [board, devices, problem, placement];
      case 'sittings':
        return [sittings, supply, calibration];
      case 'power':
        return [power];
      case 'heat':
        return [heat];
      case 'geometry':
        return [facts.scene];
      case 'price':
        return [facts.price, parts, facts.machine.present];
      default:
        return [views.list(parts, reading)];
    }
  };
}

/** All that a rule's answer can depend on besides brief and context: what it says it reads, and how the machine is set. */
function argsOf(rule: Rule, { machine }: Facts, readings: (reading: Reading) => readonly unknown[]): unknown[] {
  const { items, tuning, memoryProfile, present, pins, moduleSlots, firmware, evidence } = machine;
  const args: unknown[] = [items.length === 0, tuning, memoryProfile, present, pins, moduleSlots, firmware, evidence];
  for (const reading of rule.reads) args.push(...readings(reading));
  return args;
}
