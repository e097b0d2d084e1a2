import { expect, test } from './test';
import { judged, noBarriersInEither, opened, settled } from './helpers';

test('a plan of three phases: dated, verified, counted, and beside buying all at once', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/ninefathom/plankton-lab/weigh');
  await judged(page);
  await page.getByRole('button', { name: 'Less now, more later', exact: true }).click();
  const plan = await opened(page, 'Plan over the years');
  await expect(plan).toContainText(/Less now, more later, in 3 phases, costs [\d,.]+ USD over 4 years\./, {
    timeout: 30_000,
  });
  await expect(plan).toContainText('Every task does what is asked throughout');
  const phases = plan.getByRole('table', { name: 'Phases of the plan' });
  await expect(phases.getByRole('row')).toHaveCount(4);
  await expect(phases.getByRole('row', { name: /Larger card/ })).toContainText('Palisar Gale 16 leaves');
  const cost = async (): Promise<number> => {
    const [, text = ''] = /phases, costs ([\d,.]+) USD/.exec(await plan.innerText()) ?? [];
    return Number(text.replace(/,/g, ''));
  };
  const before = await cost();

  // against the other plan: what each would have cost if it ended then, and what the other no longer carries
  await plan.getByRole('button', { name: /^Plan to compare with/ }).click();
  await page
    .getByRole('group', { name: 'Plan to compare with' })
    .getByRole('button', { name: 'One large card' })
    .click();
  await expect(plan).toContainText(
    /from 2028-\d\d-18 on One large card\. At the end One large card costs [\d,.]+ USD less\./,
    {
      timeout: 30_000,
    },
  );
  await expect(plan).toContainText(/One large card: “Train the plankton classifier” falls short from 2030-02-18/);
  await expect(plan.getByText('What each would have cost if it ended then, USD of today')).toBeVisible();
  await noBarriersInEither(page, 'plan over the years');

  // a later day for the memory: the report model falls short until then, and something would help
  await plan.getByRole('button', { name: /^Day of Memory and archive/ }).click();
  const day = page.getByRole('group', { name: 'Day of Memory and archive' });
  await day.getByRole('spinbutton', { name: 'Year' }).fill('2027');
  await page.keyboard.press('Enter');
  await settled(page);
  const outgrown = plan.getByRole('list', { name: 'When the work outgrows it' });
  await expect(outgrown).toContainText(
    /“Tune the report model” falls short from 2026-11-18 .* until “Memory and archive” on 2027-11-02/,
    { timeout: 30_000 },
  );
  await outgrown.getByRole('button', { name: 'What then?' }).first().click();
  await expect(outgrown.getByRole('status')).toContainText(/it does what is asked then, for [\d,.]+ USD more/, {
    timeout: 60_000,
  });
  expect(await cost()).not.toBe(before);

  // what is taken out of the first phase is out of all of them, and each says so
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  await expect.poll(cost).toBe(before);
});

test('the rig seat’s board has a future: a processor is a dead end, a card is not', async ({ page }) => {
  await page.goto('/ninefathom/rig-design/weigh');
  await judged(page);
  const plan = await opened(page, 'Plan over the years');
  await plan.getByRole('button', { name: 'How far its board goes' }).click();
  await expect(plan).toContainText(/Processor: a dead end, \d+ others go in and none makes this work faster\./, {
    timeout: 60_000,
  });
  await expect(plan).toContainText(
    /Graphics card: \d+ others go in, \d+ of them faster\. The most: .+, [\d.]+ × as fast .+ For its money: .+, [\d.]+ × as fast/,
  );
});

test('buying now or waiting, and renewing early, rest on prices and terms', async ({ page }) => {
  await page.goto('/ninefathom/plankton-lab/weigh');
  await judged(page);
  const plan = await opened(page, 'Plan over the years');
  await plan.getByRole('button', { name: 'Buy now, or wait for what is announced' }).click();
  const wait = plan.getByRole('region', { name: 'Buy now or wait' });
  await expect(wait).toContainText('Halcyte Tern Deep 18 is announced for 2026-08-01, in 75 days', { timeout: 30_000 });
  await expect(wait).toContainText(
    /in \d+ cases at \d+ successions; over as many days in which nothing new came it was/,
  );
  await plan.getByRole('button', { name: 'Renewing software early' }).click();
  const renew = plan.getByRole('region', { name: 'Renewing software early' });
  // nothing is reckoned from figures that nobody said
  await expect(renew).toContainText('say the underlined figures');
  const say = async (figure: string, value: string): Promise<void> => {
    await renew.getByRole('button', { name: new RegExp(`^${figure} of`) }).click();
    const field = page.getByRole('textbox', { name: new RegExp(`^${figure} of`) });
    await field.fill(value);
    await field.press('Enter');
  };
  await say('Credits', '100');
  await say('Price in the packet', '0.80');
  await say('Usual price', '1');
  await say('Months valid', '12');
  await say('Used a month', '9');
  await expect(renew).toContainText('100 are used: the packet gains 20.00 USD; it pays from 6.67 a month on.');
  await say('Used a month', '5');
  await expect(renew).toContainText('60 are used and 40 lapse: the packet loses 20.00 USD');
});
