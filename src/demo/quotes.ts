import type { RevisionSpec } from '@/core/quote/kept';
import { answerQuote } from '@/server/quotes/answer';
import { beginQuote, keepRevision, quoteById, reviseQuote } from '@/server/quotes/manage';
import { orderStep } from '@/server/quotes/orders';
import { sendRevision } from '@/server/quotes/send';
import type { Done, Refused } from '@/server/refuse';
import { seatBundle } from '@/server/seatBundle';
import { saveWorkshop } from '@/server/quotes/workshop';
import { fixDemoDay, type Service } from '@/server/service';
import { dayAfter } from '@/core/units/days';
import { DEMO_TODAY } from './seed';

/** Ports of the stand-ins that belong to the demo. */
export const MAIL_PORT = 4602;

/** The workshop's name, its usual terms, and four quotes: one sent, one accepted, one lapsed, and the team's. */
export async function demoQuotes(service: Service): Promise<void> {
  await taken(
    saveWorkshop(service, {
      from: {
        name: 'Quillstone Workshop',
        address: ['4 Harbour Stairs', 'Ansley'],
        taxNumber: 'QW 4471',
        reach: 'bench@quillstone.example',
      },
      labour: [{ name: 'Data moved from the present machine', hours: 2, hourMinor: 48_00 }],
      margin: { by: 'kind', percent: '12', kinds: { graphics: '8', processor: '8' } },
      shippingMinor: 25_00,
      depositPercent: '40',
      paymentDays: 14,
      warrantyMonths: 24,
      covers: 'parts and work',
      returnDays: 14,
      notIncluded: ['a display', 'training'],
      mailPort: MAIL_PORT,
    }),
  );
  // lapsed: sent six weeks ago
  await on(service, dayAfter(DEMO_TODAY, -42), async () => {
    await sent(service, await begun(service, 'office', 'office-a'));
  });
  // accepted: sent eleven days ago, answered on the fourth day, and partly bought since
  const accepted = await on(service, dayAfter(DEMO_TODAY, -11), async () => {
    const id = await begun(service, 'rig-design', 'rig-a');
    await sent(service, id);
    return id;
  });
  await on(service, dayAfter(DEMO_TODAY, -7), () => taken(answerQuote(service, accepted, 1, { state: 'accepted' })));
  await bought(service, accepted);
  // sent: a second revision, with a choice and a discount that the first had not
  const film = await on(service, dayAfter(DEMO_TODAY, -3), async () => {
    const id = await begun(service, 'film-desk', 'film-b');
    await sent(service, id);
    return id;
  });
  await taken(reviseQuote(service, film));
  const { draft: other } = await place(service, 'film-desk', 'film-two');
  await changed(service, film, (spec) => ({
    ...spec,
    others: [other],
    terms: {
      ...spec.terms,
      discount: { name: 'Returning client', percent: '2' },
      options: [
        { id: 'option-1', name: 'A larger graphics card', item: 'graphics-1', part: 'lumoth-drift-24' },
        { id: 'option-2', name: 'A second drive for footage', part: 'dromolite-spate-2-tb' },
        { id: 'option-3', name: 'The case with glass', item: 'case-1', part: 'marlhouse-quay-glass' },
      ],
    },
  }));
  await sent(service, film);
  const { seat, draft } = await place(service, 'film-desk', 'film-b');
  await taken(beginQuote(service, { seatId: seat, draftId: draft, team: true }));
}

/** Does something on another day of the demo's world. */
async function on<T>(service: Service, day: string, work: () => Promise<T>): Promise<T> {
  await fixDemoDay(service, day);
  try {
    return await work();
  } finally {
    await fixDemoDay(service, DEMO_TODAY);
  }
}

/** What was done; the demo is made of things that can be done. @throws where it was refused */
async function taken<T extends { readonly state: string }>(work: Promise<T | Refused>): Promise<T> {
  const result = await work;
  if (result.state === 'refused') throw new Error(JSON.stringify(result));
  return result as T;
}

/** A draft's document by the machine's own id. */
async function place(service: Service, seat: string, machine: string): Promise<{ seat: string; draft: string }> {
  const found = (await seatBundle(service, seat))?.drafts.find(({ body }) => body.id === machine);
  if (!found) throw new Error(`the demo has no ${machine}`);
  return { seat, draft: found.id };
}

async function begun(service: Service, seatId: string, machine: string): Promise<string> {
  const { draft } = await place(service, seatId, machine);
  return (await taken(beginQuote(service, { seatId, draftId: draft, team: false }))).id;
}

async function open(service: Service, id: string) {
  const last = (await quoteById(service, id))?.revisions.at(-1);
  if (!last) throw new Error(`the demo has no quote ${id}`);
  return last;
}

async function changed(service: Service, id: string, change: (spec: RevisionSpec) => RevisionSpec): Promise<void> {
  const { revision, version, spec } = await open(service, id);
  await taken(keepRevision(service, { id, revision, version, spec: change(spec) }) as Promise<Done | Refused>);
}

/** The demo's mailbox is not running while it is made, so its quotes went out as files. */
async function sent(service: Service, id: string): Promise<void> {
  const { revision, version } = await open(service, id);
  await taken(sendRevision(service, { id, revision, version, how: 'file' }));
}

/** All but the last two lines are bought, half of them are there, and one goes back. */
async function bought(service: Service, id: string): Promise<void> {
  const { order, revision } = await open(service, id);
  const lines = order?.lines ?? [];
  for (const [i, line] of lines.slice(0, -2).entries()) {
    const step = (what: object) => taken(orderStep(service, id, revision, line.id, what));
    await step({ step: 'bought', on: dayAfter(DEMO_TODAY, -6), paidMinor: line.expectedMinor + (i === 1 ? 4_00 : 0) });
    if (i % 2 === 0) await step({ step: 'received', on: dayAfter(DEMO_TODAY, -2) });
    if (i === 2) await step({ step: 'back', on: dayAfter(DEMO_TODAY, -1) });
  }
}
