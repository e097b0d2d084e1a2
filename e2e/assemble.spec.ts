import { expect, test } from './test';
import { noBarriersInEither, openSeat, settled } from './helpers';

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
  await noBarriersInEither(page, 'plan of an assembly');
  await expect(pane).toContainText('it lies over the headers at the lower edge');
  await page.keyboard.press('ArrowDown');
  await expect(pane.getByRole('heading', { level: 2 })).toContainText('8-pin card power');

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
