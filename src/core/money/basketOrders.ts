import type { Piece, Shop, Way } from './basketShops';
import { invoiceOf } from './invoice';
import { linesOf, type BasketQuestion } from './needs';

/** What one seller's order comes to. */
interface Order {
  readonly landed: number;
  readonly parcels: number;
}
const NO_ORDER: Order = { landed: 0, parcels: 0 };

/** A way for each piece, with what all orders come to. */
export interface Found extends Order {
  readonly ways: readonly Way[];
  readonly days: number;
}

/** The cheaper; of equal ones that of fewer parcels, then the sooner. */
export const betterThan = (a: Found, b: Found | undefined): boolean =>
  !b ||
  a.landed < b.landed ||
  (a.landed === b.landed && (a.parcels < b.parcels || (a.parcels === b.parcels && a.days < b.days)));

const daysOf = (ways: readonly Way[]) => ways.reduce((most, way) => Math.max(most, way.offer.deliveryDays ?? 9999), 0);

export function withinStock(ways: readonly Way[]): boolean {
  const taken = new Map<string, number>();
  for (const { offer } of ways) if (offer.stock !== undefined) taken.set(offer.id, (taken.get(offer.id) ?? 0) + 1);
  return ways.every(({ offer }) => offer.stock === undefined || (taken.get(offer.id) ?? 0) <= offer.stock);
}

/** Orders by the invoice itself, each set of pieces at a shop invoiced once. */
export class Orders {
  private readonly known = new Map<string, Order>();

  constructor(
    private readonly pieces: readonly Piece[],
    private readonly shops: readonly Shop[],
    private readonly question: BasketQuestion,
  ) {}

  /** What these ways come to; undefined when they make more parcels than are wanted. */
  of(ways: readonly Way[]): Found | undefined {
    let landed = 0;
    let parcels = 0;
    for (let s = 0; s < this.shops.length; s++) {
      const order = this.at(s, ways);
      landed += order.landed;
      parcels += order.parcels;
    }
    return this.allows({ landed, parcels }) ? { ways: [...ways], landed, parcels, days: daysOf(ways) } : undefined;
  }

  /** Moves one piece at a time as long as that makes it cheaper: a good start makes the bound bite. */
  improved(start: Found): Found {
    let now = start;
    for (let moved = true; moved;) {
      moved = false;
      for (const [depth, piece] of this.pieces.entries())
        for (const way of piece.ways) {
          const found = this.moved(now, depth, way);
          if (!found || !betterThan(found, now)) continue;
          now = found;
          moved = true;
        }
    }
    return now;
  }

  /** The same with one piece bought another way; undefined when it is the same way, or may not be. */
  private moved(now: Found, depth: number, way: Way): Found | undefined {
    const old = now.ways[depth];
    if (!old || way === old) return undefined;
    const ways = now.ways.map((same, i) => (i === depth ? way : same));
    const touched = [...new Set([old.shop, way.shop])];
    const change = (of: 'landed' | 'parcels') =>
      touched.reduce((sum, shop) => sum + this.at(shop, ways)[of] - this.at(shop, now.ways)[of], 0);
    const found = {
      ways,
      landed: now.landed + change('landed'),
      parcels: now.parcels + change('parcels'),
      days: daysOf(ways),
    };
    return this.allows(found) && withinStock(ways) ? found : undefined;
  }

  private allows({ parcels }: Order): boolean {
    const { parcels: most } = this.question.policy;
    return most === undefined || parcels <= most;
  }

  private at(s: number, ways: readonly Way[]): Order {
    let key = `${s}`;
    let any = false;
    for (let depth = 0; depth < this.pieces.length; depth++) {
      const way = ways[depth];
      if (way?.shop !== s) continue;
      any = true;
      key += `:${depth}.${this.pieces[depth]?.ways.indexOf(way) ?? 0}`;
    }
    const seller = this.shops[s]?.seller;
    if (!any || !seller) return NO_ORDER;
    const known = this.known.get(key);
    if (known) return known;
    // in the order of the needs, as the purchase has them: where tax is rounded by line, a bundle's shares and with them the
    // total go by the order of the lines
    const bought = ways
      .flatMap((way, depth) => {
        const piece = this.pieces[depth];
        return way.shop === s && piece
          ? [{ at: piece.at, need: { item: '', part: piece.part }, offer: way.offer }]
          : [];
      })
      .sort((a, b) => a.at - b.at);
    const { region, policy } = this.question;
    const invoice = invoiceOf(seller, linesOf(bought), { region, today: policy.today });
    const order = { landed: invoice.landedMinor, parcels: invoice.parcels };
    this.known.set(key, order);
    return order;
  }
}
