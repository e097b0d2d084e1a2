import { seatSpecSchema, type SeatSpec } from '@/core/formats/projectFile';
import type { Database, Writer } from './database';

export interface SeatEntry {
  readonly id: string;
  /** The seat as JSON; null takes it away. */
  readonly spec: string | null;
}

/** A seat as its entry's text, the same text for the same seat; undefined when there is none. */
export async function readSeatSpec(db: Database | Writer, id: string): Promise<string | undefined> {
  const seat = await db
    .selectFrom('seats')
    .innerJoin('projects', 'projects.id', 'seats.project_id')
    .select(['seats.name', 'projects.id as projectId', 'projects.name as projectName'])
    .where('seats.id', '=', id)
    .executeTakeFirst();
  if (!seat) return undefined;
  const documents = await db
    .selectFrom('documents')
    .select(['kind', 'body'])
    .where('seat_id', '=', id)
    .orderBy('position')
    .orderBy('id')
    .execute();
  const bodies = (kind: 'brief' | 'draft') =>
    documents.filter((row) => row.kind === kind).map((row) => JSON.parse(row.body) as unknown);
  return JSON.stringify(
    seatSpecSchema.parse({
      id,
      name: seat.name,
      projectId: seat.projectId,
      projectName: seat.projectName,
      brief: bodies('brief')[0],
      drafts: bodies('draft'),
    }),
  );
}

/** Seats of a step with the state that the step would bring. */
export async function changedSeats(trx: Writer, step: number): Promise<SeatEntry[]> {
  const rows = await trx
    .selectFrom('changes')
    .select(['id', 'other'])
    .where('step', '=', step)
    .where('list', '=', 'seats')
    .execute();
  return rows.map((row) => ({ id: row.id, spec: row.other }));
}

/** Writes seats and remembers how they were; edits made since an import are kept for bringing it back. */
export async function applySeats(trx: Writer, step: number, seats: readonly SeatEntry[]): Promise<void> {
  for (const { id, spec } of seats) {
    const before = (await readSeatSpec(trx, id)) ?? null;
    await trx
      .insertInto('changes')
      .values({ step, list: 'seats', id, other: before })
      .onConflict((oc) => oc.columns(['list', 'id', 'step']).doUpdateSet({ other: before }))
      .execute();
    if (spec === null) await removeSeat(trx, id);
    else await writeSeat(trx, seatSpecSchema.parse(JSON.parse(spec)));
  }
}

async function removeSeat(trx: Writer, id: string): Promise<void> {
  await trx.deleteFrom('history').where('seat_id', '=', id).execute();
  await trx.deleteFrom('documents').where('seat_id', '=', id).execute();
  const seat = await trx.deleteFrom('seats').where('id', '=', id).returning('project_id').executeTakeFirst();
  if (!seat) return;
  const left = await trx.selectFrom('seats').select('id').where('project_id', '=', seat.project_id).executeTakeFirst();
  if (!left) await trx.deleteFrom('projects').where('id', '=', seat.project_id).execute();
}

/** Documents keep counting their revisions, so that a page that still shows the old ones notices. */
async function writeSeat(trx: Writer, seat: SeatSpec): Promise<void> {
  const revisions = await trx
    .selectFrom('documents')
    .select((eb) => eb.fn.max('revision').as('top'))
    .where('seat_id', '=', seat.id)
    .executeTakeFirst();
  const revision = Number(revisions?.top ?? 0) + 1;
  const position = async (table: 'projects' | 'seats') =>
    Number(
      (
        await trx
          .selectFrom(table)
          .select((eb) => eb.fn.max('position').as('top'))
          .executeTakeFirst()
      )?.top ?? -1,
    ) + 1;
  await trx
    .insertInto('projects')
    .values({ id: seat.projectId, name: seat.projectName, position: await position('projects') })
    .onConflict((oc) => oc.column('id').doUpdateSet({ name: seat.projectName }))
    .execute();
  await trx
    .insertInto('seats')
    .values({ id: seat.id, project_id: seat.projectId, name: seat.name, position: await position('seats') })
    .onConflict((oc) => oc.column('id').doUpdateSet({ name: seat.name, project_id: seat.projectId }))
    .execute();
  // steps that named documents of before would lead nowhere
  await trx.deleteFrom('history').where('seat_id', '=', seat.id).execute();
  await trx.deleteFrom('documents').where('seat_id', '=', seat.id).execute();
  const document = (id: string, kind: 'brief' | 'draft', body: unknown, at: number) =>
    trx
      .insertInto('documents')
      .values({ id, seat_id: seat.id, kind, body: JSON.stringify(body), revision, position: at })
      .execute();
  await document(`${seat.id}.brief`, 'brief', seat.brief, 0);
  for (const [i, draft] of seat.drafts.entries()) await document(`${seat.id}.${draft.id}`, 'draft', draft, i + 1);
}
