import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/chromium';

const shots = process.env['VANE_SCREENSHOTS'] === '1';

/** About half of the tests by the time they take; whatever is not named here is the other half. */
const FIRST = ['stations', 'library', 'files', 'story'].map((name) => `**/${name}.spec.ts`);

/** Two apps side by side, each with a database of its own: tests of one run one after the other. */
const LANES = [
  { port: 4650, testMatch: FIRST, testIgnore: [] },
  { port: 4660, testMatch: ['**/*.spec.ts'], testIgnore: FIRST },
] as const;

/** Makes a demo database and starts the price feed and the app on it. */
const served = (port: number) => {
  const db = `.cache/e2e-${port}.db`;
  const catalogue = `.cache/e2e-${port}.json`;
  return {
    command: `rm -f ${db} ${db}-wal ${db}-shm && node --import tsx src/demo/make.ts ${db} ${catalogue} && (node --import tsx src/standins/feed/main.ts ${catalogue} ${port + 1} & node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port})`,
    env: { VANE_DB: db, VANE_FEED: `http://127.0.0.1:${port + 1}`, NEXT_TELEMETRY_DISABLED: '1' },
    port,
    timeout: 180_000,
    reuseExistingServer: false,
  };
};

export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  expect: { timeout: 15_000 },
  workers: LANES.length,
  fullyParallel: false,
  retries: 0,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    trace: 'off',
  },
  projects: shots
    ? [
        {
          name: 'screenshots',
          testMatch: /screenshots\.shots\.ts/,
          use: { baseURL: `http://127.0.0.1:${LANES[0].port}` },
        },
      ]
    : LANES.map(({ port, testMatch, testIgnore }) => ({
        name: `stories ${port}`,
        testMatch: [...testMatch],
        testIgnore: [...testIgnore],
        workers: 1,
        use: { baseURL: `http://127.0.0.1:${port}` },
      })),
  webServer: (shots ? LANES.slice(0, 1) : LANES).map(({ port }) => served(port)),
});
