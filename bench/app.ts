import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { chromium, type Browser, type Page } from '@playwright/test';
import { CHROMIUM } from '../e2e/chromium';

/** The built app on the demo database, and a browser to look at it with. */
export interface App {
  readonly browser: Browser;
  readonly address: string;
  readonly close: () => Promise<void>;
}

/**
 * Starts both; needs a build and the demo database in `VANE_DB`: `npm run bench NAME` makes them.
 * @throws Error when one is missing: an empty database is not measured
 */
export async function openApp(port: number): Promise<App> {
  const database = process.env['VANE_DB'];
  if (!database || !existsSync(database)) throw new Error('there is no demo database; start this by `npm run bench`');
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(port)], {
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: 'ignore',
  });
  for (let left = 60; left > 0; left--) {
    const up = await fetch(address).then(
      (response) => response.ok,
      () => false,
    );
    if (up) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  const browser = await chromium.launch(CHROMIUM);
  return {
    browser,
    address,
    close: async () => {
      await browser.close();
      server.kill();
      await once(server, 'exit');
    },
  };
}

/** Ways about a seat's pages, as a user goes them. */
export const about = (page: Page) => {
  const station = (name: string) => page.getByRole('link', { name, exact: true }).click();
  return {
    region: (name: string) => page.getByRole('region', { name, exact: true }),
    station,
    draft: async (name: string): Promise<void> => {
      await station('Draft');
      await page.getByRole('button', { name, exact: true }).first().click();
    },
  };
};
