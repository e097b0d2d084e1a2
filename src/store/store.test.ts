import { usualSettings, type Settings } from '@/core/model/settings';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { emptyMemo, readCatalogueData } from './catalogueStore';
import { openDatabase, writing, type Database } from './database';
import { rememberColumns, rememberedColumns, readSettings, writeSettings } from './libraryStore';
import { applyEntries, beginStep, type Entry } from './lists';
import { MIGRATIONS } from './schema';
import { asNow } from '@/core/formats/former';
import { FORMER } from '@/core/tests/former';
import { machineSchema } from '@/core/model/machine';
import { listSteps, originOf, stepLibrary } from './steps';

let folder: string;
let db: Database;
let close: () => Promise<void>;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'vane-store-'));
  ({ db, close } = openDatabase(join(folder, 'test.db')));
});
afterEach(async () => {
  await close();
  rmSync(folder, { recursive: true });
});

const drive = (id: string, capacityGB?: number): Entry => ({
  list: 'parts',
  id,
  spec: { kind: 'drive', id, maker: 'Fenstore', name: id, ...(capacityGB === undefined ? {} : { capacityGB }) },
});
const gone = (id: string): Entry => ({ list: 'parts', id, spec: undefined });
const apply = (label: string, entries: readonly Entry[]) =>
  writing(db, async (trx) => applyEntries(trx, await beginStep(trx, label, 'test', '2026-05-18'), entries));
const state = async () =>
  (await readCatalogueData(db)).parts.map((part) => [
    part.id as string,
    part.kind === 'drive' ? part.capacityGB : undefined,
  ]);

describe('migrations', () => {
  test('bring a database of the first release up, with what is in it', async () => {
    const path = join(folder, 'old.db');
    const sqlite = new SQLite(path);
    sqlite.exec(MIGRATIONS[0] ?? '');
    sqlite.pragma('user_version = 1');
    sqlite
      .prepare('INSERT INTO parts VALUES (?, ?, ?, ?, ?)')
      .run(
        'old',
        'drive',
        'Fenstore',
        'Old',
        JSON.stringify({ kind: 'drive', id: 'old', maker: 'Fenstore', name: 'Old' }),
      );
    sqlite.close();
    const opened = openDatabase(path);
    expect((await readCatalogueData(opened.db)).parts).toMatchObject([{ id: 'old' }]);
    expect(await stepLibrary(opened.db, 'undo')).toEqual({ state: 'nothing' });
    await opened.close();
  });

  test('a machine that had one later phase keeps it, and so does what undo would bring', async () => {
    const path = join(folder, 'phases.db');
    const sqlite = new SQLite(path);
    for (const step of MIGRATIONS.slice(0, 5)) sqlite.exec(step);
    sqlite.pragma('user_version = 5');
    const former = JSON.stringify(FORMER);
    sqlite.exec(`INSERT INTO projects VALUES ('p', 'P', 0); INSERT INTO seats VALUES ('s', 'p', 'S', 0)`);
    const document = sqlite.prepare(`INSERT INTO documents VALUES (?, 's', 'draft', ?, 1, 1)`);
    document.run('d', former);
    // what cannot be read, or is none of these, stays as it is
    document.run('damaged', '{"later": {"name"');
    document.run('odd', '{"later": {}, "items": 3}');
    sqlite
      .prepare(
        `INSERT INTO history (seat_id, target, label, before, after, at) VALUES ('s', 'document d', 'x', NULL, ?, '')`,
      )
      .run(former);
    sqlite.close();
    const opened = openDatabase(path);
    const bodies = [
      ...(await opened.db.selectFrom('documents').select('body').orderBy('id').execute()).map(({ body }) => body),
      ...(await opened.db.selectFrom('history').select('after').execute()).map(({ after }) => after ?? ''),
    ];
    expect(bodies.slice(1, 3)).toEqual(['{"later": {"name"', '{"later": {}, "items": 3}']);
    for (const body of [bodies[0], bodies[3]].map((text) => text ?? ''))
      expect(machineSchema.parse(JSON.parse(body))).toEqual(asNow(JSON.parse(former)));
    await opened.close();
  });

  test('of a newer release are refused in words', () => {
    const path = join(folder, 'new.db');
    const sqlite = new SQLite(path);
    sqlite.pragma('user_version = 99');
    sqlite.close();
    expect(() => openDatabase(path)).toThrow(/written by a newer release/);
  });
});

describe('steps', () => {
  test('whatever is added, changed and removed, undoing all gives the beginning and redoing all the end', async () => {
    const entry = fc.oneof(
      fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.integer({ min: 1, max: 9 })).map(([id, size]) => drive(id, size)),
      fc.constantFrom('a', 'b', 'c').map(gone),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(entry, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 5 }),
        async (steps) => {
          const begin = await state();
          const states = [begin];
          for (const [i, entries] of steps.entries()) {
            await apply(`step ${i}`, entries);
            states.push(await state());
          }
          for (let i = steps.length - 1; i >= 0; i--) {
            expect(await stepLibrary(db, 'undo')).toEqual({ state: 'done', label: `step ${i}` });
            expect(await state()).toEqual(states[i]);
          }
          for (let i = 1; i <= steps.length; i++) {
            await stepLibrary(db, 'redo');
            expect(await state()).toEqual(states[i]);
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  test('a new step ends what could be brought again', async () => {
    await apply('one', [drive('a', 1)]);
    await stepLibrary(db, 'undo');
    await apply('two', [drive('b', 2)]);
    expect(await stepLibrary(db, 'redo')).toEqual({ state: 'nothing' });
    expect((await listSteps(db)).map((step) => [step.label, step.entries])).toEqual([['two', 1]]);
  });

  test('say where an entry comes from: the newest step that is not undone', async () => {
    await apply('one', [drive('a', 1)]);
    await apply('two', [drive('a', 2), drive('b', 1)]);
    expect((await originOf(db, 'parts', 'a'))?.label).toBe('two');
    await stepLibrary(db, 'undo');
    expect((await originOf(db, 'parts', 'a'))?.label).toBe('one');
    expect(await originOf(db, 'parts', 'b')).toBeUndefined();
  });

  test('a part that an offer outside the step needs is held, and all stays as it was', async () => {
    await apply('part', [drive('a', 1)]);
    await db
      .insertInto('offers')
      .values({
        id: 'o',
        part_id: 'a',
        region: 'r',
        price_minor: 1,
        spec: JSON.stringify({
          id: 'o',
          part: 'a',
          seller: 's',
          region: 'r',
          priceMinor: 1,
          shippingMinor: 0,
          condition: 'new',
          asOf: '2026-05-18',
        }),
      })
      .execute();
    expect(await stepLibrary(db, 'undo')).toEqual({ state: 'held', label: 'part', by: [] });
    expect(await state()).toEqual([['a', 1]]);
    expect((await listSteps(db))[0]?.undone).toBe(false);
  });
});

describe('a writer', () => {
  test('waits for another process without stopping its own, and gives up in time with the cause', async () => {
    const other = new SQLite(join(folder, 'test.db'));
    other.exec('BEGIN IMMEDIATE');
    let turns = 0;
    const timer = setInterval(() => turns++, 5);
    let written = false;
    const waiting = apply('two', [drive('a', 1)]).then(() => (written = true));
    // others read meanwhile
    while (turns < 10) await new Promise((resolve) => setTimeout(resolve, 5));
    expect((await readCatalogueData(db)).parts).toEqual([]);
    expect(written).toBe(false);
    other.exec('COMMIT');
    await waiting;
    clearInterval(timer);
    expect((await readCatalogueData(db)).parts).toHaveLength(1);
    other.close();
  });
});

describe('reading', () => {
  test('gives the same object for what has not changed, and a new one for what has', async () => {
    await apply('two', [drive('a', 1), drive('b', 2)]);
    const memo = emptyMemo();
    const first = await readCatalogueData(db, 'with-hand-figures', memo);
    await apply('hand', [{ list: 'figures', id: 'b capacityGB', spec: { value: 5, at: 'now' } }]);
    const second = await readCatalogueData(db, 'with-hand-figures', memo);
    expect(second.parts[0]).toBe(first.parts[0]);
    expect(second.parts[1]).toMatchObject({ capacityGB: 5 });
    expect((await readCatalogueData(db, 'files')).parts[1]).toMatchObject({ capacityGB: 2 });
    // the plain way gives the same
    expect(await readCatalogueData(db)).toEqual(second);
  });

  test('settings and remembered columns come back, and unset ones are the usual', async () => {
    expect(await readSettings(db)).toEqual(usualSettings);
    const other: Settings = { ...usualSettings, supplyShare: 0.7, lengthUnit: 'inch', tariffMinorPerKWh: '31.5' };
    await writeSettings(db, other);
    expect(await readSettings(db)).toEqual(other);
    await rememberColumns(
      db,
      'drive',
      [{ header: 'Lesen', field: 'seqReadMBs', unit: 'GB/s' }, { header: 'Regal' }],
      'now',
    );
    await rememberColumns(db, 'drive', [{ header: 'Lesen', field: 'seqReadMBs', unit: 'MB/s' }], 'later');
    expect([...(await rememberedColumns(db, 'drive')).values()]).toEqual([
      { header: 'Lesen', field: 'seqReadMBs', unit: 'MB/s' },
      { header: 'Regal' },
    ]);
    expect((await rememberedColumns(db, 'case')).size).toBe(0);
  });
});
