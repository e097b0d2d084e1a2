import { expect, test, type Page } from './test';
import { beam, findings, openSeat, SEAT, settled, opened } from './helpers';

test.describe('the film desk, from brief to branded comparison', () => {
  test('by mouse', async ({ page }) => {
    // everything moves, as it does for most people; the other tests are of those who asked for stillness
    await page.emulateMedia({ reducedMotion: 'no-preference' });
    await openSeat(page, 'draft');
    await page.goto('/');
    await expect(page.getByRole('article', { name: 'Film desk', exact: true })).toContainText('2 to change');
    await page.getByRole('link', { name: 'Film desk', exact: true }).click();

    // the brief is sentences; the beam beside each task is unproven for want of a figure
    await expect(page.getByRole('article', { name: 'Cut UHD dive footage' })).toContainText('8 correction steps');
    await page.getByRole('link', { name: 'Draft', exact: true }).click();

    // two real mistakes and one unknown figure
    await expect(findings(page, 'blocks')).toHaveCount(2);
    await expect(findings(page, 'blocks').first()).toContainText('is 168 mm high; Marlhouse Quay Glass leaves 165 mm');
    await expect(findings(page, 'unproven')).toHaveCount(1);
    await expect(beam(page, 'Cut UHD dive footage')).toHaveAccessibleName(/unproven, because a figure is unknown/);

    // the unknown figure is filled in on the spot
    await page.getByLabel(/Fenstore Flume 2 TB: sequential write after its cache/).fill('900');
    await page.getByRole('button', { name: 'Fill in' }).click();
    await expect(findings(page, 'unproven')).toHaveCount(0);
    await expect(beam(page, 'Cut UHD dive footage')).toHaveAccessibleName(/gets 13\d of 25 frames per second, carries/);

    // remedies found by trying mend both mistakes
    await findings(page, 'blocks')
      .first()
      .getByRole('button', { name: /^Marlhouse Quay for Marlhouse Quay Glass/ })
      .click();
    await expect(findings(page, 'blocks')).toHaveCount(1);
    await settled(page);
    await findings(page, 'blocks')
      .first()
      .getByRole('button', { name: /^Gatewick Brazier 800 Fixed for Voltarn Hearth 700/ })
      .click();
    await expect(findings(page, 'blocks')).toHaveCount(0);
    await expect(page.getByText(/Nothing blocks, all work runs, nothing is unproven/)).toBeVisible();
    await settled(page);

    // weighed against the other draft and the present machine
    await page.getByRole('link', { name: 'Weigh', exact: true }).click();
    const row = page.getByRole('row', { name: /^Grade 5.4K raw/ });
    await expect(row.getByRole('button', { name: /carries/ })).toHaveCount(3);
    await expect(row.getByRole('button', { name: /falls short/ })).toHaveCount(1);

    // and next to a branded machine
    await page.getByRole('link', { name: 'Rivals', exact: true }).click();
    await page.getByRole('option', { name: /^Aldmoor Quarry T5/ }).click();
    await expect(page.getByRole('heading', { name: 'Draft A against Aldmoor Quarry T5' })).toBeVisible();
    const price = page.getByRole('region', { name: 'Price and speed' });
    const both = await opened(page, 'Both prices');
    await expect(both.getByRole('row', { name: /^Landed, tax and shipping in/ })).toContainText('4,083.93 USD');
    await expect(price.getByLabel(/^Price, landed: 0\.\d+ of its price/)).toBeVisible();
    await expect(await opened(page, 'Part by part')).toContainText('not published: Tarnholt Ness 5 stands in');
  });

  test('by keyboard alone, hearing the beams as sentences', async ({ page }) => {
    await openSeat(page, 'draft');
    await page.goto(`${SEAT}/brief`);
    await settled(page);
    await page.keyboard.press('g');
    await page.keyboard.press('2');
    await expect(page).toHaveURL(/draft$/);
    expect(await beam(page, 'Grade 5.4K raw').getAttribute('aria-label')).toMatch(
      /^Grade 5\.4K raw: gets 3\d\.?\d* of 24 frames per second, carries\. Show why\.$/,
    );
    expect(await beam(page, 'Cooler clearance').getAttribute('aria-label')).toMatch(
      /needs 168 of 165 millimetres, falls short/,
    );

    // the why of a beam opens, is read, and closes
    await focusOn(page, /^Grade 5.4K raw: /);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toContainText('Why: Grade 5.4K raw');
    await expect(page.getByRole('dialog')).toContainText('temporal noise reduction, strong');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);

    // fill the figure in
    await focusOn(page, /^Fenstore Flume 2 TB: sequential write after its cache/);
    await page.keyboard.type('900');
    await page.keyboard.press('Enter');
    await expect(findings(page, 'unproven')).toHaveCount(0);
    await expect(beam(page, 'Export cinema master')).toHaveAccessibleName(/takes \d+ min of 40 min allowed/);

    // take two remedies
    await focusOn(page, /^Marlhouse Quay for Marlhouse Quay Glass/);
    await page.keyboard.press('Enter');
    await expect(findings(page, 'blocks')).toHaveCount(1);
    await settled(page);
    await focusOn(page, /^Gatewick Brazier 800 Fixed for Voltarn Hearth 700/);
    await page.keyboard.press('Enter');
    await expect(findings(page, 'blocks')).toHaveCount(0);
    await settled(page);

    await page.keyboard.press('g');
    await page.keyboard.press('4');
    await expect(page).toHaveURL(/rivals$/);
    await focusOn(page, /^Stellmark Girder X: /);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Draft A against Stellmark Girder X' })).toBeVisible();
    expect(await page.getByLabel(/^Work for the money: /).getAttribute('aria-label')).toMatch(/× as much/);
  });

  test('a remedy is undone after a reload', async ({ page }) => {
    await openSeat(page, 'draft');
    await findings(page, 'blocks')
      .first()
      .getByRole('button', { name: /^Northdraft Eddy 120 Twin for / })
      .click();
    await expect(findings(page, 'blocks')).toHaveCount(1);
    await settled(page);
    await page.reload();
    await expect(findings(page, 'blocks')).toHaveCount(1);
    await page.getByRole('button', { name: 'Undo: Northdraft Eddy 120 Twin for Northdraft Eddy 140 Twin' }).click();
    await expect(findings(page, 'blocks')).toHaveCount(2);
    await page.reload();
    await expect(findings(page, 'blocks')).toHaveCount(2);
    await page.keyboard.press('Control+Shift+z');
    await expect(findings(page, 'blocks')).toHaveCount(1);
    await page.keyboard.press('Control+z');
    await expect(findings(page, 'blocks')).toHaveCount(2);
  });
});

/** Tabs until the wanted control has the focus, as somebody without a mouse does. */
async function focusOn(page: Page, name: RegExp): Promise<void> {
  await expect(page.getByLabel(name).or(page.getByRole('button', { name })).first()).toBeVisible();
  for (let presses = 0; presses < 160; presses++) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const element = document.activeElement;
      const field = element instanceof HTMLInputElement ? element.labels?.[0]?.textContent : undefined;
      return element?.getAttribute('aria-label') ?? field ?? element?.textContent ?? '';
    });
    if (name.test(label.trim())) return;
  }
  throw new Error(`${String(name)} cannot be reached with the Tab key`);
}
