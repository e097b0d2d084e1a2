import type { Context } from '../../assess';
import type { Item, Machine } from '../../model/machine';
import { addEfforts, foundIn, NO_EFFORT, toItsEnd, type Effort } from './ended';
import { judge, type FoundMachine } from './judge';
import { changedPositions } from './near';
import type { Question } from './question';
import type { Position } from './position';
import { cheapest } from './search';
import { searchable } from './searchable';

/** A draft that is mended, and what of it was changed. */
export interface Mended {
  readonly found: FoundMachine;
  /** Positions that are filled otherwise than on the draft. */
  readonly changed: readonly Position[];
}

/** How a draft is mended: with the fewest changes and of these the cheapest, and as cheaply as it can be at all. */
export interface Repair {
  /** It does what is asked as it is. */
  readonly sound: FoundMachine | undefined;
  readonly fewest: Mended | undefined;
  readonly least: Mended | undefined;
  readonly effort: Effort;
}

/** Changes that are tried before it is asked whether there is a way at all. */
const AT_ONCE = 2;

/** What of a draft stays whatever is wrong with it: what is owned, bought, soldered, or pinned by the question. */
export const stays = ({ keep }: Question, { id, owned, paid, fixed }: Item): boolean =>
  owned === true || paid !== undefined || fixed !== undefined || keep.some((kept) => kept.id === id);

/**
 * Mends a draft: the cheapest machine that does what is asked with one change, with two and so on; the first number for
 * which there is one is the smallest. Before more than a few are tried comes what costs least however much it changes: it
 * tells whether there is a way at all, and no other takes more changes.
 */
export function* repairOf(question: Question, draft: Machine, context: Context): Generator<Repair, Repair> {
  let effort = NO_EFFORT;
  /** What is told of a search that is stopped. */
  let known: Omit<Repair, 'effort'> = { sound: undefined, fewest: undefined, least: undefined };
  const held = draft.items.filter((item) => stays(question, item));
  const asked: Question = { ...question, from: draft, keep: held };
  const any = searchable({ ...asked, changes: Infinity }, context);

  function* mended(changes: number, mostMinor?: number): Generator<Repair, Mended | undefined> {
    const near = changes === Infinity ? any : searchable({ ...asked, changes }, context, any);
    const end = yield* toItsEnd(cheapest(near, mostMinor === undefined ? {} : { mostMinor }), (now) => ({
      ...known,
      effort: addEfforts(effort, now),
    }));
    effort = addEfforts(effort, end.effort);
    const found = foundIn(end);
    return (
      found && { found, changed: changedPositions(near.space, draft.items, found.machine.items, context.catalogue) }
    );
  }

  const now = judge(any.subject.assess(draft), asked);
  if (now.kind === 'found') {
    const same: Mended = { found: now.found, changed: [] };
    known = { sound: now.found, fewest: same, least: undefined };
    const cheaper = yield* mended(Infinity, now.found.priceMinor);
    return { ...known, least: cheaper ?? same, effort };
  }
  for (let count = 1; ; count++) {
    if (count > AT_ONCE && !known.least) {
      const least = yield* mended(Infinity);
      if (!least) return { ...known, effort };
      known = { ...known, least };
    }
    if (known.least && count >= known.least.changed.length) return { ...known, fewest: known.least, effort };
    const fewest = yield* mended(count);
    if (!fewest) continue;
    known = { ...known, fewest };
    return { ...known, least: known.least ?? (yield* mended(Infinity, fewest.found.priceMinor)) ?? fewest, effort };
  }
}
