import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import SQLite from 'better-sqlite3';
import { Kysely, SqliteDialect, type Transaction } from 'kysely';
import { MIGRATIONS, type Tables } from './schema';

export type Database = Kysely<Tables>;
export type Writer = Transaction<Tables>;

/** A database that a newer release has written. */
export class NewerDatabase extends Error {
  constructor(
    readonly has: number,
    readonly knows: number,
  ) {
    super(
      `this database was written by a newer release (step ${has}, this release knows ${knows}); start that release`,
    );
  }
}

/** Opens (and where needed makes) a database: WAL, foreign keys, one writer at a time with a busy timeout. */
export function openDatabase(path: string): { db: Database; close: () => Promise<void> } {
  if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
  const sqlite = new SQLite(path);
  try {
    prepare(sqlite);
  } catch (error) {
    sqlite.close();
    throw error;
  }
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite }) });
  return {
    db,
    close: async () => {
      await db.destroy();
      // what was never asked anything was never taken over, and would stay open
      sqlite.close();
    },
  };
}

function prepare(sqlite: SQLite.Database): void {
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('foreign_keys = ON');
  // longer waits are made in `writing`, which lets the process go on meanwhile
  sqlite.pragma('busy_timeout = 5000');
  // what was acknowledged is on the disk: WAL alone syncs only at checkpoints, and a power cut would take edits with it
  sqlite.pragma('synchronous = FULL');
  migrate(sqlite);
  sqlite.pragma('busy_timeout = 20');
}

function migrate(sqlite: SQLite.Database): void {
  const run = sqlite.transaction(() => {
    const done = sqlite.pragma('user_version', { simple: true }) as number;
    if (done > MIGRATIONS.length) throw new NewerDatabase(done, MIGRATIONS.length);
    for (const [i, step] of MIGRATIONS.entries()) if (i >= done) sqlite.exec(step);
    sqlite.pragma(`user_version = ${MIGRATIONS.length}`);
  });
  run.immediate();
}

/** Another process writes. */
class Locked extends Error {}

/** How long a writer waits for another, and between two looks, ms. */
const PATIENCE_MS = 15_000;
const LOOK_MS = 15;

/**
 * Runs a change in one transaction that takes the write lock before it reads, so that two writers wait for each other
 * instead of failing half-way. Waiting is done outside SQLite, whose own waiting would stop the whole process: while a
 * large import is written, everybody else goes on reading.
 */
export async function writing<T>(db: Database, change: (trx: Writer) => Promise<T>): Promise<T> {
  const until = Date.now() + PATIENCE_MS;
  for (;;) {
    let failed: unknown;
    try {
      return await db.transaction().execute(async (trx) => {
        try {
          await takeLock(trx);
          return await change(trx);
        } catch (error) {
          failed = error;
          throw error;
        }
      });
    } catch (error) {
      // a full disk ends the transaction by itself: taking it back fails then, and must not hide the cause
      const cause = failed ?? error;
      if (!(cause instanceof Locked)) throw cause;
      if (Date.now() > until) throw cause.cause;
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }
}

async function takeLock(trx: Writer): Promise<void> {
  try {
    await trx
      .insertInto('meta')
      .values({ key: 'writer', value: '' })
      .onConflict((oc) => oc.column('key').doUpdateSet({ value: '' }))
      .execute();
  } catch (error) {
    throw isBusy(error) ? new Locked('another process writes', { cause: error }) : error;
  }
}

const isBusy = (error: unknown): boolean => (error as { code?: unknown }).code === 'SQLITE_BUSY';
