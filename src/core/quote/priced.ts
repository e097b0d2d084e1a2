import type { Region } from '../model/offers';
import { netOf, percentOf, plainNumber, shareOut, taxOn } from '../units/money';
import type { CostLine } from './costs';
import type { Margin, QuoteTerms } from './terms';

/** A line as the client pays it: `netMinor` + `taxMinor` = `grossMinor`, discount off. */
export interface QuoteLine extends CostLine {
  /** Before the discount, with tax in or out as the region quotes prices. */
  readonly amountMinor: number;
  readonly discountMinor: number;
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly grossMinor: number;
}

/** A machine at its price. Every column of the lines adds up to its total, to the unit. */
export interface Priced {
  readonly lines: readonly QuoteLine[];
  /** Lines that nobody sells: they are in no total. */
  readonly unpriced: readonly CostLine[];
  readonly byRate: readonly { readonly taxRate: number; readonly netMinor: number; readonly taxMinor: number }[];
  /** Lines before the discount, as the region quotes prices. */
  readonly amountMinor: number;
  readonly discountMinor: number;
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
  readonly depositMinor: number;
  readonly restMinor: number;
  /** What it costs the workshop, and what is earned. */
  readonly costMinor: number;
  readonly marginMinor: number;
  /** By how much a total that was asked for is missed, as tax is rounded; 0 without one. */
  readonly missedMinor: number;
}

/** Why no price can be made on these terms. */
export type NotPriced =
  | { readonly code: 'nothing-to-sell' }
  /** Work, sending and the discount alone come to more than the total that was asked for. */
  | { readonly code: 'total-too-low'; readonly leastMinor: number; readonly totalMinor: number }
  /** The discount takes all that parts could come to. */
  | { readonly code: 'total-out-of-reach'; readonly totalMinor: number }
  /** The discount takes more than there is. */
  | { readonly code: 'discount-too-high'; readonly discountMinor: number; readonly amountMinor: number };

/** What parts come to: dearer by a margin, or so much that the total is reached. */
function partNets(parts: readonly (CostLine & { readonly costMinor: number })[], margin: Margin): number[] {
  const percentFor = ({ kind, part }: CostLine): string =>
    margin.by === 'kind'
      ? ((kind && margin.kinds[kind]) ?? margin.percent)
      : margin.by === 'part'
        ? ((part !== undefined ? margin.parts[part] : undefined) ?? margin.percent)
        : margin.by === 'percent'
          ? margin.percent
          : '0';
  return parts.map((line) => line.costMinor + percentOf(line.costMinor, percentFor(line)));
}

const sum = (amounts: readonly number[]): number => amounts.reduce((all, one) => all + plainNumber(one), 0);

/** Shares of an amount by others; equal ones where all of those are 0. */
const shared = (minor: number, by: readonly number[]): number[] =>
  by.length === 0 ? [] : shareOut(minor, sum(by) > 0 ? by : by.map(() => 1));

/**
 * Prices lines: margin on parts, the discount shared out over parts and work, tax by its rates on what is left, each rate
 * rounded once and shared out to its lines, so that columns and lines add up. Where the region quotes prices with tax,
 * lines are made gross first and tax is taken out of them. A total that is asked for is reached by the parts, in
 * proportion to what they cost; where tax is added and rounded a unit may be missed, and then it stays below. Source:
 * definitions.
 */
export function priced(
  all: readonly CostLine[],
  terms: Pick<QuoteTerms, 'margin' | 'discount' | 'depositPercent'>,
  region: Pick<Region, 'pricesIncludeTax'>,
): Priced | NotPriced {
  const lines = all.filter((line): line is CostLine & { costMinor: number } => line.costMinor !== undefined);
  if (lines.length === 0) return { code: 'nothing-to-sell' };
  const parts = lines.filter(({ what }) => what === 'part');
  const quoted = (net: number, taxRate: number): number => (region.pricesIncludeTax ? net + taxOn(net, taxRate) : net);
  const withParts = (partAmounts: readonly number[]): Priced | NotPriced => {
    const amounts = lines.map((line) => {
      const at = parts.indexOf(line);
      return at === -1 ? quoted(line.costMinor, line.taxRate) : (partAmounts[at] ?? 0);
    });
    return totalled(lines, amounts, terms, region);
  };
  const unpriced = all.filter(({ costMinor }) => costMinor === undefined);
  const { margin } = terms;
  if (margin.by !== 'total') {
    const nets = partNets(parts, margin);
    const found = withParts(nets.map((net, i) => quoted(net, parts[i]?.taxRate ?? 0)));
    return 'code' in found ? found : { ...found, unpriced };
  }
  const wanted = margin.totalMinor;
  const costs = parts.map(({ costMinor }) => costMinor);
  const at = (partsMinor: number): Priced | NotPriced => withParts(shared(partsMinor, costs));
  const least = at(0);
  if (!('code' in least) && least.totalMinor > wanted)
    return { code: 'total-too-low', leastMinor: least.totalMinor, totalMinor: wanted };
  if (parts.length === 0)
    return 'code' in least ? least : { ...least, unpriced, missedMinor: wanted - least.totalMinor };
  // the total rises with what the parts come to; no discount takes more than all of it
  let [low, high] = [0, wanted + 1];
  for (let doubled = 0; ; doubled++) {
    const found = at(high);
    if (!('code' in found) && found.totalMinor > wanted) break;
    if (doubled === MOST_DOUBLED) return { code: 'total-out-of-reach', totalMinor: wanted };
    high *= 2;
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const found = at(middle);
    if ('code' in found || found.totalMinor <= wanted) low = middle;
    else high = middle;
  }
  const found = at(low);
  return 'code' in found ? found : { ...found, unpriced, missedMinor: wanted - found.totalMinor };
}

/** Parts that come to more than a million times the total are no price: the discount takes all of them. */
const MOST_DOUBLED = 20;

function totalled(
  lines: readonly (CostLine & { readonly costMinor: number })[],
  amounts: readonly number[],
  { discount, depositPercent }: Pick<QuoteTerms, 'discount' | 'depositPercent'>,
  region: Pick<Region, 'pricesIncludeTax'>,
): Priced | NotPriced {
  // sending is not made cheaper
  const lowered = amounts.map((amount, i) => (lines[i]?.what === 'shipping' ? 0 : amount));
  const amountMinor = sum(amounts);
  const discountMinor = !discount
    ? 0
    : 'amountMinor' in discount
      ? discount.amountMinor
      : percentOf(sum(lowered), discount.percent);
  if (discountMinor > sum(lowered)) return { code: 'discount-too-high', discountMinor, amountMinor: sum(lowered) };
  const off = discountMinor === 0 ? lowered.map(() => 0) : shared(discountMinor, lowered);
  const left = amounts.map((amount, i) => amount - (off[i] ?? 0));
  const rates = [...new Set(lines.map(({ taxRate }) => taxRate))].sort((a, b) => b - a);
  const taxes = lines.map(() => 0);
  const byRate = rates.map((taxRate) => {
    const mine = lines.flatMap((line, i) => (line.taxRate === taxRate ? [i] : []));
    const bases = mine.map((i) => left[i] ?? 0);
    const base = sum(bases);
    const taxMinor = region.pricesIncludeTax ? base - netOf(base, taxRate) : taxOn(base, taxRate);
    const shares = shared(taxMinor, bases);
    mine.forEach((i, k) => (taxes[i] = shares[k] ?? 0));
    return { taxRate, netMinor: region.pricesIncludeTax ? base - taxMinor : base, taxMinor };
  });
  const quoteLines = lines.map((line, i): QuoteLine => {
    const [amount, tax] = [left[i] ?? 0, taxes[i] ?? 0];
    return {
      ...line,
      amountMinor: amounts[i] ?? 0,
      discountMinor: off[i] ?? 0,
      netMinor: region.pricesIncludeTax ? amount - tax : amount,
      taxMinor: tax,
      grossMinor: region.pricesIncludeTax ? amount : amount + tax,
    };
  });
  const netMinor = sum(byRate.map((entry) => entry.netMinor));
  const taxMinor = sum(byRate.map((entry) => entry.taxMinor));
  const totalMinor = netMinor + taxMinor;
  const depositMinor = depositPercent === undefined ? 0 : percentOf(totalMinor, depositPercent);
  const costMinor = sum(lines.map((line) => line.costMinor));
  return {
    lines: quoteLines,
    unpriced: [],
    byRate,
    amountMinor,
    discountMinor,
    netMinor,
    taxMinor,
    totalMinor,
    depositMinor,
    restMinor: totalMinor - depositMinor,
    costMinor,
    marginMinor: netMinor - costMinor,
    missedMinor: 0,
  };
}
