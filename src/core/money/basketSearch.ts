import type { Part } from '../parts';
import { invoiceOf } from './invoice';
import { linesOf, type BasketQuestion } from './needs';
import { sellerOf } from './landed';
import type { Offer } from '../model/offers';
import { shopsOf, type Mode, type Piece, type Shop, type Way } from './basketShops';
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

/** What one seller's order comes to. */
interface Order {
  readonly landed: number;
  readonly parcels: number;
}
const NO_ORDER: Order = { landed: 0, parcels: 0 };

interface Found extends Order {
  readonly ways: readonly Way[];
  readonly days: number;
}

const MOST_NODES = 500_000;
/** Steps of the subgradient at the root, and at each node below it. */
const ROOT_STEPS = 160;
const NODE_STEPS = 4;

/**
 * Assigns every piece to an offer so that the sum of all invoices is least. Depth first over the pieces, dearest first.
 * The bound relaxes that each piece is bought exactly once: with a price λ on each piece, every seller takes what gains
 * most by itself, opening (its shipping, or the goods that its threshold or coupon asks for, filled up by a fractional
 * knapsack) or staying closed. The prices are found by the subgradient method at the root and bettered on the way down.
 * Rounding may shift each invoice by a unit (each line, where tax is rounded by line), which the bound allows for.
 * Source: Lagrangian relaxation of facility location (Geoffrion 1974; Held, Wolfe and Crowder 1974).
 */
export function cheapestSplit(
  choices: readonly Choice[],
  question: BasketQuestion,
  start: readonly Offer[] | undefined,
): Split {
  const { catalogue, region, policy } = question;
  const taxed = region.pricesIncludeTax ? 1 : 1 + region.taxRate;
  const firstOf = new Map(choices.flatMap(({ offers }) => offers.map((offer) => [offer.seller, offer] as const)));
  const sellers = [...firstOf].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, offer]) => sellerOf(offer, catalogue));
  const shopAt = new Map(sellers.map(({ id }, i) => [id, i]));
  // the dearest first: they decide which sellers are open; equal parts together, so that their order can be fixed
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
  const count = pieces.length;
  const shops = shopsOf(pieces, question, sellers);
  const slack = sellers.length + (region.taxRounding === 'line' ? count : 0);

  // what is assigned so far, by shop
  const chosen: Way[] = [];
  const held = shops.map(() => ({ pieces: 0, onTable: 0, kg: 0, goods: 0 }));
  const stock = new Map<string, number>();
  const invoices = new Map<string, Order>();
  let nodes = 0;
  let proven = true;
  let best: Found | undefined;

  /** Pieces that each shop takes in the relaxation, for the subgradient. */
  const takes = new Int32Array(count);
  const force: number[] = [];
  const loss: { ratio: number; at: number; cost: number }[] = [];

  /** Bound for pieces from `depth` on at prices `lambda`; fills `takes` with how often each piece was taken. */
  function bound(depth: number, lambda: Float64Array): number {
    takes.fill(0);
    let total = 0;
    for (let at = depth; at < count; at++) total += lambda[at] ?? 0;
    for (let s = 0; s < shops.length; s++) {
      const shop = shops[s];
      const has = held[s];
      if (!shop || !has) continue;
      let least = has.pieces > 0 ? Infinity : 0;
      let bestMode = -1;
      let bestFill = 0;
      for (let m = 0; m < shop.modes.length; m++) {
        const mode = shop.modes[m];
        if (!mode) continue;
        let cost = -mode.off;
        for (let at = 0; at < depth; at++) if (chosen[at]?.shop === s) cost += mode.least[at] ?? 0;
        let goods = has.goods;
        let taken = 0;
        for (let at = depth; at < count; at++) {
          const gain = (lambda[at] ?? 0) - (mode.least[at] ?? Infinity);
          if (gain <= 0) continue;
          cost -= gain;
          goods += shop.goods[at] ?? 0;
          taken++;
        }
        let fill = 0;
        if (mode.asks.length > 0) {
          const forced = asked(depth, s, mode, lambda);
          if (forced === Infinity) continue;
          cost += forced;
          for (const at of force) goods += shop.goods[at] ?? 0;
          taken += force.length;
        } else force.length = 0;
        if (goods < mode.from) {
          fill = filled(depth, shop, mode, lambda, mode.from - goods);
          if (fill === Infinity) continue;
          cost += fill;
        } else if (taken === 0 && has.pieces === 0) continue;
        if (!mode.free) cost += has.onTable > 0 ? shop.carriage(has.kg) : shop.opening;
        if (cost < least) {
          least = cost;
          bestMode = m;
          bestFill = fill;
        }
      }
      if (least === Infinity) return Infinity;
      total += least;
      const mode = shop.modes[bestMode];
      if (!mode) continue;
      force.length = 0;
      if (mode.asks.length > 0) asked(depth, s, mode, lambda);
      for (const at of force) takes[at] = (takes[at] ?? 0) + 1;
      for (let at = depth; at < count; at++)
        if ((lambda[at] ?? 0) > (mode.least[at] ?? Infinity)) takes[at] = (takes[at] ?? 0) + 1;
      if (bestFill > 0) {
        filled(depth, shop, mode, lambda, mode.from - has.goods - takenGoods(depth, shop, mode, lambda));
        for (const entry of loss) takes[entry.at] = (takes[entry.at] ?? 0) + 1;
      }
    }
    return total;
  }

  function takenGoods(depth: number, shop: Shop, mode: Mode, lambda: Float64Array): number {
    let goods = 0;
    for (let at = depth; at < count; at++)
      if ((lambda[at] ?? 0) > (mode.least[at] ?? Infinity) || force.includes(at)) goods += shop.goods[at] ?? 0;
    return goods;
  }

  /** Least loss of taking what the mode's bundles ask for beyond what gains; leaves the pieces in `force`. */
  function asked(depth: number, s: number, mode: Mode, lambda: Float64Array): number {
    force.length = 0;
    let cost = 0;
    for (const { places, count: wanted } of mode.asks) {
      let lacking = wanted;
      const more: number[] = [];
      for (const at of places) {
        if (at < depth) lacking -= chosen[at]?.shop === s ? 1 : 0;
        else if ((lambda[at] ?? 0) > (mode.least[at] ?? Infinity)) lacking--;
        else if ((mode.least[at] ?? Infinity) !== Infinity) more.push(at);
      }
      if (lacking > more.length) return Infinity;
      const loses = (at: number) => (mode.least[at] ?? 0) - (lambda[at] ?? 0);
      more.sort((a, b) => loses(a) - loses(b));
      for (const at of more.slice(0, Math.max(0, lacking))) {
        cost += loses(at);
        force.push(at);
      }
    }
    return cost;
  }

  /** Least loss of taking pieces that do not gain until the goods that are wanting are there; leaves them in `loss`. */
  function filled(depth: number, shop: Shop, mode: Mode, lambda: Float64Array, wanting: number): number {
    loss.length = 0;
    for (let at = depth; at < count; at++) {
      const cost = (mode.least[at] ?? Infinity) - (lambda[at] ?? 0);
      const goods = shop.goods[at] ?? 0;
      if (cost >= 0 && cost !== Infinity && goods > 0 && !force.includes(at))
        loss.push({ ratio: cost / goods, at, cost });
    }
    loss.sort((a, b) => a.ratio - b.ratio);
    let sum = 0;
    let left = wanting;
    for (let i = 0; i < loss.length; i++) {
      const entry = loss[i];
      if (!entry) break;
      const goods = shop.goods[entry.at] ?? 0;
      if (goods >= left) {
        loss.length = i + 1;
        return sum + entry.ratio * left;
      }
      sum += entry.cost;
      left -= goods;
    }
    return Infinity;
  }

  /** Betters the prices from `depth` on in place; ends when the bound says that nothing cheaper is left. */
  function better(depth: number, lambda: Float64Array, steps: number): number {
    let strongest = bound(depth, lambda);
    let kept = lambda.slice();
    let pace = 1;
    let idle = 0;
    for (let step = 0; step < steps; step++) {
      if (!best || strongest - slack > best.landed) break;
      let norm = 0;
      for (let at = depth; at < count; at++) norm += (1 - (takes[at] ?? 0)) ** 2;
      if (norm === 0) break;
      const length = (pace * Math.max(1, best.landed + slack - strongest)) / norm;
      for (let at = depth; at < count; at++) lambda[at] = (lambda[at] ?? 0) + length * (1 - (takes[at] ?? 0));
      const now = bound(depth, lambda);
      if (now > strongest) {
        strongest = now;
        kept = lambda.slice();
        idle = 0;
      } else if (++idle >= 5) {
        pace /= 2;
        idle = 0;
        lambda.set(kept);
        bound(depth, lambda);
      }
    }
    lambda.set(kept);
    return strongest;
  }

  /** What the order at one shop comes to; computed once for each set of pieces. */
  function orderAt(s: number, ways: readonly Way[]): Order {
    let key = `${s}`;
    let any = false;
    for (let depth = 0; depth < count; depth++) {
      const way = ways[depth];
      if (way?.shop !== s) continue;
      any = true;
      key += `:${depth}.${pieces[depth]?.ways.indexOf(way) ?? 0}`;
    }
    const seller = shops[s]?.seller;
    if (!any || !seller) return NO_ORDER;
    const known = invoices.get(key);
    if (known) return known;
    const bought = ways.flatMap((way, depth) => {
      const part = pieces[depth]?.part;
      return way.shop === s && part ? [{ need: { item: '', part }, offer: way.offer }] : [];
    });
    const invoice = invoiceOf(seller, linesOf(bought), { region, today: policy.today });
    const order = { landed: invoice.landedMinor, parcels: invoice.parcels };
    invoices.set(key, order);
    return order;
  }

  const daysOf = (ways: readonly Way[]) =>
    ways.reduce((most, way) => Math.max(most, way.offer.deliveryDays ?? 9999), 0);
  const allowed = ({ parcels }: Order): boolean => policy.parcels === undefined || parcels <= policy.parcels;

  function priceOf(ways: readonly Way[]): Found | undefined {
    let landed = 0;
    let parcels = 0;
    for (let s = 0; s < shops.length; s++) {
      const order = orderAt(s, ways);
      landed += order.landed;
      parcels += order.parcels;
    }
    return allowed({ landed, parcels }) ? { ways: [...ways], landed, parcels, days: daysOf(ways) } : undefined;
  }

  const betterThan = (a: Found, b: Found | undefined): boolean =>
    !b ||
    a.landed < b.landed ||
    (a.landed === b.landed && (a.parcels < b.parcels || (a.parcels === b.parcels && a.days < b.days)));

  /** Moves one piece at a time as long as that makes it cheaper: a good start makes the bound bite. */
  function descendFrom(start: Found): void {
    let now = start;
    if (betterThan(now, best)) best = now;
    for (let moved = true; moved;) {
      moved = false;
      for (const [depth, piece] of pieces.entries())
        for (const way of piece.ways) {
          const old = now.ways[depth];
          if (!old || way === old) continue;
          const ways = now.ways.map((same, i) => (i === depth ? way : same));
          const touched = [...new Set([old.shop, way.shop])];
          const change = (of: 'landed' | 'parcels') =>
            touched.reduce((sum, shop) => sum + orderAt(shop, ways)[of] - orderAt(shop, now.ways)[of], 0);
          const found = {
            ways,
            landed: now.landed + change('landed'),
            parcels: now.parcels + change('parcels'),
            days: daysOf(ways),
          };
          if (!allowed(found) || !withinStock(ways) || !betterThan(found, now)) continue;
          now = found;
          moved = true;
        }
      if (betterThan(now, best)) best = now;
    }
  }

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
    if (nodes >= (question.maxNodes ?? MOST_NODES)) {
      proven = false;
      return;
    }
    nodes++;
    const piece = pieces[depth];
    if (!piece) {
      const found = priceOf(chosen);
      if (found && betterThan(found, best)) best = found;
      return;
    }
    const lambda = above.slice();
    if (better(depth, lambda, depth === 0 ? ROOT_STEPS : NODE_STEPS) - slack > (best?.landed ?? Infinity)) return;
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
    .flatMap((ways) => priceOf(ways) ?? [])
    .sort((a, b) => a.landed - b.landed);
  // one good start is enough: a second costs more invoices than the nodes that it saves
  if (starts[0]) descendFrom(starts[0]);
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

function withinStock(ways: readonly Way[]): boolean {
  const taken = new Map<string, number>();
  for (const { offer } of ways) if (offer.stock !== undefined) taken.set(offer.id, (taken.get(offer.id) ?? 0) + 1);
  return ways.every(({ offer }) => offer.stock === undefined || (taken.get(offer.id) ?? 0) <= offer.stock);
}
