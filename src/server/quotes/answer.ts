import { z } from 'zod';
import { chosenTotal } from '@/core/quote/document';
import { answerSchema, stateOf } from '@/core/quote/kept';
import { notHadWords } from '@/core/words/quote';
import { writeAnswer } from '@/store/quoteStore';
import { answering, DONE, read, Refusal, refuse, type Done, type Refused } from '../refuse';
import { todayOf, type Service } from '../service';
import { revisionOf } from './found';
import { orderNow } from './orders';

/** What a client says to a quote. */
export const sayingSchema = z.object({
  state: z.enum(['accepted', 'declined']),
  by: z.string().max(120).optional(),
  options: z.array(z.string().max(100)).max(12).default([]),
  alternative: z.string().max(200).optional(),
});

/**
 * Keeps the client's answer, once; with an accepted one the purchase list of what was chosen.
 * @throws Refusal where the quote lapsed, was replaced or answered, or the choice cannot be had
 */
export async function giveAnswer(service: Service, id: string, revision: number, input: unknown): Promise<void> {
  const said = read(sayingSchema, input);
  const { quote, mine } = await revisionOf(service, id, revision);
  if (!mine.sent) refuse('quote', 'was not sent; send it first');
  if (mine.answer) refuse('quote', `was ${mine.answer.state} on ${mine.answer.on} already`);
  const today = await todayOf(service);
  const { quote: paper } = mine.sent;
  if (said.state === 'declined') {
    const answer = read(answerSchema, { state: said.state, by: said.by, on: today });
    if (!(await writeAnswer(service.db, id, revision, answer, undefined))) refuse('quote', ANSWERED);
    return;
  }
  const state = stateOf(mine, quote.revisions, today);
  if (state === 'lapsed')
    refuse('quote', `lapsed on ${paper.validUntil}; make a new revision of it with today’s prices`);
  if (state === 'replaced') refuse('quote', 'was replaced by a later revision; that one can be accepted');
  const totalMinor = chosenTotal(paper, said);
  if (typeof totalMinor !== 'number') refuse('options', notHadWords(totalMinor, paper));
  const answer = read(answerSchema, { ...said, on: today, totalMinor });
  // the answer counts although its purchase list cannot be made
  const order = await orderNow(service, mine, answer).catch((error: unknown) => {
    if (!(error instanceof Refusal)) throw error;
    return undefined;
  });
  if (!(await writeAnswer(service.db, id, revision, answer, order))) refuse('quote', ANSWERED);
}
const ANSWERED = 'was answered meanwhile';

/** What the client said on paper or otherwise. */
export const answerQuote = (service: Service, id: string, revision: number, said: unknown): Promise<Done | Refused> =>
  answering(async () => {
    await giveAnswer(service, id, revision, said);
    return DONE;
  });
