import { LONGEST_NAME } from '@/core/parts/common';
import { counted, firstFree, idIn, numbered, numberedWithin } from '@/core/units/free';
import { draftAddress } from '@/core/model/addresses';
import { machineSchema, type Machine } from '@/core/model/machine';
import * as projects from '@/store/projectStore';
import type { SeatBundle } from './contract';
import { seatBundle } from './seatBundle';
import { now, type Service } from './service';

/** A seat with a draft more, and that draft's document; none where there was nothing to make it of. */
export interface WithDraft {
  readonly bundle: SeatBundle | undefined;
  readonly id: string | undefined;
}

/** Adds a machine to a seat's drafts, under the first of some names that is free. */
async function added(
  service: Service,
  seat: projects.SeatDocuments,
  machine: Machine,
  names: Iterable<string>,
  labelled: (name: string) => string,
  window: string,
): Promise<WithDraft> {
  const seatId = seat.seat.id;
  const bodies = seat.drafts.map(({ body }) => body);
  const draftId = firstFree(counted(seatId, bodies.length + 1), idIn(bodies));
  const name = firstFree(names, (wanted) => bodies.some((body) => body.name === wanted));
  const step = { label: labelled(name), at: now(), window };
  const id = await projects.addDraft(service.db, seatId, { ...machine, id: draftId, name }, step);
  return { bundle: await seatBundle(service, seatId, window), id };
}

/** A draft of a seat from a draft of this or another one, with a name of its own, and the seat as it is then. */
export async function copyDraft(
  service: Service,
  seatId: string,
  documentId: string,
  fromSeat = seatId,
  window = '',
): Promise<WithDraft> {
  const seat = await projects.readSeat(service.db, seatId);
  const origin = fromSeat === seatId ? seat : await projects.readSeat(service.db, fromSeat);
  const source = origin?.drafts.find((draft) => draft.id === documentId);
  if (!seat || !source) return { bundle: await seatBundle(service, seatId, window), id: undefined };
  const names = namesOfCopy(fromSeat !== seatId, source.body.name);
  return added(service, seat, source.body, names, () => `Copy of ${source.body.name}`, window);
}

/** A machine that was found as a draft of a seat, and the seat as it is then. */
export async function addFound(service: Service, seatId: string, found: Machine, window = ''): Promise<WithDraft> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) return { bundle: undefined, id: undefined };
  return added(service, seat, found, numberedWithin(LONGEST_NAME, found.name, ''), (name) => `${name}, found`, window);
}

/** A draft of another seat keeps its name where that is free; a copy says of what. */
function* namesOfCopy(elsewhere: boolean, source: string): Generator<string> {
  if (elsewhere) yield source;
  yield* numberedWithin(LONGEST_NAME, source, ' copy');
}

/** Drafts of other seats that have parts, to start from. */
export async function draftsElsewhere(
  service: Service,
  seatId: string,
): Promise<{ seatId: string; documentId: string; project: string; label: string }[]> {
  const seats = (await projects.listSeats(service.db)).filter((seat) => seat.id !== seatId);
  const full = await Promise.all(
    seats.map(async (seat) => ({ ...seat, drafts: (await projects.readSeat(service.db, seat.id))?.drafts ?? [] })),
  );
  return full.flatMap((seat) =>
    seat.drafts
      .filter((draft) => draft.body.items.length > 0)
      .map((draft) => ({
        seatId: seat.id,
        documentId: draft.id,
        project: seat.projectName,
        label: `${seat.name}: ${draft.body.name}`,
      })),
  );
}

export async function dropDraft(
  service: Service,
  seatId: string,
  documentId: string,
  window = '',
): Promise<SeatBundle | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  const draft = seat?.drafts.find((candidate) => candidate.id === documentId);
  // the last draft stays: a seat without one has no stations to show
  if (seat && draft && seat.drafts.length > 1)
    await projects.removeDraft(service.db, seatId, documentId, {
      label: `Removal of ${draft.body.name}`,
      at: now(),
      window,
    });
  return seatBundle(service, seatId, window);
}

/** An empty draft for the machine that is there; gives back the address where it is filled. */
export async function addPresentMachine(service: Service, seatId: string): Promise<string | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) return undefined;
  const id = firstFree(numbered('present'), idIn(seat.drafts.map(({ body }) => body)));
  const documentId = await projects.addDraft(
    service.db,
    seatId,
    machineSchema.parse({ id, name: 'Present machine', items: [], present: true }),
    { label: 'Present machine', at: now(), window: '' },
  );
  return draftAddress(seat.seat.projectId, seatId, documentId);
}
