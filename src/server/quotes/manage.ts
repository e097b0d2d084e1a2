import { z } from 'zod';
import type { Assessment } from '@/core/assess';
import type { Basket } from '@/core/money/basket';
import { quoteChanges } from '@/core/quote/changes';
import { insideOf, revisionSpecSchema, stateOf, type RevisionSpec, type Sent } from '@/core/quote/kept';
import type { Quoted } from '@/core/quote/quote';
import { termsOf, type Workshop } from '@/core/quote/terms';
import { failing } from '@/core/rules/rule';
import { counted, firstFree } from '@/core/units/free';
import { findingWords } from '@/core/words/findings';
import { optionOutWords } from '@/core/words/quote';
import * as projects from '@/store/projectStore';
import {
  addQuote,
  addRevision,
  dropRevision,
  listQuotes,
  readQuote,
  readWorkshop,
  takenNames,
  writeSpec,
  type StoredQuote,
} from '@/store/quoteStore';
import type { QuoteDetail, QuoteView } from '../contract';
import { answering, DONE, read, Refusal, refuse, type Done, type Refused } from '../refuse';
import { todayOf, type Service } from '../service';
import { compose, draftsOf, seatsNow, sellable } from './compose';
import { GONE, revisionOf } from './found';
import { pageAddress } from './send';

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
      state: stateOf(revision, quote.revisions, today),
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
      ...(revision.token === undefined ? {} : { page: pageAddress(workshop, revision.token) }),
      ...(revision.order ? { order: revision.order } : {}),
    };
  }),
});

/** The quotes that are made of drafts of a seat, the last first. */
export async function quotesOf(service: Service, seatId: string): Promise<{ quotes: QuoteView[]; workshop: Workshop }> {
  const seat = (await projects.listSeats(service.db)).find(({ id }) => id === seatId);
  const [all, workshop, today] = [
    seat ? await listQuotes(service.db, seat.projectId) : [],
    await readWorkshop(service.db),
    await todayOf(service),
  ];
  const mine = all.filter(({ revisions }) =>
    revisions.some(({ spec }) => spec.subjects.some(({ seat: of }) => of === seatId)),
  );
  return { quotes: mine.map((quote) => viewOf(quote, workshop, today)).reverse(), workshop };
}

/** One quote with its revisions. */
export async function quoteById(service: Service, id: string): Promise<QuoteView | undefined> {
  const quote = await readQuote(service.db, id);
  return quote && viewOf(quote, await readWorkshop(service.db), await todayOf(service));
}

/** A revision in full: what goes out, what stays in the workshop, and what has changed since others. */
export async function quoteDetail(service: Service, id: string, revision: number): Promise<QuoteDetail | Refused> {
  return answering(async () => {
    const { quote, mine } = await revisionOf(service, id, revision);
    const before = quote.revisions.filter((each) => each.revision < revision && each.sent).at(-1)?.sent?.quote;
    const shown = mine.sent ? await sentDetail(service, mine.spec, mine.sent) : await openDetail(service, mine.spec);
    return { state: 'made' as const, ...shown, ...(before ? { since: quoteChanges(before, shown.quote) } : {}) };
  });
}

type Detail = Omit<QuoteDetail, 'state' | 'since'>;

/** What is open is as it would be if it were sent now, with what the workshop should know of that. */
async function openDetail(service: Service, spec: RevisionSpec): Promise<Detail> {
  const made = await compose(service, spec, await seatsNow(service, spec));
  const { quote, machines, others, out } = made;
  const there = new Set(quote.alternatives.map(({ id }) => id));
  return {
    quote,
    inside: insideOf(made.inside, quote),
    notes: [
      ...machines.flatMap((machine, i) => standsAgainst(machine, quote.machines[i]?.seat)),
      ...others.flatMap((machine) =>
        there.has(machine.facts.machine.id)
          ? standsAgainst(machine, undefined)
          : [`${machine.facts.machine.name} is left out: it cannot be priced in full, so its total would be too low`],
      ),
      ...out.map(optionOutWords),
    ],
    ...(await teamOf(service, spec, made)),
  };
}

/** What was sent is as it was; beside it what the same machines would cost today. */
async function sentDetail(service: Service, spec: RevisionSpec, sent: Sent): Promise<Detail> {
  const kept = { quote: sent.quote, inside: sent.inside, notes: [] };
  try {
    const now = await compose(service, spec, sent.seats);
    return {
      ...kept,
      today: { changes: quoteChanges(sent.quote, now.quote), costMinor: now.inside.costMinor },
      ...(await teamOf(service, spec, now)),
    };
  } catch (error) {
    // it can be read whatever became of what it is priced by
    if (!(error instanceof Refusal)) throw error;
    return { ...kept, todayNot: error.problems.map(({ message }) => message).join('; ') };
  }
}

/** Of several machines: what each seat may have, and what they cost in baskets of their own beside one. */
async function teamOf(service: Service, spec: RevisionSpec, { purchases }: Quoted): Promise<Pick<Detail, 'team'>> {
  if (spec.subjects.length === 1) return {};
  const landed = (baskets: readonly Basket[]): number => baskets.reduce((sum, { total }) => sum + total.landedMinor, 0);
  return {
    team: {
      seats: await draftsOf(service, spec),
      apartMinor: landed(purchases.own),
      togetherMinor: landed(purchases.baskets),
      joint: purchases.joint,
    },
  };
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
    const { numbers, ids } = await takenNames(service.db);
    const year = today.slice(0, 4);
    const number = firstFree(counted(year), (wanted) => numbers.has(wanted));
    const id = firstFree(counted('quote', ids.size + 1), (wanted) => ids.has(wanted));
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
    const [draft] = sellable(seat?.drafts ?? []);
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
