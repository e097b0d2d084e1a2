import type { DriveRole } from '../../figures/resources';
import { Heap } from './heap';
import { compareOptions, optionOf, upTo, type Choices, type DrivesDo, type Good, type Option } from './option';

/** Drives that one group of roles is put on: one, or two equal ones. */
interface Group {
  readonly goods: readonly Good[];
  readonly roles: readonly DriveRole[];
  readonly option: Option;
}

/** Most groups that the roles are spread over. */
const MOST_GROUPS = 3;

/**
 * Sets of drives for roles, the cheapest first: every way of spreading the roles over one to three groups, each group on
 * one drive or, beside the system's, on two equal ones. They are made one by one, best first over the groups' own lists,
 * which hold only what does for their roles by itself.
 */
export function driveSets(name: string, roles: readonly DriveRole[], goods: readonly Good[], does: DrivesDo): Choices {
  const lists = new Map<string, (index: number) => Group | undefined>();
  const listOf = (group: readonly DriveRole[]): ((index: number) => Group | undefined) => {
    const key = group.join();
    let list = lists.get(key);
    if (!list) lists.set(key, (list = groupsFor(group, goods, does)));
    return list;
  };
  interface Node {
    readonly spread: readonly (readonly DriveRole[])[];
    readonly at: readonly number[];
    /** Only groups from here on move on, so that each set comes once. */
    readonly from: number;
    readonly minor: number;
  }
  const heap = new Heap<Node>((a, b) => a.minor - b.minor);
  const push = (spread: Node['spread'], at: readonly number[], from: number): void => {
    let minor = 0;
    for (let i = 0; i < spread.length; i++) {
      const group = listOf(spread[i] ?? [])(at[i] ?? 0);
      if (!group) return;
      minor += group.option.leastMinor;
    }
    heap.push({ spread, at, from, minor });
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
  const next = (): void => {
    while (waiting.length === 0) {
      const first = heap.peek();
      if (!first) return;
      while (heap.peek()?.minor === first.minor) {
        const { spread, at, from } = heap.pop() as Node;
        const groups = spread.flatMap((group, i) => listOf(group)(at[i] ?? 0) ?? []);
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
        for (let i = from; i < spread.length; i++)
          push(
            spread,
            at.map((index, k) => (k === i ? index + 1 : index)),
            i,
          );
      }
      waiting.sort(compareOptions);
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

const groupOf = (goods: readonly Good[], roles: readonly DriveRole[]): Group => ({
  goods,
  roles,
  option: optionOf('drive', goods, () => roles),
});

/** Drives that do for a group of roles by themselves, the cheapest first, each tried when it is asked for. */
function groupsFor(
  group: readonly DriveRole[],
  goods: readonly Good[],
  does: DrivesDo,
): (index: number) => Group | undefined {
  const most = group.includes('system') ? 1 : 2;
  const all = goods
    .flatMap((good) => upTo(most, good).map((set) => groupOf(set, group)))
    .sort((a, b) => a.option.leastMinor - b.option.leastMinor);
  const done: Group[] = [];
  let tried = 0;
  return (index) => {
    while (done.length <= index && tried < all.length) {
      const candidate = all[tried++];
      if (candidate && does(candidate.option)) done.push(candidate);
    }
    return done[index];
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
