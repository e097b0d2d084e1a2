/**
 * How prices move in the made-up world: a slow drift by kind of part, a swing of memory, seasonal sales, sellers' own
 * small steps, shortages, and one part whose price doubles. Deterministic: the same offer and day give the same price.
 */
export interface ModelOffer {
  readonly id: string;
  readonly part: string;
  readonly kind: string;
  readonly seller: string;
  /** As quoted on `onDay`. */
  readonly priceMinor: number;
  readonly onDay: number;
}

/** FNV-1a hash as a number in [0, 1), the same everywhere. */
function chance(...words: readonly (string | number)[]): number {
  let hash = 0x811c9dc5;
  const text = words.join('|');
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d) >>> 0;
  hash = Math.imul(hash ^ (hash >>> 12), 0x297a2d39) >>> 0;
  return ((hash ^ (hash >>> 15)) >>> 0) / 4294967296;
}

/** Change in a year by kind: what is replaced by better things loses, what is not keeps. */
const DRIFT: Readonly<Record<string, number>> = {
  processor: -0.1,
  graphics: -0.12,
  board: -0.06,
  drive: -0.08,
  memory: 0.02,
  expansion: -0.05,
  display: -0.06,
};
/** The part whose price doubled in this world's spring, and when that began and ended. */
export const DOUBLED = { part: 'sablerow-slate-2x48-5600', from: 20_463, to: 20_520 } as const;
const YEAR = 365.25;
/** What a seller's price steps by, and how many days such a price holds. */
const STEP = 0.018;
const HOLDS = 6;

/** Sales of the year: day of the year, length, depth. */
const SALES = [
  { at: 12, days: 9, depth: 0.05 },
  { at: 137, days: 4, depth: 0.08 },
  { at: 190, days: 12, depth: 0.07 },
  { at: 325, days: 10, depth: 0.13 },
] as const;

/** A function of whole numbers that is asked for the same one many times in a row. */
function lastKnown<T>(of: (at: number) => T): (at: number) => T {
  let known: { readonly at: number; readonly value: T } | undefined;
  return (at) => {
    if (known?.at !== at) known = { at, value: of(at) };
    return known.value;
  };
}

/** What an offer's price is multiplied by on a day. */
function factorOf({ part, kind, seller, onDay }: ModelOffer): (day: number) => number {
  const drift = 1 + (DRIFT[kind] ?? -0.02);
  const phase = Math.floor(chance('phase', part, seller) * HOLDS);
  const own = lastKnown((step) => 1 + (chance('step', part, seller, step) - 0.5) * 2 * STEP);
  const ownSales = SALES.filter(({ at }) => chance('sale', part, seller, at) < 0.55).map((sale) => ({
    ...sale,
    off: 1 - sale.depth * (0.6 + 0.8 * chance('depth', part, seller, sale.at)),
  }));
  return (day) => {
    // a seller keeps its price for some days, then thinks again; not all sellers on the same day
    const step = Math.floor((day + phase) / HOLDS);
    const swing = kind === 'memory' ? 1 + 0.09 * Math.sin((day / YEAR) * 2 * Math.PI * 0.8) : 1;
    const ofYear = ((day % YEAR) + YEAR) % YEAR;
    const off = ownSales.find(({ at, days }) => ofYear >= at && ofYear < at + days)?.off ?? 1;
    const doubled =
      part === DOUBLED.part ? 1 + Math.min(1, Math.max(0, (day - DOUBLED.from) / (DOUBLED.to - DOUBLED.from))) : 1;
    return drift ** ((day - onDay) / YEAR) * own(step) * swing * off * doubled;
  };
}

/** Weeks in which an offer cannot be bought: now and then, and for graphics in one long shortage. */
function soldOutOf({ part, kind, seller }: ModelOffer): (day: number) => boolean {
  const inWeek = lastKnown((week) => chance('out', part, seller, week) < 0.015);
  const short = kind === 'graphics' && chance('short', part) < 0.2;
  return (day) => inWeek(Math.floor(day / 7)) || (short && day >= 20_200 && day < 20_228);
}

/**
 * Prices of an offer by day, whole coins with .90 at the end as shops write them; null when it cannot be bought. What
 * does not change from day to day is worked out once.
 */
export function modelPrices(offer: ModelOffer): (day: number) => number | null {
  const { onDay, priceMinor } = offer;
  // whole coins are the workshop's own prices: they stay
  if (priceMinor % 100 === 0) return () => priceMinor;
  const soldOut = soldOutOf(offer);
  const factor = factorOf(offer);
  const then = factor(onDay);
  return (day) => {
    if (day === onDay) return priceMinor;
    if (soldOut(day)) return null;
    return Math.max(90, Math.round((priceMinor * factor(day)) / then / 100) * 100 - 10);
  };
}

/** Price of an offer on one day. */
export const modelPrice = (offer: ModelOffer, day: number): number | null => modelPrices(offer)(day);

/** Coins of EUR for one USD on a day, four decimals: a slow wave. */
export const modelRate = (day: number): string =>
  (0.925 + 0.025 * Math.sin(day / 90) + 0.004 * Math.sin(day / 11)).toFixed(4);
