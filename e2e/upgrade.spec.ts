import { expect, test } from './test';
import { noBarriersInEither, opened, openSeat } from './helpers';

test('from the present machine: what it costs net, when it pays, what is sold and what moves on, and what first', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await openSeat(page, 'weigh');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  const upgrade = await opened(page, 'From the present machine');
  await expect(upgrade).toContainText(
    /Draft B costs [\d,.]+ USD net of what is sold, and somebody waits [\d.]+ h a week less/,
  );
  await expect(upgrade).toContainText(/It pays if an hour is worth [\d,.]+ USD within a year/);
  await expect(upgrade).toContainText('“Grade 5.4K raw”');
  const first = upgrade.getByRole('region', { name: 'What first' });
  await expect(first.getByRole('listitem').first()).toContainText(/^1 .+ meet their targets/, { timeout: 30_000 });
  await expect(first.getByRole('listitem')).toHaveCount(5);
  await noBarriersInEither(page, 'from the present machine');

  // the core is one decision, and the board that is there has an end
  await upgrade.getByRole('button', { name: 'The core alone' }).click();
  const core = upgrade.getByRole('region', { name: 'The core alone' });
  await core.getByRole('button', { name: 'Try each socket' }).click();
  await expect(core.getByRole('status')).toContainText('Proven', { timeout: 60_000 });
  await expect(core.getByRole('row')).toHaveCount(6);
  await expect(core.getByRole('row').nth(1)).toContainText(/[\d,.]+ .*[\d.]+ ×/s);
  await upgrade.getByRole('button', { name: 'How far each board goes' }).click();
  await expect(upgrade.getByRole('region', { name: /^How far .* goes$/ }).first()).toContainText(
    'Processor: a dead end',
    { timeout: 30_000 },
  );

  // a price by hand is what it is sold for, and a spare brings nothing
  const net = async (): Promise<number> => {
    const [, text = ''] = /costs ([\d,.]+) USD net/.exec(await upgrade.innerText()) ?? [];
    return Number(text.replace(/,/g, ''));
  };
  const before = await net();
  await upgrade.getByRole('button', { name: 'What is sold' }).click();
  await upgrade.getByRole('button', { name: /^Price for Palisar Breeze 6/ }).click();
  const price = page.getByRole('textbox', { name: 'Price for Palisar Breeze 6' });
  await price.fill('200');
  await price.press('Enter');
  await expect(upgrade).toContainText('200.00 USD, set by hand');
  const dearer = await net();
  expect(dearer).toBeLessThan(before - 100);
  await upgrade.getByRole('button', { name: /^What becomes of Palisar Breeze 6/ }).click();
  await page
    .getByRole('group', { name: 'What becomes of Palisar Breeze 6' })
    .getByRole('button', { name: 'kept as a spare' })
    .click();
  await expect.poll(net).toBeCloseTo(dearer + 200 * 0.88 - 9.5, 1);

  // what is there already is not bought again
  await expect(upgrade).toContainText('There already, and bought again: Marlhouse Quay');
  await upgrade.getByRole('button', { name: 'use what is there' }).click();
  await expect(upgrade).toContainText(/Moves on: Marlhouse Quay/);
  await expect.poll(net).toBeLessThan(dearer);
});

test('what leaves can go to a seat that could use it, a measurement is named, and the purchases become a plan', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await openSeat(page, 'weigh');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  const upgrade = await opened(page, 'From the present machine');
  await upgrade.getByRole('button', { name: 'What to measure first' }).click();
  const measure = upgrade.getByRole('region', { name: 'Measure first' });
  await expect(measure).toContainText(/^Measure .+ on the machine that is there: the doubt about .+ narrower/, {
    timeout: 30_000,
  });
  await expect(measure.locator('code').first()).toContainText(/^(ffmpeg|fio|stress-ng) /);

  await upgrade.getByRole('button', { name: 'What is sold' }).click();
  await upgrade.getByRole('button', { name: 'Who could use them?' }).click();
  const card = upgrade.getByRole('listitem').filter({ hasText: /^Palisar Breeze 6/ });
  await expect(card).toContainText(/could use it in .+ in place of .+, and saves [\d,.]+ USD/, { timeout: 60_000 });
  await card.getByRole('button', { name: 'give it there' }).first().click();
  await expect(card).toContainText(/goes to another seat, which saves [\d,.]+ USD there/);
  await expect(upgrade).toContainText(/and [\d,.]+ USD that other seats save\./);

  const first = upgrade.getByRole('region', { name: 'What first' });
  await first.getByRole('button', { name: 'Plan these purchases with dates' }).click({ timeout: 30_000 });
  await expect(page.getByRole('button', { name: 'Draft B, step by step', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const plan = await opened(page, 'Plan over the years');
  await expect(plan).toContainText(/Draft B, step by step, in 5 phases, costs at least [\d,.]+ USD/, {
    timeout: 30_000,
  });
});
