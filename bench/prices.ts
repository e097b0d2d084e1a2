import { dayNumber } from '@/core/units/days';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { fitParts } from '@/core/model/fitted';
import { filmBrief, filmDrafts } from '@/demo/ninefathom';
import { demoCatalogue } from '@/demo/catalogue';
import { historyLines } from '@/demo/prices';
import { compileCatalogue } from '@/core/model/catalogue';
import { readCatalogue } from '@/core/formats/catalogue';
import { writeCatalogueFile } from './catalogueFile';
import { importFile } from '@/server/import/importFile';
import { draftHistory } from '@/server/prices/history';
import { importPoints } from '@/server/prices/pointsFile';
import { addDemoSeat } from '@/server/seats';
import { fixDemoDay, openService } from '@/server/service';
import { seatBundle } from '@/server/seatBundle';
import { DEMO_TODAY } from '@/demo/seed';
import { parseBaseline } from './baseline';

/**
 * Import of a million prices by day against bare prepared inserts of the same rows in the same run (aim at most 2.5 ×),
 * and the price history of a machine over 18 months (aim under 50 ms): npx tsx bench/prices.ts
 */
const ROWS = 1_000_000;
const folder = mkdtempSync(join(tmpdir(), 'vane-bench-'));
const seconds = (from: number) => (performance.now() - from) / 1000;

const read = readCatalogue(JSON.stringify(demoCatalogue()));
if (!read.ok) throw new Error('the demo catalogue is wrong');
const kinds = new Map(read.value.parts.map((part) => [part.id as string, part.kind]));

const lines: string[] = [];
let count = 0;
for (const chunk of historyLines(read.value.offers, (part) => kinds.get(part) ?? '')) {
  const rows = chunk.split('\n').filter((row) => row !== '');
  const take = count === 0 ? rows : rows.slice(0, ROWS - count + 1);
  lines.push(...take);
  count += take.length;
  if (count > ROWS) break;
}
const file = join(folder, 'prices.csv');
writeFileSync(file, `${lines.join('\n')}\n`);

const numbers = new Map<string, number>();
const points = lines.slice(1).map((line): [number, number, number | null] => {
  const [offer = '', day = '', price = ''] = line.split(',');
  if (!numbers.has(offer)) numbers.set(offer, numbers.size + 1);
  return [numbers.get(offer) ?? 0, dayNumber(day), price === '' ? null : Math.round(Number(price) * 100)];
});

function bare(): number {
  const sqlite = new SQLite(join(folder, `bare-${Math.random()}.db`));
  sqlite.pragma('journal_mode = WAL');
  sqlite.exec(
    'CREATE TABLE price_points (key INTEGER NOT NULL, day INTEGER NOT NULL, price_minor INTEGER CHECK (price_minor > 0), PRIMARY KEY (key, day)) STRICT, WITHOUT ROWID',
  );
  const insert = sqlite.prepare('INSERT INTO price_points VALUES (?, ?, ?)');
  const from = performance.now();
  sqlite.transaction(() => {
    for (const [key, day, minor] of points) insert.run(key, day, minor);
  })();
  const took = seconds(from);
  sqlite.close();
  return took;
}

const service = openService(join(folder, 'vane.db'));
try {
  const catalogue = join(folder, 'catalogue.json');
  writeCatalogueFile(catalogue);
  await importFile(service, { format: 'catalogue', path: catalogue, name: 'demo' });
  await fixDemoDay(service, DEMO_TODAY);
  const [one, imported, two] = [bare(), await timed(), bare()];
  const plain = (one + two) / 2;
  console.log(
    `${points.length} prices by day: import ${imported.toFixed(2)} s, bare inserts ${plain.toFixed(2)} s, ratio ${(imported / plain).toFixed(2)} (aim at most 2.5)`,
  );
  await addDemoSeat(service, {
    projectId: 'p',
    projectName: 'P',
    seatId: 'film-desk',
    seatName: 'Film desk',
    brief: filmBrief(),
    drafts: filmDrafts(),
  });
  const draft = (await seatBundle(service, 'film-desk'))?.drafts[0]?.id ?? '';
  const times: number[] = [];
  for (let i = 0; i < 21; i++) {
    const from = performance.now();
    const view = await draftHistory(service, 'film-desk', draft);
    times.push(performance.now() - from);
    if (!view || view.minors.length < 500) throw new Error('there is no history');
  }
  times.sort((a, b) => a - b);
  const parts = fitParts(filmDrafts()[0]!, compileCatalogue(read.value)).all.length;
  console.log(
    `price of a machine of ${parts} parts over 18 months: median ${(times[10] ?? 0).toFixed(1)} ms, ${((times[10] ?? 0) / parseBaseline()).toFixed(1)} × JSON.parse of the case file (aim under 50 ms)`,
  );
} finally {
  await service.close();
  rmSync(folder, { recursive: true, force: true });
}

async function timed(): Promise<number> {
  const from = performance.now();
  const { written, problems } = await importPoints(service, file);
  if (written !== points.length) throw new Error(`${problems[0]?.path} ${problems[0]?.message}`);
  return seconds(from);
}
