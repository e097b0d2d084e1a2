import { readJson, readRow, unheard, type OnAside } from './aside';
import { dayNumber } from '@/core/units/days';
import SQLite from 'better-sqlite3';
import { sql } from 'kysely';
import { z } from 'zod';
import { priceSourceSchema, type PriceSource } from '@/core/formats/feed/source';
import { type PricePoints } from '@/core/money/history';
import type { Offer } from '@/core/model/offers';
import type { PricePoint } from '@/core/formats/feed/takePrices';
import { seenSchema, type Seen } from '@/core/versus/standing';
import { watchSchema, type Watch } from '@/core/money/watch';
import { currencySchema, type DayRate } from '@/core/units/money';
import { bumpCatalogue } from './catalogueStore';
import { writing, type Database, type Writer } from './database';

/** Offers and points written at once; between batches other work gets a turn. */
const BATCH = 2000;

/** Writes what a source answered: offers that changed, and a point a day; all of it or nothing. Returns what changed. */
export function writePrices(
  db: Database,
  offers: readonly Offer[],
  points: readonly PricePoint[],
): Promise<{ offers: number; points: number }> {
  return writing(db, async (trx) => {
    let changed = 0;
    for (let at = 0; at < offers.length; at += BATCH) {
      const rows = JSON.stringify(offers.slice(at, at + BATCH));
      const result = await sql`
        INSERT INTO offers (id, part_id, region, price_minor, spec)
        SELECT value ->> '$.id', value ->> '$.part', value ->> '$.region', value ->> '$.priceMinor', value
        FROM json_each(${rows}) WHERE true
        ON CONFLICT (id) DO UPDATE SET part_id = excluded.part_id, region = excluded.region, price_minor = excluded.price_minor, spec = excluded.spec
        WHERE excluded.spec <> offers.spec`.execute(trx);
      changed += Number(result.numAffectedRows ?? 0);
    }
    let written = 0;
    for (let at = 0; at < points.length; at += BATCH) {
      const rows = JSON.stringify(
        points.slice(at, at + BATCH).map(({ offer, day, minor }) => [offer, dayNumber(day), minor]),
      );
      await sql`INSERT OR IGNORE INTO price_keys (offer_id) SELECT value ->> 0 FROM json_each(${rows})`.execute(trx);
      const result = await sql`
        INSERT INTO price_points (key, day, price_minor)
        SELECT k.key, j.value ->> 1, j.value ->> 2 FROM json_each(${rows}) j JOIN price_keys k ON k.offer_id = j.value ->> 0
        WHERE true
        ON CONFLICT (key, day) DO UPDATE SET price_minor = excluded.price_minor
        WHERE excluded.price_minor IS NOT price_points.price_minor`.execute(trx);
      written += Number(result.numAffectedRows ?? 0);
    }
    if (changed > 0) await bumpCatalogue(trx);
    return { offers: changed, points: written };
  });
}

/** Price points in columns: many of them without an object each. `keys` counts offers in the order first met. */
export interface PointColumns {
  readonly offers: readonly string[];
  readonly keys: Int32Array;
  readonly days: Int32Array;
  /** 0 is a day on which the offer could not be bought. */
  readonly minors: Int32Array;
  readonly count: number;
}

/**
 * Writes many points in one transaction on a connection of its own, for a process that does nothing else meanwhile. A
 * point of a day that is known takes the place of the old one.
 */
export function bulkPoints(path: string, points: PointColumns): void {
  const sqlite = new SQLite(path);
  try {
    sqlite.pragma('journal_mode = WAL');
    sqlite.pragma('busy_timeout = 5000');
    sqlite.pragma('foreign_keys = OFF');
    sqlite.pragma('cache_size = -65536');
    const addKey = sqlite.prepare('INSERT OR IGNORE INTO price_keys (offer_id) VALUES (?)');
    const findKey = sqlite.prepare<[string], { key: number }>('SELECT key FROM price_keys WHERE offer_id = ?');
    const add = sqlite.prepare('INSERT OR REPLACE INTO price_points (key, day, price_minor) VALUES (?, ?, ?)');
    sqlite.transaction(() => {
      const keys = points.offers.map((offer) => {
        addKey.run(offer);
        return findKey.get(offer)?.key ?? 0;
      });
      for (let i = 0; i < points.count; i++) {
        const minor = points.minors[i] ?? 0;
        add.run(keys[points.keys[i] ?? 0] ?? 0, points.days[i] ?? 0, minor === 0 ? null : minor);
      }
    })();
  } finally {
    sqlite.close();
  }
}

/** Points of offers from a day on, and each offer's last one before it, so that its price on that day is known. */
export async function readPoints(
  db: Database,
  offers: readonly string[],
  fromDay: number,
): Promise<Map<string, PricePoints>> {
  const { rows } = await sql<{ offer: string; days: string; minors: string }>`
    SELECT k.offer_id AS offer, json_group_array(p.day) AS days, json_group_array(p.price_minor) AS minors
    FROM json_each(${JSON.stringify(offers)}) j
    JOIN price_keys k ON k.offer_id = j.value
    JOIN price_points p ON p.key = k.key
      AND p.day >= coalesce((SELECT max(day) FROM price_points b WHERE b.key = k.key AND b.day <= ${fromDay}), ${fromDay})
    GROUP BY k.key`.execute(db);
  return new Map(
    rows.map(({ offer, days, minors }) => {
      const at = JSON.parse(days) as number[];
      const values = JSON.parse(minors) as (number | null)[];
      // the key is read in order, but nothing promises it
      const order = at.map((_, i) => i).sort((a, b) => (at[a] ?? 0) - (at[b] ?? 0));
      const rising = order.every((place, i) => place === i);
      return [
        offer,
        rising
          ? { offer, days: at, minors: values }
          : { offer, days: order.map((i) => at[i] ?? 0), minors: order.map((i) => values[i] ?? null) },
      ];
    }),
  );
}

export async function readSources(db: Database, aside: OnAside = unheard): Promise<PriceSource[]> {
  const rows = await db.selectFrom('sources').select(['id', 'spec']).orderBy('position').orderBy('id').execute();
  return rows.flatMap(({ id, spec }) => readRow('sources', { id, text: spec }, priceSourceSchema, aside));
}

export async function writeSource(db: Database, source: PriceSource): Promise<void> {
  await writing(db, async (trx) => {
    const last = await trx
      .selectFrom('sources')
      .select(sql<number>`coalesce(max(position), 0)`.as('n'))
      .executeTakeFirst();
    await trx
      .insertInto('sources')
      .values({ id: source.id, position: Number(last?.n ?? 0) + 1, spec: JSON.stringify(source) })
      .onConflict((oc) => oc.column('id').doUpdateSet({ spec: JSON.stringify(source) }))
      .execute();
  });
}

export const removeSource = (db: Database, id: string): Promise<void> =>
  writing(db, async (trx) => {
    await trx.deleteFrom('sources').where('id', '=', id).execute();
  });

export async function readWatches(db: Database | Writer, aside: OnAside = unheard): Promise<Watch[]> {
  const rows = await db.selectFrom('watches').select(['id', 'spec']).orderBy('id').execute();
  return rows.flatMap(({ id, spec }) => readRow('watches', { id, text: spec }, watchSchema, aside));
}

export const writeWatches = (db: Database, watches: readonly Watch[]): Promise<void> =>
  writing(db, async (trx) => {
    for (const watch of watches) {
      const spec = JSON.stringify(watchSchema.parse(watch));
      await trx
        .insertInto('watches')
        .values({ id: watch.id, spec })
        .onConflict((oc) => oc.column('id').doUpdateSet({ spec }))
        .execute();
    }
  });

export const removeWatch = (db: Database, id: string): Promise<void> =>
  writing(db, async (trx) => {
    await trx.deleteFrom('watches').where('id', '=', id).execute();
  });

const rateSchema = z.object({ base: currencySchema, quote: currencySchema, day: z.string(), rate: z.string() });

/** Rates of a day or the last before it. */
export async function readRates(db: Database, today: string): Promise<DayRate[]> {
  const { rows } = await sql<unknown>`
    SELECT base, quote, max(day) AS day, rate FROM rates WHERE day <= ${today} GROUP BY base, quote`.execute(db);
  return rows.flatMap((row) => rateSchema.safeParse(row).data ?? []);
}

export const writeRate = (db: Database, { base, quote, day, rate }: DayRate): Promise<void> =>
  writing(db, async (trx) => {
    await trx
      .insertInto('rates')
      .values({ base, quote, day, rate })
      .onConflict((oc) => oc.columns(['base', 'quote', 'day']).doUpdateSet({ rate }))
      .execute();
  });

/** A refresh that is running or was, with its report as text. */
export interface StoredRefresh {
  readonly id: number;
  readonly started: string;
  readonly ended: string | null;
  readonly spec: string;
}

/** Who holds the place for a refresh: kept in its row until its report takes the place of it. */
const holderSchema = z.object({ pid: z.number().int() }).catch({ pid: 0 });

/** Ends the refreshes whose process is gone, with what their report says; how many they were. */
export const endAbandoned = (
  db: Database,
  isRunning: (pid: number) => boolean,
  report: (started: string) => object,
): Promise<number> =>
  writing(db, async (trx) => {
    const open = await trx.selectFrom('refreshes').selectAll().where('ended', 'is', null).execute();
    const gone = open.filter(({ spec }) => {
      const { pid } = holderSchema.parse(JSON.parse(spec));
      return pid > 0 && !isRunning(pid);
    });
    for (const { id, started } of gone)
      await trx
        .updateTable('refreshes')
        .set({ ended: started, spec: JSON.stringify(report(started)) })
        .where('id', '=', id)
        .execute();
    return gone.length;
  });

/**
 * Takes the one place for a refresh for a process; undefined when another holds it. A place that was taken before `stale`
 * (ISO time) and never given back is that of a process that hangs.
 */
export const beginRefresh = (db: Database, started: string, stale: string, pid: number): Promise<number | undefined> =>
  writing(db, async (trx) => {
    const running = await trx
      .selectFrom('refreshes')
      .select('id')
      .where('ended', 'is', null)
      .where('started', '>', stale)
      .where('started', '<=', started)
      .executeTakeFirst();
    if (running) return undefined;
    const row = await trx
      .insertInto('refreshes')
      .values({ started, ended: null, spec: JSON.stringify({ pid }) })
      .returning('id')
      .executeTakeFirstOrThrow();
    return row.id;
  });

export const endRefresh = (db: Database, id: number, ended: string, spec: object): Promise<void> =>
  writing(db, async (trx) => {
    await trx
      .updateTable('refreshes')
      .set({ ended, spec: JSON.stringify(spec) })
      .where('id', '=', id)
      .execute();
  });

export const lastRefresh = (db: Database): Promise<StoredRefresh | undefined> =>
  db
    .selectFrom('refreshes')
    .selectAll()
    .where('ended', 'is not', null)
    .orderBy('id', 'desc')
    .limit(1)
    .executeTakeFirst();

/** Marks of drafts as they stood when the desk was last looked at; all are replaced at once. */
export const writeSeen = (
  db: Database,
  marks: readonly { readonly seat: string; readonly draft: string; readonly seen: Seen }[],
): Promise<void> =>
  writing(db, async (trx) => {
    await trx.deleteFrom('seen').execute();
    for (const { seat, draft, seen } of marks)
      await trx
        .insertInto('seen')
        .values({ seat_id: seat, draft_id: draft, spec: JSON.stringify(seenSchema.parse(seen)) })
        .onConflict((oc) => oc.columns(['seat_id', 'draft_id']).doUpdateSet({ spec: JSON.stringify(seen) }))
        .execute();
  });

/** How the drafts of a seat stood when they were marked, by draft. */
export async function readSeen(db: Database, seat: string): Promise<Record<string, Seen>> {
  const rows = await db.selectFrom('seen').select(['draft_id', 'spec']).where('seat_id', '=', seat).execute();
  // a mark that cannot be read is none: the draft counts as not looked at
  return Object.fromEntries(
    rows.flatMap(({ draft_id, spec }) => {
      const read = readJson(spec, seenSchema);
      return 'value' in read ? [[draft_id, read.value] as const] : [];
    }),
  );
}
