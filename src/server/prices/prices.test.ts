import type { SourceReport } from '../contract';
import { dayNumber } from '@/core/units/days';
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { CATALOGUE_FORMAT } from '@/core/model/catalogueSchema';
import { FAULTS, type Fault } from '@/standins/feed/answers';
import { modelPrice } from '@/standins/feed/priceModel';
import { feedServer } from '@/standins/feed/server';
import { worldOf } from '@/standins/feed/world';
import { beginRefresh, readPoints, readSeen } from '@/store/priceStore';
import { PARTS, REGION, machineOf, briefOf } from '@/core/tests/world';
import type { Machine } from '@/core/model/machine';
import { addDemoSeat } from '../seats';
import { fixDemoDay, type Service } from '../service';
import { usualSettings } from '@/core/model/settings';
import { saveSettings } from '../desk';
import { seatBundle } from '../seatBundle';
import { usualAsking, type Asking } from './fetchSource';
import { draftHistory, partHistory, waitingOnKind } from './history';
import { dropWatch, keepSource, keepWatch, priceState } from './manage';
import { importPoints } from './pointsFile';
import { endRefreshesOfTheGone, refreshPrices, runningRefresh } from './refresh';
import { refreshDue, startRefreshing } from './schedule';
import { markDrafts } from '../seen';
import { preparedService } from '../tests/prepared';
import { makeRival } from '../rivals';

const TODAY = '2026-05-18';
const YESTERDAY = '2026-05-17';
const SHOPS = ['east', 'west', 'north'] as const;
const rated = (id: string) => ({
  id,
  name: id,
  ratings: 5000,
  meanRating: 4.5,
  shipping: [{ region: 'here', classes: [{ upToKg: 30, minor: 0 }] }],
});
const offers = PARTS.flatMap((part, i) =>
  SHOPS.map((seller) => ({
    id: `${String(part['id'])}.${seller}.here`,
    part: String(part['id']),
    seller,
    region: 'here',
    priceMinor: 10_090 + i * 1000,
    condition: 'new',
    deliveryDays: 3,
    asOf: YESTERDAY,
  })),
);
const CATALOGUE = {
  format: CATALOGUE_FORMAT,
  version: 1,
  name: 'Test',
  regions: [REGION],
  sellers: SHOPS.map(rated),
  applications: [],
  parts: PARTS,
  offers,
  rivals: [],
};

let folder: string;
let service: Service;
let feed: Server;
let base: string;
/** No test waits: attempts follow each other, and a late answer is given up at once. */
const asking: Asking = { ...usualAsking, wait: async () => undefined, timeoutMs: 150 };

beforeAll(async () => {
  feed = feedServer(worldOf(CATALOGUE as never));
  await new Promise<void>((resolve) => feed.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(feed.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => feed.close(resolve)));

preparedService(
  CATALOGUE,
  (given) => ({ folder, service } = given),
  (service) => fixDemoDay(service, TODAY),
);

/** Lets sources reach these ports of this machine, and files of the test's folder. */
const reaching = (...ports: readonly Server[]) =>
  saveSettings(service, {
    ...usualSettings,
    sources: { loopbackPorts: ports.map((server) => (server.address() as AddressInfo).port), hosts: [], folder },
  });
beforeEach(() => reaching(feed));

const source = (seller: string, fault?: Fault, format: 'json-ld' | 'csv' = 'json-ld') =>
  keepSource(service, {
    id: seller,
    name: seller,
    seller,
    region: 'here',
    kind: 'http',
    format,
    at: `${base}/${seller}/here/prices.${format === 'csv' ? 'csv' : 'jsonld'}?day={day}${fault ? `&fault=${fault}` : ''}`,
  });
async function refreshed(clock?: () => string): Promise<Record<string, SourceReport>> {
  const result = await refreshPrices(service, 'a test', { asking, ...(clock ? { clock } : {}) });
  if (result.state !== 'done') throw new Error('another refresh runs');
  return Object.fromEntries(result.report.sources.map((entry) => [entry.id, entry]));
}
const offersOf = async (seller: string) =>
  (await service.catalogue()).data.offers.filter((entry) => entry.seller === seller);
const pointsOf = async (id: string) => (await readPoints(service.db, [id], 0)).get(id);
/** A seat with one draft; gives back the draft's id. */
async function seatWith(machine: Machine): Promise<string> {
  await addDemoSeat(service, {
    projectId: 'p',
    projectName: 'P',
    seatId: 'seat',
    seatName: 'Seat',
    brief: briefOf(),
    drafts: [machine],
  });
  return (await seatBundle(service, 'seat'))?.drafts[0]?.id ?? '';
}
/** Everything that is known of prices, for "nothing was lost and nothing came twice". */
const everything = async () => ({
  offers: (await service.catalogue()).data.offers,
  points: [
    ...(await readPoints(
      service.db,
      offers.map((entry) => entry.id),
      0,
    )),
  ],
});

describe('a refresh of prices', () => {
  test('asks every source, in either format, and takes a price and a point of the day', async () => {
    await source('east');
    await source('west', undefined, 'csv');
    const report = await refreshed();
    expect([report['east']?.state, report['west']?.state]).toEqual(['done', 'done']);
    expect([report['east']?.read, report['east']?.points]).toEqual([PARTS.length, PARTS.length]);
    const [east] = await offersOf('east');
    const known = east && offers.find((entry) => entry.id === east.id);
    const kind = PARTS.find((part) => part['id'] === known?.part)?.['kind'];
    const expected = modelPrice({ ...known!, kind: String(kind), onDay: dayNumber(YESTERDAY) }, dayNumber(TODAY));
    expect([east?.asOf, east?.priceMinor]).toEqual([TODAY, expected ?? known?.priceMinor]);
    // the third seller was not asked: its prices keep their day
    expect((await offersOf('north')).every((entry) => entry.asOf === YESTERDAY)).toBe(true);
    expect(await pointsOf('cpu.east.here')).toMatchObject({ days: [dayNumber(TODAY)] });
  });

  test('asking again brings nothing twice', async () => {
    await source('east');
    await refreshed();
    const before = await everything();
    const again = await refreshed();
    expect([again['east']?.moved, again['east']?.points]).toEqual([0, 0]);
    expect(await everything()).toEqual(before);
  });

  test('an outage, a broken answer and one that never comes leave the last good prices, each with its reason; others are taken', async () => {
    await source('east', 'outage');
    await source('west', 'half');
    await source('north');
    const report = await refreshed();
    expect(report['east']).toMatchObject({ state: 'failed', attempts: 3, message: 'it answered 503' });
    expect(report['west']).toMatchObject({ state: 'failed', attempts: 3, message: 'the answer broke off half way' });
    expect(report['north']?.state).toBe('done');
    expect((await offersOf('east')).map((entry) => entry.asOf)).toEqual(PARTS.map(() => YESTERDAY));
    await source('east', 'late');
    await source('west', 'malformed');
    const worse = await refreshed();
    expect(worse['east']?.message).toBe('it did not answer within 0.15 s');
    expect(worse['west']?.message).toContain('is no JSON');
  });

  test('a source that breaks once is asked again and then taken', async () => {
    const once = feedServer(worldOf(CATALOGUE as never), { east: 'half' });
    await new Promise<void>((resolve) => once.listen(0, '127.0.0.1', resolve));
    await reaching(once);
    const at = `http://127.0.0.1:${(once.address() as AddressInfo).port}/east/here/prices.jsonld?day={day}`;
    await keepSource(service, {
      id: 'east',
      name: 'east',
      seller: 'east',
      region: 'here',
      kind: 'http',
      format: 'json-ld',
      at,
    });
    expect((await refreshed())['east']).toMatchObject({ state: 'done', attempts: 2 });
    await new Promise((resolve) => once.close(resolve));
  });

  test.each([
    ['currency', 'is priced in EUR; Here pays in USD', 3],
    ['negative', 'which is no amount above 0', 3],
    ['future', 'is dated 2099-01-01, after today', 3],
    ['twice', 'comes twice', 3],
  ] as const)('%s: the wrong entries are named, the others taken, nothing doubled', async (fault, words, named) => {
    await source('east', fault);
    const report = (await refreshed())['east'];
    expect(report?.state).toBe('done');
    expect(report?.problems.filter((problem) => problem.message.includes(words))).toHaveLength(named);
    const taken = (await offersOf('east')).filter((entry) => entry.asOf === TODAY);
    expect(taken).toHaveLength(fault === 'twice' ? PARTS.length : PARTS.length - named);
    expect((await offersOf('east')).length).toBe(PARTS.length);
  });

  test('a hundred thousand offers at once are read, and those of one thing are one', async () => {
    await source('east', 'many');
    const patient = { ...asking, timeoutMs: 20_000 };
    const result = await refreshPrices(service, 'a test', { asking: patient });
    const report = result.state === 'done' ? result.report.sources[0] : undefined;
    expect([report?.state, report?.read]).toEqual(['done', 100_000]);
    expect((await offersOf('east')).length).toBe(PARTS.length);
  });

  test('a clock set back: older prices are filed under their day and today’s stay', async () => {
    await source('east');
    await refreshed();
    const before = await offersOf('east');
    await source('east', 'old');
    const report = (await refreshed())['east'];
    expect(report?.problems.at(-1)?.message).toContain('was the clock set back?');
    expect(await offersOf('east')).toEqual(before);
    expect((await pointsOf('cpu.east.here'))?.days).toEqual([dayNumber('2026-01-05'), dayNumber(TODAY)]);
    // the app's own clock set back: nothing of what was known is overwritten, the answer is dated after "today"
    await fixDemoDay(service, '2026-05-10');
    await source('east', 'future');
    await refreshed(() => '2026-05-10T08:00:00.000Z');
    expect((await offersOf('east')).every((entry) => entry.asOf >= TODAY)).toBe(true);
  });

  test('of two at once the second is told that one runs; one that was ended long ago does not block', async () => {
    await source('east');
    const [first, second] = await Promise.all([
      refreshPrices(service, 'one', { asking }),
      refreshPrices(service, 'two', { asking }),
    ]);
    expect([first.state, second.state].sort()).toEqual(['busy', 'done']);
    await beginRefresh(service.db, '2026-05-18T10:00:00.000Z', '2026-05-18T09:45:00.000Z', process.pid);
    expect((await refreshPrices(service, 'three', { asking, clock: () => '2026-05-18T10:05:00.000Z' })).state).toBe(
      'busy',
    );
    expect((await refreshPrices(service, 'four', { asking, clock: () => '2026-05-18T10:30:00.000Z' })).state).toBe(
      'done',
    );
  });

  test('the place of a process that is gone is free at once, and its refresh is told as ended', async () => {
    const gone = spawnSync(process.execPath, ['-e', '']).pid;
    await beginRefresh(service.db, '2026-05-18T10:00:00.000Z', '2026-05-18T09:45:00.000Z', gone);
    await source('east');
    expect((await refreshPrices(service, 'next', { asking, clock: () => '2026-05-18T10:00:01.000Z' })).state).toBe(
      'done',
    );
    await beginRefresh(service.db, '2026-05-18T11:00:00.000Z', '2026-05-18T10:45:00.000Z', gone);
    expect(await endRefreshesOfTheGone(service)).toBe(1);
    expect((await priceState(service)).last).toMatchObject({
      started: '2026-05-18T11:00:00.000Z',
      message: expect.stringContaining('the app was stopped') as string,
    });
    expect(await endRefreshesOfTheGone(service)).toBe(0);
  });

  test('runs in a process of its own for the app, which tells how it goes and gives the place back', async () => {
    await source('east');
    expect(await startRefreshing(service, 'a test')).toBe('started');
    // seen by pages before its process has begun
    expect(runningRefresh()?.sources.map(({ id, state }) => [id, state])).toEqual([['east', 'waiting']]);
    expect(await startRefreshing(service, 'a second')).toBe('busy');
    await vi.waitFor(async () => expect((await priceState(service)).last).toMatchObject({ by: 'a test' }), 20_000);
    expect((await priceState(service)).last?.sources).toMatchObject([{ id: 'east', state: 'done' }]);
    await vi.waitFor(() => expect(runningRefresh()).toBeUndefined(), 5000);
    expect((await offersOf('east'))[0]?.asOf).toBe(TODAY);
  });

  test('says how it goes while it runs, and keeps its report', async () => {
    await source('east');
    const seen: string[] = [];
    await refreshPrices(service, 'a test', {
      asking: {
        ...asking,
        get: (url, reach, signal) => (
          seen.push(runningRefresh()?.sources[0]?.state ?? ''),
          usualAsking.get(url, reach, signal)
        ),
      },
    });
    expect(seen).toEqual(['asking']);
    expect(runningRefresh()).toBeUndefined();
    expect((await priceState(service)).last).toMatchObject({
      by: 'a test',
      day: TODAY,
      sources: [{ id: 'east', state: 'done' }],
    });
  });

  test('a file is a source like any other, and a missing one is named', async () => {
    const path = join(folder, 'mine.csv');
    writeFileSync(path, 'part,price,currency\ncpu,55.00,USD\n');
    await keepSource(service, {
      id: 'mine',
      name: 'mine',
      seller: 'east',
      region: 'here',
      kind: 'file',
      format: 'csv',
      at: path,
    });
    await keepSource(service, {
      id: 'gone',
      name: 'gone',
      seller: 'west',
      region: 'here',
      kind: 'file',
      format: 'csv',
      at: `${path}.no`,
    });
    const report = await refreshed();
    expect(report['mine']).toMatchObject({ state: 'done', moved: 1 });
    expect(report['gone']?.message).toBe(`there is no file ${path}.no`);
  });

  test('exchange rates come by day', async () => {
    await keepSource(service, {
      id: 'rates',
      name: 'rates',
      kind: 'http',
      format: 'rates',
      at: `${base}/rates.json?day={day}`,
    });
    await refreshed();
    expect((await priceState(service)).rates).toEqual([
      { base: 'USD', quote: 'EUR', day: TODAY, rate: expect.stringMatching(/^0\.9\d{3}$/) as string },
    ]);
  });

  test('a source is refused with its place: no seller, no such region, no address', async () => {
    const kept = async (over: object) => {
      const result = await keepSource(service, {
        id: 's',
        name: 'S',
        seller: 'east',
        region: 'here',
        kind: 'http',
        format: 'csv',
        at: base,
        ...over,
      });
      return result.state === 'refused' ? result.problems[0] : undefined;
    };
    expect(await kept({ seller: 'nobody' })).toMatchObject({ path: 'seller' });
    expect(await kept({ region: 'nowhere' })).toMatchObject({ path: 'region' });
    expect(await kept({ at: 'example' })).toMatchObject({
      path: 'at',
      message: 'is no address that starts with http:// or https://',
    });
    expect(await kept({ seller: undefined })).toMatchObject({
      path: 'seller',
      message: 'is missing: whose prices are they, and where',
    });
  });

  test('the feed knows every fault that is tried here', () => {
    expect([...FAULTS].sort()).toEqual([
      'currency',
      'future',
      'half',
      'late',
      'malformed',
      'many',
      'negative',
      'old',
      'outage',
      'twice',
    ]);
  });

  test('is due by the desk’s rhythm, and not again at once when the clock goes back', () => {
    expect(refreshDue(undefined, 6, '2026-05-18T00:00:00Z')).toBe(true);
    expect(refreshDue('2026-05-18T00:00:00Z', 6, '2026-05-18T05:59:00Z')).toBe(false);
    expect(refreshDue('2026-05-18T00:00:00Z', 6, '2026-05-18T06:00:00Z')).toBe(true);
    expect(refreshDue('2026-05-18T00:00:00Z', 6, '2026-05-17T00:00:00Z')).toBe(false);
    expect(refreshDue('2026-05-18T00:00:00Z', undefined, '2027-01-01T00:00:00Z')).toBe(false);
  });
});

describe('a watch', () => {
  test('fires after the refresh that brings its price, and not before', async () => {
    const path = join(folder, 'mine.csv');
    writeFileSync(path, 'part,price,currency\ncpu,80.00,USD\n');
    await keepSource(service, {
      id: 'mine',
      name: 'mine',
      seller: 'east',
      region: 'here',
      kind: 'file',
      format: 'csv',
      at: path,
    });
    // 80.00 and 7.5 % are 86.00 landed
    await keepWatch(service, { what: { kind: 'part', part: 'cpu', region: 'here' }, targetMinor: 86_00 });
    expect((await priceState(service)).watches[0]?.fired).toBeUndefined();
    await refreshed();
    expect((await priceState(service)).watches[0]?.fired).toEqual({ on: TODAY, minor: 86_00 });
    expect((await priceState(service)).last?.fired).toEqual(['watch-1']);
  });

  test('on a draft waits for its whole basket; a new target takes the place of the old; it can be stopped', async () => {
    const draft = await seatWith(machineOf());
    const what = { kind: 'draft', seat: 'seat', draft };
    await keepWatch(service, { what, targetMinor: 1 });
    await keepWatch(service, { what, targetMinor: 100_000_00 });
    const { watches } = await priceState(service);
    expect(watches).toHaveLength(1);
    // nine parts: 100.90 + 110.90 + … cheap enough at once
    expect(watches[0]?.fired?.on).toBe(TODAY);
    // told with the seat, until somebody has seen it
    expect((await seatBundle(service, 'seat'))?.news.map((watch) => watch.what)).toEqual([what]);
    await markDrafts(service, []);
    expect((await seatBundle(service, 'seat'))?.news).toEqual([]);
    await dropWatch(service, watches[0]?.id ?? '');
    expect((await priceState(service)).watches).toEqual([]);
    expect(await keepWatch(service, { what, targetMinor: 0 })).toMatchObject({ state: 'refused' });
  });
});

describe('tables of prices by day', () => {
  const table = (...rows: string[]) => {
    const path = join(folder, 'days.csv');
    writeFileSync(path, ['offer,date,price', ...rows, ''].join('\r\n'));
    return importPoints(service, path);
  };

  test('are taken whole: prices, days without one, quotes; a day again takes the old one’s place', async () => {
    expect(
      (await table('cpu.east.here,2026-05-01,99.90', 'cpu.east.here,2026-05-02,', '"cpu.east.here",2026-05-03,98'))
        .written,
    ).toBe(3);
    await table('cpu.east.here,2026-05-03,97.00');
    expect(await pointsOf('cpu.east.here')).toMatchObject({
      days: ['2026-05-01', '2026-05-02', '2026-05-03'].map(dayNumber),
      minors: [99_90, null, 97_00],
    });
  });

  test('or not at all, with every problem by row and column', async () => {
    const { written, problems } = await table(
      'cpu.east.here,2026-05-01,99.90',
      'nothing.such,2026-05-01,1',
      'cpu.east.here,2026-05-19,1',
      'cpu.east.here,yesterday,1',
      'cpu.east.here,2026-05-01,-3',
      'cpu.east.here,2026-05-01,1.999',
    );
    expect(written).toBe(0);
    expect(problems).toEqual([
      { path: 'row 3, offer', message: '"nothing.such" is no offer of the library' },
      { path: 'row 4, date', message: '2026-05-19 is after today, 2026-05-18' },
      { path: 'row 5, date', message: '"yesterday" is no date such as 2026-05-18' },
      { path: 'row 6, price', message: '"-3" is no amount above 0 in USD; leave it empty for a day without a price' },
      {
        path: 'row 7, price',
        message: '"1.999" is no amount above 0 in USD; leave it empty for a day without a price',
      },
    ]);
    expect(await pointsOf('cpu.east.here')).toBeUndefined();
  });

  test('without the columns, or empty, say which there are', async () => {
    const path = join(folder, 'odd.csv');
    writeFileSync(path, 'thing,when\n1,2\n');
    expect((await importPoints(service, path)).problems[0]?.message).toContain('has no column offer, date, price');
    writeFileSync(path, '');
    expect((await importPoints(service, path)).problems[0]?.message).toContain('is missing');
  });

  test('make the history of a part and of a draft, landed', async () => {
    await table('cpu.east.here,2026-05-01,100.00', 'cpu.west.here,2026-05-03,90.00');
    const view = await partHistory(service, 'cpu', 'here');
    // 100.00 and 7.5 %, then 90.00 and 7.5 %; after a fortnight the first is too old, the second still holds
    expect(view?.minors.slice(-18, -14)).toEqual([107_50, 107_50, 96_75, 96_75]);
    const draft = await seatWith(machineOf());
    const whole = await draftHistory(service, 'seat', draft);
    expect(whole?.unknown).toHaveLength(machineOf().items.length - 1);
    expect(whole?.minors.slice(-18, -15)).toEqual([107_50, 107_50, 96_75]);
    expect(await draftHistory(service, 'seat', 'gone')).toBeUndefined();
    expect(await waitingOnKind(service, 'processor', 'here')).toEqual([]);
  });
});

describe('the desk', () => {
  test('remembers how drafts stood, and forgets what is gone', async () => {
    await markDrafts(service, [{ seatId: 's', draftId: 'd', minor: 5, blocks: 1, unproven: 0, caution: 2 }]);
    expect(await readSeen(service.db, 's')).toEqual({ d: { on: TODAY, minor: 5, blocks: 1, unproven: 0, caution: 2 } });
    expect(await readSeen(service.db, 'other')).toEqual({});
    await markDrafts(service, []);
    expect(await readSeen(service.db, 's')).toEqual({});
  });

  test('makes a draft a branded machine, without what somebody owns or paid; a name that is taken is refused', async () => {
    const [first, ...rest] = machineOf().items;
    const machine = {
      ...machineOf(),
      items: [{ ...first!, owned: true, paid: { landedMinor: 1, on: TODAY } }, ...rest],
    };
    const draftId = await seatWith(machine);
    const input = {
      seatId: 'seat',
      draftId,
      maker: 'Aldmoor',
      name: 'Own',
      priceMinor: 1000_00,
      shippingMinor: 0,
      warrantyMonths: 24,
      onSite: false,
    };
    expect(await makeRival(service, input)).toEqual({ state: 'made', id: 'aldmoor-own' });
    const rival = (await service.catalogue()).data.rivals[0];
    expect(rival?.machine.items[0]).toEqual({ id: first!.id, part: first!.part });
    expect(rival?.offers[0]).toMatchObject({ region: 'here', priceMinor: 1000_00, asOf: TODAY });
    expect(await makeRival(service, input)).toMatchObject({ state: 'refused', problems: [{ path: 'name' }] });
    expect(await makeRival(service, { ...input, name: 'Other', priceMinor: -1 })).toMatchObject({
      state: 'refused',
      problems: [{ path: 'priceMinor' }],
    });
  });
});
