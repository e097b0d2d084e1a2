import { z } from 'zod';
import { currencySchema } from '../units/money';
import { idText, isoDate, partIdSchema, plainText } from '../parts/common';
import { partSchema } from '../parts';
import { applicationSchema } from '../work/applications';
import { rivalSchema } from '../money/rivalSchema';

/** Where money is spent: currency and sales tax, and whether prices there are quoted with it. */
export const regionSchema = z.strictObject({
  id: idText,
  name: plainText(60),
  currency: currencySchema,
  taxName: plainText(20),
  taxRate: z.number().min(0).max(1),
  pricesIncludeTax: z.boolean(),
  mainsV: z.union([z.literal(115), z.literal(230)]),
  /** What a usual socket's circuit is fused at. */
  circuitA: z.number().positive().max(63).optional(),
});
export type Region = z.infer<typeof regionSchema>;

export const sellerSchema = z.strictObject({
  id: idText,
  name: plainText(60),
  ratings: z.number().int().nonnegative().optional(),
  meanRating: z.number().min(1).max(5).optional(),
});
export type Seller = z.infer<typeof sellerSchema>;

/** A price as the seller quotes it in that region (with or without tax as the region does). */
export const offerSchema = z.strictObject({
  id: idText,
  part: partIdSchema,
  seller: idText,
  region: idText,
  priceMinor: z.number().int().positive('must be above 0: an unknown price is left out, not 0'),
  shippingMinor: z.number().int().nonnegative(),
  condition: z.enum(['new', 'refurbished', 'used']),
  deliveryDays: z.number().int().nonnegative().optional(),
  asOf: isoDate,
});
export type Offer = z.infer<typeof offerSchema>;

export const CATALOGUE_FORMAT = 'vane-catalogue';

/** An open catalogue file: parts, offers and what they refer to. */
export const catalogueSchema = z.strictObject({
  format: z.literal(CATALOGUE_FORMAT),
  version: z.literal(1),
  name: plainText(80),
  regions: z.array(regionSchema),
  sellers: z.array(sellerSchema),
  applications: z.array(applicationSchema),
  parts: z.array(partSchema),
  offers: z.array(offerSchema),
  rivals: z.array(rivalSchema),
});
export type CatalogueFile = z.infer<typeof catalogueSchema>;
export type CatalogueFileInput = z.input<typeof catalogueSchema>;

/** What a catalogue is compiled from; the file without its envelope. */
export type CatalogueData = Pick<CatalogueFile, 'regions' | 'sellers' | 'applications' | 'parts' | 'offers' | 'rivals'>;
