import type { Assessment } from '../assess';
import { finish, type Trials } from '../assess/trials';
import { LONGEST_PHASE, type Item, type Machine, type Phase } from '../model/machine';
import { plainItem } from '../model/phases';
import { LONGEST_NAME } from '../parts/common';
import { monthsAfter } from '../units/days';
import type { PartKind } from '../parts';
import { rankIn, type Rank } from '../search/exact/rank';
import { firstFree, idIn, numbered } from '../units/free';
import { does } from './does';
import { plainNumber, ratioOf } from '../units/money';

/** What is bought at once on the way from one machine to another. Money landed, minor units. */
export interface LadderStep {
  readonly bought: readonly Item[];
  readonly leaving: readonly Item[];
  readonly costMinor: number;
  /** How the work stands before and after it. */
  readonly before: Rank;
  readonly after: Rank;
  /** Tasks that meet their target from then on, and those that no longer do. */
  readonly begins: readonly string[];
  readonly ends: readonly string[];
  /** Tasks that met their target, and of which nobody can tell any more. */
  readonly unsure: readonly string[];
  /** What the work gains a unit of money: ln(after ÷ before) a minor unit. */
  readonly perMinor: number;
}

/** The order in which the parts of another machine are best bought. */
export interface Ladder {
  readonly steps: readonly LadderStep[];
  /** Something has no price, so it weighs nothing in the order. */
  readonly open: boolean;
  /** Machines that were judged on the way. */
  readonly judged: number;
}

/** Kinds that are bought together, in the trade's order; processor, board and memory only where the board is another. */
const TOGETHER: readonly { readonly name: string; readonly kinds: ReadonlySet<PartKind> }[] = [
  { name: 'processor', kinds: new Set(['processor']) },
  { name: 'board', kinds: new Set(['board']) },
  { name: 'memory', kinds: new Set(['memory']) },
  { name: 'graphics', kinds: new Set(['graphics']) },
  { name: 'drives', kinds: new Set(['drive']) },
  { name: 'cooler', kinds: new Set(['cooler']) },
  { name: 'housing', kinds: new Set(['case', 'fan']) },
  { name: 'supply', kinds: new Set(['supply']) },
];
const CORE: ReadonlySet<string> = new Set(['processor', 'board', 'memory']);
/** More groups than this make too many machines to judge: what is left over is bought together at last. */
const MOST_GROUPS = 6;

interface Group {
  readonly from: readonly Item[];
  readonly to: readonly Item[];
  readonly costMinor: number;
}

/**
 * What first: the order in which the parts that two machines differ in are best bought, so that as much of the work as can
 * be is done while money for the rest is still missing: the sum, over the purchases, of what a purchase costs times how the
 * work stands until then (the logarithm of the rank's percent) is the largest there is. Processor, board and memory are
 * one purchase where the board is another. Each machine on the way is judged, and none is gone through that something
 * blocks which blocks neither the first nor the last; what cannot be bought one by one is bought together. Exact, by
 * dynamic programming over the sets of what is bought (at most 64), since each is what it is whatever came first.
 */
export const ladderOf = (...args: Parameters<typeof ladderTrials>): Ladder => finish(ladderTrials(...args));

/** The same, a machine at a time. */
export function* ladderTrials(
  present: Assessment,
  draft: Assessment,
  judge: (machine: Machine) => Assessment,
): Trials<Ladder> {
  const { groups, open } = groupsOf(present, draft);
  const all = 2 ** groups.length - 1;
  const blocked = new Set(
    [...present.findings, ...draft.findings].flatMap(({ level, key }) => (level === 'blocks' ? [key] : [])),
  );
  const states = new Map<
    number,
    {
      readonly sound: boolean;
      readonly rank: Rank;
      readonly met: ReadonlySet<string>;
      readonly fails: ReadonlySet<string>;
    }
  >();
  for (let bought = 0; bought <= all; bought++) {
    const assessment = judge(between(present, draft, groups, bought));
    states.set(bought, {
      sound: assessment.findings.every(({ level, key }) => level !== 'blocks' || blocked.has(key)),
      rank: rankIn(assessment, 'likely'),
      met: new Set(assessment.tasks.flatMap((result) => (result.ratio && does(result) === true ? [result.task] : []))),
      fails: new Set(assessment.tasks.flatMap((result) => (does(result) === false ? [result.task] : []))),
    });
    yield;
  }
  const costOf = (set: number): number =>
    groups.reduce((sum, { costMinor }, i) => ((set >> i) & 1 ? sum + plainNumber(costMinor) : sum), 0);
  const levelOf = (bought: number): number => Math.log(Math.max(1, states.get(bought)?.rank.percent ?? 1));
  // from the end on: the best way on from each set of what is bought
  const best = new Map<number, { readonly worth: number; readonly next: number }>([[all, { worth: 0, next: 0 }]]);
  for (let bought = all - 1; bought >= 0; bought--) {
    const left = all - bought;
    let found: { worth: number; next: number } | undefined;
    for (let next = left; next > 0; next = (next - 1) & left) {
      const then = best.get(bought + next);
      if (!then || !states.get(bought + next)?.sound) continue;
      const worth = levelOf(bought) * costOf(next) + then.worth;
      // of ways that are as good the one in smaller steps: less is spent at once
      if (!found || worth > found.worth + 1e-9 || (worth > found.worth - 1e-9 && costOf(next) < costOf(found.next)))
        found = { worth, next };
    }
    // the whole at once is always one: the draft is what it is
    best.set(bought, found ?? { worth: levelOf(bought) * costOf(left), next: left });
  }
  const steps: LadderStep[] = [];
  for (let bought = 0; bought !== all;) {
    const next = best.get(bought)?.next ?? all - bought;
    const [was, is] = [states.get(bought), states.get(bought + next)];
    const mine = groups.filter((_group, i) => (next >> i) & 1);
    const costMinor = Math.round(costOf(next));
    const gain = levelOf(bought + next) - levelOf(bought);
    const NONE: Rank = { runs: 0, percent: 0 };
    steps.push({
      bought: mine.flatMap(({ to, from }) => missingIn(from, to)),
      leaving: mine.flatMap(({ to, from }) => missingIn(to, from)),
      costMinor,
      before: was?.rank ?? NONE,
      after: is?.rank ?? NONE,
      begins: [...(is?.met ?? [])].filter((task) => !was?.met.has(task)),
      ends: [...(was?.met ?? [])].filter((task) => is?.fails.has(task)),
      unsure: [...(was?.met ?? [])].filter((task) => !is?.met.has(task) && !is?.fails.has(task)),
      perMinor: costMinor > 0 ? ratioOf(gain, costMinor) : gain > 0 ? Infinity : 0,
    });
    bought += next;
  }
  return { steps, open, judged: all + 1 };
}

/** Months between two purchases of a plan that nobody has dated yet. */
const APART_MONTHS = 6;

/**
 * The purchases of a ladder as one machine with a phase for each: the first is made now, the others half a year apart until
 * somebody says otherwise. What is there already and stays is owned.
 */
export function phasedBy(
  present: Machine,
  draft: Machine,
  { steps }: Pick<Ladder, 'steps'>,
  today: string,
  nameOf: (step: LadderStep) => string,
): Machine {
  const [, ...later] = steps;
  const phases = later.map((step, i): Phase => ({
    id: `step-${i + 2}`,
    name: nameOf(step).slice(0, LONGEST_PHASE),
    on: monthsAfter(today, (i + 1) * APART_MONTHS),
  }));
  const phaseFor = (at: number): string | undefined => (at <= 0 ? undefined : phases[at - 1]?.id);
  const leavesAt = new Map(steps.flatMap(({ leaving }, at) => leaving.map(({ id }) => [id, at] as const)));
  const items = steps.flatMap(({ bought }, at): Item[] => {
    const from = phaseFor(at);
    return bought.map((item) => (from === undefined ? plainItem(item) : { ...plainItem(item), from }));
  });
  for (const item of present.items) {
    const at = leavesAt.get(item.id);
    if (at === 0) continue;
    const until = at === undefined ? undefined : phaseFor(at);
    items.push({
      ...plainItem(item),
      id: firstFree(numbered(item.id), idIn(items)),
      owned: true,
      ...(until === undefined ? {} : { until }),
    });
  }
  const { items: _items, present: _present, phases: _phases, pins: _pins, moduleSlots: _seats, ...rest } = draft;
  return {
    ...rest,
    name: `${draft.name}, step by step`.slice(0, LONGEST_NAME),
    items,
    ...(phases.length > 0 ? { phases } : {}),
  };
}

/** Items of the second list whose part the first has not, each counted once. */
export function missingIn(there: readonly Item[], wanted: readonly Item[]): Item[] {
  const counts = new Map<string, number>();
  for (const { part } of there) counts.set(part, (counts.get(part) ?? 0) + 1);
  return wanted.filter(({ part }) => {
    const left = counts.get(part) ?? 0;
    counts.set(part, left - 1);
    return left <= 0;
  });
}

/** What two machines differ in, as it is bought. */
function groupsOf(present: Assessment, draft: Assessment): { groups: Group[]; open: boolean } {
  const kindOf = (item: Item): PartKind | undefined =>
    (present.facts.catalogue.part(item.part) ?? draft.facts.catalogue.part(item.part))?.kind;
  const boards = [present, draft].map(({ facts }) => facts.parts.one('board')?.part.id);
  const newBoard = boards[0] !== boards[1];
  const nameOf = (item: Item): string => {
    const kind = kindOf(item);
    const group = kind && TOGETHER.find(({ kinds }) => kinds.has(kind));
    return !group ? 'rest' : newBoard && (CORE.has(group.name) || group.name === 'cooler') ? 'core' : group.name;
  };
  const priced = new Map(draft.facts.price.items.map((entry) => [entry.item, entry]));
  let open = false;
  const groups = ['core', ...TOGETHER.map(({ name }) => name), 'rest'].flatMap((name): Group[] => {
    const [from, to] = [present, draft].map(({ facts }) => facts.machine.items.filter((item) => nameOf(item) === name));
    if (!from || !to || (missingIn(from, to).length === 0 && missingIn(to, from).length === 0)) return [];
    let costMinor = 0;
    for (const { id } of to) {
      const entry = priced.get(id);
      if (entry?.state === 'no-offer') open = true;
      costMinor += entry?.state === 'owned' ? 0 : (entry?.landed?.landedMinor ?? 0);
    }
    return [{ from, to, costMinor }];
  });
  const kept = groups.slice(0, MOST_GROUPS - 1);
  const over = groups.slice(MOST_GROUPS - 1);
  const last = over.reduce<Group | undefined>(
    (sum, group) =>
      sum
        ? {
            from: [...sum.from, ...group.from],
            to: [...sum.to, ...group.to],
            costMinor: sum.costMinor + group.costMinor,
          }
        : group,
    undefined,
  );
  return { groups: last ? [...kept, last] : kept, open };
}

/** The machine with some groups bought; how it is set goes with its board. */
function between(present: Assessment, draft: Assessment, groups: readonly Group[], bought: number): Machine {
  const [from, to] = [present.facts.machine, draft.facts.machine];
  const moving = new Set(groups.flatMap((group) => group.from.map(({ id }) => id)));
  const items: Item[] = [];
  const take = (item: Item): void => {
    items.push({ ...item, id: firstFree(numbered(item.id), idIn(items)) });
  };
  for (const item of from.items) if (!moving.has(item.id)) take(item);
  groups.forEach((group, i) => ((bought >> i) & 1 ? group.to : group.from).forEach(take));
  const boardOf = to.items.find(({ part }) => part === draft.facts.parts.one('board')?.part.id);
  const newBoard = boardOf !== undefined && items.some(({ part }) => part === boardOf.part);
  const { items: _items, present: _present, phases: _phases, evidence: _evidence, ...set } = newBoard ? to : from;
  const there = new Set(items.map(({ id }) => id));
  const known = <V>(record: Readonly<Record<string, V>> | undefined): Record<string, V> =>
    Object.fromEntries(Object.entries(record ?? {}).filter(([id]) => there.has(id)));
  return {
    ...set,
    id: from.id,
    name: to.name,
    items,
    ...(set.pins ? { pins: known(set.pins) } : {}),
    ...(set.moduleSlots ? { moduleSlots: known(set.moduleSlots) } : {}),
  };
}
