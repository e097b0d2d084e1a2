import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { beforeEach, describe, expect, test } from 'vitest';
import { ZipFile } from 'yazl';
import { demoCatalogue } from '@/demo/catalogue';
import { bulkPoints, readRates, writeRate } from '@/store/priceStore';
import { keepSource, keepWatch } from '../prices/manage';
import { markDrafts } from '../seen';
import { filmDrafts } from '@/demo/ninefathom';
import { listSteps, stepLibrary } from '@/store/steps';
import { exportArchive, exportCatalogue, exportSheet } from '../exports';
import { openService, type Service } from '../service';
import { seatBundle } from '../seatBundle';
import { pack } from './archive';
import { checkFile } from './check';
import { sampleCsv } from './csvFile';
import { importFile, sniff } from './importFile';
import { LARGEST_FILE_BYTES, type CsvRequest, type ImportRequest } from './request';
import { addFilm } from '../tests/film';
import { preparedService } from '../tests/prepared';
import { tableRequest } from './tableRequest';

const ROOT = join(import.meta.dirname, '..', '..', '..');
let folder: string;
let service: Service;
const small = { ...demoCatalogue(), parts: [], offers: [], rivals: [] };

preparedService(small, (given) => ({ folder, service } = given));

const file = (name: string, content: string | Buffer): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
async function tableOf(path: string, change: Partial<CsvRequest> = {}, kind?: string): Promise<ImportRequest> {
  const made = await tableRequest(service, path, { kind: kind ?? 'drive', map: [], all: [] });
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return { format: 'csv', path, name: 'table.csv', csv: { ...made.value.request, ...change } };
}
const check = (request: ImportRequest) => checkFile(service.db, service.path, request, join(folder, 'check.staging'));
const parts = async () => (await service.catalogue()).data.parts;
const problemsOf = async (request: ImportRequest) =>
  (await check(request)).problems.map((problem) => `${problem.path}: ${problem.message}`);

const TABLE =
  'Brand,Model,Interface,Read speed (GB/s),Price (USD)\nFenstore,Weir 2 TB,NVMe,7.1,149.90\nFenstore,Weir 4 TB,NVMe,7.2,259.90\n';

describe('a table', () => {
  test('with foreign headings is mapped, taken, and taken again changes nothing', async () => {
    const request = await tableOf(file('t.csv', TABLE));
    const first = await importFile(service, request);
    expect(first.state).toBe('written');
    expect(await parts()).toMatchObject([
      { id: 'fenstore-weir-2-tb', interface: 'NVMe', seqReadMBs: 7100 },
      { id: 'fenstore-weir-4-tb', seqReadMBs: 7200 },
    ]);
    const { data, revision } = await service.catalogue();
    expect(data.offers.map((offer) => [offer.part, offer.priceMinor, offer.seller])).toEqual([
      ['fenstore-weir-2-tb', 14_990, 'own-price-list'],
      ['fenstore-weir-4-tb', 25_990, 'own-price-list'],
    ]);
    const again = await importFile(service, request);
    expect(again).toMatchObject({ state: 'written', step: undefined });
    expect((await service.catalogue()).revision).toBe(revision);
  });

  test.each([
    ['a byte-order mark', Buffer.from(`\ufeff${TABLE}`)],
    ['UTF-16, little end first', Buffer.from(`\ufeff${TABLE}`, 'utf16le')],
    ['UTF-16, big end first', Buffer.from(`\ufeff${TABLE}`, 'utf16le').swap16()],
    ['UTF-16 without a mark', Buffer.from(TABLE, 'utf16le')],
    ['semicolons and decimal commas', Buffer.from(TABLE.replace(/,/g, ';').replace(/(\d)\.(\d)/g, '$1,$2'))],
    ['tabs and old line ends', Buffer.from(TABLE.replace(/,/g, '\t').replace(/\n/g, '\r'))],
    ['quotes everywhere', Buffer.from(TABLE.replace(/[^,\n]+/g, '"$&"').replace(/\n/g, '\r\n'))],
    ['blank lines', Buffer.from(TABLE.replace(/\n/g, '\n\n'))],
  ])('with %s gives the same parts', async (_, bytes) => {
    expect((await importFile(service, await tableOf(file('t.csv', bytes)))).state).toBe('written');
    expect((await parts()).map((part) => [part.id, part.kind === 'drive' && part.seqReadMBs])).toEqual([
      ['fenstore-weir-2-tb', 7100],
      ['fenstore-weir-4-tb', 7200],
    ]);
    expect((await service.catalogue()).data.offers.map((offer) => offer.priceMinor)).toEqual([14_990, 25_990]);
  });

  test('in an 8-bit code page keeps its letters when the page is chosen', async () => {
    const path = file(
      't.csv',
      Buffer.concat([
        Buffer.from('Brand,Model,Capacity\nFenst'),
        Buffer.from([0xf8]),
        Buffer.from('re,W'),
        Buffer.from([0xe9]),
        Buffer.from('ir 2 TB,2 TB\n'),
      ]),
    );
    expect((await sampleCsv(path)).encoding).toBe('windows-1252');
    expect((await importFile(service, await tableOf(path))).state).toBe('written');
    expect(await parts()).toMatchObject([{ maker: 'Fenstøre', name: 'Wéir 2 TB' }]);
    // read as what it is not, it is refused and not mangled
    expect(await problemsOf(await tableOf(path, { encoding: 'utf-8' }))).toEqual([
      expect.stringMatching(/^file: holds bytes that are not utf-8, between byte 0 and \d+; choose the encoding/),
    ]);
  });

  test('with names in any script, quotes, separators and line breaks in cells', async () => {
    const path = file(
      't.csv',
      'Brand,Model,Source\n"株式会社","硬盘 2 TB","a ""quoted"" word"\n"Αίολος","Δίσκος, μεγάλος","x"\n',
    );
    expect((await importFile(service, await tableOf(path))).state).toBe('written');
    expect((await parts()).map((part) => `${part.maker} ${part.name}`).sort()).toEqual(
      ['Αίολος Δίσκος, μεγάλος', '株式会社 硬盘 2 TB'].sort(),
    );
    // a line break belongs to the cell, so the row after it is still row 3; markup and breaks are no plain text
    expect(await problemsOf(await tableOf(file('u.csv', 'Brand,Model,Source\nF,"A\nB",x\nF,<b>C</b>,y\n')))).toEqual([
      'row 2, Model: holds markup or control characters; write it as plain text',
      'row 3, Model: holds markup or control characters; write it as plain text',
    ]);
  });

  test('names every problem by row and column, and nothing of it is taken', async () => {
    const path = file(
      't.csv',
      'Brand,Model,Interface,Read speed (MB/s),Lanes,Link generation\nF,A,NVMe,7000,2,4\nF,B,tape,100,4,4\nF,C,NVMe,fast,4,4\nF,,NVMe,1,4,4\nF,A,NVMe,1,4,4\nF,D,NVMe,1,4,4,extra\n',
    );
    const result = await importFile(service, await tableOf(path));
    expect(result.state).toBe('refused');
    expect(result.dryRun.problems.map(({ path: at, message, value }) => [at, message, value])).toEqual([
      [
        'row 2, Read speed (MB/s)',
        'is 7,000 MB/s, but its link carries at most 3,938 MB/s; correct the figure, the lanes or the link generation',
        '7000',
      ],
      ['row 3, Interface', '"tape" must be one of "NVMe", "SATA"', 'tape'],
      [
        'row 4, Read speed (MB/s)',
        '"fast" is not a number; correct it, or leave the cell empty when it is unknown',
        'fast',
      ],
      ['row 5, Model', 'is missing in this row; fill the cell, map a column to it, or give one value for all rows', ''],
      ['row 7', 'has 7 cells under 6 headings; quote cells that hold the separator', undefined],
    ]);
    expect(await parts()).toEqual([]);
  });

  test('is mended cell by cell, and rows are left out on purpose', async () => {
    const path = file('t.csv', 'Brand,Model,Capacity\nF,A,zwei TB\nF,B,4 TB\nF,C,rubbish\n');
    const request = await tableOf(path, { fixes: { '2': { Capacity: '2 TB' } }, leaveOut: [4] });
    expect((await importFile(service, request)).state).toBe('written');
    expect(await parts()).toMatchObject([
      { name: 'A', capacityGB: 2000 },
      { name: 'B', capacityGB: 4000 },
    ]);
  });

  test('with two columns of one heading, none, or an open quote is refused with the place', async () => {
    const csv = (await tableOf(file('ok.csv', TABLE))) as Extract<ImportRequest, { format: 'csv' }>;
    const with_ = (text: string): ImportRequest => ({ ...csv, path: file('bad.csv', text) });
    expect(await problemsOf(with_('Brand,Model,Brand\nF,A,B\n'))).toContain(
      'row 1, column 3: "Brand" heads column 1 already; rename or delete one of the two',
    );
    expect(await problemsOf(with_(',,\n1,2,3\n'))).toContain('row 1: has no headings; the first row names the columns');
    expect(await problemsOf(with_(TABLE.replace('Fenstore,Weir 4 TB', '"Fenstore,Weir 4 TB')))).toEqual([
      'row 3: opens a quote that is never closed; close it, or double it when it is part of the text',
    ]);
    // a mapping made for another file is not used blindly
    expect((await problemsOf(with_('Model,Brand\nA,F\n')))[0]).toBe(
      'row 1, column 1: is headed "Model", but the mapping was made for "Brand"; map the columns again',
    );
  });

  test('adds to what is known: an empty cell takes nothing away, and the row wins where it says something', async () => {
    await importFile(service, await tableOf(file('a.csv', 'Brand,Model,Capacity,Read speed (MB/s)\nF,A,2 TB,7000\n')));
    await importFile(service, await tableOf(file('b.csv', 'Brand,Model,Capacity,Read speed (MB/s)\nF,A,,6900\n')));
    expect(await parts()).toMatchObject([{ capacityGB: 2000, seqReadMBs: 6900 }]);
    // the same name as another kind of part is no update
    expect(
      await problemsOf(await tableOf(file('c.csv', 'Brand,Model,Length (mm)\nF,A,100\n'), {}, 'graphics')),
    ).toEqual([
      'row 2, Model: "f-a" is in the catalogue as another kind of part; give this one another name or an id of its own',
    ]);
  });

  test('of thousands of rows is read with every one, and its counts are right', async () => {
    const rows = Array.from({ length: 5000 }, (_, i) => `Fenstore,Weir ${i},NVMe,${1 + (i % 7)}.5,${i + 1}.99`).join(
      '\n',
    );
    const request = await tableOf(file('many.csv', `${TABLE.split('\n')[0] ?? ''}\n${rows}\n`));
    expect(await check(request)).toMatchObject({
      read: 5000,
      problemCount: 0,
      counts: [
        { list: 'sellers', added: 1 },
        { list: 'parts', added: 5000, changed: 0, left: 0 },
        { list: 'offers', added: 5000 },
      ],
    });
  });
});

describe('a file', () => {
  test('is known by its contents, not by its name', async () => {
    expect(await sniff(file('x.csv', JSON.stringify(small)))).toBe('catalogue');
    expect(await sniff(file('x.json', TABLE))).toBe('csv');
    expect(await sniff(file('x', ''))).toBe('empty');
    expect(await sniff(file('x.txt', '{"bomFormat":"CycloneDX"}'))).toBe('bom');
    expect(await sniff(file('y.txt', Buffer.from(`\ufeff${JSON.stringify(small)}`, 'utf16le')))).toBe('catalogue');
  });

  test('above 2 GB is refused with the limit, before it is read', async () => {
    const path = file('huge.json', '{');
    // sparse: it has the length without the bytes
    truncateSync(path, LARGEST_FILE_BYTES + 1_000_000_000);
    expect(await problemsOf({ format: 'catalogue', path, name: 'huge' })).toEqual([
      'file: has 3.0 GB; files of up to 2 GB are read. Split it',
    ]);
  });

  test('that is empty or gone says so', async () => {
    expect(await problemsOf({ format: 'catalogue', path: file('none.json', ''), name: 'none' })).toEqual([
      'file: is empty',
    ]);
    expect(await problemsOf({ format: 'catalogue', path: join(folder, 'nowhere'), name: 'none' })).toEqual([
      'file: is no longer there; give it again',
    ]);
  });

  test('with an offer of nothing is refused, and the reference is named once', async () => {
    const offer = {
      id: 'o',
      part: 'ghost',
      seller: 'parcelwright',
      region: 'region-a',
      priceMinor: 1,
      shippingMinor: 0,
      condition: 'new',
      asOf: '2026-05-18',
    };
    expect(
      await problemsOf({
        format: 'catalogue',
        path: file('c.json', JSON.stringify({ ...small, offers: [offer, { ...offer, id: 'p' }] })),
        name: 'c',
      }),
    ).toEqual(['offers[0].part: refers to part "ghost", which is neither in this file nor in the catalogue']);
  });

  test('checked before the catalogue moved is not written', async () => {
    const path = file('c.json', JSON.stringify({ ...demoCatalogue(), rivals: [] }));
    const staging = join(folder, 's.staging');
    const dryRun = await checkFile(service.db, service.path, { format: 'catalogue', path, name: 'c' }, staging);
    await importFile(service, await tableOf(file('t.csv', TABLE)));
    const { writeChecked } = await import('./importFile');
    expect(await writeChecked(service, { format: 'catalogue', path, name: 'c' }, staging, dryRun.revision)).toEqual({
      state: 'moved',
    });
    expect(await parts()).toHaveLength(2);
  });
});

describe('an archive', () => {
  beforeEach(async () => {
    expect(
      (
        await importFile(service, {
          format: 'catalogue',
          path: file('demo.json', JSON.stringify(demoCatalogue())),
          name: 'demo',
        })
      ).state,
    ).toBe('written');
    await addFilm(service);
  });

  const written = async (stream: NodeJS.ReadableStream, name: string) => {
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(chunk as Buffer);
    return file(name, Buffer.concat(chunks));
  };
  const saved = async (from: Service, name: string, project?: string) => {
    const archive = await exportArchive(from, project);
    if (!archive) throw new Error('no archive');
    return written(archive.stream, name);
  };
  const zipOf = (members: readonly (readonly [string, string])[], name = 'z.zip') => {
    const zip = new ZipFile();
    for (const [member, text] of members) zip.addBuffer(Buffer.from(text), member);
    zip.end();
    return written(zip.outputStream, name);
  };
  const archive = (path: string): ImportRequest => ({ format: 'archive', path, name: 'a.zip' });

  test('moves everything to another database, and comes out of it the same', async () => {
    const path = await saved(service, 'a.zip');
    const other = openService(join(folder, 'other.db'));
    expect((await importFile(other, archive(path))).state).toBe('written');
    expect((await seatBundle(other, 'film'))?.drafts.map((draft) => draft.body)).toEqual(
      (await seatBundle(service, 'film'))?.drafts.map((draft) => draft.body),
    );
    expect(readFileSync(await saved(other, 'b.zip')).equals(readFileSync(path))).toBe(true);
    // once more changes nothing; taken back, all of it is gone again
    expect(await importFile(other, archive(path))).toMatchObject({ state: 'written', step: undefined });
    expect(await stepLibrary(other.db, 'undo')).toMatchObject({ state: 'done' });
    expect((await other.catalogue()).data.parts).toEqual([]);
    expect(await seatBundle(other, 'film')).toBeUndefined();
    expect(await stepLibrary(other.db, 'redo')).toMatchObject({ state: 'done' });
    expect(readFileSync(await saved(other, 'c.zip')).equals(readFileSync(path))).toBe(true);
    await other.close();
  });

  test('brings what belongs around it, byte for byte, and overwrites nothing of it', async () => {
    const { data } = await service.catalogue();
    const [offer] = data.offers.filter(({ part }) =>
      filmDrafts().some(({ items }) => items.some((item) => item.part === part)),
    );
    if (!offer) throw new Error('the film desk has no offer');
    bulkPoints(service.path, {
      offers: [offer.id],
      keys: Int32Array.from([0, 0, 0]),
      days: Int32Array.from([20_000, 20_001, 20_002]),
      minors: Int32Array.from([10_000, 0, 9_900]),
      count: 3,
    });
    await keepSource(service, {
      id: 'shop-feed',
      name: 'Shop',
      seller: offer.seller,
      region: offer.region,
      kind: 'http',
      at: 'https://shop.example/{day}.csv',
      format: 'csv',
    });
    await keepWatch(service, { what: { kind: 'part', part: offer.part, region: offer.region }, targetMinor: 100 });
    await writeRate(service.db, { base: 'USD', quote: 'EUR', day: '2026-05-01', rate: '0.92' });
    await markDrafts(service, [
      { seatId: 'film', draftId: 'film.film-a', minor: 1, blocks: 0, stops: 0, short: 0, unproven: 0, caution: 0 },
    ]);
    const path = await saved(service, 'a.zip', 'p');
    const other = openService(join(folder, 'other.db'));
    const first = await importFile(other, archive(path));
    expect(first.state).toBe('written');
    expect(first.dryRun.counts).toContainEqual({ list: 'around', added: 5, changed: 0, left: 0 });
    expect(readFileSync(await saved(other, 'b.zip', 'p')).equals(readFileSync(path))).toBe(true);
    // what is known there by now stays: the same days, another price
    await writeRate(other.db, { base: 'USD', quote: 'EUR', day: '2026-05-01', rate: '0.95' });
    const again = await importFile(other, archive(path));
    expect(again.dryRun.counts).toContainEqual({ list: 'around', added: 0, changed: 0, left: 5 });
    expect(await readRates(other.db, '2026-05-02')).toMatchObject([{ rate: '0.95' }]);
    await other.close();
  });

  test('of one project holds what it mentions, and no more', async () => {
    const other = openService(join(folder, 'other.db'));
    expect((await importFile(other, archive(await saved(service, 'p.zip', 'p')))).state).toBe('written');
    const ids = (await other.catalogue()).data.parts.map((part) => part.id as string);
    for (const draft of filmDrafts()) for (const item of draft.items) expect(ids).toContain(item.part);
    expect(ids.length).toBeLessThan((await parts()).length / 4);
    await other.close();
  });

  test('cut off, damaged, foreign, climbing or swelling is refused in a sentence', async () => {
    const whole = readFileSync(await saved(service, 'a.zip'));
    expect(await problemsOf(archive(file('cut.zip', whole.subarray(0, whole.length - 2000))))).toEqual([
      expect.stringMatching(/^file: is an archive that was cut off/),
    ]);
    const damaged = Buffer.from(whole);
    damaged.fill(0x41, 20_000, 20_200);
    expect(await problemsOf(archive(file('damaged.zip', damaged)))).toEqual([
      expect.stringMatching(/is damaged|does not match/),
    ]);
    expect(await problemsOf(archive(await zipOf([['photo.txt', 'x']])))).toEqual([
      'photo.txt: is not a member of a Vane archive; it holds vane-archive.json, catalogue.json, project.json, around.json and nothing else',
    ]);
    const climbing = readFileSync(await zipOf([['aa/catalogue.json', '{}']]));
    const climbed = Buffer.from(
      climbing.toString('latin1').replaceAll('aa/catalogue.json', '../catalogue.jso'.padEnd(17, 'n')),
      'latin1',
    );
    expect(await problemsOf(archive(file('climb.zip', climbed)))).toEqual([
      expect.stringMatching(/^file: holds a member that climbs out of its folder/),
    ]);
    expect(await problemsOf(archive(await zipOf([['catalogue.json', ' '.repeat(30_000_000)]])))).toEqual([
      expect.stringMatching(/^catalogue\.json: inflates more than 250-fold/),
    ]);
    expect(existsSync(join(folder, '..', 'catalogue.json'))).toBe(false);
  });

  test('whose contents were changed does not match its checksums', async () => {
    const manifest = JSON.stringify({
      format: 'vane-archive',
      version: 1,
      name: 'x',
      members: { 'project.json': { sha256: '0'.repeat(64), bytes: 2 } },
    });
    expect(
      await problemsOf(
        archive(
          await zipOf([
            ['vane-archive.json', manifest],
            ['project.json', '{}'],
          ]),
        ),
      ),
    ).toEqual(['project.json: does not match the checksum in the manifest; the archive was changed or damaged']);
    const stream = pack('x', new Map([['project.json', '{"seats":[{"id":"s"}],"figures":[],"owned":[]}']] as const));
    expect(await problemsOf(archive(await written(stream, 'seat.zip')))).toContain(
      'project.json seats[0].name: is missing; it must be a text',
    );
  });

  test('catalogue and every sheet go out and in again without a change', async () => {
    const text = [...(await exportCatalogue(service))].join('');
    expect(await check({ format: 'catalogue', path: file('c.json', text), name: 'c' })).toMatchObject({
      problemCount: 0,
    });
    for (const kind of ['graphics', 'case', 'offer'] as const) {
      const path = file(`${kind}.csv`, ['\ufeff', ...(await exportSheet(service, kind))].join(''));
      const dryRun = await check(await tableOf(path, {}, kind));
      expect(dryRun.problemCount, kind).toBe(0);
      expect(
        dryRun.counts.every((count) => count.added + count.changed === 0),
        kind,
      ).toBe(true);
    }
  });
});

describe('what was imported', () => {
  test('is taken back by one step and brought again by another, newest first', async () => {
    await importFile(service, await tableOf(file('a.csv', 'Brand,Model,Capacity\nF,A,2 TB\n')));
    await importFile(service, await tableOf(file('b.csv', 'Brand,Model,Capacity\nF,A,4 TB\nF,B,1 TB\n')));
    const capacities = async () => (await parts()).map((part) => [part.name, part.kind === 'drive' && part.capacityGB]);
    expect(await capacities()).toEqual([
      ['A', 4000],
      ['B', 1000],
    ]);
    expect(await stepLibrary(service.db, 'undo')).toEqual({ state: 'done', label: 'Import of table.csv' });
    expect(await capacities()).toEqual([['A', 2000]]);
    await stepLibrary(service.db, 'undo');
    expect(await capacities()).toEqual([]);
    await stepLibrary(service.db, 'redo');
    await stepLibrary(service.db, 'redo');
    expect(await capacities()).toEqual([
      ['A', 4000],
      ['B', 1000],
    ]);
    expect((await listSteps(service.db)).map((step) => [step.label, step.undone])).toEqual([
      ['Import of table.csv', false],
      ['Import of table.csv', false],
      ['Import of demo.json', false],
    ]);
    expect(await stepLibrary(service.db, 'redo')).toEqual({ state: 'nothing' });
  });
});

describe('a process that is ended in the middle', () => {
  test('of writing leaves nothing half written, and the next one writes it all', async () => {
    const path = file('large.json', JSON.stringify({ ...demoCatalogue(12_000), rivals: [] }));
    const request: ImportRequest = { format: 'catalogue', path, name: 'large' };
    const staging = join(folder, 'large.staging');
    const dryRun = await checkFile(service.db, service.path, request, staging);
    expect(dryRun.problemCount).toBe(0);
    await service.close();
    const wal = join(folder, 'test.db-wal');
    const job = file(
      'job.json',
      JSON.stringify({ id: 'large', database: service.path, staging, request, write: { revision: dryRun.revision } }),
    );
    const start = () => spawn(process.execPath, [join(ROOT, 'bin', 'vane.mjs'), 'job', job], { stdio: 'ignore' });
    const child = start();
    const ended = new Promise<NodeJS.Signals | null>((resolve) => child.once('exit', (_, signal) => resolve(signal)));
    // pages reach the log while the transaction is still open: that is the middle
    while (child.exitCode === null && !(existsSync(wal) && statSync(wal).size > 1_000_000))
      await new Promise((resolve) => setTimeout(resolve, 2));
    child.kill('SIGKILL');
    expect(await ended).toBe('SIGKILL');
    const count = () => {
      const sqlite = new SQLite(service.path);
      const n = sqlite.prepare<[], { n: number }>('SELECT count(*) AS n FROM parts').get()?.n;
      expect(sqlite.pragma('integrity_check', { simple: true })).toBe('ok');
      sqlite.close();
      return n;
    };
    expect(count()).toBe(0);
    expect(
      spawnSync(process.execPath, [join(ROOT, 'bin', 'vane.mjs'), 'job', job], { encoding: 'utf8' }).stdout,
    ).toContain('"say":"written"');
    expect(count()).toBe(12_000);
    service = openService(service.path);
  });
});
