import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as after } from 'node:timers/promises';
import { draftMenu, settled } from './helpers';
import { filesOf, portOf, urlOf } from './lanes';
import { expect, test as base, type Page } from './test';

/** An app that the test may stop and start, on a copy of the demo. */
interface OwnApp {
  readonly url: string;
  readonly db: string;
  start(): Promise<void>;
  stop(): Promise<void>;
  /** Runs `vane`; gives what it says. */
  vane(...args: string[]): string;
}

function ownApp(port: number, origin: string): OwnApp {
  const folder = `.cache/e2e-${port}`;
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const db = `${folder}/app.db`;
  copyFileSync(origin, db);
  const env = { ...process.env, VANE_DB: db, NEXT_TELEMETRY_DISABLED: '1' };
  const url = urlOf(port);
  let child: ChildProcess | undefined;
  return {
    url,
    db,
    start: async () => {
      child = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(port)], { env, stdio: 'ignore' });
      for (let tries = 0; ; tries++)
        try {
          await fetch(url);
          return;
        } catch (error) {
          if (tries > 100) throw error;
          await after(200);
        }
    },
    stop: () =>
      new Promise((resolve) => {
        if (child?.exitCode !== null) return resolve();
        child.once('close', () => resolve());
        child.kill('SIGTERM');
      }),
    vane: (...args) => execFileSync(process.execPath, ['bin/vane.mjs', ...args], { env, encoding: 'utf8' }),
  };
}

const test = base.extend<{ app: OwnApp }>({
  app: async ({ baseURL }, use) => {
    const port = portOf(baseURL);
    const app = ownApp(port + 2, filesOf(port).origin);
    await app.start();
    await use(app);
    await app.stop();
  },
});

// the app is started twice, and a database with a million prices is copied and checked three times
test.describe.configure({ timeout: 240_000 });

const DRAFT = '/ninefathom/film-desk/draft';
const draft = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

async function rename(page: Page, name: string): Promise<void> {
  await draftMenu(page, 'Rename …');
  const field = page.getByLabel('Name of the draft', { exact: true });
  await field.fill(name);
  await field.press('Enter');
}

test('the app is stopped under an edit that is not saved, and started again: the edit is saved', async ({
  page,
  app,
}) => {
  await page.goto(app.url + DRAFT);
  await settled(page);
  // dialogs to edit with are fetched once the page has rested
  await page.waitForFunction(() => {
    const [navigation] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
    const rested = (navigation?.loadEventEnd ?? Infinity) + 2500;
    const late = (performance.getEntriesByType('resource') as PerformanceResourceTiming[]).filter(
      ({ initiatorType, startTime }) => initiatorType === 'script' && startTime > rested,
    );
    return (
      late.length > 0 && late.every(({ responseEnd }) => responseEnd > 0 && performance.now() - responseEnd > 1000)
    );
  });
  await app.stop();
  await rename(page, 'Kept one');
  const kept = page.getByRole('alert').filter({ hasText: 'It is kept here' });
  await expect(kept).toBeVisible();
  // what has not been fetched says so, and comes when the app is back
  await draftMenu(page, 'Compare with another');
  const missing = page.getByRole('alert').filter({ hasText: 'This could not be fetched' });
  await expect(missing).toBeVisible();
  await app.start();
  await kept.getByRole('button', { name: 'Try again' }).click();
  await settled(page);
  await missing.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('group', { name: 'Draft to compare with' })).toBeVisible();
  await expect(kept).toHaveCount(0);
  await page.reload();
  await expect(draft(page, 'Kept one')).toBeVisible();
});

test('a backup made in the workshop, a change, a restore: what was is back, and the change is kept aside', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/workshop`);
  const panel = page.getByRole('region', { name: 'Backups' });
  await panel.getByRole('button', { name: 'Back up now' }).click();
  const said = panel.getByRole('status');
  await expect(said).toContainText('Backed up as vane-', { timeout: 60_000 });
  const name = /vane-\S+\.\w+/.exec((await said.textContent()) ?? '')?.[0] ?? '';
  await page.goto(app.url + DRAFT);
  await rename(page, 'A mistake');
  await settled(page);
  await app.stop();

  const told = app.vane('restore', join(`${app.db}.backups`, name));
  expect(told).toContain('9 seats, ');
  const aside = /what was there before lies in (\S+)/.exec(told)?.[1] ?? '';
  expect(existsSync(aside)).toBe(true);

  await app.start();
  await page.goto(app.url + DRAFT);
  await expect(draft(page, 'Draft A')).toBeVisible();
  await expect(draft(page, 'A mistake')).toHaveCount(0);
});
