import { z } from 'zod';
import { isoDate, plainText } from '../parts/common';
import { currencySchema } from '../units/money';
import { COST_LINES } from '../versus/ownership';
import { LOCALES, quoteTermsSchema, SHEETS } from './terms';

export const QUOTE_FORMAT = 'vane-quote';
const minor = z.number().int();
const totals = { netMinor: minor, taxMinor: minor, totalMinor: minor };

const lineSchema = z.strictObject({
  /** `beside` is what of a machine's price is taxed otherwise. */
  what: z.enum(['part', 'labour', 'shipping', 'machine', 'beside']),
  /** The machine that it is for; what is for all of them names none. */
  machine: z.string().optional(),
  part: z.string().optional(),
  name: plainText(200),
  count: z.number().int().min(1),
  taxRate: z.number(),
  discountMinor: minor,
  netMinor: minor,
  taxMinor: minor,
  grossMinor: minor,
});
export type PaperLine = z.infer<typeof lineSchema>;

/** How much work is done or asked for; words and number formats are the paper's. Times in seconds, rates a second. */
export const amountSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('fails') }),
  z.strictObject({ kind: z.literal('starved') }),
  z.strictObject({ kind: z.literal('unknown'), atMost: z.number().optional(), unit: z.string(), short: z.boolean() }),
  z.strictObject({ kind: z.literal('time'), low: z.number(), high: z.number() }),
  z.strictObject({ kind: z.literal('rate'), low: z.number(), high: z.number(), unit: z.string() }),
  z.strictObject({ kind: z.literal('pace'), low: z.number(), high: z.number(), buffer: z.boolean() }),
  /** Asked of work that keeps up or does not. */
  z.strictObject({ kind: z.literal('paced'), buffer: z.boolean() }),
]);
export type Amount = z.infer<typeof amountSchema>;

const workSchema = z.strictObject({
  task: plainText(200),
  needs: amountSchema,
  does: amountSchema,
  now: amountSchema.optional(),
  verdict: z.enum(['carries', 'between', 'short', 'unproven']).optional(),
});
export type PaperWork = z.infer<typeof workSchema>;

/** Why a part is in it: figures only. */
export const reasonSchema = z.discriminatedUnion('code', [
  z.strictObject({ code: z.literal('sets-pace'), tasks: z.array(z.string()) }),
  z.strictObject({ code: z.literal('holds'), needBytes: z.number(), hasBytes: z.number() }),
  z.strictObject({ code: z.literal('keeps'), roles: z.array(z.string()), bytes: z.number().optional() }),
  z.strictObject({ code: z.literal('carries-draw'), watts: z.number(), ratedW: z.number() }),
  z.strictObject({ code: z.literal('cools'), celsius: z.number(), limitC: z.number() }),
  z.strictObject({ code: z.literal('quiet'), dbA: z.number() }),
  z.strictObject({ code: z.literal('takes'), memory: z.number(), cards: z.number(), drives: z.number() }),
  z.strictObject({ code: z.literal('works-with') }),
]);
export type Reason = z.infer<typeof reasonSchema>;

/** Beside money: which side has more of something, both figures where they are known. */
export const besideSchema = z.strictObject({
  id: z.string(),
  better: z.enum(['ours', 'theirs']),
  ours: z.union([z.number(), z.boolean()]),
  theirs: z.union([z.number(), z.boolean()]),
});

const againstSchema = z.strictObject({
  what: z.enum(['present', 'branded']),
  name: plainText(120),
  /** Landed; none of what is there already. */
  totalMinor: minor.optional(),
  /** How fast this machine is against it, over the tasks that both run; above 1 is faster. */
  speed: z.strictObject({ low: z.number(), likely: z.number(), high: z.number() }).optional(),
  tasks: z.number().int(),
  /** What it comes to over the years of service against this machine, and what of both is known and counted. */
  years: z
    .strictObject({ years: z.number().int(), differenceMinor: minor, lines: z.array(z.enum(COST_LINES)) })
    .optional(),
  /** Tasks that only one of them runs. */
  onlyOurs: z.array(z.string()),
  onlyTheirs: z.array(z.string()),
  beside: z.array(besideSchema),
});
export type Against = z.infer<typeof againstSchema>;

/** What nobody asked for: the difference where it can be had, tax in; what cannot be had on this platform has none. */
const notAskedSchema = z.strictObject({
  what: z.enum(['error-correction', 'second-drive', 'quieter']),
  differenceMinor: minor.optional(),
  /** What would be put in. */
  part: z.string().optional(),
  dbA: z.number().optional(),
});
export type NotAsked = z.infer<typeof notAskedSchema>;

const machineSchema = z.strictObject({
  id: z.string(),
  /** Whose it is. */
  seat: plainText(120).optional(),
  name: plainText(120),
  ...totals,
  /** Parts without a price: they are in no total. */
  unpriced: z.array(plainText(200)),
  /** Wanted with the machine, and not in it. */
  lacking: z.array(z.enum(['system', 'display', 'keyboard', 'pointing', 'activation'])),
  work: z.array(workSchema),
  parts: z.array(z.strictObject({ name: plainText(200), kind: z.string(), reason: reasonSchema })),
  against: z.array(againstSchema),
  notAsked: z.array(notAskedSchema),
  /** Places that stay free, and watts to spare: what can be added later. */
  room: z.strictObject({
    memory: z.number().int().optional(),
    cards: z.number().int().optional(),
    drives: z.number().int().optional(),
    watts: z.number().optional(),
  }),
  /** What is planned for later. */
  later: z.array(z.strictObject({ name: plainText(80), on: isoDate.optional() })),
});
export type PaperMachine = z.infer<typeof machineSchema>;

const optionSchema = z.strictObject({
  id: z.string(),
  name: plainText(120),
  machine: z.string(),
  differenceMinor: minor,
  /** The whole quote with this option and no other. */
  totalMinor: minor,
  needs: z.array(z.string()),
  /** Tasks that it changes. */
  work: z.array(z.strictObject({ task: plainText(200), does: amountSchema })),
});
export type PaperOption = z.infer<typeof optionSchema>;

/** A quote as the client gets it: nothing of what it costs the workshop stands in it. */
export const quoteSchema = z.strictObject({
  format: z.literal(QUOTE_FORMAT),
  version: z.literal(2),
  number: plainText(40),
  revision: z.number().int().min(1),
  locale: z.enum(LOCALES),
  sheet: z.enum(SHEETS),
  title: plainText(120),
  on: isoDate,
  validUntil: isoDate,
  currency: currencySchema,
  taxName: plainText(20),
  /** Prices are written with tax in them. */
  pricesIncludeTax: z.boolean(),
  from: quoteTermsSchema.shape.from,
  client: quoteTermsSchema.shape.client,
  machines: z.array(machineSchema),
  lines: z.array(lineSchema),
  /** Parts for all of them without a price: they are in no total. */
  unpriced: z.array(plainText(200)),
  byRate: z.array(z.strictObject({ taxRate: z.number(), netMinor: minor, taxMinor: minor })),
  discount: z.strictObject({ name: plainText(80), minor }).optional(),
  ...totals,
  depositMinor: minor,
  restMinor: minor,
  depositPercent: z.string().optional(),
  paymentDays: z.number().int().optional(),
  /** The day on which the last parcel is there, if it were ordered on the quote's day. */
  partsThereOn: isoDate.optional(),
  warrantyMonths: z.number().int().optional(),
  covers: plainText(400).optional(),
  returnDays: z.number().int().optional(),
  notIncluded: z.array(plainText(200)),
  options: z.array(optionSchema),
  /** Sets of options that cannot be had in full. */
  notAll: z.array(z.array(z.string()).min(2)),
  /** Other machines at the same terms. */
  alternatives: z.array(
    z.strictObject({ id: z.string(), name: plainText(120), totalMinor: minor, differenceMinor: minor }),
  ),
});
export type Quote = z.infer<typeof quoteSchema>;

/** Parts that have no price, of machines and of what is for all. */
export const unpricedIn = ({ machines, unpriced }: Pick<Quote, 'machines' | 'unpriced'>): string[] => [
  ...machines.flatMap((machine) => machine.unpriced),
  ...unpriced,
];

/** What the client may choose of a quote. */
export interface Choice {
  /** Another machine in place of the quoted one. */
  readonly alternative?: string | undefined;
  readonly options: readonly string[];
}

/** Why a choice cannot be had. */
export type NotHad =
  | { readonly code: 'unknown'; readonly id: string }
  | { readonly code: 'needs'; readonly option: string; readonly other: string }
  | { readonly code: 'not-all'; readonly options: readonly string[] }
  /** Options change the quoted machine: in place of it there is nothing that they could change. */
  | { readonly code: 'options-of-another' };

/** What a choice comes to: its differences add up, as options are independent of each other unless one says otherwise. */
export function chosenTotal(quote: Quote, { alternative, options }: Choice): number | NotHad {
  const other = alternative === undefined ? undefined : quote.alternatives.find(({ id }) => id === alternative);
  if (alternative !== undefined && !other) return { code: 'unknown', id: alternative };
  if (other && options.length > 0) return { code: 'options-of-another' };
  const clash = quote.notAll.find((set) => set.every((id) => options.includes(id)));
  if (clash) return { code: 'not-all', options: clash };
  let totalMinor = other?.totalMinor ?? quote.totalMinor;
  for (const id of new Set(options)) {
    const option = quote.options.find((each) => each.id === id);
    if (!option) return { code: 'unknown', id };
    const lacks = option.needs.find((need) => !options.includes(need));
    if (lacks !== undefined) return { code: 'needs', option: id, other: lacks };
    totalMinor += option.differenceMinor;
  }
  return totalMinor;
}
