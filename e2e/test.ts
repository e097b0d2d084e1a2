import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { test as base } from '@playwright/test';
import { filesOf, portOf } from './lanes';

export { expect, type Locator, type Page } from '@playwright/test';

/** Points by day are a million rows: they are copied only when a test added some. */
const LARGE = 'price_points';

/** Puts the database under the running app back to what it was when it was made; takes some hundredths of a second. */
function restore(port: number): void {
  const { db, origin } = filesOf(port);
  // files that another test gave and nobody went on with
  rmSync(join(dirname(db), 'inbox'), { recursive: true, force: true });
  const live = new Database(db, { timeout: 10_000 });
  try {
    live.pragma('foreign_keys = OFF');
    live.prepare('ATTACH ? AS origin').run(origin);
    const tables = live
      .prepare("SELECT name FROM origin.sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
      .pluck()
      .all() as string[];
    const count = (schema: string) => live.prepare(`SELECT count(*) FROM ${schema}.${LARGE}`).pluck().get();
    const revision = (schema: string) =>
      Number(live.prepare(`SELECT value FROM ${schema}.meta WHERE key = 'catalogue-revision'`).pluck().get());
    // it takes the pen at once: a reader that would become a writer is turned away without waiting
    const guards = live.prepare("SELECT name, sql FROM main.sqlite_master WHERE type = 'trigger'").all() as {
      readonly name: string;
      readonly sql: string;
    }[];
    const all = live.transaction(() => {
      // what went out is guarded against every change, this one too
      for (const { name } of guards) live.exec(`DROP TRIGGER main.${name}`);
      const [now, before] = [revision('main'), revision('origin')];
      for (const table of tables)
        if (table !== LARGE || count('main') !== count('origin')) {
          live.exec(`DELETE FROM main.${table}`);
          live.exec(`INSERT INTO main.${table} SELECT * FROM origin.${table}`);
        }
      for (const { sql } of guards) live.exec(sql);
      // the app knows a catalogue by its revision: one that was changed does not come back under an old number
      if (now !== before)
        for (const schema of ['main', 'origin'])
          live.prepare(`UPDATE ${schema}.meta SET value = ? WHERE key = 'catalogue-revision'`).run(String(now + 1));
    });
    all.immediate();
  } finally {
    live.close();
  }
}

/** Every test begins with the demo as it was made, whatever the one before has done. */
export const test = base.extend<{ fresh: undefined }>({
  fresh: [
    async ({ baseURL }, use) => {
      restore(portOf(baseURL));
      await use(undefined);
    },
    { auto: true },
  ],
});
