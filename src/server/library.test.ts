import { ownedRows } from './owned';
import { describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { draftPlaces, dropOwned, keepOwned, putOwned, putPart, saveSettings } from './desk';
import { addPresentMachine } from './drafts';
import { guessTable, openUploadedMachine, previewMachine } from './files';
import { keepUpload, readUpload, uploadPath } from './inbox';
import {
  addPart,
  librarySteps,
  partSheet,
  removePart,
  resetField,
  searchPage,
  setField,
  setPrice,
  stepTheLibrary,
  type LibrarySearch,
} from './library';
import { saveDraftEdit } from './edits';
import { seatBundle } from './seatBundle';
import { dropSeat, newSeat } from './seats';
import { addFilm } from './tests/film';
import { preparedService } from './tests/prepared';
import { type Service, fixDemoDay } from './service';

let service: Service;
const FLUME = 'fenstore-flume-2-tb';

preparedService(
  demoCatalogue(),
  (given) => ({ service } = given),
  async (service) => {
    await fixDemoDay(service, '2026-05-18');
    await addFilm(service);
  },
);

const search = (over: Partial<LibrarySearch> = {}) =>
  searchPage(service, {
    text: '',
    filters: {},
    columns: ['name', 'price', 'used', 'sustainedWriteMBs'],
    offset: 0,
    limit: 50,
    ...over,
  });
const sheet = async (id: string) => {
  const found = await partSheet(service, id);
  if (!found) throw new Error(`${id} is gone`);
  return found;
};
const valueOf = async (id: string, path: string) =>
  (await sheet(id)).fields.find((field) => field.path === path)?.value;
const upload = (name: string, text: string) => keepUpload(service, name, new Blob([text]).stream());

describe('the grid', () => {
  test('gives windows of one order, with how much there is', async () => {
    const whole = await search({ kind: 'drive', limit: 500 });
    expect(whole.total).toBe(whole.rows.length);
    const [first, second] = [
      await search({ kind: 'drive', limit: 10 }),
      await search({ kind: 'drive', offset: 10, limit: 10 }),
    ];
    expect([...first.rows, ...second.rows].map((row) => row.id)).toEqual(whole.rows.slice(0, 20).map((row) => row.id));
    expect(first).toMatchObject({ currency: 'USD', regionName: 'Region A' });
  });

  test('says what is used where, at once when a draft changes', async () => {
    const used = async () =>
      (await search({ text: 'eddy 140', kind: 'cooler' })).rows.find((row) => row.id === 'northdraft-eddy-140')?.cells[
        'used'
      ];
    expect(await used()).toBe(0);
    await saveDraftEdit(
      service,
      { seatId: 'film', documentId: 'film.film-a', base: 1, label: 'x' },
      { kind: 'swap', item: 'cooler-1', part: 'northdraft-eddy-140', label: 'Northdraft Eddy 140' },
    );
    expect(await used()).toBe(1);
    expect((await search({ kind: 'cooler', filters: { used: '≥ 1' } })).rows.map((row) => row.id)).toContain(
      'northdraft-eddy-140',
    );
    expect((await sheet('northdraft-eddy-140')).uses).toEqual([
      { label: 'Film, Draft A', href: '/p/film/draft?draft=film.film-a', standsInFor: undefined },
    ]);
  });

  test('marks what is withdrawn and what is announced', async () => {
    const states = new Map((await search({ kind: 'processor', limit: 500 })).rows.map((row) => [row.id, row.state]));
    expect(states.get('halcyte-knot-8')).toBe('withdrawn');
    expect(states.get('halcyte-tern-deep-18')).toBe('announced');
    expect(states.get('halcyte-tern-12')).toBe('on sale');
  });
});

describe('the sheet', () => {
  test('says where a part comes from and what stands in for what', async () => {
    const found = await sheet('tarnholt-ness-5');
    expect(found.origin).toMatchObject({ origin: 'demo.json', label: 'Import of demo.json' });
    expect(found.uses.find((use) => use.label === 'Aldmoor Quarry T5')?.standsInFor).toBe(
      'a board that Aldmoor does not describe, chipset G-790',
    );
    expect(found.offers.length).toBeGreaterThan(0);
  });

  test('a figure is filled in with its unit, seen by the seats, taken back, undone and brought again', async () => {
    expect(await valueOf(FLUME, 'sustainedWriteMBs')).toBeNull();
    expect(await setField(service, FLUME, 'sustainedWriteMBs', { text: '0.9 GB/s' })).toEqual({
      state: 'kept',
      id: FLUME,
    });
    expect(await valueOf(FLUME, 'sustainedWriteMBs')).toBe(900);
    expect((await sheet(FLUME)).fields.find((field) => field.path === 'sustainedWriteMBs')?.hand).not.toBeNull();
    expect((await seatBundle(service, 'film'))?.data.parts.find((part) => part.id === FLUME)).toMatchObject({
      sustainedWriteMBs: 900,
    });
    expect(await stepTheLibrary(service, 'undo')).toMatchObject({
      state: 'done',
      label: 'sequential write after its cache of Fenstore Flume 2 TB',
    });
    expect(await valueOf(FLUME, 'sustainedWriteMBs')).toBeNull();
    await stepTheLibrary(service, 'redo');
    expect(await resetField(service, FLUME, 'sustainedWriteMBs')).toMatchObject({ state: 'kept' });
    expect(await valueOf(FLUME, 'sustainedWriteMBs')).toBeNull();
  });

  test('a figure of the file is overruled, even to "unknown", and the file’s own comes back', async () => {
    expect(await setField(service, FLUME, 'seqReadMBs', { text: '' })).toMatchObject({ state: 'kept' });
    expect(await valueOf(FLUME, 'seqReadMBs')).toBeNull();
    await resetField(service, FLUME, 'seqReadMBs');
    expect(await valueOf(FLUME, 'seqReadMBs')).toBe(6900);
  });

  test('what contradicts the part, its schema or its unit is refused and nothing is kept', async () => {
    const refusal = async (path: string, text: string) => {
      const result = await setField(service, FLUME, path, { text });
      return result.state === 'refused' ? result.problems.map((problem) => problem.message) : [];
    };
    expect(await refusal('seqReadMBs', '9000')).toEqual([
      expect.stringContaining('but its link carries at most 7,877 MB/s'),
    ]);
    expect(await refusal('sustainedWriteMBs', '-1')).toEqual(['must be above 0']);
    expect(await refusal('sustainedWriteMBs', '900 W')).toEqual([expect.stringContaining('W does not measure')]);
    expect(await refusal('name', '')).toEqual(['cannot be unknown; a part has at least a maker and a name']);
    expect(await refusal('id', 'other')).toEqual(['is no field of a drive that can be changed']);
    expect((await librarySteps(service)).map((step) => step.origin)).toEqual(['demo.json']);
  });

  test('structures and members are changed too', async () => {
    const id = 'voltarn-hearth-700';
    expect(await setField(service, id, 'connectors', { structure: { 'board-24': 1, 'card-16': 1 } })).toMatchObject({
      state: 'kept',
    });
    expect(await valueOf(id, 'connectors')).toEqual({ 'board-24': 1, 'card-16': 1 });
    expect(await setField(service, id, 'evidence.testedGrade', { text: 'B+' })).toMatchObject({ state: 'kept' });
    expect(await valueOf(id, 'evidence.testedGrade')).toBe('B+');
    expect(await setField(service, id, 'connectors', { structure: { 'card-16': 'two' } })).toMatchObject({
      state: 'refused',
    });
  });

  test('few ratings count little', async () => {
    const rated = (await service.catalogue()).data.parts.find(
      (part) => (part.evidence?.ratings ?? 0) > 0 && (part.evidence?.ratings ?? 99) < 20,
    );
    const { rating } = await sheet(rated?.id ?? '');
    if (!rating) throw new Error('no rating');
    expect(Math.abs(rating.shrunk - rating.kindMean)).toBeLessThan(Math.abs(rating.mean - rating.kindMean) + 1e-9);
  });
});

describe('parts by hand', () => {
  test('with only a name: all figures unknown, usable in a draft, taken back', async () => {
    expect(await addPart(service, { kind: 'drive', maker: 'Fenstore', name: 'Weir 2 TB', as: 'new' })).toEqual({
      state: 'kept',
      id: 'fenstore-weir-2-tb',
    });
    expect(await valueOf('fenstore-weir-2-tb', 'capacityGB')).toBeNull();
    expect(await addPart(service, { kind: 'drive', maker: 'Fenstore', name: 'Weir 2 TB', as: 'new' })).toMatchObject({
      state: 'refused',
      problems: [{ path: 'name' }],
    });
    expect(await addPart(service, { kind: 'drive', maker: '<b>', name: 'x', as: 'new' })).toMatchObject({
      state: 'refused',
      problems: [{ path: 'maker', message: expect.stringContaining('markup') as unknown }],
    });
    await stepTheLibrary(service, 'undo');
    expect(await partSheet(service, 'fenstore-weir-2-tb')).toBeUndefined();
  });

  test('a copy has the figures as its own, a stand-in is marked as borrowing them and has its own price', async () => {
    await addPart(service, {
      kind: 'graphics',
      maker: 'Palisar',
      name: 'Gale 12 Cold',
      as: 'copy',
      from: 'palisar-gale-12',
    });
    expect((await sheet('palisar-gale-12-cold')).part).toMatchObject({
      memoryGiB: 12,
      source: 'by hand, copied from Palisar Gale 12',
    });
    expect((await sheet('palisar-gale-12-cold')).part).not.toHaveProperty('evidence');
    await addPart(service, {
      kind: 'graphics',
      maker: 'Aldmoor',
      name: 'Own card',
      as: 'stand-in',
      from: 'palisar-gale-12',
    });
    expect((await sheet('aldmoor-own-card')).part).toMatchObject({ figuresFrom: 'palisar-gale-12', memoryGiB: 12 });
    expect((await sheet('aldmoor-own-card')).offers).toEqual([]);
    expect(await setPrice(service, 'aldmoor-own-card', 50_000)).toMatchObject({ state: 'kept' });
    // 500 and 7.5 % sales tax
    expect((await sheet('aldmoor-own-card')).offers).toMatchObject([
      { landedMinor: 53_750, byHand: true, seller: 'Entered by hand' },
    ]);
    expect(await setPrice(service, 'aldmoor-own-card', -5)).toMatchObject({ state: 'refused' });
    await setPrice(service, 'aldmoor-own-card', undefined);
    expect((await sheet('aldmoor-own-card')).offers).toEqual([]);
  });

  test('a part in use is not removed, and says where it is used; another one goes with its offers', async () => {
    expect(await removePart(service, FLUME)).toMatchObject({
      state: 'refused',
      problems: [{ message: expect.stringContaining('is used by Film, Draft A') as unknown }],
    });
    expect(await removePart(service, 'fenstore-rill')).toMatchObject({ state: 'refused' });
    const before = JSON.stringify((await service.catalogue()).data);
    expect(await removePart(service, 'brumeworks-lull-140-sand')).toMatchObject({ state: 'kept' });
    expect(await partSheet(service, 'brumeworks-lull-140-sand')).toBeUndefined();
    await stepTheLibrary(service, 'undo');
    expect(JSON.stringify((await service.catalogue()).data)).toBe(before);
  });

  test('an import that something by hand refers to is held, not torn out', async () => {
    await addPart(service, { kind: 'drive', maker: 'Own', name: 'Drive', as: 'new' });
    await setPrice(service, 'own-drive', 100);
    // newest first: price, part, then the import
    expect(await stepTheLibrary(service, 'undo')).toMatchObject({ label: 'Price of Own Drive' });
    expect(await stepTheLibrary(service, 'undo')).toMatchObject({ label: 'Own Drive by hand' });
    // the seat rests on it, and is named
    expect(await stepTheLibrary(service, 'undo')).toEqual({
      state: 'held',
      label: 'Import of demo.json',
      by: [
        'the brief of Film',
        'Draft A of Film',
        'Draft B of Film',
        'Present machine of Film',
        'Two lesser cards of Film',
      ],
    });
    expect((await seatBundle(service, 'film'))?.drafts).toHaveLength(4);
    await dropSeat(service, 'film');
    expect(await stepTheLibrary(service, 'undo')).toMatchObject({ state: 'done', label: 'Import of demo.json' });
    expect((await service.catalogue()).data.parts).toEqual([]);
    expect(await stepTheLibrary(service, 'redo')).toMatchObject({ state: 'done' });
    expect((await service.catalogue()).data.parts.length).toBeGreaterThan(600);
  });
});

describe('the desk', () => {
  test('keeps what is owned, puts it to use, and lets it go', async () => {
    expect(await keepOwned(service, { part: 'glasswater-pane-27', count: 2, note: 'by the window' })).toEqual({
      state: 'done',
    });
    expect(await keepOwned(service, { part: 'nothing', count: 1 })).toMatchObject({ state: 'refused' });
    expect(await keepOwned(service, { part: FLUME, count: 0 })).toMatchObject({
      state: 'refused',
      problems: [{ path: 'count' }],
    });
    const [display] = await ownedRows(service);
    expect(display).toMatchObject({ label: 'Glasswater Pane 27', count: 2, kind: 'display' });
    await putOwned(service, display?.id ?? '', { seatId: 'film' });
    expect((await seatBundle(service, 'film'))?.brief.body.ownedDisplays).toEqual([
      'glasswater-pane-32',
      'glasswater-pane-32',
      'glasswater-pane-27',
    ]);
    await keepOwned(service, { part: FLUME, count: 1 });
    const drive = (await ownedRows(service)).find((row) => row.part === (FLUME as string));
    await putOwned(service, drive?.id ?? '', { seatId: 'film', draftId: 'film.film-b' });
    const items = (await seatBundle(service, 'film'))?.drafts.find((draft) => draft.id === 'film.film-b')?.body.items;
    expect(items?.find((item) => item.part === (FLUME as string))).toMatchObject({ owned: true });
    await dropOwned(service, display?.id ?? '');
    expect((await ownedRows(service)).map((row) => row.part as string)).toEqual([FLUME]);
  });

  test('settings hold for new seats and the library’s prices, and bad ones are refused', async () => {
    expect(
      await saveSettings(service, {
        region: 'region-b',
        tariffMinorPerKWh: '31.5',
        supplyShare: 0.7,
        lengthUnit: 'inch',
      }),
    ).toEqual({ state: 'done' });
    expect(await search()).toMatchObject({ currency: 'EUR', regionName: 'Region B' });
    const made = await newSeat(service, { project: { id: 'p' }, name: 'Second' });
    expect(made.state === 'made' && (await seatBundle(service, made.seatId))?.brief.body.region).toBe('region-b');
    expect(await saveSettings(service, { region: 'nowhere', supplyShare: 0.8, lengthUnit: 'mm' })).toMatchObject({
      state: 'refused',
      problems: [{ path: 'region' }],
    });
    expect(await saveSettings(service, { supplyShare: 3, lengthUnit: 'mm' })).toMatchObject({
      state: 'refused',
      problems: [{ path: 'supplyShare' }],
    });
    expect(
      await saveSettings(service, { tariffMinorPerKWh: 'cheap', supplyShare: 0.8, lengthUnit: 'mm' }),
    ).toMatchObject({ state: 'refused' });
  });

  test('a part goes from the library into a draft: one more, or in the place of what a machine has once', async () => {
    const [place] = await draftPlaces(service);
    expect(place).toMatchObject({ label: 'Film, Draft A', href: '/p/film/draft?draft=film.film-a' });
    const target = { seatId: 'film', draftId: 'film.film-a' };
    const items = async () =>
      (await seatBundle(service, 'film'))?.drafts.find(({ id }) => id === 'film.film-a')?.body.items ?? [];
    const before = await items();
    expect(await putPart(service, FLUME, target)).toEqual({ state: 'done' });
    const [more] = (await items()).slice(before.length);
    expect(more).toMatchObject({ part: FLUME, label: 'Fenstore Flume 2 TB', roles: ['active'] });
    expect(await putPart(service, 'quernic-shearwater-14', target)).toEqual({ state: 'done' });
    const after = await items();
    expect(after).toHaveLength(before.length + 1);
    expect(after.find(({ id }) => id === before[0]?.id)?.part).toBe('quernic-shearwater-14');
    expect(await putPart(service, 'no-such-part', target)).toMatchObject({
      state: 'refused',
      problems: [{ message: 'is a part that the library does not have any more' }],
    });
    expect(await putPart(service, FLUME, { seatId: 'film', draftId: 'gone' })).toMatchObject({ state: 'refused' });
  });

  test('a present machine by hand: what is put into it counts as owned', async () => {
    expect(await addPresentMachine(service, 'film')).toBe('/p/film/draft?draft=film.present');
    await saveDraftEdit(
      service,
      { seatId: 'film', documentId: 'film.present', base: 1, label: 'x' },
      { kind: 'add', item: { id: 'drive-1', part: FLUME, label: 'Flume' } },
    );
    const present = (await seatBundle(service, 'film'))?.drafts.find((draft) => draft.id === 'film.present');
    expect(present?.body).toMatchObject({ name: 'Present machine', items: [{ owned: true }] });
  });
});

describe('files that are given', () => {
  test('wait in the inbox under an id that is no path', async () => {
    const given = await upload('own.csv', 'Brand,Model\nF,A\n');
    expect(given).toMatchObject({ name: 'own.csv', bytes: 16, format: 'csv' });
    expect(readUpload(service, given.id)).toEqual(given);
    expect(uploadPath(service, '../test.db')).toBeUndefined();
    expect(readUpload(service, 'x')).toBeUndefined();
  });

  test('a table is guessed, and guessed again for another kind', async () => {
    const given = await upload(
      'own.csv',
      'Brand;Model;VRAM (GB);Length (mm);Price (USD)\nPalisar;Gale 99;12;300,5;499\n',
    );
    const guess = await guessTable(service, given.id, {});
    expect(guess).toMatchObject({ kind: 'graphics', separator: ';', encoding: 'utf-8', decimal: ',' });
    expect('mapping' in guess && guess.mapping?.columns.map((column) => column.field)).toEqual([
      'maker',
      'name',
      'memoryGiB',
      'lengthMm',
      'price',
    ]);
    expect(await guessTable(service, given.id, { kind: 'supply' })).toMatchObject({ kind: 'supply' });
    expect(await guessTable(service, given.id, { kind: 'toaster' })).toMatchObject({ state: 'refused' });
  });

  test('an inventory becomes a present machine of the seat it is put into', async () => {
    const lshw = {
      class: 'system',
      children: [
        {
          id: 'core',
          class: 'bus',
          product: 'Shoal',
          vendor: 'Wexcombe',
          children: [
            { class: 'processor', product: 'Halcyte Knot 8', vendor: 'Halcyte' },
            { class: 'disk', product: 'Old thing', vendor: 'Nobody', size: 500_000_000_000 },
          ],
        },
      ],
    };
    const given = await upload('machine.json', JSON.stringify(lshw));
    expect(given.format).toBe('lshw');
    expect(await previewMachine(service, given.id)).toMatchObject({
      items: [{ known: true }, { known: true }, { known: false }],
      added: ['Nobody Old thing'],
    });
    expect(await openUploadedMachine(service, given.id, { seatId: 'film' })).toMatchObject({
      state: 'opened',
      seatId: 'film',
    });
    const draft = (await seatBundle(service, 'film'))?.drafts.at(-1);
    expect(draft?.body).toMatchObject({ name: 'Present machine', present: true });
    expect((await service.catalogue()).data.parts.find((part) => part.maker === 'Nobody')).toMatchObject({
      capacityGB: 500,
    });
    expect(readUpload(service, given.id)).toBeUndefined();
  });
});
