import { idIn } from '@/core/units/free';
import type { Brief } from '@/core/model/brief';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import type { MachineEdit } from '@/core/model/edits';
import type { Machine } from '@/core/model/machine';
import { isNews, type Watch } from '@/core/money/watch';
import { readSeen, readWatches } from '@/store/priceStore';
import { stepsOf } from '@/store/history';
import * as projects from '@/store/projectStore';
import type { SeatBundle } from './contract';
import { ownedRows } from './owned';
import { todayOf, type Service } from './service';

/** Parts that an edit puts into a machine. */
function editedParts(edit: MachineEdit | undefined): string[] {
  switch (edit?.kind) {
    case 'swap':
      return [edit.part];
    case 'add':
      return [edit.item.part];
    case 'several':
      return edit.edits.flatMap(editedParts);
    default:
      return [];
  }
}

/** The catalogue entries that these machines and all rivals mention. */
function mentioned(data: CatalogueData, brief: Brief, machines: readonly Machine[]): CatalogueData {
  const ids = new Set<string>(
    [...machines, ...data.rivals.map((rival) => rival.machine)].flatMap((machine) =>
      machine.items.flatMap((item): string[] => [item.part, ...(item.standInRange ?? [])]),
    ),
  );
  for (const rival of data.rivals)
    for (const { edit } of rival.options ?? []) for (const part of editedParts(edit)) ids.add(part);
  for (const id of brief.ownedDisplays) ids.add(id);
  // licences of the applications in the brief: what the software costs is told before one is chosen
  const applications = new Set(brief.tasks.map((task) => task.application));
  const names = new Set(data.applications.filter(({ id }) => applications.has(id)).map(({ name }) => name));
  for (const part of data.parts)
    if (part.kind === 'licence' && part.application !== undefined && names.has(part.application)) ids.add(part.id);
  return {
    ...data,
    parts: data.parts.filter((part) => ids.has(part.id)),
    offers: data.offers.filter((offer) => ids.has(offer.part) && offer.region === brief.region),
  };
}

/** Whether a watch is on a draft of a seat, or on a part of one in the seat's region. */
function concerns({ what }: Watch, { seat, brief, drafts }: projects.SeatDocuments): boolean {
  return what.kind === 'draft'
    ? what.seat === seat.id
    : what.region === brief.body.region &&
        drafts.some((draft) => draft.body.items.some((item) => item.part === what.part));
}

/** A seat for its screens; what can be taken back is that of a window. */
export async function seatBundle(service: Service, seatId: string, window = ''): Promise<SeatBundle | undefined> {
  const documents = await projects.readSeat(service.db, seatId);
  if (!documents) return undefined;
  const { data, revision } = await service.catalogue();
  // without its region nothing can be priced or wired; the desk tells it
  if (!idIn(data.regions)(documents.brief.body.region)) return undefined;
  const measuredElsewhere = await projects.measuredElsewhere(service.db, seatId);
  return {
    ...documents,
    measuredElsewhere,
    data: mentioned(data, documents.brief.body, [...documents.drafts.map((draft) => draft.body), ...measuredElsewhere]),
    catalogueRevision: revision,
    today: await todayOf(service),
    settings: await service.settings(),
    steps: await stepsOf(service.db, seatId, window),
    seen: await readSeen(service.db, seatId),
    owned: await ownedRows(service),
    news: (await readWatches(service.db)).filter((watch) => isNews(watch) && concerns(watch, documents)),
  };
}

export async function allSeats(service: Service): Promise<SeatBundle[]> {
  const seats = await projects.listSeats(service.db);
  const bundles = await Promise.all(seats.map((seat) => seatBundle(service, seat.id)));
  return bundles.filter((bundle) => bundle !== undefined);
}
