import type { SettledSitting } from '../heat/state';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { buyPolicy } from '../money/policy';
import { PART_KINDS } from '../parts';
import type { SittingResult } from '../predict/results';
import { worstOf } from '../predict/worst';
import { rules } from '../rules';
import {
  ask,
  isFinding,
  levelRank,
  type Check,
  type Facts,
  type Finding,
  type Reading,
  type Rule,
} from '../rules/rule';
import type { Assessment } from './assessment';
import type { Context } from './context';
import { StagedFacts, type Ground } from './facts';
import { afresh, type Keep } from './keep';
import { suits } from './stages';
import type { Views } from './view';

/** What can be asked of a compiled brief. */
export interface Compiled {
  readonly assess: (machine: Machine) => Assessment;
  /**
   * Findings of the rules that read nothing but parts (sockets, forms, counts): all of them stand in the assessment too,
   * but no task is predicted for them, so most of a thousand what-ifs can be turned down by them.
   */
  readonly screen: (machine: Machine) => readonly Finding[];
  /** Findings of one rule, with only what it reads worked out. */
  readonly findingsOf: (rule: string, machine: Machine) => readonly Finding[];
  /** The same of several rules. */
  readonly findingsBy: (asked: readonly Rule[], machine: Machine) => readonly Finding[];
  /** What is known of a machine, each thing worked out when it is first asked for. */
  readonly factsOf: (machine: Machine) => Facts;
  /** Its sittings at the clocks it is set to, whatever its heat. */
  readonly coldOf: (machine: Machine) => readonly SittingResult[];
  /** Its sittings with their heat, in the order of the brief, each worked out when it is asked for. */
  readonly sittingsOf: (machine: Machine) => readonly (() => SettledSitting)[];
}

/** Names of the stages that are kept for each rule. */
const kept = new Map<Rule, string>(rules.map((rule) => [rule, `rule ${rule.id}`]));

const KINDS: ReadonlySet<string> = new Set(PART_KINDS);

/** Rules that say nothing of what is worked out: their answers are there before any prediction. */
const early = rules.filter(({ reads }) =>
  reads.every((what) => what === 'any part' || what === 'memory state' || KINDS.has(what)),
);

/**
 * A brief in its context, ready to be asked about machines: a chain of stages, each a function of what it names, each
 * run when its result is first asked for. Whether and how results are remembered is the keeper's business; the chain is
 * the same.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export function compiled(brief: Brief, context: Context, keep: Keep, views: Views): Compiled {
  const { catalogue, settings, today } = context;
  const region = catalogue.region(brief.region);
  if (!region) throw new RangeError(`the brief's region "${brief.region}" is not in the catalogue`);
  const ground: Ground = {
    brief,
    context,
    region,
    policy: buyPolicy(brief, settings, today),
    prefers: suits(brief, catalogue),
    tasks: brief.tasks.map((task) => ({ task, expanded: `task ${task.id}`, taught: `taught ${task.id}` })),
    keep,
    views,
  };

  function checksOf(asked: readonly Rule[], facts: Facts): readonly Check[] {
    // where nothing is remembered, nothing has to be compared
    if (keep === afresh) return asked.flatMap((rule) => ask(rule, facts));
    const readings = readingsOf(facts, views);
    const checks: Check[] = [];
    for (const rule of asked)
      checks.push(...keep(kept.get(rule) ?? rule.id, argsOf(rule, facts, readings), (..._read) => ask(rule, facts)));
    return checks;
  }

  // screened, asked by one rule and assessed: the same machine comes several times in a row
  let asked: { readonly machine: Machine; readonly facts: StagedFacts } | undefined;
  const factsFor = (machine: Machine): StagedFacts =>
    (asked?.machine === machine ? asked : (asked = { machine, facts: new StagedFacts(ground, machine) })).facts;

  return {
    assess: (machine) => {
      const facts = factsFor(machine);
      const checks = checksOf(rules, facts);
      return {
        facts,
        supply: facts.supply,
        region,
        tasks: brief.tasks.flatMap(({ id }) => worstOf(id, facts.sittings) ?? []),
        checks,
        findings: checks.filter(isFinding).sort((a, b) => levelRank(a.level) - levelRank(b.level)),
      };
    },
    screen: (machine) => checksOf(early, factsFor(machine)).filter(isFinding),
    findingsOf: (id, machine) =>
      checksOf(
        rules.filter((rule) => rule.id === id),
        factsFor(machine),
      ).filter(isFinding),
    findingsBy: (asked, machine) => checksOf(asked, factsFor(machine)).filter(isFinding),
    factsOf: factsFor,
    coldOf: (machine) => factsFor(machine).cold(),
    sittingsOf: (machine) => factsFor(machine).settled(),
  };
}

/** What stands behind each thing that a rule may say it reads. */
function readingsOf(facts: Facts, views: Views): (reading: Reading) => readonly unknown[] {
  const { parts } = facts;
  return (reading) => {
    switch (reading) {
      case 'any part':
        return [parts];
      case 'memory state':
        return [facts.memory];
      case 'wiring':
        return [facts.board, facts.devices, facts.problem, facts.placement];
      case 'what is kept':
        return [facts.kept];
      case 'sittings':
        return [facts.sittings, facts.supply, facts.calibration];
      case 'power':
        return [facts.power];
      case 'heat':
        return [facts.heat];
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
