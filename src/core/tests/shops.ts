import { compileCatalogue, type Catalogue } from '../model/catalogue';
import type { Offer, Region, Seller } from '../model/offers';
import { buyPolicy, type BuyPolicy } from '../money/policy';
import { type Part, partSchema } from '../parts';
import { usualSettings } from '../model/settings';
import { briefOf, REGION } from './world';

/** Shops and offers for tests of prices, said as shortly as they can be. */
export const TODAY = '2026-05-18';
export const NET: Region = REGION;
/** Prices with 21 % inside them. */
export const GROSS: Region = {
  ...REGION,
  id: 'there',
  name: 'There',
  currency: 'EUR',
  taxName: 'VAT',
  taxRate: 0.21,
  pricesIncludeTax: true,
  mainsV: 230,
};
/** Taxes nothing, so that a test may count in its head. */
export const FREE: Region = { ...REGION, taxRate: 0 };

export const thing = (id: string, more: Record<string, unknown> = {}): Part =>
  partSchema.parse({ kind: 'peripheral', id, maker: 'Test', name: id, massG: 1000, ...more });
export const shop = (id: string, more: Partial<Seller> = {}): Seller => ({
  id,
  name: id,
  ratings: 5000,
  meanRating: 4.5,
  ...more,
});
/** Shipping of 5.00 for any parcel up to 30 kg, free of charge from `freeFromMinor`. */
export const flat = (minor: number, freeFromMinor?: number, region = 'here') => [
  { region, classes: [{ upToKg: 30, minor }], ...(freeFromMinor === undefined ? {} : { freeFromMinor }) },
];
export const offer = (part: string, seller: string, priceMinor: number, more: Partial<Offer> = {}): Offer => ({
  id: `${part}.${seller}`,
  part: part as Offer['part'],
  seller,
  region: 'here',
  priceMinor,
  condition: 'new',
  deliveryDays: 3,
  asOf: TODAY,
  ...more,
});
export const market = (
  parts: readonly Part[],
  sellers: readonly Seller[],
  offers: readonly Offer[],
  regions: readonly Region[] = [NET],
): Catalogue =>
  compileCatalogue({
    parts: [...parts],
    sellers: [...sellers],
    offers: [...offers],
    regions: [...regions],
    applications: [],
    rivals: [],
  });
export const policyOf = (change: Partial<BuyPolicy> = {}): BuyPolicy => ({
  ...buyPolicy(briefOf(), usualSettings, TODAY),
  ...change,
});
