import type { Assessment } from '../assess';
import type { PartKind } from '../parts';
import { fullName } from '../model/fitted';
import { sharedByItem, type Basket } from '../money/basket';
import { timesFigure } from '../units/money';
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

/**
 * The lines of a machine as it is bought best, equal parts as one, then work and sending. What is owned is not sold again.
 * A workshop gets the tax back that it pays, or is not asked for it, so costs are before tax.
 */
export function costLines({ facts, region }: Assessment, basket: Basket, terms: QuoteTerms): CostLine[] {
  // carriage in
  const net = sharedByItem(basket, ({ netMinor, shippingMinor }) => netMinor + shippingMinor);
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
