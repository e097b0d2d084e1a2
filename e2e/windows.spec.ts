import { expect, test, type Page } from './test';
import { draftMenu, findings, openSeat, SEAT, settled } from './helpers';

/** The film desk's first draft in a second window. */
async function second(page: Page): Promise<Page> {
  const other = await page.context().newPage();
  await other.goto(`${SEAT}/draft`);
  await settled(other);
  return other;
}

const rename = async (page: Page, name: string) => {
  await draftMenu(page, 'Rename …');
  const field = page.getByLabel('Name of the draft', { exact: true });
  await field.fill(name);
  await field.press('Enter');
};
const draft = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const asked = (page: Page) =>
  page.getByRole('alert').filter({ hasText: 'The same place was changed in another window' });

test('two windows change different things of one draft: both hold, nobody is asked', async ({ page }) => {
  await openSeat(page, 'draft');
  const other = await second(page);
  await findings(page, 'blocks')
    .first()
    .getByRole('button', { name: /^Northdraft Eddy 120 Twin for / })
    .click();
  await settled(page);
  // the other window still shows the old draft and changes something else of it
  await findings(other, 'blocks')
    .nth(1)
    .getByRole('button', { name: /^Gatewick Brazier 800 Fixed for / })
    .click();
  await settled(other);
  await expect(findings(other, 'blocks')).toHaveCount(0);
  await expect(asked(other)).toHaveCount(0);
  await page.reload();
  await expect(findings(page, 'blocks')).toHaveCount(0);
});

test('two windows change the same: both versions are seen, the next edit drops nothing, and one is chosen', async ({
  page,
}) => {
  await openSeat(page, 'draft');
  const other = await second(page);
  await rename(page, 'Quiet one');
  await settled(page);
  await rename(other, 'Loud one');
  await expect(asked(other)).toBeVisible();
  await expect(other.getByRole('table', { name: 'Both versions' }).getByRole('row').nth(1)).toHaveText(
    'nameQuiet oneLoud one',
  );
  await expect(draft(other, 'Quiet one')).toBeVisible();
  // something else is changed meanwhile: it is saved, and the question stays
  await findings(other, 'blocks')
    .first()
    .getByRole('button', { name: /^Northdraft Eddy 120 Twin for / })
    .click();
  await expect(findings(other, 'blocks')).toHaveCount(1);
  await expect(asked(other)).toBeVisible();
  // also over a reload
  other.on('dialog', (dialog) => void dialog.accept());
  await other.reload();
  await expect(asked(other)).toContainText('your change is kept');
  await other.getByRole('button', { name: 'Put mine on top' }).click();
  await settled(other);
  await page.reload();
  await expect(draft(page, 'Loud one')).toBeVisible();
  await expect(findings(page, 'blocks')).toHaveCount(1);
});

test('without the app an edit is kept over a reload, and saved when it is back', async ({ page }) => {
  await openSeat(page, 'draft');
  // the app is away: whatever is sent does not arrive
  await page.route('**/*', (route) => (route.request().method() === 'POST' ? route.abort() : route.fallback()));
  await rename(page, 'Kept one');
  await expect(page.getByRole('alert').filter({ hasText: 'It is kept here' })).toBeVisible();
  await expect(draft(page, 'Kept one')).toBeVisible();
  // leaving warns
  const warned = page.waitForEvent('dialog');
  page.once('dialog', (dialog) => void dialog.accept());
  await page.reload();
  expect((await warned).type()).toBe('beforeunload');
  await expect(draft(page, 'Kept one')).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'It is kept here' })).toBeVisible();
  await page.unroute('**/*');
  await page.getByRole('button', { name: 'Try again' }).click();
  await settled(page);
  await page.reload();
  await settled(page);
  await expect(draft(page, 'Kept one')).toBeVisible();
});
