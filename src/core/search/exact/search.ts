import { PART_KINDS } from '../../parts';
import { checksFor, type Asked } from './checks';
import { addEfforts, NO_EFFORT, type Effort, type Ended } from './ended';
import { Heap } from './heap';
import { compareFound, type FoundMachine } from './judge';
import { leastNear, mayChange, type OpenAt } from './near';
import type { Alike, Node } from './node';
import { compareOptions, type Option } from './option';
import type { Space } from './position';
import { compareRanks, highestRank, NO_RANK, type Rank } from './rank';
import type { Searchable } from './searchable';
import { wholesOf } from './wholes';

/** Where a search stands between two steps. */
export interface Progressing {
  readonly effort: Effort;
  /** The best found so far. */
  readonly best: FoundMachine | undefined;
  /** No machine that is still to be found costs less than this; undefined as long as nothing says so. */
  readonly atLeastMinor: number | undefined;
}

/** What the cheapest machine is looked for under, beside the question's own demands. */
export interface Under {
  /** It ranks at least like this. */
  readonly rank?: Rank;
  readonly mostMinor?: number;
}

/** Nodes after which the search for a first machine gives way to the search for the cheapest. */
const DIVES = 3000;

/** Siblings that may be passed by for being one position deeper, as long as nothing is found. */
const DEEPER = 4;

/** Nodes that are looked at in one step of the caller, a millisecond or so; of the first ones each is a step. */
const A_STEP = 8;
const FIRST_STEPS = 64;

/** Options that a node passes over at once. */
const SCANNED = 64;

/**
 * The cheapest machine of a space that meets the question's demands. Best bound first: a node's price bound is the least
 * prices of what is chosen and, for each open position, of the first option that nothing refuses beside it, less the most
 * that coupons can take off. A whole machine is assessed, bought as a basket and put back at its true price, so that
 * machines come out in order of price: the first that comes out is the cheapest, of equal prices the one that ranks best.
 * Until a first one is found, the deepest nodes go first, and before that a few options of each position are looked
 * through: they hold strong parts too, which the cheapest ones of a long list do not.
 *
 * The caller steps it; a stop loses nothing but the proof. What was asked of parts is remembered in `asked`, so further
 * searches of the same question are quick.
 */
export function* cheapest(asked: Searchable, under: Under = {}): Generator<Progressing, Ended> {
  // more than all that counts nothing does, and no bound would tell: they are held against what may be
  if (compareRanks(highestRank(asked.question.brief, asked.targeted), under.rank ?? NO_RANK) > 0)
    return { kind: 'impossible', effort: NO_EFFORT };
  const known = toldBefore(asked, under);
  if (known) return { ...known, effort: NO_EFFORT };
  let before = NO_EFFORT;
  if (!heldBy(asked, under))
    for (const ratio of SAMPLES) {
      const sample = descend(asked, sampled(asked.space, ratio), under);
      let last: Progressing | undefined;
      for (let next = sample.next(); !next.done; next = sample.next()) {
        last = next.value;
        yield { ...last, effort: addEfforts(before, last.effort), atLeastMinor: undefined };
        if (last.best || last.effort.nodes > SAMPLE_NODES) break;
      }
      if (last) before = addEfforts(before, last.effort);
      if (last?.best) break;
    }
  const whole = descend(asked, asked.space, under);
  for (;;) {
    const next = whole.next();
    const effort = addEfforts(before, next.value.effort);
    if (next.done) {
      asked.ended.push({ rank: under.rank ?? NO_RANK, mostMinor: under.mostMinor ?? Infinity, end: next.value });
      return { ...next.value, effort };
    }
    yield { ...next.value, effort };
  }
}

/**
 * What an earlier search says that asked for no more rank and no less money: without a machine there is none here either,
 * and its cheapest is the cheapest here where it does what is asked; where it costs too much, all do.
 */
function toldBefore({ ended }: Searchable, { rank = NO_RANK, mostMinor = Infinity }: Under): Ended | undefined {
  for (const earlier of ended) {
    if (compareRanks(earlier.rank, rank) < 0 || earlier.mostMinor < mostMinor) continue;
    const { end } = earlier;
    if (end.kind === 'impossible') return end;
    if (end.found.priceMinor > mostMinor) return { kind: 'impossible', effort: NO_EFFORT };
    if (compareRanks(end.found.rank, rank) <= 0) return end;
  }
  return undefined;
}

/** How far apart the options of a sample are, each as a factor on the place in the list. */
const SAMPLES = [2, 1.4] as const;
/** Nodes after which a sample has shown nothing. */
const SAMPLE_NODES = 300;
/** Options beyond this place of a list are not part of a sample; sets of drives are made one by one, so fewer of them. */
const SAMPLED_TO = 600;
const SETS_TO = 64;

/** A space with only some options of each position: the cheapest, and on through the list in growing steps. */
const sampled = (space: Space, ratio: number): Space => ({
  ...space,
  positions: space.positions.map((position) => {
    const places: number[] = [];
    const to = position.kinds.includes('drive') ? SETS_TO : SAMPLED_TO;
    for (let place = 0; place < to; place = Math.max(place + 1, Math.round(place * ratio))) places.push(place);
    return {
      ...position,
      choices: {
        at: (index) => {
          const place = places[index];
          return place === undefined ? undefined : position.choices.at(place);
        },
      },
    };
  }),
});

/** The best that an earlier search of the same question has found and that does here too. */
function heldBy(asked: Searchable, under: Under): FoundMachine | undefined {
  const most = mostMinorOf(asked, under);
  return asked.found
    .filter((machine) => machine.priceMinor <= most && compareRanks(machine.rank, under.rank ?? NO_RANK) <= 0)
    .sort(compareFound)[0];
}

/** The most that a machine may cost. */
export const mostMinorOf = ({ question, firmMinor }: Searchable, { mostMinor = Infinity }: Under): number =>
  Math.min(question.mostMinor ?? Infinity, mostMinor, firmMinor);

/** The same in a space that may be a part of the whole. */
function* descend(asked: Searchable, space: Space, under: Under): Generator<Progressing, Ended> {
  const { prices } = asked;
  const { positions, changes } = space;
  const floor = under.rank ?? NO_RANK;
  const most = mostMinorOf(asked, under);
  const { checks, anyReach, stands, refusedFrom, carries } = checksFor(asked, space, floor);
  const keptBought = space.kept.flatMap((item, i) => {
    const part = space.keptParts[i];
    return part && !item.owned && !item.handPrice ? [prices.bought(part)] : [];
  });
  /** What cannot all stay as it is held. */
  const heldAt = (of: readonly number[]): Option[] => of.flatMap((at) => positions[at]?.held ?? []);
  const clashes =
    changes === undefined
      ? []
      : [
          ...positions.flatMap(({ held }, at) => (held ? [] : [[at]])),
          ...checks.flatMap(({ of, passes }) => {
            const held = heldAt(of);
            return held.length < of.length || of.every((_, at) => passes(held, at, anyReach())) ? [] : [of];
          }),
        ];
  const may = mayChange(positions.length, changes ?? 0, clashes);
  /** The most that coupons of fixed amounts can take off any machine. */
  const amountsMinor = prices.couponsMinor([], [{ kinds: PART_KINDS, leastMinor: 0 }], Infinity);
  const { judge, took } = wholesOf(asked, space, floor);
  let nodes = 0;
  const effort = (): Effort => ({ nodes, ...took() });

  let best = heldBy(asked, under);
  const limit = (): number => best?.priceMinor ?? most;

  let told = best;

  let deepest = best === undefined;
  /** Before anything is found: the deepest first, but few siblings of each. */
  const byDepth = (a: Node, b: Node): number =>
    DEEPER * (b.depth - a.depth) + a.steps - b.steps || b.depth - a.depth || a.key - b.key;
  /** At one price what is not whole yet comes first, so that a whole machine that comes out has no rival left. */
  const byPrice = (a: Node, b: Node): number =>
    a.key - b.key ||
    Number(a.leaf !== undefined) - Number(b.leaf !== undefined) ||
    leavesInOrder(a, b) ||
    b.depth - a.depth;
  const queue = new Heap<Node>(deepest ? byDepth : byPrice);
  queue.push({
    parent: undefined,
    depth: 0,
    index: -1,
    options: [],
    pricedMinor: space.keptMinor,
    changedAt: 0,
    changed: 0,
    lost: 0,
    alike: {
      first: positions.map(() => 0),
      reach: anyReach(),
    },
    key: 0,
    looked: 'followed',
    steps: 0,
  });
  for (;;) {
    const node = queue.pop();
    if (!node) return { kind: 'impossible', effort: effort() };
    nodes++;
    if (node.leaf) return { kind: 'best', found: node.leaf, effort: effort() };
    if (node.key > limit()) continue;
    step(node);
    if (deepest && (best || nodes > DIVES)) {
      deepest = false;
      queue.reorder(byPrice);
    }
    // whoever steps it passes each step on through several hands
    if (nodes > FIRST_STEPS && nodes % A_STEP !== 0 && best === told) continue;
    told = best;
    const next = queue.peek();
    yield { effort: effort(), best, atLeastMinor: deepest || !next ? undefined : Math.min(next.key, limit()) };
  }

  /** Looks at a node until it is dead, waits for its turn, or has a child. */
  function step(node: Node): void {
    if (node.looked === 'new') {
      if (node.parent) pushChild(node.parent, node.index + 1, node.steps + 1);
      node.looked = 'followed';
    }
    if (node.looked === 'followed') {
      const settled = settle(node, 'cheap');
      if (settled === 'dead') return;
      if (settled === 'settled') node.looked = 'probed';
      if (settled === 'on' || waits(node)) return queue.push(node);
    }
    if (node.looked === 'probed') {
      if (!carries(node)) return;
      node.looked = 'bounded';
    }
    if (node.looked === 'bounded') {
      const settled = settle(node, 'all');
      if (settled === 'dead') return;
      if (settled === 'settled') node.looked = 'settled';
      if (settled === 'on' || waits(node)) return queue.push(node);
    }
    if (node.depth === positions.length) return finish(node);
    if (changes !== undefined) pushHeld(node);
    pushChild(node, node.alike.first[node.depth] ?? 0, node.steps);
  }

  /** Whether something else is to be looked at before a node that became dearer. */
  function waits(node: Node): boolean {
    const next = queue.peek();
    return !deepest && next !== undefined && next.key < node.key;
  }

  /**
   * Moves the first option of each open position on to one that stands, and the bound with it; `on` when there is more
   * to pass over. A bound that is not as high as it could be is one too. An option that stood at the parent is only asked
   * beside what was chosen since.
   */
  function settle(node: Node, list: Asked): 'dead' | 'on' | 'settled' {
    if (changes !== undefined) return settleNear(node, list);
    const { first } = node.alike;
    let key = node.pricedMinor;
    const before = node.key;
    let passed = 0;
    let moved = 0;
    for (let at = node.depth; at < positions.length; at++) {
      const { choices } = positions[at] as Space['positions'][number];
      let index = first[at] ?? 0;
      let since = list === 'all' ? -1 : node.depth - 1;
      for (;;) {
        const option = choices.at(index);
        if (!option) return 'dead';
        const over = list === 'all' && passed <= SCANNED ? refusedFrom(node, at, index) : 0;
        if (over === 0 && (passed > SCANNED || stands(node, at, option, list, since))) {
          key += option.leastMinor;
          break;
        }
        first[at] = index += Math.max(1, over);
        passed++;
        since = -1;
        // what is dearer than all that is left is not looked for any further
        moved += ((choices.at(index)?.leastMinor ?? 0) - option.leastMinor) * (1 - prices.mostOff);
        if (before + moved > limit()) return 'dead';
      }
    }
    node.key = Math.max(node.key, key - couponsAt(node, key));
    if (passed <= SCANNED) return 'settled';
    node.steps++;
    return 'on';
  }

  /**
   * The same where no more than so many positions may be filled otherwise than they are held: of each open one it is asked
   * whether it can stay so, and for the first other option as far as that is the cheaper one or the only one.
   */
  function settleNear(node: Node, list: Asked): 'dead' | 'on' | 'settled' {
    const { first } = node.alike;
    let passed = 0;
    const since = list === 'all' ? -1 : node.depth - 1;
    const open = may(node.changedAt, node.depth);
    if (open === undefined) return 'dead';
    for (let at = node.depth; at < positions.length; at++) {
      const { choices, held } = positions[at] as Space['positions'][number];
      const stays = held !== undefined && !isLost(node, at) && stands(node, at, held, list, since);
      if (!stays) node.lost |= 1 << at;
      if (((open >> at) & 1) === 0) {
        if (!stays) return 'dead';
        continue;
      }
      let index = first[at] ?? 0;
      let beside = since;
      for (let option = choices.at(index); option; option = choices.at(index)) {
        if (stays && option.leastMinor >= held.leastMinor) break;
        if (!stays && pricier(node, option)) return 'dead';
        const over = list === 'all' && passed <= SCANNED ? refusedFrom(node, at, index) : 0;
        if (over === 0 && (passed > SCANNED || stands(node, at, option, list, beside))) break;
        first[at] = index += Math.max(1, over);
        passed++;
        beside = -1;
      }
    }
    const key = keyNear(node);
    if (key === undefined) return 'dead';
    node.key = Math.max(node.key, key);
    if (passed <= SCANNED) return 'settled';
    node.steps++;
    return 'on';
  }

  function isLost({ lost }: Node, at: number): boolean {
    return (lost & (1 << at)) !== 0;
  }

  /** What a node's open positions from one on add at least, by what is known of them. */
  function openNear(node: Node, from: number): OpenAt[] {
    const open: OpenAt[] = [];
    const others = may(node.changedAt, node.depth) ?? 0;
    for (let at = from; at < positions.length; at++) {
      const { choices, held } = positions[at] as Space['positions'][number];
      open.push({
        held: isLost(node, at) ? undefined : held?.leastMinor,
        other: (others >> at) & 1 ? choices.at(node.alike.first[at] ?? 0)?.leastMinor : undefined,
      });
    }
    return open;
  }

  /**
   * Nothing near costs less below a node. Coupons are bounded for the least of each position by itself; what the changes
   * that are left add to that a coupon takes its share of.
   */
  function keyNear(node: Node): number | undefined {
    const open = openNear(node, node.depth);
    const least = leastNear(open, (changes ?? 0) - node.changed);
    if (least === undefined) return undefined;
    const alone = open.reduce((all, { held, other }) => all + Math.min(held ?? Infinity, other ?? Infinity), 0);
    return (
      node.pricedMinor +
      least -
      prices.mostOff * (least - alone) -
      couponsAt(
        node,
        // what they may come to beyond the least of each by itself, not beyond what the changes leave
        node.pricedMinor + alone,
        open.map(({ held, other }) => Math.min(held ?? Infinity, other ?? Infinity)),
      )
    );
  }

  /** A child with the next position as it is held. */
  function pushHeld(parent: Node): void {
    const at = parent.depth;
    const held = positions[at]?.held;
    if (!held || isLost(parent, at) || !stands(parent, at, held, 'cheap')) return;
    pushNear(parent, -1, held, parent.steps);
  }

  /** A child near; false where no option of this position leaves enough changes for the others. */
  function pushNear(parent: Node, index: number, option: Option, steps: number): boolean {
    const changed = parent.changed + (index < 0 ? 0 : 1);
    if (index >= 0 && (((may(parent.changedAt, parent.depth) ?? 0) >> parent.depth) & 1) === 0) return false;
    const left = (changes ?? 0) - parent.changed;
    const rest = leastNear(openNear(parent, parent.depth + 1), left - (changed - parent.changed));
    if (rest === undefined || changed > (changes ?? 0)) return false;
    const all = leastNear(openNear(parent, parent.depth), left) ?? 0;
    queue.push({
      parent,
      depth: parent.depth + 1,
      index,
      options: [...parent.options, option],
      pricedMinor: parent.pricedMinor + option.leastMinor,
      changedAt: parent.changedAt | (index < 0 ? 0 : 1 << parent.depth),
      changed,
      lost: parent.lost,
      alike: alikeWith(parent, option),
      key: parent.key + Math.max(0, (option.leastMinor + rest - all) * (1 - prices.mostOff)),
      looked: index < 0 ? 'followed' : 'new',
      steps,
    });
    return true;
  }

  /** What is known of a partial machine with one more option. */
  function alikeWith({ alike, depth }: Node, option: Option): Alike {
    const tells = asked.tellsApart[depth]?.(option) ?? option.partsId;
    alike.next ??= new Map();
    let known = alike.next.get(tells);
    if (!known) alike.next.set(tells, (known = { first: alike.first.slice(), reach: alike.reach }));
    return known;
  }

  /** The most that coupons can take off a machine below a node that is still worth looking at. */
  function couponsAt(
    node: Node,
    key: number,
    leasts: readonly number[] = positions
      .slice(node.depth)
      .map(({ choices }, i) => choices.at(node.alike.first[node.depth + i] ?? 0)?.leastMinor ?? 0),
  ): number {
    const chosen = [...keptBought];
    for (const { items, parts } of node.options)
      parts.forEach((part, i) => {
        if (!items[i]?.owned) chosen.push(prices.bought(part));
      });
    const open = leasts.map((leastMinor, i) => ({ kinds: positions[node.depth + i]?.kinds ?? [], leastMinor }));
    if (open.length === 0 || limit() === Infinity)
      return prices.couponsMinor(chosen, open, Infinity) + prices.roundedMinor;
    // dearer than what is left below the limit nothing comes that is still wanted
    const atMost = prices.couponsMinor(chosen, open, Infinity);
    return prices.couponsMinor(chosen, open, Math.max(0, limit() - key + atMost)) + prices.roundedMinor;
  }

  /** Whether a node that takes this option is dearer than all that is still wanted, whatever else it takes. */
  function pricier({ pricedMinor }: Node, { leastMinor }: Option): boolean {
    return (pricedMinor + leastMinor) * (1 - prices.mostOff) - amountsMinor - prices.roundedMinor > limit();
  }

  function pushChild(parent: Node, from: number, steps: number): void {
    const at = parent.depth;
    const position = positions[at] as Space['positions'][number];
    for (let index = from; ; index++) {
      for (let over = refusedFrom(parent, at, index); over > 0; over = refusedFrom(parent, at, index)) index += over;
      const option = position.choices.at(index);
      if (!option) return;
      if (changes !== undefined && pricier(parent, option)) return;
      if (!stands(parent, at, option, 'cheap')) continue;
      if (changes !== undefined) {
        pushNear(parent, index, option, steps);
        return;
      }
      const start = position.choices.at(parent.alike.first[at] ?? 0);
      const dearer = (option.leastMinor - (start?.leastMinor ?? 0)) * (1 - prices.mostOff);
      queue.push({
        parent,
        depth: at + 1,
        index,
        options: [...parent.options, option],
        pricedMinor: parent.pricedMinor + option.leastMinor,
        changedAt: 0,
        changed: 0,
        lost: 0,
        alike: alikeWith(parent, option),
        key: parent.key + Math.max(0, dearer),
        looked: 'new',
        steps,
      });
      return;
    }
  }

  /** A whole machine: assessed, bought, and put back at its price. */
  function finish(node: Node): void {
    const found = judge(node.options, limit());
    if (!found || found.priceMinor > most || compareRanks(found.rank, floor) > 0) return;
    if (!best || compareFound(found, best) < 0) best = found;
    queue.push({ ...node, key: Math.max(node.key, found.priceMinor), leaf: found });
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
