import { z } from 'zod';
import { readFeedCsv } from '@/core/formats/feed/csv';
import { readJsonLd } from '@/core/formats/feed/jsonLd';
import type { FeedAnswer, PriceSource } from '@/core/formats/feed/source';
import { readJson } from '@/core/formats/problems';
import { isoDate } from '@/core/parts/common';
import { currencySchema, type Currency, type DayRate } from '@/core/units/money';
import type { Reach } from './address';
import { NotTaken, reasonOf, textAt, textOfFile } from './ask';

/** How a source is asked; tests and the command line may give their own. */
export interface Asking {
  /** The text at an address. */
  readonly get: (address: string, reach: Reach, signal: AbortSignal) => Promise<string>;
  /** Waits between attempts, ms. */
  readonly wait: (ms: number) => Promise<void>;
  readonly timeoutMs: number;
}

export const usualAsking: Asking = {
  get: (address, reach, signal) => textAt(address, { reach, signal }),
  wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  timeoutMs: 10_000,
};

/** Attempts at one source, and what is waited after the first; each further wait is twice as long. */
export const ATTEMPTS = 3;
const FIRST_WAIT_MS = 500;

function textOf(source: PriceSource, day: string, reach: Reach, asking: Asking): Promise<string> {
  const at = source.at.replaceAll('{day}', day);
  return source.kind === 'file' ? textOfFile(at, reach) : asking.get(at, reach, AbortSignal.timeout(asking.timeoutMs));
}

const parse = (source: PriceSource, text: string): FeedAnswer =>
  source.format === 'csv' ? readFeedCsv(text) : readJsonLd(text);

const ratesSchema = z.object({
  base: currencySchema,
  day: isoDate,
  rates: z.partialRecord(currencySchema, z.string().regex(/^\d{1,6}(\.\d{1,8})?$/, 'is no rate such as "0.92"')),
});

function ratesIn(text: string): DayRate[] {
  const json = readJson(text);
  if (!json.ok) throw new Error('the answer is no JSON');
  const read = ratesSchema.safeParse(json.value);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Error(`the answer holds no rates: ${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`);
  }
  const { base, day, rates } = read.data;
  return Object.entries(rates).map(([quote, rate]) => ({ base, quote: quote as Currency, day, rate }));
}

export type Asked =
  | {
      readonly state: 'answered';
      readonly answer: FeedAnswer;
      readonly rates?: readonly DayRate[];
      readonly attempts: number;
    }
  | { readonly state: 'failed'; readonly message: string; readonly attempts: number };

/** Asks a source until it answers something whole: with growing waits, a few times. */
export async function askSource(
  source: PriceSource,
  day: string,
  reach: Reach,
  asking: Asking,
  onAttempt: (attempt: number, before: string | undefined) => void,
): Promise<Asked> {
  let message = '';
  for (let attempt = 1; attempt <= ATTEMPTS; attempt++) {
    onAttempt(attempt, message === '' ? undefined : message);
    try {
      const text = await textOf(source, day, reach, asking);
      if (source.format === 'rates')
        return { state: 'answered', answer: { entries: [], problems: [] }, rates: ratesIn(text), attempts: attempt };
      const answer = parse(source, text);
      const broken = answer.entries.length === 0 ? answer.problems[0] : undefined;
      // an answer without a single price is one that broke: it may be whole the next time
      if (!broken) return { state: 'answered', answer, attempts: attempt };
      message = `${broken.place} ${broken.message}`;
    } catch (error) {
      message = reasonOf(error, asking.timeoutMs);
      if (error instanceof NotTaken) return { state: 'failed', message, attempts: attempt };
    }
    if (attempt < ATTEMPTS) await asking.wait(FIRST_WAIT_MS * 2 ** (attempt - 1));
  }
  return { state: 'failed', message, attempts: ATTEMPTS };
}
