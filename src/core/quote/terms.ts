import { z } from 'zod';
import { idText, isoDate, plainText } from '../parts/common';
import { PART_KINDS, type PartKind } from '../parts';
import { listOf, minorUnits, priceMinor } from '../units/bounds';

/** A percentage as a decimal, so that it is exact: "12.5". */
const percentText = z.string().regex(/^\d{1,3}(\.\d{1,4})?$/, 'is no percentage such as 12.5');
const taxRate = z.number().min(0).max(1);

/** Work that is charged: hours at a price, or one price for all of it; minor units before tax. */
export const labourSchema = z
  .strictObject({
    name: plainText(120),
    hours: z.number().min(0.1).max(10_000).optional(),
    hourMinor: priceMinor().optional(),
    flatMinor: priceMinor().optional(),
    /** Where work is taxed otherwise than goods. */
    taxRate: taxRate.optional(),
  })
  .superRefine(({ hours, hourMinor, flatMinor }, context) => {
    const byHour = hours !== undefined && hourMinor !== undefined;
    if (byHour === (flatMinor !== undefined) || (hours === undefined) !== (hourMinor === undefined))
      context.addIssue({
        code: 'custom',
        message: 'needs either hours with what an hour costs, or one price for all of it',
      });
  });

/** How parts become dearer: all alike, by kind, by part, or so that the client pays a total. */
export const marginSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('percent'), percent: percentText }),
  z.strictObject({
    by: z.literal('kind'),
    percent: percentText,
    kinds: z.partialRecord(z.enum(PART_KINDS as readonly [PartKind, ...PartKind[]]), percentText),
  }),
  z.strictObject({ by: z.literal('part'), percent: percentText, parts: z.record(idText, percentText) }),
  /** What the client pays in the end, tax in. */
  z.strictObject({ by: z.literal('total'), totalMinor: priceMinor() }),
]);
export type Margin = z.infer<typeof marginSchema>;

/** Somebody as a paper names them: lines of an address, and what the law wants beside. */
const partySchema = z.strictObject({
  name: plainText(120),
  address: listOf(plainText(120), 8).default([]),
  taxNumber: plainText(40).optional(),
  reach: plainText(120).optional(),
});

/** What a quote is made on. Amounts in minor units of the case's region. */
export const quoteTermsSchema = z.strictObject({
  number: plainText(40).default('1'),
  revision: z.number().int().min(1).max(999).default(1),
  from: partySchema,
  client: partySchema.optional(),
  labour: listOf(labourSchema, 40).default([]),
  margin: marginSchema.default({ by: 'percent', percent: '0' }),
  /** Taken off parts and work, before tax where prices are without it, else with it. */
  discount: z
    .union([
      z.strictObject({ name: plainText(80), percent: percentText }),
      z.strictObject({ name: plainText(80), amountMinor: priceMinor() }),
    ])
    .optional(),
  /** Sending the machine to the client, before tax. */
  shippingMinor: minorUnits().optional(),
  depositPercent: percentText.optional(),
  paymentDays: z.number().int().min(0).max(365).optional(),
  validDays: z.number().int().min(1).max(365).default(14),
  warrantyMonths: z.number().int().min(0).max(240).optional(),
  covers: plainText(400).optional(),
  /** Said plainly to be outside the price. */
  notIncluded: listOf(plainText(200), 20).default([]),
  /** Every part with its price, or the machine at one. */
  show: z.enum(['lines', 'one price']).default('lines'),
  on: isoDate.optional(),
});
export type QuoteTerms = z.infer<typeof quoteTermsSchema>;
