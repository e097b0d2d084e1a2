import type { Context } from '../../assess';
import type { Item, Machine } from '../../model/machine';
import type { Part, PartKind } from '../../parts';
import { PART_KINDS } from '../../parts';
import { ruleOf } from '../../rules';
import { addEfforts, foundIn, NO_EFFORT, toItsEnd, type Effort } from './ended';
import { judge, refused, type FoundMachine } from './judge';
import type { Question } from './question';
import { cheapest } from './search';
import { searchable } from './searchable';

/** Kinds that are chosen together, and changed as one: a card for pictures and a mixer stand in for each other. */
const PLACES: readonly (readonly PartKind[])[] = [
  ['processor'],
  ['board'],
  ['memory'],
  ['graphics'],
  ['drive'],
  ['cooler'],
  ['case'],
  ['supply'],
  ['fan'],
  ['expansion', 'mixer'],
  ['system'],
  ['display'],
  ['peripheral'],
];
export type Place = (typeof PLACES)[number];

/** A draft that is mended, and what of it was changed. */
export interface Mended {
  readonly found: FoundMachine;
  /** Kinds of which something is another part, is new or is left out. */
  readonly changed: readonly Place[];
}

/** How a draft is mended: with the fewest changes and of these the cheapest, and as cheaply as it can be at all. */
export interface Repair {
  /** It does what is asked as it is. */
  readonly sound: FoundMachine | undefined;
  readonly fewest: Mended | undefined;
  readonly least: Mended | undefined;
  readonly effort: Effort;
}

/** Places that are opened at once before it is asked whether there is a way at all. */
const AT_ONCE = 2;

/** What of a draft stays whatever is wrong with it: what is owned, bought, soldered, or pinned by the question. */
export const stays = ({ keep }: Question, { id, owned, paid, fixed }: Item): boolean =>
  owned === true || paid !== undefined || fixed !== undefined || keep.some((kept) => kept.id === id);

/** Which parts a place holds, with what drives are for: equal texts, nothing was changed. */
const filling = (items: readonly Item[], kindOf: (id: string) => PartKind | undefined, place: Place): string =>
  items
    .filter(({ part }) => place.some((kind) => kind === kindOf(part)))
    .map(({ part, roles = [] }) => `${part} ${[...roles].sort().join()}`)
    .sort()
    .join('; ');

/** The places in which two machines differ. */
export function changedPlaces(from: readonly Item[], to: readonly Item[], { catalogue }: Context): Place[] {
  const kindOf = (id: string) => (catalogue.part(id) as Part | undefined)?.kind;
  return PLACES.filter((place) => filling(from, kindOf, place) !== filling(to, kindOf, place));
}

/**
 * Mends a draft. Ever more of its places are opened, all that many at a time, and the cheapest machine that does what is
 * asked is looked for with all others as they are: the first number for which there is one is the smallest. A set of
 * places that no rule with an objection reads is passed over, since what a rule says only changes with what it reads.
 * Before more than a few places are opened comes what costs least: its changes are the most that may be needed.
 */
export function* repairOf(question: Question, draft: Machine, context: Context): Generator<Repair, Repair> {
  const { catalogue } = context;
  let effort = NO_EFFORT;
  /** What is told of a search that is stopped. */
  let known: Omit<Repair, 'effort'> = { sound: undefined, fewest: undefined, least: undefined };
  const kindOf = ({ part }: Item) => (catalogue.part(part) as Part | undefined)?.kind;
  const held = draft.items.filter((item) => stays(question, item));
  const asked: Question = { ...question, from: draft, keep: held };
  const first = searchable(asked, context);
  const holds = (items: readonly Item[], place: Place): boolean =>
    items.some((item) => place.some((kind) => kind === kindOf(item)));
  const { positions } = first.space;
  const free = PLACES.filter(
    (place) =>
      // of drives others may join those that stay; of all else there is one choice
      (place[0] === 'drive' || !holds(held, place)) &&
      (holds(draft.items, place) || positions.some(({ kinds }) => kinds.some((kind) => place.includes(kind)))),
  );

  function* mended(open: readonly Place[], mostMinor?: number): Generator<Repair, Mended | undefined> {
    const kinds = new Set<PartKind>(open.flat());
    const closed = new Set(PART_KINDS.filter((kind) => !kinds.has(kind)));
    const end = yield* toItsEnd(
      cheapest(searchable({ ...asked, closed }, context, first), mostMinor === undefined ? {} : { mostMinor }),
      (now) => ({ ...known, effort: addEfforts(effort, now) }),
    );
    effort = addEfforts(effort, end.effort);
    const found = foundIn(end);
    return found && { found, changed: changedPlaces(draft.items, found.machine.items, context) };
  }

  function* cheapestOf(ways: readonly (readonly Place[])[]): Generator<Repair, Mended | undefined> {
    let best: Mended | undefined;
    for (const open of ways) {
      const way: Mended | undefined = yield* mended(open, best?.found.priceMinor);
      if (way && (!best || way.found.priceMinor < best.found.priceMinor)) best = way;
    }
    return best;
  }

  const assessment = first.subject.assess(draft);
  const now = judge(assessment, asked);
  if (now.kind === 'found') {
    const same: Mended = { found: now.found, changed: [] };
    known = { sound: now.found, fewest: same, least: undefined };
    const cheaper = yield* mended(free, now.found.priceMinor);
    return { ...known, least: cheaper ?? same, effort };
  }
  const read = assessment.findings
    .filter((finding) => refused(finding, question))
    .map((finding) => new Set<string>(ruleOf(finding).reads));
  /** Whether each objection may change with these places: what is derived changes with whatever it is derived from. */
  const mayMend = (open: readonly Place[]): boolean =>
    read.every(
      (reads) =>
        [...reads].some((reading) => !PART_KINDS.some((kind) => kind === reading)) ||
        open.some((place) => place.some((kind) => reads.has(kind))),
    );
  for (let count = 1; ; count++) {
    // what costs least is one of the ways: no other takes more changes, and where there is none there is none at all
    if (count > Math.min(AT_ONCE, free.length) && !known.least) {
      const least = yield* mended(free);
      if (!least) return { ...known, effort };
      known = { ...known, least };
    }
    if (known.least && count >= known.least.changed.length) return { ...known, fewest: known.least, effort };
    const fewest = yield* cheapestOf(combinations(free, count).filter(mayMend));
    if (!fewest) continue;
    known = { ...known, fewest };
    return { ...known, least: known.least ?? (yield* mended(free, fewest.found.priceMinor)) ?? fewest, effort };
  }
}

/** All ways of taking so many of a list, in its order. */
export function combinations<T>(list: readonly T[], count: number): (readonly T[])[] {
  if (count === 0) return [[]];
  return list.flatMap((first, i) => combinations(list.slice(i + 1), count - 1).map((rest) => [first, ...rest]));
}
