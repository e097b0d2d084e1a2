import type { Plan } from './steps';

/** What each of several people does, in the order of the plan. */
export interface Crew {
  /** Minutes until the last of them is done. */
  readonly minutes: number;
  /** Steps of each. */
  readonly hands: readonly (readonly string[])[];
}

/**
 * A plan shared out to several people: whoever is free takes the first step of the plan whose earlier ones are done; who
 * has nothing to do waits. Source: list scheduling (Graham 1969), at most twice as long as the best.
 * @example with one pair of hands it is the plan itself, as long as all its steps
 */
export function sharedOut({ steps }: Pick<Plan, 'steps'>, people: number): Crew {
  const doneAt = new Map<string, number>();
  const freeAt = Array.from({ length: people }, () => 0);
  const hands: string[][] = freeAt.map(() => []);
  const left = [...steps];
  while (left.length > 0) {
    const who = freeAt.indexOf(Math.min(...freeAt));
    const now = freeAt[who] ?? 0;
    const ready = (id: string): number => doneAt.get(id) ?? Infinity;
    const at = left.findIndex(({ before }) => before.every(({ step }) => ready(step) <= now));
    const step = left[at];
    if (!step) {
      // until the next of the others is done; a knot, for which nobody is waited, goes on all the same
      const next = Math.min(...freeAt.filter((time) => time > now));
      if (Number.isFinite(next)) {
        freeAt[who] = next;
        continue;
      }
    }
    const [taken] = left.splice(Math.max(0, at), 1);
    if (!taken) break;
    freeAt[who] = now + taken.minutes;
    doneAt.set(taken.id, now + taken.minutes);
    hands[who]?.push(taken.id);
  }
  return { minutes: Math.max(0, ...doneAt.values()), hands };
}
