import { sql } from 'kysely';
import type { Writer } from './database';
import type { SmallList } from './schema';

/** Lists of entries that files bring and steps change. Each entry is an id and its text as JSON. */
export const LISTS = ['regions', 'sellers', 'applications', 'parts', 'offers', 'rivals', 'figures', 'owned'] as const;
export type List = (typeof LISTS)[number];

/** How a list lies in the database, as SQL over a table or view `incoming (id, spec)`; a null spec takes the entry away. */
interface ListSql {
  /** `SELECT id, spec` of what is there now. */
  readonly current: string;
  readonly write: string;
  readonly remove: string;
}

const GIVEN = 'FROM incoming WHERE spec IS NOT NULL';
const GONE = 'SELECT id FROM incoming WHERE spec IS NULL';
const field = (name: string) => `json_extract(spec, '$.${name}')`;

const small = (list: SmallList): ListSql => ({
  current: `SELECT id, spec FROM small_lists WHERE list = '${list}'`,
  write: `INSERT INTO small_lists (list, id, spec) SELECT '${list}', id, spec ${GIVEN} ON CONFLICT (list, id) DO UPDATE SET spec = excluded.spec`,
  remove: `DELETE FROM small_lists WHERE list = '${list}' AND id IN (${GONE})`,
});

export const LIST_SQL: Readonly<Record<List, ListSql>> = {
  regions: small('regions'),
  sellers: small('sellers'),
  applications: small('applications'),
  rivals: small('rivals'),
  parts: {
    current: 'SELECT id, spec FROM parts',
    write: `INSERT INTO parts (id, kind, maker, name, spec) SELECT id, ${field('kind')}, ${field('maker')}, ${field('name')}, spec ${GIVEN}
      ON CONFLICT (id) DO UPDATE SET kind = excluded.kind, maker = excluded.maker, name = excluded.name, spec = excluded.spec`,
    remove: `DELETE FROM parts WHERE id IN (${GONE})`,
  },
  offers: {
    current: 'SELECT id, spec FROM offers',
    write: `INSERT INTO offers (id, part_id, region, price_minor, spec) SELECT id, ${field('part')}, ${field('region')}, ${field('priceMinor')}, spec ${GIVEN}
      ON CONFLICT (id) DO UPDATE SET part_id = excluded.part_id, region = excluded.region, price_minor = excluded.price_minor, spec = excluded.spec`,
    remove: `DELETE FROM offers WHERE id IN (${GONE})`,
  },
  figures: {
    current:
      "SELECT part_id || ' ' || field AS id, json_object('value', json(value), 'at', at) AS spec FROM part_figures",
    write: `INSERT INTO part_figures (part_id, field, value, at) SELECT substr(id, 1, instr(id, ' ') - 1), substr(id, instr(id, ' ') + 1), spec -> '$.value', ${field('at')} ${GIVEN}
      ON CONFLICT (part_id, field) DO UPDATE SET value = excluded.value, at = excluded.at`,
    remove: `DELETE FROM part_figures WHERE part_id || ' ' || field IN (${GONE})`,
  },
  owned: {
    current: 'SELECT id, spec FROM owned',
    write: `INSERT INTO owned (id, spec) SELECT id, spec ${GIVEN} ON CONFLICT (id) DO UPDATE SET spec = excluded.spec`,
    remove: `DELETE FROM owned WHERE id IN (${GONE})`,
  },
};

const run = (trx: Writer, text: string) => sql.raw(text).execute(trx);

/**
 * Writes what the temporary `incoming (id, spec)` holds into a list, and into `changes` how each entry was before, so
 * that the same call takes the step back and brings it again.
 */
export async function applyIncoming(trx: Writer, list: List, step: number): Promise<void> {
  const { current, write, remove } = LIST_SQL[list];
  await run(
    trx,
    `INSERT INTO changes (step, list, id, other)
     SELECT ${step}, '${list}', i.id, c.spec FROM incoming i LEFT JOIN (${current}) c ON c.id = i.id WHERE true
     ON CONFLICT (list, id, step) DO UPDATE SET other = excluded.other`,
  );
  await run(trx, remove);
  await run(trx, write);
}

/** Begins a step: steps that were undone can no longer be brought back. Returns its number. */
export async function beginStep(trx: Writer, label: string, origin: string, at: string): Promise<number> {
  await trx.deleteFrom('steps').where('undone', '=', 1).execute();
  const row = await trx
    .insertInto('steps')
    .values({ label, origin, at, undone: 0 })
    .returning('seq')
    .executeTakeFirstOrThrow();
  // entries may refer to each other in any order within a step
  await sql`PRAGMA defer_foreign_keys = ON`.execute(trx);
  return row.seq;
}

/** An entry to write, or to take away when it has no spec. */
export interface Entry {
  readonly list: List;
  readonly id: string;
  readonly spec: unknown;
}

/** Writes a handful of entries as one step. */
export async function applyEntries(trx: Writer, step: number, entries: readonly Entry[]): Promise<void> {
  for (const list of LISTS) {
    const own = entries.filter((entry) => entry.list === list);
    if (own.length === 0) continue;
    await sql`CREATE TEMP TABLE incoming (id TEXT PRIMARY KEY, spec TEXT)`.execute(trx);
    for (const { id, spec } of own)
      await sql`INSERT OR REPLACE INTO incoming VALUES (${id}, ${spec === undefined ? null : JSON.stringify(spec)})`.execute(
        trx,
      );
    await applyIncoming(trx, list, step);
    await sql`DROP TABLE incoming`.execute(trx);
  }
}
