import { FIRST } from '@/core/model/machine';
import { inPhase } from '@/core/model/phases';
import { contextOf } from '@/core/assess';
import { chosenTotal } from '@/core/quote/document';
import { answerSchema, stateOf, type Answer, type RevisionSpec } from '@/core/quote/kept';
import { changedBy } from '@/core/quote/options';
import { orderOf, type Order } from '@/core/quote/order';
import { notHadWords } from '@/core/words/quote';
import { readQuote, writeAnswer, type StoredRevision } from '@/store/quoteStore';
import { read, Refusal, refuse } from '../refuse';
import { todayOf, type Service } from '../service';
import { compose } from './compose';

/** What a client says to a quote. */
export type Saying = Pick<Answer, 'state' | 'options' | 'alternative' | 'by'>;

/**
 * Keeps the client's answer, once; with an accepted one the purchase list of what was chosen.
 * @throws Refusal where the quote lapsed, was replaced or answered, or the choice cannot be had
 */
export async function giveAnswer(
  service: Service,
  quoteId: string,
  revision: number,
  said: Partial<Saying>,
): Promise<void> {
  const quote = await readQuote(service.db, quoteId);
  const mine = quote?.revisions.find((each) => each.revision === revision);
  if (!quote || !mine?.sent) refuse('quote', 'was not sent; send it first');
  const today = await todayOf(service);
  const state = stateOf(
    mine,
    quote.revisions.some((each) => each.revision > revision && each.sent !== undefined),
    today,
  );
  const { quote: paper } = mine.sent;
  if (mine.answer) refuse('quote', `was ${mine.answer.state} on ${mine.answer.on} already`);
  if (said.state === 'accepted' && state === 'lapsed')
    refuse('quote', `lapsed on ${paper.validUntil}; make a new revision of it with today’s prices`);
  if (said.state === 'accepted' && state === 'replaced')
    refuse('quote', 'was replaced by a later revision; that one can be accepted');
  const options = said.options ?? [];
  const total = chosenTotal(paper, { options, alternative: said.alternative });
  if (said.state === 'accepted' && typeof total !== 'number') refuse('options', notHadWords(total, paper));
  const answer = read(answerSchema, {
    ...said,
    options: said.state === 'accepted' ? options : [],
    on: today,
    ...(said.state === 'accepted' ? { totalMinor: total } : {}),
  });
  const order = answer.state === 'accepted' ? await orderNow(service, mine, answer).catch(notMade) : undefined;
  if (!(await writeAnswer(service.db, quoteId, revision, answer, order))) refuse('quote', 'was answered meanwhile');
}

/** The answer counts although its purchase list cannot be made: a draft is gone, or a price. */
function notMade(error: unknown): undefined {
  if (!(error instanceof Refusal)) throw error;
  return undefined;
}

/** The purchase list of what was accepted, at today's prices. @throws Refusal where a draft is gone */
export async function orderNow(service: Service, { spec }: StoredRevision, answer: Answer): Promise<Order> {
  const { compiled } = await service.catalogue();
  const context = contextOf(compiled, await todayOf(service), await service.settings());
  const { alternative } = answer;
  const taken: RevisionSpec = {
    ...spec,
    subjects: spec.subjects.map((subject, i) =>
      alternative !== undefined && i === 0 ? { ...subject, draft: alternative } : subject,
    ),
    others: [],
    terms: { ...spec.terms, options: [], margin: { by: 'percent', percent: '0' }, discount: undefined },
  };
  const options = spec.terms.options.filter(({ id }) => answer.options.includes(id));
  const first = spec.subjects[0]?.draft;
  const made = await compose(service, taken, {
    chosen: (machine, draft) =>
      options
        .filter((option) => (option.machine ?? first) === draft)
        .reduce((now, option) => changedBy(now, option, context) ?? now, inPhase(machine, FIRST)),
  });
  return orderOf(made.bought, made.purchases, [
    ...made.quote.machines.map(({ seat }) => seat),
    ...(spec.spares.length > 0 ? ['spares'] : []),
  ]);
}
