import type { z } from 'zod';
import { briefSchema, type Brief } from '@/core/model/brief';
import { machineSchema, type Machine } from '@/core/model/machine';
import { partWithFigure, readFigure, writeFigure } from './catalogueStore';
import { readRow, unheard, type OnAside } from './aside';
import { writing, type Database, type Writer } from './database';

/** A brief or a draft as stored, with the revision that edits must name. */
export interface Stored<T> {
  readonly id: string;
  readonly revision: number;
  readonly body: T;
}

export interface SeatRow {
  readonly id: string;
  readonly name: string;
  readonly projectId: string;
  readonly projectName: string;
}

export interface SeatDocuments {
  readonly seat: SeatRow;
  readonly brief: Stored<Brief>;
  readonly drafts: readonly Stored<Machine>[];
}

export async function listSeats(db: Database): Promise<SeatRow[]> {
  return db
    .selectFrom('seats')
    .innerJoin('projects', 'projects.id', 'seats.project_id')
    .select(['seats.id', 'seats.name', 'seats.project_id as projectId', 'projects.name as projectName'])
    .orderBy('projects.position')
    .orderBy('projects.id')
    .orderBy('seats.position')
    .orderBy('seats.id')
    .execute();
}

/** A seat with its documents; without a brief that can be read there is none, drafts that cannot are left out. */
export async function readSeat(
  db: Database,
  seatId: string,
  aside: OnAside = unheard,
): Promise<SeatDocuments | undefined> {
  const seat = (await listSeats(db)).find((row) => row.id === seatId);
  if (!seat) return undefined;
  const rows = await db
    .selectFrom('documents')
    .selectAll()
    .where('seat_id', '=', seatId)
    .orderBy('position')
    .orderBy('id')
    .execute();
  const stored = <T>(kind: 'brief' | 'draft', schema: z.ZodType<T>): Stored<T>[] =>
    rows
      .filter((row) => row.kind === kind)
      .flatMap(({ id, revision, body: text }) =>
        readRow('documents', { id, text }, schema, aside).map((body) => ({ id, revision, body })),
      );
  const [brief] = stored('brief', briefSchema);
  const drafts = stored('draft', machineSchema);
  return brief && { seat, brief, drafts };
}

/** Drafts of other seats that results were measured on. */
export async function measuredElsewhere(db: Database, seatId: string): Promise<Machine[]> {
  const rows = await db
    .selectFrom('documents')
    .select(['id', 'body'])
    .where('kind', '=', 'draft')
    .where('seat_id', '!=', seatId)
    .where('body', 'like', '%"evidence":[%')
    .orderBy('seat_id')
    .orderBy('position')
    .orderBy('id')
    .execute();
  return rows.flatMap(({ id, body: text }) => readRow('documents', { id, text }, machineSchema));
}

export interface NewSeat {
  readonly projectId: string;
  readonly projectName: string;
  readonly seatId: string;
  readonly seatName: string;
  readonly brief: Brief;
  readonly drafts: readonly Machine[];
}

/** Adds a seat with its documents; the project is made when it is new. @throws when the seat's id is taken */
export async function addSeat(db: Database, seat: NewSeat): Promise<void> {
  await writing(db, async (trx) => {
    const projects = await trx.selectFrom('projects').select('id').execute();
    if (!projects.some((row) => row.id === seat.projectId))
      await trx
        .insertInto('projects')
        .values({ id: seat.projectId, name: seat.projectName, position: projects.length })
        .execute();
    const seats = await trx.selectFrom('seats').select('id').where('project_id', '=', seat.projectId).execute();
    await trx
      .insertInto('seats')
      .values({ id: seat.seatId, project_id: seat.projectId, name: seat.seatName, position: seats.length })
      .execute();
    await trx
      .insertInto('documents')
      .values({
        id: `${seat.seatId}.brief`,
        seat_id: seat.seatId,
        kind: 'brief',
        body: JSON.stringify(briefSchema.parse(seat.brief)),
        revision: 1,
        position: 0,
      })
      .execute();
    for (const [i, draft] of seat.drafts.entries())
      await trx
        .insertInto('documents')
        .values({
          id: `${seat.seatId}.${draft.id}`,
          seat_id: seat.seatId,
          kind: 'draft',
          body: JSON.stringify(machineSchema.parse(draft)),
          revision: 1,
          position: i + 1,
        })
        .execute();
  });
}

/** Takes a seat away with its documents and its undo list. @returns what was there, to bring it back with */
export async function removeSeat(db: Database, seatId: string): Promise<SeatDocuments | undefined> {
  const seat = await readSeat(db, seatId);
  if (!seat) return undefined;
  await writing(db, async (trx) => {
    await trx.deleteFrom('history').where('seat_id', '=', seatId).execute();
    await trx.deleteFrom('documents').where('seat_id', '=', seatId).execute();
    await trx.deleteFrom('seats').where('id', '=', seatId).execute();
  });
  return seat;
}

export type Saved<T> =
  | { readonly state: 'saved'; readonly revision: number; readonly body: T }
  /** Someone saved in between: what is stored now, so that the edit can be offered again on top of it. */
  | { readonly state: 'stale'; readonly revision: number; readonly body: T }
  | { readonly state: 'gone' };

/** Saves a document when the edit was based on the stored revision; remembers it for undo. A new edit ends redo. */
export async function saveDocument<T>(
  db: Database,
  options: {
    seatId: string;
    documentId: string;
    base: number;
    label: string;
    at: string;
    parse: (json: unknown) => T;
    change: (body: T) => T;
  },
): Promise<Saved<T>> {
  return writing(db, async (trx): Promise<Saved<T>> => {
    const row = await trx
      .selectFrom('documents')
      .selectAll()
      .where('id', '=', options.documentId)
      .where('seat_id', '=', options.seatId)
      .executeTakeFirst();
    if (!row) return { state: 'gone' };
    const body = options.parse(JSON.parse(row.body));
    if (row.revision !== options.base) return { state: 'stale', revision: row.revision, body };
    const next = options.parse(options.change(body));
    const after = JSON.stringify(next);
    if (after === row.body) return { state: 'saved', revision: row.revision, body };
    const revision = row.revision + 1;
    await trx.updateTable('documents').set({ body: after, revision }).where('id', '=', row.id).execute();
    await remember(trx, options.seatId, `document ${row.id}`, options.label, row.body, after, options.at);
    return { state: 'saved', revision, body: next };
  });
}

async function remember(
  trx: Writer,
  seatId: string,
  target: string,
  label: string,
  before: string | null,
  after: string | null,
  at: string,
): Promise<void> {
  await trx.deleteFrom('history').where('seat_id', '=', seatId).where('undone', '=', 1).execute();
  await trx.insertInto('history').values({ seat_id: seatId, target, label, before, after, undone: 0, at }).execute();
}

/** Adds a draft to a seat, to be undone like any edit. */
export async function addDraft(
  db: Database,
  seatId: string,
  machine: Machine,
  label: string,
  at: string,
): Promise<string> {
  return writing(db, async (trx) => {
    const body = JSON.stringify(machineSchema.parse(machine));
    const id = `${seatId}.${machine.id}`;
    const last = await trx
      .selectFrom('documents')
      .select((eb) => eb.fn.max('position').as('position'))
      .where('seat_id', '=', seatId)
      .executeTakeFirst();
    await insertDraft(trx, seatId, id, body, Number(last?.position ?? 0) + 1);
    await remember(trx, seatId, `document ${id}`, label, null, body, at);
    return id;
  });
}

const insertDraft = (trx: Writer, seatId: string, id: string, body: string, position: number) =>
  trx.insertInto('documents').values({ id, seat_id: seatId, kind: 'draft', body, revision: 1, position }).execute();

/** Takes a draft away, to be undone like any edit. */
export async function removeDraft(
  db: Database,
  seatId: string,
  documentId: string,
  label: string,
  at: string,
): Promise<void> {
  await writing(db, async (trx) => {
    const row = await trx
      .selectFrom('documents')
      .selectAll()
      .where('id', '=', documentId)
      .where('seat_id', '=', seatId)
      .where('kind', '=', 'draft')
      .executeTakeFirst();
    if (!row) return;
    await trx.deleteFrom('documents').where('id', '=', documentId).execute();
    await remember(trx, seatId, `document ${documentId}`, label, row.body, null, at);
  });
}

/** Fills in a part's figure by hand, remembered in the seat's history. */
export async function setFigure(
  db: Database,
  seatId: string,
  partId: string,
  field: string,
  value: number,
  label: string,
  at: string,
): Promise<void> {
  await writing(db, async (trx) => {
    const before = await readFigure(trx, partId, field);
    const after = JSON.stringify(value);
    await writeFigure(trx, partId, field, after, at);
    await remember(trx, seatId, `figure ${partId} ${field}`, label, before, after, at);
  });
}

export interface Steps {
  readonly undo: string | undefined;
  readonly redo: string | undefined;
}

/** What undo and redo would do next, in words. */
export async function stepsOf(db: Database, seatId: string): Promise<Steps> {
  const undo = await db
    .selectFrom('history')
    .select('label')
    .where('seat_id', '=', seatId)
    .where('undone', '=', 0)
    .orderBy('seq', 'desc')
    .executeTakeFirst();
  const redo = await db
    .selectFrom('history')
    .select('label')
    .where('seat_id', '=', seatId)
    .where('undone', '=', 1)
    .orderBy('seq', 'asc')
    .executeTakeFirst();
  return { undo: undo?.label, redo: redo?.label };
}

/**
 * Takes one step back or forward in a seat's history. Returns the step's label, or nothing when there is none.
 * @throws ZodError when what the step would bring cannot be read any more; then nothing has changed
 */
export async function step(
  db: Database,
  seatId: string,
  direction: 'undo' | 'redo',
  at: string,
): Promise<string | undefined> {
  return writing(db, async (trx) => {
    const back = direction === 'undo';
    const entry = await trx
      .selectFrom('history')
      .selectAll()
      .where('seat_id', '=', seatId)
      .where('undone', '=', back ? 0 : 1)
      .orderBy('seq', back ? 'desc' : 'asc')
      .executeTakeFirst();
    if (!entry) return undefined;
    const value = back ? entry.before : entry.after;
    const [kind, target = '', field = ''] = entry.target.split(' ');
    if (kind === 'figure') {
      // the part may have come back as another kind, which has no such figure
      if (value !== null) await partWithFigure(trx, target, field, JSON.parse(value));
      await writeFigure(trx, target, field, value, at);
    } else await restore(trx, seatId, target, value);
    await trx
      .updateTable('history')
      .set({ undone: back ? 1 : 0 })
      .where('seq', '=', entry.seq)
      .execute();
    return entry.label;
  });
}

async function restore(trx: Writer, seatId: string, documentId: string, body: string | null): Promise<void> {
  const row = await trx.selectFrom('documents').selectAll().where('id', '=', documentId).executeTakeFirst();
  if (body !== null) (row?.kind === 'brief' ? briefSchema : machineSchema).parse(JSON.parse(body));
  if (body === null) await trx.deleteFrom('documents').where('id', '=', documentId).execute();
  else if (row)
    await trx
      .updateTable('documents')
      .set({ body, revision: row.revision + 1 })
      .where('id', '=', documentId)
      .execute();
  else {
    const last = await trx
      .selectFrom('documents')
      .select((eb) => eb.fn.max('position').as('position'))
      .where('seat_id', '=', seatId)
      .executeTakeFirst();
    await insertDraft(trx, seatId, documentId, body, Number(last?.position ?? 0) + 1);
  }
}
