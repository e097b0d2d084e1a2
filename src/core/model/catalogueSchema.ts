import { z } from 'zod';
import { offerSchema, regionSchema, sellerSchema, type Offer, type Region, type Seller } from './offers';
import { plainText } from '../parts/common';
import { partSchema } from '../parts';
import { applicationSchema } from './applications';
import { rivalSchema } from './rivals';

export type { Offer, Region, Seller };

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

/** What a catalogue is compiled from; the file without its envelope. */
export type CatalogueData = Pick<CatalogueFile, 'regions' | 'sellers' | 'applications' | 'parts' | 'offers' | 'rivals'>;
