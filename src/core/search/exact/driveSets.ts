import type { DriveRole } from '../../figures/resources';
import { Heap } from './heap';
import { compareOptions, optionOf, upTo, type Choices, type DrivesDo, type Good, type Option } from './option';
import { storageGB } from './room';

/** Drives that one group of roles is put on: one, or two equal ones. */
interface Group {
  readonly goods: readonly Good[];
  readonly roles: readonly DriveRole[];
  readonly option: Option;
  readonly gb: number;
}

/** The groups for some roles, the cheapest first, and what room costs at least, whether they do or not. */
interface Groups {
  readonly at: (index: number) => Group | undefined;
  /** Of all that cost as little those with the most room, dearer and roomier one by one. */
  readonly room: readonly { readonly minor: number; readonly gb: number }[];
}

/** Most groups that the roles are spread over. */
const MOST_GROUPS = 3;

/**
 * Sets of drives for roles, the cheapest first: every way of spreading the roles over one to three groups, each group on
 * one drive or, beside the system's, on two equal ones. They are made one by one, best first over the groups' own lists,
 * which hold only what does for their roles by itself. Sets with less room than is asked of all drives together are left
 * out without being made: most sets are small, and what has much room comes late.
 */
export function driveSets(
  name: string,
  roles: readonly DriveRole[],
  goods: readonly Good[],
  does: DrivesDo,
  leastGB = 0,
): Choices {
  const lists = new Map<string, Groups>();
  const listOf = (group: readonly DriveRole[]): Groups => {
    const key = group.join();
    let list = lists.get(key);
    if (!list) lists.set(key, (list = groupsFor(group, goods, does)));
    return list;
  };
  interface Node {
    readonly spread: Spread;
    readonly at: readonly number[];
    /** Only groups from here on move on, so that each set comes once. */
    readonly from: number;
    /** No set with enough room that it leads to costs less; where it has enough itself, what it costs. */
    readonly minor: number;
    readonly enough: boolean;
  }
  const leastOf = leastWithRoom(listOf);
  const heap = new Heap<Node>((a, b) => a.minor - b.minor);
  const push = (spread: Spread, at: readonly number[], from: number): void => {
    let minor = 0;
    let gb = 0;
    // groups before this one stay as they are, those after it have not moved yet
    let fixed = { minor: 0, gb: 0, next: 0 };
    for (let i = 0; i < spread.length; i++) {
      const group = listOf(spread[i] ?? []).at(at[i] ?? 0);
      if (!group) return;
      if (i === from) fixed = { minor, gb, next: group.option.leastMinor };
      minor += group.option.leastMinor;
      gb += group.gb;
    }
    const enough = gb >= leastGB;
    const least = enough ? minor : fixed.minor + leastOf(spread, from, leastGB - fixed.gb, fixed.next) - ROUNDING;
    if (least < Infinity) heap.push({ spread, at, from, minor: Math.max(minor, least), enough });
  };
  for (const spread of spreads(roles, MOST_GROUPS))
    push(
      spread,
      spread.map(() => 0),
      0,
    );
  const made: Option[] = [];
  // sets of one price are sorted by what they are, so they are taken together
  const waiting: Option[] = [];
  const take = (spread: Spread, at: readonly number[]): void => {
    const groups = spread.flatMap((group, i) => listOf(group).at(at[i] ?? 0) ?? []);
    const drives = groups.flatMap(({ goods: own, roles: its }) => own.map((good) => ({ good, its })));
    const spares = drives.flatMap(({ good }) => good.spare ?? []);
    if (new Set(spares).size === spares.length)
      waiting.push({
        ...optionOf(
          name,
          drives.map(({ good }) => good),
          (i) => drives[i]?.its ?? [],
        ),
        ...(groups.length > 1 ? { groups: groups.map(({ option }) => option) } : {}),
      });
  };
  /** Where a group moves on to: the last one past what has too little room beside the others. */
  const after = (spread: Spread, at: readonly number[], i: number): number => {
    const { at: groupAt } = listOf(spread[i] ?? []);
    let index = (at[i] ?? 0) + 1;
    if (i < spread.length - 1) return index;
    let gb = 0;
    for (let k = 0; k < i; k++) gb += listOf(spread[k] ?? []).at(at[k] ?? 0)?.gb ?? 0;
    for (let group = groupAt(index); group && gb + group.gb < leastGB; group = groupAt(index)) index++;
    return index;
  };
  const next = (): void => {
    while (waiting.length === 0) {
      const first = heap.peek();
      if (!first) return;
      while (heap.peek()?.minor === first.minor) {
        const { spread, at, from, enough } = heap.pop() as Node;
        if (enough) take(spread, at);
        for (let i = from; i < spread.length; i++)
          push(
            spread,
            at.map((index, k) => (k === i ? after(spread, at, i) : index)),
            i,
          );
      }
      waiting.sort((a, b) => compareOptions(a, b) || (rolesOf(a) < rolesOf(b) ? -1 : 1));
    }
    const option = waiting.shift();
    if (option) made.push(option);
  };
  return {
    at: (index) => {
      for (let before = -1; made.length <= index && before !== made.length;) {
        before = made.length;
        next();
      }
      return made[index];
    },
  };
}

type Spread = readonly (readonly DriveRole[])[];

/**
 * What the groups of a spread cost at least from a place on, whichever drives they are of, when they have so much room
 * together and the first of them costs no less than so much.
 */
function leastWithRoom(
  listOf: (group: readonly DriveRole[]) => Groups,
): (spread: Spread, from: number, gb: number, atLeast: number) => number {
  const rests = new Map<Spread, Map<string, number>>();
  const leastOf = (spread: Spread, from: number, gb: number, atLeast: number): number =>
    Math.min(
      Infinity,
      ...listOf(spread[from] ?? []).room.map(
        (point) => Math.max(point.minor, atLeast) + restOf(spread, from + 1, gb - point.gb),
      ),
    );
  const restOf = (spread: Spread, from: number, gb: number): number => {
    if (from >= spread.length) return gb <= 0 ? 0 : Infinity;
    let known = rests.get(spread);
    if (!known) rests.set(spread, (known = new Map()));
    const key = `${from} ${Math.max(0, gb)}`;
    let least = known.get(key);
    if (least === undefined) known.set(key, (least = leastOf(spread, from, gb, 0)));
    return least;
  };
  return leastOf;
}

const groupOf = (goods: readonly Good[], roles: readonly DriveRole[]): Group => ({
  goods,
  roles,
  option: optionOf('drive', goods, () => roles),
  gb: storageGB(goods.map(({ part }) => part)),
});

/** What each drive of a set is for, which tells sets of the same drives apart. */
const rolesOf = ({ items }: Option): string => items.map(({ roles = [] }) => roles.join()).join(' ');

/** Sums of prices in another order may differ in their last digits. */
const ROUNDING = 1e-6;

/** Drives that do for a group of roles by themselves, the cheapest first, each tried when it is asked for. */
function groupsFor(group: readonly DriveRole[], goods: readonly Good[], does: DrivesDo): Groups {
  const most = group.includes('system') ? 1 : 2;
  const all = goods
    .flatMap((good) => upTo(most, good).map((set) => groupOf(set, group)))
    .sort((a, b) => a.option.leastMinor - b.option.leastMinor);
  const done: Group[] = [];
  let tried = 0;
  const room: { minor: number; gb: number }[] = [];
  for (const { option, gb } of all) if (gb > (room.at(-1)?.gb ?? -1)) room.push({ minor: option.leastMinor, gb });
  return {
    room,
    at: (index) => {
      while (done.length <= index && tried < all.length) {
        const candidate = all[tried++];
        if (candidate && does(candidate.option)) done.push(candidate);
      }
      return done[index];
    },
  };
}

/** Every way of spreading roles over at most so many groups; the order of groups does not matter. */
export function spreads<T>(roles: readonly T[], most: number): T[][][] {
  const [first, ...rest] = roles;
  if (first === undefined) return [[]];
  return spreads(rest, most).flatMap((groups) => [
    ...(groups.length < most ? [[[first], ...groups]] : []),
    ...groups.map((_, i) => groups.map((group, k) => (k === i ? [first, ...group] : group))),
  ]);
}
