import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Locator, type Page } from './test';
import { settled } from './helpers';
import { filesOf, portOf } from './lanes';

/** The text of the catalogue that the app under test was made from. */
const catalogueAt = (baseURL: string | undefined): string => readFileSync(filesOf(portOf(baseURL)).catalogue, 'utf8');

async function open(page: Page, name: string, text: string): Promise<void> {
  await page
    .getByLabel('File to open')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}
const problems = (page: Page) => page.getByRole('list', { name: 'Problems' });
const refused = (page: Page, name: string) =>
  page.getByRole('alert').filter({ hasText: `Nothing of ${name} was taken` });

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'From a file' })).toBeVisible();
});

test('a broken file gives one clear sentence and changes nothing', async ({ page }) => {
  await open(page, 'broken.json', '{ "format": ');
  await expect(refused(page, 'broken.json')).toContainText('1 problem');
  await expect(problems(page)).toContainText('is not JSON: it ends in the middle; the file was cut off');
});

test('an empty file is refused where it is given', async ({ page }) => {
  await open(page, 'empty.json', '');
  await expect(refused(page, 'empty.json')).toContainText('file is empty');
});

test('each problem of a catalogue is listed by its path, and nothing of it is taken', async ({ page, baseURL }) => {
  const file = JSON.parse(catalogueAt(baseURL)) as {
    parts: Record<string, unknown>[];
    offers: Record<string, unknown>[];
  };
  file.parts[0] = { ...file.parts[0], name: '<script>alert(1)</script>' };
  file.offers[0] = { ...file.offers[0], priceMinor: -1 };
  await open(page, 'bad.json', JSON.stringify(file));
  await expect(refused(page, 'bad.json')).toContainText('2 problems');
  await expect(problems(page)).toContainText('parts[0].name holds markup');
  await expect(problems(page)).toContainText('offers[0].priceMinor must be above 0');
  await expect(page.getByRole('button', { name: 'Take all of it' })).toHaveCount(0);
});

test('a part that refers to nothing is named', async ({ page, baseURL }) => {
  const file = JSON.parse(catalogueAt(baseURL)) as { offers: Record<string, unknown>[] };
  file.offers[1] = { ...file.offers[1], part: 'nothing' };
  await open(page, 'stray.json', JSON.stringify(file));
  await expect(problems(page)).toContainText('offers[1].part refers to part "nothing"');
});

test('fifty megabytes of junk get one sentence', async ({ page }) => {
  const path = test.info().outputPath('junk.json');
  writeFileSync(path, Buffer.concat([Buffer.from('{'), Buffer.alloc(50_000_000, 'x')]));
  await page.getByLabel('File to open').setInputFiles(path);
  // 50 MB go to the server and into a file before a process of its own looks at them
  await expect(refused(page, 'junk.json')).toContainText('1 problem', { timeout: 60_000 });
  await expect(problems(page)).toContainText('is not JSON');
});

test('the same catalogue again would change nothing, and says so', async ({ page, baseURL }) => {
  await open(page, 'again.json', catalogueAt(baseURL));
  await expect(page.getByRole('status').filter({ hasText: 'nothing is wrong' })).toContainText(
    'Everything is in the library already',
  );
  await expect(page.getByRole('row', { name: /^parts 0 0 \d+$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take all of it' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Throw the file away' }).click();
  await expect(page).toHaveURL(/library$/);
});

test('a seat saved as a case file opens again as a seat of its own', async ({ page }) => {
  await page.getByRole('button', { name: 'More for Film desk' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Save as a case file' }).click(),
  ]);
  const path = await download.path();
  await open(page, 'film.case.json', readFileSync(path, 'utf8'));
  await expect(page).toHaveURL(/opened-files\/film-desk-\d+\/brief$/);
  await settled(page);
  await expect(page.getByRole('article', { name: 'Cut UHD dive footage' })).toBeVisible();
});

test('a project saved as an archive is known again, a bill of materials becomes a draft of another seat', async ({
  page,
}) => {
  const save = async (what: Locator) => {
    const [download] = await Promise.all([page.waitForEvent('download'), what.first().click()]);
    return readFileSync(await download.path());
  };
  const archive = await save(page.getByRole('link', { name: 'Archive', exact: true }));
  await page.getByRole('button', { name: 'More for Film desk' }).click();
  const bom = await save(page.getByRole('menuitem', { name: 'Bill of materials of Draft B' }));
  await page
    .getByLabel('File to open')
    .setInputFiles({ name: 'project.zip', mimeType: 'application/zip', buffer: archive });
  await expect(page.getByRole('status').filter({ hasText: 'nothing is wrong' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^seats 0 0 \d+$/ })).toBeVisible();

  await page.goto('/');
  await open(page, 'draft-b.cdx.json', bom.toString());
  await expect(page.getByRole('row', { name: /Quernic Shearwater 20 ▲ known/ })).toBeVisible();
  await page.getByLabel('Goes to').selectOption({ label: 'a seat of its own' });
  await page.getByLabel('Name of the seat').fill('Second film desk');
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page).toHaveURL(/draft$/);
  await expect(page.getByRole('button', { name: /^Lumoth Drift 16, / })).toBeVisible();
});

test('an inventory of the present machine becomes a draft, with what it does not tell unknown', async ({ page }) => {
  const text = readFileSync('src/core/tests/lshw-small.json', 'utf8');
  await open(page, 'machine.json', text);
  await expect(page.getByRole('heading', { name: /machine.json/ })).toContainText('an inventory of a machine');
  await expect(page.getByText('memory: 24 GB in all, in modules that the file does not name')).toBeVisible();
  await page.getByLabel('Goes to').selectOption({ label: 'a seat of its own' });
  await page.getByLabel('Name of the seat').fill('Measured machine');
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByRole('article', { name: /^unproven: / }).first()).toBeVisible();
});
