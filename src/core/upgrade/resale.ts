import type { Assessment } from '../assess';
import type { AnyFitted } from '../model/fitted';
import type { FATES, Item } from '../model/machine';
import type { Offer, Region } from '../model/offers';
import type { Settings } from '../model/settings';
import { shareLeft } from '../money/declining';
import { cheapestOffer, landedPrice } from '../money/landed';
import { listPriceOf } from '../money/policy';
import type { PartKind } from '../parts';
import { scale, type Band } from '../units/band';
import { monthsAfter, yearsBetween } from '../units/days';
import { plainNumber } from '../units/money';
import { UPGRADE } from './constants';

/** Where the value of a part comes from. Prices in minor units. */
export type ValuedBy =
  | { readonly code: 'by-hand' }
  | { readonly code: 'used-offers'; readonly offers: number; readonly leastMinor: number }
  | {
      readonly code: 'declining';
      /** What it is reckoned from: what was paid, what it costs new today, or what its maker asked. */
      readonly from: 'paid' | 'today' | 'list';
      readonly fromMinor: number;
      readonly years: number;
      /** `on-sale`: nobody says when it was bought, so it may be younger than it is taken for. */
      readonly age: 'known' | 'on-sale';
    };

/** Why a part brings nothing. */
export type NotSold =
  /** Kept as a spare. */
  | 'spare'
  /** Given to another seat. */
  | 'given'
  /** It fails at times: nobody buys it. */
  | 'faulty'
  /** Bound to its machine or its person, or gone as soon as it is given. */
  | 'not-transferable'
  /** Nobody says what it cost, or how old it is. */
  | 'unknown'
  /** Fees and sending take all of it. */
  | 'not-worth-it';

/** What a part of the machine that is there may be sold for. Minor units of the region, before fees. */
export interface PartResale {
  readonly item: Item;
  readonly kind: PartKind;
  readonly fate: (typeof FATES)[number];
  readonly value: Band | undefined;
  readonly by: ValuedBy | undefined;
  readonly notSold: NotSold | undefined;
}

/** Parts that are sold together: one parcel. */
export interface Lot {
  readonly items: readonly string[];
  /** Processor, board and memory of one platform. */
  readonly core: boolean;
  /** After fees and sending. */
  readonly net: Band;
}

/** What is sold of a machine, and what that brings. */
export interface Resale {
  readonly parts: readonly PartResale[];
  readonly lots: readonly Lot[];
  /** All lots together, after fees and sending; what is not known is not in it. */
  readonly net: Band;
  /** What other seats do not have to pay for parts that are given to them, as their terms say. */
  readonly givenMinor: number;
  /** Parts that would be sold and whose worth nobody knows. */
  readonly unknown: readonly PartResale[];
}

const NOTHING: Band = { low: 0, likely: 0, high: 0 };

/** When something is sold: today, when not said. */
export interface Then {
  readonly on?: string;
  /** The day on which a part will have been bought that is not there yet. */
  readonly boughtOn?: (item: Item) => string | undefined;
}

/** Kinds that pass to nobody else. */
const BOUND: ReadonlySet<PartKind> = new Set(['system', 'licence', 'service']);
/** Kinds that are worth more together than anybody pays for them apart, and go into one parcel. */
const CORE: ReadonlySet<PartKind> = new Set(['processor', 'board', 'memory']);

/**
 * What the parts of a machine bring that nobody needs any more: `leaving` are their items. A part's worth is the price
 * that was set by hand; else what used offers of it ask, less what is haggled off; else its price by declining balance
 * over its age. Processor, board and memory that leave together are sold as one. Each lot pays the settings' fees and one
 * parcel. On a later day everything is older: what a hand or an offer says of today loses a year's share a year, and what is
 * bought by then counts from its own day. Source: definitions; `UPGRADE` and the settings say the rates.
 * @example a core for 180.00 less 12 % and 9.50 for the parcel brings 148.90
 */
export function resaleOf(machine: Assessment, leaving: ReadonlySet<string>, then: Then = {}): Resale {
  const { settings } = machine.facts;
  const parts = machine.facts.parts.all
    .filter(({ item }) => leaving.has(item.id))
    .map((fitted) => valued(fitted, machine, then));
  const forSale = parts.filter(({ value, notSold }) => value && notSold === undefined);
  const core = forSale.filter(({ kind }) => CORE.has(kind));
  // only a whole core is one: memory alone is just memory
  const whole = [...CORE].every((kind) => core.some((part) => part.kind === kind));
  const groups = whole
    ? [core, ...forSale.filter((part) => !core.includes(part)).map((part) => [part])]
    : forSale.map((part) => [part]);
  const lots: Lot[] = [];
  const kept = new Set<string>();
  for (const group of groups) {
    const net = netOf(
      group.map(({ value }) => value ?? NOTHING),
      settings,
    );
    const items = group.map(({ item }) => item.id);
    if (net.likely > 0) lots.push({ items, core: group.length > 1, net });
    else for (const item of items) kept.add(item);
  }
  const settled = parts.map((part) => (kept.has(part.item.id) ? { ...part, notSold: 'not-worth-it' as const } : part));
  return {
    parts: settled,
    lots,
    net: lots.reduce((sum, lot) => addBands(sum, lot.net), NOTHING),
    givenMinor: settled.reduce(
      (sum, { item, fate }) => sum + (fate === 'given' ? plainNumber(item.resale?.savesMinor ?? 0) : 0),
      0,
    ),
    unknown: settled.filter(({ notSold }) => notSold === 'unknown'),
  };
}

/** What a purchase costs less what is sold, and what other seats save. */
export const netCost = (purchaseMinor: number, { net, givenMinor }: Pick<Resale, 'net' | 'givenMinor'>): Band => {
  const left = plainNumber(purchaseMinor) - plainNumber(givenMinor);
  return { low: left - net.high, likely: left - net.likely, high: left - net.low };
};

/** Until when a part is under warranty: as its terms say, else as long as its maker gives it from the day it was bought. */
export function warrantyUntil({ item, part }: Pick<AnyFitted, 'item' | 'part'>): string | undefined {
  const bought = item.paid?.on ?? item.resale?.boughtOn;
  return (
    item.resale?.warrantyUntil ??
    (bought === undefined || part.warrantyMonths === undefined ? undefined : monthsAfter(bought, part.warrantyMonths))
  );
}

/** What a lot brings after fees and one parcel; never less than nothing, as nobody would sell it then. */
export function netOf(values: readonly Band[], { resale }: Pick<Settings, 'resale'>): Band {
  const sum = values.reduce(addBands, NOTHING);
  const net = (worth: number): number =>
    Math.max(0, Math.round(worth * (1 - resale.feePercent / 100) - plainNumber(resale.shippingMinor)));
  return { low: net(sum.low), likely: net(sum.likely), high: net(sum.high) };
}

const addBands = (a: Band, b: Band): Band => ({
  low: a.low + b.low,
  likely: a.likely + b.likely,
  high: a.high + b.high,
});

function valued({ item, part }: AnyFitted, machine: Assessment, then: Then): PartResale {
  const fate = item.resale?.fate ?? 'sold';
  const base = { item, kind: part.kind, fate };
  const not = (notSold: NotSold): PartResale => ({ ...base, value: undefined, by: undefined, notSold });
  if (fate !== 'sold') return not(fate);
  const { today, settings } = machine.facts;
  const bought = then.boughtOn?.(item);
  const older = (1 - settings.resale.yearlyPercent / 100) ** yearsBetween(today, then.on ?? today);
  const minor = item.resale?.minor;
  if (minor !== undefined) {
    const value = plainNumber(minor) * older;
    return { ...base, value: { low: value, likely: value, high: value }, by: { code: 'by-hand' }, notSold: undefined };
  }
  if (BOUND.has(part.kind)) return not('not-transferable');
  if (item.resale?.state === 'faulty') return not('faulty');
  const worn = item.resale?.state === 'worn' ? UPGRADE.worn.value : 1;
  // what will be bought new is not as old as those that are offered used today
  const offered = bought === undefined ? byOffers(item, machine) : undefined;
  const found = offered?.value
    ? { ...offered, value: scale(offered.value, older) }
    : byAge({ item, part } as AnyFitted, machine, then);
  return found?.value ? { ...base, ...found, value: scale(found.value, worn), notSold: undefined } : not('unknown');
}

type Valued = Pick<PartResale, 'value' | 'by'>;

/** By what is asked for used ones: the least of it, as that is what a buyer sees beside. */
function byOffers(item: Item, { facts, region }: Assessment): Valued | undefined {
  const used = facts.catalogue
    .offers(item.part, region.id)
    .filter(({ condition, until }) => condition === 'used' && (until === undefined || until >= facts.today));
  const [first, ...more] = used;
  if (!first) return undefined;
  const leastMinor = more.reduce((least, { priceMinor }) => Math.min(least, priceMinor), first.priceMinor);
  return {
    value: spreadBand(leastMinor, UPGRADE.askedAndGot),
    by: { code: 'used-offers', offers: used.length, leastMinor },
  };
}

function byAge(fitted: AnyFitted, { facts, region }: Assessment, then: Then): Valued | undefined {
  const { item, part } = fitted;
  const price = referenceOf(fitted, facts, region);
  const bought = item.paid?.on ?? item.resale?.boughtOn ?? then.boughtOn?.(item);
  const since = bought ?? part.onSale;
  if (!price || since === undefined) return undefined;
  const on = then.on ?? facts.today;
  const years = yearsBetween(since, on);
  const left = (of: number): number => plainNumber(price.fromMinor) * shareLeft(of, facts.settings.resale);
  const value = spreadBand(left(years), UPGRADE.declining);
  return {
    // as young as it was sold last, it is worth the most
    value: bought === undefined ? { ...value, high: Math.max(value.high, left(youngest(part.withdrawn, on))) } : value,
    by: { code: 'declining', ...price, years, age: bought === undefined ? 'on-sale' : 'known' },
  };
}

/** A part that was withdrawn is at least that old; another may be new. */
const youngest = (withdrawn: string | undefined, on: string): number =>
  withdrawn === undefined ? 0 : yearsBetween(withdrawn, on);

/** The price that a part's worth declines from: what was paid, else what it costs new, else what its maker asks. */
function referenceOf(
  { item, part }: AnyFitted,
  { catalogue, policy }: Assessment['facts'],
  region: Region,
): { readonly from: 'paid' | 'today' | 'list'; readonly fromMinor: number } | undefined {
  if (item.paid) return { from: 'paid', fromMinor: item.paid.landedMinor };
  const anew = { ...policy, conditions: ['new'] satisfies Offer['condition'][], neededBy: undefined };
  const today = cheapestOffer(catalogue, part, region, anew);
  if (today) return { from: 'today', fromMinor: today.landed.landedMinor };
  const list = listPriceOf(part, region.id);
  return list === undefined ? undefined : { from: 'list', fromMinor: landedPrice(list, 0, region).landedMinor };
}

const spreadBand = (minor: number, { value, spread }: { readonly value: number; readonly spread: number }): Band =>
  scale({ low: 1 / spread, likely: 1, high: spread }, plainNumber(minor) * value);
