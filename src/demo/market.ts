import { DOUBLED } from '@/standins/feed/priceModel';
import { OFFERS_DAY, seededBy, type Priced } from './seed';

export const REGIONS = [
  {
    id: 'region-a',
    name: 'Region A',
    currency: 'USD',
    taxName: 'sales tax',
    taxRate: 0.075,
    pricesIncludeTax: false,
    taxRounding: 'invoice',
    couponLowersTax: true,
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
    taxRounding: 'line',
    couponLowersTax: true,
    mainsV: 230,
    circuitA: 16,
  },
] as const;

const by = (region: string, small: number, middle: number, large: number, freeFromMinor?: number) => ({
  region,
  classes: [
    { upToKg: 2, minor: small },
    { upToKg: 10, minor: middle },
    { upToKg: 30, minor: large },
  ],
  ...(freeFromMinor === undefined ? {} : { freeFromMinor }),
});

export const SELLERS = [
  {
    id: 'parcelwright',
    name: 'Parcelwright',
    ratings: 48_210,
    meanRating: 4.4,
    sellsSince: '2009-03-01',
    returnDays: 30,
    shipping: [by('region-a', 490, 790, 1290, 120_00)],
    bundles: [
      {
        id: 'tern-and-cairn',
        name: 'Tern 12 with Cairn 6',
        region: 'region-a',
        parts: ['halcyte-tern-12', 'dunmarrow-cairn-6'],
        reductionMinor: 25_00,
        until: '2026-06-30',
      },
    ],
  },
  {
    id: 'bitharbour',
    name: 'Bitharbour',
    ratings: 21_900,
    meanRating: 4.6,
    sellsSince: '2012-09-15',
    returnDays: 14,
    shipping: [by('region-a', 590, 890, 1490, 400_00), by('region-b', 690, 990, 1590, 350_00)],
    coupons: [
      {
        id: 'springtide',
        region: 'region-a',
        percent: '4',
        fromMinor: 250_00,
        kinds: ['memory', 'drive'],
        until: '2026-06-15',
      },
    ],
  },
  {
    id: 'dockside-parts',
    name: 'Dockside Parts',
    ratings: 6_120,
    meanRating: 4.2,
    sellsSince: '2016-05-20',
    returnDays: 14,
    shipping: [by('region-a', 590, 790, 1190, 250_00)],
    coupons: [{ id: 'mooring', region: 'region-a', amountMinor: 15_00, fromMinor: 600_00, until: '2026-05-31' }],
  },
  {
    id: 'tidewrack-surplus',
    name: 'Tidewrack Surplus',
    ratings: 34,
    meanRating: 4.7,
    sellsSince: '2024-11-01',
    returnDays: 14,
    shipping: [by('region-a', 0, 0, 0)],
  },
  {
    id: 'kelpline',
    name: 'Kelpline',
    ratings: 8_450,
    meanRating: 4.3,
    sellsSince: '2014-02-10',
    returnDays: 14,
    shipping: [by('region-b', 490, 790, 1290, 200_00)],
  },
  {
    id: 'counterhand',
    name: 'Counterhand',
    ratings: 3_380,
    meanRating: 4.3,
    sellsSince: '2015-08-01',
    returnDays: 14,
    shipping: [by('region-a', 750, 950, 1450)],
  },
  {
    id: 'saltmarsh-bargains',
    name: 'Saltmarsh Bargains',
    ratings: 212,
    meanRating: 3.1,
    thirdParty: true,
    sellsSince: '2026-01-20',
    returnDays: 0,
  },
  {
    id: 'quillstone',
    name: 'Quillstone Workshop',
    ratings: 1_140,
    meanRating: 4.9,
    sellsSince: '2011-04-01',
    returnDays: 30,
    shipping: [by('region-a', 0, 0, 0)],
  },
] as const;

/** Makers that Region B's sellers do not carry. */
const NOT_IN_B = new Set(['Vessary', 'Cinderpath', 'Dunmarrow']);

/** Mailed rebates of makers, by part: one that holds and one that is past. */
const REBATES: Readonly<Record<string, object>> = {
  'palisar-gale-12': {
    amountMinor: 30_00,
    until: '2026-06-14',
    claimBy: '2026-07-14',
    limit: 1,
    conditions: 'the first owner sends the label in',
  },
  'gatewick-anvil-850': {
    amountMinor: 15_00,
    until: '2026-04-30',
    claimBy: '2026-05-31',
    limit: 1,
    conditions: 'one a household',
  },
};

/** Coins as shops write them, minor units: whole coins less a tenth. */
const asShopsWrite = (coins: number): number => Math.max(100, Math.round(coins) * 100 - 10);

/** What the maker asks where the part is sold, as the regions quote; nothing for what the workshop makes itself. */
export function listPrices({ part, usd }: Priced): object[] {
  if (part.maker === 'Quillstone' || usd === 0) return [];
  // the part whose price doubled keeps the list price that it had
  const list = part.id === DOUBLED.part ? usd * 0.55 : usd * 1.06;
  return [
    { region: 'region-a', minor: asShopsWrite(list) },
    ...(NOT_IN_B.has(part.maker) ? [] : [{ region: 'region-b', minor: asShopsWrite(list * 0.93 * 1.21) }]),
  ];
}

/** Offers of a part, a few per cent around its price: new at the shops, some refurbished or used, now and then a bait. */
export function offersOf({ part, usd }: Priced): Record<string, unknown>[] {
  const random = seededBy(part.id);
  const more = seededBy(`${part.id} more`);
  const jitter = () => 1 + (random() - 0.5) * 0.08;
  const offers: Record<string, unknown>[] = [];
  const { kind } = part;
  const rebate = REBATES[part.id];
  const offer = (region: string, seller: string, coins: number, days: number, extra: Record<string, unknown> = {}) => {
    const condition = typeof extra['condition'] === 'string' ? extra['condition'] : 'new';
    offers.push({
      id: `${part.id}.${seller}.${region}${condition === 'new' ? '' : `.${condition}`}`,
      part: part.id,
      seller,
      region,
      priceMinor: asShopsWrite(coins),
      condition,
      deliveryDays: days,
      // a name that belongs to nobody (RFC 2606)
      link: `https://${seller}.example/${part.id}`,
      asOf: OFFERS_DAY,
      ...(rebate && region === 'region-a' && condition === 'new' ? { rebate } : {}),
      ...extra,
    });
  };
  const [first, second] = [jitter(), jitter()];
  const second_hand = () => {
    const roll = more();
    if (!['processor', 'graphics', 'memory', 'drive', 'board'].includes(kind)) return;
    if (roll < 0.16)
      offer('region-a', 'counterhand', usd * (0.72 + more() * 0.08), 4, {
        condition: 'refurbished',
        warrantyLeftMonths: 12,
        stock: 1 + Math.floor(more() * 3),
        ...(kind === 'drive' ? { wornPercent: Math.round(more() * 12) } : {}),
      });
    else if (roll < 0.28)
      offer('region-a', 'counterhand', usd * (0.5 + more() * 0.12), 5, {
        condition: 'used',
        warrantyLeftMonths: Math.round(more() * 10),
        stock: 1,
        ...(kind === 'drive' ? { wornPercent: Math.round(20 + more() * 50) } : {}),
      });
  };
  if (typeof part['withdrawn'] === 'string') {
    second_hand();
    return offers;
  }
  // given away by its maker; the workshop brings it along
  if (usd === 0 && kind === 'system') {
    offer('region-a', 'quillstone', 0, 0, { priceMinor: 0, shippingMinor: 0, free: true });
    offer('region-b', 'bitharbour', 0, 0, { priceMinor: 0, shippingMinor: 0, free: true });
    return offers;
  }
  if (part.maker === 'Quillstone') {
    offer('region-a', 'quillstone', usd, 0);
    return offers.map((entry) => ({ ...entry, priceMinor: usd * 100 }));
  }
  offer('region-a', 'parcelwright', usd * first, 2);
  if (random() < 0.75) offer('region-a', random() < 0.5 ? 'bitharbour' : 'dockside-parts', usd * second, 4);
  if (random() < 0.35) offer('region-a', 'tidewrack-surplus', usd * (1.02 + random() * 0.06), 9);
  // euros, and tax inside the price
  if (!NOT_IN_B.has(part.maker)) {
    offer('region-b', 'bitharbour', usd * second * 0.93 * 1.21, 5);
    if (random() < 0.6) offer('region-b', 'kelpline', usd * first * 0.94 * 1.21, 3);
  }
  second_hand();
  // far below all others, in somebody else's shop
  if (usd > 150 && more() < 0.03)
    offer('region-a', 'saltmarsh-bargains', usd * 0.52, 21, { shippingMinor: 1490, stock: 5 });
  // a second shop for what is asked for most
  if (usd > 60 && more() < 0.3) {
    const has = new Set(offers.map((entry) => entry['seller']));
    const other = has.has('bitharbour') ? 'dockside-parts' : 'bitharbour';
    if (!offers.some((entry) => entry['seller'] === other && entry['region'] === 'region-a'))
      offer('region-a', other, usd * (0.98 + more() * 0.06), 5);
  }
  return offers;
}
