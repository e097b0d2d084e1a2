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
export const partySchema = z.strictObject({
  name: plainText(120),
  address: listOf(plainText(120), 8).default([]),
  taxNumber: plainText(40).optional(),
  reach: plainText(120).optional(),
});

/** Languages that papers are written in; numbers and dates follow. */
export const LOCALES = ['en', 'de'] as const;
export type Locale = (typeof LOCALES)[number];
export const SHEETS = ['A4', 'letter'] as const;

/**
 * A change that the client may ask for by a tick: a part in place of one that is there, one more, or one less. `machine` is
 * the draft that it changes, where a quote has several.
 */
export const optionSchema = z
  .strictObject({
    id: idText,
    name: plainText(120),
    machine: idText.optional(),
    /** What it changes or leaves out. */
    item: idText.optional(),
    /** What comes in. */
    part: idText.optional(),
    /** Other options without which it cannot be had, and with which it cannot be. */
    needs: listOf(idText, 12).optional(),
    not: listOf(idText, 12).optional(),
  })
  .refine(
    ({ item, part }) => item !== undefined || part !== undefined,
    'names neither a part to change nor one to add',
  );
export type QuoteOption = z.infer<typeof optionSchema>;

/** What a workshop usually offers, and each quote may do otherwise. */
const usual = {
  locale: z.enum(LOCALES).default('en'),
  sheet: z.enum(SHEETS).default('A4'),
  labour: listOf(labourSchema, 40).default([]),
  margin: marginSchema.default({ by: 'percent', percent: '0' }),
  /** Sending the machine to the client, before tax. */
  shippingMinor: minorUnits().optional(),
  depositPercent: percentText.optional(),
  paymentDays: z.number().int().min(0).max(365).optional(),
  validDays: z.number().int().min(1).max(365).default(14),
  warrantyMonths: z.number().int().min(0).max(240).optional(),
  covers: plainText(400).optional(),
  /** Days within which the machine may be sent back. */
  returnDays: z.number().int().min(0).max(365).optional(),
  /** Said plainly to be outside the price. */
  notIncluded: listOf(plainText(200), 20).default([]),
  /** Every part with its price, or the machine at one. */
  show: z.enum(['lines', 'one price']).default('lines'),
};

/** What a quote is made on. Amounts in minor units of the case's region. */
export const quoteTermsSchema = z.strictObject({
  number: plainText(40).default('1'),
  revision: z.number().int().min(1).max(999).default(1),
  from: partySchema,
  client: partySchema.optional(),
  ...usual,
  /** Taken off parts and work, before tax where prices are without it, else with it. */
  discount: z
    .union([
      z.strictObject({ name: plainText(80), percent: percentText }),
      z.strictObject({ name: plainText(80), amountMinor: priceMinor() }),
    ])
    .optional(),
  options: listOf(optionSchema, 12).default([]),
  on: isoDate.optional(),
});
export type QuoteTerms = z.infer<typeof quoteTermsSchema>;
export type Party = z.infer<typeof partySchema>;

const port = z.number().int().min(1024).max(65_535);

/** The workshop as its papers name it, its usual terms, and how it sends them. */
export const workshopSchema = z.strictObject({
  from: partySchema.optional(),
  ...usual,
  /** Where letters are handed over: a mail server of this machine, by its port. */
  mailPort: port.optional(),
  /** Pages on which clients answer: served only while this is on, on a port of this machine. */
  pages: z.strictObject({ on: z.boolean(), port }).default({ on: false, port: 4603 }),
});
export type Workshop = z.infer<typeof workshopSchema>;
export const usualWorkshop: Workshop = workshopSchema.parse({});

/** What a quote begins with: the workshop's usual terms, under its name. */
export function termsOf(
  { from, mailPort: _mail, pages: _pages, ...terms }: Workshop,
  given: { readonly number: string; readonly client?: Party },
): QuoteTerms {
  return quoteTermsSchema.parse({ ...terms, ...given, from: from ?? UNNAMED });
}
/** Stands in papers until the workshop has a name; nothing is sent under it. */
export const UNNAMED: Party = { name: 'Name of the workshop', address: [] };
