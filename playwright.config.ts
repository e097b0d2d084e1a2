import { defineConfig } from '@playwright/test';

const shots = process.env['VANE_SCREENSHOTS'] === '1';
const PORT = 4650;

export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  expect: { timeout: 15_000 },
  // one database and one app: tests run one after the other
  workers: 1,
  fullyParallel: false,
  retries: 0,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
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
    },
    trace: 'off',
  },
  projects: shots
    ? [{ name: 'screenshots', testMatch: /screenshots\.shots\.ts/ }]
    : [{ name: 'stories', testMatch: /\.spec\.ts/ }],
  webServer: {
    command: `rm -f .cache/e2e.db .cache/e2e.db-wal .cache/e2e.db-shm && node --import tsx src/demo/make.ts .cache/e2e.db .cache/e2e-catalogue.json && (node --import tsx src/standins/feed/main.ts .cache/e2e-catalogue.json ${PORT + 1} & node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${PORT})`,
    env: { VANE_DB: '.cache/e2e.db', VANE_FEED: `http://127.0.0.1:${PORT + 1}`, NEXT_TELEMETRY_DISABLED: '1' },
    port: PORT,
    timeout: 180_000,
    reuseExistingServer: false,
  },
});
