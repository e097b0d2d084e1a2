import { sql } from 'kysely';
import type { z } from 'zod';
import { handFigureSchema, ownedSchema } from '@/core/formats/projectFile';
import { priceSourceSchema } from '@/core/formats/feed/source';
import { briefSchema } from '@/core/model/brief';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { machineSchema } from '@/core/model/machine';
import { settingsSchema } from '@/core/model/settings';
import { watchSchema } from '@/core/money/watch';
import { partSchema } from '@/core/parts';
import type { AsidePlace } from './aside';
import { bumpCatalogue } from './catalogueStore';
import { writing, type Database, type Writer } from './database';
import { LIST_SQL, type List } from './lists';

const isList = (place: AsidePlace): place is AsidePlace & List => Object.hasOwn(LIST_SQL, place);

/** The schema that reads a row of a place; a draft's or a brief's by what the row is. */
async function schemaOf(db: Database | Writer, place: AsidePlace, id: string): Promise<z.ZodType> {
  switch (place) {
    case 'parts':
      return partSchema;
    case 'figures':
      return handFigureSchema.shape.value;
    case 'owned':
      return ownedSchema;
    case 'watches':
      return watchSchema;
    case 'sources':
      return priceSourceSchema;
    case 'settings':
      return settingsSchema;
    case 'documents': {
      const row = await db.selectFrom('documents').select('kind').where('id', '=', id).executeTakeFirst();
      return row?.kind === 'brief' ? briefSchema : machineSchema;
    }
    case 'offers':
    case 'regions':
    case 'sellers':
    case 'applications':
    case 'rivals':
      return catalogueSchema.shape[place].element;
  }
}

/**
 * Puts a text in the place of a row that cannot be read.
 * @throws ZodError when this text cannot be read either, SyntaxError when it is not JSON
 */
export async function mendRow(db: Database, place: AsidePlace, id: string, text: string): Promise<void> {
  const schema = await schemaOf(db, place, id);
  const body = JSON.stringify(schema.parse(JSON.parse(text)));
  await writing(db, async (trx) => {
    if (place === 'documents')
      await trx
        .updateTable('documents')
        .set((eb) => ({ body, revision: eb('revision', '+', 1) }))
        .where('id', '=', id)
        .execute();
    else if (place === 'settings') await trx.updateTable('meta').set({ value: body }).where('key', '=', id).execute();
    else if (place === 'figures') {
      const [part, field] = partsOf(id);
      await trx
        .updateTable('part_figures')
        .set({ value: body })
        .where('part_id', '=', part)
        .where('field', '=', field)
        .execute();
    } else if (place === 'watches' || place === 'sources')
      await trx.updateTable(place).set({ spec: body }).where('id', '=', id).execute();
    else await write(trx, place, id, body);
    await bumpCatalogue(trx);
  });
}

/** Takes a row away for good; of a seat whose brief cannot be read all that belongs to it. */
export async function removeRow(db: Database, place: AsidePlace, id: string): Promise<void> {
  await writing(db, async (trx) => {
    await sql`PRAGMA defer_foreign_keys = ON`.execute(trx);
    if (place === 'documents') await removeDocument(trx, id);
    else if (place === 'settings') await trx.deleteFrom('meta').where('key', '=', id).execute();
    else if (place === 'figures') {
      const [part, field] = partsOf(id);
      await trx.deleteFrom('part_figures').where('part_id', '=', part).where('field', '=', field).execute();
    } else if (place === 'watches' || place === 'sources') await trx.deleteFrom(place).where('id', '=', id).execute();
    else {
      if (place === 'parts') await trx.deleteFrom('offers').where('part_id', '=', id).execute();
      await write(trx, place, id, null);
    }
    await bumpCatalogue(trx);
  });
}

const partsOf = (id: string): [part: string, field: string] => {
  const space = id.indexOf(' ');
  return [id.slice(0, space), id.slice(space + 1)];
};

async function write(trx: Writer, place: AsidePlace, id: string, body: string | null): Promise<void> {
  if (!isList(place)) return;
  await sql`CREATE TEMP TABLE incoming (id TEXT PRIMARY KEY, spec TEXT)`.execute(trx);
  await sql`INSERT INTO incoming VALUES (${id}, ${body})`.execute(trx);
  await sql.raw(body === null ? LIST_SQL[place].remove : LIST_SQL[place].write).execute(trx);
  await sql`DROP TABLE incoming`.execute(trx);
}

async function removeDocument(trx: Writer, id: string): Promise<void> {
  const row = await trx.selectFrom('documents').select(['kind', 'seat_id']).where('id', '=', id).executeTakeFirst();
  if (!row) return;
  if (row.kind === 'draft') {
    await trx.deleteFrom('documents').where('id', '=', id).execute();
    return;
  }
  await trx.deleteFrom('history').where('seat_id', '=', row.seat_id).execute();
  await trx.deleteFrom('documents').where('seat_id', '=', row.seat_id).execute();
  await trx.deleteFrom('seats').where('id', '=', row.seat_id).execute();
}
