import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { settled } from './helpers';

const CATALOGUE = '.cache/e2e-catalogue.json';

async function open(page: Page, name: string, text: string): Promise<void> {
  await page
    .getByLabel('File to open')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Open a file' })).toBeVisible();
});

test('a broken file gives one clear sentence and changes nothing', async ({ page }) => {
  await open(page, 'broken.json', '{ "format": ');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing of broken.json was taken' })).toContainText(
    'is not JSON',
  );
});

test('each problem of a catalogue is listed by its path, and nothing of it is taken', async ({ page }) => {
  const file = JSON.parse(readFileSync(CATALOGUE, 'utf8')) as {
    parts: Record<string, unknown>[];
    offers: Record<string, unknown>[];
  };
  file.parts[0] = { ...file.parts[0], name: '<script>alert(1)</script>' };
  file.offers[0] = { ...file.offers[0], priceMinor: -1 };
  file.offers[1] = { ...file.offers[1], part: 'nothing' };
  await open(page, 'bad.json', JSON.stringify(file));
  const alert = page.getByRole('alert').filter({ hasText: 'Nothing of bad.json was taken' });
  await expect(alert).toContainText('parts[0].name holds markup');
  await expect(alert).toContainText('offers[0].priceMinor must be above 0');
});

test('a price of −1 and a part that refers to nothing are named', async ({ page }) => {
  const file = JSON.parse(readFileSync(CATALOGUE, 'utf8')) as { offers: Record<string, unknown>[] };
  file.offers[1] = { ...file.offers[1], part: 'nothing' };
  await open(page, 'stray.json', JSON.stringify(file));
  await expect(page.getByRole('alert').filter({ hasText: 'stray.json' })).toContainText(
    'offers[1].part refers to part "nothing"',
  );
});

test('fifty megabytes of junk are refused before they are read', async ({ page }) => {
  const path = test.info().outputPath('junk.json');
  const { writeFileSync } = await import('node:fs');
  writeFileSync(path, Buffer.alloc(50_000_000, 'x'));
  await page.getByLabel('File to open').setInputFiles(path);
  await expect(page.getByRole('alert').filter({ hasText: 'junk.json is not read' })).toContainText(
    'has 50 MB; files of up to 40 MB are read',
  );
});

test('the same catalogue again changes nothing, and says so', async ({ page }) => {
  await open(page, 'again.json', readFileSync(CATALOGUE, 'utf8'));
  await expect(page.getByRole('status').filter({ hasText: 'again.json' })).toContainText(
    '0 entries added, 0 changed, 471 left as they were',
  );
});

test('a seat saved as a case file opens again as a seat of its own', async ({ page }) => {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('article', { name: 'Film desk', exact: true }).getByRole('link', { name: 'Case file' }).click(),
  ]);
  const path = await download.path();
  await open(page, 'film.case.json', readFileSync(path, 'utf8'));
  await expect(page).toHaveURL(/opened-files\/film-desk-\d+\/brief$/);
  await settled(page);
  await expect(page.getByRole('article', { name: 'Cut UHD dive footage' })).toBeVisible();
});
