import { expect, test, type Locator, type Page } from './test';
import { openSeat, SEAT, settled, opened } from './helpers';

/** An amount as it is shown, in minor units. */
const minor = (text: string): number => Math.round(Number(text.replace(/[^\d.−-]/g, '').replace('−', '-')) * 100);
const cells = async (row: Locator): Promise<number[]> =>
  (await row.locator('.MuiTableCell-alignRight').allTextContents()).map(minor);
const part = (page: Page, name: string) =>
  page.getByRole('region', { name: 'Basket' }).getByRole('button', { name, exact: true });

test.describe('the film desk against branded machines', () => {
  test('two of them: what the difference is made of splits to the cent, options and years count', async ({ page }) => {
    await openSeat(page, 'rivals');
    await page.getByRole('button', { name: 'Draft B', exact: true }).click();
    for (const name of ['Aldmoor Quarry T5', 'Stellmark Girder X']) {
      await page.getByRole('option', { name: new RegExp(`^${name}`) }).click();
      await expect(page.getByRole('heading', { name: `Draft B against ${name}` })).toBeVisible();
      const made = await opened(page, 'What the difference is made of');
      const rows = made.locator('tbody tr');
      const all = await Promise.all((await rows.all()).map(cells));
      const total = all.pop() ?? [];
      for (const column of [0, 1, 2])
        expect(
          all.reduce((sum, row) => sum + (row[column] || 0), 0),
          `${name}, column ${column}`,
        ).toBe(total[column]);
      expect((total[0] ?? 0) - (total[1] ?? 0)).toBe(total[2]);
      // both sides are told what is better about them
      const beside = await opened(page, 'What money does not measure');
      await expect(beside.getByRole('row', { name: /^Warranty/ })).toContainText('better');
      await expect(beside.getByRole('row', { name: /^Volume of the case/ })).toContainText(/\d+ L/);
    }
    // cost over the years, as lines and as a table
    const years = await opened(page, 'Cost over the years');
    await expect(years.getByRole('row', { name: /^Energy/ })).toBeVisible();
    // nobody waits for exports that run beside the cutting, so no wage is counted
    await expect(years.getByRole('row', { name: /^Waiting for runs/ })).toHaveCount(0);
    await years.getByRole('button', { name: 'Table' }).click();
    await expect(years.getByRole('rowheader', { name: 'after year 4' })).toBeVisible();
    await years.getByRole('button', { name: 'Chart' }).click();
    await years.getByRole('application').press('Home');
    await expect(years.getByText(/^bought: Draft B/)).toBeVisible();
  });

  test('an option is ordered with it, and stays so', async ({ page }) => {
    await openSeat(page, 'rivals');
    await page.getByRole('option', { name: /^Aldmoor Quarry T5/ }).click();
    const landed = (await opened(page, 'Both prices')).getByRole('row', { name: /^Landed/ });
    await expect(landed).toContainText('4,083.93 USD');
    await page
      .getByRole('group', { name: 'Options' })
      .getByRole('button', { name: /^96 GB/ })
      .click();
    // 3,799 + 520 = 4,319.00 and 7.5 %
    await expect(landed).toContainText('4,642.93 USD');
    await page
      .getByRole('group', { name: 'Options' })
      .getByRole('button', { name: /^64 GB/ })
      .click();
    await expect(landed).toContainText('4,363.43 USD');
    await settled(page);
    await page.reload();
    await page.getByRole('option', { name: /^Aldmoor Quarry T5/ }).click();
    await expect(page.getByRole('group', { name: 'Options' }).getByRole('button', { name: /^64 GB/ })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  });

  test('a branded machine is entered from a draft; a bad price is named', async ({ page }) => {
    await openSeat(page, 'rivals');
    await page.getByRole('button', { name: 'Enter a branded machine' }).click();
    const form = page.getByRole('form', { name: 'Enter a branded machine' });
    await form.getByLabel('Maker').fill('Stellmark');
    await form.getByLabel('Model').fill('Girder as quoted');
    await form.getByLabel(/^Price, USD/).fill('two thousand');
    await form.getByRole('button', { name: 'Enter it' }).click();
    await expect(form.getByRole('alert')).toContainText('Type a price in USD above 0, such as 249.90');
    await form.getByLabel(/^Price, USD/).fill('2100.00');
    await form.getByRole('button', { name: 'Enter it' }).click();
    await page.getByRole('option', { name: /^Stellmark Girder as quoted/ }).click();
    await expect((await opened(page, 'Both prices')).getByRole('row', { name: /^Landed/ })).toContainText(
      '2,257.50 USD',
    );
  });
});

test.describe('buying the film desk', () => {
  test('the basket adds up in every column, and the ledger shows its price', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.keyboard.press('g');
    await page.keyboard.press('5');
    await expect(page).toHaveURL(/buy$/);
    const basket = page.getByRole('region', { name: 'Basket' });
    const total = await cells(basket.locator('tfoot tr'));
    const lines = await Promise.all((await basket.locator('tbody tr:has(button)').all()).map(cells));
    for (const column of [0, 1, 2, 3])
      expect(lines.reduce((sum, row) => sum + (row[column] ?? 0), 0)).toBe(total[column]);
    expect((total[0] ?? 0) + (total[1] ?? 0) + (total[2] ?? 0)).toBe(total[3]);
    const heading = (await basket.getByRole('heading', { level: 1 }).textContent()) ?? '';
    const [landed = ''] = heading.split(' landed');
    await expect(page.getByRole('contentinfo', { name: 'Ledger' })).toContainText(`${landed} landed`);
    await expect(basket.getByText(/Nothing cheaper is left/)).toBeVisible();
  });

  test('a price by hand counts, is marked, and is taken away; a bad one is refused in words', async ({ page }) => {
    await openSeat(page, 'buy');
    const basket = page.getByRole('region', { name: 'Basket' });
    const before = await basket.getByRole('heading', { level: 1 }).textContent();
    await part(page, 'Ketterlode Hold 12 TB').click();
    const pane = page.getByRole('region', { name: 'Part', exact: true });
    await pane.getByRole('button', { name: 'Set a price by hand' }).click();
    await pane.getByLabel(/^Price, USD/).fill('0');
    await pane.getByLabel('Reason').fill('told on the phone');
    await pane.getByRole('button', { name: 'Set it' }).click();
    await expect(pane.getByRole('alert')).toContainText('Type a price in USD above 0');
    await pane.getByLabel(/^Price, USD/).fill('200.00');
    await pane.getByRole('button', { name: 'Set it' }).click();
    await settled(page);
    await expect(basket.getByRole('row', { name: /Ketterlode Hold 12 TB/ })).toContainText(
      'by hand: told on the phone',
    );
    // 200.00 and 7.5 %
    await expect(basket.getByRole('row', { name: /Ketterlode Hold 12 TB/ })).toContainText('215.00');
    await expect(pane).toContainText('It counts in place of the offers');
    await page.reload();
    await part(page, 'Ketterlode Hold 12 TB').click();
    await pane.getByRole('button', { name: 'Take it away' }).click();
    await settled(page);
    await expect(basket.getByRole('heading', { level: 1 })).toHaveText(before ?? '');
  });

  test('what was paid is kept apart from today’s price, with what was saved', async ({ page }) => {
    await openSeat(page, 'buy');
    await part(page, 'Palisar Gale 12').click();
    const pane = page.getByRole('region', { name: 'Part', exact: true });
    await pane.getByRole('button', { name: 'Keep what was paid' }).click();
    await pane.getByLabel(/^Paid, USD/).fill('400.00');
    await pane.getByRole('button', { name: 'Keep it' }).click();
    await settled(page);
    await expect(page.getByRole('region', { name: 'Basket' }).getByLabel('Paid')).toContainText('400.00 USD');
    await expect(page.getByRole('region', { name: 'Basket' }).getByLabel('Paid')).toContainText('saved');
    await expect(pane.getByRole('region', { name: 'Really paid' })).toContainText('against what was paid');
  });

  test('a part shows its offers with what speaks against each, its history and what waiting was worth', async ({
    page,
  }) => {
    await openSeat(page, 'buy');
    await part(page, 'Halcyte Tern 12').click();
    const pane = page.getByRole('region', { name: 'Part', exact: true });
    await expect(pane).toContainText('its maker asks');
    await expect(await opened(pane, 'Price history')).toContainText('Lowest');
    await expect(await opened(pane, 'What waiting has been worth')).toContainText('90 days');
    await pane.getByRole('button', { expanded: false }).first().click();
    await expect(pane).toContainText('landed');
    await expect(pane).toContainText('rated 4.');
  });

  test('the same work in region B: its currency, its tax, substitutes as good', async ({ page }) => {
    await openSeat(page, 'buy');
    await page.getByRole('button', { name: 'Two lesser cards', exact: true }).click();
    const there = await opened(page, 'In another region');
    await there.getByRole('button', { name: /^Region B, EUR, VAT 21 % in the price/ }).click();
    await expect(there).toContainText(/[\d,]+\.\d\d EUR landed in Region B/, { timeout: 30_000 });
    // one board's maker does not sell there
    await expect(there.getByRole('row', { name: /^Dunmarrow Cairn 6/ })).toBeVisible();
    await expect(there).toContainText(/about (at least )?[\d,]+\.\d\d USD at 0\.9\d+ EUR for one USD/);
  });
});

test('prices are asked for: one seller is down, the others move; a watch fires and the desk tells', async ({
  page,
}) => {
  await page.goto('/');
  // somebody looked a week ago; what moved since is told, here and in the ledger
  const film = page.getByRole('article', { name: 'Film desk', exact: true });
  await expect(page.getByText(/since 2026-05-11/)).toBeVisible();
  await page.goto(`${SEAT}/buy`);
  await expect(page.getByRole('contentinfo', { name: 'Ledger' })).toContainText(/[+−][\d.]+ since 2026-05-11/);
  await page.goto('/');
  await page.getByRole('button', { name: 'Mark as seen' }).click();
  await expect(page.getByText(/Nothing changed since 2026-05-18/)).toBeVisible();

  await openSeat(page, 'buy');
  await part(page, 'Palisar Gale 12').click();
  const pane = page.getByRole('region', { name: 'Part', exact: true });
  const now = minor((await pane.locator('[data-offer] b.num').first().textContent()) ?? '');
  await pane.getByRole('button', { name: /^Watch on Palisar Gale 12/ }).click();
  const field = page.getByLabel('Watch on Palisar Gale 12', { exact: true });
  await field.fill(String((now - 100) / 100));
  await field.press('Enter');
  await expect(pane.getByText(/waiting since 2026-05-18/)).toBeVisible();

  await page.getByRole('button', { name: 'Refresh prices' }).click();
  await expect(page.getByRole('status', { name: 'Prices' })).toContainText(
    '1 source did not answer: last good prices stay',
    { timeout: 30_000 },
  );
  await page.getByRole('button', { name: 'Seller by seller' }).click();
  const report = page.getByRole('dialog', { name: 'Seller by seller' });
  await expect(report).toContainText(
    'Tidewrack Surplus, Region A did not answer: it answered 503, 3 times. Its last good prices stay.',
  );
  await expect(report).toContainText(/Kelpline, Region B \d+ read, \d+ moved, at attempt 2/);
  await expect(report).toContainText(/row 4 has 3 cells, the heading has 9/);
  await expect(report).toContainText('The feed is simulated');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(pane.getByText(/reached on 2026-05-18/)).toBeVisible();
  await expect(
    page.getByRole('contentinfo', { name: 'Ledger' }).getByRole('link', { name: /watch(es)? reached/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Close', exact: true })).toHaveCount(0);

  // asked again, nothing comes twice
  await page.getByRole('button', { name: 'Refresh prices' }).click();
  await page.getByRole('button', { name: 'Seller by seller' }).click();
  await expect(report).toContainText(/Parcelwright, Region A \d+ read, 0 moved/, { timeout: 30_000 });

  await page.goto('/');
  // the watches on it and on a draft, in one line that opens
  await film.getByRole('button', { name: /watch(es)? met/ }).click();
  await expect(film).toContainText(/Palisar Gale 12: [\d,.]+ USD on 2026-05-18, watched for [\d,.]+ USD/);
  await page.getByRole('button', { name: 'Mark as seen' }).click();
  await expect(film).not.toContainText('Palisar Gale 12');
  await page.goto(`${SEAT}/buy`);
});
