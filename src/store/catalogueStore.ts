import { catalogueSchema, type CatalogueData, type CatalogueFile } from '@/core/formats/catalogueSchema';
import type { Known } from '@/core/formats/catalogue';
import { partSchema, type Part } from '@/core/parts';
import { writing, type Database, type Writer } from './database';
import type { SmallList } from './schema';

const SMALL: readonly SmallList[] = ['regions', 'sellers', 'applications', 'rivals'];
/** SQLite takes a limited number of values a statement. */
const BATCH = 200;

/** What an import did or would do, entries counted. */
export interface ImportSummary {
  readonly added: number;
  readonly changed: number;
  readonly left: number;
}

/** Ids already there, so that a file may refer to them. */
export async function knownIds(db: Database): Promise<Known> {
  const parts = await db.selectFrom('parts').select('id').execute();
  const small = await db.selectFrom('small_lists').select(['list', 'id']).execute();
  const of = (list: SmallList) => new Set(small.filter((row) => row.list === list).map((row) => row.id));
  return {
    parts: new Set(parts.map((row) => row.id)),
    sellers: of('sellers'),
    regions: of('regions'),
    applications: of('applications'),
  };
}

async function bump(trx: Writer): Promise<void> {
  const next = (await revisionIn(trx)) + 1;
  await trx
    .insertInto('meta')
    .values({ key: 'catalogue-revision', value: String(next) })
    .onConflict((oc) => oc.column('key').doUpdateSet({ value: String(next) }))
    .execute();
}

async function revisionIn(db: Database | Writer): Promise<number> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', 'catalogue-revision').executeTakeFirst();
  return Number(row?.value ?? 0);
}

/** Counts every change of the catalogue, so that caches know when to read it again. */
export const catalogueRevision = (db: Database): Promise<number> => revisionIn(db);

/** Writes a validated file in one transaction; writing it again changes nothing. Entries that the file lacks stay. */
export async function importCatalogue(db: Database, file: CatalogueFile): Promise<ImportSummary> {
  return writing(db, async (trx) => {
    let added = 0;
    let changed = 0;
    let left = 0;
    const tally = (before: string | undefined, after: string): boolean => {
      if (before === undefined) added++;
      else if (before === after) left++;
      else changed++;
      return before !== after;
    };
    for (const list of SMALL) {
      const before = new Map(
        (await trx.selectFrom('small_lists').select(['id', 'spec']).where('list', '=', list).execute()).map((row) => [
          row.id,
          row.spec,
        ]),
      );
      for (const entry of file[list]) {
        const spec = JSON.stringify(entry);
        if (tally(before.get(entry.id), spec))
          await trx
            .insertInto('small_lists')
            .values({ list, id: entry.id, spec })
            .onConflict((oc) => oc.columns(['list', 'id']).doUpdateSet({ spec }))
            .execute();
      }
    }
    const partsBefore = new Map(
      (await trx.selectFrom('parts').select(['id', 'spec']).execute()).map((row) => [row.id, row.spec]),
    );
    const parts = file.parts
      .map((part) => ({
        id: part.id as string,
        kind: part.kind,
        maker: part.maker,
        name: part.name,
        spec: JSON.stringify(part),
      }))
      .filter((row) => tally(partsBefore.get(row.id), row.spec));
    for (let i = 0; i < parts.length; i += BATCH)
      await trx
        .insertInto('parts')
        .values(parts.slice(i, i + BATCH))
        .onConflict((oc) =>
          oc.column('id').doUpdateSet((eb) => ({
            kind: eb.ref('excluded.kind'),
            maker: eb.ref('excluded.maker'),
            name: eb.ref('excluded.name'),
            spec: eb.ref('excluded.spec'),
          })),
        )
        .execute();
    const offersBefore = new Map(
      (await trx.selectFrom('offers').select(['id', 'spec']).execute()).map((row) => [row.id, row.spec]),
    );
    const offers = file.offers
      .map((offer) => ({
        id: offer.id,
        part_id: offer.part as string,
        region: offer.region,
        price_minor: offer.priceMinor,
        spec: JSON.stringify(offer),
      }))
      .filter((row) => tally(offersBefore.get(row.id), row.spec));
    for (let i = 0; i < offers.length; i += BATCH)
      await trx
        .insertInto('offers')
        .values(offers.slice(i, i + BATCH))
        .onConflict((oc) =>
          oc.column('id').doUpdateSet((eb) => ({
            part_id: eb.ref('excluded.part_id'),
            region: eb.ref('excluded.region'),
            price_minor: eb.ref('excluded.price_minor'),
            spec: eb.ref('excluded.spec'),
          })),
        )
        .execute();
    if (added + changed > 0) await bump(trx);
    return { added, changed, left };
  });
}

/** The whole catalogue, figures filled in by hand laid over what the files said. */
export async function readCatalogueData(db: Database): Promise<CatalogueData> {
  const rows = await db.selectFrom('parts').select('spec').orderBy('id').execute();
  const figures = new Map<string, Record<string, unknown>>();
  for (const row of await db.selectFrom('part_figures').selectAll().execute())
    figures.set(row.part_id, { ...figures.get(row.part_id), [row.field]: JSON.parse(row.value) as unknown });
  const small = await db.selectFrom('small_lists').selectAll().orderBy('id').execute();
  const list = (name: SmallList) =>
    small.filter((row) => row.list === name).map((row) => JSON.parse(row.spec) as unknown);
  const { shape } = catalogueSchema;
  return {
    parts: rows.map((row): Part => withFigures(row.spec, figures)),
    offers: shape.offers.parse(
      (await db.selectFrom('offers').select('spec').orderBy('id').execute()).map(
        (row) => JSON.parse(row.spec) as unknown,
      ),
    ),
    regions: shape.regions.parse(list('regions')),
    sellers: shape.sellers.parse(list('sellers')),
    applications: shape.applications.parse(list('applications')),
    rivals: shape.rivals.parse(list('rivals')),
  };
}

function withFigures(spec: string, figures: ReadonlyMap<string, Record<string, unknown>>): Part {
  const json = JSON.parse(spec) as { id: string };
  return partSchema.parse({ ...json, ...figures.get(json.id) });
}

/** A part as it would be with a figure filled in; the schema's verdict decides. */
export async function partWithFigure(
  db: Database | Writer,
  partId: string,
  field: string,
  value: number,
): Promise<Part | undefined> {
  const row = await db.selectFrom('parts').select('spec').where('id', '=', partId).executeTakeFirst();
  if (!row) return undefined;
  return partSchema.parse({ ...(JSON.parse(row.spec) as object), [field]: value });
}

export async function readFigure(trx: Writer, partId: string, field: string): Promise<string | null> {
  const row = await trx
    .selectFrom('part_figures')
    .select('value')
    .where('part_id', '=', partId)
    .where('field', '=', field)
    .executeTakeFirst();
  return row?.value ?? null;
}

/** Sets or (with null) takes away a figure filled in by hand. */
export async function writeFigure(
  trx: Writer,
  partId: string,
  field: string,
  value: string | null,
  at: string,
): Promise<void> {
  if (value === null)
    await trx.deleteFrom('part_figures').where('part_id', '=', partId).where('field', '=', field).execute();
  else
    await trx
      .insertInto('part_figures')
      .values({ part_id: partId, field, value, at })
      .onConflict((oc) => oc.columns(['part_id', 'field']).doUpdateSet({ value, at }))
      .execute();
  await bump(trx);
}

/** The catalogue's own "today", set by the demo so that pictures repeat; otherwise unset. */
export async function fixedToday(db: Database): Promise<string | undefined> {
  return (await db.selectFrom('meta').select('value').where('key', '=', 'today').executeTakeFirst())?.value;
}

export async function fixToday(db: Database, today: string): Promise<void> {
  await writing(db, (trx) =>
    trx
      .insertInto('meta')
      .values({ key: 'today', value: today })
      .onConflict((oc) => oc.column('key').doUpdateSet({ value: today }))
      .execute(),
  );
}
