import { expect, test, type Page } from './test';
import {
  noBarriersInEither,
  draftMenu,
  beam,
  findings,
  openSeat,
  settled,
  startSeat,
  openAll,
  opened,
} from './helpers';

test.describe('the tray', () => {
  test('ranks candidates by effect, previews with the arrow keys and takes with Enter', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: /^Palisar Gale 12, / }).click();
    const list = page.getByRole('listbox', { name: 'Candidates for the graphics card' });
    await expect(list.getByRole('option').first()).toBeVisible();
    const before = await page.getByRole('contentinfo', { name: 'Ledger' }).textContent();
    await list.press('ArrowDown');
    await expect(page.getByRole('status')).toContainText('preview, not taken');
    await expect(list.getByRole('option', { selected: true })).toHaveCount(1);
    await list.press('ArrowDown');
    // Escape leaves without a change
    await list.press('Escape');
    await expect(page.getByRole('contentinfo', { name: 'Ledger' })).toHaveText(before ?? '');

    await page.getByRole('button', { name: /^Palisar Gale 12, / }).click();
    await page.getByLabel('Narrow the candidates').fill('gale 16 slim');
    await expect(list.getByRole('option')).toHaveCount(1);
    await page.getByLabel('Narrow the candidates').press('ArrowDown');
    await page.getByLabel('Narrow the candidates').press('Enter');
    await settled(page);
    await expect(page.getByRole('button', { name: /^Palisar Gale 16 Slim, / })).toBeVisible();
  });

  test('asks for the parts of a kind when somebody looks at it, never for all there are', async ({ page }) => {
    const asked: string[] = [];
    page.on('request', (request) => asked.push(new URL(request.url()).pathname));
    await openSeat(page, 'draft');
    await expect(page.getByText('Trying remedies')).toHaveCount(0);
    expect(asked).toContain('/api/catalogue/used');
    // no finding of this draft is mended by another kit
    expect(asked).not.toContain('/api/catalogue/memory');
    await page.getByRole('button', { name: /^A2 32 GB/ }).click();
    await expect(
      page
        .getByRole('listbox', { name: /^Candidates for the memory/ })
        .getByRole('option')
        .first(),
    ).toBeVisible();
    expect(asked.filter((path) => path === '/api/catalogue/memory')).toHaveLength(1);
    expect(asked).not.toContain('/api/catalogue');
  });

  test('shows what does not fit and why', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: /^Halcyte Tern 12, / }).click();
    const list = page.getByRole('listbox');
    // everything that is no better, or does not fit, is behind a line
    await expect(list.getByRole('option', { name: /^\+ \d+ no better than what is there$/ })).toBeVisible();
    const misfit = list.getByRole('option', { name: /do not fit, and why$/ });
    await misfit.click();
    await expect(misfit).toHaveAccessibleName(/^− \d+ do not fit/);
    // only what is in sight is drawn, and narrowing brings it there, editions and all
    const narrow = page.getByLabel('Narrow the candidates');
    await narrow.fill('shearwater 14');
    await expect(list.getByRole('option', { name: /^Quernic Shearwater 14 [^C]/ })).toContainText(
      'has socket Gannet; Wexcombe Reef 4 has Dunlin',
    );
    // an edition of what is there says what differs, where it is chosen
    await narrow.fill('tern 12 cool');
    await expect(list.getByRole('option', { name: /^Halcyte Tern 12 Cool/ })).toContainText(
      'maximum package power 112 W instead of 165 W',
    );
    // an announced newer family needs firmware, and says so without blocking
    await narrow.fill('tern deep 12');
    await expect(list.getByRole('option', { name: /^Halcyte Tern Deep 12 [^C]/ })).toContainText('needs firmware 2.40');
  });

  test('draws what is in sight, and the keyboard reaches what is not', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: /^Halcyte Tern 12, / }).click();
    const list = page.getByRole('listbox', { name: 'Candidates for the processor' });
    const misfit = list.getByRole('option', { name: /do not fit, and why$/ });
    await misfit.click();
    const lines = Number(await misfit.getAttribute('aria-setsize'));
    expect(lines).toBeGreaterThan(20);
    await list.press('End');
    const last = list.getByRole('option', { selected: true });
    await expect(last).toHaveAttribute('aria-posinset', String(lines));
    await expect(last).toBeInViewport();
    // the first lines are not drawn any more
    await expect(list.locator('[aria-posinset="1"]')).toHaveCount(0);
    // all of it, when what stands above has been explained too
    await expect(list.getByText(/has socket/).first()).toBeVisible();
    await expect(last).toBeInViewport({ ratio: 0.99 });
    await list.press('Home');
    await expect(last).toHaveAttribute('aria-posinset', '1');
    await expect(last).toBeInViewport({ ratio: 0.99 });
  });

  test('a drive into an empty slot gets pinned there; its role and pin can be changed', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: /^M\.2 slot 4, empty/ }).click();
    await page.getByLabel('Narrow the candidates').fill('fenstore anchor 1 tb · tlc');
    await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Fenstore Anchor 1 TB');
    await page.getByLabel('Narrow the candidates').press('ArrowDown');
    await page.getByLabel('Narrow the candidates').press('Enter');
    await settled(page);
    await page.getByRole('button', { name: /^Fenstore Anchor 1 TB, / }).click();
    await expect(page.getByText('Pinned to M.2 slot 4: let it go')).toBeVisible();
    await page.getByRole('button', { name: 'backup', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Fenstore Anchor 1 TB, .*backup/ })).toBeVisible();
    await page.getByRole('button', { name: 'Leave it out' }).click();
    await expect(page.getByRole('button', { name: /^Fenstore Anchor 1 TB, / })).toHaveCount(0);
    await settled(page);
  });
});

test.describe('the brief', () => {
  test('changes in small editors and the beams follow', async ({ page }) => {
    await openSeat(page, 'brief');
    const task = page.getByRole('article', { name: 'Grade 5.4K raw' });
    const before = await task.getByRole('img').first().getAttribute('aria-label');
    await task.getByRole('button', { name: /^Correction steps: / }).click();
    const field = page.getByLabel('Correction steps', { exact: true });
    await field.fill('-3');
    await field.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'Between 0 and 200.' })).toBeVisible();
    await field.fill('150');
    await field.press('Enter');
    await expect(task).toContainText('150 correction steps');
    await settled(page);
    await expect.poll(() => task.getByRole('img').first().getAttribute('aria-label')).not.toBe(before);
    await page.reload();
    await expect(task).toContainText('150 correction steps');
  });

  test('gains and loses a task, and a sitting', async ({ page }) => {
    await openSeat(page, 'brief');
    await page.getByRole('button', { name: 'Add a task' }).click();
    await page.getByRole('menuitem', { name: /^Export a programme/ }).click();
    const added = page.getByRole('article', { name: 'Export', exact: true });
    await expect(added).toContainText('software, preset medium');
    await settled(page);
    await added.getByRole('button', { name: /^Leave Export out/ }).click();
    await expect(added).toHaveCount(0);
    await page.getByRole('button', { name: 'Add a sitting' }).click();
    await expect(page.getByRole('region', { name: /^Sitting Sitting / })).toHaveCount(1);
    await settled(page);
  });

  test('takes any display of the library, not only those that are in use', async ({ page }) => {
    await openSeat(page, 'brief', '/ninefathom/office');
    await page.getByRole('button', { name: 'all terms' }).click();
    await page.getByRole('button', { name: 'add a display' }).click();
    const displays = page.getByRole('menuitem', { name: /^Glasswater / });
    expect(await displays.count()).toBeGreaterThan(10);
    await displays.filter({ hasText: 'Sash 43 3840 60 Arm' }).click();
    await settled(page);
    await page.reload();
    await settled(page);
    // the terms stay open, as they were left
    await expect(page.getByText('Glasswater Sash 43 3840 60 Arm').first()).toBeVisible();
  });

  test('shows the sizes that follow and what each sitting demands', async ({ page }) => {
    await openSeat(page, 'brief');
    await expect(page.getByRole('row', { name: /^memory Reelwright asks for 32 GB: 40 with a margin / })).toContainText(
      '2 × 24 GB',
    );
    await opened(page, 'Drives by role');
    // what is kept grows by 15 % a year over four years: 1.6 TB of two tasks become 2.79 TB
    await expect(page.getByRole('row', { name: /^active / })).toContainText('2.79 TB at the end');
    await expect(page.getByText('2.79 TB more here, and 2.79 TB elsewhere')).toBeVisible();
    await page.getByRole('button', { name: 'all terms' }).click();
    await page.getByRole('button', { name: /^Growth a year: / }).click();
    await page.getByLabel('Growth a year', { exact: true }).fill('0');
    await page.getByLabel('Growth a year', { exact: true }).press('Enter');
    await expect(page.getByRole('row', { name: /^active / })).not.toContainText('at the end');
    // low-endurance cells as scratch do not last
    await expect(page.getByRole('row', { name: /^scratch / })).toContainText(/lasts 2\.\d years/);
    await page.getByText('Compare array levels').click();
    await expect(page.getByRole('row', { name: /^stripe / })).toContainText('none: the only copy');
    await expect(page.getByRole('row', { name: /^single parity 6 TB/ })).toBeVisible();
    const rates = await opened(page, 'Rates that the targets ask for');
    // processor work is told as times a core of the seat's present machine
    await expect(
      rates.getByRole('row', { name: /^all processor cores [\d.]+ × a core Export cinema master/ }),
    ).toBeVisible();
    await expect(rates).toContainText('one core of Present machine, working alone');
    const demands = await opened(page, 'What real time demands');
    await expect(demands.getByLabel(/^Cutting: .*Cut UHD dive footage .*TFLOP\/s/)).toBeVisible();
  });
});

test.describe('weigh and rivals', () => {
  test('the grid says what runs, at what rate, and what does not', async ({ page }) => {
    await openSeat(page, 'weigh');
    await page.getByRole('button', { name: 'Draft B', exact: true }).click();
    const grid = await opened(page, 'Source by timeline size');
    await expect(grid.getByRole('heading', { name: 'Source by timeline size, on Draft B' })).toBeVisible();
    await expect(page.getByRole('row', { name: /^software/ }).first()).toContainText('fps');
    await page.getByRole('button', { name: 'Export cinema master', exact: true }).click();
    await expect(page.getByRole('region', { name: 'Stages and next coin' })).toContainText('Time by stage, a frame');
    await expect(page.getByRole('region', { name: 'Stages and next coin' })).toContainText(
      'Bound by all processor cores',
    );
  });

  test('the next coin is ranked, and a step can be taken', async ({ page }) => {
    await openSeat(page, 'weigh');
    await page.getByRole('button', { name: 'Draft B', exact: true }).click();
    const panel = page.getByRole('region', { name: 'Stages and next coin' });
    await expect(panel.getByText(/swaps and additions tried/)).toBeVisible();
    await panel.getByRole('button', { name: 'Savings' }).click();
    await panel.getByRole('button', { name: 'Take it' }).first().click();
    await settled(page);
    await expect(page.getByRole('button', { name: /^Undo: .* for / })).toBeVisible();
  });

  test('a rival not sold in the region is compared without a price', async ({ page }) => {
    await openSeat(page, 'rivals');
    await page.getByRole('option', { name: /^Corriganvale Fell 20/ }).click();
    await expect(page.getByRole('heading', { name: 'Draft A against Corriganvale Fell 20' })).toBeVisible();
    await expect(await opened(page, 'Part by part')).toContainText('32 GB soldered to the board');
    await expect(await opened(page, 'What money does not measure')).toContainText('Memory is soldered');
  });
});

test.describe('manners', () => {
  test('the command field goes places, does things and finds parts', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.keyboard.press('Control+k');
    await page.getByLabel('Find or do').last().fill('spate five 2');
    await expect(
      page.getByRole('option', { name: 'Add Dromolite Spate Five 2 TB (drive)', exact: true }),
    ).toBeVisible();
    await page.getByLabel('Find or do').last().fill('weigh');
    await page.getByRole('option', { name: 'Weigh' }).click();
    await expect(page).toHaveURL(/weigh$/);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('Keys');
  });

  test('drafts are copied, and the copy goes its own way', async ({ page }) => {
    await openSeat(page, 'draft');
    await draftMenu(page, 'Copy');
    await expect(page.getByRole('button', { name: 'Draft A copy', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await findings(page, 'blocks')
      .first()
      .getByRole('button', { name: /^Northdraft Eddy 120 Twin for / })
      .click();
    await expect(findings(page, 'blocks')).toHaveCount(1);
    await settled(page);
    await page.getByRole('button', { name: 'Draft A', exact: true }).click();
    await expect(findings(page, 'blocks')).toHaveCount(2);
  });

  test('price and draw in the ledger can be asked why', async ({ page }) => {
    await openSeat(page, 'draft');
    const ledger = page.getByRole('contentinfo', { name: 'Ledger' });
    await ledger.getByRole('button', { name: /landed$/ }).click();
    const price = page.getByRole('dialog', { name: /^What Draft A costs, USD/ });
    // the best basket: each seller's order, then all of them
    await expect(price.getByRole('row', { name: /^In all/ })).toContainText('2,499.71');
    await expect(price.getByRole('row', { name: /^Bitharbour/ })).toContainText('1,006.21');
    await expect(price.getByRole('row', { name: /^Palisar Gale 12/ })).toContainText('521.27');
    await page.keyboard.press('Escape');
    await ledger.getByRole('button', { name: /sustained/ }).click();
    const power = page.getByRole('dialog', { name: 'What Draft A draws' });
    await expect(power).toContainText('delivers up to 700 W whatever its efficiency');
    await expect(power.getByRole('row', { name: /^Palisar Gale 12/ })).toContainText('200 W');
  });

  test('a draft is renamed and removed, and both are undone', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: 'Draft B', exact: true }).click();
    await draftMenu(page, 'Rename …');
    await page.getByLabel('Name of the draft', { exact: true }).fill('Quiet one');
    await page.getByLabel('Name of the draft', { exact: true }).press('Enter');
    await expect(page.getByRole('button', { name: 'Quiet one', exact: true })).toHaveAttribute('aria-pressed', 'true');
    await settled(page);
    await draftMenu(page, 'Remove');
    await expect(page.getByRole('button', { name: 'Quiet one', exact: true })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo: Removal of Quiet one' }).click();
    await expect(page.getByRole('button', { name: 'Quiet one', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Undo: Name Quiet one' }).click();
    await expect(page.getByRole('button', { name: 'Draft B', exact: true })).toBeVisible();
  });

  test('the power layer shows watts', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: 'Power', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Palisar Gale 12, / })).toContainText('200 W limit');
  });

  for (const station of ['brief', 'draft', 'weigh', 'rivals', 'buy', 'assemble'] as const)
    test(`${station}: readable by all, in both themes, and never wider than the window`, async ({ page }) => {
      await openSeat(page, station);
      await openAll(page);
      await expect(page.getByText(/Trying/)).toHaveCount(0);
      await readableByAll(page);
    });

  test("the draft's sheets: readable by all, in both themes, and never wider than the window", async ({ page }) => {
    await openSeat(page, 'draft');
    await page.getByRole('button', { name: 'Memory', exact: true }).click();
    await page.getByRole('button', { name: 'Compare the kits that fit' }).click();
    await expect(page.getByText(/faster stops paying at/)).toBeVisible();
    await readableByAll(page);
    await draftMenu(page, 'Compare with another');
    await expect(page.getByText(/lines differ/)).toBeVisible();
    await readableByAll(page);
    await page.getByRole('button', { name: 'Back to the map' }).click();
    await page.getByRole('button', { name: /^Wexcombe Reef 4, / }).click();
    await page.getByRole('button', { name: 'Its firmware' }).click();
    await expect(page.getByRole('heading', { name: 'Firmware of Wexcombe Reef 4' })).toBeVisible();
    await expect(page.getByRole('option').first()).toBeVisible();
    await readableByAll(page);
  });
});

/** No barrier that a checker finds, in the light and the dark, and nothing wider than the window. */
async function readableByAll(page: Page): Promise<void> {
  await noBarriersInEither(page, 'the station');
  for (const width of [1024, 1920, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
      `${width} px`,
    ).toBeLessThanOrEqual(0);
  }
}

test('a seat started from nothing says what to do next', async ({ page }) => {
  await startSeat(page, 'Sound room');
  await expect(page.getByText(/What does this person do\?/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a task' }).click();
  await page.getByRole('menuitem', { name: /^Desk base/ }).click();
  await settled(page);
  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await expect(findings(page, 'blocks')).toHaveCount(6);
  await page.getByRole('button', { name: /^No board/ }).click();
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  await page.getByRole('listbox').press('ArrowDown');
  await page.getByRole('listbox').press('Enter');
  await settled(page);
  await expect(findings(page, 'blocks').filter({ hasText: 'no board' })).toHaveCount(0);
  await expect(beam(page, 'Desk base')).toHaveAccessibleName(/does not run/);
});
