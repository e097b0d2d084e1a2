import { spawn } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { machineSchema } from '@/core/model/machine';
import { editMachine, type MachineEdit } from '@/core/model/edits';
import { clashesOf, laid } from '@/core/model/places';
import { saveDocument } from '@/store/projectStore';
import { sql } from 'kysely';
import { saveSettings } from '../desk';
import { keepSource } from '../prices/manage';
import { openService, type Service } from '../service';
import { troubleOf } from '../trouble';

/** The checkout that these tests run from. */
const ROOT = process.cwd();

interface Ended {
  readonly out: string;
  readonly code: number | null;
}

/** Runs a process and kills it after some milliseconds from its first word, or from its start when it says none. */
export function killed(args: readonly string[], afterMs: number, env: object, fromFirstWord: boolean): Promise<Ended> {
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'ignore'],
    env: { ...process.env, ...env },
  });
  let out = '';
  let timer: NodeJS.Timeout | undefined;
  const arm = () => (timer ??= setTimeout(() => child.kill('SIGKILL'), afterMs));
  if (!fromFirstWord) arm();
  child.stdout.on('data', (chunk: Buffer) => {
    out += String(chunk);
    arm();
  });
  return new Promise((resolve) =>
    child.on('close', (code) => {
      clearTimeout(timer);
      resolve({ out, code });
    }),
  );
}

/** What is wrong with a database after its process was killed; undefined when nothing is. */
export function brokenAfter(path: string): string | undefined {
  const sqlite = new SQLite(path);
  try {
    const whole = String(sqlite.pragma('integrity_check', { simple: true }));
    const keys = (sqlite.pragma('foreign_key_check') as unknown[]).length;
    return whole === 'ok' && keys === 0 ? undefined : `${whole}, ${keys} loose references`;
  } finally {
    sqlite.close();
  }
}

export interface EditKills {
  readonly kills: number;
  readonly acknowledged: number;
  /** Acknowledged edits that are not in the history of the seat, and other damage. */
  readonly lost: readonly string[];
}

/** Kills a process in the middle of its edits, again and again; what it had acknowledged must be there afterwards. */
export async function killEdits(
  path: string,
  seat: { readonly id: string; readonly document: string },
  kills: number,
  random: () => number,
): Promise<EditKills> {
  const lost: string[] = [];
  let acknowledged = 0;
  for (let i = 0; i < kills; i++) {
    const editor = ['--import', 'tsx', join(ROOT, 'src', 'server', 'tests', 'editor.ts')];
    const { out } = await killed([...editor, path, seat.id, seat.document, `run${i}`], 5 + random() * 60, {}, true);
    // the last line may have been cut by the kill: only whole ones were heard
    const said = out.split('\n').slice(0, -1);
    acknowledged += said.length;
    const broken = brokenAfter(path);
    if (broken !== undefined) lost.push(`kill ${i}: ${broken}`);
    const sqlite = new SQLite(path, { readonly: true });
    const known = new Set(
      sqlite.prepare<[], string>("SELECT label FROM history WHERE target LIKE 'document %'").pluck().all(),
    );
    const row = sqlite.prepare<[string], { revision: number }>('SELECT revision FROM documents WHERE id = ?');
    const revision = row.get(seat.document)?.revision ?? 0;
    sqlite.close();
    for (const line of said) {
      const [, at = '0', name = ''] = /^(\d+) (.*)$/.exec(line) ?? [];
      if (!known.has(name) || revision < Number(at)) lost.push(`kill ${i}: "${line}" was acknowledged and is gone`);
    }
  }
  return { kills, acknowledged, lost };
}

/** A payment that tells which edit made it. */
const paidAt = (turn: number) => ({ landedMinor: 100 + turn, on: '2026-05-18' });

export interface TwoWindows {
  readonly edits: number;
  readonly saved: number;
  /** Edits that met another of the same place: both versions were there to decide. */
  readonly asked: number;
  readonly lost: readonly string[];
}

/**
 * Two windows change one draft at random, each from what it last saw. An edit is saved, laid on what the other saved when
 * they do not meet, or set aside with both versions. What was saved and not overwritten knowingly must stand at the end.
 */
export async function twoWindows(
  service: Service,
  seat: { readonly id: string; readonly document: string },
  edits: number,
  random: () => number,
): Promise<TwoWindows> {
  const read = async () => {
    const row = await service.db
      .selectFrom('documents')
      .select(['body', 'revision'])
      .where('id', '=', seat.document)
      .executeTakeFirstOrThrow();
    return { revision: row.revision, body: machineSchema.parse(JSON.parse(row.body)) };
  };
  const first = await read();
  const windows = [first, first];
  const items = first.body.items.map(({ id }) => id);
  /** What each place was last set to by an edit that was saved. */
  const expected = new Map<string, unknown>();
  const lost: string[] = [];
  let [saved, asked] = [0, 0];
  for (let i = 0; i < edits; i++) {
    const who = random() < 0.5 ? 0 : 1;
    const seen = windows[who] ?? first;
    const item = items[Math.floor(random() * items.length)] ?? '';
    const edit: MachineEdit =
      random() < 0.3 ? { kind: 'rename', name: `Name ${i}` } : { kind: 'paid', item, paid: paidAt(i) };
    const place = edit.kind === 'rename' ? 'name' : `items/${item}/paid`;
    const mine = editMachine(seen.body, edit);
    const now = await read();
    if (clashesOf(seen.body, mine, now.body).length > 0) {
      // both versions are kept for a decision; here the other one stays
      asked++;
      windows[who] = now;
      continue;
    }
    const result = await saveDocument(service.db, {
      seatId: seat.id,
      documentId: seat.document,
      base: now.revision,
      step: { label: `edit ${i}`, at: '2026-05-18T00:00:00.000Z', window: `w${who}` },
      parse: (json) => machineSchema.parse(json),
      change: (body) => machineSchema.parse(laid(seen.body, mine, body)),
    });
    if (result.state !== 'saved') lost.push(`edit ${i} was ${result.state}`);
    else {
      saved++;
      expected.set(place, edit.kind === 'rename' ? edit.name : paidAt(i));
      // it goes on from what it sees now, the other from what it saw before
      if (random() < 0.7) windows[who] = await read();
    }
  }
  const end = (await read()).body;
  for (const [place, value] of expected) {
    const [, item] = place.split('/');
    const there = item === undefined ? end.name : end.items.find(({ id }) => id === item)?.paid;
    if (JSON.stringify(there) !== JSON.stringify(value)) lost.push(`${place} is ${JSON.stringify(there)}`);
  }
  return { edits, saved, asked, lost };
}

export interface ImportKills {
  readonly kills: number;
  /** Imports of which a part was there and a part not. */
  readonly halves: number;
  readonly lost: readonly string[];
}

/** Kills an import at random moments: afterwards all of it is there or nothing, and the next one goes through. */
export async function killImports(
  path: string,
  file: string,
  parts: number,
  kills: number,
  random: () => number,
): Promise<ImportKills> {
  const count = () => {
    const sqlite = new SQLite(path, { readonly: true });
    const n = sqlite.prepare<[], number>('SELECT count(*) FROM parts').pluck().get() ?? 0;
    sqlite.close();
    return n;
  };
  const before = count();
  const lost: string[] = [];
  let halves = 0;
  const vane = (...args: string[]) => [join(ROOT, 'bin', 'vane.mjs'), ...args];
  for (let i = 0; i < kills; i++) {
    await killed(vane('import', file), 150 + random() * 2500, { VANE_DB: path }, false);
    const now = count();
    if (now !== before && now < parts) halves++;
    const broken = brokenAfter(path);
    if (broken !== undefined) lost.push(`kill ${i}: ${broken}`);
  }
  const whole = await killed(vane('import', file), 120_000, { VANE_DB: path }, false);
  if (whole.code !== 0 || count() < parts) lost.push('the import after the kills did not go through');
  return { kills, halves, lost };
}

export interface RefreshKills {
  readonly kills: number;
  /** Refreshes that the kill met before their end. */
  readonly met: number;
  /** Kills after which new prices stood beside old ones, or a day's history apart from its offers. */
  readonly halves: number;
  readonly lost: readonly string[];
}

/**
 * Kills a refresh at random moments. One source has one price for every part, another one each time: afterwards all offers
 * and today's points are those of one answer, and the next refresh finds its place free.
 */
export async function killRefreshes(
  path: string,
  folder: string,
  kills: number,
  random: () => number,
): Promise<RefreshKills> {
  const table = join(folder, 'prices.csv');
  const service = openService(path);
  const { data } = await service.catalogue();
  const [seller, region] = [data.sellers[0], data.regions[0]];
  if (!seller || !region) throw new Error('the catalogue has no seller or no region');
  const source = { id: 'killed', name: 'killed', seller: seller.id, region: region.id };
  await keepSource(service, { ...source, kind: 'file', format: 'csv', at: table });
  await saveSettings(service, {
    ...(await service.settings()),
    sources: { loopbackPorts: [], hosts: [], folder },
  });
  await service.close();
  const offer = (amount: number) =>
    writeFileSync(
      table,
      `part,price,currency\n${data.parts.map(({ id }) => `${id},${amount},${region.currency}\n`).join('')}`,
    );
  const refresh = (afterMs: number) =>
    killed([join(ROOT, 'bin', 'vane.mjs'), 'refresh'], afterMs, { VANE_DB: path }, false);
  /** The distinct prices of the source: of its offers, and of their newest points. */
  const standing = () => {
    const sqlite = new SQLite(path, { readonly: true });
    const ofSeller = "spec ->> '$.seller' = ? AND region = ?";
    const asked = [source.seller, source.region];
    const offers = sqlite
      .prepare<string[], number>(`SELECT DISTINCT price_minor FROM offers WHERE ${ofSeller}`)
      .pluck()
      .all(...asked);
    const points = sqlite
      .prepare<string[], number>(
        `SELECT DISTINCT p.price_minor FROM price_points p JOIN price_keys k ON k.key = p.key
         JOIN offers o ON o.id = k.offer_id WHERE ${ofSeller} AND p.day = (SELECT max(day) FROM price_points)`,
      )
      .pluck()
      .all(...asked);
    sqlite.close();
    return { offers, points };
  };
  const lost: string[] = [];
  const whole = async (amount: number) => {
    offer(amount);
    const { code } = await refresh(120_000);
    const { offers } = standing();
    if (code !== 0 || offers.length !== 1) lost.push(`a refresh left alone ended with ${code}: ${offers.join(', ')}`);
  };
  await whole(100);
  let [met, halves] = [0, 0];
  for (let i = 0; i < kills; i++) {
    offer(101 + i);
    const { code } = await refresh(150 + random() * 900);
    if (code === null) met++;
    const { offers, points } = standing();
    if (offers.length !== 1 || points.length !== 1 || offers[0] !== points[0]) halves++;
    const broken = brokenAfter(path);
    if (broken !== undefined) lost.push(`kill ${i}: ${broken}`);
  }
  await whole(99);
  return { kills, met, halves, lost };
}

export interface FullDisk {
  readonly saved: number;
  readonly refused: boolean;
  readonly lost: readonly string[];
}

/** Edits until the database may not grow any more, as on a full disk: the last edit is refused, the others are there. */
export async function fullDisk(
  path: string,
  seat: { readonly id: string; readonly document: string },
): Promise<FullDisk> {
  const service = openService(path);
  const lost: string[] = [];
  let [saved, refused, base] = [0, false, 1];
  try {
    // SQLite answers as it does for a disk without room: SQLITE_FULL at the page that does not fit
    const pages = (await sql<{ page_count: number }>`PRAGMA page_count`.execute(service.db)).rows[0]?.page_count ?? 0;
    await sql.raw(`PRAGMA max_page_count = ${pages + 12}`).execute(service.db);
    for (let i = 0; i < 400 && !refused; i++) {
      try {
        const result = await saveDocument(service.db, {
          seatId: seat.id,
          documentId: seat.document,
          base,
          step: { label: `full ${i}`, at: '2026-05-18T00:00:00.000Z', window: 'full' },
          parse: (json) => machineSchema.parse(json),
          change: (machine) => editMachine(machine, { kind: 'rename', name: `Full ${i}` }),
        });
        if (result.state === 'saved') saved++;
        if (result.state !== 'gone') base = result.revision;
      } catch (error) {
        refused = true;
        if (troubleOf(error)?.title !== 'The disk is full') lost.push(`it is told as ${String(error)}`);
      }
    }
  } finally {
    await service.close();
  }
  const broken = brokenAfter(path);
  if (broken !== undefined) lost.push(broken);
  const sqlite = new SQLite(path, { readonly: true });
  const kept = sqlite.prepare<[], number>("SELECT count(*) FROM history WHERE label LIKE 'full %'").pluck().get() ?? 0;
  sqlite.close();
  if (kept !== saved) lost.push(`${saved} edits were acknowledged and ${kept} are there`);
  return { saved, refused, lost };
}
