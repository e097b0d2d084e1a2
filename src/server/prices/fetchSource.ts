import { readFile, stat } from 'node:fs/promises';
import { z } from 'zod';
import { readFeedCsv } from '@/core/formats/feed/csv';
import { readJsonLd } from '@/core/formats/feed/jsonLd';
import type { FeedAnswer, PriceSource } from '@/core/formats/feed/source';
import { isoDate } from '@/core/parts/common';
import { currencySchema, type Currency, type DayRate } from '@/core/units/money';

/** How a source is asked; tests and the command line may give their own. */
export interface Asking {
  readonly fetch: (url: string, signal: AbortSignal) => Promise<Response>;
  /** Waits between attempts, ms. */
  readonly wait: (ms: number) => Promise<void>;
  readonly timeoutMs: number;
}

export const usualAsking: Asking = {
  fetch: (url, signal) =>
    fetch(url, { signal, headers: { accept: 'application/ld+json, text/csv, application/json' } }),
  wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  timeoutMs: 10_000,
};

/** Attempts at one source, and what is waited after the first; each further wait is twice as long. */
export const ATTEMPTS = 3;
const FIRST_WAIT_MS = 500;
/** Answers of more than this are refused: a feed has no reason to be larger. */
const MOST_BYTES = 128 * 1024 * 1024;

/** An answer that trying again cannot better. */
class Refused extends Error {}

async function textOf(source: PriceSource, day: string, asking: Asking): Promise<string> {
  const at = source.at.replaceAll('{day}', day);
  if (source.kind === 'file') {
    const info = await stat(at).catch(() => undefined);
    if (!info?.isFile()) throw new Refused(`there is no file ${at}`);
    if (info.size > MOST_BYTES) throw new Refused(`the file has ${info.size} bytes; up to ${MOST_BYTES} are read`);
    return readFile(at, 'utf8');
  }
  if (!/^https?:\/\//.test(at)) throw new Refused(`"${at}" is no address that starts with http:// or https://`);
  const signal = AbortSignal.timeout(asking.timeoutMs);
  const response = await asking.fetch(at, signal);
  if (response.status >= 400 && response.status < 500) throw new Refused(`it answered ${response.status}`);
  if (!response.ok) throw new Error(`it answered ${response.status}`);
  if (Number(response.headers.get('content-length') ?? 0) > MOST_BYTES) throw new Refused('its answer is too large');
  const text = await response.text();
  if (text.length > MOST_BYTES) throw new Refused('its answer is too large');
  return text;
}

const parse = (source: PriceSource, text: string): FeedAnswer =>
  source.format === 'csv' ? readFeedCsv(text) : readJsonLd(text);

const ratesSchema = z.object({
  base: currencySchema,
  day: isoDate,
  rates: z.partialRecord(currencySchema, z.string().regex(/^\d{1,6}(\.\d{1,8})?$/, 'is no rate such as "0.92"')),
});

function ratesIn(text: string): DayRate[] {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new Error('the answer is no JSON');
  }
  const read = ratesSchema.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Error(`the answer holds no rates: ${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`);
  }
  const { base, day, rates } = read.data;
  return Object.entries(rates).map(([quote, rate]) => ({ base, quote: quote as Currency, day, rate }));
}

/** What went wrong, in words; a source that could not be read says why it was the last time. */
const reason = (error: unknown, asking: Asking): string => {
  if (!(error instanceof Error)) return String(error);
  if (error.name === 'TimeoutError' || error.name === 'AbortError')
    return `it did not answer within ${asking.timeoutMs / 1000} s`;
  const cause = error.cause instanceof Error ? error.cause.message : undefined;
  if (error.message === 'terminated') return 'the answer broke off half way';
  return error.message === 'fetch failed' ? `it cannot be reached${cause ? ` (${cause})` : ''}` : error.message;
};

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
  asking: Asking,
  onAttempt: (attempt: number, before: string | undefined) => void,
): Promise<Asked> {
  let message = '';
  for (let attempt = 1; attempt <= ATTEMPTS; attempt++) {
    onAttempt(attempt, message === '' ? undefined : message);
    try {
      const text = await textOf(source, day, asking);
      if (source.format === 'rates')
        return { state: 'answered', answer: { entries: [], problems: [] }, rates: ratesIn(text), attempts: attempt };
      const answer = parse(source, text);
      const broken = answer.entries.length === 0 ? answer.problems[0] : undefined;
      // an answer without a single price is one that broke: it may be whole the next time
      if (!broken) return { state: 'answered', answer, attempts: attempt };
      message = `${broken.place} ${broken.message}`;
    } catch (error) {
      message = reason(error, asking);
      if (error instanceof Refused) return { state: 'failed', message, attempts: attempt };
    }
    if (attempt < ATTEMPTS) await asking.wait(FIRST_WAIT_MS * 2 ** (attempt - 1));
  }
  return { state: 'failed', message, attempts: ATTEMPTS };
}
