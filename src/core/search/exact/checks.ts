import type { Progress } from './atBest';
import { BLOCKS } from './envelope';
import { meets, noteDecisive, shortOf } from './judge';
import type { Node } from './node';
import type { Option } from './option';
import type { Space } from './position';
import { compareRanks, ENOUGH, rankOf, type Rank } from './rank';
import type { Searchable } from './searchable';

/**
 * What is asked of the options of some positions: a probe, or the bound of a stage. `at` is the place of the newest one,
 * `reach` the most that each task can do by what was asked before: a bound lowers it, and together they may refuse what
 * each of them lets pass.
 */
export interface Check {
  readonly of: readonly number[];
  readonly passes: (options: readonly Option[], at: number, reach: number[]) => boolean;
  /** Takes envelopes for options. */
  readonly enveloped: boolean;
  /** Can be asked of the drives of one group of roles: those that fail their own roles fail in every set. */
  readonly partly: boolean;
}

/** A check at a position: its place among those it is about. */
interface Placed extends Pick<Check, 'of' | 'passes'> {
  readonly place: number;
}

/** What is asked: cheap probes only, or all. */
export type Asked = 'cheap' | 'all';

/** Probes of no more positions than this are asked before the tasks are looked at. */
const CHEAP = 3;

/** What is asked of partial machines of a space, by all that is asked of whole ones. */
export interface Checks {
  readonly checks: readonly Check[];
  /** What the tasks can do as far as nothing is known: more counts as no more. */
  readonly anyReach: () => number[];
  /** Whether an option of a position stands beside what a node has chosen; with `since` only beside that position. */
  readonly stands: (node: Node, position: number, option: Option, list: Asked, since?: number) => boolean;
  /** How many options of a position from a place on are refused together beside what a node has chosen. */
  readonly refusedFrom: (node: Node, position: number, index: number) => number;
  /** Whether a node's own choices stand beside each other and leave the tasks what is asked. */
  readonly carries: (node: Node) => boolean;
}

/** Makes ready what is asked in a space, where machines have to rank at least like `floor`. */
export function checksFor(asked: Searchable, space: Space, floor: Rank): Checks {
  const { question, probes, stages } = asked;
  const { positions, changes } = space;
  const { brief } = question;
  const verdicts = new Map<Progress, boolean>();
  const anyRank = floor.runs === 0 && floor.percent === 0;
  const placeOf = new Map(brief.tasks.map(({ id }, i) => [id, i]));
  const anyReach = (): number[] => brief.tasks.map(() => ENOUGH);
  const tried = anyReach();
  const probing = probes.map(({ of, holds, late, rules }): Check => ({
    of,
    // near a draft what cannot stay together has to be known from the start
    passes:
      late && changes === undefined
        ? (options) => !rules.some((rule) => asked.refusing.has(rule)) || holds(options)
        : holds,
    enveloped: false,
    partly: false,
  }));
  const staging = stages.map((stage): Check => ({
    of: stage.of,
    enveloped: stage.enveloped,
    partly: stage.partly,
    passes: (options, _at, reach) =>
      enough(asked.progressOf(stage, options), reach) &&
      // what a rank decides is seldom so far off that a first look tells
      (anyRank || !stage.closely || enough(asked.progressOf(stage, options, true), reach)),
  }));
  const cheapAt = positions.map((_, i) => probing.filter(({ of }) => of.length <= CHEAP && of.includes(i)));
  // what looks at few positions is asked of few combinations, so it is cheap and comes first; of what looks at as many the
  // work, which refuses most: what it has worked out then, rules need not, and they are asked of the few that are left
  const checks = [...staging, ...probing].sort((a, b) => a.of.length - b.of.length);
  const checksAt = positions.map((_, i) => checks.filter(({ of }) => of.includes(i)));
  const partlyAt = positions.map((_, i) => checks.filter(({ of, partly }) => partly && of.includes(i)));
  const placedBy = new Map<number, readonly Placed[]>();
  const envelopes = space === asked.space ? asked.envelopes : undefined;
  const blocksAt = positions.map((_, i) =>
    envelopes?.has(i) ? checks.filter(({ of, enveloped }) => enveloped && of.includes(i)) : [],
  );
  return { checks, anyReach, stands, refusedFrom, carries };

  /** Whether an option of a position stands beside what a node has chosen; with `since` only beside that position. */
  function stands(node: Node, position: number, option: Option, list: Asked, since = -1): boolean {
    if (list === 'all' && !groupsStand(node, position, option)) return false;
    const reach = reachOf(node);
    for (const { of, passes, place } of placed(list, position, node.depth, since))
      if (!passes(chosenBeside(node, of, position, option), place, reach)) return false;
    return true;
  }

  /** What can be asked of an option of a position beside choices up to a depth; with `since` only beside that position. */
  function placed(list: Asked, position: number, depth: number, since: number): readonly Placed[] {
    const key = (((list === 'all' ? 1 : 0) * 64 + position) * 64 + depth) * 64 + since + 1;
    let known = placedBy.get(key);
    if (!known) {
      known = ((list === 'all' ? checksAt : cheapAt)[position] ?? [])
        .filter(({ of }) => of.every((at) => at < depth || at === position) && (since < 0 || of.includes(since)))
        .map(({ of, passes }) => ({ of, passes, place: of.indexOf(position) }));
      placedBy.set(key, known);
    }
    return known;
  }

  /** Whether each group of drives of an option stands by itself beside what a node has chosen. */
  function groupsStand(node: Node, position: number, { groups = [] }: Option): boolean {
    for (const group of groups) if (!groupStands(node, position, group)) return false;
    return true;
  }

  function groupStands(node: Node, position: number, group: Option): boolean {
    const { alike } = node;
    alike.groups ??= new Map();
    const known = alike.groups.get(group);
    if (known !== undefined) return known;
    const { parent, depth } = node;
    // what does not stand beside less stands beside more no better
    const stands =
      (parent?.alike.groups?.get(group) ?? true) &&
      (partlyAt[position] ?? []).every(
        ({ of, passes }) =>
          of.some((at) => at >= depth && at !== position) ||
          passes(chosenBeside(node, of, position, group), of.indexOf(position), reachOf(node)),
      );
    alike.groups.set(group, stands);
    return stands;
  }

  /** How many options of a position from a place on are refused together beside what a node has chosen. */
  function refusedFrom(node: Node, position: number, index: number): number {
    const { depth } = node;
    const asking = (blocksAt[position] ?? []).filter(({ of }) => of.every((at) => at < depth || at === position));
    if (!envelopes || asking.length === 0) return 0;
    for (const size of BLOCKS)
      if (index % size === 0) {
        const covering = envelopes.of(position, index, size);
        const refused =
          covering.length > 0 &&
          asking.some(({ of, passes }) =>
            covering.every(
              (option) => !passes(chosenBeside(node, of, position, option), of.indexOf(position), reachOf(node)),
            ),
          );
        if (refused) return size;
      }
    return 0;
  }

  /** Room for what tasks can do beside what a node has chosen: one at a time. */
  function reachOf({ alike: { reach } }: Node): number[] {
    for (let i = 0; i < reach.length; i++) tried[i] = reach[i] ?? ENOUGH;
    return tried;
  }

  /**
   * Whether what the tasks can do at best is as much as is asked, by this bound and by those before it, which it lowers: a
   * machine does no more than each of its bounds lets it.
   */
  function enough(progress: Progress, reach: number[]): boolean {
    let met = verdicts.get(progress);
    if (met === undefined) {
      verdicts.set(progress, (met = meets(progress, question)));
      if (!met) noteDecisive(asked.decisive, shortOf(progress, question));
    }
    if (!met || anyRank) return met;
    let lowered = false;
    for (const [i, { id }] of brief.tasks.entries()) {
      const most = progress.get(id) ?? Infinity;
      if (most >= (reach[i] ?? Infinity)) continue;
      reach[i] = most;
      lowered = true;
    }
    if (!lowered) return true;
    const bound = rankOf(
      brief,
      (task) => reach[placeOf.get(task) ?? -1] ?? ENOUGH,
      (task) => asked.targeted.has(task),
    );
    return compareRanks(bound, floor) <= 0;
  }

  /** Whether a node's own choices stand beside each other and leave the tasks what is asked. */
  function carries(node: Node): boolean {
    const { parent, depth, options, alike } = node;
    if (alike.carries !== undefined) return alike.carries;
    const last = options.at(-1);
    if (parent && last && !groupsStand(parent, depth - 1, last)) return (alike.carries = false);
    const reach = [...alike.reach];
    alike.reach = reach;
    alike.carries = (checksAt[depth - 1] ?? []).every(
      ({ of, passes }) =>
        of.some((at) => at >= depth) ||
        passes(
          of.map((at) => options[at] as Option),
          of.indexOf(depth - 1),
          reach,
        ),
    );
    return alike.carries;
  }
}

/** Options of some positions: one of them, and beside it what a node has chosen. */
function chosenBeside({ options }: Node, of: readonly number[], position: number, option: Option): Option[] {
  const chosen: Option[] = [];
  for (const at of of) chosen.push(at === position ? option : (options[at] as Option));
  return chosen;
}
