import { compileCatalogue, type Catalogue } from '@/core/model/catalogue';
import { databasePath } from './path';
import { briefSchema, type Brief } from '@/core/model/brief';
import { editBrief, editMachine, briefEditSchema, machineEditSchema, type MachineEdit } from '@/core/model/edits';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { problemsOf, type Problem } from '@/core/formats/problems';
import { machineSchema, type Machine } from '@/core/model/machine';
import { fullName } from '@/core/model/fitted';
import { figureMeta, isNumberField } from '@/core/parts';
import {
  catalogueRevision,
  emptyMemo,
  fixToday,
  fixedToday,
  partWithFigure,
  readCatalogueData,
} from '@/store/catalogueStore';
import { openDatabase, type Database } from '@/store/database';
import { isNews, type Watch } from '@/core/money/watch';
import { readSettings } from '@/store/libraryStore';
import { readSeen, readWatches } from '@/store/priceStore';
import * as projects from '@/store/projectStore';
import { deskRegion, type Settings } from '@/core/model/settings';
import type { SaveResult, SeatBundle } from './contract';
import { z } from 'zod';

/** The library as it stands; compiled for questions when one is asked, once a revision. */
export interface CatalogueNow {
  readonly data: CatalogueData;
  readonly revision: number;
  readonly compiled: Catalogue;
}

function catalogueNow(data: CatalogueData, revision: number): CatalogueNow {
  let compiled: Catalogue | undefined;
  return {
    data,
    revision,
    get compiled() {
      return (compiled ??= compileCatalogue(data));
    },
  };
}

/** What this process knows: the open database and the catalogue as last read. */
export interface Service {
  readonly db: Database;
  /** Where the database lies: importing and looking things up open it again. */
  readonly path: string;
  readonly catalogue: () => Promise<CatalogueNow>;
  /** The catalogue as files said it, without what was filled in by hand. */
  readonly fileCatalogue: () => Promise<CatalogueData>;
  readonly settings: () => Promise<Settings>;
  readonly close: () => Promise<void>;
}

/** Opens the database; the catalogue is read again whenever its revision has moved, also when another process moved it. */
export function openService(path: string = databasePath()): Service {
  const { db, close } = openDatabase(path);
  let cached: CatalogueNow | undefined;
  const memo = emptyMemo();
  return {
    db,
    path,
    close,
    fileCatalogue: () => readCatalogueData(db, 'files'),
    settings: () => readSettings(db),
    catalogue: async () => {
      const revision = await catalogueRevision(db);
      if (cached?.revision !== revision)
        cached = catalogueNow(await readCatalogueData(db, 'with-hand-figures', memo), revision);
      return cached;
    },
  };
}

export async function todayOf(service: Service): Promise<string> {
  return (await fixedToday(service.db)) ?? new Date().toISOString().slice(0, 10);
}

export const now = (): string => new Date().toISOString();

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

export async function seatBundle(service: Service, seatId: string): Promise<SeatBundle | undefined> {
  const documents = await projects.readSeat(service.db, seatId);
  if (!documents) return undefined;
  const { data, revision } = await service.catalogue();
  const measuredElsewhere = await projects.measuredElsewhere(service.db, seatId);
  return {
    ...documents,
    measuredElsewhere,
    data: mentioned(data, documents.brief.body, [...documents.drafts.map((draft) => draft.body), ...measuredElsewhere]),
    catalogueRevision: revision,
    today: await todayOf(service),
    settings: await service.settings(),
    steps: await projects.stepsOf(service.db, seatId),
    seen: await readSeen(service.db, seatId),
    news: (await readWatches(service.db)).filter((watch) => isNews(watch) && concerns(watch, documents)),
  };
}

export async function allSeats(service: Service): Promise<SeatBundle[]> {
  const seats = await projects.listSeats(service.db);
  const bundles = await Promise.all(seats.map((seat) => seatBundle(service, seat.id)));
  return bundles.filter((bundle) => bundle !== undefined);
}

const target = z.strictObject({
  seatId: z.string(),
  documentId: z.string(),
  base: z.number().int(),
  label: z.string().max(300),
});

/** Runs `change` and turns the schema's refusal into problems; anything else is our own mistake and is thrown on. */
export async function refusing<T>(change: () => Promise<T>): Promise<T | { state: 'refused'; problems: Problem[] }> {
  try {
    return await change();
  } catch (error) {
    if (error instanceof z.ZodError) return { state: 'refused', problems: problemsOf(error) };
    throw error;
  }
}

async function saved<T>(service: Service, seatId: string, result: projects.Saved<T>): Promise<SaveResult<T>> {
  return result.state === 'saved'
    ? { state: 'saved', revision: result.revision, steps: await projects.stepsOf(service.db, seatId) }
    : result;
}

/** Saves one edit of a draft when it was based on the stored revision. */
export async function saveDraftEdit(service: Service, input: unknown, edit: unknown): Promise<SaveResult<Machine>> {
  return refusing(async () => {
    const { seatId, documentId, base, label } = target.parse(input);
    const change = machineEditSchema.parse(edit);
    return saved(
      service,
      seatId,
      await projects.saveDocument(service.db, {
        seatId,
        documentId,
        base,
        label,
        at: now(),
        parse: (json) => machineSchema.parse(json),
        change: (machine) => editMachine(machine, change),
      }),
    );
  });
}

/** Saves one edit of a brief when it was based on the stored revision. */
export async function saveBriefEdit(service: Service, input: unknown, edit: unknown): Promise<SaveResult<Brief>> {
  return refusing(async () => {
    const { seatId, documentId, base, label } = target.parse(input);
    const change = briefEditSchema.parse(edit);
    return saved(
      service,
      seatId,
      await projects.saveDocument(service.db, {
        seatId,
        documentId,
        base,
        label,
        at: now(),
        parse: (json) => briefSchema.parse(json),
        change: (brief) => editBrief(brief, change),
      }),
    );
  });
}

export async function stepSeat(
  service: Service,
  seatId: string,
  direction: 'undo' | 'redo',
): Promise<{ label: string | undefined; bundle: SeatBundle | undefined }> {
  const label = await projects.step(service.db, seatId, direction, now());
  return { label, bundle: await seatBundle(service, seatId) };
}

/** Fills in one missing figure of a part by hand. Only single numbers can be typed in this way. */
export async function fillFigure(
  service: Service,
  seatId: string,
  partId: string,
  field: string,
  value: number,
): Promise<{ state: 'filled'; bundle: SeatBundle | undefined } | { state: 'refused'; problems: Problem[] }> {
  const refuse = (message: string) => ({
    state: 'refused' as const,
    problems: [{ path: `${partId}.${field}`, message }],
  });
  const part = (await service.catalogue()).data.parts.find((candidate) => candidate.id === partId);
  if (!part) return refuse('is a part that the catalogue does not have');
  if (!isNumberField(part.kind, field)) return refuse('is not a single figure that can be typed in here');
  return refusing(async () => {
    await partWithFigure(service.db, partId, field, value);
    await projects.setFigure(
      service.db,
      seatId,
      partId,
      field,
      value,
      `${figureMeta(part.kind, field).label} of ${fullName(part)}`,
      now(),
    );
    return { state: 'filled' as const, bundle: await seatBundle(service, seatId) };
  });
}

/** A copy of a draft under a new name, as the seat's last draft. */
/** A draft of a seat from a draft of this or another one, with a name of its own, and the seat as it is then. */
export async function copyDraft(
  service: Service,
  seatId: string,
  documentId: string,
  fromSeat = seatId,
): Promise<{ bundle: SeatBundle | undefined; id: string | undefined }> {
  const seat = await projects.readSeat(service.db, seatId);
  const origin = fromSeat === seatId ? seat : await projects.readSeat(service.db, fromSeat);
  const source = origin?.drafts.find((draft) => draft.id === documentId);
  if (!seat || !source) return { bundle: await seatBundle(service, seatId), id: undefined };
  const used = new Set(seat.drafts.map((draft) => draft.body.id));
  const names = new Set(seat.drafts.map((draft) => draft.body.name));
  let n = seat.drafts.length + 1;
  while (used.has(`${seatId}-${n}`)) n++;
  const letter = `Draft ${String.fromCharCode(64 + Math.min(26, n))}`;
  const wanted = [fromSeat === seatId ? letter : source.body.name, `${source.body.name} copy`];
  for (let k = 2; wanted.every((name) => names.has(name)); k++) wanted.push(`${source.body.name} copy ${k}`);
  const name = wanted.find((free) => !names.has(free)) ?? letter;
  const id = await projects.addDraft(
    service.db,
    seatId,
    { ...source.body, id: `${seatId}-${n}`, name },
    `Copy of ${source.body.name}`,
    now(),
  );
  return { bundle: await seatBundle(service, seatId), id };
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

export async function dropDraft(service: Service, seatId: string, documentId: string): Promise<SeatBundle | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  const draft = seat?.drafts.find((candidate) => candidate.id === documentId);
  // the last draft stays: a seat without one has no stations to show
  if (seat && draft && seat.drafts.length > 1)
    await projects.removeDraft(service.db, seatId, documentId, `Removal of ${draft.body.name}`, now());
  return seatBundle(service, seatId);
}

/** The base itself, or the base with the first number that no seat has yet. */
export function freeSeatId(seats: readonly { readonly id: string }[], base: string): string {
  let seatId = base;
  for (let n = 2; seats.some((seat) => seat.id === seatId); n++) seatId = `${base}-${n}`;
  return seatId;
}

/** A new seat with an empty brief in the desk's region, and with an empty draft or the machine that is given. */
export async function newSeat(
  service: Service,
  projectId: string,
  name: string,
  machine?: Machine,
): Promise<{ state: 'made'; seatId: string; projectId: string } | { state: 'refused'; problems: Problem[] }> {
  const { data } = await service.catalogue();
  const settings = await service.settings();
  const region = deskRegion(data.regions, settings);
  if (!region)
    return {
      state: 'refused',
      problems: [{ path: 'catalogue', message: 'has no region yet; import a catalogue first' }],
    };
  return refusing(async () => {
    const seats = await projects.listSeats(service.db);
    const project = seats.find((seat) => seat.projectId === projectId);
    const base =
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 60) || 'seat';
    const seatId = freeSeatId(seats, base);
    const brief = briefSchema.parse({
      id: seatId,
      name,
      region: region.id,
      budgetTaxIncluded: true,
      roomC: 24,
      yearsOfService: 4,
      mustHaves: {},
      // a machine is sold with a system; whether display and keyboard are there is for its person to say
      whole: { system: 'wanted' },
      ownedDisplays: [],
      tasks: [],
      sittings: [],
    });
    const draft = machine ?? machineSchema.parse({ id: `${seatId}-a`, name: 'Draft A', items: [] });
    await projects.addSeat(service.db, {
      projectId,
      projectName: project?.projectName ?? 'My project',
      seatId,
      seatName: name,
      brief,
      drafts: [draft],
    });
    return { state: 'made' as const, seatId, projectId };
  });
}

/** A seat like another one, to be varied: its brief and its drafts under a name and ids of its own. */
export async function copySeat(service: Service, seatId: string): Promise<string | undefined> {
  const from = await projects.readSeat(service.db, seatId);
  if (!from) return undefined;
  const seats = await projects.listSeats(service.db);
  const names = new Set(seats.filter((seat) => seat.projectId === from.seat.projectId).map((seat) => seat.name));
  let name = `${from.seat.name}, copy`;
  for (let n = 2; names.has(name); n++) name = `${from.seat.name}, copy ${n}`;
  const copy = freeSeatId(seats, seatId);
  await projects.addSeat(service.db, {
    projectId: from.seat.projectId,
    projectName: from.seat.projectName,
    seatId: copy,
    seatName: name,
    brief: { ...from.brief.body, id: copy, name } as Brief,
    drafts: from.drafts.map((draft) => draft.body),
  });
  return copy;
}

/** Takes a seat away; what was there can be brought back with `bringSeat`. */
export const dropSeat = (service: Service, seatId: string): Promise<projects.SeatDocuments | undefined> =>
  projects.removeSeat(service.db, seatId);

const removedSeat = z.object({
  seat: z.object({ id: z.string(), name: z.string(), projectId: z.string(), projectName: z.string() }),
  brief: z.object({ body: briefSchema }),
  drafts: z.array(z.object({ body: machineSchema })),
});

/** Brings a removed seat back; false when its place is taken or it is no seat. */
export async function bringSeat(service: Service, removed: unknown): Promise<boolean> {
  const read = removedSeat.safeParse(removed);
  if (!read.success) return false;
  const { seat, brief, drafts } = read.data;
  if ((await projects.listSeats(service.db)).some(({ id }) => id === seat.id)) return false;
  await projects.addSeat(service.db, {
    projectId: seat.projectId,
    projectName: seat.projectName,
    seatId: seat.id,
    seatName: seat.name,
    brief: brief.body,
    drafts: drafts.map(({ body }) => body),
  });
  return true;
}

/** Seats and the fixed day of a demo database. */
export const addDemoSeat = (service: Service, seat: projects.NewSeat): Promise<void> =>
  projects.addSeat(service.db, seat);
export const fixDemoDay = (service: Service, today: string): Promise<void> => fixToday(service.db, today);

/** Seats by name, for choosing where something goes. */
export async function seatNames(service: Service): Promise<{ id: string; label: string }[]> {
  return (await projects.listSeats(service.db)).map((seat) => ({
    id: seat.id,
    label: `${seat.projectName} / ${seat.name}`,
  }));
}
