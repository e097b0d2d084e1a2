import Database from 'better-sqlite3';
import { expect, test } from './test';
import { filesOf, portOf } from './lanes';
import { settled } from './helpers';

/** Spoils a stored draft as another release, or a disk, might have. */
function spoil(baseURL: string | undefined, id: string, change: (body: Record<string, unknown>) => void): void {
  const db = new Database(filesOf(portOf(baseURL)).db);
  const { body } = db.prepare<[string], { body: string }>('SELECT body FROM documents WHERE id = ?').get(id) ?? {
    body: '{}',
  };
  const json = JSON.parse(body) as Record<string, unknown>;
  change(json);
  db.prepare('UPDATE documents SET body = ? WHERE id = ?').run(JSON.stringify(json), id);
  db.close();
}

test('a draft that cannot be read is told on the desk, the rest works, and mended it is back', async ({
  page,
  baseURL,
}) => {
  spoil(baseURL, 'film-desk.film-b', (body) => (body['name'] = 'n'.repeat(120)));
  await page.goto('/');
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside).toContainText('One entry cannot be read; all else works without it');
  await expect(aside).toContainText('of Film desk, Ninefathom Survey Cooperative: name is longer than 80 characters');
  // the seat opens without it
  await page.goto('/ninefathom/film-desk/draft');
  await settled(page);
  await expect(page.getByRole('button', { name: 'Draft B', exact: true })).toHaveCount(0);

  await page.goto('/');
  await aside.getByRole('button', { name: 'Mend' }).click();
  const dialog = page.getByRole('dialog', { name: /^Mend: draft/ });
  const text = dialog.getByRole('textbox', { name: 'Entry as text' });
  const whole = await text.inputValue();
  // what is still wrong is said, and nothing is lost of what was typed
  await text.fill(whole.replace(/"name": "n+"/, '"name": '));
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog.getByRole('alert')).toContainText('is not JSON yet');
  await text.fill(whole.replace(/"n{100,}"/, '"Draft B"'));
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(aside).toHaveCount(0);
  await page.goto('/ninefathom/film-desk/draft');
  await settled(page);
  await expect(page.getByRole('button', { name: 'Draft B', exact: true })).toBeVisible();
});

test('a seat whose brief cannot be read leaves every other seat as it is', async ({ page, baseURL }) => {
  spoil(baseURL, 'film-desk.brief', (body) => (body['region'] = 'moon'));
  await page.goto('/');
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside).toContainText('region "moon" is not in the library');
  await expect(page.getByRole('link', { name: 'Rig design', exact: true }).first()).toBeVisible();
  await page.goto('/ninefathom/film-desk/draft');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.goto('/ninefathom/rig-design/draft');
  await settled(page);
});
