import type { Assessment } from '../assess';
import { fullName } from '../model/fitted';
import { sharedByItem, type Basket } from '../money/basket';
import type { PartKind } from '../parts';
import { timesFigure } from '../units/money';
import { basketFor, type WholeBasket } from '../versus/basketFor';
import { jointBaskets } from '../versus/boughtTogether';
import type { QuoteTerms } from './terms';

/** A line of a quote before anything is earned by it. Amounts in minor units before tax. */
export interface CostLine {
  readonly what: 'part' | 'labour' | 'shipping';
  /** Index of the machine that it is for; undefined of what is for all. */
  readonly machine: number | undefined;
  readonly name: string;
  readonly count: number;
  /** Of parts: the part and its kind. */
  readonly part: string | undefined;
  readonly kind: PartKind | undefined;
  /** What it costs the workshop, its share of the parcels in; undefined where nobody sells it. */
  readonly costMinor: number | undefined;
  readonly taxRate: number;
}

/** How machines are bought: the baskets, and what a piece of one of them costs before tax. */
export interface Purchases {
  readonly baskets: readonly Basket[];
  readonly costOf: (machine: number, item: string) => number | undefined;
  /** Each machine's own, with what it lacks. */
  readonly own: readonly WholeBasket[];
  /** Bought in one basket, where the sellers have enough for that. */
  readonly joint: boolean;
  /** The machine and item of a piece of a basket, by the basket's place and the piece's name in it. */
  readonly pieceOf: (basket: number, name: string) => { readonly machine: number; readonly item: string } | undefined;
}

/** A workshop gets the tax back that it pays, or is not asked for it, so costs are before tax. */
const beforeTax = (basket: Basket): Map<string, number> =>
  sharedByItem(basket, ({ netMinor, shippingMinor }) => netMinor + shippingMinor);

/** One machine in its basket, several in one basket together. */
export function purchasesOf(machines: readonly Assessment[]): Purchases {
  const own = machines.map((machine) => basketFor(machine));
  const joint = machines.length > 1 ? jointBaskets(machines) : undefined;
  if (joint) {
    const costs = new Map(joint.baskets.flatMap((basket) => [...beforeTax(basket)]));
    return {
      baskets: joint.baskets,
      costOf: (machine, item) => costs.get(`${machine} ${item}`),
      own,
      joint: true,
      pieceOf: (_basket, name) => joint.pieces.get(name),
    };
  }
  const costs = own.map(beforeTax);
  return {
    baskets: own,
    costOf: (machine, item) => costs[machine]?.get(item),
    own,
    joint: false,
    pieceOf: (basket, item) => ({ machine: basket, item }),
  };
}

/** The lines of machines, equal parts of one as one, then work and sending. What is owned is not sold again. */
export function costLines(
  machines: readonly Assessment[],
  costOf: Purchases['costOf'],
  terms: Pick<QuoteTerms, 'labour' | 'shippingMinor'>,
): CostLine[] {
  const usual = machines[0]?.region.taxRate ?? 0;
  const beside = (what: 'labour' | 'shipping', name: string, costMinor: number, taxRate = usual): CostLine => ({
    what,
    machine: undefined,
    name,
    count: 1,
    part: undefined,
    kind: undefined,
    costMinor,
    taxRate,
  });
  return [
    ...machines.flatMap((machine, at) => partLines(machine, at, costOf)),
    ...terms.labour.map(({ name, hours, hourMinor, flatMinor, taxRate }) =>
      beside('labour', name, flatMinor ?? timesFigure(hourMinor ?? 0, hours ?? 0), taxRate),
    ),
    ...(terms.shippingMinor === undefined ? [] : [beside('shipping', 'Sending', terms.shippingMinor)]),
  ];
}

function partLines({ facts, region }: Assessment, machine: number, costOf: Purchases['costOf']): CostLine[] {
  const lines = new Map<string, CostLine>();
  for (const { item, part } of facts.parts.all) {
    if (item.owned === true) continue;
    const cost = costOf(machine, item.id);
    const known = lines.get(part.id);
    lines.set(part.id, {
      what: 'part',
      machine,
      name: fullName(part),
      count: (known?.count ?? 0) + 1,
      part: part.id,
      kind: part.kind,
      costMinor:
        cost === undefined || (known && known.costMinor === undefined) ? undefined : (known?.costMinor ?? 0) + cost,
      taxRate: region.taxRate,
    });
  }
  return [...lines.values()];
}
