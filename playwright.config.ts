import { dirname } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/chromium';
import { filesOf, LANES, urlOf } from './e2e/lanes';

const shots = process.env['VANE_SCREENSHOTS'] === '1';

/** Makes a demo database and starts the price feed and the app on it. */
const served = (port: number) => {
  const { db, origin, catalogue } = filesOf(port);
  const folder = dirname(db);
  return {
    command: `rm -rf ${folder} && mkdir -p ${folder} && node --import tsx src/demo/make.ts ${db} ${catalogue} && cp ${db} ${origin} && (node --import tsx src/standins/feed/main.ts ${catalogue} ${port + 1} & node scripts/serve.mjs 127.0.0.1 ${port})`,
    env: { VANE_DB: db, VANE_FEED: urlOf(port + 1), NEXT_TELEMETRY_DISABLED: '1' },
    port,
    timeout: 600_000,
    reuseExistingServer: false,
  };
};

export default defineConfig({
  testDir: 'e2e',
  // a machine that is shared gives a third of itself at times: what hangs is told later, nothing passes that should not
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: LANES.length,
  fullyParallel: false,
  // the machine may be shared and slow: what passes only at the second try is listed as flaky, and looked into
  retries: 1,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    // an action that waits for what never comes is told with its place
    actionTimeout: 60_000,
    // a menu that grows under the pointer is pressed beside what was meant; with motion the whole way is gone by mouse once
    contextOptions: { reducedMotion: 'reduce' },
    trace: 'off',
  },
  projects: shots
    ? [
        {
          name: 'screenshots',
          testMatch: /screenshots\.shots\.ts/,
          use: { baseURL: urlOf(LANES[0].port) },
        },
      ]
    : LANES.map(({ port, testMatch, testIgnore }) => ({
        name: `stories ${port}`,
        testMatch: [...testMatch],
        testIgnore: [...testIgnore],
        workers: 1,
        use: { baseURL: urlOf(port) },
      })),
  webServer: (shots ? LANES.slice(0, 1) : LANES).map(({ port }) => served(port)),
});
