import { ownershipOf } from './ownership';
import type { Assessment } from '../assess';
import { plainNumber } from '../units/money';

/** What a machine costs over its years without waiting, and how long it lets somebody wait in them. */
export interface Owning {
  /** Today's worth of all lines but waiting, minor units. */
  readonly costMinor: number;
  /** Hours over the years of service, each weighed as its year is: what an hour is worth times these is today's worth. */
  readonly hours: number;
  /** The same of one year. */
  readonly hoursAYear: number;
}

/**
 * What owning a machine comes to beside waiting; undefined where a figure that tells machines apart is not known: its price,
 * its energy, or a task that somebody waits for. Expected repairs hold an hour's value too, but the same for all machines
 * of a brief.
 */
export function owningOf(assessment: Assessment, purchaseMinor: number): Owning | undefined {
  const owned = ownershipOf({ assessment, purchaseMinor, purchaseOpen: false, support: undefined });
  if (owned.open.some(({ code }) => code === 'not-predicted' || code === 'draw-unknown')) return undefined;
  const rate = assessment.facts.settings.discountPercent / 100;
  const years = owned.years.length - 1;
  let weight = 0;
  for (let year = 1; year <= years; year++) weight += 1 / (1 + rate) ** year;
  return {
    costMinor: owned.totalMinor - owned.byLine.waiting,
    hours: owned.waitingHours * weight,
    hoursAYear: owned.waitingHours,
  };
}

/** From this worth of an hour on a machine is the cheapest way of owning one, waiting in. */
export interface Stair<M> {
  readonly machine: M;
  /** Minor units an hour. */
  readonly fromMinor: number;
}

/**
 * The machine that costs least over the years, waiting in, for every worth of an hour from nothing on: the lower envelope of
 * lines cost + worth × hours. Each stair lets somebody wait less than the one before and costs more. Exact over the
 * machines that are named.
 * @example 100 with 10 h and 160 with 4 h: the second pays from 60 ÷ 6 = 10 an hour on
 */
export function waitingStairs<M extends { readonly owning: Owning | undefined }>(machines: readonly M[]): Stair<M>[] {
  const known = machines.flatMap((machine) => {
    const { owning } = machine;
    return owning ? [{ machine, cost: plainNumber(owning.costMinor), hours: owning.hours }] : [];
  });
  // at no worth the cheapest, of equal ones the one that waits least
  let [now] = [...known].sort((a, b) => a.cost - b.cost || a.hours - b.hours);
  const stairs: Stair<M>[] = [];
  let fromMinor = 0;
  while (now) {
    const here = now;
    stairs.push({ machine: here.machine, fromMinor });
    const [next] = known
      .filter(({ hours }) => hours < here.hours)
      .map((other) => ({ other, from: (other.cost - here.cost) / (here.hours - other.hours) }))
      // where several pay from the same worth on, the one that waits least is the next
      .sort((a, b) => a.from - b.from || a.other.hours - b.other.hours);
    now = next?.other;
    fromMinor = next?.from ?? fromMinor;
  }
  return stairs;
}
