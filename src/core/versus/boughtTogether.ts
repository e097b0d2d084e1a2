import type { Assessment } from '../assess';
import { basketOf, type Basket, type Need } from '../money/basket';
import { addLanded } from '../money/invoice';
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

/** How several machines are bought: baskets, each for some of them, with the machine that every piece is for. */
export interface JointBaskets {
  readonly baskets: readonly Basket[];
  /** Index of the machine and its item, by the piece's name in a basket. */
  readonly pieces: ReadonlyMap<string, { readonly machine: number; readonly item: string }>;
  readonly proven: boolean;
}

/**
 * Machines under the same policy, of dates, trust and the like, in one basket; where that finds nothing cheaper and each
 * seller has enough, their own baskets as they are. Undefined where the sellers have not enough pieces for all of them.
 */
export function jointBaskets(machines: readonly Assessment[], maxNodes = TOGETHER_NODES): JointBaskets | undefined {
  const pieces = new Map(
    machines.flatMap(({ facts }, i) =>
      facts.parts.all.map(({ item }) => [pieceOf(i, item.id), { machine: i, item: item.id }] as const),
    ),
  );
  const groups = new Map<string, number[]>();
  machines.forEach(({ facts: { policy } }, i) => {
    const key = JSON.stringify(policy);
    groups.set(key, [...(groups.get(key) ?? []), i]);
  });
  const baskets: Basket[] = [];
  let proven = true;
  for (const group of groups.values()) {
    const [first] = group.flatMap((i) => machines[i] ?? []);
    if (!first) continue;
    const needs = group.flatMap((i) => needsOf(machines[i], i));
    const { region } = first;
    const { catalogue, policy } = first.facts;
    const own = group.flatMap((i) => {
      const machine = machines[i];
      return machine ? [named(basketBy(machine), i)] : [];
    });
    if (group.length === 1) {
      baskets.push(...own);
      continue;
    }
    const basket = basketOf({ needs, catalogue, region, policy, maxNodes });
    const apart = own.reduce((sum, { best }) => sum + (best?.total.landedMinor ?? 0), 0);
    const enough = inStock(own);
    // the separate orders are a way of buying them too, as long as nobody runs out
    if (enough && (basket.lowerBound || basket.total.landedMinor > apart)) baskets.push(...own);
    else if (basket.lowerBound) return undefined;
    else {
      const byHand = own.flatMap((each) => each.byHand);
      baskets.push({
        ...basket,
        byHand,
        total: byHand.reduce((sum, { landed }) => addLanded(sum, landed), basket.total),
      });
      proven &&= basket.proven;
    }
  }
  return { baskets, pieces, proven };
}

/**
 * What machines come to when they are bought together: thresholds of shipping and coupons are passed and sets made up that
 * none reaches by itself, and each seller's stock is shared. What is owned or has a price by hand costs the same either
 * way. Where stock goes far enough for each basket as it is, together never costs more than apart. Undefined when something
 * has no price.
 */
export function boughtTogether(machines: readonly Assessment[], maxNodes = TOGETHER_NODES): Together | undefined {
  const own = machines.map((machine) => basketBy(machine));
  if (own.some(({ lowerBound }) => lowerBound)) return undefined;
  const apartMinor = own.reduce((sum, { total }) => sum + total.landedMinor, 0);
  const joint = jointBaskets(machines, maxNodes);
  return {
    apartMinor,
    togetherMinor: joint?.baskets.reduce((sum, { total }) => sum + total.landedMinor, 0),
    proven: joint?.proven ?? true,
  };
}

const pieceOf = (machine: number, item: string): string => `${machine} ${item}`;

/** A machine's own basket with its pieces named as they are beside those of others. */
function named(basket: Basket, machine: number): Basket {
  const renamed = <T extends { readonly item: string }>(list: readonly T[]): T[] =>
    list.map((entry) => ({ ...entry, item: pieceOf(machine, entry.item) }));
  return {
    ...basket,
    best: basket.best && {
      ...basket.best,
      orders: basket.best.orders.map((order) => ({ ...order, items: renamed(order.items) })),
    },
    byHand: renamed(basket.byHand),
    unbought: renamed(basket.unbought),
  };
}

const basketBy = ({ facts, region }: Assessment): Basket =>
  pageBasket(facts.price, facts.parts, facts.catalogue, region, facts.policy);

/** Pieces to buy for one of several machines; their names are told apart. */
const needsOf = (machine: Assessment | undefined, i: number): Need[] =>
  (machine?.facts.parts.all ?? []).flatMap(({ item, part }): Need[] =>
    item.owned || item.handPrice ? [] : [{ item: pieceOf(i, item.id), part }],
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
