import { contextOf, type Context } from '@/core/assess';
import { machineSchema, type Machine } from '@/core/model/machine';
import type { RevisionSpec } from '@/core/quote/kept';
import { quoteOf, type Quoted, type Subject } from '@/core/quote/quote';
import { notPricedWords } from '@/core/words/quote';
import * as projects from '@/store/projectStore';
import type { SeatDrafts } from '../contract';
import { refuse } from '../refuse';
import { todayOf, type Service } from '../service';

/** A seat with what its machines are judged in; as long as nothing of it moves, what was judged once is known. */
interface Judged {
  readonly key: string;
  readonly seat: projects.SeatDocuments;
  readonly context: Context;
}
const known = new Map<string, Judged>();
/** Seats that are remembered; the one that was asked for longest ago goes first. */
const REMEMBERED = 40;

async function judgedSeat(service: Service, seatId: string): Promise<Judged | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) return undefined;
  const [today, settings, { compiled, revision }] = [
    await todayOf(service),
    await service.settings(),
    await service.catalogue(),
  ];
  const elsewhere = await projects.measuredElsewhere(service.db, seatId);
  const documents = [seat.brief, ...seat.drafts].map((stored) => [stored.id, stored.revision]);
  const key = JSON.stringify([service.path, revision, today, settings, seat.seat, documents, elsewhere]);
  const before = known.get(seatId);
  known.delete(seatId);
  const judged =
    before?.key === key
      ? before
      : {
          key,
          seat,
          context: contextOf(compiled, today, settings, [...seat.drafts.map(({ body }) => body), ...elsewhere]),
        };
  known.set(seatId, judged);
  for (const oldest of known.keys()) {
    if (known.size <= REMEMBERED) break;
    known.delete(oldest);
  }
  return judged;
}

/** A machine as the client chose it: changed by options, or another in its place. */
export type Chosen = (machine: Machine, draft: string) => Machine;

/**
 * A revision as it would be today: its drafts, terms and prices as they stand.
 * @throws Refusal where a draft is gone or no price can be made
 */
export async function compose(
  service: Service,
  spec: RevisionSpec,
  { on, chosen = (machine) => machine }: { on?: string; chosen?: Chosen } = {},
): Promise<Quoted> {
  const today = await todayOf(service);
  const { compiled } = await service.catalogue();
  const several = spec.subjects.length > 1;
  let title: string | undefined;
  const subjects: Subject[] = [];
  for (const { seat: seatId, draft: draftId } of spec.subjects) {
    const judged = await judgedSeat(service, seatId);
    const seat = judged?.seat;
    const draft = seat?.drafts.find(({ id }) => id === draftId);
    if (!judged || !seat || !draft)
      refuse('draft', `"${draftId}" is not there any more; take it out of this quote, or make one of another draft`);
    if (!compiled.region(seat.brief.body.region))
      refuse(
        'region',
        `"${seat.brief.body.region}" of ${seat.seat.name} is not in the library; bring it back there first`,
      );
    title ??= several ? seat.seat.projectName : draft.body.name;
    const bodies = seat.drafts.map(({ body }) => body);
    subjects.push({
      id: draft.id,
      ...(several ? { seat: seat.seat.name } : {}),
      brief: seat.brief.body,
      machine: named(chosen(draft.body, draft.id), draft.id),
      present: bodies.find((body) => body.present === true && body !== draft.body),
      others: seat.drafts.flatMap(({ id, body }) => (spec.others.includes(id) ? [named(body, id)] : [])),
      context: judged.context,
    });
  }
  const regions = new Set(subjects.map(({ brief }) => brief.region));
  if (regions.size > 1)
    refuse('region', `these seats pay in ${[...regions].join(' and ')}; make a quote for those of each`);
  const made = quoteOf(title ?? '', subjects, { ...spec.terms, on: on ?? today }, sparesOf(spec));
  if ('code' in made) {
    const region = compiled.region(subjects[0]?.brief.region ?? '');
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

const renamed = new WeakMap<Machine, Machine>();

/** A machine under its document's id; the same object each time, so that it is judged once. */
function named(machine: Machine, id: string): Machine {
  let found = renamed.get(machine);
  if (!found) renamed.set(machine, (found = { ...machine, id }));
  return found;
}

/** The drafts of each seat of a quote, to choose among: all of them that have parts and are not the machine that is there. */
export async function draftsOf(service: Service, { subjects }: RevisionSpec): Promise<SeatDrafts[]> {
  const rows = await projects.listSeats(service.db);
  const seats = await Promise.all(subjects.map(({ seat }) => projects.readSeat(service.db, seat)));
  return seats.flatMap((found, i): SeatDrafts[] => {
    const id = subjects[i]?.seat ?? '';
    return [
      {
        seat: id,
        name: rows.find((row) => row.id === id)?.name ?? id,
        ...(found?.brief.body.budgetMinor === undefined ? {} : { budgetMinor: found.brief.body.budgetMinor }),
        drafts: (found?.drafts ?? [])
          .filter(({ body }) => body.present !== true && body.items.length > 0)
          .map(({ id: draft, body }) => ({ id: draft, name: body.name })),
      },
    ];
  });
}
