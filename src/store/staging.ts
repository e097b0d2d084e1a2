import { rmSync } from 'node:fs';
import SQLite from 'better-sqlite3';
import { sql } from 'kysely';
import type { AroundList } from '@/core/formats/aroundFile';
import { addAround, lackingAround } from './around';
import { bumpCatalogue, catalogueRevision } from './catalogueStore';
import { writing, type Database, type Writer } from './database';
import { applyIncoming, beginStep, LIST_SQL, LISTS, type List } from './lists';
import { applySeats, readSeatSpec, type SeatEntry } from './seatSpecs';

/** Something wrong with a file, with its place; `row` and `column` for tables, so that the cell can be mended. */
export interface StagedProblem {
  readonly path: string;
  readonly message: string;
  readonly row?: number | undefined;
  readonly column?: string | undefined;
  readonly value?: string | undefined;
}

/** What an import would do to one list. */
export interface ListCount {
  readonly list: List | 'seats' | 'around';
  readonly added: number;
  readonly changed: number;
  readonly left: number;
}

/** Lists of the library, seats, and what belongs around them. */
type StagedList = List | 'seats' | `around ${AroundList}`;

/** A file read and checked, waiting in a database of its own beside the real one. Nothing of it is visible yet. */
export interface Staging {
  /** False when the id stands already in this list of the file. `place` is where, for messages. */
  readonly add: (list: StagedList, id: string, spec: unknown, place: string) => boolean;
  readonly placeOf: (list: StagedList, id: string) => string | undefined;
  /** An entry refers to another that must be in the file or in the database. */
  readonly refer: (list: List, id: string, place: string) => void;
  readonly problem: (problem: StagedProblem) => void;
  readonly problemCount: () => number;
  readonly close: () => void;
}

const SCHEMA = `
  CREATE TABLE rows (list TEXT NOT NULL, id TEXT NOT NULL, spec TEXT NOT NULL, place TEXT NOT NULL) STRICT;
  CREATE UNIQUE INDEX rows_by_id ON rows (list, id);
  CREATE TABLE refs (list TEXT NOT NULL, id TEXT NOT NULL, place TEXT NOT NULL, PRIMARY KEY (list, id)) STRICT, WITHOUT ROWID;
  CREATE TABLE problems (seq INTEGER PRIMARY KEY, path TEXT NOT NULL, message TEXT NOT NULL, row INTEGER, col TEXT, value TEXT) STRICT;
`;

/** Problems kept; a file with more has one cause, not so many. They are still counted. */
const KEPT_PROBLEMS = 5000;
/** References seen lately, so that a million offers of one seller ask the table once. */
const REMEMBERED_REFS = 20_000;

/** Opens a new staging database at `path`; one that was left there by a run that was ended is thrown away. */
export function openStaging(path: string): Staging {
  for (const file of [path, `${path}-journal`]) rmSync(file, { force: true });
  const sqlite = new SQLite(path);
  // losing it costs nothing but reading the file again
  sqlite.pragma('journal_mode = OFF');
  sqlite.pragma('synchronous = OFF');
  sqlite.pragma('cache_size = -65536');
  sqlite.exec(SCHEMA);
  sqlite.exec('BEGIN');
  const insert = sqlite.prepare('INSERT OR IGNORE INTO rows (list, id, spec, place) VALUES (?, ?, ?, ?)');
  const insertRef = sqlite.prepare('INSERT OR IGNORE INTO refs (list, id, place) VALUES (?, ?, ?)');
  const insertProblem = sqlite.prepare('INSERT INTO problems (path, message, row, col, value) VALUES (?, ?, ?, ?, ?)');
  const where = sqlite.prepare<[string, string], { place: string }>('SELECT place FROM rows WHERE list = ? AND id = ?');
  const seen = new Set<string>();
  let problems = 0;
  return {
    add: (list, id, spec, place) =>
      insert.run(list, id, typeof spec === 'string' ? spec : JSON.stringify(spec), place).changes === 1,
    placeOf: (list, id) => where.get(list, id)?.place,
    refer: (list, id, place) => {
      const key = `${list} ${id}`;
      if (seen.has(key)) return;
      if (seen.size >= REMEMBERED_REFS) seen.clear();
      seen.add(key);
      insertRef.run(list, id, place);
    },
    problem: ({ path: at, message, row, column, value }) => {
      if (problems++ < KEPT_PROBLEMS) insertProblem.run(at, message, row ?? null, column ?? null, value ?? null);
    },
    problemCount: () => problems,
    close: () => {
      sqlite.exec('COMMIT');
      sqlite.close();
    },
  };
}

/** Runs with the staged file attached as `staged`; only for a process that does nothing else with this database. */
async function attached<T>(db: Database, path: string, work: () => Promise<T>): Promise<T> {
  await sql`ATTACH DATABASE ${path} AS staged`.execute(db);
  try {
    return await work();
  } finally {
    await sql`DETACH DATABASE staged`.execute(db);
  }
}

const count = async (db: Database, text: string): Promise<number> =>
  Number((await sql.raw<{ n: number }>(text).execute(db)).rows[0]?.n ?? 0);

/** What a staged file would do, and which of its references lead nowhere. */
export async function compareStaged(
  db: Database,
  path: string,
): Promise<{ counts: ListCount[]; dangling: { list: List; id: string; place: string }[]; revision: number }> {
  return attached(db, path, async () => {
    const counts: ListCount[] = [];
    for (const list of LISTS) {
      const staged = `staged.rows r LEFT JOIN (${LIST_SQL[list].current}) c ON c.id = r.id WHERE r.list = '${list}'`;
      const total = await count(db, `SELECT count(*) AS n FROM staged.rows WHERE list = '${list}'`);
      if (total === 0) continue;
      const added = await count(db, `SELECT count(*) AS n FROM ${staged} AND c.id IS NULL`);
      const left = await count(db, `SELECT count(*) AS n FROM ${staged} AND c.spec = r.spec`);
      counts.push({ list, added, changed: total - added - left, left });
    }
    const seats = await count(db, "SELECT count(*) AS n FROM staged.rows WHERE list = 'seats'");
    if (seats > 0) {
      const differ = await differingSeats(db);
      let added = 0;
      for (const { id } of differ) if ((await readSeatSpec(db, id)) === undefined) added++;
      counts.push({ list: 'seats', added, changed: differ.length - added, left: seats - differ.length });
    }
    const around = await count(db, "SELECT count(*) AS n FROM staged.rows WHERE list LIKE 'around %'");
    if (around > 0) {
      const added = await lackingAround(db);
      counts.push({ list: 'around', added, changed: 0, left: around - added });
    }
    const dangling: { list: List; id: string; place: string }[] = [];
    for (const list of LISTS) {
      const rows = await sql
        .raw<{ id: string; place: string }>(
          `SELECT f.id, f.place FROM staged.refs f WHERE f.list = '${list}'
           AND NOT EXISTS (SELECT 1 FROM staged.rows r WHERE r.list = f.list AND r.id = f.id)
           AND f.id NOT IN (SELECT id FROM (${LIST_SQL[list].current}))`,
        )
        .execute(db);
      dangling.push(...rows.rows.map((row) => ({ list, ...row })));
    }
    return { counts, dangling, revision: await catalogueRevision(db) };
  });
}

/** Problems of a staged file from `offset` on. */
export function stagedProblems(path: string, offset = 0, limit = 200): { problems: StagedProblem[]; kept: number } {
  const sqlite = new SQLite(path, { readonly: true });
  try {
    const rows = sqlite
      .prepare<
        [number, number],
        { path: string; message: string; row: number | null; col: string | null; value: string | null }
      >('SELECT path, message, row, col, value FROM problems ORDER BY seq LIMIT ? OFFSET ?')
      .all(limit, offset);
    const kept = sqlite.prepare<[], { n: number }>('SELECT count(*) AS n FROM problems').get()?.n ?? 0;
    return {
      kept,
      problems: rows.map(({ path: at, message, row, col, value }) => ({
        path: at,
        message,
        ...(row === null ? {} : { row }),
        ...(col === null ? {} : { column: col }),
        ...(value === null ? {} : { value }),
      })),
    };
  } finally {
    sqlite.close();
  }
}

export type Committed =
  | { readonly state: 'written'; readonly step: number | undefined; readonly changed: number }
  /** The catalogue moved since the file was checked; check it again. */
  | { readonly state: 'moved' };

export interface CommitLabel {
  readonly label: string;
  readonly origin: string;
  readonly at: string;
  /** Upload that it comes from: what became of it is known after a restart. */
  readonly upload?: string | undefined;
  /** Throws when nobody waits for it any more; asked last of all, so that nothing is written behind anybody's back. */
  readonly stillWanted?: () => void;
}

const uploadKey = (id: string): string => `upload:${id}`;

/** Entries that the import of an upload wrote; undefined when it wrote nothing. */
export async function takenUpload(db: Database, id: string): Promise<number | undefined> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', uploadKey(id)).executeTakeFirst();
  return row && Number(row.value);
}

/** Remembered outcomes of uploads; more are of files that are long gone from the inbox. */
const REMEMBERED_UPLOADS = 60;

async function rememberUpload(trx: Writer, id: string, changed: number): Promise<void> {
  await trx
    .insertInto('meta')
    .values({ key: uploadKey(id), value: String(changed) })
    .onConflict((oc) => oc.column('key').doUpdateSet({ value: String(changed) }))
    .execute();
  await sql`DELETE FROM meta WHERE key LIKE 'upload:%' AND rowid NOT IN
    (SELECT rowid FROM meta WHERE key LIKE 'upload:%' ORDER BY rowid DESC LIMIT ${REMEMBERED_UPLOADS})`.execute(trx);
}

/**
 * Writes a checked file: one transaction, all of it or nothing, whatever ends the process on the way. Only entries that
 * differ are written, so that reading a file again changes nothing and makes no step.
 */
export async function commitStaged(
  db: Database,
  path: string,
  revision: number,
  { upload, stillWanted, ...label }: CommitLabel,
): Promise<Committed> {
  return attached(db, path, () =>
    writing(db, async (trx): Promise<Committed> => {
      if ((await catalogueRevision(trx)) !== revision) return { state: 'moved' };
      const lists: List[] = [];
      for (const list of LISTS) if (await exists(trx, differing(list))) lists.push(list);
      const seats = await differingSeats(trx);
      // prices that were and marks are no step: they add what is not there and take nothing away
      const around = await addAround(trx);
      // a step that changes nothing is none, and must not end what can be brought back
      if (lists.length === 0 && seats.length === 0) {
        if (upload !== undefined) await rememberUpload(trx, upload, around);
        stillWanted?.();
        return { state: 'written', step: undefined, changed: around };
      }
      const step = await beginStep(trx, label.label, label.origin, label.at);
      for (const list of lists) {
        await sql.raw(`CREATE TEMP VIEW incoming AS ${differing(list)}`).execute(trx);
        await applyIncoming(trx, list, step);
        await sql`DROP VIEW incoming`.execute(trx);
      }
      await applySeats(trx, step, seats);
      await bumpCatalogue(trx);
      const counted = await sql<{ n: number }>`SELECT count(*) AS n FROM changes WHERE step = ${step}`.execute(trx);
      const changed = Number(counted.rows[0]?.n ?? 0) + around;
      if (upload !== undefined) await rememberUpload(trx, upload, changed);
      stillWanted?.();
      return { state: 'written', step, changed };
    }),
  );
}

/** Staged entries of a list that are not in the database as they stand. */
const differing = (list: List): string =>
  `SELECT r.id AS id, r.spec AS spec FROM staged.rows r LEFT JOIN (${LIST_SQL[list].current}) c ON c.id = r.id
   WHERE r.list = '${list}' AND c.spec IS NOT r.spec`;

const exists = async (trx: Writer, text: string): Promise<boolean> =>
  (await sql.raw(`SELECT 1 FROM (${text}) LIMIT 1`).execute(trx)).rows.length > 0;

async function differingSeats(trx: Database | Writer): Promise<SeatEntry[]> {
  const { rows } = await sql<{
    id: string;
    spec: string;
  }>`SELECT id, spec FROM staged.rows WHERE list = 'seats' ORDER BY rowid`.execute(trx);
  const differ: SeatEntry[] = [];
  for (const { id, spec } of rows) if ((await readSeatSpec(trx, id)) !== spec) differ.push({ id, spec });
  return differ;
}

/** Asks a database, without writing, what it holds of a part. */
export function openLookup(path: string): { part: (id: string) => string | undefined; close: () => void } {
  const sqlite = new SQLite(path, { readonly: true });
  const find = sqlite.prepare<[string], { spec: string }>('SELECT spec FROM parts WHERE id = ?');
  return { part: (id) => find.get(id)?.spec, close: () => sqlite.close() };
}
