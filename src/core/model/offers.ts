import { listOf, minorUnits, pieces, piecesOrNone, tally, priceMinor } from '../units/bounds';
import { z } from 'zod';
import { PART_KINDS, type PartKind } from '../parts';
import { idText, isoDate, partIdSchema, plainText } from '../parts/common';
import { currencySchema } from '../units/money';

const minor = minorUnits();
const NO_PRICE = 'must be above 0: an unknown price is left out, not 0';
const price = priceMinor(NO_PRICE);
const percentText = z.string().regex(/^(100|\d{1,2})(\.\d{1,4})?$/, 'is not a percentage such as "7.5"');

/** Where money is spent: currency and sales tax, and whether prices there are quoted with it. */
export const regionSchema = z.strictObject({
  id: idText,
  name: plainText(60),
  currency: currencySchema,
  taxName: plainText(20),
  taxRate: z.number().min(0).max(1),
  pricesIncludeTax: z.boolean(),
  /** Whether tax is rounded on each line or once on the invoice; on the invoice when not stated. */
  taxRounding: z.enum(['line', 'invoice']).optional(),
  /** A coupon lowers what is taxed; so it does when not stated. */
  couponLowersTax: z.boolean().optional(),
  mainsV: z.union([z.literal(115), z.literal(230)]),
  /** What a usual socket's circuit is fused at. */
  circuitA: z.number().positive().max(63).optional(),
});
export type Region = z.infer<typeof regionSchema>;

/** What a seller charges for a parcel in a region, by what it weighs; as the region quotes prices. */
export const shippingTermsSchema = z.strictObject({
  region: idText,
  classes: z
    .array(z.strictObject({ upToKg: z.number().positive().max(1000), minor }))
    .min(1)
    .max(12)
    .refine(
      (classes) => classes.every((entry, i) => i === 0 || entry.upToKg > (classes[i - 1]?.upToKg ?? 0)),
      'must rise: each weight class reaches further than the one before it',
    ),
  /** Goods of this much, after reductions, are sent free of charge. */
  freeFromMinor: price.optional(),
});
export type ShippingTerms = z.infer<typeof shippingTermsSchema>;

/** A code that makes an order cheaper at once. One counts an order. */
export const couponSchema = z.strictObject({
  id: idText,
  region: idText,
  /** Off the goods it is for: a percentage as a decimal, or an amount. */
  percent: percentText.optional(),
  amountMinor: price.optional(),
  /** Goods it is for must come to this much. */
  fromMinor: price.optional(),
  /** Kinds of part that it is for; all when not stated. */
  kinds: listOf(z.enum(PART_KINDS as readonly [PartKind, ...PartKind[]]), PART_KINDS.length)
    .min(1)
    .optional(),
  from: isoDate.optional(),
  until: isoDate,
});
export type Coupon = z.infer<typeof couponSchema>;

/** Parts that are cheaper together in one order; each set once. */
export const bundleSchema = z.strictObject({
  id: idText,
  name: plainText(80),
  region: idText,
  parts: z.array(partIdSchema).min(2).max(6),
  reductionMinor: price,
  until: isoDate,
});
export type Bundle = z.infer<typeof bundleSchema>;

/** Seller of prices that were typed in: one's own word. */
export const BY_HAND = { id: 'by-hand', name: 'Entered by hand' } as const;

export const sellerSchema = z.strictObject({
  id: idText,
  name: plainText(60),
  ratings: tally().optional(),
  meanRating: z.number().min(1).max(5).optional(),
  /** Sells in somebody else's shop. */
  thirdParty: z.boolean().optional(),
  sellsSince: isoDate.optional(),
  returnDays: z.number().int().nonnegative().max(365).optional(),
  shipping: listOf(shippingTermsSchema, 40).optional(),
  coupons: z.array(couponSchema).max(100).optional(),
  bundles: z.array(bundleSchema).max(200).optional(),
});
export type Seller = z.infer<typeof sellerSchema>;

/** Money back by post after the purchase: counted apart, and only when its conditions hold. */
export const rebateSchema = z.strictObject({
  amountMinor: price,
  /** Bought by this day. */
  until: isoDate,
  /** Claims arrive by this day. */
  claimBy: isoDate.optional(),
  /** Pieces an order may claim for. */
  limit: pieces().optional(),
  conditions: plainText(200),
});

export const CONDITIONS = ['new', 'refurbished', 'used'] as const;

/** A price as the seller quotes it in that region (with or without tax as the region does). */
export const offerSchema = z
  .strictObject({
    id: idText,
    part: partIdSchema,
    seller: idText,
    region: idText,
    /** Above 0; 0 only where the offer says that it is free of charge. */
    priceMinor: minorUnits(NO_PRICE),
    /** Given away: a price of 0 that is meant. */
    free: z.boolean().optional(),
    /** Charged for each piece of this offer; without it the seller's terms for the region hold. */
    shippingMinor: minor.optional(),
    condition: z.enum(CONDITIONS),
    deliveryDays: piecesOrNone(3650).optional(),
    /** Pieces there are; unknown when not stated. */
    stock: tally().optional(),
    rebate: rebateSchema.optional(),
    /** What is left of a refurbished or used part. */
    warrantyLeftMonths: piecesOrNone(1200).optional(),
    wornPercent: z.number().min(0).max(100).optional(),
    /** The last day it holds. */
    until: isoDate.optional(),
    /** Where it is bought. */
    link: z
      .url({ protocol: /^https$/, error: 'is no address that begins with https://' })
      .max(400)
      .optional(),
    asOf: isoDate,
  })
  .superRefine(({ priceMinor, free }, context) => {
    if (priceMinor === 0 && free !== true)
      context.addIssue({
        code: 'custom',
        path: ['priceMinor'],
        message: `${NO_PRICE}; what is given away says that it is free`,
      });
    if (priceMinor > 0 && free === true)
      context.addIssue({ code: 'custom', path: ['free'], message: 'says free of charge beside a price above 0' });
  });
export type Offer = z.infer<typeof offerSchema>;

/** A price set by hand, as the region quotes prices; it counts until it is taken away. */
export const handPriceSchema = z.strictObject({
  priceMinor: price,
  shippingMinor: minor,
  reason: plainText(200),
  on: isoDate,
});

/** What was really paid for a part, tax and shipping in. */
export const paidSchema = z.strictObject({ landedMinor: price, on: isoDate, seller: plainText(60).optional() });
