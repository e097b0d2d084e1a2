import { expect, test } from './test';

test('a backup is made in the workshop, tried in a scratch database, and stands in the list', async ({ page }) => {
  await page.goto('/workshop');
  const panel = page.getByRole('region', { name: 'Backups' });
  await expect(panel).toContainText('One a day beside the database, the last 7 kept');
  await panel.getByRole('button', { name: 'Back up now' }).click();
  await expect(panel.getByRole('status')).toContainText('Backed up as vane-', { timeout: 60_000 });
  await expect(panel.getByRole('listitem').first()).toContainText('UTC');
  await panel.getByRole('button', { name: 'Try it' }).first().click();
  await expect(panel.getByRole('status')).toContainText(
    /comes back whole: 9 seats, 651 parts, nothing that cannot be read/,
    { timeout: 60_000 },
  );
});
