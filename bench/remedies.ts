import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium } from '@playwright/test';

/**
 * Remedies in the browser: from opening a draft to the last of its findings having its remedies, against opening the
 * page itself. Needs a build (`npm run build`) and the demo database in .cache (`npm run demo` makes it).
 */
const PORT = 4654;
const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)],
  {
    env: { ...process.env, VANE_DB: process.env['VANE_DB'] ?? '.cache/demo.db', NEXT_TELEMETRY_DISABLED: '1' },
    stdio: 'ignore',
  },
);
for (let left = 60; left > 0; left--) {
  const up = await fetch(`http://127.0.0.1:${PORT}/`).then(
    (response) => response.ok,
    () => false,
  );
  if (up) break;
  await new Promise((resolve) => setTimeout(resolve, 500));
}
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const median = (list: number[]): number => list.sort((a, b) => a - b)[list.length >> 1] ?? NaN;
for (const seat of ['film-desk', 'sea-floor-mosaics']) {
  const opened: number[] = [];
  const shown: number[] = [];
  for (let i = 0; i < 6; i++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const started = performance.now();
    await page.goto(`http://127.0.0.1:${PORT}/ninefathom/${seat}/draft`);
    await page.getByRole('article').first().waitFor();
    const open = performance.now();
    await page.waitForFunction(() => !document.body.innerText.includes('Trying remedies'), undefined, {
      timeout: 60_000,
      polling: 20,
    });
    // the first round warms caches of server and browser
    if (i > 0) {
      opened.push(open - started);
      shown.push(performance.now() - open);
    }
    await page.close();
  }
  const [open, all] = [median(opened), median(shown)];
  console.log(
    `${seat.padEnd(20)} opened ${open.toFixed(0)} ms, all remedies ${all.toFixed(0)} ms later   ${(all / open).toFixed(2)} × opening`,
  );
}
await browser.close();
server.kill();
await once(server, 'exit');
