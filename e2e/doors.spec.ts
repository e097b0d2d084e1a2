import { expect, test, type Page } from './test';
import { noBarriers, noBarriersInEither, draftMenu, opened, openSeat, settled } from './helpers';

const answer = (page: Page) => page.getByRole('heading', { level: 1 }).first();

test.describe('three doors', () => {
  test('from the work: three clicks to a brief with its sizes, in a project of its own', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: /^From the work/ }).click();
    await page.getByRole('button', { name: /^Play and record/ }).click();
    await page.getByRole('button', { name: 'Make the brief' }).click();
    await expect(page).toHaveURL(/\/my-project\/play-and-record\/brief$/);
    await expect(answer(page)).toHaveText('No machine is drafted for this work yet');
    await expect(page.getByRole('article', { name: 'Walk through a scene' })).toBeVisible();
    await expect(page.getByRole('article', { name: 'Live programme' })).toBeVisible();
    // what follows from the work before any part is chosen
    const sizes = page.getByRole('region', { name: 'What it demands' });
    await expect(sizes.getByRole('row', { name: /^memory \d/ })).toContainText(/\d+ × \d+ GB/);
    await expect(sizes.getByRole('row', { name: /^graphics memory \d/ })).toContainText(/\d+ GB/);
    await page.goto('/');
    await expect(page.getByRole('region', { name: 'My project' })).toContainText('Play and record');
    await expect(page.getByRole('region', { name: 'Ninefathom Survey Cooperative' })).not.toContainText(
      'Play and record',
    );
  });

  test('the answers go into the brief, and a wrong one is told at its field', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: /^From the work/ }).click();
    await page.getByRole('button', { name: /^Cut and grade film/ }).click();
    await page.getByRole('button', { name: '5424 × 2880' }).click();
    await page.getByRole('button', { name: 'all day' }).click();
    await page.getByLabel('How much money?').fill('a lot');
    await page.getByRole('button', { name: 'Make the brief' }).click();
    await expect(page.getByText('is no amount; leave it empty when it is not decided')).toBeVisible();
    await page.getByLabel('How much money?').fill('4200');
    await page.getByLabel('Seat', { exact: true }).fill('Wide room');
    await page.getByRole('button', { name: 'Make the brief' }).click();
    await expect(page).toHaveURL(/wide-room\/brief$/);
    await expect(page.getByRole('button', { name: /^Budget: 4,200\.00 USD/ })).toBeVisible();
    await expect(page.getByRole('article', { name: 'Cut', exact: true })).toContainText('5.4K');
    await expect(page.getByText('35 h a week').first()).toBeVisible();
  });

  test('from the machine that is there: its draft is the present one', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: /^From the machine I have/ }).click();
    await page.getByLabel('Seat', { exact: true }).fill('Old one');
    await page.getByRole('button', { name: 'Name its parts' }).click();
    await expect(page).toHaveURL(/old-one\/draft$/);
    await expect(answer(page)).toHaveText('Nothing is in this draft yet');
    await expect(page.getByRole('button', { name: 'Present machine', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  });

  test('from the machine that is there in words: what is named and what is only like it', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: /^From the machine I have/ }).click();
    await page.getByLabel('Seat', { exact: true }).fill('Said one');
    await page.getByLabel('What is in it').fill('a 6-core of three years ago, 32 GB, Palisar Gale 12, toaster');
    const understood = page.getByRole('list', { name: 'What was understood' });
    await expect(understood.getByRole('listitem')).toHaveCount(4);
    await expect(understood).toContainText(/Processor like .+, one of \d+ from .+ to .+, bought about 20\d\d-\d\d/);
    await expect(understood).toContainText('Graphics card Palisar Gale 12');
    await expect(understood).toContainText('“toaster”: not understood');
    await page.getByRole('button', { name: 'Name its parts' }).click();
    await expect(page).toHaveURL(/said-one\/draft$/);
    await expect(page.getByRole('button', { name: /Palisar Gale 12/ }).first()).toBeVisible();
  });
});

test('each station answers before it shows evidence', async ({ page }) => {
  await page.goto('/');
  await expect(answer(page)).toHaveText(/^\w+ of nine seats needs? you$/);
  await openSeat(page, 'brief');
  await expect(answer(page)).toHaveText(/^.+ does .+ of six tasks; Export cinema master may fall short: /);
  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await expect(answer(page)).toHaveText('It does three of six tasks; of its parts 2 are to be changed');
  await page.getByRole('link', { name: 'Weigh', exact: true }).click();
  await expect(answer(page)).toHaveText(
    /^Draft B does five of six tasks for 2,761\.58 USD and “Two lesser cards” as many /,
  );
  await page.getByRole('link', { name: 'Rivals', exact: true }).click();
  await expect(answer(page)).toHaveText(/^Draft A does three of six tasks for 2,499\.71 USD; Aldmoor Quarry T3 does /);
  await page.getByRole('link', { name: 'Buy', exact: true }).click();
  await expect(answer(page)).toHaveText(/2,499\.71 USD landed in 4 orders/);
});

test('a station says little before anything is opened, and stays as it was left', async ({ page }) => {
  for (const station of ['brief', 'draft', 'weigh', 'rivals', 'buy', 'assemble'] as const) {
    await openSeat(page, station);
    await expect(page.getByText(/Trying/)).toHaveCount(0, { timeout: 60_000 });
    const words = (await page.getByRole('main').innerText()).split(/\s+/).filter(Boolean);
    expect(words.length, station).toBeLessThan(700);
  }
  await openSeat(page, 'rivals');
  await opened(page, 'Part by part');
  await page.reload();
  const line = page.getByRole('region', { name: 'Part by part' }).getByRole('button').first();
  await expect(line).toHaveAttribute('aria-expanded', 'true');
  await line.click();
  await page.reload();
  await expect(line).toHaveAttribute('aria-expanded', 'false');
});

test('a change that mends several findings is offered once, and elsewhere where the first is folded away', async ({
  page,
}) => {
  await openSeat(page, 'draft');
  const larger = page.getByRole('button', { name: /^Ketterlode Lock 4 TB for Fenstore Flume 2 TB/ });
  const full = page.getByRole('article', {
    name: /^caution: The active drive keeps 1,598 of 2,000 GB; growing 15 % a year/,
  });
  await expect(full).toContainText(/Mended too by .* above/);
  await expect(larger).toHaveCount(1);
  const first = page.getByRole('region', { name: 'Find out' }).getByRole('button').first();
  await first.click();
  await expect(full.getByRole('button', { name: /^Ketterlode Lock 4 TB/ })).toBeVisible();
  await expect(larger).toHaveCount(1);
  await first.click();
  await expect(full).toContainText(/Mended too by .* above/);
  await expect(larger).toHaveCount(1);
});

test('shown around: six places by keyboard, from the desk or the help, and left at any time', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Show me around' }).click();
  const stop = page.getByRole('dialog');
  await expect(stop.getByRole('heading')).toHaveText('A beam says whether it is enough');
  await expect(page).toHaveURL(/\/film-desk\/draft/);
  await page.keyboard.press('Enter');
  await expect(stop.getByRole('heading')).toHaveText('The machine, drawn from its board');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(stop.getByRole('heading')).toHaveText('Where the verdict stands');
  await page.keyboard.press('ArrowLeft');
  await expect(stop.getByRole('heading')).toHaveText('What is wrong, and what mends it');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Enter');
  await expect(stop).toContainText('6 of 6');
  await page.keyboard.press('Enter');
  await expect(stop).toHaveCount(0);
  // from another station, by the help; Escape leaves
  await page.getByRole('link', { name: 'Weigh', exact: true }).click();
  await page.getByRole('button', { name: 'Help' }).click();
  await page.getByRole('button', { name: 'Show me around' }).click();
  await expect(page).toHaveURL(/\/film-desk\/draft$/);
  await expect(stop.getByRole('heading')).toHaveText('A beam says whether it is enough');
  await noBarriers(page, 'a stop of the round');
  await page.keyboard.press('Escape');
  await expect(stop).toHaveCount(0);
});

test('the theme follows the system until somebody chooses, and the choice is kept', async ({ page }) => {
  const paper = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/');
  const light = await paper();
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(paper).not.toBe(light);
  await page.getByRole('button', { name: 'Theme: as the system. Use the light one' }).click();
  await expect.poll(paper).toBe(light);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Theme: light/ })).toBeVisible();
  await expect.poll(paper).toBe(light);
});

test('nothing moves for who asked for stillness', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openSeat(page, 'draft');
  const moving = await page.evaluate(
    () =>
      [...document.querySelectorAll('main *')].filter((element) => {
        const { transitionDuration, animationName } = getComputedStyle(element);
        return transitionDuration.split(',').some((text) => parseFloat(text) > 0) || animationName !== 'none';
      }).length,
  );
  expect(moving).toBe(0);
});

test('Desk and Workshop: few words, nothing wider than the window, no barrier in either theme', async ({ page }) => {
  for (const path of ['/', '/workshop']) {
    await page.goto(path);
    await expect(answer(page)).toBeVisible();
    await expect(page.getByRole('button', { name: /^Theme: / })).toBeVisible();
    await noBarriersInEither(page, path);
    for (const width of [1024, 1280, 1920]) {
      await page.setViewportSize({ width, height: 700 });
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
        path,
      ).toBeLessThanOrEqual(0);
    }
  }
  await page.goto('/');
  const words = await page.getByRole('main').innerText();
  expect(words.split(/\s+/).filter(Boolean).length).toBeLessThan(400);
});

test('a project that was removed comes back with its seats, also after the page was left', async ({ page }) => {
  await page.goto('/');
  const project = page.getByRole('region', { name: 'Quillstone Workshop' });
  await project.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(project).toHaveCount(0);
  await page.goto('/workshop');
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Bring it back' })).toHaveCount(0);
  await page.goto('/');
  await expect(project.getByRole('article', { name: 'Proving bench' })).toBeVisible();
});

test('undo takes back this window’s step and leaves the other’s; one without steps is asked first', async ({
  page,
  context,
}) => {
  await openSeat(page, 'draft');
  const other = await context.newPage();
  await openSeat(other, 'draft');
  await draftMenu(page, 'Rename …');
  await page.getByLabel('Name of the draft').fill('First window');
  await page.getByRole('button', { name: 'Keep' }).click();
  await settled(page);
  // the other window has made no step: it is told whose the last one is, and may leave it
  await other.reload();
  await settled(other);
  await other.getByRole('button', { name: 'Undo another window’s step: Name First window' }).click();
  const asked = other.getByRole('alert').filter({ hasText: 'is another window’s' });
  await expect(asked).toContainText('Name First window');
  await asked.getByRole('button', { name: 'Leave as it is' }).click();
  await expect(other.getByRole('button', { name: 'First window', exact: true })).toBeVisible();
  await other.getByRole('button', { name: 'Undo another window’s step: Name First window' }).click();
  await asked.getByRole('button', { name: 'Take it back' }).click();
  await expect(other.getByRole('button', { name: 'Draft A', exact: true })).toBeVisible();
  await other.close();
});
