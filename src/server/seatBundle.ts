import { idIn } from '@/core/units/free';
import type { Brief } from '@/core/model/brief';
import type { Catalogue } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { goodsOf, partsNeeded, WHOLE_ON_PAGES } from '@/core/model/needed';
import type { Part } from '@/core/parts';
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

/** What judging these machines and all rivals reads of the catalogue, and all parts of the kinds that a page has whole. */
function known(data: CatalogueData, catalogue: Catalogue, brief: Brief, machines: readonly Machine[]): CatalogueData {
  const options = data.rivals.flatMap((rival) => (rival.options ?? []).flatMap(({ edit }) => editedParts(edit)));
  const needed = partsNeeded(brief, [...machines, ...data.rivals.map((rival) => rival.machine)], catalogue);
  const parts = [
    ...needed,
    ...options.flatMap((id) => catalogue.part(id) ?? []),
    ...WHOLE_ON_PAGES.flatMap((kind): readonly Part[] => catalogue.ofKind(kind)),
  ];
  return { ...data, ...goodsOf(parts, catalogue, brief.region) };
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
  const { data, compiled, revision } = await service.catalogue();
  // without its region nothing can be priced or wired; the desk tells it
  if (!idIn(data.regions)(documents.brief.body.region)) return undefined;
  const measuredElsewhere = await projects.measuredElsewhere(service.db, seatId);
  return {
    ...documents,
    measuredElsewhere,
    data: known(data, compiled, documents.brief.body, [
      ...documents.drafts.map((draft) => draft.body),
      ...measuredElsewhere,
    ]),
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
