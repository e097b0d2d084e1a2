import { z } from 'zod';
import { fullName } from '../model/fitted';
import { idText, isoDate, plainText } from '../parts/common';
import { PART_KINDS, type PartKind } from '../parts';
import { minorUnits } from '../units/bounds';
import { dayAfter } from '../units/days';
import type { Assessment } from '../assess';
import type { Offer } from '../model/offers';
import type { Purchases } from './costs';

/** A line of the purchase list. Amounts landed, minor units. */
export const orderLineSchema = z.strictObject({
  id: idText,
  seller: z.strictObject({ id: idText, name: plainText(60) }),
  part: idText,
  kind: z.enum(PART_KINDS as readonly [PartKind, ...PartKind[]]),
  name: plainText(200),
  count: z.number().int().min(1),
  /** Whose it is, where there are several. */
  seats: z.array(plainText(120)),
  link: z.url().optional(),
  /** Code to name with the order, and the set that it makes up. */
  coupon: z.string().optional(),
  bundle: z.string().optional(),
  expectedMinor: minorUnits(),
  /** The last day on which it is had at this price, or is there in time. */
  buyBy: isoDate.optional(),
  deliveryDays: z.number().int().optional(),
  returnDays: z.number().int().optional(),
  bought: z.strictObject({ on: isoDate, paidMinor: minorUnits() }).optional(),
  received: isoDate.optional(),
  back: z.strictObject({ on: isoDate, refundMinor: minorUnits().optional() }).optional(),
});
export type OrderLine = z.infer<typeof orderLineSchema>;
export const orderSchema = z.strictObject({
  lines: z.array(orderLineSchema),
  /** Parts that nobody sells. */
  unbought: z.array(plainText(200)),
});
export type Order = z.infer<typeof orderSchema>;

/**
 * The purchase list of machines as they are bought best: a line for each offer, its share of shipping in it.
 * @param seats whose each machine is, by its place
 */
export function orderOf(
  machines: readonly Assessment[],
  purchases: Purchases,
  seats: readonly (string | undefined)[],
): Order {
  const lines = purchases.baskets.flatMap(({ best }, basket) =>
    (best?.orders ?? []).flatMap(({ invoice, items }) =>
      invoice.lines.map(({ line: { offer, part, count }, landedMinor }): OrderLine => {
        const pieces = items.filter((each) => each.offer.id === offer.id);
        const whose = pieces.flatMap(({ item }) => {
          const machine = purchases.pieceOf(basket, item)?.machine;
          return machine === undefined ? [] : [machine];
        });
        const bundle = invoice.seller.bundles?.find(
          ({ id, parts }) => invoice.bundles.some((taken) => taken.id === id) && parts.includes(part.id),
        );
        return {
          id: `${basket}-${offer.id}`,
          seller: { id: invoice.seller.id, name: invoice.seller.name },
          part: part.id,
          kind: part.kind,
          name: fullName(part),
          count,
          seats: [...new Set(whose.flatMap((at) => seats[at] ?? []))],
          ...(offer.link === undefined ? {} : { link: offer.link }),
          ...(invoice.coupon === undefined ? {} : { coupon: invoice.coupon.id }),
          ...(bundle === undefined ? {} : { bundle: bundle.name }),
          expectedMinor: landedMinor,
          ...known('buyBy', lastDay(offer, invoice.seller, invoice.coupon?.id, machines[whose[0] ?? 0])),
          ...known('deliveryDays', offer.deliveryDays),
          ...known('returnDays', invoice.seller.returnDays),
        };
      }),
    ),
  );
  const byHand = purchases.baskets.flatMap(({ byHand: hand }, basket) =>
    hand.flatMap(({ item, landed }): OrderLine[] => {
      const piece = purchases.pieceOf(basket, item);
      const fitted = machines[piece?.machine ?? -1]?.facts.parts.all.find((each) => each.item.id === piece?.item);
      const seat = piece && seats[piece.machine];
      return fitted
        ? [
            {
              id: `hand-${piece?.machine ?? 0}-${fitted.item.id}`,
              seller: { id: 'by-hand', name: 'At the price by hand' },
              part: fitted.part.id,
              kind: fitted.part.kind,
              name: fullName(fitted.part),
              count: 1,
              seats: seat === undefined ? [] : [seat],
              expectedMinor: landed.landedMinor,
            },
          ]
        : [];
    }),
  );
  return {
    lines: [...lines, ...byHand],
    unbought: purchases.baskets.flatMap(({ unbought }) =>
      unbought.map(({ part, item }) => (part ? fullName(part) : item)),
    ),
  };
}

const known = <K extends string, V>(key: K, value: V | undefined) =>
  (value === undefined ? {} : { [key]: value }) as Partial<Record<K, V>>;

/** The first of the days on which the offer, the coupon or a rebate end, or after which it would come too late. */
function lastDay(
  offer: Offer,
  seller: { readonly coupons?: readonly { readonly id: string; readonly until: string }[] | undefined },
  coupon: string | undefined,
  machine: Assessment | undefined,
): string | undefined {
  const neededBy = machine?.facts.brief.neededBy;
  return [
    offer.until,
    offer.rebate?.until,
    seller.coupons?.find(({ id }) => id === coupon)?.until,
    neededBy !== undefined && offer.deliveryDays !== undefined ? dayAfter(neededBy, -offer.deliveryDays) : undefined,
  ]
    .filter((day) => day !== undefined)
    .sort()[0];
}

export type LineState = 'to-buy' | 'overdue' | 'ordered' | 'late' | 'there' | 'sent-back' | 'refunded';

/** Where a line stands on a day, and the next day that matters to it. */
export function lineState(
  line: OrderLine,
  today: string,
): { readonly state: LineState; readonly by: string | undefined } {
  const { bought, received, back, buyBy, deliveryDays, returnDays } = line;
  if (back) return { state: back.refundMinor === undefined ? 'sent-back' : 'refunded', by: undefined };
  if (received !== undefined)
    return { state: 'there', by: returnDays === undefined ? undefined : dayAfter(received, returnDays) };
  if (bought) {
    const due = deliveryDays === undefined ? undefined : dayAfter(bought.on, deliveryDays);
    return { state: due !== undefined && today > due ? 'late' : 'ordered', by: due };
  }
  return { state: buyBy !== undefined && today > buyBy ? 'overdue' : 'to-buy', by: buyBy };
}

/** What an order comes to: expected, paid so far, got back, and what it will be in all. */
export function orderTotals({ lines }: Order) {
  const sum = (of: (line: OrderLine) => number): number => lines.reduce((all, line) => all + of(line), 0);
  const expectedMinor = sum((line) => line.expectedMinor);
  const paidMinor = sum(({ bought }) => bought?.paidMinor ?? 0);
  const backMinor = sum(({ back }) => back?.refundMinor ?? 0);
  const openMinor = sum((line) => (line.bought ? 0 : line.expectedMinor));
  return { expectedMinor, paidMinor, backMinor, openMinor, totalMinor: paidMinor + openMinor - backMinor };
}

export const STAGES = ['bench', 'start', 'house', 'install'] as const;
export type Stage = (typeof STAGES)[number];

const WANTS: Readonly<Record<Stage, readonly PartKind[]>> = {
  bench: ['processor', 'board', 'memory', 'cooler'],
  start: ['processor', 'board', 'memory', 'cooler', 'supply', 'graphics'],
  house: ['processor', 'board', 'memory', 'cooler', 'supply', 'graphics', 'case', 'fan'],
  install: ['processor', 'board', 'memory', 'cooler', 'supply', 'graphics', 'drive'],
};

/** What can be begun with the parts that are there, and what each step still waits for. */
export function meanwhile(
  lines: readonly OrderLine[],
): { readonly stage: Stage; readonly waitsFor: readonly string[] }[] {
  return STAGES.map((stage) => ({
    stage,
    waitsFor: lines
      .filter(
        ({ kind, received, back }) => WANTS[stage].includes(kind) && (received === undefined || back !== undefined),
      )
      .map(({ name }) => name),
  }));
}
