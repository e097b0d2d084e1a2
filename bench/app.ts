import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM } from '../e2e/chromium';

/** The built app on the demo database, and a browser to look at it with. */
export interface App {
  readonly browser: Browser;
  readonly address: string;
  readonly close: () => Promise<void>;
}

/** Starts both; needs a build (`npm run build`) and the demo database in .cache (`npm run demo` makes it). */
export async function openApp(port: number): Promise<App> {
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(port)], {
    env: { ...process.env, VANE_DB: process.env['VANE_DB'] ?? '.cache/demo.db', NEXT_TELEMETRY_DISABLED: '1' },
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
