// npm run demo: installs what is missing, builds when sources changed, makes the demo database, starts the app.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { createServer } from 'node:net';
import { build, ENV, installPackages, makeDemo, rootPath, stop } from './prepare.mjs';

const PORT = Number(process.env.PORT ?? 4600);
const HOST = '127.0.0.1';
// the demo database names this address
const FEED_PORT = 4601;
const MAIL_PORT = 4602;
const MAIL_PAGE_PORT = 4604;

const free = await new Promise((resolve) => {
  const probe = createServer();
  probe.once('error', () => resolve(false));
  probe.listen(PORT, HOST, () => probe.close(() => resolve(true)));
});
if (!free)
  stop(
    `Port ${PORT} on ${HOST} is taken: Vane Scale may be running already at http://${HOST}:${PORT}. Close what uses it, or choose another with PORT=4601 npm run demo.`,
  );

await installPackages();
build();
const database = process.env.VANE_DB ?? rootPath('.data', 'vane.db');
const catalogue = rootPath('.data', 'demo-catalogue.json');
// the demo database is made once; what you change in it stays
if (!existsSync(database)) makeDemo(database, catalogue);
// the sellers of the made-up world, whose prices the app asks for; without them it goes on with what it has
const feed = existsSync(catalogue)
  ? spawn(
      process.execPath,
      ['--import', 'tsx', rootPath('src', 'standins', 'feed', 'main.ts'), catalogue, String(FEED_PORT)],
      { cwd: rootPath(), stdio: ['ignore', 'ignore', 'inherit'], env: ENV },
    )
  : undefined;
// the clients' mailbox, where quotes arrive that are sent
const mailbox = existsSync(catalogue)
  ? spawn(
      process.execPath,
      ['--import', 'tsx', rootPath('src', 'standins', 'mailbox', 'main.ts'), String(MAIL_PORT), String(MAIL_PAGE_PORT)],
      { cwd: rootPath(), stdio: ['ignore', 'ignore', 'inherit'], env: ENV },
    )
  : undefined;
const app = spawn(process.execPath, [rootPath('scripts', 'serve.mjs'), HOST, String(PORT)], {
  cwd: rootPath(),
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...ENV, VANE_DB: database },
});
let said = false;
app.stdout.on('data', (chunk) => {
  if (!said && String(chunk).includes('Ready')) {
    said = true;
    console.log(
      `\nVane Scale runs at http://${HOST}:${PORT} (end it with Ctrl C)\nThe demo data is in ${database}; delete that file to start over.\nQuotes that are sent arrive in the simulated mailbox at http://${HOST}:${MAIL_PAGE_PORT}.`,
    );
  }
});
app.on('exit', (code) => {
  feed?.kill();
  mailbox?.kill();
  process.exit(code ?? 0);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => app.kill(signal));
