import type { Machine } from '../../model/machine';
import type { Progress } from './atBest';
import { Heap } from './heap';
import { compareFound, judge, meets, type FoundMachine } from './judge';
import { compareOptions, type Option } from './option';
import { bareMachine, type Probe } from './probes';
import { compareRanks, ENOUGH, rankOf, type Rank } from './rank';
import type { Searchable } from './searchable';
import type { Space } from './space';
import type { Stage } from './stages';

/** What the search did. */
export interface Effort {
  /** Partial machines that were looked at. */
  readonly nodes: number;
  /** Whole machines that went through all rules and predictions. */
  readonly assessed: number;
  /** Machines whose basket was worked out. */
  readonly baskets: number;
  /** Those among them that are not proven to be the cheapest way of buying the machine. */
  readonly openBaskets: number;
}

/** Where a search stands between two steps. */
export interface Progressing {
  readonly effort: Effort;
  /** The best found so far; for a frontier all that no other found one beats. */
  readonly found: readonly FoundMachine[];
  /** Points of the frontier that are proven. */
  readonly proven: readonly FoundMachine[];
  /** No machine that is still to be found costs less than this; undefined as long as nothing says so. */
  readonly atLeastMinor: number | undefined;
}

/**
 * How a search ended. `best`: nothing better is left. `impossible`: no machine of the space meets the demands. A search
 * that its caller stops has neither; `Progressing` then holds the best found and how far it was proven.
 */
export type Ended =
  | { readonly kind: 'best'; readonly found: readonly FoundMachine[]; readonly effort: Effort }
  | { readonly kind: 'impossible'; readonly effort: Effort };

/** What is looked for among the machines that meet the question's demands. */
export type Goal = 'cheapest' | 'best' | 'frontier';

/** New; its sibling is made; cheap probes are done; the tasks are bounded; all is asked of the first options. */
type Looked = 'new' | 'followed' | 'probed' | 'bounded' | 'settled';

/** A partial machine: an option for each of the first positions. */
interface Node {
  readonly parent: Node | undefined;
  readonly depth: number;
  /** Option of the last chosen position, by its index there. */
  readonly index: number;
  readonly options: readonly Option[];
  readonly pricedMinor: number;
  /** For each open position the first option that may still stand. */
  first: Int32Array;
  /** Nothing below this node costs less. */
  key: number;
  /** What has been done with it, in this order. */
  looked: Looked;
  /** Siblings passed by and scans taken on the way here: few are tried first while nothing is found. */
  steps: number;
  /** No machine below it ranks better; undefined as long as nothing bounds it. */
  best: Rank | undefined;
  /** Set when the whole machine is assessed: what is left is its place in the order of prices. */
  leaf?: FoundMachine;
}

/**
 * Looks through all machines of a space in order of what they cost at least. Best bound first: a node's price bound is
 * the least prices of what is chosen and, for each open position, of the cheapest option that no probe refuses beside
 * it. A whole machine is assessed, bought as a basket and put back at its true price, so that machines come out in order
 * of price, and the first that comes out is the cheapest. Until the first is found, the deepest nodes go first.
 *
 * `cheapest` ends at the first price; of equal prices the best rank. `frontier` goes on and keeps what ranks better than
 * all that is cheaper, up to the most that may be spent; `best` is its last point. A node that cannot rank better than
 * what is already there for less is left out.
 *
 * The caller steps it: a stop loses nothing but the proof.
 */
export function* search(asked: Searchable, goal: Goal): Generator<Progressing, Ended> {
  const { question, space, probes, stages, subject, prices } = asked;
  const { positions } = space;
  const { brief } = question;
  const probesAt = positions.map((_, i) => probes.filter(({ of }) => of.includes(i)));
  const cheapAt = probesAt.map((list) => list.filter(({ of }) => of.length <= CHEAP));
  const stagesAt = positions.map((_, i) => stages.filter(({ of }) => of.includes(i)));
  const progressKnown = stages.map(() => new Map<string, Progress>());
  const most = Math.min(question.mostMinor ?? Infinity, asked.firmMinor);
  const keptBought = space.kept.flatMap((item, i) => {
    const part = space.keptParts[i];
    return part && !item.owned && !item.handPrice ? [prices.bought(part)] : [];
  });
  let nodes = 0;
  let assessed = 0;
  let baskets = 0;
  let openBaskets = 0;
  const effort = (): Effort => ({ nodes, assessed, baskets, openBaskets });

  let deepest = true;
  /** Before anything is found: the deepest first. */
  const byDepth = (a: Node, b: Node): number =>
    DEEPER * (b.depth - a.depth) + a.steps - b.steps || b.depth - a.depth || a.key - b.key;
  /** At one price what is not whole yet comes first, so that a whole machine that comes out has no rival left. */
  const byPrice = (a: Node, b: Node): number =>
    a.key - b.key ||
    Number(a.leaf !== undefined) - Number(b.leaf !== undefined) ||
    leavesInOrder(a, b) ||
    b.depth - a.depth;
  const byRank = (a: Node, b: Node): number => compareBounds(a.best, b.best) || byPrice(a, b);
  const queue = new Heap<Node>(byDepth);

  /** Points of the frontier that stand: each dearer and better than the one before. */
  const points: FoundMachine[] = [];
  /** Machines found so far that no other found one beats; for `cheapest` one. */
  let held: readonly FoundMachine[] = [];
  const limit = (): number => (goal === 'cheapest' && held[0] ? held[0].priceMinor : most);
  /** Whether something found is as good for no more, or, where only the best counts, better. */
  const beaten = ({ key, best }: Node): boolean =>
    goal !== 'cheapest' &&
    best !== undefined &&
    held.some(({ priceMinor, rank }) => {
      const order = compareRanks(rank, best);
      return goal === 'best' ? order < 0 || (order === 0 && priceMinor <= key) : order <= 0 && priceMinor <= key;
    });

  const root: Node = {
    parent: undefined,
    depth: 0,
    index: -1,
    options: [],
    pricedMinor: space.keptMinor,
    first: new Int32Array(positions.length),
    key: 0,
    looked: 'followed',
    steps: 0,
    best: undefined,
  };
  queue.push(root);
  for (;;) {
    const node = queue.pop();
    if (!node) break;
    nodes++;
    if (node.leaf) {
      if (goal !== 'frontier') return { kind: 'best', found: [node.leaf], effort: effort() };
      const last = points.at(-1);
      if (last && compareRanks(last.rank, node.leaf.rank) <= 0) continue;
      points.push(node.leaf);
      yield progress(node.key);
      continue;
    }
    if (node.key > limit()) continue;
    if (beaten(node)) {
      if (node.looked === 'new') pushSibling(node);
      continue;
    }
    step(node);
    if (deepest && (held.length > 0 || nodes > DIVES)) {
      deepest = false;
      queue.reorder(goal === 'best' ? byRank : byPrice);
    }
    yield progress(queue.peek()?.key ?? limit());
  }
  return points.length === 0
    ? { kind: 'impossible', effort: effort() }
    : { kind: 'best', found: points, effort: effort() };

  function progress(atLeastMinor: number): Progressing {
    return {
      effort: effort(),
      found: held,
      proven: points,
      atLeastMinor: deepest || goal === 'best' ? undefined : atLeastMinor,
    };
  }

  /** Looks at a node until it is dead, waits for its turn, or has a child. */
  function step(node: Node): void {
    if (node.looked === 'new') {
      pushSibling(node);
      node.looked = 'followed';
    }
    if (node.looked === 'followed') {
      const settled = settle(node, cheapAt, false);
      if (settled === 'dead') return;
      if (settled === 'settled') node.looked = 'probed';
      if (settled === 'on' || waits(node)) return queue.push(node);
    }
    if (node.looked === 'probed') {
      if (!bound(node) || beaten(node)) return;
      node.looked = 'bounded';
    }
    if (node.looked === 'bounded') {
      const settled = settle(node, probesAt, true);
      if (settled === 'dead') return;
      if (settled === 'settled') node.looked = 'settled';
      if (settled === 'on' || waits(node)) return queue.push(node);
    }
    if (node.depth === positions.length) return finish(node);
    pushChild(node, node.first[node.depth] ?? 0, node.steps);
  }

  /** Whether something else is to be looked at before a node that became dearer. */
  function waits(node: Node): boolean {
    const next = queue.peek();
    return !deepest && next !== undefined && next.key < node.key;
  }

  /** Whether an option of a position stands beside what a node has chosen; with `since` only beside that position. */
  function stands(
    node: Node,
    position: number,
    option: Option,
    list: readonly (readonly Probe[])[],
    since = -1,
  ): boolean {
    const { depth, options } = node;
    next: for (const { of, holds } of list[position] ?? []) {
      let beside = since < 0;
      for (const at of of) {
        if (at >= depth && at !== position) continue next;
        if (at === since) beside = true;
      }
      if (!beside) continue;
      const asked: Option[] = [];
      for (const at of of) asked.push(at === position ? option : (options[at] as Option));
      if (!holds(asked)) return false;
    }
    return true;
  }

  /** Whether an option leaves the tasks the least that is asked, by the stages that only it is missing in. */
  function suffices(node: Node, position: number, option: Option): boolean {
    if (question.least.tasks.size === 0) return true;
    for (const stage of stagesAt[position] ?? []) {
      if (stage.of.some((at) => at >= node.depth && at !== position)) continue;
      const beside = (own: Option) => stage.of.map((at) => (at === position ? own : (node.options[at] as Option)));
      // drives that fail their own roles fail in every set
      if (stage.partly && option.groups?.some((group) => !meets(progressOf(stage, beside(group)), question)))
        return false;
      if (!meets(progressOf(stage, beside(option)), question)) return false;
    }
    return true;
  }

  /**
   * Moves the first option of each open position on to one that stands, and the bound with it; `on` when there is more
   * to pass over. A bound that is not as high as it could be is one too. An option that stood at the parent is only asked
   * beside what was chosen since.
   */
  function settle(node: Node, list: readonly (readonly Probe[])[], full: boolean): 'dead' | 'on' | 'settled' {
    let key = node.pricedMinor;
    const before = node.key;
    let passed = 0;
    let moved = 0;
    for (let at = node.depth; at < positions.length; at++) {
      const { choices } = positions[at] as Space['positions'][number];
      let index = node.first[at] ?? 0;
      let since = full ? -1 : node.depth - 1;
      for (;;) {
        const option = choices.at(index);
        if (!option) return 'dead';
        if (passed > SCANNED || (stands(node, at, option, list, since) && (!full || suffices(node, at, option)))) {
          key += option.leastMinor;
          break;
        }
        index++;
        passed++;
        since = -1;
        // what is dearer than all that is left is not looked for any further
        moved += ((choices.at(index)?.leastMinor ?? 0) - option.leastMinor) * (1 - prices.mostOff);
        if (before + moved > limit()) return 'dead';
      }
      node.first[at] = index;
    }
    node.key = Math.max(node.key, key - couponsAt(node, key));
    if (passed <= SCANNED) return 'settled';
    node.steps++;
    return 'on';
  }

  /** The most that coupons can take off a machine below a node that is still worth looking at. */
  function couponsAt(node: Node, key: number): number {
    const chosen = [...keptBought];
    for (const { items, parts } of node.options)
      parts.forEach((part, i) => {
        if (!items[i]?.owned) chosen.push(prices.bought(part));
      });
    const open = positions.slice(node.depth).map(({ kinds, choices }, i) => ({
      kinds,
      leastMinor: choices.at(node.first[node.depth + i] ?? 0)?.leastMinor ?? 0,
    }));
    if (open.length === 0 || limit() === Infinity) return prices.couponsMinor(chosen, open, Infinity);
    // dearer than what is left below the limit nothing comes that is still wanted
    const most = prices.couponsMinor(chosen, open, Infinity);
    return prices.couponsMinor(chosen, open, Math.max(0, limit() - key + most));
  }

  /** Bounds what the tasks can do; false when that is too little. */
  function bound(node: Node): boolean {
    if (node.depth === 0) return true;
    let best: Rank | undefined = node.best;
    for (const stage of stagesAt[node.depth - 1] ?? []) {
      if (stage.of.some((at) => at >= node.depth)) continue;
      const progress = progressOf(
        stage,
        stage.of.map((at) => node.options[at] as Option),
      );
      if (!meets(progress, question)) return false;
      const rank = rankOf(brief, (task) => Math.min(progress.get(task) ?? Infinity, ENOUGH), targeted);
      best = best ? { runs: Math.min(best.runs, rank.runs), percent: Math.min(best.percent, rank.percent) } : rank;
    }
    node.best = best;
    return true;
  }

  function progressOf(stage: Stage, options: readonly Option[]): Progress {
    const known = progressKnown[stages.indexOf(stage)] as Map<string, Progress>;
    let key = '';
    for (const option of options) key += `${stage.keyOf(option)}|`;
    let progress = known.get(key);
    if (!progress)
      known.set(key, (progress = stage.progress(options, goal === 'cheapest' ? question.least.tasks : undefined)));
    return progress;
  }

  function pushChild(parent: Node, from: number, steps: number): void {
    const at = parent.depth;
    const position = positions[at] as Space['positions'][number];
    for (let index = from; ; index++) {
      const option = position.choices.at(index);
      if (!option) return;
      if (!stands(parent, at, option, cheapAt)) continue;
      const start = position.choices.at(parent.first[at] ?? 0);
      const key = parent.key + option.leastMinor - (start?.leastMinor ?? 0);
      queue.push({
        parent,
        depth: at + 1,
        index,
        options: [...parent.options, option],
        pricedMinor: parent.pricedMinor + option.leastMinor,
        first: parent.first.slice(),
        key,
        looked: 'new',
        steps,
        best: parent.best,
      });
      return;
    }
  }

  function pushSibling({ parent, index, steps }: Node): void {
    if (parent) pushChild(parent, index + 1, steps + 1);
  }

  /** A whole machine: assessed, bought, and put back at its price. */
  function finish(node: Node): void {
    const machine: Machine = {
      ...bareMachine(question),
      items: [...space.kept, ...node.options.flatMap(({ items }) => items)],
    };
    assessed++;
    const judged = judge(subject.assess(machine), question, asked.targeted);
    if (judged.kind === 'refused') return;
    baskets++;
    if (judged.kind === 'unbought') return;
    if (!judged.proven) openBaskets++;
    hold(judged.found);
    const { priceMinor, rank } = judged.found;
    queue.push({ ...node, key: Math.max(node.key, priceMinor), best: rank, leaf: judged.found });
  }

  function hold(leaf: FoundMachine): void {
    if (goal === 'cheapest') {
      const [best] = held;
      if (!best || compareFound(leaf, best) < 0) held = [leaf];
      return;
    }
    const covers = (a: FoundMachine, b: FoundMachine): boolean =>
      a.priceMinor <= b.priceMinor && compareRanks(a.rank, b.rank) <= 0;
    if (held.some((other) => covers(other, leaf))) return;
    held = [...held.filter((other) => !covers(leaf, other)), leaf].sort((a, b) => a.priceMinor - b.priceMinor);
  }

  function targeted(task: string): boolean {
    return asked.targeted.has(task);
  }
}

const leavesInOrder = (a: Node, b: Node): number =>
  a.leaf && b.leaf ? compareFound(a.leaf, b.leaf) || compareChosen(a.options, b.options) : 0;

function compareChosen(a: readonly Option[], b: readonly Option[]): number {
  for (let i = 0; i < a.length; i++) {
    const order = compareOptions(a[i] as Option, b[i] as Option);
    if (order !== 0) return order;
  }
  return 0;
}

/** What nothing bounds comes first. */
const compareBounds = (a: Rank | undefined, b: Rank | undefined): number =>
  a && b ? compareRanks(a, b) : Number(a !== undefined) - Number(b !== undefined);

/** Probes of no more positions than this are asked before the tasks are looked at. */
const CHEAP = 3;

/** Nodes after which the search for a first machine gives way to the search for the cheapest. */
const DIVES = 3000;

/** Siblings that may be passed by for being one position deeper, as long as nothing is found. */
const DEEPER = 4;

/** Options that a node passes over at once. */
const SCANNED = 64;
