import { openApp } from './app';

/**
 * Remedies in the browser: from opening a draft to the last of its findings having its remedies, against opening the
 * page itself. Started by `npm run bench remedies`.
 */
const { browser, address, close } = await openApp(4654);
const median = (list: number[]): number => list.sort((a, b) => a - b)[list.length >> 1] ?? NaN;
for (const seat of ['film-desk', 'sea-floor-mosaics']) {
  const opened: number[] = [];
  const shown: number[] = [];
  for (let i = 0; i < 6; i++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const started = performance.now();
    await page.goto(`${address}/ninefathom/${seat}/draft`);
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
await close();
