import { writeBom, type Bom } from '@/core/formats/bom';
import { CATALOGUE_FORMAT, type CatalogueData } from '@/core/model/catalogueSchema';
import { CATALOGUE_LISTS } from '@/core/formats/entries';
import { writeSheet, type SheetKind } from '@/core/formats/csv/sheets';
import { readHandFigures, readOwned } from '@/store/libraryStore';
import * as projects from '@/store/projectStore';
import { readSeatSpec } from '@/store/seatSpecs';
import type { SeatSpec } from '@/core/formats/projectFile';
import { AROUND_LISTS } from '@/core/formats/aroundFile';
import { readAround } from '@/store/around';
import type { Readable } from 'node:stream';
import { vaneOutput } from './child';
import { pack } from './import/archive';
import { todayOf, type Service } from './service';

/** A catalogue file entry by entry, so that a large one needs no large string. */
export function* catalogueLines(data: CatalogueData, name: string): Generator<string> {
  yield `{\n"format": "${CATALOGUE_FORMAT}",\n"version": 1,\n"name": ${JSON.stringify(name)}`;
  for (const list of CATALOGUE_LISTS) {
    yield `,\n"${list}": [`;
    let first = true;
    for (const entry of data[list]) {
      yield `${first ? '' : ','}\n${JSON.stringify(entry)}`;
      first = false;
    }
    yield '\n]';
  }
  yield '\n}\n';
}

/** All parts of a kind, or all offers, as CSV. Figures filled in by hand are in it. */
export async function exportSheet(service: Service, kind: SheetKind): Promise<Iterable<string>> {
  const { data } = await service.catalogue();
  return writeSheet(kind, kind === 'offer' ? data.offers : data.parts.filter((part) => part.kind === kind));
}

export async function exportCatalogue(service: Service): Promise<Iterable<string>> {
  return catalogueLines((await service.catalogue()).data, 'Catalogue');
}

/** One draft as a hardware bill of materials. */
export async function exportBom(service: Service, seatId: string, draftId: string): Promise<Bom | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  const draft = seat?.drafts.find((candidate) => candidate.id === draftId || candidate.body.id === draftId);
  if (!draft) return undefined;
  const { compiled } = await service.catalogue();
  return writeBom(draft.body, compiled, `${await todayOf(service)}T00:00:00Z`);
}

/** The part of a catalogue that these seats and all rivals mention, with what it refers to in turn. */
function mentionedBy(data: CatalogueData, seats: readonly SeatSpec[], owned: ReadonlySet<string>): CatalogueData {
  const wanted = new Set<string>(owned);
  for (const seat of seats) {
    for (const id of seat.brief.ownedDisplays) wanted.add(id);
    for (const draft of seat.drafts) for (const item of draft.items) wanted.add(item.part);
  }
  for (const rival of data.rivals) for (const item of rival.machine.items) wanted.add(item.part);
  const byId = new Map(data.parts.map((part) => [part.id as string, part]));
  // a part may refer to another, which may refer to a third
  const open = [...wanted];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    const part = byId.get(id);
    if (!part) continue;
    const next = [
      part.variantOf,
      part.figuresFrom,
      ...(part.kind === 'board' ? (part.testedMemory ?? []) : []),
      ...(part.kind === 'memory' ? (part.testedBoards ?? []) : []),
      part.kind === 'accessory' ? part.fitsCooler : undefined,
    ];
    for (const other of next)
      if (other !== undefined && !wanted.has(other)) {
        wanted.add(other);
        open.push(other);
      }
  }
  return {
    ...data,
    parts: data.parts.filter((part) => wanted.has(part.id)),
    offers: data.offers.filter((offer) => wanted.has(offer.part)),
  };
}

/** The same archive, made in a process of its own: years of prices take seconds to gather. Undefined for no such project. */
export async function archiveElsewhere(service: Service, projectId?: string): Promise<Readable | undefined> {
  const seats = await projects.listSeats(service.db);
  if (projectId !== undefined && !seats.some((seat) => seat.projectId === projectId)) return undefined;
  return vaneOutput(['export', 'archive', ...(projectId === undefined ? [] : ['--project', projectId])], service.path);
}

/** A project, or everything when none is named, as one archive for backup and move. */
export async function exportArchive(
  service: Service,
  projectId?: string,
): Promise<{ name: string; stream: NodeJS.ReadableStream } | undefined> {
  const rows = (await projects.listSeats(service.db)).filter(
    (row) => projectId === undefined || row.projectId === projectId,
  );
  if (projectId !== undefined && rows.length === 0) return undefined;
  const seats: SeatSpec[] = [];
  for (const row of rows) {
    const spec = await readSeatSpec(service.db, row.id);
    if (spec !== undefined) seats.push(JSON.parse(spec) as SeatSpec);
  }
  const owned = await readOwned(service.db);
  // what files said; what was filled in by hand travels apart, so that it stays known as such
  const data = await service.fileCatalogue();
  const taken =
    projectId === undefined ? data : mentionedBy(data, seats, new Set(owned.map((entry) => entry.part as string)));
  const ids = new Set(taken.parts.map((part) => part.id as string));
  const figures = (await readHandFigures(service.db)).filter((figure) => ids.has(figure.part));
  const name = projectId === undefined ? 'Everything' : (rows[0]?.projectName ?? projectId);
  const around = await readAround(service.db, {
    offers: new Set(taken.offers.map(({ id }) => id)),
    parts: ids,
    seats: new Set(rows.map(({ id }) => id)),
    sellers: new Set(taken.offers.map(({ seller, region }) => `${seller} ${region}`)),
  });
  const aroundText = `{\n${AROUND_LISTS.map((list) => `"${list}": ${lines(around[list])}`).join(',\n')}\n}\n`;
  const project = `{\n"seats": ${lines(seats)},\n"figures": ${lines(figures)},\n"owned": ${lines(owned)}\n}\n`;
  return {
    name,
    stream: pack(
      name,
      new Map([
        ['catalogue.json', [...catalogueLines(taken, name)].join('')],
        ['project.json', project],
        ['around.json', aroundText],
      ] as const),
    ),
  };
}

const lines = (entries: readonly object[]): string =>
  `[\n${entries.map((entry) => JSON.stringify(entry)).join(',\n')}\n]`;
