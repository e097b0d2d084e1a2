import { isOnSale } from '../parts/onSale';
import { rootOf } from '../parts/lookalikes';
import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { freshItemId, purchased, type MachineEdit } from '../model/edits';
import { fullName } from '../model/fitted';
import type { DriveRole } from '../figures/resources';
import type { Machine } from '../model/machine';
import type { Part } from '../parts';
import type { TaskResult } from '../predict/results';
import { failing } from '../rules/rule';
import { askedOf } from '../sizing/asked';
import { bringsNothingAsBadAs, effectOf, findingBalance, gainPerCoin, type Effect, type WorkEffect } from './effect';
import { ADDABLE, lossesOf, losesRoom, type Loss } from './losses';
import { rolesWanted } from './remedies';
import { trialBench } from './trial';
import { finish, firstOfEach, type Trials } from '../assess/trials';

/** One swap or addition away from a machine. */
export interface Step {
  readonly edit: MachineEdit;
  readonly part: Part;
  /** Name of the part that it takes the place of; undefined for an addition. */
  readonly replaces: string | undefined;
  readonly effect: Effect;
  /** What the machine had of the replaced part and no longer has. */
  readonly losses: readonly Loss[];
}

/** Steps up and savings, each best first, how many were tried, and the tasks for whose sake others were left out. */
export interface CoinSteps {
  readonly up: Step[];
  readonly savings: Step[];
  readonly tried: number;
  /** Decisive tasks that fail: steps up are only those that help one of them. */
  readonly needing: readonly string[];
}

/**
 * Every single swap and addition that fits, as steps up (dearer and better) ranked by what they mend and then by gain a
 * coin, and savings (cheaper) ranked by how little speed each coin saved costs. A swap that brings something unproven or
 * worse is left out; one that loses room is no step up; as long as a decisive task fails, only what helps it is.
 */
export const coinSteps = (...args: Parameters<typeof coinTrials>): CoinSteps => finish(coinTrials(...args));

/** Share by which a failing task has to gain for a step to count as help. */
const HELPS = 1.01;
const DECISIVE = 5;
/** A gain (the mean of logarithms) that is not rounding. */
const FASTER = 1e-4;

/** What is asked for. */
interface CoinAsk {
  /** Parts that are owned may go as well. */
  readonly ownedMayGo?: boolean;
  /** How many savings are wanted, from the best on; all of them unless said. */
  readonly mostSavings?: number;
}

/** The same, a trial at a time. */
export function* coinTrials(
  machine: Machine,
  brief: Brief,
  context: Context,
  { ownedMayGo = false, mostSavings = Infinity }: CoinAsk = {},
): Trials<CoinSteps> {
  const before = subjectOf(brief, context).assess(machine);
  const bench = trialBench(before, brief, context);
  const { now } = bench;
  const needing = decisiveFailures(before);
  const fitting: Fitting[] = [];
  let tried = 0;
  for (const trial of stepsToTry(machine, brief, before, context, ownedMayGo)) {
    tried++;
    yield;
    const changed = purchased(machine, trial.edit);
    if (bench.turnedDown(changed, 'caution')) continue;
    const dearerMinor = bench.dearerMinor(changed);
    if (dearerMinor !== undefined) fitting.push({ ...trial, changed, dearerMinor });
  }
  const stepOf = ({ edit, changed, part, replaced }: Fitting): Step | undefined => {
    const effect = effectOf(now, bench.outcomeOf(edit, changed, part));
    if (!bringsNothingAsBadAs(effect, 'caution')) return undefined;
    return {
      edit,
      part,
      replaces: replaced && fullName(replaced),
      effect,
      losses: replaced ? lossesOf(replaced, part) : [],
    };
  };
  const up: Step[] = [];
  for (const trial of fitting) {
    if (trial.dearerMinor < 0 || (trial.replaced && losesRoom(trial.replaced, trial.part))) continue;
    yield;
    // most neither speed the work up nor mend anything: for those the rules need not be asked
    const { work, mends } = bench.glance(trial.edit, trial.changed, trial.part);
    if (!helps(work, needing) || (work.gain <= FASTER && !mends())) continue;
    const step = stepOf(trial);
    if (step && betters(step.effect)) up.push(step);
  }
  // what keeps all speed stands by what it saves: the largest saving is tried first, and what saves less stands behind
  const cheaper = fitting.filter(({ dearerMinor }) => dearerMinor < 0).sort((a, b) => a.dearerMinor - b.dearerMinor);
  const savings: Step[] = [];
  const free = new Set<string>();
  for (const trial of cheaper) {
    if (free.size >= mostSavings) break;
    yield;
    const step = stepOf(trial);
    if (!step) continue;
    savings.push(step);
    if (keepsSpeed(step)) free.add(groupOf(step));
  }
  up.sort((a, b) => compareBalances(a.effect, b.effect) || gainPerCoin(b.effect) - gainPerCoin(a.effect));
  savings.sort(compareSavings);
  return {
    up: firstOfEach(up, groupOf),
    savings: firstOfEach(savings, groupOf).slice(0, mostSavings),
    tried,
    needing: needing.map(({ task }) => task),
  };
}

/** A step that no rule about its parts turns down, and what it adds to the price. */
interface Fitting extends StepToTry {
  readonly changed: Machine;
  readonly dearerMinor: number;
}

/** What counts as one step: of parts that are editions of one another the best stands for all. */
const groupOf = ({ edit, part }: Step): string => `${edit.kind === 'swap' ? edit.item : edit.kind} ${rootOf(part)}`;

const keepsSpeed = ({ effect }: Step): boolean => effect.gain >= -FASTER;

/** What keeps all speed first, the largest saving first; then by speed lost a coin saved. */
const compareSavings = (a: Step, b: Step): number =>
  Number(keepsSpeed(b)) - Number(keepsSpeed(a)) ||
  (keepsSpeed(a)
    ? (a.effect.priceMinor ?? 0) - (b.effect.priceMinor ?? 0)
    : gainPerCoin(b.effect) - gainPerCoin(a.effect));

/** Whether a step makes the work faster, or mends a finding that counts. */
const betters = (effect: Effect): boolean =>
  effect.gain > FASTER || findingBalance(effect).some((balance) => balance > 0);

/** What mends faults of the work stands before what is merely faster. */
function compareBalances(a: Effect, b: Effect): number {
  const [inA, inB] = [findingBalance(a), findingBalance(b)];
  for (let i = 0; i < inA.length; i++) if (inA[i] !== inB[i]) return (inB[i] ?? 0) - (inA[i] ?? 0);
  return 0;
}

/** Decisive tasks that do not run or fall short as the machine stands. */
function decisiveFailures({ tasks, facts, findings }: Assessment): TaskResult[] {
  return tasks.filter(
    ({ task }) =>
      facts.brief.tasks.some(({ id, importance }) => id === task && importance >= DECISIVE) &&
      findings.some((finding) => finding.code === 'task-result' && finding.taskId === task && failing(finding.level)),
  );
}

function helps(effect: WorkEffect, needing: readonly TaskResult[]): boolean {
  return (
    needing.length === 0 ||
    needing.some(({ task }) => {
      const change = effect.tasks.find((entry) => entry.task === task);
      if (!change) return false;
      if (change.after !== 'short' && change.after !== 'unproven') return true;
      return change.ratio !== undefined && change.ratio.likely > (change.ratioBefore?.likely ?? 0) * HELPS;
    })
  );
}

interface StepToTry {
  readonly edit: MachineEdit;
  readonly part: Part;
  readonly replaced: Part | undefined;
}

/** Swaps of every part that is not owned, or of all, and one more of the kinds that a machine may have several of. */
function* stepsToTry(
  machine: Machine,
  brief: Brief,
  before: Assessment,
  context: Context,
  ownedMayGo: boolean,
): Generator<StepToTry> {
  const { catalogue, today } = context;
  for (const { item, part } of before.facts.parts.all) {
    if (item.owned && !ownedMayGo) continue;
    for (const other of catalogue.ofKind(part.kind))
      if (other.id !== part.id && isOnSale(other, today))
        yield {
          edit: { kind: 'swap', item: item.id, part: other.id, label: fullName(other) },
          part: other,
          replaced: part,
        };
  }
  const asked = askedOf(brief, context);
  for (const kind of ADDABLE)
    for (const part of catalogue.ofKind(kind) as readonly Part[]) {
      if (!isOnSale(part, today)) continue;
      const item = { id: freshItemId(machine, kind), part: part.id, label: fullName(part) };
      if (kind !== 'drive') {
        yield { edit: { kind: 'add', item }, part, replaced: undefined };
        continue;
      }
      yield {
        edit: { kind: 'add', item: { ...item, roles: rolesWanted(machine, undefined, asked) } },
        part,
        replaced: undefined,
      };
      // a second drive takes a role from one that has several
      for (const { item: holder } of before.facts.parts.ofKind('drive'))
        for (const role of split(holder.roles ?? []))
          yield {
            edit: {
              kind: 'several',
              edits: [
                { kind: 'add', item: { ...item, roles: [role] } },
                { kind: 'roles', item: holder.id, roles: (holder.roles ?? []).filter((has) => has !== role) },
              ],
            },
            part,
            replaced: undefined,
          };
    }
}

/** Roles worth a drive of their own: those of a drive that has others too. */
const split = (roles: readonly DriveRole[]): readonly DriveRole[] =>
  roles.length > 1 ? roles.filter((role) => role !== 'system') : [];
