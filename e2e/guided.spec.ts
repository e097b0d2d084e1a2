import { expect, test, type Page } from './test';
import { settled, startSeat } from './helpers';

/** Headings of the findings list under which something is left to do, in the order in which it is done. */
const TO_DO = ['Change before ordering', 'The work', 'Add', 'Find out', 'Settle on the bench', 'Weigh'];
const MOST_ACTIONS = 30;

/** Makes a seat with a budget and tasks, everything but the system owned. */
async function describe(page: Page, seat: string, budget: string, trades: readonly string[]): Promise<void> {
  await startSeat(page, seat);
  await expect(page).toHaveURL(/brief$/);
  await page.getByRole('button', { name: /^Budget: / }).click();
  await page.getByLabel('Budget', { exact: true }).fill(budget);
  await page.getByLabel('Budget', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'all terms' }).click();
  for (const what of ['display', 'keyboard', 'pointing device']) {
    const label = `Whether the ${what} is there`;
    await page.getByRole('button', { name: new RegExp(`^${label}: `) }).click();
    await page.getByRole('group', { name: label }).getByRole('button', { name: 'owned', exact: true }).click();
  }
  for (const trade of trades) {
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: trade }).click();
  }
  await settled(page);
  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Findings' })).toBeVisible();
}

/** Takes the first remedy of the first finding that has one, again and again; gives how often. */
async function followRemedies(page: Page): Promise<number> {
  const findings = page.getByRole('region', { name: new RegExp(`^(${TO_DO.join('|')})$`) }).getByRole('article');
  for (let taken = 0; taken < MOST_ACTIONS; taken++) {
    await expect(page.getByText('Trying remedies …')).toHaveCount(0, { timeout: 60_000 });
    const remedies = findings.getByRole('group', { name: /^Remedies/ });
    if ((await remedies.count()) === 0) return taken;
    const revision = await page
      .getByRole('status')
      .filter({ hasText: /saved, revision/ })
      .textContent();
    await remedies.first().getByRole('button').first().click();
    await expect(page.getByRole('status').filter({ hasText: /saved, revision/ })).not.toHaveText(revision ?? '');
    await settled(page);
  }
  return MOST_ACTIONS;
}

/** What the next coin would buy, once nothing is left to mend. */
async function nextCoin(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Weigh', exact: true }).click();
  await expect(page.getByText(/swaps and additions tried/)).toBeVisible({ timeout: 90_000 });
}

/** Nothing blocks and all work is done. */
async function doesTheWork(page: Page): Promise<void> {
  const ledger = page.getByRole('contentinfo', { name: 'Ledger' });
  await expect(ledger.getByRole('img', { name: 'falls short', exact: true })).toHaveCount(0);
  await expect(ledger).not.toContainText(/to change|does not run|unproven/);
}

test.describe('led by remedies and next coin alone, from an empty draft', () => {
  test.setTimeout(240_000);

  test('a live seat under 900 ends in nine actions, doing its work, and says by how little it is over', async ({
    page,
  }) => {
    await describe(page, 'Harbour stream', '900', ['Stream and record live', 'Desk base']);
    const actions = await followRemedies(page);
    await doesTheWork(page);
    // no single step saves more: the finding says so, with both figures
    const over = page.getByRole('article', { name: /^caution: It costs/ });
    await expect(over).toContainText(/It costs 9\d\d\.\d\d USD, \d{1,2}\.\d\d USD over the budget of 900\.00 USD/);
    await expect(over).toContainText('No single change frees money here without a loss elsewhere.');
    expect(actions).toBe(9);
    await nextCoin(page);
  });

  test('a CAD seat under 2,000 ends in eight actions, doing its work within the budget', async ({ page }) => {
    await describe(page, 'Rig drawings', '2000', ['Turn an assembly', 'Rebuild, open, draw', 'Desk base']);
    const actions = await followRemedies(page);
    await doesTheWork(page);
    await expect(page.getByRole('contentinfo', { name: 'Ledger' })).toContainText(/USD left/);
    expect(actions).toBe(8);
    await nextCoin(page);
  });

  test('a photo seat under 1,500 ends in seven actions, doing its work within the budget', async ({ page }) => {
    await describe(page, 'Darkroom', '1500', ['Develop stills', 'Desk base']);
    const actions = await followRemedies(page);
    await doesTheWork(page);
    await expect(page.getByRole('contentinfo', { name: 'Ledger' })).toContainText(/USD left/);
    expect(actions).toBe(7);
    await nextCoin(page);
  });
});
