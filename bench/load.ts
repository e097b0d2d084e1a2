// Twenty clients at once on every page of a running app with the demo data: median and 95th percentile of each page, and
// the memory of the app after a thousand loads against that after the first hundred.
// Use: npx tsx bench/load.ts [ADDRESS] [PID OF THE APP]
import { readFileSync } from 'node:fs';

const [base = 'http://127.0.0.1:4600', pid] = process.argv.slice(2);
const CLIENTS = 20;
const EACH = 5;
const seat = '/ninefathom/film-desk';
const pages = [
  '/',
  '/workshop',
  '/library',
  ...['brief', 'draft', 'weigh', 'rivals', 'buy'].map((s) => `${seat}/${s}`),
];

/** As a browser asks that opens an address. */
const AS_BROWSER = { accept: 'text/html', 'accept-encoding': 'gzip' };

async function load(path: string): Promise<number> {
  const began = performance.now();
  const answer = await fetch(base + path, { headers: AS_BROWSER });
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
  return performance.now() - began;
}

/** Resident memory of the app, MB; unknown when its process is not told. */
const memoryMB = (): number | undefined => {
  if (pid === undefined) return undefined;
  const kB = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
  return kB === undefined ? undefined : Number(kB) / 1024;
};

/** Twenty clients, each opening page after page: all the same one, or each the next in turn. */
for (const path of [...pages, undefined]) {
  const page = (turn: number) => path ?? pages[turn % pages.length] ?? '/';
  await load(page(0));
  const times: number[] = [];
  await Promise.all(
    Array.from({ length: CLIENTS }, async (_, client) => {
      for (let i = 0; i < EACH; i++) times.push(await load(page(client + i)));
    }),
  );
  times.sort((a, b) => a - b);
  const at = (share: number) => (times[Math.floor(share * (times.length - 1))] ?? 0).toFixed(0);
  console.log(`${(path ?? 'each another page').padEnd(28)} median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms`);
}
for (let i = 0; i < 100; i++) await load(pages[i % pages.length] ?? '/');
const first = memoryMB();
for (let i = 0; i < 1000; i++) await load(pages[i % pages.length] ?? '/');
const last = memoryMB();
if (first !== undefined && last !== undefined)
  console.log(
    `memory ${first.toFixed(0)} MB, after 1,000 loads more ${last.toFixed(0)} MB (× ${(last / first).toFixed(2)})`,
  );
