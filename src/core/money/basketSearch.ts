import type { Part } from '../parts';
import type { BasketQuestion } from './needs';
import { BasketBound, type Held } from './basketBound';
import { betterThan, Orders, withinStock, type Found } from './basketOrders';
import { sellerOf } from './landed';
import type { Offer, Seller } from '../model/offers';
import { shopsOf, type Piece, type Way } from './basketShops';
import { shippingKg } from './parcels';

/** One piece with the offers it may be bought by. */
export interface Choice {
  readonly part: Part;
  readonly offers: readonly Offer[];
}

export interface Split {
  /** An offer a piece, in the order asked; undefined when nothing keeps to the parcels and the stock. */
  readonly offers: Offer[] | undefined;
  readonly proven: boolean;
  readonly nodes: number;
}

const MOST_NODES = 500_000;
/** Steps of the subgradient at the root, and at each node below it. */
const ROOT_STEPS = 160;
const NODE_STEPS = 4;

/**
 * Assigns every piece to an offer so that the sum of all invoices is least. Depth first over the pieces, dearest first.
 * The prices of the bound are found by the subgradient method at the root and bettered on the way down. Rounding may
 * shift each invoice by a unit (each line, where tax is rounded by line), which the bound allows for.
 */
export function cheapestSplit(
  choices: readonly Choice[],
  question: BasketQuestion,
  start: readonly Offer[] | undefined,
  /** Ends with the first split that comes to no more than this; without one when there is none. */
  within?: number,
): Split {
  const { region, policy } = question;
  const { sellers, pieces } = piecesOf(choices, question);
  const count = pieces.length;
  const shops = shopsOf(pieces, question, sellers);
  const slack = sellers.length + (region.taxRounding === 'line' ? count : 0);

  // what is assigned so far, by shop
  const chosen: Way[] = [];
  const held = shops.map((): Held => ({ pieces: 0, onTable: 0, kg: 0, goods: 0 }));
  const bound = new BasketBound(count, { shops, chosen, held, slack });
  const stock = new Map<string, number>();
  const orders = new Orders(pieces, shops, question);
  let nodes = 0;
  let proven = true;
  let best: Found | undefined;
  /** What comes to more is not wanted; undefined as long as anything is. */
  const limit = (): number | undefined => best?.landed ?? within;

  const put = (depth: number, way: Way, sign: 1 | -1): void => {
    const has = held[way.shop];
    if (!has) return;
    has.pieces += sign;
    has.onTable += way.kg > 0 ? sign : 0;
    has.kg += sign * way.kg;
    has.goods += sign * (shops[way.shop]?.goods[depth] ?? 0);
    stock.set(way.offer.id, (stock.get(way.offer.id) ?? 0) + sign);
    if (sign > 0) chosen.push(way);
    else chosen.pop();
  };

  function descend(depth: number, above: Float64Array): void {
    if (within !== undefined && best) return;
    if (nodes >= (question.maxNodes ?? MOST_NODES)) {
      proven = false;
      return;
    }
    nodes++;
    const piece = pieces[depth];
    if (!piece) {
      const found = orders.of(chosen);
      if (found && found.landed <= (limit() ?? Infinity) && betterThan(found, best)) best = found;
      return;
    }
    const lambda = above.slice();
    if (bound.better(depth, lambda, depth === 0 ? ROOT_STEPS : NODE_STEPS, limit) - slack > (limit() ?? Infinity))
      return;
    if (policy.parcels !== undefined && held.filter((has) => has.onTable > 0).length > policy.parcels) return;
    const twin = pieces[depth - 1]?.part === piece.part ? chosen[depth - 1] : undefined;
    const from = twin ? piece.ways.findIndex((way) => way.offer.id === twin.offer.id) : 0;
    const ways = piece.ways
      .slice(Math.max(0, from))
      .filter((way) => way.offer.stock === undefined || (stock.get(way.offer.id) ?? 0) < way.offer.stock)
      .map((way) => ({
        way,
        cost: way.least + ((held[way.shop]?.pieces ?? 0) > 0 ? 0 : (shops[way.shop]?.opening ?? 0)),
      }))
      .sort((a, b) => a.cost - b.cost || (a.way.offer.id < b.way.offer.id ? -1 : 1));
    for (const { way } of ways) {
      put(depth, way, 1);
      descend(depth + 1, lambda);
      put(depth, way, -1);
    }
  }

  const starts = [
    pieces.flatMap((piece) => piece.ways.filter((way) => way.offer.id === start?.[piece.at]?.id).slice(0, 1)),
    ...shops.map((_, shop) => pieces.flatMap((piece) => piece.ways.filter((way) => way.shop === shop).slice(0, 1))),
  ]
    .filter((ways) => ways.length === count && withinStock(ways))
    .flatMap((ways) => orders.of(ways) ?? [])
    .sort((a, b) => a.landed - b.landed);
  // one good start is enough: a second costs more invoices than the nodes that it saves
  const [first] = starts;
  if (first && first.landed <= (limit() ?? Infinity)) best = within === undefined ? orders.improved(first) : first;
  descend(
    0,
    Float64Array.from(pieces, ({ ways }) => ways[1]?.least ?? ways[0]?.least ?? 0),
  );
  if (!best) return { offers: undefined, proven, nodes };
  const offers: Offer[] = [];
  best.ways.forEach((way, depth) => {
    const at = pieces[depth]?.at;
    if (at !== undefined) offers[at] = way.offer;
  });
  return { offers, proven, nodes };
}

/** The sellers that are asked, by id, and the pieces with their ways, the dearest first: they decide which sellers are open. */
function piecesOf(
  choices: readonly Choice[],
  { catalogue, region }: BasketQuestion,
): { sellers: Seller[]; pieces: Piece[] } {
  const taxed = region.pricesIncludeTax ? 1 : 1 + region.taxRate;
  const firstOf = new Map(choices.flatMap(({ offers }) => offers.map((offer) => [offer.seller, offer] as const)));
  const sellers = [...firstOf].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, offer]) => sellerOf(offer, catalogue));
  const shopAt = new Map(sellers.map(({ id }, i) => [id, i]));
  // equal parts stand together, so that their order can be fixed
  const pieces = choices
    .map(({ part, offers }, at): Piece => ({
      at,
      part,
      ways: offers
        .map((offer): Way => ({
          offer,
          shop: shopAt.get(offer.seller) ?? 0,
          least: (offer.priceMinor + (offer.shippingMinor ?? 0)) * taxed,
          kg: offer.shippingMinor === undefined ? shippingKg(part).kg : 0,
        }))
        .sort((a, b) => a.least - b.least || (a.offer.id < b.offer.id ? -1 : 1)),
    }))
    .sort(
      (a, b) =>
        (b.ways[0]?.least ?? 0) - (a.ways[0]?.least ?? 0) ||
        (a.part.id < b.part.id ? -1 : a.part.id > b.part.id ? 1 : a.at - b.at),
    );
  return { sellers, pieces };
}
