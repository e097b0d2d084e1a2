import type { Mode, Shop, Way } from './basketShops';

/** What is assigned to one shop so far. */
export interface Held {
  pieces: number;
  onTable: number;
  kg: number;
  goods: number;
}

/** A search as its bound sees it: the shops, the ways chosen for the first pieces, and what each shop has of them. */
export interface SoFar {
  readonly shops: readonly Shop[];
  readonly chosen: readonly Way[];
  readonly held: readonly Held[];
  /** Minor units by which rounding of invoices may make an order cheaper than its bound. */
  readonly slack: number;
}

/**
 * What the pieces that are left cost at least. It relaxes that each piece is bought exactly once: with a price λ on each
 * piece, every seller takes what gains most by itself, opening (its shipping, or the goods that its threshold or coupon
 * asks for, filled up by a fractional knapsack) or staying closed.
 * Source: Lagrangian relaxation of facility location (Geoffrion 1974; Held, Wolfe and Crowder 1974).
 */
export class BasketBound {
  /** How often each piece is taken in the relaxation, for the subgradient. */
  private readonly takes: Int32Array;
  private readonly force: number[] = [];
  private readonly loss: { ratio: number; at: number; cost: number }[] = [];

  constructor(
    private readonly count: number,
    private readonly so: SoFar,
  ) {
    this.takes = new Int32Array(count);
  }

  /** Bound for pieces from `depth` on at prices `lambda`; fills `takes` with how often each piece was taken. */
  bound(depth: number, lambda: Float64Array): number {
    this.takes.fill(0);
    let total = 0;
    for (let at = depth; at < this.count; at++) total += lambda[at] ?? 0;
    for (let s = 0; s < this.so.shops.length; s++) {
      const shop = this.so.shops[s];
      const has = this.so.held[s];
      if (!shop || !has) continue;
      let least = has.pieces > 0 ? Infinity : 0;
      let bestMode = -1;
      let bestFill = 0;
      for (let m = 0; m < shop.modes.length; m++) {
        const mode = shop.modes[m];
        if (!mode) continue;
        let cost = -mode.off;
        for (let at = 0; at < depth; at++) if (this.so.chosen[at]?.shop === s) cost += mode.least[at] ?? 0;
        let goods = has.goods;
        let taken = 0;
        for (let at = depth; at < this.count; at++) {
          const gain = (lambda[at] ?? 0) - (mode.least[at] ?? Infinity);
          if (gain <= 0) continue;
          cost -= gain;
          goods += shop.goods[at] ?? 0;
          taken++;
        }
        let fill = 0;
        if (mode.asks.length > 0) {
          const forced = this.asked(depth, s, mode, lambda);
          if (forced === Infinity) continue;
          cost += forced;
          for (const at of this.force) goods += shop.goods[at] ?? 0;
          taken += this.force.length;
        } else this.force.length = 0;
        if (goods < mode.from) {
          fill = this.filled(depth, shop, mode, lambda, mode.from - goods);
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
      this.force.length = 0;
      if (mode.asks.length > 0) this.asked(depth, s, mode, lambda);
      for (const at of this.force) this.takes[at] = (this.takes[at] ?? 0) + 1;
      for (let at = depth; at < this.count; at++)
        if ((lambda[at] ?? 0) > (mode.least[at] ?? Infinity)) this.takes[at] = (this.takes[at] ?? 0) + 1;
      if (bestFill > 0) {
        this.filled(depth, shop, mode, lambda, mode.from - has.goods - this.takenGoods(depth, shop, mode, lambda));
        for (const entry of this.loss) this.takes[entry.at] = (this.takes[entry.at] ?? 0) + 1;
      }
    }
    return total;
  }

  private takenGoods(depth: number, shop: Shop, mode: Mode, lambda: Float64Array): number {
    let goods = 0;
    for (let at = depth; at < this.count; at++)
      if ((lambda[at] ?? 0) > (mode.least[at] ?? Infinity) || this.force.includes(at)) goods += shop.goods[at] ?? 0;
    return goods;
  }

  /** Least loss of taking what the mode's bundles ask for beyond what gains; leaves the pieces in `force`. */
  private asked(depth: number, s: number, mode: Mode, lambda: Float64Array): number {
    this.force.length = 0;
    let cost = 0;
    for (const { places, count: wanted } of mode.asks) {
      let lacking = wanted;
      const more: number[] = [];
      for (const at of places) {
        if (at < depth) lacking -= this.so.chosen[at]?.shop === s ? 1 : 0;
        else if ((lambda[at] ?? 0) > (mode.least[at] ?? Infinity)) lacking--;
        else if ((mode.least[at] ?? Infinity) !== Infinity) more.push(at);
      }
      if (lacking > more.length) return Infinity;
      const loses = (at: number) => (mode.least[at] ?? 0) - (lambda[at] ?? 0);
      more.sort((a, b) => loses(a) - loses(b));
      for (const at of more.slice(0, Math.max(0, lacking))) {
        cost += loses(at);
        this.force.push(at);
      }
    }
    return cost;
  }

  /** Least loss of taking pieces that do not gain until the goods that are wanting are there; leaves them in `loss`. */
  private filled(depth: number, shop: Shop, mode: Mode, lambda: Float64Array, wanting: number): number {
    this.loss.length = 0;
    for (let at = depth; at < this.count; at++) {
      const cost = (mode.least[at] ?? Infinity) - (lambda[at] ?? 0);
      const goods = shop.goods[at] ?? 0;
      if (cost >= 0 && cost !== Infinity && goods > 0 && !this.force.includes(at))
        this.loss.push({ ratio: cost / goods, at, cost });
    }
    this.loss.sort((a, b) => a.ratio - b.ratio);
    let sum = 0;
    let left = wanting;
    for (let i = 0; i < this.loss.length; i++) {
      const entry = this.loss[i];
      if (!entry) break;
      const goods = shop.goods[entry.at] ?? 0;
      if (goods >= left) {
        this.loss.length = i + 1;
        return sum + entry.ratio * left;
      }
      sum += entry.cost;
      left -= goods;
    }
    return Infinity;
  }

  /** Betters the prices from `depth` on in place; ends when the bound says that nothing cheaper is left. */
  better(depth: number, lambda: Float64Array, steps: number, below: () => number | undefined): number {
    let strongest = this.bound(depth, lambda);
    let kept = lambda.slice();
    let pace = 1;
    let idle = 0;
    for (let step = 0; step < steps; step++) {
      const best = below();
      if (best === undefined || strongest - this.so.slack > best) break;
      let norm = 0;
      for (let at = depth; at < this.count; at++) norm += (1 - (this.takes[at] ?? 0)) ** 2;
      if (norm === 0) break;
      const length = (pace * Math.max(1, best + this.so.slack - strongest)) / norm;
      for (let at = depth; at < this.count; at++) lambda[at] = (lambda[at] ?? 0) + length * (1 - (this.takes[at] ?? 0));
      const now = this.bound(depth, lambda);
      if (now > strongest) {
        strongest = now;
        kept = lambda.slice();
        idle = 0;
      } else if (++idle >= 5) {
        pace /= 2;
        idle = 0;
        lambda.set(kept);
        this.bound(depth, lambda);
      }
    }
    lambda.set(kept);
    return strongest;
  }
}
