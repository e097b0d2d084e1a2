import type { Assessment } from '../assess';
import { FIRST, type Item, type Machine } from '../model/machine';
import { inPhase, phaseOf, phasesOf } from '../model/phases';
import type { Brief } from '../model/brief';
import type { Finding } from '../rules/rule';
import type { Band } from '../units/band';
import { yearsBetween } from '../units/days';
import { plainNumber } from '../units/money';
import { basketFor } from '../versus/basketFor';
import { does } from './does';
import { briefIn } from './growth';
import { netCost, resaleOf, type Resale } from './resale';
import { carriedOver } from './worth';

/** One phase of a plan, with the machine as it is then and the work as it has grown by then. */
export interface PlannedPhase {
  /** Undefined for the machine as built first. */
  readonly name: string | undefined;
  readonly id: string;
  /** The day it comes; undefined as long as nobody has given it one. */
  readonly on: string | undefined;
  /** Its day has passed already. */
  readonly passed: boolean;
  readonly machine: Machine;
  readonly assessment: Assessment;
  readonly bought: readonly Item[];
  readonly leaving: readonly Item[];
  /** What is bought, minor units landed, at today's prices; and what is paid after what leaves is sold. */
  readonly purchaseMinor: number;
  readonly purchaseOpen: boolean;
  readonly resale: Resale;
  readonly net: Band;
  readonly budgetMinor: number | undefined;
  /** Findings that stop it or leave it unproven; those that its day settles are not among them. */
  readonly wrong: readonly Finding[];
  /** Tasks that do not run or fall short then, and those of which nobody can tell. */
  readonly short: readonly string[];
  readonly unsure: readonly string[];
}

/** Something that judges a machine for a brief. */
export type Judge = (machine: Machine, brief: Brief) => Assessment;

/**
 * The phases of a machine as a plan: each is a machine of its own, judged with the work as it has grown by its day. The
 * first takes the place of the machine that is there, if there is one; what leaves is sold on the phase's day, at the age it
 * has then. Prices are today's, as nobody knows those of another day.
 */
export function planOf(whole: Machine, brief: Brief, judge: Judge, today: string, present?: Machine): PlannedPhase[] {
  const order = phasesOf(whole);
  const dayOf = (id: string): string | undefined => (id === FIRST ? today : phaseOf(whole, id)?.on);
  let before: Assessment | undefined = present && judge(present, brief);
  return order.map((id, at): PlannedPhase => {
    const phase = phaseOf(whole, id);
    const on = dayOf(id);
    const machine = inPhase(whole, id);
    const assessment = judge(machine, briefIn(brief, on === undefined ? 0 : yearsBetween(today, on)));
    const there = before?.facts.machine;
    const staying = new Set((at === 0 && there ? carriedOver(there, machine) : machine.items).map((item) => item.id));
    const leaving = there?.items.filter((item) => !staying.has(item.id)) ?? [];
    const resale = resaleOf(before ?? assessment, new Set(leaving.map((item) => item.id)), {
      on: latest(on, today),
      boughtOn: (item) => (at === 0 ? undefined : boughtOn(item, dayOf, today)),
    });
    const basket = basketFor(assessment);
    const bought = plainNumber(basket.total.landedMinor);
    before = assessment;
    return {
      name: phase?.name,
      id,
      on,
      passed: phase?.on !== undefined && phase.on < today,
      machine,
      assessment,
      bought: machine.items.filter((item) => item.owned !== true),
      leaving,
      purchaseMinor: basket.total.landedMinor,
      purchaseOpen: basket.lowerBound,
      resale,
      net: netCost(bought, resale),
      budgetMinor: id === FIRST ? brief.budgetMinor : phase?.budgetMinor,
      wrong: assessment.findings.filter(
        (finding) => (finding.level === 'blocks' || finding.level === 'unproven') && finding.code !== 'task-result',
      ),
      short: assessment.tasks.flatMap((result) => (does(result) === false ? [result.task] : [])),
      unsure: assessment.tasks.flatMap((result) => (does(result) === undefined ? [result.task] : [])),
    };
  });
}

/** A day that has passed is today's business. */
const latest = (on: string | undefined, today: string): string => (on === undefined || on < today ? today : on);

/** When a part of the plan is bought; what is owned from the start is as old as it says itself. */
export function boughtOn(
  { owned, stood, from }: Item,
  dayOf: (phase: string) => string | undefined,
  today: string,
): string | undefined {
  return owned === true && stood !== true ? undefined : latest(dayOf(from ?? FIRST), today);
}
