import { z } from 'zod';
import { LONGEST_NAME } from '@/core/parts/common';
import { writing, type Database, type Writer } from './database';

/** Seats with all that belongs to them, as their rows stood. */
const spec = z.strictObject({
  project: z.strictObject({ id: z.string(), name: z.string(), position: z.number() }),
  seats: z.array(z.strictObject({ id: z.string(), project_id: z.string(), name: z.string(), position: z.number() })),
  documents: z.array(
    z.strictObject({
      id: z.string(),
      seat_id: z.string(),
      kind: z.enum(['brief', 'draft']),
      body: z.string(),
      revision: z.number(),
      position: z.number(),
    }),
  ),
  history: z.array(
    z.strictObject({
      seq: z.number(),
      seat_id: z.string(),
      target: z.string(),
      label: z.string(),
      before: z.string().nullable(),
      after: z.string().nullable(),
      undone: z.number(),
      at: z.string(),
      window: z.string(),
    }),
  ),
  seen: z.array(z.strictObject({ seat_id: z.string(), draft_id: z.string(), spec: z.string() })),
});

/** Something that was taken away and can be brought back. */
export interface Removed {
  readonly id: number;
  readonly label: string;
  readonly at: string;
}

/** Removed seats and projects that are kept; older ones are gone for good. */
const KEPT = 50;

/** Takes seats of one project away, with documents, undo list and marks; what there was is kept to be brought back. */
async function remove(
  trx: Writer,
  seatIds: readonly string[],
  label: string,
  at: string,
): Promise<Removed | undefined> {
  const seats = await trx.selectFrom('seats').selectAll().where('id', 'in', seatIds).execute();
  const [first] = seats;
  if (!first) return undefined;
  const ids = seats.map(({ id }) => id);
  const project = await trx
    .selectFrom('projects')
    .selectAll()
    .where('id', '=', first.project_id)
    .executeTakeFirstOrThrow();
  const kept = {
    project,
    seats,
    documents: await trx.selectFrom('documents').selectAll().where('seat_id', 'in', ids).execute(),
    history: await trx.selectFrom('history').selectAll().where('seat_id', 'in', ids).execute(),
    seen: await trx.selectFrom('seen').selectAll().where('seat_id', 'in', ids).execute(),
  };
  const { id } = await trx
    .insertInto('removed')
    .values({ at, label: label.slice(0, 2 * LONGEST_NAME), spec: JSON.stringify(spec.parse(kept)) })
    .returning('id')
    .executeTakeFirstOrThrow();
  for (const table of ['history', 'documents', 'seen'] as const)
    await trx.deleteFrom(table).where('seat_id', 'in', ids).execute();
  await trx.deleteFrom('seats').where('id', 'in', ids).execute();
  await trx
    .deleteFrom('removed')
    .where('id', '<=', id - KEPT)
    .execute();
  return { id, label, at };
}

/** Takes a seat away. */
export const removeSeat = (db: Database, seatId: string, at: string): Promise<Removed | undefined> =>
  writing(db, async (trx) => {
    const seat = await trx.selectFrom('seats').select('name').where('id', '=', seatId).executeTakeFirst();
    return seat && remove(trx, [seatId], seat.name, at);
  });

/** Takes a project away with all its seats. */
export const removeProject = (db: Database, projectId: string, at: string): Promise<Removed | undefined> =>
  writing(db, async (trx) => {
    const seats = await trx.selectFrom('seats').select('id').where('project_id', '=', projectId).execute();
    const project = await trx.selectFrom('projects').select('name').where('id', '=', projectId).executeTakeFirst();
    if (!project || seats.length === 0) return undefined;
    return remove(
      trx,
      seats.map(({ id }) => id),
      `${project.name}, ${seats.length === 1 ? 'its seat' : `all ${seats.length} seats`}`,
      at,
    );
  });

/** What can be brought back, the newest first. */
export const listRemoved = (db: Database): Promise<Removed[]> =>
  db.selectFrom('removed').select(['id', 'label', 'at']).orderBy('id', 'desc').limit(KEPT).execute();

export type Brought = 'brought' | 'taken' | 'gone';

/** Brings removed seats back as they were, undo list included; `taken` when their ids belong to others by now. */
export const bringBack = (db: Database, id: number): Promise<Brought> =>
  writing(db, async (trx): Promise<Brought> => {
    const row = await trx.selectFrom('removed').select('spec').where('id', '=', id).executeTakeFirst();
    if (!row) return 'gone';
    const { project, seats, documents, history, seen } = spec.parse(JSON.parse(row.spec));
    const ids = seats.map((seat) => seat.id);
    if ((await trx.selectFrom('seats').select('id').where('id', 'in', ids).execute()).length > 0) return 'taken';
    await trx
      .insertInto('projects')
      .values(project)
      .onConflict((oc) => oc.column('id').doNothing())
      .execute();
    for (const seat of seats) await trx.insertInto('seats').values(seat).execute();
    for (const document of documents) await trx.insertInto('documents').values(document).execute();
    for (const entry of history) await trx.insertInto('history').values(entry).execute();
    for (const mark of seen) await trx.insertInto('seen').values(mark).execute();
    await trx.deleteFrom('removed').where('id', '=', id).execute();
    return 'brought';
  });
