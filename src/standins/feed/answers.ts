import { dayNumber } from '@/core/units/days';
import type { CatalogueFile } from '@/core/model/catalogueSchema';
import type { Offer } from '@/core/model/offers';
import type { Part } from '@/core/parts';
import { minorDigits, type Currency } from '@/core/units/money';
import { modelPrice } from './priceModel';

/** Ways in which an answer may go wrong, so that what reads it can be tried. */
export const FAULTS = [
  'outage',
  'late',
  'half',
  'malformed',
  'twice',
  'currency',
  'negative',
  'future',
  'many',
  'old',
] as const;
export type Fault = (typeof FAULTS)[number];

export interface World {
  readonly parts: ReadonlyMap<string, Part>;
  readonly catalogue: Pick<CatalogueFile, 'offers' | 'regions' | 'sellers'>;
}

/** An amount as schema.org writes it: major units with a point. */
export const written = (minor: number, currency: Currency): string => {
  const digits = minorDigits(currency);
  const text = String(Math.abs(minor)).padStart(digits + 1, '0');
  const whole = digits === 0 ? text : `${text.slice(0, -digits)}.${text.slice(-digits)}`;
  return minor < 0 ? `-${whole}` : whole;
};

interface Row {
  readonly part: Part;
  readonly offer: Offer;
  readonly priceMinor: number;
  readonly available: boolean;
  readonly currency: Currency;
  readonly day: string;
}

/** How many products the answer holds that is far too long. */
const MANY = 100_000;

function rowsOf(world: World, seller: string, region: string, day: string, fault: Fault | undefined): Row[] {
  const place = world.catalogue.regions.find((entry) => entry.id === region);
  if (!place) return [];
  const at = dayNumber(day);
  const rows = world.catalogue.offers.flatMap((offer): Row[] => {
    const part = world.parts.get(offer.part);
    if (!part || offer.seller !== seller || offer.region !== region || offer.free) return [];
    const model = { ...offer, kind: part.kind, onDay: dayNumber(offer.asOf) };
    const price = modelPrice(model, at);
    return [
      { part, offer, priceMinor: price ?? offer.priceMinor, available: price !== null, currency: place.currency, day },
    ];
  });
  const first = rows.slice(0, 3);
  switch (fault) {
    case 'twice':
      return [...rows, ...rows, ...first.map((row) => ({ ...row, priceMinor: row.priceMinor + 100 }))];
    case 'currency':
      return rows.map((row, i) => (i < 3 ? { ...row, currency: place.currency === 'EUR' ? 'USD' : 'EUR' } : row));
    case 'negative':
      return rows.map((row, i) => (i < 3 ? { ...row, priceMinor: -row.priceMinor } : row));
    case 'future':
      return rows.map((row, i) => (i < 3 ? { ...row, day: '2099-01-01' } : row));
    case 'old':
      return rows.map((row) => ({ ...row, day: '2026-01-05' }));
    case 'many':
      return Array.from({ length: MANY }, (_, i) => rows[i % rows.length]).flatMap((row) => row ?? []);
    default:
      return rows;
  }
}

const CONDITION = { new: 'NewCondition', refurbished: 'RefurbishedCondition', used: 'UsedCondition' } as const;
const AT = 'https://schema.org/';

/** A seller's offers of a day as schema.org products. */
export function jsonLdAnswer(world: World, seller: string, region: string, day: string, fault?: Fault): string {
  const rows = rowsOf(world, seller, region, day, fault);
  const text = JSON.stringify({
    '@context': 'https://schema.org',
    '@graph': rows.map(({ part, offer, priceMinor, available, currency, day: on }) => ({
      '@type': 'Product',
      productID: part.id,
      name: `${part.maker} ${part.name}`,
      brand: { '@type': 'Brand', name: part.maker },
      ...(part.partNumber ? { mpn: part.partNumber } : {}),
      ...(part.gtin ? { gtin: part.gtin } : {}),
      offers: {
        '@type': 'Offer',
        price: written(priceMinor, currency),
        priceCurrency: currency,
        availability: `${AT}${available ? 'InStock' : 'OutOfStock'}`,
        itemCondition: `${AT}${CONDITION[offer.condition]}`,
        validFrom: on,
        ...(offer.stock === undefined ? {} : { inventoryLevel: { '@type': 'QuantitativeValue', value: offer.stock } }),
        ...(offer.deliveryDays === undefined && offer.shippingMinor === undefined
          ? {}
          : {
              shippingDetails: {
                '@type': 'OfferShippingDetails',
                ...(offer.shippingMinor === undefined
                  ? {}
                  : {
                      shippingRate: {
                        '@type': 'MonetaryAmount',
                        value: written(offer.shippingMinor, currency),
                        currency,
                      },
                    }),
                ...(offer.deliveryDays === undefined
                  ? {}
                  : {
                      deliveryTime: {
                        '@type': 'ShippingDeliveryTime',
                        transitTime: { '@type': 'QuantitativeValue', maxValue: offer.deliveryDays, unitCode: 'DAY' },
                      },
                    }),
              },
            }),
      },
    })),
  });
  return fault === 'half' || fault === 'malformed' ? text.slice(0, Math.floor(text.length / 2)) : text;
}

/** The same as a table. */
export function csvAnswer(world: World, seller: string, region: string, day: string, fault?: Fault): string {
  const quoted = (text: string) => (/[",]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  const lines = rowsOf(world, seller, region, day, fault).map(
    ({ part, offer, priceMinor, available, currency, day: on }) =>
      [
        part.id,
        quoted(`${part.maker} ${part.name}`),
        written(priceMinor, currency),
        currency,
        offer.condition,
        available ? String(offer.stock ?? '') : '0',
        String(offer.deliveryDays ?? ''),
        offer.shippingMinor === undefined ? '' : written(offer.shippingMinor, currency),
        on,
      ].join(','),
  );
  if (fault === 'malformed') lines.splice(2, 1, 'this line, is, no offer');
  const text = `${['part,name,price,currency,condition,stock,delivery_days,shipping,as_of', ...lines].join('\r\n')}\r\n`;
  return fault === 'half' ? text.slice(0, Math.floor(text.length / 2)) : text;
}
