import { readFileSync } from 'node:fs';
import { readCatalogue } from '@/core/formats/catalogue';
import { feedServer } from './server';
import { worldOf } from './world';

/** Starts the simulated price feed on loopback. Use: tsx src/standins/feed/main.ts CATALOGUE_FILE PORT */
const [file, port] = process.argv.slice(2);
if (!file || !port) {
  console.error('use: main.ts CATALOGUE_FILE PORT');
  process.exit(2);
}
const read = readCatalogue(readFileSync(file, 'utf8'));
if (!read.ok) {
  console.error(`${file} is no catalogue: ${read.problems[0]?.path ?? ''} ${read.problems[0]?.message ?? ''}`);
  process.exit(2);
}
// one shop is down, one breaks off at first and one has a broken line, so that what happens then can be seen
feedServer(worldOf(read.value), { 'tidewrack-surplus': 'outage', kelpline: 'half', 'dockside-parts': 'malformed' })
  .on('error', (error) => {
    console.error(`the simulated price feed cannot start on port ${port}: ${error.message}`);
    process.exit(1);
  })
  .listen(Number(port), '127.0.0.1', () => console.log(`simulated price feed at http://127.0.0.1:${port}`));
