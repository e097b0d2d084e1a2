import { expect, test, type Page } from './test';
import { noBarriersInEither } from './helpers';

/** A seat through the door from the work, in a project. */
async function begun(page: Page, card: RegExp, money: string, seat: string, project: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: /^From the work/ }).click();
  await page.getByRole('button', { name: card }).click();
  await page.getByLabel('How much money?').fill(money);
  await page.getByLabel('Seat', { exact: true }).fill(seat);
  const choice = page.getByRole('combobox', { name: 'Project' });
  await choice.click();
  const known = page.getByRole('option', { name: project, exact: true });
  if (await known.isVisible()) await known.click();
  else {
    await page.getByRole('option', { name: /new project/i }).click();
    await page.getByLabel('New project').fill(project);
  }
  await page.getByRole('button', { name: 'Make the brief' }).click();
  await expect(page).toHaveURL(/brief$/);
}

test('one budget over two seats: shared out, who gains and who loses, one counts more, too little is told', async ({
  page,
}) => {
  test.setTimeout(240_000);
  // more cores than a machine that runs tests may have: each seat has a worker of its own
  await page.addInitScript(() => Object.defineProperty(navigator, 'hardwareConcurrency', { get: () => 4 }));
  await begun(page, /^Work at a plain desk/, '450', 'Front desk', 'Harbour office');
  await begun(page, /^Work at a plain desk/, '700', 'Back desk', 'Harbour office');
  await page.goto('/');
  const project = page.getByRole('region', { name: 'Harbour office' });
  await project.getByRole('button', { name: 'One budget' }).click();
  const team = project.getByRole('region', { name: 'One budget for all seats' });
  await expect(team).toContainText('Share 1,150.00 USD over the seats');
  await team.getByRole('button', { name: 'Share it out' }).click();
  await expect(team.getByRole('status')).toContainText('Proven: no other way of sharing it does more', {
    timeout: 200_000,
  });
  await expect(team).toContainText(/2 machines for [\d,.]+ USD/);
  await expect(team).toContainText(
    /500\.00 USD less: (Front|Back) desk|500\.00 USD less would change nothing|With 500\.00 USD less not every seat/,
  );
  await expect(team.getByRole('row')).toHaveCount(3);
  await expect(team).toContainText(/Bought in one basket (they cost as much|[\d,.]+ USD are saved)/);
  // one shelf for both desks: every kind is stood in for, and sharing never takes more than one of each different part
  await team.getByRole('button', { name: 'Which spares would do for all desks?' }).click();
  const shelf = team.getByRole('region', { name: 'Spares for all desks' });
  await expect(shelf).toContainText(/\d+ spares? for [\d,.]+ USD stands? in for \d+ pieces at all desks\./);
  await expect(shelf.getByRole('row').filter({ hasText: 'power supply' })).toContainText('all 2');
  await noBarriersInEither(page, 'one budget for all seats');
  // what is set for a seat is shared out at once, over the machines that are known
  await team.getByRole('button', { name: /^The least for Back desk/ }).click();
  const least = page.getByRole('textbox', { name: 'The least for Back desk' });
  await least.fill('100000');
  await least.press('Enter');
  await expect(team).toContainText('No machine is known for Back desk.');
});

test('every seat soon has a machine to share over, and the search is stopped with what it has', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/');
  const project = page.getByRole('region', { name: 'Ninefathom Survey Cooperative' });
  await project.getByRole('button', { name: 'One budget' }).click();
  const team = project.getByRole('region', { name: 'One budget for all seats' });
  await team.getByRole('button', { name: 'Share it out' }).click();
  await expect(team).toContainText(/First a machine for each: \d of 8 seats have one/, { timeout: 60_000 });
  // the cheapest of none is proven yet
  await expect(team.getByRole('row')).toHaveCount(9, { timeout: 60_000 });
  await expect(team).toContainText(/8 machines for [\d,.]+ USD|The machines found so far cost [\d,.]+ USD together/);
  await team.getByRole('button', { name: 'Stop, keep what is known' }).click();
  await expect(team.getByRole('status')).toContainText(/Stopped: of \d seats? more machines may come/);
  await expect(team.getByRole('button', { name: 'Share it out' })).toBeEnabled();
});
