import type { Catalogue } from '../model/catalogue';
import type { Part } from '../parts';
import type { OrderLine } from './invoice';
import type { Offer, Region } from '../model/offers';
import type { BuyPolicy } from './policy';

/** One piece that has to be bought. */
export interface Need {
  readonly item: string;
  readonly part: Part;
}

/** What a basket is computed from. */
export interface BasketQuestion {
  readonly needs: readonly Need[];
  readonly catalogue: Catalogue;
  readonly region: Region;
  readonly policy: BuyPolicy;
  /** Ends the search early with the best found. */
  readonly maxNodes?: number;
}

/** Pieces of one seller as lines of an order: equal ones together. */
export function linesOf(pieces: readonly { readonly need: Need; readonly offer: Offer }[]): OrderLine[] {
  const lines = new Map<string, { offer: Offer; part: Part; count: number }>();
  for (const { need, offer } of pieces) {
    const line = lines.get(offer.id);
    if (line) line.count++;
    else lines.set(offer.id, { offer, part: need.part, count: 1 });
  }
  return [...lines.values()];
}
