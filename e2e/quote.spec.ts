import { mailbox } from '@/standins/mailbox/server';
import { expect, test, type Page } from './test';
import { noBarriersInEither, opened, openSeat, settled } from './helpers';

const MAIL = 4664;
const MAIL_PAGE = 4665;

const sending = (page: Page) => page.getByRole('region', { name: 'Sending' });
const quotePane = (page: Page) => page.getByRole('region', { name: 'Quote', exact: true });

/** Says under Workshop where letters go. */
async function nameMailServer(page: Page): Promise<void> {
  await page.goto('/workshop');
  await page.getByRole('button', { name: /^Port of the mail server/ }).click();
  await page.getByRole('textbox', { name: 'Port of the mail server' }).fill(String(MAIL));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: `Port of the mail server: ${MAIL}. Change.` })).toBeVisible();
}

test('from a draft to a quote in the client’s mailbox in five presses', async ({ page }) => {
  const { smtp, page: shown, letters } = mailbox();
  smtp.listen(MAIL, '127.0.0.1');
  shown.listen(MAIL_PAGE, '127.0.0.1');
  try {
    await nameMailServer(page);
    await openSeat(page, 'draft');
    await page.getByRole('link', { name: 'Buy' }).click();
    await page.getByRole('button', { name: 'Draft B', exact: true }).click();
    await page.getByRole('button', { name: 'Quotes', exact: true }).click();
    await page.getByRole('button', { name: 'Quote Draft B' }).click();
    await expect(quotePane(page).getByRole('heading', { level: 1 })).toContainText(/^[\d,.]+ USD for Draft B$/);
    await sending(page).getByRole('textbox', { name: 'Client’s address' }).fill('dive@ninefathom.example');
    await sending(page).getByRole('button', { name: 'Send', exact: true }).click();
    await expect(sending(page)).toContainText('Sent on 2026-05-18 to dive@ninefathom.example.', { timeout: 30_000 });
    expect(letters[0]?.attachments).toHaveLength(3);
    await page.goto(`http://127.0.0.1:${MAIL_PAGE}/`);
    await expect(page.getByRole('heading', { level: 2 })).toContainText(/^Quote 2026-5, revision 1: Draft B/);
    // the page that reads without the app adds up what is ticked, and asks nobody for anything
    const html = String(letters[0]?.attachments.find(({ name }) => name.endsWith('.html'))?.content);
    await page.setContent(html);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Quote 2026-5');
  } finally {
    await new Promise<void>((resolve) => smtp.close(() => resolve()));
    shown.close();
  }
});

test('a client ticks, accepts on a page of its own, and the purchase list follows', async ({ page, context }) => {
  test.setTimeout(120_000);
  await openSeat(page, 'buy');
  await page.getByRole('button', { name: 'Quotes', exact: true }).click();
  await page.getByRole('button', { name: 'Quote Draft A' }).click();
  const pane = quotePane(page);
  await expect(pane.getByRole('heading', { level: 1 })).toContainText('for Draft A');
  await expect(pane).toContainText(/◆ Draft A should not be ordered as it is: /);

  // terms are changed in place, and the total follows
  const before = await pane.getByRole('heading', { level: 1 }).innerText();
  await pane.getByRole('button', { name: /^Share above cost: / }).click();
  await page.getByRole('textbox', { name: 'Share above cost' }).fill('25');
  await page.keyboard.press('Enter');
  await expect(pane.getByRole('heading', { level: 1 })).not.toHaveText(before);
  await pane.getByRole('button', { name: 'Add work' }).click();
  await pane.getByRole('textbox', { name: 'What is done' }).fill('Assembly');
  await pane.getByRole('textbox', { name: /^Price, USD/ }).fill('120');
  await pane.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(pane.getByRole('table', { name: 'Lines' })).toContainText('Assembly');

  const choices = await opened(pane, 'What the client may choose');
  await choices.getByRole('button', { name: 'Add an option' }).click();
  await choices.getByRole('combobox', { name: /^What comes in/ }).fill('Spate 2 TB');
  await page.getByRole('option', { name: 'Dromolite Spate 2 TB', exact: true }).click();
  await choices.getByRole('combobox', { name: 'In place of' }).click();
  await page.getByRole('option', { name: 'nothing: one more' }).click();
  await choices.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(choices.getByRole('list', { name: 'Options' })).toContainText(
    /Dromolite Spate 2 TB \+[\d.]+, [\d,.]+ USD with it/,
  );
  await choices.getByRole('checkbox', { name: /^Draft B/ }).check();
  await expect(choices.getByRole('group', { name: 'In its place' })).toContainText(/Draft B: [\d,.]+ USD, \+[\d.]+/);
  await noBarriersInEither(page, 'a quote');

  const risk = await opened(pane, 'What prices may do');
  await expect(risk).toContainText(/of the past cases the parts cost more on a later day within 14 days/, {
    timeout: 30_000,
  });
  await expect(risk).toContainText(/Told on each of \d+ past days/);

  // pages are off until somebody turns them on
  await expect(sending(page).getByRole('button', { name: 'Make a page to answer on' })).toHaveCount(0);
  await page.goto('/workshop');
  await page.getByRole('button', { name: /^Pages for clients/ }).click();
  await page.getByRole('button', { name: /^served on port \d+ of this machine/ }).click();
  await expect(page.getByRole('button', { name: /^Pages for clients: served on port/ })).toBeVisible();
  await openSeat(page, 'buy');
  await page.getByRole('button', { name: 'Quotes', exact: true }).click();
  await sending(page).getByRole('button', { name: 'Make a page to answer on' }).click();
  const link = sending(page).getByRole('link', { name: 'The client’s page' });
  await expect(link).toBeVisible({ timeout: 30_000 });

  const client = await context.newPage();
  await client.goto((await link.getAttribute('href')) ?? '');
  await expect(client.getByRole('heading', { level: 1 })).toContainText('revision 1: Draft A');
  const total = client.locator('[data-chosen]');
  const plain = Number((await total.innerText()).replace(/,/g, ''));
  await client.getByRole('checkbox', { name: /Dromolite Spate 2 TB/ }).check();
  const ticked = Number((await total.innerText()).replace(/,/g, ''));
  expect(ticked).toBeGreaterThan(plain);
  // another in its place is had as it is
  await client.getByRole('checkbox', { name: 'Draft B' }).check();
  await expect(client.getByRole('checkbox', { name: /Dromolite Spate 2 TB/ })).not.toBeChecked();
  await client.getByRole('checkbox', { name: /Dromolite Spate 2 TB/ }).check();
  await expect(client.getByRole('checkbox', { name: 'Draft B' })).not.toBeChecked();
  await client.getByRole('textbox', { name: 'Your name' }).fill('Ada of the boats');
  await client.getByRole('button', { name: 'Accept this quote' }).click();
  await expect(client.getByRole('status')).toContainText('This quote was accepted on May 18, 2026.');

  await page.reload();
  await expect(sending(page).getByRole('status')).toContainText(
    /Accepted on 2026-05-18 by Ada of the boats: [\d,.]+ USD, with Dromolite/,
    { timeout: 30_000 },
  );
  const order = await opened(pane, 'Order');
  const row = order.getByRole('row', { name: /^Dromolite Spate 2 TB/ });
  await row.getByRole('button', { name: 'Bought' }).click();
  await order.getByRole('button', { name: 'Keep as bought' }).click();
  await expect(row).toContainText(/ordered/);
  await row.getByRole('button', { name: 'Received' }).click();
  await order.getByRole('button', { name: 'Keep as received' }).click();
  await expect(row).toContainText(/there/);
  await expect(order).toContainText(/[1-9][\d,.]* USD paid/);

  // withdrawn, the address is none
  await sending(page).getByRole('button', { name: 'Withdraw it' }).click();
  await expect(link).toHaveCount(0);
  await client.reload();
  await expect(client.getByRole('heading', { level: 1 })).toHaveText('There is no such page');
});

test('what lapsed is told, revised, and what changed stands line by line', async ({ page }) => {
  await openSeat(page, 'buy', '/ninefathom/office');
  await page.getByRole('button', { name: 'Quotes', exact: true }).click();
  await page.getByRole('button', { name: '2026-1: lapsed' }).click();
  await expect(sending(page)).toContainText('It lapsed on 2026-04-20: make a new revision at today’s prices.');
  await expect(sending(page).getByRole('button', { name: /^Accepted at/ })).toHaveCount(0);
  await sending(page).getByRole('button', { name: 'New revision' }).click();
  const pane = quotePane(page);
  await pane.getByRole('button', { name: /^How parts are priced/ }).click();
  await page.getByRole('button', { name: 'so much that the total is reached' }).click();
  await expect(pane.getByRole('heading', { level: 1 })).toContainText('1,000.00 USD for Small and quiet');
  const changed = await opened(pane, 'What changed');
  await expect(changed.getByRole('row')).not.toHaveCount(0);
  await expect(changed).toContainText('holds until');
  const pdf = await page.request.get(
    (await sending(page).getByRole('link', { name: 'PDF' }).getAttribute('href')) ?? '',
  );
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('one quote for all seats: totals by seat, another draft, a spare, in German on letter', async ({ page }) => {
  test.setTimeout(120_000);
  await openSeat(page, 'buy', '/ninefathom/office');
  await page.getByRole('button', { name: 'Quotes', exact: true }).click();
  await page.getByRole('button', { name: /all seats: not sent/ }).click();
  const pane = quotePane(page);
  await expect(pane.getByRole('heading', { level: 1 })).toContainText('for Ninefathom Survey Cooperative, 8 seats', {
    timeout: 30_000,
  });
  const seats = pane.getByRole('table', { name: 'By seat' });
  await expect(seats.getByRole('row')).toHaveCount(10);
  const before = await pane.getByRole('heading', { level: 1 }).innerText();
  await seats.getByRole('button', { name: /^Draft of Film desk/ }).click();
  await page.getByRole('button', { name: 'Draft B', exact: true }).last().click();
  await expect(pane.getByRole('heading', { level: 1 })).not.toHaveText(before, { timeout: 30_000 });
  await pane.getByRole('button', { name: 'Add a spare' }).click();
  await pane.getByRole('combobox', { name: 'Part' }).fill('Cask 1 TB');
  await page.getByRole('option', { name: 'Fenstore Cask 1 TB', exact: true }).click();
  await pane.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(pane).toContainText('1 × Fenstore Cask 1 TB', { timeout: 30_000 });
  await pane.getByRole('button', { name: /^Language of the paper/ }).click();
  await page.getByRole('button', { name: 'German' }).click();
  await pane.getByRole('button', { name: /^Sheet/ }).click();
  await page.getByRole('button', { name: 'letter', exact: true }).click();
  await settled(page);
  await expect(async () => {
    const html = await page.request.get(
      (await sending(page).getByRole('link', { name: 'Page' }).getAttribute('href')) ?? '',
    );
    expect(await html.text()).toContain('Angebot 2026-4, Fassung 1: Ninefathom Survey Cooperative');
  }).toPass({ timeout: 30_000 });
});
