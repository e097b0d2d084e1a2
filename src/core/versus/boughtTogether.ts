import type { Assessment } from '../assess';
import { basketOf, type Basket, type Need } from '../money/basket';
import { pageBasket } from '../money/pageBasket';

/** Several machines bought in one basket beside each in its own. Landed, minor units. */
export interface Together {
  readonly apartMinor: number;
  /** Undefined where the sellers have not enough pieces for all of them. */
  readonly togetherMinor: number | undefined;
  /** False when the search was ended before it had proved that nothing is cheaper. */
  readonly proven: boolean;
}

/** Most places a basket of several machines looks at before it is content with what it has. */
const TOGETHER_NODES = 60_000;

/**
 * What machines come to when they are bought together: thresholds of shipping and coupons are passed and sets made up that
 * none reaches by itself, and each seller's stock is shared. Only machines under the same policy, of dates, trust and the
 * like, go into one basket. What is owned or has a price by hand costs the same either way. Where stock goes far enough for
 * each basket as it is, together never costs more than apart. Undefined when something has no price.
 */
export function boughtTogether(machines: readonly Assessment[], maxNodes = TOGETHER_NODES): Together | undefined {
  const baskets = machines.map((machine) => basketBy(machine));
  if (baskets.some(({ lowerBound }) => lowerBound)) return undefined;
  const apartMinor = baskets.reduce((sum, { total }) => sum + total.landedMinor, 0);
  const groups = new Map<string, number[]>();
  machines.forEach(({ facts: { policy } }, i) => {
    const key = JSON.stringify(policy);
    groups.set(key, [...(groups.get(key) ?? []), i]);
  });
  let togetherMinor = 0;
  let proven = true;
  for (const group of groups.values()) {
    const [first] = group.flatMap((i) => machines[i] ?? []);
    if (!first) continue;
    const needs = group.flatMap((i) => needsOf(machines[i], i));
    const { region } = first;
    const { catalogue, policy } = first.facts;
    const basket = basketOf({ needs, catalogue, region, policy, maxNodes });
    const own = group.flatMap((i) => baskets[i] ?? []);
    const orders = own.reduce((sum, { best }) => sum + (best?.total.landedMinor ?? 0), 0);
    const others = own.reduce((sum, { total }) => sum + total.landedMinor, 0) - orders;
    const found = basket.lowerBound ? undefined : basket.total.landedMinor;
    // the separate orders are a way of buying them too, as long as nobody runs out
    const least = inStock(own) ? Math.min(found ?? Infinity, orders) : found;
    if (least === undefined) return { apartMinor, togetherMinor: undefined, proven: basket.proven };
    proven &&= basket.proven;
    togetherMinor += least + others;
  }
  return { apartMinor, togetherMinor, proven };
}

const basketBy = ({ facts, region }: Assessment): Basket =>
  pageBasket(facts.price, facts.parts, facts.catalogue, region, facts.policy);

/** Pieces to buy for one of several machines; their names are told apart. */
const needsOf = (machine: Assessment | undefined, i: number): Need[] =>
  (machine?.facts.parts.all ?? []).flatMap(({ item, part }): Need[] =>
    item.owned || item.handPrice ? [] : [{ item: `${i} ${item.id}`, part }],
  );

/** Whether each seller has enough pieces for all the baskets at once. */
function inStock(baskets: readonly Basket[]): boolean {
  const taken = new Map<string, { count: number; stock: number }>();
  for (const { best } of baskets)
    for (const { items } of best?.orders ?? [])
      for (const { offer } of items) {
        const entry = taken.get(offer.id) ?? { count: 0, stock: offer.stock ?? Infinity };
        entry.count++;
        taken.set(offer.id, entry);
      }
  return [...taken.values()].every(({ count, stock }) => count <= stock);
}
