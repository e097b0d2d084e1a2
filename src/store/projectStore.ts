import type { z } from 'zod';
import { briefSchema, type Brief } from '@/core/model/brief';
import { machineSchema, type Machine } from '@/core/model/machine';
import { readFigure, writeFigure } from './catalogueStore';
import { readRow, unheard, type OnAside } from './aside';
import { insertDraft } from './documents';
import { remember, type NewStep } from './history';
import { writing, type Database } from './database';

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

/** Projects in their order, also those without a seat. */
export const listProjects = (db: Database): Promise<{ id: string; name: string }[]> =>
  db.selectFrom('projects').select(['id', 'name']).orderBy('position').orderBy('id').execute();

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
    step: NewStep;
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
    await remember(trx, options.seatId, options.step, `document ${row.id}`, row.body, after);
    return { state: 'saved', revision, body: next };
  });
}

/** Adds a draft to a seat, to be undone like any edit. */
export async function addDraft(db: Database, seatId: string, machine: Machine, step: NewStep): Promise<string> {
  return writing(db, async (trx) => {
    const body = JSON.stringify(machineSchema.parse(machine));
    const id = `${seatId}.${machine.id}`;
    await insertDraft(trx, seatId, id, body);
    await remember(trx, seatId, step, `document ${id}`, null, body);
    return id;
  });
}

/** Takes a draft away, to be undone like any edit. */
export async function removeDraft(db: Database, seatId: string, documentId: string, step: NewStep): Promise<void> {
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
    await remember(trx, seatId, step, `document ${documentId}`, row.body, null);
  });
}

/** Fills in a part's figure by hand, remembered in the seat's history. */
export async function setFigure(
  db: Database,
  seatId: string,
  partId: string,
  field: string,
  value: number,
  step: NewStep,
): Promise<void> {
  await writing(db, async (trx) => {
    const before = await readFigure(trx, partId, field);
    const after = JSON.stringify(value);
    await writeFigure(trx, partId, field, after, step.at);
    await remember(trx, seatId, step, `figure ${partId} ${field}`, before, after);
  });
}
