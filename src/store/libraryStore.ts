import { z } from 'zod';
import { handFigureSchema, ownedSchema, type HandFigure, type Owned } from '@/core/formats/projectFile';
import { columnTargetSchema, type ColumnTarget } from '@/core/formats/csv/mapping';
import { settingsSchema, type Settings } from '@/core/model/settings';
import { writing, type Database } from './database';

export async function readHandFigures(db: Database): Promise<HandFigure[]> {
  const rows = await db.selectFrom('part_figures').selectAll().orderBy('part_id').orderBy('field').execute();
  return rows.map((row) =>
    handFigureSchema.parse({ part: row.part_id, field: row.field, value: JSON.parse(row.value), at: row.at }),
  );
}

export async function readOwned(db: Database): Promise<Owned[]> {
  const rows = await db.selectFrom('owned').selectAll().orderBy('id').execute();
  return z.array(ownedSchema).parse(rows.map((row) => JSON.parse(row.spec) as unknown));
}

/** Where columns of tables of this kind went before, by heading. */
export async function rememberedColumns(db: Database, kind: string): Promise<Map<string, ColumnTarget>> {
  const rows = await db.selectFrom('column_choices').selectAll().where('kind', '=', kind).execute();
  return new Map(rows.map((row) => [row.header, columnTargetSchema.parse(JSON.parse(row.target))]));
}

export async function rememberColumns(
  db: Database,
  kind: string,
  targets: readonly ColumnTarget[],
  at: string,
): Promise<void> {
  await writing(db, async (trx) => {
    for (const target of targets) {
      const row = { kind, header: target.header, target: JSON.stringify(target), at };
      await trx
        .insertInto('column_choices')
        .values(row)
        .onConflict((oc) => oc.columns(['kind', 'header']).doUpdateSet({ target: row.target, at }))
        .execute();
    }
  });
}

const SETTINGS = 'settings';

export async function readSettings(db: Database): Promise<Settings> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', SETTINGS).executeTakeFirst();
  return settingsSchema.parse(row ? JSON.parse(row.value) : {});
}

export async function writeSettings(db: Database, settings: Settings): Promise<void> {
  const value = JSON.stringify(settings);
  await writing(db, (trx) =>
    trx
      .insertInto('meta')
      .values({ key: SETTINGS, value })
      .onConflict((oc) => oc.column('key').doUpdateSet({ value }))
      .execute(),
  );
}
