import { z } from 'zod';
import { minorDigits, minorOf, shownCoins, type Currency } from './money';

/** What a number that somebody types may be, and what its field is for. */
export interface NumberRange {
  readonly min?: number;
  readonly max?: number;
  readonly unit?: string;
  readonly whole?: boolean;
  /** One sentence on what the figure does; it follows the reason when a value is refused. */
  readonly explains?: string;
}

const shown = (value: number): string => value.toLocaleString('en-US', { maximumSignificantDigits: 6 });

/**
 * The range that a field takes, as a sentence.
 * @example rangeText({ min: 1, max: 40, unit: 'parcels' }) // "Between 1 and 40 parcels."
 */
export function rangeText({ min, max, unit }: NumberRange): string {
  const by = unit ? ` ${unit}` : '';
  if (min !== undefined && max !== undefined) return `Between ${shown(min)} and ${shown(max)}${by}.`;
  return min === undefined ? `At most ${shown(max ?? 0)}${by}.` : `At least ${shown(min)}${by}.`;
}

/** Refuses what was typed, in a sentence. */
function wrong(context: z.core.$RefinementCtx<string>, message: string): never {
  context.addIssue({ code: 'custom', message });
  return z.NEVER;
}

/**
 * A number as it is typed, with a point or a comma. What is wrong is said in a sentence with the range and what the figure
 * does.
 * @example typedNumber({ min: 0, max: 5 }).parse('2,5') // 2.5
 */
export const typedNumber = (range: NumberRange) =>
  z.string().transform((text, context): number => {
    const value = Number(text.trim().replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(value)) return wrong(context, 'Type a number.');
    if (range.whole && !Number.isInteger(value)) return wrong(context, 'Type a whole number.');
    const within = (range.min ?? -Infinity) <= value && value <= (range.max ?? Infinity);
    return within ? value : wrong(context, `${rangeText(range)} ${range.explains ?? ''}`.trim());
  });

/** Days before this one are slips of the hand: of a year that is half typed. */
const FIRST_DAY = '1990-01-01';

/**
 * A day as ISO 8601 has it.
 * @example typedDay('2026-05-18').parse('2026-05-04') // '2026-05-04'
 */
export const typedDay = (latest?: string) =>
  z.string().transform((text, context): string => {
    if (!z.iso.date().safeParse(text).success || text < FIRST_DAY)
      return wrong(context, 'Type a whole day, such as 2026-05-04.');
    return latest !== undefined && text > latest ? wrong(context, `It cannot be after ${latest}.`) : text;
  });

/**
 * What a field reads, or nothing where it is left empty.
 * @example orNone(typedNumber({ min: 1 })).parse('') // undefined
 */
export const orNone = <T>(schema: z.ZodType<T, string>) =>
  z.string().transform((text, context): T | undefined => {
    if (text.trim() === '') return undefined;
    const read = schema.safeParse(text);
    if (read.success) return read.data;
    return wrong(context, read.error.issues.map(({ message }) => message).join(' '));
  });

/** The amount that stands as an example in messages. */
const EXAMPLE_MINOR = 24_990;

/** What an amount may be, minor units. */
interface AmountRange {
  /** What it is called where it is asked for again: "a price". */
  readonly called: string;
  readonly least: number;
  /** What an empty field means, where it may be empty. */
  readonly none?: number;
}

/**
 * An amount of a currency as it is typed, in minor units.
 * @example typedAmount('USD', { called: 'a price', least: 1 }).parse('12.50') // 1250
 */
export const typedAmount = (currency: Currency, { called, least, none }: AmountRange) =>
  z.string().transform((text, context): number => {
    if (text.trim() === '' && none !== undefined) return none;
    const minor = minorOf(text, currency);
    if (minor !== undefined && minor >= least) return minor;
    return wrong(
      context,
      `Type ${called} in ${currency}${least > 0 ? ' above 0' : ''}, such as ${shownCoins(EXAMPLE_MINOR, currency).toFixed(minorDigits(currency))}${none === undefined ? '' : ', or leave it empty'}.`,
    );
  });
