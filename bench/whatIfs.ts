import { openApp } from './app';

/**
 * What-ifs in the page's worker while the page draws: opens the film desk, lets the worker try swaps of draft after
 * draft until a thousand are tried, and counts frames of the page meanwhile, against frames of the page at rest.
 * Started by `npm run bench whatIfs`.
 */
const { browser, address, close } = await openApp(4652);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

/** Frames a second and the longest wait for one, ms, while something goes on. */
async function frames(during: () => Promise<void>): Promise<{ perS: number; longestMs: number }> {
  // as text: the loader's helpers for names do not exist in the page
  await page.evaluate(`
    globalThis.vaneFrames = { times: [], on: true };
    requestAnimationFrame(function tick(now) {
      globalThis.vaneFrames.times.push(now);
      if (globalThis.vaneFrames.on) requestAnimationFrame(tick);
    });
  `);
  await during();
  const times = await page.evaluate<number[]>('(globalThis.vaneFrames.on = false, globalThis.vaneFrames.times)');
  const gaps = times.slice(1).map((time, i) => time - (times[i] ?? time));
  const all = (times.at(-1) ?? 0) - (times[0] ?? 0);
  return { perS: (gaps.length / all) * 1000, longestMs: Math.max(...gaps) };
}

const tried = async () => {
  const line = page.getByText(/swaps and additions tried/);
  await line.waitFor({ timeout: 120_000 });
  return Number(/(\d[\d,]*) swaps/.exec((await line.textContent()) ?? '')?.[1]?.replaceAll(',', ''));
};

await page.goto(`${address}/ninefathom/film-desk/weigh`);
await tried();
const rest = await frames(() => page.waitForTimeout(3000));
let count = 0;
const busy = await frames(async () => {
  for (const draft of ['Draft B', 'Present machine', 'Draft A', 'Draft B', 'Present machine']) {
    await page.getByRole('button', { name: draft, exact: true }).first().click();
    await page
      .getByText('Trying every single swap')
      .waitFor({ timeout: 5000 })
      .catch(() => undefined);
    count += await tried();
    if (count >= 1000) break;
  }
});
console.log(
  `page at rest                       ${rest.perS.toFixed(1)} frames/s, longest wait ${rest.longestMs.toFixed(0)} ms`,
);
console.log(
  `while ${count} what-ifs are tried      ${busy.perS.toFixed(1)} frames/s, longest wait ${busy.longestMs.toFixed(0)} ms   ${(busy.perS / rest.perS).toFixed(2)} × at rest`,
);
await close();
