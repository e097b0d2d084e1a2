import { mkdtempSync, rmSync, statSync, writeFileSync, createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { writeSheet } from '@/core/formats/csv/sheets';
import type { Part } from '@/core/parts';
import { demoCatalogue } from '@/demo/catalogue';
import { checkFile } from '@/server/import/check';
import { importFile, writeChecked } from '@/server/import/importFile';
import type { ImportRequest } from '@/server/import/request';
import { tableRequest } from '@/server/import/tableRequest';
import { openService } from '@/server/service';

/**
 * Import of a catalogue of 100,000 parts against bare prepared inserts of the same rows in the same run, and the memory
 * of importing a long table: npx tsx bench/import.ts [parts] [rows of the long table]
 */
const [PARTS = 100_000, LONG_ROWS = 1_000_000] = process.argv.slice(2).map(Number);
const folder = mkdtempSync(join(tmpdir(), 'vane-bench-'));
const seconds = (from: number) => (performance.now() - from) / 1000;

function bareInserts(
  parts: readonly { id: string; kind: string; maker: string; name: string; spec: string }[],
): number {
  const sqlite = new SQLite(join(folder, 'bare.db'));
  sqlite.pragma('journal_mode = WAL');
  sqlite.exec(
    'CREATE TABLE parts (id TEXT PRIMARY KEY, kind TEXT NOT NULL, maker TEXT NOT NULL, name TEXT NOT NULL, spec TEXT NOT NULL) STRICT; CREATE INDEX parts_by_kind ON parts (kind, maker, name);',
  );
  const insert = sqlite.prepare('INSERT INTO parts VALUES (?, ?, ?, ?, ?)');
  const from = performance.now();
  sqlite.transaction(() => {
    for (const part of parts) insert.run(part.id, part.kind, part.maker, part.name, part.spec);
  })();
  const took = seconds(from);
  sqlite.close();
  return took;
}

/** A table of drives as long as asked for, written line by line. */
async function longTable(path: string, rows: number, drives: readonly Part[]): Promise<void> {
  const lines = [...writeSheet('drive', drives)];
  const out = createWriteStream(path);
  out.write(lines[0] ?? '');
  for (let i = 0; i < rows; i++) {
    // a name and an id of its own for every row
    const line = (lines[1 + (i % drives.length)] ?? '').replace(/^([^,]+),([^,]+),([^,]+)/, `$1.${i},$2,$3 run ${i}`);
    if (!out.write(line)) await once(out, 'drain');
  }
  out.end();
  await once(out, 'finish');
}

async function main(): Promise<void> {
  const catalogue = { ...demoCatalogue(PARTS), offers: [], rivals: [] } as unknown as {
    parts: { id: string; kind: string; maker: string; name: string }[];
  };
  const path = join(folder, 'catalogue.json');
  writeFileSync(path, JSON.stringify(catalogue));
  const rows = catalogue.parts.map((part) => ({
    id: part.id,
    kind: part.kind,
    maker: part.maker,
    name: part.name,
    spec: JSON.stringify(part),
  }));
  console.log(`catalogue: ${rows.length} parts, ${(statSync(path).size / 1e6).toFixed(0)} MB`);
  const bare = bareInserts(rows);
  console.log(`bare prepared inserts                ${bare.toFixed(2)} s   1.0 ×`);
  const service = openService(join(folder, 'import.db'));
  const request: ImportRequest = { format: 'catalogue', path, name: 'bench' };
  const staging = join(folder, 'staging.db');
  let from = performance.now();
  const dryRun = await checkFile(service.db, service.path, request, staging);
  const checked = seconds(from);
  if (dryRun.problemCount > 0) throw new Error(JSON.stringify(dryRun.problems[0]));
  from = performance.now();
  await writeChecked(service, request, staging, dryRun.revision);
  const written = seconds(from);
  const line = (what: string, took: number) =>
    console.log(`${what.padEnd(36)} ${took.toFixed(2)} s   ${(took / bare).toFixed(1)} ×`);
  line('reading and checking', checked);
  line('writing what was checked', written);
  line('import in all', checked + written);
  from = performance.now();
  await importFile(service, request);
  line('the same file again (nothing to do)', seconds(from));

  if (LONG_ROWS > 0) {
    const table = join(folder, 'long.csv');
    const { data } = await service.catalogue();
    await longTable(table, LONG_ROWS, data.parts.filter((part) => part.kind === 'drive').slice(0, 50));
    const made = await tableRequest(service, table, { kind: 'drive', map: [], all: [] });
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    await service.close();
    // a process of its own, so that its memory is its own
    const job = join(folder, 'job.json');
    writeFileSync(
      job,
      JSON.stringify({
        database: join(folder, 'import.db'),
        staging: join(folder, 'long.staging'),
        request: { format: 'csv', path: table, name: 'long', csv: made.value.request },
      }),
    );
    from = performance.now();
    const run = spawnSync(
      '/usr/bin/env',
      [
        'bash',
        '-c',
        `ulimit -v unlimited; exec node bin/vane.mjs job ${job} & pid=$!; peak=0; while kill -0 $pid 2>/dev/null; do now=$(awk '/VmHWM/ {print $2}' /proc/$pid/status 2>/dev/null); [ -n "$now" ] && peak=$now; sleep 0.2; done; echo "peak $peak"`,
      ],
      { encoding: 'utf8', maxBuffer: 1 << 26 },
    );
    const took = seconds(from);
    const peak = Number(/peak (\d+)/.exec(run.stdout)?.[1] ?? NaN) / 1024;
    const said = /"problemCount":(\d+).*"read":(\d+)/.exec(run.stdout);
    console.log(
      `table of ${LONG_ROWS} rows, ${(statSync(table).size / 1e6).toFixed(0)} MB: checked in ${took.toFixed(0)} s (${said?.[2] ?? '?'} read, ${said?.[1] ?? '?'} problems), peak memory ${peak.toFixed(0)} MiB`,
    );
  } else await service.close();
  rmSync(folder, { recursive: true, force: true });
}

await main();
