import { z } from 'zod';
import { changedBy } from '@/core/quote/options';
import { orderOf, type Order } from '@/core/quote/order';
import type { Answer } from '@/core/quote/kept';
import { boughtFor, type Subject } from '@/core/quote/quote';
import { inPhase } from '@/core/model/phases';
import { FIRST } from '@/core/model/machine';
import { changeOrder, writeOrder, type StoredRevision } from '@/store/quoteStore';
import { answering, DONE, read, refuse, type Done, type Refused } from '../refuse';
import type { Service } from '../service';
import { offeringOf } from './compose';
import { GONE, revisionOf } from './found';

/**
 * The purchase list of what was accepted: what was sold, at today's prices.
 * @throws Refusal where a region is gone, or an option can no longer be put in
 */
export async function orderNow(service: Service, { spec, sent }: StoredRevision, answer: Answer): Promise<Order> {
  if (!sent) refuse('quote', 'was not sent');
  const { alternative } = answer;
  const [first, ...rest] = spec.subjects;
  const taken = first && alternative !== undefined ? [{ ...first, draft: alternative }, ...rest] : spec.subjects;
  const { subjects, spares } = await offeringOf(service, { ...spec, subjects: taken, others: [] }, sent.seats);
  const options = spec.terms.options.filter(({ id }) => answer.options.includes(id));
  const chosen = subjects.map((subject): Subject => ({
    ...subject,
    machine: options
      .filter((option) => (option.machine ?? first?.draft) === subject.id)
      .reduce(
        (machine, option) =>
          changedBy(machine, option, subject.context) ??
          refuse('options', `"${option.name}" cannot be put in any more: its part is not in the library`),
        inPhase(subject.machine, FIRST),
      ),
  }));
  const { all, purchases } = boughtFor(chosen, spares);
  return orderOf(all, purchases, [...chosen.map(({ seat }) => seat), ...(spares ? ['spares'] : [])]);
}

/** Makes the purchase list anew where there was none: a part came back, or a region. */
export async function orderAgain(service: Service, id: string, revision: number): Promise<Done | Refused> {
  return answering(async () => {
    const { mine } = await revisionOf(service, id, revision);
    if (mine.answer?.state !== 'accepted') refuse('quote', 'was not accepted');
    if (mine.order) refuse('order', 'is there already');
    if (!(await writeOrder(service.db, id, revision, await orderNow(service, mine, mine.answer))))
      refuse('order', 'was made in another window');
    return DONE;
  });
}

const stepSchema = z.discriminatedUnion('step', [
  z.object({ step: z.literal('bought'), on: z.iso.date(), paidMinor: z.number().int().nonnegative() }),
  z.object({ step: z.literal('received'), on: z.iso.date() }),
  z.object({ step: z.literal('back'), on: z.iso.date(), refundMinor: z.number().int().nonnegative().optional() }),
  z.object({ step: z.literal('undo') }),
]);
type Step = z.infer<typeof stepSchema>;

/** What happened to a line of an order: bought, received, sent back; or its last step taken back. */
export async function orderStep(
  service: Service,
  id: string,
  revision: number,
  line: string,
  input: unknown,
): Promise<Done | Refused> {
  return answering(async () => {
    const step = read(stepSchema, input);
    const done = await changeOrder(service.db, id, revision, (order) => ({
      ...order,
      lines: order.lines.map((entry) => (entry.id === line ? stepped(entry, step) : entry)),
    }));
    if (!done) refuse('order', GONE);
    return DONE;
  });
}

/** @throws Refusal for a step out of turn */
function stepped({ bought, received, back, ...rest }: Order['lines'][number], step: Step): Order['lines'][number] {
  const had = { ...(bought ? { bought } : {}), ...(received === undefined ? {} : { received }) };
  switch (step.step) {
    case 'bought':
      return { ...rest, ...had, bought: { on: step.on, paidMinor: step.paidMinor } };
    case 'received':
      if (!bought) refuse('line', `${rest.name} was not bought yet`);
      if (step.on < bought.on) refuse('on', `is before ${bought.on}, the day on which it was bought`);
      return { ...rest, ...had, received: step.on };
    case 'back': {
      if (received === undefined) refuse('line', `${rest.name} is not there yet`);
      if (step.on < received) refuse('on', `is before ${received}, the day on which it came`);
      const refund = step.refundMinor === undefined ? {} : { refundMinor: step.refundMinor };
      return { ...rest, ...had, back: { on: step.on, ...refund } };
    }
    case 'undo':
      if (back) return { ...rest, ...had };
      return received !== undefined && bought ? { ...rest, bought } : rest;
  }
}
