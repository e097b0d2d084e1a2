import type { Context } from '../../assess';
import { telling } from '../../assess/trials';
import { cheapestOffer } from '../../money/landed';
import { buyPolicy } from '../../money/policy';
import type { Region } from '../../model/offers';
import type { Part } from '../../parts';
import { isOnSale } from '../../parts/onSale';
import { plainNumber } from '../../units/money';
import { clashOf, demandsOf, without as relaxed, type Demand } from './clash';
import { foundWithin, NO_EFFORT, type Effort } from './ended';
import type { FoundMachine } from './judge';
import { repriced } from './market';
import type { Question } from './question';
import { cheapest, type Under } from './search';
import { isDecisive, readier, searchable, type Ready, type Searchable } from './searchable';

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
  /** False as long as only a part of this is known. */
  readonly weighed: boolean;
  /** What decides it; undefined as long as it is not known, and where there is nothing to decide. */
  readonly decided: Decided | undefined;
  readonly effort: Effort;
}

/**
 * The demands that decide whether a part belongs. `each` of them, let go alone, turns it; `together` they leave no machine
 * with the part, or none without it, and letting go of any one of them does.
 */
export interface Decided {
  readonly how: 'each' | 'together';
  readonly demands: readonly Demand[];
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
): Generator<PartCase, PartCase> {
  let now: PartCase = {
    having: undefined,
    lacking: undefined,
    breakEvenMinor: undefined,
    landed: { now: undefined, even: undefined },
    outside: undefined,
    weighed: false,
    decided: undefined,
    effort: NO_EFFORT,
  };
  const found = (asked: Searchable, under: Under = {}) =>
    foundWithin(
      cheapest(asked, under),
      () => now,
      (next) => (now = next),
    );
  const withIt: Question = { ...question, withPart: part };
  const without: Question = { ...question, withoutParts: new Set([...question.withoutParts, part]) };
  const wanted = ready(withIt);
  const unwanted = ready(without);
  const lacking = yield* found(unwanted);
  const having = yield* found(wanted);
  const region = context.catalogue.region(question.brief.region);
  const policy = buyPolicy(question.brief, context.settings, context.today);
  const landedIn = ({ catalogue }: Context): number | undefined =>
    region && cheapestOffer(catalogue, catalogue.part(part), region, policy)?.landed.landedMinor;
  const outside = outsideOf(wanted, context.catalogue.part(part), context);
  now = { ...now, outside, having, lacking, landed: { now: landedIn(context), even: undefined } };
  const even = lacking && region ? yield* breakEven(lacking.priceMinor, region) : undefined;
  if (even !== undefined)
    now = {
      ...now,
      breakEvenMinor: even,
      landed: { ...now.landed, even: landedIn(pricedAt(context, part, even)) },
    };
  now = { ...now, weighed: true };
  yield now;
  if (outside !== undefined || (!having && !lacking)) return now;
  return { ...now, decided: having && lacking ? yield* turnedBy(having, lacking) : yield* forcedBy(having) };

  /** The most that may be asked for a piece so that no machine without it, which costs `most`, is cheaper. */
  function* breakEven(most: number, { pricesIncludeTax, taxRate }: Region): Generator<PartCase, number | undefined> {
    const taxed = pricesIncludeTax ? 1 : 1 + taxRate;
    /** The cheapest machine with it where each seller asks so much, if it costs no more than what does without. */
    const at = (minor: number) =>
      found(searchable(withIt, pricedAt(context, part, minor), wanted), { mostMinor: most });
    let [low, high] = [1, Infinity];
    let best = yield* at(low);
    if (!best) return undefined;
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
    return low;
  }

  /** Demands without which it is the other way round: what has the part is cheaper, or what has it not. */
  function* turnedBy(own: FoundMachine, other: FoundMachine): Generator<PartCase, Decided> {
    const belongs = own.priceMinor <= other.priceMinor;
    const demands: Demand[] = [];
    for (const demand of demandsOf(question, context.catalogue)) {
      // what nothing was refused for alone changes neither
      if (demand.code === 'target' && ![wanted, unwanted].some((asked) => isDecisive(asked, demand.task))) continue;
      // what the case is about is no demand of it
      if (demand.code === 'left-out' && demand.id === part) continue;
      const [mine, theirs] = [withIt, without].map((asked) => relaxed(asked, demand));
      if (!mine || !theirs) continue;
      const [first, second] = belongs ? [mine, theirs] : [theirs, mine];
      const stands = yield* found(ready(first), { mostMinor: belongs ? own.priceMinor : other.priceMinor });
      if (!stands) continue;
      // at the same price the part belongs
      const turned = yield* found(ready(second), { mostMinor: stands.priceMinor - (belongs ? 1 : 0) });
      if (turned) demands.push(demand);
    }
    return { how: 'each', demands };
  }

  /** Demands that leave nothing with the part, or nothing without it. */
  function* forcedBy(own: FoundMachine | undefined): Generator<PartCase, Decided> {
    const clash = yield* telling(clashOf(own ? without : withIt, context, ready), () => now);
    return {
      how: 'together',
      demands: clash.demands
        .map(({ demand }) => demand)
        .filter((demand) => !(demand.code === 'left-out' && demand.id === part)),
    };
  }
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
const pricedAt = (context: Context, part: string, priceMinor: number): Context =>
  repriced(context, (id, offer) => (id === part ? priceMinor : offer.priceMinor));
