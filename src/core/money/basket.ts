import type { Catalogue } from '../model/catalogue';
import type { FittedParts } from '../model/fitted';
import type { Part } from '../parts';
import { shareOut } from '../units/money';
import { addLanded, invoiceOf, NOTHING, type Invoice, type Landed } from './invoice';
import { landedPrice, sellerOf } from './landed';
import type { Offer, Region } from '../model/offers';
import { arrivalOf, buyable, judged, type BuyPolicy, type WhyNot } from './policy';
import { cheapestSplit, type Choice } from './basketSearch';
import { linesOf, type BasketQuestion, type Need } from './needs';

export type { Need } from './needs';

/** An order at one seller: its invoice, when all of it is there, and the items it is for. */
export interface Order {
  readonly invoice: Invoice;
  /** Undefined when the seller does not say of every line when it comes. */
  readonly arrives: string | undefined;
  readonly items: readonly { readonly item: string; readonly offer: Offer }[];
}

/** A way of buying everything, with what it comes to. */
export interface Purchase {
  readonly orders: readonly Order[];
  readonly total: Landed;
  readonly afterRebateMinor: number;
  readonly parcels: number;
  readonly arrives: string | undefined;
  /** A seller states no shipping terms: the total is a lower bound. */
  readonly shippingUnknown: boolean;
}

/** A piece that nobody offers, with what is wrong with the offers there are. */
export interface Unbought {
  readonly item: string;
  readonly part: Part | undefined;
  readonly refused: readonly { readonly offer: Offer; readonly whyNot: WhyNot }[];
}

/** How to buy a machine. */
export interface Basket {
  readonly best: Purchase | undefined;
  /** Each piece where its price alone is lowest, with what that really comes to. */
  readonly naive: Purchase | undefined;
  /** The cheapest seller that has everything. */
  readonly single: Purchase | undefined;
  /** Prices by hand, landed. */
  readonly byHand: readonly { readonly item: string; readonly landed: Landed }[];
  readonly unbought: readonly Unbought[];
  /** Offers taken although the brief or the desk has something against them: there is no other. */
  readonly despite: readonly { readonly item: string; readonly offer: Offer; readonly whyNot: WhyNot }[];
  /** Orders and prices by hand together. */
  readonly total: Landed;
  readonly afterRebateMinor: number;
  /** Something has no offer or no shipping terms: the total is a lower bound. */
  readonly lowerBound: boolean;
  /** False when the search was ended before it had proved that nothing is cheaper. */
  readonly proven: boolean;
  readonly nodes: number;
  /** No purchase keeps to the number of parcels; `best` is then the cheapest without that limit. */
  readonly parcelsExceeded: boolean;
}

const last = (days: readonly (string | undefined)[]): string | undefined =>
  days.some((day) => day === undefined) ? undefined : [...days].sort().at(-1);

/** The purchase that results when each need is met by the offer given for it. */
export function purchaseOf(
  needs: readonly Need[],
  offers: readonly Offer[],
  { catalogue, region, policy }: Omit<BasketQuestion, 'needs'>,
): Purchase {
  const bySeller = new Map<string, { need: Need; offer: Offer }[]>();
  needs.forEach((need, i) => {
    const offer = offers[i];
    if (!offer) return;
    const list = bySeller.get(offer.seller);
    if (list) list.push({ need, offer });
    else bySeller.set(offer.seller, [{ need, offer }]);
  });
  const orders = [...bySeller.values()].flatMap((pieces): Order[] => {
    const [first] = pieces;
    if (!first) return [];
    const invoice = invoiceOf(sellerOf(first.offer, catalogue), linesOf(pieces), { region, today: policy.today });
    return [
      {
        invoice,
        arrives: last(pieces.map(({ offer }) => arrivalOf(offer, policy.today))),
        items: pieces.map(({ need, offer }) => ({ item: need.item, offer })),
      },
    ];
  });
  orders.sort(
    (a, b) => b.invoice.landedMinor - a.invoice.landedMinor || (a.invoice.seller.id < b.invoice.seller.id ? -1 : 1),
  );
  return {
    orders,
    total: orders.reduce((sum, order) => addLanded(sum, order.invoice), NOTHING),
    afterRebateMinor: orders.reduce((sum, order) => sum + order.invoice.afterRebateMinor, 0),
    parcels: orders.reduce((sum, order) => sum + order.invoice.parcels, 0),
    arrives: last(orders.map((order) => order.arrives)),
    shippingUnknown: orders.some((order) => order.invoice.shippingUnknown),
  };
}

/**
 * The cheapest way to buy everything over all sellers: goods, bundles, the best coupon of each order, shipping with its
 * weight classes and thresholds, tax; within the policy's trust, dates, ceiling and parcels. Exact: a branch and bound
 * (`basketSearch.ts`) that ends when nothing cheaper can be left. Of equal purchases the one in fewer parcels, then the
 * one that is there earlier.
 */
export function basketOf(question: BasketQuestion): Basket {
  const { needs, catalogue, policy } = question;
  const choices = needs.map((need) => ({ need, offers: buyable(need.part, catalogue, policy) }));
  const wanted = choices.filter(({ offers }) => offers.length > 0);
  const unbought = choices
    .filter(({ offers }) => offers.length === 0)
    .map(({ need }): Unbought => ({
      item: need.item,
      part: need.part,
      refused: judged(need.part, catalogue, policy).flatMap(({ offer, whyNot }) => (whyNot ? [{ offer, whyNot }] : [])),
    }));
  const bought = wanted.map(({ need }) => need);
  const buy = (offers: readonly Offer[]) => purchaseOf(bought, offers, question);
  const all = wanted.map(({ need, offers }): Choice => ({ part: need.part, offers: offers.map(({ offer }) => offer) }));
  const naiveOffers = naiveChoice(all);
  const found = wanted.length > 0 ? cheapestSplit(all, question, naiveOffers) : undefined;
  const free =
    found?.offers || policy.parcels === undefined ? found : cheapestSplit(all, unlimited(question), naiveOffers);
  const best = free?.offers && buy(free.offers);
  const why = new Map(wanted.flatMap(({ offers }) => offers.map(({ offer, whyNot }) => [offer.id, whyNot] as const)));
  return {
    best,
    naive: naiveOffers && buy(naiveOffers),
    single: cheapestSingle(all, question, buy),
    byHand: [],
    unbought,
    despite: (best?.orders ?? []).flatMap((order) =>
      order.items.flatMap(({ item, offer }) => {
        const whyNot = why.get(offer.id);
        return whyNot ? [{ item, offer, whyNot }] : [];
      }),
    ),
    total: best?.total ?? NOTHING,
    afterRebateMinor: best?.afterRebateMinor ?? 0,
    // where the stock of those who sell it does not go far enough, nothing is bought, and nothing is no price
    lowerBound: unbought.length > 0 || (wanted.length > 0 && (best?.shippingUnknown ?? true)),
    proven: free?.proven ?? true,
    nodes: free?.nodes ?? 0,
    parcelsExceeded: found !== undefined && !found.offers && free !== found,
  };
}

const unlimited = (question: BasketQuestion): BasketQuestion => ({
  ...question,
  policy: { ...question.policy, parcels: undefined },
});

/** Each piece where its price alone is lowest, as far as stock goes; undefined when it does not go far enough. */
function naiveChoice(choices: readonly Choice[]): Offer[] | undefined {
  const taken = new Map<string, number>();
  const chosen: Offer[] = [];
  for (const { offers } of choices) {
    const offer = [...offers]
      .filter((candidate) => candidate.stock === undefined || (taken.get(candidate.id) ?? 0) < candidate.stock)
      .sort((a, b) => a.priceMinor - b.priceMinor || (a.id < b.id ? -1 : 1))[0];
    if (!offer) return undefined;
    taken.set(offer.id, (taken.get(offer.id) ?? 0) + 1);
    chosen.push(offer);
  }
  return chosen;
}

/** The best that one seller alone can do, when one has everything and keeps to the parcels. */
function cheapestSingle(
  choices: readonly Choice[],
  question: BasketQuestion,
  buy: (offers: readonly Offer[]) => Purchase,
): Purchase | undefined {
  const sellers = new Set(choices.flatMap(({ offers }) => offers.map((offer) => offer.seller)));
  const purchases = [...sellers].sort().flatMap((seller): Purchase[] => {
    const offers = naiveChoice(
      choices.map((choice) => ({ ...choice, offers: choice.offers.filter((offer) => offer.seller === seller) })),
    );
    return offers ? [buy(offers)] : [];
  });
  const limit = question.policy.parcels ?? Infinity;
  return purchases
    .filter((purchase) => purchase.parcels <= limit)
    .sort((a, b) => a.total.landedMinor - b.total.landedMinor)[0];
}

/** What each item comes to in a basket, landed. */
export const landedByItem = (basket: Basket): Map<string, number> =>
  sharedByItem(basket, ({ landedMinor }) => landedMinor);

/** An amount of each line of a basket by its items: equal pieces of one line share it. */
export function sharedByItem({ best, byHand }: Basket, amountOf: (landed: Landed) => number): Map<string, number> {
  const byItem = new Map(byHand.map(({ item, landed }) => [item, amountOf(landed)]));
  for (const { invoice, items } of best?.orders ?? [])
    for (const line of invoice.lines) {
      const pieces = items.filter(({ offer }) => offer.id === line.line.offer.id);
      const shares = shareOut(
        amountOf(line),
        pieces.map(() => 1),
      );
      pieces.forEach(({ item }, i) => byItem.set(item, shares[i] ?? 0));
    }
  return byItem;
}

/** What of a machine is bought, and what has a price by hand; what is owned is neither. */
function needsOf(parts: FittedParts, region: Region) {
  return {
    needs: parts.all.flatMap(({ item, part }): Need[] =>
      item.owned || item.handPrice ? [] : [{ item: item.id, part }],
    ),
    byHand: parts.all.flatMap(({ item }) =>
      item.handPrice && !item.owned
        ? [{ item: item.id, landed: landedPrice(item.handPrice.priceMinor, item.handPrice.shippingMinor, region) }]
        : [],
    ),
  };
}

/**
 * Whether every purchase is proven to come to more than so much, landed, in however many parcels: quicker than the cheapest
 * one. Not told where not everything is sold.
 */
export function isDearer(question: BasketQuestion, mostMinor: number): boolean {
  const { needs, catalogue, policy, maxNodes = MORE_NODES } = question;
  const choices = needs.map(({ part }): Choice => ({
    part,
    offers: buyable(part, catalogue, policy).map(({ offer }) => offer),
  }));
  if (choices.length === 0 || choices.some(({ offers }) => offers.length === 0)) return false;
  const any = { ...unlimited(question), maxNodes };
  const { offers, proven } = cheapestSplit(choices, any, naiveChoice(choices), mostMinor);
  return proven && !offers;
}
/** Places that are looked at for that; most are told at the first. */
const MORE_NODES = 2000;

/** The same of all that is bought for a machine. */
export function comesToMore(
  parts: FittedParts,
  mostMinor: number,
  market: Omit<BasketQuestion, 'needs' | 'maxNodes'>,
): boolean {
  const { needs, byHand } = needsOf(parts, market.region);
  const left = byHand.reduce((most, { landed }) => most - landed.landedMinor, mostMinor);
  return isDearer({ ...market, needs }, left);
}

/** The basket of a machine: what is owned is not bought, what has a price by hand is taken at that. */
export function basketOfMachine(
  parts: FittedParts,
  catalogue: Catalogue,
  region: Region,
  policy: BuyPolicy,
  maxNodes?: number,
): Basket {
  const { needs, byHand } = needsOf(parts, region);
  const basket = basketOf({ needs, catalogue, region, policy, ...(maxNodes === undefined ? {} : { maxNodes }) });
  const gone = parts.gone.map((item): Unbought => ({ item: item.id, part: undefined, refused: [] }));
  const hand = byHand.reduce((sum, entry) => addLanded(sum, entry.landed), NOTHING);
  return {
    ...basket,
    byHand,
    unbought: [...basket.unbought, ...gone],
    total: addLanded(basket.total, hand),
    afterRebateMinor: basket.afterRebateMinor + hand.landedMinor,
    lowerBound: basket.lowerBound || gone.length > 0,
  };
}
