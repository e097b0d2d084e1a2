import { quickly, subjectOf, type Context } from '../../assess';
import type { Machine } from '../../model/machine';
import { addEfforts, foundIn, NO_EFFORT, toItsEnd, type Effort } from './ended';
import { judge, type FoundMachine } from './judge';
import { nearMachine, staying, type NearMachine } from './near';
import type { Question } from './question';
import { cheapest } from './search';
import { readier, type Ready } from './searchable';

/** How a draft is mended: with the fewest changes and of these the cheapest, and as cheaply as it can be at all. */
export interface Repair {
  /** It does what is asked as it is. */
  readonly sound: FoundMachine | undefined;
  readonly fewest: NearMachine | undefined;
  readonly least: NearMachine | undefined;
  readonly effort: Effort;
}

/** Changes that are tried before it is asked whether there is a way at all. */
const AT_ONCE = 2;

/**
 * Mends a draft: the cheapest machine that does what is asked with one change, with two and so on; the first number for
 * which there is one is the smallest. Before more than a few are tried comes what costs least however much it changes: it
 * tells whether there is a way at all, and no other takes more changes.
 */
export function* repairOf(
  question: Question,
  draft: Machine,
  context: Context,
  ready: Ready = readier(context),
): Generator<Repair, Repair> {
  let effort = NO_EFFORT;
  /** What is told of a search that is stopped. */
  let known: Omit<Repair, 'effort'> = { sound: undefined, fewest: undefined, least: undefined };
  const asked: Question = { ...question, from: draft, keep: staying(question, draft) };

  function* mended(changes: number, mostMinor?: number): Generator<Repair, NearMachine | undefined> {
    const near = ready({ ...asked, changes });
    const end = yield* toItsEnd(cheapest(near, mostMinor === undefined ? {} : { mostMinor }), (now) => ({
      ...known,
      effort: addEfforts(effort, now),
    }));
    effort = addEfforts(effort, end.effort);
    const found = foundIn(end);
    return found && nearMachine(near.space, draft, found, context);
  }

  const now = judge(subjectOf(question.brief, quickly(context)).assess(draft), asked);
  if (now.kind === 'found') {
    const same: NearMachine = { found: now.found, changed: [] };
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
