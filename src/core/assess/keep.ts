/**
 * How a stage is run: with what it reads as arguments, so that whoever runs it may remember its result. A stage reads
 * nothing but its arguments; arguments are compared by identity.
 */
export type Keep = <A extends readonly unknown[], R>(
  stage: string,
  args: [...A],
  run: (...args: A) => R,
  /** Whether a fresh result says the same as the last one, which then stays: whatever reads it need not run. */
  same?: (last: R, fresh: R) => boolean,
) => R;

/** Small results that are data through and through. */
export const sameData = (last: unknown, fresh: unknown): boolean => JSON.stringify(last) === JSON.stringify(fresh);

interface Kept {
  readonly args: readonly unknown[];
  readonly result: unknown;
}

/** What a keeper did with its stages since it was made, by their names. */
export interface Keeper {
  readonly keep: Keep;
  readonly runs: ReadonlyMap<string, number>;
  /** Counts a run of a stage that is remembered elsewhere. */
  readonly ran: (stage: string) => void;
}

/**
 * Remembers the last results of each stage by its arguments: `entries` of each, the one used longest ago goes first, so a
 * machine that is tried and the one that is gone back to are both known. It dies with its subject. What a stage throws
 * is thrown again at the next call and leaves what is known as it was.
 */
export function keeper(entries = 3): Keeper {
  const kept = new Map<string, Kept[]>();
  const runs = new Map<string, number>();
  const ran = (stage: string) => void runs.set(stage, (runs.get(stage) ?? 0) + 1);
  const keep: Keep = (stage, args, run, same) => {
    let list = kept.get(stage);
    if (!list) kept.set(stage, (list = []));
    for (let i = 0; i < list.length; i++) {
      const known = list[i];
      if (!known || !sameArgs(known.args, args)) continue;
      if (i > 0) {
        list.splice(i, 1);
        list.unshift(known);
      }
      // kept under the stage's name, and a stage has one kind of result
      return known.result as ReturnType<typeof run>;
    }
    let result = run(...args);
    ran(stage);
    const last = list[0]?.result as ReturnType<typeof run> | undefined;
    if (same && last !== undefined && same(last, result)) result = last;
    list.unshift({ args, result });
    if (list.length > entries) list.pop();
    return result;
  };
  return { keep, runs, ran };
}

/** Whether two lists hold the same objects, NaN the same as itself. */
export function sameArgs(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!Object.is(a[i], b[i])) return false;
  return true;
}
