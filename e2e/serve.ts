// Starts the apps that browser tests are run on, each with a price feed and a copy of the demo database of its own.
// Use: node --import tsx e2e/serve.ts PORT …; ends when one of them does.
import { spawn, type ChildProcess } from 'node:child_process';
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
  const made = demo
    .prepare<[], { port: number; folder: string }>(
      "SELECT value ->> '$.sources.loopbackPorts[0]' AS port, value ->> '$.sources.folder' AS folder FROM meta WHERE key = 'settings'",
    )
    .get();
  if (!made) throw new Error('the demo database has no settings');
  demo
    .prepare(
      "UPDATE meta SET value = json_set(value, '$.sources.loopbackPorts[0]', ?, '$.sources.folder', ?) WHERE key = 'settings'",
    )
    .run(feedPort(port), feedsOf(db));
  demo
    .prepare('UPDATE sources SET spec = replace(replace(spec, ?, ?), ?, ?)')
    .run(urlOf(made.port), urlOf(feedPort(port)), made.folder, feedsOf(db));
  demo.close();
  copyFileSync(db, origin);
}

const children: ChildProcess[] = [];

function start(args: readonly string[], env: Readonly<Record<string, string>>): void {
  const child = spawn(process.execPath, args, {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  children.push(child);
  child.once('exit', (code) => {
    for (const other of children) other.kill();
    process.exit(code ?? 1);
  });
}

/** Whether something listens at a port. */
const answers = (port: number): Promise<boolean> =>
  new Promise((told) => {
    const probe = connect(port, '127.0.0.1', () => {
      probe.destroy();
      told(true);
    }).once('error', () => told(false));
  });

async function listening(port: number): Promise<void> {
  while (!(await answers(port))) await new Promise((again) => setTimeout(again, 100));
}

const ports = process.argv.slice(2).map(Number);
const all = ports.flatMap((port) => [port, feedPort(port)]);
for (const port of all)
  if (await answers(port)) {
    console.error(`Port ${port} is taken, and the browser tests would look at what is there; end it first.`);
    process.exit(1);
  }
await demoForTests();
for (const port of ports) {
  lay(port);
  const { db, catalogue } = filesOf(port);
  start(['--import', 'tsx', 'src/standins/feed/main.ts', catalogue, String(feedPort(port))], {});
  start(['scripts/serve.mjs', '127.0.0.1', String(port)], { VANE_DB: db });
}
await Promise.all(all.map(listening));
console.log('all apps are there');
