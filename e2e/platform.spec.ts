import { expect, test, type Page } from './test';
import { draftMenu, findings, openSeat, settled, SONAR, opened, judged } from './helpers';

const openKits = async (page: Page) => {
  await page.getByRole('button', { name: 'Memory', exact: true }).click();
  await page.getByRole('button', { name: 'Compare the kits that fit' }).click();
  await expect(page.getByText(/kits that fit\. For this brief faster stops paying at/)).toBeVisible();
};

test.describe('placement', () => {
  test('streams of a sitting are drawn with what they get, and a lesser board says which device loses how much', async ({
    page,
  }) => {
    await openSeat(page, 'draft', SONAR);
    await page.getByRole('button', { name: /^Streams of: / }).click();
    await page.getByRole('button', { name: 'At sea', exact: true }).click();
    await expect(page.getByText('▲ 2.6')).toBeVisible();
    await expect(
      page.getByText(/^Send on to the archive: .* to Relaypike Span 10, 500 MB\/s of 500 MB\/s/),
    ).toHaveCount(2);
    await expect(findings(page, 'caution')).toHaveCount(0);

    await page.getByRole('button', { name: 'Small board', exact: true }).click();
    const short = page.getByRole('article', {
      name: /Send on to the archive, .* 0\.84 of the 1 GB\/s .* Card slot 2 is too narrow/,
    });
    await expect(short).toBeVisible();
    // what mends several findings is offered at the first of them
    await expect(short).toContainText('Mended too by 2 changes above.');
    await page
      .getByRole('button', { name: /for Wexcombe Reef 2/ })
      .first()
      .click();
    await settled(page);
    await expect(short).toHaveCount(0);
    await page.getByRole('button', { name: /^Undo: / }).click();
    await expect(short).toBeVisible();
  });

  test('a device says why it sits where it does; a pin is hard and its cost is shown', async ({ page }) => {
    await openSeat(page, 'draft', SONAR);
    await page.getByRole('button', { name: /^Relaypike Span 25, / }).click();
    await expect(page.getByText('Relaypike Span 25 in Card slot 1 gets its 7.88 GB/s.')).toBeVisible();
    await page.getByRole('button', { name: /^Card slot 2, empty/ }).click();
    await page.getByLabel('Narrow the candidates').fill('Brine 8');
    await page
      .getByRole('option', { name: /Vessary Brine 8/ })
      .first()
      .dblclick();
    await settled(page);
    // the new card is pinned where it was put
    await page.getByRole('button', { name: /^Vessary Brine 8.*, Card slot 2/ }).click();
    await expect(page.getByRole('button', { name: 'Pinned to Card slot 2: let it go' })).toBeVisible();
    await page.getByRole('button', { name: 'Pinned to Card slot 2: let it go' }).click();
    await settled(page);
    await expect(page.getByRole('button', { name: /^Pin it to Card slot/ })).toBeVisible();
  });
});

test('memory is chosen on a sheet: in ns, by what both support, with lookalikes, and undone', async ({ page }) => {
  await openSeat(page, 'draft');
  await openKits(page);
  await expect(page.getByText(/Open row 12\.86 ns, closed 26\.43 ns/)).toBeVisible();
  await expect(page.getByText(/easily taken for Sablerow Slate 2x32 5600: CL 40 cycles, not 36/)).toBeVisible();
  await page.getByRole('button', { name: 'latency', exact: true }).click();
  const first = page.locator('tbody tr').first();
  const name = (await first.getByRole('button').first().textContent()) ?? '';
  await first.getByRole('button').first().click();
  await expect(page.getByRole('status').filter({ hasText: 'preview, not taken' })).toBeVisible();
  await first.getByRole('button', { name: 'Take it' }).click();
  await settled(page);
  await page.getByRole('button', { name: 'Back to the map' }).click();
  await expect(page.getByRole('button', { name: new RegExp(`^A2 .*${name}`) })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(page.getByRole('button', { name: /^A2 .*Sablerow Slate 2x32 5600/ })).toBeVisible();
});

test('firmware: the version to take, the steps, the way back; planned, the finding is gone', async ({ page }) => {
  await openSeat(page, 'draft');
  await page.getByRole('button', { name: /^Halcyte Tern 12, / }).click();
  await page.getByLabel('Narrow the candidates').fill('Tern Deep 12');
  await page
    .getByRole('option', { name: /Tern Deep 12/ })
    .first()
    .dblclick();
  await settled(page);
  const finding = page.getByRole('article', { name: /needs firmware 2\.40; Wexcombe Reef 4 comes with 2\.10/ });
  await finding.getByRole('button', { name: 'Steps and versions' }).click();
  await expect(page.getByText('The board flashes itself from a USB stick, with no processor in it.')).toBeVisible();
  await expect(page.getByText(/Load firmware 2\.40 from the board's maker/)).toBeVisible();
  await expect(page.getByText(/When it goes wrong: flash it again the same way/)).toBeVisible();
  await expect(page.getByRole('row', { name: /2\.45 release yes the first start after it trains/ })).toBeVisible();
  await page.getByRole('button', { name: 'Plan to flash 2.40 first' }).click();
  await settled(page);
  await expect(finding).toHaveCount(0);
  await expect(page.getByText('Set by hand to 2.40')).toBeVisible();
});

test('a later phase has its own parts, price and findings, and leaves the first alone', async ({ page }) => {
  await openSeat(page, 'draft');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  await judged(page);
  const now = await page.getByRole('button', { name: /landed$/ }).textContent();
  await draftMenu(page, 'Plan a later phase');
  await expect(page.getByRole('button', { name: /^Later adds 0\.00 USD landed$/ })).toBeVisible();
  await page.getByRole('button', { name: /^M\.2 slot 3, empty/ }).click();
  await page.getByLabel('Narrow the candidates').fill('Anchor 2 TB');
  await page
    .getByRole('option', { name: /Fenstore Anchor 2 TB/ })
    .first()
    .dblclick();
  await settled(page);
  await expect(page.getByRole('button', { name: /Fenstore Anchor 2 TB.*comes later/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Later adds [1-9][\d.]+ USD landed$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Now', exact: true }).click();
  await expect(page.getByRole('button', { name: /comes later/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /landed$/ })).toHaveText(now ?? '');
  await page.getByRole('link', { name: 'Weigh' }).click();
  await expect(page.getByRole('columnheader', { name: 'Draft B, Later' })).toBeVisible();
});

test('two drafts stand side by side, line by line', async ({ page }) => {
  await openSeat(page, 'draft');
  await draftMenu(page, 'Compare with another');
  await expect(page.getByText(/^8 lines differ, 4 the same$/)).toBeVisible();
  await expect(page.getByRole('row', { name: /Voltarn Hearth 700 Gatewick Anvil 850/ })).toBeVisible();
  await expect(page.getByText('Only in Draft A')).toBeVisible();
  await page
    .getByRole('group', { name: 'Draft to compare with' })
    .getByRole('button', { name: 'Present machine' })
    .click();
  await expect(page.getByRole('row', { name: /Halcyte Tern 12 Halcyte Knot 8/ })).toBeVisible();
});

test('findings stand by what is to be done; what is more than needed frees money', async ({ page }) => {
  await openSeat(page, 'draft');
  await expect(page.getByRole('region', { name: 'Change before ordering' }).getByRole('article')).toHaveCount(1);
  await expect(page.getByRole('region', { name: 'Add', exact: true }).getByRole('article')).toHaveCount(1);
  await expect(page.getByRole('region', { name: 'Find out' }).getByRole('article')).toHaveCount(1);
  const save = await opened(page, 'More than the brief uses');
  const memory = save.getByRole('article', { name: /64 GB of memory; the tasks and their programs ask for 32 GB/ });
  const remedy = memory.getByRole('group', { name: 'Remedies' }).getByRole('button').first();
  await expect(remedy).toContainText('−');
  await remedy.click();
  await settled(page);
  await expect(memory).toHaveCount(0);
  await page.getByRole('button', { name: /Show \d+ that passed/ }).click();
  await expect(page.getByText('Halcyte Tern 12 and Wexcombe Reef 4 both have socket Dunlin.')).toBeVisible();
});

test('an unknown yes-or-no is answered where it is missed', async ({ page }) => {
  await page.goto('/library?kind=cooler&part=northdraft-eddy-140-twin');
  await page.getByRole('button', { name: 'paste included: yes. Change.' }).click();
  await page.getByRole('group', { name: 'paste included' }).getByRole('button', { name: 'unknown' }).click();
  await expect(page.getByRole('button', { name: 'paste included: unknown. Change.' })).toBeVisible();

  await openSeat(page, 'draft');
  const finding = page.getByRole('article', { name: /Unknown: whether paste comes with the cooler/ });
  await finding.getByRole('button', { name: 'paste included: unknown. Change.' }).click();
  await page.getByRole('group', { name: 'paste included' }).getByRole('button', { name: 'yes', exact: true }).click();
  await expect(finding).toHaveCount(0);
});
