import { closeSync, mkdtempSync, openSync, rmSync, statSync, writeFileSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { openService } from '../service';
import { troubleLine, troubleOf } from '../trouble';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'vane-trouble-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** What opening a database says, as a page would. */
async function opening(path: string): Promise<string> {
  try {
    await openService(path).close();
    return 'opens';
  } catch (error) {
    const trouble = troubleOf(error);
    return trouble ? trouble.title : `unexplained: ${String(error)}`;
  }
}

test('an empty file is a new database', async () => {
  const path = join(folder, 'a.db');
  writeFileSync(path, '');
  expect(await opening(path)).toBe('opens');
});

test('a file that is no database is told from one', async () => {
  const path = join(folder, 'a.db');
  writeFileSync(path, 'a letter to somebody'.repeat(400));
  expect(await opening(path)).toBe('The database is damaged');
});

test('a database of a newer release is told, and not touched', async () => {
  const path = join(folder, 'a.db');
  await openService(path).close();
  const raw = new SQLite(path);
  raw.pragma('user_version = 900');
  raw.close();
  expect(await opening(path)).toBe('This database is newer than the app');
  const again = new SQLite(path, { readonly: true });
  expect(again.pragma('user_version', { simple: true })).toBe(900);
  again.close();
});

test('a folder in its place cannot be opened', async () => {
  expect(await opening(folder)).toBe('The database cannot be opened');
});

test('a database with a hole in the middle', async () => {
  const path = join(folder, 'a.db');
  await openService(path).close();
  const raw = new SQLite(path);
  raw.pragma('journal_mode = DELETE');
  raw.exec(
    'CREATE TABLE more (t TEXT); INSERT INTO more SELECT hex(randomblob(2000)) FROM (SELECT 1 FROM sqlite_master a, sqlite_master b)',
  );
  raw.close();
  const size = new SQLite(path, { readonly: true }).pragma('page_size', { simple: true }) as number;
  expect(size).toBeGreaterThan(0);
  const file = openSync(path, 'r+');
  // the first page stays, so that it still looks like a database
  writeSync(file, Buffer.alloc(statSync(path).size - size, 0x5a), 0, undefined, size);
  closeSync(file);
  expect(['The database is damaged', 'opens']).toContain(await opening(path));
  let said = '';
  try {
    const service = openService(path);
    await service.catalogue();
  } catch (error) {
    said = troubleOf(error)?.title ?? `unexplained: ${String(error)}`;
  }
  expect(said).toBe('The database is damaged');
});

test('each trouble says what happened, what is safe and what to do, and other errors are no trouble', () => {
  for (const code of [
    'SQLITE_FULL',
    'ENOSPC',
    'SQLITE_READONLY_DIRECTORY',
    'EROFS',
    'SQLITE_CORRUPT',
    'SQLITE_NOTADB',
    'SQLITE_BUSY',
    'SQLITE_LOCKED',
    'SQLITE_CANTOPEN',
    'SQLITE_IOERR_WRITE',
  ]) {
    const trouble = troubleOf(Object.assign(new Error('x'), { code }));
    expect(trouble, code).toBeDefined();
    if (trouble) expect(troubleLine(trouble).split('. ').length, code).toBeGreaterThanOrEqual(4);
  }
  expect(troubleOf(new Error('a mistake of ours'))).toBeUndefined();
  expect(troubleOf(Object.assign(new Error('x'), { code: 'SQLITE_CONSTRAINT' }))).toBeUndefined();
  expect(troubleOf('text')).toBeUndefined();
});
