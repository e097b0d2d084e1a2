import { expect, test } from './test';
import { noBarriersInEither, beam, findings, MOSAICS, openSeat, settled, openAll, opened, judged } from './helpers';

test('the heat layer shows what is held at its limit; a remedy mends it and the time of the task follows', async ({
  page,
}) => {
  await openSeat(page, 'draft', MOSAICS);
  await page.getByRole('button', { name: 'Six fans', exact: true }).click();
  await page.getByRole('button', { name: 'Heat and air', exact: true }).click();
  const chip = page.getByRole('button', { name: /^Halcyte Tern 16, / });
  await expect(chip).toHaveAccessibleName(/95 °C of 95/);
  await expect(chip).toContainText('% clock');
  await expect(beam(page, 'Align the stills')).toHaveAccessibleName(/takes 13 h/);

  const cooler = page.getByRole('article', {
    name: /Under Northdraft Eddy 92, with the card under load too, .* reaches 95 °C and keeps/,
  });
  // what mends several findings is offered at the first of them
  await expect(cooler).toContainText(/Mended too by|for Northdraft Eddy 92/);
  await page
    .getByRole('button', { name: /for Northdraft Eddy 92/ })
    .first()
    .click();
  await settled(page);
  await expect(cooler).toHaveCount(0);
  await expect(beam(page, 'Align the stills')).toHaveAccessibleName(/takes 11 h/);
  await expect(chip).not.toContainText('% clock');
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(cooler).toBeVisible();
});

test('six planned fans turn out to be three, with the money freed', async ({ page }) => {
  await openSeat(page, 'draft', MOSAICS);
  await page.getByRole('button', { name: 'Six fans', exact: true }).click();
  await openAll(page);
  const spare = page.getByRole('article', { name: /^note: 3 of the added fans, front and rear, carry the heat/ });
  await expect(page.getByRole('button', { name: /^Northdraft Puff 1[24]0, / })).toHaveCount(6);
  await spare.getByRole('button', { name: /^Leave out Northdraft Puff .*, 3 times/ }).click();
  await settled(page);
  await expect(page.getByRole('button', { name: /^Northdraft Puff 1[24]0, / })).toHaveCount(3);
  await expect(spare).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(page.getByRole('button', { name: /^Northdraft Puff 1[24]0, / })).toHaveCount(6);
});

test('the side view: gaps in mm, what must come off, and sliders that everything follows', async ({ page }) => {
  await openSeat(page, 'draft', MOSAICS);
  await page.getByRole('button', { name: 'Put right', exact: true }).click();
  await judged(page);
  await page.getByRole('button', { name: 'Clearance', exact: true }).click();
  await page.getByRole('button', { name: 'Side view, in mm' }).click();
  await expect(
    page.getByRole('img', { name: /^Side view of Pellbox Bare: 415 mm long .* nothing stands in/ }),
  ).toBeVisible();
  await expect(page.getByRole('list', { name: 'Gaps' }).getByRole('listitem').first()).toContainText(/\d mm/);
  await expect(page.getByRole('list', { name: 'What fits later' })).toContainText('Longest card 385 mm, now 267');

  const facts = page.getByLabel('What the fans do');
  const noise = facts.locator('dt', { hasText: 'Noise at 1 m' }).locator('xpath=following-sibling::dd[1]');
  const before = await noise.innerText();
  // by keyboard alone: the fans of the case to a standstill, the room to its warmest
  await page.getByRole('slider', { name: 'Case fans' }).press('Home');
  await page.getByRole('slider', { name: 'Room' }).press('End');
  await expect(facts).toContainText('▼');
  await expect(noise).not.toHaveText(before);
  await expect(page.getByText(/^Tasks: Align the stills ×0\./)).toBeVisible();
  await page.getByRole('button', { name: 'Let them go' }).click();
  await expect(noise).toHaveText(before);

  await page.getByRole('button', { name: 'Quietest that holds the clock' }).click();
  await settled(page);
  await expect(noise).not.toHaveText(before);
  await expect(page.getByText(/by the processor, set here/)).toBeVisible();
  await page.getByRole('button', { name: /^Cooler’s fan, point 1: speed: / }).click();
  await page.getByLabel('Cooler’s fan, point 1: speed', { exact: true }).fill('45');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByRole('button', { name: 'Cooler’s fan, point 1: speed: 45 %. Change.' })).toBeVisible();
  await page.getByRole('button', { name: 'Curves as shipped' }).click();
  await settled(page);
  await expect(noise).toHaveText(before);
});

test('a drive under the card is reached when the card is out', async ({ page }) => {
  await openSeat(page, 'draft');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  await page.getByRole('button', { name: 'Clearance', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Fenstore Cask 1 TB, under Lumoth Drift 16/ })).toBeVisible();
  await page.getByRole('button', { name: 'Side view, in mm' }).click();
  await page.getByRole('button', { name: /^Part to reach: / }).click();
  await page.getByRole('button', { name: 'Fenstore Cask 1 TB', exact: true }).click();
  await expect(page.getByText('first Lumoth Drift 16 must come off.')).toBeVisible();

  await page.getByRole('link', { name: 'Brief', exact: true }).click();
  await page.getByRole('button', { name: 'all terms' }).click();
  await page.getByRole('button', { name: /^Drives within reach: / }).click();
  await page.getByRole('button', { name: 'within reach, cards in place' }).click();
  await settled(page);
  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await expect(
    page.getByRole('article', { name: /^caution: To reach Fenstore Cask 1 TB, Lumoth Drift 16 must/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Undo: / }).click();
  await settled(page);
});

test('operating points stand in one chart, and one is set and undone', async ({ page }) => {
  await openSeat(page, 'weigh', MOSAICS);
  await page.getByRole('button', { name: 'Put right', exact: true }).click();
  const chart = await opened(page, 'Operating points');
  const limited = chart.getByRole('row', { name: /^Processor limited to 65 %/ });
  await expect(limited).toContainText(/×0\.8\d/);
  await expect(page.getByRole('region', { name: 'The first hour' })).toContainText('five minutes');
  await limited.getByRole('button', { name: 'Set it' }).click();
  await settled(page);
  await expect(chart.getByRole('row', { name: /^As the makers ship it/ })).toContainText(/×1\.1\d/);
  await page.getByRole('button', { name: /^Undo: / }).click();
  await settled(page);
  await expect(chart.getByRole('row', { name: /^As the makers ship it/ })).toHaveCount(0);
});

test('the ledger says what each way of sizing asks of the supply', async ({ page }) => {
  await openSeat(page, 'draft');
  await page.getByRole('button', { name: 'Draft B', exact: true }).click();
  await page.getByRole('button', { name: /W sustained · .* W peak/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('row', { name: /^Everything at its limit, 100 % of the rating 588 W/ })).toContainText(
    'carries',
  );
  await expect(sheet.getByRole('row', { name: /^Excursions of the cards, at 200 % for a moment/ })).toContainText(
    '399 W',
  );
  await expect(sheet).toContainText('it does not deliver more');
  await page.keyboard.press('Escape');
});

test('a noise limit that is passed is a finding, and the quietest curves mend it', async ({ page }) => {
  await openSeat(page, 'brief', MOSAICS);
  await page.getByRole('button', { name: 'all terms' }).click();
  await page.getByRole('button', { name: /^Noise limit: / }).click();
  await page.getByLabel('Noise limit', { exact: true }).fill('33');
  await page.keyboard.press('Enter');
  await settled(page);
  await page.getByRole('link', { name: 'Draft', exact: true }).click();
  await page.getByRole('button', { name: 'Put right', exact: true }).click();
  const loud = page.getByRole('article', {
    name: /^caution: .* dB\(A\) at 1 m in the sitting .*; the brief allows 33/,
  });
  await loud.getByRole('button', { name: /^Set the quietest fan curves that hold the clock/ }).click();
  await settled(page);
  await expect(findings(page, 'caution')).toHaveCount(0);
});

test('the side view has no barriers in either theme', async ({ page }) => {
  await openSeat(page, 'draft', MOSAICS);
  await page.getByRole('button', { name: 'Clearance', exact: true }).click();
  await page.getByRole('button', { name: 'Side view, in mm' }).click();
  await expect(page.getByRole('slider', { name: 'Room' })).toBeVisible();
  await noBarriersInEither(page, 'the side view');
});
