import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { quoteChanges, type QuoteChanges } from '@/core/quote/changes';
import {
  insideOf,
  revisionSpecSchema,
  stateOf,
  WAYS_TO_SEND,
  type Inside,
  type RevisionSpec,
  type RevisionState,
} from '@/core/quote/kept';
import type { Order } from '@/core/quote/order';
import type { Quote } from '@/core/quote/document';
import { termsOf, UNNAMED, type Workshop } from '@/core/quote/terms';
import type { Assessment } from '@/core/assess';
import type { Basket } from '@/core/money/basket';
import { failing } from '@/core/rules/rule';
import { findingWords } from '@/core/words/findings';
import { counted, firstFree } from '@/core/units/free';
import { optionOutWords } from '@/core/words/quote';
import * as projects from '@/store/projectStore';
import {
  addQuote,
  addRevision,
  changeOrder,
  dropRevision,
  listQuotes,
  readLogo,
  readQuote,
  readWorkshop,
  writeOrder,
  writeSent,
  writeSpec,
  writeToken,
  type StoredQuote,
  type StoredRevision,
} from '@/store/quoteStore';
import type { QuoteDetail, QuoteView } from '../contract';
import { answering, DONE, read, Refusal, refuse, type Done, type Refused } from '../refuse';
import { todayOf, type Service } from '../service';
import { giveAnswer, orderNow } from './answer';
import { compose, draftsOf } from './compose';
import { sendQuote } from './mail';

const stateIn = (quote: StoredQuote, revision: StoredRevision, today: string): RevisionState =>
  stateOf(
    revision,
    quote.revisions.some((each) => each.revision > revision.revision && each.sent !== undefined),
    today,
  );

const pageAddress = (workshop: Workshop, token: string | undefined): string | undefined =>
  token === undefined ? undefined : `http://127.0.0.1:${workshop.pages.port}/${token}`;

const viewOf = (quote: StoredQuote, workshop: Workshop, today: string): QuoteView => ({
  id: quote.id,
  number: quote.number,
  madeOn: quote.madeOn,
  team: quote.revisions.some(({ spec }) => spec.subjects.length > 1),
  revisions: quote.revisions.map((revision) => {
    const { sent, answer } = revision;
    return {
      revision: revision.revision,
      version: revision.version,
      state: stateIn(quote, revision, today),
      spec: revision.spec,
      ...(sent
        ? {
            sent: {
              on: sent.on,
              how: sent.how,
              ...(sent.to === undefined ? {} : { to: sent.to }),
              title: sent.quote.title,
              validUntil: sent.quote.validUntil,
              totalMinor: sent.quote.totalMinor,
              currency: sent.quote.currency,
            },
          }
        : {}),
      ...(answer ? { answer } : {}),
      ...(revision.token === undefined ? {} : { page: pageAddress(workshop, revision.token) ?? '' }),
      ...(revision.order ? { order: revision.order } : {}),
    };
  }),
});

/** The quotes that are made of drafts of a seat, the last first. */
export async function quotesOf(service: Service, seatId: string): Promise<{ quotes: QuoteView[]; workshop: Workshop }> {
  const [all, workshop, today] = [await listQuotes(service.db), await readWorkshop(service.db), await todayOf(service)];
  const mine = all.filter(({ revisions }) =>
    revisions.some(({ spec }) => spec.subjects.some(({ seat }) => seat === seatId)),
  );
  return { quotes: mine.map((quote) => viewOf(quote, workshop, today)).reverse(), workshop };
}

/** One quote with its revisions. */
export async function quoteById(service: Service, id: string): Promise<QuoteView | undefined> {
  const quote = await readQuote(service.db, id);
  return quote && viewOf(quote, await readWorkshop(service.db), await todayOf(service));
}

const GONE = 'is not there any more; another window took it away';

async function revisionOf(service: Service, id: string, revision: number) {
  const quote = await readQuote(service.db, id);
  const mine = quote?.revisions.find((each) => each.revision === revision);
  if (!quote || !mine) refuse('quote', GONE);
  return { quote, mine };
}

/** A revision in full: what goes out, what stays in the workshop, and what has changed since others. */
export async function quoteDetail(service: Service, id: string, revision: number): Promise<QuoteDetail | Refused> {
  return answering(async () => {
    const { quote, mine } = await revisionOf(service, id, revision);
    const before = quote.revisions.filter((each) => each.revision < revision && each.sent).at(-1)?.sent?.quote;
    const { sent } = mine;
    const now = await compose(service, mine.spec).catch((error: unknown) => {
      // what was sent can be read whatever became of its drafts
      if (sent && error instanceof Refusal) return error;
      throw error;
    });
    const today = now instanceof Refusal ? undefined : now;
    if (!sent && !today) refuse('quote', GONE);
    const paper: Quote | undefined = sent?.quote ?? today?.quote;
    const inside: Inside | undefined = sent?.inside ?? (today && insideOf(today.inside, today.quote));
    if (!paper || !inside) refuse('quote', GONE);
    const since: QuoteChanges | undefined = before && quoteChanges(before, paper);
    return {
      state: 'made' as const,
      quote: paper,
      inside,
      notes: [
        ...(today && !sent
          ? today.machines.flatMap((machine, i) => standsAgainst(machine, today.quote.machines[i]?.seat))
          : []),
        ...(today && !sent ? today.out.map(optionOutWords) : []),
        ...(today && !sent
          ? today.otherOut.map(
              (name) => `${name} is left out: it cannot be priced in full, so its total would be too low`,
            )
          : []),
      ],
      ...(since ? { since } : {}),
      ...(sent && today
        ? { today: { changes: quoteChanges(sent.quote, today.quote), costMinor: today.inside.costMinor } }
        : {}),
      ...(today && mine.spec.subjects.length > 1
        ? {
            team: {
              seats: await draftsOf(service, mine.spec),
              apartMinor: landed(today.purchases.own),
              togetherMinor: landed(today.purchases.baskets),
              joint: today.purchases.joint,
            },
          }
        : {}),
      ...(now instanceof Refusal ? { todayNot: now.problems.map(({ message }) => message).join('; ') } : {}),
    };
  });
}

/** What stands against ordering a machine: nobody should sell it without knowing. */
function standsAgainst({ facts, findings }: Assessment, seat: string | undefined): string[] {
  const against = findings.filter(({ level }) => failing(level));
  const [first] = against;
  if (!first) return [];
  const rest = against.length - 1;
  return [
    `${seat === undefined ? '' : `${seat}: `}${facts.machine.name} should not be ordered as it is: ${findingWords(first).says.replace(/\.$/, '')}${rest > 0 ? `, and ${rest} more under Draft` : ''}`,
  ];
}

const landed = (baskets: readonly Basket[]): number => baskets.reduce((sum, { total }) => sum + total.landedMinor, 0);

const beginSchema = z.object({
  seatId: z.string().max(200),
  draftId: z.string().max(200),
  /** All seats of the project, each with the draft that stands first. */
  team: z.boolean(),
});

/** A new quote for a draft, or for all seats of its project; the client is the project. */
export async function beginQuote(service: Service, input: unknown): Promise<{ state: 'made'; id: string } | Refused> {
  return answering(async () => {
    const { seatId, draftId, team } = read(beginSchema, input);
    const seat = await projects.readSeat(service.db, seatId);
    const draft = seat?.drafts.find(({ id }) => id === draftId);
    if (!seat || !draft) refuse('draft', GONE);
    const subjects = team ? await teamSubjects(service, seat.seat.projectId) : [{ seat: seatId, draft: draftId }];
    const first = subjects[0];
    if (!first) refuse('draft', 'no seat of this project has a machine to sell');
    const today = await todayOf(service);
    const all = await listQuotes(service.db);
    const year = today.slice(0, 4);
    const numbers = new Set(all.map(({ number }) => number));
    const number = firstFree(
      counted(year, all.filter(({ number: known }) => known.startsWith(`${year}-`)).length + 1),
      (wanted) => numbers.has(wanted),
    );
    const id = firstFree(counted('quote', all.length + 1), (wanted) => all.some((quote) => quote.id === wanted));
    const terms = termsOf(await readWorkshop(service.db), {
      number,
      client: { name: seat.seat.projectName, address: [] },
    });
    await addQuote(
      service.db,
      { id, projectId: seat.seat.projectId, number, madeOn: today },
      revisionSpecSchema.parse({ subjects, terms }),
    );
    return { state: 'made' as const, id };
  });
}

/** Each seat of a project with its first draft that has parts and is not the machine that is there. */
async function teamSubjects(service: Service, projectId: string): Promise<RevisionSpec['subjects']> {
  const rows = (await projects.listSeats(service.db)).filter((row) => row.projectId === projectId);
  const subjects: RevisionSpec['subjects'] = [];
  for (const { id } of rows) {
    const seat = await projects.readSeat(service.db, id);
    const draft = seat?.drafts.find(({ body }) => body.present !== true && body.items.length > 0);
    if (draft) subjects.push({ seat: id, draft: draft.id });
  }
  return subjects;
}

export type Kept = Done | Refused | { readonly state: 'stale'; readonly version: number; readonly spec: RevisionSpec };

const keepSchema = z.object({
  id: z.string().max(200),
  revision: z.number().int(),
  version: z.number().int(),
  spec: revisionSpecSchema,
});

/** Keeps an open revision; where another window did meanwhile, gives that back and keeps nothing. */
export async function keepRevision(service: Service, input: unknown): Promise<Kept> {
  return answering(async (): Promise<Kept> => {
    const { id, revision, version, spec } = read(keepSchema, input);
    const { mine } = await revisionOf(service, id, revision);
    if (mine.sent) refuse('revision', `${revision} was sent on ${mine.sent.on} and stays as it is; make a new one`);
    if (await writeSpec(service.db, id, revision, version, spec)) return DONE;
    const { mine: theirs } = await revisionOf(service, id, revision);
    return { state: 'stale', version: theirs.version, spec: theirs.spec };
  });
}

/** A further revision, from the last as it was sent. */
export async function reviseQuote(
  service: Service,
  id: string,
): Promise<{ state: 'made'; revision: number } | Refused> {
  return answering(async () => {
    const quote = await readQuote(service.db, id);
    const last = quote?.revisions.at(-1);
    if (!quote || !last) refuse('quote', GONE);
    if (!last.sent) return { state: 'made' as const, revision: last.revision };
    if (last.answer?.state === 'accepted')
      refuse('quote', `was accepted on ${last.answer.on}; what is agreed does not change, make a new quote`);
    const revision = last.revision + 1;
    const { from } = await readWorkshop(service.db);
    const terms = { ...last.spec.terms, revision, ...(from ? { from } : {}) };
    await addRevision(service.db, id, revision, { ...last.spec, terms });
    return { state: 'made' as const, revision };
  });
}

export async function dropOpen(service: Service, id: string, revision: number): Promise<Done | Refused> {
  return answering(async () => {
    const { mine } = await revisionOf(service, id, revision);
    if (mine.sent) refuse('revision', `${revision} was sent on ${mine.sent.on} and is kept`);
    await dropRevision(service.db, id, revision);
    return DONE;
  });
}

const sendSchema = z.object({
  id: z.string().max(200),
  revision: z.number().int(),
  version: z.number().int(),
  how: z.enum(WAYS_TO_SEND),
  to: z.string().trim().max(200).optional(),
});

/** An address of a page: 24 bytes of chance. */
const newToken = (): string => randomBytes(24).toString('base64url');

/** Sends an open revision, and freezes it as it went out. */
export async function sendRevision(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const { id, revision, version, how, to } = read(sendSchema, input);
    const { mine } = await revisionOf(service, id, revision);
    if (mine.sent) refuse('revision', `was sent on ${mine.sent.on} already`);
    if (mine.version !== version)
      refuse('revision', 'was changed in another window; look at it again before it goes out');
    const workshop = await readWorkshop(service.db);
    const from = mine.spec.terms.from.name === UNNAMED.name ? workshop.from : mine.spec.terms.from;
    if (!from) refuse('from', 'has no name yet: say under Workshop what the workshop is called');
    const on = await todayOf(service);
    const made = await compose(service, { ...mine.spec, terms: { ...mine.spec.terms, from, revision } }, { on });
    const token = workshop.pages.on && how !== 'file' ? newToken() : undefined;
    if (how === 'page' && token === undefined)
      refuse('page', 'pages for clients are off; turn them on under Workshop, or send it by mail or as a file');
    if (how === 'mail') {
      if (workshop.mailPort === undefined)
        refuse('mail', 'no mail server is named under Workshop; name one, or send it as a file');
      if (to === undefined || !/^[^\s@<>]+@[^\s@<>]+$/.test(to)) refuse('to', 'is no address; write it as name@place');
      await sendQuote(workshop.mailPort, to, made.quote, {
        logo: await readLogo(service.db),
        page: pageAddress(workshop, token),
      });
    }
    const sent = {
      on,
      how,
      ...(to === undefined || to === '' ? {} : { to }),
      quote: made.quote,
      inside: insideOf(made.inside, made.quote),
    };
    if (!(await writeSent(service.db, id, revision, sent, token))) refuse('revision', 'was sent from another window');
    return DONE;
  });
}

/** Takes the page of a revision away; its address answers as one that never was. */
export async function withdrawPage(service: Service, id: string, revision: number): Promise<Done | Refused> {
  return answering(async () => {
    await revisionOf(service, id, revision);
    await writeToken(service.db, id, revision, undefined);
    return DONE;
  });
}

export async function answerQuote(
  service: Service,
  id: string,
  revision: number,
  said: unknown,
): Promise<Done | Refused> {
  return answering(async () => {
    await giveAnswer(
      service,
      id,
      revision,
      read(
        z.object({
          state: z.enum(['accepted', 'declined']),
          options: z.array(z.string().max(100)).max(12).default([]),
          alternative: z.string().max(200).optional(),
        }),
        said,
      ),
    );
    return DONE;
  });
}

/** Makes the purchase list anew where there was none: a draft came back, or a price. */
export async function orderAgain(service: Service, id: string, revision: number): Promise<Done | Refused> {
  return answering(async () => {
    const { mine } = await revisionOf(service, id, revision);
    if (mine.answer?.state !== 'accepted') refuse('quote', 'was not accepted');
    if (mine.order) refuse('order', 'is there already');
    const order: Order = await orderNow(service, mine, mine.answer);
    if (!(await writeOrder(service.db, id, revision, order))) refuse('order', 'was made in another window');
    return DONE;
  });
}

const stepSchema = z.discriminatedUnion('step', [
  z.object({ step: z.literal('bought'), on: z.iso.date(), paidMinor: z.number().int().nonnegative() }),
  z.object({ step: z.literal('received'), on: z.iso.date() }),
  z.object({ step: z.literal('back'), on: z.iso.date(), refundMinor: z.number().int().nonnegative().optional() }),
  z.object({ step: z.literal('undo') }),
]);

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
      lines: order.lines.map((entry) => {
        if (entry.id !== line) return entry;
        const { bought, received, back, ...rest } = entry;
        const had = { ...(bought ? { bought } : {}), ...(received === undefined ? {} : { received }) };
        switch (step.step) {
          case 'bought':
            return { ...rest, ...had, bought: { on: step.on, paidMinor: step.paidMinor } };
          case 'received':
            if (!bought) refuse('line', `${entry.name} was not bought yet`);
            if (step.on < bought.on) refuse('on', `is before ${bought.on}, the day on which it was bought`);
            return { ...rest, ...had, received: step.on };
          case 'back':
            if (received === undefined) refuse('line', `${entry.name} is not there yet`);
            if (step.on < received) refuse('on', `is before ${received}, the day on which it came`);
            return {
              ...rest,
              ...had,
              back: { on: step.on, ...(step.refundMinor === undefined ? {} : { refundMinor: step.refundMinor }) },
            };
          case 'undo':
            if (back) return { ...rest, ...had };
            if (received !== undefined) return { ...rest, ...(bought ? { bought } : {}) };
            return rest;
        }
      }),
    }));
    if (!done) refuse('order', GONE);
    return DONE;
  });
}
