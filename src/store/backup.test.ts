import { copyFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { backupTo, BadBackup, checkBackup, restoreFrom } from './backup';
import { openDatabase, writing, type Database } from './database';
import { addSeat, listSeats } from './projectStore';
import { briefOf, machineOf } from '@/core/tests/world';

const AT = '2026-05-18T09:30:00.000Z';
let folder: string;
let path: string;
let file: string;
let db: Database;
let close: () => Promise<void>;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-backup-'));
  [path, file] = [join(folder, 'a.db'), join(folder, 'kept', 'a.backup')];
  ({ db, close } = openDatabase(path));
  await seat('one');
});
afterEach(async () => {
  await close();
  rmSync(folder, { recursive: true, force: true });
});

const seat = (id: string) =>
  addSeat(db, { projectId: 'p', projectName: 'P', seatId: id, seatName: id, brief: briefOf(), drafts: [machineOf()] });
const seats = async () => (await listSeats(db)).map(({ id }) => id);
/** Every row of every table, as it lies. */
function content(of: string): unknown {
  const raw = new SQLite(of, { readonly: true });
  const tables = raw
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name")
    .pluck()
    .all() as string[];
  const rows = tables.map((name) => [name, raw.prepare(`SELECT * FROM "${name}"`).raw().all()]);
  raw.close();
  return rows;
}

test('backup, change, restore: what was there comes back row by row, and the other is kept beside', async () => {
  const manifest = await backupTo(path, file, AT);
  expect(manifest.tables['seats']).toMatchObject({ rows: 1 });
  expect(manifest.tables['documents']).toMatchObject({ rows: 2 });
  const before = content(path);
  await seat('two');
  expect(await seats()).toEqual(['one', 'two']);
  await close();

  const restored = restoreFrom(file, path, AT);
  expect(restored).toEqual({ manifest, kept: `${path}.before-2026-05-18T09-30-00-000Z` });
  expect(content(path)).toEqual(before);
  ({ db, close } = openDatabase(path));
  expect(await seats()).toEqual(['one']);
  const other = openDatabase(restored.kept ?? '');
  expect((await listSeats(other.db)).map(({ id }) => id)).toEqual(['one', 'two']);
  await other.close();
  // and round again: the same content has the same sums
  const again = await backupTo(path, join(folder, 'b.backup'), AT);
  expect(again).toEqual(manifest);
});

test('a backup is taken while the app writes, and holds one state of it', async () => {
  const writes = (async () => {
    for (let i = 0; i < 40; i++) await seat(`more-${i}`);
  })();
  const manifest = await backupTo(path, file, AT);
  await writes;
  expect(checkBackup(file)).toEqual(manifest);
  // a seat is one transaction: each that is in it has its documents
  expect(manifest.tables['documents']?.rows).toBe(2 * (manifest.tables['seats']?.rows ?? 0));
});

test('a backup whose rows were changed, or that is no backup, is not put back and touches nothing', async () => {
  await backupTo(path, file, AT);
  const changed = join(folder, 'changed');
  copyFileSync(file, changed);
  const raw = new SQLite(changed);
  raw.exec("UPDATE seats SET name = 'another'");
  raw.close();
  expect(() => checkBackup(changed)).toThrow(/does not hold what it says: table seats/);

  const bare = join(folder, 'bare');
  const plain = openDatabase(bare);
  await plain.close();
  expect(() => checkBackup(bare)).toThrow(/without a manifest/);

  const newer = join(folder, 'newer');
  copyFileSync(file, newer);
  const later = new SQLite(newer);
  later.exec(`UPDATE backup_manifest SET text = replace(text, '"step":', '"step":9')`);
  later.close();
  expect(() => checkBackup(newer)).toThrow(/newer release/);

  const torn = join(folder, 'torn');
  writeFileSync(torn, readFileSync(file).subarray(0, 30_000));
  expect(() => checkBackup(torn)).toThrow(BadBackup);
  const letter = join(folder, 'letter');
  writeFileSync(letter, 'a letter to somebody'.repeat(300));
  expect(() => checkBackup(letter)).toThrow('is no database, or is damaged');
  expect(() => checkBackup(join(folder, 'nothing'))).toThrow('does not exist');

  await close();
  const before = content(path);
  for (const bad of [changed, bare, newer, torn, letter]) expect(() => restoreFrom(bad, path, AT)).toThrow(BadBackup);
  expect(content(path)).toEqual(before);
  expect(readdirSync(folder).filter((name) => /restoring|before-/.test(name))).toEqual([]);
  ({ db, close } = openDatabase(path));
});

test('while the app has the database open nothing is put back', async () => {
  await backupTo(path, file, AT);
  await writing(db, async () => {});
  expect(() => restoreFrom(file, path, AT)).toThrow('while the database is open');
  expect(await seats()).toEqual(['one']);
});

test('a damaged database is set aside as it lies', async () => {
  await backupTo(path, file, AT);
  await close();
  writeFileSync(path, 'nothing that reads'.repeat(200));
  const { kept } = restoreFrom(file, path, AT);
  expect(readFileSync(kept ?? '', 'utf8')).toContain('nothing that reads');
  ({ db, close } = openDatabase(path));
  expect(await seats()).toEqual(['one']);
});
