import { z } from 'zod';
import { watchSchema } from '../money/watch';
import { idText, isoDate } from '../parts/common';
import { answerSchema, revisionSpecSchema, sentSchema } from '../quote/kept';
import { orderSchema } from '../quote/order';
import { listOf } from '../units/bounds';
import { currencySchema } from '../units/money';
import { seenSchema } from '../versus/standing';
import { priceSourceSchema } from './feed/source';

/** Prices of an offer by day: days from 1970-01-01, each with its price in minor units; null where it could not be bought. */
export const pointsSchema = z
  .strictObject({
    offer: z.string().min(1).max(300),
    days: listOf(z.number().int().min(0).max(100_000), 40_000),
    minors: listOf(
      z
        .number()
        .int()
        .min(1)
        .max(2 ** 31 - 1)
        .nullable(),
      40_000,
    ),
  })
  .refine(({ days, minors }) => days.length === minors.length, 'has not as many prices as days');

export const dayRateSchema = z.strictObject({
  base: currencySchema,
  quote: currencySchema,
  day: isoDate,
  rate: z.string().regex(/^\d{1,6}(\.\d{1,8})?$/, 'is no rate such as "0.92"'),
});

/** How a draft stood when somebody marked it as seen. */
export const markSchema = z.strictObject({ seat: idText, draft: z.string().min(1).max(200), seen: seenSchema });

/** A quote with its revisions, as they went out and were answered. Addresses of pages stay where they are served. */
export const quoteFileSchema = z.strictObject({
  id: z.string().min(1).max(200),
  project: z.string().min(1).max(200),
  number: z.string().min(1).max(40),
  madeOn: isoDate,
  revisions: listOf(
    z.strictObject({
      revision: z.number().int().min(1),
      version: z.number().int().min(1),
      spec: revisionSpecSchema,
      sent: sentSchema.optional(),
      answer: answerSchema.optional(),
      order: orderSchema.optional(),
    }),
    999,
  ),
});

/** What belongs to a project beside its seats and parts. An archive adds of it what is not there; it overwrites nothing. */
export const AROUND_LISTS = ['points', 'sources', 'watches', 'rates', 'marks', 'quotes'] as const;
export type AroundList = (typeof AROUND_LISTS)[number];
export const aroundSchemas = {
  points: pointsSchema,
  sources: priceSourceSchema,
  watches: watchSchema,
  rates: dayRateSchema,
  marks: markSchema,
  quotes: quoteFileSchema,
} as const;
export type Around = { readonly [L in AroundList]: readonly z.infer<(typeof aroundSchemas)[L]>[] };

/** What tells an entry of a list from the others. */
export function aroundKey(list: AroundList, entry: object): string {
  const of = entry as Record<string, unknown>;
  switch (list) {
    case 'points':
      return String(of['offer']);
    case 'rates':
      return `${String(of['base'])} ${String(of['quote'])} ${String(of['day'])}`;
    case 'marks':
      return `${String(of['seat'])} ${String(of['draft'])}`;
    default:
      return String(of['id']);
  }
}
