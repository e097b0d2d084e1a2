import { restingOn } from './rests';
import { sql } from 'kysely';
import { applyIncoming, LISTS } from './lists';
import { bumpCatalogue } from './catalogueStore';
import { writing, type Database } from './database';
import { applySeats, changedSeats } from './seatSpecs';

/** A change of the library as the list of changes shows it. */
export interface LibraryStep {
  readonly seq: number;
  readonly label: string;
  readonly origin: string;
  readonly at: string;
  readonly undone: boolean;
  readonly entries: number;
}

/** The newest steps first. */
export async function listSteps(db: Database, limit = 30): Promise<LibraryStep[]> {
  const rows = await db
    .selectFrom('steps')
    .select(['seq', 'label', 'origin', 'at', 'undone'])
    .select((eb) =>
      eb
        .selectFrom('changes')
        .whereRef('changes.step', '=', 'steps.seq')
        .select(eb.fn.countAll<number>().as('n'))
        .as('entries'),
    )
    .orderBy('seq', 'desc')
    .limit(limit)
    .execute();
  return rows.map((row) => ({ ...row, undone: row.undone === 1, entries: Number(row.entries ?? 0) }));
}

/** The newest step that changed an entry, which is where it comes from. */
export async function originOf(db: Database, list: string, id: string): Promise<LibraryStep | undefined> {
  const row = await db
    .selectFrom('changes')
    .innerJoin('steps', 'steps.seq', 'changes.step')
    .select(['steps.seq', 'steps.label', 'steps.origin', 'steps.at'])
    .where('changes.list', '=', list)
    .where('changes.id', '=', id)
    .where('steps.undone', '=', 0)
    .orderBy('steps.seq', 'desc')
    .executeTakeFirst();
  return row && { ...row, undone: false, entries: 0 };
}

export type StepBack =
  | { readonly state: 'done'; readonly label: string }
  | { readonly state: 'nothing' }
  /** Something made since still rests on what would go: by name, as far as it is known. */
  | { readonly state: 'held'; readonly label: string; readonly by: readonly string[] };

/** Takes the newest step back, or brings the last one taken back again. All of it or nothing. */
export async function stepLibrary(db: Database, direction: 'undo' | 'redo'): Promise<StepBack> {
  const back = direction === 'undo';
  const pick = db
    .selectFrom('steps')
    .selectAll()
    .where('undone', '=', back ? 0 : 1)
    .orderBy('seq', back ? 'desc' : 'asc');
  const wanted = await pick.executeTakeFirst();
  if (!wanted) return { state: 'nothing' };
  const by = await restingOn(db, wanted.seq);
  if (by.length > 0) return { state: 'held', label: wanted.label, by };
  try {
    return await writing(db, async (trx) => {
      await sql`PRAGMA defer_foreign_keys = ON`.execute(trx);
      for (const list of back ? [...LISTS].reverse() : LISTS) {
        await sql`CREATE TEMP TABLE incoming AS SELECT id, other AS spec FROM changes WHERE step = ${wanted.seq} AND list = ${list}`.execute(
          trx,
        );
        await applyIncoming(trx, list, wanted.seq);
        await sql`DROP TABLE incoming`.execute(trx);
      }
      await applySeats(trx, wanted.seq, await changedSeats(trx, wanted.seq));
      await trx
        .updateTable('steps')
        .set({ undone: back ? 1 : 0 })
        .where('seq', '=', wanted.seq)
        .execute();
      await bumpCatalogue(trx);
      return { state: 'done' as const, label: wanted.label };
    });
  } catch (error) {
    if (error instanceof Error && error.message.includes('FOREIGN KEY'))
      return { state: 'held', label: wanted.label, by: [] };
    throw error;
  }
}
