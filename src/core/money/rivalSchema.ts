import { z } from 'zod';
import { idText, isoDate, plainText } from '../parts/common';
import { machineSchema } from '../machine';

/** What the maker charges for the machine in a region, as that region quotes prices. */
export const rivalOfferSchema = z.strictObject({
  region: idText,
  priceMinor: z.number().int().positive(),
  shippingMinor: z.number().int().nonnegative(),
  asOf: isoDate,
});

/** A branded machine in one configuration. Unpublished parts carry `standsInFor` on their item. */
export const rivalSchema = z.strictObject({
  id: idText,
  maker: plainText(60),
  name: plainText(80),
  machine: machineSchema,
  offers: z.array(rivalOfferSchema).min(1),
  warrantyMonths: z.number().int().positive(),
  onSite: z.boolean(),
  notes: z.array(plainText(200)),
});
export type RivalModel = z.infer<typeof rivalSchema>;
