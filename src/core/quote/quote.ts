import { z } from 'zod';
import type { Assessment } from '../assess';
import { isoDate, plainText } from '../parts/common';
import { dayAfter } from '../units/days';
import { currencySchema, netOf } from '../units/money';
import { basketFor, type WholeBasket } from '../versus/basketFor';
import { costLines } from './costs';
import { priced, type NotPriced, type Priced } from './priced';
import { quoteTermsSchema, type QuoteTerms } from './terms';

export const QUOTE_FORMAT = 'vane-quote';
const minor = z.number().int();
const lineSchema = z.strictObject({
  what: z.enum(['part', 'labour', 'shipping', 'machine']),
  name: plainText(200),
  count: z.number().int().min(1),
  taxRate: z.number(),
  discountMinor: minor,
  netMinor: minor,
  taxMinor: minor,
  grossMinor: minor,
});

/** A quote as the client gets it: nothing of what it costs the workshop stands in it. */
export const quoteSchema = z.strictObject({
  format: z.literal(QUOTE_FORMAT),
  version: z.literal(1),
  number: plainText(40),
  revision: z.number().int().min(1),
  machine: plainText(120),
  on: isoDate,
  validUntil: isoDate,
  currency: currencySchema,
  taxName: plainText(20),
  /** Prices are written with tax in them. */
  pricesIncludeTax: z.boolean(),
  from: quoteTermsSchema.shape.from,
  client: quoteTermsSchema.shape.client,
  lines: z.array(lineSchema),
  /** Parts without a price: they are in no total. */
  unpriced: z.array(plainText(200)),
  /** Wanted with the machine, and not in it. */
  lacking: z.array(plainText(60)),
  byRate: z.array(z.strictObject({ taxRate: z.number(), netMinor: minor, taxMinor: minor })),
  discount: z.strictObject({ name: plainText(80), minor }).optional(),
  netMinor: minor,
  taxMinor: minor,
  totalMinor: minor,
  depositMinor: minor,
  restMinor: minor,
  paymentDays: z.number().int().optional(),
  /** The day on which the last parcel is there. */
  partsThereOn: isoDate.optional(),
  warrantyMonths: z.number().int().optional(),
  covers: plainText(400).optional(),
  notIncluded: z.array(plainText(200)),
  /** Other machines at the same terms. */
  alternatives: z.array(z.strictObject({ name: plainText(120), totalMinor: minor, differenceMinor: minor })),
  /** What it does: each task as it is asked for and as it is predicted, with what it does now where that is known. */
  work: z.array(
    z.strictObject({ task: plainText(200), needs: z.string(), does: z.string(), now: z.string().optional() }),
  ),
});
export type Quote = z.infer<typeof quoteSchema>;

/** A quote with what stays in the workshop. */
export interface Quoted {
  readonly quote: Quote;
  readonly inside: Priced;
  readonly basket: WholeBasket;
}

/** A machine priced on terms; its basket is how it would be bought today. */
export function pricedMachine(
  machine: Assessment,
  terms: QuoteTerms,
): { readonly priced: Priced | NotPriced; readonly basket: WholeBasket } {
  const basket = basketFor(machine);
  return { priced: priced(costLines(machine, basket, terms), terms, machine.region), basket };
}

/** How a result is told; words are not made here. */
export interface Telling {
  readonly needs: (machine: Assessment, task: string) => string;
  readonly does: (machine: Assessment, task: string) => string;
  readonly lacking: (what: WholeBasket['lacking'][number]) => string;
}

/**
 * A quote for a machine, with others at the same terms as alternatives and the machine that is there beside what it does.
 * An alternative that cannot be priced in full is left out, as its total would be too low.
 */
export function quoteOf(
  machine: Assessment,
  others: readonly Assessment[],
  present: Assessment | undefined,
  terms: QuoteTerms,
  telling: Telling,
): Quoted | NotPriced {
  const { priced: inside, basket } = pricedMachine(machine, terms);
  if ('code' in inside) return inside;
  const { facts, region } = machine;
  const on = terms.on ?? facts.today;
  // a total that is asked for is asked of this machine: the others are priced by what it comes to on cost
  const fair: QuoteTerms =
    terms.margin.by === 'total'
      ? { ...terms, margin: { by: 'percent', percent: percentOfCost(inside, region.pricesIncludeTax) } }
      : terms;
  const alternatives = others.flatMap((other) => {
    const { priced: price, basket: its } = pricedMachine(other, fair);
    if ('code' in price || price.unpriced.length > 0 || its.lowerBound) return [];
    return [
      {
        name: other.facts.machine.name,
        totalMinor: price.totalMinor,
        differenceMinor: price.totalMinor - inside.totalMinor,
      },
    ];
  });
  const quote = quoteSchema.parse({
    format: QUOTE_FORMAT,
    version: 1,
    number: terms.number,
    revision: terms.revision,
    machine: facts.machine.name,
    on,
    validUntil: dayAfter(on, terms.validDays),
    currency: region.currency,
    taxName: region.taxName,
    pricesIncludeTax: region.pricesIncludeTax,
    from: terms.from,
    client: terms.client,
    lines: shown(inside, terms, facts.machine.name),
    unpriced: inside.unpriced,
    lacking: basket.lacking.map(telling.lacking),
    byRate: inside.byRate,
    ...(terms.discount ? { discount: { name: terms.discount.name, minor: inside.discountMinor } } : {}),
    netMinor: inside.netMinor,
    taxMinor: inside.taxMinor,
    totalMinor: inside.totalMinor,
    depositMinor: inside.depositMinor,
    restMinor: inside.restMinor,
    paymentDays: terms.paymentDays,
    partsThereOn: basket.best?.arrives,
    warrantyMonths: terms.warrantyMonths,
    covers: terms.covers,
    notIncluded: terms.notIncluded,
    alternatives,
    work: facts.brief.tasks.map(({ id, name }) => ({
      task: name,
      needs: telling.needs(machine, id),
      does: telling.does(machine, id),
      ...(present ? { now: telling.does(present, id) } : {}),
    })),
  });
  return { quote, inside, basket };
}

/** What parts were made dearer by, in percent of their cost to four places: what a total that was asked for comes to. */
function percentOfCost({ lines }: Priced, taxIn: boolean): string {
  const parts = lines.filter(({ what }) => what === 'part');
  const cost = parts.reduce((sum, line) => sum + (line.costMinor ?? 0), 0);
  const net = parts.reduce((sum, line) => sum + (taxIn ? netOf(line.amountMinor, line.taxRate) : line.amountMinor), 0);
  const percent = cost > 0 ? Math.max(0, (100 * (net - cost)) / cost) : 0;
  return String(Math.min(999, Math.round(percent * 1e4) / 1e4));
}

/** Lines as the client reads them: all of them, or the machine as one with work and sending in it. */
function shown({ lines }: Priced, { show }: QuoteTerms, machine: string): Quote['lines'] {
  const plain = lines.map(({ what, name, count, taxRate, discountMinor, netMinor, taxMinor, grossMinor }) => ({
    what,
    name,
    count,
    taxRate,
    discountMinor,
    netMinor,
    taxMinor,
    grossMinor,
  }));
  if (show === 'lines') return plain;
  // tax is told by its rate, so there is one line for each
  return [...new Set(plain.map(({ taxRate }) => taxRate))].map((taxRate, i) =>
    plain
      .filter((line) => line.taxRate === taxRate)
      .reduce<Quote['lines'][number]>(
        (all, line) => ({
          ...all,
          discountMinor: all.discountMinor + line.discountMinor,
          netMinor: all.netMinor + line.netMinor,
          taxMinor: all.taxMinor + line.taxMinor,
          grossMinor: all.grossMinor + line.grossMinor,
        }),
        {
          what: 'machine',
          name: i === 0 ? machine : `${machine}, work and else`,
          count: 1,
          taxRate,
          discountMinor: 0,
          netMinor: 0,
          taxMinor: 0,
          grossMinor: 0,
        },
      ),
  );
}
