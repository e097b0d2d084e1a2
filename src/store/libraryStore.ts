import { readJson, readRow, unheard, type OnAside } from './aside';
import { handFigureSchema, ownedSchema, type HandFigure, type Owned } from '@/core/formats/projectFile';
import { columnTargetSchema, type ColumnTarget } from '@/core/formats/csv/mapping';
import { settingsSchema, usualSettings, type Settings } from '@/core/model/settings';
import { writing, type Database } from './database';

export async function readHandFigures(db: Database): Promise<HandFigure[]> {
  const rows = await db.selectFrom('part_figures').selectAll().orderBy('part_id').orderBy('field').execute();
  // one that cannot be read is told by the part that it lies over
  return rows.flatMap(({ part_id: part, field, value, at }) => {
    const read = readJson(value, handFigureSchema.shape.value);
    return 'value' in read ? (handFigureSchema.safeParse({ part, field, value: read.value, at }).data ?? []) : [];
  });
}

export async function readOwned(db: Database, aside: OnAside = unheard): Promise<Owned[]> {
  const rows = await db.selectFrom('owned').selectAll().orderBy('id').execute();
  return rows.flatMap(({ id, spec }) => readRow('owned', { id, text: spec }, ownedSchema, aside));
}

/** Where columns of tables of this kind went before, by heading. */
export async function rememberedColumns(db: Database, kind: string): Promise<Map<string, ColumnTarget>> {
  const rows = await db.selectFrom('column_choices').selectAll().where('kind', '=', kind).execute();
  // what is no column any more is chosen anew
  return new Map(
    rows.flatMap(({ header, target }) => {
      const read = readJson(target, columnTargetSchema);
      return 'value' in read ? [[header, read.value] as const] : [];
    }),
  );
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

/** The workshop's settings; the usual ones where they cannot be read. */
export async function readSettings(db: Database, aside: OnAside = unheard): Promise<Settings> {
  const row = await db.selectFrom('meta').select('value').where('key', '=', SETTINGS).executeTakeFirst();
  const [settings] = row ? readRow('settings', { id: SETTINGS, text: row.value }, settingsSchema, aside) : [];
  return settings ?? usualSettings;
}

export async function writeSettings(db: Database, settings: Settings): Promise<void> {
  const value = JSON.stringify(settingsSchema.parse(settings));
  await writing(db, (trx) =>
    trx
      .insertInto('meta')
      .values({ key: SETTINGS, value })
      .onConflict((oc) => oc.column('key').doUpdateSet({ value }))
      .execute(),
  );
}
