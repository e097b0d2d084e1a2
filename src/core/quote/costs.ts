import type { Assessment } from '../assess';
import type { PartKind } from '../parts';
import { fullName } from '../model/fitted';
import type { Basket } from '../money/basket';
import { shareOut, timesFigure } from '../units/money';
import type { QuoteTerms } from './terms';

/** A line of a quote before anything is earned by it. Amounts in minor units before tax. */
export interface CostLine {
  readonly what: 'part' | 'labour' | 'shipping';
  readonly name: string;
  readonly count: number;
  /** Of parts: the part and its kind. */
  readonly part: string | undefined;
  readonly kind: PartKind | undefined;
  /** What it costs the workshop, its share of the parcels in; undefined where nobody sells it. */
  readonly costMinor: number | undefined;
  readonly taxRate: number;
}

/** What each item costs before tax, carriage in: equal pieces of one line share it. */
function netByItem({ best, byHand }: Basket): Map<string, number> {
  const byItem = new Map(byHand.map(({ item, landed }) => [item, landed.netMinor + landed.shippingMinor]));
  for (const { invoice, items } of best?.orders ?? [])
    for (const line of invoice.lines) {
      const pieces = items.filter(({ offer }) => offer.id === line.line.offer.id);
      const shares = shareOut(
        line.netMinor + line.shippingMinor,
        pieces.map(() => 1),
      );
      pieces.forEach(({ item }, i) => byItem.set(item, shares[i] ?? 0));
    }
  return byItem;
}

/**
 * The lines of a machine as it is bought best, equal parts as one, then work and sending. What is owned is not sold again.
 * A workshop gets the tax back that it pays, or is not asked for it, so costs are before tax.
 */
export function costLines({ facts, region }: Assessment, basket: Basket, terms: QuoteTerms): CostLine[] {
  const net = netByItem(basket);
  const parts = new Map<string, CostLine>();
  for (const { item, part } of facts.parts.all) {
    if (item.owned === true) continue;
    const cost = net.get(item.id);
    const known = parts.get(part.id);
    parts.set(part.id, {
      what: 'part',
      name: fullName(part),
      count: (known?.count ?? 0) + 1,
      part: part.id,
      kind: part.kind,
      costMinor:
        cost === undefined || (known && known.costMinor === undefined) ? undefined : (known?.costMinor ?? 0) + cost,
      taxRate: region.taxRate,
    });
  }
  return [
    ...parts.values(),
    ...terms.labour.map(({ name, hours, hourMinor, flatMinor, taxRate }): CostLine => ({
      what: 'labour',
      name,
      count: 1,
      part: undefined,
      kind: undefined,
      costMinor: flatMinor ?? timesFigure(hourMinor ?? 0, hours ?? 0),
      taxRate: taxRate ?? region.taxRate,
    })),
    ...(terms.shippingMinor === undefined
      ? []
      : [
          {
            what: 'shipping' as const,
            name: 'Sending',
            count: 1,
            part: undefined,
            kind: undefined,
            costMinor: terms.shippingMinor,
            taxRate: region.taxRate,
          },
        ]),
  ];
}
