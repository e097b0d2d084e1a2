import { createHash } from 'node:crypto';
import { contextOf, type Context } from '@/core/assess';
import { machineSchema, type Machine } from '@/core/model/machine';
import type { RevisionSpec, SeatThen } from '@/core/quote/kept';
import { quoteOf, type Quoted, type Subject } from '@/core/quote/quote';
import { notPricedWords } from '@/core/words/quote';
import * as projects from '@/store/projectStore';
import type { SeatDrafts } from '../contract';
import { refuse } from '../refuse';
import { todayOf, type Service } from '../service';
import { lately } from '@/core/units/lately';

/** The seats of a revision as they stand, each once. @throws Refusal where one is gone */
export async function seatsNow(service: Service, { subjects }: RevisionSpec): Promise<SeatThen[]> {
  const seats: SeatThen[] = [];
  for (const id of new Set(subjects.map(({ seat }) => seat))) {
    const found = await projects.readSeat(service.db, id);
    if (!found) refuse('seat', `"${id}" is not there any more; make a quote of another seat`);
    seats.push({
      seat: id,
      name: found.seat.name,
      project: found.seat.projectName,
      brief: found.brief.body,
      drafts: found.drafts.map(({ id: draft, body }) => ({ id: draft, body })),
    });
  }
  return seats;
}

/** A seat with what its machines are judged in; machines have their document's id. */
interface Judged {
  readonly seat: SeatThen;
  readonly context: Context;
}
/** Seats that are remembered. */
const REMEMBERED = 40;
/** By all that they rest on: what was judged once is known as long as nothing of it moves. */
const known = lately<Judged>(REMEMBERED);

async function judgedSeat(service: Service, seat: SeatThen): Promise<Judged> {
  const [today, settings, { compiled, revision }, elsewhere] = [
    await todayOf(service),
    await service.settings(),
    await service.catalogue(),
    await projects.measuredElsewhere(service.db, seat.seat),
  ];
  const key = createHash('sha256')
    .update(JSON.stringify([service.path, revision, today, settings, seat, elsewhere]))
    .digest('base64');
  return known(key, () => {
    const drafts = seat.drafts.map(({ id, body }) => ({ id, body: { ...body, id } }));
    return {
      seat: { ...seat, drafts },
      context: contextOf(compiled, today, settings, [...drafts.map(({ body }) => body), ...elsewhere]),
    };
  });
}

/** What a revision offers. */
export interface Offering {
  readonly title: string;
  readonly subjects: readonly Subject[];
  readonly spares: Machine | undefined;
}

/**
 * What a revision offers, from seats as they stand or stood.
 * @throws Refusal where a draft or region is gone, or the seats pay in different regions
 */
export async function offeringOf(service: Service, spec: RevisionSpec, seats: readonly SeatThen[]): Promise<Offering> {
  const { compiled } = await service.catalogue();
  const several = spec.subjects.length > 1;
  let title: string | undefined;
  const subjects: Subject[] = [];
  for (const { seat: seatId, draft: draftId } of spec.subjects) {
    const then = seats.find((each) => each.seat === seatId);
    const judged = then && (await judgedSeat(service, then));
    const draft = judged?.seat.drafts.find(({ id }) => id === draftId);
    if (!judged || !draft)
      refuse('draft', `"${draftId}" is not there any more; take it out of this quote, or make one of another draft`);
    const { name, project, brief, drafts } = judged.seat;
    if (!compiled.region(brief.region))
      refuse('region', `"${brief.region}" of ${name} is not in the library; bring it back there first`);
    title ??= several ? project : draft.body.name;
    subjects.push({
      id: draft.id,
      ...(several ? { seat: name } : {}),
      brief,
      machine: draft.body,
      present: drafts.find(({ id, body }) => body.present === true && id !== draft.id)?.body,
      others: drafts.flatMap(({ id, body }) => (spec.others.includes(id) ? [body] : [])),
      context: judged.context,
    });
  }
  const regions = new Set(subjects.map(({ brief }) => brief.region));
  if (regions.size > 1)
    refuse('region', `these seats pay in ${[...regions].join(' and ')}; make a quote for those of each`);
  return { title: title ?? '', subjects, spares: sparesOf(spec) };
}

/**
 * A revision at the prices of a day, today's where none is said.
 * @throws Refusal where something is gone or no price can be made
 */
export async function compose(
  service: Service,
  spec: RevisionSpec,
  seats: readonly SeatThen[],
  on?: string,
): Promise<Quoted> {
  const { title, subjects, spares } = await offeringOf(service, spec, seats);
  const made = quoteOf(title, subjects, { ...spec.terms, on: on ?? (await todayOf(service)) }, spares);
  if ('code' in made) {
    const [first] = subjects;
    const region = first?.context.catalogue.region(first.brief.region);
    refuse('terms', `This quote ${notPricedWords(made, region?.currency ?? 'USD')}`);
  }
  return made;
}

/** Spares as the items of a machine, so that they are bought as its parts would be. */
function sparesOf({ spares }: RevisionSpec): Machine | undefined {
  const items = spares.flatMap(({ part, count }) =>
    Array.from({ length: count }, (_, i) => ({ id: `${part}-${i + 1}`, part, label: part })),
  );
  return items.length === 0 ? undefined : machineSchema.parse({ id: 'spares', name: 'Spares', items });
}

/** Drafts that can be sold: they have parts and are not the machine that is there. */
export const sellable = <D extends { readonly body: Machine }>(drafts: readonly D[]): D[] =>
  drafts.filter(({ body }) => body.present !== true && body.items.length > 0);

/** The drafts of each seat of a quote, to choose among. */
export async function draftsOf(service: Service, { subjects }: RevisionSpec): Promise<SeatDrafts[]> {
  const seats = await Promise.all(subjects.map(({ seat }) => projects.readSeat(service.db, seat)));
  return seats.flatMap((found): SeatDrafts[] => {
    if (!found) return [];
    const { budgetMinor } = found.brief.body;
    return [
      {
        seat: found.seat.id,
        name: found.seat.name,
        ...(budgetMinor === undefined ? {} : { budgetMinor }),
        drafts: sellable(found.drafts).map(({ id, body }) => ({ id, name: body.name })),
      },
    ];
  });
}
