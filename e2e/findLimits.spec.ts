import { expect, test } from './test';
import { openSeat, settled, noBarriersInEither } from './helpers';
import type { Page } from './test';

const OFFICE = '/ninefathom/office';
const done = async (page: Page): Promise<void> => {
  await expect(page.getByRole('status').filter({ hasText: /^Done: / })).toBeVisible({ timeout: 60_000 });
};
const cheapest = (page: Page) => page.getByRole('region', { name: 'Cheapest that likely does the work' });
const limits = (page: Page) => page.getByRole('group', { name: 'What it may use' });

async function found(page: Page): Promise<void> {
  await openSeat(page, 'brief', OFFICE);
  await page.getByRole('button', { name: 'Find machines', exact: true }).click();
  await done(page);
  await cheapest(page).getByText('Its parts, and what to look for instead').click();
}

/** A price in the head of a card, as a number. */
const priceOf = async (page: Page): Promise<number> =>
  Number((await cheapest(page).locator('b.num').first().innerText()).replaceAll(',', '').split(' ')[0]);

test('a part of what was found is left out, another stays, and the machine costs no less', async ({ page }) => {
  await found(page);
  const before = await priceOf(page);
  const leave = cheapest(page).getByRole('button', { name: /^Leave out Pellbox / });
  const part = ((await leave.getAttribute('aria-label')) ?? '').replace('Leave out ', '');
  await leave.click();
  await expect(limits(page)).toContainText(`without ${part}`);
  await done(page);
  await expect(cheapest(page)).not.toContainText(part);
  expect(await priceOf(page)).toBeGreaterThanOrEqual(before);
  // a board stays, whatever else is found
  await cheapest(page).getByText('Its parts, and what to look for instead').click();
  const keep = cheapest(page).getByRole('button', { name: /^Keep Tarnholt / });
  const board = ((await keep.getAttribute('aria-label')) ?? '').replace('Keep ', '');
  await keep.click();
  await expect(limits(page)).toContainText(`keeps ${board}`);
  await done(page);
  await expect(cheapest(page)).toContainText(board);
  await noBarriersInEither(page, 'limits of a search');
  // what was left out may be used again
  await limits(page)
    .getByRole('button', { name: `without ${part}: let it go` })
    .click();
  await done(page);
  await expect(limits(page)).not.toContainText('without');
});

test('a share of the budget gets a limit; one that leaves nothing is told as what clashes', async ({ page }) => {
  await found(page);
  await cheapest(page)
    .getByRole('button', { name: /^Most for processor: / })
    .click();
  const field = page.getByLabel('Most for processor', { exact: true });
  await field.fill('1');
  await field.press('Enter');
  await expect(limits(page)).toContainText('at most 1.00 for processor');
  await done(page);
  await expect(cheapest(page)).toContainText('No machine on sale does all of it.');
  await expect(cheapest(page)).toContainText('the limit on processor');
  await limits(page)
    .getByRole('button', { name: /^at most 1\.00 for processor: let it go/ })
    .click();
  await done(page);
  await expect(cheapest(page)).toContainText('Proven: nothing better was missed.');
});

test('what is owned is used at no price, or left alone', async ({ page }) => {
  await page.goto('/workshop');
  await page.getByLabel('Part, display or licence').fill('Tarnholt Ness 4');
  await page.getByRole('option', { name: 'Tarnholt Ness 4', exact: true }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Tarnholt Ness 4').first()).toBeVisible();
  await found(page);
  const owned = limits(page).getByRole('button', { name: 'may use what is owned (1)' });
  await expect(owned).toHaveAttribute('aria-pressed', 'true');
  await expect(cheapest(page).getByRole('row', { name: /Tarnholt Ness 4/ })).toContainText('owned');
  const free = await priceOf(page);
  await owned.click();
  await done(page);
  expect(await priceOf(page)).toBeGreaterThan(free);
});

test('prices are told before mailed rebates, and after them no machine is dearer; nor is it cheaper where drives have to last', async ({
  page,
}) => {
  await found(page);
  const before = await priceOf(page);
  await limits(page).getByRole('button', { name: 'prices before mailed rebates' }).click();
  await expect(limits(page).getByRole('button', { name: 'prices after mailed rebates' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await done(page);
  expect(await priceOf(page)).toBeLessThanOrEqual(before);
  await limits(page).getByRole('button', { name: 'prices after mailed rebates' }).click();
  await limits(page)
    .getByRole('button', { name: /^drives may fill within \d+ years$/ })
    .click();
  const lasting = limits(page).getByRole('button', { name: /^drives last all \d+ years$/ });
  await expect(lasting).toHaveAttribute('aria-pressed', 'true');
  await done(page);
  expect(await priceOf(page)).toBeGreaterThanOrEqual(before);
  await expect(cheapest(page)).not.toContainText('it is full after');
});

test('a range of prices narrows the frontier, by keys too, beside drafts and branded machines', async ({ page }) => {
  await openSeat(page, 'brief', OFFICE);
  await page.getByRole('button', { name: 'Find machines', exact: true }).click();
  await done(page);
  const frontier = page.getByRole('region', { name: 'From the cheapest to the best' });
  await expect(frontier).toContainText('□ branded machines');
  const count = async () => Number(/of (\d+)/.exec(await frontier.innerText())?.[1]);
  const all = await count();
  const up = frontier.getByRole('slider', { name: 'Prices up to' });
  await up.focus();
  await up.press('Home');
  await expect(up).toHaveAttribute('aria-valuetext', /USD$/);
  // no less than one step is left, and what is in it can still be looked at
  const from = Number(await frontier.getByRole('slider', { name: 'Prices from' }).getAttribute('aria-valuenow'));
  expect(Number(await up.getAttribute('aria-valuenow'))).toBeGreaterThanOrEqual(from);
  await up.press('End');
  expect(await count()).toBe(all);
  await settled(page);
});
