import type { Page } from '@playwright/test';
import { openApp } from './app';

/**
 * From input to paint on the film desk, as the browser's Event Timing says it (to 8 ms, what is under 16 ms counts as
 * 16): what somebody does in a sitting of some minutes, over and over. Beside it an interaction of a page that does
 * nothing, so that a busy machine shows. Started by `npm run bench paint`.
 */
const ROUNDS = 5;
/** The least that the browser tells, ms. */
const LEAST_MS = 16;

/** Collects the longest event of each interaction in `window.paints`. */
const observe = () => {
  const longest = new Map<number, number>();
  Object.assign(window, { paints: longest });
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries() as (PerformanceEntry & { interactionId: number })[])
      if (entry.interactionId > 0)
        longest.set(entry.interactionId, Math.max(longest.get(entry.interactionId) ?? 0, entry.duration));
  }).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit);
};

const collected = (page: Page): Promise<number[]> =>
  page.evaluate(() => [...(window as unknown as { paints: Map<number, number> }).paints.values()]);

const percentile = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.ceil(share * list.length) - 1] ?? LEAST_MS;

const settled = async (page: Page) => {
  await page.getByText(/saved, revision/).waitFor();
  await page.waitForTimeout(250);
};

const press = async (page: Page, key: string, times: number) => {
  for (let i = 0; i < times; i++) {
    await page.keyboard.press(key);
    await page.waitForTimeout(120);
  }
};

/** What is done, and how many interactions it is. */
const DEEDS: readonly (readonly [string, (page: Page, at: string) => Promise<number>])[] = [
  [
    'walk the tray of graphics cards',
    async (page, at) => {
      await page.goto(`${at}/draft`);
      await settled(page);
      await page
        .getByRole('button', { name: /^Palisar Gale 12, / })
        .first()
        .click();
      await page.getByRole('listbox').first().waitFor();
      await page.getByRole('listbox').first().focus();
      await press(page, 'ArrowDown', 8);
      await press(page, 'Escape', 1);
      return 10;
    },
  ],
  [
    'change values of the brief',
    async (page, at) => {
      await page.goto(`${at}/brief`);
      await settled(page);
      for (const hours of ['23', '22']) {
        await page
          .getByRole('button', { name: /^Hours a week: / })
          .first()
          .click();
        await page.getByRole('textbox', { name: 'Hours a week' }).fill(hours);
        await page.keyboard.press('Enter');
        await settled(page);
      }
      return 6;
    },
  ],
  [
    'walk the stations',
    async (page, at) => {
      await page.goto(`${at}/brief`);
      for (const station of ['Draft', 'Weigh', 'Rivals', 'Buy', 'Brief']) {
        await page.getByRole('link', { name: station, exact: true }).click();
        await settled(page);
      }
      return 5;
    },
  ],
];

const { browser, address, close } = await openApp(4655);
const all: number[] = [];
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(observe);
for (const [name, deed] of DEEDS) {
  const took: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const made = await deed(page, `${address}/ninefathom/film-desk`);
    // the first round warms caches of server and browser
    if (round === 0) continue;
    const told = await collected(page);
    // those that the browser does not tell took less than it tells
    took.push(...told, ...Array.from({ length: Math.max(0, made - told.length) }, () => LEAST_MS));
  }
  all.push(...took);
  console.log(
    `${name.padEnd(34)} ${took.length} interactions, median ${percentile(took, 0.5)} ms, 95 % ${percentile(took, 0.95)} ms, longest ${Math.max(...took)} ms`,
  );
}
const blank = await browser.newPage();
await blank.setContent('<button onclick="this.textContent = Math.random()">nothing</button>');
await blank.evaluate(observe);
for (let i = 0; i < 20; i++) await blank.getByRole('button').click();
await blank.waitForTimeout(300);
const idle = await collected(blank);
const still = percentile([...idle, ...Array.from({ length: Math.max(0, 20 - idle.length) }, () => LEAST_MS)], 0.95);
console.log(
  `all: 95 % ${percentile(all, 0.95)} ms, ${(percentile(all, 0.95) / still).toFixed(1)} × a button that does nothing (${still} ms)`,
);
await close();
