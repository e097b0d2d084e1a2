import type { SettledSitting } from '../heat/state';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { buyPolicy } from '../money/policy';
import { PART_KINDS } from '../parts';
import type { SittingResult, TaskResult } from '../predict/results';
import { worstOf } from '../predict/worst';
import { rules } from '../rules';
import { isFinding, levelRank, type Facts, type Finding, type Rule } from '../rules/rule';
import type { Answers } from './answers';
import type { Assessment } from './assessment';
import type { Context } from './context';
import { StagedFacts, type Ground } from './facts';
import type { Keep } from './keep';
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
  /** Its tasks, each where it does worst, with nothing asked of the rules. */
  readonly tasksOf: (machine: Machine) => readonly TaskResult[];
  /** What is known of a machine, each thing worked out when it is first asked for. */
  readonly factsOf: (machine: Machine) => Facts;
  /** Its sittings at the clocks it is set to, whatever its heat. */
  readonly coldOf: (machine: Machine) => readonly SittingResult[];
  /** Its sittings with their heat, in the order of the brief, each worked out when it is asked for. */
  readonly sittingsOf: (machine: Machine) => readonly (() => SettledSitting)[];
}

const KINDS: ReadonlySet<string> = new Set(PART_KINDS);

/** Rules that say nothing of what is worked out: their answers are there before any prediction. */
const early = rules.filter(({ reads }) =>
  reads.every((what) => what === 'any part' || what === 'memory state' || KINDS.has(what)),
);

/** How much of what was worked out is remembered. */
export interface Remembering {
  readonly keep: Keep;
  readonly views: Views;
  readonly answers: Answers;
}

/**
 * A brief in its context, ready to be asked about machines: a chain of stages, each a function of what it names, each
 * run when its result is first asked for. Whether and how results are remembered is not its business; the chain is the
 * same.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export function compiled(brief: Brief, context: Context, { keep, views, answers }: Remembering): Compiled {
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

  // screened, asked by one rule and assessed: the same machine comes several times in a row
  let asked: { readonly machine: Machine; readonly facts: StagedFacts } | undefined;
  const factsFor = (machine: Machine): StagedFacts =>
    (asked?.machine === machine ? asked : (asked = { machine, facts: new StagedFacts(ground, machine) })).facts;

  const tasksIn = ({ sittings }: Facts): TaskResult[] => brief.tasks.flatMap(({ id }) => worstOf(id, sittings) ?? []);

  return {
    assess: (machine) => {
      const facts = factsFor(machine);
      const checks = answers(rules, facts);
      return {
        facts,
        supply: facts.supply,
        region,
        tasks: tasksIn(facts),
        checks,
        findings: checks.filter(isFinding).sort((a, b) => levelRank(a.level) - levelRank(b.level)),
      };
    },
    screen: (machine) => answers(early, factsFor(machine)).filter(isFinding),
    findingsOf: (id, machine) =>
      answers(
        rules.filter((rule) => rule.id === id),
        factsFor(machine),
      ).filter(isFinding),
    findingsBy: (asked, machine) => answers(asked, factsFor(machine)).filter(isFinding),
    tasksOf: (machine) => tasksIn(factsFor(machine)),
    factsOf: factsFor,
    coldOf: (machine) => factsFor(machine).cold(),
    sittingsOf: (machine) => factsFor(machine).settled(),
  };
}
