import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/chromium';
import { LANES, urlOf } from './e2e/lanes';

const shots = process.env['VANE_SCREENSHOTS'] === '1';

const lanes = shots ? LANES.slice(0, 1) : LANES;

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
    : lanes.map(({ port, testMatch, testIgnore }) => ({
        name: `stories ${port}`,
        testMatch: [...testMatch],
        testIgnore: [...testIgnore],
        workers: 1,
        use: { baseURL: urlOf(port) },
      })),
  webServer: {
    command: ['node --import tsx e2e/serve.ts', ...lanes.map(({ port }) => port)].join(' '),
    wait: { stdout: /all apps are there/ },
    timeout: 600_000,
  },
});
