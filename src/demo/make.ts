import { writeFileSync, mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { usualSettings } from '@/core/model/settings';
import { saveSettings } from '@/server/desk';
import { demoCatalogue } from './catalogue';
import { demoNews, demoPrices } from './prices';
import { demoQuotes } from './quotes';
import { benchBrief, benchDrafts, demoSeats } from './ninefathom';
import { DEMO_TODAY } from './seed';
import { importFile } from '@/server/import/importFile';
import { addDemoSeat } from '@/server/seats';
import { fixDemoDay, openService } from '@/server/service';

/** Where the made-up sellers answer beside the demo. */
const FEED = 'http://127.0.0.1:4601';

/**
 * Makes the demo database: writes the catalogue as an open file and reads it back through the importer.
 * Use: tsx src/demo/make.ts DATABASE CATALOGUE_FILE
 */
async function main(): Promise<void> {
  const [database, file] = process.argv.slice(2);
  if (!database || !file) throw new Error('use: make.ts DATABASE CATALOGUE_FILE');
  const text = `${JSON.stringify(demoCatalogue(), null, 1)}\n`;
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, text);
  const service = openService(database);
  const result = await importFile(service, { format: 'catalogue', path: file, name: 'Ninefathom demo catalogue' });
  if (result.state !== 'written') {
    for (const problem of result.dryRun.problems) console.error(`${problem.path} ${problem.message}`);
    process.exitCode = 2;
  } else {
    await fixDemoDay(service, DEMO_TODAY);
    const project = { projectId: 'ninefathom', projectName: 'Ninefathom Survey Cooperative' };
    for (const seat of demoSeats()) await addDemoSeat(service, { ...project, ...seat });
    await addDemoSeat(service, {
      projectId: 'quillstone',
      projectName: 'Quillstone Workshop',
      seatId: 'proving-bench',
      seatName: 'Proving bench',
      brief: benchBrief(),
      drafts: benchDrafts(),
    });
    const { data } = await service.catalogue();
    const folder = resolve(database.replace(/\.db$/, '-feeds'));
    await saveSettings(service, {
      ...usualSettings,
      tariffMinorPerKWh: '18.5',
      sources: { loopbackPorts: [Number(new URL(FEED).port)], hosts: [], folder },
    });
    const points = await demoPrices(service, data, { feed: FEED, folder });
    await demoQuotes(service);
    await demoNews(service, new Map(data.parts.map((part) => [part.id as string, part.kind])));
    await fixDemoDay(service, DEMO_TODAY);
    console.log(`demo database made: ${result.dryRun.read} catalogue entries, ${points} prices by day`);
  }
  await service.close();
}

await main();
