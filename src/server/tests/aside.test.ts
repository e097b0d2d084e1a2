import type { CatalogueData } from '@/core/model/catalogueSchema';
import { expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { filmBrief, filmDrafts } from '@/demo/ninefathom';
import { sql } from 'kysely';
import { saveDraftEdit, fillFigure, stepSeat } from '../edits';
import { copyDraft } from '../drafts';
import { seatBundle } from '../seatBundle';
import { copySeat } from '../seats';
import { dropSetAside, mendSetAside, rowsSetAside } from '../setAside';
import { keepOwned } from '../desk';
import { keepWatch } from '../prices/manage';
import { removePart, stepTheLibrary } from '../library';
import { libraryStep } from '../libraryStep';
import type { Service } from '../service';
import { addFilm } from './film';
import { preparedService } from './prepared';

let service: Service;
preparedService(demoCatalogue(), (given) => ({ service } = given), addFilm);

/** Spoils a row as another release, or a disk, might have. */
const spoil = (table: string, column: string, id: string, text: string, key = 'id') =>
  sql.raw(`UPDATE ${table} SET ${column} = '${text.replaceAll("'", "''")}' WHERE ${key} = '${id}'`).execute(service.db);
const bump = () => sql.raw(`UPDATE meta SET value = value + 1 WHERE key = 'catalogue-revision'`).execute(service.db);
const told = async () => (await rowsSetAside(service)).map(({ place, id, what }) => ({ place, id, what }));
const bundle = () => seatBundle(service, 'film');

test('nothing is set aside in the demo', async () => {
  expect(await rowsSetAside(service)).toEqual([]);
});

const DRIVE = 'fenstore-flume-2-tb';

test.each([
  ['parts', 'parts', 'spec', DRIVE, '{"kind":"drive"', 'part fenstore-flume-2-tb'],
  [
    'parts',
    'parts',
    'spec',
    DRIVE,
    '{"kind":"drive","id":"fenstore-flume-2-tb","maker":"F","name":"F","capacityGB":1e30}',
    'part fenstore-flume-2-tb',
  ],
  ['watches', 'watches', 'spec', 'watch-1', '{"id":"watch-1"}', 'watch watch-1'],
  ['owned', 'owned', 'spec', 'owned-1', '[]', 'something owned owned-1'],
  ['settings', 'meta', 'value', 'settings', '{"supplyShare":9}', 'settings of the workshop settings'],
])('a row of %s that cannot be read is told, and all else works', async (place, table, column, id, text, what) => {
  await keepWatch(service, { what: { kind: 'part', part: DRIVE, region: filmBrief().region }, targetMinor: 10_000 });
  await keepOwned(service, { part: DRIVE, count: 1 });
  await sql.raw(`INSERT OR IGNORE INTO meta (key, value) VALUES ('settings', '{}')`).execute(service.db);
  await spoil(table, column, id, text, table === 'meta' ? 'key' : 'id');
  await bump();
  expect(await told()).toEqual([{ place, id, what }]);
  const seat = await bundle();
  expect(seat?.drafts).toHaveLength(filmDrafts().length);
  // removed for good, nothing is left to tell
  expect(await dropSetAside(service, place, id)).toEqual({ state: 'done' });
  expect(await told()).toEqual([]);
});

test('a draft that cannot be read leaves the others; mended, it is back where it was', async () => {
  const before = (await bundle())?.drafts.map(({ body }) => body) ?? [];
  await spoil('documents', 'body', 'film.film-b', JSON.stringify({ ...before[1], name: 'x'.repeat(200) }));
  expect((await bundle())?.drafts.map(({ id }) => id)).not.toContain('film.film-b');
  const [row] = await rowsSetAside(service);
  expect(row).toMatchObject({
    place: 'documents',
    id: 'film.film-b',
    what: `draft "${'x'.repeat(40)}…" of Film, Project`,
  });
  expect(row?.problems).toEqual([{ path: 'name', message: 'is longer than 80 characters' }]);
  // still wrong: said, and nothing written
  expect(await mendSetAside(service, 'documents', 'film.film-b', '{')).toMatchObject({
    state: 'refused',
    problems: [{ path: 'row', message: expect.stringContaining('is not JSON yet') as string }],
  });
  expect(await mendSetAside(service, 'documents', 'film.film-b', '{"id":"film-b"}')).toMatchObject({
    state: 'refused',
  });
  expect(await mendSetAside(service, 'documents', 'film.film-b', JSON.stringify(before[1]))).toEqual({ state: 'done' });
  expect((await bundle())?.drafts.map(({ body }) => body)).toEqual(before);
  expect(await told()).toEqual([]);
});

test('a brief that cannot be read, or whose region is gone, closes its seat alone and is told', async () => {
  const brief = JSON.stringify(filmBrief());
  await spoil('documents', 'body', 'film.brief', '{"id":"film"}');
  expect(await bundle()).toBeUndefined();
  expect((await told())[0]?.what).toContain('without its brief the seat does not open');
  expect(
    await mendSetAside(service, 'documents', 'film.brief', brief.replace(/"region":"[^"]*"/, '"region":"moon"')),
  ).toEqual({
    state: 'done',
  });
  expect(await bundle()).toBeUndefined();
  expect((await rowsSetAside(service))[0]?.problems).toEqual([
    { path: 'region', message: '"moon" is not in the library; import the catalogue that has it, or name another' },
  ]);
  expect(await mendSetAside(service, 'documents', 'film.brief', brief)).toEqual({ state: 'done' });
  expect((await bundle())?.brief.body).toEqual(filmBrief());
});

test('names that copies get stay within what a name may be', async () => {
  const long = 'A cutting room with a name that is as long as a name may be, to its very last one';
  expect(long.length).toBeGreaterThan(78);
  await service.db
    .updateTable('seats')
    .set({ name: long.slice(0, 80) })
    .where('id', '=', 'film')
    .execute();
  for (let i = 0; i < 3; i++) {
    const copy = await copySeat(service, 'film');
    expect((await seatBundle(service, copy ?? ''))?.brief.body.name.length).toBeLessThanOrEqual(80);
  }
  const first = (await bundle())?.drafts[0];
  await saveDraftEdit(
    service,
    { seatId: 'film', documentId: first?.id, base: first?.revision, label: 'Name' },
    { kind: 'rename', name: long.slice(0, 80) },
  );
  const other = await copySeat(service, 'film');
  for (let i = 0; i < 4; i++) await copyDraft(service, other ?? '', first?.id ?? '', 'film');
  const names = (await seatBundle(service, other ?? ''))?.drafts.map(({ body }) => body.name) ?? [];
  expect(new Set(names).size).toBe(names.length);
  expect(await told()).toEqual([]);
});

test('a figure by hand on a part that came back as another kind is set aside; redo is refused, and nothing is lost', async () => {
  const drive = (demoCatalogue() as CatalogueData).parts.find(({ id }) => id === DRIVE);
  if (!drive) throw new Error('the demo has the drive');
  expect(await fillFigure(service, 'film', DRIVE, 'sustainedWriteMBs', 850)).toMatchObject({ state: 'filled' });
  expect(await told()).toEqual([]);
  const fan = { kind: 'fan', id: DRIVE, maker: 'Fenstore', name: 'Now a fan' };
  await libraryStep(service, 'Another kind', [{ list: 'parts', id: DRIVE, spec: fan }]);
  expect(await told()).toEqual([
    { place: 'figures', id: `${DRIVE} sustainedWriteMBs`, what: `figure by hand ${DRIVE} sustainedWriteMBs` },
  ]);
  expect((await bundle())?.drafts).toHaveLength(filmDrafts().length);
  await stepSeat(service, 'film', 'undo');
  expect(await told()).toEqual([]);
  expect(await stepSeat(service, 'film', 'redo')).toMatchObject({ state: 'refused' });
  expect(await told()).toEqual([]);
  await libraryStep(service, 'The drive again', [{ list: 'parts', id: DRIVE, spec: drive }]);
  expect(await stepSeat(service, 'film', 'redo')).toMatchObject({
    stepped: { label: expect.stringContaining('Fenstore Flume 2 TB') as string },
  });
  expect(await removePart(service, DRIVE)).toMatchObject({ state: 'refused' });
});

test('an import that something rests on is not taken back, and says who; without them it is', async () => {
  expect(await stepTheLibrary(service, 'undo')).toMatchObject({ state: 'held', label: 'Import of demo.json' });
  const part = { kind: 'drive', id: 'own-drive', maker: 'Own', name: 'Drive' };
  await libraryStep(service, 'Own drive', [{ list: 'parts', id: part.id, spec: part }]);
  const { id, revision } = (await bundle())?.drafts[1] ?? { id: '', revision: 0 };
  const target = { seatId: 'film', documentId: id, base: revision, label: 'Own drive' };
  const item = { id: 'own', part: 'own-drive', label: 'Own Drive' };
  await saveDraftEdit(service, target, { kind: 'add', item });
  await keepWatch(service, {
    what: { kind: 'part', part: 'own-drive', region: filmBrief().region },
    targetMinor: 10_000,
  });
  expect(await stepTheLibrary(service, 'undo')).toEqual({
    state: 'held',
    label: 'Own drive',
    by: [`${filmDrafts()[1]?.name ?? ''} of Film`, 'the watch on own-drive'],
  });
  await saveDraftEdit(service, { ...target, base: revision + 1 }, { kind: 'remove', item: 'own' });
  await service.db.deleteFrom('watches').execute();
  expect(await stepTheLibrary(service, 'undo')).toEqual({ state: 'done', label: 'Own drive' });
});
