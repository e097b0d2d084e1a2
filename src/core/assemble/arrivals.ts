import type { Assessment } from '../assess';
import { dayAfter } from '../units/days';
import type { Plan } from './steps';

/** What can be done before everything is there. */
export interface Early {
  /** The last part to come, and its day. */
  readonly last: string;
  readonly on: string;
  /** Steps that can be done without anything that comes on that day, and minutes that they take. */
  readonly steps: readonly string[];
  readonly minutes: number;
}

/** Days on which parts are there, by item; parts that are owned are there, what nobody states is not known. */
export function arrivalsOf({ facts }: Pick<Assessment, 'facts'>): Map<string, string> {
  const days = new Map<string, string>();
  for (const { item, offer, state } of facts.price.items)
    if (state === 'offered' && offer?.deliveryDays !== undefined)
      days.set(item, dayAfter(facts.today, offer.deliveryDays));
  return days;
}

/** How far one gets before the last parcel: every step that stands on nothing that comes with it. Undefined when all comes at once. */
export function beforeTheLast(
  { steps }: Pick<Plan, 'steps'>,
  arrivals: ReadonlyMap<string, string>,
): Early | undefined {
  const mounted = new Map(steps.flatMap((step) => step.mounts.map((item) => [item, step.id] as const)));
  const days = [...arrivals].filter(([item]) => mounted.has(item)).sort(([, a], [, b]) => (a < b ? 1 : a > b ? -1 : 0));
  const [[last, on] = []] = days;
  if (last === undefined || on === undefined || days.every(([, day]) => day === on)) return undefined;
  const late = new Set(days.flatMap(([item, day]) => (day === on ? [item] : [])));
  const done = new Set<string>();
  for (const { id, mounts, about, before } of steps)
    if (
      !mounts.some((item) => late.has(item)) &&
      (about === undefined || !late.has(about)) &&
      before.every(({ step }) => done.has(step))
    )
      done.add(id);
  const possible = steps.filter(({ id }) => done.has(id));
  return {
    last,
    on,
    steps: possible.map(({ id }) => id),
    minutes: possible.reduce((sum, { minutes }) => sum + minutes, 0),
  };
}
