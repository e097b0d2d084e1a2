import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import SQLite from 'better-sqlite3';
import { z } from 'zod';
import { readJson } from './aside';
import { MIGRATIONS } from './schema';

/** What a backup holds: rows and a checksum of each table, and the release step that wrote it. */
const manifestSchema = z.strictObject({
  format: z.literal('vane-backup'),
  at: z.iso.datetime(),
  step: z.number().int().min(0).max(1e6),
  tables: z.record(
    z.string(),
    z.strictObject({ rows: z.number().int().min(0).max(1e12), sha256: z.string().length(64) }),
  ),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** The table of a backup that says what is in it. */
const MANIFEST = 'backup_manifest';

/** Why a file is no backup that can be put back. */
export class BadBackup extends Error {}

const tablesOf = (db: SQLite.Database): string[] =>
  db
    .prepare<[], { name: string }>(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name",
    )
    .all()
    .map(({ name }) => name)
    .filter((name) => name !== MANIFEST);

/** Rows and checksum of a table, its rows in the order of all their columns: equal content gives equal sums. */
function summed(db: SQLite.Database, table: string): { rows: number; sha256: string } {
  const columns = db.prepare<[], { name: string }>(`PRAGMA table_info("${table}")`).all();
  const order = columns.map((_, i) => i + 1).join(', ');
  const hash = createHash('sha256').update(JSON.stringify(columns.map(({ name }) => name)));
  let rows = 0;
  for (const row of db.prepare(`SELECT * FROM "${table}" ORDER BY ${order}`).raw().iterate()) {
    hash.update(JSON.stringify(row)).update('\n');
    rows++;
  }
  return { rows, sha256: hash.digest('hex') };
}

const sums = (db: SQLite.Database): Manifest['tables'] =>
  Object.fromEntries(tablesOf(db).map((table) => [table, summed(db, table)]));

const manifestIn = (db: SQLite.Database): Manifest => {
  const row = db.prepare<[], { text: string }>(`SELECT text FROM ${MANIFEST}`).get();
  const read = readJson(row?.text ?? '', manifestSchema);
  if ('value' in read) return read.value;
  throw new BadBackup('is a database without a manifest that can be read; only what `vane backup` wrote is put back');
};

/**
 * Copies the whole database into a file of its own while the app goes on, with a manifest of what is in it. The file
 * appears at once and whole, or not at all. Source: SQLite online backup interface.
 * @throws when the database cannot be read or the file not be written
 */
export async function backupTo(path: string, file: string, at: string): Promise<Manifest> {
  if (!existsSync(path)) throw new BadBackup(`${path} does not exist`);
  mkdirSync(dirname(file), { recursive: true });
  const part = `${file}.part`;
  rmSync(part, { force: true });
  try {
    const source = new SQLite(path, { readonly: true, timeout: 5000 });
    try {
      await source.backup(part);
    } finally {
      source.close();
    }
    const copy = new SQLite(part);
    let manifest: Manifest;
    try {
      // one file, whatever the database was kept as
      copy.pragma('journal_mode = DELETE');
      manifest = {
        format: 'vane-backup',
        at,
        step: copy.pragma('user_version', { simple: true }) as number,
        tables: sums(copy),
      };
      copy.exec(`DROP TABLE IF EXISTS ${MANIFEST}; CREATE TABLE ${MANIFEST} (text TEXT NOT NULL) STRICT`);
      copy.prepare(`INSERT INTO ${MANIFEST} VALUES (?)`).run(JSON.stringify(manifest));
    } finally {
      copy.close();
    }
    renameSync(part, file);
    return manifest;
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/**
 * What a backup says it holds, held against what it holds: every row of every table.
 * @throws BadBackup when it is no backup, is damaged, or was written by a newer release
 */
export function checkBackup(file: string): Manifest {
  if (!existsSync(file) || !statSync(file).isFile()) throw new BadBackup('does not exist');
  const db = new SQLite(file, { readonly: true });
  try {
    const [sound] = db.prepare<[], { integrity_check: string }>('PRAGMA integrity_check').all();
    if (sound?.integrity_check !== 'ok')
      throw new BadBackup(`is damaged: ${sound?.integrity_check ?? 'nothing reads'}`);
    if (!db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?").get(MANIFEST))
      throw new BadBackup('is a database without a manifest; only what `vane backup` wrote is put back');
    const manifest = manifestIn(db);
    if (manifest.step > MIGRATIONS.length)
      throw new BadBackup(
        `was written by a newer release (step ${manifest.step}, this release knows ${MIGRATIONS.length}); start that release`,
      );
    const found = sums(db);
    for (const name of new Set([...Object.keys(manifest.tables), ...Object.keys(found)])) {
      const [said, is] = [manifest.tables[name], found[name]];
      if (said?.sha256 !== is?.sha256)
        throw new BadBackup(
          `does not hold what it says: table ${name} has ${is?.rows ?? 'no'} rows that differ from the ${said?.rows ?? 'none'} it was written with`,
        );
    }
    return manifest;
  } catch (error) {
    if (error instanceof SQLite.SqliteError && /^SQLITE_(NOTADB|CORRUPT)/.test(error.code))
      throw new BadBackup('is no database, or is damaged');
    throw error;
  } finally {
    db.close();
  }
}

/**
 * Puts a backup in the place of a database; what was there is kept beside it.
 * @returns what came back, and where the other one lies now
 * @throws BadBackup when the file is none, or when somebody has the database open
 */
export function restoreFrom(file: string, path: string, at: string): { manifest: Manifest; kept: string | undefined } {
  const manifest = checkBackup(file);
  const part = `${path}.restoring`;
  mkdirSync(dirname(path), { recursive: true });
  copyFileSync(file, part);
  try {
    const fresh = new SQLite(part);
    fresh.exec(`DROP TABLE ${MANIFEST}`);
    fresh.close();
    const kept = existsSync(path) ? setBeside(path, at) : undefined;
    renameSync(part, path);
    return { manifest, kept };
  } finally {
    rmSync(part, { force: true });
  }
}

/** Moves a database out of the way, its log written into it first. */
function setBeside(path: string, at: string): string {
  const kept = `${path}.before-${at.replaceAll(/[:.]/g, '-')}`;
  let whole = true;
  try {
    const old = new SQLite(path, { timeout: 1000 });
    try {
      // succeeds only when nobody else has it open
      old.pragma('journal_mode = DELETE');
    } finally {
      old.close();
    }
  } catch (error) {
    const code = error instanceof SQLite.SqliteError ? error.code : '';
    if (/^SQLITE_(BUSY|LOCKED)/.test(code))
      throw new BadBackup('cannot be put back while the database is open; end the app first');
    // a database that cannot be opened is set aside as it lies, its log with it
    whole = false;
  }
  renameSync(path, kept);
  if (!whole) for (const end of ['-wal', '-shm']) if (existsSync(path + end)) renameSync(path + end, kept + end);
  return kept;
}
