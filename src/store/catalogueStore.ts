import { readJson, readRow, unheard, type OnAside } from './aside';
import type { z } from 'zod';
import { catalogueSchema, type CatalogueData, type Offer } from '@/core/model/catalogueSchema';
import { offerSchema } from '@/core/model/offers';
import { partSchema, partSchemas, type Part, type PartKind } from '@/core/parts';
import { withValueAt } from '@/core/parts/fields';
import { inTurns } from './turns';
import { writing, type Database, type Writer } from './database';
import type { SmallList } from './schema';

/** Counts a change, so that every process reads the catalogue again. */
export async function bumpCatalogue(trx: Writer): Promise<void> {
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

/** Entries parsed before, by id, with the text they came from: what has not changed is not parsed again. */
export interface CatalogueMemo {
  readonly parts: Map<string, { readonly text: string; readonly part: Part }>;
  readonly offers: Map<string, { readonly text: string; readonly offer: Offer }>;
}
export const emptyMemo = (): CatalogueMemo => ({ parts: new Map(), offers: new Map() });

/** The whole catalogue as the files said it, with figures filled in by hand laid over it unless `files` is asked for. */
export async function readCatalogueData(
  db: Database,
  what: 'with-hand-figures' | 'files' = 'with-hand-figures',
  memo: CatalogueMemo = emptyMemo(),
  aside: OnAside = unheard,
): Promise<CatalogueData> {
  const rows = await db.selectFrom('parts').select(['id', 'kind', 'spec']).orderBy('id').execute();
  const figures = new Map<string, { field: string; value: string }[]>();
  if (what === 'with-hand-figures')
    for (const row of await db.selectFrom('part_figures').selectAll().execute())
      figures.set(row.part_id, [...(figures.get(row.part_id) ?? []), { field: row.field, value: row.value }]);
  const offers = await db.selectFrom('offers').select(['id', 'spec']).orderBy('id').execute();
  return {
    parts: await inTurns(rows, (row): readonly Part[] => {
      const hand = figures.get(row.id) ?? [];
      const text = hand.length === 0 ? row.spec : `${row.spec} ${JSON.stringify(hand)}`;
      const known = memo.parts.get(row.id);
      if (known?.text === text) return [known.part];
      let whole = true;
      const found = readPart(row, hand, (row) => {
        whole = false;
        aside(row);
      });
      // what was set aside is told again each time
      if (found && whole) memo.parts.set(row.id, { text, part: found });
      return found ? [found] : [];
    }),
    offers: await inTurns(offers, (row): readonly Offer[] => {
      const known = memo.offers.get(row.id);
      if (known?.text === row.spec) return [known.offer];
      const found = readRow('offers', { id: row.id, text: row.spec }, offerSchema, aside);
      for (const offer of found) memo.offers.set(row.id, { text: row.spec, offer });
      return found;
    }),
    regions: await readSmall(db, 'regions', aside),
    sellers: await readSmall(db, 'sellers', aside),
    applications: await readSmall(db, 'applications', aside),
    rivals: await readSmall(db, 'rivals', aside),
  };
}

/** The schema of one kind: asking it is several times faster than trying a union. */
const schemaFor = (kind: string): z.ZodType<Part> =>
  (Object.hasOwn(partSchemas, kind) ? partSchemas[kind as PartKind] : partSchema) as unknown as z.ZodType<Part>;

/**
 * A part with what was filled in by hand laid over it; null stands for "taken away": the file's figure was wrong and the
 * right one is not known. A figure that the part cannot have (its kind has changed since) is set aside, the part stays.
 */
function readPart(
  { id, kind, spec }: { readonly id: string; readonly kind: string; readonly spec: string },
  hand: readonly { readonly field: string; readonly value: string }[],
  aside: OnAside,
): Part | undefined {
  const schema = schemaFor(kind);
  const [bare] = readRow('parts', { id, text: spec }, schema, aside);
  if (!bare) return undefined;
  let part = bare;
  for (const { field, value } of hand) {
    const laidOver = readJson(
      JSON.stringify(withValueAt(part, field, (JSON.parse(value) as unknown) ?? undefined)),
      schema,
    );
    if ('value' in laidOver) part = laidOver.value;
    else aside({ place: 'figures', id: `${id} ${field}`, text: value, problems: laidOver.problems });
  }
  return part;
}

/** A part as it would be with a figure filled in; the schema's verdict decides. */
export async function partWithFigure(
  db: Database | Writer,
  partId: string,
  field: string,
  value: unknown,
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
  await bumpCatalogue(trx);
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

/** One of the small lists; what cannot be read is set aside. */
export async function readSmall<L extends SmallList>(
  db: Database,
  list: L,
  aside: OnAside = unheard,
): Promise<CatalogueData[L]> {
  const rows = await db
    .selectFrom('small_lists')
    .select(['id', 'spec'])
    .where('list', '=', list)
    .orderBy('id')
    .execute();
  const schema = catalogueSchema.shape[list].element as z.ZodType<CatalogueData[L][number]>;
  return rows.flatMap(({ id, spec }) => readRow(list, { id, text: spec }, schema, aside)) as CatalogueData[L];
}
