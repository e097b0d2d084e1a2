import { existsSync } from 'node:fs';

/** The same browser built without windows: it draws the same pages in three quarters of the time. */
const WITHOUT_WINDOWS = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium without a screen: how tests and benches start it. */
export const CHROMIUM = {
  executablePath: existsSync(WITHOUT_WINDOWS) ? WITHOUT_WINDOWS : '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // letters stand where the browser with windows puts them
    '--font-render-hinting=none',
  ],
};
