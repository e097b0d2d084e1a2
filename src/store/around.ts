import { sql } from 'kysely';
import type { z } from 'zod';
import { AROUND_LISTS, aroundSchemas, dayRateSchema, type Around, type AroundList } from '@/core/formats/aroundFile';
import { seenSchema } from '@/core/versus/standing';
import { readJson } from './aside';
import type { Database, Writer } from './database';
import { readPoints, readSources, readWatches } from './priceStore';
import { listQuotes } from './quoteStore';

interface Wanted {
  readonly offers: ReadonlySet<string>;
  readonly parts: ReadonlySet<string>;
  readonly seats: ReadonlySet<string>;
  /** `seller region` of sources that belong along. */
  readonly sellers: ReadonlySet<string>;
}

/** What belongs to these seats and parts beside them, always in the same order. */
export async function readAround(db: Database, wanted: Wanted): Promise<Around> {
  const points = await readPoints(db, [...wanted.offers].sort(), 0);
  const rates = await db.selectFrom('rates').selectAll().orderBy('base').orderBy('quote').orderBy('day').execute();
  const marks = await db.selectFrom('seen').selectAll().orderBy('seat_id').orderBy('draft_id').execute();
  return {
    points: [...points.values()]
      .sort((a, b) => (a.offer < b.offer ? -1 : 1))
      .map(({ offer, days, minors }) => ({ offer, days: [...days], minors: [...minors] })),
    sources: (await readSources(db)).filter(
      ({ seller, region }) => seller === undefined || wanted.sellers.has(`${seller} ${region ?? ''}`),
    ),
    watches: (await readWatches(db)).filter(({ what }) =>
      what.kind === 'part' ? wanted.parts.has(what.part) : wanted.seats.has(what.seat),
    ),
    rates: rates.flatMap((row) => dayRateSchema.safeParse(row).data ?? []),
    marks: marks.flatMap(({ seat_id: seat, draft_id: draft, spec }) => {
      const read = readJson(spec, seenSchema);
      return wanted.seats.has(seat) && 'value' in read ? [{ seat, draft, seen: read.value }] : [];
    }),
    quotes: (await listQuotes(db))
      .filter(({ revisions }) => revisions.some(({ spec }) => spec.subjects.some(({ seat }) => wanted.seats.has(seat))))
      .map(({ id, projectId, number, madeOn, revisions }) => ({
        id,
        project: projectId,
        number,
        madeOn,
        revisions: revisions.map(({ token: _token, sent, answer, order, ...rest }) => ({
          ...rest,
          ...(sent ? { sent } : {}),
          ...(answer ? { answer } : {}),
          ...(order ? { order } : {}),
        })),
      })),
  };
}

type Entry<L extends AroundList> = z.infer<(typeof aroundSchemas)[L]>;

/** Adds an entry where there is none; gives back whether it did. */
const ADD: { readonly [L in AroundList]: (trx: Writer, entry: Entry<L>) => Promise<boolean> } = {
  points: async (trx, { offer, days, minors }) => {
    await sql`INSERT OR IGNORE INTO price_keys (offer_id) VALUES (${offer})`.execute(trx);
    const added = await sql`
      INSERT OR IGNORE INTO price_points (key, day, price_minor)
      SELECT (SELECT key FROM price_keys WHERE offer_id = ${offer}), json_extract(p.value, '$[0]'), json_extract(p.value, '$[1]')
      FROM json_each(${JSON.stringify(days.map((day, i) => [day, minors[i] ?? null]))}) p`.execute(trx);
    return Number(added.numAffectedRows ?? 0) > 0;
  },
  sources: async (trx, source) => {
    const added = await sql`
      INSERT OR IGNORE INTO sources (id, position, spec)
      SELECT ${source.id}, coalesce(max(position), 0) + 1, ${JSON.stringify(source)} FROM sources`.execute(trx);
    return Number(added.numAffectedRows ?? 0) > 0;
  },
  watches: async (trx, watch) => {
    const added =
      await sql`INSERT OR IGNORE INTO watches (id, spec) VALUES (${watch.id}, ${JSON.stringify(watch)})`.execute(trx);
    return Number(added.numAffectedRows ?? 0) > 0;
  },
  rates: async (trx, { base, quote, day, rate }) => {
    const added =
      await sql`INSERT OR IGNORE INTO rates (base, quote, day, rate) VALUES (${base}, ${quote}, ${day}, ${rate})`.execute(
        trx,
      );
    return Number(added.numAffectedRows ?? 0) > 0;
  },
  marks: async (trx, { seat, draft, seen }) => {
    const added = await sql`
      INSERT OR IGNORE INTO seen (seat_id, draft_id, spec) VALUES (${seat}, ${draft}, ${JSON.stringify(seen)})`.execute(
      trx,
    );
    return Number(added.numAffectedRows ?? 0) > 0;
  },
  // a number that is another's here is not taken twice
  quotes: async (trx, { id, project, number, madeOn, revisions }) => {
    const added = await sql`
      INSERT OR IGNORE INTO quotes (id, project_id, number, made_on) VALUES (${id}, ${project}, ${number}, ${madeOn})`.execute(
      trx,
    );
    if (Number(added.numAffectedRows ?? 0) === 0) return false;
    const text = (value: object | undefined): string | null => (value ? JSON.stringify(value) : null);
    for (const { revision, version, spec, sent, answer, order } of revisions)
      await trx
        .insertInto('quote_revisions')
        .values({
          quote_id: id,
          revision,
          version,
          spec: JSON.stringify(spec),
          sent: text(sent),
          answer: text(answer),
          token: null,
          purchase: text(order),
        })
        .execute();
    return true;
  },
};

/** Whether an entry would add something; only read. */
const LACKS: { readonly [L in AroundList]: (db: Database, entry: Entry<L>) => Promise<boolean> } = {
  points: async (db, { offer, days }) => {
    const { rows } = await sql<{ n: number }>`
      SELECT count(*) AS n FROM price_points
      WHERE key = (SELECT key FROM price_keys WHERE offer_id = ${offer})
      AND day IN (SELECT value FROM json_each(${JSON.stringify(days)}))`.execute(db);
    return Number(rows[0]?.n ?? 0) < days.length;
  },
  sources: async (db, { id }) => !(await db.selectFrom('sources').select('id').where('id', '=', id).executeTakeFirst()),
  watches: async (db, { id }) => !(await db.selectFrom('watches').select('id').where('id', '=', id).executeTakeFirst()),
  rates: async (db, { base, quote, day }) =>
    !(await db
      .selectFrom('rates')
      .select('day')
      .where('base', '=', base)
      .where('quote', '=', quote)
      .where('day', '=', day)
      .executeTakeFirst()),
  marks: async (db, { seat, draft }) =>
    !(await db
      .selectFrom('seen')
      .select('seat_id')
      .where('seat_id', '=', seat)
      .where('draft_id', '=', draft)
      .executeTakeFirst()),
  quotes: async (db, { id, number }) =>
    !(await db
      .selectFrom('quotes')
      .select('id')
      .where((where) => where.or([where('id', '=', id), where('number', '=', number)]))
      .executeTakeFirst()),
};

/** How many staged entries do something, one after the other in the order of the file. */
async function counted<C extends Database | Writer>(
  db: C,
  act: { readonly [L in AroundList]: (db: C, entry: Entry<L>) => Promise<boolean> },
): Promise<number> {
  const { rows } = await sql<{ rowid: number; list: string }>`
    SELECT rowid, list FROM staged.rows WHERE list LIKE 'around %' ORDER BY rowid`.execute(db);
  const does = async <L extends AroundList>(list: L, spec: string): Promise<boolean> =>
    act[list](db, aroundSchemas[list].parse(JSON.parse(spec)) as Entry<L>);
  let count = 0;
  for (const row of rows) {
    const list = AROUND_LISTS.find((name) => row.list === `around ${name}`);
    // one at a time: years of prices are long
    const found = await sql<{ spec: string }>`SELECT spec FROM staged.rows WHERE rowid = ${row.rowid}`.execute(db);
    if (list && (await does(list, found.rows[0]?.spec ?? '{}'))) count++;
  }
  return count;
}

/** Adds what is staged beside lists and seats and is not there yet; how many entries added something. */
export const addAround = (trx: Writer): Promise<number> => counted(trx, ADD);

/** How many entries would add something. Nothing is written, and nobody has to wait. */
export const lackingAround = (db: Database): Promise<number> => counted(db, LACKS);
