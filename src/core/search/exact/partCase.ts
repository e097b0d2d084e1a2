import type { Context } from '../../assess';
import { cheapestOffer } from '../../money/landed';
import { buyPolicy } from '../../money/policy';
import type { Part } from '../../parts';
import { isOnSale } from '../../parts/onSale';
import { plainNumber } from '../../units/money';
import { addEfforts, foundIn, NO_EFFORT, toItsEnd, type Effort } from './ended';
import type { FoundMachine } from './judge';
import type { Question } from './question';
import { cheapest, type Under } from './search';
import { readier, searchable, type Ready, type Searchable } from './searchable';

/** What speaks for a part and against it. Money of machines is landed, in minor units of the brief's region. */
export interface PartCase {
  /** The cheapest machine that has it; undefined when none does what is asked. */
  readonly having: FoundMachine | undefined;
  /** The cheapest that has it not. */
  readonly lacking: FoundMachine | undefined;
  /**
   * The most that each of its sellers may ask for one piece, as they state prices, so that no machine without it is
   * cheaper: at a unit more one is. Undefined where it does not belong for nothing either, or nothing does without it.
   */
  readonly breakEvenMinor: number | undefined;
  /** What one piece by itself comes to, landed: now, and at the break-even price. */
  readonly landed: { readonly now: number | undefined; readonly even: number | undefined };
  /** Set when the part cannot be weighed: the search chooses none of its kind for this work, or nobody sells it. */
  readonly outside: 'no place' | 'not sold' | undefined;
  readonly effort: Effort;
}

/** Trials in which a break-even price is closed in on; it takes three or four. */
const TRIALS = 40;

/**
 * The case of a part: the cheapest machine with it beside the cheapest without it, and the price at which the two cost the
 * same. That is looked for with the whole search at each price that is tried, since a basket's shipping and coupons hang on
 * its sum; predictions and rules answer at every price alike.
 */
export function* partCase(
  question: Question,
  part: string,
  context: Context,
  ready: Ready = readier(context),
): Generator<Effort, PartCase> {
  let effort = NO_EFFORT;
  function* found(asked: Searchable, under: Under = {}): Generator<Effort, FoundMachine | undefined> {
    const end = yield* toItsEnd(cheapest(asked, under), (now) => addEfforts(effort, now));
    effort = addEfforts(effort, end.effort);
    return foundIn(end);
  }
  const withIt: Question = { ...question, withPart: part };
  const without: Question = { ...question, withoutParts: new Set([...question.withoutParts, part]) };
  const wanted = ready(withIt);
  const lacking = yield* found(ready(without));
  const having = yield* found(wanted);
  const region = context.catalogue.region(question.brief.region);
  const policy = buyPolicy(question.brief, context.settings, context.today);
  const landedIn = ({ catalogue }: Context): number | undefined =>
    region && cheapestOffer(catalogue, catalogue.part(part), region, policy)?.landed.landedMinor;
  const end = (breakEvenMinor?: number): PartCase => ({
    outside: outsideOf(wanted, context.catalogue.part(part), context),
    having,
    lacking,
    breakEvenMinor,
    landed: {
      now: landedIn(context),
      even: breakEvenMinor === undefined ? undefined : landedIn(pricedAt(context, part, breakEvenMinor)),
    },
    effort,
  });
  if (!lacking || !region) return end();
  const most = lacking.priceMinor;
  const taxed = region.pricesIncludeTax ? 1 : 1 + region.taxRate;
  /** The cheapest machine with it where each seller asks so much, if it costs no more than what does without. */
  const at = (minor: number) => found(searchable(withIt, pricedAt(context, part, minor), wanted), { mostMinor: most });
  let [low, high] = [1, Infinity];
  let best = yield* at(low);
  if (!best) return end();
  for (let trial = 0; trial < TRIALS && high - low > 1; trial++) {
    const pieces = Math.max(1, best.machine.items.filter((item) => item.part === part).length);
    const room: number = (plainNumber(most) - plainNumber(best.priceMinor)) / (pieces * taxed);
    // where the sum rises with the price it is there; halves end it where shipping or a coupon breaks the line
    const guess: number = low + Math.max(1, Math.floor(room));
    const next: number = high === Infinity || (guess < high && trial % 3 < 2) ? guess : Math.floor((low + high) / 2);
    const stands = yield* at(next);
    if (stands) [low, best] = [next, stands];
    else high = next;
  }
  return end(low);
}

/** Why a part is in no machine that the search looks at. */
function outsideOf(
  { whole: { positions, keptParts }, prices }: Searchable,
  part: Part | undefined,
  { today }: Context,
): PartCase['outside'] {
  if (!part || keptParts.includes(part)) return undefined;
  if (!positions.some(({ kinds }) => kinds.includes(part.kind))) return 'no place';
  return isOnSale(part, today) && prices.of(part) !== undefined ? undefined : 'not sold';
}

/** A market in which each seller asks the same for a part. */
const pricedAt = (context: Context, part: string, priceMinor: number): Context => {
  const { catalogue } = context;
  return {
    ...context,
    catalogue: {
      ...catalogue,
      offers: (id, region) => {
        const offers = catalogue.offers(id, region);
        return id === part ? offers.map((offer) => ({ ...offer, priceMinor })) : offers;
      },
    },
  };
};
