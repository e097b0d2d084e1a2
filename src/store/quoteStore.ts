import type { z } from 'zod';
import {
  answerSchema,
  revisionSpecSchema,
  sentSchema,
  type Answer,
  type RevisionSpec,
  type Sent,
} from '@/core/quote/kept';
import { orderSchema, type Order } from '@/core/quote/order';
import { usualWorkshop, workshopSchema, type Workshop } from '@/core/quote/terms';
import { readJson } from './aside';
import { writing, type Database } from './database';

export interface StoredRevision {
  readonly revision: number;
  readonly version: number;
  readonly spec: RevisionSpec;
  readonly sent: Sent | undefined;
  readonly answer: Answer | undefined;
  readonly token: string | undefined;
  readonly order: Order | undefined;
}

export interface StoredQuote {
  readonly id: string;
  readonly projectId: string;
  readonly number: string;
  readonly madeOn: string;
  /** In their order. */
  readonly revisions: readonly StoredRevision[];
}

/** A column that holds a document or nothing; what cannot be read is nothing, and stays in the row. */
function optional<T>(text: string | null, schema: z.ZodType<T>): T | undefined {
  if (text === null) return undefined;
  const read = readJson(text, schema);
  return 'value' in read ? read.value : undefined;
}

/** All quotes, those of a project, or the one with an id. */
async function quotesWhere(db: Database, { project, id }: { project?: string; id?: string }): Promise<StoredQuote[]> {
  const quotes = await db
    .selectFrom('quotes')
    .selectAll()
    .$if(project !== undefined, (query) => query.where('project_id', '=', project ?? ''))
    .$if(id !== undefined, (query) => query.where('id', '=', id ?? ''))
    .orderBy('made_on')
    .orderBy('number')
    .execute();
  const rows = await db
    .selectFrom('quote_revisions')
    .selectAll()
    .where(
      'quote_id',
      'in',
      quotes.map((quote) => quote.id),
    )
    .orderBy('revision')
    .execute();
  return quotes.map(({ id: quoteId, project_id, number, made_on }) => ({
    id: quoteId,
    projectId: project_id,
    number,
    madeOn: made_on,
    revisions: rows.flatMap((row): StoredRevision[] => {
      const spec = row.quote_id === quoteId ? optional(row.spec, revisionSpecSchema) : undefined;
      return spec
        ? [
            {
              revision: row.revision,
              version: row.version,
              spec,
              sent: optional(row.sent, sentSchema),
              answer: optional(row.answer, answerSchema),
              token: row.token ?? undefined,
              order: optional(row.purchase, orderSchema),
            },
          ]
        : [];
    }),
  }));
}

export const listQuotes = (db: Database, project?: string): Promise<StoredQuote[]> =>
  quotesWhere(db, project === undefined ? {} : { project });

export async function readQuote(db: Database, id: string): Promise<StoredQuote | undefined> {
  return (await quotesWhere(db, { id }))[0];
}

/** Numbers and ids that quotes have. */
export async function takenNames(db: Database): Promise<{ numbers: ReadonlySet<string>; ids: ReadonlySet<string> }> {
  const rows = await db.selectFrom('quotes').select(['id', 'number']).execute();
  return { numbers: new Set(rows.map(({ number }) => number)), ids: new Set(rows.map(({ id }) => id)) };
}

/** The revision whose page has this address. */
export async function byToken(db: Database, token: string): Promise<{ quote: string; revision: number } | undefined> {
  const row = await db
    .selectFrom('quote_revisions')
    .select(['quote_id', 'revision'])
    .where('token', '=', token)
    .executeTakeFirst();
  return row && { quote: row.quote_id, revision: row.revision };
}

export async function addQuote(db: Database, quote: Omit<StoredQuote, 'revisions'>, spec: RevisionSpec): Promise<void> {
  await writing(db, async (trx) => {
    await trx
      .insertInto('quotes')
      .values({ id: quote.id, project_id: quote.projectId, number: quote.number, made_on: quote.madeOn })
      .execute();
    await trx
      .insertInto('quote_revisions')
      .values(openRow(quote.id, 1, spec))
      .execute();
  });
}

const openRow = (quote: string, revision: number, spec: RevisionSpec) => ({
  quote_id: quote,
  revision,
  version: 1,
  spec: JSON.stringify(spec),
  sent: null,
  answer: null,
  token: null,
  purchase: null,
});

export async function addRevision(db: Database, quote: string, revision: number, spec: RevisionSpec): Promise<void> {
  await writing(db, (trx) =>
    trx
      .insertInto('quote_revisions')
      .values(openRow(quote, revision, spec))
      .execute(),
  );
}

/** Writes an open revision; false when somebody else did since, or when it was sent. */
export async function writeSpec(
  db: Database,
  quote: string,
  revision: number,
  version: number,
  spec: RevisionSpec,
): Promise<boolean> {
  const { numUpdatedRows } = await writing(db, (trx) =>
    trx
      .updateTable('quote_revisions')
      .set({ spec: JSON.stringify(spec), version: version + 1 })
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .where('version', '=', version)
      .where('sent', 'is', null)
      .executeTakeFirst(),
  );
  return numUpdatedRows === 1n;
}

/** Freezes a revision as it went out; false when it was sent before. */
export async function writeSent(
  db: Database,
  quote: string,
  revision: number,
  sent: Sent,
  token: string | undefined,
): Promise<boolean> {
  const { numUpdatedRows } = await writing(db, (trx) =>
    trx
      .updateTable('quote_revisions')
      .set({ sent: JSON.stringify(sent), ...(token === undefined ? {} : { token }) })
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .where('sent', 'is', null)
      .executeTakeFirst(),
  );
  return numUpdatedRows === 1n;
}

/** Keeps what the client said, with the purchase list of it; false when there is an answer already. */
export async function writeAnswer(
  db: Database,
  quote: string,
  revision: number,
  answer: Answer,
  order: Order | undefined,
): Promise<boolean> {
  const { numUpdatedRows } = await writing(db, (trx) =>
    trx
      .updateTable('quote_revisions')
      .set({ answer: JSON.stringify(answer), ...(order ? { purchase: JSON.stringify(order) } : {}) })
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .where('answer', 'is', null)
      .executeTakeFirst(),
  );
  return numUpdatedRows === 1n;
}

/** Keeps a purchase list where there is none; false where there is. */
export async function writeOrder(db: Database, quote: string, revision: number, order: Order): Promise<boolean> {
  const { numUpdatedRows } = await writing(db, (trx) =>
    trx
      .updateTable('quote_revisions')
      .set({ purchase: JSON.stringify(order) })
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .where('purchase', 'is', null)
      .executeTakeFirst(),
  );
  return numUpdatedRows === 1n;
}

/** Changes an order in one go: what is read is what is written over. False without one. */
export async function changeOrder(
  db: Database,
  quote: string,
  revision: number,
  change: (order: Order) => Order,
): Promise<boolean> {
  return writing(db, async (trx) => {
    const row = await trx
      .selectFrom('quote_revisions')
      .select('purchase')
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .executeTakeFirst();
    const order = optional(row?.purchase ?? null, orderSchema);
    if (!order) return false;
    await trx
      .updateTable('quote_revisions')
      .set({ purchase: JSON.stringify(orderSchema.parse(change(order))) })
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .execute();
    return true;
  });
}

/** The address of a page from now on; none withdraws it. */
export async function writeToken(
  db: Database,
  quote: string,
  revision: number,
  token: string | undefined,
): Promise<void> {
  await writing(db, (trx) =>
    trx
      .updateTable('quote_revisions')
      .set({ token: token ?? null })
      .where('quote_id', '=', quote)
      .where('revision', '=', revision)
      .execute(),
  );
}

/** Takes an open revision away, and its quote with the last one. @throws when it was sent */
export async function dropRevision(db: Database, quote: string, revision: number): Promise<void> {
  await writing(db, async (trx) => {
    await trx.deleteFrom('quote_revisions').where('quote_id', '=', quote).where('revision', '=', revision).execute();
    const left = await trx
      .selectFrom('quote_revisions')
      .select('revision')
      .where('quote_id', '=', quote)
      .executeTakeFirst();
    if (!left) await trx.deleteFrom('quotes').where('id', '=', quote).execute();
  });
}

const WORKSHOP = 'workshop';
const LOGO = 'logo';

export async function readWorkshop(db: Database): Promise<Workshop> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', WORKSHOP).executeTakeFirst();
  return optional(row?.value ?? null, workshopSchema) ?? usualWorkshop;
}

const keepMeta = (db: Database, key: string, value: string): Promise<unknown> =>
  writing(db, (trx) =>
    trx
      .insertInto('meta')
      .values({ key, value })
      .onConflict((oc) => oc.column('key').doUpdateSet({ value }))
      .execute(),
  );

export const writeWorkshop = (db: Database, workshop: Workshop): Promise<unknown> =>
  keepMeta(db, WORKSHOP, JSON.stringify(workshop));

/** The picture at the head of papers. */
export async function readLogo(db: Database): Promise<Buffer | undefined> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', LOGO).executeTakeFirst();
  return row && Buffer.from(row.value, 'base64');
}

export async function writeLogo(db: Database, logo: Buffer | undefined): Promise<void> {
  if (logo) await keepMeta(db, LOGO, logo.toString('base64'));
  else await writing(db, (trx) => trx.deleteFrom('meta').where('key', '=', LOGO).execute());
}
