import { expect, test, type Page } from '@playwright/test';
import { findings, openFresh, settled } from './helpers';

const shot = (page: Page, name: string) =>
  page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled', caret: 'hide' });
const calm = (page: Page) => expect(page.getByText(/^Trying/)).toHaveCount(0);

/** The main views from the demo data, each at 1280 × 800. */
test('pictures for the README', async ({ page }) => {
  await openFresh(page, 'draft');
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Film desk', exact: true })).toBeVisible();
  await shot(page, 'desk');

  await openFresh(page, 'brief');
  await settled(page);
  await shot(page, 'brief');

  await openFresh(page, 'draft');
  await calm(page);
  await shot(page, 'draft-findings');
  await page.getByRole('button', { name: /^Fenstore Flume 2 TB, / }).click();
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.getByRole('listbox').press('ArrowDown');
  await page.getByRole('listbox').press('ArrowDown');
  await shot(page, 'draft-tray');
  await page.getByRole('listbox').press('Escape');

  await page.getByRole('button', { name: /^Grade 5.4K raw: / }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await shot(page, 'why');
  await page.keyboard.press('Escape');

  await page.getByLabel(/sequential write after its cache/).fill('900');
  await page.getByRole('button', { name: 'Fill in' }).click();
  await expect(findings(page, 'unproven')).toHaveCount(0);
  await page.getByRole('link', { name: 'Weigh', exact: true }).click();
  await expect(page.getByText(/swaps tried/)).toBeVisible();
  await shot(page, 'weigh');
  await page.getByRole('link', { name: 'Rivals', exact: true }).click();
  await expect(page.getByRole('heading', { name: /against Aldmoor/ })).toBeVisible();
  await shot(page, 'rivals');

  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await page.getByRole('button', { name: 'Use the dark theme' }).click();
  await calm(page);
  await shot(page, 'draft-dark');
});
