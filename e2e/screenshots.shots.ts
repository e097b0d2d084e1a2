import { expect, test, type Page } from './test';
import { BENCH, findings, openSeat, settled, opened } from './helpers';
import { measured } from './rig';

const shot = (page: Page, name: string) =>
  page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled', caret: 'hide' });
const calm = (page: Page) => expect(page.getByText(/^Trying/)).toHaveCount(0, { timeout: 60_000 });

/** The main views from the demo data, each at 1280 × 800. */
test('pictures for the README', async ({ page, baseURL }) => {
  test.setTimeout(900_000);
  await openSeat(page, 'draft');
  await page.goto('/');
  await expect(page.getByRole('article', { name: 'Film desk', exact: true })).toBeVisible();
  await shot(page, 'desk');
  await page.getByRole('button', { name: 'One budget' }).first().click();
  const team = page.getByRole('region', { name: 'One budget for all seats' });
  await team.getByRole('button', { name: 'Share it out' }).click();
  // the cheapest of all seats, and some more of each
  await expect(team.getByRole('cell', { name: /\d %$/ })).toHaveCount(8, { timeout: 240_000 });
  await page.waitForTimeout(60_000);
  await team.getByRole('button', { name: 'Stop, keep what is known' }).click();
  await expect(team.getByRole('status')).toContainText('Stopped');
  await expect(team).toContainText('Bought in one basket', { timeout: 60_000 });
  await team.getByRole('button', { name: 'Which spares would do for all desks?' }).click();
  await expect(team.getByRole('region', { name: 'Spares for all desks' })).toBeVisible({ timeout: 60_000 });
  await shot(page, 'team');
  await page.goto('/workshop');
  await expect(page.getByRole('region', { name: 'Settings' })).toBeVisible();
  await shot(page, 'workshop');

  await page.goto('/library?kind=graphics&q=graphics+memory+%E2%89%A5+16+GB&sort=-fp32Tflops&part=palisar-gale-24');
  await expect(page.getByRole('complementary')).toContainText('Easily taken for it');
  await expect(
    page
      .getByRole('grid')
      .getByRole('row', { name: /Palisar Gale 24/ })
      .first(),
  ).toBeVisible();
  await shot(page, 'library');

  await openSeat(page, 'brief');
  await settled(page);
  await shot(page, 'brief');
  await openSeat(page, 'brief', '/ninefathom/office');
  await page.getByRole('button', { name: 'Find machines', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: /^Done: / })).toBeVisible({ timeout: 60_000 });
  await shot(page, 'find');

  await openSeat(page, 'draft');
  await calm(page);
  await shot(page, 'draft-findings');

  await openSeat(page, 'weigh', BENCH);
  await calm(page);
  await (await opened(page, 'Measured and predicted')).scrollIntoViewIfNeeded();
  await shot(page, 'weigh-measured');
  await openSeat(page, 'weigh', '/ninefathom/plankton-lab');
  await page.getByRole('button', { name: 'Less now, more later', exact: true }).click();
  const plan = await opened(page, 'Plan over the years');
  await plan.getByRole('button', { name: /^Plan to compare with/ }).click();
  await page
    .getByRole('group', { name: 'Plan to compare with' })
    .getByRole('button', { name: 'One large card' })
    .click();
  await expect(plan).toContainText('At the end One large card costs', { timeout: 60_000 });
  await calm(page);
  await plan.evaluate((section) => section.scrollIntoView({ block: 'start' }));
  await shot(page, 'plan');
  await openSeat(page, 'draft');

  await page.getByLabel(/sequential write after its cache/).fill('900');
  await page.getByRole('button', { name: 'Fill in' }).click();
  await expect(findings(page, 'unproven')).toHaveCount(0);
  await page.getByRole('link', { name: 'Weigh', exact: true }).click();
  await expect(page.getByText(/swaps and additions tried/)).toBeVisible();
  await shot(page, 'weigh');
  await page.getByRole('link', { name: 'Rivals', exact: true }).click();
  await page.getByRole('option', { name: /^Aldmoor Quarry T5/ }).click();
  await expect(page.getByRole('heading', { name: /against Aldmoor Quarry T5/ })).toBeVisible();
  await shot(page, 'rivals');
  await page.getByRole('link', { name: 'Buy', exact: true }).click();
  await expect(await opened(page, 'What waiting has been worth')).toContainText('90 days');
  await shot(page, 'buy');
  await page.getByRole('button', { name: 'Quotes', exact: true }).click();
  await page.getByRole('button', { name: '2026-3: sent' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('for Draft B');
  await shot(page, 'quote');
  const html = await page.request.get('/api/quotes/quote-3/2/html');
  const client = await page.context().newPage();
  await client.setContent(await html.text());
  await client.getByRole('checkbox').first().check();
  await client
    .getByRole('heading', { level: 2 })
    .first()
    .evaluate((head) => head.scrollIntoView({ block: 'center' }));
  await shot(client, 'client');
  await client.close();

  await openSeat(page, 'assemble');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  const steps = page.getByRole('list', { name: 'Steps' });
  await page.getByRole('textbox', { name: 'Who builds' }).fill('Ruan');
  for (let i = 0; i < 4; i++) await steps.getByRole('checkbox').nth(i).check();
  await steps.getByRole('button', { name: /8-pin processor power cable 1/ }).click();
  await settled(page);
  await shot(page, 'assemble');
  const part = (name: string) => page.getByRole('button', { name, exact: true }).click();
  await part('First start');
  await page.getByRole('checkbox').nth(0).check();
  await page.getByRole('region', { name: 'No picture' }).getByRole('button', { name: 'Yes', exact: true }).click();
  await settled(page);
  await shot(page, 'start');
  await part('Proof');
  const rig = measured(baseURL ?? '', 'paste');
  await page.getByLabel('Files of readings').setInputFiles(rig.files);
  await expect(page.getByRole('region', { name: 'Likeliest causes' })).toBeVisible({ timeout: 30_000 });
  rig.gone();
  await settled(page);
  await shot(page, 'proof');
  await part('Hand-over');
  await page.getByRole('textbox', { name: 'Serial number of Lumoth Drift 16' }).fill('LD16-0417-2209');
  await page.getByRole('textbox', { name: 'Serial number of Lumoth Drift 16' }).press('Enter');
  await expect(page.getByRole('region', { name: 'What still works when' })).toContainText('The mains go', {
    timeout: 30_000,
  });
  await calm(page);
  await settled(page);
  await shot(page, 'hand-over');

  await openSeat(page, 'weigh');
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  const upgrade = await opened(page, 'From the present machine');
  await expect(upgrade.getByRole('region', { name: 'What first' })).toBeVisible({ timeout: 30_000 });
  await calm(page);
  await upgrade.evaluate((section) => section.scrollIntoView({ block: 'start' }));
  await shot(page, 'upgrade');
});
