// Starts the apps that browser tests are run on, each with a price feed and a copy of the demo database of its own.
// Use: node --import tsx e2e/serve.ts PORT …; ends when one of them does.
import { spawn } from 'node:child_process';
import { copyFileSync, cpSync, mkdirSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { dirname, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { DEMO, demoForTests } from '../scripts/prepare.mjs';
import { filesOf, urlOf } from './lanes';

/** The made-up sellers of an app answer beside it. */
const feedPort = (port: number): number => port + 1;
const feedsOf = (db: string): string => resolve(db.replace(/\.db$/, '-feeds'));

/** Copies the demo into the place of an app, with its own feed in it and nothing else changed. */
function lay(port: number): void {
  const { db, origin, catalogue } = filesOf(port);
  rmSync(dirname(db), { recursive: true, force: true });
  mkdirSync(dirname(db), { recursive: true });
  copyFileSync(DEMO.db, db);
  copyFileSync(DEMO.catalogue, catalogue);
  cpSync(feedsOf(DEMO.db), feedsOf(db), { recursive: true });
  const demo = new Database(db);
  const [from, to] = [feedsOf(DEMO.db), feedsOf(db)];
  demo
    .prepare(
      "UPDATE meta SET value = json_set(value, '$.sources.loopbackPorts[0]', ?, '$.sources.folder', ?) WHERE key = 'settings'",
    )
    .run(feedPort(port), to);
  demo
    .prepare('UPDATE sources SET spec = replace(replace(spec, ?, ?), ?, ?)')
    .run(DEMO.feed, urlOf(feedPort(port)), from, to);
  demo.close();
  copyFileSync(db, origin);
}

function start(args: readonly string[], env: Readonly<Record<string, string>>): void {
  const child = spawn(process.execPath, args, {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  child.once('exit', (code) => process.exit(code ?? 1));
}

/** Comes when something listens at a port. */
async function listening(port: number): Promise<void> {
  for (;;) {
    const open = await new Promise<boolean>((told) => {
      const probe = connect(port, '127.0.0.1', () => told(true)).once('error', () => told(false));
      probe.once('connect', () => probe.destroy());
    });
    if (open) return;
    await new Promise((again) => setTimeout(again, 100));
  }
}

await demoForTests();
const ports = process.argv.slice(2).map(Number);
for (const port of ports) {
  lay(port);
  const { db, catalogue } = filesOf(port);
  start(['--import', 'tsx', 'src/standins/feed/main.ts', catalogue, String(feedPort(port))], {});
  start(['scripts/serve.mjs', '127.0.0.1', String(port)], { VANE_DB: db });
}
await Promise.all(ports.map(listening));
console.log('all apps are there');
