import { writing, type Database } from './database';

/**
 * What was worked out from the rest of the database and is kept beside it, each with the state that it rests on. It can be
 * lost at any time, and belongs to nobody's work: no step, no undo.
 */
const keyOf = (what: string): string => `kept:${what}`;

/** What was kept of this state; undefined when it was another's. */
export async function readKept(db: Database, what: string, state: string): Promise<string | undefined> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', keyOf(what)).executeTakeFirst();
  return row?.value.startsWith(`${state} `) ? row.value.slice(state.length + 1) : undefined;
}

/** Keeps it in place of what was kept before. */
export async function keep(db: Database, what: string, state: string, text: string): Promise<void> {
  const value = `${state} ${text}`;
  await writing(db, (trx) =>
    trx
      .insertInto('meta')
      .values({ key: keyOf(what), value })
      .onConflict((oc) => oc.column('key').doUpdateSet({ value }))
      .execute(),
  );
}
