import { subjectOf, quickly, type Context } from '../../assess';
import type { Brief } from '../../model/brief';
import { foundWithin, NO_EFFORT, type Effort } from './ended';
import type { FoundMachine } from './judge';
import { everyTask, type Question } from './question';
import { progressAt } from './rank';
import { cheapest } from './search';
import { readier, type Ready } from './searchable';

/** One of two machines, with the sittings that it is for. Money is landed, in minor units of the brief's region. */
export interface Side {
  /** Ids of the sittings, in the brief's order. */
  readonly sittings: readonly string[];
  readonly found: FoundMachine;
  /** Tasks of the brief that it may not do: they do not run on it, or fall short of their targets. */
  readonly cannot: readonly string[];
}

/** One machine for all sittings of a brief beside two that share them. */
export interface TwoMachines {
  /** The cheapest single machine; undefined when there is none, or as long as it is not known. */
  readonly one: FoundMachine | undefined;
  /** The cheapest two, the dearer one first; undefined when no two do it, or as long as they are not proven. */
  readonly two: readonly [Side, Side] | undefined;
  /** Two cost no less than this, as far as it is known. */
  readonly atLeastMinor: number;
  /** Ways of sharing the sittings that are still open. */
  readonly open: number;
  readonly effort: Effort;
}

/** More sittings than this would make too many ways of sharing them. */
export const MOST_SITTINGS = 12;

/** A brief for some of its sittings: with their tasks, and those that are in no sitting at all. */
export function briefFor(brief: Brief, sittings: ReadonlySet<string>): Brief {
  const mine = brief.sittings.filter(({ id }) => sittings.has(id));
  const own = new Set(mine.flatMap(({ tasks }) => tasks));
  const placed = new Set(brief.sittings.flatMap(({ tasks }) => tasks));
  return { ...brief, sittings: mine, tasks: brief.tasks.filter(({ id }) => own.has(id) || !placed.has(id)) };
}

/** Sittings as bits, so that a set of them is a number. */
type Group = number;

/**
 * Whether a brief's sittings are cheaper done by one machine or by two. What a group of sittings costs is never less than
 * what any part of it does, so the ways of sharing are looked at by the least that is known of their sides, and only sides
 * that may still belong to the cheapest are searched: mostly the single sittings settle it. Limits of the question hold for
 * both machines; what is owned, kept or pinned is not counted, as it can only be in one of them, nor is the budget.
 * @throws RangeError with more sittings than `MOST_SITTINGS`
 */
export function* twoMachines(
  question: Question,
  context: Context,
  ready: Ready = readier(context),
): Generator<TwoMachines, TwoMachines> {
  const { brief } = question;
  const ids = brief.sittings.map(({ id }) => id);
  if (ids.length > MOST_SITTINGS) throw new RangeError(`${ids.length} sittings are more than ${MOST_SITTINGS}`);
  const all: Group = 2 ** ids.length - 1;
  const sittingsOf = (group: Group): string[] => ids.filter((_id, i) => (group >> i) & 1);
  const quick = quickly(context);
  let now: TwoMachines = { one: undefined, two: undefined, atLeastMinor: 0, open: 0, effort: NO_EFFORT };

  /** What is known of a group: the cheapest machine, or that there is none. */
  const known = new Map<Group, FoundMachine | undefined>();
  function* costOf(group: Group): Generator<TwoMachines, FoundMachine | undefined> {
    if (known.has(group)) return known.get(group);
    const asked = ready(aboutPart(question, sittingsOf(group), context));
    const found = yield* foundWithin(
      cheapest(asked),
      () => now,
      (next) => (now = next),
    );
    known.set(group, found);
    return found;
  }
  /** Nothing for a group costs less: what is known of it, or of the dearest part of it. */
  const leastOf = (group: Group): number => {
    let least = 0;
    for (const [part, found] of known)
      if ((part & group) === part) least = Math.max(least, found?.priceMinor ?? Infinity);
    return least;
  };

  const one = yield* costOf(all);
  now = { ...now, one };
  yield now;
  if (ids.length < 2) return now;
  for (let i = 0; i < ids.length; i++) yield* costOf(2 ** i);
  // each way once: the first sitting is on the first side
  const ways: (readonly [Group, Group])[] = [];
  for (let group = 1; group < all; group += 2) ways.push([group, all - group]);
  const leastOfWay = ([a, b]: readonly [Group, Group]): number => leastOf(a) + leastOf(b);
  for (;;) {
    const open = ways.map((way) => ({ way, least: leastOfWay(way) })).sort((a, b) => a.least - b.least);
    const [first] = open;
    if (!first || first.least === Infinity) return { ...now, atLeastMinor: Infinity, open: 0 };
    now = { ...now, atLeastMinor: first.least, open: open.filter(({ least }) => least < Infinity).length };
    yield now;
    const sides = first.way.map((group) => ({ group, found: known.get(group) }));
    const unasked = sides.find(({ group }) => !known.has(group));
    if (unasked) {
      yield* costOf(unasked.group);
      continue;
    }
    const [a, b] = sides.flatMap(({ group, found }) => (found ? [{ group, found }] : []));
    if (!a || !b) return now;
    const ordered = a.found.priceMinor >= b.found.priceMinor ? ([a, b] as const) : ([b, a] as const);
    const sideOf = ({ group, found }: typeof a): Side => ({
      sittings: sittingsOf(group),
      found,
      cannot: cannotDo(found),
    });
    return { ...now, two: [sideOf(ordered[0]), sideOf(ordered[1])], open: 0 };
  }

  /** Tasks of the whole brief that a machine falls short of. */
  function cannotDo({ machine }: FoundMachine): string[] {
    const asked = everyTask(brief, quick);
    return subjectOf(brief, quick)
      .assess(machine)
      .tasks.filter((result) => progressAt(result, question.at) < (asked.get(result.task) ?? 0))
      .map(({ task }) => task);
  }
}

/** The question about some of the sittings alone. */
function aboutPart(question: Question, sittings: readonly string[], context: Context): Question {
  const { from: _from, withPart: _part, ...rest } = question;
  const { budgetFirm: _firm, ...brief } = briefFor(question.brief, new Set(sittings));
  return {
    ...rest,
    brief,
    keep: [],
    spare: [],
    mostMinor: undefined,
    least: { tasks: everyTask(brief, context) },
  };
}
