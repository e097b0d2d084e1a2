import { APPLICATIONS } from './applications';
import { CATALOGUE_FORMAT } from '@/core/formats/catalogueSchema';
import { boards } from './lines/boards';
import { drives } from './lines/drives';
import { graphics } from './lines/graphics';
import { cases, cooling, extras, provingBench, supplies } from './lines/housing';
import { withFittings, withTestedLists } from './lines/fittings';
import { memory } from './lines/memory';
import { processors } from './lines/processors';
import { rivals } from './rivals';
import { dress, editionsOf, marksOf } from './editions';
import { DEMO_TODAY, seededBy, type Priced } from './seed';

const REGIONS = [
  {
    id: 'region-a',
    name: 'Region A',
    currency: 'USD',
    taxName: 'sales tax',
    taxRate: 0.075,
    pricesIncludeTax: false,
    mainsV: 115,
    circuitA: 15,
  },
  {
    id: 'region-b',
    name: 'Region B',
    currency: 'EUR',
    taxName: 'VAT',
    taxRate: 0.21,
    pricesIncludeTax: true,
    mainsV: 230,
    circuitA: 16,
  },
] as const;

const SELLERS = [
  { id: 'parcelwright', name: 'Parcelwright', ratings: 48_210, meanRating: 4.4 },
  { id: 'bitharbour', name: 'Bitharbour', ratings: 21_900, meanRating: 4.6 },
  { id: 'dockside-parts', name: 'Dockside Parts', ratings: 6_120, meanRating: 4.2 },
  { id: 'tidewrack-surplus', name: 'Tidewrack Surplus', ratings: 34, meanRating: 4.7 },
  { id: 'kelpline', name: 'Kelpline', ratings: 8_450, meanRating: 4.3 },
  { id: 'quillstone', name: 'Quillstone Workshop', ratings: 140, meanRating: 4.9 },
] as const;

/** Makers that Region B's sellers do not carry. */
const NOT_IN_B = new Set(['Vessary', 'Cinderpath', 'Dunmarrow']);

/** One or two offers a part and region, a few per cent around its price; withdrawn parts have none. */
function offersOf({ part, usd }: Priced, random: () => number): Record<string, unknown>[] {
  const jitter = () => 1 + (random() - 0.5) * 0.08;
  const offers: Record<string, unknown>[] = [];
  const withdrawn = typeof part['withdrawn'] === 'string';
  const homeMade = part.maker === 'Quillstone';
  const offer = (region: string, seller: string, coins: number, shippingMinor: number, days: number) =>
    offers.push({
      id: `${part.id}.${seller}.${region}`,
      part: part.id,
      seller,
      region,
      priceMinor: Math.max(100, Math.round(coins) * 100 - 10),
      shippingMinor,
      condition: 'new',
      deliveryDays: days,
      asOf: DEMO_TODAY,
    });
  const [first, second] = [jitter(), jitter()];
  if (withdrawn) return offers;
  if (homeMade)
    return [
      {
        id: `${part.id}.quillstone.region-a`,
        part: part.id,
        seller: 'quillstone',
        region: 'region-a',
        priceMinor: usd * 100,
        shippingMinor: 0,
        condition: 'new',
        deliveryDays: 0,
        asOf: DEMO_TODAY,
      },
    ];
  offer('region-a', 'parcelwright', usd * first, usd > 60 ? 0 : 490, 2);
  if (random() < 0.75) offer('region-a', random() < 0.5 ? 'bitharbour' : 'dockside-parts', usd * second, 590, 4);
  if (random() < 0.35) offer('region-a', 'tidewrack-surplus', usd * (1.02 + random() * 0.06), 0, 9);
  // euros, and tax inside the price
  if (!NOT_IN_B.has(part.maker)) {
    offer('region-b', 'bitharbour', usd * second * 0.93 * 1.21, 690, 5);
    if (random() < 0.6) offer('region-b', 'kelpline', usd * first * 0.94 * 1.21, 490, 3);
  }
  return offers;
}

/** All parts: the lines, their editions, and for load tests marks of them until there are as many as asked for. */
export function demoParts(size = 0): Priced[] {
  const lines = [
    ...processors(),
    ...boards(),
    ...memory(),
    ...graphics(),
    ...drives(),
    ...supplies(),
    ...cases(),
    ...cooling(),
    ...extras(),
  ];
  const fitted = withTestedLists(lines.map(withFittings));
  const dressed = [...fitted, ...fitted.flatMap(editionsOf)].map(dress);
  return [...dressed, ...marksOf(dressed, size - dressed.length)];
}

/**
 * The demo catalogue as an open file, before validation: it goes through the importer like any user's file.
 * @param size parts at least; 0 for the demo's own
 */
export function demoCatalogue(size = 0): Record<string, unknown> {
  const bench = provingBench();
  const parts = [...demoParts(Math.max(0, size - bench.length)), ...bench];
  return {
    format: CATALOGUE_FORMAT,
    version: 1,
    name: 'Ninefathom demo catalogue',
    regions: REGIONS,
    sellers: SELLERS,
    applications: APPLICATIONS,
    parts: parts.map((entry) => entry.part),
    offers: parts.flatMap((entry) => offersOf(entry, seededBy(entry.part.id))),
    rivals: rivals(),
  };
}
