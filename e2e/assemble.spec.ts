import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './test';
import { noBarriersInEither, openSeat, settled } from './helpers';
import { measured } from './rig';

test('a draft is put together step by step: kept, taken back, and planned anew when a part is swapped', async ({
  page,
}) => {
  await openSeat(page, 'assemble');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  const plan = page.getByRole('region', { name: 'Plan' });
  await expect(plan.getByRole('heading', { level: 1 })).toContainText(
    /^\d+ steps, about [\d.]+ h: begin with “Open Marlhouse Quay, set the standoffs for ATX”$/,
  );
  const steps = plan.getByRole('list', { name: 'Steps' });
  const all = await steps.getByRole('listitem').count();
  expect(all).toBeGreaterThan(20);

  // why the card waits
  await steps.getByRole('button', { name: /Seat Lumoth Drift 16 in Card slot 1/ }).click();
  const pane = page.getByRole('region', { name: 'Step' });
  await expect(pane).toContainText('The usual mistake');
  await expect(pane).toContainText('counted from the processor down');
  await expect(pane.getByRole('img', { name: /the place of this step filled/ })).toBeVisible();
  await noBarriersInEither(page, 'plan of an assembly');
  await expect(pane).toContainText('it lies over the headers at the lower edge');
  await page.keyboard.press('ArrowDown');
  await expect(pane.getByRole('heading', { level: 2 }).first()).toContainText('8-pin card power');

  // done, by whom, and the next one
  await page.getByRole('textbox', { name: 'Who builds' }).fill('Ruan');
  await steps.getByRole('checkbox').first().check();
  await expect(steps.getByRole('listitem').first()).toContainText('2026-05-18, Ruan');
  await expect(plan.getByRole('heading', { level: 1 })).toContainText(/^1 of \d+ steps, .* left: next “Put Quernic/);
  await settled(page);
  await page.reload();
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  await expect(steps.getByRole('checkbox').first()).toBeChecked();

  // out of turn is said; taken back, it is not done
  await steps.getByRole('checkbox', { name: /^Done: Paste, then Brumeworks/ }).check();
  await expect(steps).toContainText('before its turn');
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect(steps.getByRole('checkbox', { name: /^Done: Paste, then Brumeworks/ })).not.toBeChecked();
  await expect(steps.getByRole('checkbox').first()).toBeChecked();
});

const part = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Part of the work' }).getByRole('button', { name, exact: true });

test('first start: what must be seen, and what to ask when there is no picture', async ({ page }) => {
  await openSeat(page, 'assemble');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  await part(page, 'First start').click();
  const start = page.getByRole('region', { name: 'First start' });
  await expect(start.getByRole('heading', { level: 1 })).toContainText(/^\d+ steps, about .*: on the bench first$/);
  await expect(start).toContainText('because in the case much would have to come out again');
  await expect(start).toContainText(/0 errors in 96 GiB, after about/);
  await expect(start).toContainText('16 lanes of generation 4 in Card slot 1');
  await start.getByRole('checkbox').first().check();
  await expect(start.getByRole('heading', { level: 1 })).toContainText(/^1 of \d+ steps/);
  await noBarriersInEither(page, 'first start');

  // answers lead to one reason, and can be taken back
  const dark = page.getByRole('region', { name: 'No picture' });
  for (let asked = 0; asked < 12 && !(await dark.getByRole('status').isVisible()); asked++)
    await dark.getByRole('button', { name: 'No', exact: true }).click();
  await expect(dark.getByRole('status')).toHaveCount(1);
  await dark.getByRole('button', { name: 'One back' }).click();
  await dark.getByRole('button', { name: 'Yes', exact: true }).click();
  await dark.getByRole('button', { name: 'From the beginning' }).click();
  await expect(dark.getByRole('button', { name: 'One back' })).toHaveCount(0);
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect(start.getByRole('checkbox').first()).not.toBeChecked();
});

test('proof: a machine that falls short, why, mended, and handed over', async ({ page, baseURL }) => {
  test.setTimeout(180_000);
  await openSeat(page, 'assemble');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  await part(page, 'Proof').click();
  const proof = page.getByRole('region', { name: 'Proof' });
  await expect(proof.getByRole('heading', { level: 1 })).toContainText(/^\d+ promises to prove$/);
  const bad = measured(baseURL ?? '', 'paste');
  await page.getByLabel('Files of readings').setInputFiles(bad.files);
  await expect(proof.getByRole('status')).toContainText('results are kept apart until the machine is seen to be sound');
  await expect(proof.getByRole('heading', { level: 1 })).toContainText(
    /readings fall short.*Most likely: The cooler does not touch well$/,
  );
  await expect(page.getByRole('region', { name: 'What is off' })).toContainText('Processor’s power');
  await expect(page.getByRole('region', { name: 'Likeliest causes' })).toContainText(
    'New paste, screws across in turns',
  );
  await expect(page.getByRole('button', { name: /^Let the predictions learn/ })).toHaveCount(0);
  await noBarriersInEither(page, 'proof that falls short');

  // typed by hand: bits for bytes are doubted, nonsense is refused, and nothing is lost
  const network = proof.getByRole('textbox', { name: 'Read: Network' });
  const was = await network.inputValue();
  await network.fill('much');
  await network.press('Enter');
  await expect(proof.getByRole('alert')).toContainText('Network: Type a number.');
  await network.fill(String(Number(was) / 8));
  await network.press('Enter');
  await expect(proof).toContainText('bits taken for bytes?');

  // mended and measured again
  const good = measured(baseURL ?? '', 'none');
  await page.getByLabel('Files of readings').setInputFiles(good.files);
  await expect(proof.getByRole('heading', { level: 1 })).toContainText(/promises are kept, \d+ to read$/);
  await page.getByRole('button', { name: /^Let the predictions learn from \d+ readings$/ }).click();
  await expect(page.getByRole('button', { name: /^Let the predictions learn/ })).toHaveCount(0);

  bad.gone();
  good.gone();

  await part(page, 'Hand-over').click();
  const over = page.getByRole('region', { name: 'Hand-over' });
  await expect(over.getByRole('heading', { level: 1 })).toContainText('Not all is done');
  for (const name of ['Lumoth Drift 16', 'Gatewick Anvil 850']) {
    const serial = over.getByRole('textbox', { name: `Serial number of ${name}` });
    await serial.fill('Q-1701');
    await serial.press('Enter');
  }
  await expect(over).toContainText('a serial number twice (Q-1701)');
  await expect(page.getByRole('region', { name: 'What still works when' })).toContainText('The pump of Brumeworks');
  await noBarriersInEither(page, 'hand-over');
  await settled(page);
  const [paper] = await Promise.all([
    page.waitForEvent('download'),
    over.getByRole('link', { name: 'Sheet for the client (PDF)' }).click(),
  ]);
  const bytes = readFileSync(await paper.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(20_000);
  await over.getByRole('button', { name: 'It is handed over' }).click();
  await expect(over.getByRole('button', { name: 'It is the client’s machine now' })).toBeDisabled();
  await settled(page);
  await page.keyboard.press('Control+z');
  await expect(over.getByRole('button', { name: 'It is handed over' })).toBeEnabled();
});
